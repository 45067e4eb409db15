import { QueryTypes, type Transaction } from 'sequelize'
import type { LogLine } from '@north-tide/core'
import { Fitting, WorkLog } from '../models'

type Row = Omit<LogLine, 'at'> & { fittingId: string; at: Date }
/**
 * The log of the work on fittings: ticks with what was said at them, orders, purchases, readings, looks,
 * decisions. Added to, never changed.
 */
export async function logsOf(
  fittingIds: string[],
  transaction: Transaction | null = null,
): Promise<Map<string, LogLine[]>> {
  const out = new Map<string, LogLine[]>(fittingIds.map((id) => [id, []]))
  if (!fittingIds.length) return out
  const rows = await WorkLog.sequelize!.query<Row>(
    `SELECT w.fitting_id AS "fittingId", w.kind, w.step, w.value, w.lot_id AS "lotId", l.code AS lot, w.temp_c AS "tempC",
            w.humidity_pct AS "humidityPct", w.size_mm AS "sizeMm", w.note, w.who, w.at, w.undoes, w.data
       FROM work_log w LEFT JOIN lots l ON l.id = w.lot_id WHERE w.fitting_id = ANY($1::uuid[]) ORDER BY w.id`,
    { bind: [fittingIds], type: QueryTypes.SELECT, transaction },
  )
  for (const { fittingId, at, ...l } of rows)
    out.get(fittingId)!.push({ ...l, at: at.toISOString() } as LogLine)
  return out
}
export const logOf = async (id: string, transaction: Transaction | null = null): Promise<LogLine[]> =>
  (await logsOf([id], transaction)).get(id)!

/** The log of a hole: of what stands in it, after that of all that stood in it before. */
export async function logOfHole(boatId: string, fittingId: string | null): Promise<LogLine[]> {
  return fittingId === null ? [] : ((await logsOfHoles(boatId, [fittingId])).get(fittingId) ?? [])
}
export async function logsOfHoles(boatId: string, fittingIds: string[]): Promise<Map<string, LogLine[]>> {
  const before = new Map(
    (await Fitting.findAll({ where: { boatId }, attributes: ['id', 'replacesId'] })).map((f) => [
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
