import { createHash } from 'node:crypto'
import { BaseError, type Transaction } from 'sequelize'
import { CalcError, parseInput, zoneCodeOf, type Kind, type LogData } from '@north-tide/core'
import { kindNamed, parseOf } from '@north-tide/core/kinds'
import { parseFloodPlan } from '@north-tide/core/through-hull'
import { refusalOf } from '../database-errors'
import { ApiError } from '../errors'
import {
  AngleReading,
  Boat,
  Fitting,
  FloodPlanRow,
  HoleLink,
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
import { must, type Account } from './access'
import { askRejudge } from './asked'
import { freeId } from './boat-book'
import { lookInto } from './photos'
import { aroundIn, snapshotOf } from './snapshot'
import { judgeByHand, stored } from './verdict'
import { BOAT_VERSION, boatFile, type ReadBoat } from './whole-boat-shape'
import { upgradeBoat } from './whole-boat-upgrade'
import { logsOf } from './work-log'

const withdrawnColumns = (w: { why: string; by: string; at: string } | null) => ({
  withdrawnWhy: w?.why ?? null,
  withdrawnBy: w?.by ?? null,
  withdrawnAt: w ? new Date(w.at) : null,
})
const bad = (path: string, message: string) => new ApiError(400, 'invalid-input', message, path)

/** What names another row has to find it, said before anything is written. */
function checkLinks(v: ReadBoat) {
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
    v.holes.filter((h) => h.fitting !== null).map((h) => `${h.fitting} ${h.part}`),
    'holes',
    'The hole of',
  )
  v.readings.forEach((r, i) => {
    if (r.zone !== null && !zones.has(r.zone))
      throw bad(`readings.${i}.zone`, `"${r.zone}" is no zone of this file`)
  })
  v.fittings.forEach((f, i) => {
    const at = f.replaces === null ? -1 : v.fittings.findIndex((o) => o.key === f.replaces)
    if (f.replaces !== null && (at < 0 || at >= i))
      throw bad(`fittings.${i}.replaces`, `"${f.replaces}" is no fitting that stands before it in this file`)
    f.log.forEach((l, k) => {
      if (l.lot !== null && !lots.has(l.lot))
        throw bad(`fittings.${i}.log.${k}.lot`, `"${l.lot}" is no lot of this file`)
    })
  })
  v.holes.forEach((h, i) => {
    if (h.fitting !== null && !keys.has(h.fitting))
      throw bad(`holes.${i}.fitting`, `"${h.fitting}" is no fitting of this file`)
    if ((h.fitting === null) !== (h.part === null))
      throw bad(`holes.${i}.part`, 'A hole of a fitting says which of its holes it is, and no other does')
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

/** All fittings of a boat that was just read, by their hand checks; the rest follows by the job. */
async function judgeRead(boat: Boat, transaction: Transaction) {
  const s = await snapshotOf(boat, transaction)
  const logs = await logsOf(
    s.fittings.map((f) => f.id),
    transaction,
  )
  for (const f of s.fittings) {
    const around = aroundIn(s, f.id, logs.get(f.id)!)
    const { ask: _ask, ...v } = judgeByHand(kindNamed(f.kind), s.designs.get(f.id)!, around)
    await f.update(stored(v), { transaction })
  }
}

/** What is wrong inside is named at its place in the file. */
function atPath<T>(path: string, read: () => T): T {
  try {
    return read()
  } catch (error) {
    if (error instanceof CalcError)
      throw new CalcError(error.code, error.path ? `${path}.${error.path}` : path, error.message)
    throw error
  }
}
const atKind = (id: string, i: number): Kind => {
  try {
    return kindNamed(id)
  } catch (error) {
    throw error instanceof CalcError ? bad(`fittings.${i}.kind`, error.message) : error
  }
}

/** Reads a boat from a file as a new boat: all of it or none. */
export async function importBoat(who: Account, raw: unknown) {
  must(who, 'boat-book')
  const version = raw !== null && typeof raw === 'object' ? (raw as { version?: unknown }).version : undefined
  if (typeof version === 'number' && version > BOAT_VERSION)
    throw new CalcError(
      'newer-version',
      'version',
      `This file is of version ${version}; version ${BOAT_VERSION} is the newest read here`,
    )
  const v = parseInput(boatFile, upgradeBoat(raw))
  checkLinks(v)
  const inZone = <D extends { place: { zone: string | null } }>(d: D): D => ({
    ...d,
    place: { ...d.place, zone: zoneCodeOf(v.zones, d.place.zone) },
  })
  const designs = v.fittings.map((f, i) =>
    atPath(`fittings.${i}.design`, () => inZone(parseOf(atKind(f.kind, i), f.design))),
  )
  const flood = atPath('flooding', () => (v.flooding === null ? null : parseFloodPlan(v.flooding)))
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
            (await Lot.create({ ...l, quantity: null }, t))
          ).id,
        )
      const fittingIds = new Map<string, string>()
      for (const [i, f] of v.fittings.entries()) {
        const made = await Fitting.create(
          {
            kind: f.kind,
            boatId,
            name: designs[i]!.name,
            design: designs[i]!,
            // Judged as soon as all of it is there, for each stands among the others.
            verdict: 'unproven',
            governing: null,
            replacesId: f.replaces === null ? null : fittingIds.get(f.replaces)!,
            recordedAt: f.recordedAt ? new Date(f.recordedAt) : null,
            createdAt: new Date(f.createdAt),
            updatedAt: new Date(f.updatedAt),
            updatedBy: f.updatedBy,
          },
          t,
        )
        fittingIds.set(f.key, made.id)
        await WorkLog.bulkCreate(
          f.log.map(({ lot, data, ...l }) => ({
            ...l,
            data: data as LogData | null,
            lotId: lot === null ? null : lotIds.get(lot)!,
            at: new Date(l.at),
            fittingId: made.id,
          })),
          t,
        )
      }
      if (flood) await FloodPlanRow.create({ boatId, plan: flood, updatedBy: who.name }, t)
      const holeIds = new Map<number, number>()
      for (const { events, fitting, createdAt, withdrawn: gone, zone, ...h } of v.holes) {
        const p = await Penetration.create(
          {
            ...h,
            ...withdrawnColumns(gone),
            zone: zoneCodeOf(v.zones, zone) ?? zone,
            boatId,
            fittingId: fitting === null ? null : fittingIds.get(fitting)!,
            createdAt: new Date(createdAt),
          },
          t,
        )
        holeIds.set(h.number, p.id)
        if (p.fittingId)
          await HoleLink.create(
            { fittingId: p.fittingId, penetrationId: p.id, link: h.found ? 'reuses' : 'makes' },
            t,
          )
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
      await judgeRead(boat, transaction)
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
