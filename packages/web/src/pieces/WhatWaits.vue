<script setup lang="ts">
import { ref } from 'vue'
import { useWaiting } from '../state/waiting'
import WaitingEntry from './WaitingEntry.vue'

/** What waits on this device, one by one, and what became of it. */
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ sent: [] }>()
const { mine, others, flush } = useWaiting()
const busy = ref(false)
async function send() {
  busy.value = true
  try {
    await flush()
    if (!mine.value.length) emit('sent')
  } finally {
    busy.value = false
  }
}
</script>

<template>
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
    <ElButton v-if="mine.length" class="act main" :disabled="busy" @click="send">Send now</ElButton>
  </ElDrawer>
</template>

<style scoped>
.waits {
  list-style: none;
  padding: 0;
}
.waits li {
  border-bottom: 1px solid var(--line);
}
</style>
