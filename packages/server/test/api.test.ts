import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Design } from '@north-tide/core'
import { settled } from '../src/services/rejudge'
import { Someone, startApp } from './harness'

let app: Awaited<ReturnType<typeof startApp>>
let fitter: Someone
beforeAll(async () => {
  app = await startApp('api_test')
  fitter = await new Someone(app.base).signIn('fitter')
})
afterAll(() => app.stop())

interface Saved {
  id: string
  version: number
  design: Design
  verdict: string
  name: string
  holes: { id: number; label: string; state: string }[]
}
interface Picture {
  fittings: { id: string; name: string; verdict: string }[]
  holes: { id: number; label: string; state: string; fittingId: string | null }[]
}
const place = async (over: object = {}) =>
  (
    await fitter.ask<Saved>('POST', '/api/boats/fulmars-reach/fittings', {
      catalogueId: 'HG-C250',
      xMm: 2400,
      yMm: -500,
      ...over,
    })
  ).body

describe('who may do what', () => {
  it('without an account the API is shut, but calculators answer', async () => {
    const nobody = new Someone(app.base)
    for (const path of ['/api/boats', '/api/lots', '/api/boats/fulmars-reach', '/api/penetrations/1'])
      expect((await nobody.ask('GET', path)).status, path).toBe(401)
    expect(
      (await nobody.ask('POST', '/api/calc/line-strength', { line: 'nylon-3', diameterMm: 12 })).status,
    ).toBe(200)
  })
  it('a wrong password and an unknown login are refused alike', async () => {
    const a = await new Someone(app.base).ask('POST', '/api/session', { login: 'fitter', password: 'no' })
    const b = await new Someone(app.base).ask('POST', '/api/session', { login: 'nobody', password: 'no' })
    expect([a.status, a.body.error]).toEqual([401, b.body.error])
  })
  it('the demo door enters as fitter, and signing out shuts it', async () => {
    const guest = new Someone(app.base)
    expect(
      (await guest.ask<{ account: { role: string } }>('POST', '/api/session/demo')).body.account.role,
    ).toBe('fitter')
    expect((await guest.ask('GET', '/api/boats')).status).toBe(200)
    expect((await guest.ask('DELETE', '/api/session')).status).toBe(204)
    expect((await guest.ask('GET', '/api/boats')).status).toBe(401)
  })
  it('cookies are httpOnly and strict, and no script may run inline', async () => {
    const r = await fetch(`${app.base}/api/session/demo`, { method: 'POST' })
    expect(r.headers.get('set-cookie')).toMatch(/HttpOnly; SameSite=Strict/)
    expect(r.headers.get('content-security-policy')).toContain("script-src 'self' 'wasm-unsafe-eval';")
    expect(r.headers.get('content-security-policy')).not.toContain('unsafe-inline')
  })
  it('an owner sees his own boat and no other, and changes nothing', async () => {
    const owner = await new Someone(app.base).signIn('owner')
    expect((await owner.ask<{ id: string }[]>('GET', '/api/boats')).body.map((b) => b.id)).toEqual([
      'fulmars-reach',
    ])
    const own = (await owner.ask<Picture>('GET', '/api/boats/fulmars-reach')).body
    const f = own.fittings[0]!
    expect((await owner.ask('GET', '/api/boats/pipit')).status).toBe(403)
    expect((await owner.ask('GET', `/api/boats/pipit/register.csv`)).status).toBe(403)
    expect((await owner.ask('GET', '/api/lots')).status).toBe(403)
    const saved = (await owner.ask<Saved>('GET', `/api/fittings/${f.id}`)).body
    expect(
      (await owner.ask('PUT', `/api/fittings/${f.id}`, { version: saved.version, design: saved.design }))
        .status,
    ).toBe(403)
    expect(
      (
        await owner.ask('POST', `/api/penetrations/${own.holes[0]!.id}/events`, {
          state: 'suspect',
          note: 'x',
        })
      ).status,
    ).toBe(403)
    const pipit = (await fitter.ask<Picture>('GET', '/api/boats/pipit')).body.fittings[0]!
    expect((await owner.ask('GET', `/api/fittings/${pipit.id}/spec.pdf`)).status).toBe(403)
  })
})

describe('calculators', () => {
  it('lists every one with its schemas', async () => {
    const list = (
      await fitter.ask<{
        calculators: { name: string; input: { type?: string; oneOf?: unknown }; output: object }[]
      }>('GET', '/api/calc')
    ).body.calculators
    expect(list.map((c) => c.name)).toEqual(
      expect.arrayContaining([
        'line-strength',
        'design-load',
        'fastener',
        'grip-stack',
        'bolt-group',
        'joint-check',
        'backing-plate',
        'core-plug',
        'sealant-choice',
        'sealant-quantity',
      ]),
    )
    for (const c of list) expect(JSON.stringify(c.input).length, c.name).toBeGreaterThan(60)
  })
  it.each([
    ['line-strength', { line: 'chain', diameterMm: 8 }, 400, 'invalid-input', 'grade'],
    [
      'grip-stack',
      {
        size: 'M6',
        head: 'countersunk',
        nut: 'hex',
        washers: { head: 'plain' },
        layers: [{ name: 'a', thicknessMm: 5 }],
      },
      400,
      'washer-under-countersunk',
      'washers.head',
    ],
    ['no-such', {}, 404, 'unknown-calculator', ''],
  ])('%s %j answers %i %s at "%s"', async (name, input, status, code, path) => {
    const a = await fitter.ask('POST', `/api/calc/${name}`, input)
    expect([a.status, a.body.error.code, a.body.error.path]).toEqual([status, code, path])
  })
  it.each([
    ['{"line":', 400],
    ['', 400],
    ['[]', 400],
    ['"x"', 400],
    [`{"line":"${'x'.repeat(1_200_000)}"}`, 413],
  ])('a body that is no input is a clear 4xx, never a 500', async (raw, status) => {
    expect((await fitter.ask('POST', '/api/calc/line-strength', undefined, raw)).status).toBe(status)
  })
  it('an unknown address is 404 in the same shape', async () => {
    expect((await fitter.ask('GET', '/api/nothing')).body.error.code).toBe('not-found')
    expect((await fitter.ask('GET', '/api/fittings/not-a-uuid')).status).toBe(404)
    expect((await fitter.ask('GET', '/api/penetrations/99999999999')).status).toBe(404)
    expect((await fitter.ask('GET', '/api/penetrations/abc')).status).toBe(404)
    expect((await fitter.ask('GET', '/api/boats/nowhere')).status).toBe(404)
  })
})

describe('a fitting', () => {
  it('is placed on the zone that lies there, with its layup, and judged', async () => {
    const f = await place()
    expect(f.design.place.zone).toBe('foredeck')
    expect(f.design.structure).toMatchObject({
      kind: 'sandwich',
      outerMm: 4,
      innerMm: 3,
      core: { material: 'balsa-150', thicknessMm: 12 },
    })
    expect(f.design.measured).toEqual(['outerMm', 'coreMm'])
    expect(['short', 'tight', 'holds', 'unproven']).toContain(f.verdict)
  })
  it('is saved under a version, and a stale save shows both instead of losing one', async () => {
    const f = await place()
    const mine = { ...f.design, name: 'mine' }
    const theirs = { ...f.design, name: 'theirs' }
    expect(
      (await fitter.ask<Saved>('PUT', `/api/fittings/${f.id}`, { version: f.version, design: theirs })).body
        .version,
    ).toBe(2)
    const stale = await fitter.ask<Saved>('PUT', `/api/fittings/${f.id}`, {
      version: f.version,
      design: mine,
    })
    expect([stale.status, stale.body.error.code, stale.body.error.current?.version]).toEqual([
      409,
      'stale',
      2,
    ])
    expect((await fitter.ask<Saved>('GET', `/api/fittings/${f.id}`)).body.design.name).toBe('theirs')
  })
  it('of twenty saves at once from one version exactly one is taken', async () => {
    const f = await place()
    const answers = await Promise.all(
      Array.from({ length: 20 }, (_, i) =>
        fitter.ask<Saved>('PUT', `/api/fittings/${f.id}`, {
          version: 1,
          design: { ...f.design, name: `hand ${i}` },
        }),
      ),
    )
    expect(answers.filter((a) => a.status === 200)).toHaveLength(1)
    expect(answers.filter((a) => a.status === 409)).toHaveLength(19)
  })
  it.each([
    [
      { plate: { material: 'g10', lengthMm: -5, widthMm: 100, thicknessMm: 8, bedGapMm: 1 } },
      'design.plate.lengthMm',
    ],
    [{ name: '' }, 'design.name'],
    [{ load: { basis: 'rated' } }, 'design.load.ratedN'],
    [{ secret: 1 }, 'design.secret'],
  ])('a design with %j is refused at its field', async (over, path) => {
    const f = await place()
    const a = await fitter.ask('PUT', `/api/fittings/${f.id}`, {
      version: 1,
      design: { ...f.design, ...over },
    })
    expect([a.status, a.body.error.code, a.body.error.path]).toEqual([400, 'invalid-input', path])
  })
  it('a design that cannot be judged yet is kept all the same, as unproven', async () => {
    const f = await place()
    const a = await fitter.ask<Saved & { problem: { code: string } }>('PUT', `/api/fittings/${f.id}`, {
      version: 1,
      design: { ...f.design, plate: { ...f.design.plate!, lengthMm: 40 } },
    })
    expect([a.status, a.body.verdict, a.body.problem.code]).toEqual([200, 'unproven', 'bolt-outside-plate'])
  })
  it('goes out as a file and comes back to the same verdict', async () => {
    const f = await place()
    const file = JSON.parse((await fitter.ask('GET', `/api/fittings/${f.id}/design.json`)).text) as {
      design: Design
    }
    const back = await fitter.ask<Saved>('POST', '/api/boats/fulmars-reach/fittings/import', file)
    expect(back.status).toBe(201)
    expect([back.body.verdict, back.body.design]).toEqual([f.verdict, file.design])
    expect(
      (await fitter.ask('POST', '/api/boats/fulmars-reach/fittings/import', { nonsense: true })).status,
    ).toBe(400)
  })
  it('prints as a PDF with the section as vectors, no picture in it', async () => {
    const f = await place()
    const r = await fitter.ask('GET', `/api/fittings/${f.id}/spec.pdf`)
    expect(r.headers.get('content-type')).toBe('application/pdf')
    expect(r.text.startsWith('%PDF-')).toBe(true)
    expect(r.text).not.toContain('/Subtype /Image')
  })
})

it('a value that the yard measured stands for the table\u2019s, is said where it counts, and every stored verdict follows', async () => {
  const verdicts = async () =>
    Object.fromEntries(
      (await fitter.ask<Picture>('GET', '/api/boats/fulmars-reach')).body.fittings.map((f) => [
        f.name,
        f.verdict,
      ]),
    )
  await settled()
  const before = await verdicts()
  const weak = {
    kind: 'laminate',
    material: 'mat',
    field: 'bearingMPa',
    value: 8,
    reason: 'coupon of an old deck',
  }
  expect((await fitter.ask('PUT', '/api/yard-values', weak)).status).toBe(200)
  expect(before['Mooring cleat, port quarter']).toBe('holds')
  await settled()
  expect((await verdicts())['Mooring cleat, port quarter']).toBe('short')
  const apprentice = await new Someone(app.base).signIn('apprentice')
  expect((await apprentice.ask('PUT', '/api/yard-values', weak)).status).toBe(403)
  expect((await fitter.ask('PUT', '/api/yard-values', { ...weak, field: 'colour' })).body.error.path).toBe(
    'field',
  )
  expect((await fitter.ask('PUT', '/api/yard-values', { ...weak, value: -1 })).body.error.path).toBe('value')
  await fitter.ask('DELETE', '/api/yard-values', { kind: 'laminate', material: 'mat', field: 'bearingMPa' })
  for (const [kind, material, field, value] of [
    ['plate', 'g10', 'strengthMPa', 20],
    ['sealant', 'butyl', 'movement', 0.01],
    ['line', 'nylon-3', 'newtonPerMm2', 40],
  ] as const) {
    expect(
      (await fitter.ask('PUT', '/api/yard-values', { kind, material, field, value, reason: 'pulled' }))
        .status,
    ).toBe(200)
    await settled()
    if (kind === 'plate') expect(await verdicts()).not.toEqual(before)
    await fitter.ask('DELETE', '/api/yard-values', { kind, material, field })
  }
  await settled()
  expect(await verdicts()).toEqual(before)
})

it('a lot past its date is tested first, and the test is on record', async () => {
  interface LotRow {
    id: number
    code: string
    testedOn: string | null
    testNote: string
  }
  const old = (await fitter.ask<LotRow[]>('GET', '/api/lots')).body.find((l) => l.code === 'TC-EP-2054')!
  expect(old.testedOn).toBeNull()
  expect((await fitter.ask('POST', `/api/lots/${old.id}/test`, { note: ' ' })).body.error.path).toBe('note')
  expect((await fitter.ask('POST', '/api/lots/99999/test', { note: 'x' })).status).toBe(404)
  const apprentice = await new Someone(app.base).signIn('apprentice')
  expect((await apprentice.ask('POST', `/api/lots/${old.id}/test`, { note: 'fine' })).status).toBe(403)
  const after = (
    await fitter.ask<LotRow[]>('POST', `/api/lots/${old.id}/test`, { note: 'cup hard overnight' })
  ).body.find((l) => l.id === old.id)!
  expect(after.testedOn).toMatch(/^\d{4}-\d\d-\d\d$/)
  expect(after.testNote).toContain('cup hard overnight')
})

describe('the register', () => {
  interface Record_ {
    id: number
    state: string
    events: { state: string; gatesPassed: string[]; gateReason: string | null; seq: number }[]
    next: string[]
  }
  const recorded = async () => {
    // A pad-eye: what a starting cleat pulls here is more than the bare foredeck bears.
    const f = await place({ catalogueId: 'HG-P60' })
    const { holes } = (await fitter.ask<{ holes: string[] }>('POST', `/api/fittings/${f.id}/record`)).body
    const all = (await fitter.ask<Picture>('GET', '/api/boats/fulmars-reach')).body.holes.filter(
      (h) => h.fittingId === f.id,
    )
    return { f, holes, all }
  }
  it('each bolt becomes a numbered hole, marked, and cannot be recorded twice', async () => {
    const { f, holes, all } = await recorded()
    expect(holes).toHaveLength(4)
    expect(all.map((h) => h.label)).toEqual(holes)
    expect(new Set(all.map((h) => h.state))).toEqual(new Set(['marked']))
    expect((await fitter.ask('POST', `/api/fittings/${f.id}/record`)).status).toBe(409)
    expect((await fitter.ask('DELETE', `/api/fittings/${f.id}`)).status).toBe(409)
  })
  it('two fitters recording at once never share a number', async () => {
    const made = await Promise.all([place(), place(), place(), place()])
    const answers = await Promise.all(
      made.map((f) => fitter.ask<{ holes: string[] }>('POST', `/api/fittings/${f.id}/record`)),
    )
    const labels = answers.flatMap((a) => a.body.holes)
    expect(new Set(labels).size).toBe(16)
  })
  it('a gate refuses, an apprentice may not pass it, a fitter may with a reason that stays', async () => {
    const { all } = await recorded()
    const id = all[0]!.id
    const apprentice = await new Someone(app.base).signIn('apprentice')
    expect(
      (await apprentice.ask('POST', `/api/penetrations/${id}/events`, { state: 'drilled', sizeMm: 11 }))
        .status,
    ).toBe(201)
    const refused = await fitter.ask('POST', `/api/penetrations/${id}/events`, { state: 'dry-fitted' })
    expect([refused.status, refused.body.error.code, refused.body.error.gates!.map((g) => g.id)]).toEqual([
      409,
      'gate',
      ['no-core-seal'],
    ])
    expect(
      (
        await apprentice.ask('POST', `/api/penetrations/${id}/events`, {
          state: 'dry-fitted',
          gateReason: 'I think so',
        })
      ).status,
    ).toBe(403)
    const passed = await fitter.ask<Record_>('POST', `/api/penetrations/${id}/events`, {
      state: 'dry-fitted',
      gateReason: 'sealed last week, lot not noted',
    })
    expect(passed.status).toBe(201)
    expect(passed.body.events.at(-1)).toMatchObject({
      state: 'dry-fitted',
      gatesPassed: ['no-core-seal'],
      gateReason: 'sealed last week, lot not noted',
    })
  })
  it('events are added, never edited or removed, even by hand in the database', async () => {
    for (const sql of [
      'UPDATE life_events SET note = $$x$$',
      'DELETE FROM life_events',
      'TRUNCATE life_events',
    ])
      await expect(app.db.query(sql)).rejects.toThrow(/permission denied/)
  })
  it.each([
    [{ state: 'drilled', sizeMm: 11, at: '2999-01-01T00:00:00Z' }, 'at'],
    [{ state: 'drilled', sizeMm: -1 }, 'sizeMm'],
    [{ state: 'flying' }, 'state'],
    [{ state: 'bedded', lotId: 9999 }, 'lotId'],
    [{ state: 'drilled', corrects: 77, note: 'x' }, 'corrects'],
  ])('%j is refused at %s', async (body, path) => {
    const { all } = await recorded()
    const a = await fitter.ask('POST', `/api/penetrations/${all[0]!.id}/events`, body)
    expect([a.status, a.body.error.path]).toEqual([400, path])
  })
  it('what was done before it was written down is told with its true day; a life goes forwards all the same', async () => {
    const { all } = await recorded()
    const record = (body: object) => fitter.ask('POST', `/api/penetrations/${all[0]!.id}/events`, body)
    const on = (day: string) => ({ at: `${day}T09:00:00Z`, gateReason: 'last spring' })
    expect((await record({ state: 'drilled', sizeMm: 11, ...on('2026-03-02') })).status).toBe(201)
    const before = await record({ state: 'dry-fitted', ...on('2026-03-01') })
    expect([before.status, before.body.error.path]).toEqual([400, 'at'])
    expect((await record({ state: 'dry fitted', ...on('2026-03-03') })).status).toBe(201)
  })
  it('goes out as CSV and JSON, whole', async () => {
    const csv = (await fitter.ask('GET', '/api/boats/fulmars-reach/register.csv')).text.trim().split('\n')
    const json = JSON.parse((await fitter.ask('GET', '/api/boats/fulmars-reach/register.json')).text) as {
      holes: { events: unknown[] }[]
    }
    expect(csv.length - 1).toBe(json.holes.length)
    expect(csv[0]).toMatch(/^label,whatFor,state,/)
    expect(json.holes.every((h) => h.events.length > 0)).toBe(true)
  })
})
