<script setup lang="ts">
import { computed } from 'vue'
import { FAMILY, sayIn } from '@north-tide/core'
import { useBench } from '../../state/bench'
import { useBoats } from '../../state/boats'
import VerdictList from '../../pieces/VerdictList.vue'
import SolverAsked from './SolverAsked.vue'

defineProps<{ picked: string | null }>()
const emit = defineEmits<{ pick: [id: string]; work: [id: string] }>()
const bench = useBench()
const boats = useBoats()
const j = computed(() => bench.whole?.judgement)
/** What this family fails at first comes first. */
const first = (id: string) =>
  bench.design && FAMILY[bench.design.family].looks.some((l) => id.startsWith(l)) ? 1 : 0
</script>

<template>
  <VerdictList
    :judged="j"
    :problem="bench.problem"
    :units="boats.units"
    :read-only="bench.readOnly"
    :picked="picked"
    :first="first"
    @pick="emit('pick', $event)"
    @focus="emit('pick', $event)"
    @work="emit('work', $event)"
    @apply="bench.change($event.change)"
  >
    <template #above>
      <p v-if="j?.caseSaid" class="case-said small">{{ sayIn(j.caseSaid, boats.units) }}</p>
      <SolverAsked v-if="j" />
    </template>
  </VerdictList>
</template>

<style scoped>
.case-said {
  padding: 6px 16px;
  border-bottom: 1px solid var(--line);
  font-weight: 600;
}
</style>
