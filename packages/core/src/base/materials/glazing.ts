/** Glazing and lids (chapter 6.3), MPa; typical. */
export const GLAZING = {
  'cast-acrylic': {
    title: 'cast acrylic',
    strengthMPa: 105,
    eMPa: 3100,
    poisson: 0.37,
    alphaPerK: 70e-6,
    factor: 'glazing',
    note: 'crazes with alcohol, polysulfide and some polyurethanes; notch-sensitive',
  },
  polycarbonate: {
    title: 'polycarbonate',
    strengthMPa: 90,
    eMPa: 2350,
    poisson: 0.38,
    alphaPerK: 66e-6,
    factor: 'glazing',
    note: 'tough; scratches and yellows unless coated; never under threadlocker',
  },
  'toughened-glass': {
    title: 'toughened glass',
    strengthMPa: 160,
    eMPa: 70000,
    poisson: 0.22,
    alphaPerK: 9e-6,
    factor: 'glazing',
    note: 'cannot be cut or drilled after toughening',
  },
  plywood: {
    title: 'plywood lid, sealed',
    strengthMPa: 45,
    eMPa: 8000,
    poisson: 0.2,
    alphaPerK: 6e-6,
    factor: 'laminate',
    note: '',
  },
  'glass-laminate': {
    title: 'glass laminate',
    strengthMPa: 150,
    eMPa: 7000,
    poisson: 0.3,
    alphaPerK: 22e-6,
    factor: 'laminate',
    note: '',
  },
} as const
export type GlazingId = keyof typeof GLAZING
export const GLAZING_IDS = Object.keys(GLAZING) as [GlazingId, ...GlazingId[]]
export const GLAZING_SOURCE = 'chapter 6.3, typical'
