import { QueryTypes } from 'sequelize'
import { notFound } from '../errors'
import { Boat, Fitting } from '../models'
import { mayRead, type Account } from './access'
import { zonesOf } from './boats'
import { judgeOn } from './verdict'
import { yardValues } from './yard'

/** Verdicts of a whole boat made anew. The progress lies in the database, so that any server can say how far it is. */
export interface Job {
  id: number
  boatId: string
  why: string
  total: number
  done: number
  turned: number
  finished: boolean
}
const CHUNK = 50
const STILL_MS = 10_000
const db = () => Boat.sequelize!
const JOB = `id::int, boat_id AS "boatId", why, total, done, turned, finished_at IS NOT NULL AS finished`

async function run(job: Job): Promise<void> {
  const [zones, yard, fittings] = await Promise.all([zonesOf(job.boatId), yardValues(), Fitting.findAll({ where: { boatId: job.boatId }, order: [['id', 'ASC']], attributes: ['id', 'design', 'verdict', 'governing', 'stale', 'version'] })])
  let turned = 0
  for (let i = 0; i < fittings.length; i += CHUNK) {
    const ids: string[] = []
    const verdicts: string[] = []
    const governing: (string | null)[] = []
    const stale: (string | null)[] = []
    const versions: number[] = []
    const chunk = fittings.slice(i, i + CHUNK)
    for (const f of chunk) {
      const v = judgeOn(f.design, zones, yard)
      if (v.verdict === f.verdict && v.governing === f.governing && JSON.stringify(v.stale) === JSON.stringify(f.stale ?? null)) continue
      if (v.verdict !== f.verdict) turned++
      ids.push(f.id)
      verdicts.push(v.verdict)
      governing.push(v.governing)
      stale.push(v.stale ? JSON.stringify(v.stale) : null)
      versions.push(f.version)
    }
    if (ids.length)
      await db().query(
        `UPDATE fittings f SET verdict = n.verdict, governing = n.governing, stale = CASE WHEN n.stale IS NULL THEN NULL ELSE ARRAY(SELECT jsonb_array_elements_text(n.stale::jsonb)) END
           FROM unnest($1::uuid[], $2::text[], $3::text[], $4::text[], $5::int[]) AS n(id, verdict, governing, stale, version) WHERE f.id = n.id AND f.version = n.version`,
        { bind: [ids, verdicts, governing, stale, versions] },
      )
    await db().query('UPDATE rejudge_jobs SET total = :total, done = :done, turned = :turned, beat_at = now() WHERE id = :id', { replacements: { id: job.id, total: fittings.length, done: Math.min(fittings.length, i + chunk.length), turned } })
    // The server goes on answering others between two chunks.
    await new Promise((next) => setImmediate(next))
  }
  await db().query('UPDATE rejudge_jobs SET total = :total, finished_at = now(), beat_at = now() WHERE id = :id', { replacements: { id: job.id, total: fittings.length } })
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
  const work = run(job).catch(() => undefined)
  running.add(work)
  void work.finally(() => running.delete(work))
}
/** Every boat, and waits: after a value of the yard's own has changed. */
export async function rejudgeAll(why: string): Promise<void> {
  for (const b of await Boat.findAll({ attributes: ['id'] })) await startRejudge(b.id, why)
  await Promise.all(running)
}
export const rejudged = () => Promise.all(running)

/** What a server that stopped half way left undone is taken up again by the next that starts. */
export async function resumeRejudging(): Promise<void> {
  const left = await db().query<Job>(`UPDATE rejudge_jobs SET beat_at = now() WHERE finished_at IS NULL AND beat_at < now() - interval '${STILL_MS} milliseconds' RETURNING ${JOB}`, { type: QueryTypes.SELECT })
  left.forEach(follow)
}

export async function jobOf(who: Account, boatId: string, id: number): Promise<Job> {
  mayRead(who, boatId)
  const [job] = Number.isSafeInteger(id) ? await db().query<Job>(`SELECT ${JOB} FROM rejudge_jobs WHERE id = :id AND boat_id = :boatId`, { replacements: { id, boatId }, type: QueryTypes.SELECT }) : []
  if (!job) throw notFound('job')
  return job
}
