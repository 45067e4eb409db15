import { z } from 'zod'
import { SEALANT_IDS } from '../../base/materials/sealants'
import { positive } from '../../base/schema/schema'
import { FACES } from '../../chapters/bedding/sealant-choice'
import { parseVersioned } from '../parse'
import { surfaceFields } from '../surface'
import { ROW_FAMILIES } from './families'

export const ROW_VERSION = 1
export const STRIP_MATERIALS = [
  'ss-316',
  'ss-316-drawn',
  'al-5083',
  'al-6061',
  'titanium-6al4v',
  'silicon-bronze',
] as const
const whole = () => z.number().int()
const curve = z.strictObject({ chordMm: positive(), sagittaMm: positive() }).nullable()

/** All that a user decides or measures of one row. Where each stands follows from it, and is computed. */
export const rowSchema = z.strictObject({
  schemaVersion: z.literal(ROW_VERSION),
  name: z.string().trim().min(1).max(120),
  family: z.enum(ROW_FAMILIES),
  catalogueId: z.string().max(40).nullable(),
  ...surfaceFields,
  /** the line that it stands on, in boat coordinates, from its first end */
  path: z
    .array(z.strictObject({ xMm: z.number(), yMm: z.number(), zMm: z.number() }))
    .min(2)
    .max(400),
  /** from and to along that line */
  fromMm: whole().min(0),
  toMm: whole().positive(),
  ends: z.enum(['fixed', 'free']),
  endToleranceMm: whole().min(0).nullable(),
  /** of each of them along the line */
  footprintMm: whole().positive(),
  pitch: z.strictObject({
    leastMm: positive(),
    wantedMm: positive(),
    mostMm: positive(),
  }),
  /** null: as many as come out most even */
  count: whole().min(2).max(500).nullable(),
  keepouts: z
    .array(
      z.strictObject({
        name: z.string().trim().min(1).max(80),
        fromMm: whole(),
        toMm: whole(),
        marginMm: whole().min(0),
      }),
    )
    .max(60),
  /** bulkheads, knees and beams of the map that cross the line are kept off by so much; null: not at all */
  mapMarginMm: whole().min(0).nullable(),
  /** the fitting that each of them is, by its number; null where they are bolts */
  memberId: z.string().max(40).nullable(),
  bolt: z.strictObject({ diameterMm: positive(), holeMm: positive() }),
  strip: z
    .strictObject({
      widthMm: positive(),
      thicknessMm: positive(),
      material: z.enum(STRIP_MATERIALS),
      /** the hull's curve under it, by chord and rise: the easy way and edgewise */
      easy: curve,
      edge: curve,
      boltTensionN: positive().nullable(),
      stockMm: positive(),
    })
    .nullable(),
  /** angle to bend each to, between base and post, from the survey with the cradle taken out */
  bends: z.array(z.strictObject({ at: whole().min(1).max(500), deg: z.number().min(0).max(180) })).max(500),
  bedding: z.strictObject({ sealant: z.enum(SEALANT_IDS).nullable(), face: z.enum(FACES) }),
  tempC: z.number().min(-30).max(60),
  humidityPct: z.number().min(0).max(100),
  /** thickness of deck or hull there and its flare: for what is measured from inside; null: not measured */
  through: z.strictObject({ thicknessMm: positive(), flareDeg: z.number().gt(-90).lt(90) }).nullable(),
  existing: z.boolean().default(false),
  findings: z.array(z.string().max(40)).max(40).default([]),
  replaces: z.string().max(120).nullable().default(null),
  /** for whoever sets it out */
  note: z.string().max(300).default(''),
})
export type RowDesign = z.output<typeof rowSchema>
export const parseRow = (raw: unknown): RowDesign =>
  parseVersioned({ schema: rowSchema, version: ROW_VERSION, upgrade: (x: unknown) => x }, raw)
