import { describe, expect, it } from 'vitest'
import {
  chanceSaid,
  leakAnswer,
  leakDrawing,
  leakQuestion,
  logSeries,
  moistureSeries,
  trendQuestion,
  trendSaid,
  type Drip,
  type LeakAnswer,
  type LeakTest,
  type LeakThing,
  type LogLine,
  type Series,
  type TrendAnswer,
} from '../src'
import { runNamed } from '../src/chapters/registry'

/** Drips and trends as the boat's own things: what is asked of the calculators, and what is said of it. */
const thing = (id: string, more: Partial<LeakThing> = {}): LeakThing => ({
  id,
  name: `Thing ${id}`,
  kind: 'deck-hardware',
  place: 'deck',
  xMm: 1000,
  yMm: 500,
  zMm: 900,
  chemistry: 'polysulfide',
  bedded: '2015-05-01',
  state: 'in-service',
  as: 'deck-hardware',
  loaded: false,
  verdict: 'holds',
  ...more,
})
const drip: Drip = { xMm: 1200, yMm: 300, zMm: 500, when: 'rain', trimDeg: 0, heelDeg: 0, seen: {} }
const test = (on: string[], wet: boolean, more: Partial<LeakTest> = {}): LeakTest => ({
  kind: 'hose',
  on,
  minutes: 15,
  wet,
  delayMin: null,
  ...more,
})
const traced = (
  things: LeakThing[],
  tests: LeakTest[] = [],
  d = drip,
  parts: Parameters<typeof leakQuestion>[2] = [],
) =>
  leakAnswer(
    things,
    tests,
    runNamed('leak-trace', leakQuestion(d, things, parts, tests, '2027-05-01')) as LeakAnswer,
  )
const stanchion = thing('s', { as: 'stanchion', loaded: true })
const cleat = thing('c', { xMm: 1400, yMm: 700 })
const hatch = thing('h', { xMm: 2500, yMm: 0, as: 'hatch', kind: 'opening' })

describe('a drip that is traced', () => {
  it('what leaks oftener and stands nearer comes first, with its reasons in words', () => {
    const t = traced([hatch, cleat, stanchion])
    expect(t.ranked[0]!.id).toBe('s')
    expect(t.ranked[0]!.reasons.length).toBeGreaterThan(1)
    expect(t.state).toBe('go-on')
    expect(t.next!.on.length).toBeGreaterThan(0)
  })
  it('dry tests rule out, a wet one ends it: three tests trace it', () => {
    const tests = [test(['c'], false), test(['h'], false), test(['s'], true, { delayMin: 4 })]
    const t = traced([hatch, cleat, stanchion], tests)
    expect([t.state, t.found]).toEqual(['found', 's'])
    expect(t.next).toBeNull()
    expect(t.tests.map((x) => x.names)).toEqual([['Thing c'], ['Thing h'], ['Thing s']])
    const p = (n: number) =>
      traced([hatch, cleat, stanchion], tests.slice(0, n)).ranked.find((r) => r.id === 's')!.probability
    expect(p(1)).toBeGreaterThan(p(0))
    expect(p(3)).toBeGreaterThan(p(2))
  })
  it('what is seen of a thing counts; a test of what is gone since does not break it', () => {
    const loose = traced([cleat, stanchion], [], { ...drip, seen: { c: { loose: true, gap: true } } })
    expect(loose.ranked[0]!.id).toBe('c')
    expect(traced([cleat], [test(['gone'], true)]).tests).toEqual([])
  })
  it('a beam between dams: water has to go round its end', () => {
    const beam = { kind: 'beam' as const, title: 'Beam 3', x0Mm: 1100, y0Mm: -900, x1Mm: 1100, y1Mm: 900 }
    const open = traced([stanchion, cleat]).ranked.find((r) => r.id === 's')!
    const dammed = traced([stanchion, cleat], [], drip, [beam]).ranked.find((r) => r.id === 's')!
    expect(dammed.probability).toBeLessThan(open.probability)
  })
  it('is drawn: the drip, each likely place with its chance in words, dams', () => {
    const t = traced([hatch, cleat, stanchion])
    const d = leakDrawing(drip, [hatch, cleat, stanchion], [], t.ranked)
    const likely = t.ranked.filter((r) => r.probability >= 0.02 && r.id !== 'elsewhere')
    expect(d.shapes.filter((s) => s.kind === 'ring')).toHaveLength(likely.length)
    expect(d.description).toContain(likely[0]!.said)
    for (const s of d.shapes) if (s.kind === 'ring') expect(s.r).toBeGreaterThan(0)
  })
  it.each([
    [0.95, 'it is this'],
    [0.6, 'most likely'],
    [0.2, 'likely'],
    [0.06, 'may be'],
    [0.02, 'hardly'],
    [0.001, 'ruled out'],
  ])('%d is said as "%s"', (p, said) => expect(chanceSaid(p)).toBe(said))
})

const followed = (s: Series) => trendSaid(s, runNamed('trend', trendQuestion(s)) as TrendAnswer)
const at = { id: 'f', name: 'Shaft', kind: 'through-hull' }
const line = (kind: 'bond' | 'anode', date: string, value: number, more: Partial<LogLine> = {}): LogLine => ({
  kind,
  value,
  note: '',
  who: 'x',
  at: `${date}T10:00:00.000Z`,
  ...more,
})

describe('what is read again and again', () => {
  const bonds = (values: number[]) => values.map((v, i) => line('bond', `202${i}-05-01`, v))
  it('a bond path that rises three times is suspect by that alone, and says what to do', () => {
    const [s] = logSeries(at, bonds([0.02, 0.03, 0.05]), true)
    const f = followed(s!)
    expect(f).toMatchObject({ kind: 'resistance', suspect: true, verdict: 'holds' })
    expect(f.turned).toMatch(/^bonding path: worse at each/)
    expect(f.todo).toMatch(/^It is suspect; make the joint again/)
    expect(f.points.map((p) => p.value)).toEqual([0.02, 0.03, 0.05])
  })
  it('one that is steady is not; its next look is named', () => {
    const f = followed(logSeries(at, bonds([0.03, 0.031, 0.03, 0.029]), false)[0]!)
    expect(f).toMatchObject({ suspect: false, turned: '' })
    expect(f.nextLook > '2023-05-01').toBe(true)
  })
  it('an anode is meant to waste: it does not turn by falling', () => {
    const log = [90, 80, 70].map((v, i) => line('anode', `202${i}-05-01`, v))
    expect(followed(logSeries(at, log, true)[0]!).turned).toBe('')
  })
  it('a line that was taken back is not read', () => {
    expect(logSeries(at, [line('bond', '2024-05-01', 0.02, { undoes: true })], true)).toEqual([])
  })
  it('the line reaches its limit on the day that is said', () => {
    const f = followed(logSeries(at, bonds([0.02, 0.04, 0.06, 0.08]), true)[0]!)
    expect(f.limit).toBe(0.1)
    expect(f.reaches!.slice(0, 4)).toBe('2024')
    expect(f.line!.to.date).toBe(f.reaches)
    expect(f.line!.to.value).toBeCloseTo(0.1, 3)
  })
  it('moisture belongs to the nearest hole; another meter is another series; without dry it is none', () => {
    const holes = [
      { id: 'hole 1', name: 'P-001', xMm: 0, yMm: 0, below: false },
      { id: 'hole 2', name: 'P-002', xMm: 200, yMm: 0, below: false },
    ]
    const read = (xMm: number, value: number, date: string, more = {}) => ({
      xMm,
      yMm: 0,
      value,
      dry: 10,
      scale: 100,
      meter: 'A',
      at: `${date}T09:00:00.000Z`,
      ...more,
    })
    const s = moistureSeries(holes, [
      read(20, 14, '2024-05-01'),
      read(150, 12, '2024-05-01'),
      read(20, 30, '2024-06-01', { meter: 'B', scale: 200 }),
      read(20, 15, '2025-05-01'),
      read(20, 19, '2026-05-01', { dry: null }),
      read(900, 19, '2026-05-01'),
    ])
    expect(s.map((x) => [x.at.name, x.spot, x.readings.length])).toEqual([
      ['P-001', 'A', 2],
      ['P-002', 'A', 1],
      ['P-001', 'B', 1],
    ])
    expect(followed(s[2]!).points[0]!.value).toBe(10)
  })
})
