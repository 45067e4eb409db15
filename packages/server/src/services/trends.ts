import type { Transaction } from 'sequelize'
import { z } from 'zod'
import {
  logSeries,
  moistureSeries,
  parseInput,
  trendQuestion,
  trendSaid,
  type Followed,
  type LogLine,
  type Series,
  type TrendAnswer,
} from '@north-tide/core'
import { kindNamed } from '@north-tide/core/kinds'
import { runNamed } from '@north-tide/core/registry'
import { Penetration, Reading } from '../models'
import { must, type Account } from './access'
import { suspectHole, turnSuspect } from './alarm'
import { boatById } from './boats'
import { snapshotOf, type Snapshot } from './snapshot'
import { logsOf } from './work-log'

/** What is read again and again on a boat, each series with where it is going. */
const followed = (s: Series): Followed => trendSaid(s, runNamed('trend', trendQuestion(s)) as TrendAnswer)

async function moistureOf(boatId: string, transaction: Transaction | null = null) {
  const rows = await Reading.findAll({
    where: { boatId, kind: 'moisture', withdrawnWhy: null },
    order: [['takenAt', 'ASC']],
    transaction,
  })
  return rows
    .filter((r) => r.value !== null)
    .map((r) => ({
      xMm: r.xMm,
      yMm: r.yMm,
      value: r.value!,
      dry: r.dryReference ?? null,
      scale: r.scaleMost ?? null,
      meter: r.instrument!,
      at: r.takenAt.toISOString(),
    }))
}
const holesToRead = (s: Pick<Snapshot, 'holes'>) =>
  s.holes
    .filter((h) => h.state !== 'marked' && h.withdrawnWhy === null)
    .map((h) => ({
      id: `hole ${h.id}`,
      name: `${h.label} ${h.whatFor}`,
      xMm: h.xMm,
      yMm: h.yMm,
      below: h.belowWaterline,
    }))
async function seriesOf(s: Snapshot): Promise<Series[]> {
  const logs = await logsOf(s.fittings.map((f) => f.id))
  const fittings = s.fittings.flatMap((f) => {
    const at = { id: f.id, name: f.name, kind: f.kind }
    const design = s.designs.get(f.id)!
    const below = design.place.zMm < 0
    const looks = kindNamed(f.kind).looks?.(design) ?? []
    return [
      ...logSeries(at, logs.get(f.id) ?? [], below),
      ...looks.map((l, i): Series => ({ ...l, id: `${f.id} ${l.kind} ${i}`, at, spot: '', below })),
    ]
  })
  return [...fittings, ...moistureSeries(holesToRead(s), await moistureOf(s.boat.id))]
}
const RANK = { short: 0, tight: 1, unproven: 2, holds: 3 }
const asked = z.strictObject({
  /** only at these things: ids of fittings, and holes as "hole 12", with commas between them */
  at: z.string().max(4000).optional(),
})
export async function trendsOf(
  who: Account,
  boatId: string,
  query: unknown,
): Promise<{ series: Followed[] }> {
  must(who, 'read', boatId)
  const { at } = parseInput(asked, query)
  const only = at === undefined ? null : new Set(at.split(','))
  const s = await snapshotOf(await boatById(boatId))
  const series = (await seriesOf(s)).filter((x) => !only || only.has(x.at.id)).map(followed)
  return {
    series: series.sort(
      (a, b) =>
        Number(b.suspect) - Number(a.suspect) ||
        RANK[a.verdict] - RANK[b.verdict] ||
        a.at.name.localeCompare(b.at.name),
    ),
  }
}
/** A reading that steps, or rises for the third time, turns the holes of its fitting suspect. */
export async function turnByTrend(
  who: Account,
  f: { id: string; name: string; kind: string; below: boolean },
  log: LogLine[],
  transaction: Transaction,
): Promise<void> {
  const at = { id: f.id, name: f.name, kind: f.kind }
  for (const s of logSeries(at, log, f.below).map(followed))
    if (s.turned) await turnSuspect(who, { id: f.id, existing: true }, s.turned, transaction)
}
/** The same of moisture read at a hole. */
export async function turnByMoisture(
  who: Account,
  s: Pick<Snapshot, 'holes'> & { boatId: string },
  near: { xMm: number; yMm: number },
  transaction: Transaction,
): Promise<void> {
  const holes = holesToRead(s).filter((h) => Math.hypot(h.xMm - near.xMm, h.yMm - near.yMm) <= 300)
  for (const x of moistureSeries(holes, await moistureOf(s.boatId, transaction)).map(followed)) {
    if (!x.turned) continue
    const p = await Penetration.findByPk(Number(x.at.id.replace('hole ', '')), {
      transaction,
      lock: transaction.LOCK.NO_KEY_UPDATE,
    })
    if (p) await suspectHole(who, p, x.turned, transaction, false)
  }
}
