<script setup lang="ts">
/** Whether what is on the screen is on the server too, in a word or two. */
type Saving = 'saved' | 'waiting' | 'saving' | 'offline' | 'refused' | 'conflict'
defineProps<{ saving: Saving; refusal: string | null }>()
const SAID: Record<Saving, string> = {
  saved: 'saved',
  waiting: 'draft kept',
  saving: 'saving …',
  offline: 'no connection: draft kept here, tried again',
  refused: 'not saved',
  conflict: 'two versions',
}
</script>

<template>
  <span :class="{ alarm: ['offline', 'refused', 'conflict'].includes(saving) }"
    >{{ SAID[saving] }}{{ saving === 'refused' && refusal ? `: ${refusal}` : '' }}</span
  >
</template>

<style scoped>
.alarm {
  color: var(--buoy);
  font-weight: 600;
}
</style>
