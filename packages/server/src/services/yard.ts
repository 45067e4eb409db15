import { QueryTypes, type Transaction } from 'sequelize'
import { z } from 'zod'
import {
  YARD_FIELDS,
  YARD_KINDS,
  YARD_TABLES,
  parseInput,
  type YardKind,
  type YardValue,
} from '@north-tide/core'
import { ApiError } from '../errors'
import { Boat } from '../models'
import { must, type Account } from './access'
import { askRejudgeAll } from './asked'
import { MOST_VERSION, stale } from './saving'

const db = () => Boat.sequelize!

export const yardValues = (transaction: Transaction | null = null): Promise<YardValue[]> =>
  db().query<YardValue>(
    `SELECT kind, material, field, value, reason, measured_by AS "measuredBy", version FROM yard_values ORDER BY kind, material, field`,
    { type: QueryTypes.SELECT, transaction },
  )

/** All that the yard measured or made itself, values and goods, in one read. */
export async function yardsOwn(
  transaction: Transaction | null = null,
): Promise<{ yard: YardValue[]; goods: unknown[] }> {
  const rows = await db().query<{ good: boolean; row: unknown }>(
    `SELECT false AS good, jsonb_build_object('kind', kind, 'material', material, 'field', field, 'value', value, 'reason', reason, 'measuredBy', measured_by, 'version', version) AS row, kind || material || field AS by FROM yard_values
      UNION ALL SELECT true, jsonb_build_object('kind', kind, 'part', part || jsonb_build_object('id', id), 'version', version), kind || id FROM goods ORDER BY good, by`,
    { type: QueryTypes.SELECT, transaction },
  )
  return {
    yard: rows.flatMap((r) => (r.good ? [] : [r.row as YardValue])),
    goods: rows.flatMap((r) => (r.good ? [r.row] : [])),
  }
}

const place = { kind: z.enum(YARD_KINDS), material: z.string(), field: z.string() }
const body = z.strictObject({
  ...place,
  value: z.number().positive().max(1e6),
  reason: z.string().trim().min(1).max(300),
  version: z.number().int().min(0).max(MOST_VERSION).default(0),
})

export function knownValue(v: { kind: YardKind; material: string; field: string }, at = '') {
  if (!Object.hasOwn(YARD_TABLES[v.kind], v.material))
    throw new ApiError(400, 'invalid-input', `"${v.material}" is no ${v.kind} of the tables`, `${at}material`)
  if (!Object.hasOwn(YARD_FIELDS[v.kind], v.field))
    throw new ApiError(
      400,
      'invalid-input',
      `"${v.field}" cannot be replaced; ${Object.keys(YARD_FIELDS[v.kind]).join(', ')} can`,
      `${at}field`,
    )
}

/** Sets one, whichever was there. */
export const writeYardValue = (
  v: { kind: YardKind; material: string; field: string; value: number; reason: string },
  measuredBy: string,
  there: boolean,
  transaction: Transaction,
) =>
  db().query(
    there
      ? `UPDATE yard_values SET value = :value, reason = :reason, measured_by = :measuredBy, measured_at = now(), version = version + 1 WHERE kind = :kind AND material = :material AND field = :field`
      : `INSERT INTO yard_values (kind, material, field, value, reason, measured_by) VALUES (:kind, :material, :field, :value, :reason, :measuredBy)`,
    { replacements: { ...v, measuredBy }, transaction },
  )

const CHANGED = 'a value of the yard\u2019s own changed'
/** Sets a value that is not there (version 0 or left out), or the one that was read. */
export async function setYardValue(who: Account, raw: unknown): Promise<YardValue[]> {
  must(who, 'yard-values')
  const { version, ...v } = parseInput(body, raw)
  knownValue(v)
  await db().transaction(async (transaction) => {
    const [there] = await db().query<{ version: number; measuredBy: string }>(
      `SELECT version, measured_by AS "measuredBy" FROM yard_values WHERE kind = :kind AND material = :material AND field = :field FOR UPDATE`,
      { replacements: v, type: QueryTypes.SELECT, transaction },
    )
    if ((there?.version ?? 0) !== version)
      throw stale(
        'this value',
        { version: there?.version ?? 0, updatedBy: there?.measuredBy ?? null },
        version,
        await yardValues(),
      )
    await writeYardValue(v, who.name, there !== undefined, transaction)
    await askRejudgeAll(CHANGED, transaction)
  })
  return yardValues()
}
/**
 * Goes back to the table's value. Where none of the yard's own was, nothing changes and nothing is judged
 * again.
 */
export async function dropYardValue(who: Account, raw: unknown): Promise<YardValue[]> {
  must(who, 'yard-values')
  const v = parseInput(z.strictObject(place), raw)
  await db().transaction(async (transaction) => {
    const gone = await db().query(
      'DELETE FROM yard_values WHERE kind = :kind AND material = :material AND field = :field RETURNING 1',
      { replacements: v, type: QueryTypes.SELECT, transaction },
    )
    if (gone.length) await askRejudgeAll(CHANGED, transaction)
  })
  return yardValues()
}
