import { momentsOf } from '../../chapters/load/design-load'
import { DECK_METALS, TIMBERS } from '../../base/materials/laminates'
import type { Structure } from '../../base/materials/structure'
import { check, say, step, type Check } from '../../base/verdict/check'
import { factorsOf } from './guess'
import type { Design } from './design'
import type { Shared } from './loads'

/** Under a welded doubler the bolts bear on both thicknesses. */
export function withDoubler(d: Design): Structure {
  const s = d.structure
  return s.kind === 'metal' && d.doubler ? { ...s, thicknessMm: s.thicknessMm + d.doubler.thicknessMm } : s
}

const THROAT = 0.7
const SHEAR_OF_YIELD = 0.577
/**
 * The fillet weld all round a doubler, as a line of throat a = 0.7\u00b7leg: the in-plane force along it,
 * the pull and the lever's moment across it
 * (usual weld-group formulas; the plate beside a weld counts with its annealed yield, a typical estimate).
 */
export function weldCheck(d: Design, s: Shared, point: { x: number; y: number; z: number }): Check | null {
  if (d.structure.kind !== 'metal' || !d.doubler) return null
  const { lengthMm: l, widthMm: w, weldMm, thicknessMm } = d.doubler
  const a = THROAT * weldMm
  const { alongN, acrossN, outN } = s.direction
  const lever = momentsOf({ ...point, z: point.z + thicknessMm }, s.direction)
  const shear = Math.hypot(alongN, acrossN) / (a * 2 * (l + w))
  // A line of unit throat round a rectangle: Zx = l\u00b7w + w\u00b2/3 about the long axis, and the other
  // way round.
  const pull =
    Math.max(0, outN) / (a * 2 * (l + w)) +
    Math.abs(lever.x) / (a * (l * w + (w * w) / 3)) +
    Math.abs(lever.y) / (a * (l * w + (l * l) / 3))
  const demand = Math.hypot(shear, pull)
  const yieldMPa = DECK_METALS[d.structure.metal].yieldMPa
  const factor = factorsOf(d).metal
  return check({
    id: 'doubler-weld',
    title: 'Weld of the doubler',
    unit: 'MPa',
    source: 'usual fillet-weld throat formula',
    demand,
    capacity: SHEAR_OF_YIELD * yieldMPa,
    factor,
    assumed: ['weldYieldMPa'],
    because: `${say(demand)} MPa in a throat of ${say(a)} mm round ${say(l)} \u00d7 ${say(w)} mm; the metal beside the weld shears at ${say(SHEAR_OF_YIELD * yieldMPa)} MPa and the factor is ${factor}.`,
    working: [
      step('a', 'throat', '0.7\u00b7leg', a, 'mm'),
      step('\u03c4', 'along the weld', 'F/(a\u00b7L)', shear, 'MPa'),
      step('\u03c3', 'pull and lever across it', 'T/(a\u00b7L) + M/(a\u00b7Z)', pull, 'MPa'),
      step('\u03c4e', 'together', '\u221a(\u03c4\u00b2 + \u03c3\u00b2)', demand, 'MPa'),
    ],
  })
}

/**
 * Bearing at an angle to the grain (Hankinson): P\u00b7Q/(P\u00b7sin\u00b2 + Q\u00b7cos\u00b2); across the
 * grain is a typical estimate.
 */
export function grainBearing(timber: keyof typeof TIMBERS, angleDeg: number): number {
  const P = TIMBERS[timber].bearingMPa
  const Q = P * TIMBERS[timber].acrossGrain
  const s2 = Math.sin((angleDeg * Math.PI) / 180) ** 2
  return (P * Q) / (P * s2 + Q * (1 - s2))
}
/**
 * The bearing check of a bolt in timber with its grain known, in the direction in which that bolt is
 * pushed.
 */
export function byGrain(c: Check, d: Design, s: Shared): Check {
  if (
    c.id !== 'bearing' ||
    d.structure.kind !== 'timber' ||
    d.structure.grainDeg === undefined ||
    c.demand === null
  )
    return c
  const b = s.hand.bolts[c.boltIndex ?? 0]!
  // The grain is the boat's; the bolts are pushed in the casting's own directions.
  const pushedDeg = (Math.atan2(b.shearYN, b.shearXN) * 180) / Math.PI + d.headingDeg
  const angle = Math.abs((((pushedDeg - d.structure.grainDeg) % 180) + 180) % 180)
  const off = Math.min(angle, 180 - angle)
  const capacity = grainBearing(d.structure.timber, off)
  const factor = c.factor
  return {
    ...check({
      id: 'bearing',
      title: 'Bearing in the timber',
      unit: 'MPa',
      source: 'chapter 3.4; Hankinson across the grain',
      demand: c.demand,
      capacity,
      factor,
      assumed: [...new Set([...c.assumed, 'acrossGrain'])],
      because: `${say(c.demand)} MPa, ${say(off)}\u00b0 off the grain, where the timber bears ${say(capacity)} MPa and the factor is ${factor}.`,
      working: [
        ...c.working,
        step('\u03b8', 'off the grain', '', off, 'deg'),
        step(
          'f',
          'bearing at that angle',
          'P\u00b7Q/(P\u00b7sin\u00b2\u03b8 + Q\u00b7cos\u00b2\u03b8)',
          capacity,
          'MPa',
        ),
      ],
    }),
    ...(c.boltIndex === undefined ? {} : { boltIndex: c.boltIndex }),
  }
}
