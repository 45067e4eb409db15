import { z } from 'zod'
import { SEALANT_IDS } from '../../base/materials/sealants'
import { nonNegative, pointSchema, positive } from '../../base/schema/schema'
import { HARDENER_IDS } from '../../chapters/bedding/epoxy-batch'
import { FACES } from '../../chapters/bedding/sealant-choice'
import { parseVersioned } from '../parse'
import { surfaceFields } from '../surface'
import { RIG_FAMILIES, SET_FAMILIES } from './families'

export const RIG_VERSION = 3
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
/** What stands in the water round a shaft is often none of the metals that a wire pulls on. */
export const SET_METALS = [
  'silicon-bronze',
  'tin-bronze',
  'ss-316',
  'duplex-2205',
  'al-5083',
  'mild-steel',
] as const
export const FAST_ADHESIVES = ['methacrylate', 'epoxy-filled'] as const
const day = z.iso.date()
export const SIGHTED_BY = ['camera', 'laser', 'wire'] as const
/** Towards the target along its axis; offsets of the axis from the mark, across. */
const readingSchema = z.strictObject({ atMm: positive(), dxMm: z.number(), dyMm: z.number() })
/** What is set in filled epoxy on a three-point jig, tabbed in, stood under, or bonded (8.1, 8.2, 15.8). */
const setSchema = z.strictObject({
  /** what its bond carries along the tabs; null: nobody has said */
  loadN: positive().nullable(),
  /** of a strut; null: there is no shaft */
  shaft: z
    .strictObject({
      diameterMm: positive(),
      spanMm: positive(),
      bearingMm: positive().nullable(),
      grade: z.enum(SET_METALS).nullable().default(null),
    })
    .nullable(),
  /** what it is of itself; null: nobody has said */
  grade: z.enum(SET_METALS).nullable().default(null),
  /** a tube that stands under a mast; null: it carries no mast, or nobody has measured it */
  column: z
    .strictObject({
      outsideMm: positive(),
      wallMm: positive(),
      lengthMm: positive(),
      grade: metal,
      /** what its foot presses on, and what that bears; null: nobody knows */
      footMm2: positive(),
      footMPa: positive().nullable(),
    })
    .nullable()
    .default(null),
  /** a plate bonded in minutes; null: it is not */
  glue: z
    .strictObject({
      lengthMm: positive(),
      widthMm: positive(),
      thicknessMm: positive(),
      plateMPa: positive(),
      lineMm: positive(),
      gMPa: positive(),
      adhesive: z.enum(FAST_ADHESIVES),
      bond: z.enum(RIG_BONDS).nullable(),
      /** the dry run, from the first bead to the last clamp; null: nobody has timed one */
      dryRunMin: positive().nullable(),
    })
    .nullable()
    .default(null),
  /** null: it is not sighted, but set by square and rule */
  jig: z
    .strictObject({
      screws: z.array(pointSchema).length(3),
      pitchMm: positive(),
      /** from the plane of the screws to its bore, towards the target */
      leverMm: z.number(),
    })
    .nullable(),
  /** each time it was sighted, the first as it was found */
  sights: z
    .array(
      z.strictObject({
        date: day,
        by: z.enum(SIGHTED_BY),
        readings: z.array(readingSchema).min(1).max(2),
        /** what one reading may be off by */
        readingMm: positive(),
      }),
    )
    .max(20),
  /** the pocket that it is set in, and what of it the foot itself takes up; null: it stands on its tabs */
  recess: z
    .strictObject({
      lengthMm: positive(),
      widthMm: positive(),
      depthMm: positive(),
      takenMm2: nonNegative(),
      hardener: z.enum(HARDENER_IDS),
    })
    .nullable(),
  tabs: z
    .strictObject({
      /** along the foot, and out onto the hull */
      lengthMm: positive(),
      widthMm: positive(),
      sides: z.union([z.literal(1), z.literal(2)]),
      /** modulus by thickness of what is tabbed in, and of the tabs */
      ownNPerMm: positive(),
      tabNPerMm: positive(),
      plies: z.number().int().min(1).max(30),
      plyMm: positive(),
      filletMm: nonNegative(),
      gMPa: positive(),
      glueMm: positive(),
      bond: z.enum(RIG_BONDS).nullable(),
    })
    .nullable(),
})
export type Sight = z.output<typeof setSchema>['sights'][number]

/**
 * All that a user decides or measures of one chainplate, strut, post or knee. Whatever follows from it is
 * computed.
 */
const fields = z.strictObject({
  schemaVersion: z.literal(RIG_VERSION),
  name: z.string().trim().min(1).max(120),
  family: z.enum(RIG_FAMILIES),
  catalogueId: z.string().max(40).nullable(),
  ...surfaceFields,
  wire: z
    .strictObject({
      breakingN: positive(),
      /** out of the plate's plane */
      misalignDeg: z.number().min(0).lt(90),
      /** from the pin to where the plate is held, across its plane */
      leverMm: nonNegative(),
      /** in the plate's plane, from its own line */
      inPlaneDeg: z.number().min(-90).max(90),
    })
    .nullable(),
  /** one leg of a drogue's bridle pulls it, and no wire; null: a wire does */
  drogue: z
    .strictObject({ displacementKg: positive(), share: z.number().gt(0).max(1) })
    .nullable()
    .default(null),
  plate: z
    .strictObject({
      thicknessMm: positive(),
      widthMm: positive(),
      holeMm: positive(),
      endMm: positive(),
      grade: metal,
    })
    .nullable(),
  pin: z.strictObject({ diameterMm: positive(), grade: metal }).nullable(),
  set: setSchema.nullable().default(null),
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
const CHAINPLATE = ['wire', 'plate', 'pin'] as const
export const rigSchema = fields.superRefine((d, ctx) => {
  const lacks = d.set ? [] : CHAINPLATE.filter((k) => d[k] === null)
  for (const k of lacks)
    ctx.addIssue({ code: 'custom', path: [k], message: `${k} is missing; a chainplate has one` })
  if (SET_FAMILIES.includes(d.family) !== (d.set !== null))
    ctx.addIssue({ code: 'custom', path: ['set'], message: 'set goes with a strut, a post or a knee' })
})
export type RigDesign = z.output<typeof rigSchema>
type Held = 'wire' | 'plate' | 'pin'
/** What a wire pulls on. */
export type Chainplate = Omit<RigDesign, Held> & { [K in Held]: NonNullable<RigDesign[K]> }
/** What is set or tabbed in. */
export type SetIn = RigDesign & { set: NonNullable<RigDesign['set']> }
export const isSetIn = (d: RigDesign | Chainplate): d is SetIn => d.set !== null
/** Version 1 knew chainplates alone; version 2 no drogue, no column, nothing bonded in minutes. */
export const upgradeRig = (raw: unknown, from: number): unknown =>
  from >= RIG_VERSION
    ? raw
    : { ...(raw as object), schemaVersion: RIG_VERSION, ...(from < 2 ? { set: null } : {}) }
export const parseRig = (raw: unknown): RigDesign =>
  parseVersioned({ schema: rigSchema, version: RIG_VERSION, upgrade: upgradeRig }, raw)
