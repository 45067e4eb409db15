import { computed } from 'vue'
import { useBench } from '../../state/bench'
import { useBoats } from '../../state/boats'

/** What every group of the column of what is given has in hand. */
export function useGiven() {
  const bench = useBench()
  const boats = useBoats()
  const d = computed(() => bench.design!)
  /** the verdicts by hand, which are there with the key */
  const j = computed(() => bench.byHand)
  const off = computed(() => bench.readOnly)
  const set = (path: string, value: unknown) => bench.change({ [path]: value })
  const problemAt = (...paths: string[]) =>
    bench.problem && paths.some((p) => bench.problem!.path === p || bench.problem!.path.startsWith(`${p}.`))
      ? bench.problem.message
      : null
  return { bench, boats, d, j, off, set, problemAt }
}
