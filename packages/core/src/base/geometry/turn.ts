import type { Point } from './outline'

const QUARTER = 90
/** Exact at the quarters, so that what stands square stays square. */
export function cosSin(deg: number): [number, number] {
  const q = (((deg / QUARTER) % 4) + 4) % 4
  if (Number.isInteger(q)) return [[1, 0, -1, 0][q]!, [0, 1, 0, -1][q]!]
  const rad = (deg * Math.PI) / 180
  return [Math.cos(rad), Math.sin(rad)]
}
/** A point turned about the origin from x towards y. */
export function turnedBy(p: Point, deg: number): Point {
  if (deg === 0) return p
  const [c, s] = cosSin(deg)
  return { xMm: p.xMm * c - p.yMm * s, yMm: p.xMm * s + p.yMm * c }
}

type Turned = { headingDeg: number }
/**
 * A point of a fitting in the boat's directions, from its middle: its x is turned by the heading from aft
 * towards starboard (chapter 1).
 */
export const toBoat = (d: Turned, p: Point): Point => turnedBy(p, d.headingDeg)
/** A point of the boat, from the fitting's middle, in the fitting's own directions. */
export const fromBoat = (d: Turned, p: Point): Point => turnedBy(p, -d.headingDeg)

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
