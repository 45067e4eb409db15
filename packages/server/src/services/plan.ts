import dayjs from 'dayjs'
import ical, { ICalCalendarMethod } from 'ical-generator'
import Papa from 'papaparse'
import { z } from 'zod'
import {
  CalcError,
  parseInput,
  planAnswer,
  planQuestion,
  type BoatPlan,
  type PlanAsk,
} from '@north-tide/core'
import { ask } from '../calc/pool'
import { safeCell } from '../csv'
import { User } from '../models'
import { must, type Account } from './access'
import { boatById } from './boats'
import { openWork } from './open-work'

/** Who works, from when, and on what: as an address has it, so that a plan can be shown to somebody. */
const asked = z.strictObject({
  /** YYYY-MM-DD; the plan begins at the first hour of that day */
  from: z.iso.date().optional(),
  /** how many pairs of hands */
  hands: z.coerce.number().int().min(1).max(6).default(2),
  begin: z
    .string()
    .regex(/^\d\d:\d\d$/)
    .default('08:00'),
  end: z
    .string()
    .regex(/^\d\d:\d\d$/)
    .default('17:00'),
  saturday: z.enum(['yes', 'no']).default('no'),
  /** ids of fittings, by commas; left out: all that is open */
  fittings: z.string().max(20_000).optional(),
})
type Asked = z.output<typeof asked>
const WEEK = ['mon', 'tue', 'wed', 'thu', 'fri'] as const
/** A plan takes this long at most; a whole boat takes a few seconds. */
const MOST_MS = 60_000

async function handsOf(n: number): Promise<PlanAsk['hands']> {
  const people = await User.findAll({ where: { role: ['fitter', 'apprentice'] }, order: [['id', 'ASC']] })
  return Array.from({ length: n }, (_, i) => ({ name: people[i]?.name ?? `hand ${i + 1}` }))
}
const noon = (a: Asked): [string, string][] =>
  a.begin < '12:00' && a.end > '13:00'
    ? [
        [a.begin, '12:00'],
        ['13:00', a.end],
      ]
    : [[a.begin, a.end]]

export interface AnsweredPlan extends BoatPlan {
  boat: string
  from: string
  hands: string[]
  jobs: { id: string; kind: string; name: string; steps: number }[]
}
/** The plan of a boat, worked out in a thread of its own; given up when nobody waits for it any more. */
export async function planOf(
  who: Account,
  boatId: string,
  query: unknown,
  gone: AbortSignal,
): Promise<AnsweredPlan> {
  must(who, 'read', boatId)
  const a = parseInput(asked, query)
  if (a.begin >= a.end)
    throw new CalcError('invalid-input', 'end', 'The day ends before it begins; a later time is accepted')
  const from = a.from ?? dayjs().format('YYYY-MM-DD')
  const { jobs, unjudged } = await openWork(boatId, a.fittings?.split(',').filter(Boolean))
  const hands = await handsOf(a.hands)
  const wanted: PlanAsk = {
    start: `${from}T${a.begin}`,
    hands,
    hours: noon(a),
    days: a.saturday === 'yes' ? [...WEEK, 'sat'] : WEEK,
    badDays: [],
  }
  const input = planQuestion(jobs, wanted, dayjs().utcOffset())
  const answer = await ask({ name: 'plan', input }, gone, MOST_MS)
  if (!answer.ok) throw new CalcError(answer.code, answer.path, answer.message)
  const boat = await boatById(boatId)
  const plan = planAnswer(jobs, wanted, JSON.parse(answer.json) as Parameters<typeof planAnswer>[2])
  return {
    ...plan,
    held: [...plan.held, ...unjudged],
    boat: boat.name,
    from,
    hands: hands.map((h) => h.name),
    jobs: jobs.map((j) => ({
      id: j.fittingId,
      kind: j.kind,
      name: j.name,
      steps: j.steps.filter((s) => !j.work.ticks[s.id]).length,
    })),
  }
}
/** The plan as a table: a row for each step. */
export function planCsv(p: AnsweredPlan): string {
  const rows = p.days.flatMap((d) =>
    d.steps.map((s) => ({
      day: d.day,
      start: s.start.slice(11),
      end: s.end.slice(11),
      who: s.who.join(', '),
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
export function planIcs(p: AnsweredPlan): string {
  const cal = ical({ name: `North Tide: ${p.boat}`, method: ICalCalendarMethod.PUBLISH })
  for (const d of p.days)
    for (const s of d.steps)
      cal.createEvent({
        id: `${s.fittingId}-${s.step}@north-tide`,
        start: dayjs(s.start).toDate(),
        end: dayjs(s.end).toDate(),
        floating: true,
        summary: `${s.fitting}: ${s.text.split(/[:.;]/)[0]}`,
        location: `${p.boat}, ${s.zone}`,
        description: [
          s.text,
          s.who.join(', '),
          s.tools.length ? `In the bag: ${s.tools.join(', ')}` : '',
          s.caution,
        ]
          .filter(Boolean)
          .join('\n'),
      })
  return cal.toString()
}
