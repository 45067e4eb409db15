<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { judge, sayIn, stepsOf, workState, type Design } from '@north-tide/core'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import TickForm from '../../pieces/TickForm.vue'
import type { WorkBench } from '../../state/acts'
import { usualOf } from '../../state/bench'
import { useBoats } from '../../state/boats'
import type { Open } from '../../types'

/**
 * One tick for many: the next step of the first of them, said once and written into each. Whoever cannot
 * take it yet says why.
 */
const props = defineProps<{ ids: string[]; send: (body: object) => Promise<void> }>()
const boats = useBoats()
const { said, attempt } = useAttempt()
const member = shallowRef<Open<Design> | null>(null)
const asking = ref(false)
const fetchFirst = () =>
  attempt(async () => {
    const [id] = props.ids
    member.value = id ? await api<Open<Design>>('GET', `/fittings/${encodeURIComponent(id)}`) : null
  })
onMounted(fetchFirst)
watch(() => props.ids[0], fetchFirst)
const steps = computed(() => {
  const d = member.value?.design
  return d ? stepsOf(d, judge(d, false, boats.yard), boats.units) : []
})
const work = computed(() => workState(member.value?.log ?? []))
const next = computed(() => steps.value.find((s) => s.gate && !work.value.ticks[s.id]) ?? null)
const bench = computed<WorkBench>(() => ({
  fitting: member.value,
  readOnly: false,
  steps: steps.value,
  work: work.value,
  log: member.value?.log ?? [],
  parts: [],
  cautions: [],
  usual: usualOf(member.value!.design),
  act: async (_method, _path, body) => {
    // The labels of holes are the first one's own: the others have theirs.
    await props.send({ ...(body as object), holes: [] })
    asking.value = false
    await fetchFirst()
  },
}))
</script>

<template>
  <section v-if="member" class="tick">
    <h3>One tick for {{ ids.length }}</h3>
    <p v-if="said" class="wrong" role="alert">{{ said }}</p>
    <template v-if="next">
      <p>{{ sayIn(next.text, boats.units) }}</p>
      <TickForm
        v-if="asking"
        :key="next.id"
        :bench="bench"
        :step="next"
        @done="asking = false"
        @leave="asking = false"
      />
      <ElButton v-else class="act" @click="asking = true">Tick it for {{ ids.length }}</ElButton>
    </template>
    <p v-else class="soft">Every gate of {{ member.name }} is ticked.</p>
  </section>
</template>

<style scoped>
.tick {
  border-top: 1px solid var(--line);
  padding-top: 8px;
}
.wrong {
  color: var(--short);
}
</style>
