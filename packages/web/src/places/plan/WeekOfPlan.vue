<script setup lang="ts">
import { computed } from 'vue'
import { useUrlSearchParams } from '@vueuse/core'
import { VueDraggable } from 'vue-draggable-plus'
import dayjs from 'dayjs'
import type { PlanDay, PlannedStep } from '@north-tide/core'
import VerdictSign from '../../pieces/VerdictSign.vue'
import { usePlan } from '../../state/plan'
import { fixedSaid } from './fixed-said'

/**
 * A week as a yard sees it: days across, each pair of hands and the cures down, and behind the days the tide
 * of the hours in which a surface may be bonded. A step is taken to another day or into other hands; where
 * the rules do not let it, they say why.
 */
const props = defineProps<{
  days: PlanDay[]
  to: (f: { kind: string; fittingId: string }) => string
}>()
const emit = defineEmits<{ open: [step: PlannedStep] }>()
const yard = usePlan()
const asked = useUrlSearchParams('history', { initialValue: { week: '' } })
const monday = computed(() => {
  const at = dayjs(String(asked.week ?? '') || undefined)
  return at.subtract((at.day() + 6) % 7, 'day').format('YYYY-MM-DD')
})
const go = (weeks: number) =>
  (asked.week = dayjs(monday.value)
    .add(7 * weeks, 'day')
    .format('YYYY-MM-DD'))
const week = computed(() =>
  Array.from({ length: 7 }, (_, i) => dayjs(monday.value).add(i, 'day').format('YYYY-MM-DD')),
)
const people = computed(() => (yard.plan?.ask.fitters ?? []).map((f) => f.name))
const byDay = computed(() => new Map(props.days.map((d) => [d.day, d])))
/** What one does on a day: each fitting once, with all of its steps. */
interface Piece {
  key: string
  step: PlannedStep
  steps: PlannedStep[]
}
const cells = computed(() => {
  const out = new Map<string, Piece[]>()
  for (const day of week.value)
    for (const name of people.value) {
      const mine = new Map<string, Piece>()
      for (const s of byDay.value.get(day)?.steps ?? [])
        if (s.who.includes(name)) {
          const had = mine.get(s.fittingId)
          if (had) had.steps.push(s)
          else mine.set(s.fittingId, { key: `${s.fittingId} ${s.step}`, step: s, steps: [s] })
        }
      out.set(`${day} ${name}`, [...mine.values()])
    }
  return out
})
const cell = (day: string, name: string) => [...(cells.value.get(`${day} ${name}`) ?? [])]
const load = (day: string, name: string) =>
  yard.plan?.week?.fitters.find((f) => f.id === name)?.days.find((d) => d.day === day) ?? null
/** Cures that run on a day, of any fitting; two that are alike are one line. */
const cures = (day: string) => {
  const all = props.days
    .flatMap((d) => d.steps)
    .filter((s) => s.cureEnd > s.end && s.end.slice(0, 10) <= day && s.cureEnd > `${day}T00:00`)
  return all.map((s) => ({
    key: s.fittingId + s.step,
    name: s.fitting,
    ends: s.cureEnd.slice(0, 10) === day ? s.cureEnd.slice(11) : '',
  }))
}
/** Hours of the working day in which the forecast lets one bond, as heights of a tide. */
const tide = (day: string) => {
  const hours = (yard.view?.weather?.hours ?? []).filter((h) => h.at.slice(0, 10) === day)
  return hours.filter((h) => Number(h.at.slice(11, 13)) >= 8 && Number(h.at.slice(11, 13)) < 17)
}
const fit = (day: string) => {
  if (!tide(day).length) return null
  return !yard.plan?.ask.badDays.includes(day)
}
const tidePath = (day: string) => {
  const hs = tide(day)
  if (hs.length < 2) return ''
  const top = (c: number) => 22 - Math.max(0, Math.min(20, c))
  const points = hs.map((h, i) => `${((100 * i) / (hs.length - 1)).toFixed(1)},${top(h.airC).toFixed(1)}`)
  return `M0,24 L${points.join(' L')} L100,24 Z`
}
const today = dayjs().format('YYYY-MM-DD')
/** Let go over another day or other hands: asked, and shown again as it stands whatever came of it. */
async function dropped(e: { item: HTMLElement; to: HTMLElement }) {
  const key = e.item.dataset.key
  const { day, who } = e.to.dataset
  const piece = [...cells.value.values()].flat().find((p) => p.key === key)
  if (!piece || !day || !who) return
  const s = piece.step
  const hands = s.who.length > 1 ? undefined : [who]
  await yard.move(s, { day, ...(hands ? { who: hands } : {}) })
}
const name = (p: Piece) =>
  `${p.step.fitting}, ${p.steps.length} ${p.steps.length === 1 ? 'step' : 'steps'}, ${p.step.start.slice(11)} to ${p.steps.at(-1)!.end.slice(11)}`
</script>

<template>
  <section class="week" aria-label="The week">
    <nav class="turn" aria-label="Week by week">
      <ElButton class="act small" @click="go(-1)">Week before</ElButton>
      <strong>{{ dayjs(monday).format('D MMM') }} to {{ dayjs(week[6]).format('D MMM YYYY') }}</strong>
      <ElButton class="act small" @click="go(1)">Next week</ElButton>
      <span class="soft small"
        >Take a piece to another day or into other hands; or press it and say where.</span
      >
    </nav>
    <div class="wide">
      <table :key="yard.plan!.id" class="grid" aria-label="Days across, hands and cures down">
        <thead>
          <tr>
            <td></td>
            <th v-for="d in week" :key="d" scope="col" :class="{ now: d === today }">
              {{ dayjs(d).format('ddd D') }}
              <svg
                v-if="tidePath(d)"
                class="tide"
                viewBox="0 0 100 24"
                preserveAspectRatio="none"
                aria-hidden="true"
              >
                <path :d="tidePath(d)" :class="{ unfit: fit(d) === false }" />
              </svg>
              <span v-if="fit(d) !== null" class="small" :class="{ cold: !fit(d) }">{{
                fit(d) ? 'fit to bond' : 'no bonding'
              }}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="p in people" :key="p">
            <th scope="row">{{ p }}</th>
            <td v-for="d in week" :key="d">
              <span v-if="load(d, p)?.hours" class="load small"
                ><VerdictSign :verdict="load(d, p)!.verdict" :size="10" />
                {{ load(d, p)!.load.toFixed(1) }} of {{ load(d, p)!.hours }} h</span
              >
              <VueDraggable
                :model-value="cell(d, p)"
                tag="ul"
                class="cell"
                group="week"
                :sort="false"
                :animation="100"
                :disabled="!yard.view?.may.plan || yard.moving"
                :data-day="d"
                :data-who="p"
                @add="dropped"
              >
                <li v-for="x in cell(d, p)" :key="x.key" :data-key="x.key">
                  <ElButton
                    class="plain piece"
                    :class="{ critical: x.steps.some((s) => s.critical) }"
                    :aria-label="name(x)"
                    @click="emit('open', x.step)"
                    ><span class="figure small">{{ x.step.start.slice(11) }}</span> {{ x.step.fitting
                    }}<span v-if="x.step.fixed" class="small fixed">, {{ fixedSaid(x.step) }}</span></ElButton
                  >
                </li>
              </VueDraggable>
            </td>
          </tr>
          <tr class="cures">
            <th scope="row">Cures</th>
            <td v-for="d in week" :key="d">
              <ul>
                <li v-for="c in cures(d).slice(0, 6)" :key="c.key" class="small">
                  {{ c.name }}<span v-if="c.ends" class="soft">, until {{ c.ends }}</span>
                </li>
                <li v-if="cures(d).length > 6" class="small soft">and {{ cures(d).length - 6 }} more</li>
              </ul>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.turn {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  padding-bottom: 10px;
}
.wide {
  overflow-x: auto;
}
.grid {
  width: 100%;
  min-width: 860px;
  border-collapse: collapse;
  table-layout: fixed;
}
.grid th,
.grid td {
  vertical-align: top;
  text-align: left;
  border: 1px solid var(--line);
  padding: 6px;
}
.grid thead th {
  position: relative;
}
.grid th.now {
  border-top: 3px solid var(--tide);
}
.grid tr > :first-child {
  width: 104px;
}
.tide {
  display: block;
  width: 100%;
  height: 24px;
}
.tide path {
  fill: var(--tide-soft);
  stroke: var(--tide);
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
}
.tide path.unfit {
  fill: none;
  stroke: var(--buoy);
  stroke-dasharray: 4 3;
}
.cold {
  color: var(--buoy);
}
.load {
  display: flex;
  gap: 4px;
  align-items: center;
  padding-bottom: 4px;
}
.cell {
  list-style: none;
  padding: 0;
  min-height: 44px;
}
.cell li {
  padding: 2px 0;
}
.piece {
  display: block;
  width: 100%;
  text-align: left;
  white-space: normal;
  border-left: 3px solid var(--line-strong) !important;
  padding: 3px 6px;
  height: auto;
  line-height: 1.25;
  cursor: grab;
}
.piece.critical {
  border-left-color: var(--tide) !important;
}
.fixed {
  color: var(--tide);
}
.cures ul {
  list-style: none;
  padding: 0;
}
@media print {
  .turn {
    display: none;
  }
  .grid {
    min-width: 0;
  }
}
</style>
