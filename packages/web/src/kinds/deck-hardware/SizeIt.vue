<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref, toRaw } from 'vue'
import { ElDialog } from 'element-plus'
import 'element-plus/es/components/dialog/style/css'
import { wrap } from 'comlink'
import {
  formatLength,
  formatMass,
  roomAround,
  sayIn,
  zoneOfPlace,
  type BoatPart,
  type BoatZone,
  type Design,
  type Proposal,
  type Room,
  type SizeChoice,
  type YardValue,
  formatUse,
} from '@north-tide/core'
import { useBench } from '../../state/bench'
import { useBoats } from '../../state/boats'
import StaysShort from '../../pieces/StaysShort.vue'
import VerdictSign from '../../pieces/VerdictSign.vue'
import RowTable from '../../pieces/RowTable.vue'

const emit = defineEmits<{ close: [] }>()
const bench = useBench()
const boats = useBoats()
const proposal = ref<Proposal | null>(null)
const failed = ref('')
const worker = new Worker(new URL('../../workers/size-worker.ts', import.meta.url), { type: 'module' })
const remote = wrap<{
  sizeIt: (
    d: Design,
    yard: YardValue[],
    room: Room | null,
    zone: BoatZone | null,
    parts: BoatPart[],
  ) => Proposal
}>(worker)
worker.onerror = () => (failed.value = 'The sizing stopped; the design is as it was.')
onMounted(async () => {
  const plain = <T,>(v: T): T => JSON.parse(JSON.stringify(v)) as T
  const design = plain(toRaw(bench.design!))
  const parts = plain(boats.picture?.parts ?? [])
  proposal.value = await remote
    .sizeIt(
      design,
      plain(boats.yard),
      roomAround(design, parts),
      plain(zoneOfPlace(boats.picture?.zones ?? [], design.place)),
      parts,
    )
    .catch((e: Error) => {
      failed.value = e.message
      return null
    })
})
onUnmounted(() => worker.terminate())
const dots = computed(() => {
  const all = proposal.value?.choices ?? []
  const at = (of: (c: SizeChoice) => number) => {
    const v = all.map(of)
    const [a, b] = [Math.min(...v), Math.max(...v)]
    return (x: number) => (b > a ? (x - a) / (b - a) : 0.5)
  }
  const [m, h] = [at((c) => c.massKg), at((c) => c.hours)]
  return all.map((c) => ({ x: 60 + 500 * m(c.massKg), y: 66 - 50 * h(c.hours) }))
})
const picked = ref(0)
const chosen = computed<SizeChoice | null>(() => proposal.value?.choices[picked.value] ?? null)
function apply() {
  const design = chosen.value?.design ?? proposal.value?.design
  if (design) bench.replace(design)
  emit('close')
}
</script>

<template>
  <ElDialog :model-value="true" title="Size it" width="860px" top="6vh" @close="emit('close')">
    <p v-if="failed" role="alert">{{ failed }}</p>
    <p v-else-if="!proposal" class="soft" role="status">
      Trying bolts, grades, plates and core schools, and asking the plate solver about the best …
    </p>
    <div v-else class="proposal">
      <p class="lead">
        <VerdictSign :verdict="proposal.found ? proposal.verdict : 'short'" :size="18" />
        <strong>{{ sayIn(proposal.because, boats.units) }}</strong>
      </p>
      <RowTable
        v-if="proposal.choices.length"
        class="choices"
        label="The best few"
        :columns="[
          { key: 'sign' },
          { key: 'design', title: 'Design' },
          { key: 'weight', title: 'Weight', number: true },
          { key: 'costClass', title: 'Cost class' },
          { key: 'underDeck', title: 'Under deck', number: true },
          { key: 'holes', title: 'Holes', number: true },
          { key: 'hours', title: 'Hours', number: true },
          { key: 'whatGoverns', title: 'What governs' },
        ]"
        :rows="proposal.choices"
        :about="(_, i) => ({ class: { on: i === picked } })"
      >
        <template #sign="{ row: c, index: i }"
          ><ElRadio :id="`choice-${i}`" v-model="picked" name="choice" :value="i"
            ><span class="hidden-words">{{ c.title }}</span></ElRadio
          ></template
        >
        <template #design="{ row: c, index: i }"
          ><label :for="`choice-${i}`"
            >{{ c.title
            }}<small v-if="c.bestAt.length" class="soft best">{{ c.bestAt.join(', ') }}</small></label
          ></template
        >
        <template #weight="{ row: c }">{{ formatMass(c.massKg, boats.units) }}</template>
        <template #costClass="{ row: c }">{{ c.cost }}</template>
        <template #underDeck="{ row: c }">{{
          formatLength(Math.round(c.underDeckMm), boats.units)
        }}</template>
        <template #holes="{ row: c }">{{ c.holes }}</template>
        <template #hours="{ row: c }">{{ c.hours.toFixed(1) }}</template>
        <template #whatGoverns="{ row: c }"
          ><VerdictSign :verdict="c.verdict" /> {{ c.governing.toLowerCase() }}
          {{ formatUse(c.utilisation) }}</template
        >
      </RowTable>
      <svg
        v-if="proposal.choices.length > 1"
        class="trade"
        viewBox="0 0 600 92"
        role="img"
        aria-label="Weight against hours of the best few: further left is lighter, lower is less work"
      >
        <path d="M40 8V74H590" class="axis" />
        <text x="590" y="90" text-anchor="end">heavier</text>
        <text x="34" y="14" text-anchor="end">more work</text>
        <g v-for="(p, i) in dots" :key="i">
          <circle
            :cx="p.x"
            :cy="p.y"
            :r="i === picked ? 9 : 6"
            :class="{ on: i === picked }"
            @click="picked = i"
          />
          <text :x="p.x + 12" :y="p.y + 4">{{ i + 1 }}</text>
        </g>
      </svg>
      <RowTable
        v-if="chosen?.changes.length"
        label="What changes"
        :columns="[
          { key: 'whatChanges', title: 'What changes' },
          { key: 'from', title: 'From', class: 'figure soft' },
          { key: 'to', title: 'To', class: 'figure' },
          { key: 'why', title: 'Why', class: 'small' },
        ]"
        :rows="chosen.changes"
        :known="(c) => c.path"
      >
        <template #whatChanges="{ row: c }">{{ c.label }}</template>
        <template #from="{ row: c }">{{ sayIn(c.from, boats.units) }}</template>
        <template #to="{ row: c }">{{ sayIn(c.to, boats.units) }}</template>
        <template #why="{ row: c }">{{ sayIn(c.why, boats.units) }}</template>
      </RowTable>
      <p v-else-if="proposal.found">This is already what is least work and holds; nothing changes.</p>
      <p v-if="chosen" class="soft small">
        Bolts, plate and fill: {{ formatMass(proposal.massBeforeKg, boats.units) }} before,
        {{ formatMass(chosen.massKg, boats.units) }} after. Cost class and hours are typical, to rank by.
      </p>
      <StaysShort :found="proposal.found" :checks="proposal.remaining" />
    </div>
    <div class="acts">
      <ElButton class="act" @click="emit('close')">Leave it as it is</ElButton
      ><ElButton v-if="proposal?.found && chosen?.changes.length" class="act main" @click="apply">
        Use this design
      </ElButton>
    </div>
  </ElDialog>
</template>

<style scoped>
.proposal {
  display: grid;
  gap: 12px;
}
.choices label {
  cursor: pointer;
  display: block;
}
.choices :deep(tr.on td) {
  background: var(--tide-soft);
}
.choices input {
  accent-color: var(--tide);
  width: 18px;
  height: 18px;
}
.best {
  display: block;
  font-size: var(--text-small);
}
.choices .number {
  white-space: nowrap;
}
.trade {
  width: 100%;
  max-height: 96px;
}
.trade .axis {
  fill: none;
  stroke: var(--ink-soft);
}
.trade text {
  font: 600 0.75rem var(--words);
  fill: var(--ink-soft);
}
.trade circle {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.6;
  cursor: pointer;
}
.trade circle.on {
  fill: var(--tide);
}
.lead {
  display: flex;
  gap: 10px;
  align-items: flex-start;
}
.lead svg {
  margin-top: 2px;
}
.acts {
  display: flex;
  justify-content: flex-end;
  gap: 10px;
  padding-top: 18px;
}
</style>
