import { QueryTypes } from 'sequelize'
import { z } from 'zod'
import { CalcError, holeLabel, parseInput } from '@north-tide/core'
import { ApiError } from '../errors'
import { Penetration } from '../models'
import { must, type Account } from './access'
import { addEvent } from './register'

/** The same step of the life of many holes; each by its own rules, and the odd one out is left and named. */
export interface ManyDone {
  done: { id: number; label: string }[]
  left: { id: number; label: string; why: string; path: string | null }[]
}
const MOST = 500
const asking = z.strictObject({
  ids: z
    .array(z.number().int().positive())
    .min(1, 'Choose a hole at least')
    .max(MOST, `up to ${MOST} holes are accepted at once`),
  event: z.record(z.string(), z.unknown()),
})
export async function addEvents(who: Account, boatId: string, body: unknown): Promise<ManyDone> {
  must(who, 'measure', boatId)
  const { ids, event } = parseInput(asking, body)
  if (event.corrects != null)
    throw new CalcError('invalid-input', 'event.corrects', 'What is corrected is of one hole; go to that one')
  const holes = await Penetration.findAll({ where: { id: ids, boatId } })
  const of = new Map(holes.map((h) => [h.id, h]))
  const out: ManyDone = { done: [], left: [] }
  for (const id of new Set(ids)) {
    const h = of.get(id)
    if (!h) {
      out.left.push({ id, label: `hole ${id}`, why: 'There is no such hole in this boat', path: null })
      continue
    }
    try {
      await addEvent(who, id, event)
      out.done.push({ id, label: holeLabel(h.number) })
    } catch (error) {
      if (!(error instanceof ApiError || error instanceof CalcError)) throw error
      out.left.push({ id, label: holeLabel(h.number), why: error.message, path: error.path ?? null })
    }
  }
  return out
}
/** The last day before this one on which somebody measured her or wrote down what was found; null: never. */
export async function lastSurvey(who: Account, boatId: string): Promise<{ day: string | null }> {
  must(who, 'read', boatId)
  const [row] = await Penetration.sequelize!.query<{ day: string | null }>(
    `SELECT to_char(max(d), 'YYYY-MM-DD') AS day FROM (
       SELECT taken_at::date AS d FROM readings WHERE boat_id = $1 AND withdrawn_why IS NULL
       UNION ALL
       SELECT e.happened_at::date FROM life_events e JOIN penetrations p ON p.id = e.penetration_id
        WHERE p.boat_id = $1 AND p.found AND e.seq = 1) days WHERE d < current_date`,
    { bind: [boatId], type: QueryTypes.SELECT },
  )
  return { day: row?.day ?? null }
}
