/**
 * The largest preload that no check objects to (chapter 3.4): a check may come to 0.90 by it, and one that
 * the load alone has past that only forbids what would raise it. All pressures are straight lines between
 * corners in the preload and never fall, so the answer is exact.
 */
export interface Pressed {
  id: string
  /** utilisation a newton of press, all else standing */
  perNewton: number
  /** the press with no preload, N */
  restN: number
  /** the largest preload at which the press is no more than this, N; Infinity where none is too much */
  preloadFor: (pressN: number) => number
}
const MOST = 0.9
const TOUCHING = 1e-9

/** `capN`: no more than this in any case; null where nothing caps it. */
export function snugOf(pressed: Pressed[], capN: number | null) {
  let preloadN = capN ?? Infinity
  let limitedBy: string | null = null
  for (const p of pressed) {
    if (!(p.perNewton > 0)) continue
    const most = p.preloadFor(Math.max(MOST / p.perNewton, p.restN))
    if (most < preloadN - TOUCHING * Math.max(1, most)) {
      // What is left of a subtraction is no preload.
      preloadN = most > TOUCHING ? most : 0
      limitedBy = p.id
    }
  }
  return { preloadN: preloadN === Infinity ? null : preloadN, limitedBy }
}

/** Bolts of which each presses with the greater of its pull and the preload. */
export function boltsPress(tensionsN: number[]): { restN: number; preloadFor: (pressN: number) => number } {
  const rising = [...tensionsN].sort((a, b) => a - b)
  const restN = rising.reduce((s, t) => s + t, 0)
  return {
    restN,
    // From the least pulled on, each bolt joins those that the preload presses.
    preloadFor: (pressN) => {
      let beyond = restN
      for (const [i, t] of rising.entries()) {
        beyond -= t
        const at = (pressN - beyond) / (i + 1)
        if (at <= (rising[i + 1] ?? Infinity)) return at
      }
      return 0
    },
  }
}
