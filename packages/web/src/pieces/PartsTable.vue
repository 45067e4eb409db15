<script setup lang="ts">
import { computed } from 'vue'
import { partSaid, type Part } from '@north-tide/core'
import { useBoats } from '../state/boats'

/** What to buy or make for a fitting, of whatever kind, each with its size, how many, and a word with it. */
const props = defineProps<{ parts: Part[] }>()
const boats = useBoats()
const rows = computed(() => props.parts.map((p) => partSaid(p, boats.units)))
</script>

<template>
  <table class="rows small" aria-label="Parts">
    <thead>
      <tr>
        <th>What</th>
        <th class="number">Size</th>
        <th class="number">How many</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(p, i) in rows" :key="i">
        <td>
          {{ p.what }} <span v-if="p.note" class="soft">· {{ p.note }}</span>
        </td>
        <td class="number">{{ p.size }}</td>
        <td class="number">{{ p.count }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
td:first-child {
  min-width: 120px;
}
td.number {
  white-space: normal;
  max-width: 190px;
}
td:last-child {
  max-width: 76px;
}
</style>
