import { onScopeDispose, shallowRef, watch, type Ref, type ShallowRef } from 'vue'
import { wrap, type Remote } from 'comlink'
import type { AnyDesign, Around, Check, Judged } from '@north-tide/core'
import { AFTER_MS } from './slow-worker'
import type { Remedies } from '../workers/remedies-worker'

export interface Asked<D extends AnyDesign, J extends Judged> {
  design: D
  judgement: J
}
/** The judgement with what helps its checks, where that was worked out for it. */
export const withThese = <J extends Judged>(j: J, found: Pick<Check, 'id' | 'remedies'>[]): J => ({
  ...j,
  checks: j.checks.map((c, i) => (found[i]?.id === c.id ? { ...c, remedies: found[i].remedies } : c)),
})

/**
 * What would help the design on a bench, of whatever kind, worked out beside the screen when the hand rests.
 * Only the newest design is asked about: one that was overtaken while it waited is never judged.
 */
export function remediesBehind<D extends AnyDesign, J extends Judged>(
  kind: string,
  asked: Readonly<Ref<Asked<D, J> | null>>,
  around: Readonly<Ref<Around>>,
) {
  const answer = shallowRef(null) as ShallowRef<{ of: J; j: J } | null>
  let worker: Worker | null = null
  let remote: Remote<Remedies> | null = null
  let told: Around | null = null
  let timer: ReturnType<typeof setTimeout> | undefined
  let busy = false
  function stop() {
    clearTimeout(timer)
    worker?.terminate()
    worker = remote = told = null
  }
  async function ask(a: Asked<D, J>) {
    worker ??= new Worker(new URL('../workers/remedies-worker.ts', import.meta.url), { type: 'module' })
    remote ??= wrap<Remedies>(worker)
    if (told !== around.value) {
      told = around.value
      await remote.tell(JSON.stringify(told))
    }
    return remote.of(kind, JSON.stringify(a.design))
  }
  async function run() {
    if (busy) return
    busy = true
    try {
      for (let a = asked.value; a; a = asked.value === a ? null : asked.value) {
        const found = await ask(a)
        answer.value = { of: a.judgement, j: withThese(a.judgement, found) }
      }
    } catch (error) {
      // The verdicts stand without them; the next design is asked about in a worker of its own.
      stop()
      console.error('What would help could not be worked out', error)
    } finally {
      busy = false
    }
  }
  watch(
    asked,
    (a) => {
      clearTimeout(timer)
      if (a) timer = setTimeout(() => void run(), AFTER_MS)
    },
    { immediate: true },
  )
  onScopeDispose(stop)
  return answer
}
