import pg from 'pg'
import type { Sequelize } from 'sequelize'
import { connect, migrate } from './db'
import { seedDemo } from './demo/seed'
import { grant } from './grants'
import { prepareQueues } from './jobs/queue'
import { defineModels } from './models/define'

export interface Databases {
  /** the application's: reads and writes rows */
  url: string
  /** the owner's: makes and changes tables; the same as `url` where only one role was given */
  ownerUrl: string
}
const STARTING = 4180

/** One at a time: of two servers that start on one empty database, the second finds it ready. */
async function alone<T>(url: string, run: () => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: url })
  client.on('error', () => undefined)
  await client.connect()
  try {
    await client.query('SELECT pg_advisory_lock($1)', [STARTING])
    return await run()
  } finally {
    await client.end().catch(() => undefined)
  }
}
const roleOf = (url: string) => decodeURIComponent(new URL(url).username)

/** A problem of getting ready, in words for whoever starts it. */
export class NotReady extends Error {}
async function told<T>(how: (why: string) => string, run: () => Promise<T>): Promise<T> {
  try {
    return await run()
  } catch (error) {
    if (error instanceof NotReady) throw error
    throw new NotReady(
      how((error as { cause?: Error }).cause?.message ?? ((error as Error).message || 'no connection')),
    )
  }
}

/**
 * Brings a database up to date, gives the application its rights and, where wanted, loads the demo. Gives
 * the application's connection, with its models.
 */
export async function prepare({ url, ownerUrl }: Databases, demo: boolean): Promise<Sequelize> {
  const owner = connect(ownerUrl)
  const db = connect(url)
  try {
    await told(
      (why) => `the database does not answer (${why})`,
      () => owner.authenticate(),
    )
    await told(
      (why) => `the database does not answer (${why})`,
      () =>
        alone(ownerUrl, async () => {
          await told(
            (why) => `the database cannot be brought up to date (${why}); nothing was changed`,
            async () => {
              await migrate(owner)
              await prepareQueues(ownerUrl)
              if (roleOf(url) !== roleOf(ownerUrl)) await grant(owner, roleOf(url))
            },
          )
          defineModels(db)
          if (demo)
            await told(
              (why) => `the demo data cannot be loaded (${why})`,
              () => seedDemo(db, owner),
            )
        }),
    )
    await told(
      (why) => `the database does not answer (${why})`,
      () => db.authenticate(),
    )
    return db
  } catch (error) {
    await db.close()
    throw error
  } finally {
    await owner.close()
  }
}
