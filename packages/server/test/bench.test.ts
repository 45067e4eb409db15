import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Design } from '@north-tide/core'
import { toDxf } from '@north-tide/core/dxf'
import { Fitting } from '../src/models'
import { settled } from '../src/services/rejudge'
import { Someone, startApp } from './harness'

let app: Awaited<ReturnType<typeof startApp>>
let fitter: Someone
let apprentice: Someone
beforeAll(async () => {
  app = await startApp('bench')
  fitter = await new Someone(app.base).signIn('fitter')
  apprentice = await new Someone(app.base).signIn('apprentice')
}, 240_000)
afterAll(() => app.stop())

const F = '/api/boats/fulmars-reach'
interface Saved {
  id: string
  name: string
  version: number
  verdict: string
  design: Design
}
const place = async (over: object = {}) =>
  (
    await fitter.ask<Saved>('POST', `${F}/fittings`, {
      catalogueId: 'HG-C250',
      xMm: 2400,
      yMm: -500,
      ...over,
    })
  ).body

describe('templates', () => {
  it('go out as SVG, DXF, PDF and a drill schedule, at full size', async () => {
    const f = await place()
    const svg = (await fitter.ask('GET', `/api/fittings/${f.id}/template.svg`)).text
    expect(svg).toMatch(/^<svg[^>]+width="[\d.]+mm"/)
    const dxf = (await fitter.ask('GET', `/api/fittings/${f.id}/template.dxf?what=plate`)).text
    for (const layer of ['CUT', 'DRILL', 'MARK', 'TEXT']) expect(dxf).toContain(layer)
    for (const paper of ['a4', 'letter'])
      expect((await fitter.ask('GET', `/api/fittings/${f.id}/template.pdf?paper=${paper}`)).text).toContain(
        paper === 'a4' ? '595.28' : '612 792',
      )
    const rows = (await fitter.ask('GET', `/api/fittings/${f.id}/template.csv`)).text.trim().split('\n')
    expect(rows).toHaveLength(1 + f.design.bolts.length)
    expect((await fitter.ask('GET', `/api/fittings/${f.id}/template.exe`)).status).toBe(404)
    // Mirrored is asked for by one word: another is refused, and never answered with the other side's.
    const mirrored = (await fitter.ask('GET', `/api/fittings/${f.id}/template.svg?inside=yes`)).text
    expect(mirrored).not.toBe(svg)
    expect((await fitter.ask('GET', `/api/fittings/${f.id}/template.svg?inside=no`)).text).toBe(svg)
    const odd = await fitter.ask('GET', `/api/fittings/${f.id}/template.svg?inside=true`)
    expect([odd.status, odd.body.error.path]).toEqual([400, 'inside'])
    const bare = (
      await fitter.ask<Saved>('PUT', `/api/fittings/${f.id}`, {
        version: 1,
        design: { ...f.design, plate: null },
      })
    ).body
    expect(
      (await fitter.ask('GET', `/api/fittings/${bare.id}/template.svg?what=plate`)).body.error.code,
    ).toBe('no-template')
  })
})

describe('copies', () => {
  it('a fitting goes to the other side mirrored, or to another place, and is judged on the deck there', async () => {
    const f = await place({ xMm: 4600, yMm: -1300, name: 'Cleat, port side' })
    const m = (await fitter.ask<Saved>('POST', `/api/fittings/${f.id}/copy`, { mirror: true })).body
    expect(m).toMatchObject({
      name: 'Cleat, starboard side',
      version: 1,
      design: { place: { xMm: 4600, yMm: 1300, zone: 'side-stbd' } },
    })
    const aft = (
      await fitter.ask<Saved>('POST', `/api/fittings/${f.id}/copy`, { xMm: 9000, yMm: 300, name: 'Aft' })
    ).body
    expect(aft.design.structure).toMatchObject({ outerMm: 5, core: { thicknessMm: 19 } })
    const mid = await place({ xMm: 2000, yMm: 0 })
    expect((await fitter.ask('POST', `/api/fittings/${mid.id}/copy`, { mirror: true })).body.error.path).toBe(
      'mirror',
    )
    expect((await fitter.ask('POST', `/api/fittings/${f.id}/copy`, { xMm: 3 })).body.error.path).toBe('yMm')
  })
})

const own = {
  id: 'SQ-12',
  title: 'Gallows eye',
  family: 'pad-eye',
  face: 'stainless',
  base: { lengthMm: 90, widthMm: 60, thicknessMm: 8, bodyHeightMm: 40 },
  bolts: [
    { xMm: -30, yMm: 0 },
    { xMm: 30, yMm: 0 },
  ],
  sizes: ['M8', 'M10'],
  head: 'hex',
  ratedN: 6000,
  units: 'metric',
}
describe('hardware of the yard\u2019s own', () => {
  it('is drawn, stands in the catalogue, is placed, and goes out and in as JSON and CSV', async () => {
    expect((await fitter.ask('PUT', '/api/hardware', own)).status).toBe(200)
    expect(
      (await fitter.ask<{ id: string; own?: boolean }[]>('GET', '/api/catalogue')).body.find(
        (c) => c.id === 'SQ-12',
      ),
    ).toMatchObject({ own: true, ratedN: 6000 })
    const f = await place({ catalogueId: 'SQ-12' })
    expect(f.design).toMatchObject({ catalogueId: 'SQ-12', family: 'pad-eye', bolts: own.bolts })
    const json = (await fitter.ask('GET', '/api/hardware.json')).body
    const csv = (await fitter.ask('GET', '/api/hardware.csv')).text
    const before = (await fitter.ask('GET', '/api/hardware.json')).text
    for (const body of [json, { csv }]) {
      await fitter.ask('DELETE', '/api/hardware/SQ-12')
      expect((await fitter.ask('POST', '/api/hardware/import', body)).status).toBe(200)
      expect((await fitter.ask('GET', '/api/hardware.json')).text).toBe(before)
    }
  })
  it.each([
    [{ ...own, id: 'HG-C250' }, 409, 'id'],
    [{ ...own, id: 'no spaces here' }, 400, 'id'],
    [{ ...own, bolts: [{ xMm: 200, yMm: 0 }] }, 400, 'bolts.0'],
    [{ ...own, sizes: ['M8', '1/4-20'] }, 400, 'sizes'],
    [{ ...own, sizes: ['M7'] }, 400, 'sizes.0'],
    [{ ...own, base: { lengthMm: -1, widthMm: 2, thicknessMm: 3, bodyHeightMm: 0 } }, 400, 'base.lengthMm'],
  ])('what cannot be is refused at its field', async (body, status, path) => {
    const a = await fitter.ask('PUT', '/api/hardware', body)
    expect([a.status, a.body.error.path]).toEqual([status, path])
  })
  it('of a list with one bad line nothing is taken', async () => {
    const csv = `${(await fitter.ask('GET', '/api/hardware.csv')).text}SQ-13,Eye,the yard,pad-eye,stainless,90,60,,8,40,-30 0; 300 0,M8,hex,,metric,,\n`
    const a = await fitter.ask('POST', '/api/hardware/import', { csv })
    expect(a.status).toBe(400)
    expect(a.body.error.path).toMatch(/^line 3\./)
    expect((await fitter.ask('GET', '/api/hardware.json')).text).not.toContain('SQ-13')
    expect((await apprentice.ask('PUT', '/api/hardware', own)).status).toBe(403)
  })
  it('an outline is read from a DXF, and judged as no larger than it is', async () => {
    const dxf = toDxf(
      {
        title: '',
        description: '',
        bounds: { minX: 0, maxX: 1, minY: 0, maxY: 1 },
        legend: [],
        textMm: 1,
        scaleBarMm: 1,
        shapes: [
          {
            kind: 'area',
            points: [
              { x: 0, y: 0 },
              { x: 100, y: 0 },
              { x: 50, y: 80 },
            ],
            tone: 'none',
            role: 'x',
          },
        ],
      },
      ['A'],
      () => 'A',
    )
    const a = (
      await fitter.ask<{ outline: object[]; lengthMm: number; widthMm: number }>(
        'POST',
        '/api/hardware/outline.dxf',
        undefined,
        dxf,
      )
    ).body
    expect(a.outline).toHaveLength(3)
    expect(a.lengthMm * a.widthMm).toBeLessThanOrEqual(4000)
    expect(a.lengthMm * a.widthMm).toBeGreaterThan(3900)
    expect((await fitter.ask('POST', '/api/hardware/outline.dxf', undefined, 'nothing')).status).toBe(400)
  })
})

it('the yard\u2019s habits are taken by what is placed after, and left where they are refused', async () => {
  expect(
    (await fitter.ask('PUT', '/api/habits', { question: 'tightening', school: 'two-step' })).body,
  ).toEqual({ tightening: 'two-step' })
  expect((await fitter.ask('PUT', '/api/habits', { question: 'core', school: 'seal-wall' })).status).toBe(200)
  // A gasket is made by what cures; tape is snugged again, whatever the yard does elsewhere.
  expect((await place()).design).toMatchObject({
    bedding: { sealant: 'butyl', tightening: 'once' },
    core: { school: 'bore-fill' },
  })
  await fitter.ask('PUT', '/api/habits', { question: 'bedding', school: 'tube' })
  expect((await place()).design.bedding).toMatchObject({ sealant: 'hybrid', tightening: 'two-step' })
  await fitter.ask('PUT', '/api/habits', { question: 'bedding', school: null })
  expect(
    (await fitter.ask('PUT', '/api/habits', { question: 'tightening', school: 'sideways' })).body.error.path,
  ).toBe('school')
  expect((await apprentice.ask('PUT', '/api/habits', { question: 'core', school: null })).status).toBe(403)
  await fitter.ask('PUT', '/api/habits', { question: 'core', school: null })
  expect((await fitter.ask('PUT', '/api/habits', { question: 'tightening', school: null })).body).toEqual({})
  expect((await place()).design.bedding.tightening).toBe('once')
})

it('a deck pipe is recorded as a hole of its own beside the bolts', async () => {
  const f = await place({ catalogueId: 'HG-WL10', xMm: 1500, yMm: 0, name: 'Windlass' })
  expect(
    (await fitter.ask<{ holes: string[] }>('POST', `/api/fittings/${f.id}/record`)).body.holes,
  ).toHaveLength(5)
  const holes = (
    await fitter.ask<{ holes: { whatFor: string; diameterMm: number; fittingId: string }[] }>('GET', F)
  ).body.holes.filter((h) => h.fittingId === f.id)
  expect(holes.at(-1)).toMatchObject({ whatFor: 'Windlass, pipe', diameterMm: 60 })
})

it('a design of every new field is saved and read back as it was', async () => {
  const f = await place()
  const design: Design = {
    ...f.design,
    caseName: 'Mooring',
    cases: [{ name: 'Tow', load: { basis: 'rated', ratedN: 3000 } }],
    padsMm: [0, 0, 10, 10],
    unevenMm: [0, 1, 0, 0],
    pipeMm: 20,
    isolation: { sleeve: true, washer: false, sealant: true },
    wetness: 'dry',
    schools: {
      plate: 'rule',
      inside: 'seal-inside',
      bead: 'bead-on-structure',
      wet: 'wet-recore',
      builder: 'polysulfide',
    },
    structureReason: 'own',
    plate: {
      ...f.design.plate!,
      sheets: 2,
      bonded: false,
      crownRadiusMm: 4000,
      outline: [
        { xMm: -100, yMm: -60 },
        { xMm: 100, yMm: -60 },
        { xMm: 100, yMm: 60 },
        { xMm: -100, yMm: 60 },
      ],
    },
  }
  expect(
    (await fitter.ask<Saved>('PUT', `/api/fittings/${f.id}`, { version: 1, design })).body.design,
  ).toEqual(design)
})

describe('the plate solver in the stored verdict', () => {
  interface Listed {
    id: string
    verdict: string
    governing: string | null
    solverDue: boolean
  }
  const METAL = '/api/boats/tarn-runner'
  const listed = async (id: string) =>
    (await fitter.ask<{ fittings: Listed[] }>('GET', METAL)).body.fittings.find((f) => f.id === id)!
  it('a lifting point in the middle of thin plating is stored as short by the solver alone, and a frame put under it turns it', async () => {
    const f = (
      await fitter.ask<Saved>('POST', `${METAL}/fittings`, { catalogueId: 'HG-LP90', xMm: 3410, yMm: 0 })
    ).body
    expect(await listed(f.id)).toMatchObject({ verdict: 'short', governing: 'spread-skin', solverDue: false })
    const frame = (at: number) => ({
      kind: 'bulkhead',
      title: 'Bulkhead put in',
      x0Mm: at,
      y0Mm: -1,
      x1Mm: at,
      y1Mm: 1,
    })
    const doubled = (
      await fitter.ask<Saved>('PUT', `/api/fittings/${f.id}`, {
        version: f.version,
        design: {
          ...f.design,
          // A light boat, so that the weld of the doubler bears what hangs on it.
          load: { ...f.design.load, massKg: 1500 },
          doubler: { lengthMm: 300, widthMm: 300, thicknessMm: 10, weldMm: 4 },
        },
      })
    ).body
    // The hand checks answer a save and say what is still to be asked; the solver's word follows.
    expect(doubled).toMatchObject({ verdict: 'holds', solverDue: true })
    await settled()
    expect(await listed(f.id)).toMatchObject({ verdict: 'short', solverDue: false })
    await fitter.ask('POST', `${METAL}/structure`, frame(3410))
    await fitter.ask('POST', `${METAL}/structure`, {
      kind: 'longitudinal',
      title: 'Stringer put in',
      x0Mm: 2000,
      y0Mm: 0,
      x1Mm: 5000,
      y1Mm: 0,
    })
    await settled()
    expect(await listed(f.id)).toMatchObject({
      verdict: expect.stringMatching(/holds|tight/) as string,
      solverDue: false,
    })
  })
  it('what was not changed for the solver is not asked again: a new name keeps its answer', async () => {
    const f = await place()
    const before = (await Fitting.findByPk(f.id))!.solver
    expect(before!.checks.map((c) => c.id)).toContain('spread-core-shear')
    await fitter.ask('PUT', `/api/fittings/${f.id}`, {
      version: f.version,
      design: { ...f.design, name: 'Renamed' },
    })
    expect((await Fitting.findByPk(f.id))!.solver).toEqual(before)
  })
})
