<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useEventListener } from '@vueuse/core'
import { useRoute, useRouter } from 'vue-router'
import { formatLength, sayIn } from '@north-tide/core'
import { BELOW_FAMILY, USE_TITLES, belowSection } from '@north-tide/core/below'
import { api } from '../../api'
import { useBelow } from '../../stores/below'
import { useBoats } from '../../stores/boats'
import type { SavedBelow } from '../../types'
import HeldText from '../../pieces/HeldText.vue'
import DrawingView from '../../pieces/DrawingView.vue'
import LegendRow from '../../pieces/LegendRow.vue'
import { pickedFile, readJson } from '../../pieces/files'
import ConflictDialog from '../bench/ConflictDialog.vue'
import BelowGiven from './BelowGiven.vue'
import BelowTray from './BelowTray.vue'
import BelowVerdicts from './BelowVerdicts.vue'

/** One fitting through the hull: given at the left, the cut in the middle, verdicts at the right, the rest of the work below. */
const below = useBelow()
const boats = useBoats()
const route = useRoute()
const router = useRouter()
const tab = ref('Place')
const part = ref<string | null>(null)
const said = ref('')
const busy = ref(false)
const file = ref<HTMLInputElement>()
const all = computed(() => boats.picture?.below ?? [])
watch(() => route.params.id, async (id) => {
  if (route.name !== 'below') return
  said.value = ''
  if (typeof id !== 'string' || !id) {
    const first = all.value[0]
    if (first) await router.replace(`/below/${first.id}`)
    return
  }
  try {
    await below.open(id)
    tab.value = below.design?.existing ? 'Survey' : 'Place'
  } catch (error) {
    said.value = error instanceof Error ? error.message : 'It cannot be opened'
  }
}, { immediate: true })
const open = computed(() => (below.fitting && route.params.id === below.fitting.id ? below.design : null))
const SAVED = { saved: 'saved', waiting: 'draft kept', saving: 'saving …', offline: 'no connection: draft kept here, tried again', refused: 'not saved', conflict: 'two versions' } as const
const where = computed(() => {
  const d = open.value!
  const u = boats.units
  return `${BELOW_FAMILY[d.family].title} for ${USE_TITLES[d.use]} · ${d.place.zone ?? 'no zone'}, x ${formatLength(d.place.xMm, u)}, ${d.place.yMm === 0 ? 'centreline' : `${d.place.yMm > 0 ? 'starboard' : 'port'} ${formatLength(Math.abs(d.place.yMm), u)}`}, ${d.place.zMm < 0 ? `${formatLength(-d.place.zMm, u)} under water` : `${formatLength(d.place.zMm, u)} above`}`
})
const section = computed(() => (open.value && below.judgement ? belowSection(open.value, below.judgement, boats.units) : null))
function step(by: number) {
  const i = all.value.findIndex((f) => f.id === below.fitting?.id)
  const next = all.value[(i + by + all.value.length) % all.value.length]
  if (next) void router.push(`/below/${next.id}`)
}
useEventListener('keydown', (e: KeyboardEvent) => {
  const target = e.target as HTMLElement
  if (target.closest('.el-dialog')) return
  const inField = target.closest('input:not([type=checkbox]):not([type=radio]), textarea, select') !== null
  if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'z') {
    if (inField) return
    e.preventDefault()
    return e.shiftKey ? below.redo() : below.undo()
  }
  if (inField || e.ctrlKey || e.metaKey || e.altKey) return
  if (e.key === 'z') below.undo()
  else if (e.key === 'Z') below.redo()
  else if (e.key === '[') step(-1)
  else if (e.key === ']') step(1)
  else if (e.key === 'n') void router.push('/boat')
  else return
  e.preventDefault()
})
const LABELS: Record<string, string> = { 'hull.thicknessMm': 'Thickness', 'pad.thicknessMm': 'Pad thickness', 'wedge.thinMm': 'Thin side', boredMm: 'Bored to', beddingMm: 'Bead', 'hold.method': 'Held by', hose: 'Hose bore', 'hose.clips': 'Clips', 'clock.wantedDeg': 'Open at' }
function pick(role: string) {
  part.value = role
  if (role === 'clock') tab.value = 'Dial'
  const field = [...document.querySelectorAll<HTMLElement>('.given label')].find((l) => l.textContent === LABELS[role])
  const input = field && document.getElementById(field.getAttribute('for') ?? '')
  input?.scrollIntoView({ block: 'center' })
  input?.focus()
  ;(input as HTMLInputElement | undefined)?.select?.()
}
async function tryIt(run: () => Promise<string>) {
  busy.value = true
  said.value = ''
  try {
    said.value = await run()
  } catch (error) {
    said.value = error instanceof Error ? error.message : 'It was not done'
  } finally {
    busy.value = false
  }
}
const record = () => tryIt(async () => {
  const holes = await below.record()
  return `${holes[0]}${holes.length > 1 ? ` to ${holes.at(-1)}` : ''} ${holes.length > 1 ? 'are' : 'is'} in the register.`
})
const takeFile = (e: Event) => {
  const chosen = pickedFile(e)
  if (!chosen) return
  void tryIt(async () => {
    const made = await api<SavedBelow>('POST', `/boats/${boats.picture!.id}/below/import`, await readJson(chosen, 'a through-hull design file'))
    await boats.refresh()
    await router.push(`/below/${made.id}`)
    return `${made.name} was read from the file.`
  })
}
</script>

<template>
  <div v-if="!open" class="none">
    <p v-if="said" role="alert">{{ said }}</p>
    <template v-else-if="!all.length"><h1>Through the hull</h1><p class="soft">Seacocks, drains, transducers: what they stand on, how they are held, and what happens if one lets go. Nothing goes through the hull of {{ boats.picture?.name }} yet.</p><RouterLink class="act main" :to="`/boat/${boats.picture?.id ?? ''}`">Click the profile where one goes</RouterLink></template>
    <p v-else class="soft">Fetching the fitting …</p>
  </div>
  <div v-else class="bench">
    <header class="top">
      <div class="title">
        <h1><label class="hidden-words" for="below-title">Name of the fitting</label><HeldText id="below-title" class="rename" :model-value="open.name" maxlength="120" :title="open.name" :readonly="below.readOnly" @update:model-value="$event.trim() && below.change({ name: $event.trim() })" /></h1>
        <p class="soft where">{{ where }} · <span data-test="saved" :class="{ alarm: ['offline', 'refused', 'conflict'].includes(below.saving) }">{{ SAVED[below.saving] }}{{ below.refusal && below.saving === 'refused' ? `: ${below.refusal}` : '' }}</span></p>
      </div>
      <div class="acts no-print">
        <label class="hidden-words" for="below-which">Another fitting through the hull</label>
        <select id="below-which" class="choice which" :value="below.fitting!.id" @change="router.push(`/below/${($event.target as HTMLSelectElement).value}`)"><option v-for="f in all" :key="f.id" :value="f.id">{{ f.name }}, {{ f.verdict }}</option></select>
        <button v-if="!below.readOnly" class="act" :disabled="!below.past.length" aria-label="Undo" title="Undo (z)" @click="below.undo()">↶</button>
        <button v-if="!below.readOnly" class="act" :disabled="!below.future.length" aria-label="Redo" title="Redo (Shift+z)" @click="below.redo()">↷</button>
        <details class="files"><summary class="act">File</summary><div><a :href="`/api/below/${below.fitting!.id}/design.json`" download>Design as JSON</a><a :href="`/api/below/${below.fitting!.id}/section.svg`" download>Section as SVG</a><button v-if="!below.readOnly" class="plain" @click="file?.click()">Read a design file …</button></div></details>
        <input ref="file" type="file" accept="application/json,.json" class="hidden-words" tabindex="-1" aria-label="Design file" @change="takeFile" />
        <button v-if="!below.fitting!.recorded && !below.readOnly" class="act main" :disabled="busy" @click="record">Record its hole</button>
        <RouterLink v-else-if="below.fitting!.holes.length" class="act main" :to="`/register/${below.fitting!.holes[0]!.id}`">In the register: {{ below.fitting!.holes[0]!.label }}{{ below.fitting!.holes.length > 1 ? '…' : '' }}</RouterLink>
      </div>
    </header>
    <p v-if="said" class="said" role="status">{{ said }}</p>
    <div class="body">
      <BelowGiven class="given" />
      <section class="section" aria-label="Section">
        <div v-if="below.fitting!.hullNow && !below.readOnly" class="stale" role="status"><strong>The hull was measured since:</strong> {{ formatLength(below.fitting!.hullNow.thicknessMm, boats.units) }} at its zone, {{ formatLength(open.hull.thicknessMm, boats.units) }} here. <button class="act" @click="below.change({ 'hull.thicknessMm': below.fitting!.hullNow.thicknessMm, 'hull.measured': below.fitting!.hullNow.measured, 'hull.how': below.fitting!.hullNow.how })">Use the hull as measured</button></div>
        <p v-if="below.fitting!.replacedBy" class="stale" role="status">It is being replaced. <RouterLink :to="`/below/${below.fitting!.replacedBy}`">Open what comes in its place</RouterLink></p>
        <p v-else-if="open.replaces" class="soft small">In the hole of: <RouterLink :to="`/below/${below.fitting!.replacesId}`">{{ open.replaces }}</RouterLink>.</p>
        <template v-if="section">
          <p class="soft small caption">{{ sayIn(section.title, boats.units) }}</p>
          <DrawingView class="drawing" :drawing="section" :units="boats.units" scale-bar :picked="part" :editable="!below.readOnly" @pick="pick" @drag="(path: string, v: number) => below.change({ [path]: path === 'hull.deadriseDeg' ? Math.min(60, v) : v, ...(path === 'hull.deadriseDeg' ? { 'hull.angleMeasured': false } : {}) })" @type="(path: string) => pick(path)" />
          <LegendRow :tones="section.legend" />
        </template>
      </section>
      <BelowVerdicts class="verdicts" />
    </div>
    <BelowTray v-model:tab="tab" />
    <ConflictDialog :mine="below.design" :theirs="below.conflict" @settle="below.settle($event)" />
  </div>
</template>

<style scoped>
.none { padding: 28px; display: grid; gap: 12px; justify-items: start; max-width: 560px; }
.bench { display: grid; grid-template-columns: minmax(0, 1fr); grid-template-rows: auto auto minmax(0, 1fr) auto; height: 100%; min-height: 640px; }
.top { display: flex; justify-content: space-between; align-items: center; gap: 16px; padding: 8px 18px 8px 20px; border-bottom: 1px solid var(--line-strong); min-height: 60px; }
.title { min-width: 0; flex: 1; }
.rename { font: 700 var(--title)/1.2 var(--words); color: var(--ink); border: 0; background: transparent; padding: 0; width: 100%; text-overflow: ellipsis; border-bottom: 1px solid transparent; }
.rename:hover:not([readonly]) { border-bottom-color: var(--line-strong); }
.where { white-space: nowrap; overflow: hidden; text-overflow: ellipsis; font-size: 14px; }
.alarm { color: var(--buoy); font-weight: 600; }
.acts { display: flex; gap: 8px; flex: none; align-items: center; }
.acts .act { padding: 0 12px; }
.which { width: 170px; min-height: var(--touch); }
.files { position: relative; }
.files summary { list-style: none; display: inline-flex; align-items: center; min-height: var(--touch); border: 1px solid var(--tide); color: var(--tide); background: var(--sheet); font-weight: 600; border-radius: var(--radius); cursor: pointer; }
.files div { position: absolute; right: 0; top: 44px; z-index: 20; background: var(--sheet); border: 1px solid var(--ink); border-radius: var(--radius); padding: 6px 0; width: 210px; }
.files a, .files button { display: block; width: 100%; padding: 9px 14px; color: var(--ink); text-decoration: none; text-align: left; }
.files a:hover, .files button:hover { background: var(--tide-soft); }
.said { grid-row: 2; background: var(--tide-soft); padding: 8px 20px; border-bottom: 1px solid var(--line-strong); }
.body { grid-row: 3; display: grid; grid-template-columns: 268px minmax(0, 1fr) 318px; min-height: 0; }
.given, .verdicts { min-height: 0; }
.verdicts { border-left: 1px solid var(--line-strong); }
.section { background: var(--sheet); border-left: 1px solid var(--line-strong); display: flex; flex-direction: column; padding: 10px 16px; min-height: 0; min-width: 0; }
.drawing { flex: 1; min-height: 90px; }
.caption { text-align: right; }
.stale { border: 1px solid var(--buoy); border-left-width: 5px; padding: 7px 12px; margin-bottom: 6px; font-size: 14px; }
.bench > .tray { grid-row: 4; }
@media (max-width: 1180px) { .body { grid-template-columns: 250px minmax(0, 1fr) 280px; } .acts .act { padding: 0 9px; font-size: 14px; } .which { width: 120px; } }
</style>
