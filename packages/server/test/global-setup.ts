import type { TestProject } from 'vitest/node'

/** A PostgreSQL of the tests' own, on loopback, thrown away and made anew for each run. */
export default async function setup(project: TestProject) {
  // @ts-expect-error a plain script without types
  const { startPostgres } = await import('../../../bin/lib/postgres.mjs')
  const database = await startPostgres('test-postgres', { fresh: true })
  project.provide('databaseUrl', database.url as string)
  return () => database.stop()
}

declare module 'vitest' {
  export interface ProvidedContext {
    databaseUrl: string
  }
}
