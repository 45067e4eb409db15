<script setup lang="ts">
import { computed } from 'vue'
import { CORE_SCHOOLS, SCHOOLS, lengthText } from '@north-tide/core'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import { useGiven } from './given'

/** The school by which water is kept out of the core. */
const { boats, d, j, set, off, problemAt } = useGiven()
const schoolOptions = computed(() =>
  CORE_SCHOOLS.map((s) => ({
    value: s,
    title: SCHOOLS.find((x) => x.id === s)!.choice,
    disabled: d.value.structure.kind !== 'sandwich' && s !== 'none',
  })),
)
const school = computed(() => SCHOOLS.find((s) => s.id === d.value.core.school)!)
</script>

<template>
  <div class="group gap">
    <h2>Keeping water out</h2>
    <span class="soft small">school</span>
  </div>
  <ChoiceField
    label="Core"
    :model-value="d.core.school"
    :options="schoolOptions"
    :disabled="off"
    :hint="school.reason"
    @update:model-value="set('core.school', $event)"
  />
  <DimensionField
    v-if="d.core.school === 'bore-fill'"
    label="Bore"
    :model-value="d.core.boreMm"
    :units="boats.units"
    above
    optional
    :placeholder="j?.core?.boreMm ? lengthText(j.core.boreMm, boats.units) : 'least'"
    :disabled="off"
    :problem="problemAt('boreMm')"
    @update:model-value="set('core.boreMm', $event)"
  />
  <DimensionField
    v-if="d.core.school === 'reef'"
    label="Hooked back"
    :model-value="d.core.undercutMm"
    :units="boats.units"
    above
    optional
    :placeholder="j?.core?.undercutMm ? lengthText(j.core.undercutMm, boats.units) : 'least'"
    :disabled="off"
    @update:model-value="set('core.undercutMm', $event)"
  />
  <DimensionField
    v-if="d.structure.kind === 'sandwich'"
    label="Chamfer"
    :model-value="d.core.chamferMm"
    :units="boats.units"
    above
    optional
    placeholder="flat"
    :disabled="off"
    @update:model-value="set('core.chamferMm', $event)"
  />
  <ElCheckbox
    v-if="d.structure.kind === 'sandwich'"
    class="tick"
    :model-value="d.core.torn"
    :disabled="off"
    @change="set('core.torn', $event as boolean)"
    >core torn or wicking</ElCheckbox
  >
  <ElCheckbox
    v-if="d.core.school === 'seal-wall'"
    class="tick"
    :model-value="d.core.lightLoad"
    :disabled="off"
    @change="set('core.lightLoad', $event as boolean)"
    >the load is light</ElCheckbox
  >
  <p class="soft small">
    {{ school.reason }} Costs: {{ school.costs.charAt(0).toLowerCase() + school.costs.slice(1) }} Not:
    {{ school.notWhen.charAt(0).toLowerCase() + school.notWhen.slice(1) }}
  </p>
</template>

<style scoped src="../../pieces/given.css"></style>
