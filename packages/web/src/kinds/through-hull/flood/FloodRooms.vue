<script setup lang="ts">
import { withCompartment, withoutCompartment } from '@north-tide/core/through-hull'
import DimensionField from '../../../pieces/DimensionField.vue'
import HeldText from '../../../pieces/HeldText.vue'
import RowTable from '../../../pieces/RowTable.vue'
import { useFloodTable } from './flood-table'

/** The compartments that water stands in: how large, how deep, from where to where. */
const { flood, plan, u, off, set } = useFloodTable()
</script>

<template>
  <div class="part">
    <RowTable
      label="Compartments"
      :columns="[
        { key: 'compartment', title: 'Compartment' },
        { key: 'areaM', title: 'Area, m²' },
        { key: 'floorZ', title: 'Floor z' },
        { key: 'fromX', title: 'From x' },
        { key: 'toX', title: 'To x' },
        { key: 'act' },
      ]"
      :rows="plan.compartments"
      :known="(c) => c.id"
    >
      <template #compartment="{ row: c, index: i }"
        ><label class="hidden-words" :for="`comp-${i}`">Name of the compartment</label
        ><HeldText
          :id="`comp-${i}`"
          class="entry name"
          :model-value="c.title"
          maxlength="80"
          :readonly="off"
          @update:model-value="$event.trim() && set(`compartments.${i}.title`, $event.trim())"
      /></template>
      <template #areaM="{ row: c, index: i }"
        ><DimensionField
          :model-value="c.areaM2"
          :label="`Area of ${c.title}`"
          kind="number"
          :units="u"
          above
          :disabled="off"
          @update:model-value="set(`compartments.${i}.areaM2`, $event)"
      /></template>
      <template #floorZ="{ row: c, index: i }"
        ><DimensionField
          :model-value="c.floorZMm"
          :label="`Floor of ${c.title}`"
          :units="u"
          :most="-1"
          :disabled="off"
          @update:model-value="set(`compartments.${i}.floorZMm`, $event)"
      /></template>
      <template #fromX="{ row: c, index: i }"
        ><DimensionField
          :model-value="c.fromXMm"
          :label="`From, ${c.title}`"
          :units="u"
          :disabled="off"
          @update:model-value="set(`compartments.${i}.fromXMm`, $event)"
      /></template>
      <template #toX="{ row: c, index: i }"
        ><DimensionField
          :model-value="c.toXMm"
          :label="`To, ${c.title}`"
          :units="u"
          :disabled="off"
          @update:model-value="set(`compartments.${i}.toXMm`, $event)"
      /></template>
      <template #act="{ row: c }"
        ><ElButton
          v-if="!off && plan.compartments.length > 1"
          class="plain gone"
          :aria-label="`Remove ${c.title}, its doors, pumps and marks`"
          @click="flood.replace(withoutCompartment(plan, c.id))"
        >
          ✕
        </ElButton></template
      >
    </RowTable>
    <ElButton
      v-if="!off"
      class="act"
      :disabled="plan.compartments.length >= 12"
      @click="flood.replace(withCompartment(plan, `Compartment ${plan.compartments.length + 1}`))"
    >
      Add a compartment
    </ElButton>
  </div>
</template>

<style scoped src="./flood.css"></style>
