import { randomUUID } from 'node:crypto'
import { Op, QueryTypes } from 'sequelize'
import type { Logger } from 'pino'
import { CalcError, parseInput } from '@north-tide/core'
import { ApiError, notFound } from '../errors'
import type { Jobs } from '../jobs/queue'
import { PlanJobRow, PlanRow } from '../models'
import { must, type Account } from './access'
import { asking, keptAsk, planned, yardOf, type Asking, type KeptAsk } from './plan-ask'
import { isUuid } from './saving'

/**
 * Plans are worked out as jobs: asked for, done by whichever process is free, stopped when nobody wants them.
 * One that a process was killed over is taken up again.
 */
let jobs: Jobs | null = null
const STILL_S = 15
const WATCH_MS = 250
const OPEN = ['waiting', 'working'] as const

const shown = (j: PlanJobRow) => ({
  id: j.id,
  state: j.state!,
  done: j.done!,
  total: j.total!,
  said: j.said!,
  planId: j.planId ?? null,
  askedBy: j.askedBy,
})
export type PlanJobShown = ReturnType<typeof shown>
const handOn = (id: string) => void jobs?.send('plan', { jobId: id }, id).catch(() => undefined)

export async function askPlan(who: Account, body: unknown): Promise<PlanJobShown> {
  must(who, 'plan')
  const a = parseInput(asking, body ?? {})
  const open = a.byItself ? await openPlanJob() : null
  if (open) return open
  // What was asked before is worked out no more, or it would lie where this one's offer has to: it takes its
  // place.
  await PlanJobRow.update(
    { state: 'cancelled', said: 'asked for anew' },
    { where: { state: { [Op.in]: [...OPEN] } } },
  )
  const job = await PlanJobRow.create({ id: randomUUID(), ask: a, askedBy: who.name })
  handOn(job.id)
  return shown(job)
}
async function jobNamed(id: string): Promise<PlanJobRow> {
  const job = isUuid(id) ? await PlanJobRow.findByPk(id) : null
  if (!job) throw notFound('job')
  return job
}
export async function planJob(who: Account, id: string): Promise<PlanJobShown> {
  must(who, 'stores')
  return shown(await jobNamed(id))
}
/** The one that is at it now, if there is one. */
export async function openPlanJob(): Promise<PlanJobShown | null> {
  const job = await PlanJobRow.findOne({ where: { state: [...OPEN] }, order: [['askedAt', 'DESC']] })
  return job && shown(job)
}
export async function cancelPlan(who: Account, id: string): Promise<PlanJobShown> {
  must(who, 'plan')
  await jobNamed(id)
  await PlanJobRow.update(
    { state: 'cancelled', said: `stopped by ${who.name}` },
    { where: { id, state: [...OPEN] } },
  )
  return planJob(who, id)
}
export async function lastLogId(): Promise<string> {
  const [row] = await PlanRow.sequelize!.query<{ id: string }>(
    'SELECT COALESCE(max(id), 0)::text AS id FROM work_log',
    { type: QueryTypes.SELECT },
  )
  return row!.id
}
/** Plans of long ago are not kept for ever. */
const KEPT_PLANS = 60
/** The plan of an invented yard, made as it is loaded. */
export async function firstPlan(who: Account): Promise<void> {
  const a = parseInput(asking, {})
  const logId = await lastLogId()
  const yard = await yardOf(a, [])
  const answer = await planned(yard, new AbortController().signal)
  await PlanRow.create({
    state: 'kept',
    ask: keptAsk(a, yard, logId),
    answer,
    why: 'the first plan',
    madeBy: who.name,
  })
}
class Stopped extends Error {}
/** Works one out, looking up now and then whether it is still wanted. */
async function workOut(job: PlanJobRow): Promise<void> {
  const gone = new AbortController()
  const say = async (done: number, total: number, said: string) => {
    const [n] = await PlanJobRow.update(
      { done, total, said, beatAt: new Date() },
      { where: { id: job.id, state: 'working' } },
    )
    if (!n) throw new Stopped()
  }
  const watch = setInterval(() => {
    PlanJobRow.update({ beatAt: new Date() }, { where: { id: job.id, state: 'working' } })
      .then(([n]) => n || gone.abort())
      .catch(() => undefined)
  }, WATCH_MS)
  try {
    const a = job.ask as Asking
    // As of before anything was read: what changes while it is worked out is news to it.
    const madeAt = new Date()
    const [logId, kept] = await Promise.all([lastLogId(), PlanRow.findOne({ where: { state: 'kept' } })])
    const yard = await yardOf(a, kept ? (kept.ask as KeptAsk).pinned : [], say)
    const answer = await planned(yard, gone.signal)
    await PlanRow.sequelize!.transaction(async (transaction) => {
      const plan = await PlanRow.create(
        {
          state: 'offered',
          ask: keptAsk(a, yard, logId),
          answer,
          beforeId: kept?.id ?? null,
          madeBy: job.askedBy,
          madeAt,
        },
        { transaction },
      )
      const [n] = await PlanJobRow.update(
        { state: 'done', planId: plan.id!, done: job.total!, said: '' },
        { where: { id: job.id, state: 'working' }, transaction },
      )
      if (!n) throw new Stopped()
      await PlanRow.sequelize!.query(
        `DELETE FROM plans WHERE state = 'past' AND id < (SELECT min(id) FROM (SELECT id FROM plans ORDER BY id DESC LIMIT ${KEPT_PLANS}) p)`,
        { transaction },
      )
      // One offer at a time lies beside the plan that is kept.
      await PlanRow.update(
        { state: 'past' },
        { where: { state: 'offered', id: { [Op.ne]: plan.id! } }, transaction },
      )
    })
  } finally {
    clearInterval(watch)
  }
}
async function doJob(id: string): Promise<void> {
  const [n] = await PlanJobRow.update(
    { state: 'working', beatAt: new Date() },
    {
      where: {
        id,
        [Op.or]: [
          { state: 'waiting' },
          { state: 'working', beatAt: { [Op.lt]: new Date(Date.now() - STILL_S * 1000) } },
        ],
      },
    },
  )
  if (!n) return
  try {
    await workOut(await jobNamed(id))
  } catch (error) {
    if (error instanceof Stopped || (error instanceof ApiError && error.code === 'gone')) return
    const said = error instanceof CalcError || error instanceof ApiError ? error.message : 'it was not made'
    await PlanJobRow.update({ state: 'failed', said }, { where: { id, state: 'working' } })
    if (!(error instanceof CalcError || error instanceof ApiError)) throw error
  }
}
const SWEEP_MS = 5_000
/** Begins doing this work in this process; gives how to stop. */
export async function startPlanning(queue: Jobs, logger: Logger): Promise<() => Promise<void>> {
  jobs = queue
  await queue.work('plan', ({ jobId }) => doJob(jobId))
  const again = async () => {
    const left = await PlanJobRow.findAll({
      where: {
        [Op.or]: [
          { state: 'waiting' },
          { state: 'working', beatAt: { [Op.lt]: new Date(Date.now() - STILL_S * 1000) } },
        ],
      },
    })
    for (const j of left) handOn(j.id)
  }
  let at: Promise<void> | null = null
  const timer = setInterval(() => {
    at ??= again()
      .catch((error: unknown) => logger.warn(error, 'plans'))
      .finally(() => (at = null))
  }, SWEEP_MS)
  return async () => {
    clearInterval(timer)
    await at
    if (jobs === queue) jobs = null
  }
}
