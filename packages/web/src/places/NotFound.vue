<script setup lang="ts">
import { useRoute } from 'vue-router'

/** An address that leads nowhere: what was asked for, and where to go from here. */
const route = useRoute()
</script>

<template>
  <section class="nothing">
    <h1>Nothing is kept under this address</h1>
    <p>
      <span class="figure">{{ route.fullPath }}</span> leads nowhere: it may have been typed wrong, or what it
      led to was taken away. Look for it by its name with <kbd>/</kbd>, or go on from here.
    </p>
    <p class="ways">
      <RouterLink class="act" to="/boat">The boat</RouterLink>
      <RouterLink class="act" to="/bench">All fittings</RouterLink>
      <RouterLink class="act" to="/register">The register</RouterLink>
    </p>
  </section>
</template>

<style scoped>
.nothing {
  padding: 24px;
  max-width: 640px;
  display: grid;
  gap: 12px;
}
.figure {
  overflow-wrap: anywhere;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
</style>
