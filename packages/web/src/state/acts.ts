import type { Ref, ShallowRef } from 'vue'
import type { Caution, LogLine, Part, Step, WorkState } from '@north-tide/core'
import { Offline, api } from '../api'
import type { Open } from '../types'
import { useBoats } from './boats'
import type { drafted } from './drafted'

type Draft<D extends object> = Pick<
  ReturnType<typeof drafted<D, never>>,
  'flush' | 'saving' | 'refusal' | 'design'
> & { follow: (got: never, since: D | null) => void }

/** What a tick form begins with: what the design, or the day, already says. */
export interface Usual {
  sizeMm: number | null
  /** nobody has measured it: it is what the catalogue says */
  sizeIsCatalogues: boolean
  tempC: number | null
  airC: number | null
  humidityPct: number | null
  hullMm: number | null
  deadriseDeg: number | null
  place: { xMm: number; yMm: number }
}
/** What the shared pages of a bench know of the fitting that lies on it, of whatever kind. */
export interface WorkBench {
  fitting: Pick<Open<object>, 'id' | 'holes' | 'heelDeg'> | null
  readOnly: boolean
  steps: Step[]
  work: WorkState
  log: LogLine[]
  parts: Part[]
  cautions: Caution[]
  usual: Usual
  act: (method: 'POST' | 'DELETE', path: string, body?: unknown) => Promise<unknown>
}

/**
 * Orders, ticks, readings, decisions: doors of their own, after whatever waits has been saved. The answer
 * brings the fitting as it is now.
 */
export function actsOn<D extends object>(
  fitting: ShallowRef<Open<D> | null> | Ref<Open<D> | null>,
  draft: Draft<D>,
) {
  const boats = useBoats()
  async function ready() {
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
  }
  async function act(method: 'POST' | 'DELETE', path: string, body?: unknown): Promise<Open<D>> {
    await ready()
    const since = draft.design.value
    const got = await api<Open<D>>(method, `/fittings/${fitting.value!.id}/${path}`, body)
    fitting.value = got
    draft.follow(got as never, since)
    void boats.refresh()
    return got
  }
  async function replaceBy(catalogueId: string): Promise<string> {
    await draft.flush()
    const made = await api<{ id: string }>('POST', `/fittings/${fitting.value!.id}/replace`, { catalogueId })
    await boats.refresh()
    return made.id
  }
  async function copyIt(how: {
    mirror?: boolean
    xMm?: number | null
    yMm?: number | null
  }): Promise<string> {
    await draft.flush()
    const made = await api<{ id: string }>('POST', `/fittings/${fitting.value!.id}/copy`, how)
    await boats.refresh()
    return made.id
  }
  async function record(reopen: () => Promise<void>): Promise<string[]> {
    await draft.flush()
    const { holes } = await api<{ holes: string[] }>('POST', `/fittings/${fitting.value!.id}/record`)
    await Promise.all([reopen(), boats.refresh()])
    return holes
  }
  return { act, copyIt, record, replaceBy }
}
