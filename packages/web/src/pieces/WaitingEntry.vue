<script setup lang="ts">
import { ref } from 'vue'
import dayjs from 'dayjs'
import { useWaiting, type Waiting } from '../state/waiting'

/** One thing that was written without a line: that it waits, or what the server said against it. */
const props = defineProps<{ entry: Waiting }>()
const emit = defineEmits<{ settled: [] }>()
const { again, drop } = useWaiting()
const busy = ref(false)
async function during(what: (e: Waiting) => Promise<void>) {
  busy.value = true
  try {
    await what(props.entry)
    emit('settled')
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="waiting-entry" :class="entry.state">
    <p>
      <strong>{{ entry.what }}</strong>
      <span class="soft small">{{ dayjs(entry.at).format('D MMM, HH:mm') }}</span>
    </p>
    <template v-if="entry.state === 'refused'">
      <p class="bad" role="alert">Not taken: {{ entry.said }}</p>
      <p class="acts">
        <ElButton class="act" :disabled="busy" @click="during(again)">Send it again</ElButton>
        <ElPopconfirm
          title="Nothing of it stays anywhere."
          confirm-button-text="Yes, throw it away"
          cancel-button-text="Keep it"
          @confirm="during(drop)"
          ><template #reference
            ><ElButton class="act" :disabled="busy">Throw it away</ElButton></template
          ></ElPopconfirm
        >
      </p>
    </template>
    <p v-else class="soft small">waits on this device</p>
  </div>
</template>

<style scoped>
.waiting-entry {
  padding: 6px 0 6px 10px;
  border-left: 3px solid var(--tide);
}
.waiting-entry.refused {
  border-left-color: var(--short);
}
.waiting-entry p {
  margin: 0;
  overflow-wrap: anywhere;
}
.bad {
  color: var(--short);
}
.waiting-entry .acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding-top: 4px;
}
@media print {
  .waiting-entry {
    display: none;
  }
}
</style>
