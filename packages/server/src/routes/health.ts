import { Router } from 'express'
import { QueryTypes, type Sequelize } from 'sequelize'
import { MIGRATION_NAMES } from '../db'

const ANSWER_MS = 2_000
/** Whether the database answers, and is as this version wants it; in words where not. */
async function readiness(db: Sequelize): Promise<string> {
  const asked = db.query<{ name: string }>('SELECT name FROM migrations', { type: QueryTypes.SELECT })
  let timer: NodeJS.Timeout | undefined
  const late = new Promise<null>((done) => (timer = setTimeout(() => done(null), ANSWER_MS)))
  try {
    const rows = await Promise.race([asked, late])
    if (!rows) return `the database did not answer within ${ANSWER_MS / 1000} s`
    const there = new Set(rows.map((r) => r.name))
    const lacking = MIGRATION_NAMES.filter((n) => !there.has(n))
    return lacking.length ? `the database lacks ${lacking.join(', ')}` : ''
  } catch {
    return 'the database does not answer'
  } finally {
    clearTimeout(timer)
    asked.catch(() => undefined)
  }
}
/**
 * For whoever watches over the machine, without signing in: `health` says that this process answers, `ready`
 * that it can do its work (503 with the reason where not). Neither says anything of the yard.
 */
export function healthRoutes(db: Sequelize): Router {
  const r = Router()
  r.get('/health', (_q, res) => void res.set('Cache-Control', 'no-store').json({ ok: true }))
  r.get('/ready', async (_q, res) => {
    const why = await readiness(db)
    res
      .set('Cache-Control', 'no-store')
      .status(why ? 503 : 200)
      .json({ ok: !why, why })
  })
  return r
}
