<script setup lang="ts">
import { computed, ref } from 'vue'
import { zoneTitle } from '@north-tide/core'
import { openingMoved } from '@north-tide/core/opening'
import GivenGroups from '../../pieces/GivenGroups.vue'
import { useBoats } from '../../state/boats'
import { useOpening } from '../../state/opening'
import { openingGroups } from './opening-fields'

/** What is given of an opening; where it is moved, it takes the layup that is there. */
const bench = useOpening()
const boats = useBoats()
const d = computed(() => bench.design!)
const moveSaid = ref('')
function set(path: string, value: unknown) {
  const axis = path === 'place.xMm' ? 'xMm' : path === 'place.yMm' ? 'yMm' : null
  if (!axis) return bench.change({ [path]: value })
  const { change, said } = openingMoved(d.value, boats.picture?.zones ?? [], { [axis]: value as number })
  bench.change(change)
  moveSaid.value = said
}
</script>

<template>
  <GivenGroups
    :bench="bench"
    :groups="openingGroups(d)"
    :zone="zoneTitle(boats.picture?.zones ?? [], d.place.zone)"
    :said="moveSaid"
    @set="set"
  />
</template>
