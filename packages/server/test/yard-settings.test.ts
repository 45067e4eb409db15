import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Taken, yardSettings } from '../src/services/yard-settings'
import { Someone, startApp } from './harness'

/** What a yard set for itself, out as one file and in again. */
type Settings = Awaited<ReturnType<typeof yardSettings>>
let app: Awaited<ReturnType<typeof startApp>>
let manager: Someone
let fitter: Someone
beforeAll(async () => {
  app = await startApp('yard_settings')
  manager = await new Someone(app.base).signIn('manager')
  fitter = await new Someone(app.base).signIn('fitter')
}, 60_000)
afterAll(() => app.stop())

const PATH = '/api/yard/settings'
const read = async () => (await manager.ask<Settings>('GET', PATH)).body
const take = (body: unknown, who = manager) => who.ask<Taken>('POST', PATH, body)
const VALUE = {
  kind: 'core' as const,
  material: 'balsa-150',
  field: 'shearMPa',
  value: 1.9,
  reason: 'five samples of this winter',
  measuredBy: 'A. Elsewhere',
}

describe('settings of the yard', () => {
  it('go out, come in, and are the same; whose word a value is stays with it', async () => {
    const file = await read()
    const more = {
      ...file,
      habits: { ...file.habits, core: 'reef' },
      values: [...file.values.filter((v) => v.field !== VALUE.field), VALUE],
      prices: { currency: '£', hourCents: 5400, ownersSee: true },
    }
    const got = await take(more)
    expect([got.status, got.body.values]).toEqual([200, more.values.length])
    const now = await read()
    expect(now.habits).toEqual(more.habits)
    expect(now.values.find((v) => v.field === 'shearMPa')).toEqual(VALUE)
    expect(now.prices).toEqual(more.prices)
    const again = await take(now)
    expect(again.status).toBe(200)
    const { madeAt: _a, ...first } = now
    const { madeAt: _b, ...second } = await read()
    expect(second).toEqual(first)
  })
  it.each<[string, (s: Settings) => unknown, string]>([
    [
      'a material that is not in the tables',
      (s) => ({ ...s, values: [{ ...VALUE, material: 'cork' }] }),
      'values.0.material',
    ],
    [
      'a field that cannot be replaced',
      (s) => ({ ...s, values: [{ ...VALUE, field: 'name' }] }),
      'values.0.field',
    ],
    ['a school that is no answer', (s) => ({ ...s, habits: { core: 'hope' } }), 'habits.core'],
    ['another kind of file', (s) => ({ ...s, format: 'north-tide-boat' }), 'format'],
    ['a later version', (s) => ({ ...s, version: 2 }), 'version'],
    ['a day to come', (s) => ({ ...s, madeAt: '2090-01-01T00:00:00Z' }), 'madeAt'],
  ])('with %s are not taken, none of them', async (_w, change, path) => {
    const before = await read()
    const bad = await take(change({ ...before, prices: { ...before.prices, hourCents: 1 } }))
    expect([bad.status, bad.body.error.path]).toEqual([400, path])
    expect((await read()).prices).toEqual(before.prices)
  })
  it('are read by the yard and taken over by its manager', async () => {
    expect((await fitter.ask('GET', PATH)).status).toBe(200)
    expect((await take(await read(), fitter)).status).toBe(403)
    const owner = await new Someone(app.base).signIn('owner')
    expect((await owner.ask('GET', PATH)).status).toBe(403)
  })
})
