import type { BoatPart, BoatZone } from '../../boat/spot'
import { boundsOf } from '../../base/geometry/outline'
import type { Design } from './design'
import type { Field, Room } from './field'
import { planOfBase, planOfPlate } from './plans'
import { cornersOnBoat, cosSin, toBoat } from '../../base/geometry/turn'

const USUAL_FIELD_MM = 310
const CLEAR_MM = 5
const across = (p: BoatPart) => (p.kind === 'beam' || p.kind === 'bulkhead') && Math.abs(p.x1Mm - p.x0Mm) <= 2
const along = (p: BoatPart) =>
  (p.kind === 'longitudinal' || p.kind === 'bulkhead') &&
  Math.abs(p.y1Mm - p.y0Mm) <= 2 &&
  Math.abs(p.x1Mm - p.x0Mm) > 2

/** Base and plate together, as they stand on the boat. */
const footprint = (d: Design) => {
  const plans = [boundsOf(planOfBase(d.base)), ...(d.plate ? [boundsOf(planOfPlate(d.plate))] : [])]
  // A disc is as wide whichever way it is turned.
  return boundsOf({
    outline: plans.flatMap((b, i) =>
      cornersOnBoat(i === 0 && 'diameterMm' in d.base ? { headingDeg: 0 } : d, b),
    ),
  })
}

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

/** The nearest stiffeners all round that do not run under the fitting, and those that do. */
export function fieldAround(d: Design, zone: BoatZone | null, parts: BoatPart[]): Field {
  const f = footprint(d)
  const { xMm, yMm } = d.place
  const flat = zone && (zone.face === 'deck' || zone.face === 'roof')
  const edges = flat ? boundsOf({ outline: zone.outline }) : null
  const xs = parts
    .filter(across)
    .map((p) => ({ at: p.x0Mm - xMm, name: `${p.title.toLowerCase()} at x ${Math.round(p.x0Mm)}` }))
  const ys = parts
    .filter((p) => along(p) && xMm > Math.min(p.x0Mm, p.x1Mm) && xMm < Math.max(p.x0Mm, p.x1Mm))
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

const OPEN_MM = 1e6
/** Between the nearest members on each side of the bolts, in the boat's directions. */
function clearOnBoat(d: Design, parts: BoatPart[]): Room {
  const on = d.bolts.map((b) => toBoat(d, b))
  const bolts = boundsOf({ outline: [...on, ...on, ...on] })
  const { xMm, yMm } = d.place
  const room = { minX: -OPEN_MM, maxX: OPEN_MM, minY: -OPEN_MM, maxY: OPEN_MM }
  const take = (at: number, half: number, low: 'minX' | 'minY', high: 'maxX' | 'maxY') => {
    if (at <= bolts[low]) room[low] = Math.max(room[low], at + half)
    else if (at >= bolts[high]) room[high] = Math.min(room[high], at - half)
  }
  const beside = (p: BoatPart) =>
    Math.abs(p.y1Mm - p.y0Mm) <= 2 ||
    (yMm > Math.min(p.y0Mm, p.y1Mm) - 200 && yMm < Math.max(p.y0Mm, p.y1Mm) + 200)
  for (const p of parts) {
    const half = (p.widthMm ?? 40) / 2 + CLEAR_MM
    if ((across(p) || (p.kind === 'knee' && Math.abs(p.x1Mm - p.x0Mm) <= 2)) && beside(p))
      take(p.x0Mm - xMm, half, 'minX', 'maxX')
    if (along(p) && xMm > Math.min(p.x0Mm, p.x1Mm) && xMm < Math.max(p.x0Mm, p.x1Mm))
      take(p.y0Mm - yMm, half, 'minY', 'maxY')
  }
  return room
}

/**
 * Clear space for a plate, on the casting's own axes: up to the nearest member past the bolts, less half its
 * width. Null where nothing is in the way. Of a casting that stands askew the square that fits between them
 * whichever way it is turned: less than there is, never more.
 */
export function roomAround(d: Design, parts: BoatPart[]): Room | null {
  const room = clearOnBoat(d, parts)
  if (!Object.values(room).some((v) => Math.abs(v) < OPEN_MM)) return null
  if (d.headingDeg === 0) return room
  const [c, s] = cosSin(d.headingDeg)
  if (c !== 0 && s !== 0) {
    const half = Math.min(...Object.values(room).map(Math.abs)) / (Math.abs(c) + Math.abs(s))
    return { minX: -half, maxX: half, minY: -half, maxY: half }
  }
  return boundsOf({ outline: cornersOnBoat({ headingDeg: -d.headingDeg }, room) })
}
