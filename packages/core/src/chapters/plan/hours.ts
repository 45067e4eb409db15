import { z } from 'zod'
import { clockOf, common, dateText, DAY, joined, minuteOf, weekdayOf, type Span } from './clock'

/** Times, and the hours that fitters keep, as they are given to the plan. */
export const moment = z.string().refine((t) => t.includes('T') && minuteOf(t) !== null, {
  message: 'a time as YYYY-MM-DDTHH:MM is accepted',
})
export const dateOrTime = z.string().refine((t) => minuteOf(t) !== null, {
  message: 'a day as YYYY-MM-DD, or a time as YYYY-MM-DDTHH:MM, is accepted',
})
export const day = z
  .string()
  .refine((t) => !t.includes('T') && minuteOf(t) !== null, { message: 'a day as YYYY-MM-DD is accepted' })
const span = z
  .array(
    z
      .string()
      .refine((t) => clockOf(t) !== null, { message: 'a time of day as HH:MM, up to 24:00, is accepted' }),
  )
  .length(2)
  .refine(([a, b]) => clockOf(a!) === null || clockOf(b!) === null || clockOf(a!)! < clockOf(b!)!, {
    message: 'a stretch ends after it begins',
  })
const dayKey = z
  .string()
  .refine(
    (k) =>
      ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'].includes(k) ||
      (!k.includes('T') && minuteOf(k) !== null),
    { message: 'mon to sun, or a day as YYYY-MM-DD, is accepted' },
  )
export const fitterSchema = z.strictObject({ id: z.string(), hoursByDay: z.record(dayKey, z.array(span)) })
export type Fitter = z.output<typeof fitterSchema>

/** The stretches of one day that a fitter works, in minutes since 1970; a date goes before its weekday. */
export function stretchesOf(f: Fitter, dayNumber: number): Span[] {
  const said = f.hoursByDay[dateText(dayNumber)] ?? f.hoursByDay[weekdayOf(dayNumber)] ?? []
  return joined(said.map(([a, b]): Span => [clockOf(a!)! + dayNumber * DAY, clockOf(b!)! + dayNumber * DAY]))
}
/** Those that all of them work. */
export const commonStretches = (fitters: Fitter[], dayNumber: number): Span[] =>
  fitters.map((f) => stretchesOf(f, dayNumber)).reduce(common)
