import type { Point } from '../../base/geometry/outline'
import type { Design } from './design'

type Turned = Pick<Design, 'headingDeg'>
const QUARTER = 90

/** Exact at the quarters, so that a fitting that stands square stays square. */
export function cosSin(deg: number): [number, number] {
  const q = (((deg / QUARTER) % 4) + 4) % 4
  if (Number.isInteger(q)) return [[1, 0, -1, 0][q]!, [0, 1, 0, -1][q]!]
  const rad = (deg * Math.PI) / 180
  return [Math.cos(rad), Math.sin(rad)]
}
const turn = (p: Point, deg: number): Point => {
  if (deg === 0) return p
  const [c, s] = cosSin(deg)
  return { xMm: p.xMm * c - p.yMm * s, yMm: p.xMm * s + p.yMm * c }
}
/**
 * A point of the casting in the boat's directions, from the fitting's middle: its x is turned by the heading
 * from aft towards starboard (chapter 1).
 */
export const toBoat = (d: Turned, p: Point): Point => turn(p, d.headingDeg)
/** A point of the boat, from the fitting's middle, in the casting's own directions. */
export const fromBoat = (d: Turned, p: Point): Point => turn(p, -d.headingDeg)

/** Corners of a rectangle on the fitting's own axes, in the boat's directions. */
export const cornersOnBoat = (
  d: Turned,
  b: { minX: number; maxX: number; minY: number; maxY: number },
): Point[] =>
  [
    { xMm: b.minX, yMm: b.minY },
    { xMm: b.maxX, yMm: b.minY },
    { xMm: b.maxX, yMm: b.maxY },
    { xMm: b.minX, yMm: b.maxY },
  ].map((p) => toBoat(d, p))

type Load = Design['load']
const loads = new WeakMap<Load, Map<number, Load>>()
/**
 * A load as it meets the casting: arcs that are the boat's turn the other way as it is turned. The same load
 * gives the same object, by which what was computed of it is kept.
 */
export function loadOn(d: Turned, load: Load): Load {
  if (d.headingDeg === 0) return load
  let known = loads.get(load)
  if (!known) loads.set(load, (known = new Map()))
  let out = known.get(d.headingDeg)
  if (!out) known.set(d.headingDeg, (out = { ...load, headingDeg: d.headingDeg } as Load))
  return out
}
