/** Sizes, grades and stock lengths (chapters 2.1 and 2.2). */
export interface FastenerSize {
  id: string
  system: 'metric' | 'inch'
  diameterMm: number
  pitchMm: number
  clearanceMm: number
  tapDrillMm: number
  hexNutMm: number
  lockingNutMm: number
  plainWasher: { diameterMm: number; thicknessMm: number }
  largeWasher: { diameterMm: number; thicknessMm: number }
  stressAreaMm2: number
}

type MetricRow = [
  d: number,
  pitch: number,
  clearance: number,
  tap: number,
  hex: number,
  locking: number,
  plain: [number, number],
  large: [number, number],
]
const METRIC: MetricRow[] = [
  [4, 0.7, 4.5, 3.3, 3.2, 5.0, [9, 0.8], [12, 1.0]],
  [5, 0.8, 5.5, 4.2, 4.7, 5.0, [10, 1.0], [15, 1.2]],
  [6, 1.0, 6.6, 5.0, 5.2, 6.0, [12, 1.6], [18, 1.6]],
  [8, 1.25, 9.0, 6.8, 6.8, 8.0, [16, 1.6], [24, 2.0]],
  [10, 1.5, 11.0, 8.5, 8.4, 10.0, [20, 2.0], [30, 2.5]],
  [12, 1.75, 13.5, 10.2, 10.8, 12.0, [24, 2.5], [37, 3.0]],
  [16, 2.0, 17.5, 14.0, 14.8, 16.0, [30, 3.0], [50, 3.0]],
  [20, 2.5, 22.0, 17.5, 18.0, 20.0, [37, 3.0], [60, 4.0]],
]
const INCH: [id: string, diameterIn: number, threadsPerInch: number][] = [
  ['#10-24', 0.19, 24],
  ['1/4-20', 1 / 4, 20],
  ['5/16-18', 5 / 16, 18],
  ['3/8-16', 3 / 8, 16],
  ['7/16-14', 7 / 16, 14],
  ['1/2-13', 1 / 2, 13],
  ['5/8-11', 5 / 8, 11],
  ['3/4-10', 3 / 4, 10],
]
const IN = 25.4
const washer = ([diameterMm, thicknessMm]: [number, number]) => ({ diameterMm, thicknessMm })

const metric = ([d, pitch, clearance, tap, hex, locking, plain, large]: MetricRow): FastenerSize => ({
  id: `M${d}`,
  system: 'metric',
  diameterMm: d,
  pitchMm: pitch,
  clearanceMm: clearance,
  tapDrillMm: tap,
  hexNutMm: hex,
  lockingNutMm: locking,
  plainWasher: washer(plain),
  largeWasher: washer(large),
  stressAreaMm2: (Math.PI / 4) * (d - 0.9382 * pitch) ** 2,
})
const inch = ([id, D, n]: (typeof INCH)[number]): FastenerSize => {
  const big = D >= 0.5
  return {
    id,
    system: 'inch',
    diameterMm: D * IN,
    pitchMm: IN / n,
    clearanceMm: (D + (big ? 1 / 16 : 1 / 32)) * IN,
    tapDrillMm: (D - 1 / n) * IN,
    hexNutMm: 0.875 * D * IN,
    lockingNutMm: 1.1 * D * IN,
    plainWasher: { diameterMm: 2 * D * IN, thicknessMm: (big ? 0.095 : 0.065) * IN },
    largeWasher: { diameterMm: 3 * D * IN, thicknessMm: (big ? 0.08 : 0.065) * IN },
    stressAreaMm2: (Math.PI / 4) * (D - 0.9743 / n) ** 2 * IN * IN,
  }
}

export const SIZES: Record<string, FastenerSize> = Object.fromEntries(
  [...METRIC.map(metric), ...INCH.map(inch)].map((s) => [s.id, s]),
)
export const SIZE_IDS = Object.keys(SIZES) as [string, ...string[]]
export const METRIC_IDS = SIZE_IDS.filter((s) => SIZES[s]!.system === 'metric')
export const INCH_IDS = SIZE_IDS.filter((s) => SIZES[s]!.system === 'inch')

/** Larger sizes of the same thread system, the next first. */
export function largerSizes(id: string): string[] {
  const all = SIZES[id]!.system === 'metric' ? METRIC_IDS : INCH_IDS
  return all.slice(all.indexOf(id) + 1)
}

/** Yield or proof, ultimate and E in MPa. */
export const GRADES = {
  'A4-70': {
    title: '316 stainless A4-70',
    proofMPa: 450,
    ultimateMPa: 700,
    eMPa: 193000,
    stainless: true,
    where: 'above the waterline; the usual choice',
  },
  'A4-80': {
    title: '316 stainless A4-80',
    proofMPa: 600,
    ultimateMPa: 800,
    eMPa: 193000,
    stainless: true,
    where: 'above the waterline, high load',
  },
  'A2-70': {
    title: '304 stainless A2-70',
    proofMPa: 450,
    ultimateMPa: 700,
    eMPa: 193000,
    stainless: true,
    where: 'inside, dry; stains on deck',
  },
  'silicon-bronze': {
    title: 'silicon bronze',
    proofMPa: 240,
    ultimateMPa: 480,
    eMPa: 105000,
    stainless: false,
    where: 'below the waterline, bronze fittings',
  },
  'nickel-copper-400': {
    title: 'nickel-copper 400',
    proofMPa: 240,
    ultimateMPa: 550,
    eMPa: 179000,
    stainless: false,
    where: 'below the waterline',
  },
  'duplex-2205': {
    title: 'duplex 2205',
    proofMPa: 450,
    ultimateMPa: 650,
    eMPa: 200000,
    stainless: true,
    where: 'rig and chainplates',
  },
  'brass-CW614N': {
    title: 'brass CW614N',
    proofMPa: 220,
    ultimateMPa: 400,
    eMPa: 97000,
    stainless: false,
    where: 'never in sea water: zinc leaches out',
  },
  'steel-8.8': {
    title: 'steel 8.8',
    proofMPa: 640,
    ultimateMPa: 800,
    eMPa: 205000,
    stainless: false,
    where: 'never where wet',
  },
} as const
export type GradeId = keyof typeof GRADES
export const GRADE_IDS = Object.keys(GRADES) as [GradeId, ...GradeId[]]
export const FASTENERS_SOURCE = 'chapter 2, geometry of the coarse metric and unified threads'

export const STOCK_LENGTHS_MM = [
  12, 16, 20, 25, 30, 35, 40, 45, 50, 55, 60, 65, 70, 75, 80, 90, 100, 110, 120, 130, 140, 150, 160, 180, 200,
]
/** 1/2 to 3 in by 1/4, then to 8 in by 1/2. */
export const STOCK_LENGTHS_IN = [
  ...Array.from({ length: 11 }, (_, i) => 0.5 + i * 0.25),
  ...Array.from({ length: 10 }, (_, i) => 3.5 + i * 0.5),
]
