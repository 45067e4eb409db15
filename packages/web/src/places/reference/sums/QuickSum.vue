<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { cautionsFor, sayIn, turnsToDesign } from '@north-tide/core'
import { SUMS, SUM_GROUPS } from '@north-tide/core/sums'
import { pathWords } from '@north-tide/core/words'
import PickOne from '../../../pieces/PickOne.vue'
import { useBoats } from '../../../state/boats'
import { usePhone } from '../../../state/phone'
import AnswerView from './AnswerView.vue'
import SchemaField from './SchemaField.vue'
import SumPicture from './SumPicture.vue'
import { useSum } from './use-sum'

const boats = useBoats()
const phone = usePhone()
const router = useRouter()
const words = ref('')
const list = computed(() => {
  const asked = words.value.toLowerCase().split(/\s+/).filter(Boolean)
  return SUMS.filter((c) =>
    asked.every((w) => `${c.name} ${c.title} ${c.words.join(' ')}`.toLowerCase().includes(w)),
  )
})
const { entry, schema, input, answer, error, replaced, progress, stop, work, change, link } = useSum()
const copied = ref('')
async function copy(what: string, text: string) {
  await navigator.clipboard
    .writeText(text)
    .then(() => (copied.value = `${what} copied`))
    .catch(() => (copied.value = `${what} could not be copied; the browser does not allow it here`))
}
const asJson = () =>
  JSON.stringify({ calculator: entry.value.name, input: input.value, answer: answer.value }, null, 2)
const print = () => window.print()
const atError = computed(() =>
  error.value ? { path: error.value.path, message: error.value.message } : null,
)
const caution = cautionsFor([])[0]!
/** Fittings of this boat that what was worked out here can be put into. */
const fittings = computed(() =>
  turnsToDesign(entry.value.name)
    ? (boats.picture?.fittings ?? []).map((f) => ({ value: f.id, title: f.name }))
    : [],
)
/** The bench takes it as one change of its own, so that it can be undone there. */
const useOn = (id: string) =>
  router.push({
    path: `/bench/${id}`,
    state: {
      fromSum: { sum: entry.value.name, title: entry.value.title, given: JSON.stringify(input.value) },
    },
  })
</script>

<template>
  <div class="sums">
    <div v-if="phone" class="pick-one no-print">
      <ElSelect
        :model-value="entry.name"
        filterable
        size="large"
        aria-label="Which sum"
        @update:model-value="router.push(`/reference/sums/${$event}`)"
      >
        <ElOption v-for="c in SUMS" :key="c.name" :value="c.name" :label="c.title" />
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
          <RouterLink :to="`/reference/sums/${c.name}`" :class="{ here: c.name === entry.name }">{{
            c.title
          }}</RouterLink>
        </li>
      </ul>
      <p v-if="!list.length" class="soft">No sum speaks of “{{ words }}”.</p>
    </aside>
    <section class="work" tabindex="0" :aria-label="entry.title">
      <header>
        <h1 class="title">{{ entry.title }}</h1>
        <span class="acts no-print"
          ><ElButton class="act" @click="copy('Link', link())">Copy link</ElButton
          ><ElButton class="act" @click="copy('JSON', asJson())">Copy JSON</ElButton
          ><ElButton class="act" @click="print">Print</ElButton></span
        >
      </header>
      <p v-if="copied" class="soft small" role="status">{{ copied }}</p>
      <div class="both">
        <form class="fields" aria-label="Given" @submit.prevent="work">
          <p v-if="!schema" class="soft" role="status">Fetching this sum …</p>
          <SchemaField
            v-else
            :key="entry.name"
            :schema="schema"
            :layout="SUM_GROUPS[entry.name]"
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
            <strong>{{ pathWords(error.path) || 'This' }}:</strong> {{ error.message }}.<span
              v-if="answer"
              class="soft"
            >
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
          <div v-if="fittings.length" class="use no-print">
            <span>Use this on the bench of</span>
            <PickOne
              label="Use this on the bench of"
              :model-value="null"
              :options="fittings"
              :disabled="error !== null"
              @update:model-value="useOn"
            />
          </div>
          <p v-for="r in replaced" :key="r" class="small">
            <strong>{{ sayIn(r, boats.units) }}</strong>
          </p>
          <template v-if="answer"
            ><SumPicture :name="entry.name" :answer="answer" :input="input" :units="boats.units" /><AnswerView
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
.use {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.use > :last-child {
  flex: 0 1 260px;
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
