<script setup lang="ts">
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { useEventListener } from '@vueuse/core'
import { useRoute, useRouter } from 'vue-router'
import { LIFE_STATES, lifeSaid, type BoatZone, type Point } from '@north-tide/core'
import { useBoats } from '../../state/boats'
import { useSession } from '../../state/session'
import { useSurvey } from '../../state/survey'
import BoatTabs from './BoatTabs.vue'
import BulkheadView from './BulkheadView.vue'
import ChosenHoles from './choose/ChosenHoles.vue'
import { useChosenHoles } from './choose/chosen-holes'
import HoleBox from './choose/HoleBox.vue'
import PickOne from '../../pieces/PickOne.vue'
import { useTurns } from '../../pieces/turns'
import { useLit } from './map-lit'
import type { Spot3 } from './plan/sheet'
import PlanView from './PlanView.vue'
import SettleFirst from './SettleFirst.vue'
import UnderThePointer from './UnderThePointer.vue'
const PlaceFitting = defineAsyncComponent(() => import('./PlaceFitting.vue'))

const boats = useBoats()
const session = useSession()
const route = useRoute()
const router = useRouter()
const boat = computed(() => boats.picture!)
/** The map first, then what is said beside it, then what chooses among its layers. */
const turn = useTurns(2)
const holes = useChosenHoles()
const { choosing } = holes
const survey = useSurvey()
watch(
  () => boats.picture,
  () => void survey.drawMaps(),
  { immediate: true },
)
watch(
  () => route.params.id,
  (id) => {
    if (typeof id === 'string' && id && id !== boats.picture?.id)
      boats.open(id).catch(() => router.replace(`/boat/${boats.picture?.id ?? ''}`))
  },
  { immediate: true },
)

const LAYERS = ['Structure', 'Holes', 'Fittings', 'Wetness', 'Reach', 'Photos'] as const
const layers = ref<Record<string, boolean>>({
  Structure: true,
  Holes: true,
  Fittings: true,
  Wetness: true,
  Reach: false,
  Photos: false,
})
const view = ref('plan')
const bulkheads = computed(() => boat.value.zones.filter((z) => z.face === 'bulkhead'))
const bulkhead = computed(() => bulkheads.value.find((z) => z.code === view.value) ?? null)
const views = computed(() => [
  { value: 'plan', title: 'plan and profile' },
  ...bulkheads.value.map((b) => ({ value: b.code, title: b.title.toLowerCase() })),
])
const states = [
  { value: '', title: 'every state' },
  ...LIFE_STATES.map((s) => ({ value: s, title: lifeSaid(s) })),
]
const { words, state, litHoles, litFittings, all } = useLit(() => boat.value)
const side = ref<{ zone: BoatZone; spot: { xMm: number; zMm: number } } | null>(null)
const pointer = ref<Point | null>(null)
const cursor = ref<Point>({ xMm: 1500, yMm: 0 })
const placing = ref<Spot3 | null>(null)
const mayPlace = computed(() => session.may('work', boats.picture?.id))
watch(
  () => boat.value.id,
  () =>
    (cursor.value = {
      xMm: Math.round(boat.value.lengthMm * 0.2),
      yMm: -Math.round(boat.value.beamMm * 0.16),
    }),
  { immediate: true },
)

const at = computed(() => pointer.value ?? cursor.value)
function begin(p: Spot3) {
  if (!mayPlace.value) return
  cursor.value = p
  placing.value = p
}
/** Asked for from another place by its key. */
if (route.query.new) {
  void router.replace({ query: {} })
  begin(cursor.value)
}
useEventListener('keydown', (e: KeyboardEvent) => {
  if (
    e.key !== 'n' ||
    e.ctrlKey ||
    e.metaKey ||
    e.altKey ||
    (e.target as HTMLElement).closest('input, select, textarea, .el-dialog')
  )
    return
  e.preventDefault()
  begin(at.value)
})
async function placed(id: string) {
  placing.value = null
  await boats.refresh()
  await router.push(id.startsWith('/') ? id : `/bench/${id}`)
}
</script>

<template>
  <div class="boat-place">
    <header class="top">
      <h1>Plan</h1>
      <BoatTabs here="map" />
      <div class="layers" role="group" aria-label="Layers">
        <label class="hidden-words" for="map-find">Find on the map</label>
        <ElInput
          id="map-find"
          v-model="words"
          class="entry map-find"
          type="search"
          placeholder="light up …"
        />
        <template v-if="turn > 1">
          <label class="hidden-words" for="map-state">Light up holes by state</label>
          <PickOne id="map-state" v-model="state" :options="states" />
          <template v-if="bulkheads.length"
            ><label class="hidden-words" for="map-view">View</label
            ><PickOne id="map-view" v-model="view" :options="views"
          /></template>
          <ElButton
            v-for="l in LAYERS"
            :key="l"
            class="plain layer"
            :aria-pressed="layers[l]"
            @click="layers[l] = !layers[l]"
          >
            {{ l }}
          </ElButton>
        </template>
      </div>
      <div class="begin">
        <ElButton
          v-if="mayPlace && !bulkhead"
          class="act"
          :aria-pressed="choosing"
          @click="choosing ? holes.stop() : (choosing = true)"
          >Close holes</ElButton
        >
        <ElButton v-if="mayPlace" class="act main" @click="begin(cursor)">
          New fitting here <kbd>n</kbd>
        </ElButton>
      </div>
    </header>
    <BulkheadView
      v-if="bulkhead"
      class="plan"
      :boat="boat"
      :zone="bulkhead"
      :units="boats.units"
      :layers="layers"
      :lit="litHoles"
      @place="begin"
      @hole="router.push(`/register/${$event}`)"
      @fitting="router.push(`/bench/${$event}`)"
    />
    <PlanView
      v-else
      class="plan"
      :lit="litHoles"
      :lit-fittings="litFittings"
      @side="side = $event"
      :boat="boat"
      :units="boats.units"
      :layers="layers"
      :cursor="cursor"
      @point="pointer = $event"
      @move="cursor = $event"
      @place="begin"
      @fitting="router.push(`/bench/${$event}`)"
      @through-hull="router.push(`/through-hulls/${$event}`)"
      @hole="router.push(`/register/${$event}`)"
    >
      <template #default="{ signs, transform }"
        ><HoleBox
          v-if="choosing"
          :signs="signs"
          :transform="transform"
          :allowed="holes.allowed.value"
          :chosen="holes.chosen"
          @toggle="holes.toggle"
      /></template>
    </PlanView>
    <aside v-if="choosing" class="side" tabindex="0" aria-label="Holes to close">
      <ChosenHoles :holes="holes" />
    </aside>
    <aside v-else-if="turn > 0" class="side" tabindex="0" aria-label="Settle first, and signs">
      <SettleFirst :boat="boat" :units="boats.units" :lit="litHoles" :lit-fittings="litFittings" @all="all" />
    </aside>
    <UnderThePointer
      :boat="boat"
      :units="boats.units"
      :at="at"
      :side="side"
      :pointed="pointer !== null || side !== null"
    />
    <PlaceFitting
      v-if="placing"
      :boat="boat"
      :units="boats.units"
      :at="placing"
      @close="placing = null"
      @placed="placed"
    />
  </div>
</template>

<style scoped>
.boat-place {
  display: grid;
  grid-template: auto minmax(0, 1fr) 92px / minmax(0, 1fr) 300px;
  height: 100%;
}
.top {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: auto 1fr auto;
  align-items: center;
  gap: 0 14px;
  padding: 4px 20px;
  border-bottom: 1px solid var(--line-strong);
}
.layers {
  display: flex;
  gap: 4px 12px;
  align-items: center;
  flex-wrap: wrap;
  grid-column: 1 / -1;
  grid-row: 2;
}
.begin {
  grid-row: 1;
  grid-column: 3;
  display: flex;
  gap: 8px;
}
.map-find {
  width: 150px;
}
.layer {
  min-height: var(--touch);
  padding: 0 2px;
  color: var(--ink-soft);
}
.layer[aria-pressed='true'] {
  color: var(--ink);
  font-weight: 700;
  text-decoration: underline;
  text-decoration-thickness: 2px;
  text-decoration-color: var(--tide);
  text-underline-offset: 5px;
}
.plan {
  min-width: 0;
  min-height: 0;
}
.side {
  border-left: 1px solid var(--line-strong);
  padding: 12px 16px;
  overflow-y: auto;
}
@media (max-width: 1100px) {
  .boat-place {
    grid-template-columns: minmax(0, 1fr) 240px;
  }
}
@media (max-width: 767px) {
  .boat-place {
    display: block;
    height: auto;
  }
  .top {
    display: flex;
    flex-wrap: wrap;
    padding: 4px 14px;
  }
  .begin {
    margin-left: auto;
  }
  .begin kbd {
    display: none;
  }
  .layers {
    flex: 1 1 100%;
  }
  .map-find {
    flex: 1 1 110px;
    min-width: 0;
  }
  .plan {
    height: 62dvh;
  }
  .side {
    border-left: 0;
    overflow: visible;
    padding: 12px 14px;
  }
}
</style>
