<script setup lang="ts">
import { defineAsyncComponent } from 'vue'

const SisterBoat = defineAsyncComponent(() => import('./SisterBoat.vue'))

/** What a fitting of any kind can be taken along as, and to which other boat it can go. */
defineProps<{ id: string; name: string; drawings: readonly { id: string; title: string }[] }>()
</script>

<template>
  <a :href="`/api/fittings/${id}/design.json`" download>Design as JSON</a>
  <a v-for="x in drawings" :key="x.id" :href="`/api/fittings/${id}/${x.id}.svg`" download
    >{{ x.title }} as SVG</a
  >
  <SisterBoat :id="id" :name="name" />
</template>
