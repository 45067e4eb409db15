import type { PlanFitter } from './plan-types'

export const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const
export type Weekday = (typeof WEEKDAYS)[number]
export const WEEKDAY_SAID: Record<Weekday, string> = {
  mon: 'Monday',
  tue: 'Tuesday',
  wed: 'Wednesday',
  thu: 'Thursday',
  fri: 'Friday',
  sat: 'Saturday',
  sun: 'Sunday',
}
export interface YardFitter {
  name: string
  hours: Partial<Record<Weekday, [string, string][]>>
  /** days away, both counted */
  away: { from: string; to: string; why: string }[]
}
const MOST_DAYS = 400
const nextDay = (day: string) => new Date(Date.parse(`${day}T00:00Z`) + 86_400_000).toISOString().slice(0, 10)
/** With each day away as a day without hours: what stands for a date goes before its weekday. */
export function planFitter(f: YardFitter): PlanFitter {
  const hoursByDay: Record<string, [string, string][]> = { ...f.hours }
  for (const a of f.away) {
    let day = a.from
    for (let n = 0; n < MOST_DAYS && day <= a.to; n++) {
      hoursByDay[day] = []
      day = nextDay(day)
    }
  }
  return { name: f.name, hoursByDay }
}
