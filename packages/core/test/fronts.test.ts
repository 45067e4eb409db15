import { describe, expect, it, vi } from 'vitest'
import { compiledFronts, NotPositive, plainFronts, type Fronts } from '../src/chapters/plate/fronts'
import { factorGrid } from '../src/chapters/plate/multifrontal'
import { addPlate, sectionOf } from '../src/chapters/plate/section'

/** What is compiled says what JavaScript says: fronts of every size, whole grids, and what cannot be done. */
const compiled = compiledFronts()!
function figures(seed: number) {
  let s = seed
  return () => (s = (s * 48271) % 2147483647) / 2147483647 - 0.5
}
/** A symmetric front by its lower rows: what it holds above them counts for nothing. */
function lower(n: number, seed: number): number[][] {
  const next = figures(seed)
  const b = Array.from({ length: n }, () => Array.from({ length: n }, next))
  return b.map((r, i) =>
    b.slice(0, i + 1).map((q, j) => r.reduce((s, v, k) => s + v * q[k]!, i === j ? 1 : 0)),
  )
}
function eliminated(fronts: Fronts, rows: number[][], m: number): number[] {
  const n = rows.length
  const F = fronts.front(n)
  expect(F.every((v) => v === 0)).toBe(true)
  rows.forEach((r, i) => r.forEach((v, j) => (F[i * n + j] = v)))
  fronts.eliminate(F, n, m)
  return rows.flatMap((r, i) => r.map((_, j) => F[i * n + j]!))
}
const apart = (a: ArrayLike<number>, b: ArrayLike<number>) => {
  let [most, of] = [0, 0]
  for (let i = 0; i < a.length; i++) {
    most = Math.max(most, Math.abs(a[i]! - b[i]!))
    of = Math.max(of, Math.abs(b[i]!))
  }
  return most / of
}

describe('a dense front', () => {
  const SIZES = [1, 2, 3, 4, 5, 7, 8, 39, 40, 41, 42, 43, 44, 79, 80, 81, 83, 121, 163]
  it.each(SIZES.map((n) => [n]))('of %i unknowns, some or all of them eliminated', (n) => {
    for (const m of new Set([1, Math.ceil(n / 3), n - 1, n].filter((k) => k > 0))) {
      const rows = lower(n, n * 31 + m)
      expect(apart(eliminated(compiled, rows, m), eliminated(plainFronts, rows, m))).toBeLessThan(1e-12)
    }
  })
  it.each([3, 45, 90])('that is not positive at %i is refused by both', (k) => {
    const rows = lower(100, 5)
    rows[k]![k] = -1
    for (const fronts of [compiled, plainFronts])
      expect(() => eliminated(fronts, rows, 100)).toThrow(NotPositive)
  })
})
describe('a grid', () => {
  const sandwich = sectionOf({
    kind: 'sandwich',
    outerMm: 4,
    coreMm: 12,
    innerMm: 3,
    eMPa: 12000,
    nu: 0.3,
    coreGMPa: 50,
  })
  it.each([
    [3, 5],
    [17, 9],
    [40, 40],
  ])('of %i by %i elements comes to the same', (nx, ny) => {
    const dofs = 5
    const held = new Uint8Array((nx + 1) * (ny + 1) * dofs)
    for (let j = 0; j <= ny; j++) held.fill(1, j * (nx + 1) * dofs, (j * (nx + 1) + 1) * dofs)
    const ke = new Float64Array(16 * dofs * dofs)
    addPlate(ke, dofs, 1, 11, 9, sandwich.membrane!)
    addPlate(ke, dofs, 3, 11, 9, sandwich.own)
    const rhs = Float64Array.from(held, (h, i) => (h || i % dofs ? 0 : 1))
    const [a, b] = [compiled, plainFronts].map((f) =>
      factorGrid({ nx, ny, dofs, held, element: () => ke }, undefined, f).solve(rhs),
    )
    expect(apart(a!, b!)).toBeLessThan(1e-9)
  })
})
it('where nothing compiled may run, there is none, and JavaScript does it', () => {
  vi.stubGlobal('WebAssembly', undefined)
  try {
    expect(compiledFronts()).toBeNull()
  } finally {
    vi.unstubAllGlobals()
  }
})
