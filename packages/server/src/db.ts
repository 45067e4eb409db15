import { Sequelize } from 'sequelize'
import { Umzug, type UmzugStorage } from 'umzug'
import { tookLong } from './slow'
import { up as first } from './migrations/001-first'
import { up as yardValues } from './migrations/002-yard-values'
import { up as yardKinds } from './migrations/003-yard-kinds'
import { up as survey } from './migrations/004-survey'
import { up as hardware } from './migrations/005-hardware'
import { up as solver } from './migrations/006-solver'
import { up as below } from './migrations/007-below'
import { up as hullLog } from './migrations/008-hull-log'
import { up as hullGoods } from './migrations/009-hull-goods'
import { up as hullDecisions } from './migrations/010-hull-decisions'
import { up as mend } from './migrations/011-mend'
import { up as oneTable } from './migrations/012-one-table-of-fittings'
import { up as oneLog } from './migrations/013-what-happened-is-the-log'
import { up as rolesByBoat } from './migrations/014-roles-by-boat'
import { up as sentOnce } from './migrations/015-sent-once'
import { up as yardPlan } from './migrations/016-yard-plan'
import { up as stores } from './migrations/017-stores'
import { up as people } from './migrations/018-people'
import { up as orders } from './migrations/019-orders'
import { up as leaks } from './migrations/020-leaks'
import { up as boatsLife } from './migrations/021-a-boats-life'
import { up as linksAndLaunches } from './migrations/023-links-and-launches'
import { up as keptViews } from './migrations/022-kept-views'
import { up as thumbnailsLater } from './migrations/024-thumbnails-later'
import { up as changesOfHoles } from './migrations/025-changes-of-holes'
import { up as whichHolesChanged } from './migrations/026-which-holes-changed'
import { up as marksOfABoat } from './migrations/027-marks-of-a-boat'

const MIGRATIONS = [
  { name: '001-first', sql: first },
  { name: '002-yard-values', sql: yardValues },
  { name: '003-yard-kinds', sql: yardKinds },
  { name: '004-survey', sql: survey },
  { name: '005-hardware', sql: hardware },
  { name: '006-solver', sql: solver },
  { name: '007-below', sql: below },
  { name: '008-hull-log', sql: hullLog },
  { name: '009-hull-goods', sql: hullGoods },
  { name: '010-hull-decisions', sql: hullDecisions },
  { name: '011-mend', sql: mend },
  { name: '012-one-table-of-fittings', sql: oneTable },
  { name: '013-what-happened-is-the-log', sql: oneLog },
  { name: '014-roles-by-boat', sql: rolesByBoat },
  { name: '015-sent-once', sql: sentOnce },
  { name: '016-yard-plan', sql: yardPlan },
  { name: '017-stores', sql: stores },
  { name: '018-people', sql: people },
  { name: '019-orders', sql: orders },
  { name: '020-leaks', sql: leaks },
  { name: '021-a-boats-life', sql: boatsLife },
  { name: '022-kept-views', sql: keptViews },
  { name: '023-links-and-launches', sql: linksAndLaunches },
  { name: '024-thumbnails-later', sql: thumbnailsLater },
  { name: '025-changes-of-holes', sql: changesOfHoles },
  { name: '026-which-holes-changed', sql: whichHolesChanged },
  { name: '027-marks-of-a-boat', sql: marksOfABoat },
]

/** What this version knows of a database, in order. */
export const MIGRATION_NAMES = MIGRATIONS.map((m) => m.name)

export function connect(url: string): Sequelize {
  return new Sequelize(url, {
    dialect: 'postgres',
    benchmark: true,
    logging: (sql, ms) => tookLong('statement', sql, ms ?? 0),
    // No question here is long enough to be worth compiling.
    dialectOptions: { options: '-c jit=off' },
    pool: { max: 10, idle: 10_000, acquire: 10_000 },
    define: { underscored: true, timestamps: false },
  })
}

class MigrationTable implements UmzugStorage {
  constructor(private readonly db: Sequelize) {}
  async executed() {
    await this.db.query(
      'CREATE TABLE IF NOT EXISTS migrations (name text PRIMARY KEY, run_at timestamptz NOT NULL DEFAULT now())',
    )
    const [rows] = await this.db.query('SELECT name FROM migrations ORDER BY name')
    return (rows as { name: string }[]).map((r) => r.name)
  }
  async logMigration() {
    // Written inside the migration's own transaction, so that a half-run one is never taken for done.
  }
  async unlogMigration() {
    throw new Error('migrations only go forward')
  }
}

/** Forward only, each in one transaction with its own mark. */
export async function migrate(db: Sequelize): Promise<string[]> {
  const umzug = new Umzug({
    migrations: MIGRATIONS.map(({ name, sql }) => ({
      name,
      up: () =>
        db.transaction(async (transaction) => {
          await db.query(sql, { transaction })
          await db.query('INSERT INTO migrations (name) VALUES (:name)', {
            transaction,
            replacements: { name },
          })
        }),
    })),
    storage: new MigrationTable(db),
    logger: undefined,
  })
  return (await umzug.up()).map((m) => m.name)
}
