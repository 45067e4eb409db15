import { memoryOf, NotPositive, PANEL, type Fronts, type Memory } from './fronts'

/** What assembly/front.ts does, where nothing compiled may run; and what that is held against. */
/** x[to + row·width + column] −= what columns `from` to `till` of the two rows have in common, lower ones. */
function take(
  x: Float64Array,
  [gone, m, from, till]: [number, number, number, number],
  [rowFrom, rowTo]: [number, number],
  [columnFrom, columnTo]: [number, number],
  to: (row: number) => number,
): void {
  for (let i = rowFrom; i < rowTo; i++) {
    const a = gone + i * m
    const end = Math.min(columnTo, i + 1)
    for (let j = columnFrom; j < end; j++) {
      const b = gone + j * m
      let [s0, s1] = [0, 0]
      let k = from
      for (; k + 1 < till; k += 2) {
        s0 += x[a + k]! * x[b + k]!
        s1 += x[a + k + 1]! * x[b + k + 1]!
      }
      if (k < till) s0 += x[a + k]! * x[b + k]!
      const at = to(i) + j
      x[at] = x[at]! - (s0 + s1)
    }
  }
}

function eliminate(x: Float64Array, gone: number, stays: number, n: number, m: number): void {
  const inverse = new Float64Array(PANEL)
  for (let p = 0; p < m; p += PANEL) {
    const q = Math.min(m, p + PANEL)
    for (let i = p; i < n; i++) {
      const ri = gone + i * m
      const to = Math.min(i, q)
      for (let j = p; j < to; j++) {
        const rj = gone + j * m
        let s = x[ri + j]!
        for (let k = p; k < j; k++) s -= x[ri + k]! * x[rj + k]!
        x[ri + j] = s * inverse[j - p]!
      }
      if (i >= q) continue
      let d = x[ri + i]!
      for (let k = p; k < i; k++) d -= x[ri + k]! * x[ri + k]!
      if (!(d > 0)) throw new NotPositive()
      x[ri + i] = Math.sqrt(d)
      inverse[i - p] = 1 / x[ri + i]!
    }
    take(x, [gone, m, p, q], [q, n], [q, m], (i) => gone + i * m)
    take(x, [gone, m, p, q], [m, n], [m, n], (i) => stays + (i - m) * (n - m) - m)
  }
}

function add(x: Float64Array, ints: Int32Array, f: Parameters<Fronts['add']>[0]): void {
  const { dofs } = f
  const [m, r, side] = [f.inner * dofs, f.rest * dofs, f.count * dofs]
  for (let n = 0; n < f.count; n++)
    for (let o = 0; o <= n; o++) {
      const [pn, po] = [ints[f.places + n]! * dofs, ints[f.places + o]! * dofs]
      for (let p = 0; p < dofs; p++)
        for (let q = 0; q < (o === n ? p + 1 : dofs); q++) {
          const [row, column] = pn >= po ? [pn + p, po + q] : [po + q, pn + p]
          const to = column < m ? f.gone + row * m + column : f.stays + (row - m) * r + column - m
          x[to] = x[to]! + x[f.block + (n * dofs + p) * side + o * dofs + q]!
        }
    }
}

type Stretch = Parameters<Fronts['forward']>[0]
/** What stands at a front's nodes, taken out of the whole; and put back, of so many unknowns. */
function gather(x: Float64Array, ints: Int32Array, s: Stretch): void {
  for (let k = 0; k < s.n; k++)
    x[s.v + k] = x[s.whole + ints[s.nodes + Math.floor(k / s.dofs)]! * s.dofs + (k % s.dofs)]!
}
function spread(x: Float64Array, ints: Int32Array, s: Stretch, n: number): void {
  for (let k = 0; k < n; k++)
    x[s.whole + ints[s.nodes + Math.floor(k / s.dofs)]! * s.dofs + (k % s.dofs)] = x[s.v + k]!
}
function forward(x: Float64Array, ints: Int32Array, s: Stretch): void {
  gather(x, ints, s)
  for (let r = 0; r < s.n; r++) {
    const row = s.gone + r * s.m
    let left = x[s.v + r]!
    for (let k = 0; k < Math.min(r, s.m); k++) left -= x[row + k]! * x[s.v + k]!
    x[s.v + r] = r < s.m ? left / x[row + r]! : left
  }
  spread(x, ints, s, s.n)
}
function backward(x: Float64Array, ints: Int32Array, s: Stretch): void {
  gather(x, ints, s)
  for (let r = s.n - 1; r >= 0; r--) {
    const row = s.gone + r * s.m
    if (r < s.m) x[s.v + r] = x[s.v + r]! / x[row + r]!
    const vr = x[s.v + r]!
    for (let k = 0; k < Math.min(r, s.m); k++) x[s.v + k] = x[s.v + k]! - x[row + k]! * vr
  }
  spread(x, ints, s, s.m)
}

export function plainFronts(): Fronts {
  let memory: Memory = memoryOf(new ArrayBuffer(0), 0)
  return {
    room(figures) {
      if (memory.figures.length < figures) memory = memoryOf(new ArrayBuffer(8 * figures), 0)
      return memory
    },
    add: (f) => add(memory.figures, memory.ints, f),
    eliminate: (f) => eliminate(memory.figures, f.gone, f.stays, f.n, f.m),
    forward: (s) => forward(memory.figures, memory.ints, s),
    backward: (s) => backward(memory.figures, memory.ints, s),
  }
}
