import { z } from 'zod'
import { parseInput, READ_KINDS, workState, daySaid } from '@north-tide/core'
import { ApiError } from '../errors'
import { alarmOf, isThere, turnSuspect } from './alarm'
import { must, type Account } from './access'
import { inAct, line, write } from './act'
import { refuseFuture } from './life'
import { recordHoles } from './record'
import { moment } from './saving'
import { turnByTrend } from './trends'

/**
 * The work on a fitting, of whatever kind: ordered, bought, ticked step by step, read with a meter, looked
 * at, decided, recorded. The core says what an act writes; here it is written, all of it or nothing.
 */
const beginning = z.strictObject({ step: z.string().min(1).max(60), back: z.boolean().default(false) })
/** Somebody is at a step: whatever is planned goes round it. Taken back, it is planned again. */
export async function beginFitting(who: Account, id: string, body: unknown) {
  const b = parseInput(beginning, body)
  return inAct(who, id, async (a) => {
    const work = workState(a.log)
    const steps = a.kind.steps(a.design, a.kind.judge(a.design, a.around), a.s.boat.units, work)
    if (!steps.some((s) => s.id === b.step))
      throw new ApiError(404, 'not-found', 'There is no such step on this fitting', 'step')
    if (work.ticks[b.step]) throw new ApiError(409, 'ticked', 'That step is ticked already', 'step')
    if (!!work.begun[b.step] !== b.back)
      throw new ApiError(
        409,
        'begun',
        b.back ? 'Nobody is at that step' : 'Somebody is at that step already',
        'step',
      )
    const said = { ...line('begin', '', null, b.back), step: b.step }
    return write(a, [said], new Date(), a.design, `${a.f.name}: begun`)
  })
}
const ordering = z.strictObject({ reason: z.string().trim().max(500).default('') })
/**
 * Nothing is marked ordered while something of it does not go together, unless a fitter gives a reason
 * that stays on record.
 */
export async function orderFitting(who: Account, id: string, body: unknown) {
  const { reason } = parseInput(ordering, body)
  return inAct(who, id, async (a) => {
    const { order } = workState(a.log)
    if (order) throw new ApiError(409, 'ordered', `Ordered on ${daySaid(order.at)} by ${order.by} already`)
    if (!a.kind.orderList) throw new ApiError(409, 'no-order', 'There is nothing to order for it')
    const j = a.kind.judge(a.design, a.around)
    const bad = a.kind.orderStops?.(j) ?? []
    if (bad.length) {
      if (!reason)
        throw new ApiError(
          409,
          'chain',
          `It does not go together: ${bad.map((b) => `${b.title.toLowerCase()}: ${b.because}`).join(' ')}`,
          'reason',
          { joints: bad.map((b) => ({ id: b.id, codes: b.codes, because: b.because })) },
        )
      must(who, 'pass-gate', a.f.boatId)
    }
    const what = a.kind.orderList(a.design, j)
    const why = bad.length
      ? `. Short: ${bad.map((b) => b.title.toLowerCase()).join(', ')}. Reason: ${reason}`
      : ''
    const data = { what, reason: bad.length ? reason : '' }
    return write(a, [line('order', `${what}${why}`, data)], new Date(), a.design, `${a.f.name}: ordered`)
  })
}
/** An order taken back; that it stood stays in the log. */
export const unorderFitting = (who: Account, id: string) =>
  inAct(who, id, async (a) => {
    const { order } = workState(a.log)
    if (!order) throw new ApiError(409, 'not-ordered', 'Nothing of it is ordered')
    const back = line('order', order.what, null, true)
    return write(a, [back], new Date(), a.design, `${a.f.name}: an order was taken back`)
  })
/** What the design wants now is bought: compared with it when the design has moved since. */
export const buyFitting = (who: Account, id: string) =>
  inAct(who, id, async (a) => {
    if (!a.kind.orderList) throw new ApiError(409, 'no-order', 'There is nothing to buy for it')
    const what = a.kind.orderList(a.design, a.kind.judge(a.design, a.around))
    return write(a, [line('purchase', '', { what })], new Date(), a.design, `${a.f.name}: bought`)
  })

const note = z.string().trim().max(300)
const logging = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('bond'),
    value: z.number().min(0).max(1e7),
    note: note.default(''),
    at: moment.nullish(),
  }),
  z.strictObject({
    kind: z.literal('anode'),
    value: z.number().min(0).max(100),
    note: note.default(''),
    at: moment.nullish(),
  }),
  z.strictObject({
    kind: z.literal('look'),
    note: note.min(1),
    /** which of the looks of the watch it was */
    task: z.string().max(40).optional(),
    /** what was read: mm of a gap or a thickness, percent that is left of a torque */
    read: z.strictObject({ what: z.enum(READ_KINDS), value: z.number().min(0).max(1000) }).optional(),
    /** how a valve was left */
    valve: z.enum(['open', 'shut']).optional(),
    at: moment.nullish(),
  }),
])
const valueOf = (l: z.output<typeof logging>) => (l.kind === 'look' ? (l.read?.value ?? null) : l.value)
function dataOf(l: z.output<typeof logging>) {
  const about = l.kind === 'look' ? (l.read?.what ?? l.task) : undefined
  if (l.kind !== 'look' || (!about && !l.valve)) return {}
  return { data: { ...(about ? { about } : {}), ...(l.valve ? { valve: l.valve } : {}) } }
}
export async function logFitting(who: Account, id: string, body: unknown) {
  const l = parseInput(logging, body)
  const at = l.at ? new Date(l.at) : new Date()
  refuseFuture(at)
  return inAct(who, id, async (a) => {
    const said = {
      kind: l.kind,
      value: valueOf(l),
      note: l.note,
      ...dataOf(l),
    }
    // What it makes of the readings before it counts at once: nobody sails on a joint that is going.
    const f = { id, name: a.f.name, kind: a.f.kind, below: a.design.place.zMm < 0 }
    await turnByTrend(who, f, [...a.log, { ...said, who: who.name, at: at.toISOString() }], a.transaction)
    return write(a, [said], at, a.design, `${a.f.name}: ${l.kind} logged`)
  })
}

const suspecting = z.strictObject({
  why: z.string().trim().min(1, 'Say what was seen').max(300),
  /** of which look it came, so that the look itself is done */
  task: z.string().max(40).optional(),
})
/** A look that found it not in order: its holes turn suspect, and the log says what was seen. */
export async function suspectFitting(who: Account, id: string, body: unknown) {
  const { why, task } = parseInput(suspecting, body)
  return inAct(who, id, async (a) => {
    await turnSuspect(who, { id, existing: true }, why, a.transaction)
    const seen = line('look', `not in order: ${why}`, task ? { about: task } : null)
    return write(a, [seen], new Date(), a.design, `${a.f.name}: not in order`)
  })
}

const deciding = z.strictObject({
  about: z.string().max(40).optional(),
  decision: z.string().max(40),
  reason: z.string().trim().max(300).default(''),
})
/** A decision stands in the log with what it was made on. Against the advice it wants a fitter's reason. */
export async function decideFitting(who: Account, id: string, body: unknown) {
  const r = parseInput(deciding, body)
  return inAct(who, id, async (a) => {
    const open = a.kind.decisions?.(a.design, a.s.boat.units) ?? []
    const q = open.find((d) => r.about === undefined || d.about === r.about)
    if (!q) throw new ApiError(409, 'not-measured', 'What it would be decided on has not been measured yet')
    if (!q.choices.includes(r.decision))
      throw new ApiError(
        400,
        'invalid-input',
        `"${r.decision}" was given; one of ${q.choices.join(', ')} is accepted`,
        'decision',
      )
    if (q.against.includes(r.decision)) {
      if (!r.reason)
        throw new ApiError(
          409,
          'gate',
          `${q.because} To do it all the same wants a reason that stays on record.`,
          'reason',
        )
      must(who, 'pass-gate', a.f.boatId)
    }
    const said = `${q.title.toLowerCase()}: ${r.decision}; ${q.said}${r.reason ? `; ${r.reason}` : ''}`
    const data = { about: q.about, decision: r.decision, reason: r.reason, on: q.on }
    return write(a, [line('decision', said, data)], new Date(), a.design, `${a.f.name}: decided`)
  })
}

/** Its holes go into the register, marked; the first tick that says something of them does it too. */
export const recordFitting = (who: Account, id: string, now = new Date()) =>
  inAct(who, id, async (a) => {
    if (a.f.recordedAt) throw new ApiError(409, 'recorded', 'Its holes are in the register already')
    if (a.kind.groups?.(a.design, a.kind.judge(a.design, a.around)))
      throw new ApiError(409, 'has-members', 'Its members make the holes; record those')
    const labels = await recordHoles(a, now)
    const alarm = alarmOf(a.kind, a.design)
    if (alarm !== null) await turnSuspect(who, { id, existing: isThere(a.design) }, alarm, a.transaction)
    return labels
  })
