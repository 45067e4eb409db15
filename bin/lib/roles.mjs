import { createRequire } from 'node:module'
import { join } from 'node:path'
import { root } from './packages.mjs'

/**
 * Who may do what in the database. The cluster's own superuser only makes these two and is not used again:
 * the owner's role makes and changes tables, the application's reads and writes rows and no more
 * (grants.ts says which).
 */
export const OWNER = 'north_tide_owner'
export const APP = 'north_tide_app'
/** any number, the same for everybody who prepares a database of this product */
const PREPARING = 4180_01
const STARTING = /starting up|shutting down|ECONNREFUSED|not yet accepting|recovery/i
const PATIENCE_MS = 60_000

const pg = () => createRequire(join(root, 'packages', 'server', 'package.json'))('pg')

/** A connection, waited for while the database is still starting. */
async function connected(url) {
  const until = Date.now() + PATIENCE_MS
  for (;;) {
    const client = new (pg().Client)({ connectionString: url })
    // A connection that breaks later says so to whoever uses it.
    client.on('error', () => {})
    try {
      await client.connect()
      return client
    } catch (error) {
      await client.end().catch(() => {})
      if (Date.now() > until || !STARTING.test(`${error.code} ${error.message}`)) throw error
      await new Promise((again) => setTimeout(again, 200))
    }
  }
}

const quoted = (name) => `"${name.replaceAll('"', '""')}"`

/** Makes both roles with their passwords; harmless when they are there. */
export async function ensureRoles(superUrl, { owner, app }) {
  const c = await connected(superUrl)
  try {
    await c.query('SELECT pg_advisory_lock($1)', [PREPARING])
    for (const [name, password] of [
      [OWNER, owner],
      [APP, app],
    ]) {
      if (!(await c.query('SELECT 1 FROM pg_roles WHERE rolname = $1', [name])).rowCount)
        await c.query(`CREATE ROLE ${name} LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE`)
      await c.query(`ALTER ROLE ${name} PASSWORD '${password}'`)
    }
  } finally {
    await c.end()
  }
}

/** Hands a database to the owner's role: what an earlier version made as the superuser too. */
export async function ensureDatabase(superUrl) {
  const c = await connected(superUrl)
  try {
    await c.query('SELECT pg_advisory_lock($1)', [PREPARING])
    const {
      rows: [{ name }],
    } = await c.query('SELECT current_database() AS name')
    await c.query(
      `GRANT CONNECT, CREATE, TEMPORARY ON DATABASE ${quoted(name)} TO ${OWNER}; REVOKE ALL ON DATABASE ${quoted(name)} FROM PUBLIC; GRANT CONNECT ON DATABASE ${quoted(name)} TO ${APP}; ALTER SCHEMA public OWNER TO ${OWNER}; REVOKE CREATE ON SCHEMA public FROM PUBLIC; GRANT USAGE ON SCHEMA public TO ${APP}`,
    )
    const others = await c.query(
      `SELECT c.oid::regclass::text AS name, 'TABLE' AS what FROM pg_class c WHERE c.relnamespace = 'public'::regnamespace AND c.relkind IN ('r','p') AND pg_get_userbyid(c.relowner) <> $1
       UNION ALL SELECT p.oid::regprocedure::text, 'FUNCTION' FROM pg_proc p WHERE p.pronamespace = 'public'::regnamespace AND pg_get_userbyid(p.proowner) <> $1`,
      [OWNER],
    )
    for (const o of others.rows) await c.query(`ALTER ${o.what} ${o.name} OWNER TO ${OWNER}`)
  } finally {
    await c.end()
  }
}
