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

/** C −= A·Bᵀ for lower entries, by blocks of two rows and two columns held in registers. */
function update(F: Float64Array, n: number, from: number, to: number): void {
  const K = to - from
  for (let i = to; i < n; i += 2) {
    const two = i + 1 < n
    const a0 = i * n + from
    const a1 = two ? a0 + n : a0
    for (let j = to; j <= i; j += 2) {
      const b0 = j * n + from
      const b1 = j + 1 < n ? b0 + n : b0
      let [s00, s01, s10, s11] = [0, 0, 0, 0]
      for (let k = 0; k < K; k++) {
        const [x, y, p, q] = [F[a0 + k]!, F[a1 + k]!, F[b0 + k]!, F[b1 + k]!]
        s00 += x * p
        s01 += x * q
        s10 += y * p
        s11 += y * q
      }
      const c = i * n + j
      F[c] = F[c]! - s00
      if (j < i) F[c + 1] = F[c + 1]! - s01
      if (!two) continue
      F[c + n] = F[c + n]! - s10
      F[c + n + 1] = F[c + n + 1]! - s11
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
