import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { QueryTypes } from 'sequelize'
import { defineModels } from '../src/models/define'
import { prepare } from '../src/start'
import { Someone, compiledServer, freshDatabase, startApp } from './harness'

/** A yard begins with nobody in it, and with no invented people beside real ones. */
type App = Awaited<ReturnType<typeof startApp>>
const root = fileURLToPath(new URL('../../..', import.meta.url))
const PERSON = { login: 'Kari', name: 'Kari Moss', password: 'a hull wants seven planks' }
let app: App
beforeAll(async () => {
  app = await startApp('first', { databases: await freshDatabase('first', 'nothing') })
}, 240_000)
afterAll(() => app.stop())
const count = async (table: string) =>
  (
    await app.db.query<{ n: number }>(`SELECT count(*)::int AS n FROM ${table}`, { type: QueryTypes.SELECT })
  )[0]!.n
const first = (who = new Someone(app.base), body: object = PERSON) =>
  who.ask<{ account: { login: string; role: string } }>('POST', '/api/session/first', body)

describe('an empty yard', () => {
  it('says so to whoever sits at its machine, and not through a proxy', async () => {
    const here = await new Someone(app.base).ask<{ first?: boolean; account: null }>('GET', '/api/session')
    expect(here.body).toMatchObject({ first: true, account: null })
    const far = { 'x-forwarded-for': '203.0.113.7', 'content-type': 'application/json' }
    const through = await fetch(`${app.base}/api/session`, { headers: far })
    expect(await through.json()).not.toHaveProperty('first')
    const tried = await fetch(`${app.base}/api/session/first`, {
      method: 'POST',
      headers: far,
      body: JSON.stringify(PERSON),
    })
    expect(tried.status).toBe(403)
    expect(await count('users')).toBe(0)
  })
  it.each([
    ['password', { ...PERSON, password: 'short' }],
    ['login', { ...PERSON, login: 'no spaces here' }],
    ['name', { ...PERSON, name: ' ' }],
  ])('refuses a poor %s beside it', async (path, body) => {
    const a = await first(new Someone(app.base), body)
    expect([a.status, a.body.error.path]).toEqual([400, path])
    expect(await count('users')).toBe(0)
  })
  it('lets nobody in by the door of the demo', async () => {
    expect((await new Someone(app.base).ask('POST', '/api/session/demo')).status).toBe(404)
  })
  it('of two that come at once makes one, who is in at once; after him nobody', async () => {
    const both = await Promise.all([first(), first(new Someone(app.base), { ...PERSON, login: 'late' })])
    expect(both.map((a) => a.status).sort()).toEqual([201, 409])
    expect(both.find((a) => a.status === 201)!.body.account.role).toBe('manager')
    expect(await count('users')).toBe(1)
    expect((await first()).status).toBe(409)
    expect((await new Someone(app.base).ask<object>('GET', '/api/session')).body).not.toHaveProperty('first')
  })
  it('gets no invented people or boats beside its own at the next start', async () => {
    const again = await prepare(app.databases, true)
    await again.close()
    defineModels(app.db)
    expect([await count('users'), await count('boats')]).toEqual([1, 0])
  })
})
const ended = (c: ReturnType<typeof spawn>) =>
  new Promise<{ code: number | null; said: string }>((done) => {
    let said = ''
    for (const from of [c.stdout, c.stderr]) from?.on('data', (d: Buffer) => (said += d.toString()))
    c.once('exit', (code) => done({ code, said }))
  })
const from = ({ url, ownerUrl }: { url: string; ownerUrl: string }, more: object = {}) => ({
  cwd: root,
  env: { ...process.env, DATABASE_URL: url, OWNER_DATABASE_URL: ownerUrl, ...more },
})
describe('the command', () => {
  const manager = (databases: App['databases'], login: string, password: string) => {
    const c = spawn(process.execPath, [join(root, 'bin/manager.mjs'), login, 'Odd Berg'], from(databases))
    c.stdin.end(`${password}\n`)
    return ended(c)
  }
  it('makes a manager who signs in, and none of one login twice', async () => {
    const made = await manager(app.databases, 'odd', PERSON.password)
    expect([made.code, made.said]).toEqual([0, expect.stringContaining('odd is a manager of this yard now')])
    const a = await new Someone(app.base).ask('POST', '/api/session', {
      login: 'odd',
      password: PERSON.password,
    })
    expect(a.status).toBe(200)
    expect(await manager(app.databases, 'odd', PERSON.password)).toMatchObject({
      code: 1,
      said: expect.stringContaining("somebody's login already"),
    })
    expect((await manager(app.databases, 'kit', 'short')).said).toContain('At least 12 characters')
  }, 240_000)
  it('does not go into the demo, whose passwords everybody can read', async () => {
    const demo = await freshDatabase('first_demo')
    expect((await manager(demo, 'odd', PERSON.password)).said).toContain('this database holds the demo')
  }, 240_000)
})
it('the demo is not served to others: a HOST beyond this machine stops the start', async () => {
  const databases = await freshDatabase('first_host')
  const said = await ended(
    spawn(process.execPath, [await compiledServer()], from(databases, { HOST: '0.0.0.0', PORT: '0' })),
  )
  expect(said.code).toBe(1)
  expect(said.said).toContain('HOST is 0.0.0.0, and this database holds the accounts of the demo')
}, 240_000)
