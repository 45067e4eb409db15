import dayjs from 'dayjs'
import { printable } from '@north-tide/core'
import ical, { ICalCalendarMethod } from 'ical-generator'
import type { Account } from './access'
import { watchOf } from './watch'

const NOBODY_GOES = new AbortController().signal
const DAYS = 400
/** The looks of a boat as a calendar: one entry a day on which any is due, those overdue on today. */
export async function watchIcs(who: Account, boatId: string): Promise<string> {
  const list = await watchOf(who, boatId, { days: DAYS }, NOBODY_GOES)
  const cal = ical({ name: `North Tide: looks at ${list.boat}`, method: ICalCalendarMethod.PUBLISH })
  const byDay = new Map<string, typeof list.rows>()
  for (const r of list.rows) {
    const day = r.due < list.today ? list.today : r.due
    byDay.set(day, [...(byDay.get(day) ?? []), r])
  }
  for (const [day, rows] of [...byDay].sort(([a], [b]) => a.localeCompare(b)))
    cal.createEvent({
      id: `watch-${boatId}-${day}@north-tide`,
      start: dayjs(day).toDate(),
      allDay: true,
      summary: printable(`${list.boat}: ${rows.length} ${rows.length === 1 ? 'look' : 'looks'}`),
      location: list.boat,
      description: rows.map((r) => printable(`${r.title}: ${r.name}, ${r.zone}`)).join('\n'),
    })
  return cal.toString()
}
