import type { LeakCandidate, LeakInput } from './leak-shape'
import { six } from './days'

/** How water may come from a candidate to the drip, and how likely that alone makes it (chapter 16.1). */
export interface Way {
  way: 'runs' | 'level' | 'wicks'
  riseMm: number
  pathMm: number
  flowMin: number
  wayFactor: number
  distanceFactor: number
}
const tan = (deg: number) => Math.tan((deg * Math.PI) / 180)
interface At {
  xMm: number
  yMm: number
  zMm: number
}
/** Height as the boat lies, mm. */
export const heightOf = (v: LeakInput, p: At) => p.zMm - p.xMm * tan(v.trimDeg) - p.yMm * tan(v.heelDeg)

/** How far above the drip; by the liner's own slope where that is known. */
function riseOf(v: LeakInput, c: LeakCandidate): number {
  if (!v.inside) return heightOf(v, c) - heightOf(v, v.drip)
  const [dx, dy] = [c.xMm - v.drip.xMm, c.yMm - v.drip.yMm]
  const liner = (v.inside.aftMmPerM * dx + v.inside.starboardMmPerM * dy) / 1000
  return liner - dx * tan(v.trimDeg) - dy * tan(v.heelDeg)
}

type Point = { x: number; y: number }
const side = (a: Point, b: Point, p: Point) => (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)
const apart = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y)
/** Each segment's two ends lie strictly on opposite sides of the other's line. */
const crosses = (a: Point, b: Point, c: Point, d: Point) =>
  six(side(a, b, c)) * six(side(a, b, d)) < 0 && six(side(c, d, a)) * six(side(c, d, b)) < 0

/** Plan distance, and round the nearer end of every dam on the way. */
function pathOf(v: LeakInput, c: LeakCandidate): number {
  const from = { x: c.xMm, y: c.yMm }
  const to = { x: v.drip.xMm, y: v.drip.yMm }
  const straight = apart(from, to)
  return v.dams.reduce((L, dam) => {
    const ends = [
      { x: dam.x1Mm, y: dam.y1Mm },
      { x: dam.x2Mm, y: dam.y2Mm },
    ] as const
    if (!crosses(from, to, ends[0], ends[1])) return L
    return L + Math.min(...ends.map((e) => apart(from, e) + apart(e, to) - straight))
  }, straight)
}

const LEVEL_MM = 10
const SPEED = { runs: 400, level: 150, wicks: 40 }
const SOAK_MIN = 2
const LEAST = 1e-6
export const ELSEWHERE_MIN = 20

export function wayOf(v: LeakInput, c: LeakCandidate): Way {
  const riseMm = riseOf(v, c)
  const pathMm = pathOf(v, c)
  const r = six(riseMm)
  const way = r > LEVEL_MM ? 'runs' : r < -LEVEL_MM ? 'wicks' : 'level'
  const wicked = Math.max(LEAST, 0.1 * Math.exp((riseMm + LEVEL_MM) / 50))
  return {
    way,
    riseMm,
    pathMm,
    flowMin: SOAK_MIN + pathMm / SPEED[way],
    wayFactor: way === 'runs' ? 1 : way === 'level' ? 0.4 : wicked,
    distanceFactor: Math.max(LEAST, Math.exp(-pathMm / 2000)),
  }
}
