import type { Launch, SpotBoat } from '../boat/place'
import type { z } from 'zod'
import type { Measurable, Structure } from '../base/materials/structure'
import type { YardValue } from '../base/materials/yard'
import type { Check, Verdict } from '../base/verdict/check'
import type { Units } from '../base/quantity/format'
import type { Duty } from '../base/verdict/factors'
import type { BoatHole, BoatPart, BoatZone } from '../boat/spot'
import type { WetSpot } from '../boat/wetness'
import type { Measure } from '../boat/where'
import type { Drawing } from '../drawing/shapes'
import type { DrillRow } from '../drawing/drill'
import type { Caution } from '../trade/cautions'
import type { FastenerNeed } from './fastener-need'
import type { Part } from './part'
import type { AtCompanionway } from './at-companionway'
import type { Judged, Try } from './remedies'
import type { Step, StepAsk } from './step'
import type { LogLine, WorkState } from './work'
import type { FitsHole } from './wrong-hole'

export type { Judged, Try } from './remedies'

/** Where on a boat a fitting stands, in boat coordinates (chapter 0). */
export interface FittingPlace {
  zone: string | null
  xMm: number
  yMm: number
  zMm: number
}
/** One of several places, and how what stands there is turned: its own x from aft towards starboard. */
export interface FittingSpot {
  xMm: number
  yMm: number
  zMm: number
  headingDeg: number
}
/** What every design has, of whatever kind: the rest is the kind's own. */
export interface AnyDesign {
  schemaVersion: number
  name: string
  family: string
  catalogueId: string | null
  place: FittingPlace
  duty: Duty
}

/** Another fitting of the boat. */
export interface Other {
  id: string
  kind: string
  name: string
  design: AnyDesign
  /** what it covers of its face, in boat coordinates */
  outline?: { xMm: number; yMm: number }[]
  /** as it was judged last */
  verdict?: Verdict
  /** of the row that it is one of; null where it stands by itself */
  groupId?: string | null
}
/**
 * All that stands round a fitting, read once for an act: the boat's zones, parts and holes without its own,
 * the yard's values and goods, the fitting's log, the other fittings.
 */
export interface Around {
  zones: BoatZone[]
  parts: BoatPart[]
  holes: BoatHole[]
  wet: Record<string, WetSpot[]>
  yard: YardValue[]
  /** the yard's own goods, as the kind's `goods` reads them */
  goods: unknown[]
  log: LogLine[]
  others: Other[]
  /** those of the others that this is the row of */
  members?: Other[]
  units: Units
  /** her own figures, where they are known */
  boat?: { lengthMm: number; beamMm: number; displacementKg: number } | undefined
  /** the day on which it is judged, where anything of it goes by the calendar */
  today?: string | undefined
  /** the day she is launched; left out while nobody has said, or where it is past */
  launch?: Launch | undefined
}
/** Nobody and nothing round it: for tests, and for a design that is judged by itself. */
export const ALONE: Around = {
  zones: [],
  parts: [],
  holes: [],
  wet: {},
  yard: [],
  goods: [],
  log: [],
  others: [],
  units: 'metric',
}

/** What differs between a design and the boat as it is surveyed now. */
export interface Changed {
  changes: string[]
  take: Record<string, unknown>
}
/** Said as a fitting is placed: of the hull there, of its use, of the hole that it stands in already. */
export interface PlacedSaid {
  deadriseDeg?: number | undefined
  use?: string | undefined
  holeMm?: number | undefined
  /** its number in the register */
  holeLabel?: string | undefined
}

/** A place for a new fitting, with what the boat is made of there. */
export interface KindSpot extends FittingPlace {
  measuredFrom?: Measure[]
  structure: Structure
  measured: Measurable[]
  edgeMm: number | null
  belowWaterline: boolean
  duty: Duty
  boat?: SpotBoat
  zones: BoatZone[]
}

/** A hole that a fitting makes: one of the register's, by its part. */
export interface HoleSpec {
  /** bolt 1, bore, pipe: unique within the fitting */
  part: string
  /** counts from nought among the bolts; null for any other hole */
  boltIndex: number | null
  title: string
  xMm: number
  yMm: number
  zMm: number
  diameterMm: number
  /** what it goes through, in words with figures */
  through: string
  fastener: string
  plate: string
  /** how the core is kept dry here; `none` where there is none, and its ladder of life is shorter */
  coreSchool: string
  sealant: string | null
  belowWaterline: boolean
  /** how it stands, for the first event of its life */
  note: string
}

/** A paragraph or a table of what paper and phone show. */
export interface Block {
  title: string
  lines: string[]
}
/** Something about a fitting that a person decides, beside what is advised. */
export interface Decision {
  about: string
  title: string
  choices: string[]
  advised: string
  because: string
  /** against the advice it wants a reason */
  against: string[]
  on: Record<string, number>
  /** the readings in words, for the log */
  said: string
}
/** Something that somebody will have to look at again. */
export interface Due {
  id: string
  title: string
  everyDays: number
  why: string
}
/** What there is on a fitting that somebody has to look at by its own interval (chapter 16.3). */
export interface Watched {
  valve?: { cockpitDrain: boolean }
  hose?: true
  anode?: true
  chainplate?: { grade: string; lastDrawn: string | null }
  /** steps of its work that may be done afloat, so many hours after another: Watch reminds of them */
  afloat?: { step: string; after: string; hours: number; title: string }[]
}
/** As what a thing is suspected when water drips inside: how often each leaks, chapter 16.1. */
export type LeakSource =
  | 'chainplate'
  | 'stanchion'
  | 'hatch'
  | 'portlight'
  | 'track'
  | 'deck-hardware'
  | 'cable-gland'
  | 'through-hull'
  | 'transducer'
  | 'fastener'
/** Something that may be wrong with one that is there. */
export interface FoundWrong {
  id: string
  title: string
  risk: 'sinks' | 'soon' | 'watch'
  costs: string
  settle: string
}
export interface Entry {
  id: string
  title: string
  family: string
}
/** What a tick measured: changes of the design by dotted path, and the same in words. */
export interface Measured {
  change: Record<string, unknown>
  said: string[]
}
export interface TickReadings {
  at: number
  sizeMm: number | null
  tempC: number | null
  airC: number | null
  humidityPct: number | null
  hullMm: number | null
  shownDeg: number | null
  stopsDeg: number | null
  torqueNm: number | null
  /** what a locking nut takes to run down before it clamps */
  runDownNm: number | null
  heelDeg: number | null
}

/**
 * A kind of work: deck hardware, a through-hull, an opening. To map, bench, plan, stores, register, watch,
 * search, export and paper each is a fitting of some kind, and this is all that they know of it. A kind is
 * one folder here and one in the web application; no table, route or page of its own.
 */
export interface Kind<D extends AnyDesign = AnyDesign, J extends Judged = Judged, E extends Entry = Entry> {
  id: string
  title: string
  /** which faces of a boat it goes on */
  faces: BoatZone['face'][]
  schema: z.ZodType<D>
  version: number
  /** brings a design of an earlier version up to this one; a kept file of each version is a test */
  upgrade(raw: unknown, from: number): unknown
  /** what an earlier version of the design told of the past */
  history?(raw: unknown): LogLine[]
  families: Record<string, string>
  catalogue: E[]
  /** reads a good of the yard's own; none: the kind has no parts of its own to buy by name */
  goods?: z.ZodType
  /** a sensible first design, every estimate marked */
  start(entry: E, spot: KindSpot, name: string): D
  /** its outline on the face it stands on, in boat coordinates: map, neighbours, search */
  footprint(d: D): { xMm: number; yMm: number }[]
  /**
   * Every check that applies. Pure: the same design and surroundings give the same words.
   * @throws CalcError where the design makes no sense yet
   */
  judge(d: D, around: Around): J
  /** what a heavy calculator is asked besides, the same question by the same key; null: nothing */
  slow?(d: D, j: J, around: Around): { key: string } | null
  /** the judgement with what that calculator answered */
  withSlow?(j: J, answer: { checks: Check[] }): J
  /** the design as it is judged: on the boat as the survey says it is now */
  asSurveyed?(d: D, zones: BoatZone[]): D
  /** what the survey says otherwise than the design, in words, and the changes that take it over */
  changed?(d: D, zones: BoatZone[]): Changed | null
  /**
   * what lists and the map show of it besides what every fitting has; `alarm`: why it is not to be used
   * until somebody settles it; `temporary`: what holds it for the time being
   */
  listed?(d: D): Record<string, unknown>
  /**
   * What else is to be looked at since this one is not as it was, with the reason: its twin, those of the
   * same make. Empty: nothing is wrong with it, or all have been looked at since.
   */
  looksToo?(d: D, others: Other[]): { id: string; name: string; why: string }[]
  /** a new design with the yard's habits, wherever they are not refused there */
  withHabits?(d: D, habits: Record<string, string>): D
  /** what was said as it was placed goes into its first design */
  placed?(d: D, said: PlacedSaid): D
  /** labels of holes that are there and that this closes: they are linked to it, and close with its work */
  closes?(d: D): string[]
  /** where its members stand, each a fitting of its own by that number; null where it has none */
  groups?(d: D, j: J): { memberId: string; places: FittingSpot[] } | null
  /** a new one in the place of another: what of the old one stands */
  inPlaceOf?(d: D, old: D): D
  tries(d: D, j: J, around: Around): Try[]
  drawings(d: D, j: J, units: Units): { id: string; title: string; drawing: Drawing }[]
  templates(d: D, j: J): string[]
  template(d: D, j: J, what: string, units: Units, fromInside: boolean): Drawing
  drill(d: D, j: J): DrillRow[]
  penetrations(d: D, j: J, units: Units): HoleSpec[]
  /** what it is set out by, a line a place, lengths mm; none: its drill schedule says it all */
  schedule?(d: D, j: J): Record<string, string | number | null>[]
  steps(d: D, j: J, units: Units, state: WorkState): Step[]
  parts(d: D, j: J): Part[]
  /** its bolts with nuts and washers as they are ordered by the piece; they stand among its parts too */
  fasteners?(d: D, j: J): FastenerNeed[]
  cautions(d: D): Caution[]
  card(d: D, j: J, around: Around): Block[]
  inspections(d: D, j: J): Due[]
  /** its verdict goes by the day: a repair that ends, a look that comes due; it is judged anew daily */
  byCalendar?: true
  /** no other fitting of the boat has a say in it: whoever opens it is told of none */
  alone?: true
  /** as what it is suspected when water drips inside, and whether a load works on it (chapter 16.1) */
  leaksAs?(d: D): { as: LeakSource; loaded: boolean }
  /** what stands of it on the sheet by the companionway; none: it is not reached for when water comes in */
  atCompanionway?(d: D): AtCompanionway
  /** looks that stand in its design, of a length over a mark; those of its log are read there */
  looks?(d: D): { kind: 'creep' | 'gap'; referenceMm: number; readings: { date: string; value: number }[] }[]
  /** what of it is watched besides its bedding, from its design: see `planning/watch` */
  watched?(d: D): Watched
  findings(d: D): FoundWrong[]
  /** the same fitting at another place; mirrored: on the other side of the centreline */
  copy?(d: D, how: { mirror: boolean; xMm: number; yMm: number; name: string }, zones: BoatZone[]): D
  /** what a tick measured goes into the design, so that nobody types it twice */
  measured?(d: D, step: { id: string; asks: StepAsk[] }, r: TickReadings, units: Units): Measured
  /** why it cannot be ordered yet; empty: it may */
  orderStops?(j: J): { id: string; codes: string[]; because: string; title: string }[]
  /** what is to stand in a hole of its, and the next size that would fill a wider one */
  fitsHole?(d: D, holeMm: number): FitsHole | null
  /** from the edge of its bedding to where it cures last; null where nothing is bedded */
  bedHalfMm?(d: D): number | null
  /** what is ordered, in words that are compared when the design has changed since */
  orderList?(d: D, j: J): string
  /** what is decided of it by name, with the advice and what the decision is made on */
  decisions?(d: D, units: Units): Decision[]
}

/** Inside its footprint, or within so many millimetres of it: a hole may stand on the outline itself. */
export const FOOTPRINT_SLACK_MM = 1
