/**
 * What every template at full size has: its layers, the bar that proves its scale, and the order in which
 * holes are drilled.
 */
export const TEMPLATE_LAYERS = ['CUT', 'DRILL', 'MARK', 'TEXT'] as const
export const CHECK_BAR_MM = 100

export interface DrillRow {
  /** from 1; 0 for a hole that is no bolt's */
  bolt: number
  /** what it is called where it is no bolt's */
  name?: string
  xMm: number
  yMm: number
  pilotMm: number
  /** null where the hole is not bored over */
  boreMm: number | null
  finishMm: number
  order: string
  from: string
}
