import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import type { BoatPart } from '../src'
import { mapObstacles, padOf } from '../src/kinds/through-hull'
import { fit, judge, verdict } from './through-hull-hands'

/** The valve stands at x 5000, y 400; its handle reaches 110 mm. */
const part = (over: Partial<BoatPart>): BoatPart => ({
  kind: 'longitudinal',
  title: 'Stringer 2',
  x0Mm: 0,
  y0Mm: 460,
  x1Mm: 9000,
  y1Mm: 460,
  ...over,
})
const d = fit('MV-S1')

describe('what the map has round a handle', () => {
  it.each([
    ['a stringer beside it', {}, 1],
    ['a stringer out of reach', { y0Mm: 700, y1Mm: 700 }, 0],
    [
      'a bulkhead across the whole boat',
      { kind: 'bulkhead', title: 'Bulkhead 4', x0Mm: 5090, x1Mm: 5090, y0Mm: 0, y1Mm: 0 },
      1,
    ],
    [
      'a beam of the deck, over a valve under water',
      { kind: 'beam', title: 'Beam 3', x0Mm: 5000, x1Mm: 5000, y0Mm: 0, y1Mm: 0 },
      0,
    ],
    ['a cable', { kind: 'cable', y0Mm: 410, y1Mm: 410 }, 0],
    [
      'the near side of a tank',
      { kind: 'tank', title: 'Fuel', x0Mm: 5080, x1Mm: 6500, y0Mm: 0, y1Mm: 900 },
      1,
    ],
  ] as [string, Partial<BoatPart>, number][])('%s: %o gives %i', (_name, over, n) =>
    expect(mapObstacles(d, [part(over)])).toHaveLength(n),
  )
  it('a long line is cut to the square around the valve and keeps its direction', () => {
    const [o] = mapObstacles(d, [part({ y0Mm: 0, y1Mm: 900 })])
    expect((o!.y2Mm - o!.y1Mm) / (o!.x2Mm - o!.x1Mm)).toBeCloseTo(900 / 9000, 9)
    expect(Math.max(Math.abs(o!.x1Mm), Math.abs(o!.x2Mm))).toBeLessThanOrEqual(
      2 * (d.valve!.handleMm + 60) + 1e-6,
    )
  })
  it('property: whatever lies within reach is in, whatever lies beyond is out, and nothing is put where it is not', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -600, max: 600, noNaN: true }),
        fc.double({ min: -600, max: 600, noNaN: true }),
        fc.double({ min: 0, max: Math.PI, noNaN: true }),
        (px, py, turn) => {
          const [ux, uy] = [Math.cos(turn), Math.sin(turn)]
          const stringer = part({
            x0Mm: 5000 + px - 4000 * ux,
            y0Mm: 400 + py - 4000 * uy,
            x1Mm: 5000 + px + 4000 * ux,
            y1Mm: 400 + py + 4000 * uy,
          })
          const off = Math.abs(px * uy - py * ux)
          const got = mapObstacles(d, [stringer])
          expect(got.length).toBe(off < d.valve!.handleMm + 60 ? 1 : 0)
          for (const o of got)
            for (const [x, y] of [
              [o.x1Mm, o.y1Mm],
              [o.x2Mm, o.y2Mm],
            ] as const)
              expect(Math.abs((x - px) * uy - (y - py) * ux)).toBeLessThan(1e-6)
        },
      ),
      { numRuns: 200 },
    )
  })
  it('is a question until somebody says whether it stands as high as the handle', () => {
    const beside = { parts: [part({})] }
    const swept = fit('MV-S1', { 'clock.wantedDeg': 0 })
    expect(verdict(swept, 'handle-swing', beside)).toBe('unproven')
    expect(judge(swept, beside).obstacles).toEqual([
      expect.objectContaining({ what: 'stringer 2', map: true }),
    ])
    expect(
      verdict(
        fit('MV-S1', { 'clock.wantedDeg': 0, 'clock.ignored': ['stringer 2'] }),
        'handle-swing',
        beside,
      ),
    ).toBe('holds')
    expect(verdict(swept, 'handle-swing')).toBe('holds')
  })
})

describe('a pad where there was none', () => {
  it('is wider than what stands on it, and another material keeps its size', () => {
    expect(padOf(fit('MV-S1', { pad: null }), 'g10')).toEqual({
      material: 'g10',
      thicknessMm: 18,
      diameterMm: 140,
      bondMPa: 12,
    })
    const now = fit('MV-S1')
    expect(padOf(now, 'plywood')).toEqual({ ...now.pad, material: 'plywood' })
    expect(padOf(fit('MV-B34', { pad: null }), 'g10').diameterMm).toBe(90)
  })
})
