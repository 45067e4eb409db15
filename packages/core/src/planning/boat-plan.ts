import type { plan } from '../chapters/plan/plan'
import type { Step } from '../kinds/step'
import { sharedBy } from './batches'
import { heldSteps } from './holds'
import {
  stepKey,
  type BoatPlan,
  type FixedStep,
  type HeldBy,
  type HeldWork,
  type PlanAsk,
  type PlanDay,
  type PlanJob,
  type PlannedStep,
  type YardHold,
} from './plan-types'

type Input = Parameters<typeof plan.run>[0]
type Output = ReturnType<typeof plan.run>

/** Work longer than this is put down at night and gone on with. */
const SPLIT_MIN = 180
const HOUR_MS = 3_600_000
/** What is done afloat as well is none of the plan: nothing waits for it. */
const openSteps = (j: PlanJob) => j.steps.filter((s) => !j.work.ticks[s.id] && !s.afloat)
/** Work that has steps left; one that is done needs no plan. */
export const isOpen = (j: PlanJob) => openSteps(j).length > 0

const localMinute = (ms: number, offsetMin: number) =>
  new Date(ms + offsetMin * 60_000).toISOString().slice(0, 16)
type Held = { until: string | null; why: string; by: HeldBy; since: string | null; holdId: number | null }
/** A cure that was begun holds what comes after it, until its hours are over. */
function cureHold(j: PlanJob, s: Step, offsetMin: number): Held | null {
  const ends = j.steps.flatMap((p) => {
    const tick = j.work.ticks[p.id]
    const waits = s.needs.includes(p.id) ? p.waitH : s.after?.step === p.id ? s.after.hours : null
    return tick && waits
      ? [{ from: Date.parse(tick.at), at: Date.parse(tick.at) + waits * HOUR_MS, what: p.text }]
      : []
  })
  const last = ends.sort((a, b) => b.at - a.at)[0]
  return last
    ? {
        until: localMinute(last.at, offsetMin),
        why: `the cure of \u201c${last.what.split(/[:.;,]/)[0]}\u201d`,
        by: 'cure',
        since: localMinute(last.from, offsetMin).slice(0, 10),
        holdId: null,
      }
    : null
}
/** Nothing is planned of what would not hold: it is decided first. */
const decisionHold = (j: PlanJob): Held | null =>
  j.verdict === 'short'
    ? {
        until: null,
        why: `it is short: ${j.short.toLowerCase() || 'see its verdicts'}`,
        by: 'decision',
        since: null,
        holdId: null,
      }
    : null

/** A wait of no minutes between a step and one that comes so many hours after it, beyond what it cures. */
const GAP = 'gap'
interface Gap {
  id: string
  hours: number
  from: string
}
function gapBefore(j: PlanJob, s: Step, open: Step[]): Gap | null {
  const from = s.after && open.find((o) => o.id === s.after!.step)
  if (!from || s.after!.hours <= (from.waitH ?? 0)) return null
  const id = `${SHARED} ${GAP} ${s.after!.hours} ${j.fittingId} ${s.id}`
  return { id, hours: s.after!.hours, from: stepKey(j.fittingId, from.id) }
}
/** Hours of such a wait, by its key in the chain; null where it is none. */
export const gapHours = (key: string): number | null =>
  key.startsWith(`${SHARED} ${GAP} `) ? Number(key.split(' ')[2]) : null

function stepOf(j: PlanJob, s: Step, open: Step[], before: Step | undefined): Input['steps'][number] {
  const there = (id: string) => open.some((o) => o.id === id)
  const waits = gapBefore(j, s, open)
  const after = [...s.needs.filter(there), ...(s.after && there(s.after.step) ? [s.after.step] : [])]
  return {
    id: stepKey(j.fittingId, s.id),
    minutes: Math.max(0, Math.round(s.minutes)),
    cureHours: s.waitH ?? 0,
    after: [...[...new Set(after)].map((id) => stepKey(j.fittingId, id)), ...(waits ? [waits.id] : [])],
    afterWork: before ? [stepKey(j.fittingId, before.id)] : [],
    hands: s.hands,
    needs: s.asks.includes('dew') ? ['surface'] : [],
    split: s.minutes > SPLIT_MIN,
  }
}
/**
 * What holds several steps at once, as paint holds all that is bedded, is one step of no minutes that they
 * wait for: so what it costs is what all of it costs.
 */
const SHARED = 'hold'
const isShared = (key: string) => key.startsWith(`${SHARED} `)
/** Which steps wait for each of what was written down, by the key of what they wait for. */
function sharedHolds(jobs: PlanJob[], ask: PlanAsk): Map<string, { hold: YardHold; keys: string[] }> {
  const of = new Map<number, string[]>()
  for (const [key, holds] of heldSteps(jobs, ask.holds ?? []))
    for (const h of holds) of.set(h.holdId, [...(of.get(h.holdId) ?? []), key])
  return new Map(
    (ask.holds ?? []).flatMap((hold) => {
      const keys = of.get(hold.id) ?? []
      return keys.length > 1 ? [[stepKey(SHARED, String(hold.id)), { hold, keys }]] : []
    }),
  )
}
const ofHold = (h: YardHold): Held => ({
  until: h.until,
  why: h.what,
  by: h.by,
  since: h.since,
  holdId: h.id,
})
/** Everything that holds a step: the calculator takes the latest, whoever reads wants them all. */
function holdsOf(jobs: PlanJob[], ask: PlanAsk, offsetMin: number): (Held & { step: string })[] {
  const byHand = heldSteps(jobs, ask.holds ?? [])
  const shared = sharedHolds(jobs, ask)
  const alone = (id: number) => !shared.has(stepKey(SHARED, String(id)))
  const single = jobs.flatMap((j) =>
    openSteps(j).flatMap((s, i) => {
      const step = stepKey(j.fittingId, s.id)
      const own = [i === 0 ? decisionHold(j) : null, cureHold(j, s, offsetMin)].filter((h) => h !== null)
      const said = (byHand.get(step) ?? []).filter((h) => alone(h.holdId))
      return [...own, ...said].map((h) => ({ ...h, step }))
    }),
  )
  return [...[...shared].map(([step, { hold }]) => ({ ...ofHold(hold), step })), ...single]
}
/** What somebody is at stays where it is: from when it was begun, for its minutes, and until now at least. */
export function begunSteps(jobs: PlanJob[], ask: PlanAsk, offsetMin = 0): FixedStep[] {
  const known = new Set(ask.fitters.map((f) => f.name))
  return jobs.flatMap((j) =>
    openSteps(j).flatMap((s): FixedStep[] => {
      const begun = j.work.begun[s.id]
      if (!begun) return []
      const from = Date.parse(begun.at)
      const start = localMinute(from, offsetMin)
      const end = localMinute(from + s.minutes * 60_000, offsetMin)
      return [
        {
          fittingId: j.fittingId,
          step: s.id,
          start,
          end: end > ask.start ? end : ask.start > start ? ask.start : end,
          who: known.has(begun.by) ? [begun.by] : [],
          why: 'begun',
        },
      ]
    }),
  )
}
const WAIT = {
  minutes: 0,
  cureHours: 0,
  after: [],
  afterWork: [],
  hands: 1 as const,
  needs: [],
  split: false,
}
/** The question to the calculator. @param offsetMin minutes by which local time is ahead of UTC */
export function planQuestion(jobs: PlanJob[], ask: PlanAsk, offsetMin = 0): Input {
  const steps = jobs.flatMap((j) => {
    const open = openSteps(j)
    const gaps = open.flatMap((s) => gapBefore(j, s, open) ?? [])
    return [
      ...open.map((s, i) => stepOf(j, s, open, open[i - 1])),
      ...gaps.map((g): Input['steps'][number] => ({
        ...WAIT,
        id: g.id,
        cureHours: g.hours,
        afterWork: [g.from],
      })),
    ]
  })
  const shared = sharedHolds(jobs, ask)
  for (const [id, { keys }] of shared) {
    for (const s of steps) if (keys.includes(s.id)) s.after = [...s.after!, id]
    steps.push({ ...WAIT, id })
  }
  const there = new Set(steps.map((s) => s.id))
  const fixed = (ask.fixed ?? []).filter((f) => there.has(stepKey(f.fittingId, f.step)))
  const stays = new Set(fixed.map((f) => stepKey(f.fittingId, f.step)))
  const alone = ask.fitters.length < 2
  return {
    start: ask.start,
    // One who works alone does it the way that is given for one.
    steps: alone ? steps.map((s) => ({ ...s, hands: 1 as const })) : steps,
    fitters: ask.fitters.map((f) => ({ id: f.name, hoursByDay: f.hoursByDay })),
    holds: holdsOf(jobs, ask, offsetMin)
      .filter((h) => !stays.has(h.step))
      .map(({ step, until, why }) => ({ step, until, why })),
    conditions: ask.badDays.map((day) => ({ day, ok: false })),
    done: fixed.map((f) => ({ step: stepKey(f.fittingId, f.step), start: f.start, end: f.end, who: f.who })),
  }
}

const dayOf = (t: string) => t.slice(0, 10)

/** A day that was given without an hour comes back as its first minute. */
const DAY_LONG = 'YYYY-MM-DD'.length
const waitsOf = (h: { step: string; until: string | null; why: string | null }) =>
  `${h.step} ${h.until?.length === DAY_LONG ? `${h.until}T00:00` : h.until} ${h.why ?? ''}`

/** Every step that a plan dates, by where it is. */
export const rowsOfPlan = (p: BoatPlan): Map<string, PlannedStep> =>
  new Map([...p.days.flatMap((d) => d.steps), ...p.waits].map((s) => [stepKey(s.fittingId, s.step), s]))

type Find = (key: string) => { job: PlanJob; step: Step }
const finder = (jobs: PlanJob[]): Find => {
  const byId = new Map(jobs.map((j) => [j.fittingId, j]))
  return (id) => {
    const cut = id.indexOf(' ')
    const job = byId.get(id.slice(0, cut))!
    return { job, step: job.steps.find((s) => s.id === id.slice(cut + 1))! }
  }
}
function plannedSteps(find: Find, ask: PlanAsk, out: Output): PlannedStep[] {
  const critical = new Set(out.criticalPath)
  const alone = ask.fitters.length < 2
  const fixed = new Map((ask.fixed ?? []).map((f) => [stepKey(f.fittingId, f.step), f.why]))
  return out.rows
    .filter((r) => !isShared(r.step))
    .map((r): PlannedStep => {
      const { job, step } = find(r.step)
      return {
        fittingId: job.fittingId,
        kind: job.kind,
        fitting: job.name,
        boatId: job.boatId,
        boat: job.boat,
        zone: job.zone,
        step: step.id,
        text: step.text,
        minutes: step.minutes,
        start: r.start,
        end: r.end,
        cureEnd: r.cureEnd,
        who: r.who,
        alone: alone && step.hands === 2 ? step.alone : '',
        tools: step.tools,
        caution: step.caution,
        critical: critical.has(r.step),
        needsSurface: step.asks.includes('dew'),
        floatHours: r.floatHours,
        fixed: fixed.get(r.step) ?? null,
      }
    })
}
function heldWork(find: Find, jobs: PlanJob[], ask: PlanAsk, out: Output, offsetMin: number): HeldWork[] {
  const shared = sharedHolds(jobs, ask)
  const known = new Map(holdsOf(jobs, ask, offsetMin).map((h) => [waitsOf(h), h]))
  return out.held.map((h) => {
    const keys = shared.get(h.step)?.keys ?? [h.step]
    const { job, step } = find(keys[0]!)
    const more = known.get(waitsOf(h))
    const fittings = [...new Map(keys.map((k) => [find(k).job.fittingId, find(k).job])).values()]
    return {
      fittingId: job.fittingId,
      kind: job.kind,
      fitting: job.name,
      others: fittings.slice(1).map((j) => ({ fittingId: j.fittingId, kind: j.kind, fitting: j.name })),
      step: step.id,
      text: step.text,
      why: h.why ?? '',
      by: more?.by ?? 'decision',
      since: more?.since ?? null,
      until: h.until,
      costHours: h.costHours,
      holdId: more?.holdId ?? null,
      boatId: job.boatId,
      zone: job.zone,
    }
  })
}
/** The answer as days: who does what where, what must be in the bag, what cures meanwhile. */
export function planAnswer(jobs: PlanJob[], ask: PlanAsk, out: Output, offsetMin = 0): BoatPlan {
  const find = finder(jobs)
  const all = plannedSteps(find, ask, out)
  return {
    days: daysOf(all),
    waits: all.filter((s) => !s.who.length),
    held: heldWork(find, jobs, ask, out, offsetMin),
    finish: out.finish,
    notPlanned: out.notPlanned.filter((id) => !isShared(id)).length,
    minutes: all.reduce((m, s) => m + (Date.parse(`${s.end}Z`) - Date.parse(`${s.start}Z`)) / 60_000, 0),
    chain: out.criticalPath,
  }
}
export function daysOf(all: PlannedStep[]): PlanDay[] {
  const days = [...new Set(all.filter((s) => s.who.length).map((s) => dayOf(s.start)))].sort()
  return days.map((day): PlanDay => {
    const steps = all.filter((s) => s.who.length > 0 && dayOf(s.start) === day)
    return {
      day,
      steps,
      cures: all
        .filter((s) => s.cureEnd > s.end && dayOf(s.end) <= day && s.cureEnd > `${day}T00:00`)
        .map((s) => ({
          boatId: s.boatId,
          fitting: s.fitting,
          zone: s.zone,
          text: s.text,
          until: s.cureEnd,
        })),
      bag: [...new Set(steps.flatMap((s) => s.tools))].sort((a, b) => a.localeCompare(b)),
    }
  })
}

/** A plan with the steps that somebody asked for: other days are left out, and what is shared is cut. */
export function onlySteps(
  p: BoatPlan,
  wanted: (s: PlannedStep) => boolean,
  boat: (boatId: string) => boolean,
): BoatPlan {
  const days = p.days.map((d): PlanDay => {
    const steps = d.steps.filter((s) => wanted(s) && boat(s.boatId))
    const ids = new Set(steps.map((s) => s.fittingId))
    return {
      ...d,
      steps,
      cures: d.cures.filter((c) => boat(c.boatId)),
      bag: [...new Set(steps.flatMap((s) => s.tools))].sort((a, b) => a.localeCompare(b)),
      pots: sharedBy(d.pots ?? [], ids),
      tubes: sharedBy(d.tubes ?? [], ids),
    }
  })
  return {
    ...p,
    days: days.filter((d) => d.steps.length > 0),
    waits: p.waits.filter((s) => boat(s.boatId)),
    held: p.held.filter((h) => boat(h.boatId)),
  }
}
