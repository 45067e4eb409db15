import { computed } from 'vue'
import { THROUGH_HULL_FAMILY } from '@north-tide/core/through-hull'
import { useBoats } from '../../state/boats'
import { useThroughHull } from '../../state/through-hull'

/** What every group of the column of what is given has in hand. */
export function useHullGiven() {
  const throughHull = useThroughHull()
  const boats = useBoats()
  const d = computed(() => throughHull.design!)
  const j = computed(() => throughHull.judgement)
  const u = computed(() => boats.units)
  const off = computed(() => throughHull.readOnly)
  const info = computed(() => THROUGH_HULL_FAMILY[d.value.family])
  const set = (path: string, v: unknown) => throughHull.change({ [path]: v })
  return { throughHull, boats, d, j, u, off, info, set }
}
