import type { BoatPart, BoatZone } from '../../boat/spot'
import { boundsOf } from '../../base/geometry/outline'
import type { Design } from './design'
import { CLEAR_MM, fieldRound, runsAcross, runsAlong, type Field, type Room } from '../../boat/field'
import { planOfBase, planOfPlate } from './plans'
import { cornersOnBoat, cosSin, toBoat } from '../../base/geometry/turn'

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

/** The nearest stiffeners all round that do not run under the fitting, and those that do. */
export const fieldAround = (d: Design, zone: BoatZone | null, parts: BoatPart[]): Field =>
  fieldRound(d.place, footprint(d), zone, parts)

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
    if ((runsAcross(p) || (p.kind === 'knee' && Math.abs(p.x1Mm - p.x0Mm) <= 2)) && beside(p))
      take(p.x0Mm - xMm, half, 'minX', 'maxX')
    if (runsAlong(p) && xMm > Math.min(p.x0Mm, p.x1Mm) && xMm < Math.max(p.x0Mm, p.x1Mm))
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
