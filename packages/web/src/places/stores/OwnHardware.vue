<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { FAMILY_TITLES, formatLength } from '@north-tide/core'
import { api } from '../../api'
import { useBoats } from '../../state/boats'
import { useSession } from '../../state/session'
import { readJson } from '../../pieces/files'
import { typedLengths } from '../../pieces/typed-lengths'
import { useAttempt } from '../../pieces/attempt'
import { keptForm } from '../../pieces/kept-form'
import TypedAgain from '../../pieces/TypedAgain.vue'
import ReadFile from '../../pieces/ReadFile.vue'
import RowTable from '../../pieces/RowTable.vue'
import OwnHardwareForm from './OwnHardwareForm.vue'
import { againOf, blankHardware, formOf, sentOf, type Own } from './own-hardware'

/**
 * Hardware that the yard drew itself: outline, holes, height, head, rated load, threads. It stands beside
 * the catalogue when a fitting is placed.
 */
const boats = useBoats()
const session = useSession()
const { said, path, busy, attempt } = useAttempt()
const may = computed(() => session.may('yard-parts'))
const list = ref<Own[]>([])
const note = ref('')
const open = ref(false)
/** what was taken away last, until something else is done */
const gone = ref<Own | null>(null)
const blank = () => blankHardware(boats.units)
const { form, again, afresh } = keptForm('own-hardware', blank)
const load = async () => {
  list.value = (await api<Own[]>('GET', '/catalogue')).filter((c) => c.own)
  await boats.loadYard()
}
onMounted(() => load().catch(() => undefined))
const { text, read } = typedLengths(
  () => boats.units,
  () => form.holes,
  ['x', 'y'],
)
/** What stands in the form, its lengths in whatever units they are written. */
const inForm = () => {
  const mm = (typed: string) => Math.round(read(typed) ?? NaN)
  return JSON.stringify({ ...form, holes: form.holes.map((h) => [mm(h.x), mm(h.y)]) })
}
/** As it was opened: what was typed since is not thrown away for another piece. */
let opened = inForm()
function begin(h: Own | null) {
  note.value = ''
  open.value = true
  if (again.value || inForm() !== opened) {
    again.value = true
    return
  }
  Object.assign(form, blank(), h ? formOf(h, text) : {})
  opened = inForm()
}
function startAfresh() {
  afresh()
  opened = inForm()
}
async function send() {
  note.value = ''
  const { id } = form
  const ok = await attempt(async () => {
    const version = list.value.find((h) => h.id === id)?.version ?? 0
    await api('PUT', '/hardware', sentOf(form, read, version))
    await load()
  })
  if (!ok) return
  note.value = `${id} is in the list.`
  gone.value = null
  open.value = false
  startAfresh()
}
async function remove(h: Own) {
  note.value = ''
  gone.value = null
  const ok = await attempt(async () => {
    await api('DELETE', `/hardware/${encodeURIComponent(h.id)}`)
    await load()
  })
  if (ok) gone.value = h
}
async function putBack(h: Own) {
  const ok = await attempt(async () => {
    await api('PUT', '/hardware', againOf(h))
    await load()
  })
  if (!ok) return
  gone.value = null
  note.value = `${h.id} is in the list again.`
}
async function takeFile(f: File) {
  note.value = ''
  await attempt(async () => {
    const body = /\.json$/i.test(f.name)
      ? await readJson(f, 'hardware as JSON or CSV')
      : { csv: await f.text() }
    const before = list.value.length
    await api('POST', '/hardware/import', body)
    await load()
    note.value = `Read: ${list.value.length - before} new, ${list.value.length} in all.`
  })
}
async function takeOutline(f: File) {
  await attempt(async () => {
    const got = await api<{
      outline: { xMm: number; yMm: number }[]
      lengthMm: number
      widthMm: number
      assumedUnit: boolean
    }>('POST', '/hardware/outline.dxf', await f.text())
    Object.assign(form, { outline: got.outline, round: false, lengthMm: got.lengthMm, widthMm: got.widthMm })
    note.value = `Outline of ${got.outline.length} points read. Judged as ${formatLength(got.lengthMm, boats.units)} by ${formatLength(got.widthMm, boats.units)}: its bounds drawn in to the same area.${got.assumedUnit ? ' The drawing names no unit; mm was taken.' : ''}`
  })
}
</script>

<template>
  <section aria-label="Our own hardware">
    <div class="group">
      <h2 class="title">Our own hardware</h2>
      <span
        ><a class="act" href="/api/hardware.json" download>JSON</a>
        <a class="act" href="/api/hardware.csv" download>CSV</a>
        <template v-if="may"
          ><ReadFile accept=".json,.csv" words="Read JSON or CSV" @file="takeFile" />
          <ElButton class="act main" @click="begin(null)">Draw a new one</ElButton></template
        ></span
      >
    </div>
    <p v-if="said" class="said" role="alert">{{ said }}</p>
    <p v-if="note" role="status">{{ note }}</p>
    <p v-if="gone" role="status">
      {{ gone.id }}, {{ gone.title }}, was taken away; fittings that were made of it stay as they are.
      <ElButton class="act" :disabled="busy" @click="putBack(gone)">Put it back</ElButton>
    </p>
    <RowTable
      v-if="list.length"
      label="Own hardware"
      :columns="[
        { key: 'no', title: 'No.', class: 'figure' },
        { key: 'what', title: 'What' },
        { key: 'family', title: 'Family' },
        { key: 'base', title: 'Base', class: 'figure' },
        { key: 'holes', title: 'Holes' },
        { key: 'threads', title: 'Threads', class: 'figure' },
        { key: 'act' },
      ]"
      :rows="list"
      :known="(h) => h.id"
    >
      <template #no="{ row: h }">{{ h.id }}</template>
      <template #what="{ row: h }">{{ h.title }}</template>
      <template #family="{ row: h }">{{ FAMILY_TITLES[h.family] }}</template>
      <template #base="{ row: h }">{{
        'diameterMm' in h.base
          ? `ø ${formatLength(h.base.diameterMm, boats.units)}`
          : `${formatLength(h.base.lengthMm, boats.units)} × ${formatLength(h.base.widthMm, boats.units)}`
      }}</template>
      <template #holes="{ row: h }">{{ h.bolts.length }}</template>
      <template #threads="{ row: h }">{{ h.sizes.join(' ') }}</template>
      <template #act="{ row: h }"
        ><ElButton v-if="may" class="plain link" @click="begin(h)">change</ElButton>
        <ElButton v-if="may" class="plain link" @click="remove(h)">take away</ElButton></template
      >
    </RowTable>
    <p v-else class="soft">
      None yet. What is in no catalogue is drawn here once: base, holes, head, threads; then it is placed like
      any other.
    </p>
    <OwnHardwareForm
      v-if="open && may"
      :model-value="form"
      :units="boats.units"
      :path="path"
      :said="said"
      :busy="busy"
      :readable="(typed) => read(typed) !== null"
      @keep="send"
      @leave="open = false"
      @outline="takeOutline"
    >
      <TypedAgain :again="again" @afresh="startAfresh" />
    </OwnHardwareForm>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 10px;
  margin-top: 16px;
}
.title {
  font-size: 1.125rem;
}
.link {
  text-decoration: underline dotted;
  padding: 6px 4px;
}
.said {
  color: var(--short);
  font-weight: 600;
}
</style>
