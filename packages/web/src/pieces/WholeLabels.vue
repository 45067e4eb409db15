<script setup lang="ts">
/** Words with labels of holes in them, none of which is broken over two lines at its hyphen. */
defineProps<{ words: string }>()
</script>

<template>
  <template v-for="(part, i) in words.split(/(P-\d+)/)" :key="i"
    ><span v-if="i % 2" class="label">{{ part }}</span
    ><template v-else>{{ part }}</template></template
  >
</template>

<style scoped>
.label {
  white-space: nowrap;
}
</style>
