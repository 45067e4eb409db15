<script setup lang="ts">
import dayjs from 'dayjs'
import { sayIn, type HeldWork } from '@north-tide/core'
import RowTable from '../../pieces/RowTable.vue'
import { useBoats } from '../../state/boats'

/** What cannot be worked on, by what holds it, until when, and what that costs. */
defineProps<{ held: HeldWork[]; to: (f: { kind: string; fittingId: string }) => string }>()
const boats = useBoats()
</script>

<template>
  <RowTable
    label="What is held"
    :columns="[
      { key: 'fitting', title: 'Work', by: (h) => h.fitting },
      { key: 'why', title: 'Held by', by: (h) => h.why },
      { key: 'until', title: 'Until', by: (h) => h.until ?? '9999' },
      { key: 'cost', title: 'Costs', number: true },
      { key: 'step', title: 'What waits' },
    ]"
    :rows="held"
    :known="(h) => h.fittingId + h.step"
    empty="Nothing is held."
  >
    <template #fitting="{ row: h }"
      ><RouterLink :to="to(h)">{{ h.fitting }}</RouterLink></template
    >
    <template #why="{ row: h }">{{ h.why }}</template>
    <template #until="{ row: h }">{{
      h.until ? dayjs(h.until).format('D MMM YYYY, HH:mm') : 'it is decided'
    }}</template>
    <template #cost="{ row: h }">{{
      h.costHours === null ? '' : h.costHours > 0 ? `${h.costHours.toFixed(1)} h` : 'nothing'
    }}</template>
    <template #step="{ row: h }"
      ><span class="small">{{ sayIn(h.text, boats.units).split(/[:.;]/)[0] }}</span></template
    >
  </RowTable>
</template>
