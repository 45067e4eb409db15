/**
 * Breaking strength by size (chapter 1.1): N = coefficient · d², d in mm. Estimates, replaced by the
 * maker's figure where there is one.
 */
export const LINES = {
  'nylon-3': { title: 'three-strand nylon', newtonPerMm2: 200 },
  'polyester-3': { title: 'three-strand polyester', newtonPerMm2: 165 },
  'polyester-braid': { title: 'braided polyester', newtonPerMm2: 235 },
  'hmpe-covered': { title: 'braided HMPE, covered', newtonPerMm2: 550 },
  'hmpe-single': { title: 'single-braid HMPE', newtonPerMm2: 900 },
  'wire-1x19': { title: 'stainless wire 1\u00d719', newtonPerMm2: 800 },
  'wire-7x19': { title: 'stainless wire 7\u00d719', newtonPerMm2: 560 },
} as const
export const CHAIN_GRADES = [30, 40, 70] as const
export type RopeId = keyof typeof LINES
export const LINE_IDS = [...(Object.keys(LINES) as RopeId[]), 'chain'] as const
export const LINES_SOURCE = 'chapter 1.1, typical of makers\u2019 tables'
