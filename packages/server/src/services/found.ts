import { z } from 'zod'
import {
  CalcError,
  mayDo,
  NO_ZONE,
  measureSaid,
  measureSchema,
  parseInput,
  zoneAt,
  type LifeState,
} from '@north-tide/core'
import type { Transaction } from 'sequelize'
import { ApiError, forbidden, notFound } from '../errors'
import { Boat, LifeEvent, Penetration } from '../models'
import { must, type Account } from './access'
import { refuseOffBoat, stationsOf } from './boats'
import { zonesOf } from './zones'
import { pointOf } from './fittings'
import { passOrRefuse, weigh, write, type NextEvent } from './life'
import { holesOf } from './holes'
import { lockedHole } from './register'

/** Holes that were there before anyone kept a record: age unknown, state found. */
export const FOUND_KINDS = [
  'old fastener',
  'filled hole',
  'cut-off rivet',
  'oval hole',
  'open hole',
  'mystery bolt',
] as const
const body = z.strictObject({
  foundKind: z.enum(FOUND_KINDS),
  whatFor: z.string().trim().max(120).default(''),
  diameterMm: z.number().positive().max(1000),
  acrossMm: z.number().positive().max(1000).nullish(),
  /** of the long way of an oval hole, from fore and aft, positive turning to starboard */
  directionDeg: z.number().min(-90).max(90).nullish(),
  xMm: z.number().min(-1e5).max(1e6).optional(),
  yMm: z.number().min(-1e5).max(1e5).optional(),
  zMm: z.number().min(-1e5).max(1e5).optional(),
  /** the surface that it is in, by its code; left out: the one that the plan shows there */
  zone: z.string().max(80).optional(),
  measures: z.array(measureSchema).min(1).max(12).optional(),
  believe: z
    .strictObject({ x: z.number().int().min(0).optional(), y: z.number().int().min(0).optional() })
    .optional(),
  state: z.enum(['suspect', 'closed']).default('suspect'),
  note: z.string().trim().max(1000).default(''),
  gateReason: z.string().trim().max(500).default(''),
  through: z.string().trim().max(200).default('as found'),
})

export async function nextNumber(boatId: string, transaction: Transaction) {
  await Boat.findByPk(boatId, { transaction, lock: transaction.LOCK.NO_KEY_UPDATE })
  return (((await Penetration.max('number', { where: { boatId }, transaction })) as number | null) ?? 0) + 1
}

export async function addFound(who: Account, boatId: string, raw: unknown) {
  must(who, 'measure', boatId)
  const b = parseInput(body, raw)
  if (b.directionDeg != null && b.acrossMm == null)
    throw new CalcError('invalid-input', 'directionDeg', 'A round hole lies no way: give the long way too')
  const boat = await Boat.findByPk(boatId)
  if (!boat) throw notFound('boat')
  const at = await pointOf(boatId, b)
  refuseOffBoat(await stationsOf(boatId), at, b.measures ? 'measures.' : '')
  const zones = await zonesOf(boatId)
  const zone = b.zone === undefined ? zoneAt(zones, at) : (zones.find((q) => q.code === b.zone) ?? null)
  if (b.zone !== undefined && !zone)
    throw new CalcError('invalid-input', 'zone', `"${b.zone}" is no zone of this boat`)
  const id = await Boat.sequelize!.transaction(async (transaction) => {
    const number = await nextNumber(boatId, transaction)
    const zMm = b.zMm ?? zone?.zMm ?? 0
    const p = await Penetration.create(
      {
        boatId,
        number,
        fittingId: null,
        boltIndex: null,
        whatFor: b.whatFor || `Found: ${b.foundKind}`,
        zone: zone?.code ?? NO_ZONE,
        xMm: at.xMm,
        yMm: at.yMm,
        zMm,
        diameterMm: b.diameterMm,
        acrossMm: b.acrossMm ?? null,
        directionDeg: b.directionDeg ?? null,
        foundKind: b.foundKind,
        through: b.through,
        fastener: '',
        plate: '',
        coreSchool: 'none',
        sealant: null,
        belowWaterline: zMm < 0,
        found: true,
        measuredFrom: [...at.measuredFrom.map((m) => measureSaid(m, boat.units)), ...at.working].join('; '),
      },
      { transaction },
    )
    // What is not said is not made up: a hole that is closed already says how, or a fitter takes it on
    // himself.
    const next = foundAs(
      b.state,
      `Age unknown. ${b.note || b.foundKind}.`,
      b.state === 'closed' ? b.note : '',
      b.diameterMm,
    )
    const gates = weigh(p, [], next, [])
    passOrRefuse(who, p.boatId, gates, b.gateReason)
    await write(who, p, 1, next, gates, b.gateReason, transaction)
    return p.id
  })
  return (await holesOf(boatId, { only: [id] }))[0]!
}
/** The first event of a hole that was there before anyone kept a record. */
export const foundAs = (state: LifeState, note: string, evidence: string, sizeMm: number): NextEvent => ({
  state,
  at: new Date(),
  note,
  evidence,
  sizeMm,
  tempC: null,
  humidityPct: null,
  lot: null,
  corrects: null,
})

const withdrawing = z.strictObject({ why: z.string().trim().min(1).max(300) })
/**
 * A found hole that was kept by mistake: taken off map and register with a reason, and kept for whoever
 * asks. An apprentice takes back only his own.
 */
export async function withdrawFound(who: Account, id: number, raw: unknown) {
  const { why } = parseInput(withdrawing, raw)
  await Boat.sequelize!.transaction(async (transaction) => {
    const p = await lockedHole(who, id, transaction)
    if (p.withdrawnWhy) throw new ApiError(409, 'withdrawn', 'It is withdrawn already')
    if (!p.found || p.fittingId)
      throw new ApiError(
        409,
        'in-use',
        'Only a hole that was found, and that nothing stands in, is withdrawn',
      )
    const first = await LifeEvent.findOne({ where: { penetrationId: p.id, seq: 1 }, transaction })
    if (!mayDo(who, 'pass-gate', p.boatId) && first?.who !== who.name)
      throw forbidden('An apprentice withdraws what he kept himself; a fitter the rest')
    await p.update({ withdrawnWhy: why, withdrawnBy: who.name, withdrawnAt: new Date() }, { transaction })
  })
}
