<script setup lang="ts" generic="T extends string">
import { useId } from 'vue'
import PickOne from './PickOne.vue'
defineProps<{
  label: string
  modelValue: T
  options: readonly { value: T; title: string; disabled?: boolean }[]
  disabled?: boolean
  hint?: string
}>()
const emit = defineEmits<{ 'update:modelValue': [value: T] }>()
const id = useId()
</script>

<template>
  <div class="row">
    <label :for="id">{{ label }}</label>
    <PickOne
      :id="id"
      :model-value="modelValue"
      :options="options"
      :disabled="disabled"
      :title="hint"
      @update:model-value="emit('update:modelValue', $event)"
    />
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: minmax(74px, auto) minmax(0, 1fr);
  align-items: center;
  gap: 0 8px;
  min-height: 32px;
}
.choice {
  justify-self: end;
  min-width: 0;
  max-width: 100%;
}
</style>
