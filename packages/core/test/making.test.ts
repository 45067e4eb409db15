import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { runNamed } from '../src/chapters/registry'
import { normal } from '../src/base/normal'

/** What must be true of the sums of openings, making and watching, whatever is put in. */
const run = <T>(name: string, input: unknown) => runNamed(name, input) as T
interface Checked {
  checks: { id: string; utilisation: number | null }[]
}
const use = (o: Checked, id: string) => o.checks.find((c) => c.id === id)!.utilisation!

describe('a lid', () => {
  const lid = (over: object = {}) =>
    run<Checked & { latchN: number; shutN: number; spanMostMm: number; spanMm: number; leftMm: number }>(
      'lid-hold',
      {
        lengthMm: 600,
        widthMm: 450,
        massKg: 6,
        latches: { count: 2, kind: 'cam' },
        gasket: { kind: 'strip-soft' },
        lid: { material: 'plywood', thicknessMm: 18 },
        windKn: 60,
        ...over,
      },
    )
  it('with the longest span that is told keeps just the least of its seal', () => {
    const most = lid({ windKn: 0 }).spanMostMm
    const at = lid({ lengthMm: most, latches: { atMm: [most / 2], kind: 'cam' }, windKn: 0 })
    expect(at.spanMm).toBeCloseTo(most, 9)
    expect(use(at, 'gasket')).toBeCloseTo(1, 6)
  })
  it('is held less hard by each of more latches, and more evenly pressed', () => {
    for (let n = 1; n < 6; n++) {
      const [few, more] = [n, n + 1].map((count) => lid({ latches: { count, kind: 'cam' }, widthMm: 100 }))
      expect(more!.latchN).toBeLessThanOrEqual(few!.latchN + 1e-9)
      expect(more!.leftMm).toBeGreaterThanOrEqual(few!.leftMm - 1e-9)
    }
  })
})

describe('a strip', () => {
  it('bent so that nothing yields springs back whole; rolled, it comes to the curve that was wanted', () => {
    fc.assert(
      fc.property(fc.integer({ min: 300, max: 20_000 }), fc.integer({ min: 3, max: 8 }), (radiusMm, t) => {
        const s = run<{ elastic: boolean; springback: { easy: number }; formRadiusMm: number }>(
          'strip-bend',
          {
            widthMm: 30,
            thicknessMm: t,
            material: 'al-6061',
            easy: { radiusMm },
            bolts: 7,
            pitchMm: 120,
          },
        )
        return s.elastic ? s.springback.easy === 1 : s.springback.easy < 1 && s.formRadiusMm < radiusMm
      }),
      { numRuns: 60 },
    )
  })
})

describe('a compartment', () => {
  const boat = { lengthMm: 8500, beamMm: 2900, displacementKg: 5200 }
  it('amidships sinks her level, and as far aft as forward trims her as much the other way', () => {
    const at = (xMm: number) =>
      run<{ trimMm: number; sinkageMm: number }>('compartment', {
        shape: { kind: 'box', lengthMm: 1000, widthMm: 1200, heightMm: 600, xMm },
        boat,
      })
    expect(at(3750).trimMm).toBeCloseTo(0, 9)
    expect(at(1000).trimMm).toBeCloseTo(-at(6500).trimMm, 9)
    expect(at(1000).sinkageMm).toBeCloseTo(at(6500).sinkageMm, 9)
  })
})

describe('a trend', () => {
  const days = ['2030-01-01', '2030-03-01', '2030-05-01', '2030-07-01', '2030-09-01']
  const of = (values: number[]) =>
    run<{ line: { slopePerDay: number }; worsening: boolean; flags: string[]; tau: number | null }>('trend', {
      kind: 'gap',
      readings: values.map((value, i) => ({ date: days[i], value })),
    })
  it('of looks in any order is the same', () => {
    const looks = [0.1, 0.2, 0.15, 0.4, 0.5]
    const shuffled = run('trend', {
      kind: 'gap',
      readings: [3, 0, 4, 1, 2].map((i) => ({ date: days[i], value: looks[i] })),
    })
    expect(shuffled).toEqual(of(looks))
  })
  it('that does not move worsens never, whatever one look says', () => {
    expect(of([0.2, 0.2, 0.2, 0.2, 0.2])).toMatchObject({ worsening: false, tau: null })
    expect(of([0.2, 0.2, 0.9, 0.2, 0.2]).worsening).toBe(false)
  })
  it.each([
    [0, 0.5],
    [1.959963985, 0.975],
    [-1.2815515655, 0.1],
    [3.090232306, 0.999],
  ])('the normal distribution at %d is %d', (x, p) => expect(normal(x)).toBeCloseTo(p, 9))
})
