<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useBoats } from '../../src/state/boats'

const boats = useBoats()
const route = useRoute()
const plate = computed(() => boats.picture?.others.find((f) => f.id === route.params.id))
</script>

<template>
  <h1>{{ plate?.name }}: two screws and no load</h1>
</template>
