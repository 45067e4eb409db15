import { galvanicPair } from '../../chapters/galvanic/galvanic-pair'
import { SIZES, type GradeId } from '../../base/materials/fasteners'
import { POTENTIALS } from '../../base/materials/potentials'
import { inWords, rank, say, type Check } from '../../base/verdict/check'
import { areaOf } from '../../base/geometry/outline'
import type { Design } from './design'
import { asPasted, builtIsolation } from './isolation'

/** The pair id of a bolt's grade (chapter 0, "one thing, several ids"). */
const OF_GRADE: Partial<Record<GradeId, string>> = {
  'A2-70': 'ss-304',
  'A4-70': 'ss-316',
  'A4-80': 'ss-316',
  'duplex-2205': 'duplex-2205',
  'steel-8.8': 'mild-steel',
  'brass-CW614N': 'brass',
  'silicon-bronze': 'silicon-bronze',
  'nickel-copper-400': 'nickel-copper-400',
}
const OF_FACE: Record<string, string> = {
  stainless: 'ss-316',
  aluminium: 'al-6061',
  bronze: 'silicon-bronze',
  steel: 'mild-steel',
}
const OF_PLATE: Record<string, string> = { 'al-5083': 'al-5083', 'al-6061': 'al-6061', 'ss-316': 'ss-316' }
const OF_DECK: Record<string, string> = { 'aluminium-5083': 'al-5083', 'mild-steel': 'mild-steel' }

export interface MetalPair {
  with: 'deck' | 'fitting' | 'plate'
  a: string
  b: string
  verdict: Check['verdict']
  because: string
  isolated: boolean
}

/** Every pair of metals that the bolts make: with the deck, with the fitting, with the plate behind. */
export function metalPairs(d: Design): MetalPair[] {
  const bolt = OF_GRADE[d.bolt.grade as GradeId]
  if (!bolt) return []
  const n = d.bolts.length
  const heads = n * (Math.PI / 4) * (1.8 * SIZES[d.bolt.size]!.diameterMm) ** 2
  const base = areaOf(
    'diameterMm' in d.base
      ? { diameterMm: d.base.diameterMm }
      : { lengthMm: d.base.lengthMm, widthMm: d.base.widthMm },
  )
  const others: {
    with: MetalPair['with']
    metal: string | undefined
    areaMm2: number
    place: 'splash' | 'dry' | 'immersed'
  }[] = [
    // The deck is as large as one likes beside a few bolts.
    {
      with: 'deck',
      metal: d.structure.kind === 'metal' ? OF_DECK[d.structure.metal] : undefined,
      areaMm2: 1000 * heads,
      place: d.wetness,
    },
    { with: 'fitting', metal: OF_FACE[d.bedding.baseFace], areaMm2: base, place: d.wetness },
    {
      with: 'plate',
      metal: d.plate ? OF_PLATE[d.plate.material] : undefined,
      areaMm2: d.plate ? d.plate.lengthMm * d.plate.widthMm : 1,
      place: d.place.belowWaterline ? d.wetness : 'dry',
    },
  ]
  return others.flatMap((o) => {
    if (!o.metal || o.metal === bolt) return []
    const g = galvanicPair.run({
      a: bolt,
      b: o.metal,
      place: o.place,
      areaRatioAToB: heads / o.areaMm2,
      wetBedding: false,
      isolation: builtIsolation(d),
    } as Parameters<typeof galvanicPair.run>[0])
    // Paste is all that a countersunk head allows: it keeps the water out, and every yard works so.
    const pasted = g.verdict === 'short' && o.place !== 'immersed' && asPasted(d)
    return [
      {
        with: o.with,
        a: bolt,
        b: o.metal,
        verdict: pasted ? ('tight' as const) : g.verdict,
        because: `${POTENTIALS[bolt]!.title} bolts and ${POTENTIALS[o.metal]!.title} ${o.with}: ${g.because}${pasted ? ' Isolating paste keeps the water out as long as it is whole: renew it whenever a bolt is out, and look every year.' : ''}`,
        isolated: g.isolated,
      },
    ]
  })
}

/** Null where the bolts meet no metal but their own. */
export function metalsCheck(d: Design): Check | null {
  const pairs = metalPairs(d)
  if (!pairs.length) return null
  const worst = pairs.reduce((w, p) => (rank(p.verdict) < rank(w.verdict) ? p : w))
  const rest =
    pairs.length > 1 && worst.verdict !== 'holds' ? ` ${say(pairs.length)} pairs were looked at.` : ''
  return inWords({
    id: 'metals',
    title: 'Metals that meet',
    unit: '',
    source: 'chapter 7.1',
    verdict: worst.verdict,
    because: `${worst.because}${rest}`,
  })
}
