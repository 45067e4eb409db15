import { z } from 'zod'
import { SEALANTS, SEALANT_IDS, type SealantId } from '../../base/materials/sealants'
import { minuteOf } from '../plan/clock'

/** Calendar days and the life of bedding, as chapter 16 counts them. */
const DAY_MS = 86_400_000
export const serial = (date: string) => Math.round(Date.parse(`${date}T00:00:00Z`) / DAY_MS)
export const dateOf = (day: number) => new Date(day * DAY_MS).toISOString().slice(0, 10)
/** The same day so many months on, or the month's last where it has none. */
export function monthsOn(date: string, months: number): string {
  const [y, m, d] = date.split('-').map(Number) as [number, number, number]
  const first = new Date(Date.UTC(y, m - 1 + months, 1))
  const last = new Date(Date.UTC(first.getUTCFullYear(), first.getUTCMonth() + 1, 0)).getUTCDate()
  return dateOf(Math.round(first.getTime() / DAY_MS) + Math.min(d, last) - 1)
}
/** Numbers are compared, ranked and cut to whole ones by six decimals. */
export const six = (x: number) => Math.round(x * 1e6) / 1e6
export const byId = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0)

export const dateField = z.iso.date()
export const timeField = z
  .string()
  .refine((t) => t.includes('T') && minuteOf(t) !== null, 'a time like 2031-04-14T09:30 is needed')

export const CHEMISTRIES = [...SEALANT_IDS, 'unknown'] as const
export type Chemistry = (typeof CHEMISTRIES)[number]
/** Of what is glued rather than bedded, and of what nobody knows; estimates. */
const GLUED_YEARS = 20
const UNKNOWN_YEARS = 10
/** Years before bedding of a chemistry is due to be made again. */
export const beddingYears = (c: Chemistry): number =>
  c === 'unknown' ? UNKNOWN_YEARS : (SEALANTS[c as SealantId].lifeYears ?? GLUED_YEARS)
/** How much of its life is gone on a day. */
export const lifeGone = (c: Chemistry, bedded: string, today: string) =>
  (serial(today) - serial(bedded)) / (beddingYears(c) * 365.25)

type Refuse = (path: (string | number)[], message: string, code?: string) => void
/** Writes an issue of a schema, with a code of its own where it has one. */
export const refuser =
  (ctx: { addIssue: (issue: never) => void }): Refuse =>
  (path, message, code) =>
    ctx.addIssue({ code: 'custom', path, message, ...(code ? { params: { code } } : {}) } as never)
/** Ids are there once. */
export function refuseTwice(rows: { id: string }[], list: string, refuse: Refuse): void {
  rows.forEach((r, i) => {
    if (rows.findIndex((o) => o.id === r.id) < i)
      refuse([list, i, 'id'], `"${r.id}" is there twice; each id is given once`)
  })
}
/** A day that has not come yet. */
export function refuseFuture(
  date: string | undefined,
  today: string,
  path: (string | number)[],
  refuse: Refuse,
): void {
  if (date !== undefined && date > today)
    refuse(path, `${date} lies ahead of ${today}; what has been is dated up to that day`, 'future-date')
}
