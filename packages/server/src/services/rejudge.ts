import { Op, QueryTypes } from 'sequelize'
import { notFound } from '../errors'
import { Boat, Fitting } from '../models'
import { mayRead, type Account } from './access'
import { rejudgeBelow } from './below'
import { surroundings } from './boats'
import { judgeByHand, judgeOn } from './verdict'

/** Verdicts of a whole boat made anew. The progress lies in the database, so that any server can say how far it is. */
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
const CHUNK = 50
const STILL_MS = 10_000
const db = () => Boat.sequelize!
const JOB = `id::int, boat_id AS "boatId", why, total, done, turned, finished_at IS NOT NULL AS finished, solver_left AS "solverLeft"`

async function run(job: Job): Promise<void> {
  const [around, fittings] = await Promise.all([surroundings(job.boatId), Fitting.findAll({ where: { boatId: job.boatId }, order: [['id', 'ASC']], attributes: ['id', 'design', 'verdict', 'governing', 'stale', 'version', 'solver', 'solverDue'] })])
  let turned = 0
  let due = 0
  for (let i = 0; i < fittings.length; i += CHUNK) {
    const ids: string[] = []
    const verdicts: string[] = []
    const governing: (string | null)[] = []
    const stale: (string | null)[] = []
    const versions: number[] = []
    const dues: boolean[] = []
    const chunk = fittings.slice(i, i + CHUNK)
    for (const f of chunk) {
      const v = judgeByHand(f.design, around, f.solver)
      if (v.solverDue) due++
      if (v.verdict === f.verdict && v.governing === f.governing && v.solverDue === f.solverDue && JSON.stringify(v.stale) === JSON.stringify(f.stale ?? null)) continue
      if (v.verdict !== f.verdict) turned++
      ids.push(f.id)
      verdicts.push(v.verdict)
      governing.push(v.governing)
      stale.push(v.stale ? JSON.stringify(v.stale) : null)
      versions.push(f.version)
      dues.push(v.solverDue)
    }
    if (ids.length)
      await db().query(
        `UPDATE fittings f SET verdict = n.verdict, governing = n.governing, solver_due = n.due, stale = CASE WHEN n.stale IS NULL THEN NULL ELSE ARRAY(SELECT jsonb_array_elements_text(n.stale::jsonb)) END
           FROM unnest($1::uuid[], $2::text[], $3::text[], $4::text[], $5::int[], $6::boolean[]) AS n(id, verdict, governing, stale, version, due) WHERE f.id = n.id AND f.version = n.version`,
        { bind: [ids, verdicts, governing, stale, versions, dues] },
      )
    await db().query('UPDATE rejudge_jobs SET total = :total, done = :done, turned = :turned, beat_at = now() WHERE id = :id', { replacements: { id: job.id, total: fittings.length, done: Math.min(fittings.length, i + chunk.length), turned } })
    // The server goes on answering others between two chunks.
    await new Promise((next) => setImmediate(next))
  }
  await db().query('UPDATE rejudge_jobs SET total = :total, solver_left = :due, finished_at = now(), beat_at = now() WHERE id = :id', { replacements: { id: job.id, total: fittings.length, due } })
  if (due) solveDue(job.boatId, job.id)
  await rejudgeBelow(job.boatId)
}

/** What is done to the verdicts of one boat is done one after another, so that no older look at its deck is written over a newer one. */
const queues = new Map<string, Promise<void>>()
function inTurn(boatId: string, work: () => Promise<void>): Promise<void> {
  const mine = (queues.get(boatId) ?? Promise.resolve()).then(work).catch(() => undefined)
  queues.set(boatId, mine)
  void mine.then(() => queues.get(boatId) === mine && queues.delete(boatId))
  return mine
}
/** Asks the plate solver about the next fitting of a boat that is due, and stands at the end of the queue again for the one after it. */
async function solveNext(boatId: string, job: number | null, after: string | null): Promise<void> {
  const f = await Fitting.findOne({ where: { boatId, solverDue: true, ...(after === null ? {} : { id: { [Op.gt]: after } }) }, order: [['id', 'ASC']] })
  if (!f) return
  const solver = (await judgeOn(f.design, await surroundings(boatId), f.solver)).solver
  // The deck may have been measured again while the solver was at it: its answer counts only if the question still stands.
  const v = judgeByHand(f.design, await surroundings(boatId), solver)
  const [kept] = await Fitting.update({ verdict: v.verdict, governing: v.governing, stale: v.stale, solver: v.solver, solverDue: v.solverDue }, { where: { id: f.id, version: f.version } })
  if (job !== null) await db().query('UPDATE rejudge_jobs SET turned = turned + :turned, solver_left = (SELECT count(*) FROM fittings WHERE boat_id = :boatId AND solver_due AND id > :id) WHERE id = :job', { replacements: { job, boatId, id: f.id, turned: kept && v.verdict !== f.verdict ? 1 : 0 } })
  void inTurn(boatId, () => solveNext(boatId, job, f.id))
}
export function solveDue(boatId: string, job: number | null = null): void {
  void inTurn(boatId, () => solveNext(boatId, job, null))
}
/** When nothing is left to be judged or solved. */
export const settled = async () => {
  while (queues.size) await Promise.all(queues.values())
}

const running = new Set<Promise<void>>()
/** Starts judging a boat anew and answers at once with the job to ask about. */
export async function startRejudge(boatId: string, why: string): Promise<Job> {
  const total = await Fitting.count({ where: { boatId } })
  const [job] = await db().query<Job>(`INSERT INTO rejudge_jobs (boat_id, why, total) VALUES (:boatId, :why, :total) RETURNING ${JOB}`, { replacements: { boatId, why, total }, type: QueryTypes.SELECT })
  follow(job!)
  return job!
}
function follow(job: Job) {
  const work = inTurn(job.boatId, () => run(job))
  running.add(work)
  void work.finally(() => running.delete(work))
}
/** Every boat, and waits: after a value of the yard's own has changed. */
export async function rejudgeAll(why: string): Promise<void> {
  for (const b of await Boat.findAll({ attributes: ['id'] })) await startRejudge(b.id, why)
  await Promise.all(running)
}

/** What a server that stopped half way left undone is taken up again by the next that starts. */
export async function resumeRejudging(): Promise<void> {
  const left = await db().query<Job>(`UPDATE rejudge_jobs SET beat_at = now() WHERE finished_at IS NULL AND beat_at < now() - interval '${STILL_MS} milliseconds' RETURNING ${JOB}`, { type: QueryTypes.SELECT })
  left.forEach(follow)
  const due = await db().query<{ boatId: string }>('SELECT DISTINCT boat_id AS "boatId" FROM fittings WHERE solver_due', { type: QueryTypes.SELECT })
  for (const b of due) solveDue(b.boatId)
}

export async function jobOf(who: Account, boatId: string, id: number): Promise<Job> {
  mayRead(who, boatId)
  const [job] = Number.isSafeInteger(id) ? await db().query<Job>(`SELECT ${JOB} FROM rejudge_jobs WHERE id = :id AND boat_id = :boatId`, { replacements: { id, boatId }, type: QueryTypes.SELECT }) : []
  if (!job) throw notFound('job')
  return job
}
