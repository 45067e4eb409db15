import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { connect } from '../src/db'
import { startApp } from './harness'

/** What whoever watches over the machine asks, without signing in. */
let app: Awaited<ReturnType<typeof startApp>>
beforeAll(async () => {
  app = await startApp('the_health')
}, 240_000)
afterAll(() => app.stop())
const ask = async (path: string) => {
  const r = await fetch(`${app.base}/api/${path}`)
  return { status: r.status, cache: r.headers.get('cache-control'), body: (await r.json()) as object }
}
const asOwner = async (sql: string) => {
  const own = connect(app.databases.ownerUrl)
  await own.query(sql).finally(() => own.close())
}

describe('health and readiness', () => {
  it('a process that answers is well, and one whose database is as it wants it is ready', async () => {
    expect(await ask('health')).toEqual({ status: 200, cache: 'no-store', body: { ok: true } })
    expect(await ask('ready')).toEqual({ status: 200, cache: 'no-store', body: { ok: true, why: '' } })
  })
  it('it is not ready on a database that lacks a migration, and says which; it is well all the same', async () => {
    await asOwner(`DELETE FROM migrations WHERE name = '022-kept-views'`)
    const r = await ask('ready')
    expect([r.status, r.body]).toEqual([503, { ok: false, why: 'the database lacks 022-kept-views' }])
    expect((await ask('health')).status).toBe(200)
    await asOwner(`INSERT INTO migrations (name) VALUES ('022-kept-views')`)
    expect((await ask('ready')).status).toBe(200)
  })
})
