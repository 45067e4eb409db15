<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import {
  cutDrawing,
  formatLength,
  sheetSaid,
  type CutPlan,
  type CutSheet,
  type SheetOnHand,
} from '@north-tide/core'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import DimensionField from '../../pieces/DimensionField.vue'
import DrawingView from '../../pieces/DrawingView.vue'
import PickOne from '../../pieces/PickOne.vue'
import RowTable from '../../pieces/RowTable.vue'
import { useBoats } from '../../state/boats'
import { useSession } from '../../state/session'

/** Sheets and offcuts in the store, and how the plates and pads of the open work are cut from them. */
type Sheet = SheetOnHand & { version: number }
const boats = useBoats()
const session = useSession()
const { said, busy, attempt } = useAttempt()
const plan = ref<CutPlan | null>(null)
const sheets = ref<Sheet[]>([])
const done = ref('')
const load = () =>
  attempt(async () => {
    const boat = boats.picture?.id
    if (!boat) return
    const [p, s] = await Promise.all([
      api<CutPlan>('GET', `/boats/${boat}/cutting`),
      session.may('stores') ? api<{ sheets: Sheet[] }>('GET', '/sheets') : { sheets: [] },
    ])
    plan.value = p
    sheets.value = s.sheets
  })
watch(() => boats.picture?.id, load, { immediate: true })
const mm = (v: number) => formatLength(v, boats.units)
const adding = ref(false)
const form = reactive({
  kind: 'offcut' as 'sheet' | 'offcut',
  material: 'g10',
  thicknessMm: null as number | null,
  widthMm: null as number | null,
  heightMm: null as number | null,
  whereItIs: '',
})
/** What the open work asks for, and what is here: the materials that make sense. */
const materials = computed(() => {
  const asked = [
    ...(plan.value?.unplaced ?? []).map((u) => u.cut.material),
    ...(plan.value?.sheets ?? []).map((s) => s.stock.material),
    ...sheets.value.map((s) => s.material),
    'g10',
    'plywood',
  ]
  return [...new Set(asked)].map((value) => ({ value, title: sheetSaid(value) }))
})
async function add() {
  const ok = await attempt((key) => api('POST', '/sheets', { ...form }, key))
  if (!ok) return
  adding.value = false
  Object.assign(form, { thicknessMm: null, widthMm: null, heightMm: null })
  await load()
}
const count = async (s: Sheet, by: number) => {
  if (
    await attempt(() =>
      api('PUT', `/sheets/${s.id}`, { version: s.version, count: Math.max(0, s.count + by) }),
    )
  )
    await load()
}
async function cut(s: CutSheet, index: number) {
  done.value = ''
  const row = sheets.value.find((x) => x.id === s.stock.id)
  const ok = await attempt((key) =>
    api(
      'POST',
      `/boats/${boats.picture!.id}/cutting`,
      { index, stockId: s.stock.id, version: row?.version, pieces: s.places.length },
      key,
    ),
  )
  if (!ok) return
  done.value = `Cut; ${s.kept.length} ${s.kept.length === 1 ? 'offcut' : 'offcuts'} went back on the shelf.`
  await load()
}
const pieces = (s: CutSheet) =>
  s.places.map((p, i) => ({
    ...p,
    n: i + 1,
    size: p.cut.round ? `${mm(p.cut.widthMm)} round` : `${mm(p.cut.widthMm)} by ${mm(p.cut.heightMm)}`,
  }))
</script>

<template>
  <section class="cutting" aria-label="Sheets">
    <p v-if="said" class="alarm" role="alert">
      {{ said }} <ElButton class="act" @click="load">Try again</ElButton>
    </p>
    <p v-if="done" role="status">{{ done }}</p>
    <ElSkeleton v-if="!plan && !said" :rows="6" animated />
    <template v-if="plan">
      <h2>Cut for {{ boats.picture?.name }}</h2>
      <p class="soft small">
        Plates, pads, doublers and panes of her open work, 5 mm from one another and from the edge; offcuts
        first. {{ plan.sheetsUsed }} {{ plan.sheetsUsed === 1 ? 'sheet' : 'sheets' }} and
        {{ plan.offcutsUsed }} {{ plan.offcutsUsed === 1 ? 'offcut' : 'offcuts' }}; by their area alone
        {{ plan.boundSheets }} {{ plan.boundSheets === 1 ? 'sheet' : 'sheets' }}.
      </p>
      <ElEmpty
        v-if="!plan.sheets.length && !plan.unplaced.length"
        :image-size="60"
        description="Nothing of the open work is cut from sheet."
      />
      <article v-for="(s, i) in plan.sheets" :key="`${s.stock.id} ${s.unit}`" class="sheet">
        <div class="picture">
          <DrawingView :drawing="cutDrawing(s, boats.units)" :units="boats.units" scale-bar />
        </div>
        <div>
          <h3>
            {{ sheetSaid(s.stock.material) }}, {{ mm(s.stock.thicknessMm) }}, {{ s.stock.kind }}
            {{ mm(s.stock.widthMm) }} by {{ mm(s.stock.heightMm) }}
            <span v-if="s.stock.whereItIs" class="soft small">{{ s.stock.whereItIs }}</span>
          </h3>
          <RowTable
            :label="`Cut list ${i + 1}`"
            :columns="[
              { key: 'n', title: 'No.', number: true },
              { key: 'size', title: 'Size' },
              { key: 'for', title: 'For', class: 'small' },
            ]"
            :rows="pieces(s)"
            :known="(p) => p.n"
          >
            <template #for="{ row: p }">{{ p.cut.fitting }}: {{ p.cut.title }}</template>
          </RowTable>
          <p class="acts no-print">
            <a class="act" :href="`/api/boats/${boats.picture!.id}/cutting/${i}.dxf`" download>DXF</a>
            <ElButton v-if="session.may('stores')" class="act" :disabled="busy" @click="cut(s, i)"
              >It is cut</ElButton
            >
          </p>
        </div>
      </article>
      <template v-if="plan.unplaced.length">
        <h3>No sheet for</h3>
        <RowTable
          label="No sheet for"
          :columns="[
            { key: 'what', title: 'Piece', by: (u) => u.cut.title },
            { key: 'size', title: 'Size' },
            { key: 'for', title: 'For', by: (u) => u.cut.fitting },
            { key: 'why', title: 'Why', class: 'small' },
          ]"
          :rows="plan.unplaced"
          :known="(u) => u.cut.id"
        >
          <template #what="{ row: u }">{{ u.count }} × {{ sheetSaid(u.cut.material) }}</template>
          <template #size="{ row: u }"
            >{{ mm(u.cut.widthMm) }}{{ u.cut.round ? ' round' : ` by ${mm(u.cut.heightMm)}` }},
            {{ mm(u.cut.thicknessMm) }}</template
          >
          <template #for="{ row: u }">{{ u.cut.fitting }}</template>
        </RowTable>
      </template>
      <h2>On the shelf</h2>
      <RowTable
        label="Sheets and offcuts"
        :columns="[
          { key: 'material', title: 'Material', by: (s) => s.material },
          { key: 'thick', title: 'Thick', number: true, by: (s) => s.thicknessMm },
          { key: 'size', title: 'Size' },
          { key: 'kind', title: 'Kind' },
          { key: 'whereItIs', title: 'Where', class: 'small' },
          { key: 'count', title: 'How many', number: true },
          { key: 'act' },
        ]"
        :rows="sheets"
        :known="(s) => s.id"
        empty="No sheet is on the shelf: say what is there."
      >
        <template #material="{ row: s }">{{ sheetSaid(s.material) }}</template>
        <template #thick="{ row: s }">{{ mm(s.thicknessMm) }}</template>
        <template #size="{ row: s }">{{ mm(s.widthMm) }} by {{ mm(s.heightMm) }}</template>
        <template #act="{ row: s }"
          ><span class="acts"
            ><ElButton
              class="act small"
              :aria-label="`One more of ${sheetSaid(s.material)}`"
              @click="count(s, 1)"
              >+1</ElButton
            ><ElButton
              class="act small"
              :disabled="!s.count"
              :aria-label="`One fewer of ${sheetSaid(s.material)}`"
              @click="count(s, -1)"
              >−1</ElButton
            ></span
          ></template
        >
      </RowTable>
      <ElButton v-if="!adding && session.may('stores')" class="act" @click="adding = true"
        >A sheet came in</ElButton
      >
      <form v-else-if="adding" class="new" aria-label="A sheet came in" @submit.prevent="add">
        <label
          >Kind<PickOne
            v-model="form.kind"
            label="Kind"
            :options="[
              { value: 'offcut', title: 'an offcut' },
              { value: 'sheet', title: 'a sheet' },
            ]"
        /></label>
        <label>Material<PickOne v-model="form.material" label="Material" :options="materials" /></label>
        <DimensionField v-model="form.thicknessMm" label="Thick" :units="boats.units" above optional />
        <DimensionField v-model="form.widthMm" label="Wide" :units="boats.units" above optional />
        <DimensionField v-model="form.heightMm" label="High" :units="boats.units" above optional />
        <label>Where it is<ElInput v-model="form.whereItIs" class="entry" maxlength="80" /></label>
        <div class="acts">
          <ElButton
            class="act main"
            native-type="submit"
            :disabled="busy || !form.thicknessMm || !form.widthMm || !form.heightMm"
            >Put it on the shelf</ElButton
          ><ElButton class="act" @click="adding = false">Leave it</ElButton>
        </div>
      </form>
    </template>
  </section>
</template>

<style scoped>
.cutting {
  display: grid;
  gap: 10px;
  justify-items: start;
}
.cutting > :deep(table) {
  width: 100%;
}
h2 {
  font-size: 1.05rem;
}
h3 {
  font-size: 0.95rem;
}
.sheet {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: 18px;
  width: 100%;
  border-top: 1px solid var(--line);
  padding-top: 10px;
}
.picture {
  height: 320px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding-top: 6px;
}
.new {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 200px), 1fr));
  gap: 8px 14px;
  align-items: end;
  width: 100%;
}
.new label {
  display: grid;
  gap: 2px;
}
.alarm {
  color: var(--short);
}
@media (max-width: 767px) {
  .sheet {
    grid-template-columns: 1fr;
  }
}
</style>
