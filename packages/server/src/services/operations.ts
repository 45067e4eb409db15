import { readFile } from 'node:fs/promises'
import { QueryTypes, type Sequelize } from 'sequelize'
import { z } from 'zod'
import { MIGRATION_NAMES } from '../db'
import { User } from '../models'
import { inProduct } from '../place'
import { slowest, type Slow } from '../slow'
import { must, type Account } from './access'

/** How the product goes, for its manager: versions, the database, what waits how long, what took long. */
export interface Operations {
  since: string
  database: { version: string; bytes: number; connections: number; migration: string }
  queues: { name: string; waiting: number; working: number; failed: number; oldestS: number | null }[]
  slow: Slow[]
}
const STARTED = new Date(Date.now() - process.uptime() * 1000).toISOString()
const one = async <T extends object>(db: Sequelize, sql: string): Promise<T[]> =>
  db.query<T>(sql, { type: QueryTypes.SELECT })

export async function operations(who: Account): Promise<Operations> {
  must(who, 'people')
  const db = User.sequelize!
  const [[d], queues] = await Promise.all([
    one<{ version: string; bytes: string; connections: number }>(
      db,
      `SELECT current_setting('server_version') AS version, pg_database_size(current_database())::text AS bytes,
        (SELECT count(*)::int FROM pg_stat_activity WHERE datname = current_database()) AS connections`,
    ),
    one<Operations['queues'][number]>(
      db,
      `SELECT q.name,
        count(*) FILTER (WHERE j.state IN ('created', 'retry'))::int AS waiting,
        count(*) FILTER (WHERE j.state = 'active')::int AS working,
        count(*) FILTER (WHERE j.state = 'failed')::int AS failed,
        (extract(epoch FROM now() - min(j.start_after) FILTER (WHERE j.state IN ('created', 'retry') AND j.start_after <= now())))::float AS "oldestS"
       FROM pgboss.queue q LEFT JOIN pgboss.job j ON j.name = q.name
       WHERE q.name IN ('rejudge', 'solve', 'plan', 'task') GROUP BY q.name ORDER BY q.name`,
    ),
  ])
  return {
    since: STARTED,
    database: {
      version: d!.version,
      bytes: Number(d!.bytes),
      connections: d!.connections,
      migration: MIGRATION_NAMES.at(-1)!,
    },
    queues,
    slow: slowest(),
  }
}
/** Everybody may know what the product is made of, and under which terms. */
export interface About {
  version: string
  node: string
  parts: { name: string; version: string; licence: string }[]
}
const lock = z.object({
  version: z.string(),
  packages: z.record(
    z.string(),
    z.object({
      version: z.string().optional(),
      license: z.string().optional(),
      dev: z.boolean().optional(),
      link: z.boolean().optional(),
    }),
  ),
})
const LOCK = inProduct('package-lock.json')
const FOLDER = 'node_modules/'
let known: Promise<About> | null = null
async function read(): Promise<About> {
  const { version, packages } = lock.parse(JSON.parse(await readFile(LOCK, 'utf8')))
  const parts = Object.entries(packages)
    .filter(([path, p]) => path.includes(FOLDER) && !p.dev && !p.link)
    .map(([path, p]) => ({
      name: path.slice(path.lastIndexOf(FOLDER) + FOLDER.length),
      version: p.version ?? '',
      licence: p.license ?? 'as its own file says',
    }))
  const once = new Map(parts.map((p) => [`${p.name} ${p.version}`, p]))
  return {
    version,
    node: process.versions.node,
    parts: [...once.values()].sort((a, b) => a.name.localeCompare(b.name)),
  }
}
export const about = (): Promise<About> => (known ??= read())
