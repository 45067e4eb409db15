<script setup lang="ts">
import { onMounted, onUnmounted, ref, watch } from 'vue'
import type { Chart as ChartOf } from 'chart.js'
import dayjs from 'dayjs'
import type { Followed, Stretch } from '@north-tide/core'
import { withMinus } from './chart-ticks'

/** The looks as points, the line through them as far as its limit; the table below says the same. */
const props = defineProps<{ series: Followed }>()
const canvas = ref<HTMLCanvasElement>()
let chart: ChartOf | null = null
const css = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()
const at = (date: string) => dayjs(date).valueOf()
const SHOWN_YEARS = 6
const along = (l: Stretch | null | undefined) =>
  l
    ? [
        { x: at(l.from.date), y: l.from.value },
        { x: at(l.to.date), y: l.to.value },
      ]
    : []
async function draw() {
  const { Chart, LineController, LineElement, PointElement, LinearScale, Filler, Ticks } =
    await import('chart.js')
  Chart.register(LineController, LineElement, PointElement, LinearScale, Filler)
  if (!canvas.value) return
  chart?.destroy()
  const s = props.series
  const ink = css('--ink')
  const last = at(s.points.at(-1)!.date)
  const first = at(s.points[0]!.date)
  const far = dayjs(last).add(SHOWN_YEARS, 'year').valueOf()
  const end = Math.min(far, Math.max(last, s.line ? at(s.line.to.date) : last))
  const span = (v: number) => [
    { x: first, y: v },
    { x: end, y: v },
  ]
  const faint = { borderColor: css('--tide'), borderWidth: 1, backgroundColor: css('--tide-soft') }
  const bare = { pointRadius: 0, borderWidth: 2 }
  chart = new Chart(canvas.value, {
    type: 'line',
    data: {
      datasets: [
        {
          data: s.points.map((p) => ({ x: at(p.date), y: p.value })),
          showLine: false,
          pointRadius: 5,
          pointBackgroundColor: css('--tide'),
          pointBorderColor: css('--tide'),
        },
        { ...bare, data: along(s.line), borderColor: css('--tide'), borderDash: [6, 5] },
        ...(s.limit === null ? [] : [{ ...bare, data: span(s.limit), borderColor: css('--short') }]),
        // As flat and as steep as the looks allow, and all between.
        { ...bare, ...faint, data: along(s.band?.[0]), fill: '+1' },
        { ...bare, ...faint, data: along(s.band?.[1]) },
      ],
    },
    options: {
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      color: ink,
      font: { family: css('--words') },
      scales: {
        x: {
          type: 'linear',
          min: first - 30 * 86_400_000,
          max: end + 30 * 86_400_000,
          ticks: { color: ink, maxTicksLimit: 7, callback: (v) => dayjs(Number(v)).format('MMM YY') },
        },
        y: {
          ticks: { color: ink, callback: withMinus(Ticks.formatters.numeric) },
          title: { display: true, text: s.unit, color: ink },
        },
      },
    },
  })
}
onMounted(draw)
watch(() => props.series.id, draw)
onUnmounted(() => chart?.destroy())
const said = () => {
  const s = props.series
  const v = s.points.map((p) => p.value.toFixed(s.digits)).join(', ')
  return `${s.title} of ${s.at.name}: ${v} ${s.unit}${s.limit === null ? '' : `, limit ${s.limit}`}`
}
</script>

<template>
  <div class="chart"><canvas ref="canvas" role="img" :aria-label="said()"></canvas></div>
</template>

<style scoped>
.chart {
  height: 260px;
  position: relative;
}
</style>
