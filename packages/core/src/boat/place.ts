import type { Measurable, Structure } from '../base/materials/structure'
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
}
export const spotBoat = (b: { displacementKg: number; beamMm: number; rig?: string | null }): SpotBoat => ({
  displacementKg: b.displacementKg,
  beamM: b.beamMm / 1000,
  rig: RIGS.find((r) => r === b.rig) ?? null,
})

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
