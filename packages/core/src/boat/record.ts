import type { LifeState } from './life'

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
