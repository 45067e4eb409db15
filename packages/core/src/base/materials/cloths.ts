/** Cloths (chapter 8.3): weight g/m\u00b2, cured ply mm, fibre fraction by hand. */
export const CLOTHS = {
  'mat-450': { title: 'chopped mat 450', gM2: 450, plyMm: 0.9, fibre: 0.3 },
  'biaxial-400': { title: 'biaxial 400', gM2: 400, plyMm: 0.45, fibre: 0.45 },
  'biaxial-600': { title: 'biaxial 600', gM2: 600, plyMm: 0.65, fibre: 0.45 },
  'woven-200': { title: 'woven 200', gM2: 200, plyMm: 0.22, fibre: 0.45 },
} as const
export type ClothId = keyof typeof CLOTHS
export const CLOTH_IDS = Object.keys(CLOTHS) as [ClothId, ...ClothId[]]
