import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { QueryTypes } from 'sequelize'
import { startYard, type Yard } from './harness'

/** A form that is sent again because no answer came: done once, answered as the first time. */
let app: Yard['app']
let fitter: Yard['fitter']
let apprentice: Yard['apprentice']
beforeAll(async () => {
  ;({ app, fitter, apprentice } = await startYard('sent_once'))
})
afterAll(() => app.stop())

const AT = '/api/boats/fulmars-reach/penetrations'
const hole = (xMm: number) => ({
  foundKind: 'old fastener',
  whatFor: '',
  diameterMm: 6,
  state: 'suspect',
  note: '',
  xMm,
  yMm: 300,
})
const send = (who: Yard['fitter'], key: string, body: object) =>
  who.ask<{ id: number; error: { code: string } }>('POST', AT, body, undefined, key)
const holesAt = async (xMm: number) =>
  (
    await app.db.query<{ n: number }>('SELECT count(*)::int AS n FROM penetrations WHERE x_mm = :xMm', {
      replacements: { xMm },
      type: QueryTypes.SELECT,
    })
  )[0]!.n

describe('what is sent twice', () => {
  it('is kept once, and answered alike', async () => {
    const first = await send(fitter, 'key-of-one-hole', hole(4011))
    const again = await send(fitter, 'key-of-one-hole', hole(4011))
    expect([first.status, again.status]).toEqual([201, 201])
    expect(again.body).toEqual(first.body)
    expect(await holesAt(4011)).toBe(1)
  })
  it('is kept before it is answered, however slow the keeping is', async () => {
    const real = app.db.query.bind(app.db) as (sql: string, ...a: unknown[]) => Promise<unknown>
    const slow = vi.spyOn(app.db, 'query').mockImplementation((async (sql: string, ...rest: unknown[]) => {
      if (/^(UPDATE|DELETE FROM) sent_once .*key = :key/.test(sql)) await real('SELECT pg_sleep(0.2)')
      return real(sql, ...rest)
    }) as never)
    const first = await send(fitter, 'key-kept-slowly', hole(4501))
    const refused = await send(fitter, 'key-let-go-slowly', { ...hole(4502), diameterMm: -1 })
    slow.mockRestore()
    const kept = await app.db.query<{ key: string; status: number }>(
      "SELECT key, status FROM sent_once WHERE key IN ('key-kept-slowly', 'key-let-go-slowly')",
      { type: QueryTypes.SELECT },
    )
    expect([first.status, refused.status]).toEqual([201, 400])
    expect(kept).toEqual([{ key: 'key-kept-slowly', status: 201 }])
  })
  it('at the same moment, too: nobody is answered with a second hole', async () => {
    const both = await Promise.all([1, 2, 3, 4].map(() => send(fitter, 'key-at-once', hole(4022))))
    expect(both.map((b) => b.status).every((s) => s === 201 || s === 409)).toBe(true)
    expect(both.filter((b) => b.status === 409).every((b) => b.body.error.code === 'still-at-it')).toBe(true)
    expect(await holesAt(4022)).toBe(1)
  })
  it('a key stands for one thing, of one account', async () => {
    await send(fitter, 'key-of-mine', hole(4033))
    expect((await send(fitter, 'key-of-mine', hole(4034))).status).toBe(400)
    expect((await send(apprentice, 'key-of-mine', hole(4035))).status).toBe(201)
    expect(await holesAt(4034)).toBe(0)
  })
  it('what was refused can be mended and sent under the same key', async () => {
    expect((await send(fitter, 'key-refused', { ...hole(4044), diameterMm: -1 })).status).toBe(400)
    expect((await send(fitter, 'key-refused', hole(4044))).status).toBe(201)
  })
  it('a key that is none is refused, and without one each is a hole of its own', async () => {
    expect((await send(fitter, 'x', hole(4055))).status).toBe(400)
    await fitter.ask('POST', AT, hole(4066))
    await fitter.ask('POST', AT, hole(4066))
    expect(await holesAt(4066)).toBe(2)
  })
  it('where the server stopped in the middle it says so, and does not guess', async () => {
    const first = await send(fitter, 'key-stopped', hole(4077))
    expect(first.status).toBe(201)
    await app.db.query(
      "UPDATE sent_once SET status = NULL, at = now() - interval '2 minutes' WHERE key = 'key-stopped'",
    )
    const again = await send(fitter, 'key-stopped', hole(4077))
    expect([again.status, again.body.error.code]).toEqual([409, 'unknown-outcome'])
    expect(await holesAt(4077)).toBe(1)
  })
})

describe('what was done without a line and sent later', () => {
  const HOUR = 3_600_000
  async function looked(madeAt: string, body: object = { kind: 'look', note: 'dry' }) {
    const boat = (await fitter.ask<{ fittings: { id: string }[] }>('GET', '/api/boats/fulmars-reach')).body
    const id = boat.fittings[0]!.id
    const r = await fetch(`${app.base}/api/fittings/${id}/log`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie: fitter.cookie, 'Made-At': madeAt },
      body: JSON.stringify(body),
    })
    const log = (await fitter.ask<{ log: { at: string }[] }>('GET', `/api/fittings/${id}`)).body.log
    return { status: r.status, last: Date.parse(log.at(-1)!.at) }
  }
  it('stands on record at the time at which it was done', async () => {
    const at = Date.now() - 3 * HOUR
    expect(await looked(new Date(at).toISOString())).toEqual({ status: 201, last: at })
  })
  it('a clock that goes fast puts nothing into the future', async () => {
    const { status, last } = await looked(new Date(Date.now() + HOUR).toISOString())
    expect(status).toBe(201)
    expect(Math.abs(last - Date.now())).toBeLessThan(60_000)
  })
  it('a time of its own in the body counts before it', async () => {
    const at = new Date(Date.now() - HOUR).toISOString()
    const { last } = await looked(new Date(Date.now() - 2 * HOUR).toISOString(), {
      kind: 'look',
      note: 'dry',
      at,
    })
    expect(new Date(last).toISOString()).toBe(at)
  })
  it('a time that is none is refused', async () => {
    expect((await looked('noon')).status).toBe(400)
  })
})
it('what is answered is kept by no proxy and no browser', async () => {
  const r = await fetch(`${app.base}/api/boats/fulmars-reach`, { headers: { cookie: fitter.cookie } })
  expect(r.headers.get('cache-control')).toBe('no-store')
})
