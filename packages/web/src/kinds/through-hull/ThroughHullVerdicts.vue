<script setup lang="ts">
import { ref } from 'vue'
import { useThroughHull } from '../../state/through-hull'
import { useBoats } from '../../state/boats'
import VerdictList from '../../pieces/VerdictList.vue'

/** Verdicts of what goes through the hull; the one that is pressed shows its source and its working. */
const throughHull = useThroughHull()
const boats = useBoats()
const picked = ref<string | null>(null)
const figure = (v: number) => Number(v.toPrecision(3))
</script>

<template>
  <VerdictList
    :judged="throughHull.judgement"
    :problem="throughHull.problem"
    :units="boats.units"
    :read-only="throughHull.readOnly"
    :picked="picked"
    @pick="picked = picked === $event ? null : $event"
    @apply="throughHull.change($event.change)"
  >
    <template #more="{ check: c }"
      ><p class="soft small working">
        {{ c.source[0]!.toUpperCase() + c.source.slice(1)
        }}{{
          c.demand !== null && c.capacity !== null
            ? `: ${figure(c.demand)} of ${figure(c.capacity)} ${c.unit}${c.factor !== 1 ? ` with a factor of ${c.factor}` : ''}`
            : ''
        }}.<span v-for="w in c.working" :key="w.symbol">
          {{ w.symbol }} = {{ w.expression
          }}{{ w.value === null ? '' : ` = ${figure(w.value)} ${w.unit}` }}.</span
        >
      </p></template
    >
  </VerdictList>
</template>

<style scoped>
.working {
  padding: 4px 0 0 28px;
}
</style>
