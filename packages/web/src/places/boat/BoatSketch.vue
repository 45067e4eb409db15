<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatLength, halfBreadthOf, snap, type Point, type Units } from '@north-tide/core'
import type { BoatPicture } from '../../types'

/**
 * The boat beside a form: what is typed is seen where it would lie before it is kept, and corners can be
 * dragged where they belong. In plan, x aft and y to starboard; on a side x and height; on a bulkhead y and
 * height.
 */
const props = withDefaults(
  defineProps<{
    boat: BoatPicture
    units: Units
    view?: 'plan' | 'side' | 'section'
    /** corners that are dragged, in order; two are a line */
    corners?: readonly Point[]
    /** what is being entered, and where */
    spot?: Point | null
    spotSizeMm?: number
    spotSaid?: string
    edit?: boolean
    /** corners are put down one after the other, by a press where each belongs */
    drawing?: boolean
    label: string
    /** the zone or part that is being changed: it does not snap to itself */
    self?: string
  }>(),
  {
    view: 'plan',
    corners: () => [],
    spot: null,
    spotSizeMm: 0,
    spotSaid: '',
    edit: false,
    drawing: false,
    self: '',
  },
)
const emit = defineEmits<{
  move: [index: number, to: Point]
  add: [after: number, at: Point]
  /** the figure is closed on its first corner */
  closed: []
}>()

const plan = computed(() => props.view === 'plan')
const outline = computed<Point[]>(() => {
  const s = props.boat.stations
  if (props.view === 'section') return []
  if (plan.value)
    return [
      ...s.map((p) => ({ xMm: p.xMm, yMm: p.halfBreadthMm })),
      ...[...s].reverse().map((p) => ({ xMm: p.xMm, yMm: -p.halfBreadthMm })),
    ]
  return [
    ...s.map((p) => ({ xMm: p.xMm, yMm: p.sheerMm })),
    ...[...s].reverse().map((p) => ({ xMm: p.xMm, yMm: p.keelMm })),
  ]
})
const IN_PLAN = ['deck', 'roof', 'coaming', 'cockpit']
const zones = computed(() =>
  plan.value ? props.boat.zones.filter((z) => IN_PLAN.includes(z.face) && z.code !== props.self) : [],
)
/** A part from y -1 to 1 stands for the whole breadth. */
const across = (p: { y0Mm: number; y1Mm: number }) => p.y0Mm === -1 && p.y1Mm === 1
const parts = computed(() => {
  const { halfBreadthAt } = halfBreadthOf(props.boat.stations)
  return (plan.value ? props.boat.parts : [])
    .filter((p) => String(p.id) !== props.self)
    .map((p) => (across(p) ? { ...p, y0Mm: -halfBreadthAt(p.x0Mm), y1Mm: halfBreadthAt(p.x1Mm) } : p))
})
const holes = computed(() => (plan.value ? props.boat.holes : []))
/** The whole boat, or on a bulkhead what is entered; while a corner is held the picture stands still. */
const box = computed(() => {
  const ps = outline.value.length ? outline.value : props.corners
  const [xs, ys] = [ps.map((p) => p.xMm), ps.map((p) => -p.yMm)]
  const [x0, y0] = [Math.min(...xs, 0), Math.min(...ys, 0)]
  const [w, h] = [Math.max(...xs, 1) - x0, Math.max(...ys, 1) - y0]
  const m = 0.04 * Math.max(w, h)
  return { x: x0 - m, y: y0 - m, w: w + 2 * m, h: h + 2 * m }
})
const zoomed = ref(false)
const near = ref<typeof box.value | null>(null)
function closer() {
  zoomed.value = !zoomed.value
  const ps = props.spot ? [...props.corners, props.spot] : props.corners
  if (!zoomed.value || !ps.length) return (near.value = null)
  const [xs, ys] = [ps.map((p) => p.xMm), ps.map((p) => -p.yMm)]
  const w = Math.max(900, Math.max(...xs) - Math.min(...xs)) * 1.5
  const h = Math.max(900, Math.max(...ys) - Math.min(...ys)) * 1.5
  near.value = {
    x: (Math.max(...xs) + Math.min(...xs) - w) / 2,
    y: (Math.max(...ys) + Math.min(...ys) - h) / 2,
    w,
    h,
  }
}
const shown = computed(() => near.value ?? box.value)
const path = (ps: readonly Point[]) => ps.map((p) => `${p.xMm},${-p.yMm}`).join(' ')
const svg = ref<SVGSVGElement>()
/** mm for a pixel of the screen: handles and how near is near are as large as a thumb, whatever the scale */
const perPixel = () => {
  const m = svg.value?.getScreenCTM()
  return m ? 1 / m.a : shown.value.w / 600
}
function pointOf(e: PointerEvent | MouseEvent): Point | null {
  const m = svg.value?.getScreenCTM()
  if (!m) return null
  const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(m.inverse())
  return { xMm: p.x, yMm: -p.y }
}
const marks = computed(() => [
  ...zones.value.flatMap((z) =>
    z.outline.map((p) => ({ ...p, name: `a corner of ${z.title.toLowerCase()}` })),
  ),
  ...parts.value.flatMap((p) => [
    { xMm: p.x0Mm, yMm: p.y0Mm, name: `the end of ${p.title.toLowerCase()}` },
    { xMm: p.x1Mm, yMm: p.y1Mm, name: `the end of ${p.title.toLowerCase()}` },
  ]),
])
const said = ref('')
const SNAP_PX = 9
function settled(p: Point, index: number): Point {
  const s = snap(p, {
    marks: marks.value,
    ...(plan.value ? { stations: props.boat.stations } : {}),
    beside: props.corners.filter((_, i) => i !== index),
    withinMm: SNAP_PX * perPixel(),
    roundMm: props.units === 'inch' ? 25.4 / 4 : 10,
  })
  said.value = `${place(s)}${s.to ? `, ${s.to}` : ''}`
  return { xMm: Math.round(s.xMm * 100) / 100, yMm: Math.round(s.yMm * 100) / 100 }
}
const place = (p: Point) =>
  `${formatLength(Math.round(p.xMm), props.units)}, ${formatLength(Math.round(p.yMm), props.units)}`
function put(e: MouseEvent) {
  if (!props.drawing || held.value !== null) return
  const p = pointOf(e)
  if (p) emit('add', props.corners.length - 1, settled(p, -1))
}
const held = ref<number | null>(null)
function take(i: number, e: PointerEvent) {
  if (!props.edit) return
  if (props.drawing && i === 0 && props.corners.length > 2) return emit('closed')
  held.value = i
  ;(e.target as Element).setPointerCapture(e.pointerId)
}
function drag(e: PointerEvent) {
  if (held.value === null) return
  const p = pointOf(e)
  if (p) emit('move', held.value, settled(p, held.value))
}
const STEP_MM = 10
function nudge(i: number, e: KeyboardEvent) {
  const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[e.key]
  if (!way || !props.edit) return
  e.preventDefault()
  const step = (props.units === 'inch' ? 25.4 / 4 : STEP_MM) * (e.shiftKey ? 10 : 1)
  const c = props.corners[i]!
  const to = { xMm: c.xMm + way[0]! * step, yMm: c.yMm + way[1]! * step }
  said.value = place(to)
  emit('move', i, to)
}
const edges = computed(() =>
  props.corners.length > 2 && props.edit && !props.drawing
    ? props.corners.map((p, i) => {
        const q = props.corners[(i + 1) % props.corners.length]!
        return { xMm: (p.xMm + q.xMm) / 2, yMm: (p.yMm + q.yMm) / 2 }
      })
    : [],
)
const r = computed(() => shown.value.w / 110)
</script>

<template>
  <figure class="sketch">
    <svg
      ref="svg"
      :viewBox="`${shown.x} ${shown.y} ${shown.w} ${shown.h}`"
      role="group"
      :aria-label="label"
      :class="{ drawing }"
      @click="put"
      @pointermove="drag"
      @pointerup="held = null"
      @pointercancel="held = null"
    >
      <polygon v-if="outline.length" class="boat" :points="path(outline)" />
      <line v-if="view !== 'plan'" class="water" :x1="shown.x" :x2="shown.x + shown.w" y1="0" y2="0" />
      <polygon v-for="z in zones" :key="z.code" class="zone" :points="path(z.outline)" />
      <line
        v-for="p in parts"
        :key="p.id"
        class="part"
        :x1="p.x0Mm"
        :y1="-p.y0Mm"
        :x2="p.x1Mm"
        :y2="-p.y1Mm"
      />
      <circle v-for="h in holes" :key="h.id" class="hole" :cx="h.xMm" :cy="-h.yMm" :r="r * 0.5" />
      <component
        :is="corners.length > 2 ? 'polygon' : 'polyline'"
        v-if="corners.length > 1"
        class="own"
        :points="path(corners)"
      />
      <circle
        v-for="(p, i) in edges"
        :key="`e${i}`"
        class="middle"
        :cx="p.xMm"
        :cy="-p.yMm"
        :r="r * 0.6"
        role="button"
        tabindex="0"
        :aria-label="`A new corner between ${i + 1} and ${((i + 1) % corners.length) + 1}`"
        @click.stop="emit('add', i, p)"
        @keydown.enter.prevent="emit('add', i, p)"
      />
      <circle
        v-for="(c, i) in edit ? corners : []"
        :key="i"
        class="corner"
        :class="{ held: held === i }"
        :cx="c.xMm"
        :cy="-c.yMm"
        :r="r"
        role="button"
        tabindex="0"
        :aria-label="`Corner ${i + 1}: ${place(c)}. Drag it, or move it by the arrow keys`"
        @click.stop
        @pointerdown.prevent="take(i, $event)"
        @keydown="nudge(i, $event)"
      />
      <g v-if="spot" class="spot">
        <circle :cx="spot.xMm" :cy="-spot.yMm" :r="Math.max(spotSizeMm / 2, r)" />
        <path :d="`M${spot.xMm - 2 * r} ${-spot.yMm}h${4 * r}M${spot.xMm} ${-spot.yMm - 2 * r}v${4 * r}`" />
      </g>
    </svg>
    <figcaption class="small soft">
      <span :role="edit ? 'status' : undefined">{{ said || spotSaid || label }}</span>
      <ElButton v-if="corners.length || spot" class="plain" :aria-pressed="zoomed" @click="closer">{{
        zoomed ? 'the whole boat' : 'closer'
      }}</ElButton>
    </figcaption>
  </figure>
</template>

<style scoped>
.sketch {
  margin: 0;
  display: grid;
  gap: 4px;
}
svg {
  width: 100%;
  max-height: 320px;
  background: var(--sheet);
  border: 1px solid var(--line);
  touch-action: none;
}
svg.drawing {
  cursor: crosshair;
}
svg > * {
  vector-effect: non-scaling-stroke;
}
.boat {
  fill: var(--laminate);
  stroke: var(--ink);
  stroke-width: 1.4;
}
.zone {
  fill: none;
  stroke: var(--line-strong);
  stroke-width: 1;
}
.part {
  stroke: var(--ink-soft);
  stroke-width: 1;
  stroke-dasharray: 4 3;
}
.hole {
  fill: var(--ink-soft);
}
.water {
  stroke: var(--water-ink);
  stroke-dasharray: 8 5;
}
.own {
  fill: color-mix(in srgb, var(--tide) 22%, transparent);
  stroke: var(--tide);
  stroke-width: 2;
}
.corner {
  fill: var(--sheet);
  stroke: var(--tide);
  stroke-width: 2.4;
  cursor: grab;
}
.corner.held {
  fill: var(--tide);
}
.middle {
  fill: var(--tide-soft);
  stroke: var(--tide);
  stroke-width: 1;
  cursor: copy;
}
.corner:focus-visible,
.middle:focus-visible {
  outline: none;
  stroke: var(--buoy);
  stroke-width: 4;
}
.spot circle {
  fill: color-mix(in srgb, var(--buoy) 30%, transparent);
  stroke: var(--buoy);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
.spot path {
  stroke: var(--buoy);
  stroke-width: 1.4;
  vector-effect: non-scaling-stroke;
}
figcaption {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  min-height: 22px;
}
figcaption button {
  color: var(--tide);
  text-decoration: underline;
}
</style>
