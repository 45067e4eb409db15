import { distanceToSegment } from '../../base/geometry/outline'
import type { BoatPart } from '../../boat/spot'
import type { ThroughHullDesign } from './design'
import type { ThroughHullAround } from './placing'

/**
 * What stands in the plane of a valve's handle, as a segment in the valve's frame: x aft, y to starboard,
 * from its stem.
 */
export interface Obstacle {
  x1Mm: number
  y1Mm: number
  x2Mm: number
  y2Mm: number
  what: string
  /** another valve, or its handle */
  neighbour?: boolean
  /** drawn on the boat's map */
  map?: boolean
}
const CIRCLE = 12
const ROOM_MM = 60

/** A neighbouring valve as segments in this one's frame: its body, and its handle open and shut. */
export function neighbourObstacles(
  d: ThroughHullDesign,
  around: Pick<ThroughHullAround, 'others'>,
): Obstacle[] {
  if (!d.valve) return []
  return around.others.flatMap((o) => {
    const v = o.design.valve
    const [x, y] = [o.design.place.xMm - d.place.xMm, o.design.place.yMm - d.place.yMm]
    if (!v || Math.hypot(x, y) > d.valve!.handleMm + v.handleMm + ROOM_MM) return []
    const r = v.boreMm * 0.8
    const body = Array.from({ length: CIRCLE }, (_, i) => {
      const at = (k: number) =>
        [x + r * Math.cos((2 * Math.PI * k) / CIRCLE), y + r * Math.sin((2 * Math.PI * k) / CIRCLE)] as const
      const [[x1, y1], [x2, y2]] = [at(i), at(i + 1)]
      return { x1Mm: x1, y1Mm: y1, x2Mm: x2, y2Mm: y2, what: o.name, neighbour: true }
    })
    const arm = (deg: number) => ({
      x1Mm: x,
      y1Mm: y,
      x2Mm: x + v.handleMm * Math.cos((deg * Math.PI) / 180),
      y2Mm: y + v.handleMm * Math.sin((deg * Math.PI) / 180),
      what: `${o.name}, handle`,
      neighbour: true,
    })
    return [...body, arm(o.design.clock.wantedDeg), arm(o.design.clock.wantedDeg + v.sweepDeg)]
  })
}

const SOLID: BoatPart['kind'][] = ['beam', 'longitudinal', 'bulkhead', 'knee', 'tank']
/**
 * Beams, longitudinals, bulkheads, knees and tanks of the map within reach of the handle. The map is flat:
 * whether each reaches up to the handle is for the fitter to say, and until he says no it counts.
 */
export function mapObstacles(d: ThroughHullDesign, parts: BoatPart[]): Obstacle[] {
  if (!d.valve) return []
  const reach = d.valve.handleMm + ROOM_MM
  const far = 2 * reach
  return parts.flatMap((p) => {
    // A beam carries the deck, far over a valve under water.
    if (!SOLID.includes(p.kind) || (p.kind === 'beam' && d.place.zMm < 0)) return []
    const across = Math.abs(p.y1Mm - p.y0Mm) <= 2 && p.kind !== 'longitudinal'
    const [x0, x1] = [p.x0Mm - d.place.xMm, p.x1Mm - d.place.xMm]
    const [y0, y1] = across ? [-far, far] : [p.y0Mm - d.place.yMm, p.y1Mm - d.place.yMm]
    const lines =
      p.kind === 'tank'
        ? [
            [x0, y0, x1, y0],
            [x0, y1, x1, y1],
            [x0, y0, x0, y1],
            [x1, y0, x1, y1],
          ]
        : [[x0, y0, x1, y1]]
    return lines.flatMap(([a, b, e, f]) =>
      distanceToSegment({ xMm: 0, yMm: 0 }, { xMm: a!, yMm: b! }, { xMm: e!, yMm: f! }) < reach
        ? [{ ...cut([a!, b!, e!, f!], far), what: p.title.toLowerCase(), map: true }]
        : [],
    )
  })
}
/** The piece of a long line that lies in the square around the valve, so that its direction is kept. */
function cut([x1, y1, x2, y2]: [number, number, number, number], far: number) {
  const [dx, dy] = [x2 - x1, y2 - y1]
  let [from, to] = [0, 1]
  for (const [at, step] of [
    [x1, dx],
    [y1, dy],
  ] as const) {
    if (Math.abs(step) < 1e-9) continue
    const [a, b] = [(-far - at) / step, (far - at) / step]
    from = Math.max(from, Math.min(a, b))
    to = Math.min(to, Math.max(a, b))
  }
  return { x1Mm: x1 + from * dx, y1Mm: y1 + from * dy, x2Mm: x1 + to * dx, y2Mm: y1 + to * dy }
}
