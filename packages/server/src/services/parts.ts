import Papa from 'papaparse'
import { partsList, partsRow, toolsList, type PartsLine, type Units } from '@north-tide/core'
import { safeCell } from '../csv'
import { must, type Account } from './access'
import { boatById } from './boats'
import { openWork } from './open-work'
import { lateFittings } from './orders'
import { shelfRows } from './shelf'

export interface BoatParts {
  boat: string
  units: Units
  lines: PartsLine[]
  /** so many of it stand on the shelf; null where nobody counted any */
  tools: { tool: string; fittings: number; owned: number | null }[]
  /** what of the boat could not be listed, since its design makes no sense yet */
  left: { id: string; name: string; why: string }[]
}
/** What the open work on a boat wants bought, made and carried, summed over its fittings. */
export async function partsOf(who: Account, boatId: string): Promise<BoatParts> {
  must(who, 'read', boatId)
  const boat = await boatById(boatId)
  const { jobs, unjudged } = await openWork(boatId)
  const late = await lateFittings()
  const owned = new Map<string, number>()
  for (const s of await shelfRows())
    if (s.kind === 'tool') owned.set(s.text, (owned.get(s.text) ?? 0) + s.count)
  return {
    boat: boat.name,
    units: boat.units,
    lines: partsList(jobs.map((j) => ({ ...j, late: late.has(j.fittingId) }))),
    tools: toolsList(jobs).map((t) => ({ ...t, owned: owned.get(t.tool) ?? null })),
    left: unjudged.map((u) => ({ id: u.fittingId, name: u.fitting, why: u.why })),
  }
}
export function partsCsv({ lines, units }: BoatParts): string {
  const rows = lines
    .map((l) => partsRow(l, units))
    .map((r) => Object.fromEntries(Object.entries(r).map(([k, v]) => [k, safeCell(String(v))])))
  return `${Papa.unparse(rows, { newline: '\n' })}\n`
}
