/**
 * What every template at full size has: its layers, the bar that proves its scale, and the order in which
 * holes are drilled.
 */
export const TEMPLATE_LAYERS = ['CUT', 'DRILL', 'MARK', 'TEXT'] as const
export const CHECK_BAR_MM = 100

export interface DrillRow {
  bolt: number
  xMm: number
  yMm: number
  pilotMm: number
  /** null where the hole is not bored over */
  boreMm: number | null
  finishMm: number
  order: string
  from: string
}
