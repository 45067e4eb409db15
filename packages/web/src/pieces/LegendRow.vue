<script setup lang="ts">
import { useId } from 'vue'
import { PATTERNS, TONE_TITLES, type MaterialTone } from '@north-tide/core'
defineProps<{ tones: MaterialTone[] }>()
const uid = useId().replace(/:/g, '')
</script>

<template>
  <ul class="legend" aria-label="Legend">
    <li v-for="t in tones" :key="t">
      <svg width="20" height="14" viewBox="0 0 20 14" aria-hidden="true">
        <defs v-if="PATTERNS[t]">
          <pattern
            :id="`${uid}-${t}`"
            :width="PATTERNS[t]!.tile * 13"
            :height="PATTERNS[t]!.tile * 13"
            patternUnits="userSpaceOnUse"
          >
            <rect width="100%" height="100%" :fill="`var(--${t})`" />
            <polyline
              v-for="(s, i) in PATTERNS[t]!.strokes"
              :key="i"
              :points="
                s.map(([x, y]) => `${x * PATTERNS[t]!.tile * 13},${y * PATTERNS[t]!.tile * 13}`).join(' ')
              "
              fill="none"
              :stroke="t === 'bedding' ? 'var(--on-bedding)' : 'var(--ink)'"
              stroke-opacity="0.5"
              :stroke-width="PATTERNS[t]!.width * 13"
              stroke-linecap="round"
            />
          </pattern>
        </defs>
        <rect
          x="0.5"
          y="0.5"
          width="19"
          height="13"
          :fill="PATTERNS[t] ? `url(#${uid}-${t})` : `var(--${t})`"
          stroke="var(--ink)"
        />
      </svg>
      {{ TONE_TITLES[t] }}
    </li>
  </ul>
</template>

<style scoped>
.legend {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  margin: 0;
  padding: 0;
  font-size: var(--text-small);
  font-weight: 600;
  color: var(--ink-soft);
}
li {
  display: flex;
  align-items: center;
  gap: 6px;
}
</style>
