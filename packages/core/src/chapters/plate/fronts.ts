import { KERNEL } from './kernel-bytes'

/**
 * Where a dense front is put together and its unknowns eliminated: in the memory of the compiled kernel,
 * which does two figures at once; where there is none, in JavaScript. Both say the same to 1e-9.
 */
export interface Fronts {
  /** a front of so many unknowns, all nought; the one before is gone */
  front: (size: number) => Float64Array
  /** factors the first m unknowns of the front in place, and takes their part out of the rest */
  eliminate: (F: Float64Array, n: number, m: number) => void
}
export class NotPositive extends Error {}
const PANEL = 40

/** C \u2212= A\u00b7B\u1d40 for lower entries, by blocks of 4 rows and 2 columns held in registers. */
function update(F: Float64Array, n: number, from: number, to: number): void {
  const K = to - from
  for (let i = to; i < n; i += 2) {
    const two = i + 1 < n
    const a0 = i * n + from
    const a1 = two ? a0 + n : a0
    const last = two ? i + 1 : i
    let j = to
    for (; j + 3 <= last; j += 4) {
      const b0 = j * n + from
      const b1 = b0 + n
      const b2 = b1 + n
      const b3 = b2 + n
      let s00 = 0,
        s01 = 0,
        s02 = 0,
        s03 = 0,
        s10 = 0,
        s11 = 0,
        s12 = 0,
        s13 = 0
      for (let k = 0; k < K; k++) {
        const x = F[a0 + k]!
        const y = F[a1 + k]!
        const p = F[b0 + k]!
        const q = F[b1 + k]!
        const r = F[b2 + k]!
        const t = F[b3 + k]!
        s00 += x * p
        s01 += x * q
        s02 += x * r
        s03 += x * t
        s10 += y * p
        s11 += y * q
        s12 += y * r
        s13 += y * t
      }
      const c = i * n + j
      F[c] = F[c]! - s00
      F[c + 1] = F[c + 1]! - s01
      F[c + 2] = F[c + 2]! - s02
      F[c + 3] = F[c + 3]! - s03
      if (two) {
        const d = c + n
        F[d] = F[d]! - s10
        F[d + 1] = F[d + 1]! - s11
        F[d + 2] = F[d + 2]! - s12
        F[d + 3] = F[d + 3]! - s13
      }
    }
    for (; j <= last; j++) {
      const b = j * n + from
      let s0 = 0
      let s1 = 0
      for (let k = 0; k < K; k++) {
        const p = F[b + k]!
        s0 += F[a0 + k]! * p
        s1 += F[a1 + k]! * p
      }
      if (j <= i) F[i * n + j] = F[i * n + j]! - s0
      if (two) F[(i + 1) * n + j] = F[(i + 1) * n + j]! - s1
    }
  }
}

function eliminate(F: Float64Array, n: number, m: number): void {
  const inv = new Float64Array(PANEL)
  for (let p = 0; p < m; p += PANEL) {
    const q = Math.min(m, p + PANEL)
    for (let i = p; i < n; i++) {
      const ri = i * n
      const to = i < q ? i : q
      for (let j = p; j < to; j++) {
        const rj = j * n
        let s = F[ri + j]!
        for (let k = p; k < j; k++) s -= F[ri + k]! * F[rj + k]!
        F[ri + j] = s * inv[j - p]!
      }
      if (i >= q) continue
      let d = F[ri + i]!
      for (let k = p; k < i; k++) d -= F[ri + k]! * F[ri + k]!
      if (!(d > 0)) throw new NotPositive()
      d = Math.sqrt(d)
      F[ri + i] = d
      inv[i - p] = 1 / d
    }
    update(F, n, p, q)
  }
}

export const plainFronts: Fronts = { front: (size) => new Float64Array(size * size), eliminate }

const PAGE = 65_536
/** Behind the compiler's own figures, of which the kernel has none. */
const FRONT_AT = 1024
interface Kernel {
  eliminate: (at: number, n: number, m: number, packed: number) => number
}
/** Of this thread, made at its first patch; null where nothing compiled may run. */
export function compiledFronts(): Fronts | null {
  try {
    const memory = new WebAssembly.Memory({ initial: 1 })
    const bytes = Uint8Array.from(atob(KERNEL), (c) => c.charCodeAt(0))
    const abort = () => {
      throw new NotPositive()
    }
    const made = new WebAssembly.Instance(new WebAssembly.Module(bytes), { env: { memory, abort } })
    const kernel = made.exports as unknown as Kernel
    return {
      front(size) {
        // The panel packed by four rows stands behind it.
        const bytesWanted = FRONT_AT + 8 * (size * size + (size + 4) * PANEL)
        const more = Math.ceil((bytesWanted - memory.buffer.byteLength) / PAGE)
        if (more > 0) memory.grow(more)
        return new Float64Array(memory.buffer, FRONT_AT, size * size).fill(0)
      },
      eliminate(F, n, m) {
        if (!kernel.eliminate(F.byteOffset, n, m, F.byteOffset + F.byteLength)) throw new NotPositive()
      },
    }
  } catch {
    return null
  }
}
let here: Fronts | null = null
export const fronts = (): Fronts => (here ??= compiledFronts() ?? plainFronts)
