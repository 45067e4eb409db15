import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Followed } from '@north-tide/core'
import type { ShownFlood } from '../src/services/floods'
import type { ShownLeak, Traced } from '../src/services/leaks'
import { Someone, startYard, type Yard } from './harness'

/** What is looked for and proved: drips with their tests, floods, and series of readings. */
let app: Yard['app']
let fitter: Someone
let owner: Someone
let surveyor: Someone
const B = '/api/boats/fulmars-reach'
beforeAll(async () => {
  ;({ app, fitter, owner } = await startYard('the_looks'))
  surveyor = await new Someone(app.base).signIn('surveyor')
}, 240_000)
afterAll(() => app.stop())
interface Holes {
  id: number
  label: string
  fittingId: string | null
  fittingKind: string | null
  state: string
}
const holes = async () => (await fitter.ask<Holes[]>('GET', `${B}/penetrations`)).body
const trends = async () => (await fitter.ask<{ series: Followed[] }>('GET', `${B}/trends`)).body.series

describe('a drip', () => {
  const body = { whereSeen: 'over the bunk', when: 'rain', xMm: 9000, yMm: 1200, zMm: 1000 }
  it('of the demo is traced to a stanchion in three tests, and turns it suspect', async () => {
    const [l] = (await fitter.ask<{ leaks: ShownLeak[] }>('GET', `${B}/leaks`)).body.leaks
    expect(l).toMatchObject({ whereSeen: 'On the chart table', state: 'open' })
    let t = (await fitter.ask<Traced>('GET', `/api/leaks/${l!.id}`)).body
    const stanchion = t.traced!.ranked.find((r) => /stanchion 3/i.test(r.name))!
    const other = t.traced!.ranked.filter((r) => r.id !== stanchion.id && r.id !== 'elsewhere').slice(0, 2)
    const send = async (on: string[], wet: boolean) => {
      const r = await fitter.ask<Traced>('POST', `/api/leaks/${l!.id}/tests`, {
        kind: 'hose',
        on,
        minutes: 20,
        wet,
      })
      expect(r.status).toBe(201)
      t = r.body
    }
    for (const o of other) await send([o.id], false)
    await send([stanchion.id], true)
    expect(t.traced).toMatchObject({ state: 'found', found: stanchion.id })
    expect(t.drawing!.description).toContain(stanchion.name)
    const end = { version: t.leak.version, as: 'found', causeId: stanchion.id, why: 'the bead is broken aft' }
    expect((await owner.ask('POST', `/api/leaks/${l!.id}/end`, end)).status).toBe(403)
    const both = await Promise.all(
      [1, 2].map(() => fitter.ask<Traced>('POST', `/api/leaks/${l!.id}/end`, end)),
    )
    expect(both.map((b) => b.status).sort()).toEqual([200, 409])
    const over = both.find((b) => b.status === 200)!.body
    expect(over.leak).toMatchObject({ state: 'found', cause: `${stanchion.name}: the bead is broken aft` })
    const own = (await holes()).filter((h) => h.fittingId === stanchion.id && h.state !== 'marked')
    expect(own.length).toBeGreaterThan(0)
    expect(own.every((h) => h.state === 'suspect')).toBe(true)
    const late = await fitter.ask('POST', `/api/leaks/${l!.id}/tests`, {
      kind: 'hose',
      on: [stanchion.id],
      minutes: 5,
      wet: false,
    })
    expect([late.status, late.body.error.code]).toEqual([409, 'over'])
  })
  it('a test made by mistake is taken back and counts no more; both stay on record', async () => {
    const l = (await fitter.ask<ShownLeak>('POST', `${B}/leaks`, body)).body
    const first = (await fitter.ask<Traced>('GET', `/api/leaks/${l.id}`)).body
    const id = first.traced!.ranked.find((r) => r.id !== 'elsewhere')!.id
    const made = (
      await fitter.ask<Traced>('POST', `/api/leaks/${l.id}/tests`, {
        kind: 'dye',
        on: [id],
        minutes: 9,
        wet: true,
      })
    ).body
    const p = (t: Traced) => t.traced!.ranked.find((r) => r.id === id)!.probability
    expect(p(made)).toBeGreaterThan(p(first))
    const back = await fitter.ask<Traced>('POST', `/api/leaks/${l.id}/tests/${made.tests[0]!.id}/withdraw`, {
      why: 'the other one',
    })
    expect(p(back.body)).toBeCloseTo(p(first), 12)
    expect(back.body.tests[0]!.withdrawnWhy).toContain('the other one')
    expect((await fitter.ask('POST', `/api/leaks/${l.id}/tests/999999/withdraw`, { why: 'x' })).status).toBe(
      404,
    )
    const left = await fitter.ask<Traced>('POST', `/api/leaks/${l.id}/end`, {
      version: 1,
      as: 'left',
      causeId: null,
      why: 'sold',
    })
    expect(left.body.leak.state).toBe('left')
  })
  it.each([
    [{ ...body, when: 'sometimes' }, 400, 'when'],
    [{ ...body, whereSeen: ' ' }, 400, 'whereSeen'],
    [{ ...body, heelDeg: 80 }, 400, 'heelDeg'],
  ])('%j is refused', async (b, status, path) => {
    const r = await fitter.ask('POST', `${B}/leaks`, b)
    expect([r.status, r.body.error.path]).toEqual([status, path])
  })
  it.each([
    [{ kind: 'hose', on: ['nothing'], minutes: 5, wet: false }, 'on.0'],
    [{ kind: 'hose', on: [], minutes: 5, wet: false }, 'on'],
    [{ kind: 'hose', on: ['x'], minutes: 0, wet: false }, 'minutes'],
  ])('a test as %j is refused at %s', async (b, path) => {
    const l = (await fitter.ask<ShownLeak>('POST', `${B}/leaks`, body)).body
    const r = await fitter.ask('POST', `/api/leaks/${l.id}/tests`, b)
    expect([r.status, r.body.error.path]).toEqual([400, path])
  })
  it('a surveyor and an owner read the search and write nothing of it', async () => {
    expect((await owner.ask('GET', `${B}/leaks`)).status).toBe(200)
    expect((await surveyor.ask('POST', `${B}/leaks`, body)).status).toBe(403)
    expect((await fitter.ask('GET', '/api/leaks/999999')).status).toBe(404)
  })
})

describe('a flood', () => {
  const readings = [0, 30, 60, 90, 120].map((minute) => ({ minute, levelMm: 200 - minute * 0.02 }))
  it('is kept with what it can tell', async () => {
    const ask = { way: 'loses', areaM2: 1.2, readings }
    const r = await fitter.ask<ShownFlood & { answer: { verdict: string } }>('POST', `${B}/floods`, {
      what: 'cockpit',
      ask,
    })
    expect(r.status).toBe(201)
    expect(r.body.answer.verdict).toMatch(/holds|short|unproven/)
    const all = (await owner.ask<{ floods: ShownFlood[] }>('GET', `${B}/floods`)).body.floods
    expect(all[0]).toMatchObject({ what: 'cockpit', answer: r.body.answer })
  })
  it.each([
    [{ way: 'loses', readings }, 'ask.areaM2'],
    [{ way: 'loses', areaM2: 1, readings: readings.slice(0, 1) }, 'ask.readings'],
    [null, 'ask'],
  ])('%j is refused at %s', async (ask, path) => {
    const r = await fitter.ask('POST', `${B}/floods`, { what: 'cockpit', ask })
    expect([r.status, r.body.error.path]).toEqual([400, path])
  })
})

describe('series of readings', () => {
  it('of three years have their line and say what is suspect first', async () => {
    const all = await trends()
    expect(all.length).toBeGreaterThan(4)
    const kinds = new Set(all.map((s) => s.kind))
    for (const k of ['creep', 'resistance', 'anode', 'moisture'] as const) expect(kinds).toContain(k)
    expect(all.findIndex((s) => !s.suspect)).toBeGreaterThan(0)
    expect(all.slice(all.findIndex((s) => !s.suspect)).some((s) => s.suspect)).toBe(false)
    expect(all.find((s) => s.kind === 'creep')).toMatchObject({ suspect: true })
  })
  it('a bond path that rises for the third time turns its holes suspect as it is read', async () => {
    const p = (await holes()).find((h) => h.fittingId && !['marked', 'suspect', 'closed'].includes(h.state))!
    const own = async () => (await holes()).filter((h) => h.fittingId === p.fittingId)
    const read = async (value: number, daysAgo: number) => {
      const at = new Date(Date.now() - daysAgo * 86_400_000).toISOString()
      const r = await fitter.ask('POST', `/api/fittings/${p.fittingId}/log`, { kind: 'bond', value, at })
      expect(r.status).toBe(201)
    }
    await read(0.02, 700)
    await read(0.03, 350)
    expect((await own()).some((h) => h.state === 'suspect')).toBe(false)
    await read(0.05, 2)
    expect((await own()).every((h) => h.state === 'suspect' || h.state === 'closed')).toBe(true)
    const s = (await trends()).find((x) => x.kind === 'resistance' && x.at.id === p.fittingId)!
    expect(s.suspect).toBe(true)
    expect(s.turned).toContain('worse at each of the last three looks')
  })
  it('gap, thickness and torque are read at a fitting, each a series of its own, shown at the thing itself', async () => {
    const p = (await holes()).find((h) => h.fittingId && h.state === 'in-service')!
    const read = (what: string, value: number, daysAgo: number) =>
      fitter.ask<{ error: { path: string } }>('POST', `/api/fittings/${p.fittingId}/log`, {
        kind: 'look',
        note: 'read',
        read: { what, value },
        at: new Date(Date.now() - daysAgo * 86_400_000).toISOString(),
      })
    expect((await read('colour', 1, 1)).body.error.path).toBe('read.what')
    expect((await read('gap', -1, 1)).body.error.path).toBe('read.value')
    for (const [v, ago] of [
      [100, 900],
      [96, 600],
      [97, 300],
      [92, 3],
    ] as const)
      expect((await read('torque', v, ago)).status).toBe(201)
    await read('thickness', 6.1, 2)
    const at = `?at=${encodeURIComponent(`${p.fittingId},hole 0`)}`
    const mine = (await fitter.ask<{ series: Followed[] }>('GET', `${B}/trends${at}`)).body.series
    expect(mine.every((s) => s.at.id === p.fittingId)).toBe(true)
    const torque = mine.find((s) => s.kind === 'torque')!
    expect(torque.points.map((x) => x.value)).toEqual([100, 96, 97, 92])
    expect(torque).toMatchObject({ unit: '%', limit: 70 })
    const [a, b] = torque.band!
    expect(a.to.value).not.toBe(b.to.value)
    expect(Math.min(a.to.value, b.to.value)).toBeLessThanOrEqual(torque.line!.to.value)
    expect(Math.max(a.to.value, b.to.value)).toBeGreaterThanOrEqual(torque.line!.to.value)
    expect(mine.find((s) => s.kind === 'thickness')!.points).toHaveLength(1)
  })
  it('moisture that rises for the third time turns its hole suspect', async () => {
    const hole = (await holes()).find((h) => h.label === 'P-002')! as Holes & {
      xMm: number
      yMm: number
      zoneCode: string
    }
    for (const value of [30, 33, 37])
      await fitter.ask('POST', `${B}/readings`, {
        kind: 'moisture',
        zone: hole.zoneCode,
        xMm: hole.xMm,
        yMm: hole.yMm,
        value,
        scaleMost: 100,
        dryReference: 28,
        instrument: 'pin meter',
        takenAt: new Date(Date.now() - (40 - value) * 86_400_000).toISOString(),
      })
    expect((await holes()).find((h) => h.id === hole.id)!.state).toBe('suspect')
  })
})
