<script setup lang="ts">
import { computed, defineAsyncComponent, onMounted, ref } from 'vue'
import dayjs from 'dayjs'
import { useRoute, useRouter } from 'vue-router'
import { SEALANTS, type SealantId } from '@north-tide/core'
import { api } from '../../api'
import { useNarrow, usePhone } from '../../state/phone'
import { useSession } from '../../state/session'
import type { Lot } from '../../types'
import ReadFile from '../../pieces/ReadFile.vue'
import LotActs from './LotActs.vue'

const VIEWS = [
  { value: 'lots', label: 'Lots' },
  { value: 'parts', label: 'Parts for the boat' },
  { value: 'order', label: 'Order' },
  { value: 'shelf', label: 'On the shelf' },
  { value: 'cut', label: 'Sheets' },
  { value: 'costs', label: 'Costs' },
  { value: 'own', label: 'Own hardware' },
]
const route = useRoute()
const router = useRouter()
/** The address keeps which: a list is shown to somebody by its link. */
const view = computed({
  get: () => (VIEWS.some((v) => v.value === route.query.view) ? String(route.query.view) : 'lots'),
  set: (v) => void router.replace({ query: v === 'lots' ? {} : { view: v } }),
})
const OwnHardware = defineAsyncComponent(() => import('./OwnHardware.vue'))
const PartsNeeded = defineAsyncComponent(() => import('./PartsNeeded.vue'))
const WhereItWent = defineAsyncComponent(() => import('./WhereItWent.vue'))
const OrderWhole = defineAsyncComponent(() => import('./OrderWhole.vue'))
const ShelfView = defineAsyncComponent(() => import('./ShelfView.vue'))
const CostsView = defineAsyncComponent(() => import('./CostsView.vue'))
const CutPlan = defineAsyncComponent(() => import('./CutPlan.vue'))
const LotForm = defineAsyncComponent(() => import('./LotForm.vue'))
const session = useSession()
const phone = usePhone()
const narrow = useNarrow()
const lots = ref<Lot[] | null>(null)
const said = ref('')
const done = ref('')
const adding = ref(false)
/** Where a lot, or a model, went. */
const went = ref<{ lot: Lot | null } | null>(null)
/** A label that was scanned, or typed: its lot alone is shown. */
const label = computed({
  get: () => String(route.query.lot ?? ''),
  set: (v) => void router.replace({ query: v ? { lot: v } : {} }),
})
const gone = ref(false)
async function attempt(how: () => Promise<Lot[]>, failed: string) {
  said.value = done.value = ''
  try {
    lots.value = await how()
    return true
  } catch (error) {
    if (!session.ended(error)) said.value = error instanceof Error ? error.message : failed
    return false
  }
}
const load = () => attempt(() => api<Lot[]>('GET', '/lots'), 'The stores cannot be read')
onMounted(load)
async function read(file: File) {
  const before = lots.value?.length ?? 0
  const csv = await file.text()
  if (await attempt(() => api<Lot[]>('POST', '/lots/import', { csv }), 'The list was not read'))
    done.value = `Read: ${lots.value!.length - before} new lots.`
}
function kept(next: Lot[]) {
  lots.value = next
  said.value = ''
  adding.value = false
}
const days = (l: Lot) => dayjs(l.expiresOn).diff(dayjs().startOf('day'), 'day')
const count = (n: number) => `${n} ${n === 1 ? 'day' : 'days'}`
const doubtful = (l: Lot) => (days(l) < 0 || l.storedHot) && !l.testedOn && l.quantity !== 0
const word = (l: Lot) =>
  l.recalledOn
    ? `recalled on ${dayjs(l.recalledOn).format('D MMM YYYY')}: ${l.recalledWhy}`
    : l.quantity === 0
      ? 'used up'
      : days(l) < 0
        ? `past its date by ${count(-days(l))}`
        : days(l) < 30
          ? `${count(days(l))} left`
          : 'in date'
const usedUp = computed(() => (lots.value ?? []).filter((l) => l.quantity === 0).length)
const shown = computed(() =>
  (lots.value ?? []).filter((l) =>
    label.value
      ? l.code.toLowerCase().includes(label.value.trim().toLowerCase())
      : gone.value || l.quantity !== 0,
  ),
)
const care = (l: Lot) => (l.chemistry in SEALANTS ? SEALANTS[l.chemistry as SealantId].keepAway : '')
const onHand = (l: Lot) => (l.quantity === null ? l.unit || 'not counted' : `${l.quantity} ${l.unit}`)
const date = (d: string | null) => (d ? dayjs(d).format('D MMM YYYY') : 'sealed')
const stateClass = ({ row }: { row: Lot }) =>
  row.recalledOn
    ? 'alarm'
    : row.quantity === 0
      ? 'soft'
      : days(row) < 0 || row.storedHot
        ? 'alarm'
        : days(row) < 30
          ? 'near'
          : ''
</script>

<template>
  <div class="stores">
    <header class="top">
      <div>
        <h1>Stores</h1>
        <ElSegmented v-model="view" :options="VIEWS" aria-label="What is shown" class="no-print" />
        <p v-if="view === 'lots'" class="soft">
          Lots of sealant and epoxy, with their dates. A lot used is written into every hole it sealed, so
          that a bad one is found again.
        </p>
      </div>
      <span v-if="view === 'lots'" class="no-print acts">
        <ElButton class="act main" @click="adding = true">A lot came in</ElButton>
        <ReadFile accept=".csv,text/csv" words="Read a list (CSV)" @file="read" />
        <a class="act" href="/api/lots.csv" download>CSV</a>
        <a class="act" href="/api/lots/labels.pdf" download>Labels</a>
        <ElButton class="act" @click="went = { lot: null }">Recall a part</ElButton>
      </span>
    </header>
    <PartsNeeded v-if="view === 'parts'" />
    <OrderWhole v-else-if="view === 'order'" />
    <ShelfView v-else-if="view === 'shelf'" />
    <CostsView v-else-if="view === 'costs'" />
    <CutPlan v-else-if="view === 'cut'" />
    <OwnHardware v-else-if="view === 'own'" />
    <template v-else>
      <p v-if="said" class="alarm" role="alert">
        {{ said }} <ElButton v-if="!lots" class="act" @click="load">Try again</ElButton>
      </p>
      <p v-if="done" role="status">{{ done }}</p>
      <ElInput
        v-model="label"
        class="entry label no-print"
        clearable
        aria-label="Label of a lot, scanned or typed"
        placeholder="label, scanned or typed"
      />
      <ElTable
        v-if="shown.length"
        :key="`${phone}${narrow}`"
        :data="shown"
        row-key="id"
        :default-sort="{ prop: 'expiresOn', order: 'ascending' }"
      >
        <ElTableColumn prop="code" label="Lot" sortable :width="phone ? 104 : 124">
          <template #default="{ row }">
            <span class="figure code">{{ (row as Lot).code }}</span>
          </template>
        </ElTableColumn>
        <ElTableColumn prop="title" label="What" sortable :min-width="narrow ? 150 : 220">
          <template #default="{ row }">
            {{ (row as Lot).title }}
            <p v-if="care(row as Lot)" class="soft small">keep away before cure: {{ care(row as Lot) }}</p>
            <p v-if="phone" class="small" :class="stateClass({ row: row as Lot })">
              {{ word(row as Lot) }} · {{ onHand(row as Lot) }}
            </p>
            <LotActs
              v-if="phone"
              :lot="row as Lot"
              :doubtful="doubtful(row as Lot)"
              @kept="kept"
              @said="said = $event"
              @went="went = { lot: row as Lot }"
            />
          </template>
        </ElTableColumn>
        <template v-if="!phone">
          <ElTableColumn prop="quantity" label="On hand" sortable width="112">
            <template #default="{ row }"
              ><span class="figure">{{ onHand(row as Lot) }}</span></template
            >
          </ElTableColumn>
          <ElTableColumn v-if="!narrow" prop="openedOn" label="Opened" sortable width="138">
            <template #default="{ row }"
              ><span class="figure">{{ date((row as Lot).openedOn) }}</span></template
            >
          </ElTableColumn>
          <ElTableColumn prop="expiresOn" label="Use by" sortable :width="narrow ? 164 : 138">
            <template #default="{ row }"
              ><span class="figure">{{ date((row as Lot).expiresOn) }}</span>
              <p v-if="narrow" class="soft small">
                {{ (row as Lot).openedOn ? `opened ${date((row as Lot).openedOn)}` : 'sealed' }}
              </p></template
            >
          </ElTableColumn>
          <ElTableColumn label="State" :min-width="narrow ? 200 : 250">
            <template #default="{ row }">
              <span :class="stateClass({ row: row as Lot })"
                >{{ word(row as Lot) }}{{ (row as Lot).storedHot ? ', stored hot' : ''
                }}{{ doubtful(row as Lot) ? ': test a bead or a cup first' : '' }}</span
              ><span v-if="(row as Lot).testedOn" class="soft">
                · tested {{ date((row as Lot).testedOn) }}: {{ (row as Lot).testNote }}</span
              >
              <LotActs
                :lot="row as Lot"
                :doubtful="doubtful(row as Lot)"
                @kept="kept"
                @said="said = $event"
                @went="went = { lot: row as Lot }"
              />
            </template>
          </ElTableColumn>
        </template>
      </ElTable>
      <ElEmpty
        v-else-if="lots && !said"
        :image-size="60"
        description="No lot is in the stores yet: put in what stands on the shelf, or read a list."
      />
      <p v-else-if="!said" class="soft">Looking …</p>
      <ElCheckbox v-if="usedUp" v-model="gone" class="no-print">those used up too ({{ usedUp }})</ElCheckbox>
    </template>
    <WhereItWent v-if="went" :lot="went.lot" @close="went = null" @kept="load" />
    <LotForm v-if="adding" @kept="kept" @close="adding = false" />
  </div>
</template>

<style scoped>
.label {
  max-width: 320px;
}
.stores {
  padding: 16px 24px;
  max-width: 1160px;
}
.top {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 10px 20px;
  padding-bottom: 14px;
}
/* The list of views scrolls by itself where it is wider than the page. */
.top > div {
  min-width: 0;
  max-width: 100%;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: flex-start;
}
.code {
  white-space: nowrap;
}
.alarm {
  color: var(--short);
  font-weight: 600;
}
.near {
  color: var(--tight);
  font-weight: 600;
}
@media (max-width: 767px) {
  .stores {
    padding: 12px 14px;
  }
}
</style>
