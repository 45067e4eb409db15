import { z } from 'zod'
import { FACES } from '../../chapters/bedding/sealant-choice'
import { CORE_SCHOOLS } from '../../chapters/deck/core-plug'
import { underSchema } from '../../chapters/deck/supports'
import { withoutHistory } from '../history'
import { parseVersioned } from '../parse'
import { FAMILIES, type Family } from './families'
import { designLoadInput } from '../../chapters/load/design-load'
import { GRADE_IDS, SIZE_IDS } from '../../base/materials/fasteners'
import { PLATE_IDS } from '../../base/materials/plates'
import { SEALANT_IDS } from '../../base/materials/sealants'
import { MEASURABLE, structureSchema } from '../../base/materials/structure'
import { discShape, rectangleShape } from '../../base/geometry/outline'
import { measureSchema } from '../../boat/where'
import { dutySchema, nonNegative, pointSchema, positive } from '../../base/schema/schema'

export const SCHEMA_VERSION = 2
export { FAMILIES, type Family }

const baseExtra = { thicknessMm: positive(), bodyHeightMm: nonNegative() }

/**
 * All that a user decides or measures of one deck fitting. Whatever follows from it is computed, never
 * stored here.
 */
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
  /** its own x turned from aft towards starboard, as it stands on the boat */
  headingDeg: z.number().min(-180).max(180).default(0),
  structure: structureSchema,
  /**
   * why this fitting keeps a deck of its own where the zone says otherwise; null while it follows the zone
   */
  structureReason: z.string().max(300).nullable().default(null),
  /** which thicknesses were measured; the others are estimates and marked so wherever they count */
  measured: z.array(z.enum(MEASURABLE)),
  duty: dutySchema,
  /** why this fitting's duty differs from the boat's; null while it does not */
  dutyReason: z.string().max(300).nullable(),
  load: designLoadInput,
  /**
   * what of the load is a first guess, with what it was and why; one that was changed since counts no more
   */
  guesses: z
    .array(
      z.strictObject({
        field: z.string().max(40),
        value: z.union([z.number(), z.string().max(400), z.null()]),
        reason: z.string().max(200),
      }),
    )
    .max(20)
    .default([]),
  caseName: z.string().trim().min(1).max(60).default('Usual load'),
  /** other loads that it may have to carry, each by itself */
  cases: z
    .array(z.strictObject({ name: z.string().trim().min(1).max(60), load: designLoadInput }))
    .max(12)
    .default([]),
  base: z.union([
    z.strictObject({ ...rectangleShape, ...baseExtra }),
    z.strictObject({ ...discShape, ...baseExtra }),
  ]),
  bolts: z.array(pointSchema).min(1).max(60),
  /** pad or wedge under each bolt, mm; empty: none */
  padsMm: z.array(nonNegative()).max(60).default([]),
  /** how much thicker the deck is at each bolt than the zone says; empty: even */
  unevenMm: z.array(z.number().min(-100).max(100)).max(60).default([]),
  /** whose rack of sheet it is made from */
  stock: z.enum(['metric', 'inch']).default('metric'),
  /** what carries a push under the deck; null while nobody has said */
  under: underSchema.nullable().default(null),
  /** a hole beside the bolts, for a deck pipe, a cable or a shaft; null for none */
  pipeMm: positive().nullable().default(null),
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
    /** measured: what the locking nut takes to run down before it clamps; null while nobody has */
    runDownNm: nonNegative().nullable().default(null),
  }),
  /** what the bolts are held by: a nut behind, or a thread that is there before they come */
  hold: z
    .strictObject({
      way: z.enum(['through', 'tapped', 'press-in', 'bonded', 'nut-in-epoxy', 'plastic']).default('through'),
      /** thread engaged; null: as thick as what it stands in */
      engagedMm: positive().nullable().default(null),
      /** outside of a threaded insert; null: half as wide again as its bolt */
      insertMm: positive().nullable().default(null),
      /** what the screws go into behind the deck, where it is plastic */
      block: z
        .strictObject({ material: z.enum(['polycarbonate', 'cast-acrylic']), thicknessMm: positive() })
        .nullable()
        .default(null),
    })
    .default({ way: 'through', engagedMm: null, insertMm: null, block: null }),
  plate: z
    .strictObject({
      material: z.enum(PLATE_IDS),
      lengthMm: positive(),
      widthMm: positive(),
      thicknessMm: positive(),
      bedGapMm: nonNegative(),
      /** as clipped round what is in the way; null: the whole rectangle */
      outline: z.array(pointSchema).min(3).max(60).nullable().default(null),
      /** sheets bonded into one */
      sheets: z.union([z.literal(1), z.literal(2)]).default(1),
      bonded: z.boolean().default(true),
      /** of the deck's underside along the plate's length; null: flat */
      crownRadiusMm: positive().nullable().default(null),
    })
    .nullable(),
  /** a plate welded on or under a metal deck; null for none */
  doubler: z
    .strictObject({ lengthMm: positive(), widthMm: positive(), thicknessMm: positive(), weldMm: positive() })
    .nullable()
    .default(null),
  /** between bolt and structure, all three or it still bridges */
  isolation: z
    .strictObject({ sleeve: z.boolean(), washer: z.boolean(), sealant: z.boolean() })
    .default({ sleeve: false, washer: false, sealant: false }),
  /** wet at the joint: what the metals meet in */
  wetness: z.enum(['splash', 'dry', 'immersed']).default('splash'),
  /** choices that make no number of their own but change the steps */
  schools: z
    .strictObject({
      plate: z.enum(['calculated', 'rule']),
      inside: z.enum(['leak-must-tell', 'seal-inside']),
      bead: z.enum(['bead-on-fitting', 'bead-on-structure']),
      wet: z.enum(['wet-insert', 'wet-recore', 'wet-dry-out']).nullable().default(null),
      /** what the rest of the boat is bedded in; null while nobody has looked */
      builder: z.enum(SEALANT_IDS).nullable().default(null),
    })
    .default({
      plate: 'calculated',
      inside: 'leak-must-tell',
      bead: 'bead-on-fitting',
      wet: null,
      builder: null,
    }),
  /** found in the boat, and looked at: what is wrong with it */
  existing: z.boolean().default(false),
  /** what of it nobody has seen: drawn as it is guessed, and proving nothing */
  unseen: z
    .array(z.enum(['plate', 'plug', 'washer']))
    .max(3)
    .default([]),
  findings: z.array(z.string().max(40)).max(40).default([]),
  /** bedded anew: the pattern stays, its holes are mended, bolts are new */
  job: z.enum(['new', 'rebed']).default('new'),
  /** the name of what it replaces */
  replaces: z.string().max(120).nullable().default(null),
  core: z.strictObject({
    school: z.enum(CORE_SCHOOLS),
    boreMm: positive().nullable(),
    undercutMm: positive().nullable(),
    insert: z.strictObject({ lengthMm: positive(), widthMm: positive(), bedMm: positive() }).nullable(),
    /** what the insert is of: high-density, or solid filled epoxy */
    insertMaterial: z.enum(['insert-250', 'epoxy-plug']).default('insert-250'),
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

/** A design of this or an earlier version. */
export const parseDesign = (raw: unknown): Design =>
  parseVersioned({ schema: designSchema, version: SCHEMA_VERSION, upgrade: withoutHistory }, raw)
