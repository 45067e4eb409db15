<script setup lang="ts">
import { computed, watch } from 'vue'
import { useWaiting } from '../state/waiting'
import WaitingEntry from './WaitingEntry.vue'

/** Beside the thing itself: what was written of it without a line, and what the server refused of it. */
const props = defineProps<{ path: string; has?: Record<string, string> }>()
/** something of it arrived, or was thrown away: what is shown may be other by now */
const emit = defineEmits<{ fewer: [] }>()
const waiting = useWaiting()
const here = computed(() => waiting.of(props.path, props.has))
watch(
  () => here.value.length,
  (now, before) => {
    if (now < before) emit('fewer')
  },
)
</script>

<template>
  <div v-if="here.length" class="waits-here" role="group" aria-label="Waits here">
    <WaitingEntry v-for="e in here" :key="e.seq" :entry="e" />
  </div>
</template>

<style scoped>
.waits-here {
  display: grid;
  gap: 6px;
  margin: 4px 0;
}
</style>
