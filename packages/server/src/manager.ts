import { parseInput } from '@north-tide/core'
import { z } from 'zod'
import { demoPeople } from './demo/accounts'
import { makeManager } from './services/first'
import { prepare, type Databases } from './start'

/** For `npm run manager`: makes a manager in a database that is brought up to date and holds no demo. */
export async function addManager(databases: Databases, raw: unknown): Promise<string> {
  const db = await prepare(databases, false)
  try {
    if ((await demoPeople()).length)
      throw new Error(
        'this database holds the demo, whose passwords everybody can read; begin a yard in one of its own: NORTH_TIDE_DATA=/where/it/lies NORTH_TIDE_DEMO=0',
      )
    const { login } = await makeManager(db, parseInput(z.looseObject({}), raw), false)
    return login
  } finally {
    await db.close()
  }
}
