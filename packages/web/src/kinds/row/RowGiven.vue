<script setup lang="ts">
import { computed, reactive } from 'vue'
import { formatLength, zoneTitle } from '@north-tide/core'
import { lengthOf } from '@north-tide/core/row'
import DimensionField from '../../pieces/DimensionField.vue'
import EdgeRun from '../../pieces/EdgeRun.vue'
import GivenGroups from '../../pieces/GivenGroups.vue'
import RowTable from '../../pieces/RowTable.vue'
import { useBoats } from '../../state/boats'
import { useRow } from '../../state/row'
import { rowGroups } from './row-fields'

/** What is given of a row: its line, from and to, pitches, and what it has to miss. */
const bench = useRow()
const boats = useBoats()
const d = computed(() => bench.design!)
const set = (path: string, value: unknown) => bench.change({ [path]: value })
type Point = { xMm: number; yMm: number; zMm: number }
/** The line moves, and what stands on it goes with it; as much of it is used as there is. */
function lay(path: Point[]) {
  const long = Math.floor(lengthOf(path))
  bench.change({
    path,
    'place.xMm': path[0]!.xMm,
    'place.yMm': path[0]!.yMm,
    'place.zMm': path[0]!.zMm,
    fromMm: 0,
    toMm: long,
  })
}
function move(i: number, key: keyof Point, v: number | null) {
  if (v !== null) lay(d.value.path.map((p, k) => (k === i ? { ...p, [key]: v } : p)))
}
const ends = computed(() => [
  { i: 0, title: 'First end', p: d.value.path[0]! },
  { i: d.value.path.length - 1, title: 'Last end', p: d.value.path.at(-1)! },
])
const keep = reactive({ name: '', fromMm: null as number | null, toMm: null as number | null })
function addKeepout() {
  if (!keep.name.trim() || keep.fromMm === null || keep.toMm === null) return
  bench.change({
    keepouts: [
      ...d.value.keepouts,
      {
        name: keep.name.trim(),
        fromMm: Math.round(keep.fromMm),
        toMm: Math.round(keep.toMm),
        marginMm: d.value.mapMarginMm ?? 0,
      },
    ],
  })
  Object.assign(keep, { name: '', fromMm: null, toMm: null })
}
const drop = (i: number) => bench.change({ keepouts: d.value.keepouts.filter((_, k) => k !== i) })
const kept = computed(() => bench.judgement?.keepouts ?? [])
</script>

<template>
  <GivenGroups
    :bench="bench"
    :groups="rowGroups(d)"
    :zone="zoneTitle(boats.picture?.zones ?? [], d.place.zone)"
    @set="set"
  >
    <h2 class="gap">Its line</h2>
    <template v-for="e in ends" :key="e.i">
      <DimensionField
        :label="`${e.title}, x aft`"
        :units="boats.units"
        :model-value="e.p.xMm"
        :disabled="bench.readOnly"
        @update:model-value="move(e.i, 'xMm', $event)"
      />
      <DimensionField
        :label="`${e.title}, y starboard`"
        :units="boats.units"
        :model-value="e.p.yMm"
        :disabled="bench.readOnly"
        @update:model-value="move(e.i, 'yMm', $event)"
      />
    </template>
    <EdgeRun
      v-if="!bench.readOnly"
      :from="Math.round(d.path[0]!.xMm)"
      :to="Math.round(d.path.at(-1)!.xMm)"
      :y-mm="d.place.yMm"
      :z-mm="d.place.zMm"
      :zone="d.place.zone"
      :in-mm="60"
      @lay="lay"
    />
    <h2 class="gap">Kept off</h2>
    <RowTable
      label="What the row keeps off"
      :columns="[
        { key: 'name', title: 'What' },
        { key: 'from', title: 'From', number: true },
        { key: 'to', title: 'To', number: true },
        { key: 'act' },
      ]"
      :rows="kept"
      empty="Nothing is in its way."
    >
      <template #name="{ row: k }">{{ k.name }}{{ k.byMap ? ', on the map' : '' }}</template>
      <template #from="{ row: k }">{{ formatLength(k.fromMm, boats.units) }}</template>
      <template #to="{ row: k }">{{ formatLength(k.toMm, boats.units) }}</template>
      <template #act="{ row: k, index: i }"
        ><ElButton
          v-if="!k.byMap && !bench.readOnly"
          class="plain"
          :aria-label="`Take away ${k.name}`"
          @click="drop(i)"
          >×</ElButton
        ></template
      >
    </RowTable>
    <form v-if="!bench.readOnly" class="lay" aria-label="Something in its way" @submit.prevent="addKeepout">
      <label for="keep-name">What is there</label>
      <ElInput id="keep-name" v-model="keep.name" class="entry" maxlength="80" placeholder="chainplate" />
      <DimensionField v-model="keep.fromMm" label="It begins at" :units="boats.units" optional />
      <DimensionField v-model="keep.toMm" label="It ends at" :units="boats.units" optional />
      <ElButton
        class="act small"
        native-type="submit"
        :disabled="!keep.name.trim() || keep.fromMm === null || keep.toMm === null"
        >Keep off it</ElButton
      >
    </form>
  </GivenGroups>
</template>

<style scoped>
.gap {
  margin-top: 18px;
}
.lay {
  display: grid;
  gap: 4px;
  justify-items: stretch;
  padding: 8px 0;
}
</style>
