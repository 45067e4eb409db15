import { z } from 'zod'
import type { Transaction } from 'sequelize'
import { CalcError, holeLabel, parseInput } from '@north-tide/core'
import {
  BELOW_CATALOGUE, belowEntry, belowFromFile, hullAt, judgeBelow, keptByDoors, parseBelow, startBelow,
  type BelowAround, type BelowDesign, type BelowJudgement, type BelowLog,
} from '@north-tide/core/below'
import { ApiError, notFound } from '../errors'
import { HullFitting, HullLog, Penetration } from '../models'
import { mayRead, mayWrite, type Account } from './access'
import { boatById, partsOfBoat, plainHoles, zonesOf } from './boats'
import { heelOf } from './angles'
import { logOf } from './hull-log'
import { holesOf } from './register'
import { savingDesign, stale, within } from './saving'

/** Fittings through the hull: placed, judged with their neighbours, ordered, worked on step by step, recorded, watched. */
const shown = (f: HullFitting) => ({
  id: f.id, boatId: f.boatId, name: f.name, version: f.version, design: f.design, verdict: f.verdict, governing: f.governing, replacesId: f.replacesId ?? null, recorded: f.recordedAt != null, updatedAt: f.updatedAt.toISOString(), updatedBy: f.updatedBy,
})
export async function belowOf(boatId: string, transaction: Transaction | null = null) {
  return HullFitting.findAll({ where: { boatId }, order: [['createdAt', 'ASC'], ['id', 'ASC']], transaction })
}
export async function findBelow(id: string): Promise<HullFitting> {
  const f = /^[0-9a-f-]{36}$/i.test(id) ? await HullFitting.findByPk(id) : null
  if (!f) throw notFound('fitting')
  return f
}
/** One that was replaced is no longer in the hull, so it is nobody's neighbour. */
const neighbours = (all: HullFitting[], self: string | null) => {
  const gone = new Set(all.flatMap((f) => (f.replacesId ? [f.replacesId] : [])))
  return all.filter((f) => f.id !== self && !gone.has(f.id) && f.id !== all.find((x) => x.id === self)?.replacesId).map((f) => ({ id: f.id, name: f.name, design: parseBelow(f.design) }))
}
export async function aroundOf(boatId: string, self: string | null, transaction: Transaction | null = null): Promise<BelowAround> {
  const [zones, parts, holes, all] = await Promise.all([zonesOf(boatId, transaction), partsOfBoat(boatId, transaction), holesOf(boatId), belowOf(boatId, transaction)])
  return { zones, parts, holes: plainHoles(holes.filter((h) => h.hullFittingId !== self)), others: neighbours(all, self) }
}

function judged(d: BelowDesign, around: BelowAround, log: BelowLog[]): { verdict: HullFitting['verdict']; governing: string | null; problem: { code: string; path: string; message: string } | null; j: BelowJudgement | null } {
  try {
    const j = judgeBelow(d, around, log)
    return { verdict: j.verdict, governing: j.governing, problem: null, j }
  } catch (error) {
    if (!(error instanceof CalcError)) throw error
    return { verdict: 'unproven', governing: error.code, problem: { code: error.code, path: error.path, message: error.message }, j: null }
  }
}
/** What one fitting is depends on its neighbours (one metal, one flow, handles that meet), so all of a boat are judged together. */
export async function rejudgeBelow(boatId: string): Promise<void> {
  const all = await belowOf(boatId)
  if (!all.length) return
  const around = await aroundOf(boatId, null)
  for (const f of all) {
    const v = judged(parseBelow(f.design), { ...around, others: neighbours(all, f.id) }, await logOf(f.id))
    if (v.verdict !== f.verdict || v.governing !== f.governing) await HullFitting.update({ verdict: v.verdict, governing: v.governing }, { where: { id: f.id, version: f.version } })
  }
}

const placing = z.strictObject({
  catalogueId: z.string(), name: z.string().trim().min(1).max(120).optional(), xMm: z.number().min(-1e5).max(1e6).optional(), yMm: z.number().min(-1e5).max(1e5).optional(), zMm: z.number().min(-1e5).max(1e5).optional(), zone: z.string().max(80).optional(),
  deadriseDeg: z.number().min(0).lt(80).optional(), use: z.string().max(40).optional(),
  /** a hole that was found: this is what stands in it */
  holeId: z.number().int().positive().optional(),
})
const entryNamed = (id: string) => {
  const e = belowEntry(id)
  if (!e) throw new ApiError(400, 'invalid-input', `"${id}" is not in the catalogue; one of ${BELOW_CATALOGUE.map((c) => c.id).join(', ')} is accepted`, 'catalogueId')
  return e
}
async function create(who: Account, boatId: string, design: BelowDesign, more: { replacesId?: string } = {}) {
  const v = judged(design, await aroundOf(boatId, null), [])
  const f = await HullFitting.create({ boatId, name: design.name, design, verdict: v.verdict, governing: v.governing, updatedBy: who.name, ...more })
  await rejudgeBelow(boatId)
  return f
}
export async function placeBelow(who: Account, boatId: string, body: unknown) {
  mayWrite(who, boatId)
  const boat = await boatById(boatId)
  const p = parseInput(placing, body)
  const entry = entryNamed(p.catalogueId)
  const hole = p.holeId === undefined ? null : await Penetration.findOne({ where: { id: p.holeId, boatId } })
  if (p.holeId !== undefined && !hole) throw new ApiError(400, 'invalid-input', `There is no hole ${p.holeId} in this boat`, 'holeId')
  if (hole && (hole.fittingId || hole.hullFittingId)) throw new ApiError(409, 'taken', `${holeLabel(hole.number)} belongs to a fitting already`, 'holeId')
  const zones = await zonesOf(boatId)
  const named = p.zone === undefined ? undefined : zones.find((q) => q.code === p.zone)
  if (p.zone !== undefined && !named) throw new ApiError(400, 'invalid-input', `"${p.zone}" is no zone of this boat`, 'zone')
  for (const k of ['xMm', 'yMm'] as const) if (!hole && p[k] === undefined) throw new ApiError(400, 'invalid-input', `${k} is missing; give a place, or a hole that was found`, k)
  const at = { xMm: Math.round(hole?.xMm ?? p.xMm!), yMm: Math.round(hole?.yMm ?? p.yMm!), zMm: Math.round(hole?.zMm ?? p.zMm ?? named?.zMm ?? -300) }
  const { zone, hull } = hullAt(zones, { ...at, zone: named?.title ?? hole?.zone ?? null })
  const name = p.name ?? hole?.whatFor ?? entry.title.split(',')[0]!
  let design = startBelow(entry, { place: { zone, ...at, measuredFrom: [] }, hull: { ...hull, ...(p.deadriseDeg === undefined ? {} : { deadriseDeg: p.deadriseDeg, angleMeasured: true }) }, duty: boat.duty }, name)
  if (p.use) design = parseBelow({ ...design, use: p.use })
  if (hole) design = parseBelow({ ...design, existing: true, boredMm: hole.diameterMm })
  const f = await create(who, boatId, design)
  if (hole) {
    await hole.update({ hullFittingId: f.id })
    await f.update({ recordedAt: new Date() })
  }
  return shown(await findBelow(f.id))
}
export async function importBelow(who: Account, boatId: string, body: unknown) {
  mayWrite(who, boatId)
  await boatById(boatId)
  // Orders, ticks and decisions are of the boat that they were made on.
  const d = belowFromFile(body)
  return shown(await create(who, boatId, { ...d, ordered: null, ticks: {}, taperPlug: d.taperPlug && { ...d.taperPlug, decision: null, reason: '' } }))
}

export async function readBelow(who: Account, id: string) {
  const f = await findBelow(id)
  mayRead(who, f.boatId)
  const [around, log, holes, heelDeg] = await Promise.all([aroundOf(f.boatId, f.id), logOf(f.id), holesOf(f.boatId), heelOf(f.boatId)])
  const hull = hullAt(around.zones, f.design.place).hull
  const zone = around.zones.find((q) => q.title === f.design.place.zone)
  const moved = zone && Math.abs(hull.thicknessMm - f.design.hull.thicknessMm) > 0.05 ? { thicknessMm: hull.thicknessMm, measured: hull.measured, how: hull.how } : null
  const all = await belowOf(f.boatId)
  return { ...shown(f), design: parseBelow(f.design), others: around.others, log, heelDeg, hullNow: moved, holes: holes.filter((h) => h.hullFittingId === f.id), replacedBy: all.find((x) => x.replacesId === f.id)?.id ?? null }
}

/** Saves under a version check. Orders and ticked gates come in by their own doors and are not overwritten here. */
export async function saveBelow(who: Account, id: string, body: unknown) {
  const { version, design: raw } = parseInput(savingDesign, body)
  const before = await findBelow(id)
  mayWrite(who, before.boatId)
  const design = keptByDoors(within('design', () => parseBelow(raw)), parseBelow(before.design))
  const v = judged(design, await aroundOf(before.boatId, id), await logOf(id))
  const [changed] = await HullFitting.update({ design, name: design.name, verdict: v.verdict, governing: v.governing, version: version + 1, updatedAt: new Date(), updatedBy: who.name }, { where: { id, version } })
  const now = await findBelow(id)
  if (changed === 0) throw stale('this fitting', now, version, shown(now))
  await rejudgeBelow(before.boatId)
  return { ...shown(await findBelow(id)), problem: v.problem }
}
export async function removeBelow(who: Account, id: string) {
  const f = await findBelow(id)
  mayWrite(who, f.boatId)
  if (f.recordedAt) throw new ApiError(409, 'recorded', 'Its hole is in the register; a recorded fitting stays')
  if (await HullFitting.count({ where: { replacesId: id } })) throw new ApiError(409, 'replaced', 'Another fitting replaces this one; its history stays')
  if (await HullLog.count({ where: { hullFittingId: id } })) throw new ApiError(409, 'logged', 'It has readings, ticks or an order on record; a fitting with a record stays')
  await f.destroy()
  await rejudgeBelow(f.boatId)
}

const replacing = z.strictObject({ catalogueId: z.string(), name: z.string().trim().min(1).max(120).optional() })
/** A new one in the same hole: it begins with the old one's place, hull, use and bore. */
export async function replaceBelow(who: Account, id: string, body: unknown) {
  const r = parseInput(replacing, body)
  const f = await findBelow(id)
  mayWrite(who, f.boatId)
  const entry = entryNamed(r.catalogueId)
  if (await HullFitting.count({ where: { replacesId: id } })) throw new ApiError(409, 'replaced', 'It is being replaced already')
  const old = parseBelow(f.design)
  const started = startBelow(entry, { place: old.place, hull: old.hull, duty: old.duty }, r.name ?? `${old.name}, renewed`.slice(0, 120))
  const design = parseBelow({ ...started, use: old.use, boredMm: old.boredMm, flowLpm: old.flowLpm, replaces: old.name, asks: old.asks, clock: { ...started.clock, obstacles: old.clock.obstacles } })
  return shown(await create(who, f.boatId, design, { replacesId: id }))
}

export const belowDesignFor = async (who: Account, id: string) => {
  const f = await findBelow(id)
  mayRead(who, f.boatId)
  const d = parseBelow(f.design)
  return { f, d, j: judgeBelow(d, await aroundOf(f.boatId, id), await logOf(id)) }
}
