import { answerOf } from '../../base/calculator/calculator'
import { galvanicPair } from '../../chapters/galvanic/galvanic-pair'
import { POTENTIALS } from '../../base/materials/potentials'
import { inWords, rank, type Check } from '../../base/verdict/check'
import { isSetIn, type RigDesign } from './design'

/** The pair's id of a grade (chapter 0, "one thing, several ids"). */
const OF_GRADE: Record<string, string> = {
  'ss-316-drawn': 'ss-316',
  'A4-70': 'ss-316',
  'A4-80': 'ss-316',
  'titanium-6al4v': 'titanium',
}
const OF_HULL: Record<string, string> = { 'aluminium-5083': 'al-5083', 'mild-steel': 'mild-steel' }
const idOf = (grade: string) => OF_GRADE[grade] ?? grade
interface Pair {
  a: string
  b: string
  /** face of the first to that of the second */
  ratio: number
  said: string
  /** usual all the same, with an anode beside it that is looked at */
  guarded?: true
}
const ANODE =
  ' Usual all the same: an anode on the shaft beside it, looked at every season, and never painted.'
/** Beside it a hull or a plate is as large as one likes. */
const MUCH = 0.01
function pairsOf(d: RigDesign): Pair[] {
  const out: Pair[] = []
  const meet = (
    a: string | null | undefined,
    b: string | null | undefined,
    ratio: number,
    said: string,
    more: Pick<Pair, 'guarded'> = {},
  ) => {
    if (a && b && idOf(a) !== idOf(b)) out.push({ a: idOf(a), b: idOf(b), ratio, said, ...more })
  }
  const hull = d.structure.kind === 'metal' ? OF_HULL[d.structure.metal] : null
  if (isSetIn(d)) {
    meet(d.set.shaft?.grade, d.set.grade, 1, 'shaft and strut', { guarded: true })
    meet(d.set.grade, hull, MUCH, 'it and the hull')
    meet(d.set.column?.grade, hull, MUCH, 'post and hull')
    return out
  }
  meet(d.pin?.grade, d.plate?.grade, 0.1 + MUCH, 'pin and plate')
  meet(d.bolts?.grade, d.plate?.grade, 0.1 + MUCH, 'bolts and plate')
  meet(d.plate?.grade, hull, MUCH, 'plate and hull')
  meet(d.bolts?.grade, hull, MUCH, 'bolts and hull')
  return out
}
/** The worst pair of metals that meet in it; none where all are the same. */
export function rigMetals(d: RigDesign): Check[] {
  const place = d.place.belowWaterline ? 'immersed' : 'splash'
  const judged = pairsOf(d).map((p) => {
    const g = answerOf(galvanicPair, { a: p.a, b: p.b, place, areaRatioAToB: p.ratio })
    const guarded = p.guarded === true && g.verdict === 'short'
    return { p, g: guarded ? { ...g, verdict: 'tight' as const, because: `${g.because}${ANODE}` } : g }
  })
  if (!judged.length) return []
  const worst = judged.reduce((w, x) => (rank(x.g.verdict) < rank(w.g.verdict) ? x : w))
  return [
    inWords({
      id: 'metals',
      title: 'Metals that meet',
      unit: '',
      source: 'chapter 7.1',
      verdict: worst.g.verdict,
      because: `${worst.p.said[0]!.toUpperCase()}${worst.p.said.slice(1)}, ${POTENTIALS[worst.p.a]!.title} and ${POTENTIALS[worst.p.b]!.title}: ${worst.g.because}`,
    }),
  ]
}
