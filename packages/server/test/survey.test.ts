import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { startDesign, catalogueEntry, type BoatZone } from '@north-tide/core'
import { Fitting } from '../src/models'
import { settled } from '../src/services/rejudge'
import { Someone, startYard, type Answer, type Yard } from './harness'

let app: Yard['app']
let fitter: Someone
let apprentice: Someone
let owner: Someone
beforeAll(async () => {
  ;({ app, fitter, apprentice, owner } = await startYard('survey'))
}, 240_000)
afterAll(() => app.stop())

const F = '/api/boats/fulmars-reach'
interface Job {
  id: number
  total: number
  done: number
  turned: number
  finished: boolean
}
interface Picture {
  zones: (BoatZone & { id: number; version: number })[]
  parts: { id: number; kind: string }[]
  wet: Record<string, { excess: number }[]>
  fittings: { id: string; name: string; verdict: string; stale: string[] | null; solverDue: boolean }[]
  holes: {
    id: number
    label: string
    xMm: number
    yMm: number
    whatFor: string
    measuredFrom: string
    foundKind: string | null
    state: string
  }[]
  stations: { xMm: number; halfBreadthMm: number }[]
}
const picture = async (id = 'fulmars-reach') => (await fitter.ask<Picture>('GET', `/api/boats/${id}`)).body
const finish = async (boat: string, job: Job | null) => {
  for (let j = job; j;) {
    if (j.finished) return j
    j = (await fitter.ask<Job>('GET', `/api/boats/${boat}/rejudge/${j.id}`)).body
  }
  return null
}
const refused = (a: Answer, status: number, path?: string) => {
  expect([a.status, a.body.error.path]).toEqual([status, path])
  expect(a.body.error.message.length).toBeGreaterThan(8)
}

describe('zones and what is measured of them', () => {
  it('a probe that finds the skin thinner makes the fittings on it stale, judges them anew, and a withdrawn reading undoes it', async () => {
    const before = await picture()
    const cleat = before.fittings.find((f) => f.name === 'Mooring cleat, starboard quarter')!
    const zone = before.zones.find((z) => z.code === 'working-deck')!
    const probe = {
      kind: 'thickness',
      zone: 'working-deck',
      way: 'probe',
      xMm: 9600,
      yMm: 600,
      layers: [
        { layer: 0, thicknessMm: 1.2 },
        { layer: 2, thicknessMm: 1 },
      ],
    }
    const a = await fitter.ask<{ job: Job; readings: { id: number; kind: string; value: number }[] }>(
      'POST',
      `${F}/readings`,
      probe,
    )
    expect(a.status).toBe(201)
    const job = (await finish('fulmars-reach', a.body.job))!
    expect(job.done).toBe(job.total)
    expect(job.total).toBe(before.fittings.length)
    const after = await picture()
    expect(after.zones.find((z) => z.code === 'working-deck')!.layers[0]).toMatchObject({
      thicknessMm: 1.2,
      measured: true,
      measuredBy: 'drilled probe',
      spreadMm: 0,
      count: 1,
    })
    expect(after.zones.find((z) => z.code === 'working-deck')!.version).toBe(zone.version + 1)
    const now = after.fittings.find((f) => f.id === cleat.id)!
    expect(now.stale).toContain('outer skin 5 mm is 1.2 mm now, measured')
    expect([cleat.verdict, now.verdict]).toEqual(['holds', 'short'])
    const open = (
      await fitter.ask<{
        stale: { changes: string[]; take: { structure: { outerMm: number }; measured: string[] } }
        version: number
        design: { structure: object; measured: string[] }
      }>('GET', `/api/fittings/${cleat.id}`)
    ).body
    expect(open.stale.take.structure.outerMm).toBe(1.2)
    const taken = {
      ...open.design,
      structure: open.stale.take.structure,
      measured: ['outerMm', 'coreMm', 'innerMm'],
    }
    expect(
      (
        await fitter.ask<{ staleNow: null }>('PUT', `/api/fittings/${cleat.id}`, {
          version: open.version,
          design: taken,
        })
      ).body.staleNow,
    ).toBeNull()
    expect(
      (
        await fitter.ask<{ staleNow: string[] }>('PUT', `/api/fittings/${cleat.id}`, {
          version: open.version + 1,
          design: open.design,
        })
      ).body.staleNow,
    ).not.toBeNull()
    for (const r of a.body.readings.filter((q) => q.kind === 'thickness').slice(-2))
      refused(await fitter.ask('POST', `${F}/readings/${r.id}/withdraw`, { why: ' ' }), 400, 'why')
    const next = { ...probe, layers: [{ layer: 0, thicknessMm: 1.8 }] }
    await finish('fulmars-reach', (await fitter.ask<{ job: Job }>('POST', `${F}/readings`, next)).body.job)
    expect((await picture()).zones.find((z) => z.code === 'working-deck')!.layers[0]).toMatchObject({
      thicknessMm: 1.5,
      count: 2,
    })
    expect((await picture()).zones.find((z) => z.code === 'working-deck')!.layers[0]!.spreadMm).toBeCloseTo(
      0.6,
      9,
    )
    const first = a.body.readings.filter((q) => q.kind === 'thickness').find((q) => q.value === 1.2)!
    await finish(
      'fulmars-reach',
      (
        await fitter.ask<{ job: Job }>('POST', `${F}/readings/${first.id}/withdraw`, {
          why: 'read on the wrong deck',
        })
      ).body.job,
    )
    expect((await picture()).zones.find((z) => z.code === 'working-deck')!.layers[0]).toMatchObject({
      thicknessMm: 1.8,
      count: 1,
    })
    refused(await fitter.ask('POST', `${F}/readings/${first.id}/withdraw`, { why: 'again' }), 409)
  })
  it.each([
    [
      {
        kind: 'thickness',
        zone: 'working-deck',
        way: 'ultrasonic',
        xMm: 1,
        yMm: 1,
        layers: [{ layer: 1, thicknessMm: 12 }],
      },
      'layers.0.layer',
    ],
    [
      {
        kind: 'thickness',
        zone: 'topsides',
        way: 'plug',
        xMm: 1,
        yMm: 1,
        layers: [{ layer: 1, thicknessMm: 12 }],
      },
      'layers.0.layer',
    ],
    [
      {
        kind: 'thickness',
        zone: 'nowhere',
        way: 'plug',
        xMm: 1,
        yMm: 1,
        layers: [{ layer: 0, thicknessMm: 12 }],
      },
      'zone',
    ],
    [{ kind: 'moisture', zone: 'foredeck', xMm: 1, yMm: 1, value: 120, dryReference: 14 }, 'value'],
    [{ kind: 'moisture', zone: 'foredeck', xMm: 1, yMm: 1, value: 20 }, 'dryReference'],
    [{ kind: 'tap', zone: 'foredeck', xMm: 1, yMm: 1, finding: 'hollow' }, 'finding'],
    [
      { kind: 'core', zone: 'foredeck', xMm: 1, yMm: 1, finding: 'rotten', takenAt: '2099-01-01T00:00:00Z' },
      'takenAt',
    ],
  ])('a reading that cannot be is refused at its field: %j', async (body, path) =>
    refused(await fitter.ask('POST', `${F}/readings`, body), 400, path),
  )
  it('a later reading at the same spot stands for the earlier one in the wet map', async () => {
    const spot = { kind: 'moisture', zone: 'roof', xMm: 4000, yMm: 0, dryReference: 10, scaleMost: 50 }
    await fitter.ask('POST', `${F}/readings`, { ...spot, value: 30, takenAt: '2026-05-01T09:00:00Z' })
    await fitter.ask('POST', `${F}/readings`, { ...spot, value: 12, takenAt: '2026-05-02T09:00:00Z' })
    expect((await picture()).wet.roof).toEqual([{ xMm: 4000, yMm: 0, excess: 4 }])
  })
})

describe('a boat\u2019s own book', () => {
  const boat = {
    name: 'Skua\u2019s Rest',
    kind: 'test',
    lengthMm: 7000,
    beamMm: 2500,
    displacementKg: 1900,
    duty: 'coastal',
    units: 'metric',
    hullKind: 'cored',
  }
  const zone = {
    title: 'Foredeck',
    face: 'deck',
    kind: 'solid',
    zMm: 900,
    outline: [
      { xMm: 200, yMm: -600 },
      { xMm: 2000, yMm: -600 },
      { xMm: 2000, yMm: 600 },
      { xMm: 200, yMm: 600 },
    ],
    layers: [{ material: 'mat', thicknessMm: 8, measured: false }],
  }
  it('is begun, built up, saved under a version check, and its fittings follow its zones', async () => {
    const made = (await fitter.ask<{ id: string; version: number }>('POST', '/api/boats', boat)).body
    expect(made.id).toBe('skuas-rest')
    expect((await picture(made.id)).stations.length).toBeGreaterThan(5)
    const zones = (
      await fitter.ask<{ zones: { id: number; version: number; code: string }[] }>(
        'POST',
        `/api/boats/${made.id}/zones`,
        zone,
      )
    ).body.zones
    const fitting = (
      await fitter.ask<{ id: string; design: { structure: object } }>(
        'POST',
        `/api/boats/${made.id}/fittings`,
        { catalogueId: 'HG-C250', xMm: 900, yMm: 0 },
      )
    ).body
    expect(fitting.design.structure).toMatchObject({ kind: 'solid', thicknessMm: 8 })
    const saved = await fitter.ask<{ job: Job }>('PUT', `/api/boats/${made.id}/zones/${zones[0]!.id}`, {
      ...zone,
      version: zones[0]!.version,
      layers: [{ material: 'mat', thicknessMm: 5, measured: true, measuredBy: 'rule' }],
    })
    await finish(made.id, saved.body.job)
    expect((await picture(made.id)).fittings[0]!.stale).toEqual(['thickness 8 mm is 5 mm now, measured'])
    refused(
      await fitter.ask('PUT', `/api/boats/${made.id}/zones/${zones[0]!.id}`, {
        ...zone,
        version: zones[0]!.version,
      }),
      409,
      'version',
    )
    expect(
      (await fitter.ask('PUT', `/api/boats/${made.id}`, { ...boat, name: 'Skua', version: made.version }))
        .status,
    ).toBe(200)
    refused(
      await fitter.ask('PUT', `/api/boats/${made.id}`, { ...boat, version: made.version }),
      409,
      'version',
    )
    const parts = (
      await fitter.ask<{ parts: { id: number }[] }>('POST', `/api/boats/${made.id}/structure`, {
        kind: 'knee',
        title: 'Knee',
        x0Mm: 900 + catalogueEntry('HG-C250')!.bolts[0]!.xMm,
        y0Mm: -100,
        x1Mm: 900,
        y1Mm: 100,
        depthMm: 150,
      })
    ).body.parts
    expect(
      (await fitter.ask<{ flags: { id: string }[] }>('GET', `/api/fittings/${fitting.id}`)).body.flags.map(
        (f) => f.id,
      ),
    ).toContain('knee')
    expect(
      (await fitter.ask<{ parts: object[] }>('DELETE', `/api/boats/${made.id}/structure/${parts[0]!.id}`))
        .body.parts,
    ).toEqual([])
  })
  it.each([
    [{ ...zone, outline: zone.outline.slice(0, 2) }, 'outline'],
    [
      {
        ...zone,
        outline: [
          { xMm: 0, yMm: 0 },
          { xMm: 1, yMm: 0 },
          { xMm: 2, yMm: 0 },
        ],
      },
      'outline',
    ],
    [{ ...zone, kind: 'sandwich' }, 'layers'],
    [{ ...zone, layers: [{ material: 'cheese', thicknessMm: 8, measured: false }] }, 'layers.0.material'],
    [{ ...zone, face: 'bulkhead' }, 'atXMm'],
    [{ ...zone, layers: [{ material: 'mat', thicknessMm: 0, measured: false }] }, 'layers.0.thicknessMm'],
  ])('a zone that cannot be is refused at its field', async (body, path) =>
    refused(await fitter.ask('POST', `${F}/zones`, body), 400, path),
  )
  it('a zone with readings stays, and only a fitter builds', async () => {
    const foredeck = (await picture()).zones.find((z) => z.code === 'foredeck')!
    refused(await fitter.ask('DELETE', `${F}/zones/${foredeck.id}`), 409)
    refused(await apprentice.ask('POST', `${F}/zones`, zone), 403)
    refused(
      await owner.ask('POST', `${F}/readings`, {
        kind: 'tap',
        zone: 'foredeck',
        xMm: 1,
        yMm: 1,
        finding: 'dull',
      }),
      403,
    )
    expect((await owner.ask('GET', '/api/boats/pipit/readings')).status).toBe(403)
  })
  it('reads a deck edge from a DXF, and refuses what is none', async () => {
    const id = (await fitter.ask<{ id: string }>('POST', '/api/boats', { ...boat, name: 'From a drawing' }))
      .body.id
    const { toDxf } = await import('@north-tide/core/dxf')
    const edge = [
      [0, 0],
      [3000, 1200],
      [6400, 1000],
      [6400, -1000],
      [3000, -1200],
    ].map(([x, y]) => ({ x: x!, y: y! }))
    const dxf = toDxf(
      {
        title: '',
        description: '',
        bounds: { minX: 0, maxX: 1, minY: 0, maxY: 1 },
        legend: [],
        textMm: 1,
        scaleBarMm: 1,
        shapes: [{ kind: 'area', points: edge, tone: 'none', role: 'x' }],
      },
      ['EDGE'],
      () => 'EDGE',
    )
    const a = await fitter.ask<{ lengthMm: number; stations: { xMm: number; halfBreadthMm: number }[] }>(
      'POST',
      `/api/boats/${id}/outline.dxf`,
      undefined,
      dxf,
    )
    expect(a.body.lengthMm).toBe(6400)
    const near = a.body.stations.reduce((m, s) => (Math.abs(s.xMm - 3000) < Math.abs(m.xMm - 3000) ? s : m))
    expect(near.halfBreadthMm).toBeGreaterThan(1050)
    expect(a.body.stations.at(-1)!.halfBreadthMm).toBe(1000)
    refused(
      await fitter.ask('POST', `/api/boats/${id}/outline.dxf`, undefined, 'no drawing at all'),
      400,
      'file',
    )
  })
})

describe('where, and what was there', () => {
  const from = { axis: 'along', from: 'P-001', fromMm: 8650, mm: 412, inside: null }
  it('a fitting placed by measurement keeps what was measured, in the design and in the register', async () => {
    const measures = [from, { axis: 'edge', from: 'port edge', fromMm: null, mm: 295, inside: null }]
    const f = (
      await fitter.ask<{
        id: string
        design: { place: { xMm: number; yMm: number; measuredFrom: object[] } }
      }>('POST', `${F}/fittings`, { catalogueId: 'HG-P60', measures })
    ).body
    expect(f.design.place).toMatchObject({ xMm: 9062, measuredFrom: measures })
    expect(f.design.place.yMm).toBeLessThan(-1450)
    await fitter.ask('POST', `/api/fittings/${f.id}/record`)
    expect((await picture()).holes.at(-1)!.measuredFrom).toBe(
      '412 mm aft of P-001; 295 mm in from the port edge',
    )
  })
  it('measurements that disagree are a question, and the one believed is kept', async () => {
    const measures = [
      from,
      { axis: 'along', from: 'stem', fromMm: 0, mm: 9040, inside: null },
      { axis: 'across', from: 'centreline', fromMm: 0, mm: -700, inside: null },
    ]
    const a = await fitter.ask('POST', `${F}/fittings`, { catalogueId: 'HG-P60', measures })
    refused(a, 409, 'believe.x')
    expect((a.body.error as unknown as { conflicts: { apartMm: number }[] }).conflicts[0]!.apartMm).toBe(22)
    expect(
      (
        await fitter.ask<{ design: { place: object } }>('POST', `${F}/fittings`, {
          catalogueId: 'HG-P60',
          measures,
          believe: { x: 1 },
        })
      ).body.design.place,
    ).toMatchObject({ xMm: 9040, yMm: -700 })
  })
  it('found holes get numbers and a life, with size across where they are oval', async () => {
    const n = (await picture()).holes.length
    const a = await fitter.ask<{ label: string; state: string; acrossMm: number }>(
      'POST',
      `${F}/penetrations`,
      { foundKind: 'oval hole', diameterMm: 12, acrossMm: 14, xMm: 5000, yMm: -1500, note: 'worn forward' },
    )
    expect(a.body).toMatchObject({ state: 'suspect', acrossMm: 14 })
    expect((await picture()).holes.length).toBe(n + 1)
    refused(
      await fitter.ask('POST', `${F}/penetrations`, { foundKind: 'a nail', diameterMm: 4, xMm: 1, yMm: 1 }),
      400,
      'foundKind',
    )
    refused(
      await fitter.ask('POST', `${F}/penetrations`, { foundKind: 'open hole', diameterMm: 4, xMm: 1 }),
      400,
      'yMm',
    )
  })
  const csv =
    'What;X (mm);Y (mm);Dia;Condition\nOld cleat, fore;700;-300;8.5;suspect\nOld cleat, aft;780;-300;8.5;closed\n'
  it('a list of holes: columns are matched, faults are said by line, and nothing is half read', async () => {
    const n = (await picture()).holes.length
    const look = await fitter.ask<{ columns: object; rows: number; errors: object[]; written: number }>(
      'POST',
      `${F}/penetrations/import`,
      { csv },
    )
    expect(look.body).toMatchObject({
      rows: 2,
      errors: [],
      written: 0,
      columns: { whatFor: 'What', xMm: 'X (mm)', yMm: 'Y (mm)', diameterMm: 'Dia', state: 'Condition' },
    })
    const bad = await fitter.ask<{ errors: { line: number; column: string }[]; written: number }>(
      'POST',
      `${F}/penetrations/import`,
      { csv: `${csv}Third;abc;0;-3;melted\n`, write: true },
    )
    expect(bad.body.written).toBe(0)
    expect(bad.body.errors.map((e) => [e.line, e.column])).toEqual([
      [4, 'X (mm)'],
      [4, 'Dia'],
      [4, 'Condition'],
    ])
    expect((await picture()).holes.length).toBe(n)
    const gate = await fitter.ask('POST', `${F}/penetrations/import`, { csv, write: true })
    expect([gate.status, gate.body.error.gates?.map((g) => g.id)]).toEqual([409, ['no-repair']])
    refused(
      await apprentice.ask('POST', `${F}/penetrations/import`, {
        csv,
        write: true,
        gateReason: 'it says so',
      }),
      403,
    )
    expect(
      (
        await fitter.ask<{ written: number }>('POST', `${F}/penetrations/import`, {
          csv,
          write: true,
          gateReason: 'the last yard\u2019s list says so',
        })
      ).body.written,
    ).toBe(2)
    expect((await picture()).holes.slice(-2).map((h) => [h.whatFor, h.state])).toEqual([
      ['Old cleat, fore', 'suspect'],
      ['Old cleat, aft', 'closed'],
    ])
    expect(
      (await fitter.ask<{ duplicates: number }>('POST', `${F}/penetrations/import`, { csv })).body.duplicates,
    ).toBe(2)
    refused(await fitter.ask('POST', `${F}/penetrations/import`, { csv: 'just words' }), 400, 'csv')
    expect(
      (
        await fitter.ask<{ missing: string[] }>('POST', `${F}/penetrations/import`, {
          csv: 'a,b\n1,2\n',
          write: true,
        })
      ).body.missing,
    ).toEqual(['what for', 'x, aft of the stem', 'y, to starboard', 'size'])
  })
  it('what went out as CSV is read in again at the same places', async () => {
    const out = (await fitter.ask('GET', `${F}/register.csv`)).text
    const a = await fitter.ask<{ errors: object[]; rows: number; duplicates: number }>(
      'POST',
      `${F}/penetrations/import`,
      {
        csv: out,
        columns: {
          whatFor: 'whatFor',
          xMm: 'xMm',
          yMm: 'yMm',
          zMm: 'zMm',
          diameterMm: 'diameterMm',
          state: 'state',
        },
      },
    )
    expect(a.body.errors).toEqual([])
    expect(a.body.duplicates).toBe(a.body.rows)
  })
})

describe('angles', () => {
  it('takes the cradle out, and the schedule goes out as CSV and DXF', async () => {
    const a = (
      await fitter.ask<{ answer: { heelDeg: number; trimDeg: number; stations: object[]; pairs: object[] } }>(
        'GET',
        `${F}/angles`,
      )
    ).body
    expect(a.answer.heelDeg).toBeCloseTo(-0.4, 1)
    expect(a.answer.trimDeg).toBeCloseTo(0.7, 1)
    expect([a.answer.stations.length, a.answer.pairs.length]).toEqual([4, 2])
    expect((await fitter.ask('GET', `${F}/angles.csv`)).text.split('\n')).toHaveLength(6)
    expect((await fitter.ask('GET', `${F}/angles.dxf`)).text).toContain('bend to')
    const more = (
      await fitter.ask<{ rows: { id: number }[]; answer: { rechecks: { moved: boolean }[] } }>(
        'POST',
        `${F}/angles`,
        { role: 'recheck', degrees: 2 },
      )
    ).body
    expect(more.rows.length).toBeGreaterThan(20)
    refused(await fitter.ask('POST', `${F}/angles`, { role: 'station', degrees: 2 }), 400, 'station')
    refused(await fitter.ask('POST', `${F}/angles`, { role: 'reference', degrees: 200 }), 400, 'degrees')
    const pipit = (
      await fitter.ask<{ answer: null; problem: { message: string } }>('GET', '/api/boats/pipit/angles')
    ).body
    expect(pipit.answer).toBeNull()
    expect(pipit.problem.message).toContain('three surfaces')
    refused(await fitter.ask('GET', '/api/boats/pipit/angles.csv'), 409)
  })
})

describe('instruments, simulated', () => {
  const stream = async (kind: string, query: string, last?: number) => {
    const cookie = (fitter as unknown as { cookie: string }).cookie
    const r = await fetch(`${app.base}/api/instruments/${kind}/stream?everyMs=5&count=4&${query}`, {
      headers: { cookie, ...(last ? { 'last-event-id': String(last) } : {}) },
    })
    return {
      type: r.headers.get('content-type'),
      status: r.status,
      events: [...(await r.text()).matchAll(/data: (.*)/g)].map(
        (m) => JSON.parse(m[1]!) as { n: number; value: number; simulated: boolean; instrument: string },
      ),
    }
  }
  it('repeats from its seed, says that it is simulated, and goes on where a reader lost it', async () => {
    const [a, b] = [
      await stream('moisture', 'seed=3&boatId=fulmars-reach&xMm=1150&yMm=610'),
      await stream('moisture', 'seed=3&boatId=fulmars-reach&xMm=1150&yMm=610'),
    ]
    expect(a.type).toContain('text/event-stream')
    expect(a.events.map((e) => e.value)).toEqual(b.events.map((e) => e.value))
    expect(a.events.every((e) => e.simulated && e.instrument.includes('simulated'))).toBe(true)
    expect(a.events[0]!.value).toBeGreaterThan(
      (await stream('moisture', 'seed=3&boatId=fulmars-reach&xMm=2800&yMm=-200')).events[0]!.value + 10,
    )
    expect(
      (await stream('moisture', 'seed=3&boatId=fulmars-reach&xMm=1150&yMm=610', 2)).events.map((e) => e.n),
    ).toEqual([3, 4, 5, 6])
    for (const kind of ['level', 'hygrometer', 'ultrasonic'])
      expect((await stream(kind, 'seed=1&aboutMm=9')).events).toHaveLength(4)
    expect((await stream('crystal-ball', '')).status).toBe(404)
    expect((await stream('level', 'role=sideways')).status).toBe(400)
  })
  it('four are read at once and no more; signed out they end', async () => {
    const who = await new Someone(app.base).signIn('apprentice')
    const open = () =>
      fetch(`${app.base}/api/instruments/level/stream?everyMs=20`, { headers: { cookie: who.cookie } })
    const four = await Promise.all([open(), open(), open(), open()])
    expect(four.map((r) => r.status)).toEqual([200, 200, 200, 200])
    expect((await open()).status).toBe(429)
    await four[0]!.body!.cancel()
    await expect
      .poll(async () => {
        const r = await open()
        await r.body!.cancel()
        return r.status
      })
      .toBe(200)
    await who.ask('DELETE', '/api/session')
    // Read to their end, which comes without anybody closing them.
    const texts = await Promise.all(four.slice(1).map((r) => r.text()))
    expect(texts.every((t) => t.includes('data: '))).toBe(true)
  }, 240_000)
})

describe('photos', () => {
  const send = async (
    bytes: Buffer | Uint8Array,
    name: string,
    fields: Record<string, string>,
    who = fitter,
  ) => {
    const form = new FormData()
    for (const [k, v] of Object.entries(fields)) form.set(k, v)
    form.set('file', new Blob([new Uint8Array(bytes)]), name)
    const r = await fetch(`${app.base}${F}/photos`, {
      method: 'POST',
      body: form,
      headers: { cookie: (who as unknown as { cookie: string }).cookie },
    })
    return {
      status: r.status,
      body: (await r.json()) as {
        id: number
        width: number
        error: { code: string; path: string; message: string }
      },
    }
  }
  const image = (format: 'jpeg' | 'png' | 'webp' | 'gif', w = 2000, h = 1000) =>
    sharp({ create: { width: w, height: h, channels: 3, background: '#b08d57' } })
      .toFormat(format)
      .toBuffer()
  it('are known by their content, resized, and read back whole', async () => {
    const hole = (await picture()).holes[0]!
    for (const format of ['jpeg', 'png', 'webp'] as const) {
      const bytes = await image(format)
      const a = await send(bytes, 'picture.txt', {
        subject: 'hole',
        subjectId: String(hole.id),
        caption: 'as found',
      })
      expect([a.status, a.body.width]).toEqual([201, 2000])
      const cookie = (fitter as unknown as { cookie: string }).cookie
      const get = async (size: string) =>
        Buffer.from(
          await (
            await fetch(`${app.base}/api/photos/${a.body.id}/${size}`, { headers: { cookie } })
          ).arrayBuffer(),
        )
      expect((await get('original')).equals(bytes)).toBe(true)
      expect((await sharp(await get('large')).metadata()).width).toBe(1600)
      expect((await sharp(await get('small')).metadata()).width).toBe(320)
    }
  })
  it.each([
    [
      'a text file called .jpg',
      async () => Buffer.from('not a picture, whatever it is called'),
      'not-a-picture',
    ],
    ['a GIF called .png', () => image('gif', 40, 40), 'wrong-kind'],
    ['half a JPEG', async () => (await image('jpeg')).subarray(0, 700), 'broken-picture'],
    ['an empty file', async () => Buffer.alloc(0), 'not-a-picture'],
    [
      'an SVG with a script',
      async () =>
        Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script>1</script></svg>'),
      'wrong-kind',
    ],
  ])('%s is refused in words', async (_what, make, code) => {
    const a = await send(await make(), 'holiday.jpg', { subject: 'boat', subjectId: 'fulmars-reach' })
    expect([a.status, a.body.error.code, a.body.error.path]).toEqual([400, code, 'file'])
    expect(a.body.error.message).toMatch(/JPEG, PNG and WebP|empty|camera/)
  })
  it('more than 12 MB, a subject that is not there, or an owner, are refused', async () => {
    expect(
      (
        await send(Buffer.alloc(12 * 1024 * 1024 + 1), 'big.jpg', {
          subject: 'boat',
          subjectId: 'fulmars-reach',
        })
      ).status,
    ).toBe(413)
    expect(
      (await send(await image('png', 9, 9), 'a.png', { subject: 'hole', subjectId: '999999' })).body.error
        .path,
    ).toBe('subjectId')
    expect(
      (await send(await image('png', 9, 9), 'a.png', { subject: 'boat', subjectId: 'fulmars-reach' }, owner))
        .status,
    ).toBe(403)
  })
})

describe('the whole boat in one file', () => {
  it('goes out and comes in again as the same boat, photos and lives and all', async () => {
    const out = (
      await fitter.ask<{
        photos: object[]
        fittings: object[]
        readings: object[]
        angles: object[]
        holes: { events: object[] }[]
      }>('GET', `${F}/boat.json`)
    ).body
    expect([out.photos.length, out.angles.length].every((n) => n > 0)).toBe(true)
    const made = await fitter.ask<{ id: string; holes: number }>('POST', '/api/boats/import', out)
    expect(made.status).toBe(201)
    expect(made.body.id).not.toBe('fulmars-reach')
    expect((await fitter.ask('GET', `/api/boats/${made.body.id}/boat.json`)).body).toEqual(out)
    await settled()
    const [a, b] = [await picture(), await picture(made.body.id)]
    const told = (p: typeof a) => p.fittings.map((f) => [f.name, f.verdict, f.stale, f.solverDue])
    expect(told(b)).toEqual(told(a))
    expect(b.fittings.some((f) => f.solverDue)).toBe(false)
  })
  it.each([
    ['a hole numbered twice', (f: Whole) => f.holes.push({ ...f.holes[0]! }), 'holes.1'],
    ['a reading in no zone', (f: Whole) => (f.readings[0]!.zone = 'attic'), 'readings.0.zone'],
    ['an event out of order', (f: Whole) => (f.holes[0]!.events[0]!.seq = 4), 'holes.0.events.0.seq'],
    ['an unknown lot', (f: Whole) => (f.holes[0]!.events[0]!.lot = 'X'), 'holes.0.events.0.lot'],
    [
      'a design that is none',
      (f: Whole) => (f.fittings[0]!.design = { schemaVersion: 1 }),
      'fittings.0.design.name',
    ],
    ['a newer version', (f: Whole) => (f.version = 9), 'version'],
    [
      'a passed gate without a reason',
      (f: Whole) => (f.holes[0]!.events[0]!.gatesPassed = ['no-proof']),
      'holes.0.events.0.gateReason',
    ],
  ] as [string, (f: Whole) => void, string][])('%s is refused whole', async (_what, spoil, path) => {
    const f = (await fitter.ask<Whole>('GET', `${F}/boat.json?photos=no`)).body as unknown as Whole
    f.holes.splice(1)
    f.holes[0]!.fitting = null
    f.holes[0]!.boltIndex = null
    spoil(f)
    const boats = (await fitter.ask<object[]>('GET', '/api/boats')).body.length
    refused(await fitter.ask('POST', '/api/boats/import', f), 400, path)
    expect((await fitter.ask<object[]>('GET', '/api/boats')).body.length).toBe(boats)
  })
  it('the map goes out as SVG, DXF and PDF with the numbers', async () => {
    expect((await fitter.ask('GET', `${F}/map.svg`)).text).toMatch(/^<svg[\s\S]*P-001/)
    expect((await fitter.ask('GET', `${F}/map.dxf?units=inch`)).text).toContain('P-001')
    expect((await fitter.ask('GET', `${F}/map.pdf`)).text.startsWith('%PDF-')).toBe(true)
    expect((await fitter.ask('GET', `${F}/map.gif`)).status).toBe(404)
  })
})
interface Whole {
  version: number
  readings: { zone: string }[]
  fittings: { design: object }[]
  holes: {
    fitting: string | null
    boltIndex: number | null
    events: { seq: number; lot: string | null; gatesPassed: string[] }[]
  }[]
}

it('five hundred fittings are all judged anew, and every one that turned is counted', async () => {
  const id = (
    await fitter.ask<{ id: string }>('POST', '/api/boats', {
      name: 'Many',
      lengthMm: 20000,
      beamMm: 5000,
      displacementKg: 20000,
      duty: 'coastal',
      units: 'metric',
      hullKind: 'laminate',
    })
  ).body.id
  const zone = {
    title: 'Deck',
    face: 'deck',
    kind: 'solid',
    zMm: 900,
    outline: [
      { xMm: 0, yMm: -2500 },
      { xMm: 20000, yMm: -2500 },
      { xMm: 20000, yMm: 2500 },
      { xMm: 0, yMm: 2500 },
    ],
    layers: [{ material: 'woven', thicknessMm: 14, measured: true }],
  }
  const z = (
    await fitter.ask<{ zones: { id: number; version: number }[] }>('POST', `/api/boats/${id}/zones`, zone)
  ).body.zones[0]!
  const entry = catalogueEntry('HG-C250')!
  const design = startDesign(
    entry,
    {
      zone: 'Deck',
      xMm: 1000,
      yMm: 0,
      zMm: 900,
      edgeMm: 500,
      belowWaterline: false,
      structure: { kind: 'solid', skin: { laminate: 'woven' }, thicknessMm: 14 },
      measured: ['thicknessMm'],
      duty: 'coastal',
    },
    'cleat',
  )
  await Fitting.bulkCreate(
    Array.from({ length: 500 }, (_, i) => ({
      kind: 'deck-hardware',
      boatId: id,
      name: `cleat ${i}`,
      design: { ...design, plate: null, place: { ...design.place, xMm: 500 + 38 * i } },
      verdict: 'holds' as const,
      governing: 'bolt',
      recordedAt: null,
      updatedBy: 'test',
    })),
  )
  const job = await finish(
    id,
    (
      await fitter.ask<{ job: Job }>('PUT', `/api/boats/${id}/zones/${z.id}`, {
        ...zone,
        version: z.version,
        layers: [{ material: 'woven', thicknessMm: 2, measured: true }],
      })
    ).body.job,
  )
  expect(job).toMatchObject({ total: 500, done: 500, turned: 500 })
  expect(await Fitting.count({ where: { boatId: id, verdict: 'short' } })).toBe(500)
})
