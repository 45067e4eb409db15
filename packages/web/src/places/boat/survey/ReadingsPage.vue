<script setup lang="ts">
import { computed } from 'vue'
import { useBoats } from '../../../state/boats'
import { useSession } from '../../../state/session'
import ReadingForm from './ReadingForm.vue'
import ReadingList from './ReadingList.vue'
import ReadingVerdicts from './ReadingVerdicts.vue'

/** Readings of a boat: a new one, what they come to, and all that were taken. */
const boats = useBoats()
const session = useSession()
const may = computed(() => session.may('measure', boats.picture?.id))
</script>

<template>
  <div class="split">
    <ReadingForm v-if="may" />
    <div class="rest" tabindex="0" aria-label="Results">
      <ReadingVerdicts />
      <ReadingList :may="may" />
    </div>
  </div>
</template>

<style scoped src="./split.css"></style>
