<script setup lang="ts">
import { sayIn, type Verdict } from '@north-tide/core'
import { useBoats } from '../state/boats'
import VerdictSign from './VerdictSign.vue'

/** What no size mends, in every dialog that looks for one. */
defineProps<{ found: boolean; checks: readonly { title: string; because: string; verdict: Verdict }[] }>()
const boats = useBoats()
</script>

<template>
  <div v-if="checks.length">
    <h3>{{ found ? 'Sizing cannot help with' : 'What stays short' }}</h3>
    <p v-for="r in checks" :key="r.title" class="remain">
      <VerdictSign :verdict="r.verdict" />
      <span
        ><strong>{{ r.title }}.</strong> {{ sayIn(r.because, boats.units) }}</span
      >
    </p>
  </div>
</template>

<style scoped>
.remain {
  display: flex;
  gap: 8px;
  align-items: flex-start;
  padding-top: 6px;
}
</style>
