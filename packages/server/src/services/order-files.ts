import Papa from 'papaparse'
import { safeCell } from '../csv'
import { orderSheet } from '../pdf/order-sheet'
import type { Account } from './access'
import { oneOrder, type ShownOrder } from './orders'
import { paper, pricesOfYard } from './settings'

/** An order as it goes to its maker: what, how many, in which packs. Its fittings are the yard's business. */
const packsSaid = (l: ShownOrder['lines'][number]) =>
  l.packs.map((p) => `${p.packs} \u00d7 ${p.n}`).join(' + ')
export async function orderCsv(who: Account, id: number): Promise<string> {
  const o = await oneOrder(who, id)
  const rows = o.lines.map((l) => ({
    what: safeCell(l.text),
    pieces: l.pieces,
    packs: packsSaid(l),
    price: l.costCents === null ? '' : (l.costCents / 100).toFixed(2),
  }))
  return `${Papa.unparse(rows, { newline: '\n' })}\n`
}
export async function orderPdf(who: Account, id: number) {
  const [o, { currency }, size] = await Promise.all([oneOrder(who, id), pricesOfYard(), paper()])
  const order = {
    number: o.id,
    maker: o.maker,
    orderedAt: o.orderedAt,
    orderedBy: o.orderedBy,
    expected: o.expected,
    currency,
    costCents: o.costCents,
    lines: o.lines.map((l) => ({
      text: l.text,
      pieces: l.pieces,
      packs: packsSaid(l),
      costCents: l.costCents,
    })),
  }
  return orderSheet(order, size)
}
