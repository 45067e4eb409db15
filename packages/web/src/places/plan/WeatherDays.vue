<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import dayjs from 'dayjs'
import { formatTemperature } from '@north-tide/core'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import DimensionField from '../../pieces/DimensionField.vue'
import ReadFile from '../../pieces/ReadFile.vue'
import RowTable from '../../pieces/RowTable.vue'
import { useBoats } from '../../state/boats'
import { usePlan } from '../../state/plan'
import { useSession } from '../../state/session'
import WeatherWindows from './WeatherWindows.vue'

/** What the weather is to be, by whom it was said, and what was read instead. */
const yard = usePlan()
const boats = useBoats()
const session = useSession()
const { said, busy, attempt } = useAttempt()
const weather = computed(() => yard.view?.weather ?? null)
const done = ref('')
const days = computed(() => {
  const by = new Map<string, NonNullable<typeof weather.value>['hours']>()
  for (const h of weather.value?.hours ?? [])
    by.set(h.at.slice(0, 10), [...(by.get(h.at.slice(0, 10)) ?? []), h])
  return [...by].map(([day, hours]) => ({
    day,
    low: Math.min(...hours.map((h) => h.airC)),
    high: Math.max(...hours.map((h) => h.airC)),
    rain: hours.reduce((s, h) => s + h.rainMm, 0),
    wind: Math.max(...hours.map((h) => h.windMs)),
    read: hours.filter((h) => h.measured).length,
    bad: yard.plan?.ask.badDays.includes(day) ?? false,
  }))
})
async function act(what: (key: string) => Promise<unknown>, words: string) {
  done.value = ''
  if (await attempt(what)) {
    done.value = words
    await yard.load()
  }
}
const file = async (f: File) => {
  const csv = await f.text()
  await act((key) => api('POST', '/weather/csv', { csv }, key), 'The forecast was read.')
}
const simulate = () =>
  act((key) => api('POST', '/weather/simulated', {}, key), 'A simulated forecast was taken.')
const form = reactive({ airC: null as number | null, humidityPct: null as number | null })
async function reading() {
  await act(
    (key) => api('POST', '/weather/readings', { airC: form.airC, humidityPct: form.humidityPct }, key),
    'The reading counts before the forecast of this hour.',
  )
  Object.assign(form, { airC: null, humidityPct: null })
}
const celsius = (c: number) => formatTemperature(Math.round(c * 10) / 10, boats.units)
</script>

<template>
  <section class="weather" aria-label="Weather">
    <p v-if="weather">
      By {{ weather.source }}, {{ dayjs(weather.saidAt).format('D MMM YYYY, HH:mm')
      }}<template v-if="yard.plan"
        >; the plan takes the boats
        {{ { open: 'in the open', roof: 'under a roof', tent: 'in a tent' }[yard.plan.ask.cover] }}</template
      >.
    </p>
    <p v-else>No forecast was given: every day is taken as fit to bond.</p>
    <p v-if="said" class="bad" role="alert">{{ said }}</p>
    <p v-if="done" role="status">{{ done }}</p>
    <RowTable
      v-if="days.length"
      label="Days of the forecast"
      :columns="[
        { key: 'day', title: 'Day' },
        { key: 'air', title: 'Air', number: true },
        { key: 'rain', title: 'Rain', number: true },
        { key: 'wind', title: 'Wind, most', number: true },
        { key: 'fit', title: 'To bond' },
        { key: 'read', title: 'Read', number: true },
      ]"
      :rows="days"
      :known="(d) => d.day"
    >
      <template #day="{ row: d }">{{ dayjs(d.day).format('ddd D MMM') }}</template>
      <template #air="{ row: d }">{{ celsius(d.low) }} to {{ celsius(d.high) }}</template>
      <template #rain="{ row: d }">{{ d.rain ? `${d.rain.toFixed(1)} mm` : 'none' }}</template>
      <template #wind="{ row: d }">{{ d.wind.toFixed(0) }} m/s</template>
      <template #fit="{ row: d }"
        ><strong v-if="d.bad" class="cold">not fit</strong><template v-else>fit</template></template
      >
      <template #read="{ row: d }">{{ d.read ? `${d.read} h` : '' }}</template>
    </RowTable>
    <WeatherWindows
      v-if="weather && session.may('stores')"
      :said-at="weather.saidAt"
      :hours="weather.hours"
    />
    <div v-if="yard.view?.may.plan" class="acts">
      <ReadFile accept=".csv,text/csv" words="Read a forecast" @file="file" />
      <ElButton class="act" :disabled="busy" @click="simulate">Take a simulated one</ElButton>
    </div>
    <p class="soft small">
      A forecast is a table with a row an hour: at, airC, humidityPct, windMs, rainMm, sun, cloud.
    </p>
    <form class="reading" aria-label="Read now" @submit.prevent="reading">
      <DimensionField
        v-model="form.airC"
        label="Air, read now"
        kind="temperature"
        :units="boats.units"
        :least="-30"
        :most="60"
        optional
      />
      <DimensionField
        v-model="form.humidityPct"
        label="Humidity"
        kind="number"
        unit="%"
        :units="boats.units"
        :least="0"
        :most="100"
        optional
      />
      <ElButton
        class="act"
        native-type="submit"
        :disabled="busy || form.airC === null || form.humidityPct === null"
        >Keep the reading</ElButton
      >
    </form>
  </section>
</template>

<style scoped>
.weather {
  display: grid;
  gap: 10px;
  max-width: 940px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.reading {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: end;
}
.cold {
  color: var(--buoy);
}
.bad {
  color: var(--short);
}
</style>
