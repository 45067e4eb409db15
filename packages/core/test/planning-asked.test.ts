import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { part } from '../src/kinds/part'
import { runNamed } from '../src/chapters/registry'
import { stepList, type Step } from '../src/kinds/step'
import {
  epoxyOf,
  potsAnswer,
  potsQuestion,
  sealantOf,
  sharedBy,
  tubesAnswer,
  tubesQuestion,
  type PotsAnswer,
  type TubesAnswer,
} from '../src/planning/batches'
import { onlySteps } from '../src/planning/boat-plan'
import { type BoatPlan, type PlanJob } from '../src/planning/plan-types'
import {
  badDaysOf,
  hoursInOrder,
  weatherQuestion,
  type WeatherAnswer,
  type WeatherHour,
} from '../src/planning/yard-weather'
import { ask, job, planned } from './planning-hands'

describe('the weather of the days', () => {
  const hour = (at: string, more: Partial<WeatherHour> = {}): WeatherHour => ({
    at,
    airC: 15,
    humidityPct: 60,
    windMs: 2,
    rainMm: 0,
    sun: 0.5,
    cloud: 0.5,
    measured: false,
    ...more,
  })
  const day = (d: string, more: Partial<WeatherHour> = {}) =>
    Array.from({ length: 24 }, (_, i) => hour(`${d}T${String(i).padStart(2, '0')}:00`, more))
  it('a reading counts before what was foretold of that hour', () => {
    const all = [hour('2031-04-14T08:00', { airC: 3, measured: true }), hour('2031-04-14T08:00')]
    expect(hoursInOrder(all, '2031-04-14T00:00').map((h) => h.airC)).toEqual([3])
    expect(hoursInOrder([...all].reverse(), '2031-04-14T00:00').map((h) => h.airC)).toEqual([3])
  })
  it('what is past, and what follows a gap, is left out', () => {
    const all = [...day('2031-04-14'), hour('2031-04-16T00:00')]
    expect(hoursInOrder(all, '2031-04-14T06:00')).toHaveLength(18)
  })
  it('a cold day is no day to bond on; in a tent it rains on nobody', () => {
    const hours = [...day('2031-04-14', { airC: -4, sun: 0 }), ...day('2031-04-15'), ...day('2031-04-16')]
    const bad = (cover: 'open' | 'tent', all = hours) =>
      badDaysOf(runNamed('weather-windows', weatherQuestion([job()], all, cover)) as WeatherAnswer)
    expect(bad('open')).toContain('2031-04-14')
    expect(bad('open')).not.toContain('2031-04-15')
    const rain = [...day('2031-04-14', { rainMm: 2 }), ...day('2031-04-15', { rainMm: 2 })]
    expect(bad('open', rain)).toContain('2031-04-14')
    expect(bad('tent', rain)).not.toContain('2031-04-14')
  })
})

describe('one batch for many', () => {
  const bonded = (): Step[] => {
    const { add, done } = stepList()
    add('core-fill', 'Fill the core.', { gate: true, minutes: 5, waitH: 12, lot: 'epoxy' })
    add('bed', 'Bed it.', { minutes: 15, lot: 'hybrid' })
    return done()
  }
  const parts = [
    part('epoxy', 'Epoxy', { material: 'epoxy', unit: 'pot', dimensions: { volumeMl: 30 } }),
    part('sealant', 'Hybrid', { material: 'hybrid', unit: 'tube-300', dimensions: { volumeMl: 60 } }),
  ]
  const withParts = (id: string, more: Partial<PlanJob> = {}) => ({
    ...job({ fittingId: id, name: `Cleat ${id}`, steps: bonded(), ...more }),
    parts,
  })
  const jobs = [withParts('f1'), withParts('f2')]
  const p = planned(jobs, ask())
  const pots = (day: BoatPlan['days'][number]) => {
    const q = potsQuestion(jobs, p.days, day, [])
    return q && potsAnswer(day, runNamed('epoxy-day', q) as PotsAnswer)
  }
  it('two fills of one day share a pot, and each says how much of it is its own', () => {
    const [first] = p.days
    const mixed = pots(first!)!
    expect(mixed).toHaveLength(1)
    expect(mixed[0]!.for).toEqual([
      { fittingId: 'f1', fitting: 'Cleat f1', ml: 30 },
      { fittingId: 'f2', fitting: 'Cleat f2', ml: 30 },
    ])
    expect(mixed[0]!.ml).toBeGreaterThan(60)
  })
  it('a day on which nothing is mixed has no pots', () => {
    expect(potsQuestion(jobs, p.days, { day: '2031-05-01', steps: [], cures: [], bag: [] }, [])).toBeNull()
  })
  it('cloth is wetted out where it is laid up, and the rest is filled with what is left', () => {
    const { add, done } = stepList()
    add('lay', 'Lay it up.', { lot: 'epoxy' })
    add('core-fill', 'Fill.', { lot: 'epoxy' })
    const resin = part('resin', 'Epoxy for the cloth', { material: 'epoxy', dimensions: { volumeMl: 90 } })
    const j = { ...job({ steps: done() }), parts: [...parts, resin] }
    expect(epoxyOf(j, 'lay')).toEqual({ ml: 90, use: 'wet-out' })
    expect(epoxyOf(j, 'core-fill')).toEqual({ ml: 30, use: 'mayonnaise' })
    expect(epoxyOf(j, 'nothing')).toBeNull()
    expect(sealantOf(j, 'lay')).toBeNull()
  })
  it('beddings of one chemistry come out of one tube, of the lot that goes off first', () => {
    const lot = (code: string, expiry: string) => ({
      code,
      chemistry: 'hybrid',
      sizeMl: 300,
      count: 1,
      opened: [],
      expiry,
      hot: false,
      test: null,
    })
    const q = tubesQuestion(jobs, p.days, [lot('L2', '2032-01-01'), lot('L1', '2031-06-01')], [])!
    const day = p.days.find((d) => d.steps.some((s) => s.step === 'bed'))!
    const tubes = tubesAnswer(day, runNamed('tube-plan', q) as TubesAnswer)
    expect(tubes).toMatchObject([{ lot: 'L1', tube: 1, for: [{ ml: 60 }, { ml: 60 }] }])
    expect(tubesQuestion(jobs, [], [], [])).toBeNull()
    expect(sharedBy(tubes, new Set(['f2']))[0]!.for).toHaveLength(1)
    expect(sharedBy(tubes, new Set(['f9']))).toEqual([])
  })
  it('what is not to be seen is cut out of it, with what it shared', () => {
    const all = [withParts('f1'), withParts('f2', { boatId: 'b2', boat: 'Skua' })]
    const both = planned(all, ask())
    const day = both.days[0]!
    const q = potsQuestion(all, both.days, day, [])!
    const mixed = {
      ...both,
      days: [{ ...day, pots: potsAnswer(day, runNamed('epoxy-day', q) as PotsAnswer) }],
    }
    const mine = onlySteps(
      mixed,
      () => true,
      (b) => b === 'b2',
    )
    expect(JSON.stringify(mine.days)).not.toContain('Cleat f1')
    expect(mine.days[0]!.pots![0]!.for).toMatchObject([{ fitting: 'Cleat f2' }])
  })
})

describe('every step that is asked about', () => {
  const step = (i: number, after: number[], work: number[], minutes: number) => ({
    id: `s${i}`,
    minutes,
    cureHours: i % 3,
    after: after.map((k) => `s${k}`),
    afterWork: work.map((k) => `s${k}`),
  })
  it('property: has a row or is left out by name, also where it waits for one both for its work and its cure', () => {
    const before = (i: number) => fc.uniqueArray(fc.nat(Math.max(0, i - 1)), { maxLength: i ? 3 : 0 })
    const steps = fc
      .integer({ min: 2, max: 24 })
      .chain((n) =>
        fc.tuple(
          ...Array.from({ length: n }, (_, i) =>
            fc.tuple(before(i), before(i), fc.nat(90)).map(([a, w, m]) => step(i, i ? a : [], i ? w : [], m)),
          ),
        ),
      )
    fc.assert(
      fc.property(steps, fc.option(fc.nat(23), { nil: null }), (all, held) => {
        const holds = held !== null && held < all.length ? [{ step: `s${held}`, until: null }] : []
        const fitters = ask().fitters.map((f) => ({ id: f.name, hoursByDay: f.hoursByDay }))
        const out = runNamed('plan', { start: '2031-04-14T08:00', steps: all, fitters, holds }) as {
          rows: { step: string; start: string; end: string; cureEnd: string }[]
          notPlanned: string[]
        }
        const said = [...out.rows.map((r) => r.step), ...out.notPlanned].sort()
        expect(said).toEqual(all.map((s) => s.id).sort())
        const rows = new Map(out.rows.map((r) => [r.step, r]))
        for (const s of all) {
          const r = rows.get(s.id)
          if (!r) continue
          for (const b of s.after) expect(r.start >= rows.get(b)!.cureEnd).toBe(true)
          for (const b of s.afterWork) expect(r.start >= rows.get(b)!.end).toBe(true)
        }
      }),
      { numRuns: 60 },
    )
  })
})
