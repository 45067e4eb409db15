import dayjs from 'dayjs'
import ical, { ICalCalendarMethod } from 'ical-generator'
import Papa from 'papaparse'
import { z } from 'zod'
import { onlySteps, parseInput, printable, printableText, type BoatPlan } from '@north-tide/core'
import { safeCell } from '../csv'
import { notFound } from '../errors'
import { PlanRow } from '../models'
import { daySheet } from '../pdf/day-sheet'
import type { Account } from './access'
import { planFor } from './plan'
import { paper } from './settings'

/** The plan of the yard to carry: a table, a calendar, the sheet of one day. */
const asked = z.strictObject({
  boat: z.string().max(80).optional(),
  who: z.string().max(80).optional(),
  day: z.iso.date().optional(),
})
type Asked = z.output<typeof asked>
/** What of the plan that is kept somebody asks for. @throws where no plan is kept yet */
export async function planToCarry(who: Account, query: unknown): Promise<{ plan: BoatPlan; asked: Asked }> {
  const a = parseInput(asked, query)
  const kept = await PlanRow.findOne({ where: { state: 'kept' } })
  if (!kept) throw notFound('plan yet')
  return { plan: narrowed(planFor(who, kept.answer), a), asked: a }
}
const narrowed = (p: BoatPlan, a: Asked): BoatPlan =>
  onlySteps(
    p,
    (s) => a.who === undefined || s.who.includes(a.who),
    (boatId) => a.boat === undefined || a.boat === boatId,
  )
/** The plan as a table: a row for each step. */
export function planCsv(p: BoatPlan): string {
  const rows = p.days.flatMap((d) =>
    d.steps.map((s) => ({
      day: d.day,
      start: s.start.slice(11),
      end: s.end.slice(11),
      who: s.who.join(', '),
      boat: s.boat,
      where: s.zone,
      fitting: s.fitting,
      step: s.text,
      'cures until': s.cureEnd > s.end ? s.cureEnd.replace('T', ' ') : '',
      'in the bag': s.tools.join(', '),
    })),
  )
  const safe = rows.map((r) => Object.fromEntries(Object.entries(r).map(([k, v]) => [k, safeCell(v)])))
  return `${Papa.unparse(safe, { newline: '\n' })}\n`
}
/** The plan as a calendar, in local time: an entry for each step of work. */
export function planIcs(p: BoatPlan, name: string): string {
  const cal = ical({ name: `North Tide: ${name}`, method: ICalCalendarMethod.PUBLISH })
  for (const d of p.days)
    for (const s of d.steps)
      cal.createEvent({
        id: `${s.fittingId}-${s.step}@north-tide`,
        start: dayjs(s.start).toDate(),
        end: dayjs(s.end).toDate(),
        floating: true,
        summary: printable(`${s.fitting}: ${s.text.split(/[:.;]/)[0]}`),
        location: printable(`${s.boat}, ${s.zone}`),
        description: [
          s.text,
          s.who.join(', '),
          s.tools.length ? `In the bag: ${s.tools.join(', ')}` : '',
          s.caution,
        ]
          .filter(Boolean)
          .map(printableText)
          .join('\n'),
      })
  return cal.toString()
}
/** The sheet of a day for the wall: the day that was asked for, or the next on which anybody works. */
export async function daySheetOf(who: Account, query: unknown) {
  const { plan, asked: a } = await planToCarry(who, query)
  const day = plan.days.find((d) =>
    a.day === undefined ? d.day >= dayjs().format('YYYY-MM-DD') : d.day === a.day,
  )
  if (!day) throw notFound('day in the plan')
  const held = plan.held.filter((h) => day.steps.some((s) => s.fittingId === h.fittingId))
  return { day: day.day, doc: daySheet({ day, held, printedAt: new Date() }, await paper()) }
}
