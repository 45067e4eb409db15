import { sealant } from '../../base/materials/sealants'
import { part, type Part } from '../part'
import type { RowDesign } from './design'
import type { RowJudgement } from './judgement'

/** A bead 6 mm wide and 2 high, each side of the holes, with a third more for what is squeezed out. */
const ML_PER_M = 2 * 6 * 2 * 1.3
const TUBE_ML = 290
/** The strip in its pieces, its bolts, what it is bedded in; members bring what is theirs. */
export function rowParts(d: RowDesign, j: RowJudgement): Part[] {
  if (d.memberId !== null || j.layout.blocked) return []
  const n = j.layout.count
  const long = d.toMm - d.fromMm + d.footprintMm
  const out: Part[] = []
  if (d.strip)
    out.push(
      part('strip', 'Strip', {
        material: d.strip.material,
        dimensions: { lengthMm: long, widthMm: d.strip.widthMm, thicknessMm: d.strip.thicknessMm },
        size: [{ mmRound: long }, ' of ', { mm: d.strip.widthMm }, ' by ', { mm: d.strip.thicknessMm }],
        quantity: j.strip?.pieces ?? Math.ceil(long / d.strip.stockMm),
        note: [`${j.strip?.joints ?? Math.ceil(long / d.strip.stockMm) - 1} joints`],
      }),
    )
  const spare = Math.ceil(n / 10)
  out.push(
    ...(
      [
        ['bolt', 'Bolt', n],
        ['nut', 'Locking nut', n],
        ['washer', 'Washer', 2 * n],
      ] as const
    ).map(([key, title, quantity]) =>
      part(key, title, {
        dimensions: { diameterMm: d.bolt.diameterMm },
        size: [{ mm: d.bolt.diameterMm }],
        quantity,
        spare,
      }),
    ),
  )
  if (d.bedding.sealant)
    out.push(
      part('sealant', sealant(d.bedding.sealant).title, {
        material: d.bedding.sealant,
        unit: d.bedding.sealant === 'butyl' ? 'none' : 'tube-300',
        quantity: Math.ceil(((long / 1000) * ML_PER_M) / TUBE_ML),
        dimensions: { volumeMl: (long / 1000) * ML_PER_M },
      }),
    )
  return out
}
export const rowOrder = (d: RowDesign, j: RowJudgement): string =>
  rowParts(d, j)
    .map((p) =>
      `${p.quantity ?? 1} ${p.title} ${Object.values(p.dimensions)
        .map((v) => Math.round(v))
        .join(' x ')}`.trim(),
    )
    .join('; ')
