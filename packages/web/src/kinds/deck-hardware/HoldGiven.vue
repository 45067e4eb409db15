<script setup lang="ts">
import { HOLD_SAID, HOLD_WAYS, type HoldWay } from '@north-tide/core'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import { useGiven } from './given'

/** What holds a bolt where no nut does. */
const { bench, boats, d, set, off } = useGiven()
/** Nuts in the core and screws in a block end there: what stood behind them goes. */
const setHold = (way: HoldWay) =>
  bench.change({
    'hold.way': way,
    ...(way === 'nut-in-epoxy' || way === 'plastic' ? { plate: null } : {}),
    ...(way === 'plastic' && !d.value.hold.block
      ? { 'hold.block': { material: 'polycarbonate', thicknessMm: 20 } }
      : {}),
  })
const BLOCKS = [
  { value: 'polycarbonate', title: 'polycarbonate' },
  { value: 'cast-acrylic', title: 'cast acrylic' },
] as const
const HOLD_OPTIONS = (Object.keys(HOLD_WAYS) as HoldWay[]).map((value) => ({
  value,
  title: HOLD_WAYS[value],
}))
</script>

<template>
  <ChoiceField
    label="Held by"
    :model-value="d.hold.way"
    :options="HOLD_OPTIONS"
    :disabled="off"
    :hint="HOLD_SAID[d.hold.way]"
    @update:model-value="setHold($event)"
  />
  <p v-if="d.hold.way === 'through' && bench.flags.some((f) => f.id === 'no-reach')" class="small rule">
    Nobody reaches a nut here. Take threads in a plate, inserts, or nuts caught in epoxy: they are fixed from
    above.
  </p>
  <template v-if="d.hold.way === 'plastic' && d.hold.block">
    <ChoiceField
      label="Block of"
      :model-value="d.hold.block.material"
      :options="BLOCKS"
      :disabled="off"
      @update:model-value="set('hold.block.material', $event)"
    />
    <DimensionField
      label="Block thick"
      :model-value="d.hold.block.thicknessMm"
      :units="boats.units"
      above
      :disabled="off"
      @update:model-value="set('hold.block.thicknessMm', $event)"
    />
  </template>
  <DimensionField
    v-if="d.hold.way === 'tapped' || d.hold.way === 'plastic'"
    label="Thread engaged"
    :model-value="d.hold.engagedMm"
    :units="boats.units"
    above
    optional
    placeholder="all of it"
    :disabled="off"
    @update:model-value="set('hold.engagedMm', $event)"
  />
  <DimensionField
    v-if="d.hold.way === 'press-in' || d.hold.way === 'bonded'"
    label="Insert, outside"
    :model-value="d.hold.insertMm"
    :units="boats.units"
    above
    optional
    placeholder="1.5 bolts"
    :disabled="off"
    @update:model-value="set('hold.insertMm', $event)"
  />
</template>

<style scoped src="../../pieces/given.css"></style>
