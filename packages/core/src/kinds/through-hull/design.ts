import { z } from 'zod'
import { GRADE_IDS, SIZE_IDS } from '../../base/materials/fasteners'
import { SEALANT_IDS } from '../../base/materials/sealants'
import { THREAD_SIZES } from '../../chapters/hull/thread-fit'
import { measureSchema } from '../../boat/where'
import { dutySchema, nonNegative, positive } from '../../base/schema/schema'
import { THREAD_WAYS } from './thread-ways'
import { THROUGH_HULL_FAMILIES, BODY_MATERIALS, USES } from './families'

const words = (most = 300) => z.string().max(most)
const external = z.strictObject({
  family: z.enum(['bspp', 'bspt', 'npt', 'npsm']),
  size: z.enum(THREAD_SIZES),
})
const internal = z.strictObject({
  family: z.enum(['bspp', 'bspt', 'rp', 'npt', 'npsm']),
  size: z.enum(THREAD_SIZES),
  depthMm: positive(),
})
const segment = z.strictObject({
  x1Mm: z.number(),
  y1Mm: z.number(),
  x2Mm: z.number(),
  y2Mm: z.number(),
  what: words(60).default(''),
})

/** What stands in the hull: the skin fitting, or the body of what takes its place. */
export const skinSchema = z.strictObject({
  id: words(40).nullable().default(null),
  title: words(120),
  material: z.enum(BODY_MATERIALS),
  tailMm: positive(),
  tailOdMm: positive().nullable(),
  holeMm: positive(),
  boreMm: nonNegative(),
  flangeMm: positive(),
  leastTotalMm: positive(),
  greatestTotalMm: positive().nullable(),
  windowMm: z.tuple([nonNegative(), nonNegative()]),
  nutMm: nonNegative(),
  collarMm: nonNegative(),
  /** at the root of the thread, and what the material yields at: for a train that hangs on a bare nut */
  rootMm: positive().nullable(),
  yieldMPa: positive(),
  thread: external.nullable(),
  /** how far its head stands proud outside */
  proudMm: nonNegative(),
})
export const valveSchema = z.strictObject({
  id: words(40).nullable().default(null),
  title: words(120),
  kind: z.enum(['flanged', 'screwed', 'taper-plug']),
  material: z.enum(BODY_MATERIALS),
  inlet: internal,
  outlet: internal,
  boreMm: positive(),
  /** bearing face on the pad (or nut) to its inboard end */
  heightMm: positive(),
  handleMm: positive(),
  handle: z.enum(['lever', 'tee']),
  sweepDeg: z
    .number()
    .min(-180)
    .max(180)
    .refine((d) => d !== 0, {
      message: '0 was given; a handle that does not swing shuts nothing. -180 to 180 but 0 is accepted',
    }),
  flangeMm: positive(),
  boltCircleMm: positive().nullable(),
  engagedMm: positive().nullable(),
})
export const tailSchema = z.strictObject({
  id: words(40).nullable().default(null),
  title: words(120),
  material: z.enum(BODY_MATERIALS),
  thread: external,
  engagedMm: positive().nullable(),
  barbMm: positive(),
  barbLengthMm: positive(),
  boreMm: positive(),
  /** an elbow: how far the hose turns from the axis of the valve */
  bendDeg: z.number().min(0).max(135).default(0),
})
export const hoseSchema = z.strictObject({
  boreMm: positive(),
  clips: z.number().int().min(0).max(4),
  bandMm: positive().default(13),
  belowRated: z.boolean().default(true),
})
const sealantOrNone = z.enum(SEALANT_IDS).nullable()

export const THROUGH_HULL_VERSION = 2
/** All that a user decides or measures of one fitting through the hull. Whatever follows is computed. */
export const throughHullSchema = z.strictObject({
  schemaVersion: z.literal(THROUGH_HULL_VERSION),
  name: z.string().trim().min(1).max(120),
  family: z.enum(THROUGH_HULL_FAMILIES),
  catalogueId: words(40).nullable(),
  use: z.enum(USES),
  duty: dutySchema,
  dutyReason: words().nullable().default(null),
  place: z.strictObject({
    zone: words(80).nullable(),
    xMm: z.number(),
    yMm: z.number(),
    zMm: z.number(),
    measuredFrom: z.array(measureSchema).max(12).default([]),
  }),
  hull: z.strictObject({
    kind: z.enum(['solid', 'cored', 'aluminium', 'steel', 'timber']),
    thicknessMm: positive(),
    measured: z.boolean(),
    how: words(80).default(''),
    deadriseDeg: z.number().min(0).lt(80),
    slopeDeg: z.number().min(-80).max(80).default(0),
    angleMeasured: z.boolean().default(false),
    /** nobody has said how the hull slopes here: the figure stands for nothing until one is given */
    angleUnknown: z.boolean().optional(),
    /** across the place where a cored bottom was made solid; null while nobody has */
    solidMm: positive().nullable().default(null),
  }),
  skin: skinSchema,
  /** the hole as it was bored; null: to the catalogue */
  boredMm: positive().nullable().default(null),
  beddingMm: nonNegative().default(1),
  pad: z
    .strictObject({
      material: z.enum(['glass-epoxy', 'g10', 'plywood', 'composite']),
      thicknessMm: positive(),
      diameterMm: positive(),
      bondMPa: positive().default(12),
    })
    .nullable(),
  wedge: z.strictObject({
    blocks: z.enum(['none', 'inside', 'outside', 'both']),
    thinMm: positive().default(5),
    marginMm: nonNegative().default(10),
  }),
  valve: valveSchema.nullable(),
  tail: tailSchema.nullable(),
  hose: hoseSchema.nullable(),
  hold: z.strictObject({
    method: z.enum(['through', 'insert', 'nut']),
    bolts: z.number().int().min(3).max(12).default(3),
    size: z.enum(SIZE_IDS),
    grade: z.enum(GRADE_IDS),
    insertMm: positive().nullable().default(null),
    engagedMm: positive().nullable().default(null),
  }),
  clock: z.strictObject({
    measuredDeg: z.number().min(-360).max(720).nullable(),
    wantedDeg: z.number().min(-360).max(720),
    toleranceDeg: nonNegative().default(5),
    obstacles: z.array(segment).max(40).default([]),
    /** what the map has there, and does not stand in the handle's plane */
    ignored: z.array(words(80)).max(40).default([]),
  }),
  bedding: z.strictObject({
    flange: sealantOrNone,
    pad: sealantOrNone,
    tail: sealantOrNone,
    thread: z.enum(THREAD_WAYS).default('ptfe'),
    serviceAgainYears: positive().nullable().default(null),
    tempC: z.number().min(-30).max(60),
    humidityPct: z.number().min(0).max(100),
    surfaceC: z.number().min(-30).max(60).nullable().default(null),
    airC: z.number().min(-30).max(60).nullable().default(null),
    takenAt: words(40).default(''),
    hardener: z.enum(['fast', 'medium', 'slow', 'extra-slow']).nullable().default(null),
    ratio: z.number().min(1).max(10).default(2),
  }),
  metals: z.strictObject({
    school: z.enum(['bond-all', 'isolate-each']),
    water: z.enum(['salt', 'brackish', 'fresh']).default('salt'),
    isolated: z.boolean().default(false),
    anode: z
      .strictObject({
        alloy: z.enum(['zinc', 'aluminium', 'magnesium']),
        wettedM2: positive(),
        finish: z.enum(['bare-bronze', 'bare-stainless', 'painted', 'aluminium-drive', 'bare-steel']),
        years: positive().default(1),
        pieceKg: positive(),
      })
      .nullable()
      .default(null),
  }),
  /** what it has to pass, L/min; null where nobody asks */
  flowLpm: positive().nullable().default(null),
  transducer: z
    .strictObject({
      kind: z.enum(['tilted', 'paddle', 'forward-looking', 'flat']),
      tiltsDeg: z.array(z.number().min(0).lt(60)).min(1).max(12),
      waterDepthM: positive().default(10),
      arrow: z.enum(['keel', 'forward']),
    })
    .nullable()
    .default(null),
  plug: z
    .strictObject({
      throughBolted: z.boolean(),
      block: z.boolean(),
      flush: z.boolean(),
      grounds: z.boolean(),
      choke: z.boolean(),
      /** the choke hole as it is drilled; null while nobody has said */
      chokeMm: positive().nullable().default(null),
      /** what the pumps beside it carry for ever, as the flooding says; null while nobody has asked it */
      pumpsLpm: nonNegative().nullable().default(null),
    })
    .nullable()
    .default(null),
  stud: z
    .strictObject({
      wired: z.boolean(),
      clearOfBilge: z.boolean(),
      spannerRoom: z.boolean(),
      protects: words(120).default(''),
    })
    .nullable()
    .default(null),
  /** who drinks from the chest, and how much of its strainer is open */
  chest: z
    .strictObject({
      openMm2: positive(),
      users: z.array(z.strictObject({ name: words(60), flowLpm: positive() })).max(12),
    })
    .nullable()
    .default(null),
  drain: z
    .strictObject({
      areaM2: positive(),
      waterMm: positive(),
      fallMm: nonNegative(),
      drains: z.number().int().min(1).max(20),
      limitS: positive().default(300),
    })
    .nullable()
    .default(null),
  /**
   * how far she is taken to heel where it is asked what is under water then; 20\u00b0 is typical of a
   * launch
   */
  heeledDeg: z.number().min(0).max(60).default(20),
  /** answers of the placing aid, by its question */
  asks: z.record(words(40), words()).default({}),
  /** found in the boat, and looked at: what is wrong with it */
  existing: z.boolean().default(false),
  findings: z.array(words(40)).max(40).default([]),
  taperPlug: z
    .strictObject({
      pitMm: nonNegative(),
      wallMm: positive(),
      contactPct: z.number().min(0).max(100),
    })
    .nullable()
    .default(null),
  /** the name of what it replaces, or is replaced by */
  replaces: words(120).nullable().default(null),
})
export type ThroughHullDesign = z.output<typeof throughHullSchema>
export type Skin = z.output<typeof skinSchema>
export type Valve = z.output<typeof valveSchema>
export type Tail = z.output<typeof tailSchema>
export type Hose = z.output<typeof hoseSchema>
