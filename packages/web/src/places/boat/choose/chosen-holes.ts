import { computed, reactive, ref } from 'vue'
import { zoneTitle } from '@north-tide/core'
import { holeOfJob, MOST_HOLES } from '@north-tide/core/closure'
import { api } from '../../../api'
import { useBoats } from '../../../state/boats'
import { useClosure } from '../../../state/closure'
import type { SavedFitting } from '../../../types'

/**
 * Open holes that nothing stands in, chosen on the map or by the list: what lies on one surface becomes one
 * job of closing.
 */
export function useChosenHoles() {
  const boats = useBoats()
  const bench = useClosure()
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
  /** One job a surface; each hole beyond the first is taken in as the bench does it. Gives the first job. */
  async function close(): Promise<string> {
    const made: string[] = []
    for (const job of jobs.value) {
      const [first, ...rest] = job.holes
      const many = rest.length > 0
      const f = await api<SavedFitting>('POST', `/boats/${boats.picture!.id}/fittings`, {
        catalogueId: many ? 'CX-N' : 'CX-1',
        holeId: first!.id,
      })
      made.push(f.id)
      if (!many) continue
      await bench.open(f.id)
      const d = bench.design!
      const more = rest.flatMap((h) => holeOfJob(d, h.label, bench.around.holes) ?? [])
      bench.change({ holes: [...d.holes, ...more].slice(0, MOST_HOLES), family: 'holes' })
      await bench.flush()
    }
    await boats.refresh()
    stop()
    return made[0]!
  }
  return { choosing, chosen, open, allowed, picked, jobs, toggle, stop, close }
}
