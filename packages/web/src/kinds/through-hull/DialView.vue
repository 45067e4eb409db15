<script setup lang="ts">
import { computed } from 'vue'
import { sayIn } from '@north-tide/core'
import { asMeasured, clockDial, mapObstacles, turnSaid } from '@north-tide/core/through-hull'
import { useThroughHull } from '../../state/through-hull'
import { useBoats } from '../../state/boats'
import HeldText from '../../pieces/HeldText.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import DrawingView from '../../pieces/DrawingView.vue'
import RowTable from '../../pieces/RowTable.vue'

/** Which way the handle points: what stands round it, where it swings free, what to turn. */
const throughHull = useThroughHull()
const boats = useBoats()
const d = computed(() => throughHull.design!)
const j = computed(() => throughHull.judgement!)
const dial = computed(() => clockDial(d.value, j.value, boats.units))
const c = computed(() => j.value.clock)
const set = (path: string, v: unknown) => throughHull.change({ [path]: v })
const obstacles = computed(() => d.value.clock.obstacles)
const put = (list: typeof obstacles.value) => set('clock.obstacles', list)
const edit = (i: number, key: 'x1Mm' | 'y1Mm' | 'x2Mm' | 'y2Mm', v: number | null) =>
  v !== null && put(obstacles.value.map((o, k) => (k === i ? { ...o, [key]: v } : o)))
const ENDS = [
  ['x1Mm', 'From x', 'From x, aft'],
  ['y1Mm', 'From y', 'y, stbd'],
  ['x2Mm', 'To x', 'To x, aft'],
  ['y2Mm', 'To y', 'y, stbd'],
] as const
/**
 * What the map has within reach: it counts until somebody says that it does not stand in the handle’s
 * plane.
 */
const fromMap = computed(() => [
  ...new Set(mapObstacles(d.value, boats.picture?.parts ?? []).map((o) => o.what)),
])
const counts = (what: string, yes: boolean) =>
  set(
    'clock.ignored',
    yes ? d.value.clock.ignored.filter((w) => w !== what) : [...d.value.clock.ignored, what],
  )
const neighbours = computed(() => [
  ...new Set(j.value.obstacles.filter((o) => o.neighbour).map((o) => o.what.replace(', handle', ''))),
])
</script>

<template>
  <div v-if="c && dial" class="dial">
    <figure>
      <DrawingView :drawing="dial" :units="boats.units" />
      <figcaption class="soft small">{{ dial.title }}</figcaption>
    </figure>
    <div class="turn">
      <DimensionField
        label="Stops at, dry"
        kind="angle"
        :model-value="d.clock.measuredDeg"
        :units="boats.units"
        optional
        placeholder="not read"
        :disabled="throughHull.readOnly"
        @update:model-value="set('clock.measuredDeg', $event)"
      />
      <DimensionField
        label="Open at"
        kind="angle"
        :model-value="d.clock.wantedDeg"
        :units="boats.units"
        :least="-360"
        :most="720"
        :disabled="throughHull.readOnly"
        @update:model-value="set('clock.wantedDeg', $event)"
      />
      <DimensionField
        label="Swings to shut"
        kind="angle"
        :model-value="d.valve!.sweepDeg"
        :units="boats.units"
        :least="-180"
        :most="180"
        :disabled="throughHull.readOnly"
        @update:model-value="$event && throughHull.change(asMeasured(d, 'valve', { sweepDeg: $event }))"
      />
      <DimensionField
        label="Tolerance"
        kind="angle"
        :model-value="d.clock.toleranceDeg"
        :units="boats.units"
        :least="0"
        :disabled="throughHull.readOnly"
        @update:model-value="set('clock.toleranceDeg', $event)"
      />
      <p data-test="turn">
        <strong>{{ sayIn(turnSaid(d, j, boats.units), boats.units) }}</strong>
      </p>
      <p class="soft small">
        Free, open at:
        {{
          c.freeWanted.length
            ? c.freeWanted
                .map(([a, b]) =>
                  b! - a! >= 360 ? 'anywhere' : `${Math.round(a!)}° to ${Math.round(b! % 360)}°`,
                )
                .join(', ')
            : 'nowhere'
        }}. Then the hose leads away, and open lies in line with the pipe where there is a choice.
      </p>
      <p v-if="neighbours.length" class="soft small">
        Handles of {{ neighbours.join(', ') }} are taken in, open and shut.
      </p>
    </div>
    <div class="round">
      <h3>What stands round it</h3>
      <template v-if="fromMap.length"
        ><p class="soft small">
          On the map within its reach; what does not stand as high as the handle is ticked off.
        </p>
        <ElCheckbox
          v-for="w in fromMap"
          :key="w"
          class="tick"
          :model-value="!d.clock.ignored.includes(w)"
          :disabled="throughHull.readOnly"
          @change="counts(w, $event as boolean)"
          >{{ w }}</ElCheckbox
        ></template
      >
      <p v-if="!obstacles.length" class="soft small">
        Nothing measured yet. Measure from the stem of the valve: aft and to starboard are positive.
      </p>
      <RowTable
        v-if="obstacles.length"
        label="What stands round it"
        :columns="[
          { key: 'what', title: 'What' },
          ...ENDS.map(([key, , title]) => ({ key, title })),
          { key: 'act' },
        ]"
        :rows="obstacles"
      >
        <template #what="{ row: o, index: i }"
          ><label class="hidden-words" :for="`what-${i}`">What it is</label
          ><HeldText
            :id="`what-${i}`"
            class="entry what"
            :model-value="o.what"
            maxlength="60"
            :readonly="throughHull.readOnly"
            @update:model-value="put(obstacles.map((q, k) => (k === i ? { ...q, what: $event } : q)))"
        /></template>
        <template v-for="[key, label] in ENDS" :key="key" #[key]="{ row: o, index: i }"
          ><DimensionField
            :label="`${label}, ${o.what}`"
            :model-value="o[key]"
            :units="boats.units"
            :disabled="throughHull.readOnly"
            @update:model-value="edit(i, key, $event)"
        /></template>
        <template #act="{ row: o, index: i }"
          ><ElButton
            v-if="!throughHull.readOnly"
            class="act"
            :aria-label="`Take away ${o.what || 'this'}`"
            @click="put(obstacles.filter((_, k) => k !== i))"
          >
            ×
          </ElButton></template
        >
      </RowTable>
      <div v-if="!throughHull.readOnly" class="acts">
        <ElButton
          class="act"
          @click="put([...obstacles, { x1Mm: -100, y1Mm: 120, x2Mm: 100, y2Mm: 120, what: 'something' }])"
        >
          Add one
        </ElButton>
      </div>
    </div>
  </div>
</template>

<style scoped>
.dial {
  display: grid;
  grid-template-columns: 300px 270px minmax(0, 1fr);
  gap: 20px;
  height: 100%;
}
figure {
  margin: 0;
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  min-height: 0;
  height: 100%;
}
.turn,
.round {
  display: grid;
  gap: 4px;
  align-content: start;
}
.round :deep(.dimension) {
  display: block;
}
.round :deep(.dimension > label) {
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
}
.round :deep(.entry:not(.what)) {
  width: 58px;
}
.round :deep(td),
.round :deep(th) {
  padding-right: 4px;
}
.round {
  overflow-x: auto;
}
.round :deep(.unit) {
  display: none;
}
.what {
  width: 100%;
  min-width: 92px;
  text-align: left;
}
.tick {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 30px;
}
.acts {
  display: flex;
  gap: 8px;
  padding-top: 6px;
}
@media (max-width: 1180px) {
  .dial {
    grid-template-columns: 260px minmax(0, 1fr);
  }
  .round {
    grid-column: 1 / -1;
  }
}
@media (max-width: 767px) {
  .dial {
    grid-template-columns: minmax(0, 1fr);
    height: auto;
  }
}
</style>
