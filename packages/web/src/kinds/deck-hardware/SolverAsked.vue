<script setup lang="ts">
import { useBench } from '../../state/bench'

/** How far the plate solver is: by itself, as it says so twenty times and the verdicts stay as they are. */
const bench = useBench()
</script>

<template>
  <p v-if="!bench.solved" class="soft small asking" role="status" data-test="solver-asked">
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
  <p v-else-if="bench.solved.said.warning" class="small asking">
    {{ bench.solved.said.warning[0]!.toUpperCase() + bench.solved.said.warning.slice(1) }}
  </p>
</template>

<style scoped>
.asking {
  padding: 4px 16px 6px;
  margin: 0;
}
</style>
