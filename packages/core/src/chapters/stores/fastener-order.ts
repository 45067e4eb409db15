import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { SIZES } from '../../base/materials/fasteners'
import { threadOf } from '../fastener/grip-stack'
import { choosePacks } from './packs'
import {
  fastenerInput,
  lengthOf,
  stockOf,
  textOf,
  type FastenerInput,
  type Item,
  type Need,
} from './fastener-shape'

const count = z.number()
const assignment = z.object({
  fitting: z.string().nullable(),
  item: z.string(),
  from: z.enum(['on-hand', 'order', 'short']),
  as: z.string().nullable(),
  count,
  trim: z.boolean(),
})
const output = z.object({
  assigned: z.array(assignment),
  items: z.array(
    z.object({ item: z.string(), needed: count, spare: count, onHand: count, ordered: count, short: count }),
  ),
  order: z.array(
    z.object({
      item: z.string(),
      count,
      packs: z.array(z.object({ n: count, packs: count })),
      pieces: count,
      leftover: count,
      costCents: count,
      arrives: z.string().nullable(),
    }),
  ),
  totalCents: count,
  fittings: z.array(
    z.object({
      fitting: z.string(),
      state: z.enum(['ready', 'ordered', 'short']),
      until: z.string().nullable(),
    }),
  ),
  setAside: z.array(z.object({ item: z.string(), count, why: z.enum(['unsure', 'locking-once']) })),
  warnings: z.array(
    z.discriminatedUnion('code', [
      z.object({ code: z.literal('mixed-threads'), fitting: z.string(), sizes: z.array(z.string()) }),
      z.object({ code: z.literal('look-alikes'), sizes: z.array(z.string()) }),
    ]),
  ),
})
type Output = z.output<typeof output>
type Assigned = Output['assigned'][number]

/** One item that one need asks for; a spare has no need, and those that would allow a longer bolt for it. */
interface Ask {
  fitting: string | null
  item: Item
  text: string
  left: number
  needs: Need[]
}
type Asked = Pick<Need, 'size' | 'grade' | 'head' | 'threading' | 'count' | 'nut'> & {
  lengthMm?: number | undefined
  lengthInch?: number | undefined
  washers: { head: string; nut?: string | undefined }
}
const asksOf = (n: Need): Ask[] =>
  itemsOf(n).map(({ item, count: left }) => ({
    fitting: n.fitting,
    item,
    text: textOf(item),
    left,
    needs: [n],
  }))
/** Bolts, as many nuts, then washers, the head's before the nut's; of one type they are one item. */
export function itemsOf(n: Asked): { item: Item; count: number }[] {
  const ask = (item: Item, count: number) => ({ item, count })
  const { size, grade } = n
  const type = n.nut === 'double-hex' ? 'hex' : n.nut
  const nutWasher = n.washers.nut ?? (n.nut === 'none' ? 'none' : 'plain')
  const washers = [n.washers.head, nutWasher].filter((w) => w !== 'none')
  return [
    ask(
      {
        kind: 'bolt',
        size,
        grade,
        head: n.head,
        lengthMm: n.lengthMm,
        lengthInch: n.lengthInch,
        threading: n.threading,
      },
      n.count,
    ),
    ...(type === 'none'
      ? []
      : [ask({ kind: 'nut', type, size, grade }, n.count * (n.nut === 'double-hex' ? 2 : 1))]),
    ...[...new Set(washers)].map((w) =>
      ask({ kind: 'washer', type: w, size, grade }, n.count * washers.filter((x) => x === w).length),
    ),
  ]
}

const GRAIN = 1e-6
const INCH = 25.4
const mmOf = (it: Extract<Item, { kind: 'bolt' }>) =>
  lengthOf(it) * (SIZES[it.size]!.system === 'inch' ? INCH : 1)
/** The same bolt one stock length longer, and whether it would be trimmed; null where nobody allows it. */
function longer(a: Ask): { item: Item; trim: boolean } | null {
  const it = a.item
  if (it.kind !== 'bolt') return null
  const size = SIZES[it.size]!
  const next = stockOf(it.size).find((l) => l > lengthOf(it) + GRAIN)
  if (next === undefined) return null
  const item = size.system === 'inch' ? { ...it, lengthInch: next } : { ...it, lengthMm: next }
  const trim = mmOf(item) - mmOf(it) > 2 * size.pitchMm + GRAIN
  const shank = Math.max(0, mmOf(item) - threadOf(size.system, size.diameterMm, mmOf(item)))
  const allows = (n: Need) =>
    (!trim || n.mayTrim) && (it.threading === 'full' || (n.gripMm !== undefined && n.gripMm > shank + GRAIN))
  return a.needs.some(allows) ? { item, trim } : null
}

/** The store as it empties, and what is written down of it. */
class Store {
  readonly assigned: Assigned[] = []
  readonly setAside: Output['setAside'] = []
  private readonly bins = new Map<string, number>()
  private readonly offered: Map<string, FastenerInput['offers'][number]>

  constructor(private readonly v: FastenerInput) {
    for (const h of v.onHand) {
      const text = textOf(h)
      const once = h.kind === 'nut' && h.type !== 'hex' && h.state === 'used'
      const why = h.state === 'unsure' ? 'unsure' : once ? 'locking-once' : null
      if (why) this.setAside.push({ item: text, count: h.count, why })
      else this.bins.set(text, (this.bins.get(text) ?? 0) + h.count)
    }
    this.offered = new Map(v.offers.map((o) => [textOf(o), o]))
  }
  private write(a: Ask, from: Assigned['from'], as: string | null, n: number, trim: boolean): void {
    if (!(n > 0)) return
    a.left -= n
    this.assigned.push({ fitting: a.fitting, item: a.text, from, as, count: n, trim })
  }
  take(a: Ask, item: Item, trim: boolean): void {
    const text = textOf(item)
    const had = this.bins.get(text) ?? 0
    const n = Math.min(had, a.left)
    this.bins.set(text, had - n)
    this.write(a, 'on-hand', text, n, trim)
  }
  takeLonger(a: Ask): void {
    const long = this.v.substitute && a.left > 0 ? longer(a) : null
    if (long) this.take(a, long.item, long.trim)
  }
  buy(a: Ask): void {
    if (this.offered.has(a.text)) return this.write(a, 'order', a.text, a.left, false)
    const long = this.v.substitute ? longer(a) : null
    const text = long && textOf(long.item)
    if (long && text && this.offered.has(text)) this.write(a, 'order', text, a.left, long.trim)
    else this.write(a, 'short', null, a.left, false)
  }
  order(): Output['order'] {
    const bought = new Map<string, number>()
    for (const r of this.assigned)
      if (r.from === 'order') bought.set(r.as!, (bought.get(r.as!) ?? 0) + r.count)
    return [...bought].map(([item, n]) => {
      const offer = this.offered.get(item)!
      const b = choosePacks(n, offer.packs, this.v.aim)
      return { item, count: n, ...b, leftover: b.pieces - n, arrives: offer.arrives ?? null }
    })
  }
}

/** Spares of each item, in the order in which it was first asked for. */
function sparesOf(asks: Ask[], fraction: number): { spares: Ask[]; asked: Map<string, number> } {
  const asked = new Map<string, number>()
  for (const a of asks) asked.set(a.text, (asked.get(a.text) ?? 0) + a.left)
  const spares = [...asked].map(([text, n]): Ask => {
    const same = asks.filter((a) => a.text === text)
    return {
      fitting: null,
      item: same[0]!.item,
      text,
      left: Math.max(1, Math.ceil(fraction * n - GRAIN)),
      needs: same.flatMap((a) => a.needs),
    }
  })
  return { spares, asked }
}

function fittingsOf(v: FastenerInput, assigned: Assigned[], order: Output['order']): Output['fittings'] {
  return [...new Set(v.needs.map((n) => n.fitting))].map((fitting) => {
    const mine = assigned.filter((r) => r.fitting === fitting)
    const bought = mine.filter((r) => r.from === 'order')
    if (mine.some((r) => r.from === 'short')) return { fitting, state: 'short', until: null }
    if (!bought.length) return { fitting, state: 'ready', until: null }
    const dates = bought.map((r) => order.find((o) => o.item === r.as)!.arrives)
    const until = dates.includes(null) ? null : dates.reduce((a, d) => (d! > a! ? d : a))
    return { fitting, state: 'ordered', until }
  })
}

/** Metric and inch sizes that a hand cannot tell apart in a bin. */
const LOOK_ALIKES = [
  ['M5', '#10-24'],
  ['M6', '1/4-20'],
  ['M8', '5/16-18'],
  ['M10', '3/8-16'],
  ['M12', '1/2-13'],
  ['M16', '5/8-11'],
  ['M20', '3/4-10'],
]
function warningsOf(v: FastenerInput): Output['warnings'] {
  const mixed = [...new Set(v.needs.map((n) => n.fitting))].flatMap((fitting) => {
    const sizes = [...new Set(v.needs.filter((n) => n.fitting === fitting).map((n) => n.size))]
    const systems = new Set(sizes.map((s) => SIZES[s]!.system))
    return systems.size > 1 ? [{ code: 'mixed-threads' as const, fitting, sizes }] : []
  })
  const there = new Set([...v.needs, ...v.onHand].map((x) => x.size))
  const alike = LOOK_ALIKES.filter((pair) => pair.every((s) => there.has(s)))
  return [...mixed, ...alike.map((sizes) => ({ code: 'look-alikes' as const, sizes }))]
}

export const fastenerOrder = defineCalculator({
  name: 'fastener-order',
  title: 'Ordering fasteners',
  chapter: '17.2',
  words: ['bolts', 'order', 'packs', 'washers', 'nuts', 'shopping', 'spares'],
  input: fastenerInput,
  output,
  run: (v) => {
    const inTurn = v.needs.map((n, i) => ({ n, i })).sort((a, b) => a.n.priority - b.n.priority || a.i - b.i)
    const asks = inTurn.flatMap(({ n }) => asksOf(n))
    const { spares, asked } = sparesOf(asks, v.spareFraction)
    const spareOf = new Map(spares.map((s) => [s.text, s.left]))
    const store = new Store(v)
    for (const a of asks) store.take(a, a.item, false)
    for (const a of asks) store.takeLonger(a)
    for (const s of spares) store.take(s, s.item, false)
    for (const a of asks) store.buy(a)
    for (const s of spares) store.buy(s)
    const order = store.order()
    const pieces = (item: string, from: Assigned['from']) =>
      store.assigned.reduce((s, r) => (r.item === item && r.from === from ? s + r.count : s), 0)
    return {
      assigned: store.assigned,
      items: [...asked].map(([item, needed]) => ({
        item,
        needed,
        spare: spareOf.get(item)!,
        onHand: pieces(item, 'on-hand'),
        ordered: pieces(item, 'order'),
        short: pieces(item, 'short'),
      })),
      order,
      totalCents: order.reduce((s, o) => s + o.costCents, 0),
      fittings: fittingsOf(v, store.assigned, order),
      setAside: store.setAside,
      warnings: warningsOf(v),
    }
  },
})
