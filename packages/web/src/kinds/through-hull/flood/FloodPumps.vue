<script setup lang="ts">
import DimensionField from '../../../pieces/DimensionField.vue'
import HeldText from '../../../pieces/HeldText.vue'
import PickOne from '../../../pieces/PickOne.vue'
import RowTable from '../../../pieces/RowTable.vue'
import { useFloodTable } from './flood-table'

/** The pumps, and what of their rating they carry. */
const props = defineProps<{ /** where what is added goes first */ compartment: string }>()
const { plan, rooms, u, off, set, next, without, floorOf } = useFloodTable()
const addPump = () =>
  next({
    pumps: [
      ...plan.value.pumps,
      {
        compartment: props.compartment,
        title: 'Pump',
        ratedLpm: 60,
        derate: 0.5,
        startZMm: floorOf(props.compartment) + 50,
      },
    ],
  })
</script>

<template>
  <div class="part">
    <RowTable
      v-if="plan.pumps.length"
      label="Pumps"
      :columns="[
        { key: 'pump', title: 'Pump' },
        { key: 'in', title: 'In' },
        { key: 'ratedLMin', title: 'Rated, L/min' },
        { key: 'carriesOfIt', title: 'Carries, of it' },
        { key: 'startsZ', title: 'Starts z' },
        { key: 'act' },
      ]"
      :rows="plan.pumps"
    >
      <template #pump="{ row: p, index: i }"
        ><label class="hidden-words" :for="`pump-${i}`">Name of the pump</label
        ><HeldText
          :id="`pump-${i}`"
          class="entry name"
          :model-value="p.title"
          maxlength="80"
          :readonly="off"
          @update:model-value="set(`pumps.${i}.title`, $event.trim())"
      /></template>
      <template #in="{ row: p, index: i }"
        ><PickOne
          :model-value="p.compartment"
          :disabled="off"
          :label="`Compartment of ${p.title}`"
          :options="rooms"
          @update:model-value="set(`pumps.${i}.compartment`, $event)"
      /></template>
      <template #ratedLMin="{ row: p, index: i }"
        ><DimensionField
          :model-value="p.ratedLpm"
          :label="`Rating of ${p.title}`"
          kind="number"
          :units="u"
          above
          :disabled="off"
          @update:model-value="set(`pumps.${i}.ratedLpm`, $event)"
      /></template>
      <template #carriesOfIt="{ row: p, index: i }"
        ><DimensionField
          :model-value="p.derate"
          :label="`Share of its rating that ${p.title} carries`"
          kind="number"
          :units="u"
          above
          :most="1"
          :estimated="p.derate === 0.5"
          :disabled="off"
          @update:model-value="set(`pumps.${i}.derate`, $event)"
      /></template>
      <template #startsZ="{ row: p, index: i }"
        ><DimensionField
          :model-value="p.startZMm"
          :label="`Start of ${p.title}`"
          :units="u"
          :disabled="off"
          @update:model-value="set(`pumps.${i}.startZMm`, $event)"
      /></template>
      <template #act="{ row: p, index: i }"
        ><ElButton
          v-if="!off"
          class="plain gone"
          :aria-label="`Remove ${p.title}`"
          @click="next({ pumps: without(plan.pumps, i) })"
        >
          ✕
        </ElButton></template
      >
    </RowTable>
    <p v-else class="soft small">No pump is on board.</p>
    <ElButton v-if="!off" class="act" :disabled="plan.pumps.length >= 20" @click="addPump">
      Add a pump
    </ElButton>
  </div>
</template>

<style scoped src="./flood.css"></style>
