<script setup lang="ts">
import { computed, onUnmounted, ref, shallowRef, watch } from 'vue'
import {
  boundsOf,
  formatLength,
  formatQuantity,
  judge,
  cornersOnBoat,
  planOfPlate,
  sayIn,
  type DeckPatch,
  formatUse,
} from '@north-tide/core'
import { useBench } from '../../state/bench'
import { useBoats } from '../../state/boats'
import type { Solved } from '../../state/solver'
import VerdictSign from '../../pieces/VerdictSign.vue'
import PickOne from '../../pieces/PickOne.vue'

/**
 * How the governing pull spreads in the fitting's own field of deck: the plate solver's picture, with the
 * hand formulas beside it.
 */
const bench = useBench()
const boats = useBoats()
const show = ref<'deflectionMm' | 'outerMPa' | 'innerMPa' | 'shearMPa'>('deflectionMm')
const against = ref<'none' | 'bare' | 'before'>('none')
const progress = computed(() => bench.solver.progress)
const failed = computed(() => bench.solver.failed)
const main = computed<Solved | null>(() => bench.solver.answer)
const other = shallowRef<Solved | null>(null)
const probe = ref<{ xMm: number; yMm: number } | null>(null)
const SHOWS = {
  deflectionMm: 'Deflection',
  outerMPa: 'Outer skin stress',
  innerMPa: 'Inner skin stress',
  shearMPa: 'Core shear',
} as const
const unit = computed(() => (show.value === 'deflectionMm' ? 'mm' : 'MPa'))
let gone = false
watch([main, against], async () => {
  const now = main.value
  const before = bench.past.at(-1)
  const old = against.value === 'bare' ? now?.design : against.value === 'before' ? before : undefined
  other.value = null
  if (!now || !old) return
  const got = await bench.solver.solve(
    old,
    judge(old, false, boats.yard),
    against.value !== 'bare',
    against.value === 'bare' ? 'without the plate' : 'before the last change',
  )
  if (!gone && main.value === now) other.value = got
})
onUnmounted(() => (gone = true))

const both = computed(() => [main.value, other.value].filter((s): s is Solved => s !== null))
/** One scale for both pictures, so that they can be compared. */
const most = computed(() =>
  Math.max(1e-9, ...both.value.flatMap((s) => (s.patch.fields?.[show.value] ?? []).flat().map(Math.abs))),
)
const said = computed(() => main.value?.said ?? null)
const STEPS = [0.1, 0.25, 0.5, 0.75, 0.9]
interface Picture {
  solved: Solved
  box: string
  cells: { x: number; y: number; w: number; h: number; level: number; sign: number }[]
  plate: string | null
  base: string
  peak: { x: number; y: number; v: number }
  r: number
  beams: string
}
const pictures = computed<Picture[]>(() =>
  both.value.map((s) => {
    const f = s.patch.fields!
    const grid = f[show.value]
    const [x0, y0] = [s.field.minX, s.field.minY]
    const [w, h] = [s.field.maxX - x0, s.field.maxY - y0]
    const cells: Picture['cells'] = []
    const edge = (list: number[], i: number) => (i === 0 ? list[0]! : (list[i - 1]! + list[i]!) / 2)
    let peak = { x: 0, y: 0, v: 0 }
    for (let j = 0; j < f.yMm.length; j++)
      for (let i = 0; i < f.xMm.length; i++) {
        const v = grid[j]![i]!
        if (Math.abs(v) > Math.abs(peak.v)) peak = { x: f.xMm[i]!, y: f.yMm[j]!, v }
        const k = Math.abs(v) / most.value
        const level = STEPS.filter((q) => k >= q).length
        if (!level) continue
        const [xa, xb, ya, yb] = [
          edge(f.xMm, i),
          i === f.xMm.length - 1 ? f.xMm[i]! : (f.xMm[i]! + f.xMm[i + 1]!) / 2,
          edge(f.yMm, j),
          j === f.yMm.length - 1 ? f.yMm[j]! : (f.yMm[j]! + f.yMm[j + 1]!) / 2,
        ]
        cells.push({ x: xa, y: h - yb, w: xb - xa, h: yb - ya, level, sign: Math.sign(v) })
      }
    const d = s.design
    const rect = (b: { minX: number; maxX: number; minY: number; maxY: number }) =>
      cornersOnBoat(d, b)
        .map((p) => `${p.xMm - x0},${h - (p.yMm - y0)}`)
        .join(' ')
    const bare = s.title === 'without the plate'
    return {
      solved: s,
      box: `${-0.02 * w} ${-0.02 * h} ${1.04 * w} ${1.04 * h}`,
      cells,
      plate: d.plate && !bare ? rect(boundsOf(planOfPlate(d.plate))) : null,
      base: rect(
        boundsOf(
          'diameterMm' in d.base
            ? { diameterMm: d.base.diameterMm }
            : { lengthMm: d.base.lengthMm, widthMm: d.base.widthMm },
        ),
      ),
      peak: { x: peak.x, y: h - peak.y, v: peak.v },
      r: 0.012 * Math.max(w, h),
      beams: s.field.under
        .map((m) => (m.axis === 'x' ? `M${m.atMm - x0} 0V${h}` : `M0 ${h - (m.atMm - y0)}H${w}`))
        .join(''),
    }
  }),
)
function point(e: PointerEvent, p: Picture) {
  const svg = e.currentTarget as SVGSVGElement
  const m = svg.getScreenCTM()?.inverse()
  if (!m) return
  const q = new DOMPoint(e.clientX, e.clientY).matrixTransform(m)
  probe.value = { xMm: q.x, yMm: p.solved.field.maxY - p.solved.field.minY - q.y }
}
const at = (
  s: Solved,
  key: keyof NonNullable<DeckPatch['fields']> & ('deflectionMm' | 'outerMPa' | 'innerMPa' | 'shearMPa'),
) => {
  const f = s.patch.fields!
  const near = (list: number[], v: number) =>
    list.reduce((b, x, i) => (Math.abs(x - v) < Math.abs(list[b]! - v) ? i : b), 0)
  return f[key][near(f.yMm, probe.value!.yMm)]![near(f.xMm, probe.value!.xMm)]!
}
const probeSaid = computed(() => {
  if (!probe.value || !main.value) return ''
  const where = `${formatLength(Math.round(probe.value.xMm + main.value.field.minX), boats.units)} aft, ${formatLength(Math.round(probe.value.yMm + main.value.field.minY), boats.units)} to starboard of its middle`
  return `${where}: ${both.value.map((s) => `${formatQuantity(Number(at(s, show.value).toPrecision(3)), unit.value, boats.units)}${both.value.length > 1 ? ` (${s.title})` : ''}`).join(', ')}`
})
const shows = (Object.keys(SHOWS) as (keyof typeof SHOWS)[]).map((k) => ({ value: k, title: SHOWS[k] }))
const besides = computed(() => [
  { value: 'none' as const, title: 'nothing' },
  { value: 'bare' as const, title: 'without the plate', disabled: !bench.design?.plate },
  { value: 'before' as const, title: 'before the last change', disabled: !bench.past.length },
])
</script>

<template>
  <div class="spread">
    <div class="controls">
      <label for="spread-show"
        >Show <PickOne id="spread-show" v-model="show" label="What is shown" :options="shows"
      /></label>
      <label for="spread-against"
        >beside it <PickOne id="spread-against" v-model="against" label="beside it" :options="besides"
      /></label>
      <template v-if="progress !== null"
        ><ElProgress
          class="solving"
          :percentage="Math.round(progress * 100)"
          :show-text="false"
          aria-label="Solving"
        /><ElButton class="act" @click="bench.solver.stop()"> Stop </ElButton></template
      >
      <span v-else-if="main" class="soft small" data-test="spread-time"
        >solved in {{ Math.round(main.ms) }} ms, {{ main.patch.mesh.nx }} ×
        {{ main.patch.mesh.ny }} elements</span
      >
      <p v-if="failed" class="said" role="alert">{{ failed }}</p>
    </div>
    <div class="pictures">
      <figure v-for="p in pictures" :key="p.solved.title">
        <svg
          :viewBox="p.box"
          role="img"
          :aria-label="`${SHOWS[show]}, ${p.solved.title}: greatest ${p.peak.v.toPrecision(3)} ${unit}`"
          @pointermove="point($event, p)"
          @pointerleave="probe = null"
        >
          <rect
            x="0"
            y="0"
            :width="p.solved.field.maxX - p.solved.field.minX"
            :height="p.solved.field.maxY - p.solved.field.minY"
            class="panel"
          />
          <rect
            v-for="(c, i) in p.cells"
            :key="i"
            :x="c.x"
            :y="c.y"
            :width="c.w * 1.02"
            :height="c.h * 1.02"
            :class="['cell', `l${c.level}`, c.sign < 0 ? 'down' : 'up']"
          />
          <polygon v-if="p.plate" :points="p.plate" class="plate" />
          <polygon :points="p.base" class="base" />
          <path
            :d="`M0 0H${p.solved.field.maxX - p.solved.field.minX}V${p.solved.field.maxY - p.solved.field.minY}H0Z`"
            class="beams"
          />
          <path v-if="p.beams" :d="p.beams" class="beams under" />
          <g v-if="p.peak.v" class="peak">
            <circle :cx="p.peak.x" :cy="p.peak.y" :r="p.r" />
            <path
              :d="`M${p.peak.x - 2 * p.r} ${p.peak.y}H${p.peak.x + 2 * p.r}M${p.peak.x} ${p.peak.y - 2 * p.r}V${p.peak.y + 2 * p.r}`"
            />
          </g>
        </svg>
        <figcaption class="small">
          {{ p.solved.title }}: greatest
          {{ formatQuantity(Number(p.peak.v.toPrecision(3)), unit, boats.units) }}
        </figcaption>
      </figure>
    </div>
    <aside v-if="said && main" tabindex="0" aria-label="What the solver says">
      <p class="figure small" aria-live="off">{{ probeSaid || 'Move over the picture for figures.' }}</p>
      <ul class="scale" aria-label="Scale">
        <li v-for="(q, i) in STEPS" :key="q">
          <i :class="`l${i + 1} up`" />
          {{ formatQuantity(Number((q * most).toPrecision(2)), unit, boats.units) }}
        </li>
      </ul>
      <p v-if="said.warning" class="said small" role="status">
        {{ said.warning[0]!.toUpperCase() + said.warning.slice(1) }}
      </p>
      <ul class="checks">
        <li v-for="c in said.checks" :key="c.id">
          <VerdictSign :verdict="c.verdict" :size="16" />
          <span
            ><strong>{{ c.title }}</strong>
            <span class="figure">{{ formatUse(c.utilisation) }}</span><br /><span class="small">{{
              sayIn(c.because, boats.units)
            }}</span></span
          >
        </li>
      </ul>
      <p v-for="b in said.beside" :key="b.title" class="small">
        <strong
          >{{ b.title }}: solver {{ b.solver.toFixed(2) }}, hand formula {{ b.hand.toFixed(2) }}.</strong
        >
        {{ b.believe ?? 'They agree within a quarter.' }}
      </p>
      <p class="soft small">
        Between stiffeners {{ formatLength(Math.round(main.field.maxX - main.field.minX), boats.units) }} by
        {{ formatLength(Math.round(main.field.maxY - main.field.minY), boats.units) }}, edges held but free to
        turn.<template v-if="main.field.under.length">
          Held where it is bonded to {{ main.field.under.map((m) => m.title).join(', ') }}; taken as stiff and
          bonded, which is to be looked at.</template
        ><template v-if="main.field.assumed.length">
          Not known, a usual distance taken: {{ main.field.assumed.join(', ') }}.</template
        >
        Checks are read a deck’s thickness off the edges of base and plate, as at a weld’s toe; the picture
        shows the peak at the edge too. {{ main.patch.notes.join(' ') }}
      </p>
    </aside>
  </div>
</template>

<style scoped>
.spread {
  display: grid;
  grid-template: auto minmax(0, 1fr) / minmax(0, 1fr) 340px;
  gap: 6px 20px;
  height: 100%;
}
.controls {
  grid-column: 1 / -1;
  display: flex;
  gap: 16px;
  align-items: center;
  flex-wrap: wrap;
}
.pictures {
  display: flex;
  gap: 16px;
  min-height: 0;
}
figure {
  margin: 0;
  flex: 1;
  min-width: 0;
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
}
.pictures svg {
  width: 100%;
  height: 100%;
  min-height: 0;
}
aside {
  overflow-y: auto;
  display: grid;
  gap: 8px;
  align-content: start;
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
.beams {
  fill: none;
  stroke: var(--ink);
  stroke-width: 4;
  vector-effect: non-scaling-stroke;
}
.beams.under {
  stroke-width: 2.5;
}
.plate {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
  stroke-dasharray: 6 4;
  vector-effect: non-scaling-stroke;
}
.base {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.2;
  vector-effect: non-scaling-stroke;
}
.peak circle,
.peak path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
  vector-effect: non-scaling-stroke;
}
.scale {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  margin: 0;
  padding: 0;
  font: 600 0.75rem var(--figures);
}
.scale i {
  display: inline-block;
  width: 16px;
  height: 12px;
  background: var(--tide);
  vertical-align: -1px;
}
.checks {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
}
.checks li {
  display: flex;
  gap: 8px;
}
.said {
  color: var(--short);
  font-weight: 600;
}
progress {
  accent-color: var(--tide);
}
</style>
