import Papa from 'papaparse'
import { partsList, partsRow, toolsList, type PartsLine, type Units } from '@north-tide/core'
import { safeCell } from '../csv'
import { must, type Account } from './access'
import { boatById } from './boats'
import { openWork } from './open-work'

export interface BoatParts {
  boat: string
  units: Units
  lines: PartsLine[]
  tools: { tool: string; fittings: number }[]
  /** what of the boat could not be listed, since its design makes no sense yet */
  left: { id: string; name: string; why: string }[]
}
/** What the open work on a boat wants bought, made and carried, summed over its fittings. */
export async function partsOf(who: Account, boatId: string): Promise<BoatParts> {
  must(who, 'read', boatId)
  const boat = await boatById(boatId)
  const { jobs, unjudged } = await openWork(boatId)
  return {
    boat: boat.name,
    units: boat.units,
    lines: partsList(jobs),
    tools: toolsList(jobs),
    left: unjudged.map((u) => ({ id: u.fittingId, name: u.fitting, why: u.why })),
  }
}
export function partsCsv({ lines, units }: BoatParts): string {
  const rows = lines
    .map((l) => partsRow(l, units))
    .map((r) => Object.fromEntries(Object.entries(r).map(([k, v]) => [k, safeCell(String(v))])))
  return `${Papa.unparse(rows, { newline: '\n' })}\n`
}
