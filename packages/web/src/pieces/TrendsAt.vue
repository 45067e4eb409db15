<script setup lang="ts">
import { defineAsyncComponent, reactive, ref, watch } from 'vue'
import dayjs from 'dayjs'
import { TREND_SAID, READ_KINDS, type Followed, type ReadKind } from '@north-tide/core'
import { api } from '../api'
import { useBoats } from '../state/boats'
import { useAttempt } from './attempt'
import DimensionField from './DimensionField.vue'
import PickOne from './PickOne.vue'
import VerdictSign from './VerdictSign.vue'
import WhenField from './WhenField.vue'

/** What is read again and again, beside the thing itself: where it is going, and one more reading. */
const TrendChart = defineAsyncComponent(() => import('./TrendChart.vue'))
const props = defineProps<{
  boat: string
  at: string[]
  /** takes one more; null: it is only looked at */
  read: ((body: object) => Promise<unknown>) | null
}>()
const boats = useBoats()
const { said, busy, attempt } = useAttempt()
const series = ref<Followed[]>([])
const drawn = ref('')
const load = () =>
  attempt(async () => {
    const at = encodeURIComponent(props.at.join(','))
    series.value = (await api<{ series: Followed[] }>('GET', `/boats/${props.boat}/trends?at=${at}`)).series
  })
watch(() => props.at.join(), load, { immediate: true })
const form = reactive({ what: 'gap' as ReadKind, value: null as number | null, on: '' })
const WHAT = READ_KINDS.map((value) => ({ value, title: TREND_SAID[value].title }))
const take = () =>
  attempt(async () => {
    const { title, unit, digits } = TREND_SAID[form.what]
    await props.read!({
      kind: 'look',
      note: `${title} read: ${form.value!.toFixed(digits)} ${unit}`,
      read: { what: form.what, value: form.value },
      ...(form.on ? { at: dayjs(form.on).hour(12).toISOString() } : {}),
    })
    form.value = null
    form.on = ''
    await load()
  })
const written = (s: Followed, value: number) => value.toFixed(s.digits).replace('-', '\u2212')
const figure = (s: Followed) => `${written(s, s.points.at(-1)!.value)} ${s.unit}`
const day = (d: string) => dayjs(d).format('D MMM YYYY')
</script>

<template>
  <section v-if="series.length || read" class="trends" aria-label="Read again and again">
    <h3>Read again and again</h3>
    <ul v-if="series.length">
      <li v-for="s in series" :key="s.id">
        <p>
          <VerdictSign :verdict="s.verdict" :size="12" />
          <strong>{{ s.title }}</strong> {{ figure(s) }}
          <span class="soft small">
            {{ s.spot ? `${s.spot}, ` : '' }}{{ day(s.points.at(-1)!.date) }}, {{ s.points.length }}
            {{ s.points.length === 1 ? 'look' : 'looks' }}</span
          >
        </p>
        <p v-if="s.todo" class="small" :class="{ bad: s.suspect }">{{ s.todo }}</p>
        <p v-if="s.reaches" class="small">By its line {{ s.limit }} {{ s.unit }} on {{ day(s.reaches) }}.</p>
        <template v-if="s.points.length > 1">
          <ElButton
            class="plain small"
            :aria-expanded="drawn === s.id"
            @click="drawn = drawn === s.id ? '' : s.id"
            >{{ drawn === s.id ? 'Hide its line' : 'Its line' }}</ElButton
          >
          <template v-if="drawn === s.id">
            <TrendChart :series="s" />
            <p class="small figure">
              {{ s.points.map((p) => `${day(p.date)} ${written(s, p.value)}`).join('; ') }}
            </p>
          </template>
        </template>
      </li>
    </ul>
    <form v-if="read" class="one-more" aria-label="One more reading" @submit.prevent="take">
      <label class="small">Read<PickOne v-model="form.what" label="What was read" :options="WHAT" /></label>
      <DimensionField
        v-model="form.value"
        :label="form.what === 'torque' ? 'Left of what it was set to' : 'Figure'"
        :kind="form.what === 'torque' ? 'number' : 'length'"
        :unit="form.what === 'torque' ? '%' : ''"
        :units="boats.units"
        :least="0"
        :most="form.what === 'torque' ? 100 : 1000"
        optional
      />
      <WhenField v-model="form.on" class="small" label="Day, if not today" kind="date" />
      <ElButton class="act" native-type="submit" :disabled="form.value === null || busy">Take it</ElButton>
    </form>
    <p v-if="said" class="bad small" role="alert">{{ said }}</p>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
}
li {
  padding: 4px 0 6px;
  border-bottom: 1px solid var(--line);
}
.one-more {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: end;
  padding: 6px 0;
}
.one-more label {
  display: grid;
  gap: 2px;
}
.bad {
  color: var(--short);
}
</style>
