import type { Measurable, Structure } from '../base/materials/structure'
import type { Units } from '../base/quantity/parse'
import type { Duty } from '../base/verdict/factors'
import type { Measure } from './where'

/** What sails where: by it a boat's righting moment is guessed (chapter 18.4). */
export const RIGS = ['sloop', 'two-mast', 'mizzen', 'multihull', 'steadying'] as const
export type Rig = (typeof RIGS)[number]
/** What a starting load asks of the boat; her rig null where nobody has said. */
export interface SpotBoat {
  displacementKg: number
  beamM: number
  rig: Rig | null
  /** what she is measured and bought for in */
  units?: Units
  /** days until she is launched; null while nobody has said, or where the day is past */
  daysToLaunch?: number | null
}
const DAY_MS = 86_400_000
/** `now`: milliseconds since 1970, where the day of the launch counts. */
export const spotBoat = (
  b: { displacementKg: number; beamMm: number; rig?: string | null; launchOn?: string | null; units?: Units },
  now?: number,
): SpotBoat => ({
  displacementKg: b.displacementKg,
  beamM: b.beamMm / 1000,
  rig: RIGS.find((r) => r === b.rig) ?? null,
  ...(b.units ? { units: b.units } : {}),
  ...(b.launchOn && now !== undefined ? { daysToLaunch: daysUntil(b.launchOn, now) } : {}),
})
/** Her own figures, for what floods her. */
export const ownFigures = (b: { lengthMm: number; beamMm: number; displacementKg: number }) => ({
  lengthMm: b.lengthMm,
  beamMm: b.beamMm,
  displacementKg: b.displacementKg,
})
/** The day she is launched, and how many whole days are left. */
export interface Launch {
  on: string
  inDays: number
}
/** Null while nobody has said, or where the day is past. `now`: milliseconds since 1970. */
export function launchOf(on: string | null | undefined, now: number): Launch | null {
  const inDays = on ? daysUntil(on, now) : null
  return on && inDays !== null ? { on, inDays } : null
}
function daysUntil(date: string, now: number): number | null {
  const days = Math.floor((Date.parse(`${date}T23:59:59Z`) - now) / DAY_MS)
  return days >= 0 ? days : null
}

/** A place on the boat, with what is known of it there: where a fitting is started. */
export interface Spot {
  zone: string | null
  xMm: number
  yMm: number
  zMm: number
  edgeMm: number | null
  belowWaterline: boolean
  structure: Structure
  measured: Measurable[]
  duty: Duty
  measuredFrom?: Measure[]
  boat?: SpotBoat
}
