<script setup lang="ts">
import { computed, onBeforeUnmount, ref, useId, useTemplateRef, watch } from 'vue'
import type { InputInstance } from 'element-plus'
import {
  MM_PER_IN,
  forceText,
  forceUnit,
  lengthText,
  lengthUnit,
  parseAngle,
  parseForce,
  parseLength,
  parseNumber,
  parseTemperature,
  type Read,
  type Units,
} from '@north-tide/core'
import { afterPaint, isKeysFirst } from './after-paint'

type Kind = 'length' | 'force' | 'angle' | 'temperature' | 'number'
const props = withDefaults(
  defineProps<{
    label: string
    modelValue: number | null
    units: Units
    kind?: Kind
    /** said after the figure where it is a plain number */
    unit?: string
    least?: number
    /** the least itself is not accepted */
    above?: boolean
    most?: number
    estimated?: boolean
    optional?: boolean
    placeholder?: string
    /** what holds while nothing is typed, shown in the reader's units */
    usual?: number
    disabled?: boolean
    problem?: string | null
    /** its label is said and not shown: in the cell of a table whose head says it */
    bare?: boolean
  }>(),
  { kind: 'length', unit: '', optional: false, placeholder: '', problem: null },
)
const emit = defineEmits<{ 'update:modelValue': [value: number | null] }>()
const id = useId()

const text = ref('')
const refused = ref<string | null>(null)
const editing = ref(false)

function show(v: number | null): string {
  if (v === null) return ''
  if (props.kind === 'length') return lengthText(v, props.units)
  if (props.kind === 'force') return forceText(v, props.units)
  if (props.kind === 'temperature')
    return String(Number((props.units === 'inch' ? (v * 9) / 5 + 32 : v).toFixed(2)))
  return String(Number(v.toFixed(4)))
}
function read(t: string): Read {
  if (props.kind === 'length') return parseLength(t, props.units)
  if (props.kind === 'force') return parseForce(t, props.units)
  if (props.kind === 'angle') return parseAngle(t)
  return props.kind === 'temperature' ? parseTemperature(t, props.units) : parseNumber(t)
}
const unitShown = computed(() =>
  props.kind === 'length'
    ? lengthUnit(props.units)
    : props.kind === 'force'
      ? forceUnit(props.units)
      : props.kind === 'angle'
        ? '\u00b0'
        : props.kind === 'temperature'
          ? props.units === 'inch'
            ? '\u00b0F'
            : '\u00b0C'
          : props.unit,
)
const limits = (v: number): string | null => {
  const low = props.least ?? (props.above ? 0 : -Infinity)
  if (props.above ? v <= low : v < low)
    return `${show(v)} is too small; ${props.above ? 'more than' : 'at least'} ${show(low)} ${unitShown.value} is accepted`
  if (props.most !== undefined && v > props.most)
    return `${show(v)} is too large; up to ${show(props.most)} ${unitShown.value} is accepted`
  return null
}

watch(
  () => [props.modelValue, props.units] as const,
  () => {
    if (!editing.value && !refused.value) text.value = show(props.modelValue)
  },
  { immediate: true },
)

/** Reads as it is typed; what cannot be read is said beside the field and the text stays as typed. */
function take(final: boolean) {
  if (props.optional && text.value.trim() === '') {
    refused.value = null
    if (props.modelValue !== null) emit('update:modelValue', null)
    return
  }
  // What is shown is rounded; going through a field without typing must not write that back over the figure
  // itself.
  if (props.modelValue !== null && text.value === show(props.modelValue)) {
    refused.value = null
    return
  }
  const r = read(text.value)
  const why = r.ok ? limits(r.value) : r.message
  if (r.ok && !why) {
    refused.value = null
    if (props.modelValue === null || Math.abs(r.value - props.modelValue) > 1e-9)
      emit('update:modelValue', r.value)
  } else if (final || refused.value) refused.value = why
}
const painted = afterPaint()
onBeforeUnmount(painted.now)
const followed = isKeysFirst() ? painted.later : (run: () => void) => run()
function typed() {
  editing.value = true
  followed(() => take(false))
}
function enter() {
  painted.drop()
  take(true)
}
function leave() {
  editing.value = false
  enter()
  if (!refused.value) text.value = show(props.modelValue)
}
function step(e: KeyboardEvent) {
  // What is done by such a key is done to what was typed.
  if (e.ctrlKey || e.metaKey || e.altKey) painted.now()
  if (props.disabled || (e.key !== 'ArrowUp' && e.key !== 'ArrowDown')) return
  const r = read(text.value)
  if (!r.ok) return
  e.preventDefault()
  const one =
    props.kind === 'length'
      ? props.units === 'inch'
        ? MM_PER_IN / 32
        : 0.5
      : props.kind === 'force'
        ? props.units === 'inch'
          ? 4.4482216152605 * 10
          : 100
        : props.unit === '' && props.kind === 'number'
          ? 0.05
          : 1
  const next = r.value + (e.key === 'ArrowUp' ? 1 : -1) * one * (e.shiftKey ? 10 : 1)
  if (limits(next)) return
  text.value = show(next)
  followed(() => take(true))
}
const said = computed(() => refused.value ?? props.problem)
/**
 * A form is not sent while one of its figures says something else than what stands in it. What the server
 * found wrong does not hold it: that is asked again when it is sent.
 */
const entry = useTemplateRef<InputInstance>('entry')
watch(
  () => (text.value.trim() || props.modelValue !== null ? refused.value : null),
  (why) => entry.value?.input?.setCustomValidity(why ?? ''),
  // Enter is read and sends the form in the same moment.
  { flush: 'sync' },
)
</script>

<template>
  <div class="dimension" :class="{ bad: said }">
    <label :for="id" :class="{ 'hidden-words': bare }">{{ label }}</label>
    <span class="pair">
      <ElInput
        :id="id"
        ref="entry"
        v-model="text"
        class="entry figure"
        :class="{ estimated }"
        inputmode="text"
        autocomplete="off"
        spellcheck="false"
        :disabled="disabled"
        :placeholder="usual === undefined ? placeholder : show(usual)"
        :aria-invalid="said ? 'true' : undefined"
        :aria-describedby="said ? `${id}-said` : undefined"
        @focus="editing = true"
        @input="typed"
        @blur="leave"
        @keydown="step"
        @keydown.enter="enter"
      />
      <span class="unit small soft" :class="{ long: unitShown.length > 4 }">{{ unitShown }}</span>
    </span>
    <p v-if="said" :id="`${id}-said`" class="said small" role="alert">{{ said }}</p>
  </div>
</template>

<style scoped>
.dimension {
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: center;
  gap: 0 8px;
  min-height: 30px;
}
.pair {
  display: flex;
  align-items: baseline;
  gap: 5px;
}
.entry {
  width: 84px;
  text-align: right;
  font: 600 0.875rem/1.2 var(--figures);
}
.entry.estimated {
  border-bottom-style: dashed;
}
.entry:disabled {
  color: var(--ink);
  border-bottom-color: var(--line-strong);
}
@media screen and (max-width: 1180px) {
  .entry {
    width: 70px;
    font-size: 0.8125rem;
  }
}
.unit {
  width: 24px;
  white-space: nowrap;
}
/* l/min: no wider than the others, so that the figures stay in one column. */
.unit.long {
  font-size: 0.6875rem;
  letter-spacing: -0.02em;
}
.bad .entry {
  border-bottom-color: var(--short);
  background: var(--short-ground);
}
.said {
  grid-column: 1 / -1;
  color: var(--short);
  padding: 2px 0 4px;
}
</style>
