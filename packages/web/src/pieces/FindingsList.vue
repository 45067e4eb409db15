<script setup lang="ts">
import { computed } from 'vue'
import type { FoundWrong } from '@north-tide/core'

/** What may be wrong with one that is in the boat: quick to tick, with what each costs. */
const props = defineProps<{
  list: FoundWrong[]
  ticked: string[]
  existing: boolean
  /** how each risk is said here */
  said: Record<FoundWrong['risk'], string>
  readOnly: boolean
}>()
const emit = defineEmits<{ change: [changes: Record<string, unknown>] }>()
const tick = (id: string, on: boolean) =>
  emit('change', { findings: on ? [...props.ticked, id] : props.ticked.filter((x) => x !== id) })
const worst = computed(() => props.list.filter((f) => props.ticked.includes(f.id)))
</script>

<template>
  <div>
    <ElCheckbox
      class="tick"
      :model-value="existing"
      :disabled="readOnly"
      @change="emit('change', { existing: $event as boolean })"
      ><strong>It is in the boat already, and was looked at</strong></ElCheckbox
    >
    <slot name="seen" />
    <ul class="findings" aria-label="Findings">
      <li v-for="f in list" :key="f.id">
        <ElCheckbox
          class="tick"
          :model-value="ticked.includes(f.id)"
          :disabled="readOnly"
          @change="tick(f.id, $event as boolean)"
          >{{ f.title }} <span class="risk small" :class="f.risk">{{ said[f.risk] }}</span></ElCheckbox
        >
      </li>
    </ul>
  </div>
  <div>
    <h3>What it costs</h3>
    <p v-if="!worst.length" class="soft small"><slot name="none" /></p>
    <div v-for="f in worst" :key="f.id" class="small cost">
      <strong :class="f.risk">{{ f.title }}.</strong> {{ f.costs }} <em>{{ f.settle }}</em>
    </div>
    <slot />
  </div>
</template>

<style scoped>
.findings {
  list-style: none;
  margin: 0;
  padding: 0;
}
.tick {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 26px;
}
.tick input {
  width: 18px;
  height: 18px;
  margin: 0;
  flex: none;
  accent-color: var(--tide);
}
.risk {
  color: var(--ink-soft);
}
.risk.sinks,
.cost .sinks {
  color: var(--short);
}
.cost {
  padding: 3px 0;
}
</style>
