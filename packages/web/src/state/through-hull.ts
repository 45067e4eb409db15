import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { CalcError, type BoatHole } from '@north-tide/core'
import {
  throughHullWithRemedies,
  judgeThroughHull,
  keptByDoors,
  type ThroughHullAround,
  type ThroughHullDesign,
  type ThroughHullJudgement,
} from '@north-tide/core/through-hull'
import { Offline, api } from '../api'
import type { OpenThroughHull, SavedThroughHull } from '../types'
import { useBoats } from './boats'
import { drafted } from './drafted'

/** Remedies are judged whole, a dozen designs; they follow when the hand rests. */
const REMEDIES_AFTER_MS = 90

/** Takes up what the server keeps by doors of its own; the same object where nothing of it changed. */
function adopt(mine: ThroughHullDesign, theirs: ThroughHullDesign): ThroughHullDesign {
  const kept = keptByDoors(mine, theirs)
  return JSON.stringify(kept) === JSON.stringify(mine) ? mine : kept
}
/** One fitting through the hull, with its neighbours and its log. */
export const useThroughHull = defineStore('through-hull', () => {
  const boats = useBoats()
  const fitting = shallowRef<OpenThroughHull | null>(null)
  const draft = drafted<ThroughHullDesign, SavedThroughHull>(
    'through-hull',
    (id, body) => api<SavedThroughHull>('PUT', `/through-hulls/${id}`, body),
    adopt,
  )
  const { design } = draft
  const around = computed<ThroughHullAround>(() => ({
    goods: boats.goods,
    zones: boats.picture?.zones ?? [],
    parts: boats.picture?.parts ?? [],
    holes: (boats.picture?.holes ?? [])
      .filter((h) => h.fittingId !== fitting.value?.id)
      .map((h): BoatHole => ({
        label: h.label,
        xMm: h.xMm,
        yMm: h.yMm,
        diameterMm: h.diameterMm,
        state: h.state,
      })),
    others: fitting.value?.others ?? [],
  }))
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
    const got = await api<OpenThroughHull>('GET', `/through-hulls/${encodeURIComponent(id)}`)
    if (boats.picture?.id !== got.boatId) await boats.open(got.boatId)
    take(got)
  }
  /** An order, a tick, a reading: doors of their own, after whatever waits has been saved. */
  async function act(method: 'POST' | 'DELETE', path: string, body?: unknown): Promise<OpenThroughHull> {
    await draft.flush()
    // The answer brings the design as the server has it: what could not be saved would go with it.
    if (draft.saving.value === 'refused')
      throw new Error(
        `What was changed is not saved (${draft.refusal.value ?? 'it was refused'}); mend that first`,
      )
    if (draft.saving.value === 'conflict')
      throw new Error('Somebody else changed this fitting; say first which of the two counts')
    if (draft.saving.value === 'offline')
      throw new Offline('The server does not answer; what you typed is kept here')
    const since = draft.design.value
    const got = await api<OpenThroughHull>(method, `/through-hulls/${fitting.value!.id}/${path}`, body)
    fitting.value = got
    draft.follow(got, since)
    void boats.refresh()
    return got
  }
  async function record(): Promise<string[]> {
    await draft.flush()
    const { holes } = await api<{ holes: string[] }>('POST', `/through-hulls/${fitting.value!.id}/record`)
    await Promise.all([open(fitting.value!.id), boats.refresh()])
    return holes
  }
  async function replaceBy(catalogueId: string): Promise<string> {
    await draft.flush()
    const made = await api<SavedThroughHull>('POST', `/through-hulls/${fitting.value!.id}/replace`, {
      catalogueId,
    })
    await boats.refresh()
    return made.id
  }
  return { ...draft, fitting, around, judgement, problem, said, open, act, record, replaceBy }
})
