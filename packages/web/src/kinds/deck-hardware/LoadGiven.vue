<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { FAMILY, type Design, formatUse } from '@north-tide/core'
import { useBench } from '../../state/bench'
import { useBoats } from '../../state/boats'
import HeldText from '../../pieces/HeldText.vue'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import { BASES, onBasis, pointOf, withField, withKind, withPoint } from './load-fields'

defineProps<{ lineOptions: { value: string; title: string }[] }>()
const bench = useBench()
const boats = useBoats()
/** 0 is the main load; the others follow it. */
const at = ref(0)
watch(
  () => [bench.fitting?.id, bench.design?.cases.length] as const,
  ([id, n], before) => {
    if (id !== before?.[0] || at.value > (n ?? 0)) at.value = 0
  },
)
const cases = computed(() => [
  { name: bench.design!.caseName, load: bench.design!.load },
  ...bench.design!.cases,
])
const load = computed(() => cases.value[at.value]!.load)
const put = (next: Design['load']) =>
  bench.change(at.value === 0 ? { load: next } : { [`cases.${at.value - 1}.load`]: next })
const rename = (name: string) =>
  name.trim() &&
  bench.change(at.value === 0 ? { caseName: name.trim() } : { [`cases.${at.value - 1}.name`]: name.trim() })
function addCase() {
  bench.change({
    cases: [...bench.design!.cases, { name: `Case ${cases.value.length + 1}`, load: { ...load.value } }],
  })
  at.value = cases.value.length - 1
}
function dropCase() {
  const gone = at.value - 1
  at.value = 0
  bench.change({ cases: bench.design!.cases.filter((_, i) => i !== gone) })
}
const result = (i: number) => j.value?.cases[i]
const info = computed(() => BASES[load.value.basis])
const off = computed(() => bench.readOnly)
const j = computed(() => bench.byHand)
const set = (key: string, value: unknown) => put(withField(load.value, key, value))
const value = (key: string) => ((load.value as Record<string, unknown>)[key] as number | undefined) ?? null
/** What the family is usually asked comes first; nothing is left out. */
const basisOptions = computed(() => {
  const first = FAMILY[bench.design!.family].bases
  return [
    ...first,
    ...(Object.keys(BASES) as Design['load']['basis'][]).filter((b) => !first.includes(b)),
  ].map((b) => ({ value: b, title: BASES[b].title }))
})
const asks = (angle: 'elevationDeg' | 'azimuthDeg') => !info.value.fixed?.includes(angle)
const line = computed(() => ('line' in load.value ? load.value.line : undefined))
function setLine(id: string) {
  const withLine = withField(load.value, 'line', id)
  put(withField(withLine, 'grade', id === 'chain' ? 40 : null))
}
const swept = computed(() => load.value.sweep !== undefined)
const usualSweep = {
  azimuthDeg: { from: -90, to: 90, step: 30 },
  elevationDeg: { from: 0, to: 30, step: 15 },
}
const setArc = (axis: 'azimuthDeg' | 'elevationDeg', end: 'from' | 'to', v: number | null) => {
  const s = load.value.sweep ?? {}
  const arc = s[axis] ?? { from: 0, to: 0, step: 15 }
  const next = { ...arc, [end]: v ?? 0 }
  if (next.to < next.from) next[end === 'from' ? 'to' : 'from'] = v ?? 0
  set('sweep', { ...s, [axis]: next })
}
const KINDS = [
  { value: 'guard', title: 'leaning on a rail' },
  { value: 'handhold', title: 'handhold, any way' },
  { value: 'step', title: 'step, down' },
  { value: 'tether', title: 'tether, any way' },
]
const SIDES = [
  { value: 'starboard', title: 'starboard' },
  { value: 'port', title: 'port' },
]
const LEGS = ['1', '2', '3', '4'].map((v) => ({ value: v, title: v }))
const CHAINS = ['30', '40', '70'].map((v) => ({ value: v, title: `grade ${v}` }))
</script>

<template>
  <div class="group gap">
    <h2>Load</h2>
    <span class="soft small">{{
      j && j.directions > 1 ? `${j.directions} directions` : 'one direction'
    }}</span>
  </div>
  <p class="soft small">{{ FAMILY[bench.design!.family].particular }}</p>
  <div class="cases" role="group" aria-label="Load cases">
    <ElButton v-for="(c, i) in cases" :key="i" class="plain case" :aria-pressed="at === i" @click="at = i">
      {{ c.name
      }}<span v-if="cases.length > 1 && result(i)" class="figure">
        {{ formatUse(result(i)!.utilisation) || result(i)!.verdict }}</span
      >
    </ElButton>
    <ElButton v-if="!off && cases.length < 13" class="plain case add" @click="addCase"> add a case </ElButton>
  </div>
  <div v-if="cases.length > 1" class="naming">
    <label class="hidden-words" for="case-name">Name of this case</label
    ><HeldText
      id="case-name"
      class="entry"
      maxlength="60"
      :model-value="cases[at]!.name"
      :readonly="off"
      @update:model-value="rename($event)"
    /><ElButton v-if="at > 0 && !off" class="plain small" @click="dropCase">take it away</ElButton>
  </div>
  <ChoiceField
    label="Basis"
    :model-value="load.basis"
    :options="basisOptions"
    :disabled="off"
    @update:model-value="put(onBasis(load, $event))"
  />
  <ChoiceField
    v-if="load.basis === 'line' || load.basis === 'shroud'"
    label="Line"
    :model-value="line ?? 'polyester-3'"
    :options="lineOptions"
    :disabled="off"
    @update:model-value="setLine($event)"
  />
  <ChoiceField
    v-if="line === 'chain'"
    label="Chain"
    :model-value="String(value('grade') ?? 40)"
    :options="CHAINS"
    :disabled="off"
    @update:model-value="set('grade', Number($event))"
  />
  <ChoiceField
    v-if="load.basis === 'person'"
    label="Doing"
    :model-value="load.kind"
    :options="KINDS"
    :disabled="off"
    @update:model-value="put(withKind(load, $event))"
  />
  <ChoiceField
    v-if="load.basis === 'person' && load.kind === 'guard'"
    label="Leans out to"
    :model-value="load.side ?? 'starboard'"
    :options="SIDES"
    :disabled="off"
    @update:model-value="set('side', $event)"
  />
  <ChoiceField
    v-if="load.basis === 'lifting'"
    label="Legs"
    :model-value="String(load.legs)"
    :options="LEGS"
    :disabled="off"
    @update:model-value="
      put({
        ...load,
        legs: Number($event) as 1,
        legAngleDeg: $event === '1' ? 0 : load.legAngleDeg,
      } as Design['load'])
    "
  />
  <DimensionField
    v-for="f in info.fields"
    :key="f.key"
    :label="f.label"
    :kind="f.kind"
    :unit="f.unit"
    :model-value="value(f.key)"
    :units="boats.units"
    :above="f.above"
    :least="f.least"
    :most="f.most"
    :optional="f.optional && !(f.key === 'diameterMm' && value('breakingN') === null)"
    :placeholder="f.usual"
    :disabled="off"
    @update:model-value="set(f.key, $event)"
  />
  <DimensionField
    label="Acts above base"
    :model-value="pointOf(load).z"
    :units="boats.units"
    :least="0"
    :disabled="off"
    @update:model-value="put(withPoint(load, 'z', $event ?? 0))"
  />
  <DimensionField
    label="ahead of its middle"
    :model-value="pointOf(load).x"
    :units="boats.units"
    :least="-2000"
    :most="2000"
    :disabled="off"
    @update:model-value="put(withPoint(load, 'x', $event ?? 0))"
  />
  <DimensionField
    label="to starboard of it"
    :model-value="pointOf(load).y"
    :units="boats.units"
    :least="-2000"
    :most="2000"
    :disabled="off"
    @update:model-value="put(withPoint(load, 'y', $event ?? 0))"
  />
  <ElCheckbox
    v-if="asks('azimuthDeg') || asks('elevationDeg')"
    class="tick"
    :model-value="swept"
    :disabled="off"
    @change="set('sweep', ($event as boolean) ? usualSweep : null)"
    >from an arc, the worst judged</ElCheckbox
  >
  <template v-if="swept">
    <template v-if="asks('azimuthDeg')">
      <DimensionField
        label="Round, from"
        kind="angle"
        :model-value="load.sweep?.azimuthDeg?.from ?? 0"
        :units="boats.units"
        :disabled="off"
        @update:model-value="setArc('azimuthDeg', 'from', $event)"
      />
      <DimensionField
        label="to"
        kind="angle"
        :model-value="load.sweep?.azimuthDeg?.to ?? 0"
        :units="boats.units"
        :disabled="off"
        @update:model-value="setArc('azimuthDeg', 'to', $event)"
      />
    </template>
    <template v-if="asks('elevationDeg')">
      <DimensionField
        label="Up, from"
        kind="angle"
        :model-value="load.sweep?.elevationDeg?.from ?? 0"
        :least="-90"
        :most="90"
        :units="boats.units"
        :disabled="off"
        @update:model-value="setArc('elevationDeg', 'from', $event)"
      />
      <DimensionField
        label="to"
        kind="angle"
        :model-value="load.sweep?.elevationDeg?.to ?? 0"
        :least="-90"
        :most="90"
        :units="boats.units"
        :disabled="off"
        @update:model-value="setArc('elevationDeg', 'to', $event)"
      />
    </template>
  </template>
  <template v-else>
    <DimensionField
      v-if="asks('azimuthDeg')"
      label="Round from fore-aft"
      kind="angle"
      :model-value="load.azimuthDeg ?? 0"
      :units="boats.units"
      :disabled="off"
      @update:model-value="set('azimuthDeg', $event)"
    />
    <DimensionField
      v-if="asks('elevationDeg')"
      label="Up from the base"
      kind="angle"
      :model-value="load.elevationDeg ?? 0"
      :least="-90"
      :most="90"
      :units="boats.units"
      :disabled="off"
      @update:model-value="set('elevationDeg', $event)"
    />
  </template>
</template>

<style scoped src="../../pieces/given.css"></style>
<style scoped>
.cases {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  padding: 4px 0;
}
.case {
  min-height: 32px;
  border-bottom: 2px solid transparent;
  font-weight: 600;
  color: var(--ink-soft);
}
.case[aria-pressed='true'] {
  border-bottom-color: var(--tide);
  color: var(--ink);
}
.case.add {
  color: var(--tide);
  text-decoration: underline dotted;
}
.naming {
  display: flex;
  gap: 8px;
  align-items: center;
}
.naming .entry {
  flex: 1;
  min-width: 0;
}
</style>
