import type { PlanJob } from './boat-plan'
import type { Step } from '../kinds/step'

/** What holds work up, as a yard says it. */
export const HELD_BY = ['part', 'cure', 'weather', 'paint', 'trade', 'decision', 'other'] as const
export type HeldBy = (typeof HELD_BY)[number]
export const HELD_BY_SAID: Record<HeldBy, string> = {
  part: 'a part',
  cure: 'a cure',
  weather: 'weather',
  paint: 'paint',
  trade: 'another trade',
  decision: 'a decision',
  other: 'something else',
}
/**
 * Where in the work of a fitting it bites. Paint holds what is bedded: all is drilled, sealed and fitted dry
 * before it. A part that is not here holds what is fitted dry.
 */
export const HELD_FROM = ['start', 'fit', 'bed'] as const
export type HeldFrom = (typeof HELD_FROM)[number]
export const HELD_FROM_SAID: Record<HeldFrom, string> = {
  start: 'all that is left of it',
  fit: 'from fitting it dry',
  bed: 'from bedding it',
}
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
const recordsAny = (s: Step, states: readonly string[]) =>
  Object.values(s.records).some((made) => made?.some((state) => states.includes(state)))
const DRY = ['dry-fitted', 'bedded'] as const
const BEDDED = ['bedded'] as const
const NEVER_DRY = ['dry-fit', 'ready-bed', 'bed', 'wipe']
const NEVER_BED = ['ready-bed', 'wipe', 'dew', 'bed']
/**
 * The first step of what is held, of all the steps; what comes before may go on. A kind without such a step
 * is held whole.
 */
export function firstHeld(steps: Step[], from: HeldFrom): Step | null {
  if (from === 'start') return steps[0] ?? null
  const [states, ids] = from === 'fit' ? [DRY, NEVER_DRY] : [BEDDED, NEVER_BED]
  return steps.find((s) => recordsAny(s, states) || ids.includes(s.id)) ?? steps[0] ?? null
}
/** Which steps each hold stops, by the key of the step. */
export function heldSteps(jobs: PlanJob[], holds: YardHold[]) {
  const out = new Map<
    string,
    { until: string | null; why: string; by: HeldBy; since: string; holdId: number }[]
  >()
  for (const j of jobs)
    for (const h of holds) {
      if (h.boatId !== j.boatId) continue
      if (
        h.fittingId !== null
          ? h.fittingId !== j.fittingId
          : h.zones !== null && !h.zones.includes(j.zoneId ?? '')
      )
        continue
      const first = firstHeld(j.steps, h.from)
      const at = first ? j.steps.indexOf(first) : -1
      // What of it is ticked already is behind it: it stops the first that is left from there on.
      const step = at < 0 ? undefined : j.steps.slice(at).find((s) => !j.work.ticks[s.id])
      if (!step) continue
      const key = `${j.fittingId} ${step.id}`
      const why = { until: h.until, why: h.what, by: h.by, since: h.since, holdId: h.id }
      out.set(key, [...(out.get(key) ?? []), why])
    }
  return out
}
