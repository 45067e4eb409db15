<script setup lang="ts">
import { computed, defineAsyncComponent, nextTick, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import {
  formatLength,
  formatQuantity,
  lengthText,
  parseLength,
  sayIn,
  staleAgainst,
  zoneOfPlace,
  zoneTitle,
} from '@north-tide/core'
import { api } from '../../api'
import { useBench } from '../../state/bench'
import { useBoats } from '../../state/boats'
import type { SavedFitting } from '../../types'
import BenchFrame from '../../pieces/BenchFrame.vue'
import DrawingView from '../../pieces/DrawingView.vue'
import FittingFiles from '../../pieces/FittingFiles.vue'
import LegendRow from '../../pieces/LegendRow.vue'
import GivenColumn from './GivenColumn.vue'
import { intoField, useBenchKeys } from '../../pieces/bench-keys'
import { readJson } from '../../pieces/files'
import VerdictColumn from './VerdictColumn.vue'
import { draggedTo } from './load-fields'

const BenchTray = defineAsyncComponent(() => import('./BenchTray.vue'))
const StaleDeck = defineAsyncComponent(() => import('./StaleDeck.vue'))
const SizeIt = defineAsyncComponent(() => import('./SizeIt.vue'))
const bench = useBench()
const boats = useBoats()
const route = useRoute()
const router = useRouter()
const picked = ref<string | null>(null)
const part = ref<string | null>(null)
const tab = ref('Pattern')
const sizing = ref(false)
const said = ref('')
const busy = ref(false)

const fittings = computed(() => boats.picture?.fittings ?? [])
watch(
  () => route.params.id,
  async (id) => {
    if (route.name !== 'bench') return
    said.value = ''
    picked.value = null
    if (typeof id !== 'string' || !id) {
      const first = fittings.value[0]
      if (first) await router.replace(`/bench/${first.id}`)
      return
    }
    try {
      await bench.open(id)
      bench.takeFromSum(history.state as Record<string, unknown> | null)
    } catch (error) {
      said.value = error instanceof Error ? error.message : 'It cannot be opened'
    }
  },
  { immediate: true },
)

const DRAWINGS = [
  { id: 'section', title: 'Section' },
  { id: 'pattern', title: 'Pattern' },
]
const open = computed(() => (bench.fitting && route.params.id === bench.fitting.id ? bench.design : null))
const units = computed(() => boats.units)
const where = computed(() => {
  const d = open.value!
  return `${zoneTitle(boats.picture?.zones ?? [], d.place.zone)}, x ${formatLength(d.place.xMm, units.value)}, ${d.place.yMm === 0 ? 'centreline' : `${d.place.yMm > 0 ? 'starboard' : 'port'} ${formatLength(Math.abs(d.place.yMm), units.value)}`}${d.headingDeg === 0 ? '' : `, turned ${formatQuantity(d.headingDeg, 'deg', units.value)}`} · ${d.catalogueId ?? 'own hardware'}, ${d.bolts.length} × ${d.bolt.size}`
})
const dragged = (path: string, v: number) => bench.change(draggedTo(bench.design!, path, v))
const stale = computed(() =>
  open.value ? staleAgainst(open.value, zoneOfPlace(boats.picture?.zones ?? [], open.value.place)) : null,
)
const boltCount = computed(() => (open.value?.bolts.length ?? 0) + (open.value?.pipeMm ? 1 : 0))

function step(by: number) {
  const i = fittings.value.findIndex((f) => f.id === bench.fitting?.id)
  const next = fittings.value[(i + by + fittings.value.length) % fittings.value.length]
  if (next) void router.push(`/bench/${next.id}`)
}
useBenchKeys({
  undo: bench.undo,
  redo: bench.redo,
  step,
  more: { s: () => open.value && !bench.readOnly && (sizing.value = true), w: () => (tab.value = 'Working') },
})
const LABELS: Record<string, string> = {
  'structure.outerMm': 'Outer skin',
  'structure.core.thicknessMm': 'Core',
  'structure.innerMm': 'Inner skin',
  'structure.thicknessMm': 'Thickness',
  'plate.thicknessMm': 'Plate thickness',
  'plate.lengthMm': 'Length',
  'plate.bedGapMm': 'Filler bed',
  core: 'Bore',
  bedding: 'Bead',
}
function pick(role: string) {
  part.value = role
  intoField('.given .dimension', LABELS[role])
}
const over = ref<{ path: string; text: string; left: string; top: string } | null>(null)
const overField = ref<HTMLInputElement>()
const refused = ref('')
/** A dimension on the drawing is typed over where it stands. */
async function typeOver(path: string, at: DOMRect) {
  const value = path
    .split('.')
    .reduce<unknown>((v, k) => (v as Record<string, unknown> | null)?.[k], open.value)
  if (typeof value !== 'number') return pick(path)
  refused.value = ''
  over.value = {
    path,
    text: lengthText(value, units.value),
    left: `${at.left + at.width / 2 - 45}px`,
    top: `${at.top - 8}px`,
  }
  await nextTick()
  overField.value?.select()
}
function takeOver(keep: boolean) {
  if (!over.value) return
  if (keep) {
    const r = parseLength(over.value.text, units.value)
    if (!r.ok || !(r.value > 0))
      return void (refused.value = r.ok ? `${over.value.text} was given; more than 0 is accepted` : r.message)
    bench.change({ [over.value.path]: r.value })
  }
  over.value = null
}
function choose(id: string) {
  picked.value = id
}
async function record() {
  busy.value = true
  said.value = ''
  try {
    const holes = await bench.record()
    said.value = `${holes[0]}${holes.length > 1 ? ` to ${holes.at(-1)}` : ''} are in the register, marked.`
  } catch (error) {
    said.value = error instanceof Error ? error.message : 'It was not recorded'
  } finally {
    busy.value = false
  }
}
async function takeFile(chosen: File) {
  try {
    const raw = await readJson(chosen, 'a fitting’s design file')
    const made = await api<SavedFitting>('POST', `/boats/${boats.picture!.id}/fittings/import`, raw)
    await boats.refresh()
    await router.push(`/bench/${made.id}`)
  } catch (error) {
    said.value = error instanceof Error ? `Not read: ${error.message}` : 'The file was not read'
  }
}
</script>

<template>
  <div v-if="!open" class="none">
    <p v-if="said" role="alert">{{ said }}</p>
    <template v-else-if="!fittings.length"
      ><h1>Bench</h1>
      <p class="soft">
        One fitting at a time: what it stands on, what it carries, and whether it holds. No fitting stands on
        {{ boats.picture?.name }} yet.
      </p>
      <RouterLink class="act main" :to="`/boat/${boats.picture?.id ?? ''}`"
        >Click the deck where one goes</RouterLink
      ></template
    >
    <p v-else class="soft">Fetching the fitting …</p>
  </div>
  <BenchFrame
    v-else
    class="deck"
    :draft="bench"
    :name="open.name"
    :where="where"
    :said="said"
    :busy="busy"
    :recorded="bench.fitting!.recorded"
    :holes="bench.fitting!.holes"
    :record-word="`Record ${boltCount} hole${boltCount === 1 ? '' : 's'}`"
    @record="record"
    @file="takeFile"
  >
    <template #acts>
      <ElButton v-if="!bench.readOnly" class="act" @click="sizing = true">Size it <kbd>s</kbd></ElButton>
      <a
        class="act"
        :href="`/api/fittings/${bench.fitting!.id}/card.pdf?units=${boats.units}`"
        :download="true"
        >Card</a
      >
    </template>
    <template #files
      ><FittingFiles :id="bench.fitting!.id" :name="open.name" :drawings="DRAWINGS"
    /></template>
    <template #said
      ><RouterLink v-if="bench.fitting!.holes.length" :to="`/register/${bench.fitting!.holes[0]!.id}`"
        >Open the register</RouterLink
      ></template
    >
    <template #given><GivenColumn /></template>
    <template #section>
      <StaleDeck v-if="stale || open.structureReason" :stale="stale" :own="open.structureReason ?? null" />
      <ul v-if="bench.flags.length" class="flags" tabindex="0" aria-label="Settle before drilling">
        <li v-for="f in bench.flags" :key="f.id">{{ sayIn(f.text, boats.units) }}</li>
      </ul>
      <template v-if="bench.whole">
        <p class="soft small caption">
          <ElCheckbox class="thick" v-model="bench.exaggerate">thin layers thicker</ElCheckbox>
          {{ bench.whole.section.title }}
        </p>
        <DrawingView
          class="drawing"
          :drawing="bench.whole.section"
          :units="boats.units"
          scale-bar
          :picked="part"
          :editable="!bench.readOnly"
          @pick="pick"
          @drag="dragged"
          @type="typeOver"
        />
        <LegendRow :tones="bench.whole.section.legend" />
      </template>
    </template>
    <template #verdicts
      ><VerdictColumn
        :picked="picked"
        @pick="choose"
        @work="
          (id: string) => {
            picked = id
            tab = 'Working'
          }
        "
    /></template>
    <template #tray><BenchTray v-model:tab="tab" :picked="picked" /></template>
    <div v-if="over" class="over" :style="{ left: over.left, top: over.top }">
      <ElInput
        ref="overField"
        v-model="over.text"
        class="entry figure"
        aria-label="New dimension"
        :aria-invalid="refused ? 'true' : undefined"
        @keydown.enter.prevent="takeOver(true)"
        @keydown.esc.prevent="takeOver(false)"
        @blur="takeOver(false)"
      />
      <p v-if="refused" class="small" role="alert">{{ refused }}</p>
    </div>
    <SizeIt v-if="sizing" @close="sizing = false" />
  </BenchFrame>
</template>

<style scoped>
.deck {
  --tray: 204px;
}
.none {
  padding: 28px;
  display: grid;
  gap: 12px;
  justify-items: start;
  max-width: 560px;
}
.over {
  position: fixed;
  z-index: 40;
  background: var(--sheet);
  border: 2px solid var(--tide);
  padding: 2px;
}
.over .entry {
  width: 86px;
  text-align: right;
}
.over p {
  color: var(--short);
  max-width: 220px;
  padding: 2px 6px;
}
.thick {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  margin-right: 14px;
  vertical-align: middle;
  cursor: pointer;
}
.thick input {
  accent-color: var(--tide);
}
.flags {
  max-height: 88px;
  overflow-y: auto;
  flex: none;
  margin: 0 0 6px;
  padding: 7px 10px 7px 26px;
  background: var(--short-ground);
  color: var(--short);
  font-size: 0.875rem;
}
</style>
