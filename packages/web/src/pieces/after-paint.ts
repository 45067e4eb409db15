import { inject, provide, type InjectionKey } from 'vue'

const KEYS_FIRST: InjectionKey<true> = Symbol('keys first')
/** Of a place where much follows from a figure: its fields show a key before it is followed. */
export const keysFirst = () => provide(KEYS_FIRST, true)
export const isKeysFirst = () => inject(KEYS_FIRST, null) !== null

/** A page that is not looked at paints nothing: it is not waited for longer than this. */
const UNSEEN_MS = 100

/**
 * Work that follows a key and may come after the frame in which the key is seen, so that nobody types
 * against it. Of several that come before that frame the last is done.
 */
export function afterPaint() {
  let waiting: (() => void) | null = null
  let frame = 0
  let timer: ReturnType<typeof setTimeout> | undefined
  let unseen: ReturnType<typeof setTimeout> | undefined
  function drop() {
    waiting = null
    cancelAnimationFrame(frame)
    clearTimeout(timer)
    clearTimeout(unseen)
    window.removeEventListener('pagehide', now)
  }
  /** At once what is waiting: whoever leaves, saves or takes back has it in. */
  function now() {
    const run = waiting
    drop()
    run?.()
  }
  function later(run: () => void) {
    drop()
    waiting = run
    // What is asked for in a frame's callback comes after that frame was painted.
    frame = requestAnimationFrame(() => (timer = setTimeout(now)))
    unseen = setTimeout(now, UNSEEN_MS)
    window.addEventListener('pagehide', now)
  }
  return { later, now, drop }
}
