import { z } from 'zod'
import type { Transaction } from 'sequelize'
import { CalcError, SIZES, formatLength, holeLabel, parseInput, type LifeState } from '@north-tide/core'
import {
  BELOW_CATALOGUE, METHOD_TITLE, WATCH_STEPS, belowBolts, belowEntry, belowFromFile, belowOrientation, belowSteps, gateBefore, hullAt, judgeBelow, orderBlocked, orderList, parseBelow, parseFloodPlan, startBelow,
  type BelowAround, type BelowDesign, type BelowJudgement, type BelowLog, type FloodPlan,
} from '@north-tide/core/below'
import { ApiError, notFound } from '../errors'
import { Boat, FloodPlanRow, HullFitting, HullLog, LifeEvent, Penetration } from '../models'
import { mayPassGates, mayRead, mayWrite, type Account } from './access'
import { boatById, partsOfBoat, plainHoles, zonesOf } from './boats'
import { blank, holesOf } from './register'

/** Fittings through the hull: placed, judged with their neighbours, ordered, worked on step by step, recorded, watched. */
const shown = (f: HullFitting) => ({
  id: f.id, boatId: f.boatId, name: f.name, version: f.version, design: f.design, verdict: f.verdict, governing: f.governing, replacesId: f.replacesId ?? null, recorded: f.recordedAt != null, updatedAt: f.updatedAt.toISOString(), updatedBy: f.updatedBy,
})
export async function belowOf(boatId: string, transaction: Transaction | null = null) {
  return HullFitting.findAll({ where: { boatId }, order: [['createdAt', 'ASC'], ['id', 'ASC']], transaction })
}
async function find(id: string): Promise<HullFitting> {
  const f = /^[0-9a-f-]{36}$/i.test(id) ? await HullFitting.findByPk(id) : null
  if (!f) throw notFound('fitting')
  return f
}
/** One that was replaced is no longer in the hull, so it is nobody's neighbour. */
const neighbours = (all: HullFitting[], self: string | null) => {
  const gone = new Set(all.flatMap((f) => (f.replacesId ? [f.replacesId] : [])))
  return all.filter((f) => f.id !== self && !gone.has(f.id) && f.id !== all.find((x) => x.id === self)?.replacesId).map((f) => ({ id: f.id, name: f.name, design: parseBelow(f.design) }))
}
async function aroundOf(boatId: string, self: string | null, transaction: Transaction | null = null): Promise<BelowAround> {
  const [zones, parts, holes, all] = await Promise.all([zonesOf(boatId, transaction), partsOfBoat(boatId, transaction), holesOf(boatId), belowOf(boatId, transaction)])
  return { zones, parts, holes: plainHoles(holes.filter((h) => h.hullFittingId !== self)), others: neighbours(all, self) }
}
export async function logOf(id: string): Promise<BelowLog[]> {
  return (await HullLog.findAll({ where: { hullFittingId: id }, order: [['id', 'ASC']] })).map((l) => ({ kind: l.kind, value: l.value ?? null, note: l.note, who: l.who, at: l.at.toISOString() }))
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
  return shown(await find(f.id))
}
export async function importBelow(who: Account, boatId: string, body: unknown) {
  mayWrite(who, boatId)
  await boatById(boatId)
  // Orders and ticks are of the boat that they were made on.
  return shown(await create(who, boatId, { ...belowFromFile(body), ordered: null, ticks: {} }))
}

export async function readBelow(who: Account, id: string) {
  const f = await find(id)
  mayRead(who, f.boatId)
  const [around, log, holes] = await Promise.all([aroundOf(f.boatId, f.id), logOf(f.id), holesOf(f.boatId)])
  const hull = hullAt(around.zones, f.design.place).hull
  const zone = around.zones.find((q) => q.title === f.design.place.zone)
  const moved = zone && Math.abs(hull.thicknessMm - f.design.hull.thicknessMm) > 0.05 ? { thicknessMm: hull.thicknessMm, measured: hull.measured, how: hull.how } : null
  const all = await belowOf(f.boatId)
  return { ...shown(f), design: parseBelow(f.design), others: around.others, log, hullNow: moved, holes: holes.filter((h) => h.hullFittingId === f.id), replacedBy: all.find((x) => x.replacesId === f.id)?.id ?? null }
}

const saving = z.strictObject({ version: z.number().int().positive(), design: z.unknown() })
/** Saves under a version check. Orders and ticked gates come in by their own doors and are not overwritten here. */
export async function saveBelow(who: Account, id: string, body: unknown) {
  const { version, design: raw } = parseInput(saving, body)
  const before = await find(id)
  mayWrite(who, before.boatId)
  let design: BelowDesign
  try {
    design = { ...parseBelow(raw), ordered: before.design.ordered, ticks: before.design.ticks }
  } catch (error) {
    if (error instanceof CalcError) throw new CalcError(error.code, error.path ? `design.${error.path}` : 'design', error.message)
    throw error
  }
  const v = judged(design, await aroundOf(before.boatId, id), await logOf(id))
  const [changed] = await HullFitting.update({ design, name: design.name, verdict: v.verdict, governing: v.governing, version: version + 1, updatedAt: new Date(), updatedBy: who.name }, { where: { id, version } })
  const now = await find(id)
  if (changed === 0) throw new ApiError(409, 'stale', `${now.updatedBy} changed this fitting meanwhile (version ${now.version}); yours started from version ${version}`, 'version', { current: shown(now) })
  await rejudgeBelow(before.boatId)
  return { ...shown(await find(id)), problem: v.problem }
}
export async function removeBelow(who: Account, id: string) {
  const f = await find(id)
  mayWrite(who, f.boatId)
  if (f.recordedAt) throw new ApiError(409, 'recorded', 'Its hole is in the register; a recorded fitting stays')
  if (await HullFitting.count({ where: { replacesId: id } })) throw new ApiError(409, 'replaced', 'Another fitting replaces this one; its history stays')
  if (await HullLog.count({ where: { hullFittingId: id } })) throw new ApiError(409, 'logged', 'It has readings, ticks or an order on record; a fitting with a record stays')
  await f.destroy()
  await rejudgeBelow(f.boatId)
}

/** Changes the design and writes the log in one go; whoever saved meanwhile is not overwritten, for only this part changes. */
async function withLog(who: Account, f: HullFitting, entry: { kind: HullLog['kind']; note: string; value?: number | null }, change: (d: BelowDesign, at: string) => BelowDesign) {
  const at = new Date()
  await HullFitting.sequelize!.transaction(async (transaction) => {
    const now = (await HullFitting.findByPk(f.id, { transaction, lock: transaction.LOCK.UPDATE }))!
    await HullLog.create({ hullFittingId: f.id, kind: entry.kind, value: entry.value ?? null, note: entry.note, who: who.name, at }, { transaction })
    const before = parseBelow(now.design)
    const design = change(before, at.toISOString())
    if (design !== before) await now.update({ design, version: now.version + 1, updatedAt: at, updatedBy: who.name }, { transaction })
  })
  await rejudgeBelow(f.boatId)
  return readBelow(who, f.id)
}

const ordering = z.strictObject({ reason: z.string().trim().max(500).default('') })
/** Nothing is marked ordered while a joint of the chain is short, unless a fitter gives a reason that stays on record. */
export async function orderBelow(who: Account, id: string, body: unknown) {
  const { reason } = parseInput(ordering, body)
  const f = await find(id)
  mayWrite(who, f.boatId)
  const d = parseBelow(f.design)
  if (d.ordered) throw new ApiError(409, 'ordered', `Ordered on ${d.ordered.at.slice(0, 10)} by ${d.ordered.by} already`)
  const j = judgeBelow(d, await aroundOf(f.boatId, id), await logOf(id))
  const bad = orderBlocked(j.joints)
  if (bad.length) {
    if (!reason) throw new ApiError(409, 'chain', `The chain does not fit: ${bad.map((b) => `${b.title.toLowerCase()}: ${b.because}`).join(' ')}`, 'reason', { joints: bad.map((b) => ({ id: b.id, codes: b.codes, because: b.because })) })
    mayPassGates(who)
  }
  return withLog(who, f, { kind: 'order', note: `${orderList(d)}${bad.length ? `. Short: ${bad.map((b) => b.title.toLowerCase()).join(', ')}. Reason: ${reason}` : ''}` }, (now, at) => ({ ...now, ordered: { at, by: who.name, what: orderList(d), reason: bad.length ? reason : '' } }))
}
/** An order taken back; that it stood stays in the log. */
export async function unorderBelow(who: Account, id: string) {
  const f = await find(id)
  mayWrite(who, f.boatId)
  if (!f.design.ordered) throw new ApiError(409, 'not-ordered', 'Nothing of it is ordered')
  return withLog(who, f, { kind: 'order', note: `taken back: ${f.design.ordered.what}` }, (now) => ({ ...now, ordered: null }))
}

const ticking = z.strictObject({ step: z.string().max(40), note: z.string().trim().max(300).default(''), reason: z.string().trim().max(300).default('') })
/** A gate of the work, ticked in its order. Passing one that stands open wants a fitter and a reason. */
export async function tickBelow(who: Account, id: string, body: unknown) {
  const t = parseInput(ticking, body)
  const f = await find(id)
  mayWrite(who, f.boatId)
  const d = parseBelow(f.design)
  const boat = await boatById(f.boatId)
  const steps = belowSteps(d, judgeBelow(d, await aroundOf(f.boatId, id), await logOf(id)), boat.units)
  const step = steps.find((s) => s.id === t.step)
  if (!step) throw new ApiError(400, 'invalid-input', `"${t.step}" is no step of this fitting`, 'step')
  if (d.ticks[t.step]) throw new ApiError(409, 'ticked', 'It is ticked already', 'step')
  const open = gateBefore(steps, t.step, d.ticks)
  if (open) {
    if (!t.reason) throw new ApiError(409, 'gate', `Before this: ${open.text}`, 'reason', { gates: [{ id: open.id, text: open.text }] })
    mayPassGates(who)
  }
  if ((WATCH_STEPS as readonly string[]).includes(t.step) && !t.note) throw new ApiError(400, 'invalid-input', 'Say what was seen: dry, or where it is wet', 'note')
  const note = [t.note, open ? `${open.id} passed over: ${t.reason}` : ''].filter(Boolean).join('; ')
  return withLog(who, f, { kind: 'tick', note: `${t.step}${note ? `: ${note}` : ''}` }, (now, at) => ({ ...now, ticks: { ...now.ticks, [t.step]: { at, by: who.name, note } } }))
}

const logging = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('bond'), value: z.number().min(0).max(1e7), note: z.string().trim().max(300).default('') }),
  z.strictObject({ kind: z.literal('anode'), value: z.number().min(0).max(100), note: z.string().trim().max(300).default('') }),
  z.strictObject({ kind: z.literal('look'), note: z.string().trim().min(1).max(300) }),
])
export async function logBelow(who: Account, id: string, body: unknown) {
  const l = parseInput(logging, body)
  const f = await find(id)
  mayWrite(who, f.boatId)
  return withLog(who, f, { kind: l.kind, note: l.note, value: 'value' in l ? l.value : null }, (d) => d)
}

/** The bore, and the bolts that go through the hull, become holes of the register. Where it replaces another, the old hole goes on under its own number, with its history. */
export async function recordBelow(who: Account, id: string) {
  const f = await find(id)
  mayWrite(who, f.boatId)
  const around = await aroundOf(f.boatId, id)
  return HullFitting.sequelize!.transaction(async (transaction) => {
    const boat = (await Boat.findByPk(f.boatId, { transaction, lock: transaction.LOCK.UPDATE }))!
    const now = (await HullFitting.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE }))!
    if (now.recordedAt) throw new ApiError(409, 'recorded', 'Its hole is in the register already')
    const d = parseBelow(now.design)
    const j = judgeBelow(d, around, await logOf(id))
    const at = new Date()
    const through = `${d.hull.kind} ${formatLength(d.hull.thicknessMm, boat.units)}${d.hull.measured ? '' : ' (estimate)'}${d.pad ? `, pad ${formatLength(d.pad.thicknessMm, boat.units)}` : ''}${j.wedge ? `, wedge ${d.wedge.blocks}` : ''}`
    const common = { boatId: f.boatId, fittingId: null, hullFittingId: id, zone: d.place.zone ?? 'not in a zone', zMm: d.place.zMm, through, plate: d.pad ? `pad ${d.pad.material}, ${formatLength(d.pad.thicknessMm, boat.units)}` : '', coreSchool: d.hull.kind === 'cored' ? 'insert' : 'none', sealant: d.bedding.flange, belowWaterline: d.place.zMm < 0 }
    const fastener = d.hold.method === 'nut' ? 'its own nut' : `${d.hold.bolts} ${d.hold.size} ${d.hold.grade}, ${METHOD_TITLE[d.hold.method]}`
    const note = belowOrientation(d, j)
    const labels: string[] = []
    const old = now.replacesId ? await Penetration.findOne({ where: { hullFittingId: now.replacesId, boltIndex: null }, transaction }) : null
    let number = ((await Penetration.max('number', { where: { boatId: f.boatId }, transaction })) as number | null) ?? 0
    const event = (p: Penetration, state: LifeState, seq: number, words: string, sizeMm: number | null = null) => LifeEvent.create({ ...blank, penetrationId: p.id, seq, state, who: who.name, happenedAt: at, note: words, sizeMm }, { transaction })
    const hole = j.stack?.holeMm ?? d.boredMm ?? d.skin.holeMm
    if (old) {
      const last = await LifeEvent.findOne({ where: { penetrationId: old.id }, order: [['seq', 'DESC']], transaction })
      await event(old, 'marked', (last?.seq ?? 0) + 1, `${old.whatFor} (${old.fastener || 'as found'}, ${formatLength(old.diameterMm, boat.units)}) is replaced by ${d.name}. ${note}`, old.diameterMm)
      await old.update({ ...common, whatFor: d.name, diameterMm: hole, fastener }, { transaction })
      labels.push(holeLabel(old.number))
    } else {
      const p = await Penetration.create({ ...common, number: ++number, boltIndex: null, whatFor: d.name, xMm: d.place.xMm, yMm: d.place.yMm, diameterMm: hole, fastener, found: false }, { transaction })
      await event(p, 'marked', 1, note)
      labels.push(holeLabel(p.number))
    }
    // Bolts into the pad make no hole in the hull; a drain plug's go right through.
    if (d.hold.method === 'through') for (const [i, b] of belowBolts(d).entries()) {
      const p = await Penetration.create({ ...common, number: ++number, boltIndex: i, whatFor: `${d.name}, bolt ${i + 1}`, xMm: d.place.xMm + b.xMm, yMm: d.place.yMm + b.yMm, diameterMm: SIZES[d.hold.size]!.clearanceMm, fastener: `${d.hold.size} ${d.hold.grade}`, found: false }, { transaction })
      await event(p, 'marked', 1, '')
      labels.push(holeLabel(p.number))
    }
    await now.update({ recordedAt: at }, { transaction })
    return labels
  })
}

const replacing = z.strictObject({ catalogueId: z.string(), name: z.string().trim().min(1).max(120).optional() })
/** A new one in the same hole: it begins with the old one's place, hull, use and bore. */
export async function replaceBelow(who: Account, id: string, body: unknown) {
  const r = parseInput(replacing, body)
  const f = await find(id)
  mayWrite(who, f.boatId)
  const entry = entryNamed(r.catalogueId)
  if (await HullFitting.count({ where: { replacesId: id } })) throw new ApiError(409, 'replaced', 'It is being replaced already')
  const old = parseBelow(f.design)
  const started = startBelow(entry, { place: old.place, hull: old.hull, duty: old.duty }, r.name ?? `${old.name}, renewed`.slice(0, 120))
  const design = parseBelow({ ...started, use: old.use, boredMm: old.boredMm, flowLpm: old.flowLpm, replaces: old.name, asks: old.asks, clock: { ...started.clock, obstacles: old.clock.obstacles } })
  return shown(await create(who, f.boatId, design, { replacesId: id }))
}

/** What a boat is for water that comes in: compartments by their floor area, pumps, doors, marks. Estimated from her lines until somebody says better. */
export async function floodPlanOf(who: Account, boatId: string): Promise<{ plan: FloodPlan; version: number; estimated: boolean }> {
  mayRead(who, boatId)
  const boat = await boatById(boatId)
  const row = await FloodPlanRow.findByPk(boatId)
  if (row) return { plan: parseFloodPlan(row.plan), version: row.version, estimated: false }
  const half = boat.lengthMm
  return { plan: { compartments: [{ id: 'hull', title: 'Whole hull', fromXMm: 0, toXMm: half, areaM2: Math.round(0.45 * (boat.lengthMm / 1000) * (boat.beamMm / 1000) * 10) / 10, floorZMm: -300 }], doors: [], pumps: [], marks: [] }, version: 0, estimated: true }
}
const flooding = z.strictObject({ version: z.number().int().min(0), plan: z.unknown() })
export async function saveFloodPlan(who: Account, boatId: string, body: unknown) {
  mayWrite(who, boatId)
  await boatById(boatId)
  const b = parseInput(flooding, body)
  let plan: FloodPlan
  try {
    plan = parseFloodPlan(b.plan)
  } catch (error) {
    if (error instanceof CalcError) throw new CalcError(error.code, error.path ? `plan.${error.path}` : 'plan', error.message)
    throw error
  }
  const row = await FloodPlanRow.findByPk(boatId)
  if ((row?.version ?? 0) !== b.version) throw new ApiError(409, 'stale', `${row?.updatedBy ?? 'Somebody'} changed this meanwhile; yours started from version ${b.version}`, 'version')
  if (row) await row.update({ plan, version: b.version + 1, updatedBy: who.name, updatedAt: new Date() })
  else await FloodPlanRow.create({ boatId, plan, version: 1, updatedBy: who.name })
  return floodPlanOf(who, boatId)
}
export const belowDesignFor = async (who: Account, id: string) => {
  const f = await find(id)
  mayRead(who, f.boatId)
  const d = parseBelow(f.design)
  return { f, d, j: judgeBelow(d, await aroundOf(f.boatId, id), await logOf(id)) }
}
