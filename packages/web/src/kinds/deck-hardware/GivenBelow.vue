<script setup lang="ts">
import { watch } from 'vue'
import { useTurns } from '../../pieces/turns'
import BeddingGiven from './BeddingGiven.vue'
import BoltsGiven from './BoltsGiven.vue'
import CoreGiven from './CoreGiven.vue'
import HoldGiven from './HoldGiven.vue'
import MoreGiven from './MoreGiven.vue'
import PlateGiven from './PlateGiven.vue'

/** What is given below the load, in three pieces: what is seen without much scrolling comes first. */
const emit = defineEmits<{ whole: [] }>()
const LAST = 2
const turn = useTurns(LAST)
watch(turn, (t) => t === LAST && emit('whole'))
</script>

<template>
  <BoltsGiven />
  <HoldGiven />
  <PlateGiven />
  <template v-if="turn > 0">
    <CoreGiven />
    <BeddingGiven />
  </template>
  <MoreGiven v-if="turn > 1" />
</template>
