import type { plan } from '../chapters/plan/plan'
import type { Step } from '../kinds/step'
import type { WorkState } from '../kinds/work'
import type { Verdict } from '../base/verdict/check'

/**
 * The work on the fittings of a boat as one plan (chapter 11.1): what is asked of the calculator, and what
 * its answer means to whoever stands in the yard.
 */
export interface PlanJob {
  fittingId: string
  kind: string
  name: string
  /** where in the boat, in words */
  zone: string
  verdict: Verdict
  /** what is short, in words; empty where nothing is */
  short: string
  steps: Step[]
  work: WorkState
}
export interface PlanHand {
  name: string
}
export interface PlanAsk {
  /** YYYY-MM-DDTHH:MM, local */
  start: string
  hands: PlanHand[]
  /** hours of a working day, as HH:MM pairs */
  hours: [string, string][]
  /** days of the week on which anybody works */
  days: readonly ('mon' | 'tue' | 'wed' | 'thu' | 'fri' | 'sat' | 'sun')[]
  /** days, YYYY-MM-DD, whose surface is too cold or too wet to bond on */
  badDays: string[]
}
type Input = Parameters<typeof plan.run>[0]
type Output = ReturnType<typeof plan.run>

/** Work longer than this is put down at night and gone on with. */
const SPLIT_MIN = 180
const HOUR_MS = 3_600_000
const idOf = (job: number, step: string) => `${job} ${step}`
const openSteps = (j: PlanJob) => j.steps.filter((s) => !j.work.ticks[s.id])
/** Work that has steps left; one that is done needs no plan. */
export const isOpen = (j: PlanJob) => openSteps(j).length > 0

const localMinute = (ms: number, offsetMin: number) =>
  new Date(ms + offsetMin * 60_000).toISOString().slice(0, 16)
/** A cure that was begun holds what comes after it, until its hours are over. */
function cureHold(j: PlanJob, s: Step, offsetMin: number): { until: string; why: string } | null {
  const ends = j.steps.flatMap((p) => {
    const tick = j.work.ticks[p.id]
    const waits = s.needs.includes(p.id) ? p.waitH : s.after?.step === p.id ? s.after.hours : null
    return tick && waits ? [{ at: Date.parse(tick.at) + waits * HOUR_MS, what: p.text }] : []
  })
  const last = ends.sort((a, b) => b.at - a.at)[0]
  return last
    ? { until: localMinute(last.at, offsetMin), why: `the cure of “${last.what.split(/[:.;,]/)[0]}”` }
    : null
}
/** Nothing is planned of what would not hold: it is decided first. */
const decisionHold = (j: PlanJob) =>
  j.verdict === 'short'
    ? { until: null, why: `it is short: ${j.short.toLowerCase() || 'see its verdicts'}` }
    : null

function stepOf(n: number, s: Step, open: Step[], before: Step | undefined): Input['steps'][number] {
  const there = (id: string) => open.some((o) => o.id === id)
  const after = [...s.needs.filter(there), ...(s.after && there(s.after.step) ? [s.after.step] : [])]
  return {
    id: idOf(n, s.id),
    minutes: Math.max(0, Math.round(s.minutes)),
    cureHours: s.waitH ?? 0,
    after: [...new Set(after)].map((id) => idOf(n, id)),
    afterWork: before ? [idOf(n, before.id)] : [],
    hands: s.hands,
    needs: s.asks.includes('dew') ? ['surface'] : [],
    split: s.minutes > SPLIT_MIN,
  }
}
/** The question to the calculator. @param offsetMin minutes by which local time is ahead of UTC */
export function planQuestion(jobs: PlanJob[], ask: PlanAsk, offsetMin = 0): Input {
  const steps: Input['steps'] = []
  const holds: Input['holds'] = []
  jobs.forEach((j, n) => {
    const open = openSteps(j)
    open.forEach((s, i) => {
      steps.push(stepOf(n, s, open, open[i - 1]))
      const hold = i === 0 ? (decisionHold(j) ?? cureHold(j, s, offsetMin)) : cureHold(j, s, offsetMin)
      if (hold) holds.push({ step: idOf(n, s.id), ...hold })
    })
  })
  const hoursByDay = Object.fromEntries(ask.days.map((d) => [d, ask.hours]))
  const alone = ask.hands.length < 2
  return {
    start: ask.start,
    // One who works alone does it the way that is given for one.
    steps: alone ? steps.map((s) => ({ ...s, hands: 1 as const })) : steps,
    fitters: ask.hands.map((h) => ({ id: h.name, hoursByDay })),
    holds,
    conditions: ask.badDays.map((day) => ({ day, ok: false })),
    done: [],
  }
}

export interface PlannedStep {
  fittingId: string
  kind: string
  fitting: string
  zone: string
  step: string
  text: string
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
}
export interface PlanDay {
  day: string
  steps: PlannedStep[]
  /** what cures meanwhile, and until when */
  cures: { fitting: string; text: string; until: string }[]
  /** what has to lie in the bag in the morning */
  bag: string[]
}
export interface HeldWork {
  fittingId: string
  kind: string
  fitting: string
  step: string
  text: string
  why: string
  until: string | null
  costHours: number | null
}
export interface BoatPlan {
  days: PlanDay[]
  held: HeldWork[]
  finish: string | null
  /** steps that nothing dates, by what holds them */
  notPlanned: number
  minutes: number
}
const dayOf = (t: string) => t.slice(0, 10)

/** The answer as days: who does what where, what must be in the bag, what cures meanwhile. */
export function planAnswer(jobs: PlanJob[], ask: PlanAsk, out: Output): BoatPlan {
  const find = (id: string) => {
    const [n, ...rest] = id.split(' ')
    const job = jobs[Number(n)]!
    return { job, step: job.steps.find((s) => s.id === rest.join(' '))! }
  }
  const critical = new Set(out.criticalPath)
  const alone = ask.hands.length < 2
  const all = out.rows.map((r): PlannedStep => {
    const { job, step } = find(r.step)
    return {
      fittingId: job.fittingId,
      kind: job.kind,
      fitting: job.name,
      zone: job.zone,
      step: step.id,
      text: step.text,
      start: r.start,
      end: r.end,
      cureEnd: r.cureEnd,
      who: r.who,
      alone: alone && step.hands === 2 ? step.alone : '',
      tools: step.tools,
      caution: step.caution,
      critical: critical.has(r.step),
      needsSurface: step.asks.includes('dew'),
    }
  })
  const days = [...new Set(all.filter((s) => s.who.length).map((s) => dayOf(s.start)))].sort()
  const planned = days.map((day): PlanDay => {
    const steps = all.filter((s) => s.who.length > 0 && dayOf(s.start) === day)
    return {
      day,
      steps,
      cures: all
        .filter((s) => s.cureEnd > s.end && dayOf(s.end) <= day && s.cureEnd > `${day}T00:00`)
        .map((s) => ({ fitting: s.fitting, text: s.text, until: s.cureEnd })),
      bag: [...new Set(steps.flatMap((s) => s.tools))].sort((a, b) => a.localeCompare(b)),
    }
  })
  return {
    days: planned,
    held: out.held.map((h) => {
      const { job, step } = find(h.step)
      return {
        fittingId: job.fittingId,
        kind: job.kind,
        fitting: job.name,
        step: step.id,
        text: step.text,
        why: h.why ?? '',
        until: h.until,
        costHours: h.costHours,
      }
    }),
    finish: out.finish,
    notPlanned: out.notPlanned.length,
    minutes: all.reduce((m, s) => m + (Date.parse(`${s.end}Z`) - Date.parse(`${s.start}Z`)) / 60_000, 0),
  }
}
