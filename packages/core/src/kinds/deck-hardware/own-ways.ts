import type { BoltShares } from '../../chapters/deck/bolt-group'
import { momentsOf, type LoadDirection } from '../../chapters/load/design-load'
import { TIMBERS } from '../../base/materials/laminates'
import type { Design } from './design'

/** What on a deck has a direction of its own, and is worst used by another load than bolts and deck are. */
const THROAT = 0.7
type Point3 = { x: number; y: number; z: number }
/** What the weld of a doubler sees under one direction of the load, MPa; null where there is none. */
export function weldStress(d: Design, q: LoadDirection, point: Point3) {
  if (d.structure.kind !== 'metal' || !d.doubler) return null
  const { lengthMm: l, widthMm: w, weldMm, thicknessMm } = d.doubler
  const a = THROAT * weldMm
  const { alongN, acrossN, outN } = q
  const lever = momentsOf({ ...point, z: point.z + thicknessMm }, q)
  const shear = Math.hypot(alongN, acrossN) / (a * 2 * (l + w))
  // A line of unit throat round a rectangle: Zx = l\u00b7w + w\u00b2/3 about the long axis, and the other
  // way round.
  const pull =
    Math.max(0, outN) / (a * 2 * (l + w)) +
    Math.abs(lever.x) / (a * (l * w + (w * w) / 3)) +
    Math.abs(lever.y) / (a * (l * w + (l * l) / 3))
  return { a, shear, pull, together: Math.hypot(shear, pull) }
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
/** Asked of nothing in particular: whether there is a grain at all. */
export const NO_BOLTS = { hand: { bolts: [] } }
/**
 * Of the bolts in timber with its grain known the one that is worst used in bearing, pushed as this direction
 * of the load pushes it; null in anything else.
 */
export function worstByGrain(d: Design, s: { hand: Pick<BoltShares, 'bolts'> }) {
  if (d.structure.kind !== 'timber' || d.structure.grainDeg === undefined) return null
  const { timber, grainDeg } = d.structure
  const along: number = TIMBERS[timber].bearingMPa
  let worst = { bolt: 0, shearN: 0, offDeg: 0, capacityMPa: along, used: -1 }
  s.hand.bolts.forEach((b, bolt) => {
    // The grain is the boat's; the bolts are pushed in the casting's own directions.
    const pushedDeg = (Math.atan2(b.shearYN, b.shearXN) * 180) / Math.PI + d.headingDeg
    const angle = Math.abs((((pushedDeg - grainDeg) % 180) + 180) % 180)
    const offDeg = Math.min(angle, 180 - angle)
    const capacityMPa = grainBearing(timber, offDeg)
    const used = b.shearN / capacityMPa
    // Of two that are alike but for the last bit it is the first.
    if (used > worst.used * (1 + 1e-12)) worst = { bolt, shearN: b.shearN, offDeg, capacityMPa, used }
  })
  return worst
}
