import { computed, reactive, ref } from 'vue'
import { zoneTitle } from '@north-tide/core'
import { useBoats } from '../../../state/boats'

/**
 * Open holes that nothing stands in, chosen on the map or by the list: what lies on one surface becomes one
 * job of closing.
 */
export function useChosenHoles() {
  const boats = useBoats()
  const choosing = ref(false)
  const chosen = reactive(new Set<number>())
  const open = computed(() =>
    (boats.picture?.holes ?? []).filter(
      (h) => h.state !== 'closed' && h.fittingId === null && h.diameterMm > 0,
    ),
  )
  const allowed = computed(() => new Set(open.value.map((h) => h.id)))
  const picked = computed(() => open.value.filter((h) => chosen.has(h.id)))
  /** By the surface they are in: a job lies on one. */
  const jobs = computed(() => {
    const by = new Map<string | null, typeof picked.value>()
    for (const h of picked.value) by.set(h.zoneCode, [...(by.get(h.zoneCode) ?? []), h])
    return [...by].map(([code, holes]) => ({
      code,
      title: zoneTitle(boats.picture?.zones ?? [], code),
      holes,
    }))
  })
  function toggle(ids: number[]) {
    const all = ids.filter((id) => allowed.value.has(id))
    const take = all.some((id) => !chosen.has(id))
    for (const id of all)
      if (take) chosen.add(id)
      else chosen.delete(id)
  }
  function stop() {
    chosen.clear()
    choosing.value = false
  }
  /** One job a surface. Gives the first; the bench of closing is fetched only now. */
  async function close(): Promise<string> {
    const { closedAsJobs } = await import('./closed-as-jobs')
    const made = await closedAsJobs(jobs.value.map((j) => j.holes))
    await boats.refresh()
    stop()
    return made[0]!
  }
  return { choosing, chosen, open, allowed, picked, jobs, toggle, stop, close }
}
