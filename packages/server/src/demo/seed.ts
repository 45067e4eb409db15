import { QueryTypes, type Sequelize } from 'sequelize'
import { Boat, User } from '../models'
import type { Account } from '../services/access'
import { seedClosures } from './closures'
import { seedDeckHardware } from './deck-hardware'
import { seedFound } from './found'
import { seedOpenings } from './openings'
import { seedRig } from './rig'
import { seedRows } from './rows'
import { seedSurvey } from './survey'
import { seedThroughHulls } from './through-hulls'
import { seedWeeks } from './weeks'
import { seedYard } from './yard'

const mark = (owner: Sequelize, value: 'loading' | 'loaded') =>
  owner.query(
    `INSERT INTO settings (key, value) VALUES ('demo', :value) ON CONFLICT (key) DO UPDATE SET value = EXCLUDED.value`,
    { replacements: { value } },
  )
/**
 * Takes away what a load that was killed left half done. Nobody has used it: no server answers before the
 * mark says that it is whole.
 */
async function clearHalfLoaded(owner: Sequelize): Promise<void> {
  const [row] = await owner.query<{ value: string }>(`SELECT value FROM settings WHERE key = 'demo'`, {
    type: QueryTypes.SELECT,
  })
  if (row?.value !== 'loading') return
  const tables = await owner.query<{ name: string }>(
    `SELECT relname AS name FROM pg_class WHERE relnamespace = 'public'::regnamespace AND relkind = 'r' AND relname NOT IN ('migrations', 'settings', 'session', 'rate_hits')`,
    { type: QueryTypes.SELECT },
  )
  await owner.transaction(async (transaction) => {
    for (const t of INSERT_ONLY) await owner.query(`ALTER TABLE ${t} DISABLE TRIGGER USER`, { transaction })
    await owner.query(`TRUNCATE ${tables.map((t) => `"${t.name}"`).join(', ')} RESTART IDENTITY CASCADE`, {
      transaction,
    })
    for (const t of INSERT_ONLY) await owner.query(`ALTER TABLE ${t} ENABLE TRIGGER USER`, { transaction })
  })
}
const INSERT_ONLY = ['life_events', 'work_log', 'revisions']

/**
 * Loads the invented yard when the database is empty, whole or not at all; does nothing otherwise. `owner`
 * owns the tables.
 */
export async function seedDemo(db: Sequelize, owner: Sequelize = db): Promise<boolean> {
  await clearHalfLoaded(owner)
  // A yard of real people gets no invented ones beside them, whether it has a boat yet or not.
  if ((await Boat.count()) > 0 || (await User.count()) > 0) return false
  await mark(owner, 'loading')
  await db.transaction(seedYard)
  const fitter: Account = { id: 0, login: 'fitter', name: 'Tam Corrigall', role: 'fitter', boats: {} }
  await seedFound()
  await seedSurvey()
  await seedDeckHardware(fitter)
  await seedThroughHulls(fitter)
  await seedOpenings(fitter)
  await seedClosures(fitter)
  await seedRig(fitter)
  await seedRows(fitter)
  await seedWeeks(fitter)
  await mark(owner, 'loaded')
  return true
}
