<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import { useElementSize } from '@vueuse/core'
import {
  PATTERNS,
  STROKE,
  TONE_TITLES,
  formatLength,
  type Drawing,
  type Handle,
  type MaterialTone,
  type Units,
} from '@north-tide/core'
import { lettering } from './drawing-text'

/** Draws what the core set out, in the theme's inks. The same shapes go to the PDF and to files. */
const props = defineProps<{
  drawing: Drawing
  units: Units
  scaleBar?: boolean
  picked?: string | null
  editable?: boolean
}>()
const emit = defineEmits<{
  pick: [role: string]
  drag: [path: string, valueMm: number]
  type: [path: string, at: DOMRect]
}>()
const svg = ref<SVGSVGElement>()
const held = ref<{ handle: Handle; from: number } | null>(null)
const toDrawing = (e: PointerEvent, axis: 'x' | 'y') => {
  const m = svg.value?.getScreenCTM()?.inverse()
  if (!m) return 0
  const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(m)
  return axis === 'x' ? p.x : -p.y
}
function grab(e: PointerEvent, handle: Handle) {
  held.value = { handle, from: toDrawing(e, handle.axis) }
  ;(e.currentTarget as Element).setPointerCapture(e.pointerId)
}
/** Half a millimetre, a thirty-second of an inch, half a degree. */
const stepOf = (h: Handle) => (props.units === 'inch' && !h.degrees ? 25.4 / 32 : 0.5)
const valueSaid = (h: Handle) =>
  h.degrees ? `${Number(h.value.toFixed(1))}\u00b0` : formatLength(h.value, props.units)
const within = (h: Handle, v: number) => Math.min(h.mostMm ?? Infinity, Math.max(h.leastMm, v))
function pull(e: PointerEvent) {
  const h = held.value
  if (!h) return
  const step = stepOf(h.handle)
  const raw = h.handle.value + h.handle.per * (toDrawing(e, h.handle.axis) - h.from)
  const value = within(h.handle, Math.round(raw / step) * step)
  if (Math.abs(value - h.handle.value) > 1e-6 || value !== last) emit('drag', h.handle.path, (last = value))
}
let last = NaN
function key(e: KeyboardEvent, handle: Handle) {
  const step = stepOf(handle) * (e.shiftKey ? 10 : 1)
  const grow = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[e.key]
  if (!grow) return
  e.preventDefault()
  emit('drag', handle.path, within(handle, handle.value + grow * step))
}
const numeric = (role: string | undefined) => role !== undefined && /Mm$/.test(role)
const uid = useId().replace(/:/g, '')

const { width, height } = useElementSize(svg)
const letters = computed(() => lettering(props.drawing, width.value, height.value))
const box = computed(() => {
  const b = letters.value.bounds
  return `${b.minX} ${-b.maxY} ${b.maxX - b.minX} ${b.maxY - b.minY}`
})
const px = computed(() => props.drawing.textMm / 13)
const tones = computed(() =>
  [
    ...new Set(props.drawing.shapes.flatMap((s) => (s.kind === 'area' || s.kind === 'disc' ? [s.tone] : []))),
  ].filter((t) => PATTERNS[t]),
)
const points = (ps: { x: number; y: number }[]) => ps.map((p) => `${p.x},${-p.y}`).join(' ')
const fill = (t: MaterialTone) => (PATTERNS[t] ? `url(#${uid}-${t})` : t === 'none' ? 'none' : `var(--${t})`)
const bar = computed(() => props.drawing.scaleBarMm)
</script>

<template>
  <svg
    ref="svg"
    class="drawing"
    :viewBox="box"
    preserveAspectRatio="xMidYMid meet"
    :role="editable ? 'group' : 'img'"
    :aria-label="`${drawing.title}. ${drawing.description}`"
  >
    <defs>
      <pattern
        v-for="t in tones"
        :id="`${uid}-${t}`"
        :key="t"
        :width="PATTERNS[t]!.tile * drawing.textMm"
        :height="PATTERNS[t]!.tile * drawing.textMm"
        patternUnits="userSpaceOnUse"
      >
        <rect width="100%" height="100%" :fill="`var(--${t})`" />
        <polyline
          v-for="(s, i) in PATTERNS[t]!.strokes"
          :key="i"
          :points="
            s
              .map(
                ([x, y]) =>
                  `${x * PATTERNS[t]!.tile * drawing.textMm},${y * PATTERNS[t]!.tile * drawing.textMm}`,
              )
              .join(' ')
          "
          fill="none"
          :stroke="t === 'bedding' ? 'var(--on-bedding)' : 'var(--ink)'"
          stroke-opacity="0.5"
          stroke-linecap="round"
          :stroke-width="PATTERNS[t]!.width * drawing.textMm"
        />
      </pattern>
    </defs>
    <template v-for="(s, i) in drawing.shapes" :key="i">
      <polygon
        v-if="s.kind === 'area'"
        :points="points(s.points)"
        :fill="fill(s.tone)"
        stroke="var(--ink)"
        :stroke-width="(picked && s.role.startsWith(picked) ? 2.6 : STROKE.outline) * px"
        stroke-linejoin="round"
        class="part"
        @click="emit('pick', s.role)"
      >
        <title>{{ s.label ?? TONE_TITLES[s.tone] }}</title>
      </polygon>
      <circle
        v-else-if="s.kind === 'disc'"
        :cx="s.at.x"
        :cy="-s.at.y"
        :r="s.r"
        :fill="fill(s.tone)"
        stroke="var(--ink)"
        :stroke-width="px"
      >
        <title>{{ s.label }}</title>
      </circle>
      <circle
        v-else-if="s.kind === 'ring'"
        :cx="s.at.x"
        :cy="-s.at.y"
        :r="s.r"
        fill="none"
        :stroke="s.weight === 'load' ? 'var(--buoy)' : 'var(--ink)'"
        :stroke-width="STROKE[s.weight] * px"
      />
      <polyline
        v-else-if="s.kind === 'path'"
        :points="points(s.points)"
        fill="none"
        :stroke="s.weight === 'load' ? 'var(--buoy)' : 'var(--ink)'"
        :stroke-width="STROKE[s.weight] * px"
        :stroke-dasharray="s.weight === 'hidden' ? `${5 * px} ${3 * px}` : undefined"
      />
      <text
        v-else-if="!letters.hidden.has(i)"
        :x="s.at.x"
        :y="-s.at.y"
        :font-size="s.size * letters.grown"
        :text-anchor="s.anchor"
        :class="{ strong: s.weight === 'strong', load: s.load, live: s.role }"
        :transform="s.turned ? `rotate(-90 ${s.at.x} ${-s.at.y})` : undefined"
        @click="
          s.role &&
          (editable && numeric(s.role)
            ? emit('type', s.role, ($event.currentTarget as Element).getBoundingClientRect())
            : emit('pick', s.role))
        "
      >
        {{ s.text }}
      </text>
    </template>
    <g v-if="editable" class="handles">
      <rect
        v-for="h in drawing.handles ?? []"
        :key="`${h.path} ${h.label}`"
        :x="h.at.x - (h.axis === 'x' ? 3 : 7) * px"
        :y="-h.at.y - (h.axis === 'x' ? 7 : 3) * px"
        :width="(h.axis === 'x' ? 6 : 14) * px"
        :height="(h.axis === 'x' ? 14 : 6) * px"
        :rx="2 * px"
        :class="h.axis"
        :data-handle="h.path"
        tabindex="0"
        role="slider"
        :aria-label="`Grip: ${h.label}`"
        :aria-valuenow="Number(h.value.toFixed(2))"
        :aria-valuetext="valueSaid(h)"
        @pointerdown.prevent="grab($event, h)"
        @pointermove="pull"
        @pointerup="held = null"
        @pointercancel="held = null"
        @keydown="key($event, h)"
      >
        <title>{{ h.label }} {{ formatLength(h.value, units) }}: drag</title>
      </rect>
    </g>
    <g
      v-if="scaleBar && bar > 0"
      :transform="`translate(${letters.bounds.minX + drawing.textMm * 0.4} ${-letters.bounds.maxY + drawing.textMm * 1.1 * letters.grown})`"
    >
      <path
        :d="`M0 ${-drawing.textMm * 0.35}V${drawing.textMm * 0.35}M0 0H${bar}M${bar / 2} ${-drawing.textMm * 0.2}V${drawing.textMm * 0.2}M${bar} ${-drawing.textMm * 0.35}V${drawing.textMm * 0.35}`"
        fill="none"
        stroke="var(--ink)"
        :stroke-width="1.2 * px"
      />
      <text
        :x="bar + drawing.textMm * 0.5"
        :y="drawing.textMm * 0.35"
        :font-size="drawing.textMm * letters.grown"
        class="strong"
      >
        {{ formatLength(bar, units) }}
      </text>
    </g>
  </svg>
</template>

<style scoped>
.drawing {
  width: 100%;
  height: 100%;
  display: block;
}
.part {
  cursor: pointer;
}
.part:hover {
  filter: brightness(0.97);
}
text {
  font-family: var(--figures);
  fill: var(--ink);
}
text.strong {
  font-weight: 600;
}
text.load {
  fill: var(--buoy);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 0.3em;
  stroke-linejoin: round;
}
text.live {
  cursor: pointer;
}
.handles rect {
  fill: var(--tide);
  stroke: var(--sheet);
  stroke-width: 0.6;
  touch-action: none;
}
.handles rect.x {
  cursor: ew-resize;
}
.handles rect.y {
  cursor: ns-resize;
}
@media print {
  .handles {
    display: none;
  }
}
</style>
