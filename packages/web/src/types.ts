import type { ThroughHullDesign, ThroughHullFamily, OwnGoods } from '@north-tide/core/through-hull'
import type {
  BoatPart,
  BoatZone,
  Design,
  Duty,
  Family,
  HoleRow,
  HullKind,
  LifeState,
  LogLine,
  Changed,
  DateLanguage,
  Other,
  Point,
  Rig,
  Role,
  Units,
  Verdict,
  WetSpot,
} from '@north-tide/core'

export interface Account {
  id: number
  login: string
  name: string
  role: Role
  boats: Record<string, Role>
}
/** How a yard writes: what it prints on, what a new boat is measured in, the language of its dates. */
export interface Ways {
  paper: 'A4' | 'letter'
  units: Units
  dates: DateLanguage
  version: number
}
export interface BoatSummary {
  id: string
  name: string
  kind: string
  lengthMm: number
  beamMm: number
  displacementKg: number
  duty: Duty
  units: Units
  hullMaterial: string
  launchOn: string | null
  rig: Rig | null
  hullKind: HullKind
  version: number
  note: string
  imported: { at: string; by: string } | null
  archived: { at: string; by: string; why: string } | null
}
export type Hole = HoleRow
export interface PlanThroughHull extends PlanRow {
  family: ThroughHullFamily
  use: string
  flangeMm: number
  existing: boolean
  material: string
}
/** A fitting as a save answers with it: what is in its design, its kind says. */
export interface Saved<D> {
  id: string
  kind: string
  boatId: string
  name: string
  version: number
  design: D
  verdict: Verdict
  governing: string | null
  recorded: boolean
  replacesId: string | null
  groupId: string | null
  updatedAt: string
  updatedBy: string
}
/** A fitting as the bench opens it, with all that stands round it. */
export interface Open<D> extends Saved<D> {
  log: LogLine[]
  flags: { id: string; text: string }[]
  /** what the survey says otherwise than the design, and what takes it over */
  stale: Changed | null
  planEdgeMm: number | null
  holes: Hole[]
  others: Other[]
  /** the cradle’s own heel, starboard down; null while nobody has read it */
  heelDeg: number | null
  replacedBy: string | null
}
export type SavedFitting = Saved<Design>
export type OpenFitting = Open<Design>
export type SavedThroughHull = Saved<ThroughHullDesign>
export type OpenThroughHull = Open<ThroughHullDesign>
/** A fitting of any kind as lists and the map show it. */
export interface PlanRow {
  id: string
  kind: string
  /** what it is, by its family */
  what?: string
  name: string
  verdict: Verdict
  governing: string | null
  stale: string[] | null
  solverDue: boolean
  recorded: boolean
  version: number
  family: string
  replacesId: string | null
  ordered: boolean
  xMm: number
  yMm: number
  zMm: number
  /** on the face that it stands on, in boat coordinates */
  outline: Point[]
  /** why it is not to be used until somebody settles it */
  alarm?: string | null
  /** what holds it for the time being, until when, and what must follow */
  temporary?: { what: string; until: string; then: string } | null
  /** where a lid on a hinge comes down when it is opened flat */
  sweep?: { minX: number; maxX: number; minY: number; maxY: number } | null
  /** what its zone is called now, and its code */
  zone: string | null
  zoneCode: string | null
}
export interface PlanFitting extends PlanRow {
  family: Family
  base: Design['base']
  bolts: Point[]
}
export type ZoneShown = BoatZone & { id: number; version: number }
export interface BoatPicture extends BoatSummary {
  zones: ZoneShown[]
  wet: Record<string, WetSpot[]>
  parts: BoatPart[]
  stations: { xMm: number; halfBreadthMm: number; sheerMm: number; keelMm: number }[]
  fittings: PlanFitting[]
  holes: Hole[]
  throughHulls: PlanThroughHull[]
  /** of every other kind of work */
  others: PlanRow[]
}
export interface LifeEventShown {
  seq: number
  state: LifeState
  note: string
  who: string
  at: string
  sizeMm: number | null
  tempC: number | null
  humidityPct: number | null
  lot: string | null
  evidence: string
  gatesPassed: string[]
  gateReason: string | null
  corrects: number | null
}
export interface HoleRecord extends Hole {
  /** fittings in whose work it was closed */
  closedIn: { id: string; kind: string; name: string }[]
  withdrawnWhy: string | null
  withdrawnBy: string | null
  next: LifeState[]
  /** ticks, readings and orders of the fitting that stands in it */
  log: LogLine[]
  sizes: { at: string; sizeMm: number }[]
  cure: { rimDays: number | null; middleDays: number | null } | null
  events: LifeEventShown[]
}
export interface Lot {
  id: number
  code: string
  title: string
  chemistry: string
  kind: 'sealant' | 'epoxy'
  openedOn: string | null
  expiresOn: string
  storedHot: boolean
  quantity: number | null
  unit: string
  testedOn: string | null
  testNote: string
  recalledOn: string | null
  recalledWhy: string
}
export interface TodayReading {
  surfaceC: number
  marginK: number
  verdict: Verdict
  line: string
  airC: number
  humidityPct: number
}
export interface ReadingShown {
  id: number
  zone: string | null
  kind: 'thickness' | 'moisture' | 'tap' | 'core'
  way: string
  layer: number | null
  xMm: number
  yMm: number
  value: number | null
  scaleMost: number | null
  dryReference: number | null
  finding: string
  note: string
  instrument: string
  who: string
  takenAt: string
  withdrawnWhy: string | null
  withdrawnBy: string | null
}
export interface RejudgeJob {
  id: number
  why: string
  total: number
  done: number
  turned: number
  finished: boolean
  solverLeft: number
}
export interface Angles {
  rows: {
    id: number
    role: 'reference' | 'trim' | 'station' | 'recheck'
    station: string
    side: 'port' | 'starboard' | null
    axis: 'across' | 'along' | null
    leanDeg: number | null
    afterCount: number | null
    degrees: number
    instrument: string
    who: string
    takenAt: string
  }[]
  answer: {
    heelDeg: number
    spreadDeg: number
    flaggedReferences: number[]
    trimDeg: number | null
    stations: {
      id: string
      side: 'port' | 'starboard'
      axis: 'across' | 'along'
      readingDeg: number
      trueDeg: number
      bracketDeg: number
      flags: string[]
      flagged: boolean
    }[]
    pairs: { id: string; axis: string; portDeg: number; starboardDeg: number; differenceDeg: number }[]
    rechecks: { afterCount: number; driftDeg: number; moved: boolean }[]
  } | null
  problem: { path: string; message: string } | null
}
export interface PhotoShown {
  id: number
  subject: 'hole' | 'zone' | 'reading' | 'boat' | 'fitting'
  subjectId: string
  caption: string
  width: number
  height: number
  who: string
  takenAt: string
  /** where on the map it belongs */
  pin: { xMm: number; yMm: number } | null
}
/** A part of the yard's own as the server keeps it, with the count of its changes. */
export type KeptGoods = OwnGoods & { version: number }
