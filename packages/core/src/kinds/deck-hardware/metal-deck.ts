import { DECK_METALS } from '../../base/materials/laminates'
import type { Structure } from '../../base/materials/structure'
import { draft, say, step, written, type Draft } from '../../base/verdict/check'
import { factorsOf } from './guess'
import type { Design } from './design'
import type { Shared } from './shared'
import { weldStress, worstByGrain } from './own-ways'

/** Under a welded doubler the bolts bear on both thicknesses. */
export function withDoubler(d: Design): Structure {
  const s = d.structure
  return s.kind === 'metal' && d.doubler ? { ...s, thicknessMm: s.thicknessMm + d.doubler.thicknessMm } : s
}

const SHEAR_OF_YIELD = 0.577
/**
 * The fillet weld all round a doubler, as a line of throat a = 0.7\u00b7leg: the in-plane force along it,
 * the pull and the lever's moment across it
 * (usual weld-group formulas; the plate beside a weld counts with its annealed yield, a typical estimate).
 */
export function weldCheck(d: Design, s: Shared, point: { x: number; y: number; z: number }): Draft | null {
  const weld = weldStress(d, s.direction, point)
  if (!weld || d.structure.kind !== 'metal' || !d.doubler) return null
  const { lengthMm: l, widthMm: w } = d.doubler
  const { a, shear, pull, together: demand } = weld
  const yieldMPa = DECK_METALS[d.structure.metal].yieldMPa
  const factor = factorsOf(d).metal
  return draft({
    id: 'doubler-weld',
    title: 'Weld of the doubler',
    unit: 'MPa',
    source: 'usual fillet-weld throat formula',
    demand,
    capacity: SHEAR_OF_YIELD * yieldMPa,
    factor,
    assumed: ['weldYieldMPa'],
    because: () =>
      `${say(demand)} MPa in a throat of ${say(a)} mm round ${say(l)} \u00d7 ${say(w)} mm; the metal beside the weld shears at ${say(SHEAR_OF_YIELD * yieldMPa)} MPa and the factor is ${factor}.`,
    working: () => [
      step('a', 'throat', '0.7\u00b7leg', a, 'mm'),
      step('\u03c4', 'along the weld', 'F/(a\u00b7L)', shear, 'MPa'),
      step('\u03c3', 'pull and lever across it', 'T/(a\u00b7L) + M/(a\u00b7Z)', pull, 'MPa'),
      step('\u03c4e', 'together', '\u221a(\u03c4\u00b2 + \u03c3\u00b2)', demand, 'MPa'),
    ],
  })
}

/** The bearing check of the bolts in timber with its grain known: of the one that is worst used by it. */
export function byGrain(c: Draft, d: Design, s: Shared): Draft {
  const worst = c.id === 'bearing' && c.demand !== null ? worstByGrain(d, s) : null
  if (!worst || c.demand === null) return c
  const { offDeg: off, capacityMPa: capacity, bolt } = worst
  // Asked of the bolt that is sheared most; of any other it goes with its own shear.
  const asked = s.hand.bolts[c.boltIndex ?? 0]!.shearN
  const demand = asked > 0 ? (c.demand * worst.shearN) / asked : c.demand
  const another = bolt !== (c.boltIndex ?? 0)
  const factor = c.factor
  return draft({
    id: 'bearing',
    title: 'Bearing in the timber',
    unit: 'MPa',
    source: 'chapter 3.4; Hankinson across the grain',
    demand,
    capacity,
    factor,
    assumed: [...new Set([...c.assumed, 'acrossGrain'])],
    because: () =>
      `${another ? `Bolt ${bolt + 1} is worse off than the one that is sheared most: ` : ''}${say(demand)} MPa, ${say(off)}\u00b0 off the grain, where the timber bears ${say(capacity)} MPa and the factor is ${factor}.`,
    working: () => [
      ...written(c).working,
      ...(another ? [step('\u03c3b', 'the same on this bolt', '\u03c3\u00b7Vb/V', demand, 'MPa')] : []),
      step('\u03b8', 'off the grain', '', off, 'deg'),
      step(
        'f',
        'bearing at that angle',
        'P\u00b7Q/(P\u00b7sin\u00b2\u03b8 + Q\u00b7cos\u00b2\u03b8)',
        capacity,
        'MPa',
      ),
    ],
    ...(c.boltIndex === undefined ? {} : { boltIndex: bolt }),
  })
}
