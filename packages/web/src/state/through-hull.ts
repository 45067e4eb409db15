import { defineStore } from 'pinia'
import { computed, ref, shallowRef, type ShallowRef } from 'vue'
import dayjs from 'dayjs'
import { hullAround, throughHull, type ThroughHullDesign } from '@north-tide/core/through-hull'
import { api } from '../api'
import type { OpenThroughHull, SavedThroughHull } from '../types'
import { actsOn, type Usual } from './acts'
import { useBoats } from './boats'
import { drafted } from './drafted'
import { aroundOf, followsFrom, judgedBy } from './kind-bench'

/** What a tick form begins with: what was measured of it, and the air if it was read today. */
function usualOf(d: ThroughHullDesign): Usual {
  const today = d.bedding.takenAt !== '' && dayjs(d.bedding.takenAt).isSame(dayjs(), 'day')
  return {
    sizeMm: d.boredMm ?? d.skin.holeMm,
    sizeIsCatalogues: d.boredMm === null,
    tempC: today ? d.bedding.surfaceC : null,
    airC: today ? d.bedding.airC : null,
    humidityPct: today ? d.bedding.humidityPct : null,
    hullMm: d.hull.thicknessMm,
    deadriseDeg: d.hull.deadriseDeg,
    place: d.place,
  }
}

/** One fitting through the hull, with its neighbours, the yard's own parts and its log. */
export const useThroughHull = defineStore('through-hull', () => {
  const boats = useBoats()
  const fitting = shallowRef(null) as ShallowRef<OpenThroughHull | null>
  const draft = drafted<ThroughHullDesign, SavedThroughHull>('through-hull', (id, body) =>
    api<SavedThroughHull>('PUT', `/fittings/${id}`, body),
  )
  const general = aroundOf(fitting)
  const whole = computed(() => ({ ...general.value, goods: boats.goods as unknown[] }))
  const { judgement, problem, forget } = judgedBy(throughHull, draft.design, whole, draft.readOnly)
  async function open(id: string) {
    if (fitting.value?.id !== id) await draft.flush()
    const got = await api<OpenThroughHull>('GET', `/fittings/${encodeURIComponent(id)}`)
    if (boats.picture?.id !== got.boatId) await boats.open(got.boatId)
    fitting.value = got
    forget()
    draft.take(got)
  }
  const acts = actsOn(fitting, draft)
  return {
    ...draft,
    fitting,
    around: computed(() => hullAround(whole.value)),
    judgement,
    problem,
    said: ref(''),
    ...followsFrom(throughHull, draft.design, judgement, fitting),
    usual: computed<Usual>(() => usualOf(draft.design.value!)),
    open,
    ...acts,
    record: () => acts.record(() => open(fitting.value!.id)),
  }
})
