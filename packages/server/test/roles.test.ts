import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Someone, startApp } from './harness'

/** A surveyor named for a boat, an oval hole that lies some way, a day of launch, stores that are counted. */
let app: Awaited<ReturnType<typeof startApp>>
const who = {} as Record<'manager' | 'fitter' | 'surveyor' | 'owner', Someone>
const F = '/api/boats/fulmars-reach'
beforeAll(async () => {
  app = await startApp('roles')
  for (const r of ['manager', 'fitter', 'surveyor', 'owner'] as const)
    who[r] = await new Someone(app.base).signIn(r)
}, 240_000)
afterAll(() => app.stop())

interface Row {
  id: number
  state: string
  directionDeg: number | null
}
const found = (by: Someone, over: object = {}) =>
  by.ask<Row>('POST', `${F}/penetrations`, {
    foundKind: 'oval hole',
    diameterMm: 12,
    acrossMm: 14.5,
    xMm: 9300,
    yMm: -900,
    ...over,
  })

describe('a surveyor', () => {
  it('sees the boats he is named for and no other, and not the stores', async () => {
    const boats = (await who.surveyor.ask<{ id: string }[]>('GET', '/api/boats')).body
    expect(boats.map((b) => b.id)).toEqual(['fulmars-reach'])
    expect((await who.surveyor.ask('GET', '/api/boats/pipit')).status).toBe(403)
    expect((await who.surveyor.ask('GET', '/api/lots')).status).toBe(403)
  })
  it('records what he finds and says what is suspect, but drills and places nothing', async () => {
    const hole = (await found(who.fitter, { state: 'closed', note: 'bevel 12:1, six plies' })).body
    const at = `/api/penetrations/${hole.id}/events`
    const suspect = await who.surveyor.ask<Row>('POST', at, { state: 'suspect', note: 'a brown line' })
    expect([suspect.status, suspect.body.state]).toEqual([201, 'suspect'])
    expect((await who.surveyor.ask('POST', at, { state: 'closed', evidence: 'faired' })).status).toBe(403)
    expect((await found(who.surveyor)).status).toBe(201)
    const placed = await who.surveyor.ask('POST', `${F}/fittings`, {
      catalogueId: 'HG-C250',
      xMm: 9000,
      yMm: 500,
    })
    expect([placed.status, placed.body.error.message]).toEqual([
      403,
      'Only the yard records work: an owner reads, a surveyor measures and says what is suspect',
    ])
  })
  it('is named for another boat by the manager alone, at once, and may be taken off again', async () => {
    const name = (role: string | null, by: Someone) =>
      by.ask<{ login: string; here: string | null; counts: string | null }[]>(
        'PUT',
        '/api/boats/pipit/people/surveyor',
        { role },
      )
    expect((await name('surveyor', who.fitter)).status).toBe(403)
    const told = (await name('surveyor', who.manager)).body
    expect(told.find((p) => p.login === 'surveyor')).toMatchObject({ here: 'surveyor', counts: 'surveyor' })
    expect(told.find((p) => p.login === 'fitter')).toMatchObject({ here: null, counts: 'fitter' })
    expect((await who.surveyor.ask('GET', '/api/boats/pipit')).status).toBe(200)
    await name(null, who.manager)
    expect((await who.surveyor.ask('GET', '/api/boats/pipit')).status).toBe(403)
    expect((await name('admiral', who.manager)).body.error.path).toBe('role')
    const nobody = await who.manager.ask('PUT', '/api/boats/pipit/people/nobody', { role: 'owner' })
    expect(nobody.status).toBe(404)
  })
  it('an owner of one boat may be a surveyor of another', async () => {
    await who.manager.ask('PUT', '/api/boats/tarn-runner/people/owner', { role: 'surveyor' })
    const boats = (await who.owner.ask<{ id: string }[]>('GET', '/api/boats')).body
    expect(boats.map((b) => b.id).sort()).toEqual(['fulmars-reach', 'tarn-runner'])
    expect((await found(who.owner)).status).toBe(403)
    const there = await who.owner.ask('POST', '/api/boats/tarn-runner/penetrations', {
      foundKind: 'open hole',
      diameterMm: 8,
      xMm: 3000,
      yMm: 0,
    })
    expect(there.status).toBe(201)
  })
})

describe('what is kept as figures', () => {
  it('an oval hole lies some way, in the register, its file and the boat\u2019s; a round one does not', async () => {
    const oval = (await found(who.fitter, { xMm: 9400, directionDeg: -30 })).body
    expect(oval.directionDeg).toBe(-30)
    expect((await who.fitter.ask<Row>('GET', `/api/penetrations/${oval.id}`)).body.directionDeg).toBe(-30)
    const csv = (await who.fitter.ask('GET', `${F}/register.csv`)).text.split('\n')
    expect(csv.find((l) => l.includes('directionDeg'))).toContain('acrossMm,directionDeg')
    const round = await found(who.fitter, { xMm: 9500, acrossMm: null, directionDeg: 10 })
    expect([round.status, round.body.error.path]).toEqual([400, 'directionDeg'])
  })
  it('the day of launch is kept with the boat and goes into her file', async () => {
    const was = (await who.fitter.ask<Record<string, unknown>>('GET', F)).body
    const keep = (launchOn: string | null) =>
      who.fitter.ask<{ launchOn: string | null }>('PUT', F, {
        ...Object.fromEntries(
          [
            ...['name', 'kind', 'lengthMm', 'beamMm', 'displacementKg', 'duty', 'units'],
            ...['hullKind', 'hullMaterial', 'note', 'version'],
          ].map((k) => [k, was[k]]),
        ),
        launchOn,
      })
    expect((await keep('2027-02-30')).body.error.path).toBe('launchOn')
    expect((await keep('2027-06-05')).body.launchOn).toBe('2027-06-05')
    const file = JSON.parse((await who.fitter.ask('GET', `${F}/boat.json`)).text) as {
      boat: { launchOn: string }
    }
    expect(file.boat.launchOn).toBe('2027-06-05')
  })
  it('lots have a quantity and a unit', async () => {
    const lots = (
      await who.fitter.ask<{ code: string; quantity: number; unit: string }[]>('GET', '/api/lots')
    ).body
    expect(lots.find((l) => l.code === 'TC-B20-114')).toMatchObject({ quantity: 11, unit: 'm' })
  })
})

describe('a role on a boat with a last day', () => {
  interface Named {
    login: string
    here: string | null
    until: string | null
  }
  const give = (until: string | null) =>
    who.manager.ask<Named[]>('PUT', '/api/boats/pipit/people/surveyor', { role: 'surveyor', until })
  const reads = async () => (await who.surveyor.ask('GET', '/api/boats/pipit')).status
  const day = (n: number) => new Date(Date.now() + n * 86_400_000).toISOString().slice(0, 10)
  it('counts to the end of that day and no longer, and says when it ended', async () => {
    expect(await reads()).toBe(403)
    const open = (await give(null)).body.find((p) => p.login === 'surveyor')!
    expect([open.here, open.until, await reads()]).toEqual(['surveyor', null, 200])
    expect((await give(day(1))).body.find((p) => p.login === 'surveyor')!.until).toBe(day(1))
    expect(await reads()).toBe(200)
    const over = (await give(day(-2))).body.find((p) => p.login === 'surveyor')!
    expect([over.here, over.until, await reads()]).toEqual([null, day(-2), 403])
    expect((await give('soon')).body).toMatchObject({ error: { path: 'until' } })
  })
})
