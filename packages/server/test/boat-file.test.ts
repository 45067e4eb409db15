import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { ReadBoat } from '../src/services/whole-boat-shape'
import type { ShownView } from '../src/services/views'
import { startYard, type Someone, type Yard } from './harness'

/** What was looked for and found in a boat goes out and in with her; views that people keep. */
let app: Yard['app']
let fitter: Someone
let owner: Someone
const B = '/api/boats/fulmars-reach'
interface Boat {
  fittings: { id: string; name: string; kind: string; xMm: number; yMm: number; zMm: number }[]
  holes: { id: number; label: string; fittingId: string | null }[]
}
let boat: Boat
/** by which the file calls the fitting that all of this is about */
let key: string
beforeAll(async () => {
  ;({ app, fitter, owner } = await startYard('boat_file'))
  boat = (await fitter.ask<Boat>('GET', B)).body
  const found = { foundKind: 'open hole', diameterMm: 8, xMm: 2000, yMm: 0 }
  const bare = `hole ${(await fitter.ask<{ id: number }>('POST', `${B}/penetrations`, found)).body.id}`
  const holed = new Set(boat.holes.map((h) => h.fittingId))
  const first = boat.fittings.find((f) => holed.has(f.id))!
  key = `f${boat.fittings.indexOf(first) + 1}`
  const { xMm, yMm, zMm } = first
  const post = async <T>(path: string, body: unknown) => {
    const r = await fitter.ask<T>('POST', path, body)
    expect([path, r.status, JSON.stringify(r.body).slice(0, 300)]).toEqual([path, 201, expect.any(String)])
    return r.body
  }
  const leak = await post<{ id: number }>(`${B}/leaks`, {
    whereSeen: 'under the bunk',
    xMm,
    yMm,
    zMm: zMm - 300,
    when: 'rain',
    seen: { [first.id]: { gap: true } },
  })
  await post(`/api/leaks/${leak.id}/tests`, { kind: 'hose', on: [first.id], minutes: 5, wet: false })
  await post(`/api/leaks/${leak.id}/tests`, {
    kind: 'hose',
    on: [bare],
    minutes: 5,
    wet: true,
    delayMin: 3,
  })
  await post(`${B}/proofs`, { kind: 'hose', fittings: [first.id] })
  await post(`${B}/notes`, { kind: 'hand-over', body: 'The tube lies in the locker', fittingId: first.id })
  await post(`${B}/notes`, { kind: 'approval', body: 'A stainless plate in place of the old one' })
  const picture = await sharp({ create: { width: 8, height: 6, channels: 3, background: '#336699' } })
    .png()
    .toBuffer()
  const form = new FormData()
  form.set('subject', 'fitting')
  form.set('subjectId', first.id)
  form.set('caption', 'hosed, dry inside')
  form.set('file', new Blob([picture], { type: 'image/png' }), 'look.png')
  const sent = await fetch(`${app.base}${B}/photos`, {
    method: 'POST',
    headers: { cookie: fitter.cookie },
    body: form,
  })
  expect(sent.status).toBe(201)
}, 240_000)
afterAll(() => app.stop())
const file = async (who: Someone, id = 'fulmars-reach') =>
  JSON.parse((await who.ask('GET', `/api/boats/${id}/boat.json`)).text) as ReadBoat

describe('the file of a boat', () => {
  it('holds her drips with their tests, proofs, notes and photos by its own names, and goes in and out exactly', async () => {
    const out = await file(fitter)
    expect(out.leaks.at(-1)!.drip.seen).toEqual({ [key]: { gap: true } })
    expect(out.leaks.at(-1)!.tests.map((t) => t.on[0])).toEqual([key, expect.stringMatching(/^hole \d+$/)])
    expect(out.proofs[0]!.things[0]!.of).toBe(key)
    expect(out.notes.map((n) => [n.kind, n.fitting])).toEqual([
      ['hand-over', key],
      ['approval', null],
    ])
    expect(out.photos.filter((p) => p.subject === 'fitting').map((p) => p.of)).toEqual([key])
    const made = await fitter.ask<{ id: string }>('POST', '/api/boats/import', out)
    expect([made.status, made.body]).toEqual([201, expect.anything()])
    expect(await file(fitter, made.body.id)).toEqual({ ...out, boat: expect.anything() })
    const read = (
      await fitter.ask<{ imported: { by: string; at: string } | null }>('GET', `/api/boats/${made.body.id}`)
    ).body
    expect(read.imported).toMatchObject({ by: 'Tam Corrigall' })
    // What is traced there is traced on what is there.
    const { leaks } = (
      await fitter.ask<{ leaks: { id: number; whereSeen: string }[] }>(
        'GET',
        `/api/boats/${made.body.id}/leaks`,
      )
    ).body
    const traced = (
      await fitter.ask<{ tests: { on: string[] }[]; things: { id: string }[] }>(
        'GET',
        `/api/leaks/${leaks.find((l) => l.whereSeen === 'under the bunk')!.id}`,
      )
    ).body
    const there = new Set(traced.things.map((t) => t.id))
    for (const t of traced.tests) for (const id of t.on) expect(there.has(id)).toBe(true)
  })
  it('for whoever does not work on her is without what fitters hand one another; so is her passport', async () => {
    expect((await file(owner)).notes.map((n) => n.kind)).toEqual(['approval'])
    const p = (await fitter.ask<{ boat: ReadBoat }>('GET', `${B}/passport.json?photos=no`)).body
    expect(p.boat.notes.map((n) => n.kind)).toEqual(['approval'])
  })
  const odd: [string, (f: ReadBoat) => void][] = [
    ['leaks.1.tests.0.on.0', (f) => (f.leaks[1]!.tests[0]!.on = ['f99'])],
    ['leaks.1.causeOf', (f) => (f.leaks[1]!.causeOf = 'hole 999')],
    ['proofs.0.things.0.of', (f) => (f.proofs[0]!.things[0]!.of = 'x')],
    ['notes.0.fitting', (f) => (f.notes[0]!.fitting = 'f99')],
    ['proofs.0.at', (f) => (f.proofs[0]!.at = '2199-01-01T00:00:00.000Z')],
    ['holes.0.events.0.happenedAt', (f) => (f.holes[0]!.events[0]!.happenedAt = '2199-01-01T00:00:00.000Z')],
    ['holes.0.events.0.who', (f) => (f.holes[0]!.events[0]!.who = ' ')],
    [
      'floods.0.ask.way',
      (f) => f.floods.push({ what: 'x', ask: {}, note: '', who: 'x', at: '2027-01-01T00:00:00.000Z' }),
    ],
    ['photos.0.of', (f) => Object.assign(f.photos[0]!, { subject: 'fitting', of: 'f99' })],
  ]
  it.each(odd)('is refused at %s, and nothing is written', async (path, bend) => {
    const out = await file(fitter)
    const before = (await fitter.ask<unknown[]>('GET', '/api/boats')).body.length
    bend(out)
    const r = await fitter.ask('POST', '/api/boats/import', out)
    expect([r.status, r.body.error.path]).toEqual([400, path])
    expect((await fitter.ask<unknown[]>('GET', '/api/boats')).body).toHaveLength(before)
  })
})

describe('a view of the register', () => {
  const views = async (who: Someone) =>
    (await who.ask<{ views: ShownView[] }>('GET', '/api/views?place=register')).body.views
  const keep = (who: Someone, body: object) =>
    who.ask<{ views: ShownView[] }>('POST', '/api/views', { place: 'register', ...body })
  it('is kept by name for whoever made it, kept anew by the same name, and shared when he says so', async () => {
    expect((await keep(fitter, { name: 'Suspect', query: { state: 'suspect' } })).status).toBe(201)
    expect(await views(owner)).toEqual([])
    await keep(fitter, { name: 'Suspect', query: { state: 'suspect', group: 'zone' }, shared: true })
    const [v, ...rest] = await views(owner)
    expect(rest).toEqual([])
    expect(v).toMatchObject({
      name: 'Suspect',
      query: { state: 'suspect', group: 'zone' },
      mine: false,
      by: 'Tam Corrigall',
    })
    expect((await owner.ask('DELETE', `/api/views/${v!.id}`)).status).toBe(404)
    expect((await fitter.ask('DELETE', `/api/views/${v!.id}`)).status).toBe(200)
    expect(await views(fitter)).toEqual([])
  })
  it.each([
    [{ name: ' ', query: {} }, 'name'],
    [{ name: 'x', query: { find: 'y'.repeat(201) } }, 'query.find'],
    [{ name: 'x', query: {}, place: 'moon' }, 'place'],
  ])('%j is refused at %s', async (body, path) => {
    const r = await fitter.ask('POST', '/api/views', { place: 'register', ...body })
    expect([r.status, r.body.error.path]).toEqual([400, path])
  })
})
