import { ref, watch } from 'vue'
import type { Measure } from '@north-tide/core'
import { openingMoved } from '@north-tide/core/opening'
import { useBoats } from '../../state/boats'
import { useOpening } from '../../state/opening'

/** One bench lies open at a time: what a move took with it is said in one place, however it was moved. */
const moveSaid = ref('')

/** A value that was typed or dragged; where it moves the opening, it takes the layup that is there. */
export function useOpeningMove() {
  const bench = useOpening()
  const boats = useBoats()
  watch(
    () => bench.fitting?.id,
    () => (moveSaid.value = ''),
  )
  function set(path: string, value: unknown) {
    const axis = path === 'place.xMm' ? 'xMm' : path === 'place.yMm' ? 'yMm' : null
    if (!axis) return bench.change({ [path]: value })
    const at = { [axis]: value as number }
    const { change, said } = openingMoved(bench.design!, boats.picture?.zones ?? [], at)
    bench.change(change)
    moveSaid.value = said
  }
  /** Where it was measured to stand, with what it was measured from. */
  function put(at: { xMm: number; yMm: number }, from: Measure[]) {
    const { change, said } = openingMoved(bench.design!, boats.picture?.zones ?? [], at, from)
    bench.change(change)
    moveSaid.value = said || 'It stands where it was measured.'
  }
  return { moveSaid, set, put }
}
