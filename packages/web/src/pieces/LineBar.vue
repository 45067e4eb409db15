<script setup lang="ts">
import { computed, ref } from 'vue'
import dayjs from 'dayjs'
import { newer, takeNewer } from '../state/newer'
import { useWaiting } from '../state/waiting'
import WaitingEntry from './WaitingEntry.vue'

/** What one has to know of the line: that there is none, since when what is shown was seen, what waits. */
const emit = defineEmits<{ sent: [] }>()
const { mine, others, lineGone, seenAt, flush } = useWaiting()
const open = ref(false)
const busy = ref(false)
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
async function during(what: () => Promise<void>) {
  busy.value = true
  try {
    await what()
    if (!mine.value.length) emit('sent')
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div v-if="line || count || newer" class="line-bar" role="status" aria-label="The line">
    <span v-if="line">{{ line }}</span>
    <ElButton v-if="count" class="plain" @click="open = true">{{ count }}</ElButton>
    <span v-if="newer && !count"
      >A newer version is here. <ElButton class="plain" @click="takeNewer">Take it</ElButton></span
    >
    <ElDrawer v-model="open" title="What waits on this device" size="min(480px, 100vw)" append-to-body>
      <p class="soft small">
        Kept in order, also when this page is closed, and sent once as soon as there is a line and you are
        signed in.
      </p>
      <ul class="waits" aria-label="What waits">
        <li v-for="e in mine" :key="e.seq">
          <WaitingEntry :entry="e" @settled="mine.length || emit('sent')" />
        </li>
      </ul>
      <p v-if="!mine.length" class="soft">Nothing waits any more.</p>
      <p v-if="others.length" class="soft small">
        {{ others.length }} of somebody else {{ others.length === 1 ? 'waits' : 'wait' }} here too, until he
        signs in on this device.
      </p>
      <ElButton v-if="mine.length" class="act main" :disabled="busy" @click="during(flush)"
        >Send now</ElButton
      >
    </ElDrawer>
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
.waits {
  list-style: none;
  padding: 0;
}
.waits li {
  border-bottom: 1px solid var(--line);
}
@media print {
  .line-bar {
    display: none;
  }
}
</style>
