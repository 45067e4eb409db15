import { createHash } from 'node:crypto'
import { z } from 'zod'
import {
  inReachOrder,
  parseInput,
  rushOf,
  zoneTitle,
  type CompanionwayRow,
  type Units,
} from '@north-tide/core'
import { kindNamed } from '@north-tide/core/kinds'
import { ApiError } from '../errors'
import { Paper } from '../models'
import { must, type Account } from './access'
import { isThere } from './alarm'
import { boatById } from './boats'
import { snapshotOf } from './snapshot'

/** Sheets that hang in the boat: what stands on them now, and whether that which hangs is still true. */
export interface Companionway {
  boat: string
  units: Units
  rows: CompanionwayRow[]
  /** of what stands on it: another one where anything of it changed */
  code: string
}
const CODE = 6
export async function companionway(who: Account, boatId: string): Promise<Companionway> {
  must(who, 'read', boatId)
  const boat = await boatById(boatId)
  const s = await snapshotOf(boat)
  const gone = new Set(s.fittings.flatMap((f) => (f.replacesId ? [f.replacesId] : [])))
  const rows = s.fittings.flatMap((f): CompanionwayRow[] => {
    const design = s.designs.get(f.id)!
    const at = kindNamed(f.kind).atCompanionway?.(design)
    const own = s.holes.filter((h) => h.fittingId === f.id && h.withdrawnWhy === null)
    // What is not made yet, or closed, is nothing that one reaches for.
    const there = own.filter((h) => h.state !== 'marked' && h.state !== 'closed')
    const stands = there.length > 0 || isThere(design)
    if (!at || !stands || gone.has(f.id)) return []
    const { xMm, yMm, zMm } = design.place
    const [p] = there
    return [
      {
        ...at,
        label: p?.label ?? '',
        name: f.name,
        zone: zoneTitle(s.zones, design.place.zone),
        xMm,
        yMm,
        zMm,
        litresMin: rushOf(at.boreMm, zMm),
        suspect: there.some((h) => h.state === 'suspect'),
      },
    ]
  })
  // What was found and nobody made a fitting of lets in as much: it is named, with what is not known of it.
  const bare = s.holes
    .filter((h) => h.fittingId === null && h.belowWaterline && h.withdrawnWhy === null)
    .filter((h) => h.state !== 'marked' && h.state !== 'closed')
    .map((h): CompanionwayRow => ({
      serves: h.whatFor,
      shuts: 'not on record: see how it shuts',
      boreMm: h.diameterMm,
      label: h.label,
      name: 'found, no fitting on record',
      zone: h.zone,
      xMm: h.xMm,
      yMm: h.yMm,
      zMm: h.zMm,
      litresMin: rushOf(h.diameterMm, h.zMm),
      suspect: h.state === 'suspect',
    }))
  const sorted = inReachOrder([...rows, ...bare])
  const code = createHash('sha256').update(JSON.stringify(sorted)).digest('hex').slice(0, CODE)
  return { boat: boat.name, units: boat.units, rows: sorted, code }
}
export interface ShownPaper {
  code: string
  who: string
  at: string
  /** what stands on it is not so any more */
  stale: boolean
}
/** The sheet that hangs there, and the code of what it would say now. */
export async function papersOf(who: Account, boatId: string) {
  const now = await companionway(who, boatId)
  const last = await Paper.findOne({ where: { boatId, kind: 'companionway' }, order: [['id', 'DESC']] })
  const hangs: ShownPaper | null = last && {
    code: last.code,
    who: last.who,
    at: last.at!.toISOString(),
    stale: last.code !== now.code,
  }
  return { code: now.code, through: now.rows.length, hangs }
}
const hanging = z.strictObject({ code: z.string().length(CODE) })
/** It was printed and hangs there: by the code that stands on it. */
export async function hangPaper(who: Account, boatId: string, body: unknown) {
  must(who, 'work', boatId)
  const { code } = parseInput(hanging, body)
  const now = await companionway(who, boatId)
  if (now.code !== code)
    throw new ApiError(409, 'stale', 'What stands on that sheet is not so any more: print it anew', 'code')
  await Paper.create({ boatId, kind: 'companionway', code, who: who.name })
  return papersOf(who, boatId)
}
