import { z } from 'zod'
import { pointSchema, positive } from '../schema/schema'

export type Point = { xMm: number; yMm: number }
export const rectangleShape = { lengthMm: positive(), widthMm: positive() }
export const discShape = { diameterMm: positive() }
export const polygonShape = { outline: z.array(pointSchema).min(3) }

/**
 * An outline in plan (chapter 3.1) with the fields that go with it. Rectangle and disc are centred on the
 * origin.
 */
export function outlineSchema<E extends z.ZodRawShape>(extra: E) {
  return z.union([
    z.strictObject({ ...rectangleShape, ...extra }),
    z.strictObject({ ...discShape, ...extra }),
    z.strictObject({ ...polygonShape, ...extra }),
  ])
}
export type Outline = { lengthMm: number; widthMm: number } | { diameterMm: number } | { outline: Point[] }

const shoelace = (ps: Point[]) =>
  ps.reduce((s, p, i) => s + p.xMm * ps[(i + 1) % ps.length]!.yMm - ps[(i + 1) % ps.length]!.xMm * p.yMm, 0) /
  2

export function areaOf(o: Outline): number {
  if ('diameterMm' in o) return (Math.PI / 4) * o.diameterMm ** 2
  return 'outline' in o ? Math.abs(shoelace(o.outline)) : o.lengthMm * o.widthMm
}

export function perimeterOf(o: Outline): number {
  if ('diameterMm' in o) return Math.PI * o.diameterMm
  if (!('outline' in o)) return 2 * (o.lengthMm + o.widthMm)
  return o.outline.reduce(
    (s, p, i) =>
      s +
      Math.hypot(
        o.outline[(i + 1) % o.outline.length]!.xMm - p.xMm,
        o.outline[(i + 1) % o.outline.length]!.yMm - p.yMm,
      ),
    0,
  )
}

export function boundsOf(o: Outline): { minX: number; maxX: number; minY: number; maxY: number } {
  if ('outline' in o) {
    const xs = o.outline.map((p) => p.xMm)
    const ys = o.outline.map((p) => p.yMm)
    return { minX: Math.min(...xs), maxX: Math.max(...xs), minY: Math.min(...ys), maxY: Math.max(...ys) }
  }
  const [a, b] = 'diameterMm' in o ? [o.diameterMm / 2, o.diameterMm / 2] : [o.lengthMm / 2, o.widthMm / 2]
  return { minX: -a, maxX: a, minY: -b, maxY: b }
}

/** Strictly inside: a point on the edge is not. */
export function contains(o: Outline, p: Point): boolean {
  if ('diameterMm' in o) return Math.hypot(p.xMm, p.yMm) < o.diameterMm / 2
  if (!('outline' in o)) return Math.abs(p.xMm) < o.lengthMm / 2 && Math.abs(p.yMm) < o.widthMm / 2
  return insidePolygon(o.outline, p)
}

export function insidePolygon(poly: Point[], p: Point): boolean {
  let inside = false
  for (let i = 0, j = poly.length - 1; i < poly.length; j = i++) {
    const a = poly[i]!
    const b = poly[j]!
    if (distanceToSegment(p, a, b) < 1e-9) return false
    if (
      a.yMm > p.yMm !== b.yMm > p.yMm &&
      p.xMm < ((b.xMm - a.xMm) * (p.yMm - a.yMm)) / (b.yMm - a.yMm) + a.xMm
    )
      inside = !inside
  }
  return inside
}

export function distanceToSegment(p: Point, a: Point, b: Point): number {
  const dx = b.xMm - a.xMm
  const dy = b.yMm - a.yMm
  const l2 = dx * dx + dy * dy
  const t = l2 === 0 ? 0 : Math.max(0, Math.min(1, ((p.xMm - a.xMm) * dx + (p.yMm - a.yMm) * dy) / l2))
  return Math.hypot(p.xMm - a.xMm - t * dx, p.yMm - a.yMm - t * dy)
}

/** The longest link of the shortest tree that joins all points (Prim); 0 for one point. */
export function longestLink(points: Point[]): number {
  const best = points.map((_, i) => (i === 0 ? 0 : Infinity))
  const used = points.map(() => false)
  let longest = 0
  for (let k = 0; k < points.length; k++) {
    let at = -1
    for (let i = 0; i < points.length; i++) if (!used[i] && (at < 0 || best[i]! < best[at]!)) at = i
    used[at] = true
    longest = Math.max(longest, best[at]!)
    for (let i = 0; i < points.length; i++)
      if (!used[i])
        best[i] = Math.min(
          best[i]!,
          Math.hypot(points[i]!.xMm - points[at]!.xMm, points[i]!.yMm - points[at]!.yMm),
        )
  }
  return longest
}

const DEG = Math.PI / 180
/**
 * Sine and cosine of degrees, exact at the quarter turns, so that a load straight up has nothing left
 * sideways.
 */
export function sind(deg: number): number {
  const d = ((deg % 360) + 360) % 360
  if (d === 0 || d === 180) return 0
  if (d === 90) return 1
  if (d === 270) return -1
  return Math.sin(d * DEG)
}
export const cosd = (deg: number) => sind(deg + 90)
export const tand = (deg: number) => Math.tan(deg * DEG)
