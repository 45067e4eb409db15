import { z } from 'zod'
import { positive } from '../../base/schema/schema'
import { CLOTH_IDS } from '../../base/materials/cloths'
import { parseVersioned } from '../parse'
import { surfaceFields } from '../surface'
import { CLOSURE_FAMILIES } from './families'

export const CLOSURE_VERSION = 1
export const CLOSURE_RESINS = ['epoxy', 'vinylester', 'polyester'] as const
export type ClosureResin = (typeof CLOSURE_RESINS)[number]
/** From where a hand reaches it. */
export const ACCESS = ['both', 'outside', 'inside'] as const
export const CORE_STATES = ['unknown', 'dry', 'wet'] as const
/** How many holes one job takes: a row of fasteners and more. */
export const MOST_HOLES = 120

/** One hole of the job, from the job's place: x aft, y to starboard on the face it is in. */
const holeSchema = z.strictObject({
  /** its number in the register; null: it is not on record yet */
  label: z.string().max(12).nullable(),
  dxMm: z.number().min(-20_000).max(20_000),
  dyMm: z.number().min(-20_000).max(20_000),
  /** the long way, where it is no circle */
  holeMm: positive().max(2000),
})
export type OldHole = z.output<typeof holeSchema>

/** All that a user decides or measures of one job of closing. Whatever follows from it is computed. */
export const closureSchema = z.strictObject({
  schemaVersion: z.literal(CLOSURE_VERSION),
  name: z.string().trim().min(1).max(120),
  family: z.enum(CLOSURE_FAMILIES),
  catalogueId: z.string().max(40).nullable(),
  ...surfaceFields,
  holes: z.array(holeSchema).min(1).max(MOST_HOLES),
  /** laid up flush, or filled with thickened epoxy alone */
  way: z.enum(['laminate', 'fill']),
  access: z.enum(ACCESS),
  /** ground from one side or from both; both wants both reached */
  sides: z.enum(['one', 'both']),
  /** n to one; null: what the place asks for */
  ratio: z.number().min(1).max(100).nullable().default(null),
  cloth: z.enum(CLOTH_IDS),
  order: z.enum(['small-first', 'large-first']),
  resin: z.enum(CLOSURE_RESINS),
  /** keel, rudder, chainplate, engine bed within reach of the patch */
  highlyLoaded: z.boolean(),
  coreState: z.enum(CORE_STATES),
  tempC: z.number().min(-30).max(60),
  humidityPct: z.number().min(0).max(100),
  existing: z.boolean().default(false),
  findings: z.array(z.string().max(40)).max(40).default([]),
  replaces: z.string().max(120).nullable().default(null),
})
export type ClosureDesign = z.output<typeof closureSchema>
export const parseClosure = (raw: unknown): ClosureDesign =>
  parseVersioned({ schema: closureSchema, version: CLOSURE_VERSION, upgrade: (x: unknown) => x }, raw)
