<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import { useRouter } from 'vue-router'
import { formatLength, zoneTitle } from '@north-tide/core'
import { OPENING_FAMILY, openingOnBoat, sizeSaid } from '@north-tide/core/opening'
import KindPlace from '../../pieces/KindPlace.vue'
import { useBoats } from '../../state/boats'
import { useOpening } from '../../state/opening'
import OpeningGiven from './OpeningGiven.vue'
import { useOpeningMove } from './opening-move'
import OpeningTray from './OpeningTray.vue'

const OpeningSize = defineAsyncComponent(() => import('./OpeningSize.vue'))
/** One opening: given at the left, its picture or the cut through its edge in the middle, verdicts right. */
const bench = useOpening()
const boats = useBoats()
const router = useRouter()
const tab = ref('Work')
const sizing = ref(false)
const where = computed(() => {
  const d = bench.design
  if (!d) return ''
  const mm = (v: number) => formatLength(v, boats.units)
  const side =
    d.place.yMm === 0
      ? 'centreline'
      : `${d.place.yMm > 0 ? 'starboard' : 'port'} ${mm(Math.abs(d.place.yMm))}`
  return `${OPENING_FAMILY[d.family].title} · ${zoneTitle(boats.picture?.zones ?? [], d.place.zone)}, x ${mm(d.place.xMm)}, ${side} · ${d.catalogueId ?? 'own'}, ${sizeSaid(d.outline, mm)}`
})
/** Glands go by their cables: there is nothing to size. */
const sizable = computed(() => bench.design !== null && !bench.design.gland && !bench.readOnly)
const keys = { s: () => sizable.value && (sizing.value = true) }
const LABELS: Record<string, string> = {
  'outline.lengthMm': 'Length',
  'outline.widthMm': 'Width',
  'outline.diameterMm': 'Across',
  'core.rakeMm': 'Raked back',
  'frame.screwMm': 'Screw',
  frame: 'Flange',
  ring: 'Wide',
  'pane.thicknessMm': 'Thick',
  'bedding.sealant': 'Sealant',
}
const { set } = useOpeningMove()
/** A deck or a roof is looked at from above; a side and a bulkhead have no such map. */
const onBoat = computed(() => {
  const { design: d, judgement: j, fitting: f } = bench
  const pic = boats.picture
  const zone = pic?.zones.find((z) => z.code === d?.place.zone)
  if (!d || !j || !f || !pic || d.gland || !zone || !['deck', 'roof'].includes(zone.face)) return []
  const others = [...pic.fittings, ...pic.others].filter((o) => o.id !== f.id)
  const around = {
    parts: pic.parts,
    fittings: others.map((o) => ({ id: o.id, name: o.name, outline: o.outline })),
    holes: pic.holes.filter((h) => h.zoneCode === zone.code && !f.holes.some((own) => own.id === h.id)),
  }
  return [{ id: 'boat', title: 'On the boat', drawing: openingOnBoat(d, j, around, boats.units) }]
})
const mirror = async () => {
  const id = await bench.copyIt({ mirror: true })
  await router.push(`/bench/${id}`)
  return 'Its twin on the other side lies here now.'
}
</script>

<template>
  <KindPlace
    :bench="bench"
    kind="opening"
    word="an opening"
    :where="where"
    record-word="Record its hole"
    :labels="LABELS"
    :keys="keys"
    :set="set"
    beside="edge"
    :more="onBoat"
  >
    <template #acts="{ tryIt }">
      <ElButton v-if="sizable" class="act" @click="sizing = true">Size it <kbd>s</kbd></ElButton>
      <ElButton
        v-if="!bench.readOnly && bench.design!.place.yMm !== 0"
        class="act"
        title="The same on the other side"
        @click="tryIt(mirror)"
        >Twin</ElButton
      >
    </template>
    <template #given><OpeningGiven /></template>
    <template #tray><OpeningTray v-model:tab="tab" /></template>
    <OpeningSize v-if="sizing" @close="sizing = false" />
  </KindPlace>
</template>
