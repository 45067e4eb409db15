<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatLength } from '@north-tide/core'
import {
  THROUGH_HULL_TEMPLATE_TITLES,
  throughHullDrill,
  throughHullTemplate,
  throughHullTemplates,
  type ThroughHullTemplate,
} from '@north-tide/core/through-hull'
import { useThroughHull } from '../../state/through-hull'
import { useBoats } from '../../state/boats'
import DrawingView from '../../pieces/DrawingView.vue'
import PickOne from '../../pieces/PickOne.vue'
import RowTable from '../../pieces/RowTable.vue'

/** Wedge faces, taper, pad and bolt circle at full size. */
const throughHull = useThroughHull()
const boats = useBoats()
const d = computed(() => throughHull.design!)
const j = computed(() => throughHull.judgement!)
const there = computed(() => throughHullTemplates(d.value, j.value))
const asked = ref<ThroughHullTemplate>('wedge-inside')
const what = computed(() => (there.value.includes(asked.value) ? asked.value : there.value[0]))
const drawing = computed(() =>
  what.value ? throughHullTemplate(d.value, j.value, what.value, boats.units) : null,
)
const link = (kind: string, paper = '') =>
  `/api/fittings/${throughHull.fitting!.id}/template.${kind}?what=${what.value}&units=${boats.units}${paper ? `&paper=${paper}` : ''}`
const w = computed(() => j.value.wedge)
</script>

<template>
  <div v-if="drawing" class="cut">
    <figure><DrawingView :drawing="drawing" :units="boats.units" /></figure>
    <div class="take">
      <label for="below-template"
        >Template
        <PickOne
          id="below-template"
          :model-value="what"
          label="Template"
          :options="there.map((t) => ({ value: t, title: THROUGH_HULL_TEMPLATE_TITLES[t] }))"
          @update:model-value="asked = $event"
      /></label>
      <p v-if="throughHull.saving !== 'saved'" class="soft small">
        The files follow the design as it was last saved.
      </p>
      <p class="links">
        Full size: <a :href="link('pdf', 'a4')" download>PDF, A4</a>
        <a :href="link('pdf', 'letter')" download>PDF, Letter</a> <a :href="link('svg')" download>SVG</a>
        <a :href="link('dxf')" download>DXF</a> <a :href="link('csv')" download>Drilling, CSV</a>
      </p>
      <p class="soft small">
        Print at 100 % and lay a rule on the 100 mm bar before use. DXF layers: CUT, DRILL, MARK, TEXT.
      </p>
      <template v-if="w"
        ><h3>To cut</h3>
        <p class="small figure">
          saw {{ w.saw.angleDeg.toFixed(1) }}° · ellipse on the hull
          {{ formatLength(w.ellipseMm[0]!, boats.units) }} by {{ formatLength(w.ellipseMm[1]!, boats.units) }}
        </p>
        <p v-for="side in ['outside', 'inside'] as const" :key="side" class="small figure">
          <template v-if="j.wedges[side]"
            >{{ side }}: {{ formatLength(j.wedges[side]!.saw.outlineMm[0]!, boats.units) }} across,
            {{ formatLength(j.wedges[side]!.thinMm, boats.units) }} to
            {{ formatLength(Number(j.wedges[side]!.thickMm.toFixed(1)), boats.units) }}, stock
            {{ formatLength(j.wedges[side]!.saw.stockMm, boats.units) }}, or
            {{ j.wedges[side]!.saw.layers }} plies</template
          >
        </p></template
      >
      <p v-if="j.stack" class="small figure">
        tail:
        {{
          j.stack.trimMm > 0
            ? `trim ${formatLength(Number(j.stack.trimMm.toFixed(1)), boats.units)}, leave ${formatLength(Number(j.stack.cutLengthMm.toFixed(1)), boats.units)}`
            : 'no trim'
        }}
        · stick {{ formatLength(j.stack.stickMm[0]!, boats.units) }} to
        {{ formatLength(j.stack.stickMm[1]!, boats.units) }} · hole
        {{ formatLength(j.stack.holeMm, boats.units) }}
      </p>
    </div>
    <RowTable
      label="Drill schedule"
      :columns="[
        { key: 'hole', title: 'Hole' },
        { key: 'x', title: 'x', number: true },
        { key: 'y', title: 'y', number: true },
        { key: 'finish', title: 'Finish', number: true },
        { key: 'order', title: 'Order', class: 'small' },
      ]"
      :rows="throughHullDrill(d, j)"
      :known="(r) => r.name ?? r.bolt"
    >
      <template #hole="{ row: r }">{{ r.name ?? r.bolt }}</template>
      <template #x="{ row: r }">{{ formatLength(Number(r.xMm.toFixed(1)), boats.units) }}</template>
      <template #y="{ row: r }">{{ formatLength(Number(r.yMm.toFixed(1)), boats.units) }}</template>
      <template #finish="{ row: r }">{{ formatLength(r.finishMm, boats.units) }}</template>
      <template #order="{ row: r }">{{ r.order }}</template>
    </RowTable>
  </div>
  <p v-else class="soft">No wedge and no pad: there is nothing to cut by a template here.</p>
</template>

<style scoped>
.cut {
  display: grid;
  grid-template-columns: minmax(220px, 1fr) 290px minmax(0, 1.2fr);
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
table {
  align-self: start;
}
.cut :deep(td.number) {
  white-space: nowrap;
}
@media (max-width: 767px) {
  .cut {
    grid-template-columns: minmax(0, 1fr);
    height: auto;
  }
}
</style>
