<script setup lang="ts">
import { computed } from 'vue'
import {
  formatLength,
  underPointer,
  underSide,
  type BoatZone,
  type Point,
  type Units,
} from '@north-tide/core'
import type { BoatPicture } from '../../types'
import WholeLabels from '../../pieces/WholeLabels.vue'

/** What the boat is made of under the pointer or the cursor, and how far the nearest hole is. */
const props = defineProps<{
  boat: BoatPicture
  units: Units
  at: Point
  /** in the profile, where a side of her is pointed at */
  side: { zone: BoatZone; spot: { xMm: number; zMm: number } } | null
  /** the pointer is on the map; else it is the cursor */
  pointed: boolean
}>()
const labelled = computed(() => props.boat.holes.map((h) => ({ label: h.label, xMm: h.xMm, yMm: h.yMm })))
const under = computed(() =>
  props.side
    ? underSide(props.side.zone, props.boat.wet[props.side.zone.code] ?? [], props.side.spot, props.units)
    : underPointer(
        { zones: props.boat.zones, parts: props.boat.parts, holes: labelled.value, wet: props.boat.wet },
        props.at,
        props.units,
      ),
)
const atSaid = computed(() => {
  const mm = (v: number) => formatLength(Math.abs(Math.round(v)), props.units)
  if (props.side) {
    const { xMm, zMm } = props.side.spot
    return `x ${mm(xMm)} \u00b7 ${mm(zMm)} ${zMm < 0 ? 'under' : 'over'} water`
  }
  const { xMm, yMm } = props.at
  const across = Math.round(yMm) === 0 ? 'centreline' : `${yMm > 0 ? 'stbd' : 'port'} ${mm(yMm)}`
  return `x ${mm(xMm)} \u00b7 ${across}`
})
const nearest = computed(() => {
  if (props.side) return null
  let found: { h: (typeof labelled.value)[number]; mm: number } | null = null
  for (const h of labelled.value) {
    const mm = Math.hypot(h.xMm - props.at.xMm, h.yMm - props.at.yMm)
    if (!found || mm < found.mm) found = { h, mm }
  }
  if (!found) return ''
  const dx = Math.round(props.at.xMm - found.h.xMm)
  const dy = Math.round(props.at.yMm - found.h.yMm)
  const far = (mm: number) => formatLength(Math.abs(mm), props.units)
  const [along, across] = [dx >= 0 ? 'aft' : 'forward', dy >= 0 ? 'starboard' : 'port']
  return `${far(dx)} ${along}, ${far(dy)} to ${across} of ${found.h.label}`
})
</script>

<template>
  <footer class="under" aria-live="off">
    <div>
      <span class="soft small">{{ pointed ? 'under the pointer' : 'at the cursor' }}</span><strong
        class="figure place-figure"
        >{{ atSaid }}</strong
      >
    </div>
    <p>
      <strong>{{ under.title }}.</strong> <WholeLabels :words="under.words" />
    </p>
    <div v-if="nearest !== null" class="from">
      <span class="soft small">from the nearest hole</span
      ><span class="figure"><WholeLabels :words="nearest || 'no hole yet'" /></span>
    </div>
  </footer>
</template>

<style scoped>
.under {
  grid-column: 1 / -1;
  border-top: 1px solid var(--ink);
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr) 260px;
  gap: 20px;
  padding: 10px 20px;
  align-items: start;
  overflow: hidden;
}
.under div {
  display: grid;
  gap: 2px;
}
.place-figure {
  font-size: 1rem;
}
.from {
  text-align: right;
}
@media (max-width: 767px) {
  .under {
    grid-template-columns: minmax(0, 1fr);
    gap: 4px;
    padding: 8px 14px;
    border-bottom: 1px solid var(--line-strong);
  }
  .from {
    text-align: left;
  }
}
</style>
