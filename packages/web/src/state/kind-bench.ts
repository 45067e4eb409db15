import dayjs from 'dayjs'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch, type ComputedRef, type Ref, type ShallowRef } from 'vue'
import {
  ALONE,
  CalcError,
  launchOf,
  ownFigures,
  plainHole,
  workState,
  type AnyDesign,
  type Around,
  type Check,
  type Entry,
  type Judged,
  type Kind,
} from '@north-tide/core'
import { api } from '../api'
import type { Open, Saved } from '../types'
import { actsOn, type Usual } from './acts'
import { useBoats } from './boats'
import { drafted } from './drafted'
import { remediesBehind } from './remedies'
import { AFTER_MS, slowWorker } from './slow-worker'

/** What stands round a fitting on the boat that is open. */
export function aroundOf<D>(fitting: ShallowRef<Open<D> | null>): ComputedRef<Around> {
  const boats = useBoats()
  const holes = computed(() =>
    (boats.picture?.holes ?? []).filter((h) => h.fittingId !== fitting.value?.id).map(plainHole),
  )
  return computed(() => ({
    ...ALONE,
    zones: boats.picture?.zones ?? [],
    parts: boats.picture?.parts ?? [],
    holes: holes.value,
    wet: boats.picture?.wet ?? {},
    yard: boats.yard,
    log: fitting.value?.log ?? [],
    others: fitting.value?.others ?? [],
    members: (fitting.value?.others ?? []).filter((o) => o.groupId === fitting.value?.id),
    units: boats.units,
    boat: boats.picture ? ownFigures(boats.picture) : undefined,
    today: dayjs().format('YYYY-MM-DD'),
    launch: launchOf(boats.picture?.launchOn, Date.now()) ?? undefined,
  }))
}

/** The judgement that follows every keystroke, and its remedies when the hand rests. */
export function judgedBy<D extends AnyDesign, J extends Judged, E extends Entry>(
  kind: Kind<D, J, E>,
  design: ShallowRef<D | null>,
  around: ComputedRef<Around>,
  readOnly: Ref<boolean>,
) {
  const judged = computed<{ j: J | null; problem: CalcError | null }>(() => {
    if (!design.value) return { j: null, problem: null }
    try {
      return { j: kind.judge(design.value, around.value), problem: null }
    } catch (error) {
      if (error instanceof CalcError) return { j: null, problem: error }
      throw error
    }
  })
  const remedied = remediesBehind<D, J>(
    kind.id,
    computed(() =>
      design.value && judged.value.j && !readOnly.value
        ? { design: design.value, judgement: judged.value.j }
        : null,
    ),
    around,
  )
  const last = shallowRef(null) as ShallowRef<J | null>
  /** While a figure makes no sense the last that did stays in view. */
  const judgement = computed<J | null>(() => {
    const mine = judged.value.j
    if (!mine) return last.value
    const now = remedied.value?.of === mine ? remedied.value.j : mine
    last.value = now
    return now
  })
  const problem = computed(() => judged.value.problem)
  return { judgement, problem, forget: () => void (last.value = null) }
}

/** What a kind's heavy calculator answered to a design, off the screen's thread. */
export interface SlowBehind<A extends { checks: Check[] }> {
  answer: ShallowRef<{ key: string; got: A; ms: number } | null>
  progress: Ref<number | null>
  failed: Ref<string>
}
/**
 * The heavy calculator behind a bench: asked about each design when the hand rests, its checks among the
 * others from then on.
 */
function slowBehind<D extends AnyDesign, J extends Judged, E extends Entry, A extends { checks: Check[] }>(
  kind: Kind<D, J, E>,
  design: ShallowRef<D | null>,
  around: ComputedRef<Around>,
  byHand: ComputedRef<J | null>,
  problem: ComputedRef<CalcError | null>,
  make: () => Worker,
) {
  const worker = slowWorker<{ design: D; question: { key: string } }, A>(make)
  const answer = shallowRef(null) as SlowBehind<A>['answer']
  const failed = ref('')
  const question = computed(() =>
    design.value && byHand.value && !problem.value
      ? (kind.slow?.(design.value, byHand.value, around.value) ?? null)
      : null,
  )
  let timer: ReturnType<typeof setTimeout> | undefined
  async function ask() {
    const [d, q] = [design.value, question.value]
    if (!d || !q) return
    const t = performance.now()
    failed.value = ''
    try {
      const got = await worker.ask({ design: d, question: q })
      if (got) answer.value = { key: q.key, got, ms: performance.now() - t }
    } catch (error) {
      failed.value = error instanceof Error ? error.message : 'It could not be solved'
    }
  }
  watch(
    () => question.value?.key ?? null,
    (key) => {
      clearTimeout(timer)
      if (worker.progress.value !== null) worker.cut()
      if (key === null || key === answer.value?.key) return
      timer = setTimeout(ask, AFTER_MS)
    },
    { immediate: true },
  )
  const judgement = computed<J | null>(() => {
    const j = byHand.value
    const mine = answer.value && answer.value.key === question.value?.key ? answer.value : null
    return j && mine ? kind.withSlow!(j, mine.got) : j
  })
  return { judgement, slow: { answer, progress: worker.progress, failed }, asked: question }
}

/** What follows from a design and its judgement, by the contract of kinds alone. */
export function followsFrom<D extends AnyDesign, J extends Judged, E extends Entry>(
  kind: Kind<D, J, E>,
  design: ShallowRef<D | null>,
  judgement: ComputedRef<J | null>,
  fitting: ShallowRef<Open<D> | null>,
) {
  const boats = useBoats()
  const log = computed(() => fitting.value?.log ?? [])
  const work = computed(() => workState(log.value))
  const whole = computed(() =>
    design.value && judgement.value ? { d: design.value, j: judgement.value } : null,
  )
  return {
    log,
    work,
    steps: computed(() =>
      whole.value ? kind.steps(whole.value.d, whole.value.j, boats.units, work.value) : [],
    ),
    parts: computed(() => (whole.value ? kind.parts(whole.value.d, whole.value.j) : [])),
    cautions: computed(() => (design.value ? kind.cautions(design.value) : [])),
    drawings: computed(() => (whole.value ? kind.drawings(whole.value.d, whole.value.j, boats.units) : [])),
    stale: computed(() =>
      design.value ? (kind.changed?.(design.value, boats.picture?.zones ?? []) ?? null) : null,
    ),
  }
}

/**
 * The bench of any kind of work: its fitting with what stands round it, the draft that saves itself, the
 * judgement, what follows from it, and the acts.
 */
export const kindBench = <
  D extends AnyDesign,
  J extends Judged,
  E extends Entry,
  A extends { checks: Check[] } = { checks: Check[] },
>(
  kind: Kind<D, J, E>,
  usualOf: (d: D) => Usual,
  slowWorkerOf?: () => Worker,
) =>
  defineStore(`bench-${kind.id}`, () => {
    const boats = useBoats()
    const fitting = shallowRef(null) as ShallowRef<Open<D> | null>
    const draft = drafted<D, Saved<D>>(kind.id, (id, body) => api<Saved<D>>('PUT', `/fittings/${id}`, body))
    const around = aroundOf(fitting)
    const { judgement: byHand, problem, forget } = judgedBy(kind, draft.design, around, draft.readOnly)
    const behind = slowWorkerOf
      ? slowBehind<D, J, E, A>(kind, draft.design, around, byHand, problem, slowWorkerOf)
      : null
    const judgement = behind?.judgement ?? byHand
    async function open(id: string) {
      if (fitting.value?.id !== id) await draft.flush()
      const got = await api<Open<D>>('GET', `/fittings/${encodeURIComponent(id)}`)
      if (boats.picture?.id !== got.boatId) await boats.open(got.boatId)
      boats.lastFitting = { ...boats.lastFitting, [got.boatId]: got.id }
      fitting.value = got
      forget()
      draft.take(got)
    }
    const acts = actsOn(fitting, draft)
    return {
      ...draft,
      fitting,
      around,
      judgement,
      problem,
      slowAsked: behind?.asked ?? null,
      slowAnswer: behind?.slow.answer ?? null,
      slowProgress: behind?.slow.progress ?? null,
      slowFailed: behind?.slow.failed ?? null,
      ...followsFrom(kind, draft.design, judgement, fitting),
      usual: computed<Usual>(() => usualOf(draft.design.value!)),
      open,
      ...acts,
      record: () => acts.record(() => open(fitting.value!.id)),
    }
  })
