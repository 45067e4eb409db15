import dayjs from 'dayjs'
import { Op, QueryTypes } from 'sequelize'
import { z } from 'zod'
import { CalcError, holeLabel, mayDo, parseInput } from '@north-tide/core'
import { notFound } from '../errors'
import { Lot, Penetration } from '../models'
import { must, type Account } from './access'
import { suspectHole } from './alarm'

/** Where a lot, or a model of a part, went: every hole of every boat, in one step; and taking it back. */
const asked = z
  .strictObject({
    lot: z.coerce
      .number()
      .int()
      .positive()
      .max(2 ** 31 - 1)
      .optional(),
    /** number of a part in a catalogue, as MV-S32 */
    model: z.string().trim().min(2).max(60).optional(),
  })
  .refine((a) => (a.lot === undefined) !== (a.model === undefined), {
    message: 'A lot or a model is accepted, one of the two',
    path: ['lot'],
  })
export interface Went {
  id: number
  label: string
  boatId: string
  boat: string
  what: string
  zone: string
  fittingId: string | null
  kind: string | null
  state: string
  /** when it went in; null where only the design says so */
  at: string | null
}
const HOLE = `p.id, p.number, p.boat_id AS "boatId", b.name AS boat, p.what_for AS what, p.zone, p.fitting_id AS "fittingId", f.kind,
  (SELECT e.state FROM life_events e WHERE e.penetration_id = p.id ORDER BY e.seq DESC LIMIT 1) AS state`
const FROM =
  'FROM penetrations p JOIN boats b ON b.id = p.boat_id LEFT JOIN fittings f ON f.id = p.fitting_id'
/** By the lives of the holes and by the work on their fittings: a tick for some holes names those. */
const BY_LOT = `SELECT ${HOLE}, i.at::text ${FROM} JOIN (
    SELECT e.penetration_id AS id, min(e.happened_at) AS at FROM life_events e WHERE e.lot_id = $1 GROUP BY 1
    UNION
    SELECT p2.id, min(l.at) FROM work_log l JOIN penetrations p2 ON p2.fitting_id = l.fitting_id
     WHERE l.lot_id = $1 AND NOT l.undoes
       AND NOT EXISTS (SELECT 1 FROM life_events e2 WHERE e2.penetration_id = p2.id AND e2.lot_id = $1)
       AND NOT EXISTS (SELECT 1 FROM work_log u WHERE u.fitting_id = l.fitting_id AND u.kind = l.kind AND u.step = l.step AND u.undoes AND u.id > l.id)
     GROUP BY 1) i ON i.id = p.id
  WHERE p.withdrawn_why IS NULL ORDER BY b.name, p.number`
const BY_MODEL = `SELECT ${HOLE}, NULL AS at ${FROM}
  WHERE p.withdrawn_why IS NULL AND f.id IS NOT NULL
    AND position(to_jsonb($1::text)::text IN f.design::text) > 0
  ORDER BY b.name, p.number`

export async function whereItWent(who: Account, query: unknown): Promise<{ what: string; holes: Went[] }> {
  must(who, 'stores')
  const a = parseInput(asked, query)
  const lot = a.lot === undefined ? null : await Lot.findByPk(a.lot)
  if (a.lot !== undefined && !lot) throw notFound('lot')
  const rows = await Penetration.sequelize!.query<Went & { number: number }>(lot ? BY_LOT : BY_MODEL, {
    bind: [lot ? lot.id : a.model],
    type: QueryTypes.SELECT,
  })
  return {
    what: lot ? `lot ${lot.code}` : a.model!,
    holes: rows
      .filter((r) => mayDo(who, 'read', r.boatId))
      .map(({ number, ...r }) => ({ ...r, label: holeLabel(number) })),
  }
}
const recalling = z.strictObject({
  lot: z.number().int().positive().optional(),
  model: z.string().trim().min(2).max(60).optional(),
  why: z.string().trim().min(1).max(200),
})
/**
 * Taken back: a lot goes into no hole from now on, and every hole that it or the model went into is suspect
 * with the reason. All of it or nothing.
 */
export async function recall(
  who: Account,
  body: unknown,
): Promise<{ what: string; turned: number; holes: Went[] }> {
  must(who, 'vouch-lot')
  const { why, ...which } = parseInput(recalling, body)
  if ((which.lot === undefined) === (which.model === undefined))
    throw new CalcError('invalid-input', 'lot', 'A lot or a model is accepted, one of the two')
  const { what, holes } = await whereItWent(who, which)
  let turned = 0
  await Penetration.sequelize!.transaction(async (transaction) => {
    if (which.lot !== undefined)
      await Lot.update(
        { recalledOn: dayjs().format('YYYY-MM-DD'), recalledWhy: why },
        { where: { id: which.lot, recalledOn: null }, transaction },
      )
    const there = await Penetration.findAll({
      where: { id: { [Op.in]: holes.map((h) => h.id) } },
      order: [['id', 'ASC']],
      lock: transaction.LOCK.NO_KEY_UPDATE,
      transaction,
    })
    for (const p of there) {
      must(who, 'work', p.boatId)
      if (await suspectHole(who, p, `${what} was recalled: ${why}`, transaction, false)) turned++
    }
  })
  return { what, turned, holes: (await whereItWent(who, which)).holes }
}
