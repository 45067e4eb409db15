import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { About, Operations } from '../src/services/operations'
import { LONG_MS, shapeOf, tookLong } from '../src/slow'
import { Someone, startApp } from './harness'

/** What the manager sees of how the product goes, and everybody of what it is made of. */
let app: Awaited<ReturnType<typeof startApp>>
let manager: Someone
beforeAll(async () => {
  app = await startApp('operations')
  manager = await new Someone(app.base).signIn('manager')
}, 240_000)
afterAll(() => app.stop())
const operations = async () => (await manager.ask<Operations>('GET', '/api/operations')).body

describe('how it goes', () => {
  it('says what the database is and holds, and what waits in each queue', async () => {
    const o = await operations()
    expect(o.database.version).toMatch(/^\d+/)
    expect(o.database.bytes).toBeGreaterThan(1e6)
    expect(o.database.migration).toMatch(/^0\d\d-/)
    expect(o.queues.map((q) => q.name)).toEqual(['plan', 'rejudge', 'solve', 'task'])
    expect(o.queues.every((q) => q.waiting >= 0 && q.failed >= 0)).toBe(true)
  })
  it('a slow statement is told by its shape, with nothing of what was in it', async () => {
    await app.db.query(`SELECT pg_sleep(${(LONG_MS.statement + 60) / 1000}), 'Kari Moss' AS name`)
    const s = (await operations()).slow.find((x) => x.what.includes('pg_sleep'))!
    expect(s.ms).toBeGreaterThanOrEqual(LONG_MS.statement)
    expect(s.what).not.toContain('Kari')
  })
  it.each([
    [
      `Executed (default): SELECT * FROM users WHERE login = 'kari' AND id = 42`,
      'SELECT * FROM users WHERE login = … AND id = …',
    ],
    [`SELECT 'it''s', 1.5`, 'SELECT …, …'],
  ])('%s', (sql, shape) => expect(shapeOf(sql)).toBe(shape))
  it('a link in an address is its secret, and a stream is not slow', async () => {
    tookLong('request', 'GET /api/session/link/s3cr3t-of-a-boat?x=1', 5000, 'r1')
    tookLong('request', 'GET /api/instruments/hygrometer/stream?count=9', 60_000, 'r2')
    tookLong('request', 'GET /api/boats', 900, 'r3')
    const slow = (await operations()).slow.filter((s) => /^r\d$/.test(s.id ?? ''))
    expect(slow.map((s) => [s.id, s.what])).toEqual([['r1', 'GET /api/session/link/…']])
  })
  it('is the manager’s alone; what it is made of is everybody’s who is in', async () => {
    const fitter = await new Someone(app.base).signIn('fitter')
    expect((await fitter.ask('GET', '/api/operations')).status).toBe(403)
    const { body } = await fitter.ask<About>('GET', '/api/about')
    expect(body.parts.find((p) => p.name === 'express')).toMatchObject({ licence: 'MIT' })
    expect(body.parts.some((p) => p.name === 'vitest')).toBe(false)
    expect(body.parts.every((p) => p.version && p.licence)).toBe(true)
  })
})
