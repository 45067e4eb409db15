<script setup lang="ts">
import { computed } from 'vue'
import { FACES, SEALANTS, SEALANT_IDS, lengthText } from '@north-tide/core'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import { useGiven } from './given'

/** What it is bedded in, on what, on which day. */
const { boats, d, set, off } = useGiven()
const sealantOptions = computed(() => [
  { value: '', title: 'Not chosen yet' },
  ...SEALANT_IDS.map((id) => ({ value: id, title: SEALANTS[id].title })),
])
const faceOptions = FACES.map((f) => ({ value: f, title: f }))
const sealantFor = (v: string) => set('bedding.sealant', v === '' ? null : v)
</script>

<template>
  <div class="group gap">
    <h2>Bedding</h2>
    <span class="soft small">{{
      d.bedding.sealant === 'butyl' ? 'tape' : d.bedding.sealant ? 'tube' : ''
    }}</span>
  </div>
  <ChoiceField
    label="Sealant"
    :model-value="d.bedding.sealant ?? ''"
    :options="sealantOptions"
    :disabled="off"
    @update:model-value="sealantFor($event)"
  />
  <ChoiceField
    label="Fitting of"
    :model-value="d.bedding.baseFace"
    :options="faceOptions"
    :disabled="off"
    @update:model-value="set('bedding.baseFace', $event)"
  />
  <ChoiceField
    label="On"
    :model-value="d.bedding.deckFace"
    :options="faceOptions"
    :disabled="off"
    @update:model-value="set('bedding.deckFace', $event)"
  />
  <DimensionField
    label="Apart again in"
    kind="number"
    unit="years"
    :model-value="d.bedding.serviceAgainYears"
    :units="boats.units"
    above
    optional
    placeholder="never"
    :disabled="off"
    @update:model-value="set('bedding.serviceAgainYears', $event)"
  />
  <DimensionField
    label="Bead"
    :model-value="d.bedding.beadMm"
    :units="boats.units"
    above
    optional
    :placeholder="lengthText(d.bedding.sealant === 'butyl' ? 2 : 1.5, boats.units)"
    :disabled="off"
    @update:model-value="set('bedding.beadMm', $event)"
  />
  <DimensionField
    label="Surface"
    kind="temperature"
    :model-value="d.bedding.tempC"
    :units="boats.units"
    :least="-30"
    :most="60"
    :disabled="off"
    @update:model-value="set('bedding.tempC', $event)"
  />
  <DimensionField
    label="Humidity"
    kind="number"
    unit="%"
    :model-value="d.bedding.humidityPct"
    :units="boats.units"
    :least="0"
    :most="100"
    :disabled="off"
    @update:model-value="set('bedding.humidityPct', $event)"
  />
  <ChoiceField
    label="Tighten"
    :model-value="d.bedding.tightening"
    :options="[
      { value: 'once', title: 'once, full' },
      { value: 'two-step', title: 'in two steps' },
    ]"
    :disabled="off"
    @update:model-value="set('bedding.tightening', $event)"
  />
  <ElCheckbox
    v-for="[k, t] in [
      ['sunlight', 'in sunlight'],
      ['fuelOrSolvent', 'fuel or solvents near'],
      ['toBePainted', 'painted or bonded over'],
    ] as const"
    :key="k"
    class="tick"
    :model-value="d.bedding[k]"
    :disabled="off"
    @change="set(`bedding.${k}`, $event as boolean)"
    >{{ t }}</ElCheckbox
  >
</template>

<style scoped src="../../pieces/given.css"></style>
