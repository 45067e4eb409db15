import type { ThroughHullLog } from '@north-tide/core/through-hull'
import { ThroughHull, WorkLog, Lot } from '../models'

/**
 * The log of the work on fittings: ticks with what was said at them, orders, readings, looks. Added to,
 * never changed.
 */
export async function logsOf(fittingIds: string[]): Promise<Map<string, ThroughHullLog[]>> {
  const out = new Map<string, ThroughHullLog[]>(fittingIds.map((id) => [id, []]))
  if (!fittingIds.length) return out
  const rows = await WorkLog.findAll({ where: { fittingId: fittingIds }, order: [['id', 'ASC']] })
  const lots = new Map(
    (
      await Lot.findAll({ where: { id: [...new Set(rows.map((l) => l.lotId).filter((id) => id != null))] } })
    ).map((l) => [l.id, l.code]),
  )
  for (const l of rows)
    out.get(l.fittingId)!.push({
      kind: l.kind,
      step: l.step,
      value: l.value ?? null,
      lot: l.lotId == null ? null : (lots.get(l.lotId) ?? null),
      tempC: l.tempC ?? null,
      humidityPct: l.humidityPct ?? null,
      sizeMm: l.sizeMm ?? null,
      note: l.note,
      who: l.who,
      at: l.at.toISOString(),
    })
  return out
}
export const logOf = async (id: string): Promise<ThroughHullLog[]> => (await logsOf([id])).get(id)!

/** The log of a hole: of what stands in it, after that of all that stood in it before. */
export async function logOfHole(boatId: string, fittingId: string | null): Promise<ThroughHullLog[]> {
  return fittingId === null ? [] : ((await logsOfHoles(boatId, [fittingId])).get(fittingId) ?? [])
}
export async function logsOfHoles(
  boatId: string,
  fittingIds: string[],
): Promise<Map<string, ThroughHullLog[]>> {
  const before = new Map(
    (await ThroughHull.findAll({ where: { boatId }, attributes: ['id', 'replacesId'] })).map((f) => [
      f.id,
      f.replacesId ?? null,
    ]),
  )
  const chains = fittingIds.map((id) => {
    const chain: string[] = []
    for (let at: string | null = id; at !== null && !chain.includes(at); at = before.get(at) ?? null)
      chain.unshift(at)
    return { id, chain }
  })
  const logs = await logsOf([...new Set(chains.flatMap((c) => c.chain))])
  return new Map(chains.map(({ id, chain }) => [id, chain.flatMap((c) => logs.get(c)!)]))
}
