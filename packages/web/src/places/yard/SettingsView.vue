<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import dayjs from 'dayjs'
import { DATE_LANGUAGES, DATE_LANGUAGE_NAMES, QUESTIONS, schoolNamed, stepNamed } from '@north-tide/core'
import { api } from '../../api'
import { useBoats } from '../../state/boats'
import { datesIn, writeAs } from '../../state/ways'
import { useSession } from '../../state/session'
import { useAttempt } from '../../pieces/attempt'
import { readJson } from '../../pieces/files'
import ReadFile from '../../pieces/ReadFile.vue'
import PickOne from '../../pieces/PickOne.vue'
import RowTable from '../../pieces/RowTable.vue'
import type { Ways } from '../../types'

/** What the yard set for itself, in one place: habits, own values, minutes, prices; one file out and in. */
interface OwnValue {
  kind: string
  material: string
  field: string
  value: number
  reason: string
  measuredBy: string
}
interface Settings {
  madeAt: string
  habits: Record<string, string>
  values: OwnValue[]
  prices: { currency: string; hourCents: number | null; ownersSee: boolean }
  minutes: { kind: string; step: string; minutes: number; times: number }[]
}
const boats = useBoats()
const session = useSession()
const { said, busy, attempt } = useAttempt()
const now = ref<Settings | null>(null)
const done = ref('')
const load = () => attempt(async () => (now.value = await api<Settings>('GET', '/yard/settings')))
const ways = ref<Ways | null>(null)
const PAPER = [
  { value: 'A4' as const, title: 'A4' },
  { value: 'letter' as const, title: 'letter' },
]
const UNITS = [
  { value: 'metric' as const, title: 'metric' },
  { value: 'inch' as const, title: 'inches and pounds' },
]
const DATES = DATE_LANGUAGES.map((value) => ({ value, title: DATE_LANGUAGE_NAMES[value] }))
onMounted(load)
onMounted(() => attempt(async () => (ways.value = await api<Ways>('GET', '/yard/ways'))))
/** Taken as it is chosen; refused, it stands as it stood. */
const choose = (part: Partial<Ways>) =>
  attempt(async () => {
    const now = await api<Ways>('PUT', '/yard/ways', { ...ways.value, ...part })
    ways.value = now
    await writeAs(now)
  })
const habits = computed(() =>
  QUESTIONS.flatMap((q) => {
    const school = now.value?.habits[q.id]
    return school ? [{ id: q.id, question: q.question, school: schoolNamed(school)?.choice ?? school }] : []
  }),
)
/** Today, as it is written now. */
const example = computed(() => dayjs().locale(datesIn.value).format('dddd D MMMM YYYY'))
/** So many ticks that said how long it took, and the yard's own minutes count in its plans. */
const ENOUGH = 5
const hour = computed(() => {
  const p = now.value?.prices
  return p?.hourCents == null
    ? 'Hours are not priced'
    : `${p.currency} ${(p.hourCents / 100).toFixed(2)} an hour`
})
const take = (f: File) =>
  attempt(async () => {
    done.value = ''
    const raw = await readJson(f, 'a file of settings')
    const got = await api<{ habits: number; values: number }>('POST', '/yard/settings', raw)
    now.value = await api<Settings>('GET', '/yard/settings')
    await boats.loadYard()
    ways.value = await api<Ways>('GET', '/yard/ways')
    await writeAs(ways.value)
    done.value = `Taken over: ${got.habits} habits, ${got.values} values, the prices. What hangs on them is judged anew.`
  })
</script>

<template>
  <section aria-label="Settings of the yard">
    <p v-if="said" class="bad" role="alert">{{ said }}</p>
    <p v-if="done" role="status">{{ done }}</p>
    <ElSkeleton v-if="!now && !said" :rows="6" animated />
    <template v-if="now">
      <p class="acts">
        <a class="act" href="/api/yard/settings.json" download>Take them along</a>
        <ReadFile
          v-if="session.may('prices')"
          accept=".json,application/json"
          words="Read a file of settings"
          :disabled="busy"
          @file="take"
        />
      </p>
      <h2>How it writes</h2>
      <template v-if="ways">
        <form v-if="session.may('prices')" class="ways" aria-label="How the yard writes" @submit.prevent>
          <label
            >Paper<PickOne
              :model-value="ways.paper"
              label="Paper"
              :options="PAPER"
              @update:model-value="choose({ paper: $event })"
          /></label>
          <label
            >A new boat is in<PickOne
              :model-value="ways.units"
              label="Units of a new boat"
              :options="UNITS"
              @update:model-value="choose({ units: $event })"
          /></label>
          <label
            >Days and months in<PickOne
              :model-value="ways.dates"
              label="Language of dates"
              :options="DATES"
              @update:model-value="choose({ dates: $event })"
          /></label>
          <span class="soft small">{{ example }}</span>
        </form>
        <p v-else>
          On {{ ways.paper }}; a new boat in {{ ways.units }}; days and months in
          {{ DATE_LANGUAGE_NAMES[ways.dates] }}.
        </p>
      </template>
      <h2>Habits</h2>
      <p class="soft small">
        Which of the schools a new fitting begins with; said on the bench, under Schools.
      </p>
      <RowTable
        label="Habits"
        :columns="[
          { key: 'question', title: 'Of' },
          { key: 'school', title: 'This yard' },
        ]"
        :rows="habits"
        :known="(h) => h.id"
        empty="None: every fitting begins as its own case wants it."
      />
      <h2>Values of its own</h2>
      <p class="soft small">
        Measured here, in place of the table’s; kept under
        <RouterLink to="/reference/laminates">Reference</RouterLink>.
      </p>
      <RowTable
        label="Values of its own"
        :columns="[
          { key: 'material', title: 'Material' },
          { key: 'field', title: 'What' },
          { key: 'value', title: 'Is', class: 'figure' },
          { key: 'reason', title: 'How it was measured' },
          { key: 'measuredBy', title: 'By', class: 'small' },
        ]"
        :rows="now.values"
        :known="(v) => v.kind + v.material + v.field"
        empty="None yet: every value is the table’s."
      />
      <h2>Minutes</h2>
      <p class="soft small">
        What a step takes in this yard, by its ticks; from {{ ENOUGH }} of a kind on it counts in the plan.
      </p>
      <RowTable
        label="Minutes"
        :columns="[
          { key: 'step', title: 'Step' },
          { key: 'minutes', title: 'Minutes', class: 'figure' },
          { key: 'times', title: 'Times', class: 'figure' },
          { key: 'counts', title: '', class: 'small' },
        ]"
        :rows="now.minutes"
        :known="(m) => m.kind + m.step"
        empty="No tick has said yet how long it took."
      >
        <template #step="{ row: m }">{{ stepNamed(m.step) }}</template>
        <template #counts="{ row: m }">{{ m.times >= ENOUGH ? 'counts' : 'too few yet' }}</template>
      </RowTable>
      <h2>Prices</h2>
      <p>
        {{ hour }}; an owner {{ now.prices.ownersSee ? 'sees' : 'does not see' }} what his boat costs. Changed
        under <RouterLink to="/stores?view=costs">Stores</RouterLink>.
      </p>
      <p class="soft small">As of {{ dayjs(now.madeAt).format('D MMM YYYY, HH:mm') }}.</p>
    </template>
  </section>
</template>

<style scoped>
h2 {
  font-size: 1.05rem;
  padding-top: 16px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 24px;
}
.ways label {
  display: flex;
  align-items: center;
  gap: 8px;
}
.bad {
  color: var(--short);
}
</style>
