/**
 * In what order a grid of elements is eliminated: nested dissection by rectangles, and for each the nodes
 * that go and those that stay. It depends on the numbers of elements alone, and counts in nodes and in
 * squares of nodes.
 */
export interface Front {
  /** nodes it eliminates, and what stays behind */
  inner: number
  rest: number
  /** where its nodes stand in `ints`, those that go first */
  nodes: number
  /** in the factor, and on the stack of what is left for the next, in squares of nodes */
  factor: number
  left: number
  /** where what is left is put together, before the two it takes up are gone */
  made: number
  elements: { i: number; j: number; places: number }[]
  /** the two whose rest it takes up; where in `ints` the places of their nodes in this one stand */
  children: { left: number; rest: number; places: number }[]
}
export interface Dissection {
  fronts: Front[]
  /** nodes and places, one list after another */
  ints: Int32Array
  /** squares of nodes in the factor, and at most on the stack */
  factor: number
  stack: number
}
/** A rectangle of so many elements a side is a front of its own. */
const LEAF = 3

interface Rectangle {
  i0: number
  i1: number
  j0: number
  j1: number
}
interface Left {
  /** the nodes that it shares with others */
  nodes: number[]
  left: number
}
class Dissecting {
  readonly fronts: Front[] = []
  readonly ints: number[] = []
  factor = 0
  stack = 0
  private top = 0
  private readonly across: number
  private readonly column: Int32Array
  private readonly row: Int32Array
  /** a node's place in the front that was made last of those that have it, and which front that is */
  private readonly place: Int32Array
  private readonly within: Int32Array
  constructor(
    private readonly nx: number,
    private readonly ny: number,
  ) {
    const across = nx + 1
    const nodes = across * (ny + 1)
    this.across = across
    this.column = Int32Array.from({ length: nodes }, (_, n) => n % across)
    this.row = Int32Array.from({ length: nodes }, (_, n) => Math.floor(n / across))
    this.place = new Int32Array(nodes)
    this.within = new Int32Array(nodes).fill(-1)
  }
  rectangle(r: Rectangle): Left {
    const [w, h] = [r.i1 - r.i0, r.j1 - r.j0]
    if (w <= LEAF && h <= LEAF) return this.leaf(r)
    const mid = w >= h ? r.i0 + (w >> 1) : r.j0 + (h >> 1)
    const a = this.rectangle(w >= h ? { ...r, i1: mid } : { ...r, j1: mid })
    const b = this.rectangle(w >= h ? { ...r, i0: mid } : { ...r, j0: mid })
    const all = [a, b]
    const front = this.front(
      all.map((c) => c.nodes),
      r,
      a.left,
    )
    front.of.children = all.map((c) => ({
      left: c.left,
      rest: c.nodes.length,
      places: this.places(c.nodes),
    }))
    return front
  }
  private leaf(r: Rectangle): Left {
    const { across } = this
    const nodes: number[] = []
    for (let j = r.j0; j <= r.j1; j++) for (let i = r.i0; i <= r.i1; i++) nodes.push(j * across + i)
    const front = this.front([nodes], r, this.top)
    for (let j = r.j0; j < r.j1; j++)
      for (let i = r.i0; i < r.i1; i++) {
        const at = j * across + i
        front.of.elements.push({ i, j, places: this.places([at, at + 1, at + 1 + across, at + across]) })
      }
    return front
  }
  /** A node is shared with elements outside a rectangle only on sides of it that are no edge of the panel. */
  private shared(node: number, r: Rectangle): boolean {
    const [i, j] = [this.column[node]!, this.row[node]!]
    return (
      (i === r.i0 && i > 0) ||
      (i === r.i1 && i < this.nx) ||
      (j === r.j0 && j > 0) ||
      (j === r.j1 && j < this.ny)
    )
  }
  private front(lists: number[][], r: Rectangle, left: number): Left & { of: Front } {
    const mine = this.fronts.length
    const [goes, stays]: [number[], number[]] = [[], []]
    for (const list of lists)
      for (const n of list) {
        if (this.within[n] === mine) continue
        this.within[n] = mine
        const to = this.shared(n, r) ? stays : goes
        this.place[n] = to.push(n) - 1
      }
    for (const n of stays) this.place[n] = this.place[n]! + goes.length
    const nodes = this.ints.length
    this.ints.push(...goes, ...stays)
    const [inner, rest] = [goes.length, stays.length]
    const { factor, top: made } = this
    const of: Front = { inner, rest, nodes, factor, left, made, elements: [], children: [] }
    this.factor += (inner + rest) * inner
    this.stack = Math.max(this.stack, made + rest * rest)
    this.top = left + rest * rest
    this.fronts.push(of)
    return { nodes: stays, left, of }
  }
  private places(of: number[]): number {
    const at = this.ints.length
    for (const n of of) this.ints.push(this.place[n]!)
    return at
  }
}

/** Grids that were asked for last: what is being designed has the same one again and again. */
const KEPT = 8
const kept = new Map<string, Dissection>()
export function dissectionOf(nx: number, ny: number): Dissection {
  const key = `${nx}x${ny}`
  const before = kept.get(key)
  if (before) return before
  const d = new Dissecting(nx, ny)
  d.rectangle({ i0: 0, i1: nx, j0: 0, j1: ny })
  if (kept.size >= KEPT) kept.delete(kept.keys().next().value!)
  const made = { fronts: d.fronts, ints: Int32Array.from(d.ints), factor: d.factor, stack: d.stack }
  kept.set(key, made)
  return made
}
