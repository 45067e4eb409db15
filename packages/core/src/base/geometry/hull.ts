import type { Point } from './outline'

const turn = (o: Point, a: Point, b: Point) =>
  (a.xMm - o.xMm) * (b.yMm - o.yMm) - (a.yMm - o.yMm) * (b.xMm - o.xMm)
const half = (points: Point[]): Point[] => {
  const out: Point[] = []
  for (const p of points) {
    while (out.length > 1 && turn(out.at(-2)!, out.at(-1)!, p) <= 1e-9) out.pop()
    out.push(p)
  }
  return out.slice(0, -1)
}
/** The corners round a set of points, in turn: of points in a line its two ends, of one point itself. */
export function hullOf(points: Point[]): Point[] {
  const sorted = [...points].sort((a, b) => a.xMm - b.xMm || a.yMm - b.yMm)
  const unique = sorted.filter(
    (p, i) => i === 0 || p.xMm !== sorted[i - 1]!.xMm || p.yMm !== sorted[i - 1]!.yMm,
  )
  if (unique.length < 3) return unique
  return [...half(unique), ...half([...unique].reverse())]
}
/**
 * The line that runs round the corners at a distance, as points: arcs at the corners, straight between.
 * @param parts of a whole circle
 */
export function roundAt(corners: Point[], r: number, parts = 72): { x: number; y: number }[] {
  const n = corners.length
  return corners.flatMap((p, i) => {
    const [before, after] = [corners[(i + n - 1) % n]!, corners[(i + 1) % n]!]
    const normal = (a: Point, b: Point) => Math.atan2(b.yMm - a.yMm, b.xMm - a.xMm) - Math.PI / 2
    const from = n === 1 ? 0 : normal(before, p)
    let to = n === 1 ? 2 * Math.PI : normal(p, after)
    while (to < from - 1e-9) to += 2 * Math.PI
    const steps = Math.max(1, Math.ceil(((to - from) / (2 * Math.PI)) * parts))
    return Array.from({ length: steps + 1 }, (_, k) => {
      const a = from + ((to - from) * k) / steps
      return { x: p.xMm + r * Math.cos(a), y: p.yMm + r * Math.sin(a) }
    })
  })
}
