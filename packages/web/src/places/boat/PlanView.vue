<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref, shallowRef, watch } from 'vue'
import { useElementSize, useLocalStorage } from '@vueuse/core'
import { select } from 'd3-selection'
import { zoom, zoomIdentity, type ZoomTransform } from 'd3-zoom'
import {
  REACH_TITLES,
  formatInches,
  insidePolygon,
  type BoatZone,
  type Point,
  type Units,
} from '@north-tide/core'
import type { BoatPicture } from '../../types'
import { useSurvey } from '../../state/survey'
import { placeLabels, type Wanted } from './map-labels'
import PhotoPins from './PhotoPins.vue'
import HoleLayer, { type Sign } from './HoleLayer.vue'
import { wetPicture } from './wet-picture'

const props = defineProps<{
  boat: BoatPicture
  units: Units
  layers: Record<string, boolean>
  cursor: Point
  lit: Set<number> | null
  litFittings: Set<string> | null
}>()
export interface Spot3 extends Point {
  zMm?: number
  zone?: string
}
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
const survey = useSurvey()

const host = ref<HTMLElement>()
const svg = ref<SVGSVGElement>()
const { width, height } = useElementSize(host)
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

const MARGIN = 40
/** Plan on top, profile below, one scale. */
const scale = computed(() =>
  Math.max(
    0.01,
    Math.min(
      (width.value - 2 * MARGIN) / props.boat.lengthMm,
      (height.value - 120) / (props.boat.beamMm + depth.value + 500),
    ),
  ),
)
const depth = computed(
  () =>
    Math.max(...props.boat.stations.map((s) => s.sheerMm)) -
    Math.min(...props.boat.stations.map((s) => s.keelMm)) +
    cabin.value,
)
const roof = computed(() => props.boat.zones.find((z) => z.face === 'roof'))
const cabin = computed(() =>
  roof.value ? Math.max(0, roof.value.zMm - Math.max(...props.boat.stations.map((s) => s.sheerMm))) : 0,
)
const planMid = computed(() => 56 + (props.boat.beamMm / 2) * scale.value)
const waterline = computed(
  () =>
    planMid.value +
    (props.boat.beamMm / 2) * scale.value +
    44 +
    (Math.max(...props.boat.stations.map((s) => s.sheerMm)) + cabin.value) * scale.value,
)
const X = (x: number) => MARGIN + x * scale.value
const Y = (y: number) => planMid.value - y * scale.value
const Z = (z: number) => waterline.value - z * scale.value
const k = computed(() => transform.value.k)

const path = (ps: Point[]) => `M${ps.map((p) => `${X(p.xMm).toFixed(1)} ${Y(p.yMm).toFixed(1)}`).join('L')}Z`
const smooth = (ps: [number, number][]) =>
  ps
    .map(([x, y], i) => {
      if (i === 0) return `M${x.toFixed(1)} ${y.toFixed(1)}`
      const [p0, p1, p2, p3] = [
        ps[Math.max(0, i - 2)]!,
        ps[i - 1]!,
        ps[i]!,
        ps[Math.min(ps.length - 1, i + 1)]!,
      ]
      const c = (
        a: [number, number],
        b: [number, number],
        d: [number, number],
        s: number,
      ): [number, number] => [b[0] + (s * (d[0] - a[0])) / 6, b[1] + (s * (d[1] - a[1])) / 6]
      const [c1, c2] = [c(p0, p1, p2, 1), c(p1, p2, p3, -1)]
      return `C${c1.map((v) => v.toFixed(1)).join(' ')} ${c2.map((v) => v.toFixed(1)).join(' ')} ${p2.map((v) => v.toFixed(1)).join(' ')}`
    })
    .join('')
const deckEdge = computed(() => {
  const side = (s: 1 | -1) =>
    props.boat.stations.map((p): [number, number] => [X(p.xMm), Y(s * p.halfBreadthMm)])
  const port = side(-1).reverse()
  return `${smooth(side(1))}L${port[0]!.join(' ')}${smooth(port).replace(/^M[^C]*/, '')}Z`
})
const sheer = computed(() =>
  smooth(props.boat.stations.map((p): [number, number] => [X(p.xMm), Z(p.sheerMm)])),
)
const keel = computed(() =>
  smooth(
    props.boat.stations
      .slice()
      .reverse()
      .map((p): [number, number] => [X(p.xMm), Z(p.keelMm)]),
  ),
)
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
    const i = Math.max(
      1,
      s.findIndex((p) => p.xMm >= x),
    )
    return (
      s[i - 1]!.sheerMm +
      ((s[i]!.sheerMm - s[i - 1]!.sheerMm) * (x - s[i - 1]!.xMm)) / (s[i]!.xMm - s[i - 1]!.xMm)
    )
  }
  return `M${X(a - 90)} ${Z(sheerAt(a - 90))}L${X(a + 260)} ${Z(z)}L${X(b)} ${Z(z + 15)}L${X(b)} ${Z(sheerAt(b))}`
})
const halfAt = (x: number) => {
  const s = props.boat.stations
  const i = Math.max(
    1,
    s.findIndex((p) => p.xMm >= x),
  )
  return (
    s[i - 1]!.halfBreadthMm +
    ((s[i]!.halfBreadthMm - s[i - 1]!.halfBreadthMm) * (x - s[i - 1]!.xMm)) / (s[i]!.xMm - s[i - 1]!.xMm)
  )
}
const ruler = computed(() => {
  const step =
    props.units === 'inch'
      ? 304.8 * (props.boat.lengthMm > 8000 ? 4 : 2)
      : props.boat.lengthMm > 8000
        ? 2000
        : 1000
  return Array.from({ length: Math.floor(props.boat.lengthMm / step) + 1 }, (_, i) => ({
    x: i * step,
    text: props.units === 'inch' ? formatInches((i * step) / 12) : String((i * step) / 1000),
  }))
})
const zones = computed(() =>
  props.boat.zones
    .filter((z) => z.face === 'deck' || z.face === 'roof')
    .slice()
    .sort((a, b) => a.stacking - b.stacking),
)
/** The name goes where the zone is broadest; which of its places is free is seen when all are known. */
const zoneLabels = computed<Wanted[]>(() =>
  zones.value
    .filter((z) => !z.code.endsWith('-edge'))
    .map((z) => {
      const xs = z.outline.map((p) => p.xMm)
      const ys = z.outline.map((p) => p.yMm)
      const [x0, x1] = [Math.min(...xs), Math.max(...xs)]
      const mid = (Math.min(...ys) + Math.max(...ys)) / 2
      const tall = Math.max(...ys) - Math.min(...ys)
      const at = [0.5, 0.62, 0.38, 0.74, 0.86, 0.24].flatMap((f) =>
        [0, 0.27, -0.27].map((g) => ({ x: X(x0 + f * (x1 - x0)), y: Y(mid + g * tall) + 4 })),
      )
      return { id: `zone ${z.code}`, text: z.title.toLowerCase(), at, anchor: 'middle' }
    }),
)
/** Of what is under the deck: at one side of the boat, else at the other. */
const structureLabels = computed<Wanted[]>(() => {
  if (!props.layers.Structure) return []
  const below = 16 / k.value
  const above = 6 / k.value
  return [
    ...partsOf('bulkhead').map((b): Wanted => {
      const [top, bottom] = [Y(halfAt(b.x0Mm)) - above, Y(-halfAt(b.x0Mm)) + below]
      const at = [top, bottom].flatMap((y) => [
        { x: X(b.x0Mm), y },
        { x: X(b.x0Mm) + 36 / k.value, y },
        { x: X(b.x0Mm) - 36 / k.value, y },
      ])
      return { id: `bulkhead ${b.title}`, text: b.title.toLowerCase(), at, anchor: 'middle' }
    }),
    ...partsOf('tank').map((t): Wanted => {
      const x = X((t.x0Mm + t.x1Mm) / 2)
      const [low, high] = [Y(Math.min(t.y0Mm, t.y1Mm)), Y(Math.max(t.y0Mm, t.y1Mm))]
      const at = [low - above, high + below, low + below, high - above].map((y) => ({ x, y }))
      return { id: `tank ${t.title}`, text: `${t.title.toLowerCase()} under`, at, anchor: 'middle' }
    }),
  ]
})
const profileLabels = computed<Wanted[]>(() => {
  const top = Z(Math.max(...props.boat.stations.map((s) => s.sheerMm)) + cabin.value) - 14
  const along = [1, 0.86, 0.72, 0.58].map((f) => ({
    x: X(f * props.boat.lengthMm) - 4,
    y: Z(0) - 5 / k.value,
  }))
  return [
    { id: 'profile', text: 'profile, starboard', at: [{ x: X(0), y: top }], anchor: 'start' },
    { id: 'waterline', text: 'waterline', at: along, anchor: 'end' },
  ]
})
const HOLE_PX = 7
const DROP_PX = 13
/** More holes than this leave no place free of them, and are not asked about. */
const MOST_KEPT_OFF = 400
const square = (x: number, y: number, r: number) => ({ x0: x - r, x1: x + r, y0: y - r, y1: y + r })
/** What a label should not cover: fittings of every kind, and holes while they are few. */
const inTheWay = computed(() => {
  const decks = props.boat.fittings.map((f) => {
    const { l, w } = size(f)
    return { x0: X(f.xMm - l / 2), x1: X(f.xMm + l / 2), y0: Y(f.yMm + w / 2), y1: Y(f.yMm - w / 2) }
  })
  const others = props.boat.others.map((f) => {
    const xs = f.outline.map((p) => X(p.xMm))
    const ys = f.outline.map((p) => Y(p.yMm))
    return { x0: Math.min(...xs), x1: Math.max(...xs), y0: Math.min(...ys), y1: Math.max(...ys) }
  })
  const drops = throughHull.value.map((f) => square(X(f.xMm), Z(f.zMm), DROP_PX / k.value))
  const few = signs.value.length <= MOST_KEPT_OFF ? signs.value : []
  const holes = few.map((h) => square(h.x, h.y, (HOLE_PX * sign.value) / k.value))
  return [...decks, ...others, ...drops, ...holes]
})
const labels = computed(() =>
  placeLabels(
    [...profileLabels.value, ...zoneLabels.value, ...structureLabels.value],
    inTheWay.value,
    k.value,
  ),
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
const dim = useLocalStorage('north-tide:dim', false)
/** Counts the themes that were put on, after their colours stand. */
const theme = ref(0)
watch(dim, () => requestAnimationFrame(() => theme.value++))
const wetPictures = computed(() => {
  if (!props.layers.Wetness || !host.value || theme.value < 0) return []
  const css = getComputedStyle(host.value)
  const inks = {
    water: css.getPropertyValue('--water').trim(),
    line: css.getPropertyValue('--water-ink').trim(),
    guess: css.getPropertyValue('--ink-soft').trim(),
  }
  return Object.entries(survey.maps).flatMap(([code, m]) => {
    const face = props.boat.zones.find((z) => z.code === code)?.face
    if (!face || face === 'bulkhead') return []
    const side = face === 'topsides' || face === 'bottom'
    const top = m.minY + m.ny * m.cellMm
    return {
      code,
      side,
      href: wetPicture(m, inks),
      x: X(m.minX),
      y: side ? Z(top) : Y(top),
      w: m.nx * m.cellMm * scale.value,
      h: m.ny * m.cellMm * scale.value,
    }
  })
})
/** Readings of the sides lie in the profile, within its outline. */
const wetDeck = computed(() => wetPictures.value.filter((w) => !w.side))
const wetSides = computed(() => wetPictures.value.filter((w) => w.side))
const REACH_MARK: Record<string, string> = {
  open: 'reach-open',
  'one-arm': 'reach-arm',
  none: 'reach-none',
  unknown: 'reach-unknown',
}
const isWet = (b: string) => b === 'wet'
const partsOf = (kind: string) => props.boat.parts.filter((p) => p.kind === kind)
const size = (f: BoatPicture['fittings'][number]) =>
  'diameterMm' in f.base
    ? { l: f.base.diameterMm, w: f.base.diameterMm, r: f.base.diameterMm / 2 }
    : { l: f.base.lengthMm, w: f.base.widthMm, r: 12 }
/**
 * Signs keep the size of a thumb's aim, whatever the zoom, but never crowd a fitting's own pattern when
 * the whole boat is in view.
 */
const sign = computed(() => Math.min(1, 0.42 + 0.14 * k.value))
const AIM_PX = 14
function holeAt(e: MouseEvent): Sign | null {
  const r = svg.value!.getBoundingClientRect()
  const t = transform.value
  let best: Sign | null = null
  let least = AIM_PX
  for (const q of signs.value) {
    const d = Math.hypot(q.x * t.k + t.x - (e.clientX - r.left), q.y * t.k + t.y - (e.clientY - r.top))
    if (d < least) [best, least] = [q, d]
  }
  return best
}
const over = shallowRef<Sign | null>(null)
/** The side of the hull under a point of the profile, and where that is on the boat. */
function sideAt(e: MouseEvent): { zone: BoatZone; spot: Spot3 } | null {
  const r = svg.value!.getBoundingClientRect()
  const [sx, sy] = transform.value.invert([e.clientX - r.left, e.clientY - r.top])
  const [xMm, zMm] = [(sx - MARGIN) / scale.value, (waterline.value - sy) / scale.value]
  const s = props.boat.stations
  const i = Math.min(
    s.length - 1,
    Math.max(
      1,
      s.findIndex((p) => p.xMm >= xMm),
    ),
  )
  const at = (k: 'sheerMm' | 'keelMm') =>
    s[i - 1]![k] + ((s[i]![k] - s[i - 1]![k]) * (xMm - s[i - 1]!.xMm)) / (s[i]!.xMm - s[i - 1]!.xMm)
  if (xMm < s[0]!.xMm || xMm > s.at(-1)!.xMm || zMm > at('sheerMm') || zMm < at('keelMm')) return null
  const sides = props.boat.zones.filter((z) => z.face === 'topsides' || z.face === 'bottom')
  const zone =
    sides.find((z) => insidePolygon(z.outline, { xMm, yMm: zMm })) ??
    sides.find((z) => z.face === (zMm < 0 ? 'bottom' : 'topsides'))
  return zone
    ? {
        zone,
        spot: {
          xMm: Math.round(xMm),
          yMm: Math.round(halfAt(xMm) * (zone.face === 'bottom' ? 0.5 : 1)),
          zMm: Math.round(zMm),
          zone: zone.code,
        },
      }
    : null
}

function toBoat(e: MouseEvent): Point {
  const r = svg.value!.getBoundingClientRect()
  const [sx, sy] = transform.value.invert([e.clientX - r.left, e.clientY - r.top])
  return { xMm: (sx - MARGIN) / scale.value, yMm: (planMid.value - sy) / scale.value }
}
const onPlan = (p: Point) =>
  Math.abs(p.yMm) <= props.boat.beamMm / 2 + 200 && p.xMm >= -200 && p.xMm <= props.boat.lengthMm + 200
/** While the map is dragged nothing is asked of it; otherwise once a frame is enough. */
let asked = 0
function hover(e: PointerEvent) {
  if (e.buttons || asked) return
  asked = requestAnimationFrame(() => {
    asked = 0
    look(e)
  })
}
function look(e: PointerEvent) {
  if (!svg.value) return
  const p = toBoat(e)
  over.value = holeAt(e)
  emit('point', onPlan(p) ? p : null)
  const side = onPlan(p) ? null : sideAt(e)
  emit('side', side && { zone: side.zone, spot: { xMm: side.spot.xMm, zMm: side.spot.zMm! } })
}
function click(e: MouseEvent) {
  const hole = holeAt(e)
  if (hole) return emit('hole', hole.id)
  const p = toBoat(e)
  if (onPlan(p)) return emit('place', { xMm: Math.round(p.xMm), yMm: Math.round(p.yMm) })
  const side = sideAt(e)
  if (side) emit('place', side.spot)
}
function key(e: KeyboardEvent) {
  const step = e.shiftKey ? 500 : 50
  const moves: Record<string, [number, number]> = {
    ArrowLeft: [-step, 0],
    ArrowRight: [step, 0],
    ArrowUp: [0, step],
    ArrowDown: [0, -step],
  }
  const m = moves[e.key]
  if (m)
    emit('move', {
      xMm: Math.max(0, Math.min(props.boat.lengthMm, props.cursor.xMm + m[0])),
      yMm: Math.max(-props.boat.beamMm / 2, Math.min(props.boat.beamMm / 2, props.cursor.yMm + m[1])),
    })
  else if (e.key === '+' || e.key === '=' || e.key === '-') zoomBy(e.key === '-' ? 1 / 1.5 : 1.5)
  else if (e.key === '0') reset()
  else if (e.key === 'o') {
    const near = props.boat.holes
      .map((h) => ({ h, mm: Math.hypot(h.xMm - props.cursor.xMm, h.yMm - props.cursor.yMm) }))
      .sort((a, b) => a.mm - b.mm)[0]
    if (near) emit('hole', near.h.id)
  } else if (e.key === 'Enter' && e.target === svg.value) emit('place', props.cursor)
  else return
  e.preventDefault()
}
const zoomBy = (f: number) => behaviour.scaleBy(select(svg.value!), f)
const reset = () => behaviour.transform(select(svg.value!), zoomIdentity)
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
      @pointerleave="
        () => {
          emit('point', null)
          emit('side', null)
          over = null
        }
      "
      @click="click"
      @keydown="key"
    >
      <defs>
        <pattern id="wet" width="14" height="9" patternUnits="userSpaceOnUse">
          <rect width="14" height="9" fill="var(--water)" />
          <path d="M0 5Q3.5 1 7 5T14 5" fill="none" stroke="var(--water-ink)" stroke-width="1.3" />
        </pattern>
        <pattern id="reach-arm" width="16" height="16" patternUnits="userSpaceOnUse">
          <path d="M0 16L16 0" stroke="var(--ink-soft)" stroke-width="1" fill="none" />
        </pattern>
        <pattern id="reach-none" width="12" height="12" patternUnits="userSpaceOnUse">
          <path d="M0 12L12 0M0 0L12 12" stroke="var(--short)" stroke-width="1.1" fill="none" />
        </pattern>
        <pattern id="reach-unknown" width="14" height="14" patternUnits="userSpaceOnUse">
          <circle cx="4" cy="4" r="1.2" fill="var(--ink-soft)" />
        </pattern>
        <clipPath id="hull-side"><path :d="hull" /></clipPath>
      </defs>
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
            <image
              v-for="w in wetDeck"
              :key="w.code"
              :href="w.href"
              :x="w.x"
              :y="w.y"
              :width="w.w"
              :height="w.h"
              preserveAspectRatio="none"
            />
          </g>
          <g v-if="layers.Structure">
            <path
              v-for="b in partsOf('knee')"
              :key="`k${b.id}`"
              :d="`M${X(b.x0Mm)} ${Y(b.y0Mm)}L${X(b.x1Mm)} ${Y(b.y1Mm)}`"
              class="knee"
            />
            <path
              v-for="b in [...partsOf('sling'), ...partsOf('bunk')]"
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
              v-for="b in partsOf('cable')"
              :key="`c${b.id}`"
              :d="`M${X(b.x0Mm)} ${Y(b.y0Mm)}L${X(b.x1Mm)} ${Y(b.y1Mm)}`"
              class="cable"
            >
              <title>{{ b.title }}</title>
            </path>
            <rect
              v-for="b in [...partsOf('liner'), ...partsOf('headliner')]"
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
              v-for="b in partsOf('beam')"
              :key="`b${b.id}`"
              :d="`M${X(b.x0Mm)} ${Y(halfAt(b.x0Mm))}V${Y(-halfAt(b.x0Mm))}`"
              class="hidden-line"
            />
            <path
              v-for="l in partsOf('longitudinal')"
              :key="`l${l.id}`"
              :d="`M${X(l.x0Mm)} ${Y(l.y0Mm)}H${X(l.x1Mm)}`"
              class="hidden-line long"
            />
            <g v-for="t in partsOf('tank')" :key="t.title">
              <rect
                :x="X(t.x0Mm)"
                :y="Y(Math.max(t.y0Mm, t.y1Mm))"
                :width="X(t.x1Mm) - X(t.x0Mm)"
                :height="Math.abs(Y(t.y1Mm) - Y(t.y0Mm))"
                class="tank"
              />
            </g>
            <g v-for="b in partsOf('bulkhead')" :key="b.title">
              <path :d="`M${X(b.x0Mm)} ${Y(b.y0Mm)}V${Y(b.y1Mm)}`" class="bulkhead" />
            </g>
          </g>
          <g v-if="layers.Wetness">
            <ellipse
              v-for="w in boat.parts.filter((q) => isWet(q.kind))"
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
          <g v-if="layers.Fittings">
            <a
              v-for="f in boat.fittings"
              :key="f.id"
              role="link"
              tabindex="0"
              :aria-label="`${f.name}, ${f.verdict}`"
              class="fitting"
              @click.stop="emit('fitting', f.id)"
              @keydown.enter.stop="emit('fitting', f.id)"
            >
              <title>{{ f.name }}, {{ f.verdict }}</title>
              <rect
                :x="X(f.xMm - size(f).l / 2)"
                :y="Y(f.yMm + size(f).w / 2)"
                :width="size(f).l * scale"
                :height="size(f).w * scale"
                :rx="size(f).r * scale"
                :class="[
                  f.verdict,
                  { faint: litFittings && !litFittings.has(f.id), lit: litFittings?.has(f.id) },
                ]"
              />
            </a>
            <a
              v-for="f in boat.others"
              :key="f.id"
              role="link"
              tabindex="0"
              :aria-label="`${f.name}, ${f.alarm ?? f.verdict}`"
              class="fitting"
              @click.stop="emit('fitting', f.id)"
              @keydown.enter.stop="emit('fitting', f.id)"
            >
              <title>{{ f.name }}, {{ f.alarm ?? f.verdict }}</title>
              <rect
                v-if="f.sweep"
                class="sweep"
                :x="X(f.sweep.minX)"
                :y="Y(f.sweep.maxY)"
                :width="(f.sweep.maxX - f.sweep.minX) * scale"
                :height="(f.sweep.maxY - f.sweep.minY) * scale"
              >
                <title>{{ f.name }}: where its lid comes down, opened flat</title>
              </rect>
              <polygon
                :points="f.outline.map((p) => `${X(p.xMm)},${Y(p.yMm)}`).join(' ')"
                :class="f.verdict"
              />
              <g
                v-if="f.alarm || f.temporary"
                class="sign"
                :class="{ alarm: f.alarm }"
                :transform="`translate(${X(f.xMm)} ${Y(f.yMm)}) scale(${1 / k})`"
              >
                <path d="M0-13 12 8H-12Z" />
                <path class="mark" :d="f.alarm ? 'M0-6V2M0 5V5.5' : 'M-4 4H4M-4 1H4M-2-2H2'" />
              </g>
            </a>
          </g>
          <g class="cursor" :transform="`translate(${X(cursor.xMm)} ${Y(cursor.yMm)}) scale(${1 / k})`">
            <path d="M-13 0H-4M4 0H13M0-13V-4M0 4V13" />
          </g>

          <path v-if="cabinPath" :d="cabinPath" class="cabin" />
          <path :d="hull" class="deck" />
          <g v-if="wetSides.length" clip-path="url(#hull-side)">
            <image
              v-for="w in wetSides"
              :key="w.code"
              :href="w.href"
              :x="w.x"
              :y="w.y"
              :width="w.w"
              :height="w.h"
              preserveAspectRatio="none"
            />
          </g>
          <path :d="`M${X(-150)} ${Z(0)}H${X(boat.lengthMm + 150)}`" class="water" />
          <g v-if="layers.Fittings">
            <a
              v-for="f in throughHull"
              :key="f.id"
              role="link"
              tabindex="0"
              :aria-label="`${f.name}, through the hull, ${f.verdict}`"
              class="fitting"
              :transform="`translate(${X(f.xMm)} ${Z(f.zMm)}) scale(${1 / k})`"
              @click.stop="emit('throughHull', f.id)"
              @keydown.enter.stop="emit('throughHull', f.id)"
            >
              <title>{{ f.name }}, {{ f.verdict }}</title>
              <circle r="14" fill="transparent" />
              <path d="M0-12L5.5-3A6.4 6.4 0 1 1-5.5-3Z" :class="['drop', f.verdict]" />
            </a>
          </g>
          <g v-if="layers.Structure">
            <path
              v-for="b in partsOf('bulkhead')"
              :key="`p${b.title}`"
              :d="`M${X(b.x0Mm)} ${Z(boat.stations.find((s) => s.xMm >= b.x0Mm)!.sheerMm)}V${Z(boat.stations.find((s) => s.xMm >= b.x0Mm)!.keelMm)}`"
              class="bulkhead"
            />
          </g>
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
    <ul v-if="layers.Reach" class="reach-key small no-print">
      <li v-for="(t, r) in REACH_TITLES" :key="r">
        <svg width="22" height="14" aria-hidden="true">
          <rect
            x="0.5"
            y="0.5"
            width="21"
            height="13"
            :fill="r === 'open' ? 'none' : `url(#${REACH_MARK[r]})`"
            stroke="var(--ink)"
          />
        </svg>
        {{ r === 'open' ? 'reach open' : r === 'none' ? 'no reach' : t }}
      </li>
    </ul>
    <ul v-if="layers.Wetness && wetPictures.length" class="wet-key small no-print">
      <li><i class="k wet-k" /> wet</li>
      <li><i class="k damp-k" /> damp</li>
      <li><i class="k guess-k" /> not read near enough</li>
    </ul>
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
.drop {
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
.lift {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: calc(3px * var(--k));
  stroke-dasharray: calc(2px * var(--k)) calc(5px * var(--k));
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
.wet {
  fill: url(#wet);
  stroke: var(--water-ink);
  stroke-width: calc(1px * var(--k));
  fill-opacity: 0.85;
}
.water {
  stroke: var(--water-ink);
  stroke-width: calc(1.3px * var(--k));
  stroke-dasharray: calc(10px * var(--k)) calc(5px * var(--k));
  fill: none;
}
.cabin {
  fill: none;
  stroke: var(--ink);
  stroke-width: calc(1.2px * var(--k));
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
.fitting {
  cursor: pointer;
}
.fitting :is(rect, polygon) {
  fill: var(--hardware);
  stroke: var(--ink);
  stroke-width: calc(1.2px * var(--k));
}
.sign path {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 1.6;
  stroke-linejoin: round;
}
.sign.alarm path:first-child {
  fill: var(--short);
}
.sign.alarm .mark {
  stroke: var(--paper);
  stroke-width: 2.4;
}
.sign .mark {
  fill: none;
  stroke-linecap: round;
}
.fitting rect.sweep {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: calc(1px * var(--k));
  stroke-dasharray: calc(4px * var(--k)) calc(3px * var(--k));
  pointer-events: none;
}
.fitting :is(rect, polygon).short {
  stroke: var(--short);
  stroke-width: calc(2px * var(--k));
  stroke-dasharray: calc(4px * var(--k)) calc(2px * var(--k));
}
.fitting :is(rect, polygon).unproven {
  stroke-dasharray: calc(3px * var(--k)) calc(2px * var(--k));
}
.fitting:hover rect {
  fill: var(--tide-soft);
}
.aim {
  cursor: pointer;
}
.fitting :is(rect, polygon).faint {
  opacity: 0.3;
}
.fitting :is(rect, polygon).lit {
  stroke: var(--tide);
  stroke-width: calc(3px * var(--k));
}
.reach {
  stroke: none;
  pointer-events: none;
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
.reach-key,
.wet-key {
  position: absolute;
  left: 12px;
  bottom: 34px;
  list-style: none;
  margin: 0;
  padding: 4px 8px;
  display: flex;
  gap: 12px;
  background: var(--sheet);
  pointer-events: none;
}
.wet-key {
  left: 232px;
  bottom: 6px;
}
@media (max-width: 1180px) {
  .wet-key {
    left: 12px;
    bottom: 34px;
  }
  .reach-key + .wet-key {
    bottom: 60px;
  }
}
.reach-key li,
.wet-key li {
  display: flex;
  gap: 5px;
  align-items: center;
}
.k {
  width: 22px;
  height: 14px;
  border: 1px solid var(--ink);
  display: inline-block;
}
.wet-k {
  background: var(--water);
  border-bottom: 3px double var(--water-ink);
}
.damp-k {
  background: color-mix(in srgb, var(--water) 50%, var(--sheet));
  border-style: dotted;
}
.guess-k {
  background: repeating-linear-gradient(135deg, transparent 0 4px, var(--ink-soft) 4px 5px);
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
