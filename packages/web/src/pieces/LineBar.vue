<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import dayjs from 'dayjs'
import { newer, takeNewer } from '../state/newer'
import { useWaiting } from '../state/waiting'

/** What one has to know of the line: that there is none, since when what is shown was seen, what waits. */
const emit = defineEmits<{ sent: [] }>()
const WhatWaits = defineAsyncComponent(() => import('./WhatWaits.vue'))
const { mine, lineGone, seenAt } = useWaiting()
const open = ref(false)
const refused = computed(() => mine.value.filter((e) => e.state === 'refused'))
const line = computed(() =>
  !lineGone.value
    ? ''
    : seenAt.value
      ? `No line. What is shown was seen ${dayjs(seenAt.value).format('D MMM, HH:mm')}.`
      : 'No line.',
)
const count = computed(() => {
  const [n, bad] = [mine.value.length - refused.value.length, refused.value.length]
  return [
    n ? `${n} ${n === 1 ? 'waits' : 'wait'} to be sent` : '',
    bad ? `${bad} ${bad === 1 ? 'was' : 'were'} refused` : '',
  ]
    .filter(Boolean)
    .join(', ')
})
</script>

<template>
  <div v-if="line || count || newer" class="line-bar" role="status" aria-label="The line">
    <span v-if="line">{{ line }}</span>
    <ElButton v-if="count" class="plain" @click="open = true">{{ count }}</ElButton>
    <span v-if="newer && !count"
      >A newer version is here. <ElButton class="plain" @click="takeNewer">Take it</ElButton></span
    >
    <WhatWaits v-if="open" v-model="open" @sent="emit('sent')" />
  </div>
</template>

<style scoped>
.line-bar {
  grid-row: 2;
  grid-column: -2;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
  padding: 4px 20px;
  background: var(--tide-soft);
  border-bottom: 1px solid var(--line-strong);
  font-size: 0.9rem;
}
.line-bar :deep(.plain) {
  text-decoration: underline;
  font-weight: 600;
}
@media print {
  .line-bar {
    display: none;
  }
}
</style>
