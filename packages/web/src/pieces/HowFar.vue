<script setup lang="ts">
/** How far work is that goes on by itself; fetched when there is any. */
</script>

<template>
  <ElProgress :show-text="false" />
</template>
