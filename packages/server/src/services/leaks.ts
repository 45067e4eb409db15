import dayjs from 'dayjs'
import { QueryTypes, type Transaction } from 'sequelize'
import { z } from 'zod'
import {
  DRIPS_WHEN,
  LEAK_TESTS,
  LIFE_STATES,
  leakAnswer,
  leakDrawing,
  leakQuestion,
  parseInput,
  type Drawing,
  type Drip,
  type LeakAnswer,
  type LeakTest,
  type LeakThing,
  type LeakTraced,
} from '@north-tide/core'
import { kindNamed } from '@north-tide/core/kinds'
import { runNamed } from '@north-tide/core/registry'
import { ApiError, notFound } from '../errors'
import { Leak, LeakTestRow, Penetration } from '../models'
import { must, type Account } from './access'
import { line } from './act'
import { suspectHole, turnSuspect } from './alarm'
import { boatById } from './boats'
import { logTo } from './orders'
import { MOST_VERSION, stale } from './saving'
import { snapshotOf, type Snapshot } from './snapshot'
import { daysOf } from './watch'

/** Drips: where each was seen, what was tested, where the water most likely comes in, and what it was. */
const place = z.number().min(-100_000).max(100_000)
const angle = z.number().min(-45).max(45)
export const drip = {
  xMm: place,
  yMm: place,
  zMm: place,
  when: z.enum(DRIPS_WHEN),
  trimDeg: angle.default(0),
  heelDeg: angle.default(0),
  seen: z
    .record(
      z.string().max(60),
      z.strictObject({ loose: z.boolean().optional(), gap: z.boolean().optional() }),
    )
    .default({}),
}
const opening = z.strictObject({ whereSeen: z.string().trim().min(1).max(200), ...drip })
const version = z.number().int().positive().max(MOST_VERSION)
const changing = z.strictObject({ version, whereSeen: z.string().trim().min(1).max(200), ...drip })
const testing = z.strictObject({
  kind: z.enum(LEAK_TESTS),
  on: z.array(z.string().min(1).max(60)).min(1).max(200),
  minutes: z.number().gt(0).max(1440),
  wet: z.boolean(),
  delayMin: z.number().min(0).max(1440).nullable().default(null),
  note: z.string().trim().max(300).default(''),
})
const ending = z.strictObject({
  version,
  /** what it was; null: nothing that is on record, or given up */
  causeId: z.string().min(1).max(60).nullable(),
  as: z.enum(['found', 'elsewhere', 'left']),
  why: z.string().trim().min(1, 'Say what was seen').max(300),
})
export interface ShownLeak {
  id: number
  boatId: string
  whereSeen: string
  drip: Drip
  state: 'open' | 'found' | 'elsewhere' | 'left'
  cause: string
  madeBy: string
  madeAt: string
  endedBy: string | null
  endedAt: string | null
  version: number
}
const shown = (l: Leak): ShownLeak => ({
  id: l.id!,
  boatId: l.boatId,
  whereSeen: l.whereSeen,
  drip: l.drip,
  state: l.state!,
  cause: l.cause!,
  madeBy: l.madeBy,
  madeAt: l.madeAt!.toISOString(),
  endedBy: l.endedBy ?? null,
  endedAt: l.endedAt?.toISOString() ?? null,
  version: l.version!,
})
const worstFirst = (a: string, b: string) =>
  (a === 'suspect' ? -1 : LIFE_STATES.indexOf(a as (typeof LIFE_STATES)[number])) -
  (b === 'suspect' ? -1 : LIFE_STATES.indexOf(b as (typeof LIFE_STATES)[number]))

/** Everything in the boat that water may come in by: fittings with their holes, and holes by themselves. */
async function leakThings(s: Snapshot): Promise<LeakThing[]> {
  const holes = s.holes.filter((h) => h.state !== 'marked' && h.withdrawnWhy === null)
  const days = await daysOf(holes)
  const one = (
    own: typeof holes,
    more: Omit<LeakThing, 'place' | 'chemistry' | 'bedded' | 'state'>,
  ): LeakThing => {
    const worst = [...own].sort((a, b) => worstFirst(a.state, b.state))[0]!
    const face = s.zones.find((q) => q.code === worst.zoneCode)?.face
    return {
      ...more,
      place: worst.belowWaterline ? 'below' : face === 'topsides' ? 'topsides' : 'deck',
      chemistry: worst.sealant,
      bedded: days.get(worst.id)?.bedded ?? null,
      state: worst.state,
    }
  }
  const fittings = s.fittings.flatMap((f) => {
    const own = holes.filter((h) => h.fittingId === f.id && h.state !== 'closed')
    if (!own.length) return []
    const design = s.designs.get(f.id)!
    const { as, loaded } = kindNamed(f.kind).leaksAs?.(design) ?? { as: 'fastener' as const, loaded: false }
    const { xMm, yMm, zMm } = design.place
    return [one(own, { id: f.id, name: f.name, kind: f.kind, xMm, yMm, zMm, as, loaded, verdict: f.verdict })]
  })
  const bare = holes
    .filter((h) => h.fittingId === null || h.state === 'closed')
    .map((h) =>
      one([h], {
        id: `hole ${h.id}`,
        name: `${h.label} ${h.whatFor}`,
        kind: null,
        xMm: h.xMm,
        yMm: h.yMm,
        zMm: h.zMm,
        as: 'fastener',
        loaded: false,
        verdict: null,
      }),
    )
  return [...fittings, ...bare]
}
export async function listLeaks(who: Account, boatId: string): Promise<ShownLeak[]> {
  must(who, 'read', boatId)
  await boatById(boatId)
  return (await Leak.findAll({ where: { boatId }, order: [['id', 'DESC']] })).map(shown)
}
export async function openLeak(who: Account, boatId: string, body: unknown): Promise<ShownLeak> {
  must(who, 'work', boatId)
  await boatById(boatId)
  const { whereSeen, ...d } = parseInput(opening, body)
  return shown(await Leak.create({ boatId, whereSeen, drip: d, madeBy: who.name }))
}
async function leakOf(id: number, transaction: Transaction | null = null): Promise<Leak> {
  const l =
    Number.isInteger(id) && id > 0 && id < 2 ** 31
      ? await Leak.findByPk(id, { transaction, ...(transaction ? { lock: transaction.LOCK.UPDATE } : {}) })
      : null
  if (!l) throw notFound('leak')
  return l
}
export interface Traced {
  leak: ShownLeak
  traced: LeakTraced | null
  drawing: Drawing | null
  tests: (LeakTest & { id: number; note: string; who: string; at: string; withdrawnWhy: string | null })[]
  things: { id: string; name: string }[]
}
/** Where it comes from, as far as it is known now, and the next test that tells most. */
export async function traceLeak(who: Account, id: number): Promise<Traced> {
  const l = await leakOf(id)
  must(who, 'read', l.boatId)
  const [s, rows] = await Promise.all([
    snapshotOf(await boatById(l.boatId)),
    LeakTestRow.findAll({ where: { leakId: id }, order: [['id', 'ASC']] }),
  ])
  const things = await leakThings(s)
  const tests = rows.map((t) => ({
    id: t.id!,
    kind: t.kind,
    on: t.things,
    minutes: t.minutes,
    wet: t.wet,
    delayMin: t.delayMin,
    note: t.note!,
    who: t.who,
    at: t.at!.toISOString(),
    withdrawnWhy: t.withdrawnWhy ?? null,
  }))
  const made: LeakTest[] = tests
    .filter((t) => t.withdrawnWhy === null)
    .map(({ kind, on, minutes, wet, delayMin }) => ({ kind, on, minutes, wet, delayMin }))
  const names = things.map((t) => ({ id: t.id, name: t.name }))
  if (!things.length) return { leak: shown(l), traced: null, drawing: null, tests, things: names }
  const today = dayjs().format('YYYY-MM-DD')
  const out = runNamed('leak-trace', leakQuestion(l.drip, things, s.parts, made, today)) as LeakAnswer
  const traced = leakAnswer(things, made, out)
  return {
    leak: shown(l),
    traced,
    drawing: leakDrawing(l.drip, things, s.parts, traced.ranked),
    tests,
    things: names,
  }
}
const mustBeOpen = (l: Leak) => {
  if (l.state !== 'open') throw new ApiError(409, 'over', 'The search for that one is over', 'state')
}
/** The drip said better: its place, when it drips, how she lies, what is seen of the candidates. */
export async function changeLeak(who: Account, id: number, body: unknown): Promise<Traced> {
  const { version: seen, whereSeen, ...d } = parseInput(changing, body)
  const l = await leakOf(id)
  must(who, 'work', l.boatId)
  mustBeOpen(l)
  const [n] = await Leak.update({ whereSeen, drip: d, version: seen + 1 }, { where: { id, version: seen } })
  if (!n) throw stale('that leak', { version: l.version! }, seen, shown(l))
  return traceLeak(who, id)
}
export async function testLeak(who: Account, id: number, body: unknown): Promise<Traced> {
  const { on, ...t } = parseInput(testing, body)
  const l = await leakOf(id)
  must(who, 'work', l.boatId)
  mustBeOpen(l)
  const things = await leakThings(await snapshotOf(await boatById(l.boatId)))
  const known = new Set(things.map((x) => x.id))
  const odd = on.findIndex((x) => !known.has(x))
  if (odd >= 0)
    throw new ApiError(400, 'unknown-candidate', 'That is nothing that is in the boat', `on.${odd}`)
  if (!t.wet && t.delayMin !== null)
    throw new ApiError(400, 'invalid-input', 'A dry test has no minute at which it got wet', 'delayMin')
  if (t.delayMin !== null && t.delayMin > t.minutes)
    throw new ApiError(400, 'range', `The watch ended after ${t.minutes} minutes`, 'delayMin')
  await LeakTestRow.create({ leakId: id, things: [...new Set(on)], ...t, who: who.name })
  return traceLeak(who, id)
}
const withdrawing = z.strictObject({ why: z.string().trim().min(1).max(300) })
export async function withdrawTest(who: Account, id: number, test: number, body: unknown): Promise<Traced> {
  const { why } = parseInput(withdrawing, body)
  const l = await leakOf(id)
  must(who, 'work', l.boatId)
  mustBeOpen(l)
  const where = { id: Number.isInteger(test) && test < 2 ** 31 ? test : 0, leakId: id, withdrawnWhy: null }
  const [n] = await LeakTestRow.update({ withdrawnWhy: `${why}, ${who.name}` }, { where })
  if (!n) throw notFound('test')
  return traceLeak(who, id)
}
/** The end of the search: a cause whose holes turn suspect, nothing on record, or given up. */
export async function endLeak(who: Account, id: number, body: unknown): Promise<Traced> {
  const e = parseInput(ending, body)
  const l = await leakOf(id)
  must(who, 'work', l.boatId)
  mustBeOpen(l)
  if ((e.as === 'found') !== (e.causeId !== null))
    throw new ApiError(
      400,
      'invalid-input',
      'A cause goes with what was found, and with nothing else',
      'causeId',
    )
  const things = await leakThings(await snapshotOf(await boatById(l.boatId)))
  const cause = things.find((t) => t.id === e.causeId)
  if (e.causeId !== null && !cause)
    throw new ApiError(400, 'unknown-candidate', 'That is nothing that is in the boat', 'causeId')
  const said = cause ? `${cause.name}: ${e.why}` : e.why
  await Leak.sequelize!.transaction(async (transaction) => {
    const by = { endedBy: who.name, endedAt: new Date(), version: e.version + 1 }
    const [n] = await Leak.update(
      { state: e.as, causeId: e.causeId, cause: said, ...by },
      { where: { id, version: e.version, state: 'open' }, transaction },
    )
    if (!n) throw stale('that leak', { version: l.version! }, e.version, shown(l))
    if (cause) await turn(who, cause, `leaks at ${l.whereSeen}: ${e.why}`, transaction)
  })
  return traceLeak(who, id)
}
/** What it was is suspect from now on, with the reason; in the same act as the end of the search. */
async function turn(who: Account, cause: LeakThing, why: string, transaction: Transaction) {
  if (cause.kind === null) {
    const p = await Penetration.findByPk(Number(cause.id.replace('hole ', '')), {
      transaction,
      lock: transaction.LOCK.NO_KEY_UPDATE,
    })
    if (p) await suspectHole(who, p, why, transaction, false)
    return
  }
  await Leak.sequelize!.query(
    'SELECT f.id FROM fittings f JOIN boats b ON b.id = f.boat_id WHERE f.id = $1 FOR NO KEY UPDATE OF f, b',
    { bind: [cause.id], type: QueryTypes.SELECT, transaction },
  )
  await turnSuspect(who, { id: cause.id, existing: true }, why, transaction)
  await logTo(who, cause.id, [line('look', `not in order: ${why}`)], `${cause.name}: leaks`, transaction)
}
