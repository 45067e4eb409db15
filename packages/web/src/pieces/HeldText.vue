<script setup lang="ts">
import { nextTick, ref, watch } from 'vue'

/**
 * A line of text that is taken when it is left or Enter is pressed. Whatever is drawn anew meanwhile, a
 * half-typed word stays.
 */
const props = defineProps<{ modelValue: string }>()
const emit = defineEmits<{ 'update:modelValue': [value: string] }>()
const text = ref(props.modelValue)
const editing = ref(false)
watch(
  () => props.modelValue,
  (v) => {
    if (!editing.value) text.value = v
  },
)
function take() {
  if (text.value !== props.modelValue) emit('update:modelValue', text.value)
}
async function leave() {
  editing.value = false
  take()
  // What was not accepted goes back to what stands.
  await nextTick()
  text.value = props.modelValue
}
</script>

<template>
  <ElInput
    v-model="text"
    @focus="editing = true"
    @input="editing = true"
    @blur="leave"
    @keydown.enter="take"
  />
</template>
