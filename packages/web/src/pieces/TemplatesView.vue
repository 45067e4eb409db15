<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatLength, type Drawing, type DrillRow } from '@north-tide/core'
import { useBoats } from '../state/boats'
import DrawingView from './DrawingView.vue'

/** Templates of a fitting at full size, to look at and to take along, with what is drilled in order. */
const props = defineProps<{
  id: string
  names: string[]
  draw: (what: string) => Drawing
  drill: DrillRow[]
  saved: boolean
}>()
const boats = useBoats()
const asked = ref('')
const what = computed(() => (props.names.includes(asked.value) ? asked.value : props.names[0]!))
const drawing = computed(() => props.draw(what.value))
const link = (kind: string, more = '') =>
  `/api/fittings/${props.id}/template.${kind}?what=${what.value}&units=${boats.units}${more}`
const mm = (v: number) => formatLength(Number(v.toFixed(1)), boats.units)
</script>

<template>
  <div class="cut">
    <figure><DrawingView :drawing="drawing" :units="boats.units" /></figure>
    <div class="take">
      <ElRadioGroup v-if="names.length > 1" v-model="asked" size="small" aria-label="Which template">
        <ElRadioButton v-for="n in names" :key="n" :value="n">{{ n.replace('-', ' ') }}</ElRadioButton>
      </ElRadioGroup>
      <p v-if="!saved" class="soft small">The files follow the design as it was last saved.</p>
      <p class="links">
        Full size: <a :href="link('pdf', '&paper=a4')" download>PDF, A4</a>
        <a :href="link('pdf', '&paper=letter')" download>PDF, Letter</a>
        <a :href="link('svg')" download>SVG</a> <a :href="link('dxf')" download>DXF</a>
        <a :href="link('csv')" download>Drilling, CSV</a>
      </p>
      <p class="links">
        Mirrored, from inside: <a :href="link('pdf', '&paper=a4&inside=yes')" download>PDF, A4</a>
        <a :href="link('svg', '&inside=yes')" download>SVG</a>
        <a :href="link('dxf', '&inside=yes')" download>DXF</a>
      </p>
      <p class="soft small">
        Print at 100 % and lay a rule on the 100 mm bar before use. DXF layers: CUT, DRILL, MARK, TEXT.
      </p>
    </div>
    <table class="rows" aria-label="Drill schedule">
      <thead>
        <tr>
          <th>Hole</th>
          <th class="number">x</th>
          <th class="number">y</th>
          <th class="number">Size</th>
          <th>Order</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in drill" :key="r.name ?? r.bolt">
          <td>{{ r.name ?? r.bolt }}</td>
          <td class="number">{{ mm(r.xMm) }}</td>
          <td class="number">{{ mm(r.yMm) }}</td>
          <td class="number">{{ mm(r.finishMm) }}</td>
          <td class="small">{{ r.order }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.cut {
  display: grid;
  grid-template-columns: minmax(220px, 1fr) 250px minmax(0, 1.5fr);
  gap: 22px;
}
figure {
  margin: 0;
  height: 280px;
  align-self: start;
  position: sticky;
  top: 0;
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
td.number {
  white-space: nowrap;
}
@media (max-width: 1099px) {
  .cut {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
