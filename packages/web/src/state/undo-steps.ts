import { shallowRef, type ShallowRef } from 'vue'

/** Keystrokes in one field within this time are one step of undo. */
const ONE_STEP_MS = 1200
const MOST_UNDO = 200

/** What a design was before each change, and what was taken back. */
export function undoSteps<D>() {
  const past = shallowRef([]) as ShallowRef<D[]>
  const future = shallowRef([]) as ShallowRef<D[]>
  let last = { key: '', at: 0 }

  /** A change of `key` begins from `before`; an empty key is a step by itself. */
  function mark(before: D, key = '') {
    const now = performance.now()
    if (!key || key !== last.key || now - last.at > ONE_STEP_MS)
      past.value = [...past.value.slice(-MOST_UNDO), before]
    last = { key, at: now }
    future.value = []
  }
  /** The step before `now`, or null. */
  function back(now: D): D | null {
    const before = past.value.at(-1)
    if (!before) return null
    future.value = [now, ...future.value]
    past.value = past.value.slice(0, -1)
    last = { key: '', at: 0 }
    return before
  }
  /** The step that was taken back from `now`, or null. */
  function forward(now: D): D | null {
    const after = future.value[0]
    if (!after) return null
    past.value = [...past.value, now]
    future.value = future.value.slice(1)
    return after
  }
  function clear() {
    past.value = []
    future.value = []
    last = { key: '', at: 0 }
  }
  return { past, future, mark, back, forward, clear }
}
