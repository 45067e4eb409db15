<script setup lang="ts">
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { formatLength, sayIn, zoneTitle } from '@north-tide/core'
import { OPENING_FAMILY, sizeSaid } from '@north-tide/core/opening'
import BenchFrame from '../../pieces/BenchFrame.vue'
import BenchVerdicts from '../../pieces/BenchVerdicts.vue'
import DrawingView from '../../pieces/DrawingView.vue'
import LegendRow from '../../pieces/LegendRow.vue'
import { useBenchActs } from '../../pieces/bench-acts'
import { intoField, useBenchKeys } from '../../pieces/bench-keys'
import { useBoats } from '../../state/boats'
import { useOpening } from '../../state/opening'
import OpeningGiven from './OpeningGiven.vue'
import OpeningTray from './OpeningTray.vue'

const OpeningSize = defineAsyncComponent(() => import('./OpeningSize.vue'))
/** One opening: given at the left, its picture or the cut through its edge in the middle, verdicts right. */
const bench = useOpening()
const boats = useBoats()
const route = useRoute()
const router = useRouter()
const { said, busy, tryIt, takeFile, recorded } = useBenchActs(
  'opening',
  'an opening\u2019s design file',
  (id) => `/bench/${id}`,
)
const tab = ref('Work')
const view = ref('plan')
const part = ref<string | null>(null)
const sizing = ref(false)
const all = computed(() => (boats.picture?.others ?? []).filter((f) => f.kind === 'opening'))
watch(
  () => route.params.id,
  async (id) => {
    if (route.name !== 'bench' || typeof id !== 'string' || !id) return
    said.value = ''
    try {
      await bench.open(id)
    } catch (error) {
      said.value = error instanceof Error ? error.message : 'It cannot be opened'
    }
  },
  { immediate: true },
)
const open = computed(() => (bench.fitting && route.params.id === bench.fitting.id ? bench.design : null))
const where = computed(() => {
  const d = open.value!
  const mm = (v: number) => formatLength(v, boats.units)
  const side =
    d.place.yMm === 0
      ? 'centreline'
      : `${d.place.yMm > 0 ? 'starboard' : 'port'} ${mm(Math.abs(d.place.yMm))}`
  return `${OPENING_FAMILY[d.family].title} · ${zoneTitle(boats.picture?.zones ?? [], d.place.zone)}, x ${mm(d.place.xMm)}, ${side} · ${d.catalogueId ?? 'own'}, ${sizeSaid(d.outline, mm)}`
})
const shown = computed(() => bench.drawings.find((x) => x.id === view.value) ?? bench.drawings[0] ?? null)
function step(by: number) {
  const i = all.value.findIndex((f) => f.id === bench.fitting?.id)
  const next = all.value[(i + by + all.value.length) % all.value.length]
  if (next) void router.push(`/bench/${next.id}`)
}
/** Glands go by their cables: there is nothing to size. */
const sizable = computed(() => open.value !== null && !open.value.gland && !bench.readOnly)
useBenchKeys({
  undo: bench.undo,
  redo: bench.redo,
  step,
  more: { s: () => sizable.value && (sizing.value = true) },
})
const LABELS: Record<string, string> = {
  'outline.lengthMm': 'Length',
  'outline.widthMm': 'Width',
  'outline.diameterMm': 'Across',
  'core.rakeMm': 'Raked back',
  'frame.screwMm': 'Screw',
  frame: 'Flange',
  ring: 'Wide',
  'pane.thicknessMm': 'Thick',
  'bedding.sealant': 'Sealant',
}
function pick(role: string) {
  part.value = role
  intoField('.given', LABELS[role])
}
const record = () => tryIt(async () => recorded(await bench.record()))
const mirror = () =>
  tryIt(async () => {
    const id = await bench.copyIt({ mirror: true })
    await router.push(`/bench/${id}`)
    return 'Its twin on the other side lies here now.'
  })
</script>

<template>
  <div v-if="!open" class="none">
    <p v-if="said" role="alert">{{ said }}</p>
    <p v-else class="soft">Fetching the opening …</p>
  </div>
  <BenchFrame
    v-else
    :draft="bench"
    :name="open.name"
    :where="where"
    :said="said"
    :busy="busy"
    :recorded="bench.fitting!.recorded"
    :holes="bench.fitting!.holes"
    record-word="Record its hole"
    @record="record"
    @file="takeFile"
  >
    <template #acts>
      <ElButton v-if="sizable" class="act" @click="sizing = true">Size it <kbd>s</kbd></ElButton>
      <ElButton
        v-if="!bench.readOnly && open.place.yMm !== 0"
        class="act"
        title="The same on the other side"
        @click="mirror"
        >Twin</ElButton
      >
      <a class="act" :href="`/api/fittings/${bench.fitting!.id}/card.pdf?units=${boats.units}`" download
        >Card</a
      >
    </template>
    <template #files
      ><a :href="`/api/fittings/${bench.fitting!.id}/design.json`" download>Design as JSON</a
      ><a
        v-for="x in bench.drawings"
        :key="x.id"
        :href="`/api/fittings/${bench.fitting!.id}/${x.id}.svg`"
        download
        >{{ x.title }} as SVG</a
      ></template
    >
    <template #given><OpeningGiven /></template>
    <template #section>
      <div v-if="bench.stale && !bench.readOnly" class="stale" role="status">
        <strong>The deck was measured since:</strong>
        {{ bench.stale.changes.map((c) => sayIn(c, boats.units)).join('; ') }}.
        <ElButton class="act" @click="bench.change(bench.stale.take)">Use the deck as measured</ElButton>
      </div>
      <template v-if="shown">
        <div class="views">
          <ElRadioGroup v-model="view" size="small" aria-label="Which drawing">
            <ElRadioButton v-for="x in bench.drawings" :key="x.id" :value="x.id">{{ x.title }}</ElRadioButton>
          </ElRadioGroup>
          <p class="soft small caption">{{ sayIn(shown.drawing.title, boats.units) }}</p>
        </div>
        <DrawingView
          :key="shown.id"
          class="drawing"
          :drawing="shown.drawing"
          :units="boats.units"
          scale-bar
          :picked="part"
          :editable="!bench.readOnly"
          @pick="pick"
          @drag="(path: string, v: number) => bench.change({ [path]: v })"
          @type="(path: string) => pick(path)"
        />
        <LegendRow :tones="shown.drawing.legend" />
      </template>
    </template>
    <template #verdicts><BenchVerdicts :bench="bench" /></template>
    <template #tray><OpeningTray v-model:tab="tab" /></template>
    <OpeningSize v-if="sizing" @close="sizing = false" />
  </BenchFrame>
</template>

<style scoped>
.none {
  padding: 28px;
}
.views {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  flex-wrap: wrap;
}
</style>
