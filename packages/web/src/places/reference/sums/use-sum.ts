import { computed, onUnmounted, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { proxy, wrap } from 'comlink'
import { CalcError, EXAMPLES, inputWithYard } from '@north-tide/core'
import { SUMS, described, loadSum, runInWords } from '@north-tide/core/sums'
import { useBoats } from '../../../state/boats'
import type { Schema } from './words'

/** Sums that may take longer than a keystroke go to a worker, with progress and a way to stop. */
const HEAVY = ['deck-patch', 'plan', 'panel', 'spacing', 'opening-edge', 'nest', 'old-holes']
const WAIT_MS = 250

type Given = Record<string, unknown>
export interface Refused {
  code: string
  path: string
  message: string
}

const pack = (v: unknown) =>
  btoa(String.fromCharCode(...new TextEncoder().encode(JSON.stringify(v))))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replaceAll('=', '')
const unpack = (t: string) =>
  JSON.parse(
    new TextDecoder().decode(
      Uint8Array.from(atob(t.replaceAll('-', '+').replaceAll('_', '/')), (c) => c.charCodeAt(0)),
    ),
  ) as Given

/** One long sum at a time off the screen's own thread. */
function sumWorker() {
  const progress = ref<number | null>(null)
  let worker: Worker | null = null
  function stop() {
    worker?.terminate()
    worker = null
    progress.value = null
  }
  /** Nothing where it was stopped, or another was asked for meanwhile. */
  async function ask(name: string, given: Given) {
    stop()
    const mine = (worker = new Worker(new URL('../../../workers/sum-worker.ts', import.meta.url), {
      type: 'module',
    }))
    progress.value = 0
    const remote = wrap<{
      run: (n: string, i: unknown, t: (p: number) => void) => { answer?: unknown; error?: Refused }
    }>(mine)
    const got = await remote.run(
      name,
      name === 'deck-patch' ? { ...given, fields: true } : given,
      proxy((p: number) => mine === worker && (progress.value = p)),
    )
    if (mine !== worker) return null
    stop()
    return got
  }
  onUnmounted(stop)
  return { progress, stop, ask }
}

/** One sum and what it says of what is given. */
function answering() {
  const boats = useBoats()
  const worker = sumWorker()
  const calc = shallowRef<Awaited<ReturnType<typeof loadSum>> | null>(null)
  const input = shallowRef<Given>({})
  const answer = shallowRef<Given | null>(null)
  const error = ref<Refused | null>(null)
  /** What the yard measured itself counts here too, and is said. */
  const replaced = ref<string[]>([])

  async function work() {
    if (!calc.value) return
    const own = inputWithYard(calc.value.name, JSON.parse(JSON.stringify(input.value)) as Given, boats.yard)
    replaced.value = own.replaced
    if (HEAVY.includes(calc.value.name)) {
      const got = await worker.ask(calc.value.name, own.input)
      if (!got) return
      error.value = got.error ?? null
      if (got.answer) answer.value = got.answer as Given
      return
    }
    try {
      answer.value = runInWords(calc.value, own.input) as Given
      error.value = null
    } catch (e) {
      if (!(e instanceof CalcError)) throw e
      error.value = { code: e.code, path: e.path, message: e.message }
    }
  }
  function clear() {
    worker.stop()
    answer.value = null
    error.value = null
  }
  const { progress, stop } = worker
  return { calc, input, answer, error, replaced, progress, stop, work, clear }
}

function linked(name: string, link: unknown): Given {
  const example = structuredClone(EXAMPLES[name] ?? {})
  if (typeof link !== 'string') return example
  try {
    return unpack(link)
  } catch {
    return example
  }
}

/** The sum that the address names: its fields, what is given, what it answers or why it refuses. */
export function useSum() {
  const route = useRoute()
  const router = useRouter()
  const { calc, clear, ...sum } = answering()
  const entry = computed(() => SUMS.find((s) => s.name === route.params.sum) ?? SUMS[0]!)
  const schema = computed<Schema | null>(() =>
    calc.value ? { ...(described(calc.value).input as Schema), type: 'object' } : null,
  )
  watch(
    () => [entry.value.name, route.query.in] as const,
    async ([name, link], before) => {
      if (before && before[0] === name && link === pack(sum.input.value)) return
      clear()
      if (calc.value?.name !== name) {
        calc.value = null
        const loaded = await loadSum(name)
        if (name !== entry.value.name) return
        calc.value = loaded
      }
      sum.input.value = linked(name, link)
      await sum.work()
    },
    { immediate: true },
  )
  let timer: ReturnType<typeof setTimeout> | undefined
  onUnmounted(() => clearTimeout(timer))
  function change(v: unknown) {
    sum.input.value = v as Given
    clearTimeout(timer)
    timer = setTimeout(
      () => {
        void router.replace({ params: { sum: entry.value.name }, query: { in: pack(sum.input.value) } })
        void sum.work()
      },
      HEAVY.includes(entry.value.name) ? 2 * WAIT_MS : WAIT_MS / 2,
    )
  }
  const link = () => `${location.origin}/reference/sums/${entry.value.name}?in=${pack(sum.input.value)}`
  return { ...sum, entry, schema, change, link }
}
