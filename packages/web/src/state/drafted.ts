import { computed, getCurrentScope, onScopeDispose, ref, shallowRef, type ShallowRef } from 'vue'
import { withChange } from '@north-tide/core'
import { ApiRefusal, Offline } from '../api'
import { useBoats } from './boats'
import { useSession } from './session'

interface Saved<D> {
  id: string
  version: number
  design: D
  updatedBy: string
}
interface Draft<D> {
  version: number
  design: D
  at: string
}
const SAVE_AFTER_MS = 500
const RETRY_MS = 3000
/** Keystrokes in one field within this time are one step of undo. */
const ONE_STEP_MS = 1200
const MOST_UNDO = 200

const flushes = new Set<() => Promise<void>>()
/**
 * What waits to be saved on any bench that has been opened is sent now; the frame need not load the
 * benches to ask it.
 */
export const flushAll = () => Promise.all([...flushes].map((flush) => flush()))

const isObject = (v: unknown): v is Record<string, unknown> =>
  v !== null && typeof v === 'object' && !Array.isArray(v)
/** `theirs`, with what `mine` changed since `base`: field by field, lists as a whole. */
export function merged<T>(theirs: T, base: T, mine: T): T {
  if (isObject(theirs) && isObject(base) && isObject(mine))
    return Object.fromEntries(
      [...new Set([...Object.keys(theirs), ...Object.keys(mine)])]
        .filter((k) => k in mine || !(k in base))
        .map((k) => [k, merged(theirs[k], base[k], mine[k])]),
    ) as T
  return JSON.stringify(mine) === JSON.stringify(base) ? theirs : mine
}

/**
 * A design that saves itself as it changes: a draft kept here until the server has it, undo and redo, and
 * two versions never lost in one another.
 */
export function drafted<D extends object, S extends Saved<D>>(
  prefix: string,
  put: (id: string, body: { version: number; design: D }) => Promise<S>,
) {
  const session = useSession()
  const boats = useBoats()
  const draftKey = (id: string) => `north-tide:${prefix}:${id}`
  const openId = ref<string | null>(null)
  const design = shallowRef(null) as ShallowRef<D | null>
  const version = ref(0)
  const saving = ref<'saved' | 'waiting' | 'saving' | 'offline' | 'refused' | 'conflict'>('saved')
  const refusal = ref<string | null>(null)
  const conflict = shallowRef<S | null>(null)
  const past = shallowRef<D[]>([])
  const future = shallowRef<D[]>([])
  let lastStep = { key: '', at: 0 }
  let timer: ReturnType<typeof setTimeout> | undefined
  /** who is signed out by the clock goes on typing: it is kept, and sent when he is back */
  const readOnly = computed(() => session.account !== null && !session.may('work', boats.picture?.id))

  function keepDraft() {
    if (!openId.value || !design.value) return
    localStorage.setItem(
      draftKey(openId.value),
      JSON.stringify({
        version: version.value,
        design: design.value,
        at: new Date().toISOString(),
      } satisfies Draft<D>),
    )
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
    if (!openId.value || !design.value || saving.value === 'conflict') return
    const id = openId.value
    const sent = design.value
    saving.value = 'saving'
    try {
      const answer = await put(id, { version: version.value, design: sent })
      if (openId.value !== id) return
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
      if (openId.value !== id) return
      if (error instanceof Offline) {
        saving.value = 'offline'
        schedule(RETRY_MS)
      } else if (error instanceof ApiRefusal && error.refusal.code === 'stale') {
        saving.value = 'conflict'
        conflict.value = error.refusal.current as S
      } else if (!session.ended(error)) {
        saving.value = 'refused'
        refusal.value = error instanceof Error ? error.message : 'It was not saved'
        // What was changed meanwhile may be what mends it.
        if (design.value !== sent) schedule()
      }
    }
  }
  function keep(next: D) {
    design.value = next
    saving.value = saving.value === 'conflict' ? 'conflict' : 'waiting'
    keepDraft()
    schedule()
  }
  function change(changes: Record<string, unknown>) {
    if (!design.value || readOnly.value) return
    const key = Object.keys(changes).join()
    const now = performance.now()
    if (key !== lastStep.key || now - lastStep.at > ONE_STEP_MS)
      past.value = [...past.value.slice(-MOST_UNDO), design.value]
    lastStep = { key, at: now }
    future.value = []
    keep(withChange(design.value, changes))
  }
  function replace(next: D) {
    if (!design.value || readOnly.value) return
    past.value = [...past.value, design.value]
    future.value = []
    lastStep = { key: '', at: 0 }
    keep(next)
  }
  function undo() {
    const back = past.value.at(-1)
    if (!back || !design.value) return
    future.value = [design.value, ...future.value]
    past.value = past.value.slice(0, -1)
    lastStep = { key: '', at: 0 }
    keep(back)
  }
  function redo() {
    const forward = future.value[0]
    if (!forward || !design.value) return
    past.value = [...past.value, design.value]
    future.value = future.value.slice(1)
    keep(forward)
  }
  /** Takes up what the server has, and the draft that was left here if it says something else. */
  function take(got: S) {
    clearTimeout(timer)
    openId.value = got.id
    past.value = []
    future.value = []
    conflict.value = null
    refusal.value = null
    version.value = got.version
    design.value = got.design
    saving.value = 'saved'
    const raw = localStorage.getItem(draftKey(got.id))
    if (!raw) return
    const draft = JSON.parse(raw) as Draft<D>
    if (JSON.stringify(draft.design) === JSON.stringify(got.design))
      return localStorage.removeItem(draftKey(got.id))
    design.value = draft.design
    if (draft.version === got.version) {
      saving.value = 'waiting'
      schedule(0)
    } else {
      conflict.value = got
      saving.value = 'conflict'
    }
  }
  /**
   * What the server changed by another door (an order, a tick) is taken up without losing the steps of
   * undo.
   */
  function follow(got: S, since: D | null) {
    version.value = got.version
    // What was typed while the answer was on its way stays.
    design.value =
      design.value === since || !design.value || !since ? got.design : merged(got.design, since, design.value)
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
    if (!theirs || !design.value || !openId.value) return
    conflict.value = null
    version.value = theirs.version
    if (mine) {
      saving.value = 'waiting'
      keepDraft()
      schedule(0)
    } else {
      past.value = [...past.value, design.value]
      design.value = theirs.design
      localStorage.removeItem(draftKey(openId.value))
      saving.value = 'saved'
    }
  }
  flushes.add(flush)
  if (getCurrentScope()) onScopeDispose(() => flushes.delete(flush))
  return {
    design,
    version,
    saving,
    refusal,
    conflict,
    past,
    future,
    readOnly,
    change,
    replace,
    undo,
    redo,
    take,
    follow,
    flush,
    settle,
  }
}
