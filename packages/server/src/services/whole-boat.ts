import { createHash } from 'node:crypto'
import { z } from 'zod'
import {
  LIFE_STATES,
  boltPart,
  parseDesign,
  parseInput,
  CalcError,
  HULL_KINDS,
  FACES_OF_BOAT,
  PART_KINDS,
  REACH_KINDS,
  zoneCodeOf,
} from '@north-tide/core'
import { BaseError } from 'sequelize'
import { refusalOf } from '../database-errors'
import { ApiError, forbidden } from '../errors'
import { parseThroughHull, parseFloodPlan, type FloodPlan } from '@north-tide/core/through-hull'
import {
  AngleReading,
  Boat,
  Fitting,
  FloodPlanRow,
  ThroughHull,
  WorkLog,
  LifeEvent,
  Lot,
  Penetration,
  Photo,
  Reading,
  Station,
  StructurePart,
  Zone,
  ZoneLayer,
} from '../models'
import { mayRead, type Account } from './access'
import { askRejudge } from './asked'
import { throughHullOf } from './through-hulls'
import { boatById, stationsOf, surroundings } from './boats'
import { freeId, stationsSchema } from './boat-book'
import { lookInto } from './photos'
import { judgeByHand } from './verdict'
import { moment } from './saving'

/**
 * The whole boat with its survey in one file: docs/file-formats.md. Version 1 called zones by their titles
 * in designs and holes, and had no deadrise and nothing withdrawn; it is read as it was meant. Verdicts
 * are not in it; whoever reads it judges anew.
 */
export const BOAT_FORMAT = 'north-tide-boat'
export const BOAT_VERSION = 2

const num = z.number()
const maybe = num.nullable()
const text = z.string().max(5000)
const when = moment
/** taken out of use with a reason, and kept */
const withdrawn = z.strictObject({ why: text.min(1), by: text, at: when }).nullable()
const file = z.strictObject({
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
      design: z.unknown(),
      recordedAt: when.nullable(),
      createdAt: when,
      updatedAt: when,
      updatedBy: text,
    }),
  ),
  hull: z
    .array(
      z.strictObject({
        key: z.string().min(1),
        design: z.unknown(),
        replaces: z.string().nullable(),
        recordedAt: when.nullable(),
        createdAt: when,
        updatedAt: when,
        updatedBy: text,
        log: z.array(
          z.strictObject({
            kind: z.enum(['bond', 'anode', 'look', 'order', 'tick', 'decision']),
            step: z.string().max(40).default(''),
            value: num.min(0).nullable(),
            lot: z.string().nullable().default(null),
            tempC: maybe.default(null),
            humidityPct: num.min(0).max(100).nullable().default(null),
            sizeMm: num.positive().nullable().default(null),
            note: text,
            who: text,
            at: when,
          }),
        ),
      }),
    )
    .default([]),
  flooding: z.unknown().default(null),
  holes: z.array(
    z.strictObject({
      number: num.int().positive(),
      fitting: z.string().nullable(),
      hull: z.string().nullable().default(null),
      boltIndex: num.int().min(0).nullable(),
      whatFor: text,
      zone: text,
      xMm: num,
      yMm: num,
      zMm: num,
      diameterMm: num.positive(),
      acrossMm: num.positive().nullable(),
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
  photos: z.array(
    z.strictObject({
      subject: z.enum(['hole', 'zone', 'reading', 'boat']),
      of: z.string(),
      caption: text,
      who: text,
      takenAt: when,
      base64: z.string(),
      withdrawn: withdrawn.default(null),
    }),
  ),
})
export type BoatFile = z.input<typeof file>

const withdrawnOf = (r: Pick<Photo, 'withdrawnWhy' | 'withdrawnBy' | 'withdrawnAt'>) =>
  r.withdrawnWhy ? { why: r.withdrawnWhy, by: r.withdrawnBy!, at: r.withdrawnAt!.toISOString() } : null
const withdrawnColumns = (w: { why: string; by: string; at: string } | null) => ({
  withdrawnWhy: w?.why ?? null,
  withdrawnBy: w?.by ?? null,
  withdrawnAt: w ? new Date(w.at) : null,
})
/**
 * Photos name what they show by hole number, zone code or the reading's place in the list, for ids are
 * this database's own.
 */
export async function exportBoat(who: Account, id: string, withPhotos = true): Promise<BoatFile> {
  mayRead(who, id)
  const b = await boatById(id)
  const [stations, zones, parts, readings, angles, fittings, holes] = await Promise.all([
    stationsOf(id),
    Zone.findAll({ where: { boatId: id }, order: [['id', 'ASC']] }),
    StructurePart.findAll({ where: { boatId: id }, order: [['id', 'ASC']] }),
    Reading.findAll({ where: { boatId: id }, order: [['id', 'ASC']] }),
    AngleReading.findAll({ where: { boatId: id }, order: [['id', 'ASC']] }),
    Fitting.findAll({
      where: { boatId: id },
      order: [
        ['createdAt', 'ASC'],
        ['id', 'ASC'],
      ],
    }),
    Penetration.findAll({ where: { boatId: id }, order: [['number', 'ASC']] }),
  ])
  const [layers, events, photos] = await Promise.all([
    ZoneLayer.findAll({ where: { zoneId: zones.map((z0) => z0.id) }, order: [['seq', 'ASC']] }),
    LifeEvent.findAll({ where: { penetrationId: holes.map((h) => h.id) }, order: [['seq', 'ASC']] }),
    withPhotos
      ? Photo.findAll({
          where: { boatId: id },
          order: [['id', 'ASC']],
          attributes: [
            'subject',
            'subjectId',
            'caption',
            'who',
            'takenAt',
            'original',
            'withdrawnWhy',
            'withdrawnBy',
            'withdrawnAt',
          ],
        })
      : [],
  ])
  const hull = await throughHullOf(id)
  const logs = await WorkLog.findAll({ where: { fittingId: hull.map((h) => h.id) }, order: [['id', 'ASC']] })
  const hullKeys = new Map(hull.map((h, i) => [h.id, `h${i + 1}`]))
  const flood = await FloodPlanRow.findByPk(id)
  const lots = await Lot.findAll({
    where: { id: [...new Set([...events, ...logs].map((e) => e.lotId).filter((l) => l != null))] },
    order: [['code', 'ASC']],
  })
  const codes = new Map(zones.map((z0) => [z0.id, z0.code]))
  const keys = new Map(fittings.map((f, i) => [f.id, `f${i + 1}`]))
  const eventsBy = new Map<number, LifeEvent[]>()
  for (const e of events) {
    const mine = eventsBy.get(e.penetrationId)
    if (mine) mine.push(e)
    else eventsBy.set(e.penetrationId, [e])
  }
  const of = (p: number) => eventsBy.get(p) ?? []
  const subject = (p: Photo) =>
    p.subject === 'hole'
      ? String(holes.find((h) => String(h.id) === p.subjectId)?.number ?? '')
      : p.subject === 'zone'
        ? (codes.get(Number(p.subjectId)) ?? '')
        : p.subject === 'reading'
          ? String(readings.findIndex((r) => String(r.id) === p.subjectId))
          : ''
  return {
    format: BOAT_FORMAT,
    version: BOAT_VERSION,
    boat: {
      name: b.name,
      kind: b.kind,
      lengthMm: b.lengthMm,
      beamMm: b.beamMm,
      displacementKg: b.displacementKg,
      duty: b.duty,
      units: b.units,
      hullKind: b.hullKind,
      hullMaterial: b.hullMaterial,
      note: b.note,
    },
    stations,
    zones: zones.map((z0) => ({
      code: z0.code,
      title: z0.title,
      face: z0.face as (typeof FACES_OF_BOAT)[number],
      kind: z0.kind,
      zMm: z0.zMm,
      atXMm: z0.atXMm,
      stacking: z0.stacking,
      reach: z0.reach,
      reachKind: z0.reachKind,
      state: z0.state,
      deadrise: z0.deadriseX.map((xMm, i) => ({ xMm, deg: z0.deadriseDeg[i]! })),
      outline: z0.outlineX.map((xMm, i) => ({ xMm, yMm: z0.outlineY[i]! })),
      layers: layers
        .filter((l) => l.zoneId === z0.id)
        .map((l) => ({
          material: l.material,
          thicknessMm: l.thicknessMm,
          measured: l.measured,
          measuredBy: l.measuredBy,
          spreadMm: l.spreadMm,
          count: l.readingCount,
        })),
    })),
    structure: parts.map((p) => ({
      kind: p.kind,
      title: p.title,
      x0Mm: p.x0Mm,
      y0Mm: p.y0Mm,
      x1Mm: p.x1Mm,
      y1Mm: p.y1Mm,
      belowMm: p.belowMm,
      depthMm: p.depthMm,
      widthMm: p.widthMm,
    })),
    readings: readings.map((r) => ({
      zone: r.zoneId === null ? null : (codes.get(r.zoneId) ?? null),
      kind: r.kind,
      way: r.way,
      layer: r.layerSeq,
      xMm: r.xMm,
      yMm: r.yMm,
      value: r.value,
      scaleMost: r.scaleMost,
      dryReference: r.dryReference,
      finding: r.finding,
      note: r.note,
      instrument: r.instrument,
      who: r.who,
      takenAt: r.takenAt.toISOString(),
      withdrawnWhy: r.withdrawnWhy,
      withdrawnBy: r.withdrawnBy,
    })),
    angles: angles.map((a) => ({
      role: a.role,
      station: a.station,
      side: a.side,
      axis: a.axis,
      leanDeg: a.leanDeg,
      afterCount: a.afterCount,
      degrees: a.degrees,
      instrument: a.instrument,
      who: a.who,
      takenAt: a.takenAt.toISOString(),
    })),
    lots: lots.map((l) => ({
      code: l.code,
      title: l.title,
      chemistry: l.chemistry,
      kind: l.kind,
      openedOn: l.openedOn,
      expiresOn: l.expiresOn,
      storedHot: l.storedHot,
      testedOn: l.testedOn,
      testNote: l.testNote,
    })),
    fittings: fittings.map((f) => ({
      key: keys.get(f.id)!,
      design: parseDesign(f.design),
      recordedAt: f.recordedAt?.toISOString() ?? null,
      createdAt: f.createdAt.toISOString(),
      updatedAt: f.updatedAt.toISOString(),
      updatedBy: f.updatedBy,
    })),
    hull: hull.map((h) => ({
      key: hullKeys.get(h.id)!,
      design: parseThroughHull(h.design),
      replaces: h.replacesId ? hullKeys.get(h.replacesId)! : null,
      recordedAt: h.recordedAt?.toISOString() ?? null,
      createdAt: h.createdAt.toISOString(),
      updatedAt: h.updatedAt.toISOString(),
      updatedBy: h.updatedBy,
      log: logs
        .filter((l) => l.fittingId === h.id)
        .map((l) => ({
          kind: l.kind,
          step: l.step,
          value: l.value ?? null,
          lot: lots.find((q) => q.id === l.lotId)?.code ?? null,
          tempC: l.tempC ?? null,
          humidityPct: l.humidityPct ?? null,
          sizeMm: l.sizeMm ?? null,
          note: l.note,
          who: l.who,
          at: l.at.toISOString(),
        })),
    })),
    flooding: flood ? parseFloodPlan(flood.plan) : null,
    holes: holes.map((h) => ({
      number: h.number,
      fitting: keys.get(h.fittingId ?? '') ?? null,
      hull: hullKeys.get(h.fittingId ?? '') ?? null,
      boltIndex: h.boltIndex,
      whatFor: h.whatFor,
      zone: h.zone,
      xMm: h.xMm,
      yMm: h.yMm,
      zMm: h.zMm,
      diameterMm: h.diameterMm,
      acrossMm: h.acrossMm,
      foundKind: h.foundKind,
      withdrawn: withdrawnOf(h),
      through: h.through,
      fastener: h.fastener,
      plate: h.plate,
      coreSchool: h.coreSchool,
      sealant: h.sealant,
      belowWaterline: h.belowWaterline,
      found: h.found,
      measuredFrom: h.measuredFrom,
      createdAt: h.createdAt.toISOString(),
      events: of(h.id).map((e) => ({
        seq: e.seq,
        state: e.state as (typeof LIFE_STATES)[number],
        note: e.note,
        who: e.who,
        happenedAt: e.happenedAt.toISOString(),
        recordedAt: e.recordedAt.toISOString(),
        sizeMm: e.sizeMm,
        tempC: e.tempC,
        humidityPct: e.humidityPct,
        lot: e.lotId === null ? null : (lots.find((l) => l.id === e.lotId)?.code ?? null),
        evidence: e.evidence,
        gatesPassed: e.gatesPassed,
        gateReason: e.gateReason,
        corrects: e.corrects,
      })),
    })),
    photos: photos.map((p) => ({
      subject: p.subject,
      of: subject(p),
      caption: p.caption,
      who: p.who,
      takenAt: p.takenAt.toISOString(),
      base64: p.original.toString('base64'),
      withdrawn: withdrawnOf(p),
    })),
  }
}

const bad = (path: string, message: string) => new ApiError(400, 'invalid-input', message, path)

/** What names another row has to find it, said before anything is written. */
function checkLinks(v: z.output<typeof file>) {
  const once = (names: (string | number)[], path: string, what: string) => {
    const seen = new Set<string | number>()
    names.forEach((n, i) => {
      if (seen.has(n)) throw bad(`${path}.${i}`, `${what} ${n} stands in the file twice`)
      seen.add(n)
    })
    return seen
  }
  const zones = once(
    v.zones.map((q) => q.code),
    'zones',
    'Zone',
  )
  const keys = once(
    v.fittings.map((f) => f.key),
    'fittings',
    'Fitting',
  )
  const numbers = once(
    v.holes.map((h) => h.number),
    'holes',
    'Hole',
  )
  const lots = once(
    v.lots.map((l) => l.code),
    'lots',
    'Lot',
  )
  once(
    v.holes.filter((h) => h.fitting !== null).map((h) => `${h.fitting} bolt ${h.boltIndex}`),
    'holes',
    'The hole of',
  )
  v.readings.forEach((r, i) => {
    if (r.zone !== null && !zones.has(r.zone))
      throw bad(`readings.${i}.zone`, `"${r.zone}" is no zone of this file`)
  })
  const hulls = once(
    v.hull.map((h) => h.key),
    'hull',
    'Fitting',
  )
  v.hull.forEach((h, i) => {
    const at = h.replaces === null ? -1 : v.hull.findIndex((o) => o.key === h.replaces)
    if (h.replaces !== null && (at < 0 || at >= i))
      throw bad(`hull.${i}.replaces`, `"${h.replaces}" is no fitting that stands before it in this file`)
    h.log.forEach((l, k) => {
      if (l.lot !== null && !lots.has(l.lot))
        throw bad(`hull.${i}.log.${k}.lot`, `"${l.lot}" is no lot of this file`)
    })
  })
  v.holes.forEach((h, i) => {
    if (h.hull !== null && !hulls.has(h.hull))
      throw bad(`holes.${i}.hull`, `"${h.hull}" is no fitting of this file`)
    if (h.fitting !== null && !keys.has(h.fitting))
      throw bad(`holes.${i}.fitting`, `"${h.fitting}" is no fitting of this file`)
    h.events.forEach((e, k) => {
      if (e.seq !== k + 1)
        throw bad(
          `holes.${i}.events.${k}.seq`,
          `${e.seq} was given; events are numbered from 1 without a gap`,
        )
      if (e.lot !== null && !lots.has(e.lot))
        throw bad(`holes.${i}.events.${k}.lot`, `"${e.lot}" is no lot of this file`)
      if (e.gatesPassed.length && !e.gateReason?.trim())
        throw bad(`holes.${i}.events.${k}.gateReason`, 'A gate was passed here and no reason is given')
    })
  })
  v.photos.forEach((p, i) => {
    const found =
      p.subject === 'boat' ||
      (p.subject === 'zone' && zones.has(p.of)) ||
      (p.subject === 'hole' && numbers.has(Number(p.of))) ||
      (p.subject === 'reading' && v.readings[Number(p.of)] !== undefined)
    if (!found) throw bad(`photos.${i}.of`, `"${p.of}" is no ${p.subject} of this file`)
  })
}

/** Reads a boat from a file as a new boat: all of it or none. */
export async function importBoat(who: Account, raw: unknown) {
  if (who.role === 'owner' || who.role === 'apprentice')
    throw forbidden('A fitter or the manager takes a boat in')
  const version = raw !== null && typeof raw === 'object' ? (raw as { version?: unknown }).version : undefined
  if (typeof version === 'number' && version > BOAT_VERSION)
    throw new CalcError(
      'newer-version',
      'version',
      `This file is of version ${version}; version ${BOAT_VERSION} is the newest read here`,
    )
  const v = parseInput(file, raw)
  checkLinks(v)
  const inZone = <D extends { place: { zone: string | null } }>(d: D): D => ({
    ...d,
    place: { ...d.place, zone: zoneCodeOf(v.zones, d.place.zone) },
  })
  const designs = v.fittings.map((f, i) => {
    try {
      return inZone(parseDesign(f.design))
    } catch (error) {
      if (error instanceof CalcError)
        throw new CalcError(
          error.code,
          `fittings.${i}.design${error.path ? `.${error.path}` : ''}`,
          error.message,
        )
      throw error
    }
  })
  const throughHullDesigns = v.hull.map((f, i) => {
    try {
      return inZone(parseThroughHull(f.design))
    } catch (error) {
      if (error instanceof CalcError)
        throw new CalcError(
          error.code,
          `hull.${i}.design${error.path ? `.${error.path}` : ''}`,
          error.message,
        )
      throw error
    }
  })
  let flood: FloodPlan | null = null
  try {
    flood = v.flooding === null ? null : parseFloodPlan(v.flooding)
  } catch (error) {
    if (error instanceof CalcError)
      throw new CalcError(error.code, `flooding${error.path ? `.${error.path}` : ''}`, error.message)
    throw error
  }
  const looks: Awaited<ReturnType<typeof lookInto>>[] = []
  for (const [i, p] of v.photos.entries()) {
    try {
      looks.push(await lookInto(Buffer.from(p.base64, 'base64')))
    } catch (error) {
      if (error instanceof ApiError) throw new ApiError(400, error.code, error.message, `photos.${i}.base64`)
      throw error
    }
  }
  try {
    const made = await Boat.sequelize!.transaction(async (transaction) => {
      const t = { transaction }
      const boat = await Boat.create(
        { ...v.boat, id: await freeId(v.boat.name, transaction), isMain: false },
        t,
      )
      const boatId = boat.id
      await Station.bulkCreate(
        v.stations.map((s) => ({ ...s, boatId })),
        t,
      )
      const zoneIds = new Map<string, number>()
      for (const { outline, layers, deadrise, ...z0 } of v.zones) {
        const zone = await Zone.create(
          {
            ...z0,
            boatId,
            outlineX: outline.map((p) => p.xMm),
            outlineY: outline.map((p) => p.yMm),
            deadriseX: deadrise.map((p) => p.xMm),
            deadriseDeg: deadrise.map((p) => p.deg),
          },
          t,
        )
        zoneIds.set(z0.code, zone.id)
        await ZoneLayer.bulkCreate(
          layers.map(({ count, ...l }, seq) => ({ ...l, readingCount: count, zoneId: zone.id, seq })),
          t,
        )
      }
      await StructurePart.bulkCreate(
        v.structure.map((p) => ({ ...p, boatId })),
        t,
      )
      const readings = await Reading.bulkCreate(
        v.readings.map(({ zone, layer, takenAt, ...r }) => ({
          ...r,
          boatId,
          zoneId: zone === null ? null : zoneIds.get(zone)!,
          layerSeq: layer,
          takenAt: new Date(takenAt),
        })),
        { ...t, returning: true },
      )
      await AngleReading.bulkCreate(
        v.angles.map((a) => ({ ...a, boatId, takenAt: new Date(a.takenAt) })),
        t,
      )
      const lotIds = new Map<string, number>()
      for (const l of v.lots)
        lotIds.set(
          l.code,
          (
            (await Lot.findOne({ where: { code: l.code }, ...t })) ??
            (await Lot.create({ ...l, onHand: '' }, t))
          ).id,
        )
      const around = await surroundings(boatId, transaction)
      const fittingIds = new Map<string, string>()
      for (const [i, f] of v.fittings.entries()) {
        const d = designs[i]!
        const j = judgeByHand(d, around)
        const made = await Fitting.create(
          {
            boatId,
            name: d.name,
            design: d,
            verdict: j.verdict,
            governing: j.governing,
            stale: j.stale,
            solverDue: j.solverDue,
            recordedAt: f.recordedAt ? new Date(f.recordedAt) : null,
            createdAt: new Date(f.createdAt),
            updatedAt: new Date(f.updatedAt),
            updatedBy: f.updatedBy,
          },
          t,
        )
        fittingIds.set(f.key, made.id)
      }
      const hullIds = new Map<string, string>()
      for (const [i, h] of v.hull.entries()) {
        const made = await ThroughHull.create(
          {
            boatId,
            name: throughHullDesigns[i]!.name,
            design: throughHullDesigns[i]!,
            verdict: 'unproven',
            governing: null,
            replacesId: h.replaces === null ? null : hullIds.get(h.replaces)!,
            recordedAt: h.recordedAt ? new Date(h.recordedAt) : null,
            createdAt: new Date(h.createdAt),
            updatedAt: new Date(h.updatedAt),
            updatedBy: h.updatedBy,
          },
          t,
        )
        hullIds.set(h.key, made.id)
        await WorkLog.bulkCreate(
          h.log.map(({ lot, ...l }) => ({
            ...l,
            lotId: lot === null ? null : lotIds.get(lot)!,
            at: new Date(l.at),
            fittingId: made.id,
          })),
          t,
        )
      }
      if (flood) await FloodPlanRow.create({ boatId, plan: flood, updatedBy: who.name }, t)
      const holeIds = new Map<number, number>()
      for (const { events, fitting, hull, createdAt, withdrawn: gone, zone, ...h } of v.holes) {
        const p = await Penetration.create(
          {
            ...h,
            ...withdrawnColumns(gone),
            zone: zoneCodeOf(v.zones, zone) ?? zone,
            boatId,
            ...(fitting !== null
              ? {
                  fittingId: fittingIds.get(fitting)!,
                  part: h.boltIndex === null ? 'pipe' : boltPart(h.boltIndex),
                }
              : hull !== null
                ? {
                    fittingId: hullIds.get(hull)!,
                    part: h.boltIndex === null ? 'bore' : boltPart(h.boltIndex),
                  }
                : { fittingId: null, part: null }),
            createdAt: new Date(createdAt),
          },
          t,
        )
        holeIds.set(h.number, p.id)
        await LifeEvent.bulkCreate(
          events.map(({ lot, happenedAt, recordedAt, ...e }) => ({
            ...e,
            penetrationId: p.id,
            happenedAt: new Date(happenedAt),
            recordedAt: new Date(recordedAt),
            lotId: lot === null ? null : lotIds.get(lot)!,
          })),
          t,
        )
      }
      for (const [i, p] of v.photos.entries()) {
        const subjectId =
          p.subject === 'hole'
            ? holeIds.get(Number(p.of))!
            : p.subject === 'zone'
              ? zoneIds.get(p.of)!
              : p.subject === 'reading'
                ? readings[Number(p.of)]!.id
                : boatId
        const look = looks[i]!
        await Photo.create(
          {
            boatId,
            subject: p.subject,
            subjectId: String(subjectId),
            caption: p.caption,
            who: p.who,
            takenAt: new Date(p.takenAt),
            ...withdrawnColumns(p.withdrawn),
            ...look,
            sha256: createHash('sha256').update(look.original).digest('hex'),
          },
          t,
        )
      }
      await askRejudge(boatId, `${boat.name} was read from a file`, transaction)
      return { id: boatId, name: boat.name, fittings: v.fittings.length, holes: v.holes.length }
    })
    return made
  } catch (error) {
    // What only the database's own rules notice is still the file's fault.
    if (error instanceof BaseError && (refusalOf(error)?.status ?? 500) < 500)
      throw bad('', `The file breaks a rule of the register: ${error.message}`)
    throw error
  }
}
