import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { CalcError, invalid } from '../../base/errors'
import { nonNegative } from '../../base/schema/schema'
import { clockOf, dayOf, minuteOf, timeText, type Span } from './clock'
import { dateOrTime, day, fitterSchema, moment } from './hours'
import { NoSlot, Scheduler, type Placed, type Task } from './scheduler'

const ids = z.array(z.string())
const input = z.strictObject({
  start: moment,
  steps: z.array(
    z.strictObject({
      id: z.string(),
      minutes: z.number().int().min(0),
      cureHours: nonNegative().default(0),
      after: ids.default([]),
      afterWork: ids.default([]),
      hands: z.union([z.literal(1), z.literal(2)]).default(1),
      needs: z.array(z.literal('surface')).default([]),
      split: z.boolean().default(false),
      who: ids.optional(),
    }),
  ),
  fitters: z.array(fitterSchema),
  holds: z
    .array(z.strictObject({ step: z.string(), until: dateOrTime.nullable(), why: z.string().optional() }))
    .default([]),
  conditions: z.array(z.strictObject({ day, ok: z.boolean() })).default([]),
  done: z
    .array(z.strictObject({ step: z.string(), start: moment, end: moment, who: ids.default([]) }))
    .default([]),
})
const maybe = z.number().nullable()
const output = z.object({
  rows: z.array(
    z.object({
      step: z.string(),
      start: z.string(),
      end: z.string(),
      cureEnd: z.string(),
      who: ids,
      floatHours: z.number(),
    }),
  ),
  finish: z.string().nullable(),
  finishHours: maybe,
  criticalPath: ids,
  held: z.array(
    z.object({
      step: z.string(),
      until: z.string().nullable(),
      why: z.string().nullable(),
      costHours: maybe,
    }),
  ),
  notPlanned: ids,
})
type Input = z.output<typeof input>
const EXACT_STEPS = 8
const EXACT_FITTERS = 3
const FARTHEST = 5_000_000_000

interface Setting {
  v: Input
  index: Map<string, number>
  start: number
  fixed: (Placed | null)[]
  left: Set<number>
}

function setOut(v: Input): Setting {
  const index = new Map<string, number>()
  v.steps.forEach((s, i) => {
    if (index.has(s.id)) throw invalid('steps', `Step "${s.id}" is listed twice; each has an id of its own`)
    index.set(s.id, i)
  })
  const fitters = new Map(v.fitters.map((f, i) => [f.id, i]))
  if (fitters.size < v.fitters.length)
    throw invalid('fitters', 'A fitter is listed twice; each has an id of his own')
  const known = (id: string, path: string) => {
    if (!index.has(id)) throw new CalcError('unknown-step', path, `There is no step "${id}"`)
  }
  for (const s of v.steps) for (const id of [...s.after, ...s.afterWork]) known(id, 'steps')
  for (const h of v.holds) known(h.step, 'holds')
  for (const d of v.done) known(d.step, 'done')
  // A circle: steps that never come free.
  const state = new Uint8Array(v.steps.length)
  const visit = (i: number): void => {
    if (state[i] === 1)
      throw new CalcError('cycle', 'steps', `Step "${v.steps[i]!.id}" waits for itself in a circle`)
    if (state[i] === 2) return
    state[i] = 1
    for (const id of [...v.steps[i]!.after, ...v.steps[i]!.afterWork]) visit(index.get(id)!)
    state[i] = 2
  }
  v.steps.forEach((_, i) => visit(i))
  for (const s of v.steps) {
    const allowed = s.who ? [...new Set(s.who)].filter((w) => fitters.has(w)) : v.fitters.map((f) => f.id)
    if (s.minutes > 0 && allowed.length < s.hands && !v.done.some((d) => d.step === s.id))
      throw new CalcError(
        'too-few-hands',
        'steps',
        `Step "${s.id}" needs ${s.hands} pair${s.hands > 1 ? 's' : ''} of hands, and ${allowed.length} may do it`,
      )
  }
  const fixed: (Placed | null)[] = v.steps.map(() => null)
  for (const d of v.done) {
    const i = index.get(d.step)!
    const [start, end] = [minuteOf(d.start)!, minuteOf(d.end)!]
    if (end < start) throw invalid('done', `Step "${d.step}" ends before it starts`)
    fixed[i] = {
      start,
      end,
      cureEnd: end + cureOf(v.steps[i]!.cureHours),
      who: d.who.map((w) => fitters.get(w)).filter((f) => f !== undefined),
    }
  }
  const left = new Set<number>()
  const leave = (i: number) => {
    if (left.has(i) || fixed[i]) return
    left.add(i)
    v.steps.forEach((s, k) => [...s.after, ...s.afterWork].includes(v.steps[i]!.id) && leave(k))
  }
  for (const h of v.holds) if (h.until === null) leave(index.get(h.step)!)
  return { v, index, start: minuteOf(v.start)!, fixed, left }
}
const cureOf = (hours: number) => Math.ceil(hours * 60 - 1e-9)

function schedule(s: Setting, holds: Input['holds'], rounds: number): (Placed | null)[] {
  const { v, index, fixed } = s
  const fitterIndex = new Map(v.fitters.map((f, i) => [f.id, i]))
  const tasks = v.steps.map((step, i): Task | null => {
    if (fixed[i] || s.left.has(i)) return null
    const release = holds
      .filter((h) => h.step === step.id && h.until !== null)
      .reduce((m, h) => Math.max(m, minuteOf(h.until!)!), s.start)
    return {
      index: i,
      minutes: step.minutes,
      cure: cureOf(step.cureHours),
      hands: step.hands,
      surface: step.needs.includes('surface'),
      split: step.split,
      release,
      allowed: step.who
        ? [...new Set(step.who)]
            .flatMap((w) => (fitterIndex.has(w) ? [fitterIndex.get(w)!] : []))
            .sort((a, b) => a - b)
        : v.fitters.map((_, k) => k),
      after: step.after.map((id) => index.get(id)!),
      afterWork: step.afterWork.map((id) => index.get(id)!),
    }
  })
  const hours = v.fitters.map((f) =>
    Object.fromEntries(
      Object.entries(f.hoursByDay).map(([k, spans]) => [
        k,
        spans.map(([a, b]): Span => [clockOf(a!)!, clockOf(b!)!]),
      ]),
    ),
  )
  const scheduler = new Scheduler(tasks, fixed, {
    hours,
    unfit: new Set(
      v.conditions
        .filter(
          (c) =>
            !c.ok &&
            !v.conditions.some(
              (o) => o.day === c.day && o.ok && v.conditions.indexOf(o) > v.conditions.indexOf(c),
            ),
        )
        .map((c) => dayOf(minuteOf(c.day)!)),
    ),
  })
  const open = tasks.filter((t) => t !== null).length
  if (!open) return [...fixed]
  try {
    if (open <= EXACT_STEPS && v.fitters.length <= EXACT_FITTERS)
      return scheduler.exact(scheduler.heuristic(30))
    return scheduler.heuristic(rounds)
  } catch (error) {
    if (error instanceof NoSlot)
      throw new CalcError(
        'no-slot',
        'steps',
        `Step "${v.steps[error.index]!.id}" fits nowhere in 366 days: it is longer than any stretch of its fitters, they have no hours, or no day is fit`,
      )
    throw error
  }
}

/** From the last cure back through what set each start. */
function criticalPath(s: Setting, placed: (Placed | null)[], finish: number): string[] {
  const { v, index } = s
  const out: string[] = []
  let at = placed.findIndex((p) => p?.cureEnd === finish)
  while (at >= 0) {
    out.unshift(v.steps[at]!.id)
    if (s.fixed[at] || out.length > v.steps.length) break
    const row = placed[at]!
    const step = v.steps[at]!
    const set: { value: number; order: number; to: number }[] = []
    step.after.forEach((id) =>
      set.push({ value: placed[index.get(id)!]!.cureEnd, order: 0, to: index.get(id)! }),
    )
    step.afterWork.forEach((id) =>
      set.push({ value: placed[index.get(id)!]!.end, order: 0, to: index.get(id)! }),
    )
    placed.forEach(
      (p, i) =>
        p &&
        i !== at &&
        p.end <= row.start &&
        p.end > p.start &&
        p.who.some((w) => row.who.includes(w)) &&
        set.push({ value: p.end, order: 1, to: i }),
    )
    const release = v.holds
      .filter((h) => h.step === step.id && h.until !== null)
      .reduce((m, h) => Math.max(m, minuteOf(h.until!)!), s.start)
    set.push({ value: release, order: 2, to: -1 })
    set.sort((a, b) => b.value - a.value || a.order - b.order || a.to - b.to)
    at = set[0]!.to
  }
  return out
}

function floatOf(s: Setting, placed: (Placed | null)[], i: number, finish: number): number {
  const me = placed[i]!
  const id = s.v.steps[i]!.id
  let least = finish - me.cureEnd
  s.v.steps.forEach((step, k) => {
    const p = placed[k]
    if (!p || k === i) return
    if (step.after.includes(id)) least = Math.min(least, p.start - me.cureEnd)
    if (step.afterWork.includes(id)) least = Math.min(least, p.start - me.end)
    if (p.end > p.start && p.start >= me.end && p.who.some((w) => me.who.includes(w)))
      least = Math.min(least, p.start - me.end)
  })
  return least / 60
}

export const plan = defineCalculator({
  name: 'plan',
  title: 'What to do when',
  chapter: '11.1',
  words: ['schedule', 'calendar', 'cure overnight', 'who', 'critical path', 'late part', 'hold'],
  input,
  output,
  run: (v) => {
    if (v.steps.some((s) => s.minutes > FARTHEST || s.cureHours > FARTHEST / 60))
      throw invalid('steps', 'A step this long ends beyond any calendar')
    const s = setOut(v)
    const placed = schedule(
      s,
      v.holds,
      Math.max(20, Math.min(300, Math.round(30_000 / Math.max(1, v.steps.length)))),
    )
    const rows = placed
      .flatMap((p, i) => (p ? [{ p, i }] : []))
      .sort((a, b) => a.p.start - b.p.start || a.i - b.i)
    const finish = rows.length ? Math.max(...rows.map((r) => r.p.cureEnd)) : null
    if (finish !== null && Math.abs(finish) > FARTHEST)
      throw invalid('steps', 'The plan ends beyond any calendar')
    const names = (i: number, p: Placed) =>
      v.done.find((d) => d.step === v.steps[i]!.id)?.who ?? p.who.map((w) => v.fitters[w]!.id)
    const dated = v.holds.filter((h) => h.until !== null && !s.fixed[s.index.get(h.step)!]).length
    const held = v.holds
      .filter((h) => !s.fixed[s.index.get(h.step)!])
      .map((h) => {
        if (h.until === null || finish === null)
          return {
            step: h.step,
            until: h.until === null ? null : timeText(minuteOf(h.until)!),
            why: h.why ?? null,
            costHours: h.until === null ? null : 0,
          }
        // Without this hold alone; a hold that ends before the plan begins costs nothing and needs no
        // second plan.
        const without =
          minuteOf(h.until)! <= s.start || s.left.has(s.index.get(h.step)!)
            ? placed
            : schedule(
                s,
                v.holds.filter((o) => o !== h),
                Math.max(5, Math.round(100 / Math.max(1, dated))),
              )
        const sooner = Math.max(...without.flatMap((p) => (p ? [p.cureEnd] : [])))
        return {
          step: h.step,
          until: timeText(minuteOf(h.until)!),
          why: h.why ?? null,
          costHours: Math.max(0, finish - sooner) / 60,
        }
      })
    return {
      rows: rows.map(({ p, i }) => ({
        step: v.steps[i]!.id,
        start: timeText(p.start),
        end: timeText(p.end),
        cureEnd: timeText(p.cureEnd),
        who: names(i, p),
        floatHours: floatOf(s, placed, i, finish!),
      })),
      finish: finish === null ? null : timeText(finish),
      finishHours: finish === null ? null : (finish - s.start) / 60,
      criticalPath: finish === null ? [] : criticalPath(s, placed, finish),
      held,
      notPlanned: v.steps.filter((_, i) => s.left.has(i)).map((x) => x.id),
    }
  },
})
