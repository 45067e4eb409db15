<script setup lang="ts">
import { computed } from 'vue'
import type { Design } from '@north-tide/core'
import { useBench } from '../../stores/bench'
import { useBoats } from '../../stores/boats'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import { BASES, onBasis, withField } from './load-fields'

defineProps<{ lineOptions: { value: string; title: string }[] }>()
const bench = useBench()
const boats = useBoats()
const load = computed(() => bench.design!.load)
const info = computed(() => BASES[load.value.basis])
const off = computed(() => bench.readOnly)
const j = computed(() => bench.whole?.judgement)
const set = (key: string, value: unknown) => bench.change({ load: withField(load.value, key, value) })
const value = (key: string) => ((load.value as Record<string, unknown>)[key] as number | undefined) ?? null
const basisOptions = (Object.keys(BASES) as Design['load']['basis'][]).map((b) => ({ value: b, title: BASES[b].title }))
const asks = (angle: 'elevationDeg' | 'azimuthDeg') => !info.value.fixed?.includes(angle)
const line = computed(() => ('line' in load.value ? load.value.line : undefined))
function setLine(id: string) {
  const withLine = withField(load.value, 'line', id)
  bench.change({ load: withField(withLine, 'grade', id === 'chain' ? 40 : null) })
}
const swept = computed(() => load.value.sweep !== undefined)
const usualSweep = { azimuthDeg: { from: -90, to: 90, step: 30 }, elevationDeg: { from: 0, to: 30, step: 15 } }
const setArc = (axis: 'azimuthDeg' | 'elevationDeg', end: 'from' | 'to', v: number | null) => {
  const s = load.value.sweep ?? {}
  const arc = s[axis] ?? { from: 0, to: 0, step: 15 }
  const next = { ...arc, [end]: v ?? 0 }
  if (next.to < next.from) next[end === 'from' ? 'to' : 'from'] = v ?? 0
  set('sweep', { ...s, [axis]: next })
}
const KINDS = [{ value: 'guard', title: 'leaning on a rail' }, { value: 'handhold', title: 'handhold, any way' }, { value: 'step', title: 'step, down' }, { value: 'tether', title: 'tether, any way' }]
const LEGS = ['1', '2', '3', '4'].map((v) => ({ value: v, title: v }))
const CHAINS = ['30', '40', '70'].map((v) => ({ value: v, title: `grade ${v}` }))
</script>

<template>
  <div class="group gap"><h2>Load</h2><span class="soft small">{{ j && j.directions > 1 ? `${j.directions} directions` : 'one direction' }}</span></div>
  <ChoiceField label="Basis" :model-value="load.basis" :options="basisOptions" :disabled="off" @update:model-value="bench.change({ load: onBasis(load, $event) })" />
  <ChoiceField v-if="load.basis === 'line' || load.basis === 'shroud'" label="Line" :model-value="line ?? 'polyester-3'" :options="lineOptions" :disabled="off" @update:model-value="setLine($event)" />
  <ChoiceField v-if="line === 'chain'" label="Chain" :model-value="String(value('grade') ?? 40)" :options="CHAINS" :disabled="off" @update:model-value="set('grade', Number($event))" />
  <ChoiceField v-if="load.basis === 'person'" label="Doing" :model-value="load.kind" :options="KINDS" :disabled="off" @update:model-value="set('kind', $event)" />
  <ChoiceField v-if="load.basis === 'lifting'" label="Legs" :model-value="String(load.legs)" :options="LEGS" :disabled="off" @update:model-value="bench.change({ load: { ...load, legs: Number($event) as 1, legAngleDeg: $event === '1' ? 0 : load.legAngleDeg } })" />
  <DimensionField v-for="f in info.fields" :key="f.key" :label="f.label" :kind="f.kind" :unit="f.unit" :model-value="value(f.key)" :units="boats.units" :above="f.above" :least="f.least" :most="f.most" :optional="f.optional && !(f.key === 'diameterMm' && value('breakingN') === null)" :placeholder="f.usual" :disabled="off" @update:model-value="set(f.key, $event)" />
  <DimensionField label="Acts above base" :model-value="load.heightMm ?? 0" :units="boats.units" :least="0" :disabled="off" @update:model-value="set('heightMm', $event)" />
  <label v-if="asks('azimuthDeg') || asks('elevationDeg')" class="tick"><input type="checkbox" :checked="swept" :disabled="off" @change="set('sweep', ($event.target as HTMLInputElement).checked ? usualSweep : null)" /> from an arc, the worst judged</label>
  <template v-if="swept">
    <template v-if="asks('azimuthDeg')">
      <DimensionField label="Round, from" kind="angle" :model-value="load.sweep?.azimuthDeg?.from ?? 0" :units="boats.units" :disabled="off" @update:model-value="setArc('azimuthDeg', 'from', $event)" />
      <DimensionField label="to" kind="angle" :model-value="load.sweep?.azimuthDeg?.to ?? 0" :units="boats.units" :disabled="off" @update:model-value="setArc('azimuthDeg', 'to', $event)" />
    </template>
    <template v-if="asks('elevationDeg')">
      <DimensionField label="Up, from" kind="angle" :model-value="load.sweep?.elevationDeg?.from ?? 0" :least="-90" :most="90" :units="boats.units" :disabled="off" @update:model-value="setArc('elevationDeg', 'from', $event)" />
      <DimensionField label="to" kind="angle" :model-value="load.sweep?.elevationDeg?.to ?? 0" :least="-90" :most="90" :units="boats.units" :disabled="off" @update:model-value="setArc('elevationDeg', 'to', $event)" />
    </template>
  </template>
  <template v-else>
    <DimensionField v-if="asks('azimuthDeg')" label="Round from fore-aft" kind="angle" :model-value="load.azimuthDeg ?? 0" :units="boats.units" :disabled="off" @update:model-value="set('azimuthDeg', $event)" />
    <DimensionField v-if="asks('elevationDeg')" label="Up from the base" kind="angle" :model-value="load.elevationDeg ?? 0" :least="-90" :most="90" :units="boats.units" :disabled="off" @update:model-value="set('elevationDeg', $event)" />
  </template>
</template>

<style scoped>
.gap { margin-top: 18px; }
.tick { display: flex; align-items: center; gap: 8px; min-height: 32px; font-size: 14px; }
.tick input { accent-color: var(--tide); width: 16px; height: 16px; margin: 0; }
</style>
