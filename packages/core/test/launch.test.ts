import { describe, expect, it } from 'vitest'
import {
  ALONE,
  daySaid,
  dayAfter,
  judge,
  launchOf,
  NO_WORK,
  QUESTIONS,
  refusedHere,
  stepsOf,
  withChange,
  type Around,
  type Drawing,
  type LogLine,
} from '../src'
import { throughHull } from '../src/kinds/through-hull/kind'
import { daysToFloat } from '../src/kinds/through-hull/launch-bead'
import { TAILS, THROUGH_HULL_CATALOGUE, type ThroughHullDesign } from '../src/kinds/through-hull'
import { deckFit } from './deck-hands'

const NOW = Date.parse('2026-11-28T08:00:00Z')
const seacock = (flange: 'polysulfide' | 'hybrid', zMm = -400): ThroughHullDesign => {
  const entry = THROUGH_HULL_CATALOGUE.find((e) => e.family === 'seacock')!
  const spot = { zone: null, xMm: 4000, yMm: 600, zMm, duty: 'coastal', zones: [], measured: [] }
  const d = throughHull.start(entry, spot as never, 'Intake')
  return withChange(d, { 'bedding.flange': flange, 'bedding.tempC': 15, 'bedding.humidityPct': 60 })
}
const judged = (d: ThroughHullDesign, inDays: number | null, log: LogLine[] = []) => {
  const launch = inDays === null ? null : launchOf(dayAfter('2026-11-28', inDays), NOW)
  const around: Around = { ...ALONE, log, launch: launch ?? undefined }
  return throughHull.judge(d, around).checks.find((c) => c.id === 'sealant-flange')!
}

describe('a bead and the day she is launched', () => {
  it('a late one is tight, and says which day it would be ready', () => {
    const days = daysToFloat('polysulfide', 15, 60)!
    expect(days).toBeGreaterThan(6)
    const c = judged(seacock('polysulfide'), 5)
    expect(c.verdict).toBe('tight')
    expect(c.because).toContain(daySaid(dayAfter('2026-11-28', 5 + Math.ceil(days - 5))))
    expect(c.because).toContain('she is launched on 3 Dec 2026')
  })
  it('in time it is what it is by its chemistry alone', () => {
    const d = seacock('polysulfide')
    expect(judged(d, Math.ceil(daysToFloat('polysulfide', 15, 60)!))).toEqual(judged(d, null))
  })
  it('one day too few is late by one day, one more is not late', () => {
    const days = Math.ceil(daysToFloat('polysulfide', 15, 60)!)
    expect(judged(seacock('polysulfide'), days - 1).because).toContain('1 day too early')
    expect(judged(seacock('polysulfide'), days).because).not.toContain('too early')
  })
  it('above the water, and once it is bedded, no launch asks for it', () => {
    expect(judged(seacock('polysulfide', 400), 1).because).not.toContain('launched')
    const bedded: LogLine = {
      id: 1,
      at: '2026-11-20T08:00:00Z',
      who: 'fitter',
      kind: 'tick',
      step: 'bed',
      note: '',
      value: null,
      undoes: false,
      data: {},
    } as never
    expect(judged(seacock('polysulfide'), 1, [bedded]).because).not.toContain('launched')
  })
  it.each([
    ['2026-11-28', 0],
    ['2026-11-27', null],
    ['2026-12-08', 10],
    [null, null],
  ])('to %s there are %s days', (on, days) => expect(launchOf(on, NOW)?.inDays ?? null).toBe(days))
})

describe('the choke hole behind a drain plug', () => {
  const plugged = (change: Record<string, unknown>) => {
    const entry = THROUGH_HULL_CATALOGUE.find((e) => e.family === 'drain-plug')!
    const spot = { zone: null, xMm: 9000, yMm: 0, zMm: -300, duty: 'coastal', zones: [], measured: [] }
    const d = throughHull.start(entry, spot as never, 'Garboard plug')
    return withChange(d, change)
  }
  const choke = (change: Record<string, unknown>) =>
    throughHull.judge(plugged(change), ALONE).checks.find((c) => c.id === 'choke-flow')
  it('has its own flow by its own diameter, against what the pumps there carry', () => {
    // 0.6 of 28.27 mm2 at sqrt(2 g 0.3 m) = 2.426 m/s is 2.469 L/min
    const c = choke({ 'plug.chokeMm': 6, 'plug.pumpsLpm': 20 })!
    expect(c.demand).toBeCloseTo(2.469, 2)
    expect(c.verdict).toBe('holds')
    expect(choke({ 'plug.chokeMm': 20, 'plug.pumpsLpm': 20 })!.verdict).toBe('short')
    expect(choke({ 'plug.chokeMm': 6, 'plug.pumpsLpm': 0 })!.verdict).toBe('short')
  })
  it.each([{}, { 'plug.chokeMm': 6 }])(
    'is unproven while its size or the pumps are not known: %j',
    (change) => expect(choke(change)!.verdict).toBe('unproven'),
  )
  it('without one nothing is asked', () => expect(choke({ 'plug.choke': false })).toBeUndefined())
  it('stands in the drill list and in the steps with its size, before the block is bonded', () => {
    const d = plugged({ 'plug.chokeMm': 6.5, 'plug.pumpsLpm': 20 })
    const j = throughHull.judge(d, ALONE)
    expect(throughHull.drill(d, j).find((r) => r.name?.includes('choke'))!.finishMm).toBe(6.5)
    const steps = throughHull.steps(d, j, 'metric', NO_WORK)
    const at = (id: string) => steps.findIndex((s) => s.id === id)
    expect(steps[at('choke')]!.text).toContain('6.5 mm and no larger')
    expect(at('choke')).toBeLessThan(at('bed'))
  })
})

describe('an elbow instead of a straight tail', () => {
  const elbows = TAILS.filter((t) => t.bendDeg > 0)
  /** How far the barb reaches to the side. */
  const leftOf = (d: Drawing) =>
    Math.min(
      ...d.shapes.flatMap((x) =>
        x.kind === 'area' && x.label === 'hose tail' ? x.points.map((p) => p.x) : [],
      ),
    )
  it('is in the list for every pipe size', () =>
    expect([...new Set(elbows.map((t) => t.thread.size))]).toEqual(['3/4', '1', '1 1/4', '1 1/2', '2']))
  it.each(elbows.map((t) => [t.title, t] as const))(
    '%s is drawn, stepped and never a remedy by itself',
    (_, t) => {
      const d = withChange(seacock('hybrid'), { tail: t })
      const j = throughHull.judge(d, ALONE)
      const section = throughHull.drawings(d, j, 'metric')[0]!.drawing
      expect(section.shapes.some((s) => 'label' in s && s.label === 'elbow')).toBe(true)
      const straight = throughHull.drawings(seacock('hybrid'), j, 'metric')[0]!.drawing
      expect(leftOf(section)).toBeLessThan(leftOf(straight) - 10)
      const tail = throughHull.steps(d, j, 'metric', NO_WORK).find((s) => s.id === 'tail')!
      expect(tail.text).toMatch(/^Elbow in .*on, never back/)
      const short = withChange(seacock('hybrid'), { 'tail.barbLengthMm': 12, 'hose.clips': 2 })
      const tries = throughHull.tries(short, throughHull.judge(short, ALONE), ALONE)
      expect(tries.some((x) => /elbow/i.test(x.text))).toBe(false)
    },
  )
})

describe('bedding as the builder did', () => {
  const q = QUESTIONS.find((x) => x.id === 'bedding')!
  const cleat = deckFit('HG-C250')
  it('is refused until somebody has looked at what she is bedded in', () => {
    expect(refusedHere('builder', cleat)).toContain('Nobody has said')
    const known = withChange(cleat, { 'schools.builder': 'polysulfide' })
    expect(refusedHere('builder', known)).toBeNull()
  })
  it('takes that sealant, and steps and cure follow it', () => {
    const known = withChange(cleat, { 'schools.builder': 'polysulfide' })
    const d = withChange(known, q.take('builder', known))
    expect(q.of(d)).toBe('builder')
    expect(d.bedding.sealant).toBe('polysulfide')
    const hours = (x: typeof d) => Math.max(...stepsOf(x, judge(x), 'metric').map((step) => step.waitH ?? 0))
    expect(hours(d)).toBeGreaterThan(hours(withChange(known, q.take('tape', known))) + 24)
  })
  it('a poor choice of the builder is still refused by the chemistry', () => {
    const known = withChange(cleat, { 'schools.builder': 'butyl', 'bedding.fuelOrSolvent': true })
    expect(refusedHere('builder', known)).toContain('dissolve')
  })
})
