<script setup lang="ts">
import type { BoatPicture } from '../../../types'
import type { PlanSheet } from './sheet'
import { partsOf } from './things'

/** What lies under the deck, in the plan: beams, knees, tanks, cables, bulkheads. */
const props = defineProps<{ boat: BoatPicture; sheet: PlanSheet }>()
const { X, Y, halfAt } = props.sheet
</script>

<template>
  <g>
    <path
      v-for="b in partsOf(boat, 'knee')"
      :key="`k${b.id}`"
      :d="`M${X(b.x0Mm)} ${Y(b.y0Mm)}L${X(b.x1Mm)} ${Y(b.y1Mm)}`"
      class="knee"
    />
    <path
      v-for="b in partsOf(boat, 'sling', 'bunk')"
      :key="`s${b.id}`"
      :d="
        b.kind === 'sling'
          ? `M${X(b.x0Mm)} ${Y(halfAt(b.x0Mm))}V${Y(-halfAt(b.x0Mm))}`
          : `M${X(b.x0Mm)} ${Y(b.y0Mm)}L${X(b.x1Mm)} ${Y(b.y1Mm)}`
      "
      class="lift"
    >
      <title>{{ b.title }}</title>
    </path>
    <path
      v-for="b in partsOf(boat, 'cable')"
      :key="`c${b.id}`"
      :d="`M${X(b.x0Mm)} ${Y(b.y0Mm)}L${X(b.x1Mm)} ${Y(b.y1Mm)}`"
      class="cable"
    >
      <title>{{ b.title }}</title>
    </path>
    <rect
      v-for="b in partsOf(boat, 'liner', 'headliner')"
      :key="`h${b.id}`"
      :x="X(Math.min(b.x0Mm, b.x1Mm))"
      :y="Y(Math.max(b.y0Mm, b.y1Mm))"
      :width="Math.abs(X(b.x1Mm) - X(b.x0Mm))"
      :height="Math.abs(Y(b.y1Mm) - Y(b.y0Mm))"
      class="lining"
    >
      <title>{{ b.title }}</title>
    </rect>
    <path
      v-for="b in partsOf(boat, 'beam')"
      :key="`b${b.id}`"
      :d="`M${X(b.x0Mm)} ${Y(halfAt(b.x0Mm))}V${Y(-halfAt(b.x0Mm))}`"
      class="hidden-line"
    />
    <path
      v-for="l in partsOf(boat, 'longitudinal')"
      :key="`l${l.id}`"
      :d="`M${X(l.x0Mm)} ${Y(l.y0Mm)}H${X(l.x1Mm)}`"
      class="hidden-line long"
    />
    <g v-for="t in partsOf(boat, 'tank')" :key="t.title">
      <rect
        :x="X(t.x0Mm)"
        :y="Y(Math.max(t.y0Mm, t.y1Mm))"
        :width="X(t.x1Mm) - X(t.x0Mm)"
        :height="Math.abs(Y(t.y1Mm) - Y(t.y0Mm))"
        class="tank"
      />
    </g>
    <g v-for="b in partsOf(boat, 'bulkhead')" :key="b.title">
      <path :d="`M${X(b.x0Mm)} ${Y(b.y0Mm)}V${Y(b.y1Mm)}`" class="bulkhead" />
    </g>
  </g>
</template>

<style scoped>
.lift {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: calc(3px * var(--k));
  stroke-dasharray: calc(2px * var(--k)) calc(5px * var(--k));
}
.hidden-line {
  fill: none;
  stroke: var(--ink-soft);
  stroke-opacity: 0.55;
  stroke-width: calc(0.8px * var(--k));
  stroke-dasharray: calc(4px * var(--k)) calc(3px * var(--k));
}
.long {
  stroke-dasharray: calc(9px * var(--k)) calc(4px * var(--k));
}
.tank {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: calc(0.9px * var(--k));
  stroke-dasharray: calc(2px * var(--k)) calc(2px * var(--k));
}
.bulkhead {
  stroke: var(--ink);
  stroke-width: calc(3px * var(--k));
  fill: none;
}
.knee {
  stroke: var(--ink);
  stroke-width: calc(3px * var(--k));
  fill: none;
  stroke-dasharray: calc(6px * var(--k)) calc(2px * var(--k));
}
.cable {
  stroke: var(--buoy);
  stroke-width: calc(1.4px * var(--k));
  fill: none;
  stroke-dasharray: calc(8px * var(--k)) calc(3px * var(--k)) calc(1px * var(--k)) calc(3px * var(--k));
}
.lining {
  fill: none;
  stroke: var(--ink-soft);
  stroke-opacity: 0.5;
  stroke-width: calc(0.8px * var(--k));
  stroke-dasharray: calc(1px * var(--k)) calc(5px * var(--k));
}
</style>
