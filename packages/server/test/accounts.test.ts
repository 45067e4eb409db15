import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { QueryTypes } from 'sequelize'
import type { ShownPerson } from '../src/services/accounts'
import { freshDatabase, Someone, startApp } from './harness'

/** People of a yard: let in by a link, another password, signed out, gone; and writes from elsewhere. */
type App = Awaited<ReturnType<typeof startApp>>
const MANAGER = { login: 'kari', name: 'Kari Moss', password: 'a hull wants seven planks' }
const NEXT = 'nine fathoms and a half'
let app: App
let manager: Someone
beforeAll(async () => {
  app = await startApp('accounts', { databases: await freshDatabase('accounts', 'nothing') })
  manager = new Someone(app.base)
  await manager.ask('POST', '/api/session/first', MANAGER)
}, 240_000)
afterAll(() => app.stop())

interface Made {
  path: string
  people: ShownPerson[]
}
const signIn = (login: string, password: string, who = new Someone(app.base)) =>
  who.ask('POST', '/api/session', { login, password })
const me = async (who: Someone) =>
  (await who.ask<{ account: { login: string } | null }>('GET', '/api/session')).body.account
const invite = (login: string, role = 'fitter') =>
  manager.ask<Made>('POST', '/api/people', { login, name: `Person ${login}`, role })
const join = (path: string, password = NEXT, who = new Someone(app.base)) =>
  who.ask('POST', '/api/session/join', { secret: path.split('/').at(-1), password })
const named = (people: ShownPerson[], login: string) => people.find((p) => p.login === login)!
const people = async () => (await manager.ask<{ people: ShownPerson[] }>('GET', '/api/people')).body.people

describe('somebody new', () => {
  it('is let in by a link that is good once, sets his password, and is in', async () => {
    const made = await invite('tor')
    expect(made.status).toBe(201)
    expect(named(made.body.people, 'tor')).toMatchObject({ role: 'fitter', lastSeen: null, left: null })
    expect(named(made.body.people, 'tor').invitedUntil).not.toBeNull()
    const secret = made.body.path.split('/').at(-1)!
    const [row] = await app.db.query<{ n: number }>(
      'SELECT count(*)::int AS n FROM invites WHERE secret_hash = :secret',
      { replacements: { secret }, type: QueryTypes.SELECT },
    )
    expect(row!.n).toBe(0)
    const who = new Someone(app.base)
    expect((await who.ask('GET', `/api/session/join/${secret}`)).body).toEqual({
      name: 'Person tor',
      login: 'tor',
    })
    const poor = await join(made.body.path, 'short')
    expect([poor.status, poor.body.error.path]).toEqual([400, 'password'])
    expect(poor.body.error.message).toBe('At least 12 characters are accepted; a short sentence is best')
    expect((await join(made.body.path, NEXT, who)).status).toBe(201)
    expect(await me(who)).toMatchObject({ login: 'tor' })
    expect((await join(made.body.path)).status).toBe(404)
    expect((await who.ask('GET', `/api/session/join/${secret}`)).status).toBe(404)
    expect((await signIn('tor', NEXT)).status).toBe(200)
    const seen = named(await people(), 'tor')
    expect(seen.invitedUntil).toBeNull()
    expect(Date.parse(seen.lastSeen!)).toBeGreaterThan(Date.now() - 60_000)
  })
  it('of two that use one link at once one is in', async () => {
    const { body } = await invite('una')
    const both = await Promise.all([join(body.path), join(body.path)])
    expect(both.map((b) => b.status).sort()).toEqual([201, 404])
  })
  it('before he has joined, no password lets him in', async () => {
    await invite('vik')
    for (const tried of ['!', NEXT]) expect((await signIn('vik', tried)).status).toBe(401)
  })
  it('only by the manager, and under a login of his own', async () => {
    const fitter = new Someone(app.base)
    await signIn('tor', NEXT, fitter)
    const body = { login: 'wil', name: 'Wil', role: 'fitter' }
    expect((await fitter.ask('POST', '/api/people', body)).status).toBe(403)
    expect((await fitter.ask('GET', '/api/people')).status).toBe(403)
    expect((await invite('tor')).body.error).toMatchObject({ code: 'taken', path: 'login' })
  })
})

describe('a password', () => {
  it('is changed by whoever has the old one; everywhere else he is signed out', async () => {
    const [here, there] = [new Someone(app.base), new Someone(app.base)]
    for (const who of [here, there]) await signIn('tor', NEXT, who)
    const wrong = await here.ask('PUT', '/api/session/password', {
      old: 'not it',
      password: 'ten fathoms and more',
    })
    expect([wrong.status, wrong.body.error.path]).toEqual([400, 'old'])
    const put = { old: NEXT, password: 'ten fathoms and more' }
    expect((await here.ask('PUT', '/api/session/password', put)).status).toBe(204)
    expect(await me(here)).toMatchObject({ login: 'tor' })
    expect(await me(there)).toBeNull()
    expect((await signIn('tor', NEXT)).status).toBe(401)
    expect((await signIn('tor', 'ten fathoms and more')).status).toBe(200)
  })
  it('that was forgotten is set anew by a link; a link that was made before is no good', async () => {
    const id = named(await people(), 'tor').id
    const first = await manager.ask<Made>('POST', `/api/people/${id}/link`)
    const second = await manager.ask<Made>('POST', `/api/people/${id}/link`)
    expect((await join(first.body.path)).status).toBe(404)
    expect((await join(second.body.path)).status).toBe(201)
    expect((await signIn('tor', NEXT)).status).toBe(200)
    expect((await manager.ask('POST', '/api/people/99999/link')).status).toBe(404)
  })
})

it('signed out everywhere is everywhere', async () => {
  const [a, b] = [new Someone(app.base), new Someone(app.base)]
  for (const who of [a, b]) await signIn('tor', NEXT, who)
  expect((await a.ask('DELETE', '/api/sessions')).status).toBe(204)
  for (const who of [a, b]) expect(await me(who)).toBeNull()
})

describe('gone from the yard', () => {
  it('ends his sessions at once, and no link or password lets him in', async () => {
    const who = new Someone(app.base)
    await signIn('una', NEXT, who)
    const id = named(await people(), 'una').id
    const gone = await manager.ask<{ people: ShownPerson[] }>('PUT', `/api/people/${id}`, { left: true })
    expect(named(gone.body.people, 'una').left).toMatch(/^\d{4}-/)
    expect(await me(who)).toBeNull()
    expect((await signIn('una', NEXT)).status).toBe(401)
    expect((await manager.ask('POST', `/api/people/${id}/link`)).status).toBe(409)
    const back = await manager.ask<{ people: ShownPerson[] }>('PUT', `/api/people/${id}`, { left: false })
    expect(named(back.body.people, 'una').left).toBeNull()
  })
  it('the last manager stays one', async () => {
    const id = named(await people(), 'kari').id
    for (const body of [{ role: 'fitter' }, { left: true }]) {
      const r = await manager.ask('PUT', `/api/people/${id}`, body)
      expect([r.status, r.body.error.code]).toEqual([409, 'last-manager'])
    }
    const tor = named(await people(), 'tor').id
    expect((await manager.ask('PUT', `/api/people/${tor}`, { role: 'manager' })).status).toBe(200)
    expect((await manager.ask('PUT', `/api/people/${tor}`, { role: 'fitter' })).status).toBe(200)
  })
})

describe('a write from a page of elsewhere', () => {
  const write = (headers: Record<string, string>) =>
    fetch(`${app.base}/api/people`, {
      method: 'POST',
      headers: { cookie: manager.cookie, 'content-type': 'application/json', ...headers },
      body: JSON.stringify({ login: 'x', name: '', role: 'fitter' }),
    })
  it.each([
    ['by where the browser says it is from', { 'sec-fetch-site': 'cross-site' }, 403],
    ['of the same site and another origin', { 'sec-fetch-site': 'same-site' }, 403],
    ['by its origin', { origin: 'https://elsewhere.example' }, 403],
    ['with an origin that is none', { origin: 'null' }, 403],
    ['of our own page', { 'sec-fetch-site': 'same-origin' }, 400],
    ['typed by hand', { 'sec-fetch-site': 'none' }, 400],
  ])('%s', async (_, headers, status) => {
    expect((await write(headers)).status).toBe(status)
  })
  it('reads are answered, for they change nothing', async () => {
    const r = await fetch(`${app.base}/api/session`, { headers: { origin: 'https://elsewhere.example' } })
    expect(r.status).toBe(200)
  })
})

describe('behind a proxy', () => {
  it('its word on TLS is taken where it is trusted: the cookie is Secure', async () => {
    const databases = app.databases
    const trusting = await startApp('accounts', { databases, trustProxy: 1 })
    const enter = (base: string) =>
      fetch(`${base}/api/session`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', 'x-forwarded-proto': 'https' },
        body: JSON.stringify({ login: 'tor', password: NEXT }),
      })
    expect((await enter(trusting.base)).headers.get('set-cookie')).toContain('Secure')
    expect((await enter(app.base)).headers.get('set-cookie')).not.toContain('Secure')
    await trusting.stop()
  })
})
