import { QueryTypes, type Transaction } from 'sequelize'
import { Fitting } from '../models'
import type { Judging } from './verdict'

export interface Rejudged {
  id: string
  /** of the row it was judged from: one that was written since is left as it is */
  version: number
  judging: Judging
}
/**
 * Verdicts of many fittings in one statement. A solver's answer that was not asked for anew stays as it was.
 * Gives the ids of those that stand so now.
 */
export async function storeVerdicts(
  rows: Rejudged[],
  transaction: Transaction | null = null,
): Promise<Set<string>> {
  if (!rows.length) return new Set()
  const of = <T>(pick: (r: Rejudged) => T) => rows.map(pick)
  const json = (v: unknown) => (v ? JSON.stringify(v) : null)
  const kept = await Fitting.sequelize!.query<{ id: string }>(
    // Locked in one order, so that two who write verdicts of one boat wait for each other and no more.
    `WITH locked AS MATERIALIZED (SELECT id FROM fittings WHERE id = ANY($1::uuid[]) ORDER BY id FOR NO KEY UPDATE)
     UPDATE fittings f SET verdict = n.verdict, governing = n.governing, solver_due = n.due,
            solver = COALESCE(n.solver::jsonb, f.solver),
            stale = CASE WHEN n.stale IS NULL THEN NULL ELSE ARRAY(SELECT jsonb_array_elements_text(n.stale::jsonb)) END
       FROM unnest($1::uuid[], $2::text[], $3::text[], $4::text[], $5::int[], $6::boolean[], $7::text[])
            AS n(id, verdict, governing, stale, version, due, solver) JOIN locked USING (id)
      WHERE f.id = n.id AND f.version = n.version RETURNING f.id`,
    {
      bind: [
        of((r) => r.id),
        of((r) => r.judging.verdict),
        of((r) => r.judging.governing),
        of((r) => json(r.judging.stale)),
        of((r) => r.version),
        of((r) => r.judging.solverDue),
        of((r) => json(r.judging.solver)),
      ],
      type: QueryTypes.SELECT,
      transaction,
    },
  )
  return new Set(kept.map((k) => k.id))
}
