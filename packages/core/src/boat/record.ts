import type { LifeState } from './life'
import type { BoatHole } from './spot'

/** One hole of a boat as the register shows it: what it is, and where it stands in its life. */
export interface HoleRow {
  id: number
  number: number
  label: string
  fittingId: string | null
  /** of which kind that fitting is; null for a hole that nothing stands in */
  fittingKind: string | null
  /** which part of it: bolt 1, bore, pipe */
  part: string | null
  /** which bolt of its fitting; null for a bore, a pipe, or a hole that was found */
  boltIndex: number | null
  whatFor: string
  /** what its zone is called now */
  zone: string
  /** null where it stands in none that the boat has */
  zoneCode: string | null
  xMm: number
  yMm: number
  zMm: number
  diameterMm: number
  through: string
  fastener: string
  plate: string
  coreSchool: string
  sealant: string | null
  belowWaterline: boolean
  found: boolean
  acrossMm: number | null
  /** of the longer way of an oval hole: 0 fore and aft, positive turning to starboard; null if not known */
  directionDeg: number | null
  foundKind: string | null
  measuredFrom: string
  state: LifeState
  since: string
  who: string
  gatesPassed: number
  /** kept by mistake and taken back: why, and by whom; it counts no more */
  withdrawnWhy: string | null
  withdrawnBy: string | null
}
/** A hole as what stands round a fitting, read from the register. */
export const plainHole = (
  h: Pick<HoleRow, 'label' | 'xMm' | 'yMm' | 'zMm' | 'diameterMm' | 'state' | 'zoneCode' | 'fittingId'>,
): BoatHole => ({
  label: h.label,
  xMm: h.xMm,
  yMm: h.yMm,
  zMm: h.zMm,
  diameterMm: h.diameterMm,
  state: h.state,
  ...(h.zoneCode === null ? {} : { zone: h.zoneCode }),
  taken: h.fittingId !== null,
})
/** A reading of a simulated instrument. */
export interface InstrumentReading {
  /** counts up; a stream that was lost goes on after it */
  n: number
  instrument: string
  simulated: true
  at: string
  value: number
  unit: string
  airC?: number
  humidityPct?: number
  surfaceC?: number
}

/**
 * How the long way of an oval hole lies, in words; degrees from fore and aft, positive turning to
 * starboard.
 */
export function wayOf(directionDeg: number): string {
  const deg = Math.abs(directionDeg)
  if (deg < 0.5) return 'lying fore and aft'
  if (deg > 89.5) return 'lying athwartships'
  const side = directionDeg > 0 ? 'starboard' : 'port'
  return `lying ${Number(deg.toFixed(1))}\u00b0 to ${side} of fore and aft`
}
