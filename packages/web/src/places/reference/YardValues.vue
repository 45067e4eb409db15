<script setup lang="ts">
import { computed, ref } from 'vue'
import { YARD_FIELDS, YARD_TABLES, tableValue, yardUnit, type YardKind } from '@north-tide/core'
import { useBoats } from '../../state/boats'
import { useSession } from '../../state/session'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import RowTable from '../../pieces/RowTable.vue'

const boats = useBoats()
const session = useSession()
const may = computed(() => session.may('yard-values'))
const kind = ref<YardKind>('core')
const material = ref<string>('balsa-150')
const field = ref<string>('shearMPa')
const value = ref<number | null>(null)
const reason = ref('')
const said = ref('')
const materials = computed(() =>
  Object.entries(YARD_TABLES[kind.value]).map(([v, m]) => ({ value: v, title: m.title })),
)
const fields = computed(() =>
  Object.entries(YARD_FIELDS[kind.value] as Record<string, string>).map(([v, title]) => ({
    value: v,
    title,
  })),
)
const KINDS: { value: YardKind; title: string }[] = [
  { value: 'core', title: 'a core' },
  { value: 'laminate', title: 'a laminate' },
  { value: 'plate', title: 'a plate material' },
  { value: 'sealant', title: 'a sealant' },
  { value: 'line', title: 'a line or wire' },
]
const figure = (f: string, n: number) => `${Number(n.toPrecision(3))} ${yardUnit(f)}`.trim()
const title = (k: YardKind, m: string) => YARD_TABLES[k][m]?.title ?? m
const fieldTitle = (k: YardKind, f: string) => (YARD_FIELDS[k] as Record<string, string>)[f]
function setKind(k: YardKind) {
  kind.value = k
  material.value = materials.value[0]!.value
  field.value = fields.value[0]!.value
}
async function attempt(how: () => Promise<void>) {
  said.value = ''
  try {
    await how()
    value.value = null
    reason.value = ''
  } catch (error) {
    said.value = error instanceof Error ? error.message : 'It was not kept'
  }
}
const keep = () =>
  attempt(() =>
    boats.replaceValue({
      kind: kind.value,
      material: material.value,
      field: field.value,
      value: value.value!,
      reason: reason.value,
    }),
  )
</script>

<template>
  <section aria-label="The yard’s own values">
    <h2 class="title">The yard’s own values</h2>
    <p class="soft small">
      Measured here, in place of the table’s estimate. Every check that leans on one says so, with what it
      replaced.
    </p>
    <RowTable
      v-if="boats.yard.length"
      label="Values of the yard"
      :columns="[
        { key: 'material', title: 'Material' },
        { key: 'what', title: 'What' },
        { key: 'table', title: 'Table', class: 'figure soft' },
        { key: 'measured', title: 'Measured', class: 'figure' },
        { key: 'howAndBy', title: 'How, and by whom' },
        { key: 'act' },
      ]"
      :rows="boats.yard"
      :known="(v) => v.kind + v.material + v.field"
    >
      <template #material="{ row: v }">{{ title(v.kind, v.material) }}</template>
      <template #what="{ row: v }">{{ fieldTitle(v.kind, v.field) }}</template>
      <template #table="{ row: v }">{{ figure(v.field, tableValue(v.kind, v.material, v.field)) }}</template>
      <template #measured="{ row: v }"
        ><strong>{{ figure(v.field, v.value) }}</strong></template
      >
      <template #howAndBy="{ row: v }">{{ v.reason }}, {{ v.measuredBy }}</template>
      <template #act="{ row: v }"
        ><ElButton
          v-if="may"
          class="act"
          @click="attempt(() => boats.restoreValue({ kind: v.kind, material: v.material, field: v.field }))"
        >
          Back to the table
        </ElButton></template
      >
    </RowTable>
    <p v-else class="soft">None yet: every value is the table’s.</p>
    <form v-if="may" @submit.prevent="keep">
      <ChoiceField label="Of" :model-value="kind" :options="KINDS" @update:model-value="setKind($event)" />
      <ChoiceField v-model="material" label="Material" :options="materials" />
      <ChoiceField v-model="field" label="What" :options="fields" />
      <DimensionField
        v-model="value"
        label="Measured"
        kind="number"
        :unit="yardUnit(field)"
        :units="boats.units"
        above
        optional
        :placeholder="String(Number(tableValue(kind, material, field).toPrecision(3)))"
      />
      <label class="why" for="yard-reason"
        >How it was measured<ElInput id="yard-reason" v-model="reason" class="entry" maxlength="300"
      /></label>
      <p v-if="said" class="said" role="alert">{{ said }}</p>
      <ElButton class="act main" native-type="submit" :disabled="value === null || !reason.trim()">
        Use our value
      </ElButton>
    </form>
  </section>
</template>

<style scoped>
section {
  border-top: 2px solid var(--ink);
  padding-top: 12px;
}
.title {
  font-size: 1.125rem;
}
form {
  display: grid;
  gap: 6px;
  max-width: 420px;
  padding-top: 12px;
}
.why {
  display: grid;
  gap: 2px;
}
.said {
  color: var(--short);
  font-weight: 600;
}
form .act {
  justify-self: start;
}
</style>
