<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatLength, zoneTitle } from '@north-tide/core'
import { MOST_HOLES, holeOfJob, lengthOf, type OldHole } from '@north-tide/core/closure'
import DimensionField from '../../pieces/DimensionField.vue'
import EdgeRun from '../../pieces/EdgeRun.vue'
import GivenGroups from '../../pieces/GivenGroups.vue'
import PickOne from '../../pieces/PickOne.vue'
import RowTable from '../../pieces/RowTable.vue'
import { useBoats } from '../../state/boats'
import { useClosure } from '../../state/closure'
import { closureGroups } from './closure-fields'

/** What is given of a job of closing: its holes, from the register or by hand, then panel and way. */
const bench = useClosure()
const boats = useBoats()
const d = computed(() => bench.design!)
const set = (path: string, value: unknown) => bench.change({ [path]: value })
const setHole = (i: number, change: Partial<OldHole>) =>
  bench.change({ holes: d.value.holes.map((h, k) => (k === i ? { ...h, ...change } : h)) })
const drop = (i: number) => bench.change({ holes: d.value.holes.filter((_, k) => k !== i) })
/** Open holes of no fitting on the same face, that are not of the job yet. */
const others = computed(() => {
  const mine = new Set(d.value.holes.map((h) => h.label))
  return bench.around.holes.filter(
    (h) =>
      !mine.has(h.label) &&
      h.state !== 'closed' &&
      h.taken === false &&
      (h.zone ?? null) === d.value.place.zone,
  )
})
const taken = ref('')
function takeIn(label: string) {
  taken.value = ''
  const h = holeOfJob(d.value, label, bench.around.holes)
  if (h) bench.change({ holes: [...d.value.holes, h], family: 'holes' })
}
const takeAll = () =>
  bench.change({
    holes: [
      ...d.value.holes,
      ...others.value.flatMap((h) => holeOfJob(d.value, h.label, bench.around.holes) ?? []),
    ].slice(0, MOST_HOLES),
    family: 'holes',
  })
const byHand = () =>
  bench.change({
    holes: [
      ...d.value.holes,
      { ...d.value.holes.at(-1)!, label: null, dxMm: d.value.holes.at(-1)!.dxMm + 40 },
    ],
  })
/** The run moves, and the job with it. */
const run = (path: { xMm: number; yMm: number; zMm: number }[]) =>
  bench.change({
    'joint.path': path,
    'place.xMm': path[0]!.xMm,
    'place.yMm': path[0]!.yMm,
    'place.zMm': path[0]!.zMm,
  })
const problemAt = (i: number, key: string) =>
  bench.problem?.path === `holes.${i}.${key}` ? bench.problem.message : null
</script>

<template>
  <GivenGroups
    :bench="bench"
    :groups="closureGroups(d)"
    :zone="zoneTitle(boats.picture?.zones ?? [], d.place.zone)"
    @set="set"
  >
    <template v-if="d.joint">
      <h2 class="gap">The run</h2>
      <p class="small">{{ formatLength(Math.round(lengthOf(d.joint.path)), boats.units) }} along it.</p>
      <EdgeRun
        v-if="!bench.readOnly"
        :from="Math.round(d.joint.path[0]!.xMm)"
        :to="Math.round(d.joint.path.at(-1)!.xMm)"
        :y-mm="d.place.yMm"
        :z-mm="d.place.zMm"
        :zone="d.place.zone"
        @lay="run"
      />
    </template>
    <template v-else-if="!d.block">
      <h2 class="gap">Holes</h2>
      <RowTable
        label="Holes of the job"
        :columns="[
          { key: 'hole', title: 'Hole' },
          { key: 'across', title: 'Across' },
          { key: 'x', title: 'x from here' },
          { key: 'y', title: 'y' },
          { key: 'act' },
        ]"
        :rows="d.holes"
      >
        <template #hole="{ row: h, index: i }">{{ h.label ?? `new ${i + 1}` }}</template>
        <template #across="{ row: h, index: i }"
          ><DimensionField
            :label="`Hole ${i + 1}, across`"
            :model-value="h.holeMm"
            :units="boats.units"
            above
            :disabled="bench.readOnly"
            :problem="problemAt(i, 'holeMm')"
            @update:model-value="$event !== null && setHole(i, { holeMm: $event })"
        /></template>
        <template #x="{ row: h, index: i }"
          ><DimensionField
            :label="`Hole ${i + 1}, x`"
            :model-value="h.dxMm"
            :units="boats.units"
            :disabled="bench.readOnly || h.label !== null"
            :problem="problemAt(i, 'dxMm')"
            @update:model-value="$event !== null && setHole(i, { dxMm: $event })"
        /></template>
        <template #y="{ row: h, index: i }"
          ><DimensionField
            :label="`Hole ${i + 1}, y`"
            :model-value="h.dyMm"
            :units="boats.units"
            :disabled="bench.readOnly || h.label !== null"
            :problem="problemAt(i, 'dyMm')"
            @update:model-value="$event !== null && setHole(i, { dyMm: $event })"
        /></template>
        <template #act="{ row: h, index: i }"
          ><ElButton
            v-if="!bench.readOnly && d.holes.length > 1"
            class="plain"
            :aria-label="`Take ${h.label ?? `hole ${i + 1}`} out of the job`"
            @click="drop(i)"
            >×</ElButton
          ></template
        >
      </RowTable>
      <div v-if="!bench.readOnly" class="acts">
        <PickOne
          v-if="others.length"
          v-model="taken"
          label="Take in another hole of the register"
          :options="[
            { value: '', title: 'take in another hole …' },
            ...others.map((h) => ({
              value: h.label,
              title: `${h.label}, ${formatLength(h.diameterMm ?? 0, boats.units)}`,
            })),
          ]"
          @update:model-value="$event && takeIn($event)"
        />
        <ElButton v-if="others.length > 1" class="act small" @click="takeAll"
          >All {{ others.length }} open holes here</ElButton
        >
        <ElButton v-if="d.holes.length < MOST_HOLES" class="act small" @click="byHand"
          >One that is not on record</ElButton
        >
      </div>
      <p v-if="d.holes.some((h) => h.label === null)" class="soft small">
        A hole without a number is closed, but nothing remembers it: enter it under Found holes first.
      </p>
    </template>
  </GivenGroups>
</template>

<style scoped>
.gap {
  margin-top: 18px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 6px;
}
:deep(td .field) {
  grid-template-columns: 1fr;
}
:deep(td label.field > span:first-child) {
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
}
</style>
