<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref, shallowRef, watch } from 'vue'
import { useElementSize } from '@vueuse/core'
import { select } from 'd3-selection'
import { zoom, zoomIdentity, type ZoomTransform } from 'd3-zoom'
import { formatInches, type Point, type Units } from '@north-tide/core'
import type { BoatPicture } from '../../types'
import LifeSign from '../../pieces/LifeSign.vue'

const props = defineProps<{ boat: BoatPicture; units: Units; layers: Record<string, boolean>; cursor: Point }>()
const emit = defineEmits<{ point: [p: Point | null]; move: [p: Point]; place: [p: Point]; fitting: [id: string]; hole: [id: number] }>()

const host = ref<HTMLElement>()
const svg = ref<SVGSVGElement>()
const { width, height } = useElementSize(host)
const transform = shallowRef<ZoomTransform>(zoomIdentity)
const behaviour = zoom<SVGSVGElement, unknown>().scaleExtent([0.7, 40]).clickDistance(5).on('zoom', (e: { transform: ZoomTransform }) => (transform.value = e.transform))

onMounted(() => {
  select(svg.value!).call(behaviour).on('dblclick.zoom', null)
})
onUnmounted(() => select(svg.value!).on('.zoom', null))
watch(() => props.boat.id, () => select(svg.value!).call(behaviour.transform, zoomIdentity))

const MARGIN = 40
/** Plan on top, profile below, one scale. */
const scale = computed(() => Math.max(0.01, Math.min((width.value - 2 * MARGIN) / props.boat.lengthMm, (height.value - 120) / (props.boat.beamMm + depth.value + 500))))
const depth = computed(() => Math.max(...props.boat.stations.map((s) => s.sheerMm)) - Math.min(...props.boat.stations.map((s) => s.keelMm)) + cabin.value)
const roof = computed(() => props.boat.zones.find((z) => z.face === 'roof'))
const cabin = computed(() => (roof.value ? Math.max(0, roof.value.zMm - Math.max(...props.boat.stations.map((s) => s.sheerMm))) : 0))
const planMid = computed(() => 56 + (props.boat.beamMm / 2) * scale.value)
const waterline = computed(() => planMid.value + (props.boat.beamMm / 2) * scale.value + 44 + (Math.max(...props.boat.stations.map((s) => s.sheerMm)) + cabin.value) * scale.value)
const X = (x: number) => MARGIN + x * scale.value
const Y = (y: number) => planMid.value - y * scale.value
const Z = (z: number) => waterline.value - z * scale.value
const k = computed(() => transform.value.k)

const path = (ps: Point[]) => `M${ps.map((p) => `${X(p.xMm).toFixed(1)} ${Y(p.yMm).toFixed(1)}`).join('L')}Z`
const smooth = (ps: [number, number][]) =>
  ps.map(([x, y], i) => {
    if (i === 0) return `M${x.toFixed(1)} ${y.toFixed(1)}`
    const [p0, p1, p2, p3] = [ps[Math.max(0, i - 2)]!, ps[i - 1]!, ps[i]!, ps[Math.min(ps.length - 1, i + 1)]!]
    const c = (a: [number, number], b: [number, number], d: [number, number], s: number): [number, number] => [b[0] + (s * (d[0] - a[0])) / 6, b[1] + (s * (d[1] - a[1])) / 6]
    const [c1, c2] = [c(p0, p1, p2, 1), c(p1, p2, p3, -1)]
    return `C${c1.map((v) => v.toFixed(1)).join(' ')} ${c2.map((v) => v.toFixed(1)).join(' ')} ${p2.map((v) => v.toFixed(1)).join(' ')}`
  }).join('')
const deckEdge = computed(() => {
  const side = (s: 1 | -1) => props.boat.stations.map((p): [number, number] => [X(p.xMm), Y(s * p.halfBreadthMm)])
  const port = side(-1).reverse()
  return `${smooth(side(1))}L${port[0]!.join(' ')}${smooth(port).replace(/^M[^C]*/, '')}Z`
})
const sheer = computed(() => smooth(props.boat.stations.map((p): [number, number] => [X(p.xMm), Z(p.sheerMm)])))
const keel = computed(() => smooth(props.boat.stations.slice().reverse().map((p): [number, number] => [X(p.xMm), Z(p.keelMm)])))
const hull = computed(() => {
  const last = props.boat.stations.at(-1)!
  return `${sheer.value}L${X(last.xMm)} ${Z(last.keelMm)}${keel.value.replace(/^M[^C]*/, '')}Z`
})
const cabinPath = computed(() => {
  if (!roof.value) return ''
  const xs = roof.value.outline.map((p) => p.xMm)
  const [a, b, z] = [Math.min(...xs), Math.max(...xs), roof.value.zMm]
  const sheerAt = (x: number) => {
    const s = props.boat.stations
    const i = Math.max(1, s.findIndex((p) => p.xMm >= x))
    return s[i - 1]!.sheerMm + ((s[i]!.sheerMm - s[i - 1]!.sheerMm) * (x - s[i - 1]!.xMm)) / (s[i]!.xMm - s[i - 1]!.xMm)
  }
  return `M${X(a - 90)} ${Z(sheerAt(a - 90))}L${X(a + 260)} ${Z(z)}L${X(b)} ${Z(z + 15)}L${X(b)} ${Z(sheerAt(b))}`
})
const halfAt = (x: number) => {
  const s = props.boat.stations
  const i = Math.max(1, s.findIndex((p) => p.xMm >= x))
  return s[i - 1]!.halfBreadthMm + ((s[i]!.halfBreadthMm - s[i - 1]!.halfBreadthMm) * (x - s[i - 1]!.xMm)) / (s[i]!.xMm - s[i - 1]!.xMm)
}
const ruler = computed(() => {
  const step = props.units === 'inch' ? 304.8 * (props.boat.lengthMm > 8000 ? 4 : 2) : props.boat.lengthMm > 8000 ? 2000 : 1000
  return Array.from({ length: Math.floor(props.boat.lengthMm / step) + 1 }, (_, i) => ({ x: i * step, text: props.units === 'inch' ? formatInches(i * step / 12) : String((i * step) / 1000) }))
})
const zones = computed(() => props.boat.zones.filter((z) => z.face === 'deck' || z.face === 'roof').slice().sort((a, b) => a.stacking - b.stacking))
/** The name goes where the zone is broadest and free of fittings. */
const zoneLabels = computed(() =>
  zones.value.filter((z) => !z.code.endsWith('-edge')).map((z) => {
    const xs = z.outline.map((p) => p.xMm)
    const ys = z.outline.map((p) => p.yMm)
    const [x0, x1] = [Math.min(...xs), Math.max(...xs)]
    const mid = (Math.min(...ys) + Math.max(...ys)) / 2
    const tall = Math.max(...ys) - Math.min(...ys)
    const spots = [0.5, 0.62, 0.38, 0.74, 0.86, 0.24].flatMap((f) => [0, 0.27, -0.27].map((g) => ({ x: x0 + f * (x1 - x0), y: mid + g * tall })))
    const half = (z.title.length * 3.8) / scale.value
    const clear = (p: { x: number; y: number }) => props.boat.fittings.every((f) => Math.abs(f.xMm - p.x) > half + 170 || Math.abs(f.yMm - p.y) > 240) && props.boat.holes.every((h) => Math.abs(h.xMm - p.x) > half + 90 || Math.abs(h.yMm - p.y) > 170)
    const at = spots.find(clear) ?? spots[0]!
    return { title: z.title, ...at }
  }),
)
const stacked = computed(() => {
  const seen = new Map<string, number>()
  return props.boat.holes.filter((h) => h.zMm >= 0 && h.zone !== 'Topsides').map((h) => {
    const key = `${Math.round(h.xMm)}:${Math.round(h.yMm)}`
    seen.set(key, (seen.get(key) ?? 0) + 1)
    return h
  })
})
const below = computed(() => props.boat.holes.filter((h) => h.zMm < 0 || h.zone === 'Topsides'))
const partsOf = (kind: string) => props.boat.parts.filter((p) => p.kind === kind)
const size = (f: BoatPicture['fittings'][number]) => ('diameterMm' in f.base ? { l: f.base.diameterMm, w: f.base.diameterMm, r: f.base.diameterMm / 2 } : { l: f.base.lengthMm, w: f.base.widthMm, r: 12 })
/** Signs keep the size of a thumb's aim, whatever the zoom, but never crowd a fitting's own pattern when the whole boat is in view. */
const sign = computed(() => Math.min(1, 0.42 + 0.14 * k.value) / k.value)

function toBoat(e: MouseEvent): Point {
  const r = svg.value!.getBoundingClientRect()
  const [sx, sy] = transform.value.invert([e.clientX - r.left, e.clientY - r.top])
  return { xMm: (sx - MARGIN) / scale.value, yMm: (planMid.value - sy) / scale.value }
}
const onPlan = (p: Point) => Math.abs(p.yMm) <= props.boat.beamMm / 2 + 200 && p.xMm >= -200 && p.xMm <= props.boat.lengthMm + 200
function hover(e: PointerEvent) {
  const p = toBoat(e)
  emit('point', onPlan(p) ? p : null)
}
function click(e: MouseEvent) {
  const p = toBoat(e)
  if (onPlan(p)) emit('place', { xMm: Math.round(p.xMm), yMm: Math.round(p.yMm) })
}
function key(e: KeyboardEvent) {
  const step = e.shiftKey ? 500 : 50
  const moves: Record<string, [number, number]> = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, step], ArrowDown: [0, -step] }
  const m = moves[e.key]
  if (m) emit('move', { xMm: Math.max(0, Math.min(props.boat.lengthMm, props.cursor.xMm + m[0])), yMm: Math.max(-props.boat.beamMm / 2, Math.min(props.boat.beamMm / 2, props.cursor.yMm + m[1])) })
  else if (e.key === '+' || e.key === '=' || e.key === '-') zoomBy(e.key === '-' ? 1 / 1.5 : 1.5)
  else if (e.key === '0') reset()
  else if (e.key === 'Enter' && e.target === svg.value) emit('place', props.cursor)
  else return
  e.preventDefault()
}
const zoomBy = (f: number) => behaviour.scaleBy(select(svg.value!), f)
const reset = () => behaviour.transform(select(svg.value!), zoomIdentity)
</script>

<template>
  <div ref="host" class="host">
    <svg ref="svg" class="plan" tabindex="0" role="group" :aria-label="`Plan of ${boat.name}, bow left, starboard up. Arrows move the cursor, Enter places a fitting.`" @pointermove="hover" @pointerleave="emit('point', null)" @click="click" @keydown="key">
      <defs>
        <pattern id="wet" width="14" height="9" patternUnits="userSpaceOnUse"><rect width="14" height="9" fill="var(--water)" /><path d="M0 5Q3.5 1 7 5T14 5" fill="none" stroke="var(--water-ink)" stroke-width="1.3" /></pattern>
      </defs>
      <g :transform="transform.toString()" :style="{ '--k': String(1 / k) }">
        <g class="ruler">
          <path :d="`M${X(0)} 30H${X(boat.lengthMm)}${ruler.map((r) => `M${X(r.x)} 25V35`).join('')}`" class="thin" />
          <text v-for="r in ruler" :key="r.x" :x="X(r.x)" y="20" text-anchor="middle" class="figure-text">{{ r.text }}</text>
          <text :x="X(boat.lengthMm) + 6" y="20" class="label">{{ units === 'inch' ? 'ft' : 'm' }}</text>
        </g>
        <path :d="deckEdge" class="deck" />
        <path v-for="z in zones" :key="z.code" :d="path(z.outline)" class="zone" :class="[z.face, { edge: z.code.endsWith('-edge') }]" />
        <g v-if="layers.Structure">
          <path v-for="b in partsOf('beam')" :key="`b${b.x0Mm}`" :d="`M${X(b.x0Mm)} ${Y(halfAt(b.x0Mm))}V${Y(-halfAt(b.x0Mm))}`" class="hidden-line" />
          <path v-for="l in partsOf('longitudinal')" :key="`l${l.y0Mm}`" :d="`M${X(l.x0Mm)} ${Y(l.y0Mm)}H${X(l.x1Mm)}`" class="hidden-line long" />
          <g v-for="t in partsOf('tank')" :key="t.title"><rect :x="X(t.x0Mm)" :y="Y(Math.max(t.y0Mm, t.y1Mm))" :width="X(t.x1Mm) - X(t.x0Mm)" :height="Math.abs(Y(t.y1Mm) - Y(t.y0Mm))" class="tank" /><text :x="X((t.x0Mm + t.x1Mm) / 2)" :y="Y(Math.min(t.y0Mm, t.y1Mm)) - 6" text-anchor="middle" class="label">{{ t.title.toLowerCase() }} under</text></g>
          <g v-for="b in partsOf('bulkhead')" :key="b.title"><path :d="`M${X(b.x0Mm)} ${Y(b.y0Mm)}V${Y(b.y1Mm)}`" class="bulkhead" /><text :x="X(b.x0Mm)" :y="Y(halfAt(b.x0Mm)) - 7" text-anchor="middle" class="label">{{ b.title.toLowerCase() }}</text></g>
        </g>
        <g v-if="layers.Wetness">
          <ellipse v-for="w in partsOf('wet')" :key="w.title" :cx="X((w.x0Mm + w.x1Mm) / 2)" :cy="Y((w.y0Mm + w.y1Mm) / 2)" :rx="Math.abs(X(w.x1Mm) - X(w.x0Mm)) / 2" :ry="Math.abs(Y(w.y1Mm) - Y(w.y0Mm)) / 2" class="wet"><title>{{ w.title }}</title></ellipse>
        </g>
        <text v-for="z in zoneLabels" :key="z.title" :x="X(z.x)" :y="Y(z.y) + 4" text-anchor="middle" class="label">{{ z.title.toLowerCase() }}</text>
        <g v-if="layers.Fittings">
          <a v-for="f in boat.fittings" :key="f.id" role="link" tabindex="0" :aria-label="`${f.name}, ${f.verdict}`" class="fitting" @click.stop="emit('fitting', f.id)" @keydown.enter.stop="emit('fitting', f.id)">
            <title>{{ f.name }}, {{ f.verdict }}</title>
            <rect :x="X(f.xMm - size(f).l / 2)" :y="Y(f.yMm + size(f).w / 2)" :width="size(f).l * scale" :height="size(f).w * scale" :rx="size(f).r * scale" :class="f.verdict" />
          </a>
        </g>
        <g v-if="layers.Holes">
          <a v-for="h in stacked" :key="h.id" role="link" :aria-label="`${h.label} ${h.whatFor}, ${h.state}`" class="hole" :transform="`translate(${X(h.xMm)} ${Y(h.yMm)}) scale(${sign})`" @click.stop="emit('hole', h.id)"><title>{{ h.label }} {{ h.whatFor }}: {{ h.state }}</title><circle r="14" fill="transparent" /><LifeSign :state="h.state" bare /></a>
        </g>
        <g class="cursor" :transform="`translate(${X(cursor.xMm)} ${Y(cursor.yMm)}) scale(${1 / k})`"><path d="M-13 0H-4M4 0H13M0-13V-4M0 4V13" /></g>

        <text :x="X(0)" :y="Z(Math.max(...boat.stations.map((s) => s.sheerMm)) + cabin) - 14" class="label">profile, starboard</text>
        <path v-if="cabinPath" :d="cabinPath" class="cabin" />
        <path :d="hull" class="deck" />
        <path :d="`M${X(-150)} ${Z(0)}H${X(boat.lengthMm + 150)}`" class="water" />
        <text :x="X(boat.lengthMm) - 4" :y="Z(0) - 5" text-anchor="end" class="label">waterline</text>
        <g v-if="layers.Structure"><path v-for="b in partsOf('bulkhead')" :key="`p${b.title}`" :d="`M${X(b.x0Mm)} ${Z(boat.stations.find((s) => s.xMm >= b.x0Mm)!.sheerMm)}V${Z(boat.stations.find((s) => s.xMm >= b.x0Mm)!.keelMm)}`" class="bulkhead" /></g>
        <g v-if="layers.Holes">
          <a v-for="h in below" :key="h.id" role="link" :aria-label="`${h.label} ${h.whatFor}, ${h.state}`" class="hole" :transform="`translate(${X(h.xMm)} ${Z(h.zMm)}) scale(${Math.max(sign, 0.7 / k)})`" @click.stop="emit('hole', h.id)"><title>{{ h.label }} {{ h.whatFor }}: {{ h.state }}</title><circle r="14" fill="transparent" /><LifeSign :state="h.state" bare /></a>
        </g>
      </g>
    </svg>
    <div class="zoom no-print"><button class="act" aria-label="Zoom in" @click="zoomBy(1.5)">+</button><button class="act" aria-label="Zoom out" @click="zoomBy(1 / 1.5)">−</button><button class="act" @click="reset">Whole boat</button></div>
    <p class="way soft small">bow left, starboard up · one scale</p>
  </div>
</template>

<style scoped>
.host { position: relative; background: var(--sheet); overflow: hidden; }
.plan { width: 100%; height: 100%; display: block; cursor: crosshair; touch-action: none; }
.deck { fill: color-mix(in srgb, var(--laminate) 55%, var(--sheet)); stroke: var(--ink); stroke-width: calc(1.6px * var(--k)); }
.zone { fill: transparent; stroke: var(--line-strong); stroke-width: calc(0.8px * var(--k)); }
.zone.deck:not(.edge) { fill: color-mix(in srgb, var(--laminate) 35%, transparent); }
.zone.roof { fill: var(--sheet); stroke: var(--ink); stroke-width: calc(1.1px * var(--k)); }
.thin { fill: none; stroke: var(--ink); stroke-width: calc(1px * var(--k)); }
.hidden-line { fill: none; stroke: var(--ink-soft); stroke-opacity: 0.55; stroke-width: calc(0.8px * var(--k)); stroke-dasharray: calc(4px * var(--k)) calc(3px * var(--k)); }
.long { stroke-dasharray: calc(9px * var(--k)) calc(4px * var(--k)); }
.tank { fill: none; stroke: var(--ink-soft); stroke-width: calc(0.9px * var(--k)); stroke-dasharray: calc(2px * var(--k)) calc(2px * var(--k)); }
.bulkhead { stroke: var(--ink); stroke-width: calc(3px * var(--k)); fill: none; }
.wet { fill: url(#wet); stroke: var(--water-ink); stroke-width: calc(1px * var(--k)); fill-opacity: 0.85; }
.water { stroke: var(--water-ink); stroke-width: calc(1.3px * var(--k)); stroke-dasharray: calc(10px * var(--k)) calc(5px * var(--k)); fill: none; }
.cabin { fill: none; stroke: var(--ink); stroke-width: calc(1.2px * var(--k)); }
.label { font: 600 calc(12px * var(--k)) var(--words); fill: var(--ink-soft); paint-order: stroke; stroke: var(--sheet); stroke-width: calc(3px * var(--k)); stroke-linejoin: round; }
.figure-text { font: 600 calc(12px * var(--k)) var(--figures); fill: var(--ink); }
.fitting { cursor: pointer; }
.fitting rect { fill: var(--hardware); stroke: var(--ink); stroke-width: calc(1.2px * var(--k)); }
.fitting rect.short { stroke: var(--short); stroke-width: calc(2px * var(--k)); stroke-dasharray: calc(4px * var(--k)) calc(2px * var(--k)); }
.fitting rect.unproven { stroke-dasharray: calc(3px * var(--k)) calc(2px * var(--k)); }
.fitting:hover rect { fill: var(--tide-soft); }
.hole { cursor: pointer; }
.cursor path { stroke: var(--buoy); stroke-width: 2; fill: none; pointer-events: none; }
.zoom { position: absolute; right: 12px; bottom: 12px; display: flex; gap: 6px; }
.way { position: absolute; left: 20px; bottom: 10px; pointer-events: none; }
</style>
