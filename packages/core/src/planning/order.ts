import { SEALANTS, type SealantId } from '../base/materials/sealants'
import { itemsOf, type fastenerOrder } from '../chapters/stores/fastener-order'
import { textOf, type Item } from '../chapters/stores/fastener-shape'
import { choosePacks } from '../chapters/stores/packs'
import type { FastenerNeed } from '../kinds/fastener-need'
import { partSaid, type Part } from '../kinds/part'
import { sentence } from '../base/verdict/check'
import { isCut } from './cutting'
import type { Offer, OrderDraft, OrderJob, OrderLine, SealantOnHand, ShelfRow, Taken } from './order-types'

/**
 * The whole order for the fittings chosen (chapters 11.2 and 17.2): bolts, nuts and washers by
 * `fastener-order` over all of them at once, every other part that is counted by its words, sealant by the
 * millilitre. What is on the shelf goes first.
 */
type Question = Parameters<typeof fastenerOrder.run>[0]
export type FastenerAnswer = ReturnType<typeof fastenerOrder.run>
const FASTENERS = ['bolt', 'nut', 'washer']
/** A part as it is asked for over the counter: what, its size in millimetres. */
export const stockText = (p: Part): string => {
  const said = partSaid(p, 'metric')
  return [said.what, said.size].filter(Boolean).join(', ')
}
const isEpoxy = (p: Part) => p.material === 'epoxy' && p.dimensions.volumeMl !== undefined
const isSealant = (p: Part) =>
  p.material !== null && p.material in SEALANTS && p.material !== 'butyl' && p.unit.startsWith('tube')
const byNeed = (j: OrderJob, p: Part) => j.needs.length > 0 && FASTENERS.includes(p.key)
/** Bolts with their nuts and washers, in the words of the counter. */
export const itemTextsOf = (n: FastenerNeed): [string, number][] =>
  itemsOf(n).map(({ item, count }) => [textOf(item), count])
/** A part that is bought by the piece and by its words: no fastener, no sealant, nothing cut from sheet. */
export const wantsByPiece = (j: OrderJob, p: Part) =>
  counted(p) && !byNeed(j, p) && !isSealant(p) && !isEpoxy(p) && !isCut(p)
const counted = (p: Part) => p.quantity !== null && (p.unit === 'piece' || p.unit === 'pair-of-sheets')

/** Of several makers the one whose best pack costs least a piece; of equals the first. */
export function bestOffer<T extends Pick<Offer, 'packs'>>(offers: T[]): T | null {
  const each = (o: T) => Math.min(...o.packs.map((p) => p.priceCents / p.n))
  return offers.reduce<T | null>((a, b) => (a && each(a) <= each(b) ? a : b), null)
}
const offersOf = (offers: Offer[], text: string) => bestOffer(offers.filter((o) => o.text === text))

/** What `fastener-order` is asked; null where no fitting wants any bolts by the piece. */
export function fastenerQuestion(jobs: OrderJob[], shelf: ShelfRow[], offers: Offer[]): Question | null {
  const needs = jobs.flatMap((j) => j.needs.map((n) => ({ ...n, fitting: j.fittingId, priority: 5 })))
  if (!needs.length) return null
  const items = [...new Set(offers.filter((o) => o.item).map((o) => o.text))]
  return {
    needs,
    onHand: shelf
      .filter((s) => s.item && s.count > 0)
      .map((s) => ({ ...s.item!, count: s.count, state: s.state })),
    offers: items.map((text) => {
      const o = offersOf(offers, text)!
      return { ...o.item!, packs: o.packs }
    }),
  } as Question
}
/** Pieces that are drawn from the rows of the shelf, each row as far as it goes. */
class Shelf {
  private readonly left: Map<number, number>
  constructor(private readonly rows: ShelfRow[]) {
    this.left = new Map(rows.map((r) => [r.id, r.count]))
  }
  draw(text: string, count: number, fittingId: string, instead: string | null): Taken[] {
    const out: Taken[] = []
    let wanted = count
    for (const r of this.rows) {
      const n = Math.min(wanted, r.text === text && usable(r) ? this.left.get(r.id)! : 0)
      if (n <= 0) continue
      this.left.set(r.id, this.left.get(r.id)! - n)
      wanted -= n
      out.push({ shelfId: r.id, text, count: n, fittingId, instead })
    }
    return out
  }
  has(text: string): number {
    return this.rows.filter((r) => r.text === text && usable(r)).reduce((s, r) => s + this.left.get(r.id)!, 0)
  }
}
/** Used locking nuts hold once; what nobody is sure of is not counted (chapter 17.2). */
function usable(r: ShelfRow): boolean {
  const once = r.item?.kind === 'nut' && r.item.type !== 'hex'
  return r.state === 'new' || (r.state === 'used' && !once)
}

interface Want {
  text: string
  count: number
  lot: boolean
  for: { fittingId: string; count: number }[]
}
function addTo(wants: Map<string, Want>, text: string, count: number, fittingId: string | null) {
  const w = wants.get(text) ?? { text, count: 0, lot: false, for: [] }
  w.count += count
  if (fittingId !== null) {
    const had = w.for.find((f) => f.fittingId === fittingId)
    if (had) had.count += count
    else w.for.push({ fittingId, count })
  }
  wants.set(text, w)
}
function lineOf(w: Want, offer: Offer | null, item: Item | null): OrderLine {
  const bought = offer && choosePacks(w.count, offer.packs, 'cost')
  return {
    text: w.text,
    item,
    maker: offer?.maker ?? '',
    pieces: bought?.pieces ?? w.count,
    packs: bought?.packs ?? [],
    costCents: bought?.costCents ?? null,
    leftover: w.lot ? 0 : (bought?.pieces ?? w.count) - w.for.reduce((s, f) => s + f.count, 0),
    lot: w.lot,
    leadDays: offer?.leadDays ?? null,
    for: w.for,
  }
}
/** The figures of each fastener by its words, and of a longer one that may go in instead. */
function itemsKnown(jobs: OrderJob[], rows: ShelfRow[], offers: Offer[]): Map<string, Item> {
  const out = new Map<string, Item>()
  for (const x of [...rows, ...offers]) if (x.item) out.set(x.text, x.item)
  for (const n of jobs.flatMap((j) => j.needs))
    for (const { item } of itemsOf(n)) out.set(textOf(item), JSON.parse(JSON.stringify(item)) as Item)
  return out
}
/** What the fasteners' answer takes from the shelf, and what of it is to be bought. */
function fasteners(out: FastenerAnswer | null, shelf: Shelf, wants: Map<string, Want>): Taken[] {
  return (out?.assigned ?? []).flatMap((a) => {
    const item = a.item as string
    if (a.from === 'on-hand') {
      const text = (a.as as string | null) ?? item
      // A spare stays on the shelf.
      return a.fitting === null
        ? []
        : shelf.draw(text, a.count, a.fitting, text === item ? null : `${item}${a.trim ? ', cut' : ''}`)
    }
    addTo(wants, (a.as as string | null) ?? item, a.count, a.fitting)
    return []
  })
}
function others(
  jobs: OrderJob[],
  shelf: Shelf,
  wants: Map<string, Want>,
): { taken: Taken[]; byEye: string[] } {
  const taken: Taken[] = []
  const byEye = new Set<string>()
  for (const j of jobs)
    for (const p of j.parts) {
      if (byNeed(j, p) || isSealant(p) || isEpoxy(p)) continue
      const text = stockText(p)
      if (!counted(p) || isCut(p)) {
        byEye.add(isCut(p) ? `${p.title}, cut from sheet` : p.title)
        continue
      }
      const n = p.quantity! * (p.unit === 'pair-of-sheets' ? 2 : 1) + p.spare
      const mine = shelf.draw(text, n, j.fittingId, null)
      taken.push(...mine)
      const rest = n - mine.reduce((s, t) => s + t.count, 0)
      if (rest > 0) addTo(wants, text, rest, j.fittingId)
    }
  return { taken, byEye: [...byEye] }
}
export const TUBE_ML = 300
/** Tubes for what is bedded, less what stands in the store within its date; days are the plan’s to share. */
function tubes(jobs: OrderJob[], lots: SealantOnHand[], wants: Map<string, Want>) {
  const by = new Map<string, { ml: number; for: string[] }>()
  for (const j of jobs)
    for (const p of j.parts.filter(isSealant)) {
      const had = by.get(p.material!) ?? { ml: 0, for: [] }
      had.ml += p.dimensions.volumeMl ?? 0
      had.for.push(j.fittingId)
      by.set(p.material!, had)
    }
  for (const [chemistry, { ml, for: ids }] of by) {
    const here = lots.filter((l) => l.chemistry === chemistry).reduce((s, l) => s + l.ml, 0)
    const n = Math.ceil(Math.round((ml - here) * 1e6) / 1e6 / TUBE_ML)
    if (n <= 0) continue
    addLot(wants, `${sentence(SEALANTS[chemistry as SealantId].title)}, tube of ${TUBE_ML} ml`, n, ids)
  }
}
/** A tube or a pack is nobody's alone: all that are worked with it wait for it. */
function addLot(wants: Map<string, Want>, text: string, n: number, ids: string[]) {
  for (const id of new Set(ids)) addTo(wants, text, 0, id)
  const w = wants.get(text)!
  w.count += n
  w.lot = true
}
export const EPOXY_PACK_ML = 1000
/** What stays in the pot and on the brush, as `epoxy-day` counts it where nobody says (chapter 17.4). */
const POT_WASTE = { share: 0.15, ml: 5 }
/** Resin and hardener together, what is lost in the pots with it, less what may be used without a doubt. */
function epoxy(jobs: OrderJob[], lots: SealantOnHand[], wants: Map<string, Want>) {
  const ids = jobs.filter((j) => j.parts.some(isEpoxy)).map((j) => j.fittingId)
  const pots = jobs.flatMap((j) => j.parts.filter(isEpoxy)).map((p) => p.dimensions.volumeMl!)
  const wanted = pots.reduce((s, ml) => s + ml + Math.max(POT_WASTE.share * ml, POT_WASTE.ml), 0)
  const here = lots.filter((l) => l.chemistry === 'epoxy').reduce((s, l) => s + l.ml, 0)
  const n = Math.ceil(Math.round((wanted - here) * 1e6) / 1e6 / EPOXY_PACK_ML)
  if (n > 0) addLot(wants, `Epoxy, resin and hardener, ${EPOXY_PACK_ML} ml together`, n, ids)
}
const WARNED: Record<string, (w: FastenerAnswer['warnings'][number], jobs: OrderJob[]) => string> = {
  'mixed-threads': (w, jobs) => {
    const { fitting, sizes } = w as { fitting: string; sizes: string[] }
    const name = jobs.find((j) => j.fittingId === fitting)?.name ?? fitting
    return `${name} has metric and inch threads in one fitting: ${sizes.join(', ')}.`
  },
  'look-alikes': (w) =>
    `${(w as { sizes: string[] }).sizes.join(' and ')} look alike and bind or strip in one another: kept in bags of their own.`,
}
const WHY_ASIDE: Record<string, string> = {
  'locking-once': 'a locking nut holds once',
  unsure: 'nobody is sure of it',
}
/** The order, put together from what the calculator answered and what else is wanted. */
export function orderDraft(
  jobs: OrderJob[],
  rows: ShelfRow[],
  offers: Offer[],
  lots: SealantOnHand[],
  out: FastenerAnswer | null,
  without: readonly string[] = [],
): OrderDraft {
  const shelf = new Shelf(rows)
  const wants = new Map<string, Want>()
  const bolts = fasteners(out, shelf, wants)
  const { taken, byEye } = others(jobs, shelf, wants)
  tubes(jobs, lots, wants)
  epoxy(jobs, lots, wants)
  const items = itemsKnown(jobs, rows, offers)
  const lines = [...wants.values()]
    .filter((w) => w.count > 0 && !without.includes(w.text))
    .map((w) => lineOf(w, offersOf(offers, w.text), items.get(w.text) ?? null))
    .sort((a, b) => a.maker.localeCompare(b.maker) || a.text.localeCompare(b.text))
  const coming = new Set(lines.flatMap((l) => l.for.map((f) => f.fittingId)))
  return {
    lines,
    taken: [...bolts, ...taken],
    fittings: jobs.map(({ parts: _p, needs: _n, buying: _b, ...j }) => ({
      ...j,
      state: coming.has(j.fittingId) ? ('ordered' as const) : ('ready' as const),
    })),
    setAside: (out?.setAside ?? []).map((s) => ({
      text: s.item as string,
      count: s.count,
      why: WHY_ASIDE[s.why] ?? s.why,
    })),
    warnings: (out?.warnings ?? []).map((w) => WARNED[w.code]!(w, jobs)),
    byEye,
    totalCents: lines.reduce((s, l) => s + (l.costCents ?? 0), 0),
    unpriced: lines.filter((l) => l.costCents === null).length,
  }
}
