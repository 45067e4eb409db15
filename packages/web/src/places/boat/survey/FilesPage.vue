<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../../../api'
import { useBoats } from '../../../state/boats'
import { useSession } from '../../../state/session'
import { readJson } from '../../../pieces/files'
import { useAttempt } from '../../../pieces/attempt'
import PickOne from '../../../pieces/PickOne.vue'
import ReadFile from '../../../pieces/ReadFile.vue'
import RowTable from '../../../pieces/RowTable.vue'

interface Look {
  headers: string[]
  columns: Record<string, string>
  missing: string[]
  rows: number
  errors: { line: number; column: string; message: string }[]
  duplicates: number
  written: number
  gates?: { id: string; text: string }[]
  preview: Record<string, string | number>[]
}
const COLUMNS = {
  whatFor: 'what for',
  xMm: 'x, aft of the stem',
  yMm: 'y, to starboard',
  zMm: 'z, above the waterline',
  diameterMm: 'size',
  state: 'state',
  foundKind: 'kind',
  through: 'through',
  note: 'note',
} as const
const boats = useBoats()
const session = useSession()
const router = useRouter()
const { said, busy, attempt } = useAttempt()
const boat = computed(() => boats.picture!)
const may = computed(() => session.may('boat-book'))
const note = ref('')
const csv = ref('')
const units = ref(boats.units)
const columns = ref<Record<string, string>>({})
const look = ref<Look | null>(null)
const headers = computed(() => [
  { value: '', title: 'none' },
  ...(look.value?.headers ?? []).map((h) => ({ value: h, title: h })),
])
const reason = ref('')
const ask = (write: boolean, matched = true) =>
  attempt(async () => {
    const a = await api<Look>('POST', `/boats/${boat.value.id}/penetrations/import`, {
      csv: csv.value,
      units: units.value,
      write,
      ...(write && reason.value.trim() ? { gateReason: reason.value.trim() } : {}),
      ...(matched ? { columns: Object.fromEntries(Object.entries(columns.value).filter(([, v]) => v)) } : {}),
    })
    look.value = a
    if (!matched) columns.value = { ...a.columns }
    if (a.written) {
      note.value = `${a.written} holes are on record.`
      csv.value = ''
      look.value = null
      await boats.refresh()
    }
  })
async function takeList(f: File) {
  note.value = ''
  look.value = null
  csv.value = await f.text()
  await ask(false, false)
}
async function takeBoat(f: File) {
  note.value = ''
  await attempt(async () => {
    // A box goes as it is: its pictures lie beside its file.
    const raw = /\.zip$/i.test(f.name) ? f : await readJson(f, 'a boat’s file')
    const made = await api<{ id: string; name: string; fittings: number; holes: number }>(
      'POST',
      '/boats/import',
      raw,
    )
    await boats.loadList()
    await boats.open(made.id)
    await router.push(`/boat/${made.id}`)
  })
}
</script>

<template>
  <div class="files">
    <section aria-label="Out">
      <h2 class="title">Out</h2>
      <ul>
        <li>
          <a :href="`/api/boats/${boat.id}/boat.json`" download>The whole boat</a>
          <span class="soft">JSON: build-up, survey, fittings, register with every event, photos</span>
        </li>
        <li>
          <a :href="`/api/boats/${boat.id}/boat.json?photos=no`" download>The whole boat without photos</a>
          <span class="soft">JSON</span>
        </li>
        <li>
          <a :href="`/api/boats/${boat.id}/register.csv`" download>Holes</a>
          <span class="soft">CSV, one line a hole</span>
        </li>
        <li>
          Map with numbers:
          <a :href="`/api/boats/${boat.id}/map.pdf?units=${boats.units}`" download>PDF on A3</a>,
          <a :href="`/api/boats/${boat.id}/map.svg?units=${boats.units}`" download>SVG</a>,
          <a :href="`/api/boats/${boat.id}/map.dxf?units=${boats.units}`" download>DXF in mm, by layers</a>
        </li>
      </ul>
    </section>
    <section v-if="may" aria-label="In">
      <h2 class="title">In</h2>
      <p>
        <ReadFile
          accept=".json,.zip,application/json,application/zip"
          words="Read a whole boat (JSON, or a passport’s ZIP)"
          @file="takeBoat"
        />
        <span class="soft">as a new boat: all of it or none; everything is judged anew</span>
      </p>
      <p>
        <ReadFile accept=".csv,text/csv" words="Read a list of holes (CSV)" @file="takeList" />
        <span class="soft">into {{ boat.name }}; the first line names the columns</span>
      </p>
      <p v-if="said" class="said" role="alert">{{ said }}</p>
      <p v-if="note" role="status">
        <strong>{{ note }}</strong>
      </p>
      <form v-if="look" aria-label="List of holes" @submit.prevent="ask(true)">
        <h3>{{ look.rows }} rows. Which column is what?</h3>
        <div class="match">
          <label v-for="(t, c) in COLUMNS" :key="c" :for="`col-${c}`"
            >{{ t
            }}<PickOne
              :id="`col-${c}`"
              v-model="columns[c]"
              :label="t"
              :options="headers"
              @update:model-value="ask(false)"
          /></label>
          <label for="col-units"
            >plain figures are in<PickOne
              id="col-units"
              v-model="units"
              label="plain figures are in"
              :options="[
                { value: 'metric', title: 'mm' },
                { value: 'inch', title: 'inches' },
              ]"
              @update:model-value="ask(false)"
          /></label>
        </div>
        <p v-if="look.missing.length" class="said">Still needed: {{ look.missing.join(', ') }}.</p>
        <template v-if="look.errors.length"
          ><p class="said">
            {{ look.errors.length }} fault{{ look.errors.length > 1 ? 's' : '' }}; nothing is read until every
            row can be.
          </p>
          <ul class="faults">
            <li v-for="(e, i) in look.errors.slice(0, 30)" :key="i">
              <span class="figure">line {{ e.line }}</span
              >, {{ e.column }}: {{ e.message }}
            </li>
          </ul></template
        >
        <template v-else-if="!look.missing.length"
          ><p v-if="look.duplicates" class="warn">
            {{ look.duplicates }} stand within 2 mm of a hole that is on record already.
          </p>
          <RowTable
            label="What it would bring"
            :columns="[
              { key: 'whatFor', title: 'What for' },
              { key: 'state', title: 'State' },
              { key: 'xMm', title: 'x mm', number: true },
              { key: 'yMm', title: 'y mm', number: true },
              { key: 'sizeMm', title: 'size mm', number: true },
            ]"
            :rows="look.preview"
          >
            <template #whatFor="{ row: p }">{{ p.whatFor }}</template>
            <template #state="{ row: p }">{{ p.state }}</template>
            <template #xMm="{ row: p }">{{ p.xMm }}</template>
            <template #yMm="{ row: p }">{{ p.yMm }}</template>
            <template #sizeMm="{ row: p }">{{ p.diameterMm }}</template>
          </RowTable></template
        >
        <div v-if="look.gates?.length && !look.errors.length" role="alert">
          <p class="warn">Some of them say more than is on record:</p>
          <ul class="faults">
            <li v-for="g in look.gates" :key="g.id">{{ g.text }}</li>
          </ul>
          <label class="reason" for="list-reason"
            >Reason to take them as they are; it stays on the record of each<ElInput
              id="list-reason"
              v-model="reason"
              class="entry"
              maxlength="500"
              placeholder="from the last yard's own list"
          /></label>
        </div>
        <ElButton
          class="act main"
          native-type="submit"
          :disabled="
            busy ||
            look.errors.length > 0 ||
            look.missing.length > 0 ||
            (Boolean(look.gates?.length) && !reason.trim())
          "
        >
          Put {{ look.rows }} holes on record
        </ElButton>
      </form>
    </section>
  </div>
</template>

<style scoped>
.files {
  padding: 16px 24px 30px;
  display: grid;
  gap: 22px;
  align-content: start;
  max-width: 900px;
}
.title {
  font-size: 1.0625rem;
  padding-bottom: 6px;
}
section p {
  padding: 5px 0;
}
.file {
  position: relative;
  overflow: hidden;
  display: inline-flex;
  align-items: center;
  min-height: var(--touch);
  padding: 0 14px;
  border: 1px solid var(--tide);
  border-radius: var(--radius);
  color: var(--tide);
  font-weight: 600;
  cursor: pointer;
}
.file input {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: pointer;
}
.file:focus-within {
  outline: 3px solid var(--tide);
  outline-offset: 2px;
}
.match {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 8px 18px;
}
.match label {
  display: grid;
  gap: 2px;
}
form {
  display: grid;
  gap: 10px;
  border-top: 1px solid var(--line-strong);
  padding-top: 10px;
}
.said {
  color: var(--short);
  font-weight: 600;
}
.warn {
  color: var(--buoy);
  font-weight: 600;
}
.faults {
  margin: 0;
  padding-left: 18px;
}
</style>
