<script setup lang="ts">
/** Said over a form in which what was typed before stands again. */
defineProps<{ again: boolean }>()
defineEmits<{ afresh: [] }>()
</script>

<template>
  <p v-if="again" class="again small" role="status">
    What you typed here before stands again.
    <ElButton class="plain link" @click="$emit('afresh')">Start afresh</ElButton>
  </p>
</template>

<style scoped>
.again {
  color: var(--ink-soft);
}
.link {
  color: var(--tide);
  text-decoration: underline;
}
</style>
