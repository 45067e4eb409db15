import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import dayjs from 'dayjs'
import { pino } from 'pino'
import type { ShownLink } from '../src/services/boat-links'
import { Someone, startApp } from './harness'

/** A boat shown by a link to somebody without an account. */
let app: Awaited<ReturnType<typeof startApp>>
let manager: Someone
const log: string[] = []
beforeAll(async () => {
  app = await startApp('boat_links', { logger: pino({ level: 'debug' }, { write: (l) => void log.push(l) }) })
  manager = await new Someone(app.base).signIn('manager')
}, 240_000)
afterAll(() => app.stop())

const BOAT = '/api/boats/pipit'
const day = (n: number) => dayjs().add(n, 'day').format('YYYY-MM-DD')
const make = (forWhom: string, until = day(10), by = manager) =>
  by.ask<{ path: string; links: ShownLink[] }>('POST', `${BOAT}/links`, { forWhom, until })
const secretOf = (path: string) => path.split('/').at(-1)!
async function opened(path: string) {
  const who = new Someone(app.base)
  const a = await who.ask<{ boatId: string }>('POST', '/api/session/link', { secret: secretOf(path) })
  return { who, a }
}
/** As if its last day had been yesterday. */
const ended = (forWhom: string) =>
  app.db.query(
    `UPDATE boat_roles SET until = current_date - 1 WHERE user_id = (SELECT id FROM users WHERE name = :forWhom)`,
    { replacements: { forWhom } },
  )

describe('a link to a boat', () => {
  it('opens her record to somebody without an account, who changes nothing and sees no other', async () => {
    const made = await make('Surveyor of the buyer')
    expect([made.status, made.body.path.startsWith('/look/')]).toEqual([201, true])
    expect(
      (await new Someone(app.base).ask('GET', `/api/session/link/${secretOf(made.body.path)}`)).body,
    ).toEqual({ boat: 'Pipit', forWhom: 'Surveyor of the buyer', until: day(10) })
    const { who, a } = await opened(made.body.path)
    expect([a.status, a.body.boatId]).toEqual([201, 'pipit'])
    const list = await who.ask<{ id: string }[]>('GET', '/api/boats')
    expect(list.body.map((b) => b.id)).toEqual(['pipit'])
    const picture = await who.ask<{ holes: { id: number }[] }>('GET', BOAT)
    expect(picture.status).toBe(200)
    expect((await who.ask('GET', '/api/boats/tarn-runner')).status).toBe(403)
    const event = { state: 'suspect', note: 'looks wet' }
    const hole = picture.body.holes[0]!.id
    expect((await who.ask('POST', `/api/penetrations/${hole}/events`, event)).status).toBe(403)
    const links = await manager.ask<ShownLink[]>('GET', `${BOAT}/links`)
    expect(links.body[0]).toMatchObject({ forWhom: 'Surveyor of the buyer', state: 'good' })
    expect(links.body[0]!.lastSeen).not.toBeNull()
  })
  it('opens nothing once its day is over, also to whoever is in', async () => {
    const { path } = (await make('Late')).body
    const { who } = await opened(path)
    expect((await who.ask('GET', BOAT)).status).toBe(200)
    await ended('Late')
    expect((await who.ask('GET', BOAT)).status).toBe(401)
    expect((await opened(path)).a.status).toBe(404)
    const links = await manager.ask<ShownLink[]>('GET', `${BOAT}/links`)
    expect(links.body.find((l) => l.forWhom === 'Late')).toMatchObject({ state: 'over' })
  })
  it('is withdrawn at once, for good', async () => {
    const { path, links } = (await make('Gone')).body
    const { who } = await opened(path)
    const gone = await manager.ask<ShownLink[]>('DELETE', `${BOAT}/links/${links[0]!.id}`)
    expect(gone.body[0]).toMatchObject({ forWhom: 'Gone', state: 'withdrawn' })
    expect((await who.ask('GET', BOAT)).status).toBe(401)
    expect((await opened(path)).a.status).toBe(404)
    const elsewhere = await manager.ask('DELETE', `/api/boats/tarn-runner/links/${links[0]!.id}`)
    expect(elsewhere.status).toBe(404)
  })
  it.each([
    ['a day that is over', day(-1), 'until', 'That day is over already'],
    ['more than a year', day(400), 'until', 'A link is good for a year at most; make another one then'],
  ])('is not made for %s', async (_what, until, path, message) => {
    const a = await make('Nobody', until)
    expect([a.status, a.body.error.path, a.body.error.message]).toEqual([400, path, message])
  })
  it('is made by the manager alone, and its reader is no person whose role is changed', async () => {
    const fitter = await new Someone(app.base).signIn('fitter')
    expect((await make('Anyone', day(3), fitter)).status).toBe(403)
    const { account } = (
      await (
        await opened((await make('Reader')).body.path)
      ).who.ask<{ account: { id: number; login: string } }>('GET', '/api/session')
    ).body
    const raised = await manager.ask('PUT', `/api/people/${account.id}`, { role: 'manager' })
    const named = await manager.ask('PUT', `${BOAT}/people/${account.login}`, { role: 'fitter' })
    expect([raised.status, named.status]).toEqual([404, 404])
    const { people } = (await manager.ask<{ people: { login: string }[] }>('GET', '/api/people')).body
    expect(people.filter((p) => p.login.startsWith('link-'))).toEqual([])
  })
  it('stands in no log', async () => {
    const secret = secretOf((await make('Logged')).body.path)
    expect((await new Someone(app.base).ask('GET', `/api/session/link/${secret}`)).status).toBe(200)
    const all = () => log.join('')
    await expect.poll(all).toContain('/link/[secret]')
    expect(all()).not.toContain(secret)
  })
  it('does not open by a guess', async () => {
    expect((await opened('/look/aaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaa')).a.status).toBe(404)
    expect((await opened('/look/x')).a.status).toBe(400)
  })
})
