<script setup lang="ts">
import { computed, ref } from 'vue'
import type { ZoomTransform } from 'd3-zoom'

/** Over the map while holes are chosen: a box takes what lies in it, a press the nearest. */
const props = defineProps<{
  signs: { id: number; x: number; y: number }[]
  transform: ZoomTransform
  allowed: Set<number>
  chosen: Set<number>
}>()
const emit = defineEmits<{ toggle: [ids: number[]] }>()
const AIM_PX = 16
/** Less is a press and no box. */
const PRESS_PX = 5
const svg = ref<SVGSVGElement>()
const from = ref<{ x: number; y: number } | null>(null)
const to = ref<{ x: number; y: number } | null>(null)
const placed = computed(() =>
  props.signs
    .filter((s) => props.allowed.has(s.id))
    .map((s) => ({
      id: s.id,
      x: s.x * props.transform.k + props.transform.x,
      y: s.y * props.transform.k + props.transform.y,
    })),
)
const box = computed(() =>
  from.value && to.value
    ? {
        x: Math.min(from.value.x, to.value.x),
        y: Math.min(from.value.y, to.value.y),
        width: Math.abs(to.value.x - from.value.x),
        height: Math.abs(to.value.y - from.value.y),
      }
    : null,
)
function at(e: PointerEvent) {
  const r = svg.value!.getBoundingClientRect()
  return { x: e.clientX - r.left, y: e.clientY - r.top }
}
function down(e: PointerEvent) {
  svg.value!.setPointerCapture(e.pointerId)
  from.value = to.value = at(e)
}
const move = (e: PointerEvent) => from.value && (to.value = at(e))
function up() {
  const b = box.value
  const p = from.value
  from.value = to.value = null
  if (!b || !p) return
  if (b.width < PRESS_PX && b.height < PRESS_PX) {
    const near = placed.value
      .map((s) => ({ id: s.id, far: Math.hypot(s.x - p.x, s.y - p.y) }))
      .filter((s) => s.far <= AIM_PX)
      .sort((q, r) => q.far - r.far)[0]
    return near && emit('toggle', [near.id])
  }
  const inside = placed.value.filter(
    (s) => s.x >= b.x && s.x <= b.x + b.width && s.y >= b.y && s.y <= b.y + b.height,
  )
  if (inside.length)
    emit(
      'toggle',
      inside.map((s) => s.id),
    )
}
</script>

<template>
  <svg
    ref="svg"
    class="choose"
    aria-hidden="true"
    @pointerdown.prevent="down"
    @pointermove="move"
    @pointerup="up"
    @pointercancel="from = to = null"
  >
    <circle v-for="s in placed" :key="s.id" :cx="s.x" :cy="s.y" r="11" :class="{ on: chosen.has(s.id) }" />
    <rect v-if="box" v-bind="box" />
  </svg>
</template>

<style scoped>
.choose {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  cursor: crosshair;
  touch-action: none;
}
circle {
  fill: none;
  stroke: var(--tide);
  stroke-width: 1;
  stroke-dasharray: 2 3;
}
circle.on {
  stroke-width: 3;
  stroke-dasharray: none;
}
rect {
  fill: color-mix(in srgb, var(--tide) 12%, transparent);
  stroke: var(--tide);
  stroke-width: 1.5;
}
</style>
