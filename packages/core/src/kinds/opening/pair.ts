import { inWords, say, type Check } from '../../base/verdict/check'
import type { Other } from '../kind'
import type { OpeningDesign } from './design'
import type { AroundOpening } from './judgement'
import { sizeAt } from './outline'

/** Further apart along the boat they are two openings, and no pair. */
const PAIR_MM = 500
/** An eye from ahead sees more than this: ours, as two measures that agree (chapter 10.1). */
const AGREE_MM = 5

const mirrored = (o: Other, d: OpeningDesign) =>
  o.kind === 'opening' &&
  (o.design as OpeningDesign).family === d.family &&
  Math.sign(o.design.place.yMm) === -Math.sign(d.place.yMm) &&
  Math.abs(o.design.place.xMm - d.place.xMm) <= PAIR_MM
/** 12 mm further aft; nothing where they agree. */
const off = (v: number, more: string, less: string): string[] =>
  Math.abs(v) > AGREE_MM ? [`${say(Math.round(Math.abs(v) * 10) / 10)} mm ${v > 0 ? more : less}`] : []
/** A pair, port and starboard, and by how much the two differ; null where there is no other. */
export function pairCheck(d: OpeningDesign, a: AroundOpening): Check | null {
  if (d.place.yMm === 0 || d.gland) return null
  const [twin] = (a.others ?? [])
    .filter((o) => mirrored(o, d))
    .sort((p, q) => Math.abs(p.design.place.xMm - d.place.xMm) - Math.abs(q.design.place.xMm - d.place.xMm))
  if (!twin) return null
  const there = twin.design as OpeningDesign
  const [own, its] = [sizeAt(d.outline), sizeAt(there.outline)]
  const apart = [
    ...off(d.place.xMm - there.place.xMm, 'further aft', 'further forward'),
    ...off(Math.abs(d.place.yMm) - Math.abs(there.place.yMm), 'further out', 'further in'),
    ...off(d.place.zMm - there.place.zMm, 'higher', 'lower'),
    ...off(own.lengthMm - its.lengthMm, 'longer', 'shorter'),
    ...off(own.widthMm - its.widthMm, 'wider', 'narrower'),
  ]
  return inWords({
    id: 'room-pair',
    title: 'A pair with the other side',
    unit: '',
    source: 'chapter 10.1',
    verdict: apart.length ? 'tight' : 'holds',
    because: apart.length
      ? `Beside ${twin.name} it is ${apart.join(', ')}: both are laid out from the same datum, or the eye finds it from ahead.`
      : `With ${twin.name} it is a pair, each measure within ${AGREE_MM} mm.`,
  })
}
