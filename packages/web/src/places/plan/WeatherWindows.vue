<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import dayjs from 'dayjs'
import { formatTemperature, type WeatherHour, type WeatherStrip } from '@north-tide/core'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import DimensionField from '../../pieces/DimensionField.vue'
import PickOne from '../../pieces/PickOne.vue'
import VerdictSign from '../../pieces/VerdictSign.vue'
import { useBoats } from '../../state/boats'
import { usePlan } from '../../state/plan'

/** By the hour: when bonding, paint and work aloft may go on, and the heat that would let them. */
const props = defineProps<{ saidAt: string; hours: WeatherHour[] }>()
const yard = usePlan()
const boats = useBoats()
const { said, path, busy, attempt } = useAttempt()
const strip = ref<WeatherStrip | null>(null)
const form = reactive({
  day: '',
  from: 8,
  to: 17,
  targetC: 15 as number | null,
  areaM2: 20 as number | null,
  volumeM3: 15 as number | null,
  build: 'film',
  heater: 'electric',
})
const heating = ref(false)
const clock = (h: number) => `${String(h).padStart(2, '0')}:00`
const heat = () => ({
  from: `${form.day}T${clock(form.from)}`,
  to: `${form.day}T${clock(form.to)}`,
  targetC: form.targetC,
  areaM2: form.areaM2,
  volumeM3: form.volumeM3 ?? 0,
  build: form.build,
  heater: form.heater,
})
const ask = () =>
  attempt(async () => {
    strip.value = await api<WeatherStrip | null>('POST', '/weather/windows', {
      cover: yard.plan?.ask.cover ?? 'open',
      ...(heating.value ? { heat: heat() } : {}),
    })
  })
watch(() => [props.saidAt, props.hours.length, yard.plan?.id], ask, { immediate: true })
const days = computed(() => strip.value?.works[0]?.days.map((d) => d.day) ?? [])
/** Days whose working hours lie whole in the forecast. */
const whole = computed(() => {
  const at = new Set(props.hours.map((h) => h.at))
  return [...new Set(props.hours.map((h) => h.at.slice(0, 10)))]
    .filter((d) => at.has(`${d}T08:00`) && at.has(`${d}T16:00`))
    .map((value) => ({ value, title: dayjs(value).format('ddd D MMM') }))
})
watch(whole, (w) => (form.day ||= w[0]?.value ?? ''), { immediate: true })
const FROM = 8
const HOURS = 9
const bars = (d: WeatherStrip['works'][number]['days'][number]) =>
  d.windows.map((w) => {
    const h = (t: string) => Number(t.slice(0, 2)) - FROM
    return { x: h(w.from), w: Math.max(0.2, h(w.to) - h(w.from)) }
  })
const saidOf = (d: WeatherStrip['works'][number]['days'][number]) =>
  d.windows.length
    ? d.windows.map((w) => `${w.from.slice(0, 2)}\u2013${w.to.slice(0, 2)}`).join(', ')
    : d.why || 'none'
const BUILDS = [
  { value: 'film', title: 'one film' },
  { value: 'double-film', title: 'double film' },
  { value: 'board', title: 'board' },
  { value: 'blanket', title: 'a blanket' },
]
const HEATERS = [
  { value: 'electric', title: 'electric' },
  { value: 'ducted', title: 'ducted, burnt outside' },
  { value: 'open-flame', title: 'an open flame' },
]
const at = (p: string) => (path.value === `heat.${p}` ? said.value : '')
async function work() {
  heating.value = true
  await ask()
}
</script>

<template>
  <section class="windows" aria-label="Hours to work in">
    <h2>Hours to work in</h2>
    <p v-if="said && !path" class="bad" role="alert">{{ said }}</p>
    <div v-if="strip" class="wide">
      <table aria-label="Hours to work in, by day">
        <thead>
          <tr>
            <td></td>
            <th v-for="d in days" :key="d" scope="col">{{ dayjs(d).format('ddd D') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="w in strip.works" :key="w.id">
            <th scope="row">{{ w.title }}</th>
            <td v-for="d in w.days" :key="d.day">
              <svg :viewBox="`0 0 ${HOURS} 2`" preserveAspectRatio="none" aria-hidden="true">
                <rect x="0" y="1.7" :width="HOURS" height="0.3" class="floor" />
                <rect v-for="b in bars(d)" :key="b.x" :x="b.x" y="0" :width="b.w" height="1.7" class="good" />
              </svg>
              <span class="small" :class="{ none: !d.windows.length }">{{ saidOf(d) }}</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <ElForm
      label-position="top"
      class="heat no-print"
      aria-label="What heat would take"
      @submit.prevent="work"
    >
      <h3>What heat would take</h3>
      <ElFormItem label="Day"><PickOne v-model="form.day" label="Day" :options="whole" /></ElFormItem>
      <ElFormItem label="From" for="heat-from" :error="at('from')"
        ><ElInputNumber id="heat-from" v-model="form.from" :min="0" :max="23"
      /></ElFormItem>
      <ElFormItem label="To" for="heat-to" :error="at('to')"
        ><ElInputNumber id="heat-to" v-model="form.to" :min="1" :max="23"
      /></ElFormItem>
      <DimensionField v-model="form.targetC" label="Held at" kind="temperature" :units="boats.units" />
      <DimensionField
        v-model="form.areaM2"
        label="Cover, m²"
        kind="number"
        unit="m²"
        :units="boats.units"
        above
      />
      <DimensionField
        v-model="form.volumeM3"
        label="Air in it, m³"
        kind="number"
        unit="m³"
        :units="boats.units"
      />
      <ElFormItem label="Of"><PickOne v-model="form.build" label="Of" :options="BUILDS" /></ElFormItem>
      <ElFormItem label="Heater"
        ><PickOne v-model="form.heater" label="Heater" :options="HEATERS"
      /></ElFormItem>
      <ElButton class="act" native-type="submit" :disabled="busy || !form.day">Work it out</ElButton>
    </ElForm>
    <p v-if="strip?.heat" role="status" class="took">
      <VerdictSign :verdict="strip.heat.verdict" :size="12" />
      <span>
        <strong>{{ (strip.heat.peakW / 1000).toFixed(1) }} kW</strong> at most,
        {{ strip.heat.energyKWh.toFixed(1) }} kWh in all, to hold
        {{ formatTemperature(form.targetC ?? 0, boats.units) }}; {{ strip.heat.marginK.toFixed(1) }} K over
        the dew point.
        <template v-if="strip.heat.codes.includes('dew-point')"
          >Less than 3 K: heated air keeps its water. Dry it, or hold it warmer.</template
        >
        <template v-if="strip.heat.codes.includes('open-flame')"
          >Never an open flame in a tent or a closed boat: fire, carbon monoxide, and 1.6 kg of water from
          each kilo of gas.</template
        >
      </span>
    </p>
  </section>
</template>

<style scoped>
.windows {
  display: grid;
  gap: 8px;
  min-width: 0;
}
h2 {
  font-size: 1.05rem;
}
h3 {
  font-size: 0.95rem;
  grid-column: 1 / -1;
}
.wide {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  min-width: 640px;
  width: 100%;
  table-layout: fixed;
}
th,
td {
  text-align: left;
  vertical-align: top;
  padding: 4px 8px 4px 0;
  border-bottom: 1px solid var(--line);
}
svg {
  display: block;
  width: 100%;
  height: 14px;
}
.good {
  fill: var(--tide);
}
.floor {
  fill: var(--line-strong);
}
.none {
  color: var(--buoy);
}
.heat {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 150px), 1fr));
  gap: 2px 14px;
  align-items: end;
}
.took {
  display: flex;
  gap: 8px;
  align-items: baseline;
}
.bad {
  color: var(--short);
}
</style>
