import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import type { FloodPlan } from '@north-tide/core/through-hull'
import { ApiRefusal, api } from '../api'
import { drafted } from './drafted'

interface PlanAnswer {
  plan: FloodPlan
  version: number
  estimated: boolean
  updatedBy: string
}
const asSaved = (boatId: string, a: PlanAnswer) => ({
  id: boatId,
  version: a.version,
  design: a.plan,
  updatedBy: a.updatedBy,
  estimated: a.estimated,
})
type SavedPlan = ReturnType<typeof asSaved>

/** What a boat is for water that comes in. It saves itself as it changes, like a design. */
export const useFlood = defineStore('flood', () => {
  const boatId = ref<string | null>(null)
  const estimated = ref(true)
  const draft = drafted<FloodPlan, SavedPlan>('flood', async (id, body) => {
    try {
      const saved = asSaved(
        id,
        await api<PlanAnswer>('PUT', `/boats/${encodeURIComponent(id)}/flooding`, {
          version: body.version,
          plan: body.design,
        }),
      )
      estimated.value = saved.estimated
      return saved
    } catch (error) {
      if (error instanceof ApiRefusal && error.refusal.code === 'stale')
        error.refusal.current = asSaved(id, error.refusal.current as PlanAnswer)
      throw error
    }
  })
  async function open(id: string) {
    if (boatId.value === id && draft.saving.value !== 'saved') return
    if (boatId.value !== id) await draft.flush()
    const got = asSaved(id, await api<PlanAnswer>('GET', `/boats/${encodeURIComponent(id)}/flooding`))
    boatId.value = id
    estimated.value = got.estimated
    draft.take(got)
  }
  const plan = computed(() => draft.design.value)
  return { ...draft, plan, boatId, estimated, open }
})
