<script setup lang="ts">
import { computed } from 'vue'
import { useNow } from '@vueuse/core'
import { clockLeft } from '@north-tide/core'

/** Minutes that run from the tick of a step: what is left, in figures that read from two metres. */
const props = defineProps<{
  clock: { minutes: number; what: string }
  from: string
  /** when what it was for was ticked; null: it still runs */
  until: string | null
}>()
const now = useNow({ interval: 500 })
const left = computed(() =>
  clockLeft(
    props.clock,
    Date.parse(props.from),
    props.until === null ? now.value.getTime() : Date.parse(props.until),
  ),
)
const figures = computed(() => {
  const s = left.value.leftS
  return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`
})
/** Past a day it is history, and not a clock. */
const old = computed(() => props.until === null && now.value.getTime() - Date.parse(props.from) > 86_400_000)
</script>

<template>
  <p v-if="until !== null" class="small" :class="left.over ? 'over' : 'soft'">
    {{
      left.over
        ? `It was ticked after the clock ran out: ${clock.what} only then. Prove it, or take it off.`
        : `In time: ${figures} was left.`
    }}
  </p>
  <p v-else-if="old" class="small over">Its clock ran out; what it was for was never ticked.</p>
  <p v-else class="clock" :class="{ over: left.over, near: left.leftS < 60 }" role="timer">
    <strong class="figure">{{ figures }}</strong>
    {{ left.over ? 'Time is over: what is not pressed home comes off, all of it.' : `until ${clock.what}` }}
  </p>
</template>

<style scoped>
.clock {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 12px;
  padding: 6px 0;
}
.clock strong {
  font-size: 2.6rem;
  line-height: 1.1;
}
.clock.near strong {
  color: var(--tight);
}
.clock.over strong,
.over {
  color: var(--short);
  font-weight: 600;
}
</style>
