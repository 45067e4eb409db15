import type { labourWeek } from '../chapters/plan/labour-week'
import { gapHours, rowsOfPlan } from './boat-plan'
import { stepKey, type BoatPlan, type PlanAsk } from './plan-types'

/** The load of a week, and the launch that the chain of a plan leads to (chapter 17.6). */
type Input = Parameters<typeof labourWeek.run>[0]
type Output = ReturnType<typeof labourWeek.run>
export type WeekLoad = Output

/**
 * How much less and more than its typical minutes a piece of work takes, and how much longer a cure is in a
 * cold week: ours, estimates until a yard's own log knows better.
 */
export const SPREAD = { least: 0.75, most: 1.75, cureMost: 1.25 }
export type LaunchDay = 'mon' | 'tue' | 'wed' | 'thu' | 'fri' | 'sat' | 'sun'
export interface WeekAsk {
  /** YYYY-MM-DD, the first of seven days */
  from: string
  asOf: string
  launchDays: LaunchDay[]
  /** when she is wanted in the water; null: nobody has said */
  target: string | null
}
const first = (ask: PlanAsk) => ask.fitters[0]?.name ?? ''

function chainOf(plan: BoatPlan, ask: PlanAsk): Input['chain'] {
  const rows = rowsOfPlan(plan)
  let waited: string | null = null
  const steps = plan.chain.flatMap((key, i) => {
    const r = rows.get(key)
    if (!r) {
      // What holds several steps has no row: the one that waits for it begins no sooner.
      waited = plan.held.find((h) => key === `hold ${h.holdId}`)?.until ?? null
      return []
    }
    const until = waited
    waited = null
    // Hours that have to go by before what comes next count as its cure.
    const gap = gapHours(plan.chain[i + 1] ?? '') ?? 0
    const cureH = Math.max(gap, (Date.parse(`${r.cureEnd}Z`) - Date.parse(`${r.end}Z`)) / 3_600_000)
    const own = plan.held.find((h) => stepKey(h.fittingId, h.step) === key && h.until)?.until ?? null
    const notBefore = [own, until]
      .filter((x) => x !== null)
      .sort()
      .at(-1)
    return [
      {
        step: key,
        who: r.who.length ? r.who : [first(ask)],
        minutes: [SPREAD.least * r.minutes, r.minutes, SPREAD.most * r.minutes],
        cureHours: [cureH, cureH, SPREAD.cureMost * cureH],
        ...(notBefore ? { notBefore } : {}),
      },
    ]
  })
  return steps.length ? { start: ask.start, steps } : undefined
}
export function weekQuestion(plan: BoatPlan, ask: PlanAsk, w: WeekAsk): Input {
  const chain = chainOf(plan, ask)
  const known = new Set(ask.fitters.map((f) => f.name))
  return {
    from: w.from,
    days: 7,
    asOf: w.asOf,
    fitters: ask.fitters.map((f) => ({ id: f.name, hoursByDay: f.hoursByDay })),
    rows: plan.days
      .flatMap((d) => d.steps)
      .map((s) => ({
        step: stepKey(s.fittingId, s.step),
        boat: s.boat,
        start: s.start,
        end: s.end,
        who: s.who.filter((x) => known.has(x)),
        split: s.start.slice(0, 10) !== s.end.slice(0, 10) || s.minutes > 180,
      })),
    held: plan.held
      .filter((h) => h.since !== null && h.since <= w.asOf)
      .map((h) => ({
        step: stepKey(h.fittingId, h.step),
        boat: h.boatId,
        since: h.since!,
        until: h.until?.slice(0, 10) ?? null,
        why: h.why,
      })),
    ...(chain ? { chain } : {}),
    launchDays: w.launchDays,
    ...(chain && w.target ? { target: w.target } : {}),
  } as Input
}
