<script setup lang="ts">
import { onMounted, onUnmounted, ref, toRaw } from 'vue'
import { ElDialog } from 'element-plus'
import 'element-plus/es/components/dialog/style/css'
import { wrap } from 'comlink'
import { formatMass, sayIn, type Design, type Proposal, type YardValue } from '@north-tide/core'
import { useBench } from '../../stores/bench'
import { useBoats } from '../../stores/boats'
import VerdictSign from '../../pieces/VerdictSign.vue'

const emit = defineEmits<{ close: [] }>()
const bench = useBench()
const boats = useBoats()
const proposal = ref<Proposal | null>(null)
const failed = ref('')
const worker = new Worker(new URL('../../workers/size-worker.ts', import.meta.url), { type: 'module' })
const remote = wrap<{ sizeIt: (d: Design, yard: YardValue[]) => Proposal }>(worker)
worker.onerror = () => (failed.value = 'The sizing stopped; the design is as it was.')
onMounted(async () => {
  proposal.value = await remote.sizeIt(JSON.parse(JSON.stringify(toRaw(bench.design))), JSON.parse(JSON.stringify(boats.yard))).catch((e: Error) => {
    failed.value = e.message
    return null
  })
})
onUnmounted(() => worker.terminate())
function apply() {
  if (proposal.value?.design) bench.replace(proposal.value.design)
  emit('close')
}
</script>

<template>
  <ElDialog :model-value="true" title="Size it" width="680px" top="10vh" @close="emit('close')">
    <p v-if="failed" role="alert">{{ failed }}</p>
    <p v-else-if="!proposal" class="soft" role="status">Trying bolts, grades, plates and core schools …</p>
    <div v-else class="proposal">
      <p class="lead"><VerdictSign :verdict="proposal.found ? proposal.verdict : 'short'" :size="18" /> <strong>{{ sayIn(proposal.because, boats.units) }}</strong></p>
      <table v-if="proposal.changes.length" class="rows">
        <thead><tr><th>What changes</th><th>From</th><th>To</th><th>Why</th></tr></thead>
        <tbody><tr v-for="c in proposal.changes" :key="c.path"><td>{{ c.label }}</td><td class="figure soft">{{ sayIn(c.from, boats.units) }}</td><td class="figure">{{ sayIn(c.to, boats.units) }}</td><td class="small">{{ sayIn(c.why, boats.units) }}</td></tr></tbody>
      </table>
      <p v-else-if="proposal.found">This is already the lightest that holds; nothing changes.</p>
      <p v-if="proposal.massKg !== null" class="soft">Bolts and plate: {{ formatMass(proposal.massBeforeKg, boats.units) }} before, {{ formatMass(proposal.massKg, boats.units) }} after.</p>
      <div v-if="proposal.remaining.length">
        <h3>{{ proposal.found ? 'Sizing cannot help with' : 'What stays short' }}</h3>
        <p v-for="r in proposal.remaining" :key="r.title" class="remain"><VerdictSign :verdict="r.verdict" /> <span><strong>{{ r.title }}.</strong> {{ sayIn(r.because, boats.units) }}</span></p>
      </div>
    </div>
    <div class="acts"><button class="act" @click="emit('close')">Leave it as it is</button><button v-if="proposal?.found && proposal.changes.length" class="act main" @click="apply">Use this design</button></div>
  </ElDialog>
</template>

<style scoped>
.proposal { display: grid; gap: 12px; }
.lead { display: flex; gap: 10px; align-items: flex-start; }
.lead svg { margin-top: 2px; }
.remain { display: flex; gap: 8px; padding-top: 6px; }
.acts { display: flex; justify-content: flex-end; gap: 10px; padding-top: 18px; }
</style>
