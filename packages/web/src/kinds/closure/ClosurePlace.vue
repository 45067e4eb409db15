<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatLength, zoneTitle } from '@north-tide/core'
import { CLOSURE_FAMILY } from '@north-tide/core/closure'
import KindPlace from '../../pieces/KindPlace.vue'
import { useBoats } from '../../state/boats'
import { useClosure } from '../../state/closure'
import ClosureGiven from './ClosureGiven.vue'
import ClosureTray from './ClosureTray.vue'

/** A job of closing: its holes and the panel left, the patches in the middle, verdicts right. */
const bench = useClosure()
const boats = useBoats()
const tab = ref('Work')
const where = computed(() => {
  const d = bench.design
  if (!d) return ''
  const mm = (v: number) => formatLength(v, boats.units)
  if (!d.holes.length)
    return `${CLOSURE_FAMILY[d.family].title} · ${zoneTitle(boats.picture?.zones ?? [], d.place.zone)}, x ${mm(d.place.xMm)}`
  const holes = d.holes.length === 1 ? mm(d.holes[0]!.holeMm) : `${d.holes.length} holes`
  return `${CLOSURE_FAMILY[d.family].title} · ${zoneTitle(boats.picture?.zones ?? [], d.place.zone)}, x ${mm(d.place.xMm)} · ${holes}`
})
const LABELS: Record<string, string> = {
  'holes.0': 'Hole 1, across',
  'holes.0.holeMm': 'Hole 1, across',
  ratio: 'Bevel, to one',
  cloth: 'Cloth',
  coreState: 'Core round it',
  way: 'Closed by',
  access: 'Reached from',
  'joint.filletMm': 'Fillet',
  'joint.tapesMm': 'Tape 1, wide',
  block: 'Thick',
  'block.trimMm': 'To trim off',
}
</script>

<template>
  <KindPlace
    :bench="bench"
    kind="closure"
    word="a job of closing"
    :where="where"
    :record-word="bench.design?.holes.length ? 'Link its holes' : 'Record it'"
    :labels="LABELS"
  >
    <template #given><ClosureGiven /></template>
    <template #tray><ClosureTray v-model:tab="tab" /></template>
  </KindPlace>
</template>
