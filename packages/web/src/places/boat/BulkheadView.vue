<script setup lang="ts">
import { computed, ref } from 'vue'
import { useElementSize } from '@vueuse/core'
import { formatLength, halfBreadthOf, lifeSaid, type BoatZone, type Units } from '@north-tide/core'
import type { BoatPicture } from '../../types'
import LifeSign from '../../pieces/LifeSign.vue'
import type { Spot3 } from './plan/sheet'

/**
 * One bulkhead seen from aft, port on the left: its outline, what hull stands round it, holes and fittings
 * in it.
 */
const props = defineProps<{
  boat: BoatPicture
  zone: BoatZone
  units: Units
  layers: Record<string, boolean>
  lit: Set<number> | null
}>()
const emit = defineEmits<{ place: [p: Spot3]; hole: [id: number]; fitting: [id: string] }>()
const host = ref<HTMLElement>()
const svg = ref<SVGSVGElement>()
const { width, height } = useElementSize(host)
const x = computed(() => props.zone.atXMm ?? 0)
const half = computed(() => halfBreadthOf(props.boat.stations).halfBreadthAt(x.value))
const heights = computed(() => {
  const s = props.boat.stations
  const i = Math.min(
    s.length - 1,
    Math.max(
      1,
      s.findIndex((p) => p.xMm >= x.value),
    ),
  )
  const at = (k: 'sheerMm' | 'keelMm') =>
    s[i - 1]![k] + ((s[i]![k] - s[i - 1]![k]) * (x.value - s[i - 1]!.xMm)) / (s[i]!.xMm - s[i - 1]!.xMm)
  return { sheer: at('sheerMm'), keel: at('keelMm') }
})
const scale = computed(() =>
  Math.max(
    0.01,
    Math.min(
      (width.value - 120) / (2 * half.value + 200),
      (height.value - 90) / (heights.value.sheer - heights.value.keel + 200),
    ),
  ),
)
const Y = (y: number) => width.value / 2 + y * scale.value
const Z = (z: number) => 46 + (heights.value.sheer + 80 - z) * scale.value
const outline = computed(
  () => `M${props.zone.outline.map((p) => `${Y(p.xMm).toFixed(1)} ${Z(p.yMm).toFixed(1)}`).join('L')}Z`,
)
const hull = computed(
  () =>
    `M${Y(-half.value)} ${Z(heights.value.sheer)}C${Y(-half.value)} ${Z(heights.value.keel * 0.4)} ${Y(-half.value * 0.6)} ${Z(heights.value.keel * 0.7)} ${Y(0)} ${Z(heights.value.keel)}C${Y(half.value * 0.6)} ${Z(heights.value.keel * 0.7)} ${Y(half.value)} ${Z(heights.value.keel * 0.4)} ${Y(half.value)} ${Z(heights.value.sheer)}Z`,
)
const holes = computed(() => props.boat.holes.filter((h) => h.zoneCode === props.zone.code))
const fittings = computed(() => props.boat.fittings.filter((f) => f.zoneCode === props.zone.code))
function click(e: MouseEvent) {
  const r = svg.value!.getBoundingClientRect()
  const yMm = Math.round((e.clientX - r.left - width.value / 2) / scale.value)
  const zMm = Math.round(heights.value.sheer + 80 - (e.clientY - r.top - 46) / scale.value)
  emit('place', { xMm: Math.round(x.value), yMm, zMm, zone: props.zone.code })
}
const half2 = (f: BoatPicture['fittings'][number]) =>
  'diameterMm' in f.base ? f.base.diameterMm / 2 : Math.max(f.base.lengthMm, f.base.widthMm) / 2
</script>

<template>
  <div ref="host" class="host">
    <svg
      ref="svg"
      tabindex="0"
      role="group"
      :aria-label="`${zone.title}, seen from aft, port on the left`"
      @click="click"
      @keydown.enter.self="
        emit('place', { xMm: Math.round(x), yMm: 0, zMm: Math.round(zone.zMm), zone: zone.code })
      "
    >
      <path :d="hull" class="hull" />
      <path :d="outline" class="face" />
      <path :d="`M${Y(-half - 60)} ${Z(0)}H${Y(half + 60)}`" class="water" />
      <text :x="Y(half + 50)" :y="Z(0) - 5" text-anchor="end" class="label">waterline</text>
      <path :d="`M${Y(0)} ${Z(heights.sheer + 40)}V${Z(heights.keel - 40)}`" class="centre" />
      <text :x="width / 2" y="26" text-anchor="middle" class="label">
        {{ zone.title.toLowerCase() }}, {{ formatLength(x, units) }} aft of the stem, seen from aft ·
        {{ zone.layers.map((l) => `${formatLength(l.thicknessMm, units)} ${l.material}`).join(', ') }}
      </text>
      <text :x="Y(-half)" :y="Z(heights.sheer) - 8" class="label">port</text>
      <text :x="Y(half)" :y="Z(heights.sheer) - 8" text-anchor="end" class="label">starboard</text>
      <g v-if="layers.Fittings">
        <a
          v-for="f in fittings"
          :key="f.id"
          role="link"
          tabindex="0"
          :aria-label="`${f.name}, ${f.verdict}`"
          @click.stop="emit('fitting', f.id)"
          @keydown.enter.stop="emit('fitting', f.id)"
        >
          <circle :cx="Y(f.yMm)" :cy="Z(f.zMm)" :r="Math.max(5, half2(f) * scale)" class="fitting" />
        </a>
      </g>
      <g v-if="layers.Holes">
        <a
          v-for="h in holes"
          :key="h.id"
          role="link"
          tabindex="0"
          :aria-label="`${h.label} ${h.whatFor}, ${lifeSaid(h.state)}`"
          :class="{ faint: lit && !lit.has(h.id) }"
          :transform="`translate(${Y(h.yMm)} ${Z(h.zMm)})`"
          @click.stop="emit('hole', h.id)"
          @keydown.enter.stop="emit('hole', h.id)"
        >
          <title>{{ h.label }} {{ h.whatFor }}: {{ lifeSaid(h.state) }}</title>
          <circle r="14" fill="transparent" />
          <LifeSign :state="h.state" bare />
        </a>
      </g>
    </svg>
    <p v-if="!holes.length && !fittings.length" class="none soft">
      Nothing passes this bulkhead yet. Click where something goes.
    </p>
  </div>
</template>

<style scoped>
.host {
  position: relative;
  background: var(--sheet);
  overflow: hidden;
}
svg {
  width: 100%;
  height: 100%;
  display: block;
  cursor: crosshair;
}
.hull {
  fill: none;
  stroke: var(--ink-soft);
  stroke-dasharray: 5 4;
}
.face {
  fill: color-mix(in srgb, var(--laminate) 55%, var(--sheet));
  stroke: var(--ink);
  stroke-width: 1.6;
}
.water {
  stroke: var(--water-ink);
  stroke-dasharray: 10 5;
}
.centre {
  stroke: var(--ink-soft);
  stroke-opacity: 0.5;
  stroke-dasharray: 12 4 2 4;
}
.label {
  font: 600 0.75rem var(--words);
  fill: var(--ink-soft);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3px;
}
.fitting {
  fill: var(--hardware);
  stroke: var(--ink);
}
.faint {
  opacity: 0.25;
}
.none {
  position: absolute;
  left: 50%;
  bottom: 14px;
  transform: translateX(-50%);
}
a {
  cursor: pointer;
}
</style>
