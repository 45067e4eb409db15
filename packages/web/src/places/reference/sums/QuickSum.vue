<script setup lang="ts">
import { computed, onUnmounted, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { proxy, wrap } from 'comlink'
import { CalcError, EXAMPLES, cautionsFor, inputWithYard, sayIn } from '@north-tide/core'
import { CALCULATORS, describeCalculators, runNamed } from '@north-tide/core/registry'
import { ElOption, ElSelect } from 'element-plus'
import 'element-plus/es/components/select/style/css'
import 'element-plus/es/components/option/style/css'
import { useBoats } from '../../../state/boats'
import { usePhone } from '../../../state/phone'
import AnswerView from './AnswerView.vue'
import SchemaField from './SchemaField.vue'
import SumPicture from './SumPicture.vue'
import { branchesOf, type Schema } from './words'

/** Sums that may take longer than a keystroke go to a worker, with progress and a way to stop. */
const HEAVY = ['deck-patch', 'plan', 'panel', 'spacing', 'opening-edge', 'nest', 'old-holes']
const WAIT_MS = 250
const boats = useBoats()
const phone = usePhone()
const route = useRoute()
const router = useRouter()
const all = describeCalculators()
const words = ref('')
const list = computed(() => {
  const asked = words.value.toLowerCase().split(/\s+/).filter(Boolean)
  return CALCULATORS.filter((c) =>
    asked.every((w) => `${c.name} ${c.title} ${c.words.join(' ')}`.toLowerCase().includes(w)),
  )
})
const calc = computed(() => all.find((c) => c.name === route.params.sum) ?? all[0]!)
const schema = computed<Schema>(() => {
  const s = calc.value.input as Schema
  return branchesOf(s) ? { ...s, type: undefined } : { ...s, type: 'object' }
})
const input = shallowRef<Record<string, unknown>>({})
const answer = shallowRef<Record<string, unknown> | null>(null)
const error = ref<{ code: string; path: string; message: string } | null>(null)
const progress = ref<number | null>(null)
const copied = ref('')
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
  ) as Record<string, unknown>

let worker: Worker | null = null
let timer: ReturnType<typeof setTimeout> | undefined
function stop() {
  worker?.terminate()
  worker = null
  progress.value = null
}
onUnmounted(() => {
  stop()
  clearTimeout(timer)
})
/** What the yard measured itself counts here too, and is said. */
const replaced = ref<string[]>([])
async function work() {
  const given = JSON.parse(JSON.stringify(input.value)) as Record<string, unknown>
  const own = inputWithYard(calc.value.name, given, boats.yard)
  replaced.value = own.replaced
  Object.assign(given, own.input)
  if (!HEAVY.includes(calc.value.name)) {
    try {
      answer.value = runNamed(calc.value.name, given) as Record<string, unknown>
      error.value = null
    } catch (e) {
      if (!(e instanceof CalcError)) throw e
      error.value = { code: e.code, path: e.path, message: e.message }
    }
    return
  }
  stop()
  const mine = (worker = new Worker(new URL('../../../workers/sum-worker.ts', import.meta.url), {
    type: 'module',
  }))
  progress.value = 0
  const remote = wrap<{
    run: (
      n: string,
      i: unknown,
      t: (p: number) => void,
    ) => { answer?: unknown; error?: { code: string; path: string; message: string } }
  }>(mine)
  const got = await remote.run(
    calc.value.name,
    calc.value.name === 'deck-patch' ? { ...given, fields: true } : given,
    proxy((p: number) => mine === worker && (progress.value = p)),
  )
  if (mine !== worker) return
  stop()
  error.value = got.error ?? null
  if (got.answer) answer.value = got.answer as Record<string, unknown>
}
watch(
  () => [calc.value.name, route.query.in] as const,
  ([name, link], before) => {
    if (before && before[0] === name && link === pack(input.value)) return
    answer.value = null
    error.value = null
    try {
      input.value = typeof link === 'string' ? unpack(link) : structuredClone(EXAMPLES[name] ?? {})
    } catch {
      input.value = structuredClone(EXAMPLES[name] ?? {})
    }
    void work()
  },
  { immediate: true },
)
function change(v: unknown) {
  input.value = v as Record<string, unknown>
  clearTimeout(timer)
  timer = setTimeout(
    () => {
      void router.replace({ params: { sum: calc.value.name }, query: { in: pack(input.value) } })
      void work()
    },
    HEAVY.includes(calc.value.name) ? 2 * WAIT_MS : WAIT_MS / 2,
  )
}
async function copy(what: string, text: string) {
  await navigator.clipboard
    .writeText(text)
    .then(() => (copied.value = `${what} copied`))
    .catch(() => (copied.value = `${what} could not be copied; the browser does not allow it here`))
}
const print = () => window.print()
const here = () => `${location.origin}/reference/sums/${calc.value.name}?in=${pack(input.value)}`
const atError = computed(() =>
  error.value ? { path: error.value.path, message: error.value.message } : null,
)
const caution = cautionsFor([])[0]!
const top = computed(() => ({ ...schema.value, type: 'object' }) as Schema)
</script>

<template>
  <div class="sums">
    <div v-if="phone" class="pick-one no-print">
      <ElSelect
        :model-value="calc.name"
        filterable
        size="large"
        aria-label="Which sum"
        @update:model-value="router.push(`/reference/sums/${$event}`)"
      >
        <ElOption v-for="c in CALCULATORS" :key="c.name" :value="c.name" :label="c.title" />
      </ElSelect>
    </div>
    <aside v-else class="pick no-print">
      <label class="hidden-words" for="sum-find">Find a sum</label>
      <ElInput
        id="sum-find"
        v-model="words"
        class="entry"
        type="search"
        placeholder="how many tubes, dew point …"
      />
      <ul tabindex="0" aria-label="Sums">
        <li v-for="c in list" :key="c.name">
          <RouterLink :to="`/reference/sums/${c.name}`" :class="{ here: c.name === calc.name }">{{
            c.title
          }}</RouterLink>
        </li>
      </ul>
      <p v-if="!list.length" class="soft">No sum speaks of “{{ words }}”.</p>
    </aside>
    <section class="work" tabindex="0" :aria-label="calc.title">
      <header>
        <h1 class="title">{{ calc.title }}</h1>
        <span class="acts no-print"
          ><ElButton class="act" @click="copy('Link', here())">Copy link</ElButton
          ><ElButton
            class="act"
            @click="copy('JSON', JSON.stringify({ calculator: calc.name, input, answer }, null, 2))"
          >
            Copy JSON</ElButton
          ><ElButton class="act" @click="print">Print</ElButton></span
        >
      </header>
      <p v-if="copied" class="soft small" role="status">{{ copied }}</p>
      <div class="both">
        <form class="fields" aria-label="Given" @submit.prevent="work">
          <SchemaField
            :key="calc.name"
            :schema="top"
            :model-value="input"
            name=""
            path=""
            :units="boats.units"
            required
            :error="atError"
            @update:model-value="change"
          />
        </form>
        <div class="out">
          <p v-if="error" class="refused" role="alert">
            <strong>{{ error.path || 'This' }}:</strong> {{ error.message }}.<span v-if="answer" class="soft">
              Below stands the last answer.</span
            >
          </p>
          <p v-if="progress !== null" role="status">
            <ElProgress
              class="solving"
              :percentage="Math.round(progress * 100)"
              :show-text="false"
              aria-label="Progress"
            />
            <ElButton class="act" @click="stop">Stop</ElButton>
          </p>
          <p v-for="r in replaced" :key="r" class="small">
            <strong>{{ sayIn(r, boats.units) }}</strong>
          </p>
          <template v-if="answer"
            ><SumPicture :name="calc.name" :answer="answer" :input="input" :units="boats.units" /><AnswerView
              :answer="answer"
              :units="boats.units"
          /></template>
          <p class="soft small">{{ caution.text }}</p>
        </div>
      </div>
    </section>
  </div>
</template>

<style scoped>
.sums {
  display: grid;
  grid-template-columns: 230px minmax(0, 1fr);
  height: 100%;
  min-height: 0;
}
.pick {
  border-right: 1px solid var(--line-strong);
  padding: 14px 10px;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.pick ul {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
  overflow-y: auto;
}
.pick a {
  display: flex;
  align-items: center;
  min-height: 36px;
  padding: 3px 8px;
  color: var(--ink);
  text-decoration: none;
  font-size: 0.875rem;
  border-left: 3px solid transparent;
}
.pick a.here {
  background: var(--sheet);
  border-left-color: var(--tide);
  font-weight: 700;
}
.work {
  overflow-y: auto;
  padding: 14px 22px 40px;
}
header {
  display: flex;
  align-items: baseline;
  gap: 12px;
  flex-wrap: wrap;
  border-bottom: 1px solid var(--line-strong);
  padding-bottom: 8px;
  margin-bottom: 10px;
}
.title {
  font-size: 1.1875rem;
}
.acts {
  margin-left: auto;
  display: flex;
  gap: 8px;
}
.both {
  display: grid;
  grid-template-columns: minmax(280px, 340px) minmax(0, 1fr);
  gap: 28px;
}
.out {
  display: grid;
  gap: 12px;
  align-content: start;
  min-width: 0;
}
.refused {
  background: var(--short-ground);
  color: var(--short);
  padding: 8px 12px;
}
progress {
  width: 220px;
  accent-color: var(--tide);
  vertical-align: middle;
}
@media (max-width: 767px) {
  .sums {
    display: block;
    height: auto;
  }
  .pick-one {
    padding: 12px 14px 0;
  }
  .work {
    padding: 12px 14px 30px;
    overflow: visible;
  }
  .acts {
    margin-left: 0;
    flex-wrap: wrap;
  }
  .both {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
