<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { formatLength, type Units } from '@north-tide/core'
import OpeningShape from './OpeningShape.vue'
import { withMinus } from '../../../pieces/chart-ticks'

/**
 * A picture where it helps: the rise of water, a deck's deflection, a pattern of screws or bolts, a
 * valve's dial.
 */
const props = defineProps<{
  name: string
  answer: Record<string, unknown>
  input: Record<string, unknown>
  units: Units
}>()
const canvas = ref<HTMLCanvasElement>()
interface Spot {
  xMm: number
  yMm: number
}
const spots = computed<Spot[]>(() =>
  props.name === 'bolt-group' || props.name === 'base-contact' ? (props.input.bolts as Spot[]) : [],
)
const pulls = computed(() =>
  ((props.answer.bolts as { tensionN: number }[] | undefined) ?? []).map((b) => b.tensionN),
)
const most = computed(() => Math.max(1e-9, ...pulls.value))
const box = computed(() => {
  const xs = spots.value.map((s) => s.xMm)
  const ys = spots.value.map((s) => s.yMm)
  const size = Math.max(40, Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys))
  return {
    x: Math.min(...xs),
    y: Math.min(...ys),
    size,
    view: `${Math.min(...xs) - size * 0.12} ${-Math.max(...ys) - size * 0.12} ${Math.max(...xs) - Math.min(...xs) + size * 0.24} ${Math.max(...ys) - Math.min(...ys) + size * 0.24}`,
  }
})
const series = computed(() =>
  props.name === 'flooding'
    ? (props.answer.series as { tMin: number; levelMm: number; inLpm: number; outLpm: number }[])
    : null,
)
const fields = computed(
  () => props.answer.fields as { xMm: number[]; yMm: number[]; deflectionMm: number[][] } | undefined,
)
const arc = (from: number, to: number, r: number) => {
  const p = (d: number) => `${r * Math.cos((d * Math.PI) / 180)} ${-r * Math.sin((d * Math.PI) / 180)}`
  return to - from >= 359.9
    ? `M${r} 0A${r} ${r} 0 1 0 ${-r} 0A${r} ${r} 0 1 0 ${r} 0`
    : `M0 0L${p(from)}A${r} ${r} 0 ${to - from > 180 ? 1 : 0} 0 ${p(to)}Z`
}
const free = computed(() =>
  props.name === 'valve-clocking' ? (props.answer.freeWanted as [number, number][]) : null,
)

const wedge = computed(() =>
  props.name === 'wedge-block'
    ? {
        L: (props.answer.saw as { outlineMm: number[] }).outlineMm[0]!,
        thin: props.answer.thinMm as number,
        thick: props.answer.thickMm as number,
      }
    : null,
)
const cure = computed(() => {
  const days = props.answer.days as number | null
  if (props.name !== 'moisture-cure' || !days) return null
  const path = props.input.pathMm as number
  const rate = props.answer.rateMmPerSqrtDay as number
  return {
    path,
    days: days < 10 ? days.toFixed(1) : days.toFixed(0),
    points: Array.from(
      { length: 45 },
      (_, i) => `${(220 * i) / 44},${(-100 * rate * Math.sqrt((days * i) / 44)) / path}`,
    ).join(' '),
  }
})
const css = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()
let chart: { destroy: () => void } | null = null
async function draw() {
  if (!canvas.value) return
  chart?.destroy()
  chart = null
  if (series.value) {
    const { Chart, LineController, LineElement, PointElement, LinearScale, Legend, Filler, Ticks } =
      await import('chart.js')
    Chart.register(LineController, LineElement, PointElement, LinearScale, Legend, Filler)
    const ink = css('--ink')
    chart = new Chart(canvas.value, {
      type: 'line',
      data: {
        datasets: [
          {
            label: 'level, mm',
            data: series.value.map((p) => ({ x: p.tMin, y: p.levelMm })),
            borderColor: css('--tide'),
            backgroundColor: css('--tide-soft'),
            fill: true,
            pointRadius: 0,
            yAxisID: 'y',
          },
          {
            label: 'in, l/min',
            data: series.value.map((p) => ({ x: p.tMin, y: p.inLpm })),
            borderColor: css('--buoy'),
            borderDash: [6, 3],
            pointRadius: 0,
            yAxisID: 'q',
          },
          {
            label: 'out, l/min',
            data: series.value.map((p) => ({ x: p.tMin, y: p.outLpm })),
            borderColor: ink,
            borderDash: [2, 3],
            pointRadius: 0,
            yAxisID: 'q',
          },
        ],
      },
      options: {
        font: { family: css('--words') },
        animation: false,
        responsive: true,
        maintainAspectRatio: false,
        color: ink,
        scales: {
          x: { type: 'linear', title: { display: true, text: 'minutes', color: ink }, ticks: { color: ink } },
          y: {
            title: { display: true, text: 'mm over the hole', color: ink },
            ticks: { color: ink, callback: withMinus(Ticks.formatters.numeric) },
          },
          q: {
            position: 'right',
            title: { display: true, text: 'l/min', color: ink },
            ticks: { color: ink },
            grid: { display: false },
          },
        },
      },
    })
  } else if (fields.value) {
    const { xMm, yMm, deflectionMm } = fields.value
    const [w, h] = [520, Math.round((520 * yMm.at(-1)!) / xMm.at(-1)!)]
    canvas.value.width = w
    canvas.value.height = h
    const g = canvas.value.getContext('2d')!
    const peak = Math.max(1e-12, ...deflectionMm.flat().map(Math.abs))
    for (let j = 0; j + 1 < yMm.length; j++)
      for (let i = 0; i + 1 < xMm.length; i++) {
        const v =
          (deflectionMm[j]![i]! +
            deflectionMm[j]![i + 1]! +
            deflectionMm[j + 1]![i]! +
            deflectionMm[j + 1]![i + 1]!) /
          4 /
          peak
        const band = Math.round(Math.abs(v) * 10) / 10
        g.fillStyle = `hsl(${v >= 0 ? 170 : 22} 45% ${94 - 62 * band}%)`
        const [px, py] = [(xMm[i]! / xMm.at(-1)!) * w, h - (yMm[j + 1]! / yMm.at(-1)!) * h]
        g.fillRect(
          px,
          py,
          ((xMm[i + 1]! - xMm[i]!) / xMm.at(-1)!) * w + 1,
          ((yMm[j + 1]! - yMm[j]!) / yMm.at(-1)!) * h + 1,
        )
      }
  }
}
onMounted(draw)
watch(() => props.answer, draw, { flush: 'post' })
</script>

<template>
  <figure v-if="series || fields">
    <div :class="{ chart: series }">
      <canvas
        ref="canvas"
        role="img"
        :aria-label="series ? 'Level, inflow and outflow against time' : 'Deflection of the patch'"
      ></canvas>
    </div>
    <figcaption v-if="fields" class="soft small">
      Deflection, ten bands to {{ formatLength(answer.maxDeflectionMm as number, units, 2) }}; x to the right,
      y up.
    </figcaption>
  </figure>
  <OpeningShape v-else-if="name === 'opening-edge'" :input="input" :answer="answer" :units="units" />
  <figure v-else-if="spots.length">
    <svg :viewBox="box.view" class="pattern" role="img" aria-label="Pattern seen from above">
      <polyline
        :points="[...spots, spots[0]!].map((s) => `${s.xMm},${-s.yMm}`).join(' ')"
        fill="none"
        stroke="var(--line-strong)"
        :stroke-width="box.size / 260"
        :stroke-dasharray="`${box.size / 60} ${box.size / 80}`"
      />
      <g v-for="(s, i) in spots" :key="i">
        <circle :cx="s.xMm" :cy="-s.yMm" :r="box.size / 70" fill="var(--ink)" />
        <circle
          v-if="pulls[i]"
          :cx="s.xMm"
          :cy="-s.yMm"
          :r="(box.size / 22) * (0.4 + 0.6 * (pulls[i]! / most))"
          fill="none"
          stroke="var(--buoy)"
          :stroke-width="box.size / 200"
        />
      </g>
    </svg>
    <figcaption class="soft small">{{ spots.length }} bolts; ring: pull.</figcaption>
  </figure>
  <figure v-else-if="wedge">
    <svg
      :viewBox="`${-wedge.L * 0.08} ${-wedge.thick * 1.3 - wedge.L * 0.06} ${wedge.L * 1.16} ${wedge.thick * 1.5 + wedge.L * 0.12}`"
      class="pattern"
      role="img"
      aria-label="The wedge from the side, true proportions"
    >
      <polygon
        :points="`0,0 ${wedge.L},0 ${wedge.L},${-wedge.thick} 0,${-wedge.thin}`"
        fill="var(--laminate)"
        stroke="var(--ink)"
        :stroke-width="wedge.L / 160"
      />
      <text x="0" :y="-wedge.thin - wedge.L * 0.02" :font-size="wedge.L / 18" class="words">
        {{ formatLength(wedge.thin, units) }}
      </text>
      <text
        :x="wedge.L"
        :y="-wedge.thick - wedge.L * 0.02"
        text-anchor="end"
        :font-size="wedge.L / 18"
        class="words"
      >
        {{ formatLength(wedge.thick, units) }}
      </text>
      <text :x="wedge.L / 2" :y="wedge.L * 0.07" text-anchor="middle" :font-size="wedge.L / 18" class="words">
        {{ formatLength(wedge.L, units) }}
      </text>
    </svg>
    <figcaption class="soft small">
      From the side, true proportions; the thick side points where the hull rises fastest.
    </figcaption>
  </figure>
  <figure v-else-if="cure">
    <svg viewBox="-14 -112 250 138" class="pattern" role="img" aria-label="Depth cured against time">
      <path d="M0 -100V0H220" fill="none" stroke="var(--ink)" />
      <polyline :points="cure.points" fill="none" stroke="var(--tide)" stroke-width="2.5" />
      <path d="M0 -100H220" stroke="var(--buoy)" stroke-dasharray="4 3" />
      <text x="4" y="-103" class="words" font-size="9">
        {{ formatLength(cure.path, units) }}: the whole path
      </text>
      <text x="220" y="11" text-anchor="end" class="words" font-size="9">{{ cure.days }} days</text>
      <text x="0" y="11" class="words" font-size="9">0</text>
    </svg>
    <figcaption class="soft small">
      Depth cured against time: it grows with the square root of the days.
    </figcaption>
  </figure>
  <figure v-else-if="free">
    <svg viewBox="-120 -120 240 240" class="pattern" role="img" aria-label="Clocking dial seen from inside">
      <circle r="100" fill="var(--short-ground)" stroke="var(--ink)" />
      <path
        v-for="f in free"
        :key="f[0]"
        :d="arc(f[0], f[1], 100)"
        fill="var(--tide-soft)"
        stroke="var(--tide)"
      />
      <path
        v-for="[d, c] in [
          [input.measuredDeg, 'var(--ink-soft)'],
          [input.wantedDeg, 'var(--buoy)'],
          [answer.bestDeg ?? input.wantedDeg, 'var(--tide)'],
        ] as [number, string][]"
        :key="c"
        :d="`M0 0L${92 * Math.cos((d * Math.PI) / 180)} ${-92 * Math.sin((d * Math.PI) / 180)}`"
        :stroke="c"
        stroke-width="4"
      />
    </svg>
    <figcaption class="soft small">
      Seen from inside, 0 along x, counter-clockwise. Shaded: free to open. Grey measured, orange wanted,
      green best.
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
.chart {
  height: 260px;
  position: relative;
}
canvas {
  max-width: 100%;
}
text.words {
  fill: var(--ink);
  font-family: var(--figures);
}
.pattern {
  width: 100%;
  max-height: 260px;
}
</style>
