import { QueryTypes, type Model, type ModelStatic, type Transaction } from 'sequelize'

/**
 * Thousands of rows of one shape in one statement: as one text of JSON that the database takes apart by
 * the table's own types. What a row does not name is left to the table's default.
 */
export async function insertMany<R extends object>(
  of: ModelStatic<Model>,
  rows: object[],
  returning: (keyof R & string)[],
  transaction: Transaction,
): Promise<R[]> {
  if (!rows.length) return []
  const fields = Object.keys(rows[0]!).map((key) => ({ key, column: of.getAttributes()[key]!.field! }))
  const columns = fields.map((f) => `"${f.column}"`).join(', ')
  const table = `"${of.tableName}"`
  const sent = rows.map((r) =>
    Object.fromEntries(fields.map((f) => [f.column, (r as Record<string, unknown>)[f.key]])),
  )
  return of.sequelize!.query(
    `INSERT INTO ${table} (${columns}) SELECT ${columns} FROM json_populate_recordset(NULL::${table}, $1::json)
     RETURNING ${returning.map((c) => `"${of.getAttributes()[c]!.field!}" AS "${c}"`).join(', ') || '1'}`,
    { bind: [JSON.stringify(sent)], type: QueryTypes.SELECT, transaction },
  ) as unknown as Promise<R[]>
}
