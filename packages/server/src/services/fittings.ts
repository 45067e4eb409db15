import { z } from 'zod'
import { CalcError, catalogueEntry, edgeDistance, flagsAt, fromFile, judge, parseDesign, parseInput, spotFor, startDesign, zoneAt, type Design, type Verdict, type YardValue } from '@north-tide/core'
import { ApiError, notFound } from '../errors'
import { Fitting } from '../models'
import { mayRead, mayWrite, type Account } from './access'
import { boatById, partsOfBoat, plainHoles, zonesOf } from './boats'
import { holesOf } from './register'
import { yardValues } from './yard'

/** The server judges again before it stores a verdict. A design that cannot be judged yet is kept all the same: nothing typed is lost. */
export function verdictFor(design: Design, yard: YardValue[] = []): { verdict: Verdict; governing: string | null; problem: { code: string; path: string; message: string } | null } {
  try {
    const j = judge(design, false, yard)
    return { verdict: j.verdict, governing: j.governing, problem: null }
  } catch (error) {
    if (!(error instanceof CalcError)) throw error
    return { verdict: 'unproven', governing: error.code, problem: { code: error.code, path: error.path, message: error.message } }
  }
}

const shown = (f: Fitting) => ({
  id: f.id, boatId: f.boatId, name: f.name, version: f.version, design: f.design, verdict: f.verdict, governing: f.governing, recorded: f.recordedAt !== null,
  updatedAt: f.updatedAt.toISOString(), updatedBy: f.updatedBy,
})
export type FittingShown = ReturnType<typeof shown>

async function find(id: string): Promise<Fitting> {
  const fitting = /^[0-9a-f-]{36}$/i.test(id) ? await Fitting.findByPk(id) : null
  if (!fitting) throw notFound('fitting')
  return fitting
}

const placing = z.strictObject({ catalogueId: z.string(), xMm: z.number().min(-1e5).max(1e6), yMm: z.number().min(-1e5).max(1e5), name: z.string().trim().min(1).max(120).optional() })

export async function place(who: Account, boatId: string, body: unknown) {
  mayWrite(who, boatId)
  const boat = await boatById(boatId)
  const p = parseInput(placing, body)
  const entry = catalogueEntry(p.catalogueId)
  if (!entry) throw new ApiError(400, 'invalid-input', `"${p.catalogueId}" is not in the catalogue`, 'catalogueId')
  const zone = zoneAt(await zonesOf(boatId), p)
  const spot = spotFor(zone, p, entry.bolts, boat.duty)
  return create(who, boatId, startDesign(entry, spot, p.name ?? `${entry.title.split(',')[0]}${zone ? `, ${zone.title.toLowerCase()}` : ''}`))
}

async function create(who: Account, boatId: string, design: Design) {
  const v = verdictFor(design, await yardValues())
  return shown(await Fitting.create({ boatId, name: design.name, design, verdict: v.verdict, governing: v.governing, recordedAt: null, updatedBy: who.name }))
}

/** A design from a file is judged anew; the verdicts of whoever wrote it are not believed. */
export async function importFitting(who: Account, boatId: string, body: unknown) {
  mayWrite(who, boatId)
  await boatById(boatId)
  return create(who, boatId, fromFile(body))
}

export async function readFitting(who: Account, id: string) {
  const f = await find(id)
  mayRead(who, f.boatId)
  const [zones, parts, holes] = await Promise.all([zonesOf(f.boatId), partsOfBoat(f.boatId), holesOf(f.boatId)])
  const others = plainHoles(holes.filter((h) => h.fittingId !== f.id))
  const { place: at, bolts } = f.design
  const zone = zoneAt(zones, at)
  return { ...shown(f), flags: flagsAt(zones, parts, others, at, bolts), planEdgeMm: zone ? Math.round(edgeDistance(zone, at, bolts)) : null, holes: holes.filter((h) => h.fittingId === f.id) }
}

/** After a value of the yard's own has changed: every stored verdict is made anew. */
export async function rejudgeAll(): Promise<void> {
  const yard = await yardValues()
  for (const f of await Fitting.findAll()) {
    const v = verdictFor(f.design, yard)
    if (v.verdict !== f.verdict || v.governing !== f.governing) await Fitting.update({ verdict: v.verdict, governing: v.governing }, { where: { id: f.id, version: f.version } })
  }
}

const saving = z.strictObject({ version: z.number().int().positive(), design: z.unknown() })

/** Saves under a version check: a stale write is refused with both versions, never a silent loss. */
export async function saveFitting(who: Account, id: string, body: unknown) {
  const { version, design: raw } = parseInput(saving, body)
  const before = await find(id)
  mayWrite(who, before.boatId)
  let design: Design
  try {
    design = parseDesign(raw)
  } catch (error) {
    if (error instanceof CalcError) throw new CalcError(error.code, error.path ? `design.${error.path}` : 'design', error.message)
    throw error
  }
  const v = verdictFor(design, await yardValues())
  const [changed] = await Fitting.update(
    { design, name: design.name, verdict: v.verdict, governing: v.governing, version: version + 1, updatedAt: new Date(), updatedBy: who.name },
    { where: { id, version } },
  )
  const now = await find(id)
  if (changed === 0) throw new ApiError(409, 'stale', `${now.updatedBy} changed this fitting meanwhile (version ${now.version}); yours started from version ${version}`, 'version', { current: shown(now) })
  return { ...shown(now), problem: v.problem }
}

export async function removeFitting(who: Account, id: string) {
  const f = await find(id)
  mayWrite(who, f.boatId)
  if (f.recordedAt) throw new ApiError(409, 'recorded', 'Its holes are in the register; a recorded fitting stays')
  await f.destroy()
}

export async function designFile(who: Account, id: string) {
  const f = await find(id)
  mayRead(who, f.boatId)
  return f
}
