import { QueryTypes, type Transaction } from 'sequelize'
import type { Jobs } from '../jobs/queue'
import { notFound } from '../errors'
import { Boat } from '../models'
import { must, type Account } from './access'

/**
 * Verdicts of a whole boat made anew. That it is wanted is written in the transaction of what made it
 * necessary, so it is never lost:
 * who does it takes the boat's open asks together, and a sweep hands on again whatever nobody is at.
 */
export interface Job {
  id: number
  boatId: string
  why: string
  total: number
  done: number
  turned: number
  finished: boolean
  /** fittings that the plate solver has still to look at; until then their verdicts are by the hand checks */
  solverLeft: number
}
const db = () => Boat.sequelize!
const JOB = `j.id::int, j.boat_id AS "boatId", j.why, j.total, j.done, j.turned, j.finished_at IS NOT NULL AS finished, (SELECT count(*)::int FROM fittings f WHERE f.boat_id = j.boat_id AND f.solver_due) AS "solverLeft"`

let jobs: Jobs | null = null
/** The queue of this process; null while it has none, and then the sweep of another does the work. */
export const queueIs = (queue: Jobs | null) => void (jobs = queue)
/** Boats of which the queue is being told; true where more was asked of one meanwhile. */
const beingTold = new Map<string, boolean>()
/** Once at a time for each boat. Whatever hinders the handing on, the sweep does it later. */
function handOn(boatId: string): void {
  if (!jobs) return
  if (beingTold.has(boatId)) return void beingTold.set(boatId, true)
  beingTold.set(boatId, false)
  void jobs
    .send('rejudge', { boatId }, boatId)
    .catch(() => undefined)
    .finally(() => {
      const more = beingTold.get(boatId)
      beingTold.delete(boatId)
      if (more) handOn(boatId)
    })
}
/** Hands on what was asked, when it stands. */
export function handOnAfter(boatId: string, transaction: Transaction | null): void {
  if (transaction) transaction.afterCommit(() => handOn(boatId))
  else handOn(boatId)
}

/** The ask as it is written: of which boat and why, by what stands in the statement. */
export const askOf = (boat: string, why: string) =>
  `INSERT INTO rejudge_jobs (boat_id, why, total)
     SELECT ${boat}, ${why}, (SELECT count(*) FROM fittings f WHERE f.boat_id = ${boat})`
/** Asks for a boat to be judged anew; within a transaction it stands or falls with it. */
export async function askRejudge(
  boatId: string,
  why: string,
  transaction: Transaction | null = null,
): Promise<Job> {
  const [job] = await db().query<Job>(
    `${askOf('$1', '$2')}
     RETURNING id::int, boat_id AS "boatId", why, total, done, turned, finished_at IS NOT NULL AS finished,
       (SELECT count(*)::int FROM fittings f WHERE f.boat_id = $1 AND f.solver_due) AS "solverLeft"`,
    { bind: [boatId, why], type: QueryTypes.SELECT, transaction },
  )
  handOnAfter(boatId, transaction)
  return job!
}
/** Every boat: after a value of the yard's own has changed. */
export async function askRejudgeAll(why: string, transaction: Transaction): Promise<void> {
  // A boat that was put away stays as she was judged.
  const where = { archivedAt: null }
  for (const b of await Boat.findAll({ where, attributes: ['id'], order: [['id', 'ASC']], transaction }))
    await askRejudge(b.id, why, transaction)
}
export async function jobOf(who: Account, boatId: string, id: number): Promise<Job> {
  must(who, 'read', boatId)
  const [job] = Number.isSafeInteger(id)
    ? await db().query<Job>(`SELECT ${JOB} FROM rejudge_jobs j WHERE j.id = $1 AND j.boat_id = $2`, {
        bind: [id, boatId],
        type: QueryTypes.SELECT,
      })
    : []
  if (!job) throw notFound('job')
  return job
}
