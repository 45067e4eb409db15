import { boundsOf } from '../base/geometry/outline'
import type { BoatPart, BoatZone } from './spot'

/** Clear space round the fitting's middle, between what stands below the deck; a plate is clipped to it. */
export interface Room {
  minX: number
  maxX: number
  minY: number
  maxY: number
}
/** The field of deck between its stiffeners, round the fitting's middle. */
export interface Field extends Room {
  /** members that run under the fitting itself: the deck is held by them, `at` from its middle */
  under: { axis: 'x' | 'y'; atMm: number; title: string }[]
  /** where nothing was known and the zone's own edge, or a usual distance, stands for a stiffener */
  assumed: string[]
}

const USUAL_FIELD_MM = 310
export const CLEAR_MM = 5
export const runsAcross = (p: BoatPart) =>
  (p.kind === 'beam' || p.kind === 'bulkhead') && Math.abs(p.x1Mm - p.x0Mm) <= 2
export const runsAlong = (p: BoatPart) =>
  (p.kind === 'longitudinal' || p.kind === 'bulkhead') &&
  Math.abs(p.y1Mm - p.y0Mm) <= 2 &&
  Math.abs(p.x1Mm - p.x0Mm) > 2

interface Member {
  at: number
  name: string
}
/** One axis: the nearest member on each side of what stands between, and those under it. */
class Sides {
  readonly under: Field['under'] = []
  readonly assumed: string[] = []

  on(
    axis: 'x' | 'y',
    what: string,
    members: Member[],
    own: [least: number, most: number],
    edge: [low: number, high: number] | null,
  ): [number, number] {
    const [least, most] = [own[0] - CLEAR_MM, own[1] + CLEAR_MM]
    for (const m of members)
      if (m.at > least && m.at < most) this.under.push({ axis, atMm: m.at, title: m.name })
    const low = members.filter((m) => m.at <= least).map((m) => m.at)
    const high = members.filter((m) => m.at >= most).map((m) => m.at)
    return [
      low.length ? Math.max(...low) : this.atEdge(edge?.[0], least, -1, `${what} one side`),
      high.length ? Math.min(...high) : this.atEdge(edge?.[1], most, 1, `${what} other side`),
    ]
  }
  /** Where no member is known: the zone's edge, or a usual distance that nobody has measured. */
  private atEdge(edge: number | undefined, limit: number, sign: -1 | 1, name: string): number {
    if (edge !== undefined && sign * (edge - limit) > 0) return edge
    this.assumed.push(name)
    return limit + sign * USUAL_FIELD_MM
  }
}

/**
 * The nearest stiffeners all round that do not run under what stands at a place, and those that do; `f` is
 * what it covers, from its middle.
 */
export function fieldRound(
  { xMm, yMm }: { xMm: number; yMm: number },
  f: Room,
  zone: BoatZone | null,
  parts: BoatPart[],
): Field {
  const flat = zone && (zone.face === 'deck' || zone.face === 'roof')
  const edges = flat ? boundsOf({ outline: zone.outline }) : null
  const xs = parts
    .filter(runsAcross)
    .map((p) => ({ at: p.x0Mm - xMm, name: `${p.title.toLowerCase()} at x ${Math.round(p.x0Mm)}` }))
  const ys = parts
    .filter((p) => runsAlong(p) && xMm > Math.min(p.x0Mm, p.x1Mm) && xMm < Math.max(p.x0Mm, p.x1Mm))
    .map((p) => ({ at: p.y0Mm - yMm, name: `${p.title.toLowerCase()} at y ${Math.round(p.y0Mm)}` }))
  const sides = new Sides()
  const [minX, maxX] = sides.on(
    'x',
    'beam',
    xs,
    [f.minX, f.maxX],
    edges && [edges.minX - xMm, edges.maxX - xMm],
  )
  const [minY, maxY] = sides.on(
    'y',
    'longitudinal',
    ys,
    [f.minY, f.maxY],
    edges && [edges.minY - yMm, edges.maxY - yMm],
  )
  return { minX, maxX, minY, maxY, under: sides.under, assumed: sides.assumed }
}
