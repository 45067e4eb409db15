<script setup lang="ts">
import DimensionField from '../../../pieces/DimensionField.vue'
import HeldText from '../../../pieces/HeldText.vue'
import PickOne from '../../../pieces/PickOne.vue'
import RowTable from '../../../pieces/RowTable.vue'
import { useFloodTable } from './flood-table'

/** What is looked at when water comes in: cabin sole, batteries, engine air intake. */
const props = defineProps<{ /** where what is added goes first */ compartment: string }>()
const { plan, rooms, u, off, set, next, without, floorOf } = useFloodTable()
const addMark = () =>
  next({
    marks: [
      ...plan.value.marks,
      { compartment: props.compartment, name: 'Mark', zMm: Math.round(floorOf(props.compartment) / 2) },
    ],
  })
</script>

<template>
  <div class="part">
    <RowTable
      v-if="plan.marks.length"
      label="What is looked at"
      :columns="[
        { key: 'mark', title: 'Mark' },
        { key: 'in', title: 'In' },
        { key: 'z', title: 'z' },
        { key: 'act' },
      ]"
      :rows="plan.marks"
    >
      <template #mark="{ row: m, index: i }"
        ><label class="hidden-words" :for="`mark-${i}`">Name of the mark</label
        ><HeldText
          :id="`mark-${i}`"
          class="entry name"
          :model-value="m.name"
          maxlength="80"
          :readonly="off"
          @update:model-value="$event.trim() && set(`marks.${i}.name`, $event.trim())"
      /></template>
      <template #in="{ row: m, index: i }"
        ><PickOne
          :model-value="m.compartment"
          :disabled="off"
          :label="`Compartment of ${m.name}`"
          :options="rooms"
          @update:model-value="set(`marks.${i}.compartment`, $event)"
      /></template>
      <template #z="{ row: m, index: i }"
        ><DimensionField
          :model-value="m.zMm"
          :label="`Height of ${m.name}`"
          :units="u"
          :disabled="off"
          @update:model-value="set(`marks.${i}.zMm`, $event)"
      /></template>
      <template #act="{ row: m, index: i }"
        ><ElButton
          v-if="!off"
          class="plain gone"
          :aria-label="`Remove ${m.name}`"
          @click="next({ marks: without(plan.marks, i) })"
        >
          ✕
        </ElButton></template
      >
    </RowTable>
    <p v-else class="soft small">Nothing is looked at yet: cabin sole, batteries, engine air intake.</p>
    <ElButton v-if="!off" class="act" :disabled="plan.marks.length >= 20" @click="addMark">
      Add a mark
    </ElButton>
  </div>
</template>

<style scoped src="./flood.css"></style>
