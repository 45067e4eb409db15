<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import { ElDialog } from 'element-plus'
import 'element-plus/es/components/dialog/style/css'
import {
  FAMILY_TITLES,
  flagsAt,
  layupSaid,
  sayIn,
  spotFor,
  zoneAt,
  formatForce,
  formatLength,
  type Units,
  zoneTitle,
} from '@north-tide/core'
import { api } from '../../api'
import { useBoats } from '../../state/boats'
import {
  THROUGH_HULL_CATALOGUE,
  THROUGH_HULL_FAMILY,
  USES,
  USE_TITLES,
  hullAt,
  type ThroughHullEntry,
  type Use,
} from '@north-tide/core/through-hull'
import { CLOSURE_CATALOGUE, CLOSURE_FAMILY } from '@north-tide/core/closure'
import { RIG_CATALOGUE, RIG_FAMILY, SET_FAMILIES, type RigEntry } from '@north-tide/core/rig'
import { ROW_CATALOGUE, ROW_FAMILY } from '@north-tide/core/row'
import { OPENING_CATALOGUE, OPENING_FAMILY, sizeSaid } from '@north-tide/core/opening'
import type { BoatPicture, SavedThroughHull, SavedFitting } from '../../types'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import BoatSketch from './BoatSketch.vue'
import MeasureField, { type Measured } from '../../pieces/MeasureField.vue'
import type { Spot3 } from './PlanView.vue'

const props = defineProps<{ boat: BoatPicture; units: Units; at: Spot3 }>()
const emit = defineEmits<{ close: []; placed: [id: string] }>()

const boats = useBoats()
const x = ref(props.at.xMm)
const y = ref(props.at.yMm)
const z = ref(props.at.zMm ?? -300)
const measured = ref<Measured | null>(null)
/** On the deck, or through the hull: what the place itself says, until somebody says otherwise. */
const face = props.boat.zones.find((q) => q.code === props.at.zone)?.face ?? ''
const way = ref<'deck' | 'hull' | 'opening' | 'rig' | 'row' | 'closure'>(
  ['bottom', 'topsides'].includes(face) ? 'hull' : 'deck',
)
const through = computed(() => way.value === 'hull')
const deadrise = ref<number | null>(null)
const use = ref<Use | ''>('')
const throughHull = computed(() => {
  const asked = words.value.toLowerCase().split(/\s+/).filter(Boolean)
  return THROUGH_HULL_CATALOGUE.filter((c) =>
    asked.every((w) =>
      `${c.id} ${c.title} ${THROUGH_HULL_FAMILY[c.family].title} ${USE_TITLES[c.use]}`
        .toLowerCase()
        .includes(w),
    ),
  )
})
const throughHullPicked = computed<ThroughHullEntry | undefined>(
  () =>
    throughHull.value.find((c) => c.id === picked.value) ??
    (throughHull.value.length === 1 ? throughHull.value[0] : undefined),
)
const hull = computed(() =>
  hullAt(props.boat.zones, { xMm: x.value, yMm: y.value, zMm: z.value, zone: named.value?.code ?? null }),
)
/** As it was measured, with what is believed of it, or as it was pointed at. */
const where = () =>
  measured.value
    ? { measures: measured.value.measures, believe: measured.value.believe }
    : { xMm: x.value, yMm: y.value }
async function placeThroughHull() {
  if (!throughHullPicked.value) return
  busy.value = true
  said.value = ''
  try {
    const made = await api<SavedThroughHull>('POST', `/boats/${props.boat.id}/fittings`, {
      catalogueId: throughHullPicked.value.id,
      ...where(),
      zMm: z.value,
      ...(named.value ? { zone: named.value.code } : {}),
      ...(deadrise.value === null ? {} : { deadriseDeg: deadrise.value }),
      ...(use.value ? { use: use.value } : {}),
      ...(name.value.trim() ? { name: name.value.trim() } : {}),
    })
    emit('placed', `/through-hulls/${made.id}`)
  } catch (error) {
    said.value = error instanceof Error ? error.message : 'It was not placed'
  } finally {
    busy.value = false
  }
}
const named = computed(() =>
  props.at.zone ? props.boat.zones.find((q) => q.code === props.at.zone) : undefined,
)
function follow(m: Measured | null) {
  measured.value = m
  if (m?.xMm == null || m.yMm == null) return
  x.value = Math.round(m.xMm * 10) / 10
  y.value = Math.round(m.yMm * 10) / 10
}
const WAYS = {
  deck: 'on deck, roof, coaming or transom',
  hull: 'through the hull',
  opening: 'an opening: hatch, portlight, lid',
  rig: 'the rig: chainplate, strap; strut, post, knee; a bonded plate',
  row: 'a row along an edge: stanchions, track, strake',
  closure: 'closing: old holes, a leaking joint; a block made in house',
} as const
const EXAMPLES = {
  deck: 'mooring cleat, stanchion, HG-C250 …',
  hull: 'seacock, transducer, MV-S114 …',
  opening: 'hatch, portlight, CL-H52 …',
  rig: 'chainplate, stem, BS-K6 …',
  row: 'stanchions, handrail, strake, HG-ROW-S25 …',
  closure: 'hole, several, torn, CX-1 …',
} as const
const TRY = {
  deck: 'cleat, bitt, stanchion, pad-eye, winch, foot plate, block',
  hull: 'seacock, transducer, drain, vent',
  opening: 'hatch, portlight, lid, inspection port, cover, ventilator',
  rig: 'chainplate on a knee, outside, bonded, stem, strut, post, knee',
  row: 'stanchions, brackets, handrail, track, strake',
  closure: 'hole, several, torn',
} as const
const words = ref('')
const picked = ref<string | null>(null)
const name = ref('')
const said = ref('')
const busy = ref(false)
const search = ref<HTMLInputElement>()
/** Whoever types already is not taken out of his field when the dialog has come to rest. */
const toSearch = () => {
  if (!(document.activeElement instanceof HTMLInputElement)) search.value?.focus()
}
onMounted(() => nextTick(toSearch))

interface Row {
  id: string
  title: string
  maker: string
  units: Units
  /** what it is, for whoever searches by it */
  what: string
  /** how it is held, beside its number */
  held: string
  bolts: { xMm: number; yMm: number }[]
}
const closing = (): Row[] =>
  CLOSURE_CATALOGUE.map((c) => ({ ...c, what: CLOSURE_FAMILY[c.family].title, held: '', bolts: [] }))
const rigged = (): Row[] =>
  RIG_CATALOGUE.map((c) => ({
    ...c,
    what: RIG_FAMILY[c.family].title,
    held: c.set ? '' : formatForce(c.breakingN, props.units),
    bolts: [],
  }))
const inRows = (): Row[] =>
  ROW_CATALOGUE.map((c) => ({
    ...c,
    what: ROW_FAMILY[c.family].title,
    held: `about ${formatLength(c.pitch.wantedMm, props.units)} apart`,
    bolts: [],
  }))
const openings = (): Row[] =>
  OPENING_CATALOGUE.map((c) => ({
    ...c,
    what: OPENING_FAMILY[c.family].title,
    held: sizeSaid(c.outline, (v) => formatLength(v, props.units)),
    bolts: [],
  }))
const onDeck = (): Row[] =>
  boats.catalogue.map((c) => ({
    ...c,
    what: FAMILY_TITLES[c.family],
    held: `${c.bolts.length} × ${c.sizes.join(' or ')}`,
  }))
const GOODS: Record<keyof typeof WAYS, () => Row[]> = {
  deck: onDeck,
  hull: () => [],
  opening: openings,
  rig: rigged,
  row: inRows,
  closure: closing,
}
const goods = computed<Row[]>(() => GOODS[way.value]())
const found = computed(() => {
  const asked = words.value.toLowerCase().split(/\s+/).filter(Boolean)
  const fits = goods.value.filter((c) =>
    asked.every((w) => `${c.id} ${c.title} ${c.what} ${c.maker}`.toLowerCase().includes(w)),
  )
  return fits
    .slice()
    .sort((a, b) => Number(b.units === props.boat.units) - Number(a.units === props.boat.units))
})
const entry = computed(
  () =>
    found.value.find((c) => c.id === picked.value) ?? (found.value.length === 1 ? found.value[0] : undefined),
)
const spot = computed(() => ({
  xMm: x.value,
  yMm: y.value,
  ...(named.value ? { zMm: z.value, zone: named.value.title } : {}),
}))
const zone = computed(() => named.value ?? zoneAt(props.boat.zones, spot.value))
const holes = computed(() =>
  props.boat.holes.map((h) => ({
    label: h.label,
    xMm: h.xMm,
    yMm: h.yMm,
    diameterMm: h.diameterMm,
    state: h.state,
  })),
)
const flags = computed(() =>
  flagsAt(
    { zones: props.boat.zones, parts: props.boat.parts, holes: holes.value, wet: props.boat.wet },
    spot.value,
    entry.value?.bolts ?? [],
  ),
)
const edge = computed(() => spotFor(zone.value, spot.value, entry.value?.bolts ?? [], props.boat.duty).edgeMm)

/** What is set or tabbed into the hull stands on the bottom under the place, unless another is pointed at. */
const setIn = computed(() => {
  const family = way.value === 'rig' ? (entry.value as Partial<RigEntry> | undefined)?.family : undefined
  return family !== undefined && SET_FAMILIES.includes(family)
})
const onSurface = computed(() => named.value?.code ?? (setIn.value ? hull.value.zone : null))
async function place() {
  if (!entry.value) return
  busy.value = true
  said.value = ''
  try {
    const made = await api<SavedFitting>('POST', `/boats/${props.boat.id}/fittings`, {
      catalogueId: entry.value.id,
      ...where(),
      ...(onSurface.value ? { zone: onSurface.value, zMm: z.value } : {}),
      ...(name.value.trim() ? { name: name.value.trim() } : {}),
    })
    emit('placed', made.id)
  } catch (error) {
    said.value = error instanceof Error ? error.message : 'It was not placed'
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <ElDialog
    :model-value="true"
    title="What goes here?"
    width="720px"
    top="7vh"
    @opened="toSearch"
    @close="emit('close')"
  >
    <form class="place" @submit.prevent="through ? placeThroughHull() : place()">
      <ElRadioGroup v-model="way" class="ways" aria-label="Where it goes"
        ><ElRadio v-for="(t, w) in WAYS" :key="w" :value="w" border>{{ t }}</ElRadio></ElRadioGroup
      >
      <div class="where">
        <MeasureField :boat="boat" :units="units" @measured="follow" />
        <DimensionField
          v-model="x as number | null"
          label="x, aft of the stem"
          :units="units"
          :disabled="measured !== null"
          @update:model-value="x = $event ?? x"
        />
        <DimensionField
          v-model="y as number | null"
          label="y, to starboard"
          :units="units"
          :disabled="measured !== null"
          @update:model-value="y = $event ?? y"
        />
        <DimensionField
          v-if="named || through || setIn"
          v-model="z as number | null"
          label="z, above the waterline"
          :units="units"
          @update:model-value="z = $event ?? z"
        />
        <template v-if="through">
          <DimensionField
            v-model="deadrise"
            label="Deadrise, measured"
            kind="angle"
            :units="units"
            :least="0"
            :most="79"
            optional
            :placeholder="String(hull.hull.deadriseDeg)"
          />
          <ChoiceField
            v-model="use"
            label="For"
            :options="[
              { value: '', title: throughHullPicked ? USE_TITLES[throughHullPicked.use] : 'as usual' },
              ...USES.map((u) => ({ value: u, title: USE_TITLES[u] })),
            ]"
          />
          <p>
            <strong
              >{{ hull.zone === null ? 'No known hull here' : zoneTitle(boat.zones, hull.zone) }}.</strong
            >
            <span class="soft"
              >{{ hull.hull.kind }}, {{ hull.hull.measured ? '' : '~'
              }}{{ formatLength(hull.hull.thicknessMm, units)
              }}{{ z < 0 ? `, ${formatLength(-z, units)} under water at rest` : ', above the water' }}</span
            >
          </p>
        </template>
        <p v-if="!through">
          <strong>{{ zone?.title ?? 'Off the deck' }}.</strong>
          <span class="soft">{{
            zone ? layupSaid(zone, units) : 'No known surface lies here; the layup would be a guess.'
          }}</span>
        </p>
        <p v-if="edge !== null && !through" class="soft small">
          {{ formatLength(edge, units) }} from a bolt to the zone’s edge, on the plan.
        </p>
        <ul v-if="flags.length && !through" class="flags">
          <li v-for="f in flags" :key="f.id">{{ sayIn(f.text, units) }}</li>
        </ul>
        <BoatSketch
          v-if="!through && x !== null && y !== null"
          :boat="boat"
          :units="units"
          :spot="{ xMm: x, yMm: y }"
          label="Where it goes"
        />
        <label class="named" for="fitting-name"
          >Name<ElInput
            id="fitting-name"
            v-model="name"
            class="entry"
            maxlength="120"
            :placeholder="
              through
                ? (throughHullPicked?.title.split(',')[0] ?? 'as you call it')
                : entry
                  ? `${entry.title.split(',')[0]}${zone ? `, ${zone.title.toLowerCase()}` : ''}`
                  : 'as you call it'
            "
        /></label>
      </div>
      <div class="what">
        <label for="what-goes" class="hidden-words">What goes here</label>
        <ElInput
          id="what-goes"
          ref="search"
          v-model="words"
          class="entry wide"
          type="search"
          :placeholder="EXAMPLES[way]"
          autocomplete="off"
        />
        <ul
          v-if="through"
          class="entries"
          role="radiogroup"
          aria-label="Through-hull catalogue"
          tabindex="-1"
        >
          <li v-for="c in throughHull" :key="c.id">
            <ElRadio
              :class="{ on: throughHullPicked?.id === c.id }"
              :model-value="throughHullPicked?.id"
              :value="c.id"
              @change="picked = c.id"
              ><span
                ><strong>{{ c.title }}</strong
                ><small
                  ><span class="figure">{{ c.id }}</span> · {{ c.maker }} ·
                  {{ THROUGH_HULL_FAMILY[c.family].title }}</small
                ></span
              ></ElRadio
            >
          </li>
          <li v-if="!throughHull.length" class="soft none">
            Nothing is called “{{ words }}”. Try seacock, composite, sea chest, scupper, transducer, garboard,
            anode.
          </li>
        </ul>
        <ul v-else class="entries" role="radiogroup" aria-label="Catalogue" tabindex="-1">
          <li v-for="c in found" :key="c.id">
            <ElRadio
              :class="{ on: entry?.id === c.id }"
              :model-value="entry?.id"
              :value="c.id"
              @change="picked = c.id"
              ><span
                ><strong>{{ c.title }}</strong
                ><small
                  ><span class="figure">{{ c.id }}</span>
                  {{
                    [c.maker, c.held]
                      .filter(Boolean)
                      .map((w) => ` · ${w}`)
                      .join('')
                  }}</small
                ></span
              ></ElRadio
            >
          </li>
          <li v-if="!found.length" class="soft none">
            Nothing in the catalogue is called “{{ words }}”. Try {{ TRY[way] }}.
          </li>
        </ul>
      </div>
      <p v-if="said" class="said" role="alert">{{ said }}</p>
      <div class="acts">
        <ElButton class="act" @click="emit('close')">Leave it</ElButton
        ><ElButton
          v-if="through"
          native-type="submit"
          class="act main"
          :disabled="!throughHullPicked || busy"
        >
          {{ throughHullPicked ? `Put ${throughHullPicked.id} there` : 'Choose a fitting' }}</ElButton
        ><ElButton
          v-else
          native-type="submit"
          class="act main"
          :disabled="
            !entry || busy || (measured !== null && (measured.xMm === null || measured.yMm === null))
          "
        >
          {{ entry ? `Put ${entry.id} there` : 'Choose a fitting' }}
        </ElButton>
      </div>
    </form>
  </ElDialog>
</template>

<style scoped>
.place {
  display: grid;
  grid-template-columns: 290px 1fr;
  gap: 16px 24px;
}
.ways {
  grid-column: 1 / -1;
  display: flex;
  gap: 10px;
}
.ways label {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: var(--touch);
  padding: 0 12px;
  border: 1px solid var(--line-strong);
  cursor: pointer;
}
.ways label.on {
  border-color: var(--tide);
  background: var(--tide-soft);
  font-weight: 600;
}
.ways input {
  accent-color: var(--tide);
  width: 18px;
  height: 18px;
}
.where,
.what {
  display: grid;
  gap: 8px;
  align-content: start;
  min-width: 0;
}
.flags {
  margin: 0;
  padding: 8px 10px 8px 24px;
  background: var(--short-ground);
  color: var(--short);
  font-size: 0.875rem;
}
.named {
  display: grid;
  gap: 2px;
  font-weight: 600;
}
.wide {
  width: 100%;
  min-height: var(--touch);
}
.entries {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 330px;
  overflow-y: auto;
  border-top: 1px solid var(--line);
}
.entries label {
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 7px 8px;
  border-bottom: 1px solid var(--line);
  cursor: pointer;
  min-height: var(--touch);
}
.entries label.on {
  background: var(--tide-soft);
}
.entries input {
  accent-color: var(--tide);
  width: 18px;
  height: 18px;
  flex: none;
}
small {
  display: block;
  color: var(--ink-soft);
  font-size: var(--text-small);
}
.none {
  padding: 12px 8px;
}
.said {
  grid-column: 1 / -1;
  color: var(--short);
  font-weight: 600;
}
.acts {
  grid-column: 1 / -1;
  display: flex;
  justify-content: flex-end;
  gap: 10px;
}
@media (max-width: 767px) {
  .place {
    grid-template-columns: minmax(0, 1fr);
  }
  .ways {
    flex-wrap: wrap;
  }
}
</style>
