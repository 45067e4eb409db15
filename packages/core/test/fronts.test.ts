import { describe, expect, it, vi } from 'vitest'
import { dissectionOf } from '../src/chapters/plate/dissection'
import { compiledFronts, NotPositive, packedFor, type Fronts } from '../src/chapters/plate/fronts'
import { factorGrid, type GridSystem } from '../src/chapters/plate/multifrontal'
import { plainFronts } from '../src/chapters/plate/plain-fronts'
import { addPlate, sectionOf } from '../src/chapters/plate/section'

/** What is compiled says what JavaScript says: fronts of every size, whole grids, and what cannot be done. */
const compiled = compiledFronts()!
const plain = plainFronts()
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
/** Its columns that go, row by row, and the lower rows of what stays. */
function eliminated(fronts: Fronts, rows: number[][], m: number): number[] {
  const n = rows.length
  const [stays, packed] = [n * m, n * m + (n - m) ** 2]
  const x = fronts.room(packed + packedFor(n)).figures
  x.fill(NaN)
  const at = (i: number, j: number) => (j < m ? i * m + j : stays + (i - m) * (n - m) + j - m)
  rows.forEach((r, i) => r.forEach((v, j) => (x[at(i, j)] = v)))
  fronts.eliminate({ gone: 0, stays, n, m, packed })
  return rows.flatMap((r, i) => r.map((_, j) => x[at(i, j)]!))
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
  const SIZES = [1, 2, 3, 4, 5, 7, 8, 43, 47, 48, 49, 50, 51, 52, 95, 96, 97, 99, 121, 163]
  it.each(SIZES.map((n) => [n]))('of %i unknowns, some or all of them eliminated', (n) => {
    for (const m of new Set([1, Math.ceil(n / 3), n - 1, n].filter((k) => k > 0))) {
      const rows = lower(n, n * 31 + m)
      expect(apart(eliminated(compiled, rows, m), eliminated(plain, rows, m))).toBeLessThan(1e-12)
    }
  })
  it.each([3, 45, 90])('that is not positive at %i is refused by both', (k) => {
    const rows = lower(100, 5)
    rows[k]![k] = -1
    for (const fronts of [compiled, plain]) expect(() => eliminated(fronts, rows, 100)).toThrow(NotPositive)
  })
})
const sandwich = sectionOf({
  kind: 'sandwich',
  outerMm: 4,
  coreMm: 12,
  innerMm: 3,
  eMPa: 12000,
  nu: 0.3,
  coreGMPa: 50,
})
const laminate = sectionOf({ kind: 'solid', tMm: 9, eMPa: 12000, nu: 0.3 })
/** A grid held along one side: of a sandwich with five unknowns a node, of one laminate with three. */
function grid(nx: number, ny: number, dofs: 3 | 5): GridSystem & { rhs: Float64Array } {
  const held = new Uint8Array((nx + 1) * (ny + 1) * dofs)
  for (let j = 0; j <= ny; j++) held.fill(1, j * (nx + 1) * dofs, (j * (nx + 1) + 1) * dofs)
  const ke = new Float64Array(16 * dofs * dofs)
  if (dofs === 3) addPlate(ke, dofs, 1, 11, 9, laminate.own)
  else {
    addPlate(ke, dofs, 1, 11, 9, sandwich.membrane!)
    addPlate(ke, dofs, 3, 11, 9, sandwich.own)
  }
  const rhs = Float64Array.from(held, (h, i) => (h || i % dofs ? 0 : 1))
  return { nx, ny, dofs, held, element: () => ke, rhs }
}
/** The same by elimination of the whole matrix, without order or fronts. */
function bySteps({ nx, ny, dofs, held, element, rhs }: ReturnType<typeof grid>): number[] {
  const n = rhs.length
  const A = Array.from({ length: n }, () => new Float64Array(n))
  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) {
      const at = j * (nx + 1) + i
      const of = [at, at + 1, at + nx + 2, at + nx + 1].flatMap((c) =>
        Array.from({ length: dofs }, (_, d) => c * dofs + d),
      )
      const ke = element(i, j)
      of.forEach((r, p) => of.forEach((c, q) => (A[r]![c]! += ke?.[p * of.length + q] ?? 0)))
    }
  held.forEach((h, k) => {
    if (!h) return
    for (let i = 0; i < n; i++) A[k]![i] = A[i]![k] = 0
    A[k]![k] = 1
  })
  const x = [...rhs]
  for (let k = 0; k < n; k++)
    for (let i = k + 1; i < n; i++) {
      const f = A[i]![k]! / A[k]![k]!
      if (f === 0) continue
      for (let c = k; c < n; c++) A[i]![c]! -= f * A[k]![c]!
      x[i]! -= f * x[k]!
    }
  for (let k = n - 1; k >= 0; k--) {
    for (let c = k + 1; c < n; c++) x[k]! -= A[k]![c]! * x[c]!
    x[k]! /= A[k]![k]!
  }
  return x
}
const ways: [string, Fronts][] = [
  ['compiled', compiled],
  ['in JavaScript', plain],
]

describe('a grid', () => {
  const SIZES: [number, number, 3 | 5][] = [
    [1, 1, 3],
    [3, 5, 5],
    [7, 4, 3],
    [9, 8, 5],
  ]
  describe.each(ways)('%s', (_, fronts) => {
    it.each(SIZES)(
      'of %i by %i elements, %i unknowns a node, comes to what its whole matrix says',
      (...of) => {
        const g = grid(...of)
        expect(apart(factorGrid(g, undefined, fronts).solve(g.rhs), bySteps(g))).toBeLessThan(1e-9)
      },
    )
    it('with a hole in it, too', () => {
      const g = grid(6, 7, 5)
      const whole = g.element
      g.element = (i, j) => (i === 3 && j === 2 ? null : whole(i, j))
      expect(apart(factorGrid(g, undefined, fronts).solve(g.rhs), bySteps(g))).toBeLessThan(1e-9)
    })
    it('answers for the factor that stands in its memory, and for no other', () => {
      const [a, b] = [grid(9, 8, 5), grid(5, 4, 3)]
      const first = factorGrid(a, undefined, fronts)
      const said = first.solve(a.rhs)
      expect(first.solve(a.rhs)).toEqual(said)
      expect(factorGrid(b, undefined, fronts).solve(b.rhs)).toHaveLength(b.rhs.length)
      expect(() => first.solve(a.rhs)).toThrow('another patch')
      expect(factorGrid(a, undefined, fronts).solve(a.rhs)).toEqual(said)
    })
  })
  it('of 40 by 40 elements comes to the same, compiled and in JavaScript', () => {
    const g = grid(40, 40, 5)
    const [a, b] = ways.map(([, f]) => factorGrid(g, undefined, f).solve(g.rhs))
    expect(apart(a!, b!)).toBeLessThan(1e-9)
  })
})
describe('the order of a grid', () => {
  it.each([
    [1, 1],
    [2, 9],
    [13, 13],
    [40, 31],
  ])('of %i by %i elements takes each node and each element once, and no stack runs over', (nx, ny) => {
    const d = dissectionOf(nx, ny)
    const gone = d.fronts.flatMap((f) => [...d.ints.subarray(f.nodes, f.nodes + f.inner)])
    expect(gone.sort((a, b) => a - b)).toEqual(Array.from({ length: (nx + 1) * (ny + 1) }, (_, n) => n))
    const elements = d.fronts.flatMap((f) => f.elements.map((e) => e.j * nx + e.i))
    expect(elements.sort((a, b) => a - b)).toEqual(Array.from({ length: nx * ny }, (_, n) => n))
    const waiting: { left: number; rest: number }[] = []
    for (const f of d.fronts) {
      expect(f.children.map(({ left, rest }) => ({ left, rest }))).toEqual(
        waiting.splice(waiting.length - f.children.length),
      )
      expect(f.made + f.rest ** 2).toBeLessThanOrEqual(d.stack)
      waiting.push({ left: f.left, rest: f.rest })
    }
    expect(waiting).toEqual([expect.objectContaining({ rest: 0 })])
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
