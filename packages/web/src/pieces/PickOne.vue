<script setup lang="ts" generic="T extends string | number">
import { ref } from 'vue'

/** One of a list: short lists are read, long ones searched by typing. */
defineProps<{
  modelValue: T | null | undefined
  options: readonly { value: T; title: string; disabled?: boolean }[]
  label?: string
  id?: string
  disabled?: boolean
}>()
const emit = defineEmits<{ 'update:modelValue': [value: T] }>()
/** A list nobody opened is not drawn; one that was stays: what points to its options must not hang. */
const opened = ref(false)
/** From so many on nobody reads them all. */
const SEARCHED_FROM = 9
</script>

<template>
  <ElSelect
    :id="id"
    class="pick"
    :model-value="modelValue ?? ''"
    :disabled="disabled"
    :aria-label="label"
    :filterable="options.length >= SEARCHED_FROM"
    :persistent="opened"
    :empty-values="[null, undefined]"
    placeholder=""
    popper-class="pick-list"
    :fit-input-width="false"
    no-match-text="Nothing is called that"
    no-data-text="Nothing to choose from"
    @visible-change="opened ||= $event"
    @update:model-value="emit('update:modelValue', $event as T)"
  >
    <ElOption v-for="o in options" :key="o.value" :value="o.value" :label="o.title" :disabled="o.disabled" />
  </ElSelect>
</template>
