import { AsyncLocalStorage } from 'node:async_hooks'
import { readFileSync } from 'node:fs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import {
  judge,
  parseDesign,
  stepsOf,
  withChange,
  workState,
  type AnyDesign,
  type LogLine,
  type WorkState,
} from '@north-tide/core'
import { addKind, kindNamed, kinds } from '@north-tide/core/kinds'
import { namePlate } from '../../core/test/name-plate/kind'
import { Fitting, User } from '../src/models'
import { saveFitting } from '../src/services/fittings'
import { sheetOf } from '../src/services/opened'
import { settled } from '../src/services/rejudge'
import { tickFitting } from '../src/services/ticks'
import { startYard, type Someone, type Yard } from './harness'

/** The work on a fitting, of whatever kind, is one thing: ticked, logged, recorded, counted, printed. */
let app: Yard['app']
let fitter: Someone
let apprentice: Someone
interface Lot {
  id: number
  code: string
  chemistry: string
  kind: string
  expiresOn: string
  storedHot: boolean
}
let lots: Lot[]
addKind(namePlate)
beforeAll(async () => {
  ;({ app, fitter, apprentice } = await startYard('the_work'))
  lots = (await fitter.ask<Lot[]>('GET', '/api/lots')).body
}, 240_000)
afterAll(() => app.stop())

const F = '/api/boats/fulmars-reach'
interface Open {
  id: string
  kind: string
  version: number
  verdict: string
  governing: string | null
  design: AnyDesign
  recorded: boolean
  log: LogLine[]
  work: WorkState
  holes: { id: number; label: string; part: string; state: string; diameterMm: number }[]
  stale: { changes: string[] } | null
}
const good = (chemistry: string) =>
  lots.find(
    (l) => (l.kind === chemistry || l.chemistry === chemistry) && l.expiresOn > '2026-12-31' && !l.storedHot,
  )!
const place = async (body: object) => (await fitter.ask<Open>('POST', `${F}/fittings`, body)).body
const open = async (id: string) => (await fitter.ask<Open>('GET', `/api/fittings/${id}`)).body
const tick = (id: string, step: string, more: object = {}, by = fitter) =>
  by.ask<Open>('POST', `/api/fittings/${id}/tick`, { step, ...more })
const daysAgo = (n: number) => new Date(Date.now() - n * 86_400_000).toISOString()
const AIR = { tempC: 18, airC: 18, humidityPct: 55 }
/** A cleat of four bolts on the cored foredeck, off the demo's own. */
const cleat = (name: string, xMm = 2450) => place({ catalogueId: 'HG-C200', name, xMm, yMm: 620 })
const stepsFor = (f: Open) => {
  const d = parseDesign(f.design)
  return stepsOf(d, judge(d), 'metric')
}
/** What each step of a cleat asks for, said as a fitter would. */
const answers = (f: Open, step: string): object => {
  const s = stepsFor(f).find((x) => x.id === step)!
  const lot = s.lot === 'epoxy' ? good('epoxy') : s.lot ? good(s.lot) : null
  return {
    ...(s.looks.length ? { looked: s.looks } : {}),
    ...(s.asks.includes('size') ? { sizeMm: step === 'core-bore' ? 18 : 9 } : {}),
    ...(lot ? { lotId: lot.id } : {}),
    ...(step === 'core-bore' ? { reason: 'the owner takes a smaller line' } : {}),
    ...(s.asks.includes('air') ? AIR : {}),
    ...(s.asks.includes('torque') ? { torqueNm: s.torqueNm } : {}),
    ...(s.asks.includes('run-down') ? { runDownNm: 1.2 } : {}),
    ...(s.asks.includes('proof') ? { proof: 'hose 10 min, low to high; inside dry' } : {}),
  }
}

describe('the life of a whole fitting in one act', () => {
  it('a cleat of four bolts comes from marked to in service in under 15 actions, each on its true day', async () => {
    const f = await cleat('Cleat in few acts')
    // Its loads are too much for that deck: the drill wants a reason, and gets one below.
    expect(f.verdict).toBe('short')
    const gates = stepsFor(f).filter((s) => s.gate)
    expect(gates.length).toBeLessThan(15)
    for (const [i, s] of gates.entries()) {
      // What the nut runs down with is read at the dry fit, and the torque follows from it.
      const now = await open(f.id)
      const a = await tick(f.id, s.id, { at: daysAgo(40 - 2 * i), ...answers(now, s.id) })
      expect([s.id, a.status, a.body.error?.message]).toEqual([s.id, 200, undefined])
    }
    const done = await open(f.id)
    expect(done.holes.map((h) => h.state)).toEqual(Array(4).fill('in-service'))
    expect(Object.keys(done.work.ticks).sort()).toEqual(gates.map((s) => s.id).sort())
    expect(done.work.ticks.survey!.at).toBe(done.log[0]!.at)
    const life = (
      await fitter.ask<{ events: { state: string; lot: string | null; at: string; sizeMm: number }[] }>(
        'GET',
        `/api/penetrations/${done.holes[3]!.id}`,
      )
    ).body.events
    expect(life.map((e) => e.state)).toEqual([
      'marked',
      'drilled',
      'core-sealed',
      'dry-fitted',
      'bedded',
      'proved',
      'in-service',
    ])
    expect(life.find((e) => e.state === 'core-sealed')!.lot).toBe(good('epoxy').code)
    expect(life.find((e) => e.state === 'drilled')!.sizeMm).toBe(18)
    // The finished hole is what was drilled last, on all four.
    expect(done.holes.map((h) => h.diameterMm)).toEqual([9, 9, 9, 9])
    expect(done.log.find((l) => l.step === 'snug')!.data!.torqueNm).toBe(
      stepsFor(done).find((s) => s.id === 'snug')!.torqueNm,
    )
    // What is done cannot be done twice.
    expect((await tick(f.id, 'survey')).body.error.code).toBe('ticked')
  })

  it('the odd one out is kept apart with a word, and follows by itself', async () => {
    const f = await cleat('Cleat with an odd one', 2450 + 40)
    const upTo = ['survey', 'ready-drill']
    for (const s of upTo) await tick(f.id, s, { at: daysAgo(9), ...answers(f, s) })
    await fitter.ask('POST', `/api/fittings/${f.id}/record`)
    const labels = (await open(f.id)).holes.map((h) => h.label)
    const three = labels.slice(0, 3)
    expect(
      (await tick(f.id, 'core-bore', { at: daysAgo(8), ...answers(f, 'core-bore'), holes: three })).body
        .error,
    ).toMatchObject({ code: 'invalid-input', path: 'note' })
    expect(
      (await tick(f.id, 'core-bore', { ...answers(f, 'core-bore'), holes: ['P-999'] })).body.error.path,
    ).toBe('holes')
    const a = await tick(f.id, 'core-bore', {
      at: daysAgo(8),
      ...answers(f, 'core-bore'),
      holes: three,
      note: 'a wire under the fourth',
    })
    expect(a.status).toBe(200)
    expect(a.body.holes.map((h) => h.state)).toEqual(['drilled', 'drilled', 'drilled', 'marked'])
    expect(a.body.log.at(-1)).toMatchObject({ step: 'core-bore', data: { holes: three } })
    // The others go on; the one that was kept apart stands in their way no more than a gate does.
    const sealed = await tick(f.id, 'core-fill', {
      at: daysAgo(7),
      ...answers(f, 'core-fill'),
      holes: three,
      note: 'the fourth waits',
    })
    expect(sealed.body.holes.map((h) => h.state)).toEqual([...Array(3).fill('core-sealed'), 'marked'])
    const follows = await tick(f.id, 'core-bore', {
      at: daysAgo(6),
      ...answers(f, 'core-bore'),
      holes: [labels[3]!],
    })
    expect(follows.body.holes.at(-1)!.state).toBe('drilled')
    // The step keeps the day on which it was done.
    expect(follows.body.work.ticks['core-bore']!.at).toBe(a.body.work.ticks['core-bore']!.at)
  })

  it('a torque that is off, and a last look that was not taken, are gates; an apprentice passes none', async () => {
    const placed = await cleat('Cleat with gates', 2450 + 80)
    // A plain nut runs down for nothing: its torque is known from the start.
    const d = parseDesign(placed.design)
    const f = (
      await fitter.ask<Open>('PUT', `/api/fittings/${placed.id}`, {
        version: placed.version,
        design: { ...d, bolt: { ...d.bolt, nut: 'hex' } },
      })
    ).body
    const torque = stepsFor(f).find((s) => s.id === 'snug')!.torqueNm!
    const off = await tick(f.id, 'snug', { torqueNm: 2 * torque })
    expect(off.status).toBe(409)
    expect(off.body.error.gates!.map((g) => g.id)).toEqual(['survey', 'torque-off'])
    expect((await tick(f.id, 'ready-drill')).body.error.gates!.map((g) => g.id)).toContain('not-looked')
    expect((await tick(f.id, 'snug', { torqueNm: torque, reason: 'x' }, apprentice)).status).toBe(403)
    const passed = await tick(f.id, 'snug', { torqueNm: torque, reason: 'done by the yard before' })
    expect(passed.body.log.at(-1)!.note).toContain('survey passed over: done by the yard before')
  })

  it('a tick that is taken back takes all its holes back, and both stay on record', async () => {
    const f = await cleat('Cleat taken back', 2450 + 120)
    for (const s of ['survey', 'ready-drill', 'core-bore'])
      await tick(f.id, s, { at: daysAgo(3), ...answers(f, s) })
    expect((await open(f.id)).holes.map((h) => h.state)).toEqual(Array(4).fill('drilled'))
    const back = await fitter.ask<Open>('POST', `/api/fittings/${f.id}/tick/core-bore/back`, {
      reason: 'the wrong side',
    })
    expect(back.body.holes.map((h) => h.state)).toEqual(Array(4).fill('marked'))
    expect(back.body.work.ticks['core-bore']).toBeUndefined()
    expect(back.body.log.map((l) => [l.step, l.undoes])).toEqual([
      ['survey', false],
      ['ready-drill', false],
      ['core-bore', false],
      ['core-bore', true],
    ])
  })
})

describe('the design is what was decided, the log what happened', () => {
  it('what is bought goes stale when the stack moves, and a file of it was never bought', async () => {
    const f = await cleat('Cleat to buy', 2450 + 160)
    const bought = (await fitter.ask<Open>('POST', `/api/fittings/${f.id}/bought`)).body
    expect(bought.work.bought).toMatchObject({ by: 'Tam Corrigall' })
    expect(bought.work.bought!.what).toContain('Bolt')
    const file = (await fitter.ask<object>('GET', `/api/fittings/${f.id}/design.json`)).body
    expect(JSON.stringify(file)).not.toContain('bought')
    const again = (await fitter.ask<Open>('POST', `${F}/fittings/import`, file)).body
    expect(again.design).toEqual(bought.design)
    expect((await open(again.id)).work).toEqual(workState([]))
  })
  it.each(['deck-hardware', 'through-hull'])(
    'a %s file of version 1 opens, without its past',
    async (kind) => {
      const file = JSON.parse(
        readFileSync(new URL(`../../core/test/kept/${kind}-v1.json`, import.meta.url), 'utf8'),
      ) as { design: Record<string, unknown> }
      expect(file.design.schemaVersion).toBe(1)
      const made = await fitter.ask<Open>('POST', `${F}/fittings/import?kind=${kind}`, file)
      expect([made.status, made.body.kind]).toEqual([201, kind])
      const { ticks: _t, ordered: _o, bought: _b, schemaVersion: _s, taperPlug: _p, ...decided } = file.design
      expect(made.body.design).toMatchObject({ ...decided, schemaVersion: 2 })
      expect((await open(made.body.id)).log).toEqual([])
    },
  )
})

describe('what an act costs', () => {
  const counted = new AsyncLocalStorage<string[]>()
  const queries = async (run: () => Promise<unknown>): Promise<string[]> => {
    // The type of the library keeps its options to itself.
    const sequelize = Fitting.sequelize as unknown as { options: { logging?: unknown } }
    const before = sequelize.options.logging
    sequelize.options.logging = (sql: string) => void counted.getStore()?.push(sql)
    const seen: string[] = []
    try {
      await counted.run(seen, run)
    } finally {
      sequelize.options.logging = before ?? false
    }
    return seen
  }
  const account = async () => {
    const u = (await User.findOne({ where: { login: 'fitter' } }))!
    return { id: u.id, login: u.login, name: u.name, role: u.role, boats: {} }
  }
  it.each([
    ['deck-hardware', { catalogueId: 'HG-C200', xMm: 2600, yMm: 500 }, { 'bedding.tempC': 14 }],
    [
      'through-hull',
      { catalogueId: 'MV-S1', xMm: 5000, yMm: -400, zMm: -420, zone: 'bottom', deadriseDeg: 17 },
      { 'hose.clips': 3 },
    ],
  ])('saving a %s takes at most 7 queries, a tick at most 20', async (_kind, body, change) => {
    const f = await place({ name: 'Counted', ...body })
    await settled()
    const who = await account()
    const saved = await queries(() =>
      saveFitting(who, f.id, { version: f.version, design: withChange(f.design, change) }),
    )
    expect(saved.length, saved.join('\n')).toBeLessThanOrEqual(7)
    expect(saved.length).toBeGreaterThan(2)
    const first = f.kind === 'through-hull' ? 'must' : 'survey'
    for (const step of [first, f.kind === 'through-hull' ? 'bore-record' : 'core-bore']) {
      // The first that says something of the holes records them besides.
      if (step !== first) await fitter.ask('POST', `/api/fittings/${f.id}/record`)
      const ticked = await queries(() => tickFitting(who, f.id, { step, sizeMm: 12, reason: 'counted' }))
      expect(ticked.length, ticked.join('\n')).toBeLessThanOrEqual(20)
    }
  })
})

describe('one truth for screen and paper', () => {
  it('list, bench, card and export say the same of every fitting of the demo', async () => {
    await settled()
    const who = (await User.findOne({ where: { login: 'manager' } }))!
    const me = { id: who.id, login: who.login, name: who.name, role: who.role, boats: {} }
    let seen = 0
    for (const boat of (await fitter.ask<{ id: string }[]>('GET', '/api/boats')).body) {
      const list = (
        await fitter.ask<{
          fittings: {
            id: string
            name: string
            verdict: string
            governing: string | null
            stale: string[] | null
          }[]
        }>('GET', `/api/boats/${boat.id}`)
      ).body.fittings
      for (const f of list) {
        const bench = await open(f.id)
        const paper = await sheetOf(me, f.id)
        const said = [f.name, f.verdict, f.governing]
        expect([bench.design.name, bench.verdict, bench.governing]).toEqual(said)
        expect([paper.design.name, paper.judgement.verdict, paper.judgement.governing]).toEqual(said)
        expect([f.name, paper.solverDue]).toEqual([f.name, false])
        expect([f.name, paper.stale ?? null, bench.stale?.changes ?? null]).toEqual([
          f.name,
          f.stale,
          f.stale,
        ])
        const holes = bench.holes.map((h) => h.label)
        expect([f.name, paper.holes]).toEqual([f.name, holes])
        seen++
      }
    }
    expect(seen).toBeGreaterThan(20)
  })
})

describe('a third kind of work', () => {
  it('is placed, shown, worked on, recorded, exported and read again with nothing but its own folder', async () => {
    expect(kinds().map((k) => k.id)).toContain('name-plate')
    const f = await place({ catalogueId: 'NP-60', name: 'Her plate', xMm: 9000, yMm: 300 })
    expect([f.kind, f.verdict]).toEqual(['name-plate', 'short'])
    const mapped = (
      await fitter.ask<{ fittings: { id: string; kind: string; outline: object[]; zone: string }[] }>(
        'GET',
        F,
      )
    ).body.fittings.find((x) => x.id === f.id)!
    expect(mapped).toMatchObject({ kind: 'name-plate', outline: { length: 4 } })
    expect((await fitter.ask('GET', `${F}/map.svg`)).text).toContain('Her plate')
    const saved = await fitter.ask<Open>('PUT', `/api/fittings/${f.id}`, {
      version: f.version,
      design: { ...f.design, screwMm: 2 },
    })
    expect([saved.status, saved.body.verdict]).toEqual([200, 'holds'])
    expect(
      (await fitter.ask('PUT', `/api/fittings/${f.id}`, { version: 2, design: { ...f.design, screwMm: -2 } }))
        .body.error.path,
    ).toBe('design.screwMm')
    await tick(f.id, 'drill', { sizeMm: 2, at: daysAgo(3) })
    await tick(f.id, 'screw', { lotId: good('butyl').id, ...AIR, at: daysAgo(2) })
    const done = (await tick(f.id, 'look', { proof: 'hosed, dry', at: daysAgo(1) })).body
    expect(done.holes.map((h) => [h.part, h.state, h.diameterMm])).toEqual([
      ['bolt 1', 'in-service', 2],
      ['bolt 2', 'in-service', 2],
    ])
    const csv = (await fitter.ask('GET', `${F}/register.csv`)).text
    expect(csv).toContain('Her plate, screw 2')
    const card = await fitter.ask('GET', `/api/fittings/${f.id}/card.pdf`)
    expect([card.status, card.headers.get('content-type')]).toEqual([200, 'application/pdf'])
    expect((await fitter.ask('GET', `/api/fittings/${f.id}/plate.svg`)).text).toContain('<svg')
    const file = (await fitter.ask<{ format: string }>('GET', `/api/fittings/${f.id}/design.json`)).body
    expect(file.format).toBe('north-tide-name-plate')
    expect((await fitter.ask<Open>('POST', `${F}/fittings/import`, file)).body.kind).toBe('name-plate')
    const whole = JSON.parse((await fitter.ask('GET', `${F}/boat.json?photos=no`)).text) as {
      fittings: { kind: string; log: object[] }[]
    }
    const made = (await fitter.ask<{ id: string }>('POST', '/api/boats/import', whole)).body
    const again = (
      await fitter.ask<{ fittings: { kind: string; name: string }[] }>('GET', `/api/boats/${made.id}`)
    ).body.fittings
    expect(again.filter((x) => x.kind === 'name-plate').map((x) => x.name)).toEqual([
      'Her plate',
      'Her plate',
    ])
    expect(
      kindNamed('name-plate').parts(
        saved.body.design,
        kindNamed('name-plate').judge(saved.body.design, {} as never),
      ),
    ).toHaveLength(3)
  })
  it('a kind that nobody knows is refused in words', async () => {
    expect(
      (await fitter.ask('POST', `${F}/fittings/import`, { format: 'north-tide-kite', design: {} })).body
        .error,
    ).toMatchObject({ code: 'invalid-input', path: 'format' })
    expect(
      (await fitter.ask('POST', `${F}/fittings/import?kind=kite`, { design: {} })).body.error,
    ).toMatchObject({
      code: 'unknown-kind',
      path: 'kind',
    })
  })
})
