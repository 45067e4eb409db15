import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { WatchList } from '@north-tide/core'
import { startYard, type Someone, type Yard } from './harness'

/** A chainplate that moves: its hole turns suspect, its twin is named, and it comes back by proof alone. */
let app: Yard['app']
let fitter: Someone
interface Rig {
  id: string
  name: string
  version: number
  verdict: string
  design: Record<string, unknown> & { place: { zone: string | null; yMm: number } }
  holes: { id: number; label: string; state: string }[]
}
interface Listed {
  id: string
  name: string
  alarm?: string | null
  temporary?: { until: string } | null
}
const P = '/api/boats/pipit'
beforeAll(async () => {
  ;({ app, fitter } = await startYard('rig'))
}, 240_000)
afterAll(() => app.stop())
const read = async (id: string) => (await fitter.ask<Rig>('GET', `/api/fittings/${id}`)).body
const change = async (id: string, values: Record<string, unknown>) => {
  const { version, design } = await read(id)
  return fitter.ask<Rig>('PUT', `/api/fittings/${id}`, { version, design: { ...design, ...values } })
}
const watch = async () => (await fitter.ask<WatchList>('GET', `${P}/watch`)).body.rows
const onBoat = async (id: string) =>
  (await fitter.ask<{ fittings: Listed[] }>('GET', P)).body.fittings.find((f) => f.id === id)!
const CREEP = [
  { date: '2024-04-20', heightMm: 0.4 },
  { date: '2025-04-18', heightMm: 1.3 },
]

describe('a chainplate that moves', () => {
  let port: string
  let twin: string
  it('is placed with its twin on the deck of the other side', async () => {
    const made = await fitter.ask<Rig>('POST', `${P}/fittings`, {
      catalogueId: 'BS-K6',
      name: 'Shroud, port',
      xMm: 2600,
      yMm: -700,
    })
    expect(made.status).toBe(201)
    port = made.body.id
    expect((await change(port, { existing: true })).status).toBe(200)
    expect((await fitter.ask('POST', `/api/fittings/${port}/record`)).status).toBe(201)
    const copied = await fitter.ask<Rig>('POST', `/api/fittings/${port}/copy`, { mirror: true })
    expect(copied.status).toBe(201)
    twin = copied.body.id
    const other = await read(twin)
    expect(other.name).toBe('Shroud, starboard')
    expect(other.design.place.yMm).toBe(700)
    expect((await read(port)).holes[0]!.state).toBe('marked')
    expect((await watch()).some((r) => r.id === twin && r.task === 'look-too')).toBe(false)
  })
  it('turns its hole suspect with the reason, once, and tells boat and watch', async () => {
    expect((await change(port, { creep: CREEP })).status).toBe(200)
    const [hole] = (await read(port)).holes
    expect(hole!.state).toBe('suspect')
    const life = (
      await fitter.ask<{ events: { state: string; note: string }[] }>('GET', `/api/penetrations/${hole!.id}`)
    ).body.events
    expect(life.at(-1)).toMatchObject({ state: 'suspect' })
    expect(life.at(-1)!.note).toContain('1.3 mm over its mark')
    expect((await change(port, { creep: [...CREEP, { date: '2025-05-01', heightMm: 1.4 }] })).status).toBe(
      200,
    )
    const after = (await fitter.ask<{ events: object[] }>('GET', `/api/penetrations/${hole!.id}`)).body.events
    expect(after).toHaveLength(life.length)
    expect((await onBoat(port)).alarm).toContain('Do not sail on it')
    const rows = await watch()
    expect(rows.find((r) => r.id === port)).toMatchObject({ severity: 'stop', task: 'suspect' })
    expect(rows.find((r) => r.id === twin)).toMatchObject({
      task: 'look-too',
      why: 'It is the twin of Shroud, port, which has moved.',
    })
  })
  it('its twin is off the list once it was measured', async () => {
    expect((await change(twin, { creep: [{ date: '2025-06-01', heightMm: 0 }] })).status).toBe(200)
    expect((await watch()).some((r) => r.id === twin && r.task === 'look-too')).toBe(false)
  })
  it('does not go back in service by a word: the gate asks for what was proved', async () => {
    const [hole] = (await read(port)).holes
    const back = await fitter.ask<{ error: { code: string; gates: { id: string }[] } }>(
      'POST',
      `/api/penetrations/${hole!.id}/events`,
      { state: 'in-service', note: 'looks well', at: new Date().toISOString() },
    )
    expect(back.status).toBe(409)
    expect(back.body.error.code).toBe('gate')
    expect((await read(port)).holes[0]!.state).toBe('suspect')
  })
  it('what holds it meanwhile is told with its day', async () => {
    const temporary = {
      what: 'strop',
      goodFor: 'motoring',
      until: '2031-01-01',
      then: 'rebuilt',
      notMeanwhile: '',
    }
    expect((await change(port, { temporary })).status).toBe(200)
    expect((await onBoat(port)).temporary).toMatchObject({ until: '2031-01-01' })
    expect((await change(port, { provedAfter: 'pulled to 8 kN, nothing moved' })).status).toBe(200)
    expect((await onBoat(port)).alarm).toBeNull()
  })
})
