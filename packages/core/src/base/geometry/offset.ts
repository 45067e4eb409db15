import { distanceToSegment, insidePolygon, type Point } from './outline'

/**
 * An outline as straight runs joined by corners, walked counter-clockwise; each corner turns by `turnDeg`
 * (negative: inwards).
 */
export interface Walk {
  runs: { from: Point; dir: { x: number; y: number }; lengthMm: number }[]
  /** turning in radians at the end of each run */
  turns: number[]
  /** radius of each corner of the outline itself */
  radiusMm: number
  area: number
  perimeter: number
}

const cross = (o: Point, a: Point, b: Point) =>
  (a.xMm - o.xMm) * (b.yMm - o.yMm) - (a.yMm - o.yMm) * (b.xMm - o.xMm)
const signedArea = (ps: Point[]) =>
  ps.reduce((s, p, i) => s + p.xMm * ps[(i + 1) % ps.length]!.yMm - ps[(i + 1) % ps.length]!.xMm * p.yMm, 0) /
  2

/** True when two edges that are not neighbours touch. */
export function crossesItself(ps: Point[]): boolean {
  const n = ps.length
  for (let i = 0; i < n; i++)
    for (let j = i + 1; j < n; j++) {
      const [a, b, c, d] = [ps[i]!, ps[(i + 1) % n]!, ps[j]!, ps[(j + 1) % n]!]
      const neighbours = j === i + 1 || (i === 0 && j === n - 1)
      if (neighbours) {
        const [p, q, r] = j === i + 1 ? [a, b, d] : [b, a, c]
        // A spike that folds back on itself.
        if (
          Math.abs(cross(p!, q!, r!)) < 1e-9 &&
          (p!.xMm - q!.xMm) * (r!.xMm - q!.xMm) + (p!.yMm - q!.yMm) * (r!.yMm - q!.yMm) > 0
        )
          return true
        continue
      }
      const [d1, d2, d3, d4] = [cross(a, b, c), cross(a, b, d), cross(c, d, a), cross(c, d, b)]
      if (d1 * d2 < 0 && d3 * d4 < 0) return true
      if (
        [
          [c, a, b],
          [d, a, b],
          [a, c, d],
          [b, c, d],
        ].some(([p, q, r]) => distanceToSegment(p!, q!, r!) < 1e-9)
      )
        return true
    }
  return false
}

export function walkPolygon(points: Point[]): Walk {
  const area = signedArea(points)
  const ps = area > 0 ? points : [points[0]!, ...points.slice(1).reverse()]
  const runs = ps.map((from, i) => {
    const to = ps[(i + 1) % ps.length]!
    const lengthMm = Math.hypot(to.xMm - from.xMm, to.yMm - from.yMm)
    return { from, dir: { x: (to.xMm - from.xMm) / lengthMm, y: (to.yMm - from.yMm) / lengthMm }, lengthMm }
  })
  const turns = runs.map((r, i) => {
    const next = runs[(i + 1) % runs.length]!
    return Math.atan2(
      r.dir.x * next.dir.y - r.dir.y * next.dir.x,
      r.dir.x * next.dir.x + r.dir.y * next.dir.y,
    )
  })
  return {
    runs,
    turns,
    radiusMm: 0,
    area: Math.abs(area),
    perimeter: runs.reduce((s, r) => s + r.lengthMm, 0),
  }
}

export function walkRectangle(l: number, w: number, R: number): Walk {
  const [a, b] = [l - 2 * R, w - 2 * R]
  return {
    runs: [
      { from: { xMm: l / 2, yMm: -b / 2 }, dir: { x: 0, y: 1 }, lengthMm: b },
      { from: { xMm: a / 2, yMm: w / 2 }, dir: { x: -1, y: 0 }, lengthMm: a },
      { from: { xMm: -l / 2, yMm: b / 2 }, dir: { x: 0, y: -1 }, lengthMm: b },
      { from: { xMm: -a / 2, yMm: -w / 2 }, dir: { x: 1, y: 0 }, lengthMm: a },
    ],
    turns: [0, 1, 2, 3].map(() => Math.PI / 2),
    radiusMm: R,
    area: l * w - (4 - Math.PI) * R * R,
    perimeter: 2 * (a + b) + 2 * Math.PI * R,
  }
}

/** At an inward corner the two offset lines meet this far before the corner. */
const trim = (turn: number, r: number) => (turn < 0 ? r * Math.tan(-turn / 2) : 0)

export interface OffsetRun {
  from: Point
  dir: { x: number; y: number }
  lengthMm: number
}
/** The outline moved outwards by r: straight runs, and the arc after each (0 at an inward corner). */
export function offsetWalk(w: Walk, r: number): { runs: OffsetRun[]; arcs: number[]; sound: boolean } {
  const n = w.runs.length
  const runs = w.runs.map((run, i) => {
    const before = trim(w.turns[(i + n - 1) % n]!, r)
    const after = trim(w.turns[i]!, r)
    return {
      from: {
        xMm: run.from.xMm + r * run.dir.y + before * run.dir.x,
        yMm: run.from.yMm - r * run.dir.x + before * run.dir.y,
      },
      dir: run.dir,
      lengthMm: run.lengthMm - before - after,
    }
  })
  return {
    runs,
    arcs: w.turns.map((t) => (t > 0 ? t * (w.radiusMm + r) : 0)),
    sound: runs.every((x) => x.lengthMm >= -1e-9),
  }
}

/**
 * Area of all points outside the outline and within r of it, and the length of its outer line: each strip
 * and fan once.
 */
export function offsetArea(w: Walk, r: number, points: Point[] | null): { area: number; length: number } {
  const o = offsetWalk(w, r)
  const concave = w.turns.some((t) => t < 0)
  if (!concave) return { area: w.perimeter * r + Math.PI * r * r, length: w.perimeter + 2 * Math.PI * r }
  if (o.sound && points && !narrow(points, r)) {
    const area =
      w.runs.reduce((s, x) => s + x.lengthMm * r, 0) +
      w.turns.reduce((s, t) => s + (t > 0 ? (t * r * r) / 2 : -r * r * Math.tan(-t / 2)), 0)
    return { area, length: o.runs.reduce((s, x) => s + x.lengthMm, 0) + o.arcs.reduce((s, a) => s + a, 0) }
  }
  const h = r * 1e-3
  return { area: scanned(points!, r), length: (scanned(points!, r + h) - scanned(points!, r - h)) / (2 * h) }
}

/** Whether the offset of one part may run into another, so that strips would count twice. */
function narrow(ps: Point[], r: number): boolean {
  const n = ps.length
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) {
      if (j === i || (j + 1) % n === i) continue
      if (distanceToSegment(ps[i]!, ps[j]!, ps[(j + 1) % n]!) < 2 * r) {
        const mid = {
          xMm: (ps[i]!.xMm + (ps[j]!.xMm + ps[(j + 1) % n]!.xMm) / 2) / 2,
          yMm: (ps[i]!.yMm + (ps[j]!.yMm + ps[(j + 1) % n]!.yMm) / 2) / 2,
        }
        if (!insidePolygon(ps, mid)) return true
      }
    }
  return false
}

const LINES = 6000
/**
 * The same area where parts of the offset meet: on each scan line the exact union of strips and discs,
 * less the outline.
 */
function scanned(ps: Point[], r: number): number {
  const ys = ps.map((p) => p.yMm)
  const [y0, y1] = [Math.min(...ys) - r, Math.max(...ys) + r]
  const dy = (y1 - y0) / LINES
  let area = 0
  for (let k = 0; k < LINES; k++) {
    const y = y0 + (k + 0.5) * dy
    const spans: [number, number][] = []
    ps.forEach((a, i) => {
      const b = ps[(i + 1) % ps.length]!
      const d = y - a.yMm
      if (Math.abs(d) < r) spans.push([a.xMm - Math.sqrt(r * r - d * d), a.xMm + Math.sqrt(r * r - d * d)])
      const l = Math.hypot(b.xMm - a.xMm, b.yMm - a.yMm)
      const nx = (-(b.yMm - a.yMm) / l) * r
      const ny = ((b.xMm - a.xMm) / l) * r
      const xs: number[] = []
      const quad = [
        [a.xMm + nx, a.yMm + ny],
        [b.xMm + nx, b.yMm + ny],
        [b.xMm - nx, b.yMm - ny],
        [a.xMm - nx, a.yMm - ny],
      ] as const
      quad.forEach(([px, py], q) => {
        const [qx, qy] = quad[(q + 1) % 4]!
        if (py > y !== qy > y) xs.push(px + ((y - py) / (qy - py)) * (qx - px))
      })
      if (xs.length === 2) spans.push([Math.min(...xs), Math.max(...xs)])
    })
    const inside: number[] = []
    ps.forEach((a, i) => {
      const b = ps[(i + 1) % ps.length]!
      if (a.yMm > y !== b.yMm > y) inside.push(a.xMm + ((y - a.yMm) / (b.yMm - a.yMm)) * (b.xMm - a.xMm))
    })
    inside.sort((p, q) => p - q)
    let own = 0
    for (let i = 0; i + 1 < inside.length; i += 2) {
      own += inside[i + 1]! - inside[i]!
      spans.push([inside[i]!, inside[i + 1]!])
    }
    spans.sort((p, q) => p[0] - q[0])
    let [all, end] = [0, -Infinity]
    for (const [s, e] of spans) {
      if (e <= end) continue
      all += e - Math.max(s, end)
      end = e
    }
    area += (all - own) * dy
  }
  return area
}
