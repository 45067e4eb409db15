import type { Transaction } from 'sequelize'
import { z } from 'zod'
import {
  CalcError,
  halfBreadthOf,
  holeLabel,
  measureSchema,
  parseInput,
  placeFrom,
  spotBoat,
  spotFor,
  zoneAt,
  zoneCodeOf,
  zoneOfPlace,
  zoneTitle,
  type AnyDesign,
  type Kind,
  type KindSpot,
} from '@north-tide/core'
import { inWords } from '@north-tide/core/refusal-words'
import { FILE_FORMAT, fittingFromFile, kindNamed, kindOfEntry, kinds, parseOf } from '@north-tide/core/kinds'
import { ApiError, notFound } from '../errors'
import { Fitting, HoleLink, Penetration, WorkLog } from '../models'
import { must, type Account } from './access'
import { alarmOf, isThere, turnSuspect } from './alarm'
import { askRejudge } from './asked'
import { boatById, refuseOffBoat, stationsOf } from './boats'
import { designIs } from './designs'
import { entryNamed, habits } from './hardware'
import { aroundFitting, findFitting, shown } from './opened'
import { writeJudged } from './judged-row'
import { savingDesign, stale, within } from './saving'
import { aroundIn, snapshotOf, type Snapshot } from './snapshot'
import { judgeByHand, judgeOn, stored } from './verdict'

/**
 * Fittings of whatever kind: placed, judged with what stands round them, saved, copied, replaced. What is
 * particular to a kind, the kind says; nothing here asks which one it is.
 */
export const inOne = <T>(run: (transaction: Transaction) => Promise<T>): Promise<T> =>
  Fitting.sequelize!.transaction(run)

const placing = z.strictObject({
  catalogueId: z.string(),
  name: z.string().trim().min(1).max(120).optional(),
  xMm: z.number().min(-1e5).max(1e6).optional(),
  yMm: z.number().min(-1e5).max(1e5).optional(),
  zMm: z.number().min(-1e5).max(1e5).optional(),
  /** code of the zone, where it is no deck: a topside, the bottom, a bulkhead */
  zone: z.string().max(80).optional(),
  /** as a fitter measures; the coordinates then follow from it */
  measures: z.array(measureSchema).min(1).max(12).optional(),
  believe: z
    .strictObject({ x: z.number().int().min(0).optional(), y: z.number().int().min(0).optional() })
    .optional(),
  deadriseDeg: z.number().min(0).lt(80).optional(),
  use: z.string().max(40).optional(),
  /** a hole that was found: this is what stands in it */
  holeId: z.number().int().positive().optional(),
})
type Placing = z.output<typeof placing>

/**
 * The place that was pointed at or measured. Measurements that disagree are a question, never a silent
 * mean.
 */
export async function pointOf(boatId: string, p: Pick<Placing, 'xMm' | 'yMm' | 'measures' | 'believe'>) {
  if (!p.measures) {
    for (const k of ['xMm', 'yMm'] as const)
      if (p[k] === undefined)
        throw new ApiError(400, 'invalid-input', inWords(`${k} is missing; give a place, or measures`, k), k)
    return { xMm: p.xMm!, yMm: p.yMm!, measuredFrom: [], working: [] }
  }
  const placed = placeFrom(p.measures, halfBreadthOf(await stationsOf(boatId)), p.believe)
  const c = placed.conflicts[0]
  if (c)
    throw new ApiError(
      409,
      'measures-disagree',
      `Two measurements stand ${Math.round(c.apartMm)} mm apart along ${c.axis}; which is to be believed?`,
      `believe.${c.axis}`,
      { conflicts: placed.conflicts },
    )
  if (placed.xMm === null || placed.yMm === null)
    throw new ApiError(
      400,
      'invalid-input',
      `Nothing measured gives ${placed.xMm === null ? 'x' : 'y'}`,
      'measures',
    )
  return { xMm: placed.xMm, yMm: placed.yMm, measuredFrom: p.measures, working: placed.working }
}

/** The kind and the entry that a number of the catalogue means; the yard's own hardware is of the deck. */
export async function entryOf(id: string): Promise<{ kind: Kind; entry: Kind['catalogue'][number] }> {
  const kind = kindOfEntry(id)
  const entry = kind ? kind.catalogue.find((e) => e.id === id) : await entryNamed(id)
  if (!entry)
    throw new ApiError(400, 'invalid-input', `"${id}" is not in the catalogue of any kind`, 'catalogueId')
  return { kind: kind ?? kindNamed('deck-hardware'), entry }
}

/** The hole that a fitting is to stand in, locked until it does, so that no two are put into one. */
async function freeHole(boatId: string, id: number | undefined, kind: Kind, transaction: Transaction) {
  if (id === undefined) return null
  const hole = await Penetration.findOne({
    where: { id, boatId },
    transaction,
    lock: transaction.LOCK.NO_KEY_UPDATE,
  })
  if (!hole) throw new ApiError(400, 'invalid-input', `There is no hole ${id} in this boat`, 'holeId')
  const label = holeLabel(hole.number)
  if (hole.withdrawnWhy)
    throw new ApiError(409, 'withdrawn', `${label} was withdrawn: ${hole.withdrawnWhy}`, 'holeId')
  if (hole.fittingId && !kind.closes)
    throw new ApiError(409, 'taken', `${label} belongs to a fitting already`, 'holeId')
  return hole
}

/** Where a new fitting stands, and what the boat is made of there. */
async function spotOf(
  s: Snapshot,
  kind: Kind,
  p: Placing,
  hole: Penetration | null,
  bolts: { xMm: number; yMm: number }[],
): Promise<KindSpot> {
  const named = s.zones.find((q) => q.code === (p.zone ?? hole?.zone))
  if (p.zone !== undefined && !named)
    throw new ApiError(400, 'invalid-input', `"${p.zone}" is no zone of this boat`, 'zone')
  const at = hole ? { xMm: hole.xMm, yMm: hole.yMm, measuredFrom: [] } : await pointOf(s.boat.id, p)
  if (!hole) refuseOffBoat(await stationsOf(s.boat.id), at, p.measures ? 'measures.' : '')
  const onDeck = kind.faces.includes('deck')
  const zMm = hole?.zMm ?? p.zMm ?? (onDeck ? undefined : (named?.zMm ?? USUAL_DEPTH_MM))
  // What was typed is kept as it was; what is measured along a curved edge is no truer than a millimetre.
  const typed = onDeck && !hole && !p.measures
  const point = typed ? at : { xMm: Math.round(at.xMm), yMm: Math.round(at.yMm) }
  const zone = named ?? (onDeck ? zoneAt(s.zones, at) : null)
  const spot = spotFor(
    zone,
    { ...point, ...(zMm === undefined ? {} : { zMm: onDeck ? zMm : Math.round(zMm) }) },
    bolts,
    s.boat.duty,
    spotBoat(s.boat, Date.now()),
  )
  return { ...spot, measuredFrom: at.measuredFrom, zones: s.zones }
}
/** Where nobody has said how deep a fitting below the deck stands. */
const USUAL_DEPTH_MM = -300

export async function place(who: Account, boatId: string, body: unknown) {
  must(who, 'work', boatId)
  const p = parseInput(placing, body)
  const boat = await boatById(boatId)
  const { kind, entry } = await entryOf(p.catalogueId)
  const f = await inOne(async (transaction) => {
    const s = await snapshotOf(boat, transaction)
    const hole = await freeHole(boatId, p.holeId, kind, transaction)
    const bolts = (entry as { bolts?: { xMm: number; yMm: number }[] }).bolts ?? []
    const spot = await spotOf(s, kind, p, hole, bolts)
    const title = entry.title.split(',')[0]!
    const where =
      kind.faces.includes('deck') && spot.zone ? `, ${zoneTitle(s.zones, spot.zone).toLowerCase()}` : ''
    const started = kind.start(entry, spot, p.name ?? nameFor(kind, hole) ?? `${title}${where}`)
    const own = kind.withHabits?.(started, await habits()) ?? started
    const said = {
      deadriseDeg: p.deadriseDeg,
      use: p.use,
      holeMm: hole ? Math.max(hole.diameterMm, hole.acrossMm ?? 0) : undefined,
      holeLabel: hole ? holeLabel(hole.number) : undefined,
    }
    const design = kind.placed?.(own, said) ?? own
    const made = await create(
      who,
      s,
      kind,
      design,
      hole && !kind.closes ? { recordedAt: new Date() } : {},
      transaction,
    )
    if (hole && !kind.closes) await takeHole(made, hole, kind, design, s, transaction)
    return made
  })
  return shown(await withSlow(f))
}
/** What stands in a hole is called as the hole was; what closes it says so. */
const nameFor = (kind: Kind, hole: Penetration | null) =>
  hole && (kind.closes ? `Closing ${holeLabel(hole.number)}, ${hole.whatFor}`.slice(0, 120) : hole.whatFor)
/** A hole that was found has a fitting now: it is that fitting's first hole. */
async function takeHole(
  f: Fitting,
  hole: Penetration,
  kind: Kind,
  design: AnyDesign,
  s: Snapshot,
  transaction: Transaction,
) {
  const around = aroundIn(s, f.id, [])
  const first = kind.penetrations(design, kind.judge(design, around), s.boat.units)[0]!
  await hole.update({ fittingId: f.id, part: first.part, boltIndex: first.boltIndex }, { transaction })
  await HoleLink.create({ fittingId: f.id, penetrationId: hole.id, link: 'reuses' }, { transaction })
}

export async function create(
  who: Account,
  s: Snapshot,
  kind: Kind,
  design: AnyDesign,
  more: { replacesId?: string; recordedAt?: Date; groupId?: string },
  transaction: Transaction,
) {
  const v = judgeByHand(kind, design, aroundIn(s, null, []))
  const { ask: _ask, ...judged } = v
  const f = await Fitting.create(
    {
      kind: kind.id,
      boatId: s.boat.id,
      name: design.name,
      design,
      ...stored(judged),
      updatedBy: who.name,
      ...more,
    },
    { transaction },
  )
  await askRejudge(s.boat.id, `${design.name} was added`, transaction)
  return f
}
/** One that was just made, with the heavy calculator's word where it has one. */
export async function withSlow(f: Fitting): Promise<Fitting> {
  if (!f.solverDue) return f
  const s = await snapshotOf(await boatById(f.boatId))
  const kind = kindNamed(f.kind)
  const v = await judgeOn(kind, parseOf(kind, f.design), aroundIn(s, f.id, []), null)
  await Fitting.update(stored(v), { where: { id: f.id, version: f.version } })
  return findFitting(f.id)
}

/** A design from a file is judged anew; the verdicts and the past of whoever wrote it are not believed. */
export async function importFitting(who: Account, boatId: string, body: unknown, kindId?: string) {
  must(who, 'work', boatId)
  const s = await snapshotOf(await boatById(boatId))
  const kind = kindOfFile(body, kindId)
  const d = fittingFromFile(kind, body)
  const design = { ...d, place: { ...d.place, zone: zoneCodeOf(s.zones, d.place.zone) } }
  return shown(await withSlow(await inOne((transaction) => create(who, s, kind, design, {}, transaction))))
}
/** What a file says that it is; a bare design is of the kind that is asked for. */
function kindOfFile(body: unknown, asked = 'deck-hardware'): Kind {
  const format = body !== null && typeof body === 'object' ? (body as { format?: unknown }).format : undefined
  if (typeof format !== 'string') return kindNamed(asked)
  const id = kinds().find((k) => (FILE_FORMAT[k.id] ?? `north-tide-${k.id}`) === format)?.id
  if (!id) throw new CalcError('invalid-input', 'format', `"${format}" is no file of a fitting`)
  return kindNamed(id)
}

/** One of a row: a fitting of its own that knows which row it is of. */
export const createMember = (
  who: Account,
  s: Snapshot,
  kind: Kind,
  design: AnyDesign,
  groupId: string,
  transaction: Transaction,
) => create(who, s, kind, design, { groupId }, transaction)
/** Saves under a version check: a stale write is refused with both versions, never a silent loss. */
export async function saveFitting(who: Account, id: string, body: unknown) {
  const { version, design: raw } = parseInput(savingDesign, body)
  const { boat, snapshot, log } = await aroundFitting(id)
  must(who, 'work', boat.id)
  const s = await snapshot()
  const before = s.fittings.find((f) => f.id === id)
  if (!before) throw notFound('fitting')
  const kind = kindNamed(before.kind)
  const design = within('design', () => parseOf(kind, raw))
  const was = before.design.place
  if (design.place.xMm !== was.xMm || design.place.yMm !== was.yMm)
    refuseOffBoat(await stationsOf(before.boatId), design.place, 'design.place.')
  // By the hand checks and what the solver said before: to a new question it answers as work of the queue.
  const { ask: _ask, ...v } = judgeByHand(kind, design, aroundIn(s, id, log), before.solver)
  const alarm = alarmOf(kind, design)
  const raised = alarm !== null && alarm !== alarmOf(kind, s.designs.get(id)!)
  const write = (transaction: Transaction | null) =>
    writeJudged(before, { version, design, updatedBy: who.name }, v, transaction)
  // One statement stands by itself; with an alarm of its holes there are more.
  const now = raised
    ? await inOne(async (transaction) => {
        const after = await write(transaction)
        if (after) await turnSuspect(who, { id, existing: isThere(design) }, alarm, transaction)
        return after
      })
    : await write(null)
  if (!now) {
    const there = await findFitting(id)
    throw stale('this fitting', there, version, shown(there))
  }
  designIs(now, design)
  return { ...shown(now), problem: v.problem }
}

const replacing = z.strictObject({
  catalogueId: z.string(),
  name: z.string().trim().min(1).max(120).optional(),
})
/** A new one in the same place: it begins with what stands of the old one. */
export async function replaceFitting(who: Account, id: string, body: unknown) {
  const r = parseInput(replacing, body)
  const { kind, entry } = await entryOf(r.catalogueId)
  const f = await inOne(async (transaction) => {
    // Locked, so that two who replace it at one moment do not both.
    const old = await findFitting(id, transaction)
    must(who, 'work', old.boatId)
    if (old.kind !== kind.id)
      throw new ApiError(
        400,
        'invalid-input',
        `${entry.id} is ${kind.title.toLowerCase()}, and this is not`,
        'catalogueId',
      )
    if (await Fitting.count({ where: { replacesId: id }, transaction }))
      throw new ApiError(409, 'replaced', 'It is being replaced already')
    const s = await snapshotOf(await boatById(old.boatId), transaction)
    const was = parseOf(kind, old.design)
    const zone = zoneOfPlace(s.zones, was.place)
    const bolts = (entry as { bolts?: { xMm: number; yMm: number }[] }).bolts ?? []
    const spot: KindSpot = {
      ...spotFor(zone, was.place, bolts, was.duty, spotBoat(s.boat, Date.now())),
      zones: s.zones,
    }
    const begun = kind.start(entry, spot, r.name ?? `${was.name}, renewed`.slice(0, 120))
    const design = kind.inPlaceOf?.(begun, was) ?? begun
    return create(who, s, kind, design, { replacesId: id }, transaction)
  })
  return shown(await withSlow(f))
}

export async function removeFitting(who: Account, id: string) {
  await inOne(async (transaction) => {
    const f = await findFitting(id, transaction)
    must(who, 'work', f.boatId)
    if (f.recordedAt)
      throw new ApiError(409, 'recorded', 'Its holes are in the register; a recorded fitting stays')
    if (await Fitting.count({ where: { replacesId: id }, transaction }))
      throw new ApiError(409, 'replaced', 'Another fitting replaces this one; its history stays')
    if (await Fitting.count({ where: { groupId: id }, transaction }))
      throw new ApiError(409, 'has-members', 'It has members on the boat; take those away first')
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
