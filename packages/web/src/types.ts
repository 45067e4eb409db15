import type {
  ThroughHullDesign,
  ThroughHullFamily,
  ThroughHullLog,
  Neighbour,
  OwnGoods,
} from '@north-tide/core/through-hull'
import type {
  BoatPart,
  BoatZone,
  Design,
  Duty,
  Family,
  HoleRow,
  HullKind,
  LifeState,
  Point,
  Stale,
  Units,
  Verdict,
  WetSpot,
} from '@north-tide/core'

export interface Account {
  id: number
  login: string
  name: string
  role: 'manager' | 'fitter' | 'apprentice' | 'owner'
  boatId: string | null
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
  hullKind: HullKind
  version: number
  note: string
}
export type Hole = HoleRow
export interface PlanThroughHull {
  id: string
  name: string
  verdict: Verdict
  governing: string | null
  family: ThroughHullFamily
  use: string
  xMm: number
  yMm: number
  zMm: number
  zone: string | null
  flangeMm: number
  existing: boolean
  ordered: boolean
  recorded: boolean
  replacesId: string | null
  material: string
}
export interface SavedThroughHull {
  id: string
  boatId: string
  name: string
  version: number
  design: ThroughHullDesign
  verdict: Verdict
  governing: string | null
  replacesId: string | null
  recorded: boolean
  updatedAt: string
  updatedBy: string
}
export interface OpenThroughHull extends SavedThroughHull {
  others: Neighbour[]
  log: ThroughHullLog[]
  /** the cradle’s own heel, starboard down; null while nobody has read it */
  heelDeg: number | null
  hullNow: { thicknessMm: number; measured: boolean; how: string } | null
  holes: Hole[]
  replacedBy: string | null
}
export interface PlanFitting {
  id: string
  name: string
  verdict: Verdict
  governing: string | null
  stale: string[] | null
  solverDue: boolean
  recorded: boolean
  version: number
  family: Family
  xMm: number
  yMm: number
  zMm: number
  base: Design['base']
  bolts: Point[]
  /** what its zone is called now, and its code */
  zone: string | null
  zoneCode: string | null
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
}
export interface SavedFitting {
  id: string
  boatId: string
  name: string
  version: number
  design: Design
  verdict: Verdict
  governing: string | null
  recorded: boolean
  updatedAt: string
  updatedBy: string
}
export interface OpenFitting extends SavedFitting {
  flags: { id: string; text: string }[]
  stale: Stale | null
  planEdgeMm: number | null
  holes: Hole[]
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
  withdrawnWhy: string | null
  withdrawnBy: string | null
  next: LifeState[]
  /** ticks, readings and orders of the fitting that stands in it */
  log: ThroughHullLog[]
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
  onHand: string
  testedOn: string | null
  testNote: string
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
  subject: 'hole' | 'zone' | 'reading' | 'boat'
  subjectId: string
  caption: string
  width: number
  height: number
  who: string
  takenAt: string
}
/** A part of the yard's own as the server keeps it, with the count of its changes. */
export type KeptGoods = OwnGoods & { version: number }
