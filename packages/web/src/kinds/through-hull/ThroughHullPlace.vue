<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { formatLength, sayIn, zoneTitle } from '@north-tide/core'
import { THROUGH_HULL_FAMILY, hullChanged, throughHullSection } from '@north-tide/core/through-hull'
import { useThroughHull } from '../../state/through-hull'
import { useBoats } from '../../state/boats'
import BenchFrame from '../../pieces/BenchFrame.vue'
import BenchVerdicts from '../../pieces/BenchVerdicts.vue'
import DrawingView from '../../pieces/DrawingView.vue'
import FittingFiles from '../../pieces/FittingFiles.vue'
import LegendRow from '../../pieces/LegendRow.vue'
import { useBenchActs } from '../../pieces/bench-acts'
import { intoField, useBenchKeys } from '../../pieces/bench-keys'
import ThroughHullGiven from './ThroughHullGiven.vue'
import ThroughHullTray from './ThroughHullTray.vue'
import PickOne from '../../pieces/PickOne.vue'

/**
 * One fitting through the hull: given at the left, the cut in the middle, verdicts at the right, the rest
 * of the work below.
 */
const throughHull = useThroughHull()
const boats = useBoats()
const route = useRoute()
const router = useRouter()
const tab = ref('Place')
const part = ref<string | null>(null)
const { said, busy, tryIt, takeFile, recorded } = useBenchActs(
  'through-hull',
  'a through-hull design file',
  (id) => `/through-hulls/${id}`,
)
const all = computed(() => boats.picture?.throughHulls ?? [])
watch(
  () => route.params.id,
  async (id) => {
    if (route.name !== 'through-hulls') return
    said.value = ''
    if (typeof id !== 'string' || !id) {
      const first = all.value[0]
      if (first) await router.replace(`/through-hulls/${first.id}`)
      return
    }
    try {
      await throughHull.open(id)
      tab.value = throughHull.design?.existing ? 'Survey' : 'Place'
    } catch (error) {
      said.value = error instanceof Error ? error.message : 'It cannot be opened'
    }
  },
  { immediate: true },
)
const SECTION = [{ id: 'section', title: 'Section' }]
const open = computed(() =>
  throughHull.fitting && route.params.id === throughHull.fitting.id ? throughHull.design : null,
)
const where = computed(() => {
  const d = open.value!
  const u = boats.units
  const mm = (v: number) => formatLength(Math.abs(v), u)
  const across =
    d.place.yMm === 0 ? 'centreline' : `${d.place.yMm > 0 ? 'starboard' : 'port'} ${mm(d.place.yMm)}`
  const up = `${mm(d.place.zMm)} ${d.place.zMm < 0 ? 'under water' : 'above'}`
  const zone = zoneTitle(boats.picture?.zones ?? [], d.place.zone)
  return `${THROUGH_HULL_FAMILY[d.family].title} · ${zone}, x ${formatLength(d.place.xMm, u)}, ${across}, ${up}`
})
const stale = computed(() => (open.value ? hullChanged(open.value, boats.picture?.zones ?? []) : null))
const section = computed(() =>
  open.value && throughHull.judgement
    ? throughHullSection(open.value, throughHull.judgement, boats.units)
    : null,
)
function step(by: number) {
  const i = all.value.findIndex((f) => f.id === throughHull.fitting?.id)
  const next = all.value[(i + by + all.value.length) % all.value.length]
  if (next) void router.push(`/through-hulls/${next.id}`)
}
useBenchKeys({ undo: throughHull.undo, redo: throughHull.redo, step })
const LABELS: Record<string, string> = {
  'hull.thicknessMm': 'Thickness',
  'pad.thicknessMm': 'Pad thickness',
  'wedge.thinMm': 'Thin side',
  boredMm: 'Bored to',
  beddingMm: 'Bead',
  'hold.method': 'Held by',
  hose: 'Hose bore',
  'hose.clips': 'Clips',
  'clock.wantedDeg': 'Open at',
}
function pick(role: string) {
  part.value = role
  if (role === 'clock') tab.value = 'Dial'
  intoField('.given', LABELS[role])
}
const record = () => tryIt(async () => recorded(await throughHull.record()))
</script>

<template>
  <div v-if="!open" class="none">
    <p v-if="said" role="alert">{{ said }}</p>
    <template v-else-if="!all.length"
      ><h1>Through the hull</h1>
      <p class="soft">
        Seacocks, drains, transducers: what they stand on, how they are held, and what happens if one lets go.
        Nothing goes through the hull of {{ boats.picture?.name }} yet.
      </p>
      <RouterLink class="act main" :to="`/boat/${boats.picture?.id ?? ''}`"
        >Click the profile where one goes</RouterLink
      ></template
    >
    <p v-else class="soft">Fetching the fitting …</p>
  </div>
  <BenchFrame
    v-else
    :draft="throughHull"
    :name="open.name"
    :where="where"
    :said="said"
    :busy="busy"
    :recorded="throughHull.fitting!.recorded"
    :holes="throughHull.fitting!.holes"
    record-word="Record its hole"
    @record="record"
    @file="takeFile"
  >
    <template #choose>
      <label class="hidden-words" for="through-hull-which">Another fitting through the hull</label>
      <PickOne
        id="through-hull-which"
        class="which"
        :model-value="throughHull.fitting!.id"
        :options="all.map((f) => ({ value: f.id, title: `${f.name}, ${f.verdict}` }))"
        @update:model-value="router.push(`/through-hulls/${$event}`)"
      />
    </template>
    <template #acts
      ><a
        class="act"
        :href="`/api/fittings/${throughHull.fitting!.id}/card.pdf?units=${boats.units}`"
        :download="true"
        >Card</a
      ></template
    >
    <template #files
      ><FittingFiles :id="throughHull.fitting!.id" :name="open.name" :drawings="SECTION"
    /></template>
    <template #given><ThroughHullGiven /></template>
    <template #section>
      <div v-if="stale && !throughHull.readOnly" class="stale" role="status">
        <strong>The hull was measured since:</strong>
        {{ stale.changes.map((c) => sayIn(c, boats.units)).join('; ') }}.
        <ElButton class="act" @click="throughHull.change(stale.take)">Use the hull as measured</ElButton>
      </div>
      <p v-if="throughHull.fitting!.replacedBy" class="stale" role="status">
        It is being replaced.
        <RouterLink :to="`/through-hulls/${throughHull.fitting!.replacedBy}`"
          >Open what comes in its place</RouterLink
        >
      </p>
      <p v-else-if="open.replaces" class="soft small">
        In the hole of:
        <RouterLink :to="`/through-hulls/${throughHull.fitting!.replacesId}`">{{
          open.replaces
        }}</RouterLink>.
      </p>
      <template v-if="section">
        <p class="soft small caption">{{ sayIn(section.title, boats.units) }}</p>
        <DrawingView
          class="drawing"
          :drawing="section"
          :units="boats.units"
          scale-bar
          :picked="part"
          :editable="!throughHull.readOnly"
          @pick="pick"
          @drag="
            (path: string, v: number) =>
              throughHull.change({
                [path]: path === 'hull.deadriseDeg' ? Math.min(60, v) : v,
                ...(path === 'hull.deadriseDeg' ? { 'hull.angleMeasured': false } : {}),
              })
          "
          @type="(path: string) => pick(path)"
        />
        <LegendRow :tones="section.legend" />
      </template>
    </template>
    <template #verdicts><BenchVerdicts :bench="throughHull" /></template>
    <template #tray><ThroughHullTray v-model:tab="tab" /></template>
  </BenchFrame>
</template>

<style scoped>
.none {
  padding: 28px;
  display: grid;
  gap: 12px;
  justify-items: start;
  max-width: 560px;
}
.which {
  width: 170px;
  min-height: var(--touch);
}
@media (max-width: 1180px) {
  .which {
    width: 120px;
  }
}
</style>
