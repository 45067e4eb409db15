import { z } from 'zod'
import { nonNegative, positive } from '../../base/schema/schema'
import { HARDENER_IDS } from '../../chapters/bedding/epoxy-batch'
import { CLOTH_IDS } from '../../base/materials/cloths'
import { parseVersioned } from '../parse'
import { surfaceFields } from '../surface'
import { CLOSURE_FAMILIES } from './families'

export const CLOSURE_VERSION = 2
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

export const BLOCK_WAYS = ['laid', 'cast', 'sheets'] as const
export type BlockWay = (typeof BLOCK_WAYS)[number]
/** Along a run of the deck's edge, from inside (15.7). */
const jointSchema = z.strictObject({
  path: z
    .array(z.strictObject({ xMm: z.number(), yMm: z.number(), zMm: z.number() }))
    .min(2)
    .max(400),
  gapMm: nonNegative(),
  depthMm: nonNegative(),
  filletMm: positive(),
  angleDeg: z.number().min(60).max(180),
  tapesMm: z.array(positive()).min(1).max(6),
  pieceMm: positive(),
  /** that stand in the way of the tapes, and are cut off */
  screws: z.number().int().min(0).max(5000),
  minutesEach: nonNegative(),
  hardener: z.enum(HARDENER_IDS),
})
/** A pad, a wedge or a blank, made in the shop (15.6). */
const blockSchema = z.strictObject({
  way: z.enum(BLOCK_WAYS),
  lengthMm: positive(),
  widthMm: positive(),
  thickMm: positive(),
  /** null: as thick all over */
  thinMm: positive().nullable(),
  trimMm: nonNegative(),
  taper: z.enum(['plane', 'step']),
  hardener: z.enum(HARDENER_IDS),
  /** what stands on the shelf, from the thinnest to the thickest */
  sheetsMm: z.array(positive()).min(1).max(8),
})

/** All that a user decides or measures of one job of closing. Whatever follows from it is computed. */
const fields = z.strictObject({
  schemaVersion: z.literal(CLOSURE_VERSION),
  name: z.string().trim().min(1).max(120),
  family: z.enum(CLOSURE_FAMILIES),
  catalogueId: z.string().max(40).nullable(),
  ...surfaceFields,
  /** none where a joint is sealed, or a block is made */
  holes: z.array(holeSchema).max(MOST_HOLES),
  joint: jointSchema.nullable().default(null),
  block: blockSchema.nullable().default(null),
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
export const closureSchema = fields.superRefine((d, ctx) => {
  const refuse = (path: string, message: string) => ctx.addIssue({ code: 'custom', path: [path], message })
  for (const part of ['joint', 'block'] as const)
    if ((d.family === part) !== (d[part] !== null))
      refuse(
        part,
        d[part] ? `${part} goes with its own family` : `${part} is missing; this family is made of one`,
      )
  if (!d.joint && !d.block && !d.holes.length) refuse('holes', 'holes is empty; at least one is closed')
})
export type ClosureDesign = z.output<typeof closureSchema>
export type Joint = NonNullable<ClosureDesign['joint']>
export type Block = NonNullable<ClosureDesign['block']>
/** Version 1 closed holes alone. */
export const upgradeClosure = (raw: unknown, from: number): unknown =>
  from >= CLOSURE_VERSION
    ? raw
    : { ...(raw as object), schemaVersion: CLOSURE_VERSION, joint: null, block: null }
export const parseClosure = (raw: unknown): ClosureDesign =>
  parseVersioned({ schema: closureSchema, version: CLOSURE_VERSION, upgrade: upgradeClosure }, raw)
