<script setup lang="ts">
import type { BoatPicture } from '../../../types'
import type { PlanSheet } from './sheet'
import { partsOf } from './things'
import type { WetOnPlan } from './wet-pictures'
import WetImages from './WetImages.vue'

/** Her side, seen from starboard: hull, cabin, water, what is wet there, and what goes through the hull. */
const props = defineProps<{
  boat: BoatPicture
  sheet: PlanSheet
  k: number
  /** readings of the sides, which lie within the hull's outline */
  wet: WetOnPlan[]
  throughHulls: BoatPicture['throughHulls']
  structure?: boolean
}>()
const emit = defineEmits<{ throughHull: [id: string] }>()
const { X, Z, hull, cabinPath, uprightAt } = props.sheet
</script>

<template>
  <g>
    <path v-if="cabinPath" :d="cabinPath" class="cabin" />
    <path :d="hull" class="deck" />
    <g v-if="wet.length" clip-path="url(#hull-side)">
      <WetImages :wet="wet" />
    </g>
    <path :d="`M${X(-150)} ${Z(0)}H${X(boat.lengthMm + 150)}`" class="water" />
    <g>
      <a
        v-for="f in throughHulls"
        :key="f.id"
        role="link"
        tabindex="0"
        :aria-label="`${f.name}, through the hull, ${f.verdict}`"
        :transform="`translate(${X(f.xMm)} ${Z(f.zMm)}) scale(${1 / k})`"
        @click.stop="emit('throughHull', f.id)"
        @keydown.enter.stop="emit('throughHull', f.id)"
      >
        <title>{{ f.name }}, {{ f.verdict }}</title>
        <circle r="14" fill="transparent" />
        <path d="M0-12L5.5-3A6.4 6.4 0 1 1-5.5-3Z" :class="['drop', f.verdict]" />
      </a>
    </g>
    <g v-if="structure">
      <path
        v-for="b in partsOf(boat, 'bulkhead')"
        :key="`p${b.title}`"
        :d="uprightAt(b.x0Mm)"
        class="bulkhead"
      />
    </g>
  </g>
</template>

<style scoped>
.deck {
  fill: color-mix(in srgb, var(--laminate) 55%, var(--sheet));
  stroke: var(--ink);
  stroke-width: calc(1.6px * var(--k));
}
.cabin {
  fill: none;
  stroke: var(--ink);
  stroke-width: calc(1.2px * var(--k));
}
.water {
  stroke: var(--water-ink);
  stroke-width: calc(1.3px * var(--k));
  stroke-dasharray: calc(10px * var(--k)) calc(5px * var(--k));
  fill: none;
}
.bulkhead {
  stroke: var(--ink);
  stroke-width: calc(3px * var(--k));
  fill: none;
}
.drop {
  cursor: pointer;
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.drop.short {
  stroke: var(--short);
  stroke-width: 2.6;
}
.drop.tight,
.drop.unproven {
  stroke-dasharray: 3 2;
}
</style>
