import { computed, ref, shallowRef } from 'vue'
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import { LIFE_STATES, lifeSaid, stepNamed, type LifeState } from '@north-tide/core'
import { ApiRefusal, Offline, keepWith, sendNow, Waits, type Written } from '../api'

/**
 * What was written without a line: kept on this device in order, sent once when there is one, by the key that
 * makes a second arrival the first. What the server refuses stays, with its words, until somebody decides.
 */
export interface Waiting {
  seq?: number
  key: string
  account: number
  path: string
  /** JSON, or the fields of a form with its file */
  body: unknown
  form: [string, string | Blob][] | null
  what: string
  at: string
  state: 'waiting' | 'refused'
  said: string
}
interface Kept extends DBSchema {
  waiting: { key: number; value: Waiting }
}
/** What may wait, with its name. */
const MAY_WAIT: [RegExp, string][] = [
  [/^\/fittings\/[^/]+\/tick$/, 'Step ticked'],
  [/^\/fittings\/[^/]+\/log$/, 'Look or reading'],
  [/^\/fittings\/[^/]+\/suspect$/, 'Not in order'],
  [/^\/penetrations\/\d+\/events$/, 'Life of a hole'],
  [/^\/boats\/[^/]+\/penetrations$/, 'Hole found'],
  [/^\/boats\/[^/]+\/penetrations\/events$/, 'Life of many holes'],
  [/^\/boats\/[^/]+\/readings$/, 'Reading'],
  [/^\/boats\/[^/]+\/photos$/, 'Photo'],
]
const nameOf = (w: Written) =>
  w.method === 'POST' ? (MAY_WAIT.find(([path]) => path.test(w.path))?.[1] ?? null) : null
const TOLD: [string, (v: string) => string][] = [
  ['step', stepNamed],
  ['state', (v) => (isLifeState(v) ? lifeSaid(v) : v)],
  ...['whatFor', 'caption', 'note', 'why', 'kind'].map((k): [string, (v: string) => string] => [k, (v) => v]),
]
const isLifeState = (v: string): v is LifeState => (LIFE_STATES as readonly string[]).includes(v)
/** The words of an entry: what it is, and the first thing that it tells of itself. */
function wordsOf(name: string, w: Written): string {
  const own = w.body instanceof FormData ? Object.fromEntries(w.body) : ((w.body ?? {}) as object)
  const told = TOLD.flatMap(([k, say]) => {
    const v = (own as Record<string, unknown>)[k]
    return typeof v === 'string' && v !== '' ? [say(v)] : []
  })[0]
  return told ? `${name}: ${told.slice(0, 80)}` : name
}
const entries = shallowRef<Waiting[]>([])
/** no answer came to what was asked last */
const lineGone = ref(false)
/** what is shown was seen at that time, and may be other by now */
const seenAt = ref<string | null>(null)
let whose: number | null = null
let db: Promise<IDBPDatabase<Kept>> | null = null
const opened = () =>
  (db ??= openDB<Kept>('north-tide-waiting', 1, {
    upgrade: (d) => void d.createObjectStore('waiting', { keyPath: 'seq', autoIncrement: true }),
  }))
async function reread() {
  entries.value = await (await opened()).getAll('waiting')
}
async function put(w: Written, name: string): Promise<never> {
  const form = w.body instanceof FormData ? [...w.body] : null
  const what = wordsOf(name, w)
  const asText = JSON.stringify(form ? null : (w.body ?? null))
  // As it would be sent: what a form watches over cannot be kept as it is.
  const body: unknown = JSON.parse(asText)
  // Pressed again because nothing seemed to happen: it waits already.
  const there = entries.value.some(
    (e) => e.state === 'waiting' && e.path === w.path && !e.form && JSON.stringify(e.body) === asText,
  )
  if (!there || form)
    try {
      const d = await opened()
      const key = w.key ?? crypto.randomUUID()
      const at = new Date().toISOString()
      const more = {
        account: whose!,
        path: w.path,
        body,
        form,
        what,
        at,
        state: 'waiting' as const,
        said: '',
      }
      await d.add('waiting', { key, ...more })
      soon()
    } catch {
      throw new Offline(
        'There is no line, and this device keeps no more: leave this page open until there is',
      )
    }
  await reread()
  throw new Waits(`${what}: there is no line. It waits on this device and goes out by itself.`)
}
const formOf = (parts: [string, string | Blob][]) => {
  const f = new FormData()
  for (const [name, v] of parts) f.append(name, v)
  return f
}
/** One entry: gone when it arrived, kept with the server's words when refused; false without a line. */
async function sendOne(e: Waiting): Promise<boolean> {
  const d = await opened()
  try {
    await sendNow({
      method: 'POST',
      path: e.path,
      body: e.form ? formOf(e.form) : e.body,
      key: e.key,
      madeAt: e.at,
    })
    await d.delete('waiting', e.seq!)
  } catch (error) {
    if (error instanceof Offline) return false
    // Signed out: it goes out when he has said again who he is.
    if (error instanceof ApiRefusal && (error.status === 401 || error.status === 429)) return false
    await d.put('waiting', { ...e, state: 'refused', said: error instanceof Error ? error.message : '' })
  }
  return true
}
let sending: Promise<void> | null = null
async function inTurn() {
  await reread()
  for (const e of entries.value.filter((x) => x.state === 'waiting' && x.account === whose)) {
    const went = await sendOne(e)
    await reread()
    if (!went) return
  }
}
/** Only what is served over TLS, or from this machine, has locks between its pages. */
const locks = (navigator as Partial<Navigator>).locks
/** Sends what waits, in order; of several pages one at a time. */
const flush = (): Promise<void> =>
  (sending ??= Promise.resolve(locks ? locks.request('north-tide-waiting', inTurn) : inTurn())
    .catch(() => undefined)
    .finally(() => (sending = null)))

/** It is tried again by itself, each time after a longer pause: a boat lies without a line for hours. */
const AGAIN_MS = 5000
const MOST_MS = 2 * 60_000
let pause = AGAIN_MS
let timer: ReturnType<typeof setTimeout> | null = null
const waitsOf = (account: number | null) =>
  account !== null && entries.value.some((e) => e.state === 'waiting' && e.account === account)
function tryLater() {
  timer ??= setTimeout(async () => {
    timer = null
    const before = entries.value.length
    if (waitsOf(whose)) await flush()
    // Something went: the line is there, and what follows does not wait long.
    pause = waitsOf(whose) && entries.value.length === before ? Math.min(MOST_MS, pause * 2) : AGAIN_MS
    tryLater()
  }, pause)
}
/** From the shortest pause again: something new waits. */
function soon() {
  pause = AGAIN_MS
  if (timer) clearTimeout(timer)
  timer = null
  tryLater()
}
/** The line is there again, or somebody pressed: at once. */
function tryNow() {
  soon()
  return flush()
}
/** Begins to keep for somebody, and sends what waits of him; null: nobody is in. */
export function keepFor(account: number | null) {
  whose = account
  if (account !== null) void tryNow()
}
keepWith({
  takes: (w) => whose !== null && nameOf(w) !== null,
  async before(w) {
    const mine = () => entries.value.some((e) => e.state === 'waiting' && e.account === whose)
    // What waits goes before what comes after it.
    if (mine()) await flush()
    if (mine()) await put(w, nameOf(w)!)
  },
  after: (w) => put(w, nameOf(w)!),
  heard(answered, at) {
    // Somebody else's ask was answered: what waits need not wait out its pause.
    if (answered && lineGone.value && waitsOf(whose)) void tryNow()
    lineGone.value = !answered
    // What failed to go out says nothing of what is shown.
    if (answered || at !== null) seenAt.value = at
  },
})
if (typeof window !== 'undefined' && 'indexedDB' in window) {
  window.addEventListener('online', () => void tryNow())
  window.addEventListener('offline', () => (lineGone.value = true))
}
/** What an entry says under a name: a field of its form, or of its body. */
function fieldOf(e: Waiting, name: string): unknown {
  if (e.form) return e.form.find(([k]) => k === name)?.[1]
  return (e.body as Record<string, unknown> | null)?.[name]
}
/** Holes of whose life something waits, or was refused. */
const holesWaiting = computed(() => holesOf(entries.value))
/** Those of which the server refused it: they wait for nobody but their writer. */
const holesRefused = computed(() => holesOf(entries.value.filter((e) => e.state === 'refused')))
function holesOf(some: Waiting[]): Set<number> {
  const out = new Set<number>()
  for (const e of some.filter((x) => x.account === whose)) {
    const one = /^\/penetrations\/(\d+)\/events$/.exec(e.path)
    if (one) out.add(Number(one[1]))
    else if (e.path.endsWith('/penetrations/events'))
      for (const id of (e.body as { ids?: number[] } | null)?.ids ?? []) out.add(id)
  }
  return out
}
export function useWaiting() {
  return {
    entries,
    holesWaiting,
    holesRefused,
    /** What waits, or was refused, of one thing: what goes to its path and says these words of it. */
    of: (path: string, has: Record<string, string> = {}) =>
      entries.value.filter(
        (e) =>
          e.account === whose &&
          e.path === path &&
          Object.entries(has).every(([k, v]) => fieldOf(e, k) === v),
      ),
    lineGone,
    seenAt,
    mine: computed(() => entries.value.filter((e) => e.account === whose)),
    others: computed(() => entries.value.filter((e) => e.account !== whose)),
    flush: tryNow,
    /** sent once more, as if it had not been refused */
    async again(e: Waiting) {
      await (await opened()).put('waiting', { ...e, state: 'waiting', said: '' })
      await tryNow()
    },
    /** nobody wants it any more */
    async drop(e: Waiting) {
      await (await opened()).delete('waiting', e.seq!)
      await reread()
    },
  }
}
/** What was seen by one is not kept for another. */
export const forgetSeen = async () => {
  if ('caches' in globalThis) await caches.delete('seen')
}
