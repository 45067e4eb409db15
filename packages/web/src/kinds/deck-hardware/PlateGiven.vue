<script setup lang="ts">
import { PLATES, PLATE_IDS, formatLength } from '@north-tide/core'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import { useGiven } from './given'

/** What spreads the pull behind the deck. */
const { boats, d, j, set, off, problemAt } = useGiven()
const plateOptions = [
  { value: 'none', title: 'None, washers only' },
  ...PLATE_IDS.map((p) => ({ value: p, title: PLATES[p].title })),
]
function setPlate(material: string) {
  if (material === 'none') return set('plate', null)
  if (d.value.plate) return set('plate.material', material)
  const xs = d.value.bolts.map((b) => Math.abs(b.xMm))
  const ys = d.value.bolts.map((b) => Math.abs(b.yMm))
  set('plate', {
    material,
    lengthMm: Math.ceil((2 * Math.max(...xs) + 80) / 5) * 5,
    widthMm: Math.ceil((2 * Math.max(...ys) + 80) / 5) * 5,
    thicknessMm: 10,
    bedGapMm: 1,
    outline: null,
    sheets: 1,
    bonded: true,
    crownRadiusMm: null,
  })
}
</script>

<template>
  <div class="group gap"><h2>Backing plate</h2></div>
  <ChoiceField
    label="Material"
    :model-value="d.plate?.material ?? 'none'"
    :options="plateOptions"
    :disabled="off"
    @update:model-value="setPlate($event)"
  />
  <template v-if="d.plate">
    <DimensionField
      label="Length"
      :model-value="d.plate.lengthMm"
      :units="boats.units"
      above
      :disabled="off"
      :problem="problemAt('plate')"
      @update:model-value="set('plate.lengthMm', $event)"
    />
    <DimensionField
      label="Width"
      :model-value="d.plate.widthMm"
      :units="boats.units"
      above
      :disabled="off"
      @update:model-value="set('plate.widthMm', $event)"
    />
    <DimensionField
      label="Plate thickness"
      :model-value="d.plate.thicknessMm"
      :units="boats.units"
      above
      :disabled="off"
      @update:model-value="set('plate.thicknessMm', $event)"
    />
    <DimensionField
      label="Filler bed"
      :model-value="d.plate.bedGapMm"
      :units="boats.units"
      :least="0"
      :disabled="off"
      @update:model-value="set('plate.bedGapMm', $event)"
    />
    <p v-if="j?.plate" class="soft small rule">
      Rule of thumb: {{ formatLength(Math.round(j.plate.rule.thicknessMm), boats.units) }} thick,
      {{ formatLength(Math.round(j.plate.rule.reachMm), boats.units) }} past the bolts:
      {{ j.plate.rule.thicknessMet && j.plate.rule.reachMet ? 'met' : 'not met' }}. Calculated:
      {{ formatLength(Number(j.plate.requiredThicknessMm.toFixed(1)), boats.units) }}. The rule knows neither
      load nor strength.
    </p>
  </template>
</template>

<style scoped src="../../pieces/given.css"></style>
