import { ref } from 'vue'
import { proxy, wrap } from 'comlink'

interface Slow<Q, A> {
  solve: (question: Q, tell: (part: number) => void) => A
}
/** Keystrokes follow one another faster than this; the hand checks follow each of them. */
export const AFTER_MS = 250

/** A worker that answers one question at a time, says how far it is, and can be cut off. */
export function slowWorker<Q, A>(make: () => Worker) {
  const progress = ref<number | null>(null)
  let worker: Worker | null = null
  /** Held as long as its worker: a proxy that is collected shuts the worker's door. */
  let remote: { solve: (q: Q, tell: unknown) => Promise<A> } | null = null
  let turn = 0
  function cut() {
    turn++
    worker?.terminate()
    worker = remote = null
    progress.value = null
  }
  /** The answer, or null where a newer question cut this one off. */
  async function ask(question: Q): Promise<A | null> {
    const mine = turn
    if (!worker) {
      worker = make()
      remote = wrap<Slow<Q, A>>(worker) as unknown as typeof remote
    }
    progress.value = 0
    // What the worker tells comes by a door of its own, and its last word may come after the answer.
    let running = true
    const got = await remote!.solve(
      JSON.parse(JSON.stringify(question)) as Q,
      proxy((p: number) => void (running && mine === turn && (progress.value = p))),
    )
    running = false
    if (mine !== turn) return null
    progress.value = null
    return got
  }
  return { progress, ask, cut }
}
