import { z } from 'zod'
import type { Transaction } from 'sequelize'
import { CalcError, holeLabel, parseInput, zoneCodeOf } from '@north-tide/core'
import {
  THROUGH_HULL_CATALOGUE,
  throughHullEntry,
  throughHullFromFile,
  hullAt,
  judgeThroughHull,
  keptByDoors,
  parseThroughHull,
  startThroughHull,
  type ThroughHullAround,
  type ThroughHullDesign,
  type ThroughHullJudgement,
  type ThroughHullLog,
} from '@north-tide/core/through-hull'
import { ApiError, notFound } from '../errors'
import { ThroughHull, WorkLog, Penetration } from '../models'
import { mayRead, mayWrite, type Account } from './access'
import { askRejudge } from './asked'
import { boatById, partsOfBoat, plainHoles, refuseOffBoat, stationsOf, zonesOf } from './boats'
import { heelOf } from './angles'
import { logOf, logsOf } from './work-log'
import { holesOf } from './register'
import { isUuid, savingDesign, stale, within } from './saving'

/**
 * Fittings through the hull: placed, judged with their neighbours, ordered, worked on step by step,
 * recorded, watched.
 */
const shown = (f: ThroughHull) => ({
  id: f.id,
  boatId: f.boatId,
  name: f.name,
  version: f.version,
  design: f.design,
  verdict: f.verdict,
  governing: f.governing,
  replacesId: f.replacesId ?? null,
  recorded: f.recordedAt != null,
  updatedAt: f.updatedAt.toISOString(),
  updatedBy: f.updatedBy,
})
export async function throughHullOf(boatId: string, transaction: Transaction | null = null) {
  return ThroughHull.findAll({
    where: { boatId },
    order: [
      ['createdAt', 'ASC'],
      ['id', 'ASC'],
    ],
    transaction,
  })
}
export async function findThroughHull(
  id: string,
  transaction: Transaction | null = null,
): Promise<ThroughHull> {
  const f = isUuid(id)
    ? await ThroughHull.findByPk(id, {
        transaction,
        ...(transaction ? { lock: transaction.LOCK.NO_KEY_UPDATE } : {}),
      })
    : null
  if (!f) throw notFound('fitting')
  return f
}
/** One that was replaced is no longer in the hull, so it is nobody's neighbour. */
const neighbours = (all: ThroughHull[], self: string | null, designs: Map<string, ThroughHullDesign>) => {
  const gone = new Set(all.flatMap((f) => (f.replacesId ? [f.replacesId] : [])))
  const before = all.find((x) => x.id === self)?.replacesId
  return all
    .filter((f) => f.id !== self && !gone.has(f.id) && f.id !== before)
    .map((f) => ({ id: f.id, name: f.name, design: designs.get(f.id)! }))
}
/** A boat read once, and from it what stands round each of its fittings. */
async function hullOf(boatId: string, transaction: Transaction | null = null) {
  const [zones, parts, holes, all] = await Promise.all([
    zonesOf(boatId, transaction),
    partsOfBoat(boatId, transaction),
    holesOf(boatId, { transaction }),
    throughHullOf(boatId, transaction),
  ])
  const designs = new Map(all.map((f) => [f.id, parseThroughHull(f.design)]))
  const around = (self: string | null): ThroughHullAround => ({
    zones,
    parts,
    holes: plainHoles(holes.filter((h) => self === null || h.fittingId !== self)),
    others: neighbours(all, self, designs),
  })
  return { all, designs, around }
}
export const aroundOf = async (
  boatId: string,
  self: string | null,
  transaction: Transaction | null = null,
): Promise<ThroughHullAround> => (await hullOf(boatId, transaction)).around(self)

function judged(
  d: ThroughHullDesign,
  around: ThroughHullAround,
  log: ThroughHullLog[],
): {
  verdict: ThroughHull['verdict']
  governing: string | null
  problem: { code: string; path: string; message: string } | null
  j: ThroughHullJudgement | null
} {
  try {
    const j = judgeThroughHull(d, around, log)
    return { verdict: j.verdict, governing: j.governing, problem: null, j }
  } catch (error) {
    if (!(error instanceof CalcError)) throw error
    return {
      verdict: 'unproven',
      governing: error.code,
      problem: { code: error.code, path: error.path, message: error.message },
      j: null,
    }
  }
}
const CHUNK = 10
/**
 * What one fitting is depends on its neighbours (one metal, one flow, handles that meet), so all of a boat
 * are judged together; `said` is told between two chunks.
 */
export async function rejudgeThroughHull(
  boatId: string,
  said: () => Promise<unknown> = async () => undefined,
): Promise<{ total: number; turned: number }> {
  const { all, designs, around } = await hullOf(boatId)
  if (!all.length) return { total: 0, turned: 0 }
  const logs = await logsOf(all.map((f) => f.id))
  let turned = 0
  for (const [i, f] of all.entries()) {
    const v = judged(designs.get(f.id)!, around(f.id), logs.get(f.id)!)
    if (v.verdict !== f.verdict) turned++
    if (v.verdict !== f.verdict || v.governing !== f.governing)
      await ThroughHull.update(
        { verdict: v.verdict, governing: v.governing },
        { where: { id: f.id, version: f.version } },
      )
    if (i % CHUNK === CHUNK - 1) {
      await said()
      // Others are answered between two chunks.
      await new Promise((next) => setImmediate(next))
    }
  }
  return { total: all.length, turned }
}

/** One fitting by itself, at once; what it changes for its neighbours follows by the job. */
export async function judgeOne(boatId: string, id: string): Promise<void> {
  const f = await findThroughHull(id)
  const v = judged(parseThroughHull(f.design), await aroundOf(boatId, id), await logOf(id))
  if (v.verdict !== f.verdict || v.governing !== f.governing)
    await ThroughHull.update(
      { verdict: v.verdict, governing: v.governing },
      { where: { id, version: f.version } },
    )
}

const placing = z.strictObject({
  catalogueId: z.string(),
  name: z.string().trim().min(1).max(120).optional(),
  xMm: z.number().min(-1e5).max(1e6).optional(),
  yMm: z.number().min(-1e5).max(1e5).optional(),
  zMm: z.number().min(-1e5).max(1e5).optional(),
  zone: z.string().max(80).optional(),
  deadriseDeg: z.number().min(0).lt(80).optional(),
  use: z.string().max(40).optional(),
  /** a hole that was found: this is what stands in it */
  holeId: z.number().int().positive().optional(),
})
const entryNamed = (id: string) => {
  const e = throughHullEntry(id)
  if (!e)
    throw new ApiError(
      400,
      'invalid-input',
      `"${id}" is not in the catalogue; one of ${THROUGH_HULL_CATALOGUE.map((c) => c.id).join(', ')} is accepted`,
      'catalogueId',
    )
  return e
}
async function create(
  who: Account,
  boatId: string,
  design: ThroughHullDesign,
  more: { replacesId?: string; recordedAt?: Date },
  transaction: Transaction,
) {
  const v = judged(design, await aroundOf(boatId, null, transaction), [])
  const f = await ThroughHull.create(
    {
      boatId,
      name: design.name,
      design,
      verdict: v.verdict,
      governing: v.governing,
      updatedBy: who.name,
      ...more,
    },
    { transaction },
  )
  await askRejudge(boatId, `${design.name} was added`, transaction)
  return f
}
const inOne = <T>(run: (transaction: Transaction) => Promise<T>): Promise<T> =>
  ThroughHull.sequelize!.transaction(run)

/** The hole that a fitting is to stand in, locked until it does, so that no two are put into one. */
async function freeHole(
  boatId: string,
  holeId: number | undefined,
  transaction: Transaction,
): Promise<Penetration | null> {
  if (holeId === undefined) return null
  const hole = await Penetration.findOne({
    where: { id: holeId, boatId },
    transaction,
    lock: transaction.LOCK.NO_KEY_UPDATE,
  })
  if (!hole) throw new ApiError(400, 'invalid-input', `There is no hole ${holeId} in this boat`, 'holeId')
  if (hole.withdrawnWhy)
    throw new ApiError(
      409,
      'withdrawn',
      `${holeLabel(hole.number)} was withdrawn: ${hole.withdrawnWhy}`,
      'holeId',
    )
  if (hole.fittingId)
    throw new ApiError(409, 'taken', `${holeLabel(hole.number)} belongs to a fitting already`, 'holeId')
  return hole
}
export async function placeThroughHull(who: Account, boatId: string, body: unknown) {
  mayWrite(who, boatId)
  const boat = await boatById(boatId)
  const p = parseInput(placing, body)
  const entry = entryNamed(p.catalogueId)
  const f = await inOne(async (transaction) => {
    const hole = await freeHole(boatId, p.holeId, transaction)
    const zones = await zonesOf(boatId, transaction)
    const code = p.zone ?? zones.find((q) => q.code === hole?.zone)?.code ?? null
    if (p.zone !== undefined && !zones.some((q) => q.code === p.zone))
      throw new ApiError(400, 'invalid-input', `"${p.zone}" is no zone of this boat`, 'zone')
    for (const k of ['xMm', 'yMm'] as const)
      if (!hole && p[k] === undefined)
        throw new ApiError(400, 'invalid-input', `${k} is missing; give a place, or a hole that was found`, k)
    const named = zones.find((q) => q.code === code)
    const at = {
      xMm: Math.round(hole?.xMm ?? p.xMm!),
      yMm: Math.round(hole?.yMm ?? p.yMm!),
      zMm: Math.round(hole?.zMm ?? p.zMm ?? named?.zMm ?? -300),
    }
    if (!hole) refuseOffBoat(await stationsOf(boatId), at)
    const { zone, hull } = hullAt(zones, { ...at, zone: code })
    const name = p.name ?? hole?.whatFor ?? entry.title.split(',')[0]!
    const started = startThroughHull(
      entry,
      {
        place: { zone, ...at, measuredFrom: [] },
        hull: {
          ...hull,
          ...(p.deadriseDeg === undefined
            ? {}
            : { deadriseDeg: p.deadriseDeg, angleMeasured: true, angleUnknown: false }),
        },
        duty: boat.duty,
      },
      name,
    )
    const design = parseThroughHull({
      ...started,
      ...(p.use ? { use: p.use } : {}),
      ...(hole ? { existing: true, boredMm: hole.diameterMm } : {}),
    })
    const made = await create(who, boatId, design, hole ? { recordedAt: new Date() } : {}, transaction)
    if (hole) await hole.update({ fittingId: made.id, part: 'bore' }, { transaction })
    return made
  })
  return shown(f)
}
export async function importThroughHull(who: Account, boatId: string, body: unknown) {
  mayWrite(who, boatId)
  await boatById(boatId)
  // Orders, ticks and decisions are of the boat that they were made on.
  const d = throughHullFromFile(body)
  const design = {
    ...d,
    place: { ...d.place, zone: zoneCodeOf(await zonesOf(boatId), d.place.zone) },
    ordered: null,
    ticks: {},
    taperPlug: d.taperPlug && { ...d.taperPlug, decision: null, reason: '' },
  }
  return shown(await inOne((transaction) => create(who, boatId, design, {}, transaction)))
}

export async function readThroughHull(who: Account, id: string) {
  const f = await findThroughHull(id)
  mayRead(who, f.boatId)
  const [around, log, holes, heelDeg] = await Promise.all([
    aroundOf(f.boatId, f.id),
    logOf(f.id),
    holesOf(f.boatId),
    heelOf(f.boatId),
  ])
  const hull = hullAt(around.zones, f.design.place).hull
  const zone = around.zones.find((q) => q.code === f.design.place.zone)
  const moved =
    zone && Math.abs(hull.thicknessMm - f.design.hull.thicknessMm) > 0.05
      ? { thicknessMm: hull.thicknessMm, measured: hull.measured, how: hull.how }
      : null
  const all = await throughHullOf(f.boatId)
  return {
    ...shown(f),
    design: parseThroughHull(f.design),
    others: around.others,
    log,
    heelDeg,
    hullNow: moved,
    holes: holes.filter((h) => h.fittingId === f.id),
    replacedBy: all.find((x) => x.replacesId === f.id)?.id ?? null,
  }
}

/**
 * Saves under a version check. Orders and ticked gates come in by their own doors and are not overwritten
 * here.
 */
export async function saveThroughHull(who: Account, id: string, body: unknown) {
  const { version, design: raw } = parseInput(savingDesign, body)
  const before = await findThroughHull(id)
  mayWrite(who, before.boatId)
  const design = keptByDoors(
    within('design', () => parseThroughHull(raw)),
    parseThroughHull(before.design),
  )
  const was = before.design.place
  if (design.place.xMm !== was.xMm || design.place.yMm !== was.yMm)
    refuseOffBoat(await stationsOf(before.boatId), design.place, 'design.place.')
  const v = judged(design, await aroundOf(before.boatId, id), await logOf(id))
  const now = await inOne(async (transaction) => {
    const [changed] = await ThroughHull.update(
      {
        design,
        name: design.name,
        verdict: v.verdict,
        governing: v.governing,
        version: version + 1,
        updatedAt: new Date(),
        updatedBy: who.name,
      },
      { where: { id, version }, transaction },
    )
    const after = await findThroughHull(id, transaction)
    if (changed === 0) throw stale('this fitting', after, version, shown(after))
    await askRejudge(before.boatId, `${design.name} was changed`, transaction)
    return after
  })
  return { ...shown(now), problem: v.problem }
}
export async function removeThroughHull(who: Account, id: string) {
  await inOne(async (transaction) => {
    const f = await findThroughHull(id, transaction)
    mayWrite(who, f.boatId)
    if (f.recordedAt)
      throw new ApiError(409, 'recorded', 'Its hole is in the register; a recorded fitting stays')
    if (await ThroughHull.count({ where: { replacesId: id }, transaction }))
      throw new ApiError(409, 'replaced', 'Another fitting replaces this one; its history stays')
    if (await WorkLog.count({ where: { fittingId: id }, transaction }))
      throw new ApiError(
        409,
        'logged',
        'It has readings, ticks or an order on record; a fitting with a record stays',
      )
    await f.destroy({ transaction })
    await askRejudge(f.boatId, `${f.name} was taken away`, transaction)
  })
}

const replacing = z.strictObject({
  catalogueId: z.string(),
  name: z.string().trim().min(1).max(120).optional(),
})
/** A new one in the same hole: it begins with the old one's place, hull, use and bore. */
export async function replaceThroughHull(who: Account, id: string, body: unknown) {
  const r = parseInput(replacing, body)
  const entry = entryNamed(r.catalogueId)
  return inOne(async (transaction) => {
    // Locked, so that two who replace it at one moment do not both.
    const f = await findThroughHull(id, transaction)
    mayWrite(who, f.boatId)
    if (await ThroughHull.count({ where: { replacesId: id }, transaction }))
      throw new ApiError(409, 'replaced', 'It is being replaced already')
    const old = parseThroughHull(f.design)
    const started = startThroughHull(
      entry,
      { place: old.place, hull: old.hull, duty: old.duty },
      r.name ?? `${old.name}, renewed`.slice(0, 120),
    )
    const design = parseThroughHull({
      ...started,
      use: old.use,
      boredMm: old.boredMm,
      flowLpm: old.flowLpm,
      replaces: old.name,
      asks: old.asks,
      clock: { ...started.clock, obstacles: old.clock.obstacles },
    })
    return shown(await create(who, f.boatId, design, { replacesId: id }, transaction))
  })
}

export const throughHullDesignFor = async (who: Account, id: string) => {
  const f = await findThroughHull(id)
  mayRead(who, f.boatId)
  const d = parseThroughHull(f.design)
  return { f, d, j: judgeThroughHull(d, await aroundOf(f.boatId, id), await logOf(id)) }
}
