/**
 * Deadrise from what a level laid across the bottom shows, outboard up, with the cradle's own heel taken
 * out (starboard down is positive, chapter 10.2).
 */
export const deadriseFrom = (shownDeg: number, heelDeg: number, yMm: number): number =>
  shownDeg + (yMm >= 0 ? heelDeg : -heelDeg)
