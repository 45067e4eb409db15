<script setup lang="ts">
import { REACH_TITLES } from '@north-tide/core'
import { REACH_MARK } from './things'

/** What the hatchings on the map mean. */
defineProps<{ reach: boolean; wet: boolean }>()
</script>

<template>
  <ul v-if="reach" class="reach-key small no-print">
    <li v-for="(t, r) in REACH_TITLES" :key="r">
      <svg width="22" height="14" aria-hidden="true">
        <rect
          x="0.5"
          y="0.5"
          width="21"
          height="13"
          :fill="r === 'open' ? 'none' : `url(#${REACH_MARK[r]})`"
          stroke="var(--ink)"
        />
      </svg>
      {{ r === 'open' ? 'reach open' : r === 'none' ? 'no reach' : t }}
    </li>
  </ul>
  <ul v-if="wet" class="wet-key small no-print">
    <li><i class="k wet-k" /> wet</li>
    <li><i class="k damp-k" /> damp</li>
    <li><i class="k guess-k" /> not read near enough</li>
  </ul>
</template>

<style scoped>
.reach-key,
.wet-key {
  position: absolute;
  left: 12px;
  bottom: 34px;
  list-style: none;
  margin: 0;
  padding: 4px 8px;
  display: flex;
  gap: 12px;
  background: var(--sheet);
  pointer-events: none;
}
.wet-key {
  left: 232px;
  bottom: 6px;
}
@media (max-width: 1180px) {
  .wet-key {
    left: 12px;
    bottom: 34px;
  }
  .reach-key + .wet-key {
    bottom: 60px;
  }
}
.reach-key li,
.wet-key li {
  display: flex;
  gap: 5px;
  align-items: center;
}
.k {
  width: 22px;
  height: 14px;
  border: 1px solid var(--ink);
  display: inline-block;
}
.wet-k {
  background: var(--water);
  border-bottom: 3px double var(--water-ink);
}
.damp-k {
  background: color-mix(in srgb, var(--water) 50%, var(--sheet));
  border-style: dotted;
}
.guess-k {
  background: repeating-linear-gradient(135deg, transparent 0 4px, var(--ink-soft) 4px 5px);
}
</style>
