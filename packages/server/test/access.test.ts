import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Someone, startApp, hullsOf, deckOf } from './harness'

/** What an owner and an apprentice leave as it is; who may read and write what is in who-sees. */
let app: Awaited<ReturnType<typeof startApp>>
const who = {} as Record<'owner' | 'apprentice' | 'fitter', Someone>
let mine: Ids
let others: Ids
interface Ids {
  boat: string
  fitting: string
  throughHull: string
  hole: number
  zone: number
}
beforeAll(async () => {
  app = await startApp('access')
  for (const r of ['owner', 'apprentice', 'fitter'] as const) who[r] = await new Someone(app.base).signIn(r)
  const ids = async (boat: string): Promise<Ids> => {
    const b = (
      await who.fitter.ask<{
        fittings: { id: string }[]
        zones: { id: number }[]
      }>('GET', `/api/boats/${boat}`)
    ).body
    const hole = (
      await who.fitter.ask<{ id: number }>('POST', `/api/boats/${boat}/penetrations`, {
        foundKind: 'open hole',
        diameterMm: 8,
        xMm: 2000,
        yMm: 0,
      })
    ).body.id
    return {
      boat,
      fitting: deckOf(b)[0]!.id,
      throughHull: hullsOf(b)[0]!.id,
      hole,
      zone: b.zones[0]!.id,
    }
  }
  mine = await ids('fulmars-reach')
  others = await ids('tarn-runner')
}, 240_000)
afterAll(() => app.stop())

/** Open to everybody, signed in or not. */
const PUBLIC = [
  'GET /session',
  'POST /session',
  'POST /session/demo',
  'POST /session/first',
  'DELETE /session',
  'GET /session/join/:secret',
  'POST /session/join',
  'GET /session/link/:secret',
  'POST /session/link',
  'GET /today',
  'GET /health',
  'GET /ready',
  'GET /calc',
  'POST /calc/:name',
  // its secret is in its address
  'GET /feeds/:secret.ics',
]
/** Of one's own account, whoever one is. */
const OWN = ['DELETE /sessions', 'PUT /session/password', 'POST /boats/:id/passport/tasks']
const at = (route: string, i: Ids) => {
  const [method, path] = route.split(' ') as [string, string]
  const id = /\/through-hulls\/:id/.test(path)
    ? i.throughHull
    : /\/fittings\/:id/.test(path)
      ? i.fitting
      : /\/penetrations\/:id/.test(path)
        ? i.hole
        : /\/boats\/:id/.test(path)
          ? i.boat
          : 1
  return {
    method,
    path: `/api${path
      .replace(':id', String(id))
      .replace(':zone', String(i.zone))
      .replace(/:(part|reading|job)/, '1')
      .replace(':step', 'must')
      .replace(':name', 'line-strength')
      .replace(':kind', path.includes('stream') ? 'hygrometer' : 'csv')
      .replace(':size', 'small')}${path.includes('stream') ? '?count=1&everyMs=5' : ''}`,
  }
}
const ask = (by: Someone, route: string, i: Ids) => {
  const { method, path } = at(route, i)
  return by.ask(method, path, method === 'GET' ? undefined : {})
}

describe('an owner', () => {
  it('writes nothing at all', async () => {
    for (const route of app.routes.filter(
      (r) => !r.startsWith('GET') && !PUBLIC.includes(r) && !OWN.includes(r),
    ))
      for (const boat of [mine, others]) {
        const a = await ask(who.owner, route, boat)
        expect([route, [400, 403, 404, 415].includes(a.status)]).toEqual([route, true])
      }
    const after = (await who.fitter.ask<{ fittings: { kind: string }[] }>('GET', `/api/boats/${mine.boat}`))
      .body
    expect([deckOf(after).length, hullsOf(after).length]).toEqual([14, 8])
  }, 240_000)
})

describe('an apprentice', () => {
  it.each([
    ['POST', '/api/boats'],
    ['PUT', '/api/boats/fulmars-reach'],
    ['DELETE', '/api/boats/fulmars-reach'],
    ['PUT', '/api/boats/fulmars-reach/stations'],
    ['POST', '/api/boats/fulmars-reach/zones'],
    ['POST', '/api/boats/fulmars-reach/structure'],
    ['POST', '/api/boats/import'],
    ['PUT', '/api/hardware'],
    ['POST', '/api/hardware/import'],
    ['DELETE', '/api/hardware/x'],
    ['PUT', '/api/goods'],
    ['POST', '/api/goods/import'],
    ['PUT', '/api/yard-values'],
    ['DELETE', '/api/yard-values'],
    ['PUT', '/api/habits'],
    ['POST', '/api/lots/1/test'],
    ['PUT', '/api/boats/fulmars-reach/people/owner'],
  ])('does not: %s %s', async (method, path) => {
    expect((await who.apprentice.ask(method, path, {})).status).toBe(403)
  })
})
