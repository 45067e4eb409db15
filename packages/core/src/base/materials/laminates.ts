/**
 * Glass/polyester from the fibre fraction by mass (chapter 3.1): estimates typical of published
 * small-craft scantling rules.
 */
export type LaminateId = 'mat' | 'woven'
export const LAMINATES: Record<
  LaminateId,
  {
    title: string
    least: number
    most: number
    typical: number
    bearingMPa: number
    punchingMPa: number
    throughMPa: number
  }
> = {
  mat: {
    title: 'chopped mat laminate',
    least: 0.25,
    most: 0.35,
    typical: 0.3,
    bearingMPa: 150,
    punchingMPa: 50,
    throughMPa: 150,
  },
  woven: {
    title: 'woven/mat laminate',
    least: 0.4,
    most: 0.55,
    typical: 0.46,
    bearingMPa: 200,
    punchingMPa: 55,
    throughMPa: 150,
  },
}
export const LAMINATES_SOURCE = 'chapter 3.1, typical of published small-craft scantling rules'

/** Of glass in polyester or epoxy by its fibre fraction by mass, kg/m³. */
export const laminateDensity = (psi: number) => 1 / (psi / 2560 + (1 - psi) / 1200)

export function laminateProperties(id: LaminateId, fibreFraction = LAMINATES[id].typical) {
  const psi = fibreFraction
  const row = LAMINATES[id]
  return {
    eMPa: id === 'mat' ? 15000 * psi + 2000 : 37000 * psi - 4750,
    bendingMPa: 502 * psi * psi + 107,
    tensileMPa: id === 'mat' ? 800 * psi * psi - 80 * psi + 37 : 1278 * psi * psi - 510 * psi + 123,
    inPlaneShearMPa: 80 * psi + 38,
    gMPa: 1700 * psi + 2240,
    bearingMPa: row.bearingMPa,
    punchingMPa: row.punchingMPa,
    throughMPa: row.throughMPa,
    densityKgM3: laminateDensity(psi),
  }
}

/** Metal decks: strengths are ultimate, bearing 1.5 and shear 0.6 times it. */
export const DECK_METALS = {
  'aluminium-5083': {
    title: 'aluminium 5083',
    yieldMPa: 125,
    ultimateMPa: 275,
    eMPa: 70000,
    bearingMPa: 412.5,
    shearMPa: 165,
  },
  'mild-steel': {
    title: 'mild steel',
    yieldMPa: 235,
    ultimateMPa: 400,
    eMPa: 205000,
    bearingMPa: 600,
    shearMPa: 240,
  },
} as const
/** `acrossGrain`: bearing strength across the face grain over that along it; a typical estimate. */
export const TIMBERS = {
  plywood: {
    title: 'marine plywood',
    acrossGrain: 0.85,
    eMPa: 8000,
    bearingMPa: 30,
    shearMPa: 8,
    punchingMPa: 8,
    throughMPa: 6,
  },
  softwood: {
    title: 'softwood',
    acrossGrain: 0.45,
    eMPa: 9000,
    bearingMPa: 25,
    shearMPa: 6,
    punchingMPa: 8,
    throughMPa: 4,
  },
} as const
