import dayjs from 'dayjs'
import { Op, QueryTypes, type Transaction } from 'sequelize'
import { z } from 'zod'
import { CalcError, mayDo, parseInput, type OrderDraft, type OrderLine, type Taken } from '@north-tide/core'
import { ApiError, notFound } from '../errors'
import { Hold, OrderRow, ShelfItem } from '../models'
import { must, type Account } from './access'
import { line, write } from './act'
import { openWithin } from './opened'
import { checkOrder, mayOrder, whichWork, type Checked } from './order-check'

/**
 * Orders: placed as they were looked at, late, arrived, taken back. What is taken from the shelf lies in the
 * bag of its fitting from then on; what comes in a pack beyond what was asked goes onto the shelf.
 */
export const day = z.iso.date({ error: 'a date as 2027-05-31 is accepted' })
const placing = z.strictObject({
  ...whichWork,
  seen: z.string().length(16),
  /** by maker, the empty one for what is bought over the counter: when it is to come */
  expected: z.record(z.string(), day).default({}),
  /** by fitting that is short: why it is ordered all the same */
  reasons: z.record(z.string(), z.string().trim().max(500)).default({}),
})
export interface ShownOrder {
  id: number
  maker: string
  kind: 'order' | 'shelf' | 'back'
  state: 'ordered' | 'late' | 'arrived' | 'taken-back'
  lines: OrderLine[]
  taken: Taken[]
  fittings: { id: string; name: string; kind: string; boatId: string; boat: string }[]
  expected: string | null
  orderedAt: string
  orderedBy: string
  arrivedAt: string | null
  arrivedBy: string | null
  costCents: number
  version: number
}
interface Named {
  id: string
  name: string
  kind: string
  boatId: string
  boat: string
}
const stateOf = (o: OrderRow, today = dayjs().format('YYYY-MM-DD')): ShownOrder['state'] =>
  o.cancelledAt
    ? 'taken-back'
    : o.arrivedAt
      ? 'arrived'
      : o.expected && o.expected < today
        ? 'late'
        : 'ordered'
async function shownOrders(who: Account, rows: OrderRow[]): Promise<ShownOrder[]> {
  const names = new Map(
    (
      await OrderRow.sequelize!.query<Named>(
        `SELECT f.id, f.name, f.kind, f.boat_id AS "boatId", b.name AS boat FROM fittings f JOIN boats b ON b.id = f.boat_id
          WHERE f.id = ANY($1::uuid[])`,
        { bind: [[...new Set(rows.flatMap((r) => r.fittings))]], type: QueryTypes.SELECT },
      )
    ).map((n) => [n.id, n]),
  )
  return rows.map((o) => ({
    id: o.id!,
    maker: o.maker,
    kind: o.kind,
    state: stateOf(o),
    lines: o.lines!,
    taken: o.taken!,
    fittings: o.fittings
      .map((id) => names.get(id))
      .filter((n): n is Named => n !== undefined && mayDo(who, 'read', n.boatId)),
    expected: o.expected,
    orderedAt: o.orderedAt!.toISOString(),
    orderedBy: o.orderedBy,
    arrivedAt: o.arrivedAt?.toISOString() ?? null,
    arrivedBy: o.arrivedBy ?? null,
    costCents: o.lines!.reduce((s, l) => s + (l.costCents ?? 0), 0),
    version: o.version!,
  }))
}
export async function listOrders(who: Account): Promise<ShownOrder[]> {
  must(who, 'stores')
  return shownOrders(who, await OrderRow.findAll({ order: [['id', 'DESC']], limit: 500 }))
}
export async function oneOrder(who: Account, id: number): Promise<ShownOrder> {
  must(who, 'stores')
  const row = Number.isInteger(id) && id > 0 && id < 2 ** 31 ? await OrderRow.findByPk(id) : null
  if (!row) throw notFound('order')
  return (await shownOrders(who, [row]))[0]!
}

const makersOf = (d: OrderDraft) => [...new Set(d.lines.map((l) => l.maker))].sort()
/** What is missing of an order: a date for each maker, a reason for each fitting that is short. */
function complete(who: Account, { draft, seen }: Checked, p: z.output<typeof placing>) {
  if (!draft.fittings.length)
    throw new ApiError(409, 'nothing', 'There is nothing to order: all of it is ordered or bought')
  if (seen !== p.seen)
    throw new ApiError(
      409,
      'stale',
      'The order is another one now: a design, the shelf or an offer was changed; look at it first',
      'seen',
    )
  for (const f of draft.fittings)
    if (f.stops.length) {
      if (!p.reasons[f.fittingId])
        throw new ApiError(
          409,
          'chain',
          `${f.name} does not go together: ${f.stops.map((s) => `${s.title.toLowerCase()}: ${s.because}`).join(' ')}`,
          `reasons.${f.fittingId}`,
        )
      must(who, 'pass-gate', f.boatId)
    }
  const today = dayjs().format('YYYY-MM-DD')
  for (const maker of makersOf(draft)) {
    const d = p.expected[maker]
    const at = `expected.${maker}`
    if (!d)
      throw new CalcError('missing', at, `Say when it comes${maker ? ` from ${maker}` : ''}; a guess will do`)
    if (d < today) throw new CalcError('range', at, 'That day is over; today or a later one is accepted')
  }
}
const saidLines = (id: string, lines: OrderLine[], taken: Taken[]) =>
  [
    ...lines.flatMap((l) =>
      l.for.filter((f) => f.fittingId === id && f.count > 0).map((f) => `${f.count} ${l.text}`),
    ),
    ...taken.filter((t) => t.fittingId === id).map((t) => `${t.count} ${t.text} from the shelf`),
  ].join('; ')

async function takeFromShelf(taken: Taken[], transaction: Transaction) {
  for (const t of taken) {
    const [, n] = await ShelfItem.sequelize!.query(
      'UPDATE shelf SET count = count - $2, version = version + 1 WHERE id = $1 AND count >= $2',
      { bind: [t.shelfId, t.count], type: QueryTypes.UPDATE, transaction },
    )
    if (!n) throw new ApiError(409, 'stale', `There are fewer of ${t.text} on the shelf now`, 'seen')
  }
}
/** A line in the log of a fitting; whoever was faster with it is named by the log. */
export async function logTo(
  who: Account,
  id: string,
  lines: Parameters<typeof write>[1],
  why: string,
  transaction: Transaction,
) {
  const opened = await openWithin(id, transaction)
  await write({ who, transaction, ...opened }, lines, new Date(), opened.design, why)
}
export async function placeOrder(who: Account, body: unknown): Promise<ShownOrder[]> {
  const p = parseInput(placing, body)
  await mayOrder(who, p.boats, p.fittings)
  const ids = await OrderRow.sequelize!.transaction(async (transaction) => {
    // The boats and the shelf stand still until it is written: nobody orders the same twice.
    await OrderRow.sequelize!.query(
      'SELECT id FROM boats WHERE id = ANY($1::text[]) ORDER BY id FOR NO KEY UPDATE',
      { bind: [p.boats], type: QueryTypes.SELECT, transaction },
    )
    await OrderRow.sequelize!.query('SELECT id FROM shelf ORDER BY id FOR UPDATE', {
      type: QueryTypes.SELECT,
      transaction,
    })
    const checked = await checkOrder(p)
    complete(who, checked, p)
    const { draft } = checked
    const made: OrderRow[] = []
    const by = { orderedBy: who.name }
    await takeFromShelf(draft.taken, transaction)
    if (draft.taken.length)
      made.push(
        await OrderRow.create(
          {
            ...by,
            maker: '',
            kind: 'shelf',
            taken: draft.taken,
            fittings: [...new Set(draft.taken.map((t) => t.fittingId))],
            expected: null,
            arrivedAt: new Date(),
            arrivedBy: who.name,
          },
          { transaction },
        ),
      )
    for (const maker of makersOf(draft)) {
      const lines = draft.lines.filter((l) => l.maker === maker)
      const fittings = [...new Set(lines.flatMap((l) => l.for.map((f) => f.fittingId)))]
      const expected = p.expected[maker]!
      const order = await OrderRow.create(
        { ...by, maker, kind: 'order', lines, fittings, expected },
        { transaction },
      )
      made.push(order)
      await holdsOf(order, checked, who, transaction)
    }
    for (const f of draft.fittings) {
      const what = checked.jobs.get(f.fittingId)!.wanted || saidLines(f.fittingId, draft.lines, draft.taken)
      const reason = f.stops.length ? p.reasons[f.fittingId]! : ''
      const said = `${what}${reason ? `. Short: ${f.stops.map((s) => s.title.toLowerCase()).join(', ')}. Reason: ${reason}` : ''}`
      const lines = [line('order', said, { what, reason })]
      if (f.state === 'ready') lines.push(line('purchase', 'all of it from the shelf', { what }))
      await logTo(who, f.fittingId, lines, `${f.name}: ordered`, transaction)
    }
    return made.map((m) => m.id!)
  })
  return shownOrders(who, await OrderRow.findAll({ where: { id: ids }, order: [['id', 'ASC']] }))
}
/** What is on its way holds the dry fit of its fittings, until the day that was said. */
async function holdsOf(order: OrderRow, { jobs }: Checked, who: Account, transaction: Transaction) {
  await Hold.bulkCreate(
    order.fittings.map((fittingId) => ({
      boatId: jobs.get(fittingId)!.boatId,
      fittingId,
      zones: null,
      by: 'part' as const,
      what: `Parts on order${order.maker ? ` from ${order.maker}` : ''}`,
      from: 'fit' as const,
      since: dayjs().format('YYYY-MM-DD'),
      until: order.expected,
      madeBy: who.name,
      orderId: order.id!,
    })),
    { transaction },
  )
}
/** Fittings that an order is late for. */
export async function lateFittings(): Promise<Set<string>> {
  const rows = await OrderRow.findAll({
    where: {
      kind: 'order',
      arrivedAt: null,
      cancelledAt: null,
      expected: { [Op.lt]: dayjs().format('YYYY-MM-DD') },
    },
  })
  return new Set(rows.flatMap((r) => r.fittings))
}
