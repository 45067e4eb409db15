<script setup lang="ts">
import { ref } from 'vue'
import { lengthUnit } from '@north-tide/core'
import { api } from '../../../api'
import { useBoats } from '../../../state/boats'
import type { BoatPicture } from '../../../types'
import { typedLengths } from '../../../pieces/typed-lengths'
import { useAttempt } from '../../../pieces/attempt'
import ReadFile from '../../../pieces/ReadFile.vue'
import RowTable from '../../../pieces/RowTable.vue'

const props = defineProps<{ boat: BoatPicture; may: boolean }>()
const boats = useBoats()
const { said, path, busy, attempt } = useAttempt()
const note = ref('')
type Row = Record<'xMm' | 'halfBreadthMm' | 'sheerMm' | 'keelMm', string>
const HEADS = {
  xMm: 'x, aft',
  halfBreadthMm: 'half-breadth',
  sheerMm: 'sheer height',
  keelMm: 'keel height',
} as const
const FIELDS = Object.keys(HEADS) as (keyof Row)[]
const { text, read } = typedLengths(
  () => boats.units,
  () => rows.value,
  FIELDS,
)
const from = (): Row[] =>
  props.boat.stations.map((s) => ({
    xMm: text(s.xMm),
    halfBreadthMm: text(s.halfBreadthMm),
    sheerMm: text(s.sheerMm),
    keelMm: text(s.keelMm),
  }))
const rows = ref<Row[]>(from())
const bad = (t: string) => t.trim() !== '' && read(t) === null
async function send() {
  note.value = ''
  await attempt(async () => {
    const stations = rows.value.map((r, i) =>
      Object.fromEntries(
        FIELDS.map((k) => {
          const v = read(r[k])
          if (v === null)
            throw new Error(`Station ${i + 1}, ${HEADS[k]}: “${r[k]}” cannot be read; a length is accepted`)
          return [k, v]
        }),
      ),
    )
    await api('PUT', `/boats/${props.boat.id}/stations`, { stations })
    await boats.refresh()
    note.value = 'Kept.'
  })
}
async function takeDrawing(file: File) {
  note.value = ''
  await attempt(async () => {
    const got = await api<{ lengthMm: number; assumedUnit: boolean }>(
      'POST',
      `/boats/${props.boat.id}/outline.dxf`,
      await file.text(),
    )
    await boats.refresh()
    rows.value = from()
    note.value = `Read: a deck edge ${Math.round(got.lengthMm)} mm long${got.assumedUnit ? '; the drawing names no unit, so mm was taken: check it' : ''}. Heights were kept from before.`
  })
}
const add = () =>
  rows.value.push({
    xMm: '',
    halfBreadthMm: '',
    sheerMm: rows.value.at(-1)?.sheerMm ?? '',
    keelMm: rows.value.at(-1)?.keelMm ?? '',
  })
const wrong = (i: number, k: string) => path.value === `stations.${i}.${k}`
</script>

<template>
  <form class="outline" aria-label="Outline" @submit.prevent="send">
    <h2 class="title">Outline, {{ lengthUnit(boats.units) }}</h2>
    <p class="soft small">
      Half-breadth of the deck edge, and heights above the waterline, from the stem aft.
    </p>
    <RowTable
      label="Stations"
      :columns="[...FIELDS.map((k) => ({ key: k, title: HEADS[k] })), { key: 'act' }]"
      :rows="rows"
    >
      <template v-for="k in FIELDS" :key="k" #[k]="{ row: r, index: i }"
        ><ElInput
          v-model="r[k]"
          class="entry figure"
          :aria-label="`Station ${i + 1}, ${HEADS[k]}`"
          :readonly="!may"
          :aria-invalid="bad(r[k]) || wrong(i, k) ? 'true' : undefined"
          :class="{ bad: bad(r[k]) || wrong(i, k) }"
      /></template>
      <template #act="{ index: i }"
        ><ElButton
          v-if="may && rows.length > 2"
          class="plain soft small"
          :aria-label="`Take away station ${i + 1}`"
          @click="rows.splice(i, 1)"
        >
          take away
        </ElButton></template
      >
    </RowTable>
    <p v-if="said" class="said" role="alert">{{ said }}</p>
    <p v-if="note" class="soft" role="status">{{ note }}</p>
    <div v-if="may" class="acts">
      <ElButton class="act" @click="add">Another station</ElButton
      ><ElButton class="act main" native-type="submit" :disabled="busy">Keep the outline</ElButton
      ><ReadFile accept=".dxf" words="Read a DXF" @file="takeDrawing" />
    </div>
  </form>
</template>

<style scoped>
.outline {
  max-width: 640px;
  display: grid;
  gap: 10px;
}
.title {
  font-size: 1.125rem;
}
.entry {
  width: 110px;
  text-align: right;
}
.entry.bad {
  border-bottom-color: var(--short);
  background: var(--short-ground);
}
.acts {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
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
.said {
  color: var(--short);
  font-weight: 600;
}
</style>
