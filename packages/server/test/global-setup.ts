import { pino } from 'pino'
import type { TestProject } from 'vitest/node'
import { connect } from '../src/db'
import { openJobs } from '../src/jobs/queue'
import { settled, startRejudging } from '../src/services/rejudge'
import { prepare, type Databases } from '../src/start'

export const TEMPLATE = 'demo_yard'
const named = (url: string) => Object.assign(new URL(url), { pathname: `/${TEMPLATE}` }).toString()

/** The demo loaded and judged once; every file of tests gets a copy of it. */
async function makeTemplate({ url, ownerUrl, superUrl }: Databases & { superUrl: string }) {
  const admin = connect(superUrl)
  await admin.query(`CREATE DATABASE ${TEMPLATE}`)
  // @ts-expect-error a plain script without types
  const { ensureDatabase } = await import('../../../bin/lib/roles.mjs')
  await ensureDatabase(named(superUrl))
  const db = await prepare({ url: named(url), ownerUrl: named(ownerUrl) }, true)
  const logger = pino({ level: 'silent' })
  const jobs = await openJobs(named(url), logger)
  const stop = await startRejudging(jobs, logger)
  await settled()
  await stop()
  await jobs.stop()
  await db.close()
  await admin.close()
}

/** A PostgreSQL of the tests' own, on loopback, thrown away and made anew for each run. */
export default async function setup(project: TestProject) {
  // @ts-expect-error a plain script without types
  const { startPostgres } = await import('../../../bin/lib/postgres.mjs')
  const { stop, ...databases } = (await startPostgres('test-postgres', { fresh: true, durable: false })) as {
    url: string
    ownerUrl: string
    superUrl: string
    stop: () => void
  }
  await makeTemplate(databases)
  project.provide('databases', {
    url: databases.url,
    ownerUrl: databases.ownerUrl,
    superUrl: databases.superUrl,
  })
  return () => stop()
}

declare module 'vitest' {
  export interface ProvidedContext {
    databases: { url: string; ownerUrl: string; superUrl: string }
  }
}
