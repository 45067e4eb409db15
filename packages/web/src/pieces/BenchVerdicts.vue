<script setup lang="ts">
import { ref } from 'vue'
import type { Check, Judged } from '@north-tide/core'
import { useBoats } from '../state/boats'
import VerdictList from './VerdictList.vue'

/** Verdicts of what lies on a bench; the one that is pressed shows its source and its working. */
defineProps<{
  bench: {
    judgement: Pick<Judged, 'checks' | 'counts'> | null
    problem: { message: string } | null
    readOnly: boolean
    change: (changes: Record<string, unknown>) => void
  }
}>()
const boats = useBoats()
const picked = ref<string | null>(null)
const figure = (v: number) => Number(v.toPrecision(3))
/** Where it comes from, and its sum in one line. */
function sourceSaid(c: Check): string {
  const source = `${c.source[0]!.toUpperCase()}${c.source.slice(1)}`
  if (c.demand === null || c.capacity === null) return `${source}.`
  const factor = c.factor === 1 ? '' : ` with a factor of ${c.factor}`
  return `${source}: ${figure(c.demand)} of ${figure(c.capacity)} ${c.unit}${factor}.`
}
const lineSaid = (w: Check['working'][number]) =>
  `${w.symbol} = ${w.expression}${w.value === null ? '' : ` = ${figure(w.value)} ${w.unit}`}.`
</script>

<template>
  <VerdictList
    :judged="bench.judgement"
    :problem="bench.problem"
    :units="boats.units"
    :read-only="bench.readOnly"
    :picked="picked"
    @pick="picked = picked === $event ? null : $event"
    @apply="bench.change($event.change)"
  >
    <template #more="{ check: c }"
      ><p class="soft small working">
        {{ sourceSaid(c) }}
        <span v-for="w in c.working" :key="w.symbol">{{ lineSaid(w) }} </span>
      </p></template
    >
  </VerdictList>
</template>

<style scoped>
.working {
  padding: 4px 0 0 28px;
}
</style>
