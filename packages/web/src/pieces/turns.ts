import { onBeforeUnmount, onMounted, ref, type Ref } from 'vue'

/** A page that is not looked at paints nothing: its next part is not kept longer than this. */
const UNSEEN_MS = 60

/**
 * The parts of a place that come one after the other, each once the one before it was painted: what is read
 * first is there first, and no piece of work keeps a press waiting. The number of the part that is there.
 */
export function useTurns(last: number): Readonly<Ref<number>> {
  const turn = ref(0)
  let frame = 0
  let timer: ReturnType<typeof setTimeout> | undefined
  function stop() {
    cancelAnimationFrame(frame)
    clearTimeout(timer)
  }
  function next() {
    stop()
    turn.value++
    if (turn.value < last) wait()
  }
  function wait() {
    timer = setTimeout(next, UNSEEN_MS)
    frame = requestAnimationFrame(() => {
      clearTimeout(timer)
      timer = setTimeout(next)
    })
  }
  onMounted(wait)
  onBeforeUnmount(stop)
  return turn
}
