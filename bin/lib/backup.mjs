import { createHash } from 'node:crypto'
import { spawn } from 'node:child_process'
import { createReadStream, createWriteStream, renameSync, rmSync, statSync } from 'node:fs'
import { open } from 'node:fs/promises'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import pg from 'pg'

/**
 * A yard in one file: a line of JSON that says what is in it, then PostgreSQL's own dump. The line carries
 * the dump's sum and each table's rows with their sum, so that a damaged file is known before anything is
 * touched, and a restored yard is known to be the same.
 */
const FORMAT = 'north-tide-backup'
const VERSION = 1
const MOST_HEADER = 1_000_000

/** Of all that was said the line that says why; what follows it is where. */
const lineThatSays = (said) => {
  const lines = said.trim().split('\n')
  return lines.find((l) => /(ERROR|FATAL|error):/.test(l)) ?? lines.at(-1)
}
/** Runs one of PostgreSQL's programs. @throws with the last line that it said */
function program(bin, name, args, { to, from } = {}) {
  return new Promise((done, no) => {
    const c = spawn(bin ? join(bin, name) : name, args, {
      stdio: [from ? 'pipe' : 'ignore', to ? 'pipe' : 'ignore', 'pipe'],
    })
    let said = ''
    c.stderr.on('data', (d) => (said = `${said}${d}`.slice(-4000)))
    const pipes = [
      ...(to ? [pipeline(c.stdout, to)] : []),
      // What reads may end before it was given all; its own last word says why.
      ...(from ? [pipeline(from, c.stdin).catch(() => undefined)] : []),
    ]
    c.once('error', (e) => no(new Error(`${name} cannot be run (${e.message})`)))
    c.once('exit', (code) =>
      Promise.all(pipes).then(
        () =>
          code === 0 ? done() : no(new Error(`${name}: ${lineThatSays(said) || `it ended with ${code}`}`)),
        no,
      ),
    )
  })
}
const TABLES = `SELECT n.nspname || '.' || c.relname AS name FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
  WHERE c.relkind = 'r' AND n.nspname IN ('public', 'pgboss') ORDER BY 1`
const quoted = (name) =>
  name
    .split('.')
    .map((p) => `"${p.replaceAll('"', '""')}"`)
    .join('.')
/** Each table's rows, and their sum whatever order they lie in. */
export async function sums(client) {
  const { rows } = await client.query(TABLES)
  const out = {}
  for (const { name } of rows) {
    const { rows: r } = await client.query(
      `SELECT count(*)::int AS rows, md5(coalesce(string_agg(s, '' ORDER BY s), '')) AS sum
         FROM (SELECT md5(t::text) AS s FROM ${quoted(name)} t) x`,
    )
    out[name] = { rows: r[0].rows, sum: r[0].sum }
  }
  return out
}
async function sumOf(file, from = 0) {
  const hash = createHash('sha256')
  for await (const part of createReadStream(file, { start: from })) hash.update(part)
  return hash.digest('hex')
}
const connected = async (url, run) => {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  try {
    return await run(client)
  } finally {
    await client.end().catch(() => undefined)
  }
}

/** Writes the whole yard, as it is at one moment; a file that is there is replaced when it is whole. */
export async function backup({ ownerUrl, bin, file }) {
  const [dump, whole] = [`${file}.dump-${process.pid}`, `${file}.new-${process.pid}`]
  try {
    return await connected(ownerUrl, async (client) => {
      await client.query('BEGIN ISOLATION LEVEL REPEATABLE READ READ ONLY')
      const { rows } = await client.query('SELECT pg_export_snapshot() AS id')
      await program(bin, 'pg_dump', [
        '--format=custom',
        '--no-owner',
        '--no-privileges',
        `--snapshot=${rows[0].id}`,
        `--file=${dump}`,
        ownerUrl,
      ])
      const migrations = (await client.query('SELECT name FROM migrations ORDER BY name')).rows
      const version = (await client.query('SHOW server_version')).rows[0].server_version
      const header = {
        format: FORMAT,
        version: VERSION,
        madeAt: new Date().toISOString(),
        postgres: version,
        migrations: migrations.map((m) => m.name),
        bytes: statSync(dump).size,
        sha256: await sumOf(dump),
        tables: await sums(client),
      }
      await client.query('COMMIT')
      const out = createWriteStream(whole, { mode: 0o600 })
      out.write(`${JSON.stringify(header)}\n`)
      await pipeline(createReadStream(dump), out)
      renameSync(whole, file)
      return header
    })
  } finally {
    rmSync(dump, { force: true })
    rmSync(whole, { force: true })
  }
}

/** What a file says of itself, checked against what is in it. @throws where it is none, or is damaged */
export async function readBackup(file) {
  const handle = await open(file).catch((e) => {
    throw new Error(`${file} cannot be read (${e.code})`)
  })
  const start = Buffer.alloc(MOST_HEADER)
  const { bytesRead } = await handle.read(start, 0, MOST_HEADER, 0)
  await handle.close()
  const end = start.subarray(0, bytesRead).indexOf(10)
  let header = null
  try {
    header = JSON.parse(start.subarray(0, Math.max(0, end)).toString('utf8'))
  } catch {
    header = null
  }
  if (header?.format !== FORMAT) throw new Error(`${file} is no backup of North Tide`)
  if (header.version > VERSION)
    throw new Error(`${file} was made by a newer version of North Tide (format ${header.version})`)
  const size = statSync(file).size - end - 1
  if (size !== header.bytes)
    throw new Error(`${file} is damaged: ${header.bytes} bytes of the yard were written, ${size} are there`)
  if ((await sumOf(file, end + 1)) !== header.sha256)
    throw new Error(`${file} is damaged: its sum is not what it was when it was made`)
  return { header, from: end + 1 }
}
/** Everything of an earlier yard goes in the same transaction that brings the kept one. */
const CLEAR = `
DO $$ DECLARE t record; BEGIN
  FOR t IN SELECT n.nspname, c.relname, c.relkind FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
    WHERE n.nspname = 'public' AND c.relkind IN ('r', 'p', 'v') AND pg_get_userbyid(c.relowner) = current_user LOOP
    EXECUTE format('DROP %s IF EXISTS %I.%I CASCADE', CASE t.relkind WHEN 'v' THEN 'VIEW' ELSE 'TABLE' END, t.nspname, t.relname);
  END LOOP;
  FOR t IN SELECT c.relname FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
    WHERE n.nspname = 'public' AND c.relkind = 'S' AND pg_get_userbyid(c.relowner) = current_user LOOP
    EXECUTE format('DROP SEQUENCE IF EXISTS public.%I CASCADE', t.relname);
  END LOOP;
  FOR t IN SELECT p.oid::regprocedure::text AS f FROM pg_proc p JOIN pg_namespace n ON n.oid = p.pronamespace
    WHERE n.nspname = 'public' AND p.prokind = 'f' AND pg_get_userbyid(p.proowner) = current_user LOOP
    EXECUTE format('DROP FUNCTION IF EXISTS %s CASCADE', t.f);
  END LOOP;
  FOR t IN SELECT y.typname FROM pg_type y JOIN pg_namespace n ON n.oid = y.typnamespace
    WHERE n.nspname = 'public' AND y.typtype = 'e' AND pg_get_userbyid(y.typowner) = current_user LOOP
    EXECUTE format('DROP TYPE IF EXISTS public.%I CASCADE', t.typname);
  END LOOP;
END $$;
DROP SCHEMA IF EXISTS pgboss CASCADE;
`
async function* inOneGo(sql) {
  yield CLEAR
  for await (const part of createReadStream(sql)) yield part
}
/**
 * Brings a yard back as it was, whole or not at all. @param known the migrations that this version knows
 * @param over whether a yard that is there may be replaced
 */
export async function restore({ ownerUrl, bin, file, known, over = false }) {
  const { header, from } = await readBackup(file)
  const newer = header.migrations.filter((m) => !known.includes(m))
  if (newer.length)
    throw new Error(`${file} was made by a newer version of North Tide (${newer.at(-1)}); install that first`)
  const there = await connected(ownerUrl, async (c) => {
    const { rows } = await c.query(`SELECT to_regclass('public.users') IS NOT NULL AS t`)
    if (!rows[0].t) return 0
    return (await c.query('SELECT count(*)::int AS n FROM users')).rows[0].n
  })
  if (there > 0 && !over)
    throw new Error(
      `there is a yard in this database (${there} people); restore into an empty one, or say --over to replace it`,
    )
  const [dump, sql] = [`${file}.dump-${process.pid}`, `${file}.sql-${process.pid}`]
  try {
    await pipeline(createReadStream(file, { start: from }), createWriteStream(dump, { mode: 0o600 }))
    await program(bin, 'pg_restore', ['--no-owner', '--no-privileges', `--file=${sql}`, dump])
    await program(
      bin,
      'psql',
      ['--quiet', '--no-psqlrc', '--single-transaction', '--set=ON_ERROR_STOP=1', '--file=-', ownerUrl],
      { from: inOneGo(sql) },
    )
  } finally {
    rmSync(dump, { force: true })
    rmSync(sql, { force: true })
  }
  const now = await connected(ownerUrl, sums)
  const other = Object.keys(header.tables).filter(
    (t) => JSON.stringify(now[t]) !== JSON.stringify(header.tables[t]),
  )
  if (other.length) throw new Error(`what was brought back differs in ${other.join(', ')}; keep the file`)
  return header
}
