import { z } from 'zod'
import { positive } from '../schema/schema'
import { CORES, CORE_IDS } from './cores'
import { DECK_METALS, LAMINATES, TIMBERS, laminateProperties } from './laminates'

const skinSchema = z
  .strictObject({
    laminate: z.enum(['mat', 'woven']),
    fibreFraction: z.number().optional(),
    bearingMPa: positive().optional(),
    inPlaneShearMPa: positive().optional(),
    punchingMPa: positive().optional(),
    throughMPa: positive().optional(),
  })
  .superRefine((s, ctx) => {
    const { least, most } = LAMINATES[s.laminate]
    if (s.fibreFraction !== undefined && (s.fibreFraction < least || s.fibreFraction > most))
      ctx.addIssue({
        code: 'custom',
        path: ['fibreFraction'],
        message: `${s.fibreFraction} was given; ${s.laminate} holds for a fibre fraction by mass of ${least} to ${most}`,
      })
  })

const coreSchema = z.strictObject({
  material: z.enum(CORE_IDS),
  thicknessMm: positive(),
  compressiveMPa: positive().optional(),
  shearMPa: positive().optional(),
  eMPa: positive().optional(),
})

/** What a fitting stands on (chapter 3.1). A value given replaces the table's and is no estimate. */
export const structureSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('sandwich'),
    skin: skinSchema,
    outerMm: positive(),
    innerMm: positive(),
    core: coreSchema,
  }),
  z.strictObject({ kind: z.literal('solid'), skin: skinSchema, thicknessMm: positive() }),
  z.strictObject({
    kind: z.literal('metal'),
    metal: z.enum(['aluminium-5083', 'mild-steel']),
    thicknessMm: positive(),
  }),
  z.strictObject({
    kind: z.literal('timber'),
    timber: z.enum(['plywood', 'softwood']),
    thicknessMm: positive(),
    grainDeg: z.number().min(0).max(180).optional(),
  }),
])
export type Structure = z.infer<typeof structureSchema>

export interface Strengths {
  bearingMPa: number
  inPlaneShearMPa: number
  punchingMPa: number
  /** null where it is not checked (metal) */
  throughMPa: number | null
  /** which of these are the table's typical values and not the user's own */
  assumed: string[]
  factor: 'laminate' | 'metal'
}

export function strengthsOf(s: Structure): Strengths {
  if (s.kind === 'metal') {
    const m = DECK_METALS[s.metal]
    return {
      bearingMPa: m.bearingMPa,
      inPlaneShearMPa: m.shearMPa,
      punchingMPa: m.shearMPa,
      throughMPa: null,
      assumed: [],
      factor: 'metal',
    }
  }
  if (s.kind === 'timber') {
    const t = TIMBERS[s.timber]
    return {
      bearingMPa: t.bearingMPa,
      inPlaneShearMPa: t.shearMPa,
      punchingMPa: t.punchingMPa,
      throughMPa: t.throughMPa,
      assumed: ['bearingMPa', 'inPlaneShearMPa', 'punchingMPa', 'throughMPa'],
      factor: 'laminate',
    }
  }
  const table = laminateProperties(s.skin.laminate, s.skin.fibreFraction)
  const keys = ['bearingMPa', 'inPlaneShearMPa', 'punchingMPa', 'throughMPa'] as const
  const pick = (k: (typeof keys)[number]) => s.skin[k] ?? table[k]
  return {
    bearingMPa: pick('bearingMPa'),
    inPlaneShearMPa: pick('inPlaneShearMPa'),
    punchingMPa: pick('punchingMPa'),
    throughMPa: pick('throughMPa'),
    assumed: keys.filter((k) => s.skin[k] === undefined),
    factor: 'laminate',
  }
}

export function coreOf(core: Extract<Structure, { kind: 'sandwich' }>['core']) {
  const table = CORES[core.material]
  const keys = ['compressiveMPa', 'shearMPa', 'eMPa'] as const
  return {
    title: table.title,
    rots: table.rots,
    compressiveMPa: core.compressiveMPa ?? table.compressiveMPa,
    shearMPa: core.shearMPa ?? table.shearMPa,
    eMPa: core.eMPa ?? table.eMPa,
    assumed: keys.filter((k) => core[k] === undefined).map((k) => `core.${k}`),
  }
}

/** Skins together (sandwich), or the full thickness. */
export const loadedThickness = (s: Structure) =>
  s.kind === 'sandwich' ? s.outerMm + s.innerMm : s.thicknessMm
export const fullThickness = (s: Structure) =>
  s.kind === 'sandwich' ? s.outerMm + s.core.thicknessMm + s.innerMm : s.thicknessMm

/** Thicknesses of a structure that a fitter may have measured; the others are estimates. */
export const MEASURABLE = ['outerMm', 'coreMm', 'innerMm', 'thicknessMm'] as const
export type Measurable = (typeof MEASURABLE)[number]
