import { SEALANTS, type SealantId } from '../base/materials/sealants'
import { sentence } from '../base/verdict/check'
import { minuteOf, timeText, DAY } from '../chapters/plan/clock'
import { epoxyOf, sealantOf, type JobWithParts } from './batches'
import { daysOf, rowsOfPlan } from './boat-plan'
import { earliest, moveStep } from './move-step'
import {
  stepKey,
  type BoatPlan,
  type FixedStep,
  type PlanAsk,
  type PlanDay,
  type PlanJob,
  type PlannedStep,
} from './plan-types'

/**
 * Bonds and beddings that are brought to one day, so that one pot or one tube serves them (chapters 17.3 and
 * 17.4 join what falls on a day; which day, is ours). A step is only put off, never brought forward: forward
 * it would stand there already. It is put off only where nobody waits for it: no boat is done later, and no
 * other fitting.
 */
export interface JoinTry {
  fittingId: string
  step: string
  /** epoxy, or what is bedded with */
  substance: string
  from: string
  to: string
  /** names of the fittings that it would share with */
  with: string[]
}
/** Longer than this nobody puts a bond off to save a pot. Ours. */
const MOST_DAYS = 7
/** Of the days that would do the nearest few. */
const MOST_TO = 3
const DAY_MS = 86_400_000
const HOUR_MS = 3_600_000
const daysBetween = (a: string, b: string) => (Date.parse(b) - Date.parse(a)) / DAY_MS

type Worked = PlannedStep & { substance: string; day: string }
function worked(jobs: JobWithParts[], days: PlanDay[]): Worked[] {
  const byId = new Map(jobs.map((j) => [j.fittingId, j]))
  return days.flatMap((d) =>
    d.steps.flatMap((s) => {
      const job = byId.get(s.fittingId)!
      const substance = epoxyOf(job, s.step) ? 'epoxy' : sealantOf(job, s.step)?.chemistry
      return substance ? [{ ...s, substance, day: d.day }] : []
    }),
  )
}
const lastOf = (p: BoatPlan, of: 'boatId' | 'fittingId') => {
  const out = new Map<string, string>()
  for (const s of [...p.days.flatMap((d) => d.steps), ...p.waits])
    if (s.cureEnd > (out.get(s[of]) ?? '')) out.set(s[of], s.cureEnd)
  return out
}
/** Hours by which each fitting is done before the last of its boat. */
function slackOf(plan: BoatPlan): (s: PlannedStep) => number {
  const [own, boats] = [lastOf(plan, 'fittingId'), lastOf(plan, 'boatId')]
  const hours = (a: string, b: string) => (Date.parse(`${b}Z`) - Date.parse(`${a}Z`)) / HOUR_MS
  return (s) => hours(own.get(s.fittingId)!, boats.get(s.boatId)!)
}
/**
 * What could be put off to a day that works the same stuff: first what is alone with it on its day, then the
 * nearest. Of what a fitting does with it on one day the first alone: the rest follows it.
 */
export function joinsToTry(jobs: JobWithParts[], plan: BoatPlan): JoinTry[] {
  const all = worked(jobs, plan.days)
  const slack = slackOf(plan)
  const company = (t: JoinTry) => all.filter((s) => s.day === t.from && s.substance === t.substance).length
  const firsts = new Map([...all].reverse().map((s) => [`${s.fittingId} ${s.day} ${s.substance}`, s]))
  return [...firsts.values()]
    .filter((s) => s.fixed === null && !s.critical)
    .flatMap((s) => {
      const later = all.filter(
        (o) =>
          o.substance === s.substance &&
          o.fittingId !== s.fittingId &&
          o.day > s.day &&
          daysBetween(s.day, o.day) <= Math.min(MOST_DAYS, slack(s) / 24 + 1),
      )
      const days = [...new Set(later.map((o) => o.day))].sort().slice(0, MOST_TO)
      const of = { fittingId: s.fittingId, step: s.step, substance: s.substance, from: s.day }
      return days.map((to) => {
        const names = later.filter((o) => o.day === to).map((o) => o.fitting)
        return { ...of, to, with: [...new Set(names)] }
      })
    })
    .sort(
      (a, b) =>
        company(a) - company(b) ||
        daysBetween(a.from, a.to) - daysBetween(b.from, b.to) ||
        a.from.localeCompare(b.from),
    )
}
const planOf = (p: BoatPlan, rows: PlannedStep[]): BoatPlan => ({
  ...p,
  days: daysOf(rows),
  waits: rows.filter((s) => !s.who.length),
})
const LOOKED_DAYS = 14
/** Those who have it first, then whoever else could do it. */
function hands(s: PlannedStep, ask: PlanAsk): string[][] {
  const names = ask.fitters.map((f) => f.name)
  const others =
    s.who.length === 1
      ? names.map((n) => [n])
      : names.flatMap((a, i) => names.slice(i + 1).map((b) => [a, b]))
  return [s.who, ...others.filter((w) => w.join() !== s.who.join())]
}
/** The first free hours from a day on of those who have it, or of others; null: none within two weeks. */
function nextPlace(jobs: PlanJob[], ask: PlanAsk, plan: BoatPlan, s: PlannedStep, fromDay: string) {
  const job = jobs.find((j) => j.fittingId === s.fittingId)!
  const first = earliest(
    job,
    job.steps.find((x) => x.id === s.step)!,
    ask,
    plan,
  )
  if (typeof first === 'string') return null
  const at = Math.max(first.at, minuteOf(fromDay)!)
  if (!s.who.length) return { start: timeText(at), end: timeText(at + s.minutes) }
  for (let n = 0; n < LOOKED_DAYS; n++) {
    const day = timeText(Math.floor(at / DAY + n) * DAY).slice(0, 10)
    for (const who of hands(s, ask)) {
      const to = moveStep(jobs, ask, plan, { fittingId: s.fittingId, step: s.step, day, who, freeOnly: true })
      if ('fixed' in to) return { start: to.fixed.start, end: to.fixed.end, who }
    }
  }
  return null
}
/**
 * One step put off to a day, and all of its fitting that comes after it, into hours that nobody uses: so
 * nothing else moves. null where it does not go there, or the fitting is done after its boat.
 */
export function putOff(jobs: JobWithParts[], ask: PlanAsk, plan: BoatPlan, t: JoinTry): BoatPlan | null {
  const job = jobs.find((j) => j.fittingId === t.fittingId)!
  const at = job.steps.findIndex((s) => s.id === t.step)
  const rows = rowsOfPlan(plan)
  const tail = job.steps.slice(at).flatMap((s) => rows.get(stepKey(t.fittingId, s.id)) ?? [])
  if (tail.some((s) => s.fixed !== null)) return null
  const boat = lastOf(plan, 'boatId').get(job.boatId)!
  for (const s of tail) rows.delete(stepKey(s.fittingId, s.step))
  for (const s of tail) {
    const to = nextPlace(jobs, ask, planOf(plan, [...rows.values()]), s, s === tail[0] ? t.to : ask.start)
    if (!to || (s === tail[0] && to.start.slice(0, 10) !== t.to)) return null
    const cure = minuteOf(s.cureEnd)! - minuteOf(s.end)!
    const cureEnd = timeText(minuteOf(to.end)! + cure)
    if (cureEnd > boat) return null
    const fixed = s === tail[0] ? ('joined' as const) : null
    rows.set(stepKey(s.fittingId, s.step), { ...s, ...to, cureEnd, fixed })
  }
  const all = [...rows.values()].sort((a, b) => a.start.localeCompare(b.start) || a.end.localeCompare(b.end))
  return planOf(plan, all)
}
/** Every step where it stands, so that the calculator says anew what could slip, and by how much. */
export const whereItStands = (p: BoatPlan): FixedStep[] =>
  [...rowsOfPlan(p).values()].map(({ fittingId, step, start, end, who, fixed }) => ({
    fittingId,
    step,
    start,
    end,
    who,
    why: fixed ?? 'joined',
  }))
/** Pots that are mixed and tubes that are begun, over all the days. */
export function vessels(days: PlanDay[]): { pots: number; tubes: number } {
  const tubes = days.flatMap((d) => (d.tubes ?? []).map((t) => `${t.lot ?? ''} ${t.chemistry} ${t.tube}`))
  return {
    pots: days.flatMap((d) => d.pots ?? []).reduce((n, p) => n + p.times, 0),
    tubes: new Set(tubes).size,
  }
}
/** Fewer pots or tubes, and no boat done later, nor any fitting but the one that was put off. */
export function isBetterJoined(was: BoatPlan, now: BoatPlan, fittingId: string): boolean {
  const [a, b] = [vessels(was.days), vessels(now.days)]
  if (b.pots + b.tubes >= a.pots + a.tubes || b.pots > a.pots || b.tubes > a.tubes) return false
  if (now.notPlanned > was.notPlanned || (now.finish ?? '') > (was.finish ?? '')) return false
  const costs = (p: BoatPlan) => p.held.reduce((s, h) => s + (h.costHours ?? 0), 0)
  if (costs(now) > costs(was)) return false
  const later = (of: 'boatId' | 'fittingId', but: string) => {
    const before = lastOf(was, of)
    return [...lastOf(now, of)].some(([id, t]) => id !== but && t > (before.get(id) ?? ''))
  }
  return !later('boatId', '') && !later('fittingId', fittingId)
}
/** What is said at the step: put off from when, with what, and what that saves. */
export function joinSaid(t: JoinTry, was: BoatPlan, now: BoatPlan): NonNullable<PlannedStep['joined']> {
  const [a, b] = [vessels(was.days), vessels(now.days)]
  const n = (x: number, one: string) => `${x} ${one}${x === 1 ? '' : 's'}`
  const saves = [
    a.pots > b.pots ? n(a.pots - b.pots, 'pot') : '',
    a.tubes > b.tubes ? n(a.tubes - b.tubes, 'tube') : '',
  ].filter(Boolean)
  const what =
    t.substance === 'epoxy' ? 'Epoxy' : sentence(SEALANTS[t.substance as SealantId]?.title ?? t.substance)
  return { from: t.from, with: t.with, what, saves: saves.join(' and ') }
}
/** A plan with what was put off marked at its steps. */
export const withJoins = (p: BoatPlan, said: Map<string, PlannedStep['joined']>): BoatPlan => ({
  ...p,
  days: p.days.map((d) => ({
    ...d,
    steps: d.steps.map((s) => {
      const joined = said.get(stepKey(s.fittingId, s.step))
      return joined ? { ...s, joined } : s
    }),
  })),
})
