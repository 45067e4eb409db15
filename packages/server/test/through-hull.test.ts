import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { withChange, standingDecision, type WorkState } from '@north-tide/core'
import { VALVES, type ThroughHullDesign } from '@north-tide/core/through-hull'
import { WorkLog } from '../src/models'
import { startYard, type Someone, type Yard, hullsOf } from './harness'

let app: Yard['app']
let fitter: Someone
let apprentice: Someone
let owner: Someone
beforeAll(async () => {
  ;({ app, fitter, apprentice, owner } = await startYard('below'))
}, 240_000)
afterAll(() => app.stop())

const F = '/api/boats/fulmars-reach'
interface Row {
  id: string
  name: string
  kind?: string
  family: string
  verdict: string
  governing: string | null
  ordered: boolean
  recorded: boolean
  replacesId: string | null
}
interface Saved extends Row {
  version: number
  design: ThroughHullDesign
}
interface Open extends Saved {
  log: { kind: string; value: number | null; note: string; who: string }[]
  holes: { id: number; label: string; whatFor: string; diameterMm: number }[]
  others: { name: string }[]
  stale: { changes: string[]; take: Record<string, unknown> } | null
  work: WorkState
  replacedBy: string | null
}
const rows = async (boat = F) => hullsOf((await fitter.ask<{ fittings: Row[] }>('GET', boat)).body)
const named = async (name: string) => (await rows()).find((r) => r.name === name)!
const open = async (id: string) => (await fitter.ask<Open>('GET', `/api/fittings/${id}`)).body
const place = async (over: object = {}) =>
  (
    await fitter.ask<Saved>('POST', `${F}/fittings`, {
      catalogueId: 'MV-S1',
      xMm: 5000,
      yMm: -400,
      zMm: -420,
      zone: 'bottom',
      deadriseDeg: 17,
      ...over,
    })
  ).body
const save = async (
  f: { id: string; version: number; design: ThroughHullDesign },
  change: Record<string, unknown>,
) =>
  fitter.ask<Saved & { error: { code: string; path: string } }>('PUT', `/api/fittings/${f.id}`, {
    version: f.version,
    design: withChange(f.design, change),
  })

describe('placing', () => {
  it('takes hull, deadrise and duty from the boat, and is judged with its neighbours', async () => {
    const f = await place()
    expect(f.design.hull).toMatchObject({
      kind: 'solid',
      thicknessMm: 14,
      measured: true,
      deadriseDeg: 17,
      angleMeasured: true,
    })
    expect(f.design.wedge.blocks).toBe('none')
    const o = await open(f.id)
    expect(o.others.map((x) => x.name)).toContain('Wet-lab intake')
    expect(o.others.map((x) => x.name)).not.toContain(f.name)
  })
  it.each([
    [{ catalogueId: 'MV-NONE' }, 'catalogueId'],
    [{ catalogueId: 'MV-S1', yMm: 1, zMm: -1 }, 'xMm'],
    [{ catalogueId: 'MV-S1', xMm: 1, yMm: 1, zone: 'moon' }, 'zone'],
    [{ catalogueId: 'MV-S1', xMm: 1, yMm: 1, deadriseDeg: 85 }, 'deadriseDeg'],
    [{ catalogueId: 'MV-S1', holeId: 99999 }, 'holeId'],
  ])('refuses %j at its field', async (body, path) => {
    const a = await fitter.ask<{ error: { path: string } }>('POST', `${F}/fittings`, body)
    expect([a.status, a.body.error.path]).toEqual([400, path])
  })
  it('an owner reads his own boat and writes nothing', async () => {
    const f = (await rows())[0]!
    expect((await owner.ask('GET', `/api/fittings/${f.id}`)).status).toBe(200)
    expect((await owner.ask('POST', `${F}/fittings`, { catalogueId: 'MV-S1', xMm: 1, yMm: 1 })).status).toBe(
      403,
    )
    expect((await owner.ask('GET', `/api/boats/tarn-runner/flooding`)).status).toBe(403)
    expect((await owner.ask('POST', `/api/fittings/${f.id}/log`, { kind: 'look', note: 'dry' })).status).toBe(
      403,
    )
  })
  it('saves under a version check and names the field that is wrong', async () => {
    const f = await place()
    const now = await save(f, { 'pad.thicknessMm': 25 })
    expect(now.body.version).toBe(f.version + 1)
    expect((await save(f, { 'pad.thicknessMm': 30 })).body.error.code).toBe('stale')
    expect((await save(now.body, { 'hose.clips': 9 })).body.error.path).toBe('design.hose.clips')
  })
  it('goes out as a file and comes in again, without its order', async () => {
    const f = await place({ name: 'To copy' })
    const file = (await fitter.ask<object>('GET', `/api/fittings/${f.id}/design.json`)).body
    const again = (await fitter.ask<Saved>('POST', `${F}/fittings/import?kind=through-hull`, file)).body
    expect(again.design).toEqual(f.design)
    expect(
      (await fitter.ask('POST', `${F}/fittings/import?kind=through-hull`, { design: { name: 'x' } })).status,
    ).toBe(400)
  })
})

describe('ordering', () => {
  it('the demo\u2019s wrong valve is found, and is ordered only with a reason that stays on record', async () => {
    const wash = await named('Deck-wash intake, renewed')
    const refused = await fitter.ask<{ error: { code: string; message: string; path: string } }>(
      'POST',
      `/api/fittings/${wash.id}/order`,
      {},
    )
    expect([refused.status, refused.body.error.code, refused.body.error.path]).toEqual([
      409,
      'chain',
      'reason',
    ])
    expect(refused.body.error.message).toContain('of different systems')
    expect((await open(wash.id)).work.order).toBeNull()
    expect(
      (await apprentice.ask('POST', `/api/fittings/${wash.id}/order`, { reason: 'in a hurry' })).status,
    ).toBe(403)
    const f = await open(wash.id)
    const right = (await save(f, { valve: VALVES.find((v) => v.id === 'MV-B34') })).body
    const done = (await fitter.ask<Open>('POST', `/api/fittings/${right.id}/order`, {})).body
    expect(done.work.order).toMatchObject({ reason: '', by: 'Tam Corrigall' })
    expect(done.work.order!.what).toContain('MV-B34')
    // An order does not come and go by saving.
    expect((await save(done, { ordered: null })).body.error.path).toBe('design.ordered')
    await save(done, { 'pad.thicknessMm': 12 })
    expect((await open(done.id)).work.order).not.toBeNull()
    expect((await fitter.ask('POST', `/api/fittings/${right.id}/order`, {})).status).toBe(409)
    expect((await fitter.ask<Open>('DELETE', `/api/fittings/${right.id}/order`)).body.work.order).toBeNull()
    expect((await open(right.id)).log.filter((l) => l.kind === 'order')).toHaveLength(2)
  })
  it('a reason lets a short chain be ordered, and is told', async () => {
    const f = await place({ catalogueId: 'MV-B34' })
    await save(f, { valve: VALVES.find((v) => v.id === 'MV-BN34') })
    const done = (
      await fitter.ask<Open>('POST', `/api/fittings/${f.id}/order`, {
        reason: 'a made adaptor comes with it',
      })
    ).body
    expect(done.work.order!.reason).toBe('a made adaptor comes with it')
    expect(done.log.at(-1)!.note).toContain('a made adaptor')
  })
})

describe('work, log and register', () => {
  it('gates are ticked in order; one is passed over only with a fitter\u2019s reason', async () => {
    const f = await place()
    const refused = await fitter.ask<{ error: { code: string; gates: { id: string }[] } }>(
      'POST',
      `/api/fittings/${f.id}/tick`,
      { step: 'dry' },
    )
    expect([refused.status, refused.body.error.code, refused.body.error.gates[0]!.id]).toEqual([
      409,
      'gate',
      'must',
    ])
    expect(
      (
        await apprentice.ask('POST', `/api/fittings/${f.id}/tick`, {
          step: 'dry',
          reason: 'done before',
        })
      ).status,
    ).toBe(403)
    await apprentice.ask('POST', `/api/fittings/${f.id}/tick`, { step: 'must' })
    const after = (
      await fitter.ask<Open>('POST', `/api/fittings/${f.id}/tick`, {
        step: 'dry',
        reason: 'fitted last year',
      })
    ).body
    expect(after.work.ticks.dry!.note).toContain('fitted last year')
    expect((await fitter.ask('POST', `/api/fittings/${f.id}/tick`, { step: 'must' })).status).toBe(409)
    expect(
      (
        await fitter.ask<{ error: { path: string } }>('POST', `/api/fittings/${f.id}/tick`, {
          step: 'watch-now',
          reason: 'x',
        })
      ).body.error.path,
    ).toBe('note')
    expect(
      (
        await fitter.ask<{ error: { path: string } }>('POST', `/api/fittings/${f.id}/tick`, {
          step: 'dance',
        })
      ).body.error.path,
    ).toBe('step')
  })
  it('a meter\u2019s reading turns the bond path, and the log is added to, never changed', async () => {
    const f = await place()
    await fitter.ask('POST', `/api/fittings/${f.id}/log`, { kind: 'bond', value: 0.4 })
    expect((await open(f.id)).verdict).toBe('short')
    await fitter.ask('POST', `/api/fittings/${f.id}/log`, { kind: 'bond', value: 0.05 })
    expect((await open(f.id)).log.map((l) => l.value)).toEqual([0.4, 0.05])
    expect((await open(f.id)).governing).not.toBe('bond-path')
    // One of last year, written down today, is not the last.
    await fitter.ask('POST', `/api/fittings/${f.id}/log`, {
      kind: 'bond',
      value: 9,
      at: '2025-01-02T12:00:00Z',
    })
    expect((await open(f.id)).governing).not.toBe('bond-path')
    expect(
      (
        await fitter.ask('POST', `/api/fittings/${f.id}/log`, {
          kind: 'bond',
          value: 9,
          at: '2999-01-02T12:00:00Z',
        })
      ).body.error.path,
    ).toBe('at')
    // A reading is no change of the design: whoever is at it is not in conflict with it.
    expect((await open(f.id)).version).toBe(f.version)
    await expect(WorkLog.update({ note: 'x' }, { where: { fittingId: f.id } })).rejects.toThrow(
      /permission denied/,
    )
    for (const bad of [
      { kind: 'bond', value: -1 },
      { kind: 'anode', value: 120 },
      { kind: 'look', note: '' },
    ])
      expect((await fitter.ask('POST', `/api/fittings/${f.id}/log`, bad)).status).toBe(400)
    expect((await fitter.ask('DELETE', `/api/fittings/${f.id}`)).status).toBe(409)
  })
  it('recording makes the bore a hole with its orientation, and bolts only where they go through', async () => {
    const pad = await place({ name: 'Bolted into its pad' })
    expect(
      (await fitter.ask<{ holes: string[] }>('POST', `/api/fittings/${pad.id}/record`)).body.holes,
    ).toHaveLength(1)
    const f = await place({ name: 'Bolted through', xMm: 4200 })
    await save(f, { 'hold.method': 'through', 'wedge.blocks': 'both' })
    const { holes } = (await fitter.ask<{ holes: string[] }>('POST', `/api/fittings/${f.id}/record`)).body
    expect(holes).toHaveLength(4)
    const o = await open(f.id)
    const hole = (
      await fitter.ask<{
        events: { note: string; state: string }[]
        belowWaterline: boolean
        through: string
      }>('GET', `/api/penetrations/${o.holes[0]!.id}`)
    ).body
    expect(hole).toMatchObject({ belowWaterline: true })
    expect(hole.events[0]!.note).toContain('handle open at 0')
    expect(hole.through).toContain('wedge both')
    expect((await fitter.ask('POST', `/api/fittings/${f.id}/record`)).status).toBe(409)
  })
  it('an existing bad valve is surveyed, replaced in its own hole, and the hole keeps its number and history', async () => {
    const bad = await named('Engine intake')
    expect(bad.verdict).toBe('short')
    const old = await open(bad.id)
    expect(old.design).toMatchObject({ existing: true, boredMm: 43 })
    expect(old.holes).toHaveLength(1)
    const fresh = (
      await fitter.ask<Saved>('POST', `/api/fittings/${bad.id}/replace`, { catalogueId: 'MV-S114' })
    ).body
    expect(fresh.design).toMatchObject({
      use: 'engine-intake',
      replaces: 'Engine intake',
      boredMm: 43,
      existing: false,
    })
    expect(
      (await fitter.ask('POST', `/api/fittings/${bad.id}/replace`, { catalogueId: 'MV-S114' })).status,
    ).toBe(409)
    expect((await open(fresh.id)).others.map((o) => o.name)).not.toContain('Engine intake')
    const before = old.holes[0]!
    expect(
      (await fitter.ask<{ holes: string[] }>('POST', `/api/fittings/${fresh.id}/record`)).body.holes[0],
    ).toBe(before.label)
    const hole = (
      await fitter.ask<{
        whatFor: string
        fittingId: string
        part: string
        events: { note: string; sizeMm: number | null }[]
      }>('GET', `/api/penetrations/${before.id}`)
    ).body
    expect(hole).toMatchObject({ fittingId: fresh.id, part: 'bore' })
    expect(hole.events.length).toBeGreaterThan(1)
    expect(hole.events.at(-1)!.note).toContain('Engine intake')
    expect((await open(bad.id)).replacedBy).toBe(fresh.id)
  })
})

describe('templates and flooding', () => {
  it('wedge faces, taper and bolt circle go out at 1:1 as SVG, DXF and PDF', async () => {
    const placed = await place()
    await save(placed, { 'wedge.blocks': 'both' })
    const f = await open(placed.id)
    for (const what of ['wedge-outside', 'wedge-inside', 'taper', 'pad']) {
      const svg = (await fitter.ask('GET', `/api/fittings/${f.id}/template.svg?what=${what}`)).text
      expect(svg).toMatch(/^<svg[^>]+width="[\d.]+mm"/)
      expect((await fitter.ask('GET', `/api/fittings/${f.id}/template.dxf?what=${what}`)).text).toContain(
        'CUT',
      )
      expect((await fitter.ask('GET', `/api/fittings/${f.id}/template.pdf?what=${what}`)).text).toMatch(
        /^%PDF/,
      )
    }
    expect(
      (await fitter.ask('GET', `/api/fittings/${f.id}/template.csv`)).text.trim().split('\n'),
    ).toHaveLength(2 + f.design.hold.bolts)
    expect((await fitter.ask('GET', `/api/fittings/${f.id}/section.svg`)).text).toContain('<svg')
    await save(f, { 'wedge.blocks': 'none' })
    expect((await fitter.ask('GET', `/api/fittings/${f.id}/template.svg?what=taper`)).status).toBe(409)
    expect((await fitter.ask('GET', `/api/fittings/${f.id}/template.svg?what=h%20t`)).status).toBe(400)
  })
  it('the flooding plan of a boat is an estimate until it is saved, under a version check', async () => {
    const pipit = (
      await fitter.ask<{ plan: { compartments: { areaM2: number }[] }; version: number; estimated: boolean }>(
        'GET',
        '/api/boats/pipit/flooding',
      )
    ).body
    expect(pipit).toMatchObject({ version: 0, estimated: true })
    expect(
      (await fitter.ask<object>('PUT', '/api/boats/pipit/flooding', { version: 0, plan: pipit.plan })).body,
    ).toMatchObject({ version: 1, estimated: false })
    expect(
      (await fitter.ask('PUT', '/api/boats/pipit/flooding', { version: 0, plan: pipit.plan })).status,
    ).toBe(409)
    const a = await fitter.ask<{ error: { path: string } }>('PUT', '/api/boats/pipit/flooding', {
      version: 1,
      plan: { ...pipit.plan, compartments: [{ ...pipit.plan.compartments[0], areaM2: -1 }] },
    })
    expect([a.status, a.body.error.path]).toEqual([400, 'plan.compartments.0.areaM2'])
    const door = await fitter.ask('PUT', '/api/boats/pipit/flooding', {
      version: 1,
      plan: { ...pipit.plan, doors: [{ a: 'hull', b: 'hull', open: true, sillZMm: -100, areaCm2: 5 }] },
    })
    expect([door.status, door.body.error.path]).toEqual([400, 'plan.doors.0.b'])
  })
  it('of eight who write a boat\u2019s first plan at once one does; the others are shown what stands', async () => {
    const plan = {
      compartments: [{ id: 'c', title: 'All of her', fromXMm: 0, toXMm: 8000, areaM2: 7, floorZMm: -300 }],
      doors: [],
      pumps: [],
      marks: [],
    }
    const all = await Promise.all(
      Array.from({ length: 8 }, (_, i) =>
        fitter.ask<{ plan: typeof plan }>('PUT', '/api/boats/tarn-runner/flooding', {
          version: 0,
          plan: { ...plan, compartments: [{ ...plan.compartments[0]!, areaM2: 7 + i }] },
        }),
      ),
    )
    expect(all.map((a) => a.status).sort()).toEqual([200, ...Array<number>(7).fill(409)])
    const won = all.find((a) => a.status === 200)!.body.plan
    for (const a of all.filter((x) => x.status === 409))
      expect(a.body.error.current).toMatchObject({ version: 1, plan: won })
  })
  it('a zone measured thinner is told where the fitting still believes the old', async () => {
    const f = await place()
    const zones = (
      await fitter.ask<{
        zones: {
          id: number
          code: string
          version: number
          title: string
          face: string
          kind: string
          zMm: number
          outline: object[]
          layers: { material: string }[]
          reach: string
          state: string
        }[]
      }>('GET', F)
    ).body.zones
    const z = zones.find((q) => q.code === 'bottom')!
    await fitter.ask('PUT', `${F}/zones/${z.id}`, {
      title: z.title,
      face: z.face,
      kind: z.kind,
      zMm: z.zMm,
      outline: z.outline,
      reach: z.reach,
      state: z.state,
      version: z.version,
      layers: [{ material: 'woven', thicknessMm: 12.5, measured: true, measuredBy: 'ultrasonic' }],
    })
    expect((await open(f.id)).stale!.take).toMatchObject({ 'hull.thicknessMm': 12.5 })
  })
})

describe('addresses of the version before', () => {
  it('still answer', async () => {
    const f = (await rows())[0]!
    for (const path of [
      `/api/below/${f.id}`,
      `/api/below/${f.id}/card.pdf?units=inch`,
      '/api/below-catalogue',
      '/api/hull-goods',
      '/api/hull-goods.json',
    ])
      expect([path, (await fitter.ask('GET', path)).status]).toEqual([path, 200])
    expect((await fitter.ask('POST', `${F}/below`, { catalogueId: 'no such' })).body.error.path).toBe(
      'catalogueId',
    )
  })
})

describe('parts of the yard\u2019s own', () => {
  const part = {
    ...VALVES.find((v) => v.id === 'MV-B34')!,
    id: 'OWN-1',
    title: 'Ball valve of the harbour store',
  }
  const list = async () =>
    (await fitter.ask<{ kind: string; part: { id: string } }[]>('GET', '/api/goods')).body
  it('are kept by a fitter, changed under their number, and go without touching the fittings that have them', async () => {
    expect((await apprentice.ask('PUT', '/api/goods', { kind: 'valve', part })).status).toBe(403)
    expect((await owner.ask('POST', '/api/goods/import', {})).status).toBe(403)
    await fitter.ask('PUT', '/api/goods', { kind: 'valve', part })
    const change = { kind: 'valve', part: { ...part, handleMm: 77 } }
    expect([
      (await fitter.ask('PUT', '/api/goods', change)).status,
      (await fitter.ask('PUT', '/api/goods', { ...change, version: 1 })).status,
      (await fitter.ask('PUT', '/api/goods', { ...change, version: 1 })).body.error.code,
    ]).toEqual([409, 200, 'stale'])
    expect(await list()).toEqual([{ ...change, version: 2 }])
    const f = await place({ catalogueId: 'MV-B34' })
    const used = (await save(f, { valve: { ...part, handleMm: 77 } })).body
    expect((await fitter.ask('DELETE', '/api/goods/OWN-1')).status).toBe(200)
    expect((await fitter.ask('DELETE', '/api/goods/OWN-1')).status).toBe(404)
    expect((await open(used.id)).design.valve).toMatchObject({ id: 'OWN-1', handleMm: 77 })
  })
  it.each([
    [{ kind: 'valve', part: { ...part, id: 'MV-B34' } }, 409, 'part.id'],
    [{ kind: 'valve', part: { ...part, boreMm: -1 } }, 400, 'part.boreMm'],
    [{ kind: 'hat', part }, 400, 'kind'],
    [{ kind: 'tail', part }, 400, 'part'],
  ])('%j is refused', async (body, status, path) => {
    const a = await fitter.ask('PUT', '/api/goods', body)
    expect([a.status, a.body.error.path]).toEqual([status, expect.stringContaining(path)])
  })
  it('come in from a file all or none', async () => {
    const goods = [
      { kind: 'valve', part },
      { kind: 'valve', part: { ...part, id: 'OWN-2' } },
    ]
    const twice = await fitter.ask('POST', '/api/goods/import', {
      format: 'north-tide-hull-goods',
      version: 1,
      goods: [...goods, goods[0]],
    })
    expect([twice.status, twice.body.error.path, (await list()).length]).toEqual([400, 'goods.2.part.id', 0])
    await fitter.ask('POST', '/api/goods/import', { format: 'north-tide-hull-goods', version: 1, goods })
    expect(JSON.parse((await fitter.ask('GET', '/api/goods.json')).text)).toEqual({
      format: 'north-tide-hull-goods',
      version: 1,
      goods,
    })
    expect(
      (
        await fitter.ask('PUT', '/api/goods', {
          kind: 'tail',
          part: {
            id: 'OWN-1',
            title: 'x',
            material: 'bronze',
            thread: { family: 'bspt', size: '1' },
            engagedMm: 14,
            barbMm: 25,
            barbLengthMm: 45,
            boreMm: 20,
          },
        })
      ).body.error.code,
    ).toBe('taken')
  })
})

describe('a taper plug', () => {
  const measured = async (pitMm: number, contactPct: number) => {
    const f = await place({ catalogueId: 'MV-P114', name: `Plug, pits ${pitMm}` })
    return (await save(f, { taperPlug: { pitMm, wallMm: 5, contactPct } })).body
  }
  const decide = (id: string, body: object, who = fitter) =>
    who.ask<Open>('POST', `/api/fittings/${id}/decide`, body)

  it('is decided with the figures on record, by whom and when', async () => {
    const f = await measured(0.4, 80)
    const o = (await decide(f.id, { decision: 'recondition' })).body
    expect(o.work.decisions['taper-plug']).toMatchObject({ decision: 'recondition', reason: '' })
    const line = o.log.find((l) => l.kind === 'decision')!
    expect(line.note).toContain('deepest pit 0.4 mm in a wall of 5 mm, band in contact 80 %')
    expect(line).toMatchObject({ who: 'Tam Corrigall' })
  })
  it('is lapped in against the advice only with a fitter\u2019s reason', async () => {
    const f = await measured(2, 40)
    expect((await decide(f.id, { decision: 'recondition' })).body.error).toMatchObject({
      code: 'gate',
      path: 'reason',
    })
    expect((await decide(f.id, { decision: 'recondition', reason: 'one season' }, apprentice)).status).toBe(
      403,
    )
    expect((await open(f.id)).log).toEqual([])
    const o = (await decide(f.id, { decision: 'recondition', reason: 'one season, hauled in October' })).body
    expect(o.log[0]!.note).toContain('one season, hauled in October')
    expect(o.work.decisions['taper-plug']!.decision).toBe('recondition')
  })
  it('measured anew it is to be decided anew; a save does not decide', async () => {
    const f = await measured(0.4, 80)
    const o = (await decide(f.id, { decision: 'recondition' })).body
    const plug = (d: Open) => {
      const { pitMm, wallMm, contactPct } = d.design.taperPlug!
      return standingDecision(d.work, 'taper-plug', { pitMm, wallMm, contactPct })?.decision ?? null
    }
    expect(plug(o)).toBe('recondition')
    // A design holds no decision, so a save can bring none.
    expect((await save(o, { 'taperPlug.decision': 'replace' })).body.error.path).toBe(
      'design.taperPlug.decision',
    )
    const kept = (await save(o, { 'hose.clips': 3 })).body
    expect(plug(await open(kept.id))).toBe('recondition')
    await save(kept, { 'taperPlug.pitMm': 1.6 })
    expect(plug(await open(kept.id))).toBeNull()
  })
  it('cannot be decided before it is measured', async () => {
    const f = await place({ catalogueId: 'MV-P114', name: 'Plug, not measured' })
    expect((await decide(f.id, { decision: 'replace' })).body.error.code).toBe('not-measured')
    const m = await measured(0.4, 80)
    expect((await decide(m.id, { decision: 'perhaps' })).status).toBe(400)
  })
})

describe('the card', () => {
  it('goes out as a PDF, one of each family, in both units by turns', async () => {
    const one = new Map((await rows()).map((f) => [f.family, f]))
    expect(one.size).toBeGreaterThan(4)
    for (const [i, f] of [...one.values()].entries()) {
      const a = await fitter.ask('GET', `/api/fittings/${f.id}/card.pdf?units=${i % 2 ? 'inch' : 'metric'}`)
      expect([f.name, a.status, a.headers.get('content-type')]).toEqual([f.name, 200, 'application/pdf'])
      expect(a.text.startsWith('%PDF-1.')).toBe(true)
      expect(Number(/\/Count (\d+)/.exec(a.text)?.[1])).toBeGreaterThan(1)
    }
    expect(
      (await owner.ask('GET', `/api/fittings/${(await rows('/api/boats/tarn-runner'))[0]!.id}/card.pdf`))
        .status,
    ).toBe(403)
  })
})
