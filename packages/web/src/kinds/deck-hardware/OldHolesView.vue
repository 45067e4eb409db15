<script setup lang="ts">
import { computed } from 'vue'
import { moveOver, overOld, overOldDrawing, overOldSaid, oldHolesSaid } from '@north-tide/core'
import { useBench } from '../../state/bench'
import { useBoats } from '../../state/boats'
import DrawingView from '../../pieces/DrawingView.vue'
import RowTable from '../../pieces/RowTable.vue'

/** The new pattern over the holes of what stood here before: which to close first, and the least move. */
const bench = useBench()
const boats = useBoats()
const d = computed(() => bench.design!)
const others = computed(() =>
  boats.picture?.id === bench.fitting?.boatId
    ? (boats.picture?.holes ?? []).filter((h) => h.fittingId !== bench.fitting!.id)
    : [],
)
const found = computed(() => (bench.judgement ? overOld(d.value, bench.judgement, others.value) : null))
const rows = computed(() => (found.value ? oldHolesSaid(found.value, boats.units) : []))
const drawing = computed(() =>
  found.value ? overOldDrawing(d.value, bench.judgement!, found.value, boats.units) : null,
)
const move = computed(() => found.value && moveOver(d.value, found.value))
const moveIt = () => bench.moveTo(move.value!)
const idOf = (label: string) => found.value!.holes.find((h) => h.label === label)!.id
</script>

<template>
  <ElEmpty v-if="!found" :image-size="0" description="No hole is known under this base or close round it.">
    <RouterLink :to="`/boat/${bench.fitting!.boatId}/found`">Found holes are kept under Survey</RouterLink>
  </ElEmpty>
  <div v-else class="old">
    <figure>
      <DrawingView v-if="drawing" :drawing="drawing" :units="boats.units" />
    </figure>
    <div>
      <p>
        <strong>{{ overOldSaid(found, boats.units) }}</strong>
      </p>
      <ElButton v-if="move && !bench.readOnly" class="act main" @click="moveIt">Move it so</ElButton>
      <RowTable
        label="Holes that are there"
        :columns="[
          { key: 'hole', title: 'Hole', class: 'label' },
          { key: 'toTheNew', title: 'To the new pattern' },
          { key: 'closing', title: 'Closing' },
          { key: 'epoxy', title: 'Epoxy', number: true },
        ]"
        :rows="rows"
        :known="(r) => r.label"
      >
        <template #hole="{ row: r }"
          ><RouterLink :to="`/register/${idOf(r.label)}`">{{ r.label }}</RouterLink></template
        >
        <template #toTheNew="{ row: r }"
          ><strong v-if="r.wrong">{{ r.status }}</strong
          ><template v-else>{{ r.status }}</template>
          <span v-if="r.over" class="soft small"> {{ r.over }}</span></template
        >
        <template #closing="{ row: r }">{{ r.close }}</template>
        <template #epoxy="{ row: r }">{{ r.fill }}</template>
      </RowTable>
    </div>
  </div>
</template>

<style scoped>
.old {
  display: grid;
  grid-template-columns: minmax(220px, 1fr) minmax(0, 1.4fr);
  gap: 22px;
}
:deep(td.label) {
  white-space: nowrap;
}
figure {
  margin: 0;
  min-height: 260px;
}
@media (max-width: 767px) {
  .old {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
