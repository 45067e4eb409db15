import { KERNEL } from './kernel-bytes'

/** One stretch of memory, in figures and in whole numbers, two of which stand where one figure does. */
export interface Memory {
  figures: Float64Array
  ints: Int32Array
}
/**
 * What is done with the dense fronts of a sparse matrix, in one stretch of memory: by the compiled kernel,
 * which does two figures at once; where there is none, in JavaScript. Both say the same to 1e-9. Places are
 * counted in figures, those of nodes (`nodes`, `places`) in whole numbers.
 */
export interface Fronts {
  /** room for so many figures; what stood there counts for nothing any more */
  room: (figures: number) => Memory
  /** adds a dense symmetric block of `count` nodes, by its lower rows, into a front */
  add: (f: {
    gone: number
    stays: number
    inner: number
    rest: number
    dofs: number
    block: number
    places: number
    count: number
  }) => void
  /** factors the `m` of `n` unknowns that go in place, and takes their part out of what stays */
  eliminate: (f: { gone: number; stays: number; n: number; m: number; packed: number }) => void
  /** a front's part in the solution, from the first to the last and back; `v` has room for its unknowns */
  forward: (s: Stretch) => void
  backward: (s: Stretch) => void
}
interface Stretch {
  gone: number
  n: number
  m: number
  dofs: number
  nodes: number
  v: number
  whole: number
}
export class NotPositive extends Error {}
/** Columns that are eliminated together at most, here and in assembly/front.ts. */
export const PANEL = 48
/** What `eliminate` wants at `packed` for a front of so many unknowns: inverses, and rows by fours. */
export const packedFor = (n: number) => PANEL * (n + 9)

export const memoryOf = (buffer: ArrayBuffer, from: number): Memory => ({
  figures: new Float64Array(buffer, from),
  ints: new Int32Array(buffer, from),
})

const PAGE = 65_536
/** Behind the compiler's own figures, of which the kernel has none. */
const FROM = 1024
interface Kernel {
  add: (...at: number[]) => void
  eliminate: (gone: number, stays: number, n: number, m: number, packed: number) => number
  forward: (...at: number[]) => void
  backward: (...at: number[]) => void
}
const figure = (at: number) => FROM + 8 * at
const int = (at: number) => FROM + 4 * at

/** Of this thread; null where nothing compiled may run. */
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
      room(figures) {
        const more = Math.ceil((figure(figures) - memory.buffer.byteLength) / PAGE)
        if (more > 0) memory.grow(more)
        return memoryOf(memory.buffer, FROM)
      },
      add: (f) =>
        kernel.add(
          figure(f.gone),
          figure(f.stays),
          f.inner,
          f.rest,
          f.dofs,
          figure(f.block),
          int(f.places),
          f.count,
        ),
      eliminate(f) {
        if (!kernel.eliminate(figure(f.gone), figure(f.stays), f.n, f.m, figure(f.packed)))
          throw new NotPositive()
      },
      forward: (s) =>
        kernel.forward(figure(s.gone), s.n, s.m, s.dofs, int(s.nodes), figure(s.v), figure(s.whole)),
      backward: (s) =>
        kernel.backward(figure(s.gone), s.n, s.m, s.dofs, int(s.nodes), figure(s.v), figure(s.whole)),
    }
  } catch {
    return null
  }
}
