import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { withChange, type LifeState, type WorkState } from '@north-tide/core'
import { lastLook, type ThroughHullDesign } from '@north-tide/core/through-hull'
import { AngleReading, LifeEvent } from '../src/models'
import { startYard, type Someone, type Yard } from './harness'

/** What is ticked on the bench is in the hole's life, once, with its size, its lot and its day. */
let app: Yard['app']
let fitter: Someone
let apprentice: Someone
let lots: {
  id: number
  code: string
  chemistry: string
  kind: string
  expiresOn: string
  storedHot: boolean
  testedOn: string | null
}[]
beforeAll(async () => {
  ;({ app, fitter, apprentice } = await startYard('below_work'))
  lots = (await fitter.ask<typeof lots>('GET', '/api/lots')).body
}, 240_000)
afterAll(() => app.stop())

const F = '/api/boats/fulmars-reach'
interface Saved {
  id: string
  version: number
  design: ThroughHullDesign
}
interface Log {
  kind: string
  step: string
  lot: string | null
  note: string
  value: number | null
  tempC: number | null
  sizeMm: number | null
}
interface Open extends Saved {
  work: WorkState
  heelDeg: number | null
  recorded: boolean
  log: Log[]
  holes: { id: number; label: string; diameterMm: number }[]
}
interface HoleRecord {
  state: string
  diameterMm: number
  sealant: string
  sizes: { sizeMm: number }[]
  log: Log[]
  events: {
    seq: number
    state: LifeState
    note: string
    evidence: string
    sizeMm: number | null
    lot: string | null
    tempC: number | null
    gatesPassed: string[]
    gateReason: string | null
    corrects: number | null
  }[]
}
/** A fitting that is short is drilled for with a reason or not at all. */
const ALL_THE_SAME = 'the owner has seen what is short'
/** Each on a spot of its own: no handle swings into another's. */
let spots = 0
const place = async (over: object = {}) =>
  (
    await fitter.ask<Saved>('POST', `${F}/fittings`, {
      catalogueId: 'MV-S1',
      xMm: 3600 + 340 * (spots++ % 14),
      yMm: -400,
      zMm: -420,
      zone: 'bottom',
      deadriseDeg: 17,
      ...over,
    })
  ).body
const save = async (f: Saved, change: Record<string, unknown>) =>
  (
    await fitter.ask<Saved>('PUT', `/api/fittings/${f.id}`, {
      version: f.version,
      design: withChange(f.design, change),
    })
  ).body
const open = async (id: string) => (await fitter.ask<Open>('GET', `/api/fittings/${id}`)).body
const hole = async (id: number) => (await fitter.ask<HoleRecord>('GET', `/api/penetrations/${id}`)).body
const good = (chemistry: string) =>
  lots.find(
    (l) =>
      (chemistry === 'epoxy' ? l.kind === 'epoxy' : l.chemistry === chemistry) &&
      l.expiresOn > '2026-12-31' &&
      !l.storedHot,
  )!
const daysAgo = (n: number) => new Date(Date.now() - n * 86_400_000).toISOString()
const tick = (id: string, step: string, more: object = {}, by = fitter) =>
  by.ask<Open>('POST', `/api/fittings/${id}/tick`, { step, ...more })
/** All that a last look goes through, whichever it is. */
const LOOKED = async (id: string) => {
  const d = (await open(id)).design
  return {
    looked: [...lastLook(d, 'bore', true), ...lastLook(d, 'bore', false), ...lastLook(d, 'bed', false)],
  }
}
const AIR = { tempC: 16, airC: 16, humidityPct: 55 }
const states = (h: HoleRecord) => h.events.map((e) => e.state)
/** Everything up to a step, each on a day of its own, the oldest first. */
async function work(id: string, plan: [string, object?][], from = 40) {
  for (const [i, [step, more]] of plan.entries()) {
    const a = await tick(id, step, {
      at: daysAgo(from - i),
      ...(step.startsWith('ready-') ? await LOOKED(id) : {}),
      ...more,
    })
    if (a.status !== 200) throw new Error(`${step}: ${a.text}`)
  }
}

describe('ticks and the life of the hole', () => {
  it('a seacock from the first question to a week afloat: marked, drilled, fitted, bedded, cured, proved, in service, each written once', async () => {
    const f = await save(await place({ name: 'Walked through' }), {
      'hold.method': 'through',
      'bedding.pad': 'epoxy-filled',
      'bedding.flange': 'hybrid',
      'bedding.tail': 'hybrid',
    })
    const [epoxy, seal] = [good('epoxy'), good('hybrid')]
    expect([epoxy, seal].every(Boolean)).toBe(true)
    const bored = (f.design.boredMm ?? f.design.skin.holeMm) + 1
    await work(f.id, [
      ['must'],
      ['survey'],
      ['ready-bore'],
      ['bore-record', { sizeMm: bored }],
      ['dry'],
      ['clock', { stopsDeg: 2 }],
      ['bolt-holes'],
      ['pad-bond', { lotId: epoxy.id, ...AIR }],
      ['dew', AIR],
      ['ready-bed'],
      ['bed', { lotId: seal.id, ...AIR }],
      ['line'],
    ])
    const o = await open(f.id)
    expect(o.holes).toHaveLength(1 + f.design.hold.bolts)
    expect(o.design.boredMm).toBe(bored)
    expect(o.design.bedding).toMatchObject({ surfaceC: 16, tempC: 16, humidityPct: 55 })
    const bore = await hole(o.holes[0]!.id)
    expect(states(bore)).toEqual(['marked', 'drilled', 'dry-fitted', 'bedded'])
    expect(bore).toMatchObject({ diameterMm: bored, sealant: 'hybrid', sizes: [{ sizeMm: bored }] })
    expect(bore.events[3]).toMatchObject({ lot: seal.code, tempC: 16 })
    const bolt = await hole(o.holes[1]!.id)
    expect(states(bolt)).toEqual(['marked', 'drilled', 'dry-fitted', 'bedded'])
    expect(bolt.events[1]!.sizeMm).toBe(bolt.diameterMm)
    // The pad's lot makes no event of the hole, and is traced by the log.
    expect(bore.log.find((l) => l.step === 'pad-bond')).toMatchObject({ lot: epoxy.code, tempC: 16 })
    // A moisture cure needs its days: the register asks for them here as it does by hand.
    const early = await tick(f.id, 'cure', { at: daysAgo(28.9) })
    expect([early.status, early.body.error.code, early.body.error.gates!.map((g) => g.id)]).toEqual([
      409,
      'gate',
      ['cure-bedding'],
    ])
    await work(
      f.id,
      [
        ['cure'],
        ['hose'],
        ['bond', { ohm: 0.05, note: 'brush clean' }],
        ['swing'],
        ['record'],
        ['launch'],
        ['watch-now', { note: 'dry all round' }],
      ],
      16,
    )
    expect((await hole(o.holes[0]!.id)).state).toBe('cured')
    expect((await open(f.id)).log.find((l) => l.kind === 'bond')).toMatchObject({
      value: 0.05,
      note: 'brush clean',
    })
    const tooSoon = await tick(f.id, 'watch-10', { at: daysAgo(11 - 1e-4), note: 'dry' })
    expect(tooSoon.body.error.gates!.map((g) => g.id)).toEqual(['too-early'])
    await work(
      f.id,
      [
        ['watch-10', { note: 'dry' }],
        ['watch-60', { note: 'tissue dry' }],
        ['watch-day', { note: 'dry' }],
      ],
      9,
    )
    await tick(f.id, 'watch-week', { note: 'dry', at: daysAgo(1) })
    const last = await hole(o.holes[0]!.id)
    expect(states(last)).toEqual([
      'marked',
      'drilled',
      'dry-fitted',
      'bedded',
      'cured',
      'proved',
      'in-service',
    ])
    expect(last.events[5]!.evidence).toBe('After an hour: tissue dry')
    expect((await hole(o.holes[1]!.id)).state).toBe('in-service')
    expect(last.events.every((e) => e.gatesPassed.length === 0)).toBe(true)

    // And all of it goes out.
    const json = JSON.parse((await fitter.ask('GET', `${F}/register.json`)).text) as {
      version: number
      holes: { id: number; log: Log[]; events: { lot: string | null }[] }[]
    }
    const out = json.holes.find((h) => h.id === o.holes[0]!.id)!
    expect(out.log.map((l) => l.step)).toContain('pad-bond')
    expect(out.events.some((e) => e.lot === seal.code)).toBe(true)
    expect(json.holes.find((h) => h.id === o.holes[1]!.id)!.log).toEqual([])
    const row = (await fitter.ask('GET', `${F}/register.csv`)).text
      .split('\n')
      .find((l) => l.startsWith(`${o.holes[0]!.label},`))!
    for (const part of [
      `bedded ${seal.code}`,
      `pad-bond ${epoxy.code}`,
      'After an hour: tissue dry',
      String(bored),
    ])
      expect(row).toContain(part)
    const lines = (await fitter.ask('GET', `${F}/register-events.csv`)).text
      .trim()
      .split('\n')
      .filter((l) => l.startsWith(`${o.holes[0]!.label},`))
    expect(lines).toHaveLength(last.events.length + last.log.length)
  })

  it('what the register has already is not written again, and what it wants besides is asked for here', async () => {
    const f = await place({ name: 'Half by hand', catalogueId: 'MV-B34' })
    await fitter.ask('POST', `/api/fittings/${f.id}/record`)
    const id = (await open(f.id)).holes[0]!.id
    await fitter.ask('POST', `/api/penetrations/${id}/events`, {
      state: 'drilled',
      sizeMm: 31,
      gateReason: ALL_THE_SAME,
    })
    await work(f.id, [['must'], ['survey'], ['ready-bore']], 3)
    expect((await tick(f.id, 'bore-record')).status).toBe(200)
    expect(states(await hole(id))).toEqual(['marked', 'drilled'])
    const g = await place({ name: 'No size said', catalogueId: 'MV-B34' })
    await work(g.id, [['must'], ['survey'], ['ready-bore']], 3)
    const refused = await tick(g.id, 'bore-record')
    expect(refused.body.error.gates!.map((x) => x.id)).toEqual(['fitting-short', 'no-size'])
    // Refused whole: the hole is not half recorded.
    expect((await open(g.id)).recorded).toBe(false)
    expect((await tick(g.id, 'bore-record', { reason: 'old hole' }, apprentice)).status).toBe(403)
    const passed = await tick(g.id, 'bore-record', { reason: 'bored by the other yard' })
    const h = await hole(passed.body.holes[0]!.id)
    expect(h.events.at(-1)).toMatchObject({
      state: 'drilled',
      gatesPassed: ['fitting-short', 'no-size'],
      gateReason: 'bored by the other yard',
    })
  })

  it.each([
    ['pad-bond', {}, ['must', 'no-lot']],
    ['dew', {}, ['must', 'no-reading']],
    ['dew', { tempC: 6, airC: 14, humidityPct: 95 }, ['must', 'dew-point']],
    ['bed', { tempC: 15, humidityPct: 60 }, ['must', 'not-drilled', 'not-dry-fitted', 'no-lot']],
  ])('%s with %j stands behind %j', async (step, more, wanted) => {
    const f = await place({ name: `Gates of ${step}` })
    expect((await tick(f.id, step, more)).body.error.gates!.map((g) => g.id)).toEqual(wanted)
  })

  it('what is measured at a step stands in the design from then on, the cradle taken out, and is not asked again', async () => {
    const f = await save(await place({ name: 'Measured at its step', deadriseDeg: undefined, yMm: -400 }), {
      'hull.measured': false,
      // Its pad is drilled: before, the flange goes on at any angle and nothing is read.
      existing: true,
    })
    expect(f.design.hull).toMatchObject({ measured: false, angleMeasured: false })
    expect((await tick(f.id, 'must')).status).toBe(200)
    expect((await tick(f.id, 'survey')).body.error.gates!.map((g) => g.id)).toEqual(['not-measured'])
    expect((await tick(f.id, 'survey', { hullMm: 13.4 })).body.design.hull).toMatchObject({
      thicknessMm: 13.4,
      measured: true,
      how: 'drilled pilot',
    })
    expect((await tick(f.id, 'angle')).body.error.gates!.map((g) => g.id)).toEqual(['no-level'])
    expect((await tick(f.id, 'angle', { shownDeg: -15 })).body.error.path).toBe('shownDeg')
    const { heelDeg } = await open(f.id)
    expect(heelDeg).toBeCloseTo(-0.4, 0)
    const angled = (await tick(f.id, 'angle', { shownDeg: 17 })).body
    // To port she lies lower by her heel to port, so that side shows too little of its rise by as much.
    expect(angled.design.hull.deadriseDeg).toBeCloseTo(Math.round(10 * (17 - heelDeg!)) / 10, 9)
    expect(angled.design.hull.angleMeasured).toBe(true)
    expect(angled.log.at(-1)!.note).toMatch(/level shows 17° outboard up, cradle -0\.\d\d° taken out/)
    await work(f.id, [['ready-bore'], ['bore-record', { sizeMm: 35 }], ['dry']], 3)
    expect((await tick(f.id, 'clock')).body.error.gates!.map((g) => g.id)).toEqual(['not-read'])
    expect((await tick(f.id, 'clock', { stopsDeg: 204 })).body.design.clock.measuredDeg).toBe(204)
  })

  it('a level laid on a cradle that nobody has read is no measurement, even where it is passed over', async () => {
    const f = await place({ name: 'Cradle unread', deadriseDeg: undefined })
    await work(f.id, [['must'], ['survey']], 5)
    const rows = (await AngleReading.findAll({ where: { boatId: 'fulmars-reach', role: 'reference' } })).map(
      (r) => r.toJSON(),
    )
    await AngleReading.destroy({ where: { boatId: 'fulmars-reach', role: 'reference' } })
    try {
      expect((await tick(f.id, 'angle', { shownDeg: 16.2 })).body.error.gates!.map((g) => g.id)).toEqual([
        'no-heel',
      ])
      const over = (await tick(f.id, 'angle', { shownDeg: 16.2, reason: 'she is launched tomorrow' })).body
      expect(over.design.hull).toMatchObject({ deadriseDeg: 16.2, angleMeasured: false })
      expect(over.log.at(-1)!.note).toMatch(
        /cradle not read: 16\.2\u00b0; no-heel passed over: she is launched tomorrow/,
      )
    } finally {
      await AngleReading.bulkCreate(rows)
    }
    expect((await open(f.id)).heelDeg).not.toBeNull()
  })
  it('before the saw and before the bead each point of the last look is ticked, or passed over with a reason', async () => {
    const f = await place({ name: 'Looked through' })
    await work(f.id, [['must'], ['survey']], 5)
    const { looked } = await LOOKED(f.id)
    const some = await tick(f.id, 'ready-bore', { looked: looked.filter((l) => !l.startsWith('its place')) })
    expect(some.body.error.gates!.map((g) => g.id)).toEqual(['not-looked'])
    expect((await tick(f.id, 'bore-record', { sizeMm: 35 })).body.error.gates!.map((g) => g.id)).toContain(
      'ready-bore',
    )
    const all = (await tick(f.id, 'ready-bore', { looked })).body
    expect(all.log.at(-1)!.note).toContain(
      'seen: its place is measured from two things that will still be there',
    )
    expect(
      (await tick(f.id, 'ready-bed', { reason: 'second coat of the same day' })).body.log.at(-1)!.note,
    ).toContain('passed over: second coat')
  })

  it('a wrong lot is a gate as in the register', async () => {
    const f = await save(await place({ name: 'Wrong tube' }), { 'bedding.pad': 'epoxy-filled' })
    const wrong = lots.find((l) => l.kind === 'sealant')!
    expect(
      (await tick(f.id, 'pad-bond', { lotId: wrong.id, ...AIR })).body.error.gates!.map((g) => g.id),
    ).toContain('wrong-lot')
    expect((await tick(f.id, 'pad-bond', { lotId: 99999 })).body.error.path).toBe('lotId')
    expect((await tick(f.id, 'must', { at: '2999-01-01T00:00:00Z' })).body.error.path).toBe('at')
    expect((await tick(f.id, 'must', { wet: true })).body.error.path).toBe('wet')
  })

  it('a look that finds it wet ticks nothing, and the hole is suspect until it is proved again', async () => {
    const f = await place({ name: 'Weeps', catalogueId: 'MV-B34' })
    await tick(f.id, 'bore-record', { sizeMm: 30, reason: 'made last year' })
    await tick(f.id, 'watch-60', { note: 'dry', reason: 'made last year' })
    const id = (await open(f.id)).holes[0]!.id
    expect((await hole(id)).state).toBe('proved')
    const wet = await tick(f.id, 'watch-day', { note: 'a drop at four o\u2019clock', wet: true })
    expect(wet.status).toBe(200)
    expect(wet.body.work.ticks['watch-day']).toBeUndefined()
    expect((await hole(id)).events.at(-1)).toMatchObject({
      state: 'suspect',
      note: 'Wet: a drop at four o\u2019clock',
    })
    expect(wet.body.log.at(-1)).toMatchObject({ kind: 'look', step: 'watch-day' })
  })

  it('a tick is taken back with a reason, the last first; the hole goes back with it and both stay on record', async () => {
    const f = await place({ name: 'Ticked too soon', catalogueId: 'MV-B34' })
    await work(f.id, [
      ['must'],
      ['survey'],
      ['ready-bore'],
      ['bore-record', { sizeMm: 44, reason: ALL_THE_SAME }],
    ])
    const id = (await open(f.id)).holes[0]!.id
    expect(
      (await fitter.ask('POST', `/api/fittings/${f.id}/tick/survey/back`, { reason: 'x' })).body.error.code,
    ).toBe('later-ticks')
    expect(
      (await fitter.ask('POST', `/api/fittings/${f.id}/tick/bore-record/back`, {})).body.error.path,
    ).toBe('reason')
    const back = (
      await fitter.ask<Open>('POST', `/api/fittings/${f.id}/tick/bore-record/back`, {
        reason: 'misread: 34',
      })
    ).body
    expect(back.work.ticks['bore-record']).toBeUndefined()
    expect(back.log.at(-1)).toMatchObject({ step: 'bore-record', note: 'misread: 34', undoes: true })
    const h = await hole(id)
    expect(h.state).toBe('marked')
    expect(h.sizes).toEqual([])
    expect(h.events.at(-1)!.corrects).toBe(2)
    await tick(f.id, 'bore-record', { sizeMm: 34, reason: ALL_THE_SAME })
    expect(await hole(id)).toMatchObject({ state: 'drilled', diameterMm: 34, sizes: [{ sizeMm: 34 }] })
    await expect(LifeEvent.update({ note: 'x' }, { where: { penetrationId: id } })).rejects.toThrow()
  })

  it('a stub is welded: no lot, no cure, proved by dye', async () => {
    const f = await place({ name: 'Stub', catalogueId: 'MV-W114' })
    expect(f.design.family).toBe('welded-stub')
    await work(f.id, [
      ['must'],
      ['survey'],
      ['ready-bore'],
      ['bore-record', { sizeMm: 44, reason: ALL_THE_SAME }],
      ['weld'],
      ['dye', { proof: 'dye from inside, 20 min, no mark outside' }],
    ])
    const h = await hole((await open(f.id)).holes[0]!.id)
    expect(states(h)).toEqual(['marked', 'drilled', 'dry-fitted', 'bedded', 'proved'])
    expect(h.sealant).toBe('welded')
    expect(h.events.map((e) => e.gatesPassed)).toEqual([[], ['fitting-short'], [], [], []])
  })

  it('a hole whose fitting is replaced begins its life again under its number: the new one is not taken for bedded', async () => {
    const engine = (
      await fitter.ask<{ fittings: { id: string; name: string }[] }>('GET', F)
    ).body.fittings.find((b) => b.name === 'Engine intake')!
    const old = await open(engine.id)
    await fitter.ask('POST', `/api/fittings/${engine.id}/log`, {
      kind: 'look',
      note: 'green round the nut',
    })
    const fresh = (
      await fitter.ask<Saved>('POST', `/api/fittings/${engine.id}/replace`, { catalogueId: 'MV-S114' })
    ).body
    await work(fresh.id, [['must'], ['survey'], ['angle', { shownDeg: 17.2 }], ['ready-bore']], 4)
    expect(
      (await tick(fresh.id, 'bed', { tempC: 15, humidityPct: 60 })).body.error.gates!.map((g) => g.id),
    ).toEqual(expect.arrayContaining(['not-drilled', 'not-dry-fitted']))
    await tick(fresh.id, 'bore-record', { sizeMm: 43, reason: ALL_THE_SAME })
    const h = await hole(old.holes[0]!.id)
    expect(h.state).toBe('drilled')
    expect(h.log.map((l) => l.note)).toContain('green round the nut')
  })

  it('goes into the whole boat\u2019s file and comes out of it the same', async () => {
    const f = await save(await place({ name: 'For the file' }), { 'bedding.pad': 'epoxy-filled' })
    await tick(f.id, 'pad-bond', { lotId: good('epoxy').id, ...AIR, reason: 'trial' })
    const out = (
      await fitter.ask<{ fittings: { design: { name: string }; log: Log[] }[] }>(
        'GET',
        `${F}/boat.json?photos=no`,
      )
    ).body
    const mine = out.fittings.find((h) => h.design.name === 'For the file')!
    expect(mine.log).toEqual([
      expect.objectContaining({ step: 'pad-bond', lot: good('epoxy').code, tempC: 16, humidityPct: 55 }),
    ])
    const made = (await fitter.ask<{ id: string }>('POST', '/api/boats/import', out)).body
    const again = (await fitter.ask<typeof out>('GET', `/api/boats/${made.id}/boat.json?photos=no`)).body
    expect(again.fittings.find((h) => h.design.name === 'For the file')!.log).toEqual(mine.log)
    const bent = structuredClone(out)
    bent.fittings.find((h) => h.design.name === 'For the file')!.log[0]!.lot = 'NO-SUCH'
    const refused = await fitter.ask('POST', '/api/boats/import', bent)
    expect([refused.status, refused.body.error.path]).toEqual([
      400,
      expect.stringMatching(/^fittings\.\d+\.log\.0\.lot$/),
    ])
  })
})

describe('correcting a life by hand', () => {
  it('a correction names what it corrects, counts instead of it, and passes no gate that the step would not', async () => {
    const f = await place({ name: 'Corrected', catalogueId: 'MV-B34' })
    await fitter.ask('POST', `/api/fittings/${f.id}/record`)
    const id = (await open(f.id)).holes[0]!.id
    const post = (body: object) => fitter.ask<HoleRecord>('POST', `/api/penetrations/${id}/events`, body)
    expect((await post({ state: 'drilled', sizeMm: 43 })).body.error.gates!.map((g) => g.id)).toEqual([
      'fitting-short',
    ])
    await post({ state: 'drilled', sizeMm: 43, gateReason: ALL_THE_SAME })
    const jump = await post({ state: 'in-service', corrects: 2, note: 'it is long in use' })
    expect(jump.body.error.gates!.map((g) => g.id)).toEqual(
      expect.arrayContaining(['not-drilled', 'no-proof']),
    )
    const right = (
      await post({ state: 'drilled', corrects: 2, sizeMm: 34, note: 'misread', gateReason: ALL_THE_SAME })
    ).body
    expect(right.sizes.map((s) => s.sizeMm)).toEqual([34])
    expect(right.events.map((e) => [e.state, e.corrects])).toEqual([
      ['marked', null],
      ['drilled', null],
      ['drilled', 2],
    ])
    const back = (await post({ state: 'marked', corrects: 3, note: 'another hole was meant' })).body
    expect(back.state).toBe('marked')
    expect((await post({ state: 'dry-fitted' })).body.error.gates!.map((g) => g.id)).toEqual(['not-drilled'])
  })
})
