<script setup lang="ts">
import type { LifeState } from '@north-tide/core'
/**
 * The signs of a hole's life, apart from the verdicts' shapes. Drawn round 0, 0 in a box of 20, so that a
 * plan can use it too.
 */
defineProps<{ state: LifeState; bare?: boolean }>()
</script>

<template>
  <component
    :is="bare ? 'g' : 'svg'"
    v-bind="bare ? {} : { width: 18, height: 18, viewBox: '-10 -10 20 20', 'aria-hidden': true }"
    class="life"
  >
    <path v-if="state === 'marked'" d="M-8 0H8M0-8V8" class="ink" stroke-width="2" />
    <circle v-else-if="state === 'drilled'" r="6.5" class="sheet ink" stroke-width="2" />
    <template v-else-if="state === 'core-sealed' || state === 'dry-fitted'">
      <circle r="6" class="amber" stroke-width="3.4" /><circle
        r="8"
        class="none ink"
        stroke-width="1.2"
      /><circle r="3.6" class="sheet ink" stroke-width="1.2" />
      <path v-if="state === 'dry-fitted'" d="M-8 0H8" class="ink" stroke-width="2.4" />
    </template>
    <template v-else-if="state === 'bedded' || state === 'cured'">
      <circle r="6" class="sheet ink" stroke-width="4.4" /><circle
        v-if="state === 'cured'"
        r="1.9"
        class="dark"
      />
    </template>
    <template v-else-if="state === 'proved'"
      ><circle r="8" class="tide" /><path d="M-4 0.5L-1 3.5L4-3" class="tick" stroke-width="2.2"
    /></template>
    <circle v-else-if="state === 'in-service'" r="7" class="dark" />
    <template v-else-if="state === 'suspect'"
      ><path d="M0-9L9 0L0 9L-9 0Z" class="sheet red" stroke-width="2.2" /><path
        d="M0-4V4.5"
        class="red"
        stroke-width="2.2"
    /></template>
    <template v-else
      ><circle r="7" class="grey" stroke-width="1.6" /><path d="M-5 5L5-5" class="ink" stroke-width="1.8"
    /></template>
  </component>
</template>

<style scoped>
.life {
  flex: none;
  align-self: start;
}
.ink {
  stroke: var(--ink);
}
.none {
  fill: none;
}
.sheet {
  fill: var(--sheet);
}
.amber {
  fill: none;
  stroke: #e0a92e;
}
.dark {
  fill: var(--ink);
}
.tide {
  fill: var(--tide);
}
.tick {
  fill: none;
  stroke: var(--on-tide);
}
.red {
  stroke: var(--short);
}
.grey {
  fill: var(--line-strong);
  stroke: var(--ink);
}
path.ink,
path.tick {
  fill: none;
}
</style>
