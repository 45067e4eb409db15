import type { LoadDirection } from '../../chapters/load/design-load'
import type { Point } from '../../base/geometry/outline'
import { cosSin } from '../../base/geometry/turn'

/** Nearer than this two bolts stand in one place, mm, and two directions are one, degrees. */
const NEAR_MM = 1e-7
const NEAR_DEG = 1e-6
/** more than there are of them all round */
const STEPS_ROUND = 1e9

/** A pattern laid over itself: turned by an angle, and mirrored over the base's length before that or not. */
interface Motion {
  turnDeg: number
  mirrored: boolean
}
type Footing = { lengthMm: number; widthMm: number } | { diameterMm: number }

/** What else has a direction of its own on the deck, and is another when a load is turned or mirrored. */
export interface Beside {
  /** a doubler, which lies as the base does */
  doubler?: { lengthMm: number; widthMm: number } | null
  /** timber whose grain is known: to it a push and its opposite are one */
  grain?: boolean
}
const MIRRORED_ON = [false, true]
function allowed({ turnDeg, mirrored }: Motion, { doubler, grain }: Beside): boolean {
  if (turnDeg % 180 !== 0 && doubler && (turnDeg % 90 !== 0 || doubler.lengthMm !== doubler.widthMm))
    return false
  return !grain || (!mirrored && turnDeg % 180 === 0)
}
/** Every motion that leaves a base where it was: of a disc those that its bolts could follow. */
function ofBase(footing: Footing, bolts: number): Motion[] {
  const turns =
    'diameterMm' in footing
      ? Array.from({ length: 2 * bolts }, (_, i) => (180 * i) / bolts)
      : footing.lengthMm === footing.widthMm
        ? [0, 90, 180, 270]
        : [0, 180]
  return turns.flatMap((turnDeg) => MIRRORED_ON.map((mirrored) => ({ turnDeg, mirrored })))
}
function fallsOnItself(bolts: Point[], { turnDeg, mirrored }: Motion): boolean {
  const [c, s] = cosSin(turnDeg)
  return bolts.every(({ xMm, yMm }) => {
    const y = mirrored ? -yMm : yMm
    const at = { xMm: xMm * c - y * s, yMm: xMm * s + y * c }
    return bolts.some((o) => Math.abs(o.xMm - at.xMm) < NEAR_MM && Math.abs(o.yMm - at.yMm) < NEAR_MM)
  })
}
const round = (deg: number) => ((deg % 360) + 360) % 360

/**
 * Of the directions of a sweep those that differ, in their order: straight up is one, however often it is
 * turned round; and where bolts, base and the load's point fall on themselves when mirrored or turned, what
 * a load so mirrored does is the same figures on other bolts.
 */
export function differing(
  directions: LoadDirection[],
  footing: Footing,
  bolts: Point[],
  point: { x: number; y: number },
  beside: Beside = {},
): LoadDirection[] {
  if (directions.length < 2) return directions
  const at = [{ xMm: point.x, yMm: point.y }]
  const motions = ofBase(footing, bolts.length).filter(
    (m) => allowed(m, beside) && fallsOnItself(at, m) && fallsOnItself(bolts, m),
  )
  const seen = new Set<number>()
  // All that rise alike are a ring; what tells one ring from another is said once.
  const rings = new Map<string, number>()
  const byRise = new Map<number, { flat: number; ring: number }>()
  return directions.filter((q) => {
    const inPlane = Math.sqrt(q.alongN * q.alongN + q.acrossN * q.acrossN)
    const upright = inPlane <= 1e-9 * Math.sqrt(inPlane * inPlane + q.outN * q.outN)
    const flat = Math.round(inPlane * 1e4)
    let at = byRise.get(q.outN)
    if (at?.flat !== flat) {
      const said = `${flat}|${q.outN.toPrecision(10)}`
      at = { flat, ring: rings.get(said) ?? rings.set(said, rings.size).size - 1 }
      byRise.set(q.outN, at)
    }
    let step = -1
    if (!upright) {
      let least = 360
      const deg = (Math.atan2(q.acrossN, q.alongN) * 180) / Math.PI
      for (const m of motions)
        least = Math.min(least, round((m.mirrored ? -deg : deg) + m.turnDeg + NEAR_DEG / 2))
      step = Math.floor(least / NEAR_DEG)
    }
    const key = step + at.ring * STEPS_ROUND
    return seen.size !== seen.add(key).size
  })
}
