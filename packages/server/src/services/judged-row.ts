import { QueryTypes, type Transaction } from 'sequelize'
import type { AnyDesign } from '@north-tide/core'
import { Fitting } from '../models'
import { askOf, handOnAfter } from './asked'
import type { FittingRow } from './kept-boat'
import { stored, type Judging } from './verdict'

const json = (value: unknown) => (value == null ? null : JSON.stringify(value))
/**
 * Writes a fitting as it was judged, and asks for its boat to be judged anew: in one statement, so that the
 * one stands or falls with the other without a transaction of four. Null where it is of another version by
 * now.
 */
export async function writeJudged(
  before: FittingRow,
  { version, design, updatedBy }: { version: number; design: AnyDesign; updatedBy: string },
  v: Judging,
  transaction: Transaction | null,
): Promise<FittingRow | null> {
  const [written] = await Fitting.sequelize!.query<Pick<FittingRow, 'version' | 'recordedAt' | 'updatedAt'>>(
    `WITH saved AS (
       UPDATE fittings SET design = $3::jsonb, name = $4, verdict = $5, governing = $6, stale = $7::text[],
              solver = $8::jsonb, solver_due = $9, version = version + 1, updated_at = $10, updated_by = $11
        WHERE id = $1 AND version = $2
        RETURNING boat_id, version, recorded_at, updated_at
     ), asked AS (
       ${askOf('s.boat_id', '$12')} FROM saved s
     )
     SELECT version, recorded_at AS "recordedAt", updated_at AS "updatedAt" FROM saved`,
    {
      bind: [
        before.id,
        version,
        json(design),
        design.name,
        v.verdict,
        v.governing,
        v.stale,
        json(v.solver),
        v.solverDue,
        new Date(),
        updatedBy,
        `${design.name} was changed`,
      ],
      type: QueryTypes.SELECT,
      transaction,
    },
  )
  if (!written) return null
  handOnAfter(before.boatId, transaction)
  return { ...before, ...written, ...stored(v), design, name: design.name, updatedBy }
}
