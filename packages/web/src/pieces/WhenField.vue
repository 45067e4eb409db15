<script setup lang="ts">
import { defineAsyncComponent, useId } from 'vue'
import dayjs from 'dayjs'

/** A day or a moment that has passed: what is entered later says when it was. */
const props = withDefaults(
  defineProps<{
    label: string
    modelValue: string
    kind?: 'date' | 'datetime'
    /** any day, also today and those to come */
    anyDay?: boolean
    disabled?: boolean
    empty?: string
  }>(),
  { kind: 'datetime', empty: 'now' },
)
const emit = defineEmits<{ 'update:modelValue': [value: string] }>()
const DayPicker = defineAsyncComponent(() => import('./day-picker'))
const id = useId()
const shown = { date: 'D MMM YYYY', datetime: 'D MMM YYYY, HH:mm' }
const kept = { date: 'YYYY-MM-DD', datetime: 'YYYY-MM-DDTHH:mm' }
const toCome = (day: Date) => dayjs(day).isAfter(dayjs(), 'day')
const today = (day: Date) => dayjs(day).isSame(dayjs(), 'day')
</script>

<template>
  <div class="when" @keydown.enter.capture="$event.preventDefault()">
    <!-- Enter takes the day that was typed, and sends no form with the day before it. -->
    <label :for="id">{{ label }}</label>
    <DayPicker
      :id="id"
      :model-value="modelValue || null"
      :type="kind"
      :format="shown[kind]"
      :value-format="kept[kind]"
      :disabled="disabled"
      :disabled-date="(d: Date) => !anyDay && (toCome(d) || (props.kind === 'date' && today(d)))"
      :placeholder="empty"
      @update:model-value="emit('update:modelValue', $event ?? '')"
    />
  </div>
</template>

<style scoped>
.when {
  display: grid;
  gap: 1px;
}
</style>
