<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import {
  FAMILIES,
  FAMILY_TITLES,
  INCH_IDS,
  METRIC_IDS,
  formatLength,
  type CatalogueEntry,
  type Family,
} from '@north-tide/core'
import { api } from '../../api'
import { useBoats } from '../../state/boats'
import { useSession } from '../../state/session'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import { readJson } from '../../pieces/files'
import { typedLengths } from '../../pieces/typed-lengths'
import { useAttempt } from '../../pieces/attempt'
import { keptForm } from '../../pieces/kept-form'
import TypedAgain from '../../pieces/TypedAgain.vue'
import ReadFile from '../../pieces/ReadFile.vue'
import RowTable from '../../pieces/RowTable.vue'

/**
 * Hardware that the yard drew itself: outline, holes, height, head, rated load, threads. It stands beside
 * the catalogue when a fitting is placed.
 */
type Own = CatalogueEntry & { outline: { xMm: number; yMm: number }[]; own: true; version: number }
const boats = useBoats()
const session = useSession()
const { said, path, busy, attempt } = useAttempt()
const may = computed(() => session.may('yard-parts'))
const list = ref<Own[]>([])
const note = ref('')
const open = ref(false)
const blank = () => ({
  id: '',
  title: '',
  maker: 'the yard',
  family: 'bracket' as Family,
  face: 'stainless' as const,
  round: false,
  lengthMm: 100 as number | null,
  widthMm: 60 as number | null,
  diameterMm: 80 as number | null,
  thicknessMm: 6 as number | null,
  bodyHeightMm: 40 as number | null,
  sizes: ['M8'] as string[],
  head: 'hex' as 'hex' | 'countersunk',
  ratedN: null as number | null,
  units: boats.units,
  pipeMm: null as number | null,
  holes: [
    { x: '-35', y: '0' },
    { x: '35', y: '0' },
  ],
  outline: [] as { xMm: number; yMm: number }[],
})
const { form, again, done, afresh } = keptForm('own-hardware', blank)
const sizes = computed(() => (form.units === 'inch' ? INCH_IDS : METRIC_IDS))
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
function edit(h: Own) {
  Object.assign(form, blank(), {
    id: h.id,
    title: h.title,
    maker: h.maker,
    family: h.family,
    face: h.face,
    sizes: [...h.sizes],
    head: h.head,
    ratedN: h.ratedN,
    units: h.units,
    pipeMm: h.pipeMm ?? null,
    outline: h.outline,
    round: 'diameterMm' in h.base,
    ...h.base,
    holes: h.bolts.map((b) => ({ x: text(b.xMm), y: text(b.yMm) })),
  })
  open.value = true
}
async function send() {
  note.value = ''
  const ok = await attempt(async () => {
    const bolts = form.holes.map((h, i) => {
      const [xMm, yMm] = [read(h.x), read(h.y)]
      if (xMm === null || yMm === null)
        throw new Error(`Hole ${i + 1}: “${xMm === null ? h.x : h.y}” cannot be read; a length is accepted`)
      return { xMm, yMm }
    })
    await api('PUT', '/hardware', {
      id: form.id,
      title: form.title,
      maker: form.maker,
      family: form.family,
      face: form.face,
      base: form.round
        ? { diameterMm: form.diameterMm, thicknessMm: form.thicknessMm, bodyHeightMm: form.bodyHeightMm }
        : {
            lengthMm: form.lengthMm,
            widthMm: form.widthMm,
            thicknessMm: form.thicknessMm,
            bodyHeightMm: form.bodyHeightMm,
          },
      bolts,
      sizes: form.sizes,
      head: form.head,
      ratedN: form.ratedN,
      units: form.units,
      pipeMm: form.pipeMm,
      outline: form.outline,
      version: list.value.find((h) => h.id === form.id)?.version ?? 0,
    })
    await load()
  })
  if (ok) {
    note.value = `${form.id} is in the list.`
    open.value = false
    Object.assign(form, blank())
    done()
  }
}
const remove = (id: string) =>
  attempt(async () => {
    await api('DELETE', `/hardware/${encodeURIComponent(id)}`)
    await load()
  })
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
          <ElButton
            class="act main"
            @click="
              () => {
                Object.assign(form, blank())
                open = true
              }
            "
          >
            Draw a new one
          </ElButton></template
        ></span
      >
    </div>
    <p v-if="said" class="said" role="alert">{{ said }}</p>
    <p v-if="note" role="status">{{ note }}</p>
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
        ><ElButton v-if="may" class="plain link" @click="edit(h)">change</ElButton>
        <ElButton v-if="may" class="plain link" @click="remove(h.id)">take away</ElButton></template
      >
    </RowTable>
    <p v-else class="soft">
      None yet. What is in no catalogue is drawn here once: base, holes, head, threads; then it is placed like
      any other.
    </p>
    <form v-if="open && may" aria-label="Own hardware" @submit.prevent="send">
      <TypedAgain :again="again" @afresh="afresh" />
      <div class="cols">
        <div>
          <label class="long" for="hw-id"
            >Number<ElInput id="hw-id" v-model="form.id" class="entry" maxlength="39" placeholder="SQ-12"
          /></label>
          <label class="long" for="hw-title"
            >What it is<ElInput id="hw-title" v-model="form.title" class="entry" maxlength="120"
          /></label>
          <ChoiceField
            v-model="form.family"
            label="Family"
            :options="FAMILIES.map((f) => ({ value: f, title: FAMILY_TITLES[f] }))"
          />
          <ChoiceField
            v-model="form.face as string"
            label="Of"
            :options="['stainless', 'aluminium', 'bronze'].map((f) => ({ value: f, title: f }))"
          />
          <ChoiceField
            v-model="form.head"
            label="Heads"
            :options="[
              { value: 'hex', title: 'hexagon' },
              { value: 'countersunk', title: 'countersunk' },
            ]"
          />
          <ChoiceField
            :model-value="form.units"
            label="Threads"
            :options="[
              { value: 'metric', title: 'metric' },
              { value: 'inch', title: 'inch' },
            ]"
            @update:model-value="
              ($event) => {
                form.units = $event
                form.sizes = [$event === 'inch' ? '1/4-20' : 'M8']
              }
            "
          />
          <fieldset class="sizes">
            <legend>Sizes that pass its holes</legend>
            <ElCheckboxGroup v-model="form.sizes" aria-label="Sizes that pass its holes"
              ><ElCheckbox v-for="z in sizes" :key="z" :value="z">{{ z }}</ElCheckbox></ElCheckboxGroup
            >
          </fieldset>
        </div>
        <div>
          <ElCheckbox class="tick" v-model="form.round">round base</ElCheckbox>
          <DimensionField
            v-if="form.round"
            v-model="form.diameterMm"
            label="Diameter"
            :units="boats.units"
            above
            :problem="path.startsWith('base.diameter') ? said : null"
          />
          <template v-else
            ><DimensionField
              v-model="form.lengthMm"
              label="Length, fore and aft"
              :units="boats.units"
              above
              :problem="path === 'base.lengthMm' ? said : null" /><DimensionField
              v-model="form.widthMm"
              label="Width"
              :units="boats.units"
              above
              :problem="path === 'base.widthMm' ? said : null"
          /></template>
          <DimensionField v-model="form.thicknessMm" label="Base height" :units="boats.units" above />
          <DimensionField v-model="form.bodyHeightMm" label="Body above it" :units="boats.units" :least="0" />
          <DimensionField
            v-model="form.ratedN"
            label="Rated load"
            kind="force"
            :units="boats.units"
            above
            optional
            placeholder="none"
          />
          <DimensionField
            v-model="form.pipeMm"
            label="Pipe through"
            :units="boats.units"
            above
            optional
            placeholder="none"
          />
          <ReadFile accept=".dxf" words="Outline from a DXF" @file="takeOutline" />
        </div>
        <div>
          <h3>Holes, from the middle</h3>
          <p v-for="(h, i) in form.holes" :key="i" class="hole">
            {{ i + 1 }}
            <ElInput
              v-model="h.x"
              class="entry figure"
              :aria-label="`Hole ${i + 1}, x`"
              :class="{ bad: read(h.x) === null || path === `bolts.${i}` }"
            /><ElInput
              v-model="h.y"
              class="entry figure"
              :aria-label="`Hole ${i + 1}, y`"
              :class="{ bad: read(h.y) === null || path === `bolts.${i}` }"
            />
            <ElButton
              v-if="form.holes.length > 1"
              class="plain soft"
              :aria-label="`Take away hole ${i + 1}`"
              @click="form.holes.splice(i, 1)"
            >
              ×
            </ElButton>
          </p>
          <ElButton class="act" @click="form.holes.push({ x: '0', y: '0' })">Another hole</ElButton>
        </div>
      </div>
      <div class="acts">
        <ElButton
          class="act main"
          native-type="submit"
          :disabled="busy || !form.id.trim() || !form.title.trim() || !form.sizes.length"
        >
          Keep it</ElButton
        ><ElButton class="act" @click="open = false">Leave it</ElButton>
      </div>
    </form>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 10px;
  border-top: 2px solid var(--ink);
  padding-top: 12px;
  margin-top: 24px;
}
.title {
  font-size: 1.125rem;
}
form {
  display: grid;
  gap: 12px;
  background: var(--sheet);
  padding: 14px;
  border: 1px solid var(--line-strong);
}
.cols {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 10px 28px;
}
.cols > div {
  display: grid;
  gap: 6px;
  align-content: start;
}
.long {
  display: grid;
  gap: 2px;
}
.sizes {
  border: 0;
  padding: 0;
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
}
.sizes label,
.tick {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  min-height: 28px;
}
.hole {
  display: flex;
  gap: 8px;
  align-items: center;
}
.hole .entry {
  width: 84px;
  text-align: right;
}
.entry.bad {
  background: var(--short-ground);
  border-bottom-color: var(--short);
}
.acts {
  display: flex;
  gap: 10px;
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
