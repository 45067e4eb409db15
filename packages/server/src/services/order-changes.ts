import dayjs from 'dayjs'
import { Op, QueryTypes, type Transaction } from 'sequelize'
import { z } from 'zod'
import { CalcError, parseInput, workState, type Bag, type FastenerItem, type Taken } from '@north-tide/core'
import { ApiError, notFound } from '../errors'
import { Fitting, Hold, OrderRow, ShelfItem } from '../models'
import { must, type Account } from './access'
import { line } from './act'
import { openWithin } from './opened'
import { day, logTo, oneOrder, type ShownOrder } from './orders'
import { isUuid, MOST_VERSION, stale } from './saving'

/** What becomes of an order: another date, arrived, taken back; and what lies in the bags of fittings. */
const changing = z.discriminatedUnion('what', [
  z.strictObject({
    what: z.literal('date'),
    version: z.number().int().positive().max(MOST_VERSION),
    expected: day,
  }),
  z.strictObject({ what: z.literal('arrived'), version: z.number().int().positive().max(MOST_VERSION) }),
  z.strictObject({ what: z.literal('take-back'), version: z.number().int().positive().max(MOST_VERSION) }),
])
/** Another date, arrived, or taken back. */
export async function changeOrder(who: Account, id: number, body: unknown): Promise<ShownOrder> {
  const c = parseInput(changing, body)
  if (c.what === 'date' && c.expected < dayjs().format('YYYY-MM-DD'))
    throw new CalcError('range', 'expected', 'That day is over; today or a later one is accepted')
  const seen = await oneOrder(who, id)
  for (const boatId of new Set(seen.fittings.map((f) => f.boatId))) must(who, 'work', boatId)
  await OrderRow.sequelize!.transaction(async (transaction) => {
    const boats = [...new Set(seen.fittings.map((f) => f.boatId))]
    await OrderRow.sequelize!.query(
      'SELECT id FROM boats WHERE id = ANY($1::text[]) ORDER BY id FOR NO KEY UPDATE',
      { bind: [boats], type: QueryTypes.SELECT, transaction },
    )
    const o = (await OrderRow.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE }))!
    if (o.version !== c.version) throw stale('that order', { version: o.version! }, c.version, seen)
    if (o.kind !== 'order' || o.arrivedAt || o.cancelledAt)
      throw new ApiError(409, 'over', 'That order is over: it arrived or was taken back', 'version')
    if (c.what === 'date') {
      await o.update({ expected: c.expected, version: o.version! + 1 }, { transaction })
      await Hold.update({ until: c.expected }, { where: { orderId: id, endedAt: null }, transaction })
    } else if (c.what === 'arrived') await arrive(who, o, transaction)
    else await takeBack(who, o, transaction)
  })
  return oneOrder(who, id)
}
const endHolds = (who: Account, orderId: number, transaction: Transaction) =>
  Hold.update({ endedAt: new Date(), endedBy: who.name }, { where: { orderId, endedAt: null }, transaction })
/** New pieces go to those that lie there already, or to a row of their own. */
async function ontoShelf(
  { text, item }: { text: string; item: FastenerItem | null },
  count: number,
  whereItIs: string,
  transaction: Transaction,
): Promise<number> {
  const there = await ShelfItem.findOne({
    where: { text, state: 'new' },
    order: [['id', 'ASC']],
    transaction,
    lock: transaction.LOCK.UPDATE,
  })
  if (there) await there.update({ count: there.count + count, version: there.version! + 1 }, { transaction })
  const kind = item ? ('fastener' as const) : ('part' as const)
  return (there ?? (await ShelfItem.create({ kind, text, item, count, whereItIs }, { transaction }))).id!
}
const stillThere = async (ids: string[], transaction: Transaction): Promise<string[]> =>
  (
    await OrderRow.sequelize!.query<{ id: string }>(
      'SELECT id FROM fittings WHERE id = ANY($1::uuid[]) ORDER BY id FOR NO KEY UPDATE',
      { bind: [ids], type: QueryTypes.SELECT, transaction },
    )
  ).map((f) => f.id)
/** It came: what was over goes onto the shelf, and whose last order it was is bought. */
async function arrive(who: Account, o: OrderRow, transaction: Transaction) {
  await o.update({ arrivedAt: new Date(), arrivedBy: who.name, version: o.version! + 1 }, { transaction })
  await endHolds(who, o.id!, transaction)
  const there = await stillThere(o.fittings, transaction)
  const ordered = new Map<string, string>()
  for (const id of there) {
    const { log } = await openWithin(id, transaction)
    const { order } = workState(log)
    if (order) ordered.set(id, order.what)
  }
  for (const l of o.lines!) {
    // Whoever took his order back since has no bag: what was for him is over too.
    const nobodys = l.for.filter((f) => !ordered.has(f.fittingId)).reduce((s, f) => s + f.count, 0)
    if (!l.lot && l.leftover + nobodys > 0)
      await ontoShelf(l, l.leftover + nobodys, `left over from order ${o.id}`, transaction)
  }
  for (const [id, what] of ordered) {
    const waits = { kind: 'order', arrivedAt: null, cancelledAt: null, fittings: { [Op.contains]: [id] } }
    if (await OrderRow.count({ where: waits, transaction })) continue
    await logTo(
      who,
      id,
      [line('purchase', `order ${o.id} arrived`, { what })],
      'its parts arrived',
      transaction,
    )
  }
}
/** Taken back: its fittings are to be bought for again, and what they had from the shelf lies there again. */
async function takeBack(who: Account, o: OrderRow, transaction: Transaction) {
  await o.update({ cancelledAt: new Date(), cancelledBy: who.name, version: o.version! + 1 }, { transaction })
  await endHolds(who, o.id!, transaction)
  const there = await stillThere(o.fittings, transaction)
  for (const id of there) {
    const { log } = await openWithin(id, transaction)
    const { order, bought } = workState(log)
    if (!order || bought) continue
    await putBack(who, await bagOf(id, transaction), transaction)
    await letGo(who, id, transaction)
    await logTo(who, id, [line('order', order.what, null, true)], 'an order was taken back', transaction)
  }
}
/**
 * What others are still bringing for a fitting is bought for nobody from now on: it goes onto the shelf as it
 * arrives, where the next order finds it, and holds this fitting no more.
 */
async function letGo(who: Account, id: string, transaction: Transaction) {
  const coming = await OrderRow.findAll({
    where: { kind: 'order', arrivedAt: null, cancelledAt: null, fittings: { [Op.contains]: [id] } },
    transaction,
    lock: transaction.LOCK.UPDATE,
  })
  for (const o of coming) {
    const lines = o.lines!.map((l) => {
      const his = l.for.filter((f) => f.fittingId === id).reduce((s, f) => s + f.count, 0)
      return {
        ...l,
        for: l.for.filter((f) => f.fittingId !== id),
        leftover: l.lot ? l.leftover : l.leftover + his,
      }
    })
    const fittings = o.fittings.filter((f) => f !== id)
    await o.update({ lines, fittings, version: o.version! + 1 }, { transaction })
  }
  const ids = coming.map((o) => o.id!)
  await Hold.update(
    { endedAt: new Date(), endedBy: who.name },
    { where: { orderId: ids, fittingId: id, endedAt: null }, transaction },
  )
}
/** What is in the bag of a fitting from the shelf: taken, less what was put back. */
async function bagOf(id: string, transaction: Transaction | null): Promise<Taken[]> {
  const rows = await OrderRow.findAll({
    where: { kind: ['shelf', 'back'], fittings: { [Op.contains]: [id] } },
    transaction,
  })
  const by = new Map<string, Taken>()
  for (const t of rows.flatMap((r) => r.taken!).filter((x) => x.fittingId === id)) {
    const had = by.get(`${t.shelfId} ${t.text}`)
    by.set(`${t.shelfId} ${t.text}`, had ? { ...had, count: had.count + t.count } : { ...t })
  }
  return [...by.values()].filter((t) => t.count > 0)
}
async function putBack(who: Account, bag: Taken[], transaction: Transaction) {
  if (!bag.length) return
  for (const t of bag)
    await ShelfItem.increment({ count: t.count, version: 1 }, { where: { id: t.shelfId }, transaction })
  await backRow(
    who,
    bag.map((t) => ({ ...t, count: -t.count })),
    transaction,
  )
}
const backRow = (who: Account, taken: Taken[], transaction: Transaction) =>
  OrderRow.create(
    {
      maker: '',
      kind: 'back',
      taken,
      fittings: [...new Set(taken.map((t) => t.fittingId))],
      expected: null,
      orderedBy: who.name,
      arrivedAt: new Date(),
      arrivedBy: who.name,
    },
    { transaction },
  )

/** All that is in the bags of some fittings, or on its way to them. */
export async function bagsOf(ids: string[]): Promise<Bag[]> {
  const rows = await OrderRow.findAll({ where: { fittings: { [Op.overlap]: ids }, cancelledAt: null } })
  return rows.flatMap((o) => [
    ...o.taken!.map(({ fittingId, text, count }) => ({ fittingId, text, count })),
    ...o.lines!.flatMap((l) => l.for.map((f) => ({ ...f, text: l.text }))),
  ])
}
const returning = z.strictObject({
  fittingId: z.string(),
  text: z.string().min(1).max(200),
  count: z.number().int().min(1).max(10_000),
})
/** What a fitting has and wants no more goes onto the shelf, where the next order finds it. */
export async function returnSpare(who: Account, body: unknown) {
  must(who, 'stores')
  const r = parseInput(returning, body)
  const f = isUuid(r.fittingId) ? await Fitting.findByPk(r.fittingId) : null
  if (!f) throw notFound('fitting')
  must(who, 'work', f.boatId)
  await OrderRow.sequelize!.transaction(async (transaction) => {
    await stillThere([f.id!], transaction)
    const bag = await bagsOf([f.id!])
    const has = bag.filter((b) => b.fittingId === f.id && b.text === r.text).reduce((s, b) => s + b.count, 0)
    if (has < r.count)
      throw new ApiError(409, 'stale', `There are ${has} of ${r.text} in its bag, not ${r.count}`, 'count')
    const line = (await OrderRow.findAll({ where: { fittings: { [Op.contains]: [f.id!] } }, transaction }))
      .flatMap((o) => o.lines!)
      .find((l) => l.text === r.text)
    const shelfId = await ontoShelf({ text: r.text, item: line?.item ?? null }, r.count, f.name, transaction)
    await backRow(
      who,
      [{ shelfId, text: r.text, count: -r.count, fittingId: f.id!, instead: null }],
      transaction,
    )
  })
}
