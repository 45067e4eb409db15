import { z } from 'zod'
import { FACES } from '../../chapters/bedding/sealant-choice'
import { CORE_IDS } from '../../base/materials/cores'
import { GLAZING_IDS } from '../../base/materials/glazing'
import { SEALANT_IDS } from '../../base/materials/sealants'
import { MEASURABLE, structureSchema } from '../../base/materials/structure'
import { dutySchema, nonNegative, pointSchema, positive } from '../../base/schema/schema'
import { measureSchema } from '../../boat/where'
import { parseVersioned } from '../parse'
import { OPENING_FAMILIES, SEA_PLACES, type SeaPlace } from './families'

export const OPENING_VERSION = 3
export const RING_MATERIALS = ['plywood', 'timber', 'glass-sheet'] as const
export const LATCH_KINDS = ['turn-button', 'toggle', 'barrel-bolt', 'cam'] as const
export const GASKET_KINDS = ['strip-soft', 'strip-firm', 'hollow'] as const
export const BACKS = ['hinge', 'ledge', 'latches'] as const
export const HINGE_SIDES = ['forward', 'aft', 'port', 'starboard'] as const
export const RIMS = ['none', 'light', 'stiff'] as const
/** How the flange is held to the boat. */
export const FRAME_HOLDS = ['screws', 'bolts', 'bond'] as const

/** What a bin hangs on, inside: how the face was made ready for the bond (chapter 8.1). */
export const BOND_FACES = ['secondary-epoxy', 'secondary-polyester', 'unabraded'] as const
export const GLAND_SIZES = ['M16', 'M20', 'M25', 'M32', 'M40'] as const

const sides = Object.keys(SEA_PLACES) as [SeaPlace, ...SeaPlace[]]
export const outlineSchema = z.discriminatedUnion('kind', [
  z
    .strictObject({
      kind: z.literal('rect'),
      lengthMm: positive(),
      widthMm: positive(),
      cornerMm: nonNegative(),
    })
    .refine((o) => o.cornerMm <= Math.min(o.lengthMm, o.widthMm) / 2 + 1e-9, {
      message: 'A corner is no rounder than half the short side',
      path: ['cornerMm'],
    }),
  z.strictObject({ kind: z.literal('circle'), diameterMm: positive() }),
  z.strictObject({ kind: z.literal('polygon'), points: z.array(pointSchema).min(3).max(80) }),
])
export type CutOutline = z.output<typeof outlineSchema>

/** A glass set flush: a solid under the deck's outer skin, with a pocket for the glass in it (15.2). */
const prismSchema = z.strictObject({
  /** round the glass flange, filled with sealant */
  sideMm: nonNegative(),
  /** of the solid outside the pocket */
  bandMm: positive(),
  glueMm: nonNegative(),
  edgeGapMm: nonNegative(),
  toleranceMm: positive(),
})
/** A bin hung under the cut-out by its flange (15.3). */
const binSchema = z.strictObject({
  depthMm: positive(),
  massKg: positive(),
  contents: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('water'), fill: positive().max(1) }),
    z.strictObject({ kind: z.literal('gear'), massKg: nonNegative() }),
  ]),
  bonded: z.boolean(),
  surface: z.enum(BOND_FACES),
  liftMinutes: nonNegative(),
  minutesPerScrew: nonNegative(),
})
/** A pipe is a way for water through its gland, unless its run is closed or a valve shuts it. */
export const LINE_KINDS = ['cable', 'pipe-closed', 'pipe-valved', 'pipe-open'] as const
const cableSchema = z.strictObject({
  name: z.string().trim().min(1).max(60),
  odMm: positive(),
  line: z.enum(LINE_KINDS).default('cable'),
})
/** Cables through a watertight bulkhead; each gland stands from the place to starboard and up (15.4). */
const glandSchema = z.strictObject({
  glands: z
    .array(
      z.strictObject({
        /** null: the smallest that takes its cables */
        size: z.enum(GLAND_SIZES).nullable(),
        cables: z.array(cableSchema).min(1).max(8),
        yMm: z.number().min(-2000).max(2000),
        zMm: z.number().min(-2000).max(2000),
        /** from its middle to tabbing or beam */
        edgeMm: positive().nullable(),
        threadMm: positive().nullable(),
        boreMm: positive().nullable(),
      }),
    )
    .min(1)
    .max(6),
  /** how high the water would stand, over the waterline; null: nobody has said */
  floodZMm: z.number().nullable(),
  wrenchMm: nonNegative(),
  /** the compartment that it keeps shut */
  behind: z
    .strictObject({
      lengthMm: positive(),
      widthMm: positive(),
      heightMm: positive(),
      /** it lies forward of the bulkhead, or aft of it */
      side: z.enum(['forward', 'aft']).default('forward'),
      pumpLpm: positive().nullable().default(null),
    })
    .nullable()
    .default(null),
})

/** All that a user decides or measures of one opening. Whatever follows from it is computed. */
export const openingSchema = z.strictObject({
  schemaVersion: z.literal(OPENING_VERSION),
  name: z.string().trim().min(1).max(120),
  family: z.enum(OPENING_FAMILIES),
  catalogueId: z.string().max(40).nullable(),
  place: z.strictObject({
    zone: z.string().max(80).nullable(),
    xMm: z.number(),
    yMm: z.number(),
    zMm: z.number(),
    belowWaterline: z.boolean(),
    measuredFrom: z.array(measureSchema).max(12).default([]),
  }),
  /** its own x turned from aft towards starboard */
  headingDeg: z.number().min(-180).max(180).default(0),
  structure: structureSchema,
  structureReason: z.string().max(300).nullable().default(null),
  measured: z.array(z.enum(MEASURABLE)),
  duty: dutySchema,
  dutyReason: z.string().max(300).nullable().default(null),
  /** what is cut out of the boat */
  outline: outlineSchema,
  frame: z.strictObject({
    flangeMm: positive(),
    thicknessMm: positive(),
    hold: z.enum(FRAME_HOLDS),
    screwMm: positive(),
    /** from the flange's outer edge */
    insetMm: positive(),
    pitchMm: positive(),
    face: z.enum(FACES),
  }),
  /** raked back and filled, where there is a core; null: by the core (chapter 6.2) */
  core: z.strictObject({ filled: z.boolean(), rakeMm: positive().nullable().default(null) }),
  /** a frame of stiff stuff behind thin laminate, or in place of a member that was cut */
  ring: z
    .strictObject({ material: z.enum(RING_MATERIALS), widthMm: positive(), thicknessMm: positive() })
    .nullable(),
  /** flange area of what is cut through; 0: nothing is */
  cutMemberMm2: nonNegative().default(0),
  /** one each side of it, from the next member forward to the next aft, in place of a member that was cut */
  carlin: z.strictObject({ widthMm: positive(), depthMm: positive() }).nullable().default(null),
  pane: z
    .strictObject({
      material: z.enum(GLAZING_IDS),
      thicknessMm: positive(),
      /** from the cut-out's edge to where the pane is carried; negative: it overlaps the cut-out */
      seatMm: z.number().min(-500).max(500),
      underfoot: z.boolean(),
      clamped: z.boolean().default(false),
      /** screwed through: screw and edge distance of its holes; null: held by its frame or bead alone */
      screws: z.strictObject({ screwMm: positive(), edgeMm: positive() }).nullable().default(null),
      beadMm: positive().nullable().default(null),
      sealant: z.enum(SEALANT_IDS).nullable().default(null),
      /** what its maker proves of it for such a place; null: it is worked out */
      proof: z.string().trim().min(1).max(200).nullable().default(null),
    })
    .nullable(),
  lid: z
    .strictObject({
      massKg: positive(),
      back: z.enum(BACKS),
      /** which edge a hinged one turns on */
      hingeSide: z.enum(HINGE_SIDES).default('forward'),
      latches: z.number().int().min(1).max(40),
      latch: z.enum(LATCH_KINDS).nullable(),
      gasket: z.enum(GASKET_KINDS).nullable(),
      /** a frame round it stiffens it between its latches */
      rim: z.enum(RIMS).default('none'),
      /** wind that may lift it while it is shut */
      windKn: nonNegative().nullable().default(null),
      stops: z.strictObject({ clearanceMm: nonNegative(), overlapMm: positive() }).nullable().default(null),
      stepMm: nonNegative().nullable().default(null),
      /** out of the rebate that the lid lies in; null: none */
      drains: z
        .strictObject({ count: z.number().int().min(1).max(8), diameterMm: positive() })
        .nullable()
        .default(null),
      /** of a door: water over its middle, on the side that presses it off its seat; null: nobody has said */
      headMm: nonNegative().nullable().default(null),
    })
    .nullable(),
  prism: prismSchema.nullable().default(null),
  bin: binSchema.nullable().default(null),
  gland: glandSchema.nullable().default(null),
  keeps: z.enum(['watertight', 'weathertight', 'neither']),
  sea: z.enum(sides),
  sillMm: nonNegative().nullable().default(null),
  bedding: z.strictObject({
    sealant: z.enum(SEALANT_IDS).nullable(),
    beadMm: positive(),
    filletMm: nonNegative().default(3),
    serviceAgainYears: positive().nullable().default(null),
    sunlight: z.boolean().default(true),
    toBePainted: z.boolean().default(false),
    deckFace: z.enum(FACES),
    tempC: z.number().min(-30).max(60),
    humidityPct: z.number().min(0).max(100),
  }),
  /** thickness as the cut-out showed it; null until it has been measured */
  offcutMm: positive().nullable().default(null),
  existing: z.boolean().default(false),
  findings: z.array(z.string().max(40)).max(40).default([]),
  replaces: z.string().max(120).nullable().default(null),
})
export type OpeningDesign = z.output<typeof openingSchema>
type Raw = Record<string, unknown>
/** Version 1 had no carlins, no side of a hinge, and a compartment without its side and its pump. */
function fromFirst(d: Raw): Raw {
  const lid = d.lid as Raw | null | undefined
  const gland = d.gland as Raw | null | undefined
  const behind = gland?.behind as Raw | null | undefined
  return {
    ...d,
    carlin: null,
    ...(lid ? { lid: { ...lid, hingeSide: 'forward' } } : {}),
    ...(gland && behind
      ? { gland: { ...gland, behind: { ...behind, side: 'forward', pumpLpm: null } } }
      : {}),
  }
}
const linesOf = (gland: Raw): Raw => ({
  ...gland,
  glands: (gland.glands as Raw[]).map((g) => ({
    ...g,
    cables: ((g.cables as Raw[] | undefined) ?? []).map((c) => ({ ...c, line: 'cable' })),
  })),
})
/** Version 2 had no drains of a rebate, no water against a door, and cables alone through a bulkhead. */
export function upgradeOpening(raw: unknown, from: number): unknown {
  if (from >= OPENING_VERSION) return raw
  const d = from < 2 ? fromFirst(raw as Raw) : (raw as Raw)
  const [lid, gland] = [d.lid as Raw | null | undefined, d.gland as Raw | null | undefined]
  return {
    ...d,
    schemaVersion: OPENING_VERSION,
    ...(lid ? { lid: { ...lid, drains: null, headMm: null } } : {}),
    ...(gland ? { gland: linesOf(gland) } : {}),
  }
}
export const parseOpening = (raw: unknown): OpeningDesign =>
  parseVersioned({ schema: openingSchema, version: OPENING_VERSION, upgrade: upgradeOpening }, raw)

type CoreId = (typeof CORE_IDS)[number]
/** The core that the edge is closed against; none where there is none. */
export const coreOf = (d: OpeningDesign): { core: 'none' | CoreId; coreMm: number } =>
  d.structure.kind === 'sandwich'
    ? { core: d.structure.core.material, coreMm: d.structure.core.thicknessMm }
    : { core: 'none', coreMm: 0 }

/** Holes of one opening by the parts that the register knows them by. */
export const holeParts = (d: OpeningDesign): string[] =>
  d.gland ? d.gland.glands.map((_, i) => `gland ${i + 1}`) : ['opening']
