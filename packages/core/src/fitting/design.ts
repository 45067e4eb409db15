import { z } from 'zod'
import { FACES } from '../bedding/sealant-choice'
import { CORE_SCHOOLS } from '../deck/core-plug'
import { designLoadInput } from '../load/design-load'
import { GRADE_IDS, SIZE_IDS } from '../materials/fasteners'
import { PLATE_IDS } from '../materials/plates'
import { SEALANT_IDS } from '../materials/sealants'
import { structureSchema } from '../materials/structure'
import { discShape, rectangleShape } from '../geometry/outline'
import { measureSchema } from '../survey/where'
import { dutySchema, nonNegative, pointSchema, positive } from '../schema'

export const SCHEMA_VERSION = 1
export const FAMILIES = ['cleat', 'bitt', 'stanchion', 'pad-eye', 'winch', 'foot-plate', 'block', 'bracket'] as const
export type Family = (typeof FAMILIES)[number]
export const MEASURABLE = ['outerMm', 'coreMm', 'innerMm', 'thicknessMm'] as const
export type Measurable = (typeof MEASURABLE)[number]

const baseExtra = { thicknessMm: positive(), bodyHeightMm: nonNegative() }

/** All that a user decides or measures of one deck fitting. Whatever follows from it is computed, never stored here. */
export const designSchema = z.strictObject({
  schemaVersion: z.literal(SCHEMA_VERSION),
  name: z.string().trim().min(1).max(120),
  family: z.enum(FAMILIES),
  catalogueId: z.string().max(40).nullable(),
  place: z.strictObject({
    zone: z.string().max(80).nullable(),
    xMm: z.number(),
    yMm: z.number(),
    zMm: z.number(),
    /** nearest free edge of the laminate to the nearest hole; null while nobody has measured it */
    edgeMm: positive().nullable(),
    belowWaterline: z.boolean(),
    /** what was measured to find the place, and from what; empty where it was pointed at */
    measuredFrom: z.array(measureSchema).max(12).default([]),
  }),
  structure: structureSchema,
  /** why this fitting keeps a deck of its own where the zone says otherwise; null while it follows the zone */
  structureReason: z.string().max(300).nullable().default(null),
  /** which thicknesses were measured; the others are estimates and marked so wherever they count */
  measured: z.array(z.enum(MEASURABLE)),
  duty: dutySchema,
  /** why this fitting's duty differs from the boat's; null while it does not */
  dutyReason: z.string().max(300).nullable(),
  load: designLoadInput,
  base: z.union([z.strictObject({ ...rectangleShape, ...baseExtra }), z.strictObject({ ...discShape, ...baseExtra })]),
  bolts: z.array(pointSchema).min(1).max(60),
  /** sizes that pass the casting's holes; empty: any */
  sizes: z.array(z.enum(SIZE_IDS)),
  bolt: z.strictObject({
    size: z.enum(SIZE_IDS),
    grade: z.enum(GRADE_IDS),
    head: z.enum(['hex', 'pan', 'button', 'socket', 'countersunk']),
    headWasher: z.enum(['none', 'plain', 'large']),
    nut: z.enum(['hex', 'locking', 'double-hex']),
    nutWasher: z.enum(['plain', 'large']),
    partThreaded: z.boolean(),
    threadsInShear: z.boolean(),
    paste: z.boolean(),
    /** null: the snug torque that the deck can bear is worked out */
    torqueNm: positive().nullable(),
  }),
  plate: z.strictObject({ material: z.enum(PLATE_IDS), lengthMm: positive(), widthMm: positive(), thicknessMm: positive(), bedGapMm: nonNegative() }).nullable(),
  core: z.strictObject({
    school: z.enum(CORE_SCHOOLS),
    boreMm: positive().nullable(),
    undercutMm: positive().nullable(),
    insert: z.strictObject({ lengthMm: positive(), widthMm: positive(), bedMm: positive() }).nullable(),
    chamferMm: positive().nullable(),
    torn: z.boolean(),
    lightLoad: z.boolean(),
  }),
  bedding: z.strictObject({
    sealant: z.enum(SEALANT_IDS).nullable(),
    tightening: z.enum(['once', 'two-step']),
    serviceAgainYears: positive().nullable(),
    movementMm: nonNegative(),
    sunlight: z.boolean(),
    fuelOrSolvent: z.boolean(),
    toBePainted: z.boolean(),
    baseFace: z.enum(FACES),
    deckFace: z.enum(FACES),
    beadMm: positive().nullable(),
    tempC: z.number().min(-30).max(60),
    humidityPct: z.number().min(0).max(100),
  }),
})
export type Design = z.output<typeof designSchema>

/** Files of another version are brought up here, one step a version; there is one version so far. */
export function upgradeDesign(raw: unknown): unknown {
  return raw
}
