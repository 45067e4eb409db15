import type { Step } from '../kinds/step'
import type { WorkState } from '../kinds/work'
import type { Verdict } from '../base/verdict/check'

/** What holds work up, as a yard says it. */
export const HELD_BY = ['part', 'cure', 'weather', 'paint', 'trade', 'decision', 'other'] as const
export type HeldBy = (typeof HELD_BY)[number]
/**
 * Where in the work of a fitting it bites. Paint holds what is bedded: all is drilled, sealed and fitted dry
 * before it. A part that is not here holds what is fitted dry.
 */
export const HELD_FROM = ['start', 'fit', 'bed'] as const
export type HeldFrom = (typeof HELD_FROM)[number]
/** Something that somebody wrote down: of a fitting, of zones, or of a boat. */
export interface YardHold {
  id: number
  boatId: string
  /** null: of all fittings of those zones, or of the boat */
  fittingId: string | null
  zones: string[] | null
  by: HeldBy
  what: string
  from: HeldFrom
  since: string
  /** null: nobody knows yet */
  until: string | null
}
/**
 * The work on the fittings of one boat, or of several, as one plan (chapter 11.1): what is asked of the
 * calculator, and what its answer means to whoever stands in the yard.
 */
export interface PlanJob {
  fittingId: string
  kind: string
  name: string
  boatId: string
  boat: string
  /** code of the zone, and where in the boat, in words */
  zoneId: string | null
  zone: string
  verdict: Verdict
  /** what is short, in words; empty where nothing is */
  short: string
  steps: Step[]
  work: WorkState
}
/** Somebody who works, with the hours of each weekday or of a day, HH:MM pairs. */
export interface PlanFitter {
  name: string
  hoursByDay: Record<string, [string, string][]>
}
/** Work that stays where it is: it was begun, or somebody put it there. */
export interface FixedStep {
  fittingId: string
  step: string
  start: string
  end: string
  who: string[]
  /** it was begun, somebody put it there, or it was put off to share a pot or a tube */
  why: 'begun' | 'pinned' | 'joined'
}
export interface PlanAsk {
  /** YYYY-MM-DDTHH:MM, local */
  start: string
  fitters: PlanFitter[]
  /** days, YYYY-MM-DD, whose surface is too cold or too wet to bond on */
  badDays: string[]
  holds?: YardHold[]
  fixed?: FixedStep[]
}
/** One name for a step of a fitting, in every plan alike. */
export const stepKey = (fittingId: string, step: string) => `${fittingId} ${step}`
export interface DayPot {
  at: string
  /** pots one after another that are alike */
  times: number
  ml: number
  hardener: string
  /** minutes until it can no longer be worked */
  lifeMin: number
  for: { fittingId: string; fitting: string; ml: number }[]
}
export interface DayTube {
  /** code of the lot; null: to be bought */
  lot: string | null
  chemistry: string
  /** of which tube of it, from 1 */
  tube: number
  for: { fittingId: string; fitting: string; ml: number }[]
}
export interface PlannedStep {
  fittingId: string
  kind: string
  fitting: string
  boatId: string
  boat: string
  zone: string
  step: string
  text: string
  minutes: number
  start: string
  end: string
  cureEnd: string
  who: string[]
  /** it wants two, and one works alone: how it is done then */
  alone: string
  tools: string[]
  caution: string
  /** it sets when all is done */
  critical: boolean
  needsSurface: boolean
  /** null where nothing would have to move for it, hours otherwise */
  floatHours: number | null
  /** it stays where it is: it was begun, somebody put it there, or it was put off to share a pot or a tube */
  fixed: FixedStep['why'] | null
  /** put off to share: from which day, with what, and how many pots or tubes that saves */
  joined?: { from: string; with: string[]; what: string; saves: string }
}
export interface PlanDay {
  day: string
  steps: PlannedStep[]
  /** what cures meanwhile, and until when */
  cures: { boatId: string; fitting: string; zone: string; text: string; until: string }[]
  /** what has to lie in the bag in the morning */
  bag: string[]
  /** one pot, and one tube, for as many as can share it */
  pots?: DayPot[]
  tubes?: DayTube[]
}
export interface HeldWork {
  fittingId: string
  kind: string
  fitting: string
  /** what else it holds */
  others: { fittingId: string; kind: string; fitting: string }[]
  step: string
  text: string
  why: string
  by: HeldBy
  /** a day, where it is known */
  since: string | null
  until: string | null
  costHours: number | null
  /** of a hold that somebody wrote down */
  holdId: number | null
  boatId: string
  zone: string
}
export interface BoatPlan {
  days: PlanDay[]
  /** waits that nobody is needed for: they have no day, and hold what comes after them */
  waits: PlannedStep[]
  held: HeldWork[]
  finish: string | null
  /** steps that nothing dates, by what holds them */
  notPlanned: number
  minutes: number
  /** keys of the steps that decide the finish, and of what holds several of them, first to last */
  chain: string[]
}
