<script setup lang="ts">
import { computed, ref } from 'vue'
import { CORES, LAMINATES, YARD_FIELDS, laminateProperties, type CoreId, type LaminateId } from '@north-tide/core'
import { useBoats } from '../../stores/boats'
import { useSession } from '../../stores/session'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'

const boats = useBoats()
const session = useSession()
const may = computed(() => session.account?.role === 'manager' || session.account?.role === 'fitter')
const kind = ref<'core' | 'laminate'>('core')
const material = ref<string>('balsa-150')
const field = ref<string>('shearMPa')
const value = ref<number | null>(null)
const reason = ref('')
const said = ref('')
const materials = computed(() => (kind.value === 'core' ? Object.entries(CORES).map(([v, c]) => ({ value: v, title: c.title })) : Object.entries(LAMINATES).map(([v, l]) => ({ value: v, title: l.title }))))
const fields = computed(() => Object.entries(YARD_FIELDS[kind.value]).map(([v, title]) => ({ value: v, title })))
const table = (k: string, m: string, f: string) => (k === 'core' ? (CORES[m as CoreId] as Record<string, unknown>)[f] : (laminateProperties(m as LaminateId) as Record<string, unknown>)[f]) as number
const title = (k: string, m: string) => (k === 'core' ? CORES[m as CoreId].title : LAMINATES[m as LaminateId].title)
const fieldTitle = (k: 'core' | 'laminate', f: string) => (YARD_FIELDS[k] as Record<string, string>)[f]
function setKind(k: 'core' | 'laminate') {
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
const keep = () => attempt(() => boats.replaceValue({ kind: kind.value, material: material.value, field: field.value, value: value.value!, reason: reason.value }))
</script>

<template>
  <section aria-label="The yard’s own values">
    <h2 class="title">The yard’s own values</h2>
    <p class="soft small">Measured here, in place of the table’s estimate. Every check that leans on one says so, with what it replaced.</p>
    <table v-if="boats.yard.length" class="rows">
      <thead><tr><th>Material</th><th>What</th><th>Table</th><th>Measured</th><th>How, and by whom</th><th></th></tr></thead>
      <tbody><tr v-for="v in boats.yard" :key="v.kind + v.material + v.field"><td>{{ title(v.kind, v.material) }}</td><td>{{ fieldTitle(v.kind, v.field) }}</td><td class="figure soft">{{ Number(table(v.kind, v.material, v.field).toPrecision(3)) }} MPa</td><td class="figure"><strong>{{ v.value }} MPa</strong></td><td>{{ v.reason }}, {{ v.measuredBy }}</td><td><button v-if="may" class="act" @click="attempt(() => boats.restoreValue({ kind: v.kind, material: v.material, field: v.field }))">Back to the table</button></td></tr></tbody>
    </table>
    <p v-else class="soft">None yet: every value is the table’s.</p>
    <form v-if="may" @submit.prevent="keep">
      <ChoiceField label="Of" :model-value="kind" :options="[{ value: 'core', title: 'a core' }, { value: 'laminate', title: 'a laminate' }]" @update:model-value="setKind($event)" />
      <ChoiceField v-model="material" label="Material" :options="materials" />
      <ChoiceField v-model="field" label="What" :options="fields" />
      <DimensionField v-model="value" label="Measured" kind="number" unit="MPa" :units="boats.units" above optional :placeholder="String(Number(table(kind, material, field).toPrecision(3)))" />
      <label class="why" for="yard-reason">How it was measured<input id="yard-reason" v-model="reason" class="entry" maxlength="300" /></label>
      <p v-if="said" class="said" role="alert">{{ said }}</p>
      <button class="act main" type="submit" :disabled="value === null || !reason.trim()">Use our value</button>
    </form>
  </section>
</template>

<style scoped>
section { border-top: 2px solid var(--ink); padding-top: 12px; }
.title { font-size: 18px; }
form { display: grid; gap: 6px; max-width: 420px; padding-top: 12px; }
.why { display: grid; gap: 2px; }
.said { color: var(--short); font-weight: 600; }
form .act { justify-self: start; }
</style>
