import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import dayjs from 'dayjs'
import { CalcError, workState } from '@north-tide/core'
import {
  hullAround,
  throughHullWithRemedies,
  judgeThroughHull,
  throughHullCautions,
  throughHullParts,
  throughHullSteps,
  type ThroughHullAround,
  type ThroughHullDesign,
  type ThroughHullJudgement,
} from '@north-tide/core/through-hull'
import { api } from '../api'
import type { OpenThroughHull, SavedThroughHull } from '../types'
import { actsOn, type Usual } from './acts'
import { useBoats } from './boats'
import { drafted } from './drafted'
import { aroundOf } from './kind-bench'

/** Remedies are judged whole, a dozen designs; they follow when the hand rests. */
const REMEDIES_AFTER_MS = 90

/** One fitting through the hull, with its neighbours and its log. */
export const useThroughHull = defineStore('through-hull', () => {
  const boats = useBoats()
  const fitting = shallowRef<OpenThroughHull | null>(null)
  const draft = drafted<ThroughHullDesign, SavedThroughHull>('through-hull', (id, body) =>
    api<SavedThroughHull>('PUT', `/fittings/${id}`, body),
  )
  const { design } = draft
  const general = aroundOf(fitting)
  const around = computed<ThroughHullAround>(() => hullAround({ ...general.value, goods: boats.goods }))
  const judged = computed<{ j: ThroughHullJudgement | null; problem: CalcError | null }>(() => {
    if (!design.value || !fitting.value) return { j: null, problem: null }
    try {
      return {
        j: judgeThroughHull(design.value, around.value, fitting.value.log, boats.units),
        problem: null,
      }
    } catch (error) {
      if (error instanceof CalcError) return { j: null, problem: error }
      throw error
    }
  })
  const remedied = shallowRef<{ of: ThroughHullJudgement; j: ThroughHullJudgement } | null>(null)
  let timer: ReturnType<typeof setTimeout> | undefined
  watch(
    () => judged.value.j,
    (j) => {
      clearTimeout(timer)
      if (!j || draft.readOnly.value) return
      timer = setTimeout(() => {
        if (judged.value.j === j && design.value)
          remedied.value = {
            of: j,
            j: throughHullWithRemedies(design.value, j, around.value, fitting.value!.log),
          }
      }, REMEDIES_AFTER_MS)
    },
  )
  const last = shallowRef<ThroughHullJudgement | null>(null)
  /** While a figure makes no sense the last that did stays in view. */
  const judgement = computed(() => {
    const mine = judged.value.j
    if (!mine) return last.value
    const now = remedied.value?.of === mine ? remedied.value.j : mine
    last.value = now
    return now
  })
  const problem = computed(() => judged.value.problem)
  const said = ref('')

  function take(got: OpenThroughHull) {
    fitting.value = got
    last.value = null
    draft.take(got)
  }
  async function open(id: string) {
    if (fitting.value?.id !== id) await draft.flush()
    const got = await api<OpenThroughHull>('GET', `/fittings/${encodeURIComponent(id)}`)
    if (boats.picture?.id !== got.boatId) await boats.open(got.boatId)
    take(got)
  }
  const acts = actsOn(fitting, draft)
  const record = () => acts.record(() => open(fitting.value!.id))
  const log = computed(() => fitting.value?.log ?? [])
  const work = computed(() => workState(log.value))
  const steps = computed(() =>
    design.value && judgement.value
      ? throughHullSteps(design.value, judgement.value, boats.units, work.value)
      : [],
  )
  const parts = computed(() =>
    design.value && judgement.value ? throughHullParts(design.value, judgement.value) : [],
  )
  const cautions = computed(() => (design.value ? throughHullCautions(design.value) : []))
  const usual = computed<Usual>(() => {
    const d = design.value!
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
  })
  return {
    ...draft,
    fitting,
    around,
    judgement,
    problem,
    said,
    log,
    work,
    steps,
    parts,
    cautions,
    usual,
    open,
    ...acts,
    record,
  }
})
