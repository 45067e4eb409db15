import { dissectionOf, type Front } from './dissection'
import { compiledFronts, packedFor, type Fronts, type Memory } from './fronts'
import { plainFronts } from './plain-fronts'

/**
 * Sparse Cholesky for a structured grid of four-noded elements: nested dissection by rectangles of
 * elements, a dense front for each.
 * Work grows with n^1.5 and store with n·log n in the unknowns, against n² and n^1.5 of a band
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
export class Cancelled extends Error {}

export interface Factored {
  /** Until this thread factors the next: its memory is taken for that. */
  solve: (rhs: Float64Array) => Float64Array
  /** stored figures of the factor */
  stored: number
}

/** The memory of this thread, and which of its factors stands in it. */
let here: Fronts | null = null
let stands = 0
/** A memory of more figures than this serves one patch, and is given back. */
const MOST_KEPT = 8_000_000

/** Where in the memory what stands. */
function layout(g: GridSystem) {
  const { fronts, ints, factor, stack } = dissectionOf(g.nx, g.ny)
  const { dofs } = g
  const most = dofs * fronts.reduce((n, f) => Math.max(n, f.inner + f.rest), 0)
  let figures = 0
  const next = (n: number) => {
    const at = figures
    // Blocks begin at even places, which suits reading two figures at once.
    figures += n + (n & 1)
    return at
  }
  const at = {
    ints: next(Math.ceil(ints.length / 2)),
    packed: next(packedFor(most)),
    element: next(16 * dofs * dofs),
    v: next(most),
    whole: next((g.nx + 1) * (g.ny + 1) * dofs),
    stack: next(stack * dofs * dofs),
    factor: next(factor * dofs * dofs),
  }
  return { fronts, ints, at, figures, stored: factor * dofs * dofs }
}
type Layout = ReturnType<typeof layout>

/** An element's matrix put where a front takes it up, without what is held at its corners. */
function placeElement(
  g: GridSystem,
  { figures }: Memory,
  to: number,
  ke: Float64Array,
  i: number,
  j: number,
): void {
  const { dofs } = g
  const side = 4 * dofs
  figures.set(ke, to)
  const at = j * (g.nx + 1) + i
  const corners = [at, at + 1, at + g.nx + 2, at + g.nx + 1]
  for (let r = 0; r < side; r++) {
    const c = Math.floor(r / dofs)
    if (!g.held[corners[c]! * dofs + r - c * dofs]) continue
    for (let k = 0; k < side; k++) figures[to + r * side + k] = figures[to + k * side + r] = 0
  }
}

/** A front put together of its elements or of what two before it left, and its unknowns eliminated. */
function reduce(g: GridSystem, l: Layout, memory: Memory, dense: Fronts, f: Front): void {
  const { dofs } = g
  const { figures, ints } = memory
  const [square, n, m] = [dofs * dofs, (f.inner + f.rest) * dofs, f.inner * dofs]
  const r = n - m
  const [gone, stays] = [l.at.factor + f.factor * square, l.at.stack + f.made * square]
  figures.fill(0, gone, gone + n * m)
  figures.fill(0, stays, stays + r * r)
  const into = { gone, stays, inner: f.inner, rest: f.rest, dofs }
  const first = 2 * l.at.ints
  for (const e of f.elements) {
    const ke = g.element(e.i, e.j)
    if (!ke) continue
    placeElement(g, memory, l.at.element, ke, e.i, e.j)
    dense.add({ ...into, block: l.at.element, places: first + e.places, count: 4 })
  }
  for (const c of f.children)
    dense.add({ ...into, block: l.at.stack + c.left * square, places: first + c.places, count: c.rest })
  // A held unknown keeps its place with a one on the diagonal; only the front that eliminates it adds that.
  for (let k = 0; k < m; k++) {
    const p = k % dofs
    if (g.held[ints[first + f.nodes + (k - p) / dofs]! * dofs + p]) figures[gone + k * m + k] = 1
  }
  dense.eliminate({ gone, stays, n, m, packed: l.at.packed })
  if (f.left !== f.made) figures.copyWithin(l.at.stack + f.left * square, stays, stays + r * r)
}

/** `tick` hears how far it is, 0 to 1, and stops the work by answering false. */
export function factorGrid(
  g: GridSystem,
  tick?: (part: number) => boolean | void,
  dense: Fronts = (here ??= compiledFronts() ?? plainFronts()),
): Factored {
  const l = layout(g)
  const memory = dense.room(l.figures)
  const mine = ++stands
  // What grew beyond what most patches want goes with the last who holds this factor.
  if (l.figures > MOST_KEPT) here = null
  memory.ints.set(l.ints, 2 * l.at.ints)
  const nodes = (g.nx + 1) * (g.ny + 1)
  let done = 0
  for (const f of l.fronts) {
    reduce(g, l, memory, dense, f)
    done += f.inner
    if (tick?.(done / nodes) === false) throw new Cancelled()
  }
  const solve = (rhs: Float64Array): Float64Array => {
    if (stands !== mine) throw new Error('another patch has been factored since')
    const { figures } = memory
    figures.set(rhs, l.at.whole)
    const stretch = (f: Front) => ({
      gone: l.at.factor + f.factor * g.dofs * g.dofs,
      n: (f.inner + f.rest) * g.dofs,
      m: f.inner * g.dofs,
      dofs: g.dofs,
      nodes: 2 * l.at.ints + f.nodes,
      v: l.at.v,
      whole: l.at.whole,
    })
    for (const f of l.fronts) dense.forward(stretch(f))
    for (let i = l.fronts.length - 1; i >= 0; i--) dense.backward(stretch(l.fronts[i]!))
    return figures.slice(l.at.whole, l.at.whole + rhs.length)
  }
  return { solve, stored: l.stored }
}
