<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import dayjs from 'dayjs'
import { WEEKDAYS, WEEKDAY_SAID, stepNamed, type Weekday, type YardFitter } from '@north-tide/core'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import RowTable from '../../pieces/RowTable.vue'
import { usePlan, type ShownFitter } from '../../state/plan'

/** Who works when, who is away, and how long the steps take in this yard. */
const yard = usePlan()
const { said, path, busy, attempt } = useAttempt()
const fitters = computed(() => yard.view?.fitters ?? [])
const may = computed(() => yard.view?.may.hours ?? false)
const opened = ref<number | 'new' | null>(null)
const form = reactive({ name: '', hours: {} as Record<string, string>, away: '' })
const span = (s: [string, string]) => `${s[0]}-${s[1]}`
const said1 = (f: YardFitter, d: Weekday) => (f.hours[d] ?? []).map((s) => s.join('–')).join(', ') || '–'
function edit(f: ShownFitter | null) {
  opened.value = f?.id ?? 'new'
  form.name = f?.name ?? ''
  form.hours = Object.fromEntries(WEEKDAYS.map((d) => [d, f ? (f.hours[d] ?? []).map(span).join(', ') : '']))
  form.away = (f?.away ?? []).map((a) => `${a.from} ${a.to} ${a.why}`.trim()).join('\n')
}
/** As it is typed: 08:00-12:00, 13:00-17:00. */
function hoursTyped(): YardFitter['hours'] {
  return Object.fromEntries(
    WEEKDAYS.flatMap((d) => {
      const spans = (form.hours[d] ?? '')
        .split(',')
        .map((s) => s.trim().split(/\s*[-\u2013]\s*/))
        .filter((s) => s.join(''))
        .map((s) => [s[0] ?? '', s[1] ?? ''] as [string, string])
      return spans.length ? [[d, spans]] : []
    }),
  )
}
const awayTyped = () =>
  form.away
    .split('\n')
    .map((l) => l.trim().split(/\s+/))
    .filter((l) => l[0])
    .map(([from, to, ...why]) => ({ from: from!, to: to ?? from!, why: why.join(' ') }))
async function keep() {
  const f = fitters.value.find((x) => x.id === opened.value)
  const body = { name: form.name.trim(), hours: hoursTyped(), away: awayTyped() }
  const ok = await attempt(() =>
    f ? api('PUT', `/fitters/${f.id}`, { ...body, version: f.version }) : api('POST', '/fitters', body),
  )
  if (!ok) return
  opened.value = null
  await yard.load()
}
async function remove(f: ShownFitter) {
  if (await attempt(() => api('DELETE', `/fitters/${f.id}`))) {
    opened.value = null
    await yard.load()
  }
}
const day = (d: string) => dayjs(d).format('D MMM')
const away = (f: YardFitter) =>
  f.away
    .map((a) => `${day(a.from)}${a.to === a.from ? '' : ` to ${day(a.to)}`}${a.why ? `, ${a.why}` : ''}`)
    .join('; ')
const ENOUGH = 5
</script>

<template>
  <section class="people" aria-label="People">
    <p v-if="said" class="bad" role="alert">{{ said }}</p>
    <div class="wide">
      <RowTable
        label="Who works when"
        :columns="[
          { key: 'name', title: 'Name' },
          ...WEEKDAYS.map((d) => ({ key: d, title: WEEKDAY_SAID[d], class: 'small figure' })),
          { key: 'away', title: 'Away', class: 'small' },
          { key: 'act' },
        ]"
        :rows="fitters"
        :known="(f) => f.id"
        empty="Nobody’s hours are set: the yard’s accounts are taken at eight to five on weekdays."
      >
        <template v-for="d in WEEKDAYS" :key="d" #[d]="{ row: f }">{{ said1(f, d) }}</template>
        <template #away="{ row: f }">{{ away(f) }}</template>
        <template #act="{ row: f }"
          ><ElButton v-if="may" class="act small" :aria-label="`Hours of ${f.name}`" @click="edit(f)"
            >Change</ElButton
          ></template
        >
      </RowTable>
    </div>
    <ElButton v-if="may && opened === null" class="act" @click="edit(null)"
      >Somebody else works here</ElButton
    >
    <p v-if="!may" class="soft small">Who works when is kept by the manager.</p>
    <form v-if="opened !== null" class="new" aria-label="Hours" @submit.prevent="keep">
      <label
        >Name<ElInput v-model="form.name" class="entry" :class="{ bad: path === 'name' }" maxlength="80"
      /></label>
      <label v-for="d in WEEKDAYS" :key="d"
        >{{ WEEKDAY_SAID[d]
        }}<ElInput
          v-model="form.hours[d]"
          class="entry"
          :class="{ bad: path.startsWith(`hours.${d}`) }"
          placeholder="08:00-12:00, 13:00-17:00"
      /></label>
      <label class="long"
        >Away, a line each: first day, last day, why<ElInput
          v-model="form.away"
          type="textarea"
          :autosize="{ minRows: 2 }"
          class="entry"
          :class="{ bad: path.startsWith('away') }"
          placeholder="2027-05-10 2027-05-14 holiday"
      /></label>
      <div class="acts long">
        <ElButton class="act main" native-type="submit" :disabled="busy || !form.name.trim()"
          >Keep it</ElButton
        >
        <ElButton class="act" @click="opened = null">Leave it</ElButton>
        <ElButton
          v-if="fitters.some((f) => f.id === opened)"
          class="act"
          @click="remove(fitters.find((f) => f.id === opened)!)"
          >Works here no longer</ElButton
        >
      </div>
    </form>
    <template v-if="yard.view?.own.length">
      <h2>Minutes of this yard</h2>
      <p class="soft small">
        What was said with the ticks. From {{ ENOUGH }} of a kind on, the middle one is what is planned with.
      </p>
      <RowTable
        label="Minutes of this yard"
        :columns="[
          { key: 'step', title: 'Step' },
          { key: 'kind', title: 'Of' },
          { key: 'minutes', title: 'Minutes', number: true },
          { key: 'times', title: 'Times', number: true },
          { key: 'counts', title: 'Planned with' },
        ]"
        :rows="yard.view.own"
        :known="(o) => `${o.kind} ${o.step}`"
      >
        <template #step="{ row: o }">{{ stepNamed(o.step) }}</template>
        <template #kind="{ row: o }">{{ o.kind.replace('-', ' ') }}</template>
        <template #counts="{ row: o }">{{
          o.times >= ENOUGH ? 'this' : `the typical, until ${ENOUGH}`
        }}</template>
      </RowTable>
    </template>
  </section>
</template>

<style scoped>
.people {
  display: grid;
  gap: 12px;
  justify-items: start;
}
.wide {
  width: 100%;
  overflow-x: auto;
}
.new {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 220px), 1fr));
  gap: 8px 14px;
  width: 100%;
}
.new label {
  display: grid;
  gap: 2px;
}
.long {
  grid-column: 1 / -1;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
h2 {
  font-size: 1rem;
}
.bad {
  color: var(--short);
}
</style>
