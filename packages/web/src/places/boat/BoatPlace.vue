<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useEventListener } from '@vueuse/core'
import { useRoute, useRouter } from 'vue-router'
import { LIFE_STATES, formatLength, underPointer, zoneAt, type Point } from '@north-tide/core'
import { useBoats } from '../../stores/boats'
import { useSession } from '../../stores/session'
import LifeSign from '../../pieces/LifeSign.vue'
import VerdictSign from '../../pieces/VerdictSign.vue'
import PlanView from './PlanView.vue'
import PlaceFitting from './PlaceFitting.vue'

const boats = useBoats()
const session = useSession()
const route = useRoute()
const router = useRouter()
const boat = computed(() => boats.picture!)
watch(() => route.params.id, (id) => {
  if (typeof id === 'string' && id && id !== boats.picture?.id) boats.open(id).catch(() => router.replace(`/boat/${boats.picture?.id ?? ''}`))
}, { immediate: true })

const LAYERS = ['Structure', 'Holes', 'Fittings', 'Wetness'] as const
const layers = ref<Record<string, boolean>>({ Structure: true, Holes: true, Fittings: true, Wetness: true })
const pointer = ref<Point | null>(null)
const cursor = ref<Point>({ xMm: 1500, yMm: 0 })
const placing = ref<Point | null>(null)
const mayPlace = computed(() => session.account?.role !== 'owner')
watch(() => boat.value.id, () => (cursor.value = { xMm: Math.round(boat.value.lengthMm * 0.2), yMm: -Math.round(boat.value.beamMm * 0.16) }), { immediate: true })

const at = computed(() => pointer.value ?? cursor.value)
const labelled = computed(() => boat.value.holes.map((h) => ({ label: h.label, xMm: h.xMm, yMm: h.yMm })))
const under = computed(() => underPointer(boat.value.zones, boat.value.parts, labelled.value, at.value, boats.units))
const nearest = computed(() => {
  const found = labelled.value.map((h) => ({ h, mm: Math.hypot(h.xMm - at.value.xMm, h.yMm - at.value.yMm) })).sort((a, b) => a.mm - b.mm)[0]
  if (!found) return ''
  const dx = Math.round(at.value.xMm - found.h.xMm)
  const dy = Math.round(at.value.yMm - found.h.yMm)
  return `${formatLength(Math.abs(dx), boats.units)} ${dx >= 0 ? 'aft' : 'forward'}, ${formatLength(Math.abs(dy), boats.units)} to ${dy >= 0 ? 'starboard' : 'port'} of ${found.h.label}`
})
const ORDER = { short: 0, unproven: 1, tight: 2, holds: 3 }
const settle = computed(() => boat.value.fittings.filter((f) => f.verdict !== 'holds').slice().sort((a, b) => ORDER[a.verdict] - ORDER[b.verdict]))
const suspects = computed(() => boat.value.holes.filter((h) => h.state === 'suspect'))
const counted = computed(() => LIFE_STATES.map((s) => ({ state: s, n: boat.value.holes.filter((h) => h.state === s).length })))

function begin(p: Point) {
  if (!mayPlace.value) return
  cursor.value = p
  placing.value = p
}
useEventListener('keydown', (e: KeyboardEvent) => {
  if (e.key !== 'n' || e.ctrlKey || e.metaKey || e.altKey || (e.target as HTMLElement).closest('input, select, textarea, .el-dialog')) return
  e.preventDefault()
  begin(at.value)
})
async function placed(id: string) {
  placing.value = null
  await boats.refresh()
  await router.push(`/bench/${id}`)
}
</script>

<template>
  <div class="boat-place">
    <header class="top">
      <h1>Plan</h1>
      <span class="soft count">{{ boat.holes.length }} holes · {{ boat.fittings.length }} fittings · {{ settle.length }} to settle</span>
      <div class="layers" role="group" aria-label="Layers">
        <button v-for="l in LAYERS" :key="l" class="plain layer" :aria-pressed="layers[l]" @click="layers[l] = !layers[l]">{{ l }}</button>
      </div>
      <button v-if="mayPlace" class="act main" @click="begin(cursor)">New fitting here <kbd>n</kbd></button>
    </header>
    <PlanView class="plan" :boat="boat" :units="boats.units" :layers="layers" :cursor="cursor" @point="pointer = $event" @move="cursor = $event" @place="begin" @fitting="router.push(`/bench/${$event}`)" @hole="router.push(`/register/${$event}`)" />
    <aside class="side" tabindex="0" aria-label="Settle first, and signs">
      <div class="group"><h2>Settle first</h2><span class="soft small">{{ settle.length }} fitting{{ settle.length === 1 ? '' : 's' }}</span></div>
      <p v-if="!boat.fittings.length" class="soft">No fitting stands on this boat yet. Click the deck where one goes.</p>
      <p v-else-if="!settle.length" class="soft">Every fitting holds.</p>
      <ul class="list">
        <li v-for="f in settle" :key="f.id">
          <RouterLink :to="`/bench/${f.id}`"><VerdictSign :verdict="f.verdict" :size="16" /><span><strong>{{ f.name }}</strong><small>{{ f.verdict }}{{ f.governing ? `: ${f.governing.replaceAll('-', ' ')}` : '' }}</small></span></RouterLink>
        </li>
        <li v-if="suspects.length">
          <RouterLink to="/register?state=suspect"><LifeSign state="suspect" /><span><strong>{{ suspects.length }} suspect holes</strong><small>{{ suspects.slice(0, 4).map((h) => h.label).join(', ') }}{{ suspects.length > 4 ? ' …' : '' }}</small></span></RouterLink>
        </li>
      </ul>
      <div class="group signs-head"><h2>Signs</h2><span class="soft small">life of a hole</span></div>
      <ul class="signs">
        <li v-for="c in counted" :key="c.state"><LifeSign :state="c.state" /> {{ c.state }} <span class="figure soft">{{ c.n || '' }}</span></li>
      </ul>
      <p v-if="boat.note" class="soft small note">{{ boat.note }}</p>
    </aside>
    <footer class="under" aria-live="off">
      <div><span class="soft small">{{ pointer ? 'under the pointer' : 'at the cursor' }}</span><strong class="figure place-figure">x {{ formatLength(Math.round(at.xMm), boats.units) }} · {{ Math.round(at.yMm) === 0 ? 'centreline' : `${at.yMm > 0 ? 'stbd' : 'port'} ${formatLength(Math.abs(Math.round(at.yMm)), boats.units)}` }}</strong></div>
      <p><strong>{{ under.title }}.</strong> {{ under.words }}</p>
      <div class="from"><span class="soft small">from the nearest hole</span><span class="figure">{{ nearest || 'no hole yet' }}</span></div>
    </footer>
    <PlaceFitting v-if="placing" :boat="boat" :units="boats.units" :at="placing" :zone="zoneAt(boat.zones, placing)" @close="placing = null" @placed="placed" />
  </div>
</template>

<style scoped>
.boat-place { display: grid; grid-template: 54px minmax(0, 1fr) 92px / minmax(0, 1fr) 300px; height: 100%; }
.top { grid-column: 1 / -1; display: flex; align-items: center; gap: 14px; padding: 0 20px; border-bottom: 1px solid var(--line-strong); }
.count { white-space: nowrap; overflow: hidden; text-overflow: ellipsis; flex: 1; }
.layers { display: flex; gap: 12px; }
.layer { min-height: var(--touch); padding: 0 2px; color: var(--ink-soft); }
.layer[aria-pressed='true'] { color: var(--ink); font-weight: 700; text-decoration: underline; text-decoration-thickness: 2px; text-decoration-color: var(--tide); text-underline-offset: 5px; }
.plan { min-width: 0; min-height: 0; }
.side { border-left: 1px solid var(--line-strong); padding: 12px 16px; overflow-y: auto; }
.list { list-style: none; margin: 0 0 14px; padding: 0; }
.list a { display: flex; gap: 11px; align-items: flex-start; padding: 8px 0; border-bottom: 1px solid var(--line); color: inherit; text-decoration: none; min-height: var(--touch); }
.list a:hover strong { text-decoration: underline; }
.list svg { margin-top: 3px; }
small { display: block; color: var(--ink-soft); font-size: var(--text-small); }
.signs { list-style: none; margin: 0; padding: 0; display: grid; grid-template-columns: 1fr 1fr; gap: 7px 8px; font-size: 14px; }
.signs li { display: flex; align-items: center; gap: 7px; white-space: nowrap; }
.note { margin-top: 14px; }
.under { grid-column: 1 / -1; border-top: 1px solid var(--ink); display: grid; grid-template-columns: 250px minmax(0, 1fr) 260px; gap: 20px; padding: 10px 20px; align-items: start; overflow: hidden; }
.under div { display: grid; gap: 2px; }
.place-figure { font-size: 16px; }
.from { text-align: right; }
@media (max-width: 1100px) { .boat-place { grid-template-columns: minmax(0, 1fr) 240px; } .count { display: none; } .layers { flex: 1; } .signs { grid-template-columns: 1fr; } }
</style>
