import { QueryTypes } from 'sequelize'
import { z } from 'zod'
import { YARD_FIELDS, YARD_KINDS, YARD_TABLES, parseInput, type YardKind, type YardValue } from '@north-tide/core'
import { ApiError, forbidden } from '../errors'
import { Boat } from '../models'
import type { Account } from './access'

const db = () => Boat.sequelize!

export const yardValues = (): Promise<YardValue[]> =>
  db().query<YardValue>(`SELECT kind, material, field, value, reason, measured_by AS "measuredBy" FROM yard_values ORDER BY kind, material, field`, { type: QueryTypes.SELECT })

const place = { kind: z.enum(YARD_KINDS), material: z.string(), field: z.string() }
const body = z.strictObject({ ...place, value: z.number().positive().max(1e6), reason: z.string().trim().min(1).max(300) })

function known(v: { kind: YardKind; material: string; field: string }) {
  if (!Object.hasOwn(YARD_TABLES[v.kind], v.material)) throw new ApiError(400, 'invalid-input', `"${v.material}" is no ${v.kind} of the tables`, 'material')
  if (!Object.hasOwn(YARD_FIELDS[v.kind], v.field)) throw new ApiError(400, 'invalid-input', `"${v.field}" cannot be replaced; ${Object.keys(YARD_FIELDS[v.kind]).join(', ')} can`, 'field')
}
function mayMeasure(who: Account) {
  if (who.role !== 'manager' && who.role !== 'fitter') throw forbidden('The yard\u2019s own values are set by a fitter or the manager')
}

export async function setYardValue(who: Account, raw: unknown): Promise<YardValue[]> {
  mayMeasure(who)
  const v = parseInput(body, raw)
  known(v)
  await db().query(
    `INSERT INTO yard_values (kind, material, field, value, reason, measured_by) VALUES (:kind, :material, :field, :value, :reason, :who)
     ON CONFLICT (kind, material, field) DO UPDATE SET value = EXCLUDED.value, reason = EXCLUDED.reason, measured_by = EXCLUDED.measured_by, measured_at = now()`,
    { replacements: { ...v, who: who.name } },
  )
  return yardValues()
}
export async function dropYardValue(who: Account, raw: unknown): Promise<YardValue[]> {
  mayMeasure(who)
  const v = parseInput(z.strictObject(place), raw)
  await db().query('DELETE FROM yard_values WHERE kind = :kind AND material = :material AND field = :field', { replacements: v })
  return yardValues()
}
