/** Clear space round the base's centre, between what stands below the deck; a plate is clipped to it. */
export interface Room {
  minX: number
  maxX: number
  minY: number
  maxY: number
}
/** The field of deck between its stiffeners, round the base's centre. */
export interface Field extends Room {
  /** members that run under the fitting itself: the deck is held by them, `at` from the base's centre */
  under: { axis: 'x' | 'y'; atMm: number; title: string }[]
  /** where nothing was known and the zone's own edge, or a usual distance, stands for a stiffener */
  assumed: string[]
}
