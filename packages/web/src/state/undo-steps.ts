import { shallowRef, type ShallowRef } from 'vue'

/** Keystrokes in one field within this time are one step of undo. */
const ONE_STEP_MS = 1200
const MOST_UNDO = 200
/** as many steps outlive a reload */
const KEPT = 40

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
  /** What was done is kept for as long as the tab lives, so that a reload takes no step away. */
  function store(key: string, now: D) {
    if (!past.value.length && !future.value.length) return sessionStorage.removeItem(key)
    try {
      sessionStorage.setItem(
        key,
        JSON.stringify({ now, past: past.value.slice(-KEPT), future: future.value.slice(0, KEPT) }),
      )
    } catch {
      // Full: the steps of undo are the first thing one can do without.
      sessionStorage.removeItem(key)
    }
  }
  /** Takes the steps up again where the design is still what it was when they were kept. */
  function restore(key: string, now: D) {
    const raw = sessionStorage.getItem(key)
    if (!raw) return
    const kept = JSON.parse(raw) as { now: D; past: D[]; future: D[] }
    if (JSON.stringify(kept.now) !== JSON.stringify(now)) return sessionStorage.removeItem(key)
    past.value = kept.past
    future.value = kept.future
  }
  function clear() {
    past.value = []
    future.value = []
    last = { key: '', at: 0 }
  }
  return { past, future, mark, back, forward, store, restore, clear }
}
