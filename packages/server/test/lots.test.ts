import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { startYard, type Yard } from './harness'

/** What comes into the stores, is opened, drawn from and tested; a list is read whole or not at all. */
interface Lot {
  id: number
  code: string
  quantity: number | null
  unit: string
  openedOn: string | null
  expiresOn: string
  storedHot: boolean
}
let app: Yard['app']
let fitter: Yard['fitter']
let apprentice: Yard['apprentice']
beforeAll(async () => {
  ;({ app, fitter, apprentice } = await startYard('lots'))
})
afterAll(() => app.stop())
const lot = {
  code: 'NT-1',
  title: 'Butyl tape, 25 mm',
  chemistry: 'butyl',
  kind: 'sealant',
  quantity: 12,
  unit: 'm',
  expiresOn: '2031-05-31',
}
const find = (lots: Lot[], code: string) => lots.find((l) => l.code === code)!

describe('lots', () => {
  it('one is added by hand, once', async () => {
    const added = await fitter.ask<Lot[]>('POST', '/api/lots', lot)
    expect(added.status).toBe(201)
    expect(find(added.body, 'NT-1')).toMatchObject({
      quantity: 12,
      unit: 'm',
      openedOn: null,
      storedHot: false,
    })
    const twice = await fitter.ask('POST', '/api/lots', lot)
    expect([twice.status, twice.body.error.path]).toEqual([409, 'code'])
  })
  it.each([
    [{ expiresOn: '31.5.2031' }, 'expiresOn'],
    [{ code: 'a lot' }, 'code'],
    [{ chemistry: 'magic' }, 'chemistry'],
    [{ quantity: -1 }, 'quantity'],
    [{ openedOn: '2039-01-01' }, 'openedOn'],
    [{ more: 1 }, ''],
  ])('%j is refused where it is wrong', async (wrong, path) => {
    const answer = await fitter.ask('POST', '/api/lots', { ...lot, code: 'NT-2', ...wrong })
    expect(answer.status).toBe(400)
    if (path) expect(answer.body.error.path).toBe(path)
  })
  it('it is opened, drawn from and used up; somebody else\u2019s draw is not run over', async () => {
    const all = (await fitter.ask<Lot[]>('GET', '/api/lots')).body
    const { id } = find(all, 'NT-1')
    const opened = await apprentice.ask<Lot[]>('PUT', `/api/lots/${id}`, {
      was: { quantity: 12, openedOn: null },
      quantity: 9,
      openedOn: '2026-11-01',
    })
    expect(find(opened.body, 'NT-1')).toMatchObject({ quantity: 9, openedOn: '2026-11-01' })
    const late = await fitter.ask('PUT', `/api/lots/${id}`, {
      was: { quantity: 12, openedOn: null },
      quantity: 0,
    })
    expect([late.status, late.body.error.code]).toEqual([409, 'stale'])
    const dated = await apprentice.ask('PUT', `/api/lots/${id}`, {
      was: { quantity: 9, openedOn: '2026-11-01' },
      expiresOn: '2035-01-01',
    })
    expect(dated.status).toBe(403)
    expect(
      (await fitter.ask('PUT', '/api/lots/99999', { was: { quantity: 1, openedOn: null } })).status,
    ).toBe(404)
  })
  it('of two draws at the same moment one is kept and one refused', async () => {
    const { id } = find((await fitter.ask<Lot[]>('GET', '/api/lots')).body, 'NT-1')
    const draw = (quantity: number) =>
      fitter.ask('PUT', `/api/lots/${id}`, { was: { quantity: 9, openedOn: '2026-11-01' }, quantity })
    const both = await Promise.all([draw(8), draw(7), draw(6), draw(5)])
    expect(both.map((a) => a.status).sort()).toEqual([200, 409, 409, 409])
  })
  it('a list is read all or none, with the line that is wrong; it goes out as it came in', async () => {
    const head = 'code,title,chemistry,quantity,unit,expiresOn,storedHot\n'
    const wrong = await fitter.ask('POST', '/api/lots/import', {
      csv: `${head}NT-7,Polysulfide 300 ml,polysulfide,2,tubes,2028-02-01,\nNT-8,Epoxy,epoxy,1,kg,soon,\n`,
    })
    expect([wrong.status, wrong.body.error.path]).toEqual([400, 'csv'])
    expect(wrong.body.error.message).toContain('line 3, expiresOn')
    expect((await fitter.ask<Lot[]>('GET', '/api/lots')).body.some((l) => l.code === 'NT-7')).toBe(false)
    const right = await fitter.ask<Lot[]>('POST', '/api/lots/import', {
      csv: `${head}NT-7,Polysulfide 300 ml,polysulfide,"2,5",tubes,2028-02-01,yes\nNT-8,Epoxy,epoxy,1,kg,2028-02-01,\n`,
    })
    expect(find(right.body, 'NT-7')).toMatchObject({ quantity: 2.5, storedHot: true })
    expect(find(right.body, 'NT-8')).toMatchObject({ kind: 'epoxy' })
    const out = (await fitter.ask('GET', '/api/lots.csv')).text
    expect(out).toContain('NT-7,Polysulfide 300 ml,polysulfide,sealant,2.5,tubes,2028-02-01')
    const missing = await fitter.ask('POST', '/api/lots/import', { csv: 'code,title\nA,B\n' })
    expect(missing.body.error.message).toContain('still needed: chemistry, expiresOn')
    const twice = await fitter.ask('POST', '/api/lots/import', {
      csv: `${head}NT-9,A,butyl,,,2028-02-01,\nNT-9,B,butyl,,,2028-02-01,\n`,
    })
    expect(twice.body.error.message).toContain('NT-9 stands in the list twice')
  })
})
