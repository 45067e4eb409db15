<script setup lang="ts">
import { computed } from 'vue'
import { formatQuantity, type Point } from '@north-tide/core'
import { useBoats } from '../state/boats'
import { FIELD_STEPS, FIELD_TITLES, fieldUnit, type FieldGrids, type FieldName } from './field-picture'

/** One answer of the plate solver, shaded over its panel, with what stands on it and the members under it. */
const props = defineProps<{
  title: string
  fields: FieldGrids
  show: FieldName
  most: number
  /** on the panel, whose corner is the origin, y to starboard */
  outlines: { points: Point[]; look: 'solid' | 'dashed' | 'hole' }[]
  members: { axis: 'x' | 'y'; atMm: number }[]
}>()
const emit = defineEmits<{ probe: [at: Point | null] }>()
const boats = useBoats()
const w = computed(() => props.fields.xMm.at(-1)!)
const h = computed(() => props.fields.yMm.at(-1)!)
const half = (list: number[], i: number, by: -1 | 1) =>
  list[i + by] === undefined ? list[i]! : (list[i]! + list[i + by]!) / 2
const shaded = computed(() => {
  const { xMm, yMm } = props.fields
  const grid = props.fields[props.show]
  const cells: { x: number; y: number; w: number; h: number; look: string }[] = []
  let peak = { x: 0, y: 0, v: 0 }
  for (let j = 0; j < yMm.length; j++)
    for (let i = 0; i < xMm.length; i++) {
      const v = grid[j]![i]!
      if (Math.abs(v) > Math.abs(peak.v)) peak = { x: xMm[i]!, y: h.value - yMm[j]!, v }
      const level = FIELD_STEPS.filter((q) => Math.abs(v) / props.most >= q).length
      if (!level) continue
      const [xa, xb, ya, yb] = [half(xMm, i, -1), half(xMm, i, 1), half(yMm, j, -1), half(yMm, j, 1)]
      const look = `l${level} ${v < 0 ? 'down' : 'up'}`
      cells.push({ x: xa, y: h.value - yb, w: xb - xa, h: yb - ya, look })
    }
  return { cells, peak }
})
const peakR = computed(() => 0.012 * Math.max(w.value, h.value))
const cross = computed(() => {
  const { x, y } = shaded.value.peak
  const arm = 2 * peakR.value
  return `M${x - arm} ${y}h${2 * arm}M${x} ${y - arm}v${2 * arm}`
})
const peakSaid = computed(() =>
  formatQuantity(Number(shaded.value.peak.v.toPrecision(3)), fieldUnit(props.show), boats.units),
)
const pointsOf = (ps: Point[]) => ps.map((p) => `${p.xMm},${h.value - p.yMm}`).join(' ')
const beams = computed(() =>
  props.members
    .map((m) => (m.axis === 'x' ? `M${m.atMm} 0V${h.value}` : `M0 ${h.value - m.atMm}H${w.value}`))
    .join(''),
)
function point(e: PointerEvent) {
  const m = (e.currentTarget as SVGSVGElement).getScreenCTM()?.inverse()
  if (!m) return
  const q = new DOMPoint(e.clientX, e.clientY).matrixTransform(m)
  const at = { xMm: q.x, yMm: h.value - q.y }
  const on = at.xMm >= 0 && at.xMm <= w.value && at.yMm >= 0 && at.yMm <= h.value
  emit('probe', on ? at : null)
}
</script>

<template>
  <figure>
    <svg
      :viewBox="`${-0.02 * w} ${-0.02 * h} ${1.04 * w} ${1.04 * h}`"
      role="img"
      :aria-label="`${FIELD_TITLES[show]}, ${title}: greatest ${peakSaid}`"
      @pointermove="point"
      @pointerleave="emit('probe', null)"
    >
      <rect x="0" y="0" :width="w" :height="h" class="panel" />
      <rect
        v-for="(c, i) in shaded.cells"
        :key="i"
        :x="c.x"
        :y="c.y"
        :width="c.w * 1.02"
        :height="c.h * 1.02"
        :class="['cell', c.look]"
      />
      <polygon v-for="(o, i) in outlines" :key="`o${i}`" :points="pointsOf(o.points)" :class="o.look" />
      <path :d="`M0 0H${w}V${h}H0Z`" class="beams" />
      <path v-if="beams" :d="beams" class="beams under" />
      <g v-if="shaded.peak.v" class="peak">
        <circle :cx="shaded.peak.x" :cy="shaded.peak.y" :r="peakR" />
        <path :d="cross" />
      </g>
    </svg>
    <figcaption class="small">{{ title }}: greatest {{ peakSaid }}</figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  flex: 1;
  min-width: 0;
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
}
svg {
  width: 100%;
  height: 100%;
  min-height: 0;
}
.panel {
  fill: var(--sheet);
}
.cell.up {
  fill: var(--tide);
}
.cell.down {
  fill: var(--buoy);
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
.beams,
.solid,
.dashed,
.peak circle,
.peak path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
  vector-effect: non-scaling-stroke;
}
.beams {
  stroke-width: 4;
}
.beams.under {
  stroke-width: 2.5;
}
.dashed {
  stroke-dasharray: 6 4;
}
.hole {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 1.8;
  vector-effect: non-scaling-stroke;
}
</style>
