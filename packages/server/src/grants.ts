import { QueryTypes, type Sequelize } from 'sequelize'

/**
 * What the application's role may do with each table, and no more: records of what happened are added and
 * read, never changed,
 * whatever the application is talked into. A table that is not named here cannot be reached at all.
 */
const ROWS = 'SELECT, INSERT, UPDATE, DELETE'
const RECORD = 'SELECT, INSERT'
const KEPT = 'SELECT, INSERT, UPDATE'
export const GRANTS: Record<string, string> = {
  migrations: 'SELECT',
  settings: RECORD,
  session: ROWS,
  rate_hits: ROWS,
  sent_once: ROWS,
  users: KEPT,
  boat_roles: ROWS,
  boats: ROWS,
  outline_stations: ROWS,
  zones: ROWS,
  zone_layers: ROWS,
  structures: ROWS,
  readings: KEPT,
  angle_readings: ROWS,
  photos: KEPT,
  lots: KEPT,
  fittings: ROWS,
  work_log: RECORD,
  hole_links: RECORD,
  revisions: RECORD,
  goods: ROWS,
  hardware: ROWS,
  flood_plans: ROWS,
  penetrations: KEPT,
  life_events: RECORD,
  yard_values: ROWS,
  yard_habits: ROWS,
  rejudge_jobs: KEPT,
  fitters: ROWS,
  holds: KEPT,
  weather_hours: ROWS,
  plans: ROWS,
  plan_jobs: ROWS,
  feeds: KEPT,
  sheets: ROWS,
  invites: KEPT,
  shelf: ROWS,
  offers: ROWS,
  orders: KEPT,
  yard_settings: KEPT,
  leaks: KEPT,
  leak_tests: KEPT,
  floods: RECORD,
  papers: RECORD,
  notes: KEPT,
  proofs: KEPT,
  mails: KEPT,
  tasks: ROWS,
  task_files: ROWS,
  saved_views: ROWS,
  boat_links: KEPT,
  launches: RECORD,
  hole_changes: 'SELECT, INSERT, DELETE',
}
const NAME = /^[a-z_][a-z0-9_]*$/

/** Sets the rights of the application's role by the list above, taking away what is not on it. */
export async function grant(owner: Sequelize, role: string): Promise<void> {
  if (!NAME.test(role)) throw new Error(`"${role}" is no name of a role that rights are given to here`)
  const tables = await owner.query<{ name: string }>(
    `SELECT c.relname AS name FROM pg_class c WHERE c.relnamespace = 'public'::regnamespace AND c.relkind IN ('r','p')`,
    { type: QueryTypes.SELECT },
  )
  await owner.transaction(async (transaction) => {
    const run = (sql: string) => owner.query(sql, { transaction })
    await run(`REVOKE ALL ON ALL TABLES IN SCHEMA public FROM ${role}`)
    for (const { name } of tables)
      if (GRANTS[name]) await run(`GRANT ${GRANTS[name]} ON "${name}" TO ${role}`)
    await run(`GRANT USAGE ON ALL SEQUENCES IN SCHEMA public TO ${role}`)
    await run(`GRANT USAGE ON SCHEMA pgboss TO ${role}`)
    await run(`GRANT ${ROWS} ON ALL TABLES IN SCHEMA pgboss TO ${role}`)
    await run(`GRANT USAGE ON ALL SEQUENCES IN SCHEMA pgboss TO ${role}`)
  })
}
