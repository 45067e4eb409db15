<script setup lang="ts">
import { computed } from 'vue'
import {
  floodPlanWarnings,
  withCompartment,
  withoutCompartment,
  type FloodPlan,
} from '@north-tide/core/through-hull'
import { useBoats } from '../../state/boats'
import { useFlood } from '../../state/flood'
import DimensionField from '../../pieces/DimensionField.vue'
import HeldText from '../../pieces/HeldText.vue'
import ConflictDialog from '../../pieces/ConflictDialog.vue'
import SavedWord from '../../pieces/SavedWord.vue'
import PickOne from '../../pieces/PickOne.vue'
import RowTable from '../../pieces/RowTable.vue'

/**
 * What the boat is for water that comes in: compartments, what joins them, pumps, and what is looked at.
 * It saves itself.
 */
const flood = useFlood()
const boats = useBoats()
const props = defineProps<{ /** where what is added goes first */ compartment: string }>()
const plan = computed(() => flood.plan!)
const rooms = computed(() => plan.value.compartments.map((c) => ({ value: c.id, title: c.title })))
const u = computed(() => boats.units)
const off = computed(() => flood.readOnly)
const warnings = computed(() => floodPlanWarnings(plan.value, boats.picture!.lengthMm, u.value))
const set = (path: string, v: unknown) => v !== null && flood.change({ [path]: v })
const next = (change: Partial<FloodPlan>) => flood.replace({ ...plan.value, ...change })
const without = <T,>(list: T[], i: number) => list.filter((_, k) => k !== i)
const floorOf = (id: string) => plan.value.compartments.find((c) => c.id === id)!.floorZMm
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
const addMark = () =>
  next({
    marks: [
      ...plan.value.marks,
      { compartment: props.compartment, name: 'Mark', zMm: Math.round(floorOf(props.compartment) / 2) },
    ],
  })
</script>

<template>
  <div class="editor">
    <div class="head">
      <h3>
        The boat
        <span v-if="flood.estimated" class="soft small">estimated from her lines until you say better</span>
      </h3>
      <SavedWord class="soft small" data-test="flood-saved" :saving="flood.saving" :refusal="flood.refusal" />
      <span v-if="!off" class="steps"
        ><ElButton
          class="act"
          :disabled="!flood.past.length"
          aria-label="Undo, the boat’s water"
          @click="flood.undo()"
        >
          ↶</ElButton
        ><ElButton
          class="act"
          :disabled="!flood.future.length"
          aria-label="Redo, the boat’s water"
          @click="flood.redo()"
        >
          ↷
        </ElButton></span
      >
    </div>
    <ul v-if="warnings.length" class="small warn" aria-label="Worth a second look">
      <li v-for="w in warnings" :key="w">{{ w }}</li>
    </ul>
    <div class="tables">
      <div>
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
      <div>
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
      <div>
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
      <div>
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
    </div>
    <ConflictDialog
      :mine="flood.plan"
      :theirs="flood.conflict"
      what="the boat’s compartments and pumps"
      @settle="flood.settle($event)"
    />
  </div>
</template>

<style scoped>
.editor {
  display: grid;
  gap: 6px;
  border-top: 1px solid var(--line-strong);
  padding-top: 8px;
}
.head {
  display: flex;
  gap: 14px;
  align-items: center;
}
.steps {
  display: flex;
  gap: 6px;
  margin-left: auto;
}
.warn {
  margin: 0;
  padding-left: 18px;
  color: var(--buoy);
  columns: 2;
}
.tables {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 14px 28px;
  align-items: start;
}
.tables > div {
  display: grid;
  gap: 6px;
  justify-items: start;
}
.tables table {
  width: 100%;
}
.editor :deep(.dimension) {
  display: block;
}
.editor :deep(.dimension > label) {
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
}
.editor :deep(.entry:not(.name)) {
  width: 58px;
}
.editor :deep(.unit) {
  display: none;
}
.name {
  width: 100%;
  min-width: 92px;
  text-align: left;
  font-family: var(--words);
}
.choice {
  width: 100%;
  min-width: 84px;
}
.tables :deep(td) {
  padding-right: 6px;
  vertical-align: top;
}
.gone {
  color: var(--short);
  min-width: 32px;
  min-height: 32px;
}
@media (max-width: 1180px) {
  .tables {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
