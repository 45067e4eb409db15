import { onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue'
import {
  fieldAround,
  patchFor,
  spreadSaid,
  zoneOfPlace,
  type DeckPatch,
  type Design,
  type Field,
  type Judgement,
  type PatchInput,
  type SpreadSaid,
} from '@north-tide/core'
import { useBoats } from './boats'
import { AFTER_MS, slowWorker } from './slow-worker'

export interface Solved {
  patch: DeckPatch
  field: Field
  design: Design
  title: string
  ms: number
  said: SpreadSaid
}
type Answer = { patch?: DeckPatch; error?: string }
/**
 * The plate solver behind the bench: it is asked anew about every design that could be judged, off the
 * screen's own thread.
 */
export function solverBehind(judged: Readonly<Ref<{ design: Design; judgement: Judgement } | null>>) {
  const boats = useBoats()
  const answer = shallowRef<Solved | null>(null)
  const failed = ref('')
  const { progress, ask, cut } = slowWorker<PatchInput, Answer>(
    () => new Worker(new URL('../workers/spread-worker.ts', import.meta.url), { type: 'module' }),
  )
  let timer: ReturnType<typeof setTimeout> | undefined

  function stop() {
    clearTimeout(timer)
    cut()
  }
  async function solve(
    design: Design,
    judgement: Judgement,
    withPlate: boolean,
    title: string,
  ): Promise<Solved | null> {
    const { zones = [], parts = [] } = boats.picture ?? {}
    const field = fieldAround(design, zoneOfPlace(zones, design.place), parts)
    const input = patchFor(design, judgement, field, withPlate)
    const t = performance.now()
    const got = await ask(input)
    if (!got) return null
    failed.value = got.error ?? ''
    const { patch } = got
    if (!patch) return null
    const said = spreadSaid(design, judgement, patch, field, input)
    return { patch, field, design, title, ms: performance.now() - t, said }
  }
  async function run() {
    const now = judged.value
    // A run that a newer design overtook is cut off; one that ended leaves its worker for the next.
    if (progress.value !== null) stop()
    if (!now) return
    const title = now.design.plate ? 'as designed' : 'as designed, no plate'
    const got = await solve(now.design, now.judgement, true, title)
    if (got) answer.value = got
  }
  watch(
    judged,
    (now) => {
      clearTimeout(timer)
      if (now) timer = setTimeout(run, AFTER_MS)
      else stop()
    },
    { immediate: true },
  )
  onScopeDispose(stop)
  return { answer, progress, failed, solve, stop, run }
}
