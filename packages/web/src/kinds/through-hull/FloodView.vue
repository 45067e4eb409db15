<script setup lang="ts">
import { computed, onMounted, onUnmounted, reactive, ref, shallowRef, watch } from 'vue'
import { wrap, type Remote } from 'comlink'
import { formatLength } from '@north-tide/core'
import {
  compartmentAt,
  type ThroughHullDesign,
  type FloodAnswer,
  type FloodPlan,
  type FloodRun,
} from '@north-tide/core/through-hull'
import { useThroughHull } from '../../state/through-hull'
import { useBoats } from '../../state/boats'
import { useFlood } from '../../state/flood'
import FloodPlanEditor from './FloodPlanEditor.vue'
import PickOne from '../../pieces/PickOne.vue'
import RowTable from '../../pieces/RowTable.vue'
import { withMinus } from '../../pieces/chart-ticks'

/** If it lets go: the rise of water in each compartment, with pumps and doors, in a worker. */
const throughHull = useThroughHull()
const boats = useBoats()
const flood = useFlood()
const plan = computed(() => (flood.boatId === boats.picture?.id ? flood.plan : null))
const failed = ref('')
const hours = ref(6)
const also = reactive<Record<string, boolean>>({})
/** Doors tried open or shut here; how they stand as a rule is the boat’s. */
const tried = reactive<Record<string, boolean>>({})
const key = (o: FloodPlan['doors'][number]) => `${o.a} ${o.b} ${o.title}`
const opened = (o: FloodPlan['doors'][number]) => tried[key(o)] ?? o.open
interface Both {
  on: FloodAnswer
  off: FloodAnswer
}
const both = shallowRef<Both | null>(null)
const answer = computed(() => both.value?.on ?? null)
const ms = ref(0)
const canvas = ref<HTMLCanvasElement>()
type Run = Omit<FloodRun, 'pumpsOn'>
const worker = new Worker(new URL('../../workers/flood-worker.ts', import.meta.url), { type: 'module' })
const remote: Remote<{ flood: (run: Run) => { answer?: Both; ms?: number; error?: string } }> = wrap(worker)
const d = computed(() => throughHull.design!)
/** What stands open once it is gone: its bore, or the whole hole where it has none. */
const boreOf = (x: ThroughHullDesign) => x.skin.boreMm || (x.boredMm ?? x.skin.holeMm)
const bore = computed(() => boreOf(d.value))
/** No drill is larger than what the pumps hold: down to the next half millimetre. */
const chokeDrill = (mm: number) => Math.floor(mm * 2) / 2
const takeChoke = (mm: number, pumpsLpm: number) =>
  throughHull.change({ 'plug.chokeMm': chokeDrill(mm), 'plug.pumpsLpm': pumpsLpm })
const others = computed(() => throughHull.around.others.filter((o) => o.design.place.zMm < 0))
const run = computed<Run | null>(() => {
  const p = plan.value
  if (!p || d.value.place.zMm >= 0) return null
  const hole = (name: string, x: number, z: number, size: number) => ({
    compartment: compartmentAt(p, x).id,
    name,
    diameterMm: size,
    zMm: z,
    cd: 0.6,
  })
  return {
    ...p,
    doors: p.doors.map((o) => ({ ...o, open: opened(o) })),
    holes: [
      hole(d.value.name, d.value.place.xMm, d.value.place.zMm, bore.value),
      ...others.value
        .filter((o) => also[o.id])
        .map((o) => hole(o.name, o.design.place.xMm, o.design.place.zMm, boreOf(o.design))),
    ],
    hours: hours.value,
  }
})
let turn = 0
watch(run, async (r) => {
  if (!r) return void (both.value = null)
  const mine = ++turn
  const got = await remote.flood(JSON.parse(JSON.stringify(r)))
  if (mine !== turn) return
  failed.value = got.error ?? ''
  if (got.answer) {
    both.value = got.answer
    ms.value = got.ms ?? 0
    void draw()
  }
})
onMounted(async () => {
  try {
    await flood.open(boats.picture!.id)
  } catch (error) {
    failed.value = error instanceof Error ? error.message : 'It could not be fetched'
  }
})
const mine = computed(() => (plan.value ? compartmentAt(plan.value, d.value.place.xMm) : null))
const css = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()
let chart: { destroy: () => void } | null = null
const DASHES = [[], [8, 4], [2, 3], [10, 3, 2, 3]]
/** Levels of every compartment by the hour: bold with the pumps on, thin with them off. */
function lines(p: NonNullable<typeof plan.value>, a: FloodAnswer, pumps: boolean, perMm: number) {
  const colours = [css('--tide'), css('--buoy')]
  return p.compartments.map((c, i) => ({
    label: pumps ? c.title : `${c.title}, pumps off`,
    data: a.series.map((s) => ({ x: s.tMin / 60, y: s.levels[i]! * perMm })),
    borderColor: colours[i] ?? css('--ink'),
    borderDash: DASHES[i % 4]!,
    pointRadius: 0,
    borderWidth: pumps ? 3 : 1,
  }))
}
async function draw() {
  if (!canvas.value || !both.value || !plan.value) return
  const { Chart, LineController, LineElement, PointElement, LinearScale, Legend, Ticks } =
    await import('chart.js')
  Chart.register(LineController, LineElement, PointElement, LinearScale, Legend)
  if (!canvas.value || !both.value) return
  chart?.destroy()
  const [ink, { on, off }, p] = [css('--ink'), both.value, plan.value]
  const inch = boats.units === 'inch'
  const perMm = inch ? 1 / 25.4 : 1
  const title = (text: string) => ({ display: true, text, color: ink })
  const height = title(inch ? 'in over the waterline' : 'mm over the waterline')
  const ticks = { color: ink, callback: withMinus(Ticks.formatters.numeric) }
  chart = new Chart(canvas.value, {
    type: 'line',
    data: { datasets: [...lines(p, on, true, perMm), ...lines(p, off, false, perMm)] },
    options: {
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      color: ink,
      font: { family: css('--words') },
      plugins: {
        legend: {
          position: 'top',
          align: 'start',
          labels: {
            color: ink,
            boxWidth: 26,
            boxHeight: 0,
            filter: (item) => (item.datasetIndex ?? 0) < p.compartments.length,
          },
        },
      },
      scales: {
        x: { type: 'linear', title: title('hours'), ticks },
        y: { title: height, ticks, suggestedMax: 0 },
      },
    },
  })
}
watch(
  () => boats.units,
  () => void draw(),
)
onUnmounted(() => {
  chart?.destroy()
  worker.terminate()
})
const time = (min: number | null) =>
  min === null
    ? `over ${hours.value} h`
    : min === 0
      ? 'at once'
      : min < 90
        ? `${Math.round(min)} min`
        : `${(min / 60).toFixed(1)} h`
</script>

<template>
  <p v-if="d.place.zMm >= 0" class="soft">
    It stands above the water at rest: what lets go here lets in no sea until she heels; see the placing aid
    for how far.
  </p>
  <div v-else class="flood">
    <div class="chart-col">
      <div class="switches">
        <ElCheckbox
          v-for="(o, i) in plan?.doors ?? []"
          :key="i"
          class="tick"
          :model-value="opened(o)"
          @change="tried[key(o)] = $event as boolean"
          >{{ o.title || `${o.a} to ${o.b}` }} open</ElCheckbox
        >
        <label class="small" for="flood-hours"
          >over
          <PickOne
            id="flood-hours"
            v-model="hours"
            class="hours"
            label="Hours shown"
            :options="[1, 3, 6, 12, 24, 48].map((h) => ({ value: h, title: `${h} h` }))"
        /></label>
      </div>
      <div class="chart">
        <canvas ref="canvas" role="img" aria-label="Level of water in each compartment against time"></canvas>
      </div>
      <p class="soft small">
        Heavy lines: pumps on; fine lines: pumps off. The boat’s own sinking is left out, and it makes things
        worse. Pumps at the share of their rating given below, for lift, hose and voltage.<span v-if="answer"
          >{{ ' ' }}{{ answer.steps }} steps in {{ Math.round(ms) }} ms.</span
        >
      </p>
      <div v-if="others.length" class="switches">
        <strong>And if these go too:</strong
        ><ElCheckbox v-for="o in others" :key="o.id" class="tick" v-model="also[o.id]">{{
          o.name
        }}</ElCheckbox>
      </div>
    </div>
    <div v-if="answer" class="said-col">
      <p v-if="mine && !mine.sure" class="bad small">
        No compartment is drawn where it stands; it is taken to flood {{ mine.title }}, the nearest.
      </p>
      <p data-test="inflow">
        <strong class="figure">{{ Math.round(answer.initialLpm) }} L/min</strong> comes in at first through
        {{ run && run.holes.length > 1 ? `all ${run.holes.length} holes` : formatLength(bore, boats.units) }};
        the pumps there carry <strong class="figure">{{ Math.round(answer.holedPumpLpm) }} L/min</strong
        >{{
          answer.holedPumpLpm < answer.pumpLpm
            ? `, those of the whole boat ${Math.round(answer.pumpLpm)} L/min`
            : ''
        }}.
      </p>
      <RowTable
        label="Marks"
        :columns="[
          { key: 'waterReaches', title: 'Water reaches' },
          { key: 'pumpsOn', title: 'Pumps on', number: true, class: 'when' },
          { key: 'off', title: 'Off', number: true, class: 'when' },
        ]"
        :rows="answer.marks"
        :known="(m) => `${m.compartment}${m.name}`"
      >
        <template #waterReaches="{ row: m }"
          >{{ m.name }}
          <span class="soft small">{{
            plan!.compartments.find((c) => c.id === m.compartment)?.title
          }}</span></template
        >
        <template #pumpsOn="{ row: m }">{{ time(m.atMin) }}</template>
        <template #off="{ index: i }">{{ time(both!.off.marks[i]!.atMin) }}</template>
      </RowTable>
      <p v-if="!answer.marks.length" class="soft small">
        No mark is set: add the sole, the batteries, an air intake below, and see when the water is there.
      </p>
      <p data-test="choke">
        The largest hole its compartment’s pumps hold for ever:
        <strong class="figure">{{
          answer.chokeMm
            ? formatLength(Number(answer.chokeMm.toFixed(1)), boats.units)
            : 'none, no pump there'
        }}</strong>{{ d.family === 'drain-plug' ? '; the choke hole in the block is no larger' : '' }}.
        <ElButton
          v-if="d.plug?.choke && answer.chokeMm && !throughHull.readOnly"
          class="act"
          @click="takeChoke(answer.chokeMm, answer.holedPumpLpm)"
          >Drill the choke hole to {{ formatLength(chokeDrill(answer.chokeMm), boats.units) }}</ElButton
        >
      </p>
      <p class="small">
        Soft plug tied beside it: {{ formatLength(Number((0.6 * bore).toFixed(0)), boats.units) }} to
        {{ formatLength(Number((1.2 * bore).toFixed(0)), boats.units) }}.
      </p>
    </div>
    <FloodPlanEditor v-if="plan && mine" class="plan" :compartment="mine.id" />
    <p v-if="failed" class="bad" role="alert">{{ failed }}</p>
  </div>
</template>

<style scoped>
.flood {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: 12px 20px;
}
.plan {
  grid-column: 1 / -1;
}
.switches {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
}
.chart {
  position: relative;
  height: 200px;
}
.tick {
  display: flex;
  gap: 7px;
  align-items: center;
  min-height: 32px;
}
.said-col {
  display: grid;
  gap: 5px;
  align-content: start;
}
:deep(td.when) {
  white-space: nowrap;
  vertical-align: top;
}
:deep(th.number) {
  white-space: nowrap;
}
.bad {
  grid-column: 1 / -1;
  color: var(--short);
  font-weight: 600;
}
@media (max-width: 767px) {
  .flood {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
