import { halfBreadthOf } from '../boat/where'

/** A point of a line along the boat, boat coordinates, mm. */
export interface Pt3 {
  xMm: number
  yMm: number
  zMm: number
}
const STEP_MM = 100
/**
 * The deck's edge as a line, to set a row out on or to seal a joint along: so far in from it, from one x to
 * another.
 * @param inMm in from the edge, athwartships
 */
export function edgePath(
  stations: { xMm: number; halfBreadthMm: number; sheerMm: number }[],
  side: 'port' | 'starboard',
  fromX: number,
  toX: number,
  inMm: number,
): Pt3[] {
  const { halfBreadthAt } = halfBreadthOf(stations)
  const sheer = halfBreadthOf(stations.map((s) => ({ xMm: s.xMm, halfBreadthMm: s.sheerMm })))
  const n = Math.max(1, Math.ceil(Math.abs(toX - fromX) / STEP_MM))
  const sign = side === 'port' ? -1 : 1
  return Array.from({ length: n + 1 }, (_, i) => {
    const xMm = fromX + ((toX - fromX) * i) / n
    return {
      xMm: Math.round(xMm * 10) / 10,
      yMm: Math.round(sign * Math.max(0, halfBreadthAt(xMm) - inMm) * 10) / 10,
      zMm: Math.round(sheer.halfBreadthAt(xMm) * 10) / 10,
    }
  })
}
const gap = (a: Pt3, b: Pt3) => Math.hypot(b.xMm - a.xMm, b.yMm - a.yMm, b.zMm - a.zMm)
export const lengthOf = (path: Pt3[]): number =>
  path.slice(1).reduce((sum, p, i) => sum + gap(path[i]!, p), 0)

/** Points along a line, so many millimetres apart, each with its own distance from the first end. */
export function walked(path: Pt3[], everyMm: number): (Pt3 & { sMm: number })[] {
  const out: (Pt3 & { sMm: number })[] = []
  let s = 0
  for (let i = 1; i < path.length; i++) {
    const [a, b] = [path[i - 1]!, path[i]!]
    const d = gap(a, b)
    const n = Math.max(1, Math.ceil(d / everyMm))
    for (let k = i === 1 ? 0 : 1; k <= n; k++) {
      const f = k / n
      out.push({
        xMm: a.xMm + f * (b.xMm - a.xMm),
        yMm: a.yMm + f * (b.yMm - a.yMm),
        zMm: a.zMm + f * (b.zMm - a.zMm),
        sMm: s + f * d,
      })
    }
    s += d
  }
  return out
}
/** Where on the line the nearest point to a place lies, and how far off it is, seen from above. */
export function along(path: Pt3[], at: { xMm: number; yMm: number }): { sMm: number; offMm: number } {
  let best = { sMm: 0, offMm: Infinity }
  let s = 0
  for (let i = 1; i < path.length; i++) {
    const [a, b] = [path[i - 1]!, path[i]!]
    const [dx, dy] = [b.xMm - a.xMm, b.yMm - a.yMm]
    const flat = dx * dx + dy * dy
    const f = flat ? Math.max(0, Math.min(1, ((at.xMm - a.xMm) * dx + (at.yMm - a.yMm) * dy) / flat)) : 0
    const offMm = Math.hypot(at.xMm - a.xMm - f * dx, at.yMm - a.yMm - f * dy)
    const d = gap(a, b)
    if (offMm < best.offMm) best = { sMm: s + f * d, offMm }
    s += d
  }
  return best
}

/** The edge of a closed outline from one of its corners to another, in its own order, so far in from it. */
export function outlineRun(
  outline: { xMm: number; yMm: number }[],
  from: number,
  to: number,
  inMm: number,
): { xMm: number; yMm: number }[] {
  const n = outline.length
  const at = (i: number) => outline[((i % n) + n) % n]!
  const turns = outline.reduce((sum, p, i) => sum + p.xMm * at(i + 1).yMm - at(i + 1).xMm * p.yMm, 0)
  const side = turns >= 0 ? 1 : -1
  const steps = (((to - from) % n) + n) % n || n
  /** Inward of the side that begins at a corner. */
  const normal = (i: number) => {
    const [a, b] = [at(i), at(i + 1)]
    const long = Math.hypot(b.xMm - a.xMm, b.yMm - a.yMm) || 1
    return { x: (-side * (b.yMm - a.yMm)) / long, y: (side * (b.xMm - a.xMm)) / long }
  }
  return Array.from({ length: steps + 1 }, (_, k) => {
    const i = from + k
    const p = at(i)
    const own = k === steps ? normal(i - 1) : normal(i)
    const before = k === 0 ? own : normal(i - 1)
    // At a corner both sides move in: the point goes along their bisector.
    const dot = 1 + own.x * before.x + own.y * before.y
    const [bx, by] = dot < SHARP ? [own.x, own.y] : [(own.x + before.x) / dot, (own.y + before.y) / dot]
    const round = (v: number) => Math.round(v * 10) / 10
    return { xMm: round(p.xMm + bx * inMm), yMm: round(p.yMm + by * inMm) }
  })
}
/** A corner sharper than this has no bisector worth the name. */
const SHARP = 0.2
