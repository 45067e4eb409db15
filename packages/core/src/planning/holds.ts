import type { HeldBy, HeldFrom, PlanJob, YardHold } from './plan-types'
import type { Step } from '../kinds/step'

export const HELD_BY_SAID: Record<HeldBy, string> = {
  part: 'a part',
  cure: 'a cure',
  weather: 'weather',
  paint: 'paint',
  trade: 'another trade',
  decision: 'a decision',
  other: 'something else',
}
export const HELD_FROM_SAID: Record<HeldFrom, string> = {
  start: 'all that is left of it',
  fit: 'from fitting it dry',
  bed: 'from bedding it',
}
export const recordsAny = (s: Step, states: readonly string[]) =>
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
