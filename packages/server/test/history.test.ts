import dayjs from 'dayjs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { connect } from '../src/db'
import type { Happened, PastBoat } from '../src/services/history'
import { startYard, type Someone, type Yard } from './harness'

/** The boat on a day that has passed, and what happened since. */
let app: Yard['app']
let fitter: Someone
let owner: Someone
const B = '/api/boats/fulmars-reach'
beforeAll(async () => {
  ;({ app, fitter, owner } = await startYard('the_history'))
}, 240_000)
afterAll(() => app.stop())
/** The kept revisions are moved by nobody but the owner of the tables, and only to play a day of the past. */
async function asOwner(sql: string) {
  const own = connect(app.databases.ownerUrl)
  await own.query(sql).finally(() => own.close())
}
const day = (n: number) => dayjs().add(n, 'day').format('YYYY-MM-DD')
const past = async (from: string, to: string) =>
  (await owner.ask<PastBoat>('GET', `${B}/past?from=${from}&to=${to}`)).body
const happened = async (from: string, to: string) =>
  (await owner.ask<{ rows: Happened[]; more: boolean }>('GET', `${B}/happened?from=${from}&to=${to}`)).body

describe('the boat as she was', () => {
  it('today is what the register says today; before any record she has no hole', async () => {
    const holes = (
      await fitter.ask<{ state: string; withdrawnWhy: string | null }[]>('GET', `${B}/penetrations`)
    ).body
    const now = await past(day(-1), day(0))
    const count = (s: string) => holes.filter((h) => h.state === s && !h.withdrawnWhy).length
    for (const c of now.counts) expect([c.state, c.count]).toEqual([c.state, count(c.state)])
    expect(now.counts.reduce((s, c) => s + c.count, 0)).toBe(holes.filter((h) => !h.withdrawnWhy).length)
    const never = await past('1990-01-01', '1990-01-02')
    expect([never.counts, never.holes, never.fittings]).toEqual([[], [], []])
    expect(now.map.shapes.length).toBeGreaterThan(never.map.shapes.length)
  })
  it('a hole that turned suspect today was another yesterday, and who did it is named', async () => {
    const all = (
      await fitter.ask<{ id: number; label: string; fittingId: string | null; state: string }[]>(
        'GET',
        `${B}/penetrations`,
      )
    ).body
    const hole = all.find((h) => h.state === 'in-service')!
    await fitter.ask('POST', `/api/penetrations/${hole.id}/events`, { state: 'suspect', note: 'weeps' })
    const p = await past(day(-1), day(0))
    expect(p.holes.find((h) => h.id === hole.id)).toMatchObject({ label: hole.label, is: 'suspect' })
    const { rows } = await happened(day(0), day(0))
    const row = rows.find((r) => r.of === 'hole' && r.id === String(hole.id))!
    expect(row.who).toBe('Tam Corrigall')
    expect(row.what).toBe('suspect: weeps')
    expect([...rows].sort((a, b) => b.at.localeCompare(a.at)).map((r) => r.at)).toEqual(rows.map((r) => r.at))
  })
  it('a design that was changed can be had as it was', async () => {
    const boat = (await fitter.ask<{ fittings: { id: string; kind: string }[] }>('GET', B)).body
    const { id } = boat.fittings.find((f) => f.kind === 'deck-hardware')!
    const f = (await fitter.ask<{ version: number; design: { name: string } }>('GET', `/api/fittings/${id}`))
      .body
    const put = { version: f.version, design: { ...f.design, name: 'Another name' } }
    expect((await fitter.ask('PUT', `/api/fittings/${id}`, put)).status).toBe(200)
    const now = await owner.ask<{ version: number; name: string }>('GET', `${B}/past/${id}?on=${day(0)}`)
    expect(now.body).toMatchObject({ version: f.version + 1, name: 'Another name' })
    const { fittings } = await past('1990-01-01', day(0))
    expect(fittings.find((x) => x.id === id)).toMatchObject({ was: null, is: f.version + 1 })
    const { rows } = await happened(day(0), day(0))
    expect(rows.find((r) => r.of === 'fitting' && r.id === id)!.what).toContain(`version ${f.version + 1}`)
    expect((await owner.ask('GET', `${B}/past/${id}?on=1990-01-01`)).status).toBe(400)
  })
  it('a zone is drawn as it stood, and is named when it was changed; before any was kept, as on that day', async () => {
    interface Z {
      id: number
      title: string
      version: number
      outline: { xMm: number; yMm: number }[]
      layers: { material: string; thicknessMm: number; measured: boolean }[]
    }
    const { zones } = (await fitter.ask<{ zones: (Z & Record<string, unknown>)[] }>('GET', B)).body
    const { id, version, code: _code, ...z } = zones.find((x) => x.title === 'Foredeck')!
    const before = (await past(day(-1), day(0))).map
    const put = await fitter.ask('PUT', `${B}/zones/${id}`, {
      ...z,
      title: 'Foredeck, new',
      layers: z.layers.map(({ material, thicknessMm, measured }) => ({ material, thicknessMm, measured })),
      outline: z.outline.map((p) => ({ ...p, xMm: p.xMm + 10 })),
      version,
    })
    expect(put.status, JSON.stringify(put.body)).toBe(200)
    // All of it happened today: what stood before is not asked for by a day, but the kept versions are.
    const now = await past('1990-01-01', day(0))
    const words = (d: PastBoat['map']) => d.shapes.flatMap((s) => ('text' in s ? [s.text] : []))
    expect(words(now.map)).toContain('foredeck, new')
    expect(words(before)).not.toContain('foredeck, new')
    expect(now.surfacesAsOf).toBeNull()
    const old = await past('1990-01-01', '1990-01-02')
    expect(old.surfacesAsOf).toBe(day(0))
    expect(old.surfaces).toEqual([])
    await asOwner(
      `ALTER TABLE revisions DISABLE TRIGGER USER; UPDATE revisions SET at = at - interval '9 days' WHERE what = 'zones' AND row_key = '${id}' AND version = ${version}; ALTER TABLE revisions ENABLE TRIGGER USER`,
    )
    const then = await past(day(-5), day(-5))
    expect(words(then.map)).toContain('foredeck')
    expect(words(then.map)).not.toContain('foredeck, new')
    const { surfaces } = await past(day(-5), day(0))
    expect(surfaces.find((s) => s.of === 'zone' && s.id === String(id))).toEqual({
      id: String(id),
      of: 'zone',
      name: 'Foredeck, new',
      was: version,
      is: version + 1,
    })
  })
  it.each([
    [`${B}/past?from=2027-05-02&to=2027-05-01`, 'to'],
    [`${B}/happened?from=soon&to=2027-05-01`, 'from'],
    [`${B}/happened?to=2027-05-01`, 'from'],
  ])('%s is refused', async (url, path) => {
    const r = await owner.ask('GET', url)
    expect([r.status, r.body.error.path]).toEqual([400, path])
  })
})
