import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { ACTS, NAMED_ROLES, ROLES, mayDo, type Act, type Role } from '@north-tide/core'
import { Someone, startApp, deckOf, hullsOf } from './harness'
import { ROUTE_ACTS } from './route-acts'

/** Every route by every role, on a boat of his own and on another: what the table says, and no more. */
let app: Awaited<ReturnType<typeof startApp>>
const who = new Map<Role, Someone>()
interface Ids {
  boat: string
  fitting: string
  hole: number
  zone: number
}
let mine: Ids
let others: Ids
beforeAll(async () => {
  app = await startApp('who_sees')
  for (const r of NAMED_ROLES) who.set(r, await new Someone(app.base).signIn(r))
  const until = new Date(Date.now() + 864e5).toISOString().slice(0, 10)
  const link = { forWhom: 'Reader', until }
  const made = await who.get('manager')!.ask<{ path: string }>('POST', '/api/boats/fulmars-reach/links', link)
  const reader = new Someone(app.base)
  const secret = made.body.path.split('/').at(-1)
  expect((await reader.ask('POST', '/api/session/link', { secret })).status).toBe(201)
  who.set('reader', reader)
  const fitter = who.get('fitter')!
  const idsOf = async (boat: string): Promise<Ids> => {
    const b = (
      await fitter.ask<{ fittings: { id: string; kind: string }[]; zones: { id: number }[] }>(
        'GET',
        `/api/boats/${boat}`,
      )
    ).body
    const found = { foundKind: 'open hole', diameterMm: 8, xMm: 2000, yMm: 0 }
    const hole = (await fitter.ask<{ id: number }>('POST', `/api/boats/${boat}/penetrations`, found)).body.id
    return { boat, fitting: (deckOf(b)[0] ?? hullsOf(b)[0])!.id, hole, zone: b.zones[0]!.id }
  }
  mine = await idsOf('fulmars-reach')
  others = await idsOf('tarn-runner')
}, 240_000)
afterAll(() => app.stop())

const OF_A_BOAT = /^\w+ \/(boats\/:id|fittings\/:id|penetrations\/:id)/
/** Fittings have many routes by what is asked of them; they are read or worked on. */
function actOf(route: string): string | undefined {
  const named = ROUTE_ACTS.get(route)
  if (named) return named
  if (/^GET \/fittings\/:id/.test(route)) return 'read'
  if (/^\w+ \/(boats\/:id\/)?fittings/.test(route)) return 'work'
  return undefined
}
function addressOf(route: string, i: Ids): [string, string] {
  const [method, path] = route.split(' ') as [string, string]
  const id = path.startsWith('/fittings') ? i.fitting : path.startsWith('/penetrations') ? i.hole : i.boat
  const filled = path
    .replace(
      ':id',
      String(path.startsWith('/boats') || /^\/(fittings|penetrations)/.test(path) ? id : 999_999),
    )
    .replace(':zone', String(i.zone))
    .replace(':name', 'line-strength')
    .replace(':kind', path.includes('stream') ? 'hygrometer' : 'csv')
    .replace(/:\w+/g, '999999')
  return [method, `/api${filled}${path.includes('stream') ? '?count=1&everyMs=5' : ''}`]
}
/** What may be answered to whoever may not: refused, or not even looked at. */
const SHUT = [400, 403, 404, 415]
/** These end what they are asked with, or wait for more than an answer. */
const SKIPPED = ['DELETE /session', 'DELETE /sessions', 'POST /session/demo', 'DELETE /boats/:id']

describe('every route', () => {
  it('is named in the table, and the table names none that is not there', () => {
    const unnamed = app.routes.filter((r) => actOf(r) === undefined)
    expect(unnamed).toEqual([])
    expect([...ROUTE_ACTS.keys()].filter((r) => !app.routes.includes(r))).toEqual([])
    const acts = new Set<string>(Object.keys(ACTS))
    for (const a of ROUTE_ACTS.values()) expect(acts.has(a) || ['public', 'in', 'own'].includes(a)).toBe(true)
  })
  // Those who may least come first: what the others do with an empty body changes the boat.
  it.each([...ROLES].reverse())(
    'answers a %s as the table says, on his boat and on another',
    async (role) => {
      const by = who.get(role)!
      const boats = ['owner', 'surveyor', 'reader'].includes(role) ? { 'fulmars-reach': role } : {}
      const person = { role, boats: boats as Record<string, Role> }
      const wrong: string[] = []
      for (const route of app.routes.filter((r) => !SKIPPED.includes(r))) {
        const act = actOf(route)!
        for (const i of OF_A_BOAT.test(route) ? [mine, others] : [mine]) {
          const [method, address] = addressOf(route, i)
          const a = await by.ask(method, address, method === 'GET' ? undefined : {})
          const open = ['public', 'in', 'own'].includes(act)
          const may = open || mayDo(person, act as Act, OF_A_BOAT.test(route) ? i.boat : undefined)
          // Of what is named by a number of its own the boat is not known before it is found.
          const fine = may ? a.status !== 403 && a.status !== 401 : SHUT.includes(a.status)
          const read = method !== 'GET' || may || !OF_A_BOAT.test(route) || a.status === 403
          if (!fine || !read)
            wrong.push(`${route} ${i.boat}: ${a.status}, ${may ? 'may' : 'may not'} (${act})`)
        }
      }
      expect(wrong).toEqual([])
    },
    120_000,
  )
  it('is shut to whoever is signed out, but for what the table calls public', async () => {
    const nobody = new Someone(app.base)
    for (const route of app.routes.filter((r) => !SKIPPED.includes(r))) {
      const [method, address] = addressOf(route, mine)
      const a = await nobody.ask(method, address, method === 'GET' ? undefined : {})
      const out = a.status === 401 && a.body.error.code === 'signed-out'
      expect([route, out]).toEqual([route, actOf(route) !== 'public'])
    }
  }, 240_000)
})
