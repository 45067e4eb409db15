<script setup lang="ts">
import { GRADES, SIZES } from '@north-tide/core'
import { METHOD_TITLE, padOf } from '@north-tide/core/through-hull'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import { useHullGiven } from './given'

/** Wedges and pad under it, and what holds them. */
const { d, u, off, set } = useHullGiven()
const METHODS = (['through', 'insert', 'nut'] as const).map((value) => ({
  value,
  title: METHOD_TITLE[value],
}))
const PADS = [
  { value: 'none', title: 'none' },
  { value: 'g10', title: 'epoxy-glass sheet' },
  { value: 'glass-epoxy', title: 'laid-up epoxy-glass' },
  { value: 'composite', title: 'moulded composite' },
  { value: 'plywood', title: 'plywood' },
] as const
const setPad = (v: (typeof PADS)[number]['value']) => set('pad', v === 'none' ? null : padOf(d.value, v))
</script>

<template>
  <template v-if="d.family !== 'anode-stud'">
    <div class="group gap"><h2>Under it</h2></div>
    <ChoiceField
      label="Wedges"
      :model-value="d.wedge.blocks"
      :options="
        [
          { value: 'none', title: 'none, square to the hull' },
          { value: 'both', title: 'one each side, plumb' },
          { value: 'inside', title: 'inside only' },
          { value: 'outside', title: 'outside only' },
        ] as const
      "
      :disabled="off"
      @update:model-value="set('wedge.blocks', $event)"
    />
    <DimensionField
      v-if="d.wedge.blocks !== 'none'"
      label="Thin side"
      :model-value="d.wedge.thinMm"
      :units="u"
      above
      :disabled="off"
      @update:model-value="set('wedge.thinMm', $event)"
    />
    <ChoiceField
      label="Pad"
      :model-value="d.pad?.material ?? 'none'"
      :options="PADS"
      :disabled="off"
      @update:model-value="setPad($event)"
    />
    <template v-if="d.pad"
      ><DimensionField
        label="Pad thickness"
        :model-value="d.pad.thicknessMm"
        :units="u"
        above
        :disabled="off"
        @update:model-value="set('pad.thicknessMm', $event)" /><DimensionField
        label="Pad diameter"
        :model-value="d.pad.diameterMm"
        :units="u"
        above
        :disabled="off"
        @update:model-value="set('pad.diameterMm', $event)"
    /></template>
    <template v-if="d.valve || d.plug">
      <ChoiceField
        label="Held by"
        :model-value="d.hold.method"
        :options="METHODS"
        :disabled="off"
        @update:model-value="set('hold.method', $event)"
      />
      <template v-if="d.hold.method !== 'nut'"
        ><ChoiceField
          label="Bolt"
          :model-value="d.hold.size"
          :options="Object.keys(SIZES).map((v) => ({ value: v, title: v }))"
          :disabled="off"
          @update:model-value="set('hold.size', $event)" /><ChoiceField
          label="Grade"
          :model-value="d.hold.grade"
          :options="Object.entries(GRADES).map(([value, g]) => ({ value, title: g.title }))"
          :disabled="off"
          @update:model-value="set('hold.grade', $event)" /><DimensionField
          label="Bolts"
          kind="number"
          :model-value="d.hold.bolts"
          :units="u"
          :least="3"
          :most="12"
          :disabled="off"
          @update:model-value="set('hold.bolts', Math.round($event ?? 3))"
      /></template>
    </template>
  </template>
</template>

<style scoped src="../../pieces/given.css"></style>
