<script setup lang="ts">
/** What the map is hatched with, and the outline of her side that wet readings keep within. */
defineProps<{ hull: string }>()
</script>

<template>
  <defs>
    <pattern id="wet" width="14" height="9" patternUnits="userSpaceOnUse">
      <rect width="14" height="9" fill="var(--water)" />
      <path d="M0 5Q3.5 1 7 5T14 5" fill="none" stroke="var(--water-ink)" stroke-width="1.3" />
    </pattern>
    <pattern id="reach-arm" width="16" height="16" patternUnits="userSpaceOnUse">
      <path d="M0 16L16 0" stroke="var(--ink-soft)" stroke-width="1" fill="none" />
    </pattern>
    <pattern id="reach-none" width="12" height="12" patternUnits="userSpaceOnUse">
      <path d="M0 12L12 0M0 0L12 12" stroke="var(--short)" stroke-width="1.1" fill="none" />
    </pattern>
    <pattern id="reach-unknown" width="14" height="14" patternUnits="userSpaceOnUse">
      <circle cx="4" cy="4" r="1.2" fill="var(--ink-soft)" />
    </pattern>
    <clipPath id="hull-side"><path :d="hull" /></clipPath>
  </defs>
</template>
