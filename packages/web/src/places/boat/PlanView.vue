<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref, shallowRef, watch } from 'vue'
import { useElementSize } from '@vueuse/core'
import { select } from 'd3-selection'
import { zoom, zoomIdentity, type ZoomTransform } from 'd3-zoom'
import type { BoatZone, Point, Units } from '@north-tide/core'
import type { BoatPicture } from '../../types'
import PhotoPins from './PhotoPins.vue'
import HoleLayer, { type Sign } from './HoleLayer.vue'
import FittingLayer from './plan/FittingLayer.vue'
import MapKeys from './plan/MapKeys.vue'
import PlanPatterns from './plan/PlanPatterns.vue'
import ProfileLayer from './plan/ProfileLayer.vue'
import { usePlanNames } from './plan/names'
import { usePointing } from './plan/pointing'
import { usePlanSheet, type Spot3 } from './plan/sheet'
import StructureLayer from './plan/StructureLayer.vue'
import { REACH_MARK, partsOf } from './plan/things'
import { useWetPictures } from './plan/wet-pictures'
import WetImages from './plan/WetImages.vue'

const props = defineProps<{
  boat: BoatPicture
  units: Units
  layers: Record<string, boolean>
  cursor: Point
  lit: Set<number> | null
  litFittings: Set<string> | null
}>()
const emit = defineEmits<{
  point: [p: Point | null]
  side: [s: { zone: BoatZone; spot: { xMm: number; zMm: number } } | null]
  move: [p: Point]
  place: [p: Spot3]
  fitting: [id: string]
  throughHull: [id: string]
  hole: [id: number]
}>()
/** What goes through the hull stands in the profile, on whichever side; what was replaced is gone. */
const throughHull = computed(() =>
  props.boat.throughHulls.filter((f) => !props.boat.throughHulls.some((o) => o.replacesId === f.id)),
)
const host = ref<HTMLElement>()
const svg = ref<SVGSVGElement>()
const { width, height } = useElementSize(host)
const REACH_KEY_PX = 30
const transform = shallowRef<ZoomTransform>(zoomIdentity)
const behaviour = zoom<SVGSVGElement, unknown>()
  .scaleExtent([0.7, 40])
  .clickDistance(5)
  .on('zoom', (e: { transform: ZoomTransform }) => (transform.value = e.transform))

onMounted(() => {
  select(svg.value!).call(behaviour).on('dblclick.zoom', null)
})
onUnmounted(() => select(svg.value!).on('.zoom', null))
watch(
  () => props.boat.id,
  () => select(svg.value!).call(behaviour.transform, zoomIdentity),
)

const sheet = usePlanSheet(
  () => props.boat,
  () => props.units,
  width,
  // The key of reach has a row of its own, and lies over nothing.
  computed(() => height.value - (props.layers.Reach ? REACH_KEY_PX : 0)),
)
const { scale, X, Y, Z, path, deckEdge, hull, ruler } = sheet
const k = computed(() => transform.value.k)
const zones = computed(() =>
  props.boat.zones
    .filter((z) => z.face === 'deck' || z.face === 'roof')
    .slice()
    .sort((a, b) => a.stacking - b.stacking),
)
const inProfile = (h: BoatPicture['holes'][number]) =>
  h.zMm < 0 ||
  props.boat.zones.some((z) => z.code === h.zoneCode && (z.face === 'topsides' || z.face === 'bottom'))
const onBulkhead = computed(
  () => new Set(props.boat.zones.filter((z) => z.face === 'bulkhead').map((z) => z.code)),
)
const signs = computed<Sign[]>(() =>
  props.layers.Holes
    ? props.boat.holes
        .filter((h) => !onBulkhead.value.has(h.zoneCode ?? ''))
        .map((h) => ({
          id: h.id,
          x: X(h.xMm),
          y: inProfile(h) ? Z(h.zMm) : Y(h.yMm),
          state: h.state,
          label: h.label,
        }))
    : [],
)
const wetPictures = useWetPictures(
  () => props.boat,
  () => !!props.layers.Wetness,
  host,
  sheet,
)
const wetDeck = computed(() => wetPictures.value.filter((w) => !w.side))
const wetSides = computed(() => wetPictures.value.filter((w) => w.side))
/**
 * Signs keep the size of a thumb's aim, whatever the zoom, but never crowd a fitting's own pattern when
 * the whole boat is in view.
 */
const sign = computed(() => Math.min(1, 0.42 + 0.14 * k.value))
const labels = usePlanNames({
  boat: () => props.boat,
  sheet,
  k,
  signSize: sign,
  signs,
  throughHull,
  structure: () => !!props.layers.Structure,
})
const zoomBy = (f: number) => behaviour.scaleBy(select(svg.value!), f)
const reset = () => behaviour.transform(select(svg.value!), zoomIdentity)
const { over, hover, leave, click, key } = usePointing({
  boat: () => props.boat,
  cursor: () => props.cursor,
  svg,
  transform,
  signs,
  sheet,
  zoomBy,
  reset,
  tell: {
    point: (p) => emit('point', p),
    side: (at) => emit('side', at),
    move: (p) => emit('move', p),
    place: (p) => emit('place', p),
    hole: (id) => emit('hole', id),
  },
})
</script>

<template>
  <div ref="host" class="host" :style="{ '--plan-w': width, '--plan-h': height }">
    <svg
      ref="svg"
      class="plan"
      :viewBox="width && height ? `0 0 ${width} ${height}` : undefined"
      :class="{ aim: over }"
      tabindex="0"
      role="group"
      :aria-label="`Plan of ${boat.name}, bow left, starboard up. Arrows move the cursor, Enter places a fitting, o opens the nearest hole.`"
      @pointermove="hover"
      @pointerleave="leave"
      @click="click"
      @keydown="key"
    >
      <PlanPatterns :hull="hull" />
      <g :transform="transform.toString()" :style="{ '--k': String(1 / k) }">
        <g
          v-memo="[
            boat,
            units,
            layers.Structure,
            layers.Fittings,
            layers.Wetness,
            layers.Reach,
            layers.Holes,
            scale,
            k,
            cursor,
            litFittings,
            wetPictures,
            width,
            height,
          ]"
        >
          <g class="ruler">
            <path
              :d="`M${X(0)} 30H${X(boat.lengthMm)}${ruler.map((r) => `M${X(r.x)} 25V35`).join('')}`"
              class="thin"
            />
            <text v-for="r in ruler" :key="r.x" :x="X(r.x)" y="20" text-anchor="middle" class="figure-text">
              {{ r.text }}
            </text>
            <text :x="X(boat.lengthMm) + 6" y="20" class="label">{{ units === 'inch' ? 'ft' : 'm' }}</text>
          </g>
          <path :d="deckEdge" class="deck" />
          <path
            v-for="z in zones"
            :key="z.code"
            :d="path(z.outline)"
            class="zone"
            :class="[z.face, { edge: z.code.endsWith('-edge') }]"
          />
          <g v-if="layers.Reach">
            <g v-for="z in zones" :key="`r${z.code}`">
              <path
                v-if="z.reachKind !== 'open'"
                :d="path(z.outline)"
                :fill="`url(#${REACH_MARK[z.reachKind ?? 'unknown']})`"
                class="reach"
              />
            </g>
          </g>
          <g v-if="layers.Wetness">
            <WetImages :wet="wetDeck" />
          </g>
          <StructureLayer v-if="layers.Structure" :boat="boat" :sheet="sheet" />
          <g v-if="layers.Wetness">
            <ellipse
              v-for="w in partsOf(boat, 'wet')"
              :key="w.title"
              :cx="X((w.x0Mm + w.x1Mm) / 2)"
              :cy="Y((w.y0Mm + w.y1Mm) / 2)"
              :rx="Math.abs(X(w.x1Mm) - X(w.x0Mm)) / 2"
              :ry="Math.abs(Y(w.y1Mm) - Y(w.y0Mm)) / 2"
              class="wet"
            >
              <title>{{ w.title }}</title>
            </ellipse>
          </g>
          <FittingLayer
            v-if="layers.Fittings"
            :boat="boat"
            :sheet="sheet"
            :k="k"
            :lit="litFittings"
            @fitting="emit('fitting', $event)"
          />
          <g class="cursor" :transform="`translate(${X(cursor.xMm)} ${Y(cursor.yMm)}) scale(${1 / k})`">
            <path d="M-13 0H-4M4 0H13M0-13V-4M0 4V13" />
          </g>

          <ProfileLayer
            :boat="boat"
            :sheet="sheet"
            :k="k"
            :wet="wetSides"
            :through-hulls="layers.Fittings ? throughHull : []"
            :structure="layers.Structure"
            @through-hull="emit('throughHull', $event)"
          />
          <text
            v-for="l in labels"
            :key="l.id"
            :x="l.x"
            :y="l.y"
            :text-anchor="l.anchor"
            class="label"
            data-test="map-label"
          >
            {{ l.text }}
          </text>
        </g>
      </g>
    </svg>
    <HoleLayer
      :signs="signs"
      :transform="transform"
      :size="sign"
      :width="width"
      :height="height"
      :lit="lit"
      :labels="k > 3 || (lit !== null && lit.size <= 40)"
    />
    <PhotoPins v-if="layers.Photos" :at="(p) => ({ x: X(p.xMm), y: Y(p.yMm) })" :transform="transform" />
    <slot :signs="signs" :transform="transform" />
    <p v-if="over" class="tip small" role="status">
      {{ over.label }} {{ boat.holes.find((h) => h.id === over!.id)?.whatFor }}: {{ over.state }}
    </p>
    <MapKeys :reach="!!layers.Reach" :wet="!!layers.Wetness && wetPictures.length > 0" />
    <div class="zoom no-print">
      <ElButton class="act" aria-label="Zoom in" @click="zoomBy(1.5)">+</ElButton
      ><ElButton class="act" aria-label="Zoom out" @click="zoomBy(1 / 1.5)">−</ElButton
      ><ElButton class="act" @click="reset">Whole boat</ElButton>
    </div>
    <p class="way soft small">bow left, starboard up · one scale</p>
  </div>
</template>

<style scoped>
.host {
  position: relative;
  background: var(--sheet);
  overflow: hidden;
}
.plan {
  width: 100%;
  height: 100%;
  display: block;
  cursor: crosshair;
  touch-action: none;
}
.deck {
  fill: color-mix(in srgb, var(--laminate) 55%, var(--sheet));
  stroke: var(--ink);
  stroke-width: calc(1.6px * var(--k));
}
.zone {
  fill: transparent;
  stroke: var(--line-strong);
  stroke-width: calc(0.8px * var(--k));
}
.zone.deck:not(.edge) {
  fill: color-mix(in srgb, var(--laminate) 35%, transparent);
}
.zone.roof {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: calc(1.1px * var(--k));
}
.thin {
  fill: none;
  stroke: var(--ink);
  stroke-width: calc(1px * var(--k));
}
.wet {
  fill: url(#wet);
  stroke: var(--water-ink);
  stroke-width: calc(1px * var(--k));
  fill-opacity: 0.85;
}
.label {
  font: 600 calc(12px * var(--k)) var(--words);
  fill: var(--ink-soft);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: calc(3px * var(--k));
  stroke-linejoin: round;
}
.figure-text {
  font: 600 calc(12px * var(--k)) var(--figures);
  fill: var(--ink);
}
.aim {
  cursor: pointer;
}
.reach {
  stroke: none;
  pointer-events: none;
}
.tip {
  position: absolute;
  left: 50%;
  top: 8px;
  transform: translateX(-50%);
  background: var(--sheet);
  border: 1px solid var(--ink);
  padding: 4px 10px;
  pointer-events: none;
  font-weight: 600;
  white-space: nowrap;
}
.cursor path {
  stroke: var(--buoy);
  stroke-width: 2;
  fill: none;
  pointer-events: none;
}
.zoom {
  position: absolute;
  right: 12px;
  bottom: 12px;
  display: flex;
  gap: 6px;
}
.way {
  position: absolute;
  left: 20px;
  bottom: 10px;
  pointer-events: none;
}
</style>
