<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref, toRaw } from 'vue'
import { ElDialog } from 'element-plus'
import 'element-plus/es/components/dialog/style/css'
import { wrap } from 'comlink'
import { formatMass, formatUse, sayIn, type BoatPart, type BoatZone } from '@north-tide/core'
import type { OpeningDesign, OpeningProposal } from '@north-tide/core/opening'
import StaysShort from '../../pieces/StaysShort.vue'
import VerdictSign from '../../pieces/VerdictSign.vue'
import { useBoats } from '../../state/boats'
import { useOpening } from '../../state/opening'

/** The best few ways to build this opening, worked out beside the screen; one is taken, or none. */
const emit = defineEmits<{ close: [] }>()
const bench = useOpening()
const boats = useBoats()
const proposal = ref<OpeningProposal | null>(null)
const failed = ref('')
const picked = ref(0)
const worker = new Worker(new URL('../../workers/opening-size-worker.ts', import.meta.url), {
  type: 'module',
})
worker.onerror = () => (failed.value = 'The sizing stopped; the design is as it was.')
const remote = wrap<{
  sizeIt: (d: OpeningDesign, zones: BoatZone[], parts: BoatPart[]) => OpeningProposal
}>(worker)
const plain = <T,>(v: T): T => JSON.parse(JSON.stringify(v)) as T
onMounted(async () => {
  const { zones = [], parts = [] } = boats.picture ?? {}
  proposal.value = await remote
    .sizeIt(plain(toRaw(bench.design!)), plain(zones), plain(parts))
    .catch((e: Error) => {
      failed.value = e.message
      return null
    })
})
onUnmounted(() => worker.terminate())
const chosen = computed(() => proposal.value?.choices[picked.value] ?? null)
const changed = computed(() => chosen.value !== null && chosen.value.title !== 'as it is')
function apply() {
  bench.replace(chosen.value!.design)
  emit('close')
}
</script>

<template>
  <ElDialog :model-value="true" title="Size it" width="760px" top="6vh" @close="emit('close')">
    <p v-if="failed" role="alert">{{ failed }}</p>
    <p v-else-if="!proposal" class="soft" role="status">Trying panes, corners, rings, screws and latches …</p>
    <div v-else class="proposal">
      <p class="lead">
        <VerdictSign :verdict="proposal.found ? 'holds' : 'short'" :size="18" />
        <strong>{{ sayIn(proposal.because, boats.units) }}</strong>
      </p>
      <ElTable
        v-if="proposal.choices.length"
        :data="proposal.choices"
        aria-label="The best few"
        row-key="title"
      >
        <ElTableColumn label="Design" min-width="220">
          <template #default="{ row, $index }">
            <ElRadio v-model="picked" :value="$index">{{ sayIn(row.title, boats.units) }}</ElRadio>
            <small v-if="row.bestAt.length" class="soft best">{{ row.bestAt.join(', ') }}</small>
          </template>
        </ElTableColumn>
        <ElTableColumn label="Weight" width="90" align="right">
          <template #default="{ row }">{{ formatMass(row.massKg, boats.units) }}</template>
        </ElTableColumn>
        <ElTableColumn label="Hours" width="75" align="right">
          <template #default="{ row }">{{ row.hours.toFixed(1) }}</template>
        </ElTableColumn>
        <ElTableColumn label="Cost class" prop="cost" width="100" />
        <ElTableColumn label="What governs" min-width="190">
          <template #default="{ row }"
            ><span class="governs"
              ><VerdictSign :verdict="row.verdict" /> {{ row.governing.toLowerCase() }}
              {{ row.utilisation === null ? '' : formatUse(row.utilisation) }}</span
            ></template
          >
        </ElTableColumn>
      </ElTable>
      <p v-if="chosen" class="soft small">
        Pane, ring and fastenings: {{ formatMass(proposal.massBeforeKg, boats.units) }} before. Weight, cost
        class and hours are typical, to rank by.
      </p>
      <StaysShort :found="proposal.found" :checks="proposal.remaining" />
    </div>
    <template #footer>
      <ElButton class="act" @click="emit('close')">Leave it as it is</ElButton>
      <ElButton v-if="changed" class="act main" @click="apply">Use this design</ElButton>
    </template>
  </ElDialog>
</template>

<style scoped>
.proposal {
  display: grid;
  gap: 12px;
}
.lead,
.governs {
  display: flex;
  gap: 8px;
  align-items: flex-start;
}
.best {
  display: block;
  padding-left: 22px;
}
</style>
