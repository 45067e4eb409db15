<script setup lang="ts">
import { computed, defineAsyncComponent, ref, type Component } from 'vue'
import {
  directionSaid,
  SEALANTS,
  SIZES,
  boltInHole,
  boltsWanted,
  fullThickness,
  partsOf,
  staleParts,
  stepsOf,
  estimateSaid,
  formatForce,
  formatLength,
  formatQuantity,
  formatRun,
  formatTorque,
  formatVolume,
  sayIn,
  stockSaid,
  formatUse,
} from '@north-tide/core'
import { useBench } from '../../state/bench'
import { useBoats } from '../../state/boats'
import { draggedTo } from './load-fields'
import PartsTable from '../../pieces/PartsTable.vue'
import dayjs from 'dayjs'
import DrawingView from '../../pieces/DrawingView.vue'
import TrayTabs from '../../pieces/TrayTabs.vue'
import RowTable from '../../pieces/RowTable.vue'

const props = defineProps<{ picked: string | null }>()
const tab = defineModel<string>('tab', { required: true })
const TABS = [
  'Pattern',
  'Spread',
  'Working',
  'Parts',
  'Work',
  'Sealant',
  'Schools',
  'Templates',
  'Compare',
  'Survey',
  'Old holes',
  'Wrong hole',
] as const
const TALL = ['Spread', 'Work', 'Schools', 'Templates', 'Compare', 'Survey', 'Old holes', 'Wrong hole']
const OrderBox = defineAsyncComponent(() => import('../../pieces/OrderBox.vue'))
const SpreadView = defineAsyncComponent(() => import('./SpreadView.vue'))
const SchoolsView = defineAsyncComponent(() => import('./SchoolsView.vue'))
const MakeView = defineAsyncComponent(() => import('./MakeView.vue'))
const WorkView = defineAsyncComponent(() => import('../../pieces/WorkView.vue'))
const OldHolesView = defineAsyncComponent(() => import('./OldHolesView.vue'))
const FoundView = defineAsyncComponent(() => import('./FoundView.vue'))
const WrongHoleView = defineAsyncComponent(() => import('../../pieces/WrongHoleView.vue'))
const CompareView = defineAsyncComponent(() => import('./CompareView.vue'))
const VIEWS: Record<string, Component> = {
  Spread: SpreadView,
  Work: WorkView,
  Schools: SchoolsView,
  Templates: MakeView,
  Compare: CompareView,
  Survey: FoundView,
  'Old holes': OldHolesView,
  'Wrong hole': WrongHoleView,
}
const bench = useBench()
bench.takeWork({ stepsOf, partsOf })
const boats = useBoats()
const w = computed(() => bench.whole)
const d = computed(() => bench.design!)
const j = computed(() => w.value?.judgement)
const check = computed(
  () =>
    j.value?.checks.find((c) => c.id === props.picked) ??
    j.value?.checks.find((c) => c.id === j.value?.governing) ??
    j.value?.checks[0],
)
/** What the design makes, line by line. */
const makes = computed(() => {
  const now = j.value
  if (!now) return []
  const u = boats.units
  const measured = now.preload.cautions.includes('run-down-estimate') ? ', to be measured' : ''
  const { quantity, grip, core, preload } = now
  return [
    {
      what: `Bolt, ${d.value.bolt.head}`,
      amount: `${d.value.bolt.size} × ${grip ? stockSaid(grip) : 'none'}`,
    },
    grip && { what: 'Grip', amount: formatLength(grip.gripMm, u) },
    { what: 'Torque to set', amount: formatTorque(preload.torqueNm, u) },
    preload.runDownNm > 0 && {
      what: `of it run-down${measured}`,
      amount: formatTorque(preload.runDownNm, u),
    },
    core && { what: 'Epoxy in the core', amount: formatVolume(core.fillTotalMl, u) },
    quantity && {
      what: quantity.tapeM ? 'Butyl tape' : 'Sealant',
      amount: quantity.tapeM ? formatRun(quantity.tapeM, u) : formatVolume(quantity.volumeMl, u),
    },
  ].filter((x) => !!x)
})
const stale = computed(() => (j.value ? staleParts(bench.work, d.value, j.value) : null))
/** What the pages that both benches share are given. */
const given = computed(() => {
  if (tab.value === 'Work') return { bench }
  if (tab.value !== 'Wrong hole') return {}
  return {
    bench,
    holeMm: SIZES[d.value.bolt.size]!.clearanceMm,
    thicknessMm: fullThickness(d.value.structure),
    cored: d.value.structure.kind === 'sandwich',
    below: d.value.place.belowWaterline,
    fits: (mm: number) => boltInHole(d.value, mm),
  }
})
const notBought = ref('')
async function buy() {
  notBought.value = ''
  try {
    await bench.act('POST', 'bought')
  } catch (error) {
    notBought.value = error instanceof Error ? error.message : 'It was not marked'
  }
}
const FIT = { fits: 'fits', 'fits-with-care': 'with care', refused: 'refused' } as const
const figure = (v: number | null, unit: string) => (v === null ? '' : formatQuantity(v, unit, boats.units))
</script>

<template>
  <TrayTabs v-model="tab" :tabs="TABS" :tall="TALL.includes(tab)" :ready="w !== null && j !== null">
    <template v-if="w && j">
      <div v-if="tab === 'Pattern'" class="pattern">
        <figure>
          <DrawingView
            :drawing="w.pattern"
            :units="boats.units"
            :editable="!bench.readOnly"
            @drag="(path: string, v: number) => bench.change(draggedTo(d, path, v))"
          />
          <figcaption class="soft small">{{ w.pattern.title }}</figcaption>
        </figure>
        <div class="scroll" tabindex="0" aria-label="Each bolt">
          <RowTable
            label="Bolts of the worst case"
            :columns="[
              { key: 'bolt', title: 'Bolt' },
              { key: 'pull', title: 'Pull', number: true },
              { key: 'shear', title: 'Shear', number: true },
              { key: 'used', title: 'Used', number: true },
            ]"
            :rows="j.worst.bolts"
          >
            <template #bolt="{ index: i }">{{ i + 1 }}</template>
            <template #pull="{ row: b }">{{ formatForce(b.tensionN, boats.units) }}</template>
            <template #shear="{ row: b }">{{ formatForce(b.shearN, boats.units) }}</template>
            <template #used="{ row: b }">{{ formatUse(b.utilisation) }}</template>
          </RowTable>
          <p class="soft small">
            {{ j.cases.length > 1 ? `Case “${j.worst.caseName}”. ` : ''
            }}{{
              j.directions > 1
                ? `Worst of ${j.directions} directions: ${directionSaid(j.worst.direction)}.`
                : 'In the one direction given.'
            }}
            <template v-if="j.worst.contact"
              >{{
                j.worst.contact.contactFraction > 0.995
                  ? 'All of the base presses,'
                  : `The base tips: ${Math.round(j.worst.contact.contactFraction * 100)} % of it presses,`
              }}
              {{ formatForce(j.worst.contact.deckForceN, boats.units) }} in all. Greatest pull
              {{ formatForce(j.worst.maxTensionN, boats.units) }}; the hand check, elastic about the centre,
              says {{ formatForce(j.worst.handMaxTensionN, boats.units) }}.</template
            ><template v-else>Shared among equal bolts, elastic about their centre.</template>
          </p>
        </div>
        <div>
          <h3>What this makes</h3>
          <RowTable
            class="makes"
            label="What this makes"
            :columns="[{ key: 'what' }, { key: 'amount', number: true }]"
            :rows="makes"
          />
        </div>
      </div>
      <div v-else-if="tab === 'Working' && check" class="working">
        <div>
          <h3>{{ check.title }}</h3>
          <p>{{ sayIn(check.because, boats.units) }}</p>
          <p class="soft small">
            {{ check.source
            }}<template v-if="check.assumed.length">
              · estimates: {{ check.assumed.map(estimateSaid).join(', ') }}</template
            >
          </p>
          <p v-if="check.demand !== null && check.capacity !== null" class="figure">
            {{ figure(check.demand, check.unit) }} × {{ check.factor }} ÷
            {{ figure(check.capacity, check.unit) }} =
            {{ check.utilisation?.toFixed(3) ?? 'by its own limits' }}
          </p>
        </div>
        <RowTable
          label="Working"
          :columns="[
            { key: 'sign', title: 'Sign', class: 'figure' },
            { key: 'what', title: 'What' },
            { key: 'from', title: 'From', class: 'figure soft' },
            { key: 'value', title: 'Value', number: true },
          ]"
          :rows="check.working"
          empty="This check is a rule, not a sum."
        >
          <template #sign="{ row: s }">{{ s.symbol }}</template>
          <template #what="{ row: s }">{{ s.meaning }}</template>
          <template #from="{ row: s }">{{ s.expression }}</template>
          <template #value="{ row: s }">{{ figure(s.value, s.unit) }}</template>
        </RowTable>
      </div>
      <component
        :is="VIEWS[tab]"
        v-else-if="TALL.includes(tab)"
        :key="`${tab}${bench.fitting?.id}`"
        v-bind="given"
      />
      <div v-else-if="tab === 'Parts'" class="parts">
        <div>
          <p v-if="stale" class="stale-parts" role="status">
            <strong>Stale.</strong> The stack has moved since these were bought:
            {{ sayIn(stale.bought, boats.units) }}. It now wants: {{ sayIn(stale.wanted, boats.units) }}.
          </p>
          <p v-else-if="bench.work.bought" class="soft small">
            Bought by {{ bench.work.bought.by }} on {{ dayjs(bench.work.bought.at).format('D MMM YYYY') }};
            they still fit.
          </p>
          <p v-if="notBought" class="stale-parts" role="alert">{{ notBought }}</p>
          <ElButton v-if="!bench.readOnly" class="act" @click="buy">
            {{ bench.work.bought ? 'Bought anew' : 'Mark as bought' }}
          </ElButton>
          <PartsTable :parts="bench.parts" />
        </div>
        <OrderBox :bench="bench" :list="boltsWanted(bench.design!, j!)" :short="0" />
      </div>
      <RowTable
        v-else
        label="Sealants"
        :columns="[
          { key: 'sealant', title: 'Sealant' },
          { key: 'here', title: 'Here' },
          { key: 'score', title: 'Score', number: true },
          { key: 'why', title: 'Why', class: 'soft' },
        ]"
        :rows="j.sealant.choices"
        :about="(c) => ({ class: { chosen: c.id === d.bedding.sealant } })"
        :known="(c) => c.id"
      >
        <template #sealant="{ row: c }"
          ><ElButton
            class="plain link"
            :disabled="bench.readOnly"
            @click="bench.change({ 'bedding.sealant': c.id })"
          >
            {{ SEALANTS[c.id].title }}
          </ElButton></template
        >
        <template #here="{ row: c }">{{ FIT[c.verdict] }}</template>
        <template #score="{ row: c }">{{ c.verdict === 'refused' ? '–' : c.score.toFixed(0) }}</template>
        <template #why="{ row: c }">{{ c.reasons.map((r) => r.text).join(' ') }}</template>
      </RowTable>
    </template>
  </TrayTabs>
</template>

<style scoped>
.stale-parts {
  border-left: 5px solid var(--buoy);
  padding: 4px 10px;
  margin-bottom: 6px;
}
.pattern {
  display: grid;
  grid-template-columns: minmax(200px, 1fr) minmax(260px, 1.1fr) minmax(200px, 0.9fr);
  gap: 22px;
  height: 100%;
}
figure {
  margin: 0;
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  min-height: 0;
}
.scroll {
  overflow-y: auto;
}
.pattern :deep(td) {
  padding-top: 2px;
  padding-bottom: 2px;
}
.parts {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 290px;
  gap: 22px;
}
@media (max-width: 1180px) {
  .parts {
    grid-template-columns: minmax(0, 1fr);
  }
}
.makes :deep(td) {
  padding: 4px 8px 4px 0;
}
.makes :deep(td.number) {
  white-space: nowrap;
}
.working {
  display: grid;
  grid-template-columns: minmax(240px, 2fr) 3fr;
  gap: 26px;
}
.working p {
  padding-top: 4px;
}
:deep(tr.chosen td) {
  background: var(--tide-soft);
}
.link {
  text-decoration: underline;
  color: var(--tide);
  font-weight: 600;
  min-height: 28px;
}
@media (max-width: 767px) {
  .pattern,
  .working {
    grid-template-columns: minmax(0, 1fr);
    height: auto;
  }
  figure {
    min-height: 240px;
  }
}
</style>
