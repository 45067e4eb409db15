/** What the plate solver answers over a panel, on its mesh. */
export interface FieldGrids {
  xMm: number[]
  yMm: number[]
  deflectionMm: number[][]
  outerMPa: number[][]
  innerMPa: number[][]
  shearMPa: number[][]
}
export const FIELD_TITLES = {
  deflectionMm: 'Deflection',
  outerMPa: 'Outer skin stress',
  innerMPa: 'Inner skin stress',
  shearMPa: 'Core shear',
} as const
export type FieldName = keyof typeof FIELD_TITLES
export const fieldUnit = (f: FieldName) => (f === 'deflectionMm' ? 'mm' : 'MPa')
/** Shades begin at these parts of the greatest. */
export const FIELD_STEPS = [0.1, 0.25, 0.5, 0.75, 0.9]
export const fieldChoices = (Object.keys(FIELD_TITLES) as FieldName[]).map((value) => ({
  value,
  title: FIELD_TITLES[value],
}))

/** One scale for several pictures, so that they can be compared. */
export const greatestOf = (all: FieldGrids[], show: FieldName) =>
  Math.max(1e-9, ...all.flatMap((f) => f[show].flat().map(Math.abs)))
const nearest = (list: number[], v: number) =>
  list.reduce((b, x, i) => (Math.abs(x - v) < Math.abs(list[b]! - v) ? i : b), 0)
/** The figure at the node that lies nearest to a place on the panel. */
export const fieldAt = (f: FieldGrids, show: FieldName, at: { xMm: number; yMm: number }) =>
  f[show][nearest(f.yMm, at.yMm)]![nearest(f.xMm, at.xMm)]!
