<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import ChoiceField from './ChoiceField.vue'
import DimensionField from './DimensionField.vue'
import ReadFile from './ReadFile.vue'
import { edgePath, outlineRun } from '@north-tide/core/row'
import { api } from '../api'
import { useBoats } from '../state/boats'
import { useAttempt } from './attempt'

/** A line to work along: a stretch of the deck's edge, of a zone's edge, or what a drawing has. */
type Point = { xMm: number; yMm: number; zMm: number }
const props = defineProps<{
  from: number
  to: number
  yMm: number
  zMm: number
  zone: string | null
  inMm?: number
}>()
const emit = defineEmits<{ lay: [path: Point[]] }>()
const boats = useBoats()
const { said, attempt } = useAttempt()
const by = ref('deck')
const BY = [
  { value: 'deck', title: 'the deck’s edge' },
  { value: 'zone', title: 'a zone’s edge' },
  { value: 'dxf', title: 'a drawing' },
]
const SIDES = [
  { value: 'starboard', title: 'starboard' },
  { value: 'port', title: 'port' },
]
const edge = reactive({
  side: (props.yMm < 0 ? 'port' : 'starboard') as 'port' | 'starboard',
  fromX: props.from as number | null,
  toX: props.to as number | null,
  inMm: (props.inMm ?? 0) as number | null,
  zone: props.zone ?? '',
  corner: '0',
  last: '1',
})
const stations = computed(() => boats.picture?.stations ?? [])
/** Zones that are seen from above: their corners lie on the plan. */
const zones = computed(() => (boats.picture?.zones ?? []).filter((z) => ['deck', 'roof'].includes(z.face)))
const chosen = computed(() => zones.value.find((z) => z.code === edge.zone) ?? null)
const corners = computed(() =>
  (chosen.value?.outline ?? []).map((p, i) => ({
    value: String(i),
    title: `corner ${i + 1}, x ${Math.round(p.xMm)}, y ${Math.round(p.yMm)}`,
  })),
)
watch(
  () => edge.zone,
  () => Object.assign(edge, { corner: '0', last: '1' }),
)
const ready = computed(() => {
  if (edge.inMm === null) return false
  if (by.value === 'zone') return chosen.value !== null && edge.corner !== edge.last
  return (
    stations.value.length > 1 &&
    edge.fromX !== null &&
    edge.toX !== null &&
    Math.abs(edge.toX - edge.fromX) > 1
  )
})
const on = (path: { xMm: number; yMm: number }[], zMm: number) => path.map((p) => ({ ...p, zMm }))
function lay() {
  if (!ready.value) return
  if (by.value === 'zone')
    emit(
      'lay',
      on(
        outlineRun(chosen.value!.outline, Number(edge.corner), Number(edge.last), edge.inMm!),
        chosen.value!.zMm,
      ),
    )
  else emit('lay', edgePath(stations.value, edge.side, edge.fromX!, edge.toX!, edge.inMm!))
}
const drawn = ref('')
async function take(file: File) {
  drawn.value = ''
  await attempt(async () => {
    const got = await api<{ path: Point[]; drawn: number; assumedUnit: boolean }>(
      'POST',
      `/boats/${boats.picture!.id}/line.dxf`,
      await file.text(),
    )
    emit('lay', on(got.path, props.zMm))
    drawn.value = `${got.path.length} points of ${got.drawn} taken, x aft and y to starboard.${got.assumedUnit ? ' The drawing names no unit; mm was taken.' : ''}`
  })
}
</script>

<template>
  <form class="lay" aria-label="Along the deck's edge" @submit.prevent="lay">
    <ChoiceField v-model="by" label="Along" :options="BY" />
    <template v-if="by === 'deck'">
      <ChoiceField v-model="edge.side" label="Deck’s edge" :options="SIDES" />
      <DimensionField v-model="edge.fromX" label="Edge from x" :units="boats.units" />
      <DimensionField v-model="edge.toX" label="Edge to x" :units="boats.units" />
    </template>
    <template v-else-if="by === 'zone'">
      <ChoiceField
        v-model="edge.zone"
        label="Zone"
        :options="zones.map((z) => ({ value: z.code, title: z.title }))"
      />
      <ChoiceField v-model="edge.corner" label="From" :options="corners" />
      <ChoiceField v-model="edge.last" label="Round to" :options="corners" />
    </template>
    <template v-if="by !== 'dxf'">
      <DimensionField v-model="edge.inMm" label="In from the edge" :units="boats.units" />
      <ElButton class="act small" native-type="submit" :disabled="!ready">Lay it along the edge</ElButton>
    </template>
    <template v-else>
      <ReadFile accept=".dxf" words="Line from a DXF" @file="take" />
      <p v-if="drawn || said" class="small" :class="{ wrong: said }" role="status">{{ said || drawn }}</p>
    </template>
  </form>
</template>

<style scoped>
.lay {
  display: grid;
  gap: 4px;
  justify-items: stretch;
  padding: 8px 0;
}
.wrong {
  color: var(--short);
}
</style>
