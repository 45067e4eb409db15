import type { Transaction } from 'sequelize'
import { z } from 'zod'
import {
  edgeDistance,
  flagsAt,
  fromFile,
  halfBreadthOf,
  measureSchema,
  parseDesign,
  onFace,
  parseInput,
  placeFrom,
  spotFor,
  staleAgainst,
  startDesign,
  withHabits,
  zoneAt,
  zoneCodeOf,
  zoneOfPlace,
  zoneTitle,
  mirrored,
  moved,
  type Design,
} from '@north-tide/core'
import { ApiError, notFound } from '../errors'
import { Fitting } from '../models'
import { mayRead, mayWrite, type Account } from './access'
import { boatById, partsOfBoat, plainHoles, refuseOffBoat, stationsOf, surroundings, zonesOf } from './boats'
import { entryNamed, habits } from './hardware'
import { judgeByHand, judgeOn } from './verdict'
import { wetSpotsOf } from './wet'
import { holesOf } from './register'
import { isUuid, savingDesign, stale, within } from './saving'

const shown = (f: Fitting) => ({
  id: f.id,
  boatId: f.boatId,
  name: f.name,
  version: f.version,
  design: f.design,
  verdict: f.verdict,
  governing: f.governing,
  staleNow: f.stale,
  recorded: f.recordedAt !== null,
  solverDue: f.solverDue,
  updatedAt: f.updatedAt.toISOString(),
  updatedBy: f.updatedBy,
})

async function find(id: string, transaction: Transaction | null = null): Promise<Fitting> {
  const fitting = isUuid(id)
    ? await Fitting.findByPk(id, {
        transaction,
        ...(transaction ? { lock: transaction.LOCK.NO_KEY_UPDATE } : {}),
      })
    : null
  if (!fitting) throw notFound('fitting')
  return fitting
}

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
})

/**
 * The place that was pointed at or measured. Measurements that disagree are a question, never a silent
 * mean.
 */
export async function pointOf(
  boatId: string,
  p: {
    xMm?: number | undefined
    yMm?: number | undefined
    measures?: z.output<typeof measureSchema>[] | undefined
    believe?: { x?: number | undefined; y?: number | undefined } | undefined
  },
) {
  if (!p.measures) {
    for (const k of ['xMm', 'yMm'] as const)
      if (p[k] === undefined)
        throw new ApiError(400, 'invalid-input', `${k} is missing; give a place, or measures`, k)
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

export async function place(who: Account, boatId: string, body: unknown) {
  mayWrite(who, boatId)
  const boat = await boatById(boatId)
  const p = parseInput(placing, body)
  const entry = await entryNamed(p.catalogueId)
  if (!entry)
    throw new ApiError(400, 'invalid-input', `"${p.catalogueId}" is not in the catalogue`, 'catalogueId')
  const at = await pointOf(boatId, p)
  refuseOffBoat(await stationsOf(boatId), at, p.measures ? 'measures.' : '')
  const zones = await zonesOf(boatId)
  const named = p.zone === undefined ? undefined : zones.find((q) => q.code === p.zone)
  if (p.zone !== undefined && !named)
    throw new ApiError(400, 'invalid-input', `"${p.zone}" is no zone of this boat`, 'zone')
  const zone = named ?? zoneAt(zones, at)
  const spot = {
    ...spotFor(zone, { ...at, ...(p.zMm === undefined ? {} : { zMm: p.zMm }) }, entry.bolts, boat.duty),
    measuredFrom: at.measuredFrom,
  }
  return create(
    who,
    boatId,
    withHabits(
      startDesign(
        entry,
        spot,
        p.name ?? `${entry.title.split(',')[0]}${zone ? `, ${zone.title.toLowerCase()}` : ''}`,
      ),
      await habits(),
    ),
  )
}

async function create(who: Account, boatId: string, design: Design) {
  const { verdict, governing, stale, solver, solverDue } = await judgeOn(design, await surroundings(boatId))
  return shown(
    await Fitting.create({
      boatId,
      name: design.name,
      design,
      verdict,
      governing,
      stale,
      solver,
      solverDue,
      recordedAt: null,
      updatedBy: who.name,
    }),
  )
}

/** A design from a file is judged anew; the verdicts of whoever wrote it are not believed. */
export async function importFitting(who: Account, boatId: string, body: unknown) {
  mayWrite(who, boatId)
  await boatById(boatId)
  const d = fromFile(body)
  return create(who, boatId, {
    ...d,
    place: { ...d.place, zone: zoneCodeOf(await zonesOf(boatId), d.place.zone) },
  })
}

export async function readFitting(who: Account, id: string) {
  const f = await find(id)
  mayRead(who, f.boatId)
  const [zones, parts, holes, wet] = await Promise.all([
    zonesOf(f.boatId),
    partsOfBoat(f.boatId),
    holesOf(f.boatId),
    wetSpotsOf(f.boatId),
  ])
  const others = plainHoles(holes.filter((h) => h.fittingId !== f.id))
  const { place: at, bolts } = f.design
  const zone = zoneOfPlace(zones, at)
  return {
    ...shown(f),
    flags: flagsAt({ zones, parts, holes: others, wet }, at, bolts),
    stale: zone ? staleAgainst(f.design, zone) : null,
    planEdgeMm: zone ? Math.round(edgeDistance(zone, onFace(zone, at), bolts)) : null,
    holes: holes.filter((h) => h.fittingId === f.id),
  }
}

/** Saves under a version check: a stale write is refused with both versions, never a silent loss. */
export async function saveFitting(who: Account, id: string, body: unknown) {
  const { version, design: raw } = parseInput(savingDesign, body)
  const before = await find(id)
  mayWrite(who, before.boatId)
  const design = within('design', () => parseDesign(raw))
  const was = before.design.place
  if (design.place.xMm !== was.xMm || design.place.yMm !== was.yMm)
    refuseOffBoat(await stationsOf(before.boatId), design.place, 'design.place.')
  const v = await judgeOn(design, await surroundings(before.boatId), before.solver)
  const [changed] = await Fitting.update(
    {
      design,
      name: design.name,
      verdict: v.verdict,
      governing: v.governing,
      stale: v.stale,
      solver: v.solver,
      solverDue: v.solverDue,
      version: version + 1,
      updatedAt: new Date(),
      updatedBy: who.name,
    },
    { where: { id, version } },
  )
  const now = await find(id)
  if (changed === 0) throw stale('this fitting', now, version, shown(now))
  return { ...shown(now), problem: v.problem }
}

const copying = z.strictObject({
  name: z.string().trim().min(1).max(120).optional(),
  mirror: z.boolean().default(false),
  xMm: z.number().min(-1e5).max(1e6).optional(),
  yMm: z.number().min(-1e5).max(1e5).optional(),
})
/** The same fitting on the other side, or at another place: judged on the deck that is there. */
export async function copyFitting(who: Account, id: string, body: unknown) {
  const f = await find(id)
  mayWrite(who, f.boatId)
  const c = parseInput(copying, body)
  const d = parseDesign(f.design)
  const zones = await zonesOf(f.boatId)
  if (!c.mirror && (c.xMm === undefined || c.yMm === undefined))
    throw new ApiError(
      400,
      'invalid-input',
      'Give a place, or mirror it',
      c.xMm === undefined ? 'xMm' : 'yMm',
    )
  if (c.mirror && d.place.yMm === 0)
    throw new ApiError(400, 'invalid-input', 'It stands on the centreline; there is no other side', 'mirror')
  const turned = (n: string) =>
    /\bport\b/i.test(n)
      ? n.replace(/\bport\b/i, 'starboard')
      : /\bstarboard\b/i.test(n)
        ? n.replace(/\bstarboard\b/i, 'port')
        : `${n}, ${d.place.yMm > 0 ? 'port' : 'starboard'}`
  return create(
    who,
    f.boatId,
    c.mirror
      ? mirrored(d, zones, c.name ?? turned(d.name).slice(0, 120))
      : moved(d, zones, { xMm: c.xMm!, yMm: c.yMm! }, c.name ?? `${d.name}, copy`.slice(0, 120)),
  )
}

export async function removeFitting(who: Account, id: string) {
  await Fitting.sequelize!.transaction(async (transaction) => {
    const f = await find(id, transaction)
    mayWrite(who, f.boatId)
    if (f.recordedAt)
      throw new ApiError(409, 'recorded', 'Its holes are in the register; a recorded fitting stays')
    await f.destroy({ transaction })
  })
}

/**
 * A fitting as paper shows it: the judgement that is stored, plate solver included, with what the place
 * warns of.
 */
export async function sheetOf(who: Account, id: string) {
  const f = await find(id)
  mayRead(who, f.boatId)
  const [boat, around, holes, wet] = await Promise.all([
    boatById(f.boatId),
    surroundings(f.boatId),
    holesOf(f.boatId),
    wetSpotsOf(f.boatId),
  ])
  const {
    design,
    judgement,
    stale: changed,
    problem,
    solverDue,
  } = judgeByHand(parseDesign(f.design), around, f.solver)
  if (!judgement)
    throw new ApiError(
      409,
      'not-judged',
      `It cannot be judged as it stands, so there is nothing to print yet: ${problem!.message}`,
      problem!.path,
    )
  const flags = flagsAt(
    {
      zones: around.zones,
      parts: around.parts,
      holes: plainHoles(holes.filter((h) => h.fittingId !== f.id)),
      wet,
    },
    design.place,
    design.bolts,
  )
  return {
    f,
    boat,
    design,
    judgement,
    solverDue,
    stale: changed,
    flags,
    zone: zoneTitle(around.zones, design.place.zone),
    holes: holes.filter((h) => h.fittingId === f.id).map((h) => h.label),
  }
}

export async function designFile(who: Account, id: string) {
  const f = await find(id)
  mayRead(who, f.boatId)
  return f
}
