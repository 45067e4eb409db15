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
 * Adds a dense symmetric block (lower rows of `S`, `dofs` unknowns a node) into a front at the places of
 * its nodes.
 */
function scatter(F: Float64Array, size: number, S: Float64Array, side: number, places: Int32Array): void {
  for (let r = 0; r < side; r++) {
    const pr = places[r]!
    const row = r * side
    const to = pr * size
    for (let c = 0; c <= r; c++) {
      const pc = places[c]!
      const at = pr >= pc ? to + pc : pc * size + pr
      F[at] = F[at]! + S[row + c]!
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
  const free = new Int32Array(4 * dofs)
  let stored = 0
  let done = 0

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
    for (let r = 0; r < size; r++) {
      const [from, to, end] = [r * size, r * m, Math.min(m, r + 1)]
      for (let k = 0; k < end; k++) L[to + k] = F[from + k]!
    }
    stored += L.length
    fronts.push({ nodes, eliminated: inner, L, size })
    done += inner
    if (tick?.(done / ((nx + 1) * (ny + 1))) === false) throw new Cancelled()
    const rest = size - m
    const S = new Float64Array(rest * rest)
    for (let r = 0; r < rest; r++) {
      const [from, to] = [(m + r) * size + m, r * rest]
      for (let k = 0; k <= r; k++) S[to + k] = F[from + k]!
    }
    return { shared: nodes.subarray(inner), S }
  }

  const reduce = (
    i0: number,
    i1: number,
    j0: number,
    j1: number,
  ): { shared: Int32Array; S: Float64Array } => {
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
          const corner = [j * across + i, j * across + i + 1, (j + 1) * across + i + 1, (j + 1) * across + i]
          for (let c = 0; c < 4; c++)
            for (let p = 0; p < dofs; p++) {
              const unknown = corner[c]! * dofs + p
              free[c * dofs + p] = g.held[unknown] ? -1 : where[corner[c]!]! * dofs + p
            }
          for (let r = 0; r < 4 * dofs; r++) {
            const pr = free[r]!
            if (pr < 0) continue
            const row = r * 4 * dofs
            const to = pr * size
            for (let c = 0; c < 4 * dofs; c++) {
              const pc = free[c]!
              if (pc >= 0 && pc <= pr) F[to + pc] = F[to + pc]! + ke[row + c]!
            }
          }
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
      const side = child.shared.length * dofs
      const places = new Int32Array(side)
      child.shared.forEach((node, k) => {
        for (let p = 0; p < dofs; p++) places[k * dofs + p] = where[node]! * dofs + p
      })
      scatter(F, size, child.S, side, places)
    }
    inner.forEach((node, k) => {
      for (let p = 0; p < dofs; p++) if (g.held[node * dofs + p]) F[(k * dofs + p) * size + k * dofs + p] = 1
    })
    return finish(F, nodes, inner.length)
  }
  reduce(0, nx, 0, ny)

  const solve = (rhs: Float64Array): Float64Array => {
    const x = Float64Array.from(rhs)
    for (const f of fronts) {
      const m = f.eliminated * dofs
      const v = new Float64Array(f.size)
      for (let k = 0; k < f.nodes.length; k++)
        for (let p = 0; p < dofs; p++) v[k * dofs + p] = x[f.nodes[k]! * dofs + p]!
      for (let r = 0; r < f.size; r++) {
        let s = v[r]!
        const row = r * m
        for (let k = 0; k < Math.min(m, r); k++) s -= f.L[row + k]! * v[k]!
        v[r] = r < m ? s / f.L[row + r]! : s
      }
      for (let k = 0; k < f.nodes.length; k++)
        for (let p = 0; p < dofs; p++) x[f.nodes[k]! * dofs + p] = v[k * dofs + p]!
    }
    for (let i = fronts.length - 1; i >= 0; i--) {
      const f = fronts[i]!
      const m = f.eliminated * dofs
      const v = new Float64Array(f.size)
      for (let k = 0; k < f.nodes.length; k++)
        for (let p = 0; p < dofs; p++) v[k * dofs + p] = x[f.nodes[k]! * dofs + p]!
      for (let r = f.size - 1; r >= 0; r--) {
        const row = r * m
        if (r < m) v[r] = v[r]! / f.L[row + r]!
        const vr = v[r]!
        if (vr !== 0) for (let k = 0; k < Math.min(m, r); k++) v[k] = v[k]! - f.L[row + k]! * vr
      }
      for (let k = 0; k < f.eliminated; k++)
        for (let p = 0; p < dofs; p++) x[f.nodes[k]! * dofs + p] = v[k * dofs + p]!
    }
    return x
  }
  return { solve, stored }
}
