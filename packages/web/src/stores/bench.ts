import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { CalcError, judgeWhole, withChange, withSolver, type Design, type Whole } from '@north-tide/core'
import { ApiRefusal, Offline, api } from '../api'
import type { OpenFitting, SavedFitting } from '../types'
import { useBoats } from './boats'
import { useSession } from './session'
import { solverBehind } from './solver'

interface Draft {
  version: number
  design: Design
  at: string
}
const draftKey = (id: string) => `north-tide:draft:${id}`
const SAVE_AFTER_MS = 500
const RETRY_MS = 3000
/** Keystrokes in one field within this time are one step of undo. */
const ONE_STEP_MS = 1200
const MOST_UNDO = 200

/** One fitting on the bench. The design changes; everything else follows from it through the core. */
export const useBench = defineStore('bench', () => {
  const boats = useBoats()
  const session = useSession()
  const fitting = shallowRef<OpenFitting | null>(null)
  const design = shallowRef<Design | null>(null)
  const version = ref(0)
  const saving = ref<'saved' | 'waiting' | 'saving' | 'offline' | 'refused' | 'conflict'>('saved')
  const refusal = ref<string | null>(null)
  const conflict = shallowRef<SavedFitting | null>(null)
  const past = shallowRef<Design[]>([])
  const future = shallowRef<Design[]>([])
  let lastStep = { key: '', at: 0 }
  let timer: ReturnType<typeof setTimeout> | undefined

  /** Thin layers drawn thicker: a switch that is seen, never silent. */
  const exaggerate = ref(false)
  const judged = computed<{ whole: Whole | null; problem: CalcError | null }>(() => {
    if (!design.value) return { whole: null, problem: null }
    try {
      return { whole: judgeWhole(design.value, boats.units, boats.yard, exaggerate.value), problem: null }
    } catch (error) {
      if (error instanceof CalcError) return { whole: null, problem: error }
      throw error
    }
  })
  /** While a figure makes no sense the last drawing that did stays in view. */
  const lastWhole = shallowRef<Whole | null>(null)
  /** Asked about every design in turn, of the hand checks' own answer. */
  const toSolve = computed(() => (design.value && judged.value.whole ? { design: design.value, judgement: judged.value.whole.judgement } : null))
  const solver = solverBehind(toSolve)
  const solved = computed(() => (solver.answer.value?.design === design.value ? solver.answer.value : null))
  const whole = computed(() => {
    const mine = judged.value.whole
    if (mine) lastWhole.value = solved.value ? { ...mine, judgement: withSolver(mine.judgement, solved.value.said) } : mine
    return lastWhole.value
  })
  const problem = computed(() => judged.value.problem)
  const readOnly = computed(() => session.account?.role === 'owner')

  function keepDraft() {
    if (!fitting.value || !design.value) return
    localStorage.setItem(draftKey(fitting.value.id), JSON.stringify({ version: version.value, design: design.value, at: new Date().toISOString() } satisfies Draft))
  }
  function schedule(ms = SAVE_AFTER_MS) {
    clearTimeout(timer)
    timer = setTimeout(() => void save(), ms)
  }
  /** One save at a time: a second that overtook the first would be taken for somebody else's. */
  let running: Promise<void> | null = null
  function save(): Promise<void> {
    running ??= send().finally(() => (running = null))
    return running
  }
  async function send() {
    if (!fitting.value || !design.value || saving.value === 'conflict') return
    const id = fitting.value.id
    const sent = design.value
    saving.value = 'saving'
    try {
      const answer = await api<SavedFitting>('PUT', `/fittings/${id}`, { version: version.value, design: sent })
      if (fitting.value?.id !== id) return
      version.value = answer.version
      refusal.value = null
      if (design.value === sent) {
        localStorage.removeItem(draftKey(id))
        saving.value = 'saved'
      } else {
        keepDraft()
        schedule()
      }
    } catch (error) {
      if (fitting.value?.id !== id) return
      if (error instanceof Offline) {
        saving.value = 'offline'
        schedule(RETRY_MS)
      } else if (error instanceof ApiRefusal && error.refusal.code === 'stale') {
        saving.value = 'conflict'
        conflict.value = error.refusal.current as SavedFitting
      } else if (!session.ended(error)) {
        saving.value = 'refused'
        refusal.value = error instanceof Error ? error.message : 'It was not saved'
        // What was changed meanwhile may be what mends it.
        if (design.value !== sent) schedule()
      }
    }
  }
  function put(next: Design) {
    design.value = next
    saving.value = saving.value === 'conflict' ? 'conflict' : 'waiting'
    keepDraft()
    schedule()
  }
  function change(changes: Record<string, unknown>) {
    if (!design.value || readOnly.value) return
    const key = Object.keys(changes).join()
    const now = performance.now()
    if (key !== lastStep.key || now - lastStep.at > ONE_STEP_MS) past.value = [...past.value.slice(-MOST_UNDO), design.value]
    lastStep = { key, at: now }
    future.value = []
    put(withChange(design.value, changes))
  }
  function replace(next: Design) {
    if (!design.value || readOnly.value) return
    past.value = [...past.value, design.value]
    future.value = []
    lastStep = { key: '', at: 0 }
    put(next)
  }
  function undo() {
    const back = past.value.at(-1)
    if (!back || !design.value) return
    future.value = [design.value, ...future.value]
    past.value = past.value.slice(0, -1)
    lastStep = { key: '', at: 0 }
    put(back)
  }
  function redo() {
    const forward = future.value[0]
    if (!forward || !design.value) return
    past.value = [...past.value, design.value]
    future.value = future.value.slice(1)
    put(forward)
  }

  async function open(id: string) {
    if (fitting.value?.id !== id) await flush()
    clearTimeout(timer)
    const got = await api<OpenFitting>('GET', `/fittings/${encodeURIComponent(id)}`)
    if (boats.picture?.id !== got.boatId) await boats.open(got.boatId)
    boats.lastFitting = { ...boats.lastFitting, [got.boatId]: got.id }
    fitting.value = got
    past.value = []
    future.value = []
    lastWhole.value = null
    conflict.value = null
    refusal.value = null
    version.value = got.version
    design.value = got.design
    saving.value = 'saved'
    const raw = localStorage.getItem(draftKey(id))
    if (!raw) return
    const draft = JSON.parse(raw) as Draft
    if (JSON.stringify(draft.design) === JSON.stringify(got.design)) return localStorage.removeItem(draftKey(id))
    design.value = draft.design
    if (draft.version === got.version) {
      saving.value = 'waiting'
      schedule(0)
    } else {
      conflict.value = got
      saving.value = 'conflict'
    }
  }
  /** Whatever waits to be saved is sent now. */
  async function flush() {
    clearTimeout(timer)
    if (running) await running
    clearTimeout(timer)
    if (saving.value === 'waiting' || saving.value === 'offline') await save()
  }
  function settle(mine: boolean) {
    const theirs = conflict.value
    if (!theirs || !design.value || !fitting.value) return
    conflict.value = null
    version.value = theirs.version
    if (mine) {
      saving.value = 'waiting'
      keepDraft()
      schedule(0)
    } else {
      past.value = [...past.value, design.value]
      design.value = theirs.design
      localStorage.removeItem(draftKey(fitting.value.id))
      saving.value = 'saved'
    }
  }
  async function record(): Promise<string[]> {
    await flush()
    const { holes } = await api<{ holes: string[] }>('POST', `/fittings/${fitting.value!.id}/record`)
    await Promise.all([open(fitting.value!.id), boats.refresh()])
    return holes
  }
  return { solver, solved, exaggerate, fitting, design, version, saving, refusal, conflict, whole, problem, past, future, readOnly, change, replace, undo, redo, open, flush, settle, record }
})
