import { fronts as frontsHere, type Fronts } from './fronts'

/**
 * Sparse Cholesky for a structured grid of four-noded elements: nested dissection by rectangles of
 * elements, a dense front for each.
 * Work grows with n^1.5 and store with n\u00b7log n in the unknowns, against n\u00b2 and n^1.5 of a band
 * solver.
 */
export interface GridSystem {
  nx: number
  ny: number
  dofs: number
  /** the element's matrix, (4·dofs)² by rows, corners counter-clockwise from the lower left; null: none */
  element: (i: number, j: number) => Float64Array | null
  /** 1 where the unknown is held at nought */
  held: Uint8Array
}
interface Front {
  nodes: Int32Array
  eliminated: number
  /** lower rows of the eliminated columns, row by row: (size \u00d7 eliminated unknowns) */
  L: Float64Array
  size: number
}
export class Cancelled extends Error {}

const LEAF = 4

/**
 * Adds a dense symmetric block of `side` unknowns (its lower rows, from `at` on in `S`) into a front, node by
 * node: `places` is where each node's first unknown stands there.
 */
function scatter(
  F: Float64Array,
  size: number,
  dofs: number,
  S: Float64Array,
  at: number,
  places: Int32Array,
): void {
  const side = places.length * dofs
  for (let n = 0; n < places.length; n++) {
    const row = places[n]!
    for (let o = 0; o <= n; o++) {
      const column = places[o]!
      for (let p = 0; p < dofs; p++) {
        const from = at + (n * dofs + p) * side + o * dofs
        const end = o === n ? p + 1 : dofs
        if (row >= column) {
          const to = (row + p) * size + column
          for (let q = 0; q < end; q++) F[to + q] = F[to + q]! + S[from + q]!
        } else
          for (let q = 0, to = column * size + row + p; q < end; q++, to += size)
            F[to] = F[to]! + S[from + q]!
      }
    }
  }
}

/**
 * What a front leaves for the next is taken up by it soon after, in the order in which it was left: one
 * stretch of memory serves every front, and every patch of this thread.
 */
let left = new Float64Array(0)
function leftFrom(top: number, length: number): Float64Array {
  if (left.length >= top + length) return left
  const more = new Float64Array(Math.max(2 * left.length, top + length))
  more.set(left.subarray(0, top))
  return (left = more)
}
/** More than this is given back when a patch is done. */
const MOST_LEFT = 4_000_000

/** v := L⁻¹·v, of what stays behind what the eliminated ones take from it. */
function forward(L: Float64Array, size: number, m: number, v: Float64Array): void {
  for (let r = 0; r < size; r++) {
    const end = r < m ? r : m
    let row = r * m
    // Four sums, so that no addition waits for the one before it.
    let [s0, s1, s2, s3] = [0, 0, 0, 0]
    let k = 0
    for (; k + 3 < end; k += 4, row += 4) {
      s0 += L[row]! * v[k]!
      s1 += L[row + 1]! * v[k + 1]!
      s2 += L[row + 2]! * v[k + 2]!
      s3 += L[row + 3]! * v[k + 3]!
    }
    for (; k < end; k++, row++) s0 += L[row]! * v[k]!
    const left = v[r]! - (s0 + s1 + (s2 + s3))
    v[r] = r < m ? left / L[row]! : left
  }
}
/** v := L⁻ᵀ·v of the eliminated ones, from those that stay. */
function backward(L: Float64Array, size: number, m: number, v: Float64Array): void {
  for (let r = size - 1; r >= 0; r--) {
    const row = r * m
    const end = r < m ? r : m
    if (r < m) v[r] = v[r]! / L[row + r]!
    const vr = v[r]!
    if (vr !== 0) for (let k = 0; k < end; k++) v[k] = v[k]! - L[row + k]! * vr
  }
}

/** Adds an element's matrix into the lower rows of a front, corner by corner. */
function gather(
  F: Float64Array,
  size: number,
  dofs: number,
  ke: Float64Array,
  corner: Int32Array,
  where: Int32Array,
): void {
  for (let c = 0; c < 4; c++) {
    const row = where[corner[c]!]! * dofs
    for (let e = 0; e < 4; e++) {
      const column = where[corner[e]!]! * dofs
      if (column > row) continue
      for (let p = 0; p < dofs; p++) {
        const to = (row + p) * size + column
        const from = (c * dofs + p) * 4 * dofs + e * dofs
        const end = column === row ? p + 1 : dofs
        for (let q = 0; q < end; q++) F[to + q] = F[to + q]! + ke[from + q]!
      }
    }
  }
}

export interface Factored {
  solve: (rhs: Float64Array) => Float64Array
  /** stored figures of the factor */
  stored: number
}

/** `tick` hears how far it is, 0 to 1, and stops the work by answering false. */
export function factorGrid(
  g: GridSystem,
  tick?: (part: number) => boolean | void,
  dense: Fronts = frontsHere(),
): Factored {
  const { nx, ny, dofs } = g
  const across = nx + 1
  const fronts: Front[] = []
  const where = new Int32Array((nx + 1) * (ny + 1)).fill(-1)
  const corner = new Int32Array(4)
  const side = 4 * dofs
  const loose = new Float64Array(side * side)
  /** An element’s matrix without what is held at its corners. */
  const freed = (ke: Float64Array, at: Int32Array): Float64Array => {
    let any = false
    for (let r = 0; r < side; r++) {
      const c = Math.floor(r / dofs)
      if (!g.held[at[c]! * dofs + r - c * dofs]) continue
      if (!any) loose.set(ke)
      any = true
      for (let k = 0; k < side; k++) loose[r * side + k] = loose[k * side + r] = 0
    }
    return any ? loose : ke
  }
  let stored = 0
  let done = 0
  let top = 0

  /** A node is shared with elements outside the rectangle only on sides that are no edge of the panel. */
  const split = (i0: number, i1: number, j0: number, j1: number, nodes: number[]) => {
    const inner: number[] = []
    const shared: number[] = []
    for (const node of nodes) {
      const i = node % across
      const j = (node - i) / across
      if ((i === i0 && i0 > 0) || (i === i1 && i1 < nx) || (j === j0 && j0 > 0) || (j === j1 && j1 < ny))
        shared.push(node)
      else inner.push(node)
    }
    return { inner, shared }
  }
  const finish = (F: Float64Array, nodes: Int32Array, inner: number) => {
    const size = nodes.length * dofs
    const m = inner * dofs
    dense.eliminate(F, size, m)
    const L = new Float64Array(size * m)
    for (let r = 0; r < size; r++) L.set(F.subarray(r * size, r * size + m), r * m)
    stored += L.length
    fronts.push({ nodes, eliminated: inner, L, size })
    done += inner
    if (tick?.(done / ((nx + 1) * (ny + 1))) === false) throw new Cancelled()
    const rest = size - m
    const at = top
    const S = leftFrom(at, rest * rest)
    top += rest * rest
    for (let r = 0; r < rest; r++) {
      const from = (m + r) * size + m
      S.set(F.subarray(from, from + r + 1), at + r * rest)
    }
    return { shared: nodes.subarray(inner), at }
  }

  const reduce = (i0: number, i1: number, j0: number, j1: number): { shared: Int32Array; at: number } => {
    const [w, h] = [i1 - i0, j1 - j0]
    if (w <= LEAF && h <= LEAF) {
      const all: number[] = []
      for (let j = j0; j <= j1; j++) for (let i = i0; i <= i1; i++) all.push(j * across + i)
      const { inner, shared } = split(i0, i1, j0, j1, all)
      const nodes = Int32Array.from([...inner, ...shared])
      nodes.forEach((node, k) => (where[node] = k))
      const size = nodes.length * dofs
      const F = dense.front(size)
      for (let j = j0; j < j1; j++)
        for (let i = i0; i < i1; i++) {
          const ke = g.element(i, j)
          if (!ke) continue
          corner[0] = j * across + i
          corner[1] = corner[0] + 1
          corner[2] = corner[1] + across
          corner[3] = corner[0] + across
          gather(F, size, dofs, freed(ke, corner), corner, where)
        }
      // A held unknown keeps its place with a one on the diagonal; among shared nodes only the front that
      // eliminates it may add that.
      inner.forEach((node, k) => {
        for (let p = 0; p < dofs; p++)
          if (g.held[node * dofs + p]) F[(k * dofs + p) * size + k * dofs + p] = 1
      })
      return finish(F, nodes, inner.length)
    }
    const wide = w >= h
    const mid = wide ? i0 + (w >> 1) : j0 + (h >> 1)
    const a = wide ? reduce(i0, mid, j0, j1) : reduce(i0, i1, j0, mid)
    const b = wide ? reduce(mid, i1, j0, j1) : reduce(i0, i1, mid, j1)
    const { inner, shared } = split(i0, i1, j0, j1, [...new Set([...a.shared, ...b.shared])])
    const nodes = Int32Array.from([...inner, ...shared])
    nodes.forEach((node, k) => (where[node] = k))
    const size = nodes.length * dofs
    const F = dense.front(size)
    for (const child of [a, b]) {
      scatter(
        F,
        size,
        dofs,
        left,
        child.at,
        child.shared.map((node) => where[node]! * dofs),
      )
    }
    top = a.at
    inner.forEach((node, k) => {
      for (let p = 0; p < dofs; p++) if (g.held[node * dofs + p]) F[(k * dofs + p) * size + k * dofs + p] = 1
    })
    return finish(F, nodes, inner.length)
  }
  reduce(0, nx, 0, ny)
  if (left.length > MOST_LEFT) left = new Float64Array(0)

  let most = 0
  for (const f of fronts) most = Math.max(most, f.size)
  const v = new Float64Array(most)
  /** What stands at a front's nodes, taken out of the whole; and put back, of so many nodes. */
  const take = (f: Front, x: Float64Array) => {
    for (let k = 0, to = 0; k < f.nodes.length; k++)
      for (let p = 0, from = f.nodes[k]! * dofs; p < dofs; p++) v[to++] = x[from + p]!
  }
  const put = (f: Front, x: Float64Array, nodes: number) => {
    for (let k = 0, from = 0; k < nodes; k++)
      for (let p = 0, to = f.nodes[k]! * dofs; p < dofs; p++) x[to + p] = v[from++]!
  }
  const solve = (rhs: Float64Array): Float64Array => {
    const x = Float64Array.from(rhs)
    for (const f of fronts) {
      take(f, x)
      forward(f.L, f.size, f.eliminated * dofs, v)
      put(f, x, f.nodes.length)
    }
    for (let i = fronts.length - 1; i >= 0; i--) {
      const f = fronts[i]!
      take(f, x)
      backward(f.L, f.size, f.eliminated * dofs, v)
      put(f, x, f.eliminated)
    }
    return x
  }
  return { solve, stored }
}
