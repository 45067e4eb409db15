<script setup lang="ts">
import { computed, reactive } from 'vue'
import dayjs from 'dayjs'
import { formatLength } from '@north-tide/core'
import { SIGHTED_BY } from '@north-tide/core/rig'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import RowTable from '../../pieces/RowTable.vue'
import WhenField from '../../pieces/WhenField.vue'
import { useBoats } from '../../state/boats'
import { useRig } from '../../state/rig'

/** Each time that somebody sighted along it, what it said, and what the jig's screws are turned now. */
const bench = useRig()
const boats = useBoats()
const d = computed(() => bench.design!.set!)
const j = computed(() => bench.judgement!.set!)
const empty = () => ({
  atMm: null as number | null,
  dxMm: null as number | null,
  dyMm: null as number | null,
})
const form = reactive({
  date: dayjs().format('YYYY-MM-DD'),
  by: 'laser' as (typeof SIGHTED_BY)[number],
  near: empty(),
  far: empty(),
})
type Typed = ReturnType<typeof empty>
const whole = (r: Typed) => r.atMm !== null && r.dxMm !== null && r.dyMm !== null
const begun = (r: Typed) => r.atMm !== null || r.dxMm !== null || r.dyMm !== null
const ready = computed(() => form.date && whole(form.near) && (!begun(form.far) || whole(form.far)))
function add() {
  if (!ready.value) return
  const readings = [form.near, form.far].filter(whole).map((r) => ({ ...r }))
  // By its own place: each sighting is a step that is undone by itself.
  bench.change({
    [`set.sights.${d.value.sights.length}`]: { date: form.date, by: form.by, readings, readingMm: 0.5 },
  })
  Object.assign(form, { near: empty(), far: empty() })
}
const drop = (i: number) => bench.change({ 'set.sights': d.value.sights.filter((_, k) => k !== i) })
const arc = (v: number) => `${Math.round(v)}\u2033`
const rows = computed(() => d.value.sights.map((s, i) => ({ ...s, said: j.value.sights[i] ?? null })))
const turned = (t: number) =>
  t === 0 ? 'stays' : `${Math.abs(t)} ${t > 0 ? 'towards the target' : 'away from it'}`
const FIELDS = [
  ['near', 'First reading'],
  ['far', 'Second reading'],
] as const
</script>

<template>
  <div class="sights">
    <section>
      <RowTable
        label="Times it was sighted"
        :columns="[
          { key: 'day', title: 'Sighted' },
          { key: 'by', title: 'By' },
          { key: 'tilt', title: 'Out of line', number: true },
          { key: 'off', title: 'Off the line', number: true },
          { key: 'act' },
        ]"
        :rows="rows"
        empty="Nobody has sighted along it yet: the first look is as it stands."
      >
        <template #day="{ row: r }">{{ dayjs(r.date).format('D MMM YYYY') }}</template>
        <template #tilt="{ row: r }">{{ r.said ? arc(r.said.tiltArcSec.total) : '' }}</template>
        <template #off="{ row: r }">{{
          r.said?.lateralMm ? formatLength(r.said.lateralMm.total, boats.units) : 'one reading'
        }}</template>
        <template #act="{ row: r, index: i }"
          ><ElButton
            v-if="!bench.readOnly"
            class="plain"
            :aria-label="`Take away the sighting of ${dayjs(r.date).format('D MMM YYYY')}`"
            @click="drop(i)"
            >×</ElButton
          ></template
        >
      </RowTable>
      <template v-if="j.now">
        <h2 class="gap">Turn now</h2>
        <ol class="turns" data-test="turns">
          <li v-for="(t, i) in j.now.turnsRounded" :key="i">
            screw {{ i + 1 }}: <strong>{{ turned(t) }}</strong>
          </li>
        </ol>
        <p class="soft small">
          Then it should stand within {{ arc(j.now.predictedArcSec) }};
          <template v-if="j.now.limits">{{ arc(j.now.limits.tiltArcSec) }} is its limit. </template>
          <template v-if="j.now.sinceBefore">
            As it was found it was {{ j.now.sinceBefore.toFixed(1) }} times as far out.</template
          >
        </p>
      </template>
    </section>
    <form v-if="!bench.readOnly" aria-label="A sighting" class="form" @submit.prevent="add">
      <WhenField v-model="form.date" label="Sighted on" kind="date" any-day />
      <ChoiceField
        v-model="form.by"
        label="By"
        :options="SIGHTED_BY.map((value) => ({ value, title: value }))"
      />
      <fieldset v-for="[key, title] in FIELDS" :key="key">
        <legend>{{ title }}</legend>
        <DimensionField
          v-model="form[key].atMm"
          :label="`${title}, from the bore`"
          :units="boats.units"
          above
          optional
        />
        <DimensionField v-model="form[key].dxMm" :label="`${title}, across`" :units="boats.units" optional />
        <DimensionField v-model="form[key].dyMm" :label="`${title}, up`" :units="boats.units" optional />
      </fieldset>
      <ElButton class="act" native-type="submit" :disabled="!ready">Add the sighting</ElButton>
    </form>
  </div>
</template>

<style scoped>
.sights {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 22px;
}
.gap {
  margin-top: 14px;
}
.turns {
  margin: 6px 0;
  padding-left: 0;
  list-style: none;
  font-family: var(--figures);
}
.form {
  display: grid;
  gap: 6px;
  justify-items: start;
  align-content: start;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 2px;
}
legend {
  font-weight: 600;
}
</style>
