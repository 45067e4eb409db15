<script setup lang="ts">
import { computed, reactive } from 'vue'
import dayjs from 'dayjs'
import { formatLength, zoneTitle } from '@north-tide/core'
import DimensionField from '../../pieces/DimensionField.vue'
import GivenGroups from '../../pieces/GivenGroups.vue'
import RowTable from '../../pieces/RowTable.vue'
import WhenField from '../../pieces/WhenField.vue'
import { useBoats } from '../../state/boats'
import { useRig } from '../../state/rig'
import { rigGroups } from './rig-fields'

/** What is given of a chainplate, and each look at how high it stands over its mark. */
const bench = useRig()
const boats = useBoats()
const d = computed(() => bench.design!)
const set = (path: string, value: unknown) => bench.change({ [path]: value })
const look = reactive({ date: dayjs().format('YYYY-MM-DD'), heightMm: null as number | null })
function add() {
  if (look.heightMm === null || !look.date) return
  const creep = [...d.value.creep, { date: look.date, heightMm: look.heightMm }]
  bench.change({ creep: creep.sort((a, b) => a.date.localeCompare(b.date)), existing: true })
  look.heightMm = null
}
const drop = (i: number) => bench.change({ creep: d.value.creep.filter((_, k) => k !== i) })
</script>

<template>
  <GivenGroups
    :bench="bench"
    :groups="rigGroups(d)"
    :zone="zoneTitle(boats.picture?.zones ?? [], d.place.zone)"
    @set="set"
  >
    <WhenField
      v-if="d.temporary"
      label="Until"
      kind="date"
      any-day
      :model-value="d.temporary.until"
      :disabled="bench.readOnly"
      @update:model-value="$event && set('temporary.until', $event)"
    />
    <template v-if="!d.set">
      <h2 class="gap">Over its mark</h2>
      <RowTable
        label="Looks at its height over the mark"
        :columns="[
          { key: 'day', title: 'Looked at' },
          { key: 'height', title: 'Over it', number: true },
          { key: 'act' },
        ]"
        :rows="d.creep"
        empty="Nobody has measured it yet."
      >
        <template #day="{ row: r }">{{ dayjs(r.date).format('D MMM YYYY') }}</template>
        <template #height="{ row: r }">{{ formatLength(r.heightMm, boats.units) }}</template>
        <template #act="{ row: r, index: i }"
          ><ElButton
            v-if="!bench.readOnly"
            class="plain"
            :aria-label="`Take away the look of ${dayjs(r.date).format('D MMM YYYY')}`"
            @click="drop(i)"
            >×</ElButton
          ></template
        >
      </RowTable>
      <form v-if="!bench.readOnly" class="look" aria-label="A look at it" @submit.prevent="add">
        <WhenField v-model="look.date" label="Looked at on" kind="date" any-day />
        <DimensionField v-model="look.heightMm" label="Height over the mark" :units="boats.units" optional />
        <ElButton class="act small" native-type="submit" :disabled="look.heightMm === null"
          >Add the look</ElButton
        >
      </form>
      <WhenField
        label="Drawn and looked at on"
        kind="date"
        empty="nobody knows"
        :model-value="d.drawnOn ?? ''"
        :disabled="bench.readOnly"
        @update:model-value="set('drawnOn', $event || null)"
      />
    </template>
  </GivenGroups>
</template>

<style scoped>
.gap {
  margin-top: 18px;
}
.look {
  display: grid;
  gap: 4px;
  justify-items: start;
  padding: 6px 0 12px;
}
</style>
