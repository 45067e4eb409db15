import { z } from 'zod'
import {
  FACES_OF_BOAT,
  HULL_KINDS,
  LIFE_STATES,
  LOG_KINDS,
  PART_KINDS,
  REACH_KINDS,
  RIGS,
} from '@north-tide/core'
import { PHOTO_SUBJECTS } from './photo-subjects'
import { stationsSchema } from './stations'
import { moment } from './saving'
import { recordShapes } from './whole-boat-records'

/**
 * The whole boat with its survey in one file: docs/file-formats.md. Version 1 called zones by their titles
 * in designs and holes, and had no deadrise and nothing withdrawn; version 2 held what had happened in the
 * designs, and through-hulls in a list of their own; version 3 had no drips, floodings, proofs, notes and
 * photos of a fitting. All are read as they were meant (whole-boat-upgrade.ts). Verdicts are not in it;
 * whoever reads it judges anew.
 */
export const BOAT_FORMAT = 'north-tide-boat'
export const BOAT_VERSION = 4

const num = z.number()
const maybe = num.nullable()
const text = z.string().max(5000)
const when = moment
/** taken out of use with a reason, and kept */
const withdrawn = z.strictObject({ why: text.min(1), by: text, at: when }).nullable()
const logLine = z.strictObject({
  kind: z.enum(LOG_KINDS),
  step: z.string().max(40),
  value: num.min(0).nullable(),
  lot: z.string().nullable(),
  tempC: maybe,
  humidityPct: num.min(0).max(100).nullable(),
  sizeMm: num.positive().nullable(),
  note: text,
  who: text,
  at: when,
  undoes: z.boolean(),
  data: z.record(z.string().max(40), z.unknown()).nullable(),
})
export const boatFile = z.strictObject({
  format: z.literal(BOAT_FORMAT),
  version: z.number().int(),
  boat: z.strictObject({
    name: z.string().trim().min(1).max(120),
    kind: text,
    lengthMm: num.positive(),
    beamMm: num.positive(),
    displacementKg: num.positive(),
    duty: z.enum(['sheltered', 'coastal', 'ocean']),
    units: z.enum(['metric', 'inch']),
    hullKind: z.enum(HULL_KINDS),
    hullMaterial: text,
    note: text,
    /** neither this nor a hole's direction was in files before they were known */
    launchOn: z.iso.date().nullable().default(null),
    rig: z.enum(RIGS).nullable().default(null),
  }),
  stations: stationsSchema,
  zones: z.array(
    z.strictObject({
      code: z.string().min(1).max(80),
      title: z.string().min(1).max(80),
      face: z.enum(FACES_OF_BOAT),
      kind: z.enum(['sandwich', 'solid', 'metal', 'timber']),
      zMm: num,
      atXMm: maybe,
      stacking: num.int(),
      reach: text,
      reachKind: z.enum(REACH_KINDS),
      state: text,
      outline: z.array(z.strictObject({ xMm: num, yMm: num })).min(3),
      layers: z
        .array(
          z.strictObject({
            material: z.string().max(60),
            thicknessMm: num.positive(),
            measured: z.boolean(),
            measuredBy: text,
            spreadMm: num.min(0).nullable(),
            count: num.int().min(0),
          }),
        )
        .min(1),
      deadrise: z
        .array(z.strictObject({ xMm: num, deg: num.min(0).lt(80) }))
        .max(40)
        .default([]),
    }),
  ),
  structure: z.array(
    z.strictObject({
      kind: z.enum(PART_KINDS),
      title: z.string().max(80),
      x0Mm: num,
      y0Mm: num,
      x1Mm: num,
      y1Mm: num,
      belowMm: num.min(0).nullable(),
      depthMm: num.positive().nullable(),
      widthMm: num.positive().nullable(),
    }),
  ),
  readings: z.array(
    z.strictObject({
      zone: z.string().nullable(),
      kind: z.enum(['thickness', 'moisture', 'tap', 'core']),
      way: text,
      layer: num.int().min(0).nullable(),
      xMm: num,
      yMm: num,
      value: maybe,
      scaleMost: num.positive().nullable(),
      dryReference: maybe,
      finding: text,
      note: text,
      instrument: text,
      who: text,
      takenAt: when,
      withdrawnWhy: text.nullable(),
      withdrawnBy: text.nullable(),
    }),
  ),
  angles: z.array(
    z.strictObject({
      role: z.enum(['reference', 'trim', 'station', 'recheck']),
      station: text,
      side: z.enum(['port', 'starboard']).nullable(),
      axis: z.enum(['across', 'along']).nullable(),
      leanDeg: maybe,
      afterCount: num.int().min(0).nullable(),
      degrees: num.min(-90).max(90),
      instrument: text,
      who: text,
      takenAt: when,
    }),
  ),
  lots: z.array(
    z.strictObject({
      code: z.string().min(1),
      title: text,
      chemistry: text,
      kind: z.enum(['sealant', 'epoxy']),
      openedOn: z.string().nullable(),
      expiresOn: z.string(),
      storedHot: z.boolean(),
      testedOn: z.string().nullable(),
      testNote: text,
    }),
  ),
  fittings: z.array(
    z.strictObject({
      key: z.string().min(1),
      kind: z.string().min(1).max(40),
      design: z.unknown(),
      /** key of the one before it in this file that it stands in the place of */
      replaces: z.string().nullable(),
      /** key of the row before it in this file that it is one of */
      group: z.string().nullable().default(null),
      recordedAt: when.nullable(),
      createdAt: when,
      updatedAt: when,
      updatedBy: text,
      log: z.array(logLine),
    }),
  ),
  flooding: z.unknown().default(null),
  holes: z.array(
    z.strictObject({
      number: num.int().positive(),
      fitting: z.string().nullable(),
      /** which hole of its fitting: bolt 1, bore, pipe; null where it has none */
      part: z.string().max(40).nullable(),
      boltIndex: num.int().min(0).nullable(),
      whatFor: text,
      zone: text,
      xMm: num,
      yMm: num,
      zMm: num,
      diameterMm: num.positive(),
      acrossMm: num.positive().nullable(),
      directionDeg: num.min(-90).max(90).nullable().default(null),
      foundKind: text.nullable(),
      withdrawn: withdrawn.default(null),
      through: text,
      fastener: text,
      plate: text,
      coreSchool: text,
      sealant: text.nullable(),
      belowWaterline: z.boolean(),
      found: z.boolean(),
      measuredFrom: text,
      createdAt: when,
      events: z
        .array(
          z.strictObject({
            seq: num.int().positive(),
            state: z.enum(LIFE_STATES),
            note: text,
            who: text,
            happenedAt: when,
            recordedAt: when,
            sizeMm: num.positive().nullable(),
            tempC: maybe,
            humidityPct: num.min(0).max(100).nullable(),
            lot: z.string().nullable(),
            evidence: text,
            gatesPassed: z.array(z.string()),
            gateReason: text.nullable(),
            corrects: num.int().positive().nullable(),
          }),
        )
        .min(1),
    }),
  ),
  ...recordShapes,
  photos: z.array(
    z.strictObject({
      subject: z.enum(PHOTO_SUBJECTS),
      of: z.string(),
      caption: text,
      who: text,
      takenAt: when,
      /** where on the map it belongs */
      pin: z.strictObject({ xMm: num.min(-1e5).max(1e6), yMm: num.min(-1e5).max(1e5) }).optional(),
      /** in the file itself, or beside it in its box by name and SHA-256 */
      base64: z.string().optional(),
      file: z.string().max(300).optional(),
      sha256: z.string().length(64).optional(),
      withdrawn: withdrawn.default(null),
    }),
  ),
})
export type BoatFile = z.input<typeof boatFile>
export type ReadBoat = z.output<typeof boatFile>
