import { itemText, type FastenerItem } from '@north-tide/core'
import { OfferRow, ShelfItem, YardSetting } from '../models'

/** What stands in the drawers of the invented yard, and what two invented makers ask for more of it. */
type Row = [FastenerItem | string, number, ('new' | 'used' | 'unsure')?]
const bolt = (size: string, lengthMm: number, head = 'hex', grade = 'A4-70'): FastenerItem => ({
  kind: 'bolt',
  size,
  grade,
  head,
  lengthMm,
  threading: 'full',
})
const nut = (size: string, type = 'locking', grade = 'A4-70'): FastenerItem => ({
  kind: 'nut',
  type,
  size,
  grade,
})
const washer = (size: string, type = 'plain', grade = 'A4-70'): FastenerItem => ({
  kind: 'washer',
  type,
  size,
  grade,
})
const DRAWERS: Row[] = [
  [bolt('M8', 50), 14],
  [bolt('M8', 60), 6],
  [bolt('M8', 70), 9],
  [bolt('M10', 70), 11],
  [bolt('M10', 80), 4, 'unsure'],
  [bolt('M6', 45, 'pan'), 20],
  [nut('M8'), 40],
  [nut('M10'), 12],
  [nut('M8'), 9, 'used'],
  [washer('M8'), 60],
  [washer('M8', 'large'), 30],
  [washer('M10', 'large'), 8],
  ['Split pin', 25],
  ['Mixing nozzle', 6],
]
const TOOLS: [string, number][] = [
  ['torque wrench', 1],
  ['drill', 3],
  ['heat gun', 1],
  ['moisture meter', 1],
]
const LENGTHS = [30, 35, 40, 45, 50, 55, 60, 65, 70, 75, 80, 90, 100, 110, 120]
const SIZES = ['M6', 'M8', 'M10', 'M12']
const HEADS = ['hex', 'pan', 'socket', 'countersunk', 'button']
const CENTS: Record<string, number> = { M6: 38, M8: 62, M10: 110, M12: 185 }
const offer = (maker: string, item: FastenerItem, each: number, leadDays: number, packs: number[]) => ({
  maker,
  text: itemText(item),
  item,
  packs: packs.map((n) => ({ n, priceCents: Math.max(1, Math.round(each * n * (n >= 25 ? 0.8 : 1))) })),
  leadDays,
})
/** Two invented makers: one sells by the piece and by packs, the other by the ten and sooner. */
function offers() {
  const out = SIZES.flatMap((size) => [
    ...HEADS.flatMap((head) =>
      LENGTHS.map((l) =>
        offer('Skerry Fastenings', bolt(size, l, head), CENTS[size]! * (0.6 + l / 100), 5, [1, 25]),
      ),
    ),
    ...['hex', 'locking'].map((t) =>
      offer('Skerry Fastenings', nut(size, t), CENTS[size]! * 0.4, 5, [5, 50]),
    ),
    ...['plain', 'large'].map((t) =>
      offer('Brough Chandlers', washer(size, t), CENTS[size]! * 0.25, 2, [10, 100]),
    ),
  ])
  return out
}
const TUBES = [
  ['Polysulfide, tube of 300 ml', 1490],
  ['Hybrid sealant, tube of 300 ml', 1180],
] as const
export async function seedShelf(who: string): Promise<void> {
  await ShelfItem.bulkCreate([
    ...DRAWERS.map(([what, count, state = 'new']) => ({
      kind: typeof what === 'string' ? ('part' as const) : ('fastener' as const),
      text: typeof what === 'string' ? what : itemText(what),
      item: typeof what === 'string' ? null : what,
      count,
      state,
      whereItIs: typeof what === 'string' ? 'drawer by the door' : 'fastener cabinet',
    })),
    ...TOOLS.map(([text, count]) => ({
      kind: 'tool' as const,
      text,
      item: null,
      count,
      whereItIs: 'tool wall',
    })),
  ])
  await OfferRow.bulkCreate([
    ...offers(),
    ...TUBES.map(([text, cents]) => ({
      maker: 'Brough Chandlers',
      text,
      item: null,
      packs: [{ n: 1, priceCents: cents }],
      leadDays: 2,
    })),
  ])
  await YardSetting.create({
    key: 'prices',
    value: { currency: '\u20ac', hourCents: 5800, ownersSee: false },
    changedBy: who,
  })
}
