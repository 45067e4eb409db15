import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { workState, type LogLine, type Step } from '@north-tide/core'
import { kindNamed } from '@north-tide/core/kinds'
import { ALONE } from '@north-tide/core'
import { startYard, type Someone, type Yard } from './harness'

/** Openings in the database: each family worked to its end, the deck round them solved and kept. */
let app: Yard['app']
let fitter: Someone
interface Open {
  id: string
  version: number
  verdict: string
  governing: string | null
  solverDue: boolean
  design: Record<string, unknown> & { place: object; outline: object }
  holes: { id: number; label: string; state: string }[]
  log: LogLine[]
}
const F = '/api/boats/fulmars-reach'
const kind = kindNamed('opening')
const opened = async (id: string) => (await fitter.ask<Open>('GET', `/api/fittings/${id}`)).body
const placed = (catalogueId: string, more: object = {}) =>
  fitter.ask<Open>('POST', `${F}/fittings`, {
    catalogueId,
    name: `${catalogueId} to its end`,
    xMm: 9000,
    yMm: -700,
    ...more,
  })
const stepsOf = (f: Open): Step[] => {
  const d = kind.schema.parse(f.design)
  return kind.steps(d, kind.judge(d, ALONE), 'metric', workState(f.log))
}
const tick = (id: string, s: Step, more: object = {}) =>
  fitter.ask<Open>('POST', `/api/fittings/${id}/tick`, {
    step: s.id,
    note: '',
    looked: s.looks,
    reason: 'in the test the day is not asked about',
    ...(s.asks.includes('proof') ? { proof: 'hosed low to high, 10 minutes, dry inside' } : {}),
    ...(s.asks.includes('size') && s.sizeOf === 'opening' ? { sizeMm: 300 } : {}),
    ...more,
  })

beforeAll(async () => {
  ;({ app, fitter } = await startYard('openings'))
}, 240_000)
afterAll(() => app.stop())

describe('worked to its end', () => {
  it.each([
    ['CL-D25', {}],
    ['CL-B40', {}],
    ['BS-G32', { xMm: 1900, yMm: 200, zMm: 900, zone: 'collision-bulkhead' }],
  ])('%s: each step in its order, and its hole is in service', async (id, where) => {
    const { body: f, status } = await placed(id, where)
    expect(status, JSON.stringify(f).slice(0, 200)).toBe(201)
    const steps = stepsOf(await opened(f.id))
    expect(steps.length).toBeGreaterThan(5)
    for (const s of steps) {
      const r = await tick(f.id, s)
      expect(r.status, `${s.id}: ${JSON.stringify(r.body).slice(0, 300)}`).toBe(200)
    }
    const done = await opened(f.id)
    expect(done.holes.length).toBeGreaterThan(0)
    expect([...new Set(done.holes.map((h) => h.state))]).toEqual(['in-service'])
    // nothing is left to do, and a step is not done twice
    const again = await tick(f.id, steps.at(-1)!)
    expect(again.status).toBe(409)
  })
  it('a step out of its order is passed with a reason only', async () => {
    const { body: f } = await placed('CL-V10')
    const cut = stepsOf(await opened(f.id)).find((s) => s.id === 'cut-opening')!
    const r = await tick(f.id, cut, { reason: '' })
    expect(r.status).toBe(409)
    expect((await opened(f.id)).holes).toEqual([])
  })
})
describe('the deck round it', () => {
  it('is solved when it is placed, and stands in its verdict', async () => {
    const { body: f } = await placed('CL-H40', { xMm: 9000, yMm: 600 })
    const now = await opened(f.id)
    expect(now.solverDue).toBe(false)
    const wider = {
      version: now.version,
      design: { ...now.design, outline: { kind: 'rect', lengthMm: 1200, widthMm: 900, cornerMm: 25 } },
    }
    const saved = await fitter.ask<Open>('PUT', `/api/fittings/${f.id}`, wider)
    expect(saved.status).toBe(200)
    const later = await opened(f.id)
    expect(later.verdict).toBe('short')
  })
})
describe('what came out', () => {
  it('is a reading of the zone, and what was an estimate is measured', async () => {
    const before = await fitter.ask<{ zones: { code: string; layers: { measured: boolean }[] }[] }>('GET', F)
    const roof = before.body.zones.find((z) => z.code === 'roof')!
    expect(roof.layers.some((l) => l.measured)).toBe(false)
    const r = await fitter.ask<{ readings: { note: string; layer: number; value: number }[] }>(
      'POST',
      `${F}/readings`,
      {
        kind: 'thickness',
        zone: 'roof',
        way: 'plug',
        xMm: 5000,
        yMm: 300,
        note: 'Cut-out of Roof hatch',
        layers: [3.2, 15.1, 2.4].map((thicknessMm, layer) => ({ layer, thicknessMm })),
      },
    )
    expect(r.status).toBe(201)
    expect(r.body.readings.filter((x) => x.note === 'Cut-out of Roof hatch').map((x) => x.value)).toEqual([
      3.2, 15.1, 2.4,
    ])
    const after = await fitter.ask<{
      zones: { code: string; layers: { measured: boolean; thicknessMm: number }[] }[]
    }>('GET', F)
    expect(
      after.body.zones.find((z) => z.code === 'roof')!.layers.map((l) => [l.thicknessMm, l.measured]),
    ).toEqual([
      [3.2, true],
      [15.1, true],
      [2.4, true],
    ])
  })
})
describe('an outline from a drawing', () => {
  const dxf = (points: [number, number][]) =>
    ['0', 'SECTION', '2', 'ENTITIES', '0', 'LWPOLYLINE', '90', String(points.length), '70', '1']
      .concat(points.flatMap(([x, y]) => ['10', String(x), '20', String(y)]))
      .concat(['0', 'ENDSEC', '0', 'EOF'])
      .join('\n')
  it('is centred, in millimetres', async () => {
    const text = dxf([
      [100, 100],
      [500, 100],
      [500, 300],
      [100, 250],
    ])
    const r = await fitter.ask<{ outline: { xMm: number; yMm: number }[]; assumedUnit: boolean }>(
      'POST',
      '/api/hardware/outline.dxf',
      undefined,
      text,
    )
    expect(r.status).toBe(200)
    expect(r.body.outline).toContainEqual({ xMm: -200, yMm: -100 })
    expect(r.body.assumedUnit).toBe(true)
    const wrong = await fitter.ask('POST', '/api/hardware/outline.dxf', undefined, 'no drawing')
    expect(wrong.status).toBe(400)
  })
})
