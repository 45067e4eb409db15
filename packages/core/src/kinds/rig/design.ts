import { z } from 'zod'
import { SEALANT_IDS } from '../../base/materials/sealants'
import { nonNegative, pointSchema, positive } from '../../base/schema/schema'
import { FACES } from '../../chapters/bedding/sealant-choice'
import { parseVersioned } from '../parse'
import { surfaceFields } from '../surface'
import { RIG_FAMILIES } from './families'

export const RIG_VERSION = 1
export const RIG_METALS = [
  'ss-316',
  'ss-316-drawn',
  'A4-70',
  'A4-80',
  'duplex-2205',
  'silicon-bronze',
  'al-6061',
  'titanium-6al4v',
] as const
export const RIG_BONDS = ['primary', 'secondary-epoxy', 'secondary-polyester', 'unabraded'] as const
const metal = z.enum(RIG_METALS)
const day = z.iso.date()

/** All that a user decides or measures of one chainplate. Whatever follows from it is computed. */
export const rigSchema = z.strictObject({
  schemaVersion: z.literal(RIG_VERSION),
  name: z.string().trim().min(1).max(120),
  family: z.enum(RIG_FAMILIES),
  catalogueId: z.string().max(40).nullable(),
  ...surfaceFields,
  wire: z.strictObject({
    breakingN: positive(),
    /** out of the plate's plane */
    misalignDeg: z.number().min(0).lt(90),
    /** from the pin to where the plate is held, across its plane */
    leverMm: nonNegative(),
    /** in the plate's plane, from its own line */
    inPlaneDeg: z.number().min(-90).max(90),
  }),
  plate: z.strictObject({
    thicknessMm: positive(),
    widthMm: positive(),
    holeMm: positive(),
    endMm: positive(),
    grade: metal,
  }),
  pin: z.strictObject({ diameterMm: positive(), grade: metal }),
  bolts: z
    .strictObject({
      points: z.array(pointSchema).min(1).max(24),
      diameterMm: positive(),
      holeMm: positive(),
      grade: metal,
    })
    .nullable(),
  /** laminate of knee, bulkhead or topside that the bolts bear on; null: nobody has measured it */
  hull: z
    .strictObject({
      thicknessMm: positive(),
      edgeMm: positive(),
      bearingMPa: positive().nullable().default(null),
      shearMPa: positive().nullable().default(null),
    })
    .nullable(),
  bond: z
    .strictObject({
      lengthMm: positive(),
      widthMm: positive(),
      sides: z.union([z.literal(1), z.literal(2)]),
      /** of what it is bonded to: modulus by thickness */
      kneeNPerMm: positive(),
      gMPa: positive(),
      glueMm: positive(),
      bond: z.enum(RIG_BONDS).nullable(),
    })
    .nullable(),
  slot: z
    .strictObject({
      lengthMm: positive(),
      widthMm: positive(),
      /** solid all round it, where the deck has a core */
      filled: z.boolean(),
      /** a plate over it that moves on its bedding; the load never goes through it */
      cover: z.boolean(),
      sealant: z.enum(SEALANT_IDS).nullable(),
      face: z.enum(FACES),
    })
    .nullable(),
  /** how high it stands over a mark that does not move */
  creep: z.array(z.strictObject({ date: day, heightMm: z.number() })).max(60),
  seen: z.strictObject({ beadBroken: z.boolean(), weeps: z.boolean(), kneeLifts: z.boolean() }),
  /** when the plate was last drawn and looked at; null: never, as far as anybody knows */
  drawnOn: day.nullable(),
  /** proved since it moved: what was done and seen; without it it does not go back in service */
  provedAfter: z.string().max(300).nullable().default(null),
  temporary: z
    .strictObject({
      what: z.string().trim().min(1).max(300),
      goodFor: z.string().trim().min(1).max(200),
      until: day,
      then: z.string().trim().min(1).max(300),
      notMeanwhile: z.string().max(300),
    })
    .nullable()
    .default(null),
  tempC: z.number().min(-30).max(60),
  humidityPct: z.number().min(0).max(100),
  existing: z.boolean().default(false),
  findings: z.array(z.string().max(40)).max(40).default([]),
  replaces: z.string().max(120).nullable().default(null),
})
export type RigDesign = z.output<typeof rigSchema>
export const parseRig = (raw: unknown): RigDesign =>
  parseVersioned({ schema: rigSchema, version: RIG_VERSION, upgrade: (x: unknown) => x }, raw)
