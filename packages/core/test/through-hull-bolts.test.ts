import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { SIZES, STOCK_LENGTHS_MM, stepGates, partSaid } from '../src'
import {
  FLANGE_THICK_MM,
  throughHullBolts,
  throughHullParts,
  throughHullSteps,
  boltLengths,
  boltsSaid,
} from '../src/kinds/through-hull'
import { fit, judge } from './through-hull-hands'

const groups = (id: string, change: Record<string, unknown> = {}, hull: object = {}) => {
  const d = fit(id, change, hull)
  return { d, g: boltLengths(d, judge(d)) }
}
const washer = SIZES.M8!.plainWasher.thicknessMm
const beyond = SIZES.M8!.hexNutMm + 2 * SIZES.M8!.pitchMm

describe('how long the bolts are', () => {
  it('square to the hull: hull, pad, flange and washer, the nut and two turns, up to the next stock length', () => {
    const { d, g } = groups('MV-S1', { 'hold.method': 'through', 'wedge.blocks': 'none' })
    const grip = d.hull.thicknessMm + d.pad!.thicknessMm + FLANGE_THICK_MM.valve + washer
    expect(g).toEqual([
      {
        bolts: [1, 2, 3],
        gripMm: expect.closeTo(grip, 9),
        requiredMm: expect.closeTo(grip + beyond, 9),
        lengthMm: STOCK_LENGTHS_MM.find((l) => l >= grip + beyond),
      },
    ])
  })
  it('on a wedge the bolt on the side where the hull falls away is the longer, by its place along the slope', () => {
    // Deadrise alone, to starboard: the hull rises to starboard, so the inboard bolts are the longer.
    const { d, g } = groups('MV-S1', { 'hold.method': 'through' })
    const all = throughHullBolts(d).map((p, i) => ({
      y: p.yMm,
      group: g.find((q) => q.bolts.includes(i + 1))!,
    }))
    const out = all.reduce((a, b) => (b.y > a.y ? b : a))
    const inn = all.reduce((a, b) => (b.y < a.y ? b : a))
    expect(inn.group.requiredMm - out.group.requiredMm).toBeCloseTo(
      (out.y - inn.y) * Math.tan((d.hull.deadriseDeg * Math.PI) / 180),
      6,
    )
    const port = groups('MV-S1', { 'hold.method': 'through', 'place.yMm': -400 })
    expect(port.g.find((q) => q.bolts.includes(2))!.requiredMm).toBeCloseTo(
      g.find((q) => q.bolts.includes(3))!.requiredMm,
      6,
    )
  })
  it('property: every bolt reaches, with less than a stock step to spare, at any slope and pad', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 22, noNaN: true }),
        fc.double({ min: -8, max: 8, noNaN: true }),
        fc.integer({ min: 10, max: 30 }),
        fc.boolean(),
        (deadriseDeg, slopeDeg, pad, wedges) => {
          const { d, g } = groups(
            'MV-S114',
            { 'hold.method': 'through', 'pad.thicknessMm': pad, 'wedge.blocks': wedges ? 'both' : 'none' },
            { deadriseDeg, slopeDeg },
          )
          expect(g.flatMap((q) => q.bolts).sort()).toEqual(throughHullBolts(d).map((_, i) => i + 1))
          for (const q of g) {
            if (q.lengthMm === null) return expect(q.requiredMm).toBeGreaterThan(STOCK_LENGTHS_MM.at(-1)!)
            expect(q.lengthMm).toBeGreaterThanOrEqual(q.requiredMm - 1e-6)
            expect(STOCK_LENGTHS_MM.filter((l) => l >= q.requiredMm - 1e-6)[0]).toBe(q.lengthMm)
          }
        },
      ),
      { numRuns: 40 },
    )
  })
  it('into the pad: the longest that does not bottom', () => {
    const { d, g } = groups('MV-S1', { 'hold.method': 'insert' })
    expect(g).toHaveLength(1)
    expect(g[0]!.requiredMm).toBeCloseTo(FLANGE_THICK_MM.valve + washer + d.pad!.thicknessMm, 9)
    expect(g[0]!.lengthMm).toBe(STOCK_LENGTHS_MM.filter((l) => l <= g[0]!.requiredMm).at(-1))
    const shallow = groups('MV-S1', { 'hold.method': 'insert', 'hold.engagedMm': 9 })
    expect(shallow.g[0]!.requiredMm).toBeLessThan(g[0]!.requiredMm)
  })
  it('held by its nut it has none; a pack that no stock bolt spans is said', () => {
    expect(groups('MV-B34').g).toEqual([])
    const { d, g } = groups('MV-S1', {
      'hold.method': 'through',
      'pad.thicknessMm': 190,
      'wedge.blocks': 'none',
    })
    expect(g[0]!.lengthMm).toBeNull()
    expect(boltsSaid(d, g, (v) => `${v} mm`)).toMatch(/^3 × M8 × 2\d\d mm of rod$/)
    expect(judge(d).checks.find((c) => c.id === 'bolt-length')!.verdict).toBe('tight')
  })
  it('they stand on the list of parts by length, one spare each, and lean on the flange\u2019s thickness', () => {
    const d = fit('MV-S1', { 'hold.method': 'through' })
    const j = judge(d)
    const lines = throughHullParts(d, j)
      .map((p) => partSaid(p, 'metric'))
      .filter((p) => p.what.startsWith('Bolt through the hull'))
    expect(lines.map((p) => p.size)).toEqual(
      j.bolts.map((b) => expect.stringContaining(`M8 × ${b.lengthMm}`)),
    )
    expect(lines.every((p) => p.count.endsWith('+ 1'))).toBe(true)
    expect(j.checks.find((c) => c.id === 'bolt-length')!.assumed).toEqual(['flange 11 mm thick'])
  })
})

describe('the bond path is a step with its figure', () => {
  const d = fit('MV-S1')
  const steps = throughHullSteps(d, judge(d), 'metric')
  const ticks = Object.fromEntries(
    steps.map((s) => [s.id, { at: '2026-01-01T00:00:00.000Z', by: '', note: '' }]),
  )
  it.each([
    [null, ['no-meter']],
    [0.1, []],
    [0.11, ['bond-high']],
  ])('%s ohm: %j', (ohm, wanted) =>
    expect(
      stepGates(steps, 'bond', ticks, {
        at: 0,
        lot: null,
        tempC: null,
        airC: null,
        humidityPct: null,
        ohm,
      }).map((g) => g.id),
    ).toEqual(wanted),
  )
})
