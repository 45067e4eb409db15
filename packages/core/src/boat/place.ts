import type { Measurable, Structure } from '../base/materials/structure'
import type { Duty } from '../base/verdict/factors'
import type { Measure } from './where'

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
}
