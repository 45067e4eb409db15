<script setup lang="ts">
import { computed } from 'vue'
import { sayIn } from '@north-tide/core'
import { THROUGH_HULL_FAMILY, lengthsOf, orderBlocked, orderList } from '@north-tide/core/through-hull'
import { useThroughHull } from '../../state/through-hull'
import { useBoats } from '../../state/boats'
import OrderBox from '../../pieces/OrderBox.vue'
import VerdictSign from '../../pieces/VerdictSign.vue'
import RowTable from '../../pieces/RowTable.vue'

/** Every joint from the skin fitting to the hose, checked before anything is ordered. */
const throughHull = useThroughHull()
const boats = useBoats()
const joints = computed(() => throughHull.judgement!.joints)
const bad = computed(() => orderBlocked(throughHull.judgement!))
const lengths = computed(() => lengthsOf(throughHull.judgement!.checks))
</script>

<template>
  <div class="chain">
    <div>
      <RowTable
        label="Chain"
        :columns="[
          { key: 'sign' },
          { key: 'joint', title: 'Joint' },
          { key: 'from', title: 'From', class: 'small' },
          { key: 'to', title: 'To', class: 'small' },
          { key: 'turns', title: 'Turns', number: true },
          { key: 'sealsOn', title: 'Seals on' },
        ]"
        :rows="joints"
        :about="(j) => ({ 'data-joint': j.id, 'data-verdict': j.verdict })"
        :known="(j) => j.id"
      >
        <template #sign="{ row: j }"><VerdictSign :verdict="j.verdict" :size="16" /></template>
        <template #joint="{ row: j }"
          ><strong>{{ j.title }}</strong
          ><br /><span class="small">{{ sayIn(j.because, boats.units) }}</span></template
        >
        <template #from="{ row: j }">{{ j.from }}</template>
        <template #to="{ row: j }">{{ j.to }}</template>
        <template #turns="{ row: j }">{{ j.turns === null ? '' : j.turns.toFixed(1) }}</template>
        <template #sealsOn="{ row: j }">{{ j.seal ?? '' }}</template>
      </RowTable>
      <ul v-if="lengths.length" class="lengths" aria-label="Lengths">
        <li v-for="c in lengths" :key="c.id" :data-length="c.id" :data-verdict="c.verdict">
          <VerdictSign :verdict="c.verdict" :size="16" />
          <span
            ><strong>{{ c.title }}</strong>
            <span class="small">{{ sayIn(c.because, boats.units) }}</span></span
          >
        </li>
      </ul>
      <p v-if="!joints.length" class="soft">
        {{
          THROUGH_HULL_FAMILY[throughHull.design!.family].hose
            ? 'Nothing is screwed together here yet: choose a valve and a tail at the left.'
            : 'Nothing is screwed on to this one; its lengths are looked at before it is ordered.'
        }}
      </p>
    </div>
    <OrderBox :bench="throughHull" :list="orderList(throughHull.design!)" :short="bad.length" />
  </div>
</template>

<style scoped>
.chain {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 290px;
  gap: 22px;
}
.chain :deep(td) {
  vertical-align: top;
}
.lengths {
  list-style: none;
  padding: 8px 0 0;
  display: grid;
  gap: 5px;
}
.lengths li {
  display: flex;
  gap: 8px;
}
@media (max-width: 1180px) {
  .chain {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
