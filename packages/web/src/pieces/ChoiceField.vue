<script setup lang="ts" generic="T extends string">
import { useId } from 'vue'
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
    <select
      :id="id"
      class="choice"
      :value="modelValue"
      :disabled="disabled"
      :title="hint"
      @change="emit('update:modelValue', ($event.target as HTMLSelectElement).value as T)"
    >
      <option v-for="o in options" :key="o.value" :value="o.value" :disabled="o.disabled">
        {{ o.title }}
      </option>
    </select>
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
