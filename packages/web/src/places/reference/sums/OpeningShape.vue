<script setup lang="ts">
import { computed } from 'vue'
import { formatLength, type Units } from '@north-tide/core'

/** An opening with its true corners, the frame's flange round it, the raked core and each screw. */
const props = defineProps<{
  input: Record<string, unknown>
  answer: Record<string, unknown>
  units: Units
}>()
interface Spot {
  xMm: number
  yMm: number
}
type Outline =
  | { kind: 'rect'; lengthMm: number; widthMm: number; cornerMm?: number }
  | { kind: 'circle'; diameterMm: number }
  | { kind: 'polygon'; points: Spot[] }
const USUAL_FLANGE_MM = 25
const outline = computed(() => props.input.outline as Outline)
const screws = computed(() => props.answer.screws as Spot[])
const rake = computed(() => props.answer.rakeMm as number)
const flange = computed(() => (props.input.flangeWidthMm as number | undefined) ?? USUAL_FLANGE_MM)
const points = computed<Spot[]>(() => {
  const o = outline.value
  if (o.kind === 'polygon') return o.points
  const [l, w] = o.kind === 'circle' ? [o.diameterMm, o.diameterMm] : [o.lengthMm, o.widthMm]
  return [
    { xMm: -l / 2, yMm: -w / 2 },
    { xMm: l / 2, yMm: w / 2 },
  ]
})
/** A path, so that flange and rake are the same shape with a broad stroke. */
const path = computed(() => {
  const o = outline.value
  if (o.kind === 'polygon') return `M${o.points.map((p) => `${p.xMm} ${-p.yMm}`).join('L')}Z`
  const [l, w] = o.kind === 'circle' ? [o.diameterMm, o.diameterMm] : [o.lengthMm, o.widthMm]
  const r = o.kind === 'circle' ? o.diameterMm / 2 : (o.cornerMm ?? 0)
  const corner = (dx: number, dy: number) => (r ? `a${r} ${r} 0 0 1 ${dx * r} ${dy * r}` : '')
  return `M${-l / 2 + r} ${-w / 2}h${l - 2 * r}${corner(1, 1)}v${w - 2 * r}${corner(-1, 1)}h${2 * r - l}${corner(-1, -1)}v${2 * r - w}${corner(1, -1)}Z`
})
const view = computed(() => {
  const xs = points.value.map((p) => p.xMm)
  const ys = points.value.map((p) => -p.yMm)
  const m = Math.max(flange.value, rake.value) * 1.3
  const [x, y] = [Math.min(...xs) - m, Math.min(...ys) - m]
  return { x, y, w: Math.max(...xs) + m - x, h: Math.max(...ys) + m - y }
})
const line = computed(() => Math.max(view.value.w, view.value.h) / 260)
const dot = computed(() => ((props.input.screwDiameterMm as number | undefined) ?? 5) / 2)
</script>

<template>
  <figure>
    <svg
      :viewBox="`${view.x} ${view.y} ${view.w} ${view.h}`"
      role="img"
      aria-label="The opening seen from above, with its flange and screws"
    >
      <path
        :d="path"
        fill="none"
        stroke="var(--laminate)"
        :stroke-width="2 * flange"
        stroke-linejoin="round"
      />
      <path
        v-if="rake"
        :d="path"
        fill="none"
        stroke="var(--tide-soft)"
        :stroke-width="2 * rake"
        stroke-linejoin="round"
      />
      <path :d="path" fill="var(--sheet)" stroke="var(--ink)" :stroke-width="line" />
      <circle v-for="(s, i) in screws" :key="i" :cx="s.xMm" :cy="-s.yMm" :r="dot" fill="var(--ink)" />
    </svg>
    <figcaption class="soft small">
      The opening, its flange of {{ formatLength(flange, units) }} and {{ screws.length }} screws to
      scale<template v-if="rake">; shaded: core raked back {{ formatLength(rake, units) }}</template
      >.
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
svg {
  width: 100%;
  max-height: 300px;
}
</style>
