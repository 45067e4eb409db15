import { computed, getCurrentScope, onScopeDispose, ref, shallowRef, type Ref, type ShallowRef } from 'vue'
import { withChange } from '@north-tide/core'
import { ApiRefusal, Offline } from '../api'
import { useBoats } from './boats'
import { draftBox } from './draft-box'
import { useSession } from './session'
import { undoSteps } from './undo-steps'

interface Saved<D> {
  id: string
  version: number
  design: D
  updatedBy: string
}
const SAVE_AFTER_MS = 500
const RETRY_MS = 3000

const flushes = new Set<() => Promise<void>>()
/**
 * What waits to be saved on any bench that has been opened is sent now; the frame need not load the
 * benches to ask it.
 */
export const flushAll = () => Promise.all([...flushes].map((flush) => flush()))

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)
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
  return same(mine, base) ? theirs : mine
}

type Put<D, S> = (id: string, body: { version: number; design: D }) => Promise<S>
type Saving = 'saved' | 'waiting' | 'saving' | 'offline' | 'refused' | 'conflict'

/** What is open on a bench, and how far the server has it. */
function openDraft<D extends object, S extends Saved<D>>(prefix: string) {
  return {
    box: draftBox<D>(prefix),
    openId: ref<string | null>(null),
    design: shallowRef(null) as ShallowRef<D | null>,
    version: ref(0),
    saving: ref('saved') as Ref<Saving>,
    refusal: ref<string | null>(null),
    conflict: shallowRef(null) as ShallowRef<S | null>,
  }
}
type Open<D extends object, S extends Saved<D>> = ReturnType<typeof openDraft<D, S>>

/** Sends what is open some time after the last change, one save at a time. */
function savingBehind<D extends object, S extends Saved<D>>(open: Open<D, S>, put: Put<D, S>) {
  const session = useSession()
  const { box, openId, design, version, saving, refusal, conflict } = open
  let timer: ReturnType<typeof setTimeout> | undefined
  /** A second save that overtook the first would be taken for somebody else's. */
  let running: Promise<void> | null = null

  const keepDraft = () => {
    if (openId.value && design.value) box.keep(openId.value, version.value, design.value)
  }
  const stop = () => clearTimeout(timer)
  function schedule(ms = SAVE_AFTER_MS) {
    stop()
    timer = setTimeout(() => void save(), ms)
  }
  function save(): Promise<void> {
    running ??= send().finally(() => (running = null))
    return running
  }
  function refused(error: unknown, sent: D) {
    // Signed out by the clock: it waits as it does for a lost line, until he has said who he is.
    if (error instanceof Offline || session.ended(error)) {
      saving.value = 'offline'
      schedule(RETRY_MS)
    } else if (error instanceof ApiRefusal && error.refusal.code === 'stale') {
      saving.value = 'conflict'
      conflict.value = error.refusal.current as S
    } else {
      saving.value = 'refused'
      refusal.value = error instanceof Error ? error.message : 'It was not saved'
      // What was changed meanwhile may be what mends it.
      if (design.value !== sent) schedule()
    }
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
        box.drop(id)
        saving.value = 'saved'
      } else {
        keepDraft()
        schedule()
      }
    } catch (error) {
      if (openId.value === id) refused(error, sent)
    }
  }
  /** Whatever waits to be saved is sent now. */
  async function flush() {
    stop()
    if (running) await running
    stop()
    if (saving.value === 'waiting' || saving.value === 'offline') await save()
  }
  return { keepDraft, schedule, stop, flush }
}
type Behind = ReturnType<typeof savingBehind>

/** What comes from the server: taken up, followed, or settled between two versions. */
function meeting<D extends object, S extends Saved<D>>(
  open: Open<D, S>,
  steps: ReturnType<typeof undoSteps<D>>,
  behind: Behind,
) {
  const { box, openId, design, version, saving, refusal, conflict } = open
  /** When the fitting or the page is left, and not at every key: forty designs are a lot to write. */
  const keepSteps = () => {
    if (openId.value && design.value) steps.store(box.undoKey(openId.value), design.value)
  }
  window.addEventListener('pagehide', keepSteps)
  if (getCurrentScope()) onScopeDispose(() => window.removeEventListener('pagehide', keepSteps))
  return {
    /** Takes up what the server has, and the draft that was left here if it says something else. */
    take(got: S) {
      behind.stop()
      keepSteps()
      steps.clear()
      openId.value = got.id
      conflict.value = null
      refusal.value = null
      version.value = got.version
      design.value = got.design
      saving.value = 'saved'
      const draft = box.left(got.id)
      steps.restore(box.undoKey(got.id), draft?.design ?? got.design)
      if (!draft) return
      if (same(draft.design, got.design)) return box.drop(got.id)
      design.value = draft.design
      if (draft.version === got.version) {
        saving.value = 'waiting'
        behind.schedule(0)
      } else {
        conflict.value = got
        saving.value = 'conflict'
      }
    },
    /**
     * What the server changed by another door (an order, a tick) is taken up without losing the steps of
     * undo.
     */
    follow(got: S, since: D | null) {
      const now = design.value
      version.value = got.version
      // What was typed while the answer was on its way stays.
      design.value = now === since || !now || !since ? got.design : merged(got.design, since, now)
    },
    settle(mine: boolean) {
      const theirs = conflict.value
      if (!theirs || !design.value || !openId.value) return
      conflict.value = null
      version.value = theirs.version
      if (mine) {
        saving.value = 'waiting'
        behind.keepDraft()
        behind.schedule(0)
        return
      }
      steps.past.value = [...steps.past.value, design.value]
      design.value = theirs.design
      box.drop(openId.value)
      saving.value = 'saved'
    },
  }
}

/**
 * A design that saves itself as it changes: a draft kept here until the server has it, undo and redo, and
 * two versions never lost in one another.
 */
export function drafted<D extends object, S extends Saved<D>>(prefix: string, put: Put<D, S>) {
  const session = useSession()
  const boats = useBoats()
  const open = openDraft<D, S>(prefix)
  const steps = undoSteps<D>()
  const behind = savingBehind(open, put)
  const { design, version, saving, refusal, conflict } = open
  /** who is signed out by the clock goes on typing: it is kept, and sent when he is back */
  const readOnly = computed(() => session.account !== null && !session.may('work', boats.picture?.id))

  function keep(next: D | null) {
    if (!next) return
    design.value = next
    if (saving.value !== 'conflict') saving.value = 'waiting'
    behind.keepDraft()
    behind.schedule()
  }
  function change(changes: Record<string, unknown>) {
    if (!design.value || readOnly.value) return
    steps.mark(design.value, Object.keys(changes).join())
    keep(withChange(design.value, changes))
  }
  function replace(next: D) {
    if (!design.value || readOnly.value) return
    steps.mark(design.value)
    keep(next)
  }
  const undo = () => design.value && keep(steps.back(design.value))
  const redo = () => design.value && keep(steps.forward(design.value))
  const { flush } = behind
  flushes.add(flush)
  if (getCurrentScope()) onScopeDispose(() => flushes.delete(flush))
  return {
    design,
    version,
    saving,
    refusal,
    conflict,
    past: steps.past,
    future: steps.future,
    readOnly,
    change,
    replace,
    undo,
    redo,
    ...meeting(open, steps, behind),
    flush,
  }
}
