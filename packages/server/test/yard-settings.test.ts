import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Taken, yardSettings } from '../src/services/yard-settings'
import { Someone, startApp } from './harness'
import { pdfPages, pdfWords } from './pdf-words'
import v1 from './kept/yard-settings-v1.json'

/** What a yard set for itself, out as one file and in again. */
type Settings = Awaited<ReturnType<typeof yardSettings>>
let app: Awaited<ReturnType<typeof startApp>>
let manager: Someone
let fitter: Someone
beforeAll(async () => {
  app = await startApp('yard_settings')
  manager = await new Someone(app.base).signIn('manager')
  fitter = await new Someone(app.base).signIn('fitter')
}, 240_000)
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
      ways: { paper: 'letter' as const, units: 'inch' as const, dates: 'de' as const },
    }
    const got = await take(more)
    expect([got.status, got.body.values]).toEqual([200, more.values.length])
    const now = await read()
    expect(now.habits).toEqual(more.habits)
    expect(now.values.find((v) => v.field === 'shearMPa')).toEqual(VALUE)
    expect(now.prices).toEqual(more.prices)
    expect(now.ways).toEqual(more.ways)
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
    ['a later version', (s) => ({ ...s, version: 3 }), 'version'],
    ['a paper that nobody cuts', (s) => ({ ...s, ways: { ...s.ways, paper: 'A7' } }), 'ways.paper'],
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

const FINNISH = /\d (tammi|helmi|maalis|huhti|touko|kesä|heinä|elo|syys|loka|marras|joulu) 20\d\d/
describe('how a yard writes', () => {
  const WAYS = '/api/yard/ways'
  type Ways = { paper: string; units: string; dates: string; version: number }
  const now = async () => (await fitter.ask<Ways>('GET', WAYS)).body
  const put = (body: object, who = manager) => who.ask<Ways>('PUT', WAYS, body)
  const pdf = async (path: string) => {
    const r = await fetch(`${app.base}/api${path}`, { headers: { cookie: manager.cookie } })
    expect(r.status).toBe(200)
    return new Uint8Array(await r.arrayBuffer())
  }
  const sheets = async () => {
    const boat = '/boats/fulmars-reach'
    const { fittings } = (await manager.ask<{ fittings: { id: string }[] }>('GET', `/api${boat}`)).body
    const of = [
      `${boat}/labels.pdf`,
      `${boat}/companionway.pdf`,
      `${boat}/map.pdf`,
      `/fittings/${fittings[0]!.id}/card.pdf`,
    ]
    return Promise.all(of.map(async (p) => (await pdfPages(await pdf(p)))[0]))
  }
  it('its sheets are of its paper, its dates in its language', async () => {
    const first = await now()
    expect((await put({ ...first, paper: 'A4', units: 'metric', dates: 'en' })).status).toBe(200)
    expect(await sheets()).toEqual(['595 by 842', '842 by 595', '1191 by 842', '595 by 842'])
    const second = await now()
    expect(second.version).toBe(first.version + 1)
    expect((await put({ ...second, paper: 'letter', dates: 'fi' })).body.paper).toBe('letter')
    expect(await sheets()).toEqual(['612 by 792', '792 by 612', '1224 by 792', '612 by 792'])
    expect(await pdfWords(await pdf('/boats/fulmars-reach/passport.pdf'))).toMatch(FINNISH)
    const session = await fitter.ask<{ ways: Ways }>('GET', '/api/session')
    expect(session.body.ways).toMatchObject({ paper: 'letter', dates: 'fi' })
    expect((await put({ ...(await now()), dates: 'en' })).status).toBe(200)
  })
  it('is set by the manager, on top of what was read, and to what there is', async () => {
    const at = await now()
    expect((await put(at, fitter)).status).toBe(403)
    expect((await put({ ...at, version: at.version - 1 })).status).toBe(409)
    const bad = await put({ ...at, dates: 'tlh' })
    expect([bad.status, bad.body.error.path]).toEqual([400, 'dates'])
    expect(await now()).toEqual(at)
  })
  it('a file of version 1, which knew nothing of it, is taken and leaves it as it is', async () => {
    const before = await now()
    expect((await take(v1)).status).toBe(200)
    expect(await now()).toEqual(before)
    expect((await read()).prices).toEqual(v1.prices)
  })
})
