<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { formatLength, zoneTitle } from '@north-tide/core'
import { ROW_FAMILY } from '@north-tide/core/row'
import KindPlace from '../../pieces/KindPlace.vue'
import { useBoats } from '../../state/boats'
import { useRow } from '../../state/row'
import RowGiven from './RowGiven.vue'
import RowTray from './RowTray.vue'

/** One row: its line and pitches left, the line laid out straight in the middle, verdicts right. */
const bench = useRow()
const boats = useBoats()
const router = useRouter()
const tab = ref('Schedule')
const where = computed(() => {
  const d = bench.design
  if (!d) return ''
  const n = bench.judgement?.layout.count ?? 0
  return `${ROW_FAMILY[d.family].title} · ${zoneTitle(boats.picture?.zones ?? [], d.place.zone)}, ${n} on ${formatLength(d.toMm - d.fromMm, boats.units)}`
})
const LABELS: Record<string, string> = {
  fromMm: 'From',
  toMm: 'To',
  footprintMm: 'Each is long',
  mapMarginMm: 'Clear of the map\u2019s',
  bolt: 'Bolt',
  pitch: 'Wanted',
  strip: 'Strip, wide',
  'bedding.sealant': 'Bedded in',
}
const mirror = async () => {
  const id = await bench.copyIt({ mirror: true })
  await router.push(`/bench/${id}`)
  return 'Its twin on the other side lies here now: a run of its own, with what it has to miss there.'
}
</script>

<template>
  <KindPlace
    :bench="bench"
    kind="row"
    word="a row"
    :where="where"
    :record-word="bench.design?.memberId ? '' : 'Record its holes'"
    :labels="LABELS"
  >
    <template #acts="{ tryIt }">
      <ElButton
        v-if="!bench.readOnly && bench.design!.place.yMm !== 0"
        class="act"
        title="The same on the other side"
        @click="tryIt(mirror)"
        >Twin</ElButton
      >
    </template>
    <template #given><RowGiven :key="bench.fitting!.id" /></template>
    <template #tray><RowTray v-model:tab="tab" /></template>
  </KindPlace>
</template>
