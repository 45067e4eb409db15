<script setup lang="ts">
import type { Verdict } from '@north-tide/core'
defineProps<{ verdict: Verdict; size?: number }>()
</script>

<template>
  <svg :width="size ?? 15" :height="size ?? 15" viewBox="0 0 16 16" aria-hidden="true" :class="verdict">
    <circle v-if="verdict === 'holds'" cx="8" cy="8" r="6" fill="currentColor" />
    <template v-else-if="verdict === 'tight'">
      <circle cx="8" cy="8" r="6" fill="none" stroke="currentColor" stroke-width="1.8" />
      <path d="M8 2 A6 6 0 0 1 8 14 Z" fill="currentColor" />
    </template>
    <path
      v-else-if="verdict === 'short'"
      d="M8 2 L14.5 13.5 H1.5 Z"
      fill="none"
      stroke="currentColor"
      stroke-width="1.9"
      stroke-linejoin="round"
    />
    <circle
      v-else
      cx="8"
      cy="8"
      r="6"
      fill="none"
      stroke="currentColor"
      stroke-width="1.7"
      stroke-dasharray="3 2.3"
    />
  </svg>
</template>

<style scoped>
svg {
  flex: none;
}
.holds {
  color: var(--holds);
}
.tight {
  color: var(--tight);
}
.short {
  color: var(--short);
}
.unproven {
  color: var(--unproven);
}
</style>
