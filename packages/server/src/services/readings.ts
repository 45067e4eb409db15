import { z } from 'zod'
import { CORE_STATES, TAP_SOUNDS, THICKNESS_WAYS, layerFrom, parseInput } from '@north-tide/core'
import type { Transaction } from 'sequelize'
import { ApiError, notFound } from '../errors'
import { Boat, Reading, Zone, ZoneLayer } from '../models'
import { holesOf } from './holes'
import { turnByMoisture } from './trends'
import { must, type Account } from './access'
import { askRejudge } from './asked'
import { moment } from './saving'

export const shownReading = (r: Reading, code: string | null) => ({
  id: Number(r.id),
  zone: code,
  kind: r.kind,
  way: r.way,
  layer: r.layerSeq,
  xMm: r.xMm,
  yMm: r.yMm,
  value: r.value,
  scaleMost: r.scaleMost,
  dryReference: r.dryReference,
  finding: r.finding,
  note: r.note,
  instrument: r.instrument,
  who: r.who,
  takenAt: r.takenAt.toISOString(),
  withdrawnWhy: r.withdrawnWhy,
  withdrawnBy: r.withdrawnBy,
})
export type ReadingShown = ReturnType<typeof shownReading>

export async function readingsOf(who: Account, boatId: string): Promise<ReadingShown[]> {
  must(who, 'read', boatId)
  const [rows, zones] = await Promise.all([
    Reading.findAll({ where: { boatId }, order: [['id', 'ASC']] }),
    Zone.findAll({ where: { boatId } }),
  ])
  const codes = new Map(zones.map((q) => [q.id, q.code]))
  return rows.map((r) => shownReading(r, r.zoneId === null ? null : (codes.get(r.zoneId) ?? null)))
}

const common = {
  xMm: z.number().min(-1e5).max(1e6),
  yMm: z.number().min(-1e5).max(1e5),
  note: z.string().trim().max(1000).default(''),
  instrument: z.string().trim().max(120).default(''),
  takenAt: moment.optional(),
}
const body = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('thickness'),
    zone: z.string(),
    way: z.enum(Object.keys(THICKNESS_WAYS) as [keyof typeof THICKNESS_WAYS]),
    layers: z
      .array(
        z.strictObject({
          layer: z.number().int().min(0).max(20),
          thicknessMm: z.number().positive().max(1000),
        }),
      )
      .min(1)
      .max(20),
    ...common,
  }),
  z
    .strictObject({
      kind: z.literal('moisture'),
      zone: z.string(),
      value: z.number().min(0).max(1e4),
      scaleMost: z.number().positive().max(1e4).default(100),
      dryReference: z.number().min(0).max(1e4),
      ...common,
    })
    .superRefine((v, ctx) => {
      if (v.value > v.scaleMost)
        ctx.addIssue({
          code: 'custom',
          path: ['value'],
          message: `${v.value} was given; the meter\u2019s scale ends at ${v.scaleMost}`,
        })
      if (v.dryReference > v.scaleMost)
        ctx.addIssue({
          code: 'custom',
          path: ['dryReference'],
          message: `${v.dryReference} was given; the meter\u2019s scale ends at ${v.scaleMost}`,
        })
    }),
  z.strictObject({ kind: z.literal('tap'), zone: z.string(), finding: z.enum(TAP_SOUNDS), ...common }),
  z.strictObject({ kind: z.literal('core'), zone: z.string(), finding: z.enum(CORE_STATES), ...common }),
])

/**
 * Readings of a plug, probe or ultrasonic gauge stand for an estimate from then on, as their median with
 * their spread.
 */
async function remeasure(zone: Zone, transaction: Transaction): Promise<boolean> {
  const layers = await ZoneLayer.findAll({ where: { zoneId: zone.id }, order: [['seq', 'ASC']], transaction })
  const readings = await Reading.findAll({
    where: { zoneId: zone.id, kind: 'thickness', withdrawnWhy: null },
    order: [['id', 'ASC']],
    transaction,
  })
  let changed = false
  for (const l of layers) {
    const mine = readings.filter((r) => r.layerSeq === l.seq)
    const m = layerFrom(mine.map((r) => r.value!))
    if (!m) continue
    const ways = [
      ...new Set(mine.map((r) => THICKNESS_WAYS[r.way as keyof typeof THICKNESS_WAYS]?.title ?? r.way)),
    ].join(', ')
    if (Math.abs(l.thicknessMm - m.thicknessMm) > 1e-9 || !l.measured) changed = true
    await ZoneLayer.update(
      {
        thicknessMm: m.thicknessMm,
        measured: true,
        measuredBy: ways,
        spreadMm: m.spreadMm,
        readingCount: m.count,
      },
      { where: { zoneId: zone.id, seq: l.seq }, transaction },
    )
  }
  if (changed) await zone.update({ version: zone.version + 1 }, { transaction })
  return changed
}

const refused = (message: string, path: string) => new ApiError(400, 'invalid-input', message, path)
type Body = z.output<typeof body>
type OfThickness = Extract<Body, { kind: 'thickness' }>

/** A layer that the zone has not, or that the way of measuring does not see. */
function checkLayers(b: OfThickness, count: number) {
  b.layers.forEach((l, i) => {
    const path = `layers.${i}.layer`
    if (l.layer >= count)
      throw refused(
        `This zone has ${count} layer${count === 1 ? '' : 's'}; layer ${l.layer} is none of them`,
        path,
      )
    if (b.way === 'ultrasonic' && l.layer > 0)
      throw refused('An ultrasonic gauge does not see past the outer skin; a plug or a probe does', path)
  })
}

export async function addReading(who: Account, boatId: string, raw: unknown) {
  must(who, 'measure', boatId)
  if (!(await Boat.findByPk(boatId))) throw notFound('boat')
  const b = parseInput(body, raw)
  const takenAt = b.takenAt ? new Date(b.takenAt) : new Date()
  if (takenAt.getTime() > Date.now() + 120_000)
    throw refused('That time has not come yet; a time up to now is accepted', 'takenAt')
  const job = await Boat.sequelize!.transaction(async (transaction) => {
    const zone = await Zone.findOne({
      where: { boatId, code: b.zone },
      transaction,
      lock: transaction.LOCK.NO_KEY_UPDATE,
    })
    if (!zone) throw refused(`"${b.zone}" is no zone of this boat`, 'zone')
    const { kind, xMm, yMm, note, instrument } = b
    const row = { boatId, zoneId: zone.id, kind, xMm, yMm, note, instrument, who: who.name, takenAt }
    if (b.kind === 'thickness') {
      checkLayers(b, await ZoneLayer.count({ where: { zoneId: zone.id }, transaction }))
      await Reading.bulkCreate(
        b.layers.map((l) => ({ ...row, way: b.way, layerSeq: l.layer, value: l.thicknessMm })),
        { transaction },
      )
      const changed = await remeasure(zone, transaction)
      return changed ? askRejudge(boatId, 'a thickness was measured', transaction) : null
    }
    const found =
      b.kind === 'moisture'
        ? { value: b.value, scaleMost: b.scaleMost, dryReference: b.dryReference }
        : { finding: b.finding }
    await Reading.create({ ...row, ...found }, { transaction })
    if (b.kind === 'moisture')
      await turnByMoisture(who, { boatId, holes: await holesOf(boatId, { transaction }) }, b, transaction)
    return null
  })
  return { readings: await readingsOf(who, boatId), job }
}

const withdrawal = z.strictObject({ why: z.string().trim().min(1).max(300) })
/** A reading is never edited: it is withdrawn with a reason and taken again. */
export async function withdrawReading(who: Account, boatId: string, id: number, raw: unknown) {
  must(who, 'measure', boatId)
  const { why } = parseInput(withdrawal, raw)
  const job = await Boat.sequelize!.transaction(async (transaction) => {
    const r = Number.isSafeInteger(id)
      ? await Reading.findOne({
          where: { id: String(id), boatId },
          transaction,
          lock: transaction.LOCK.NO_KEY_UPDATE,
        })
      : null
    if (!r) throw notFound('reading')
    if (r.withdrawnWhy) throw new ApiError(409, 'withdrawn', 'It is withdrawn already')
    await r.update({ withdrawnWhy: why, withdrawnBy: who.name }, { transaction })
    const zone =
      r.zoneId === null || r.kind !== 'thickness'
        ? null
        : await Zone.findByPk(r.zoneId, { transaction, lock: transaction.LOCK.NO_KEY_UPDATE })
    return zone && (await remeasure(zone, transaction))
      ? askRejudge(boatId, 'a reading was withdrawn', transaction)
      : null
  })
  return { readings: await readingsOf(who, boatId), job }
}
