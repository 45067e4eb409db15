<script setup lang="ts">
import { computed } from 'vue'
import { FAMILY, sayIn } from '@north-tide/core'
import { useBench } from '../../state/bench'
import { useBoats } from '../../state/boats'
import VerdictList from '../../pieces/VerdictList.vue'

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
      <p v-if="j && !bench.solved" class="soft small asking" role="status" data-test="solver-asked">
        {{
          bench.solver.failed
            ? `The plate solver could not be asked: ${bench.solver.failed}.`
            : bench.solver.progress !== null
              ? 'The plate solver is looking at it; until then these are the hand checks alone.'
              : bench.problem
                ? ''
                : 'Not asked of the plate solver yet: these are the hand checks alone.'
        }}
      </p>
      <p v-else-if="bench.solved?.said.warning" class="small asking">
        {{ bench.solved.said.warning[0]!.toUpperCase() + bench.solved.said.warning.slice(1) }}
      </p>
    </template>
  </VerdictList>
</template>

<style scoped>
.asking {
  padding: 4px 16px 6px;
  margin: 0;
}
.case-said {
  padding: 6px 16px;
  border-bottom: 1px solid var(--line);
  font-weight: 600;
}
</style>
