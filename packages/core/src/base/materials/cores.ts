/** Cores (chapter 3.1), MPa; typical values. */
export const CORES = {
  'balsa-150': {
    title: 'end-grain balsa 150',
    compressiveMPa: 12.0,
    shearMPa: 2.9,
    eMPa: 4000,
    gMPa: 150,
    rots: true,
    wicks: 'little sideways until the grain joints fill',
  },
  'pvc-80': {
    title: 'PVC foam 80',
    compressiveMPa: 1.4,
    shearMPa: 1.1,
    eMPa: 95,
    gMPa: 28,
    rots: false,
    wicks: 'no, but holds water at the skins',
  },
  'pvc-130': {
    title: 'PVC foam 130',
    compressiveMPa: 3.0,
    shearMPa: 2.2,
    eMPa: 170,
    gMPa: 50,
    rots: false,
    wicks: 'no',
  },
  'san-85': {
    title: 'SAN foam 85',
    compressiveMPa: 1.2,
    shearMPa: 1.1,
    eMPa: 80,
    gMPa: 29,
    rots: false,
    wicks: 'no',
  },
  plywood: {
    title: 'marine plywood core',
    compressiveMPa: 6.0,
    shearMPa: 2.0,
    eMPa: 500,
    gMPa: 60,
    rots: true,
    wicks: 'along the plies',
  },
  'insert-250': {
    title: 'high-density insert 250',
    compressiveMPa: 5.8,
    shearMPa: 4.5,
    eMPa: 300,
    gMPa: 110,
    rots: false,
    wicks: 'no',
  },
  'epoxy-plug': {
    title: 'solid filled epoxy',
    compressiveMPa: 70,
    shearMPa: 25,
    eMPa: 3000,
    gMPa: 1100,
    rots: false,
    wicks: 'no',
  },
} as const
export type CoreId = keyof typeof CORES
export const CORE_IDS = Object.keys(CORES) as [CoreId, ...CoreId[]]
export const CORES_SOURCE = 'chapter 3.1, typical'
/** Hole saws of the shop, mm (chapter 3.6). */
export const HOLE_SAWS = [
  6, 8, 10, 12, 13, 16, 19, 20, 22, 25, 28, 30, 32, 35, 38, 40, 44, 48, 51, 57, 64, 70, 76,
]
