import dayjs from 'dayjs'
import { z } from 'zod'
import {
  badDaysOf,
  begunSteps,
  CalcError,
  COVERS,
  isBetterJoined,
  joinSaid,
  joinsToTry,
  planAnswer,
  potsAnswer,
  potsQuestion,
  planQuestion,
  putOff,
  stepKey,
  tubesAnswer,
  tubesQuestion,
  weatherQuestion,
  WEEKDAYS,
  whereItStands,
  withJoins,
  type BoatPlan,
  type FixedStep,
  type PlanAsk,
  type PlanDay,
  type PotsAnswer,
  type TubeLot,
  type TubesAnswer,
  type WeatherAnswer,
  type WeatherHour,
} from '@north-tide/core'
import { runNamed } from '@north-tide/core/registry'
import { breath } from '../breath'
import { ask as askPool } from '../calc/pool'
import { Boat } from '../models'
import { planFitters } from './fitters'
import { openHolds } from './holds'
import { openWork, type OpenJob } from './open-work'
import { tubeLots } from './lots'
import { weatherHours } from './weather'

/** What a plan is asked for, and everything in the yard that it is worked out from. */
export const asking = z.strictObject({
  /** ids of boats; left out: all of the yard */
  boats: z.array(z.string().max(80)).min(1).max(200).optional(),
  /** ids of fittings; null: all that is open */
  fittings: z.array(z.uuid()).max(20_000).nullable().default(null),
  /** YYYY-MM-DD; null: from now on */
  from: z.iso.date().nullable().default(null),
  launchDays: z.array(z.enum(WEEKDAYS)).min(1).max(7).default(['mon', 'tue', 'wed', 'thu', 'fri', 'sat']),
  /** when the last of the boats is wanted in the water; null: by the boats' own days */
  target: z.iso.date().nullable().default(null),
  cover: z.enum(COVERS).default('open'),
  /** bonds and beddings may be put off to share a pot or a tube, where that makes nothing else later */
  join: z.boolean().default(true),
  /** asked by a page because something happened, by nobody's hand: it takes no other's place */
  byItself: z.boolean().default(false),
})
export type Asking = z.output<typeof asking>
/** As it is kept with a plan. */
export interface KeptAsk extends Asking {
  boats: string[]
  pinned: FixedStep[]
  start: string
  badDays: string[]
  fitters: PlanAsk['fitters']
  /** nobody's hours were set */
  guessed: boolean
  /** the last line of the log that it knew */
  logId: string
}
/** A plan takes this long at most; a whole yard takes a few seconds. */
const MOST_MS = 60_000
const MOMENT = 'YYYY-MM-DD[T]HH:mm'
const QUARTER = 15
const DAY_BEGINS = 'T00:00'

/** From the next quarter of an hour on, or from the day that was asked for. */
export function startOf(from: string | null, now = dayjs()): string {
  if (from !== null && from > now.format('YYYY-MM-DD')) return `${from}${DAY_BEGINS}`
  const past = now.minute() % QUARTER
  return now
    .add(past || now.second() ? QUARTER - past : 0, 'minute')
    .second(0)
    .format(MOMENT)
}
export interface Yard {
  jobs: OpenJob[]
  unjudged: BoatPlan['held']
  ask: PlanAsk
  guessed: boolean
  join: boolean
  boats: Boat[]
  weather: WeatherAnswer | null
  hours: WeatherHour[]
}
/** Everything that a plan of these boats is worked out from. `said` hears how far it is. */
export async function yardOf(
  a: Asking,
  pinned: FixedStep[],
  said: (done: number, total: number, what: string) => Promise<void> = async () => undefined,
): Promise<Yard> {
  const all = await Boat.findAll({ where: { archivedAt: null }, order: [['name', 'ASC']] })
  const wanted = a.boats && new Set(a.boats)
  const boats = all.filter((b) => !wanted || wanted.has(b.id))
  const stranger = a.boats?.find((id) => !all.some((b) => b.id === id))
  if (stranger !== undefined)
    throw new CalcError('invalid-input', 'boats', `There is no boat "${stranger}" in this yard`)
  const jobs: OpenJob[] = []
  const unjudged: BoatPlan['held'] = []
  for (const [i, b] of boats.entries()) {
    await said(i, boats.length + 1, b.name)
    const open = await openWork(b.id, a.fittings ?? undefined)
    jobs.push(...open.jobs)
    unjudged.push(...open.unjudged)
  }
  await said(boats.length, boats.length + 1, 'laying out the days')
  const [{ fitters, guessed }, holds, hours] = await Promise.all([
    planFitters(),
    openHolds(boats.map((b) => b.id)),
    weatherHours(),
  ])
  const weather = hours.length
    ? (runNamed('weather-windows', weatherQuestion(jobs, hours, a.cover)) as WeatherAnswer)
    : null
  const start = startOf(a.from)
  const ask: PlanAsk = {
    start,
    fitters,
    badDays: weather ? badDaysOf(weather).filter((d) => d >= start.slice(0, 10)) : [],
    holds,
  }
  const begun = begunSteps(jobs, ask, dayjs().utcOffset())
  const at = new Set(begun.map((f) => `${f.fittingId} ${f.step}`))
  // What was put somewhere by hand stays there, until its time went by and nobody is at it.
  const stays = pinned.filter(
    (f) =>
      f.start >= start &&
      !at.has(`${f.fittingId} ${f.step}`) &&
      f.who.every((w) => fitters.some((x) => x.name === w)),
  )
  return {
    jobs,
    unjudged,
    ask: { ...ask, fixed: [...begun, ...stays] },
    guessed,
    join: a.join,
    boats,
    weather,
    hours,
  }
}
/** The days laid out, in a thread of its own; given up when `gone` says so. */
async function laid(y: Yard, fixed: FixedStep[], gone: AbortSignal) {
  const input = planQuestion(y.jobs, { ...y.ask, fixed }, dayjs().utcOffset())
  const answer = await askPool({ name: 'plan', input }, gone, MOST_MS)
  if (!answer.ok) throw new CalcError(answer.code, answer.path, answer.message)
  return JSON.parse(answer.json) as Parameters<typeof planAnswer>[2]
}
/** More than these are not tried: the count never hangs on how fast this machine is. */
const MOST_TRIES = 24
/** Bonds and beddings are put off where that saves a pot or a tube and makes nothing else later. */
async function joinedUp(y: Yard, first: BoatPlan, lots: TubeLot[], gone: AbortSignal): Promise<BoatPlan> {
  let plan = first
  const said: Parameters<typeof withJoins>[1] = new Map()
  const tried = new Set<string>()
  while (tried.size < MOST_TRIES) {
    const t = joinsToTry(y.jobs, plan).find((x) => !tried.has(`${x.fittingId} ${x.step} ${x.to}`))
    if (!t || gone.aborted) break
    tried.add(`${t.fittingId} ${t.step} ${t.to}`)
    await breath()
    const off = putOff(y.jobs, y.ask, plan, t)
    const trial = off && { ...off, days: batched(y, off.days, lots) }
    if (!trial || !isBetterJoined(plan, trial, t.fittingId)) continue
    said.set(stepKey(t.fittingId, t.step), joinSaid(t, plan, trial))
    plan = trial
  }
  if (!said.size) return first
  // What could slip, and what decides the finish, is another thing now; what the holds cost is not.
  const out = await laid(y, whereItStands(plan), gone)
  const joined = whereItStands(plan).filter((f) => said.has(stepKey(f.fittingId, f.step)))
  const ask = { ...y.ask, fixed: [...(y.ask.fixed ?? []), ...joined] }
  const now = planAnswer(y.jobs, ask, out, dayjs().utcOffset())
  return withJoins({ ...now, days: batched(y, now.days, lots), held: first.held }, said)
}
/** Works a plan out; given up when `gone` says so. */
export async function planned(y: Yard, gone: AbortSignal): Promise<BoatPlan> {
  const lots = await tubeLots()
  const out = await laid(y, y.ask.fixed ?? [], gone)
  const bare = planAnswer(y.jobs, y.ask, out, dayjs().utcOffset())
  const first = { ...bare, days: batched(y, bare.days, lots) }
  const plan = y.join ? await joinedUp(y, first, lots, gone) : first
  return { ...plan, held: [...plan.held, ...y.unjudged] }
}
/** Which bonds share a pot, and which beddings a tube, day by day. */
function batched(y: Yard, days: PlanDay[], lots: TubeLot[]): PlanDay[] {
  const q = tubesQuestion(y.jobs, days, lots, y.hours)
  const tubes = q && (runNamed('tube-plan', q) as TubesAnswer)
  return days.map((d) => {
    const pots = potsQuestion(y.jobs, days, d, y.hours)
    return {
      ...d,
      pots: pots ? potsAnswer(d, runNamed('epoxy-day', pots) as PotsAnswer) : [],
      tubes: tubes ? tubesAnswer(d, tubes) : [],
    }
  })
}
/** What is kept with the plan of a yard. */
export const keptAsk = (a: Asking, y: Yard, logId: string): KeptAsk => ({
  ...a,
  boats: y.boats.map((b) => b.id),
  pinned: (y.ask.fixed ?? []).filter((f) => f.why === 'pinned'),
  start: y.ask.start,
  badDays: y.ask.badDays,
  fitters: y.ask.fitters,
  guessed: y.guessed,
  logId,
})
