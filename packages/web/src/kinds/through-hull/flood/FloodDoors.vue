<script setup lang="ts">
import DimensionField from '../../../pieces/DimensionField.vue'
import HeldText from '../../../pieces/HeldText.vue'
import PickOne from '../../../pieces/PickOne.vue'
import RowTable from '../../../pieces/RowTable.vue'
import { useFloodTable } from './flood-table'

/** What joins the compartments: doors, hatches, limber holes, pipes. */
const props = defineProps<{ /** where what is added goes first */ compartment: string }>()
const { plan, u, off, set, next, without, floorOf } = useFloodTable()
const other = (id: string) => plan.value.compartments.find((c) => c.id !== id)
function addDoor() {
  const b = other(props.compartment)
  if (b)
    next({
      doors: [
        ...plan.value.doors,
        {
          a: props.compartment,
          b: b.id,
          title: 'Door',
          open: false,
          sillZMm: Math.max(floorOf(props.compartment), floorOf(b.id)) + 20,
          areaCm2: 100,
        },
      ],
    })
}
</script>

<template>
  <div class="part">
    <RowTable
      v-if="plan.doors.length"
      label="Doors"
      :columns="[
        { key: 'doorOrPipe', title: 'Door or pipe' },
        { key: 'between', title: 'Between' },
        { key: 'and', title: 'and' },
        { key: 'sillZ', title: 'Sill z' },
        { key: 'openingCm', title: 'Opening, cm²' },
        { key: 'open', title: 'Open' },
        { key: 'act' },
      ]"
      :rows="plan.doors"
    >
      <template #doorOrPipe="{ row: q, index: i }"
        ><label class="hidden-words" :for="`door-${i}`">Name of the door</label
        ><HeldText
          :id="`door-${i}`"
          class="entry name"
          :model-value="q.title"
          maxlength="80"
          :readonly="off"
          @update:model-value="set(`doors.${i}.title`, $event.trim())"
      /></template>
      <template #between="{ row: q, index: i }"
        ><PickOne
          :model-value="q.a"
          :disabled="off"
          :label="`One side of ${q.title}`"
          :options="
            plan.compartments.map((c) => ({
              value: c.id,
              title: c.title,
              disabled: c.id === q.b,
            }))
          "
          @update:model-value="set(`doors.${i}.a`, $event)"
      /></template>
      <template #and="{ row: q, index: i }"
        ><PickOne
          :model-value="q.b"
          :disabled="off"
          :label="`Other side of ${q.title}`"
          :options="
            plan.compartments.map((c) => ({
              value: c.id,
              title: c.title,
              disabled: c.id === q.a,
            }))
          "
          @update:model-value="set(`doors.${i}.b`, $event)"
      /></template>
      <template #sillZ="{ row: q, index: i }"
        ><DimensionField
          :model-value="q.sillZMm"
          :label="`Sill of ${q.title}`"
          :units="u"
          :disabled="off"
          @update:model-value="set(`doors.${i}.sillZMm`, $event)"
      /></template>
      <template #openingCm="{ row: q, index: i }"
        ><DimensionField
          :model-value="q.areaCm2"
          :label="`Opening of ${q.title}`"
          kind="number"
          :units="u"
          above
          :disabled="off"
          @update:model-value="set(`doors.${i}.areaCm2`, $event)"
      /></template>
      <template #open="{ row: q, index: i }"
        ><ElCheckbox :model-value="q.open" :disabled="off" @change="set(`doors.${i}.open`, $event)"
          ><span class="hidden-words">{{ `${q.title} stands open as a rule` }}</span></ElCheckbox
        ></template
      >
      <template #act="{ row: q, index: i }"
        ><ElButton
          v-if="!off"
          class="plain gone"
          :aria-label="`Remove ${q.title}`"
          @click="next({ doors: without(plan.doors, i) })"
        >
          ✕
        </ElButton></template
      >
    </RowTable>
    <p v-else class="soft small">
      {{
        plan.compartments.length > 1
          ? 'No door, hatch, limber hole or pipe joins the compartments: each floods alone.'
          : 'One compartment: nothing divides it.'
      }}
    </p>
    <ElButton
      v-if="!off"
      class="act"
      :disabled="plan.compartments.length < 2 || plan.doors.length >= 20"
      @click="addDoor"
    >
      Add a door or pipe
    </ElButton>
  </div>
</template>

<style scoped src="./flood.css"></style>
