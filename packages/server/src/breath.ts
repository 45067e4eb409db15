/** Lets everybody else have a turn in the midst of long work. */
export const breath = () => new Promise<void>((next) => setImmediate(next))

const HELD_MS = 20
/** For work of many small parts: after each, others have a turn if they have waited for long enough. */
export function breather() {
  let since = performance.now()
  return async () => {
    if (performance.now() - since < HELD_MS) return
    await breath()
    since = performance.now()
  }
}
