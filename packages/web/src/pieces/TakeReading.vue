<script setup lang="ts">
import { computed, onUnmounted, ref, watch } from 'vue'
import type { InstrumentReading } from '@north-tide/core'

/**
 * A reading streamed from a simulated instrument, and the press that takes it. A lost stream says so and
 * is tried again.
 */
const props = defineProps<{
  kind: 'level' | 'moisture' | 'hygrometer' | 'ultrasonic'
  asked?: Record<string, string | number>
  unit?: string
  disabled?: boolean
}>()
const emit = defineEmits<{ take: [reading: InstrumentReading] }>()
const NAMES = {
  level: 'level',
  moisture: 'moisture meter',
  hygrometer: 'hygrometer',
  ultrasonic: 'thickness gauge',
}
const on = ref(false)
const lost = ref(false)
const last = ref<InstrumentReading | null>(null)
let source: EventSource | null = null

function shut() {
  source?.close()
  source = null
}
function listen() {
  shut()
  if (!on.value) return
  const q = new URLSearchParams({
    seed: '1',
    ...Object.fromEntries(Object.entries(props.asked ?? {}).map(([k, v]) => [k, String(v)])),
  })
  const mine = (source = new EventSource(`/api/instruments/${props.kind}/stream?${q}`))
  mine.onmessage = (e) => {
    last.value = JSON.parse(e.data as string) as InstrumentReading
    lost.value = false
  }
  mine.onopen = () => (lost.value = false)
  mine.onerror = () => {
    lost.value = true
    // The browser tries again by itself, but not after a refusal; then it is done here.
    if (mine.readyState === EventSource.CLOSED && source === mine)
      setTimeout(() => source === mine && on.value && listen(), 2000)
  }
}
watch(() => [on.value, JSON.stringify(props.asked)], listen)
onUnmounted(shut)
const said = computed(() => {
  const r = last.value
  if (!r) return '…'
  return r.airC === undefined
    ? `${r.value}${r.unit ? ` ${r.unit}` : ''}`
    : `air ${r.airC} °C, ${r.humidityPct} %, surface ${r.surfaceC} °C`
})
</script>

<template>
  <div class="take" :class="{ lost }">
    <ElButton v-if="!on" class="act" :disabled="disabled" @click="on = true">
      Listen to the {{ NAMES[kind] }}
    </ElButton>
    <template v-else>
      <span class="figure now" role="status">{{ lost ? 'stream lost, trying again …' : said }}</span>
      <ElButton class="act" :disabled="disabled || lost || !last" @click="last && emit('take', last)">
        Take reading
      </ElButton>
      <ElButton
        class="act"
        @click="
          () => {
            on = false
            last = null
          }
        "
      >
        Stop
      </ElButton>
    </template>
    <span class="soft small">simulated</span>
  </div>
</template>

<style scoped>
.take {
  display: flex;
  align-items: center;
  gap: 8px;
  flex-wrap: wrap;
}
.now {
  min-width: 92px;
  font-weight: 600;
  border: 1px dashed var(--line-strong);
  padding: 8px 10px;
}
.lost .now {
  color: var(--buoy);
  border-color: var(--buoy);
}
</style>
