import type { Standing } from '../../chapters/deck/joint-parts'
import { jointSnug } from '../../chapters/deck/joint-snug'
import { tighteningOf, type Tightening } from '../../chapters/fastener/tightening'
import type { Design } from './design'
import { isBlind } from './hold'
import { plateLimit, type JointUnderLoad } from './joint'

/**
 * The snug pull of a bolt that deck and plate bear under every load, and which check stops more (3.4,
 * 3.5).
 */
export interface DeckLimit {
  preloadN: number
  limitedBy: string | null
}
/** of two that stop it at the same pull the first is named, whatever the last bit says */
const GRAIN = 1e-12
/** Nothing presses behind: so wide that it never counts. */
const NO_WASHER_MM = 10_000
export function deckLimit(
  d: Design,
  joint: Standing,
  own: { strengthMPa?: number; eMPa?: number },
  loads: JointUnderLoad[],
): DeckLimit {
  const byJoint = jointSnug(isBlind(d) && !d.plate ? { ...joint, washerMm: NO_WASHER_MM } : joint)
  const byPlate = plateLimit(d, loads[0]!.s, own)
  const found: DeckLimit[] = []
  for (const l of loads) {
    found.push(byJoint(l))
    const plate = byPlate?.(l.bolts.map((b) => b.tensionN))
    if (plate && plate.preloadN !== null) found.push({ ...plate, preloadN: plate.preloadN })
  }
  return found.reduce((a, b) => (b.preloadN < a.preloadN * (1 - GRAIN) ? b : a))
}
/** A torque that a wrench is set to, N·m: rounded down, so that no check is short by it. */
const TORQUE_STEP_NM = 0.1
export function tighten(d: Design, limit: DeckLimit): Tightening {
  const given = {
    size: d.bolt.size,
    grade: d.bolt.grade,
    paste: d.bolt.paste,
    nut: isBlind(d) ? ('hex' as const) : d.bolt.nut,
    prevailingNm: isBlind(d) ? null : d.bolt.runDownNm,
    torqueNm: d.bolt.torqueNm,
    deckLimitN: limit.limitedBy === null ? null : limit.preloadN,
  }
  const t = tighteningOf(given)
  if (d.bolt.torqueNm !== null) return t
  const torqueNm = Math.floor(t.preloadTorqueNm / TORQUE_STEP_NM + 1e-9) * TORQUE_STEP_NM
  const part = t.preloadTorqueNm > 0 ? torqueNm / t.preloadTorqueNm : 0
  return { ...t, preloadTorqueNm: torqueNm, torqueNm: torqueNm + t.prevailingNm, preloadN: t.preloadN * part }
}
