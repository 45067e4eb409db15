<script setup lang="ts">
import { computed, reactive } from 'vue'
import ChoiceField from './ChoiceField.vue'
import DimensionField from './DimensionField.vue'
import { edgePath } from '@north-tide/core/row'
import { useBoats } from '../state/boats'

/** A stretch of the deck's edge, from one x to another, as a line to work along. */
const props = defineProps<{ from: number; to: number; yMm: number; inMm?: number }>()
const emit = defineEmits<{ lay: [path: { xMm: number; yMm: number; zMm: number }[]] }>()
const boats = useBoats()
const SIDES = [
  { value: 'starboard', title: 'starboard' },
  { value: 'port', title: 'port' },
]
const edge = reactive({
  side: (props.yMm < 0 ? 'port' : 'starboard') as 'port' | 'starboard',
  fromX: props.from as number | null,
  toX: props.to as number | null,
  inMm: (props.inMm ?? 0) as number | null,
})
const stations = computed(() => boats.picture?.stations ?? [])
const ready = computed(
  () =>
    stations.value.length > 1 &&
    edge.fromX !== null &&
    edge.toX !== null &&
    edge.inMm !== null &&
    Math.abs(edge.toX - edge.fromX) > 1,
)
const lay = () =>
  ready.value && emit('lay', edgePath(stations.value, edge.side, edge.fromX!, edge.toX!, edge.inMm!))
</script>

<template>
  <form class="lay" aria-label="Along the deck's edge" @submit.prevent="lay">
    <ChoiceField v-model="edge.side" label="Deck’s edge" :options="SIDES" />
    <DimensionField v-model="edge.fromX" label="Edge from x" :units="boats.units" />
    <DimensionField v-model="edge.toX" label="Edge to x" :units="boats.units" />
    <DimensionField v-model="edge.inMm" label="In from the edge" :units="boats.units" />
    <ElButton class="act small" native-type="submit" :disabled="!ready">Lay it along the edge</ElButton>
  </form>
</template>

<style scoped>
.lay {
  display: grid;
  gap: 4px;
  justify-items: stretch;
  padding: 8px 0;
}
</style>
