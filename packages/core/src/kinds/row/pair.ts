import { CalcError } from '../../base/errors'
import { inWords, say, type Check } from '../../base/verdict/check'
import type { Around, Other } from '../kind'
import type { RowDesign } from './design'
import { keepoutsOf, layoutOf, type Layout } from './layout'

/** Of the shorter of the two, so much lies abreast of the other: a pair, and not two rows. */
const ABREAST = 0.5
/** An eye from ahead sees more than this, as with a pair of openings: ours. */
const AGREE_MM = 5
const span = (d: RowDesign): [number, number] => {
  const xs = d.path.map((p) => p.xMm)
  return [Math.min(...xs), Math.max(...xs)]
}
function abreast(d: RowDesign, o: Other): boolean {
  const other = o.design as unknown as RowDesign
  if (o.kind !== 'row' || other.family !== d.family) return false
  if (Math.sign(other.place.yMm) !== -Math.sign(d.place.yMm)) return false
  const [[a0, a1], [b0, b1]] = [span(d), span(other)]
  return Math.min(a1, b1) - Math.max(a0, b0) >= ABREAST * Math.min(a1 - a0, b1 - b0)
}
/** The other side stands still while this one is worked on: it is set out once. */
const known = new WeakMap<object, { a: Room; layout: Layout | null }>()
type Room = Pick<Around, 'parts' | 'others'>
function layoutThere(twin: Other, a: Room): Layout | null {
  const d = twin.design as unknown as RowDesign
  const had = known.get(d)
  if (had && had.a.parts === a.parts && had.a.others === a.others) return had.layout
  let layout: Layout | null = null
  try {
    layout = layoutOf(
      d,
      keepoutsOf(d, a, (o) => o.groupId === twin.id),
    )
  } catch (error) {
    if (!(error instanceof CalcError)) throw error
  }
  known.set(d, { a: { parts: a.parts, others: a.others }, layout })
  return layout
}
const fromBow = (l: Layout) => [...l.positions].sort((p, q) => p.xMm - q.xMm)
/** A row on either side, and by how much the two differ; nothing where there is no other, or it stays out. */
export function rowPairChecks(d: RowDesign, own: Layout, a: Pick<Around, 'others' | 'parts'>): Check[] {
  if (d.place.yMm === 0 || !own.positions.length) return []
  const twin = a.others.find((o) => abreast(d, o))
  const its = twin && layoutThere(twin, a)
  if (!twin || !its?.positions.length) return []
  const shape = { id: 'row-pair', title: 'A pair with the other side', unit: '', source: 'chapter 10.1' }
  if (its.count !== own.count)
    return [
      inWords({
        ...shape,
        verdict: 'tight',
        because: `${twin.name} has ${its.count} where this has ${own.count}: the eye counts them from ahead.`,
      }),
    ]
  const there = fromBow(its)
  const worst = fromBow(own)
    .map((p, i) => ({
      n: i + 1,
      alongMm: p.xMm - there[i]!.xMm,
      outMm: Math.abs(p.yMm) - Math.abs(there[i]!.yMm),
    }))
    .reduce((w, x) => (Math.hypot(x.alongMm, x.outMm) > Math.hypot(w.alongMm, w.outMm) ? x : w))
  const round = (v: number) => say(Math.round(10 * Math.abs(v)) / 10)
  const off = [
    ...(Math.abs(worst.alongMm) > AGREE_MM
      ? [`${round(worst.alongMm)} mm ${worst.alongMm > 0 ? 'further aft' : 'further forward'}`]
      : []),
    ...(Math.abs(worst.outMm) > AGREE_MM
      ? [`${round(worst.outMm)} mm ${worst.outMm > 0 ? 'further out' : 'further in'}`]
      : []),
  ]
  return [
    inWords({
      ...shape,
      verdict: off.length ? 'tight' : 'holds',
      because: off.length
        ? `Number ${worst.n} from the bow stands ${off.join(', ')} than that of ${twin.name}, the most of all: set both out from one datum.`
        : `With ${twin.name} it is a pair: each stands within ${AGREE_MM} mm of its own across the boat.`,
    }),
  ]
}
