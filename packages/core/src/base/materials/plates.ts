/**
 * Backing-plate materials (chapter 3.5). Strength is bending strength for laminates, timber and plastic,
 * yield for metals; bearing strengths are estimates.
 */
export const PLATES = {
  g10: {
    title: 'epoxy-glass sheet G10/FR-4',
    strengthMPa: 340,
    eMPa: 18600,
    densityKgM3: 1850,
    kind: 'laminate',
    bearingMPa: 300,
    note: 'bonds well, no corrosion; the usual choice',
  },
  'glass-epoxy': {
    title: 'glass/epoxy, laid up',
    strengthMPa: 250,
    eMPa: 14000,
    densityKgM3: 1750,
    kind: 'laminate',
    bearingMPa: 250,
    note: 'made in the shop from offcuts',
  },
  'al-5083': {
    title: 'aluminium 5083 H111',
    strengthMPa: 125,
    eMPa: 70000,
    densityKgM3: 2660,
    kind: 'metal',
    bearingMPa: 412.5,
    note: 'isolate from stainless and from a wet bilge',
  },
  'al-6061': {
    title: 'aluminium 6061 T6',
    strengthMPa: 240,
    eMPa: 69000,
    densityKgM3: 2700,
    kind: 'metal',
    bearingMPa: 435,
    note: 'isolate from stainless and from a wet bilge',
  },
  'ss-316': {
    title: 'stainless 316',
    strengthMPa: 205,
    eMPa: 193000,
    densityKgM3: 8000,
    kind: 'metal',
    bearingMPa: 772.5,
    note: 'thin and stiff; sharp edges bite; holds water under it',
  },
  plywood: {
    title: 'marine plywood, sealed',
    strengthMPa: 45,
    eMPa: 8000,
    densityKgM3: 650,
    kind: 'timber',
    bearingMPa: 30,
    note: 'rots where it is wet and unseen: never under the waterline',
  },
  plastic: {
    title: 'acetal or polyethylene sheet',
    strengthMPa: 30,
    eMPa: 1500,
    densityKgM3: 1000,
    kind: 'plastic',
    bearingMPa: null,
    note: 'creeps under bolt load and will not bond',
  },
} as const
export type PlateId = keyof typeof PLATES
export const PLATE_IDS = Object.keys(PLATES) as [PlateId, ...PlateId[]]
/** Those that are bonded to a deck and then bear with it. */
export type BondingPlateId = Exclude<PlateId, 'plastic'>
export const BONDING_PLATE_IDS = PLATE_IDS.filter((p) => p !== 'plastic') as [
  BondingPlateId,
  ...BondingPlateId[],
]
export const PLATES_SOURCE = 'chapter 3.5, typical'
export const STOCK_THICKNESS = [3, 4, 5, 6, 8, 10, 12, 15, 18, 20, 25]
/** What an inch shop has on its rack, eighth to one inch. */
export const STOCK_THICKNESS_IN = [1 / 8, 3 / 16, 1 / 4, 3 / 8, 1 / 2, 5 / 8, 3 / 4, 1].map((t) => t * 25.4)
export const STOCKS = { metric: STOCK_THICKNESS, inch: STOCK_THICKNESS_IN } as const
export type Stock = keyof typeof STOCKS
/** The thinnest sheet on the rack that is enough; null where none is. */
export const stockThickness = (requiredMm: number, stock: Stock = 'metric') =>
  STOCKS[stock].find((t) => t >= requiredMm - 1e-9) ?? null
