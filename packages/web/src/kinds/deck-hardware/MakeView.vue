<script setup lang="ts">
import { computed, ref } from 'vue'
import {
  STOCK_SHEETS,
  boundsOf,
  drillSchedule,
  formatLength,
  nestCount,
  planOfPlate,
  templateOf,
} from '@north-tide/core'
import { useBench } from '../../state/bench'
import { useBoats } from '../../state/boats'
import DrawingView from '../../pieces/DrawingView.vue'
import PickOne from '../../pieces/PickOne.vue'
import RowTable from '../../pieces/RowTable.vue'

/** Templates at full size, the drill schedule, and how many plates a sheet gives. */
const bench = useBench()
const boats = useBoats()
const d = computed(() => bench.design!)
const j = computed(() => bench.whole!.judgement)
const what = ref<'pattern' | 'plate'>('pattern')
const inside = ref(false)
const shown = computed(() => (what.value === 'plate' && !d.value.plate ? 'pattern' : what.value))
const drawing = computed(() => templateOf(d.value, j.value, shown.value, boats.units, inside.value))
const rows = computed(() => drillSchedule(d.value, j.value))
const plate = computed(() => {
  if (!d.value.plate) return null
  const b = boundsOf(planOfPlate(d.value.plate))
  return { lengthMm: b.maxX - b.minX, widthMm: b.maxY - b.minY }
})
const link = (kind: string, paper = '') =>
  `/api/fittings/${bench.fitting!.id}/template.${kind}?what=${shown.value}&units=${boats.units}${inside.value ? '&inside=yes' : ''}${paper ? `&paper=${paper}` : ''}`
</script>

<template>
  <div class="make">
    <figure><DrawingView :drawing="drawing" :units="boats.units" /></figure>
    <div class="take">
      <label for="template-what"
        >Template
        <PickOne
          id="template-what"
          v-model="what"
          label="Template"
          :options="[
            { value: 'pattern', title: 'drilling pattern' },
            { value: 'plate', title: 'backing plate', disabled: !d.plate },
          ]"
      /></label>
      <ElCheckbox class="tick" v-model="inside">seen from inside, mirrored</ElCheckbox>
      <p v-if="bench.saving !== 'saved'" class="soft small">
        The files follow the design as it was last saved.
      </p>
      <p class="links">
        Full size: <a :href="link('pdf', 'a4')" download>PDF, A4</a>
        <a :href="link('pdf', 'letter')" download>PDF, Letter</a> <a :href="link('svg')" download>SVG</a>
        <a :href="link('dxf')" download>DXF</a>
      </p>
      <p class="soft small">
        Print at 100 % and lay a rule on the 100 mm bar before use. DXF layers: CUT, DRILL, MARK, TEXT.
      </p>
      <template v-if="plate"
        ><h3>Plates from one sheet</h3>
        <p class="small">
          {{ formatLength(plate.lengthMm, boats.units) }} by {{ formatLength(plate.widthMm, boats.units) }},
          kerf and margin {{ formatLength(5, boats.units) }}:
          <span v-for="s in STOCK_SHEETS" :key="s.title" class="figure sheet"
            >{{ nestCount(plate, s) }} from {{ s.title }}
          </span>
        </p></template
      >
    </div>
    <div class="scroll" tabindex="0" aria-label="Drilling">
      <RowTable
        label="Drill schedule"
        :columns="[
          { key: 'bolt', title: 'Bolt' },
          { key: 'x', title: 'x', number: true },
          { key: 'y', title: 'y', number: true },
          { key: 'pilot', title: 'Pilot', number: true },
          { key: 'bore', title: 'Bore', number: true },
          { key: 'finish', title: 'Finish', number: true },
          { key: 'order', title: 'Order', class: 'small' },
        ]"
        :rows="rows"
        :known="(r) => r.bolt"
      >
        <template #bolt="{ row: r }">{{ r.bolt }}</template>
        <template #x="{ row: r }">{{ formatLength(r.xMm, boats.units) }}</template>
        <template #y="{ row: r }">{{ formatLength(r.yMm, boats.units) }}</template>
        <template #pilot="{ row: r }">{{ formatLength(r.pilotMm, boats.units) }}</template>
        <template #bore="{ row: r }">{{
          r.boreMm === null ? '' : formatLength(r.boreMm, boats.units)
        }}</template>
        <template #finish="{ row: r }">{{ formatLength(r.finishMm, boats.units) }}</template>
        <template #order="{ row: r }">{{ r.order }}</template>
      </RowTable>
      <a class="small" :href="link('csv')" download>Drill schedule as CSV</a>
    </div>
  </div>
</template>

<style scoped>
.make {
  display: grid;
  grid-template-columns: minmax(200px, 1fr) 250px minmax(380px, 1.5fr);
  gap: 22px;
  height: 100%;
}
figure {
  margin: 0;
  min-height: 0;
}
.take {
  display: grid;
  gap: 6px;
  align-content: start;
}
.links a {
  margin-right: 8px;
  display: inline-block;
  min-height: 28px;
}
.tick {
  display: flex;
  gap: 8px;
  align-items: center;
}
.scroll {
  overflow-y: auto;
}
.scroll .number {
  white-space: nowrap;
}
.sheet {
  display: inline-block;
  margin-right: 12px;
}
@media (max-width: 767px) {
  .make {
    grid-template-columns: minmax(0, 1fr);
    height: auto;
  }
}
</style>
