import { Op, literal, type Transaction, type Utils } from 'sequelize'
import { z } from 'zod'
import { CalcError, angleSurvey, calculate, parseInput } from '@north-tide/core'
import { ApiError, notFound } from '../errors'
import { AngleReading, Boat } from '../models'
import { must, type Account } from './access'

/** A morning of level readings with the cradle's own heel and trim taken out (chapter 10.2). */
const degrees = z.number().min(-90).max(90)
const extra = { degrees, instrument: z.string().trim().max(120).default('') }
const body = z.discriminatedUnion('role', [
  z.strictObject({ role: z.literal('reference'), ...extra }),
  z.strictObject({ role: z.literal('trim'), ...extra }),
  z.strictObject({
    role: z.literal('station'),
    station: z.string().trim().min(1).max(60),
    side: z.enum(['port', 'starboard']),
    axis: z.enum(['across', 'along']).default('across'),
    leanDeg: degrees.default(0),
    ...extra,
  }),
  z.strictObject({ role: z.literal('recheck'), ...extra }),
])
const key = (r: { station: string; side: string | null; axis: string | null }) =>
  JSON.stringify([r.station, r.side, r.axis])

function inputOf(rows: AngleReading[]) {
  const stations = new Map<
    string,
    { id: string; side: 'port' | 'starboard'; axis: 'across' | 'along'; readings: number[]; leanDeg: number }
  >()
  const rechecks = new Map<number, number[]>()
  for (const r of rows) {
    if (r.role === 'station') {
      const s =
        stations.get(key(r)) ??
        stations
          .set(key(r), { id: r.station, side: r.side!, axis: r.axis!, readings: [], leanDeg: r.leanDeg! })
          .get(key(r))!
      s.readings.push(r.degrees)
      s.leanDeg = r.leanDeg!
    }
    if (r.role === 'recheck') rechecks.set(r.afterCount!, [...(rechecks.get(r.afterCount!) ?? []), r.degrees])
  }
  const of = (role: string) => rows.filter((r) => r.role === role).map((r) => r.degrees)
  const trim = of('trim')
  return {
    references: of('reference'),
    ...(trim.length ? { trimReferences: trim } : {}),
    stations: [...stations.values()],
    rechecks: [...rechecks]
      .sort((a, b) => a[0] - b[0])
      .map(([afterCount, readings]) => ({ afterCount, readings })),
  }
}

export async function anglesOf(who: Account, boatId: string) {
  must(who, 'read', boatId)
  if (!(await Boat.findByPk(boatId))) throw notFound('boat')
  const rows = await AngleReading.findAll({ where: { boatId }, order: [['id', 'ASC']] })
  const input = inputOf(rows)
  let answer = null
  let problem: { path: string; message: string } | null = null
  try {
    answer = calculate(angleSurvey, input)
  } catch (error) {
    if (!(error instanceof CalcError)) throw error
    problem = {
      path: error.path,
      message: error.path.startsWith('references')
        ? 'Read three surfaces that were built level first: then the cradle\u2019s own heel can be taken out'
        : error.message,
    }
  }
  return {
    rows: rows.map((r) => ({
      id: Number(r.id),
      role: r.role,
      station: r.station,
      side: r.side,
      axis: r.axis,
      leanDeg: r.leanDeg,
      afterCount: r.afterCount,
      degrees: r.degrees,
      instrument: r.instrument,
      who: r.who,
      takenAt: r.takenAt.toISOString(),
    })),
    answer,
    problem,
  }
}
/**
 * The cradle's own heel by the readings that there are, starboard down positive; null while nobody has
 * read it.
 */
export async function heelOf(
  boatId: string | Utils.Literal,
  transaction: Transaction | null = null,
): Promise<number | null> {
  try {
    return calculate(angleSurvey, {
      ...inputOf(
        await AngleReading.findAll({
          where: { boatId: { [Op.eq]: boatId }, role: 'reference' },
          order: [['id', 'ASC']],
          transaction,
        }),
      ),
      stations: [],
    }).heelDeg
  } catch (error) {
    if (error instanceof CalcError) return null
    throw error
  }
}

/** The same of the boat that a fitting stands in. */
export const heelRound = (fittingId: string) =>
  heelOf(literal(`(SELECT boat_id FROM fittings WHERE id = ${AngleReading.sequelize!.escape(fittingId)})`))

export async function addAngle(who: Account, boatId: string, raw: unknown) {
  must(who, 'measure', boatId)
  const b = parseInput(body, raw)
  await Boat.sequelize!.transaction(async (transaction) => {
    if (!(await Boat.findByPk(boatId, { transaction, lock: transaction.LOCK.NO_KEY_UPDATE })))
      throw notFound('boat')
    const rows = await AngleReading.findAll({ where: { boatId, role: 'station' }, transaction })
    const afterCount = b.role === 'recheck' ? new Set(rows.map(key)).size : null
    await AngleReading.create(
      { boatId, who: who.name, takenAt: new Date(), ...b, afterCount },
      { transaction },
    )
  })
  return anglesOf(who, boatId)
}

/** A slip of the hand is taken out again; the readings are working notes until the schedule goes out. */
export async function dropAngle(who: Account, boatId: string, id: number) {
  must(who, 'measure', boatId)
  const n = Number.isSafeInteger(id) ? await AngleReading.destroy({ where: { id: String(id), boatId } }) : 0
  if (!n) throw notFound('reading')
  return anglesOf(who, boatId)
}

export async function schedule(who: Account, boatId: string) {
  const a = await anglesOf(who, boatId)
  if (!a.answer) throw new ApiError(409, 'no-schedule', a.problem?.message ?? 'There is no schedule yet')
  return a.answer
}
