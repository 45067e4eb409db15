import { QueryTypes } from 'sequelize'
import type { Step } from '@north-tide/core'
import { WorkLog } from '../models'

/** So many of a kind have to be on record before a yard's own minutes take the place of the typical ones. */
export const ENOUGH = 5
export interface OwnMinutes {
  kind: string
  step: string
  /** of each pair of hands, the middle one of those on record */
  minutes: number
  times: number
}
/**
 * How long each step of each kind takes in this yard, by what was said with the ticks that stand. The middle
 * one and not the mean: one day on which everything went wrong is no measure of the next.
 */
export const minutesOnRecord = (): Promise<OwnMinutes[]> =>
  WorkLog.sequelize!.query<OwnMinutes>(
    `SELECT f.kind, l.step, round(percentile_cont(0.5) WITHIN GROUP (ORDER BY (l.data->>'minutes')::float))::int AS minutes, count(*)::int AS times
       FROM work_log l JOIN fittings f ON f.id = l.fitting_id
      WHERE l.kind = 'tick' AND NOT l.undoes AND l.data ? 'minutes'
        AND NOT EXISTS (SELECT 1 FROM work_log u WHERE u.fitting_id = l.fitting_id AND u.step = l.step AND u.kind = 'tick' AND u.undoes AND u.id > l.id)
      GROUP BY 1, 2 ORDER BY 1, 2`,
    { type: QueryTypes.SELECT },
  )
export async function ownMinutes(): Promise<Map<string, number>> {
  const rows = await minutesOnRecord()
  return new Map(rows.filter((r) => r.times >= ENOUGH).map((r) => [`${r.kind} ${r.step}`, r.minutes]))
}
export const withOwnMinutes = (kind: string, steps: Step[], own: Map<string, number>): Step[] =>
  own.size
    ? steps.map((s) => {
        const minutes = own.get(`${kind} ${s.id}`)
        return minutes === undefined ? s : { ...s, minutes }
      })
    : steps
