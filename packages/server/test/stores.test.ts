import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { CutPlan } from '@north-tide/core'
import type { Went } from '../src/services/recall'
import type { ShownSheet } from '../src/services/sheets'
import { startYard, type Someone, type Yard } from './harness'
import { pdfWords } from './pdf-words'

/** Sheets and what is cut from them; where a lot or a part went, and taking it back; labels. */
let app: Yard['app']
let fitter: Someone
let owner: Someone
let apprentice: Someone
const F = '/api/boats/fulmars-reach'
beforeAll(async () => {
  ;({ app, fitter, owner, apprentice } = await startYard('the_stores'))
}, 240_000)
afterAll(() => app.stop())
const sheets = async () => (await fitter.ask<{ sheets: ShownSheet[] }>('GET', '/api/sheets')).body.sheets
const plan = async () => (await fitter.ask<CutPlan>('GET', `${F}/cutting`)).body

describe('what is cut from sheet', () => {
  it('is planned from what is on the shelf; what has no sheet says so', async () => {
    const p = await plan()
    expect(p.unplaced.length).toBeGreaterThan(0)
    expect(p.unplaced[0]!.why).toMatch(/sheet/)
    expect(p.sheetsUsed).toBeGreaterThanOrEqual(0)
  })
  it('a sheet that came in is used; cut once, it is one fewer, and what was kept is an offcut', async () => {
    const wanted = (await plan()).unplaced[0]!.cut
    const body = {
      kind: 'sheet',
      material: wanted.material,
      thicknessMm: wanted.thicknessMm,
      widthMm: 1200,
      heightMm: 900,
    }
    expect((await owner.ask('POST', '/api/sheets', body)).status).toBe(403)
    expect((await apprentice.ask('POST', '/api/sheets', body)).status).toBe(201)
    const p = await plan()
    const index = p.sheets.findIndex((s) => s.stock.material === wanted.material && s.stock.widthMm === 1200)
    const s = p.sheets[index]!
    const row = (await sheets()).find((x) => x.id === s.stock.id)!
    const cut = { index, stockId: row.id, version: row.version, pieces: s.places.length }
    const dxf = await fitter.ask<string>('GET', `${F}/cutting/${index}.dxf`)
    expect(dxf.text).toContain('CUT')
    expect((await fitter.ask('GET', `${F}/cutting/999.dxf`)).status).toBe(404)
    expect((await fitter.ask('POST', `${F}/cutting`, { ...cut, pieces: cut.pieces + 1 })).status).toBe(409)
    const both = await Promise.all([
      fitter.ask<{ sheets: ShownSheet[] }>('POST', `${F}/cutting`, cut),
      apprentice.ask<{ sheets: ShownSheet[] }>('POST', `${F}/cutting`, cut),
    ])
    expect(both.map((b) => b.status).sort()).toEqual([200, 409])
    const after = await sheets()
    expect(after.find((x) => x.id === row.id)!.count).toBe(row.count - 1)
    const kept = after.filter((x) => x.kind === 'offcut' && x.material === wanted.material && x.id > row.id)
    expect(kept).toHaveLength(s.kept.length)
  })
  it.each([
    [{ kind: 'board' }, 'kind'],
    [{ thicknessMm: 0 }, 'thicknessMm'],
    [{ widthMm: 1e9 }, 'widthMm'],
    [{ count: 1.5 }, 'count'],
  ])('%j is refused at %s', async (more, path) => {
    const good = { kind: 'sheet', material: 'g10', thicknessMm: 6, widthMm: 500, heightMm: 500 }
    const r = await fitter.ask<{ error: { path: string } }>('POST', '/api/sheets', { ...good, ...more })
    expect([r.status, r.body.error.path]).toEqual([400, path])
  })
  it('a count by somebody who saw an earlier one is refused', async () => {
    const [s] = await sheets()
    const put = { version: s!.version, count: 3 }
    expect((await fitter.ask('PUT', `/api/sheets/${s!.id}`, put)).status).toBe(200)
    expect((await fitter.ask('PUT', `/api/sheets/${s!.id}`, put)).status).toBe(409)
    expect((await fitter.ask('PUT', '/api/sheets/999999', put)).status).toBe(404)
  })
})

describe('taking back', () => {
  interface Found {
    what: string
    holes: Went[]
    turned: number
  }
  const lots = async () =>
    (await fitter.ask<{ id: number; code: string; recalledOn: string | null }[]>('GET', '/api/lots')).body
  const went = async (query: string) => (await fitter.ask<Found>('GET', `/api/recall?${query}`)).body
  it('a lot: every hole that it went into is found, and suspect; it goes into no other', async () => {
    const all = await Promise.all((await lots()).map(async (l) => ({ l, got: await went(`lot=${l.id}`) })))
    const { l, got } = all.find((x) =>
      x.got.holes.some((h) => h.state !== 'suspect' && h.state !== 'closed'),
    )!
    expect(got.what).toBe(`lot ${l.code}`)
    for (const h of got.holes)
      expect([h.label, h.boat]).toEqual([expect.stringMatching(/^P-\d+/), expect.any(String)])
    expect((await apprentice.ask('POST', '/api/recall', { lot: l.id, why: 'x' })).status).toBe(403)
    const back = await fitter.ask<Found>('POST', '/api/recall', { lot: l.id, why: 'the maker\u2019s notice' })
    expect(back.body.turned).toBeGreaterThan(0)
    for (const h of back.body.holes) expect(['suspect', 'closed', 'marked']).toContain(h.state)
    expect((await lots()).find((x) => x.id === l.id)!.recalledOn).toMatch(/^\d{4}-/)
    // A second time nothing turns that has turned.
    const again = await fitter.ask<Found>('POST', '/api/recall', { lot: l.id, why: 'again' })
    expect(again.body.turned).toBe(0)
  })
  it('a model of a part: every hole of every fitting that has it', async () => {
    const b = (await fitter.ask<{ fittings: { id: string; kind: string }[] }>('GET', F)).body
    const id = b.fittings.find((f) => f.kind === 'through-hull')!.id
    const design = (await fitter.ask<{ design: { catalogueId?: string } }>('GET', `/api/fittings/${id}`)).body
      .design
    const model = /"(MV-[A-Z0-9-]+)"/.exec(JSON.stringify(design))![1]!
    const got = await went(`model=${model}`)
    expect(got.what).toBe(model)
    expect(await went('model=NO-SUCH-PART')).toMatchObject({ holes: [] })
  })
  it.each([
    ['', 'lot'],
    ['lot=1&model=MV-1', 'lot'],
    ['lot=x', 'lot'],
  ])('%j is refused at %s', async (query, path) => {
    const r = await fitter.ask<{ error: { path: string } }>('GET', `/api/recall?${query}`)
    expect([r.status, r.body.error.path]).toEqual([400, path])
  })
  it('is the yard\u2019s own', async () => {
    expect((await owner.ask('GET', '/api/recall?lot=1')).status).toBe(403)
    expect((await fitter.ask('GET', '/api/recall?lot=99999')).status).toBe(404)
  })
})

describe('labels', () => {
  const words = async (path: string, who = fitter) => {
    const r = await fetch(`${app.base}${path}`, { headers: { cookie: who.cookie } })
    expect([path, r.status]).toEqual([path, 200])
    return pdfWords(new Uint8Array(await r.arrayBuffer()))
  }
  it('of lots and of holes, each with its code; only those that are asked for', async () => {
    const lots = (await fitter.ask<{ id: number; code: string }[]>('GET', '/api/lots')).body
    const all = await words('/api/lots/labels.pdf')
    expect(all).toContain(lots[0]!.code)
    const one = await words(`/api/lots/labels.pdf?ids=${lots[1]!.id}`)
    expect(one).toContain(lots[1]!.code)
    expect(one).not.toContain(lots[0]!.code)
    const holes = await words(`${F}/labels.pdf?ids=1,16`, owner)
    expect(holes).toContain('P-016')
    expect(holes).not.toContain('P-002')
  })
  it.each([
    [`${F}/labels.pdf?ids=abc`, 400],
    [`${F}/labels.pdf?ids=999999`, 400],
    ['/api/boats/nowhere/labels.pdf', 404],
  ])('%s is refused', async (path, status) => {
    expect((await fitter.ask('GET', path)).status).toBe(status)
  })
})
