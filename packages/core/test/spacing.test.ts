import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { calculate } from '../src/base/calculator/calculator'
import { spacing } from '../src/chapters/layout/spacing'

interface Asked {
  long: number
  half: number
  least: number
  wanted: number
  most: number
  tol: number
  count: number
  keepouts: [number, number][]
}
/** Every row that can be set out, one after another: the least of them, and the first of equals. */
function byHand(v: Omit<Asked, 'count'>): number[] | null {
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
const asked = (v: Asked) => ({
  path: [
    { xMm: 0, yMm: 0, zMm: 0 },
    { xMm: v.long + 1, yMm: 0, zMm: 0 },
  ],
  fromMm: 0,
  toMm: v.long,
  footprintMm: 2 * v.half,
  pitch: { leastMm: v.least, wantedMm: v.wanted, mostMm: v.most },
  ends: v.tol ? 'free' : 'fixed',
  ...(v.tol ? { endToleranceMm: v.tol } : {}),
  count: v.count,
  keepouts: v.keepouts.map(([fromMm, toMm], i) => ({ fromMm, toMm, name: `k${i}` })),
})
/** What so many cost at least, by trying every place of every one of them; null where there is no way. */
function leastOf(v: Asked): number | null {
  const open = (s: number) => v.keepouts.every(([a, b]) => s + v.half <= a || s - v.half >= b)
  let after = Array.from({ length: v.long + 1 }, (_, s) => (s >= v.long - v.tol && open(s) ? 0 : Infinity))
  for (let n = 1; n < v.count; n++)
    after = after.map((_, s) => {
      let J = Infinity
      if (open(s))
        for (let p = v.least; p <= v.most && s + p <= v.long; p++)
          J = Math.min(J, after[s + p]! + (p - v.wanted) ** 2)
      return J
    })
  const J = Math.min(...after.slice(0, v.tol + 1))
  return J < Infinity ? J : null
}
describe('so many in a row', () => {
  it('cost no more than by trying every place, however far the keep-outs push them', () => {
    let [found, pushed] = [0, 0]
    const whole = (min: number, max: number) => fc.integer({ min, max })
    fc.assert(
      fc.property(
        fc.record({
          half: whole(3, 12),
          slack: whole(0, 12),
          range: whole(4, 60),
          tol: whole(0, 30),
          count: whole(2, 14),
          stretch: whole(-40, 40),
          keeps: fc.array(fc.tuple(whole(0, 100), whole(5, 70)), { maxLength: 4 }),
        }),
        (g) => {
          const least = 2 * g.half + g.slack
          const [wanted, most] = [least + (g.range >> 1), least + g.range]
          const long = Math.max(20, Math.round((g.count - 1) * wanted * (1 + g.stretch / 200)))
          const keepouts = g.keeps.map(([at, l]): [number, number] => [
            Math.round((at * long) / 100),
            Math.round((at * long) / 100) + l,
          ])
          const v = { long, half: g.half, least, wanted, most, tol: g.tol, count: g.count, keepouts }
          const J = leastOf(v)
          const { pitches } = calculate(spacing, asked(v)) as unknown as { pitches: number[] }
          expect(pitches.length).toBe(J === null ? 0 : v.count - 1)
          if (J === null) return
          found++
          if (J > wanted ** 2 / 16) pushed++
          expect(pitches.reduce((t, p) => t + (p - wanted) ** 2, 0)).toBe(J)
        },
      ),
      { numRuns: 400 },
    )
    // Some come out, and of those some lie further off than where they are looked for at first.
    expect(found).toBeGreaterThan(100)
    expect(pushed).toBeGreaterThan(15)
  })
})
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
