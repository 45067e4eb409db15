<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import { ElDialog } from 'element-plus'
import 'element-plus/es/components/dialog/style/css'
import { FAMILY_TITLES, flagsAt, layupSaid, sayIn, spotFor, zoneAt, formatLength, type Units } from '@north-tide/core'
import { api } from '../../api'
import { useBoats } from '../../stores/boats'
import type { BoatPicture, SavedFitting } from '../../types'
import DimensionField from '../../pieces/DimensionField.vue'
import MeasureField, { type Measured } from '../../pieces/MeasureField.vue'
import type { Spot3 } from './PlanView.vue'

const props = defineProps<{ boat: BoatPicture; units: Units; at: Spot3 }>()
const emit = defineEmits<{ close: []; placed: [id: string] }>()

const boats = useBoats()
const x = ref(props.at.xMm)
const y = ref(props.at.yMm)
const z = ref(props.at.zMm ?? 0)
const measured = ref<Measured | null>(null)
const named = computed(() => (props.at.zone ? props.boat.zones.find((q) => q.code === props.at.zone) : undefined))
function follow(m: Measured | null) {
  measured.value = m
  if (m?.xMm == null || m.yMm == null) return
  x.value = Math.round(m.xMm * 10) / 10
  y.value = Math.round(m.yMm * 10) / 10
}
const words = ref('')
const picked = ref<string | null>(null)
const name = ref('')
const said = ref('')
const busy = ref(false)
const search = ref<HTMLInputElement>()
onMounted(() => nextTick(() => search.value?.focus()))

const found = computed(() => {
  const asked = words.value.toLowerCase().split(/\s+/).filter(Boolean)
  const fits = boats.catalogue.filter((c) => asked.every((w) => `${c.id} ${c.title} ${FAMILY_TITLES[c.family]} ${c.maker}`.toLowerCase().includes(w)))
  return fits.slice().sort((a, b) => Number(b.units === props.boat.units) - Number(a.units === props.boat.units))
})
const entry = computed(() => found.value.find((c) => c.id === picked.value) ?? (found.value.length === 1 ? found.value[0] : undefined))
const spot = computed(() => ({ xMm: x.value, yMm: y.value, ...(named.value ? { zMm: z.value, zone: named.value.title } : {}) }))
const zone = computed(() => named.value ?? zoneAt(props.boat.zones, spot.value))
const holes = computed(() => props.boat.holes.map((h) => ({ label: h.label, xMm: h.xMm, yMm: h.yMm, diameterMm: h.diameterMm, state: h.state })))
const flags = computed(() => flagsAt({ zones: props.boat.zones, parts: props.boat.parts, holes: holes.value, wet: props.boat.wet }, spot.value, entry.value?.bolts ?? []))
const edge = computed(() => spotFor(zone.value, spot.value, entry.value?.bolts ?? [], props.boat.duty).edgeMm)

async function place() {
  if (!entry.value) return
  busy.value = true
  said.value = ''
  try {
    const made = await api<SavedFitting>('POST', `/boats/${props.boat.id}/fittings`, { catalogueId: entry.value.id, ...(measured.value ? { measures: measured.value.measures, believe: measured.value.believe } : { xMm: x.value, yMm: y.value }), ...(named.value ? { zone: named.value.code, zMm: z.value } : {}), ...(name.value.trim() ? { name: name.value.trim() } : {}) })
    emit('placed', made.id)
  } catch (error) {
    said.value = error instanceof Error ? error.message : 'It was not placed'
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <ElDialog :model-value="true" title="What goes here?" width="720px" top="7vh" @close="emit('close')">
    <form class="place" @submit.prevent="place">
      <div class="where">
        <MeasureField :boat="boat" :units="units" @measured="follow" />
        <DimensionField v-model="x as number | null" label="x, aft of the stem" :units="units" :disabled="measured !== null" @update:model-value="x = $event ?? x" />
        <DimensionField v-model="y as number | null" label="y, to starboard" :units="units" :disabled="measured !== null" @update:model-value="y = $event ?? y" />
        <DimensionField v-if="named" v-model="z as number | null" label="z, above the waterline" :units="units" @update:model-value="z = $event ?? z" />
        <p><strong>{{ zone?.title ?? 'Off the deck' }}.</strong> <span class="soft">{{ zone ? layupSaid(zone, units) : 'No known surface lies here; the layup would be a guess.' }}</span></p>
        <p v-if="edge !== null" class="soft small">{{ formatLength(edge, units) }} from a bolt to the zone’s edge, on the plan.</p>
        <ul v-if="flags.length" class="flags"><li v-for="f in flags" :key="f.id">{{ sayIn(f.text, units) }}</li></ul>
        <label class="named" for="fitting-name">Name<input id="fitting-name" v-model="name" class="entry" maxlength="120" :placeholder="entry ? `${entry.title.split(',')[0]}${zone ? `, ${zone.title.toLowerCase()}` : ''}` : 'as you call it'" /></label>
      </div>
      <div class="what">
        <label for="what-goes" class="hidden-words">What goes here</label>
        <input id="what-goes" ref="search" v-model="words" class="entry wide" type="search" placeholder="mooring cleat, stanchion, HG-C250 …" autocomplete="off" />
        <ul class="entries" role="radiogroup" aria-label="Catalogue" tabindex="-1">
          <li v-for="c in found" :key="c.id">
            <label :class="{ on: entry?.id === c.id }"><input v-model="picked" type="radio" name="entry" :value="c.id" :checked="entry?.id === c.id" /><span><strong>{{ c.title }}</strong><small><span class="figure">{{ c.id }}</span> · {{ c.maker }} · {{ c.bolts.length }} × {{ c.sizes.join(' or ') }}</small></span></label>
          </li>
          <li v-if="!found.length" class="soft none">Nothing in the catalogue is called “{{ words }}”. Try cleat, bitt, stanchion, pad-eye, winch, foot plate, block.</li>
        </ul>
      </div>
      <p v-if="said" class="said" role="alert">{{ said }}</p>
      <div class="acts"><button type="button" class="act" @click="emit('close')">Leave it</button><button type="submit" class="act main" :disabled="!entry || busy || (measured !== null && (measured.xMm === null || measured.yMm === null))">{{ entry ? `Put ${entry.id} there` : 'Choose a fitting' }}</button></div>
    </form>
  </ElDialog>
</template>

<style scoped>
.place { display: grid; grid-template-columns: 290px 1fr; gap: 16px 24px; }
.where, .what { display: grid; gap: 8px; align-content: start; min-width: 0; }
.flags { margin: 0; padding: 8px 10px 8px 24px; background: var(--short-ground); color: var(--short); font-size: 14px; }
.named { display: grid; gap: 2px; font-weight: 600; }
.wide { width: 100%; min-height: var(--touch); }
.entries { list-style: none; margin: 0; padding: 0; max-height: 330px; overflow-y: auto; border-top: 1px solid var(--line); }
.entries label { display: flex; gap: 10px; align-items: center; padding: 7px 8px; border-bottom: 1px solid var(--line); cursor: pointer; min-height: var(--touch); }
.entries label.on { background: var(--tide-soft); }
.entries input { accent-color: var(--tide); width: 18px; height: 18px; flex: none; }
small { display: block; color: var(--ink-soft); font-size: var(--text-small); }
.none { padding: 12px 8px; }
.said { grid-column: 1 / -1; color: var(--short); font-weight: 600; }
.acts { grid-column: 1 / -1; display: flex; justify-content: flex-end; gap: 10px; }
</style>
