import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { solveContact, type Footing } from '../src/chapters/deck/contact'
import { designLoadOf, momentsOf } from '../src/chapters/load/design-load'
import { differing, type Beside } from '../src/kinds/deck-hardware/mirrored'

/** Every 15 degrees all round, from level to straight up: what a load from anywhere is swept by. */
const allRound = designLoadOf({
  basis: 'rated',
  ratedN: 5000,
  sweep: {
    azimuthDeg: { from: 0, to: 345, step: 15 },
    elevationDeg: { from: 0, to: 90, step: 15 },
  },
} as never).directions
const at = (...xy: [number, number][]) => xy.map(([xMm, yMm]) => ({ xMm, yMm }))
const round = (n: number, R: number, from = 0) =>
  Array.from({ length: n }, (_, i) => {
    const a = ((from + (360 * i) / n) * Math.PI) / 180
    return { xMm: R * Math.cos(a), yMm: R * Math.sin(a) }
  })
const plate: Footing = { lengthMm: 200, widthMm: 60 }
const square: Footing = { lengthMm: 90, widthMm: 90 }
const disc: Footing = { diameterMm: 80 }
const corners = at([-70, -20], [70, -20], [70, 20], [-70, 20])
const middle = { x: 0, y: 0 }

describe('directions of a sweep that differ', () => {
  test.each([
    // 24 azimuths by 6 levels and straight up; a quarter of a circle has 7, a half 13.
    ['four on a plate', plate, corners, middle, 6 * 7 + 1],
    ['four on a plate, the load off along it', plate, corners, { x: 10, y: 0 }, 6 * 13 + 1],
    ['four on a plate, the load off to a corner', plate, corners, { x: 10, y: 5 }, 6 * 24 + 1],
    ['three, two at one end', plate, at([-70, 0], [70, -20], [70, 20]), middle, 6 * 13 + 1],
    ['staggered: itself when turned by half', plate, at([-70, -20], [70, 20]), middle, 6 * 12 + 1],
    ['no symmetry', plate, at([-70, -20], [70, 18], [10, 3]), middle, 6 * 24 + 1],
    ['four on a square', square, at([-30, -30], [30, -30], [30, 30], [-30, 30]), middle, 6 * 4 + 1],
    ['three round a disc', disc, round(3, 30), middle, 6 * 5 + 1],
    ['three round a disc, none of them forward', disc, round(3, 30, 90), middle, 6 * 5 + 1],
    ['six round a disc', disc, round(6, 30), middle, 6 * 3 + 1],
    ['one', disc, at([0, 0]), middle, 6 * 7 + 1],
  ] as [string, Footing, { xMm: number; yMm: number }[], { x: number; y: number }, number][])(
    '%s',
    (_, footing, bolts, point, count) => {
      expect(differing(allRound, footing, bolts, point)).toHaveLength(count)
    },
  )
  test.each([
    [
      'timber with its grain: only the opposite push is the same',
      plate,
      corners,
      { grain: true },
      6 * 12 + 1,
    ],
    [
      'a disc on a doubler: mirrored, and turned by no third',
      disc,
      round(3, 30),
      { doubler: { lengthMm: 200, widthMm: 120 } },
      6 * 13 + 1,
    ],
    [
      'a square on a square doubler',
      square,
      at([-30, -30], [30, -30], [30, 30], [-30, 30]),
      { doubler: { lengthMm: 150, widthMm: 150 } },
      6 * 4 + 1,
    ],
    [
      'a square on a long doubler',
      square,
      at([-30, -30], [30, -30], [30, 30], [-30, 30]),
      { doubler: { lengthMm: 250, widthMm: 150 } },
      6 * 7 + 1,
    ],
  ] as [string, Footing, typeof corners, Beside, number][])('%s', (_, footing, bolts, beside, count) => {
    expect(differing(allRound, footing, bolts, middle, beside)).toHaveLength(count)
  })
  test('one direction stays, and nothing is turned about', () => {
    expect(differing([allRound[3]!], plate, corners, middle)).toEqual([allRound[3]])
    const kept = differing(allRound, plate, corners, middle)
    expect(kept.map((q) => allRound.indexOf(q))).toEqual(
      kept.map((q) => allRound.indexOf(q)).toSorted((a, b) => a - b),
    )
  })

  /** What the worst bolt pulls, and how hard the deck is pressed, by the contact. */
  const worst = (
    directions: typeof allRound,
    footing: Footing,
    bolts: typeof corners,
    point: typeof middle,
  ) =>
    directions.reduce(
      (m, q) => {
        const { x: Mx, y: My } = momentsOf({ ...point, z: 120 }, q)
        const found = solveContact({ footing, bolts, kb: 90_000, k: 60, preloadN: 0, Fz: q.outN, Mx, My })!
        return {
          pull: Math.max(m.pull, ...found.tensions),
          push: Math.max(m.push, found.pressedForceN),
          all: Math.max(
            m.all,
            found.tensions.reduce((a, t) => a + t, 0),
          ),
        }
      },
      { pull: 0, push: 0, all: 0 },
    )
  test('what is left out is never worse than what is kept', () => {
    const shapes = fc.constantFrom(
      ...([
        [plate, corners],
        [plate, at([-70, -20], [70, 20])],
        [plate, at([-70, 0], [70, -20], [70, 20])],
        [plate, at([-70, -20], [70, 18], [10, 3])],
        [square, at([-30, -30], [30, -30], [30, 30], [-30, 30])],
        [disc, round(3, 30)],
        [disc, round(5, 30, 20)],
      ] as [Footing, typeof corners][]),
    )
    const off = fc.constantFrom(0, 12)
    fc.assert(
      fc.property(shapes, off, off, ([footing, bolts], x, y) => {
        const whole = worst(allRound, footing, bolts, { x, y })
        const kept = worst(differing(allRound, footing, bolts, { x, y }), footing, bolts, { x, y })
        for (const k of ['pull', 'push', 'all'] as const) expect(kept[k] / whole[k]).toBeCloseTo(1, 9)
      }),
      { numRuns: 40 },
    )
  })
})
