<script setup lang="ts">
import type { WetOnPlan } from './wet-pictures'

/** Wet maps as they lie on the sheet. */
defineProps<{ wet: WetOnPlan[] }>()
</script>

<template>
  <g>
    <image
      v-for="w in wet"
      :key="w.code"
      :href="w.href"
      :x="w.x"
      :y="w.y"
      :width="w.w"
      :height="w.h"
      preserveAspectRatio="none"
    />
  </g>
</template>
