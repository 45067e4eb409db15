import { dayOf, minuteOf, timeText, DAY, type Span } from '../chapters/plan/clock'
import { commonStretches, type Fitter } from '../chapters/plan/hours'
import { rowsOfPlan } from './boat-plan'
import {
  stepKey,
  type BoatPlan,
  type FixedStep,
  type PlanAsk,
  type PlanJob,
  type PlannedStep,
} from './plan-types'
import { heldSteps } from './holds'
import type { Step } from '../kinds/step'

/** A step put on another day, or into other hands. */
export interface Move {
  fittingId: string
  step: string
  /** YYYY-MM-DD */
  day: string
  /** left out: whoever has it now */
  who?: string[]
  /** nothing that stands there gives way to it */
  freeOnly?: boolean
}
export type Moving = { fixed: FixedStep } | { why: string; at: 'day' | 'who' | 'step' }
const SHOWN = /^(\d{4})-(\d\d)-(\d\d)T(.*)$/
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']
/** As a yard writes it: 14 Apr, 05:00. */
export const momentSaid = (t: string) =>
  t.replace(SHOWN, (_, _y, m, d, clock) => `${Number(d)} ${MONTHS[Number(m) - 1]}, ${clock}`)
const brief = (text: string) => text.split(/[:.;,]/)[0]!
const spanOf = (s: { start: string; end: string }): Span => [minuteOf(s.start)!, minuteOf(s.end)!]

/** When a step is over for one that waits for it: its cure, or the hours that have to go by, the later. */
function overAt(row: PlannedStep, s: Step, cures: boolean): number {
  const gap = s.after?.step === row.step ? minuteOf(row.end)! + s.after.hours * 60 : 0
  return Math.max(gap, minuteOf(cures ? row.cureEnd : row.end)!)
}
/** The latest of what has to be over first, and what that is. */
export function earliest(
  job: PlanJob,
  s: Step,
  ask: PlanAsk,
  plan: BoatPlan,
): { at: number; what: string } | string {
  const there = rowsOfPlan(plan)
  const open = job.steps.filter((x) => !job.work.ticks[x.id])
  const i = open.indexOf(s)
  let at = minuteOf(ask.start)!
  let what = ''
  const take = (until: number, said: string) => {
    if (until > at) [at, what] = [until, said]
  }
  for (const [k, p] of open.slice(0, i).entries()) {
    const cures = s.needs.includes(p.id) || s.after?.step === p.id
    if (!cures && k < i - 1) continue
    const row = there.get(stepKey(job.fittingId, p.id))
    if (!row) return `\u201c${brief(p.text)}\u201d comes before it, and has no day yet`
    const over = overAt(row, s, cures)
    take(over, `\u201c${brief(p.text)}\u201d ${over > minuteOf(row.end)! ? 'cures' : 'takes'} until`)
  }
  for (const h of heldSteps([job], ask.holds ?? []).get(stepKey(job.fittingId, s.id)) ?? []) {
    if (h.until === null) return `it is held, and nobody knows until when: ${h.why}`
    take(minuteOf(h.until)!, `${h.why} until`)
  }
  return { at, what }
}
/** Minutes from a moment on, in common hours; stopping at night where the work may. */
function fits(
  fitters: Fitter[],
  from: number,
  minutes: number,
  day: number,
  split: boolean,
  taken: Span[],
): Span | null {
  const free = (n: number) => {
    let spans = commonStretches(fitters, n)
    for (const [a, b] of taken)
      spans = spans.flatMap(([c, d]): Span[] =>
        b <= c || a >= d
          ? [[c, d]]
          : ([
              [c, Math.min(d, a)],
              [Math.max(c, b), d],
            ].filter(([x, y]) => x! < y!) as Span[]),
      )
    return spans.flatMap(([c, d]): Span[] => (d <= from ? [] : [[Math.max(c, from), d]]))
  }
  if (!split) {
    const span = free(day).find(([c, d]) => d - c >= minutes)
    return span ? [span[0], span[0] + minutes] : null
  }
  let left = minutes
  let start: number | null = null
  for (let n = day; n < day + 14; n++) {
    for (const [c, d] of free(n)) {
      start ??= c
      if (d - c >= left) return [start, c + left]
      left -= d - c
    }
    if (start === null) return null
  }
  return null
}
const SPLIT_MIN = 180

/**
 * Where a step stands if it is put on a day: in the first free hours of those who do it, or, where their day
 * is full, in the first that nothing fixed takes; what stood there gives way. Or why it cannot be.
 */
export function moveStep(jobs: PlanJob[], ask: PlanAsk, plan: BoatPlan, m: Move): Moving {
  const job = jobs.find((j) => j.fittingId === m.fittingId)
  const s = job?.steps.find((x) => x.id === m.step)
  if (!job || !s || job.work.ticks[s.id])
    return { why: 'that step is ticked, or is none of the plan', at: 'step' }
  const row = rowsOfPlan(plan).get(stepKey(m.fittingId, m.step))
  const who = m.who ?? row?.who ?? ask.fitters.slice(0, s.hands).map((f) => f.name)
  const stranger = who.find((w) => !ask.fitters.some((f) => f.name === w))
  if (stranger !== undefined) return { why: `${stranger} does not work here`, at: 'who' }
  const wants = ask.fitters.length < 2 ? 1 : s.hands
  if (new Set(who).size !== wants)
    return { why: `it wants ${wants === 2 ? 'two people' : 'one person'}`, at: 'who' }
  if (m.day < ask.start.slice(0, 10)) return { why: 'that day has passed', at: 'day' }
  if (s.asks.includes('dew') && ask.badDays.includes(m.day))
    return { why: 'the surface is not fit to bond on that day', at: 'day' }
  if (s.minutes <= 0) return { why: 'it is a wait, and follows what it waits for', at: 'step' }
  const first = earliest(job, s, ask, plan)
  if (typeof first === 'string') return { why: first, at: 'step' }
  const day = dayOf(minuteOf(`${m.day}T00:00`)!)
  if (first.at >= (day + 1) * DAY)
    return { why: `${first.what} ${momentSaid(timeText(first.at))}`, at: 'day' }
  return placed(ask, plan, { job, s, who, day, from: first, freeOnly: m.freeOnly === true })
}
function placed(
  ask: PlanAsk,
  plan: BoatPlan,
  p: {
    job: PlanJob
    s: Step
    who: string[]
    day: number
    from: { at: number; what: string }
    freeOnly: boolean
  },
): Moving {
  const { s, who, day } = p
  const fitters = who
    .map((w) => ask.fitters.find((f) => f.name === w)!)
    .map((f) => ({ id: f.name, hoursByDay: f.hoursByDay }))
  const from = Math.max(p.from.at, day * DAY)
  const split = s.minutes > SPLIT_MIN
  if (!commonStretches(fitters, day).length)
    return {
      why: `${who.join(' and ')} ${who.length > 1 ? 'have' : 'has'} no hours${who.length > 1 ? ' together' : ''} that day`,
      at: 'who',
    }
  const theirs = (r: PlannedStep) =>
    r.who.some((w) => who.includes(w)) && !(r.fittingId === p.job.fittingId && r.step === s.id)
  const others = [...rowsOfPlan(plan).values()].filter(theirs)
  const minutes = Math.round(s.minutes)
  const at =
    fits(fitters, from, minutes, day, split, others.map(spanOf)) ??
    (p.freeOnly ? null : fits(fitters, from, minutes, day, split, others.filter((r) => r.fixed).map(spanOf)))
  if (!at)
    return p.from.what && from > day * DAY
      ? {
          why: `${p.from.what} ${momentSaid(timeText(p.from.at))}, and ${minutes} minutes do not fit in after that`,
          at: 'day',
        }
      : { why: `${minutes} minutes do not fit into what is free that day`, at: 'day' }
  return {
    fixed: {
      fittingId: p.job.fittingId,
      step: s.id,
      start: timeText(at[0]),
      end: timeText(at[1]),
      who,
      why: 'pinned',
    },
  }
}
/** What a step that stays where it is would come before, and may not; null where all is in order. */
export function brokenBy(plan: BoatPlan, jobs: PlanJob[], f: FixedStep): string | null {
  const job = jobs.find((j) => j.fittingId === f.fittingId)
  const at = job?.steps.findIndex((s) => s.id === f.step) ?? -1
  if (!job || at < 0) return null
  const s = job.steps[at]!
  const there = rowsOfPlan(plan)
  for (const p of job.steps.slice(0, at)) {
    const row = there.get(stepKey(job.fittingId, p.id))
    const cures = s.needs.includes(p.id) || s.after?.step === p.id
    const until = row && timeText(overAt(row, s, cures))
    if (until && until > f.start)
      return `\u201c${brief(p.text)}\u201d would be done on ${momentSaid(until)}, after it`
  }
  return null
}
