import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { calculate } from '../src/base/calculator/calculator'
import { spacing } from '../src/chapters/layout/spacing'

/** Every row that can be set out, one after another: the least of them, and the first of equals. */
function byHand(v: {
  long: number
  half: number
  least: number
  wanted: number
  most: number
  tol: number
  keepouts: [number, number][]
}): number[] | null {
  let best: { each: number; spots: number[] } | null = null
  const open = (s: number) => v.keepouts.every(([a, b]) => s + v.half <= a || s - v.half >= b)
  const grow = (spots: number[], sum: number) => {
    const last = spots.at(-1)!
    if (spots.length > 1 && last >= v.long - v.tol) {
      const each = sum / (spots.length - 1)
      if (
        !best ||
        each < best.each - 1e-12 ||
        (Math.abs(each - best.each) < 1e-12 && spots.length < best.spots.length)
      )
        best = { each, spots }
    }
    for (let p = v.least; p <= v.most; p++)
      if (last + p <= v.long && open(last + p)) grow([...spots, last + p], sum + (p - v.wanted) ** 2)
  }
  for (let s = 0; s <= Math.min(v.tol, v.long); s++) if (open(s)) grow([s], 0)
  return (best as { spots: number[] } | null)?.spots ?? null
}
describe('the most even row', () => {
  it('is the one that a search of every row finds', () => {
    let found = 0
    fc.assert(
      fc.property(
        fc.integer({ min: 12, max: 34 }),
        fc.integer({ min: 1, max: 2 }),
        fc.integer({ min: 0, max: 4 }),
        fc.integer({ min: 0, max: 4 }),
        fc.integer({ min: 0, max: 4 }),
        fc.array(fc.tuple(fc.integer({ min: 0, max: 30 }), fc.integer({ min: 1, max: 4 })), { maxLength: 3 }),
        (long, half, a, b, tol, keeps) => {
          const least = 2 * half + 2 + a
          const v = { long, half, least, wanted: least + (b >> 1), most: least + b, tol }
          const keepouts = keeps.map(([f, l]): [number, number] => [f, f + l])
          const got = calculate(spacing, {
            path: [
              { xMm: 0, yMm: 0, zMm: 0 },
              { xMm: 100, yMm: 0, zMm: 0 },
            ],
            fromMm: 0,
            toMm: long,
            footprintMm: 2 * half,
            pitch: { leastMm: v.least, wantedMm: v.wanted, mostMm: v.most },
            ends: tol ? 'free' : 'fixed',
            ...(tol ? { endToleranceMm: tol } : {}),
            keepouts: keepouts.map(([fromMm, toMm], i) => ({ fromMm, toMm, name: `k${i}` })),
          }) as unknown as { positions: { sMm: number }[] }
          const spots = byHand({ ...v, keepouts })
          if (spots) found++
          expect(got.positions.map((p) => p.sMm)).toEqual(spots ?? [])
        },
      ),
      { numRuns: 400 },
    )
    // Rows that come out, and rows that do not, are both among them.
    expect(found).toBeGreaterThan(40)
  })
})
