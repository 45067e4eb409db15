<script setup lang="ts">
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import { useHullGiven } from './given'

/** The hull where it goes through, and what of it was measured. */
const { d, u, off, set } = useHullGiven()
</script>

<template>
  <div class="group gap">
    <h2>Hull here</h2>
    <span class="soft small">tick what is measured</span>
  </div>
  <ChoiceField
    label="Made as"
    :model-value="d.hull.kind"
    :options="
      [
        { value: 'solid', title: 'solid laminate' },
        { value: 'cored', title: 'cored laminate' },
        { value: 'aluminium', title: 'aluminium' },
        { value: 'steel', title: 'steel' },
        { value: 'timber', title: 'timber' },
      ] as const
    "
    :disabled="off"
    @update:model-value="set('hull.kind', $event)"
  />
  <div class="layer">
    <DimensionField
      label="Thickness"
      :model-value="d.hull.thicknessMm"
      :units="u"
      above
      :estimated="!d.hull.measured"
      :disabled="off"
      @update:model-value="set('hull.thicknessMm', $event)"
    /><ElCheckbox
      class="measured"
      :model-value="d.hull.measured"
      :disabled="off"
      @change="set('hull.measured', $event as boolean)"
      ><span class="hidden-words">Hull thickness measured</span></ElCheckbox
    >
  </div>
  <div class="layer">
    <DimensionField
      label="Deadrise"
      kind="angle"
      :model-value="d.hull.deadriseDeg"
      :units="u"
      :least="0"
      :most="79"
      :estimated="!d.hull.angleMeasured"
      :disabled="off"
      @update:model-value="set('hull.deadriseDeg', $event)"
    /><ElCheckbox
      class="measured"
      :model-value="d.hull.angleMeasured"
      :disabled="off"
      @change="set('hull.angleMeasured', $event as boolean)"
      ><span class="hidden-words">Deadrise measured</span></ElCheckbox
    >
  </div>
  <DimensionField
    label="Slope aft"
    kind="angle"
    :model-value="d.hull.slopeDeg"
    :units="u"
    :least="-79"
    :most="79"
    :disabled="off"
    @update:model-value="set('hull.slopeDeg', $event)"
  />
  <DimensionField
    v-if="d.hull.kind === 'cored'"
    label="Solid across"
    :model-value="d.hull.solidMm"
    :units="u"
    above
    optional
    placeholder="not yet"
    :disabled="off"
    @update:model-value="set('hull.solidMm', $event)"
  />
</template>

<style scoped src="../../pieces/given.css"></style>
