import dayjs from 'dayjs'
import { z } from 'zod'
import {
  brokenBy,
  CalcError,
  comparePlans,
  mayDo,
  moveStep,
  onlySteps,
  parseInput,
  rowsOfPlan,
  stepKey,
  weekQuestion,
  type BoatPlan,
  type Cause,
  type PlanChanges,
  type WeatherHour,
  type WeekLoad,
} from '@north-tide/core'
import { runNamed } from '@north-tide/core/registry'
import { ApiError, notFound } from '../errors'
import { Boat, PlanRow } from '../models'
import { must, type Account } from './access'
import { listFitters, type ShownFitter } from './fitters'
import { listHolds, type ShownHold } from './holds'
import { minutesOnRecord, type OwnMinutes } from './own-minutes'
import { keptAsk, planned, yardOf, type Asking, type KeptAsk } from './plan-ask'
import { lastLogId, openPlanJob, type PlanJobShown } from './plan-job'
import { weatherHours, weatherSource } from './weather'
import { changesSince } from './plan-causes'

export interface ShownPlan {
  id: number
  madeAt: string
  madeBy: string
  why: string
  /** it can be taken back to the one before */
  undoes: boolean
  ask: Omit<KeptAsk, 'logId'>
  plan: BoatPlan
  week: WeekLoad | null
  launch: { boat: string; on: string }[]
}
export interface PlanView {
  kept: ShownPlan | null
  offer: (ShownPlan & { changes: PlanChanges | null }) | null
  job: PlanJobShown | null
  /** what happened since the plan that is kept was made */
  causes: Cause[]
  /** what happened since the offer was: it is out of date */
  offerCauses: Cause[]
  fitters: ShownFitter[]
  holds: ShownHold[]
  weather: { hours: WeatherHour[]; source: string; saidAt: string } | null
  own: OwnMinutes[]
  may: { plan: boolean; hours: boolean }
}
/** What somebody may see of a plan: the work on the boats that he reads. */
export const planFor = (who: Account, p: BoatPlan): BoatPlan =>
  onlySteps(
    p,
    () => true,
    (boatId) => mayDo(who, 'read', boatId),
  )
const ofYard = (who: Account) => mayDo(who, 'stores')

/** It takes a second for a large plan, and is the same all day: the last few are remembered. */
const weeks = new Map<string, WeekLoad | null>()
const MOST_WEEKS = 8
function weekKnown(row: PlanRow, boats: Boat[]): WeekLoad | null {
  const key = [
    row.sequelize.getDatabaseName(),
    row.id,
    dayjs().format('YYYY-MM-DD'),
    boats.map((b) => b.launchOn),
  ].join(' ')
  const had = weeks.get(key)
  if (had !== undefined) return had
  const week = weekOf(row.answer, row.ask as KeptAsk, boats)
  weeks.set(key, week)
  if (weeks.size > MOST_WEEKS) weeks.delete(weeks.keys().next().value!)
  return week
}
function weekOf(plan: BoatPlan, ask: KeptAsk, boats: Boat[]): WeekLoad | null {
  const today = dayjs().format('YYYY-MM-DD')
  const launches = boats.flatMap((b) => (b.launchOn ? [b.launchOn] : [])).sort()
  const q = weekQuestion(
    plan,
    { start: ask.start, fitters: ask.fitters, badDays: ask.badDays },
    {
      from: today,
      asOf: today,
      launchDays: ask.launchDays,
      target: ask.target ?? launches.at(-1) ?? null,
    },
  )
  try {
    return runNamed('labour-week', q) as WeekLoad
  } catch (error) {
    // A chain that leads nowhere within a year: the rest is shown without it.
    if (!(error instanceof CalcError)) throw error
    const { chain: _chain, target: _target, ...rest } = q
    return runNamed('labour-week', rest) as WeekLoad
  }
}
/** What was asked, for an owner or a surveyor: his boats, and of the people their names alone. */
const outside = (ask: Omit<KeptAsk, 'logId'>, boats: Boat[]) => ({
  ...ask,
  boats: boats.map((b) => b.id),
  fittings: null,
  pinned: [],
  fitters: ask.fitters.map((f) => ({ name: f.name, hoursByDay: {} })),
})
async function shown(who: Account, row: PlanRow): Promise<ShownPlan> {
  const { logId: _logId, ...ask } = row.ask as KeptAsk
  const boats = (await Boat.findAll({ where: { id: ask.boats } })).filter((b) => mayDo(who, 'read', b.id))
  const plan = planFor(who, row.answer)
  return {
    id: row.id!,
    madeAt: row.madeAt!.toISOString(),
    madeBy: row.madeBy,
    why: row.why!,
    undoes: row.beforeId !== null && row.state === 'kept',
    ask: ofYard(who) ? ask : outside(ask, boats),
    plan,
    week: ofYard(who) ? weekKnown(row, boats) : null,
    launch: boats.flatMap((b) => (b.launchOn ? [{ boat: b.name, on: b.launchOn }] : [])),
  }
}
const keptRow = () => PlanRow.findOne({ where: { state: 'kept' } })

/** The plan of the yard, what is offered beside it and why, who works, what holds, the weather. */
export async function planView(who: Account): Promise<PlanView> {
  const [kept, offer, fitters, holds, hours, source, own] = await Promise.all([
    keptRow(),
    PlanRow.findOne({ where: { state: 'offered' }, order: [['id', 'DESC']] }),
    listFitters(),
    listHolds(who),
    weatherHours(),
    weatherSource(),
    minutesOnRecord(),
  ])
  const may = { plan: mayDo(who, 'plan'), hours: mayDo(who, 'hours') }
  const causes = kept ? await changesSince(kept) : []
  const offerCauses = offer ? await changesSince(offer) : []
  const offered = offer && may.plan ? await shown(who, offer) : null
  const mine = (c: Cause) => c.boatId === null || mayDo(who, 'read', c.boatId)
  return {
    kept: kept && (await shown(who, kept)),
    offer: offered && {
      ...offered,
      changes: kept
        ? comparePlans(kept.answer, offer!.answer, {
            causes,
            badDays: (offer!.ask as KeptAsk).badDays,
            start: (offer!.ask as KeptAsk).start,
          })
        : null,
    },
    job: may.plan ? await openPlanJob() : null,
    causes: causes.filter(mine),
    offerCauses: offerCauses.filter(mine),
    fitters: ofYard(who) ? fitters : [],
    holds,
    weather: source && { hours, ...source },
    own: ofYard(who) ? own : [],
    may,
  }
}
async function offerOf(id: number): Promise<PlanRow> {
  const row = Number.isInteger(id) && id > 0 && id < 2 ** 31 ? await PlanRow.findByPk(id) : null
  if (row?.state !== 'offered') throw notFound('offer')
  return row
}
/** The offer takes the place of the plan; that one stays beside it, and can be taken back. */
export async function takeOffer(who: Account, id: number): Promise<PlanView> {
  must(who, 'plan')
  const offer = await offerOf(id)
  await PlanRow.sequelize!.transaction(async (transaction) => {
    const kept = await PlanRow.findOne({
      where: { state: 'kept' },
      transaction,
      lock: transaction.LOCK.UPDATE,
    })
    if ((kept?.id ?? null) !== (offer.beforeId ?? null))
      throw new ApiError(409, 'stale', 'Another plan was kept meanwhile; ask for the offer anew')
    await kept?.update({ state: 'past' }, { transaction })
    await offer.update(
      { state: 'kept', why: kept ? 'taken as it was offered' : 'the first plan' },
      { transaction },
    )
  })
  return planView(who)
}
export async function dropOffer(who: Account, id: number): Promise<PlanView> {
  must(who, 'plan')
  await (await offerOf(id)).update({ state: 'past' })
  return planView(who)
}
const moving = z.strictObject({
  planId: z.number().int().positive(),
  fittingId: z.uuid(),
  step: z.string().min(1).max(60),
  /** where it is to go; left out with `release` */
  day: z.iso.date().optional(),
  who: z.array(z.string().min(1).max(80)).min(1).max(2).optional(),
  /** it stays no longer where it was put */
  release: z.boolean().default(false),
})
async function replaced(
  who: Account,
  kept: PlanRow,
  made: { ask: KeptAsk; answer: BoatPlan; why: string; madeAt: Date },
) {
  await PlanRow.sequelize!.transaction(async (transaction) => {
    const [n] = await PlanRow.update(
      { state: 'past' },
      { where: { id: kept.id!, state: 'kept' }, transaction },
    )
    if (!n) throw new ApiError(409, 'stale', 'Another plan was kept meanwhile; look at it first', 'planId')
    await PlanRow.update({ state: 'past' }, { where: { state: 'offered' }, transaction })
    await PlanRow.create({ state: 'kept', ...made, beforeId: kept.id!, madeBy: who.name }, { transaction })
  })
}
/**
 * A step put on another day or into other hands, and everything planned round it; refused with the reason
 * where the rules do not allow it. What moved with it is told.
 */
export async function movePlanned(
  who: Account,
  body: unknown,
  gone: AbortSignal,
): Promise<PlanView & { moved: PlanChanges }> {
  must(who, 'plan')
  const m = parseInput(moving, body)
  const kept = await keptRow()
  if (!kept || kept.id !== m.planId)
    throw new ApiError(409, 'stale', 'Another plan was kept meanwhile; look at it first', 'planId')
  const ask = kept.ask as KeptAsk
  const a: Asking = { ...ask }
  const others = ask.pinned.filter((f) => !(f.fittingId === m.fittingId && f.step === m.step))
  const madeAt = new Date()
  const logId = await lastLogId()
  const yard = await yardOf(a, others)
  const row = rowsOfPlan(kept.answer).get(stepKey(m.fittingId, m.step))
  if (!m.release) {
    const to = moveStep(yard.jobs, yard.ask, kept.answer, {
      fittingId: m.fittingId,
      step: m.step,
      day: m.day ?? row?.start.slice(0, 10) ?? yard.ask.start.slice(0, 10),
      ...(m.who ? { who: m.who } : {}),
    })
    if ('why' in to) throw new ApiError(409, 'not-there', `It cannot go there: ${to.why}`, to.at)
    yard.ask.fixed = [...(yard.ask.fixed ?? []), to.fixed]
    const answer = await planned(yard, gone)
    const broken = brokenBy(answer, yard.jobs, to.fixed)
    if (broken) throw new ApiError(409, 'not-there', `It cannot go there: ${broken}`, 'day')
    await replaced(who, kept, {
      ask: keptAsk(a, yard, logId),
      answer,
      why: `${row?.fitting ?? 'a step'} was moved`,
      madeAt,
    })
  } else
    await replaced(who, kept, {
      ask: keptAsk(a, yard, logId),
      answer: await planned(yard, gone),
      why: `${row?.fitting ?? 'a step'} was let go`,
      madeAt,
    })
  const view = await planView(who)
  const news = { causes: [], badDays: yard.ask.badDays, start: yard.ask.start }
  return { ...view, moved: comparePlans(kept.answer, view.kept!.plan, news) }
}
const undoing = z.strictObject({ planId: z.number().int().positive() })
/** Back to the plan before; the one that is left is in the past, and is not lost. */
export async function undoPlan(who: Account, body: unknown): Promise<PlanView> {
  must(who, 'plan')
  const { planId } = parseInput(undoing, body)
  await PlanRow.sequelize!.transaction(async (transaction) => {
    const kept = await PlanRow.findOne({
      where: { state: 'kept' },
      transaction,
      lock: transaction.LOCK.UPDATE,
    })
    if (kept?.id !== planId)
      throw new ApiError(409, 'stale', 'Another plan was kept meanwhile; look at it first', 'planId')
    if (!kept.beforeId)
      throw new ApiError(409, 'nothing-before', 'There is no plan before this one', 'planId')
    await kept.update({ state: 'past' }, { transaction })
    await PlanRow.update({ state: 'past' }, { where: { state: 'offered' }, transaction })
    await PlanRow.update({ state: 'kept' }, { where: { id: kept.beforeId }, transaction })
  })
  return planView(who)
}
