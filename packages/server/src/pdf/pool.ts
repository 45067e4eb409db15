import dayjs from 'dayjs'
import { Piscina } from 'piscina'
import { threadOf } from '../place'
import type { SheetAsked, Sheets } from './worker'

let pool: Piscina | null = null
const open = () =>
  (pool ??= new Piscina({
    ...threadOf('pdf'),
    minThreads: 0,
    // Paper is waited for, but never by everybody: two sheets are set one after the other.
    maxThreads: 1,
    niceIncrement: 5,
    idleTimeout: 60_000,
  }))
export const closePaper = async () => {
  await pool?.destroy()
  pool = null
}
/** A long sheet as a PDF. What it is given goes to a thread of its own: plain data, no functions. */
export async function printed<S extends keyof Sheets>(
  sheet: S,
  ...given: Parameters<Sheets[S]>
): Promise<Buffer> {
  const asked: SheetAsked<S> = { sheet, given, dates: dayjs.locale() }
  return Buffer.from((await open().run(asked)) as Uint8Array)
}
