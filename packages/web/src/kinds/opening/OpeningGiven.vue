<script setup lang="ts">
import { computed } from 'vue'
import { zoneTitle } from '@north-tide/core'
import GivenGroups from '../../pieces/GivenGroups.vue'
import { useBoats } from '../../state/boats'
import { useOpening } from '../../state/opening'
import { openingGroups } from './opening-fields'

/** What is given of an opening. */
const bench = useOpening()
const boats = useBoats()
const d = computed(() => bench.design!)
defineProps<{ moveSaid: string }>()
const emit = defineEmits<{ set: [path: string, value: unknown] }>()
</script>

<template>
  <GivenGroups
    :bench="bench"
    :groups="openingGroups(d)"
    :zone="zoneTitle(boats.picture?.zones ?? [], d.place.zone)"
    :said="moveSaid"
    @set="(path: string, value: unknown) => emit('set', path, value)"
  />
</template>
