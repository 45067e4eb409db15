<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { useEventListener } from '@vueuse/core'
import { useRoute, useRouter } from 'vue-router'
import { formatLength, lengthText, parseLength, sayIn, staleAgainst, zoneOfPlace } from '@north-tide/core'
import { api } from '../../api'
import { useBench } from '../../stores/bench'
import { useBoats } from '../../stores/boats'
import type { SavedFitting } from '../../types'
import HeldText from '../../pieces/HeldText.vue'
import DrawingView from '../../pieces/DrawingView.vue'
import LegendRow from '../../pieces/LegendRow.vue'
import BenchTray from './BenchTray.vue'
import ConflictDialog from './ConflictDialog.vue'
import GivenColumn from './GivenColumn.vue'
import { pickedFile, readJson } from '../../pieces/files'
import SizeIt from './SizeIt.vue'
import VerdictColumn from './VerdictColumn.vue'

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
const file = ref<HTMLInputElement>()

const fittings = computed(() => boats.picture?.fittings ?? [])
watch(() => route.params.id, async (id) => {
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
  } catch (error) {
    said.value = error instanceof Error ? error.message : 'It cannot be opened'
  }
}, { immediate: true })

const open = computed(() => (bench.fitting && route.params.id === bench.fitting.id ? bench.design : null))
const SAVED = { saved: 'saved', waiting: 'draft kept', saving: 'saving …', offline: 'no connection: draft kept here, tried again', refused: 'not saved', conflict: 'two versions' } as const
const units = computed(() => boats.units)
const where = computed(() => {
  const d = open.value!
  return `${d.place.zone ?? 'no zone'}, x ${formatLength(d.place.xMm, units.value)}, ${d.place.yMm === 0 ? 'centreline' : `${d.place.yMm > 0 ? 'starboard' : 'port'} ${formatLength(Math.abs(d.place.yMm), units.value)}`} · ${d.catalogueId ?? 'own hardware'}, ${d.bolts.length} × ${d.bolt.size}`
})
const stale = computed(() => (open.value ? staleAgainst(open.value, zoneOfPlace(boats.picture?.zones ?? [], open.value.place)) : null))
const ownReason = ref('')
const boltCount = computed(() => (open.value?.bolts.length ?? 0) + (open.value?.pipeMm ? 1 : 0))

function step(by: number) {
  const i = fittings.value.findIndex((f) => f.id === bench.fitting?.id)
  const next = fittings.value[(i + by + fittings.value.length) % fittings.value.length]
  if (next) void router.push(`/bench/${next.id}`)
}
useEventListener('keydown', (e: KeyboardEvent) => {
  const target = e.target as HTMLElement
  if (target.closest('.el-dialog')) return
  const inField = target.closest('input:not([type=checkbox]), textarea, select') !== null
  if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'z') {
    if (inField) return
    e.preventDefault()
    return e.shiftKey ? bench.redo() : bench.undo()
  }
  if (inField || e.ctrlKey || e.metaKey || e.altKey) return
  if (e.key === 's' && open.value && !bench.readOnly) sizing.value = true
  else if (e.key === 'z') bench.undo()
  else if (e.key === 'Z') bench.redo()
  else if (e.key === '[') step(-1)
  else if (e.key === ']') step(1)
  else if (e.key === 'w') tab.value = 'Working'
  else if (e.key === 'n') void router.push('/boat')
  else return
  e.preventDefault()
})
function pick(role: string) {
  part.value = role
  const label: Record<string, string> = { 'structure.outerMm': 'Outer skin', 'structure.core.thicknessMm': 'Core', 'structure.innerMm': 'Inner skin', 'structure.thicknessMm': 'Thickness', 'plate.thicknessMm': 'Plate thickness', 'plate.lengthMm': 'Length', 'plate.bedGapMm': 'Filler bed', core: 'Bore', bedding: 'Bead' }
  const wanted = label[role]
  if (!wanted) return
  const field = [...document.querySelectorAll<HTMLElement>('.given .dimension label')].find((l) => l.textContent === wanted)
  const input = field && document.getElementById(field.getAttribute('for') ?? '')
  input?.scrollIntoView({ block: 'center' })
  ;(input as HTMLInputElement | undefined)?.select()
  input?.focus()
}
const over = ref<{ path: string; text: string; left: string; top: string } | null>(null)
const overField = ref<HTMLInputElement>()
const refused = ref('')
/** A dimension on the drawing is typed over where it stands. */
async function typeOver(path: string, at: DOMRect) {
  const value = path.split('.').reduce<unknown>((v, k) => (v as Record<string, unknown> | null)?.[k], open.value)
  if (typeof value !== 'number') return pick(path)
  refused.value = ''
  over.value = { path, text: lengthText(value, units.value), left: `${at.left + at.width / 2 - 45}px`, top: `${at.top - 8}px` }
  await nextTick()
  overField.value?.select()
}
function takeOver(keep: boolean) {
  if (!over.value) return
  if (keep) {
    const r = parseLength(over.value.text, units.value)
    if (!r.ok || !(r.value > 0)) return void (refused.value = r.ok ? `${over.value.text} was given; more than 0 is accepted` : r.message)
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
async function takeFile(e: Event) {
  const chosen = pickedFile(e)
  if (!chosen) return
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
    <template v-else-if="!fittings.length"><h1>Bench</h1><p class="soft">One fitting at a time: what it stands on, what it carries, and whether it holds. No fitting stands on {{ boats.picture?.name }} yet.</p><RouterLink class="act main" :to="`/boat/${boats.picture?.id ?? ''}`">Click the deck where one goes</RouterLink></template>
    <p v-else class="soft">Fetching the fitting …</p>
  </div>
  <div v-else class="bench">
    <header class="top">
      <div class="title">
        <h1><label class="hidden-words" for="fitting-title">Name of the fitting</label><HeldText id="fitting-title" class="rename" :model-value="open.name" maxlength="120" :title="open.name" :readonly="bench.readOnly" @update:model-value="$event.trim() && bench.change({ name: $event.trim() })" /></h1>
        <p class="soft where">{{ where }} · <span data-test="saved" :class="{ alarm: ['offline', 'refused', 'conflict'].includes(bench.saving) }">{{ SAVED[bench.saving] }}{{ bench.refusal && bench.saving === 'refused' ? `: ${bench.refusal}` : '' }}</span></p>
      </div>
      <div class="acts no-print">
        <button v-if="!bench.readOnly" class="act" :disabled="!bench.past.length" aria-label="Undo" title="Undo (z)" @click="bench.undo()">↶</button>
        <button v-if="!bench.readOnly" class="act" :disabled="!bench.future.length" aria-label="Redo" title="Redo (Shift+z)" @click="bench.redo()">↷</button>
        <button v-if="!bench.readOnly" class="act" @click="sizing = true">Size it <kbd>s</kbd></button>
        <a class="act" :href="`/api/fittings/${bench.fitting!.id}/spec.pdf?units=${boats.units}`" :download="true">Spec sheet</a>
        <details class="files"><summary class="act">File</summary><div><a :href="`/api/fittings/${bench.fitting!.id}/design.json`" download>Design as JSON</a><button v-if="!bench.readOnly" class="plain" @click="file?.click()">Read a design file …</button></div></details>
        <input ref="file" type="file" accept="application/json,.json" class="hidden-words" tabindex="-1" aria-label="Design file" @change="takeFile" />
        <button v-if="!bench.fitting!.recorded && !bench.readOnly" class="act main" :disabled="busy" @click="record">Record {{ boltCount }} hole{{ boltCount === 1 ? '' : 's' }}</button>
        <RouterLink v-else-if="bench.fitting!.holes.length" class="act main" :to="`/register/${bench.fitting!.holes[0]!.id}`">In the register: {{ bench.fitting!.holes[0]!.label }}{{ bench.fitting!.holes.length > 1 ? '…' : '' }}</RouterLink>
      </div>
    </header>
    <p v-if="said" class="said" role="status">{{ said }} <RouterLink v-if="bench.fitting!.holes.length" :to="`/register/${bench.fitting!.holes[0]!.id}`">Open the register</RouterLink></p>
    <div class="body">
      <GivenColumn class="given" />
      <section class="section" aria-label="Section">
        <div v-if="stale" class="stale" role="status">
          <p><strong>Stale.</strong> The deck was measured since: {{ stale.changes.map((c) => sayIn(c, boats.units)).join('; ') }}. On the list it is judged on that.</p>
          <div v-if="!bench.readOnly" class="stale-acts"><button class="act main" @click="bench.change({ structure: stale.structure, measured: stale.measured })">Use the deck as measured</button>
            <label class="hidden-words" for="own-deck">Why this fitting keeps a deck of its own</label><input id="own-deck" v-model="ownReason" class="entry" maxlength="300" placeholder="or why this one keeps its own" @keydown.enter="ownReason.trim() && bench.change({ structureReason: ownReason.trim() })" /><button class="act" :disabled="!ownReason.trim()" @click="bench.change({ structureReason: ownReason.trim() })">Keep its own</button></div>
        </div>
        <p v-else-if="open.structureReason" class="soft small">Keeps a deck of its own: {{ open.structureReason }}. <button class="plain link" :disabled="bench.readOnly" @click="bench.change({ structureReason: null })">Follow the zone again</button></p>
        <ul v-if="bench.fitting!.flags.length" class="flags" tabindex="0" aria-label="Settle before drilling"><li v-for="f in bench.fitting!.flags" :key="f.id">{{ sayIn(f.text, boats.units) }}</li></ul>
        <template v-if="bench.whole">
          <p class="soft small caption"><label class="thick"><input v-model="bench.exaggerate" type="checkbox" /> thin layers thicker</label> {{ bench.whole.section.title }}</p>
          <DrawingView class="drawing" :drawing="bench.whole.section" :units="boats.units" scale-bar :picked="part" :editable="!bench.readOnly" @pick="pick" @drag="(path: string, v: number) => bench.change({ [path]: v })" @type="typeOver" />
          <LegendRow :tones="bench.whole.section.legend" />
        </template>
      </section>
      <VerdictColumn class="verdicts" :picked="picked" @pick="choose" @work="(id: string) => { picked = id; tab = 'Working' }" />
    </div>
    <div v-if="over" class="over" :style="{ left: over.left, top: over.top }"><input ref="overField" v-model="over.text" class="entry figure" aria-label="New dimension" :aria-invalid="refused ? 'true' : undefined" @keydown.enter.prevent="takeOver(true)" @keydown.esc.prevent="takeOver(false)" @blur="takeOver(false)" /><p v-if="refused" class="small" role="alert">{{ refused }}</p></div>
    <BenchTray v-model:tab="tab" :picked="picked" />
    <SizeIt v-if="sizing" @close="sizing = false" />
    <ConflictDialog :mine="bench.design" :theirs="bench.conflict" @settle="bench.settle($event)" />
  </div>
</template>

<style scoped>
.none { padding: 28px; display: grid; gap: 12px; justify-items: start; max-width: 560px; }
.bench { display: grid; grid-template-columns: minmax(0, 1fr); grid-template-rows: auto auto minmax(0, 1fr) auto; height: 100%; min-height: 640px; }
.over { position: fixed; z-index: 40; background: var(--sheet); border: 2px solid var(--tide); padding: 2px; }
.over .entry { width: 86px; text-align: right; }
.over p { color: var(--short); max-width: 220px; padding: 2px 6px; }
.thick { display: inline-flex; gap: 6px; align-items: center; margin-right: 14px; cursor: pointer; }
.thick input { accent-color: var(--tide); }
.top { display: flex; justify-content: space-between; align-items: center; gap: 16px; padding: 8px 18px 8px 20px; border-bottom: 1px solid var(--line-strong); min-height: 60px; }
.title { min-width: 0; flex: 1; }
.rename { font: 700 var(--title)/1.2 var(--words); color: var(--ink); border: 0; background: transparent; padding: 0; width: 100%; text-overflow: ellipsis; border-bottom: 1px solid transparent; }
.rename:hover:not([readonly]) { border-bottom-color: var(--line-strong); }
.where { white-space: nowrap; overflow: hidden; text-overflow: ellipsis; font-size: 14px; }
.alarm { color: var(--buoy); font-weight: 600; }
.acts { display: flex; gap: 8px; flex: none; }
.acts .act { padding: 0 12px; }
.files { position: relative; }
.files summary { list-style: none; display: inline-flex; align-items: center; min-height: var(--touch); border: 1px solid var(--tide); color: var(--tide); background: var(--sheet); font-weight: 600; border-radius: var(--radius); cursor: pointer; }
.files div { position: absolute; right: 0; top: 44px; z-index: 20; background: var(--sheet); border: 1px solid var(--ink); border-radius: var(--radius); padding: 6px 0; width: 210px; }
.files a, .files button { display: block; width: 100%; padding: 9px 14px; color: var(--ink); text-decoration: none; }
.files a:hover, .files button:hover { background: var(--tide-soft); }
.said { grid-row: 2; background: var(--tide-soft); padding: 8px 20px; border-bottom: 1px solid var(--line-strong); }
.body { grid-row: 3; display: grid; grid-template-columns: 268px minmax(0, 1fr) 318px; min-height: 0; }
.given, .verdicts { min-height: 0; }
.verdicts { border-left: 1px solid var(--line-strong); }
.section { background: var(--sheet); border-left: 1px solid var(--line-strong); display: flex; flex-direction: column; padding: 10px 16px; min-height: 0; min-width: 0; }
.drawing { flex: 1; min-height: 90px; }
.caption { text-align: right; }
.stale { border: 1px solid var(--buoy); border-left-width: 5px; padding: 7px 12px; margin-bottom: 6px; font-size: 14px; }
.stale-acts { display: flex; gap: 8px; flex-wrap: wrap; align-items: center; margin-top: 5px; }
.stale-acts .entry { flex: 1 1 150px; }
.link { text-decoration: underline; color: var(--tide); }
.flags { max-height: 88px; overflow-y: auto; flex: none; margin: 0 0 6px; padding: 7px 10px 7px 26px; background: var(--short-ground); color: var(--short); font-size: 14px; }
.bench > :last-child { grid-row: 4; }
.bench > .tray { grid-row: 4; }
@media (max-width: 1180px) { .body { grid-template-columns: 250px minmax(0, 1fr) 280px; } .acts .act { padding: 0 9px; font-size: 14px; } }
</style>
