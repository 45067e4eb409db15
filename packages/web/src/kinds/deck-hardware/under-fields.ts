import { valueAt, withChange, type Design, type Structure } from '@north-tide/core'

type Under = NonNullable<Design['under']>
export type UnderKind = Under['kind']
export interface UnderField {
  path: string
  label: string
  optional?: boolean
}
/** What the bottom of a boat of this size often is; the foot of a post is asked for at once. */
const USUAL_BOTTOM: Structure = { kind: 'solid', skin: { laminate: 'woven' }, thicknessMm: 12 }

/** A first support of each kind, every size of it to be measured. */
export const UNDER_START: Record<UnderKind, Under> = {
  nothing: { kind: 'nothing' },
  beam: { kind: 'beam', material: 'softwood', widthMm: 45, heightMm: 70, spanMm: 600, contactMm: 120 },
  bulkhead: { kind: 'bulkhead', material: 'plywood', thicknessMm: 18, heightMm: 900, contactMm: 150 },
  post: {
    kind: 'post',
    material: 'al-6061',
    lengthMm: 1700,
    section: { outerMm: 60, wallMm: 3 },
    ends: 'pinned',
    head: { lengthMm: 140, widthMm: 120 },
    foot: { structure: USUAL_BOTTOM, footprint: { lengthMm: 150, widthMm: 150 } },
  },
}
/** Lengths that each kind asks for, by their place in it. */
export const UNDER_FIELDS: Record<UnderKind, UnderField[]> = {
  nothing: [],
  beam: [
    { path: 'widthMm', label: 'Beam, wide' },
    { path: 'heightMm', label: 'high' },
    { path: 'spanMm', label: 'free span' },
    { path: 'contactMm', label: 'rests on it' },
  ],
  bulkhead: [
    { path: 'thicknessMm', label: 'Bulkhead, thick' },
    { path: 'heightMm', label: 'free height' },
    { path: 'contactMm', label: 'rests on it' },
    { path: 'breadthMm', label: 'its breadth', optional: true },
  ],
  post: [
    { path: 'lengthMm', label: 'Post, long' },
    { path: 'section.outerMm', label: 'tube, outside' },
    { path: 'section.wallMm', label: 'its wall' },
    { path: 'head.lengthMm', label: 'head plate, long' },
    { path: 'head.widthMm', label: 'wide' },
    { path: 'foot.footprint.lengthMm', label: 'foot, long' },
    { path: 'foot.footprint.widthMm', label: 'wide, of it' },
    { path: 'foot.structure.thicknessMm', label: 'bottom under it' },
  ],
}
export const underValue = (u: Under, path: string) => (valueAt(u, path) as number | undefined) ?? null
/** An emptied length that may be left out is left out. */
export function withUnder(u: Under, path: string, mm: number | null): Under {
  if (mm !== null) return withChange(u, { [path]: mm })
  const { [path as keyof Under]: _, ...rest } = u
  return rest as Under
}
