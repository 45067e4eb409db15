import { spawnSync } from 'node:child_process'
import { existsSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { ensurePackages, fail } from './packages.mjs'
import { serverFolder, startPostgres } from './postgres.mjs'

const majorOf = (bin) => {
  const r = spawnSync(bin ? join(bin, 'pg_dump') : 'pg_dump', ['--version'], { encoding: 'utf8' })
  return r.status === 0 ? Number(/ (\d+)/.exec(r.stdout)?.[1]) : null
}
/** Programs that are as new as the database: an older pg_dump does not read a newer one. */
function programsFor(major) {
  const base = '/usr/lib/postgresql'
  const folders = existsSync(base)
    ? readdirSync(base)
        .filter((v) => Number(v) >= major)
        .sort((a, b) => Number(a) - Number(b))
        .map((v) => join(base, v, 'bin'))
    : []
  const found = [...folders, serverFolder(), null].find((bin) => (majorOf(bin) ?? 0) >= major)
  if (found === undefined)
    fail(
      `the database is PostgreSQL ${major}, and no pg_dump of ${major} or later is here; run "apt-get install postgresql-client-${major}"`,
    )
  return found
}
/** The database of npm start, or the one that DATABASE_URL names, for a command that works on all of it. */
export async function withDatabase(run) {
  // What is written on the way holds everybody's password hashes: for its owner alone.
  process.umask(0o077)
  await ensurePackages()
  const { default: pg } = await import('pg')
  const own = process.env.DATABASE_URL ? null : await startPostgres()
  const ownerUrl = own?.ownerUrl ?? process.env.OWNER_DATABASE_URL ?? process.env.DATABASE_URL
  try {
    const client = new pg.Client({ connectionString: ownerUrl })
    await client.connect()
    const { rows } = await client.query('SHOW server_version_num')
    await client.end()
    await run({ ownerUrl, bin: programsFor(Math.floor(Number(rows[0].server_version_num) / 10_000)) })
  } catch (error) {
    own?.stop()
    fail(error.message)
  }
  own?.stop()
  process.exit(0)
}
