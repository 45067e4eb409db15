import Papa from 'papaparse'
import { breath } from './breath'
import { safeCell } from './csv'

/** A table by parts, its head once. */
export async function* table<T>(
  fields: string[],
  parts: AsyncIterable<T[]>,
  rows: (part: T[]) => object[],
): AsyncIterable<string> {
  yield `${Papa.unparse({ fields, data: [] }, { newline: '\n' }).trimEnd()}\n`
  for await (const part of parts) {
    const data = rows(part).map((row) => fields.map((f) => safeCell((row as Record<string, unknown>)[f])))
    if (data.length) yield `${Papa.unparse(data, { newline: '\n' })}\n`
    await breath()
  }
}
/** An object of JSON with a list in it, by parts. */
export async function* list<T>(head: object, name: string, parts: AsyncIterable<T[]>): AsyncIterable<string> {
  yield `${JSON.stringify(head).slice(0, -1)},\n${JSON.stringify(name)}: [`
  let first = true
  for await (const part of parts) {
    for (const item of part) {
      yield `${first ? '' : ','}\n${JSON.stringify(item)}`
      first = false
    }
    await breath()
  }
  yield '\n]}\n'
}
