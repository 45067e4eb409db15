import { computed } from 'vue'
import type { FloodPlan } from '@north-tide/core/through-hull'
import { useBoats } from '../../../state/boats'
import { useFlood } from '../../../state/flood'

/** What every table of the boat’s water has in hand. */
export function useFloodTable() {
  const flood = useFlood()
  const boats = useBoats()
  const plan = computed(() => flood.plan!)
  const rooms = computed(() => plan.value.compartments.map((c) => ({ value: c.id, title: c.title })))
  const u = computed(() => boats.units)
  const off = computed(() => flood.readOnly)
  const set = (path: string, v: unknown) => v !== null && flood.change({ [path]: v })
  const next = (change: Partial<FloodPlan>) => flood.replace({ ...plan.value, ...change })
  const without = <T>(list: T[], i: number) => list.filter((_, k) => k !== i)
  const floorOf = (id: string) => plan.value.compartments.find((c) => c.id === id)!.floorZMm
  return { flood, plan, rooms, u, off, set, next, without, floorOf }
}
