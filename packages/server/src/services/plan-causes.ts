import dayjs from 'dayjs'
import { QueryTypes } from 'sequelize'
import type { Cause } from '@north-tide/core'
import { PlanRow, WeatherRow } from '../models'
import type { KeptAsk } from './plan-ask'

/** What happened in the yard since a plan was made: read from the rows themselves, so nothing is missed. */
interface Happened {
  what: string
  boatId: string | null
  fittingId: string | null
}
const MOST = 200
const day = (d: string) => dayjs(d).format('D MMM YYYY')
const LOGGED: Record<string, string> = {
  tick: 'ticked',
  begin: 'begun',
  order: 'ordered',
  purchase: 'bought',
  decision: 'decided',
}
interface HoldRow extends Happened {
  until: string | null
  ended: boolean
}
const heldSaid = (h: HoldRow): string => {
  if (h.ended) return `${h.what}: over`
  return h.until ? `${h.what}: until ${day(h.until)}` : `${h.what}: nobody knows until when`
}
async function fittingsAndWork(db: NonNullable<typeof PlanRow.sequelize>, ask: KeptAsk, at: Date) {
  const bind = [ask.boats, at]
  const changed = await db.query<Happened>(
    `SELECT f.name || ' was changed' AS what, f.boat_id AS "boatId", f.id AS "fittingId"
       FROM fittings f WHERE f.boat_id = ANY($1::text[]) AND f.updated_at > $2 ORDER BY f.updated_at LIMIT ${MOST}`,
    { bind, type: QueryTypes.SELECT },
  )
  const done = await db.query<Happened & { kind: string; undoes: boolean; name: string; n: number }>(
    `SELECT l.kind, l.undoes, f.name, f.boat_id AS "boatId", f.id AS "fittingId", count(*)::int AS n, '' AS what
       FROM work_log l JOIN fittings f ON f.id = l.fitting_id
      WHERE l.id > $2::bigint AND f.boat_id = ANY($1::text[]) AND l.kind IN ('tick','begin','order','purchase','decision')
      GROUP BY 1, 2, 3, 4, 5 ORDER BY min(l.id) LIMIT ${MOST}`,
    { bind: [ask.boats, ask.logId], type: QueryTypes.SELECT },
  )
  const ticked = new Set(done.map((d) => d.fittingId))
  return [
    // A tick changes the fitting as well: it is said once, as the tick.
    ...changed.filter((c) => !ticked.has(c.fittingId)),
    ...done.map(({ kind, undoes, name, boatId, fittingId, n }) => ({
      what: `${name}: ${kind === 'tick' ? `${n} ${n === 1 ? 'step' : 'steps'} ` : ''}${undoes ? 'taken back' : LOGGED[kind]!}`,
      boatId,
      fittingId,
    })),
  ]
}
async function holdsAndHours(db: NonNullable<typeof PlanRow.sequelize>, ask: KeptAsk, at: Date) {
  const holds = await db.query<HoldRow>(
    `SELECT h.what, h.boat_id AS "boatId", h.fitting_id AS "fittingId", h.until::text, h.ended_at IS NOT NULL AS ended
       FROM holds h WHERE h.boat_id = ANY($1::text[]) AND h.changed_at > $2 ORDER BY h.changed_at LIMIT ${MOST}`,
    { bind: [ask.boats, at], type: QueryTypes.SELECT },
  )
  const fitters = await db.query<Happened>(
    `SELECT 'the hours of ' || name || ' were changed' AS what, NULL AS "boatId", NULL AS "fittingId" FROM fitters WHERE changed_at > $1`,
    { bind: [at], type: QueryTypes.SELECT },
  )
  return [...holds.map((h) => ({ what: heldSaid(h), boatId: h.boatId, fittingId: h.fittingId })), ...fitters]
}
/** Work whose time went by, and that is neither ticked nor begun. */
async function goneBy(row: PlanRow): Promise<Cause[]> {
  const now = dayjs().format('YYYY-MM-DDTHH:mm')
  const past = row.answer.days.flatMap((d) => d.steps).filter((s) => s.end < now && s.fixed !== 'begun')
  if (!past.length) return []
  const done = await PlanRow.sequelize!.query<{ key: string }>(
    `SELECT DISTINCT fitting_id || ' ' || step AS key FROM work_log WHERE kind IN ('tick','begin') AND fitting_id = ANY($1::uuid[])`,
    { bind: [[...new Set(past.map((s) => s.fittingId))]], type: QueryTypes.SELECT },
  )
  const known = new Set(done.map((d) => d.key))
  return past
    .filter((s) => !known.has(`${s.fittingId} ${s.step}`))
    .map((s) => ({
      what: `${s.fitting}: its time went by, and it is not ticked`,
      boatId: s.boatId,
      fittingId: s.fittingId,
    }))
}
export async function changesSince(row: PlanRow): Promise<Cause[]> {
  const ask = row.ask as KeptAsk
  const db = PlanRow.sequelize!
  const at = row.madeAt!
  const [work, rest, past, weather] = await Promise.all([
    fittingsAndWork(db, ask, at),
    holdsAndHours(db, ask, at),
    goneBy(row),
    WeatherRow.max<Date | null, WeatherRow>('saidAt'),
  ])
  const cold: Cause[] =
    weather && weather > at ? [{ what: 'the weather was told anew', boatId: null, fittingId: null }] : []
  // What holds work up is read first; that work went on as planned comes after it.
  const all = [...cold, ...rest, ...work, ...past]
  const said = new Set<string>()
  return all.filter((c) => {
    const key = `${c.fittingId} ${c.what}`
    return !said.has(key) && said.add(key)
  })
}
