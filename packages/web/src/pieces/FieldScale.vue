<script setup lang="ts">
import { formatQuantity } from '@north-tide/core'
import { useBoats } from '../state/boats'
import { FIELD_STEPS, fieldUnit, type FieldName } from './field-picture'

/** Which shade stands for which figure. */
defineProps<{ most: number; show: FieldName }>()
const boats = useBoats()
</script>

<template>
  <ul class="scale" aria-label="Scale">
    <li v-for="(q, i) in FIELD_STEPS" :key="q">
      <i :class="`l${i + 1}`" />
      {{ formatQuantity(Number((q * most).toPrecision(2)), fieldUnit(show), boats.units) }}
    </li>
  </ul>
</template>

<style scoped>
.scale {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  margin: 0;
  padding: 0;
  font: 600 0.75rem var(--figures);
}
i {
  display: inline-block;
  width: 16px;
  height: 12px;
  background: var(--tide);
  vertical-align: -1px;
}
.l1 {
  opacity: 0.16;
}
.l2 {
  opacity: 0.32;
}
.l3 {
  opacity: 0.5;
}
.l4 {
  opacity: 0.7;
}
.l5 {
  opacity: 0.95;
}
</style>
