<script setup lang="ts">
import { computed, onMounted, onUnmounted, reactive, ref, shallowRef, watch } from 'vue'
import { wrap, type Remote } from 'comlink'
import { formatLength } from '@north-tide/core'
import { compartmentAt, type FloodAnswer, type FloodPlan, type FloodRun } from '@north-tide/core/below'
import { api } from '../../api'
import { useBelow } from '../../stores/below'
import { useBoats } from '../../stores/boats'
import DimensionField from '../../pieces/DimensionField.vue'

/** If it lets go: the rise of water in each compartment, with pumps and doors, in a worker. */
const below = useBelow()
const boats = useBoats()
const plan = ref<FloodPlan | null>(null)
const version = ref(0)
const estimated = ref(true)
const saved = ref('')
const failed = ref('')
const pumpsOn = ref(true)
const hours = ref(6)
const also = reactive<Record<string, boolean>>({})
const answer = shallowRef<FloodAnswer | null>(null)
const ms = ref(0)
const canvas = ref<HTMLCanvasElement>()
const worker = new Worker(new URL('../../workers/flood-worker.ts', import.meta.url), { type: 'module' })
const remote: Remote<{ flood: (run: FloodRun) => { answer?: FloodAnswer; ms?: number; error?: string } }> = wrap(worker)
const d = computed(() => below.design!)
const bore = computed(() => d.value.skin.boreMm || (d.value.boredMm ?? d.value.skin.holeMm))
const others = computed(() => below.around.others.filter((o) => o.design.place.zMm < 0 && (o.design.skin.boreMm > 0 || o.design.boredMm)))
const run = computed<FloodRun | null>(() => {
  const p = plan.value
  if (!p || d.value.place.zMm >= 0) return null
  const hole = (name: string, x: number, z: number, size: number) => ({ compartment: compartmentAt(p, x).id, name, diameterMm: size, zMm: z, cd: 0.6 })
  return { ...p, holes: [hole(d.value.name, d.value.place.xMm, d.value.place.zMm, bore.value), ...others.value.filter((o) => also[o.id]).map((o) => hole(o.name, o.design.place.xMm, o.design.place.zMm, o.design.skin.boreMm || o.design.boredMm!))], pumpsOn: pumpsOn.value, hours: hours.value }
})
let turn = 0
watch(run, async (r) => {
  if (!r) return void (answer.value = null)
  const mine = ++turn
  const got = await remote.flood(JSON.parse(JSON.stringify(r)))
  if (mine !== turn) return
  failed.value = got.error ?? ''
  if (got.answer) {
    answer.value = got.answer
    ms.value = got.ms ?? 0
    void draw()
  }
})
onMounted(async () => {
  try {
    const got = await api<{ plan: FloodPlan; version: number; estimated: boolean }>('GET', `/boats/${boats.picture!.id}/flooding`)
    plan.value = got.plan
    version.value = got.version
    estimated.value = got.estimated
  } catch (error) {
    failed.value = error instanceof Error ? error.message : 'It could not be fetched'
  }
})
const css = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()
let chart: { destroy: () => void } | null = null
const DASHES = [[], [8, 4], [2, 3], [10, 3, 2, 3]]
async function draw() {
  if (!canvas.value || !answer.value || !plan.value) return
  const { Chart, LineController, LineElement, PointElement, LinearScale, Legend } = await import('chart.js')
  Chart.register(LineController, LineElement, PointElement, LinearScale, Legend)
  if (!canvas.value || !answer.value) return
  chart?.destroy()
  const [ink, a, p] = [css('--ink'), answer.value, plan.value]
  const inch = boats.units === 'inch'
  const L = (z: number) => (inch ? z / 25.4 : z)
  chart = new Chart(canvas.value, {
    type: 'line',
    data: { datasets: p.compartments.map((c, i) => ({ label: c.title, data: a.series.map((s) => ({ x: s.tMin / 60, y: L(s.levels[i]!) })), borderColor: i === 0 ? css('--tide') : i === 1 ? css('--buoy') : ink, borderDash: DASHES[i % 4]!, pointRadius: 0, borderWidth: 2 })) },
    options: { animation: false, responsive: true, maintainAspectRatio: false, color: ink, font: { family: css('--words') }, scales: { x: { type: 'linear', title: { display: true, text: 'hours', color: ink }, ticks: { color: ink } }, y: { title: { display: true, text: inch ? 'in over the waterline' : 'mm over the waterline', color: ink }, ticks: { color: ink }, suggestedMax: 0 } } },
  })
}
watch(() => boats.units, () => void draw())
onUnmounted(() => {
  chart?.destroy()
  worker.terminate()
})
const time = (min: number | null) => (min === null ? `not within ${hours.value} h` : min === 0 ? 'at once' : min < 90 ? `${Math.round(min)} min` : `${(min / 60).toFixed(1)} h`)
async function save() {
  saved.value = failed.value = ''
  try {
    const got = await api<{ plan: FloodPlan; version: number; estimated: boolean }>('PUT', `/boats/${boats.picture!.id}/flooding`, { version: version.value, plan: plan.value })
    version.value = got.version
    estimated.value = got.estimated
    saved.value = 'Kept for the whole boat.'
  } catch (error) {
    failed.value = error instanceof Error ? error.message : 'It was not kept'
  }
}
const id = (n: number) => {
  let k = n + 1
  while (plan.value!.compartments.some((c) => c.id === `c${k}`)) k++
  return `c${k}`
}
</script>

<template>
  <p v-if="d.place.zMm >= 0" class="soft">It stands above the water at rest: what lets go here lets in no sea until she heels; see the placing aid for how far.</p>
  <div v-else class="flood">
    <div class="chart-col">
      <div class="switches">
        <label class="tick"><input v-model="pumpsOn" type="checkbox" /> pumps on</label>
        <label v-for="(o, i) in plan?.doors ?? []" :key="i" class="tick"><input v-model="o.open" type="checkbox" /> {{ o.title || `${o.a} to ${o.b}` }} open</label>
        <label class="small" for="flood-hours">over <select id="flood-hours" v-model.number="hours" class="choice" aria-label="Hours shown"><option v-for="h in [1, 3, 6, 12, 24, 48]" :key="h" :value="h">{{ h }} h</option></select></label>
      </div>
      <div class="chart"><canvas ref="canvas" role="img" aria-label="Level of water in each compartment against time"></canvas></div>
      <p class="soft small">The boat’s own sinking is left out, and it makes things worse. Pumps at half their rating for lift, hose and voltage.<span v-if="answer"> {{ answer.steps }} steps in {{ Math.round(ms) }} ms.</span></p>
    </div>
    <div v-if="answer" class="said-col">
      <p><strong class="figure">{{ Math.round(answer.initialLpm) }} L/min</strong> comes in at first through {{ formatLength(bore, boats.units) }}; pumps carry <strong class="figure">{{ pumpsOn ? Math.round(answer.pumpLpm) : 0 }} L/min</strong>.</p>
      <table class="rows" aria-label="Marks"><tbody><tr v-for="m in answer.marks" :key="`${m.compartment}${m.name}`"><td>{{ m.name }} <span class="soft small">{{ plan!.compartments.find((c) => c.id === m.compartment)?.title }}</span></td><td class="number">{{ time(m.atMin) }}</td></tr></tbody></table>
      <p data-test="choke">The largest hole its compartment’s pumps hold for ever: <strong class="figure">{{ answer.chokeMm ? formatLength(Number(answer.chokeMm.toFixed(1)), boats.units) : 'none, no pump there' }}</strong>{{ d.family === 'drain-plug' ? '; the choke hole in the block is no larger' : '' }}.</p>
      <p class="small">Soft plug tied beside it: {{ formatLength(Number((0.6 * bore).toFixed(0)), boats.units) }} to {{ formatLength(Number((1.2 * bore).toFixed(0)), boats.units) }}.</p>
      <template v-if="others.length"><h3>And if these go too</h3><label v-for="o in others" :key="o.id" class="tick"><input v-model="also[o.id]" type="checkbox" /> {{ o.name }}</label></template>
    </div>
    <div v-if="plan" class="plan-col">
      <h3>Compartments <span v-if="estimated" class="soft small">estimated from her lines</span></h3>
      <table class="rows" aria-label="Compartments"><thead><tr><th>Name</th><th>Area, m²</th><th>Floor z</th><th>From x</th><th>To x</th></tr></thead>
        <tbody><tr v-for="(c, i) in plan.compartments" :key="c.id"><td><label class="hidden-words" :for="`comp-${i}`">Name of the compartment</label><input :id="`comp-${i}`" v-model="c.title" class="entry name" maxlength="80" :readonly="below.readOnly" /></td><td><DimensionField v-model="c.areaM2 as number | null" :label="`Area of ${c.title}`" kind="number" :units="boats.units" above :disabled="below.readOnly" /></td><td><DimensionField v-model="c.floorZMm as number | null" :label="`Floor of ${c.title}`" :units="boats.units" :disabled="below.readOnly" /></td><td><DimensionField v-model="c.fromXMm as number | null" :label="`From, ${c.title}`" :units="boats.units" :disabled="below.readOnly" /></td><td><DimensionField v-model="c.toXMm as number | null" :label="`To, ${c.title}`" :units="boats.units" :disabled="below.readOnly" /></td></tr></tbody></table>
      <table v-if="plan.pumps.length" class="rows" aria-label="Pumps"><thead><tr><th>Pump</th><th>Rated, L/min</th><th>Starts z</th></tr></thead>
        <tbody><tr v-for="(p, i) in plan.pumps" :key="i"><td><label class="hidden-words" :for="`pump-${i}`">Name of the pump</label><input :id="`pump-${i}`" v-model="p.title" class="entry name" maxlength="80" :readonly="below.readOnly" /></td><td><DimensionField v-model="p.ratedLpm as number | null" :label="`Rating of ${p.title}`" kind="number" :units="boats.units" above :disabled="below.readOnly" /></td><td><DimensionField v-model="p.startZMm as number | null" :label="`Start of ${p.title}`" :units="boats.units" :disabled="below.readOnly" /></td></tr></tbody></table>
      <div v-if="!below.readOnly" class="acts"><button class="act" @click="plan.compartments.push({ id: id(plan.compartments.length), title: 'Another', fromXMm: 0, toXMm: boats.picture!.lengthMm, areaM2: 2, floorZMm: -300 })">Add a compartment</button><button class="act" @click="plan.pumps.push({ compartment: compartmentAt(plan, d.place.xMm).id, title: 'Pump', ratedLpm: 60, derate: 0.5, startZMm: -250 })">Add a pump</button><button class="act main" @click="save">Keep for the boat</button></div>
      <p v-if="saved" class="soft small" role="status">{{ saved }}</p>
    </div>
    <p v-if="failed" class="bad" role="alert">{{ failed }}</p>
  </div>
</template>

<style scoped>
.flood { display: grid; grid-template-columns: minmax(0, 1fr) 250px 420px; gap: 20px; }
.switches { display: flex; flex-wrap: wrap; gap: 4px 16px; align-items: center; }
.chart { position: relative; height: 200px; }
.tick { display: flex; gap: 7px; align-items: center; min-height: 32px; }
.said-col, .plan-col { display: grid; gap: 5px; align-content: start; }
.plan-col :deep(.dimension) { display: block; }
.plan-col :deep(.dimension > label) { position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%); }
.plan-col :deep(.entry:not(.name)) { width: 62px; }
.plan-col :deep(.unit) { display: none; }
.plan-col .name { width: 100%; min-width: 96px; text-align: left; font-family: var(--words); }
.plan-col td { padding-right: 6px; }
.acts { display: flex; gap: 8px; flex-wrap: wrap; padding-top: 4px; }
.bad { grid-column: 1 / -1; color: var(--short); font-weight: 600; }
@media (max-width: 1180px) { .flood { grid-template-columns: minmax(0, 1fr) 260px; } .plan-col { grid-column: 1 / -1; } }
</style>
