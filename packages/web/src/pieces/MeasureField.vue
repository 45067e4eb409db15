<script setup lang="ts">
import { computed, ref, useId, useTemplateRef, watch, watchEffect } from 'vue'
import type { InputInstance } from 'element-plus'
import {
  formatLength,
  halfBreadthOf,
  placeFrom,
  readMeasures,
  sayIn,
  type Measure,
  type Placed,
  type Units,
} from '@north-tide/core'
import type { BoatPicture } from '../types'

/**
 * A place as a fitter measures it: "412 aft of P-012, 95 mm in from the edge". Two that disagree are asked
 * about.
 */
export interface Measured {
  xMm: number | null
  yMm: number | null
  measures: Measure[]
  believe: { x?: number; y?: number }
}
const props = defineProps<{
  boat: BoatPicture
  units: Units
  label?: string
  /** somebody wanted to go on with it: what is wrong is said at once */
  tried?: boolean
}>()
const emit = defineEmits<{
  measured: [m: Measured | null]
  /** something is typed that could not be read: whoever waits for a place has none */
  unread: [yes: boolean]
}>()
const id = useId()
/** as it was typed; whoever keeps a form keeps it too */
const text = defineModel<string>('typed', { default: '' })
const believe = ref<{ x?: number; y?: number }>({})
const references = computed(() => [
  ...props.boat.holes.map((h) => ({ name: h.label, xMm: h.xMm, yMm: h.yMm })),
  ...props.boat.parts
    .filter((p) => p.kind === 'bulkhead')
    .map((p) => ({ name: p.title, xMm: p.x0Mm, yMm: null })),
  ...props.boat.zones
    .filter((z) => z.face === 'bulkhead' && z.atXMm != null)
    .map((z) => ({ name: z.title, xMm: z.atXMm!, yMm: null })),
])
const read = computed(() =>
  text.value.trim() ? readMeasures(text.value, references.value, props.units) : null,
)
/** The question stays in view after it was answered, so that the answer can be changed. */
const asks = computed(() =>
  read.value?.ok ? placeFrom(read.value.measures, halfBreadthOf(props.boat.stations)).conflicts : [],
)
const placed = computed<Placed | null>(() =>
  read.value?.ok ? placeFrom(read.value.measures, halfBreadthOf(props.boat.stations), believe.value) : null,
)
watch(text, () => (believe.value = {}))
watch(
  placed,
  (p) =>
    emit(
      'measured',
      p && read.value?.ok
        ? { xMm: p.xMm, yMm: p.yMm, measures: read.value.measures, believe: believe.value }
        : null,
    ),
  { immediate: true },
)
watch(
  () => Boolean(text.value.trim()) && !read.value?.ok,
  (yes) => emit('unread', yes),
  { immediate: true },
)
const left = ref(false)
/** A form is not sent with a place that could not be read. */
const entry = useTemplateRef<InputInstance>('entry')
watchEffect(
  () => entry.value?.input?.setCustomValidity(read.value && !read.value.ok ? read.value.message : ''),
  { flush: 'post' },
)
defineExpose({ clear: () => (text.value = '') })
</script>

<template>
  <div class="measure">
    <label :for="id">{{ label ?? 'As measured' }}</label>
    <ElInput
      :id="id"
      ref="entry"
      v-model="text"
      class="entry"
      autocomplete="off"
      spellcheck="false"
      :placeholder="
        units === 'inch'
          ? '16 1/4 aft of P-012, 3 3/4 in from the port edge'
          : '412 aft of P-012, 95 mm in from the port edge'
      "
      :aria-invalid="left && read && !read.ok ? 'true' : undefined"
      @focus="left = false"
      @blur="left = true"
      @invalid="left = true"
    />
    <p v-if="read && !read.ok && (left || tried)" class="said small" role="alert">{{ read.message }}</p>
    <template v-if="placed">
      <fieldset
        v-for="c in asks"
        :key="c.axis"
        class="conflict"
        :class="{ settled: believe[c.axis] !== undefined }"
      >
        <legend>
          These stand {{ formatLength(Math.round(c.apartMm * 10) / 10, units) }} apart. Which is to be
          believed?
        </legend>
        <ElRadio
          v-for="o in c.choices"
          :key="o.index"
          :name="`${id}-${c.axis}`"
          :model-value="believe[c.axis]"
          :value="o.index"
          @change="believe = { ...believe, [c.axis]: o.index }"
        >
          {{ sayIn(o.text, units) }}
          <span class="soft">({{ c.axis }} {{ formatLength(Math.round(o.mm), units) }})</span></ElRadio
        >
      </fieldset>
      <ul v-if="placed.working.length" class="soft small">
        <li v-for="w in placed.working" :key="w">{{ sayIn(w, units) }}</li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.measure {
  display: grid;
  gap: 2px;
}
.entry {
  width: 100%;
  min-height: var(--touch);
}
.said {
  color: var(--short);
  margin-top: 4px;
}
.conflict {
  border: 1px solid var(--buoy);
  padding: 6px 10px;
  margin: 4px 0;
  display: grid;
  gap: 4px;
}
.conflict.settled {
  border-color: var(--line-strong);
}
.conflict label {
  display: block;
  min-height: 30px;
}
legend {
  font-weight: 600;
}
ul {
  margin: 0;
  padding-left: 16px;
}
</style>
