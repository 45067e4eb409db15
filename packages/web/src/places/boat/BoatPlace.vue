<script setup lang="ts">
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { useEventListener } from '@vueuse/core'
import { useRoute, useRouter } from 'vue-router'
import {
  LIFE_STATES,
  lifeSaid,
  formatLength,
  underPointer,
  underSide,
  type BoatZone,
  type Point,
  checkNamed,
} from '@north-tide/core'
import { useBoats } from '../../state/boats'
import { useSession } from '../../state/session'
import { useSurvey } from '../../state/survey'
import LifeSign from '../../pieces/LifeSign.vue'
import VerdictSign from '../../pieces/VerdictSign.vue'
import BoatTabs from './BoatTabs.vue'
import BulkheadView from './BulkheadView.vue'
import ChosenHoles from './choose/ChosenHoles.vue'
import { useChosenHoles } from './choose/chosen-holes'
import HoleBox from './choose/HoleBox.vue'
import PlanView, { type Spot3 } from './PlanView.vue'
import PickOne from '../../pieces/PickOne.vue'
const PlaceFitting = defineAsyncComponent(() => import('./PlaceFitting.vue'))

const boats = useBoats()
const session = useSession()
const route = useRoute()
const router = useRouter()
const boat = computed(() => boats.picture!)
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
/** Words and a state light up what they mean on the map; all else goes faint. */
const words = ref('')
const state = ref('')
const asked = computed(() => words.value.toLowerCase().split(/\s+/).filter(Boolean))
const litHoles = computed(() => {
  if (!asked.value.length && !state.value) return null
  return new Set(
    boat.value.holes
      .filter(
        (h) =>
          (!state.value || h.state === state.value) &&
          asked.value.every((w) =>
            `${h.label} ${h.whatFor} ${h.zone} ${lifeSaid(h.state)} ${h.fastener} ${h.foundKind ?? ''}`
              .toLowerCase()
              .includes(w),
          ),
      )
      .map((h) => h.id),
  )
})
const litFittings = computed(() =>
  asked.value.length
    ? new Set(
        boat.value.fittings
          .filter((f) =>
            asked.value.every((w) =>
              `${f.name} ${f.family} ${f.verdict} ${f.zone ?? ''} ${f.stale ? 'stale' : ''}`
                .toLowerCase()
                .includes(w),
            ),
          )
          .map((f) => f.id),
      )
    : state.value
      ? new Set<string>()
      : null,
)
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
const labelled = computed(() => boat.value.holes.map((h) => ({ label: h.label, xMm: h.xMm, yMm: h.yMm })))
const under = computed(() =>
  side.value
    ? underSide(side.value.zone, boat.value.wet[side.value.zone.code] ?? [], side.value.spot, boats.units)
    : underPointer(
        { zones: boat.value.zones, parts: boat.value.parts, holes: labelled.value, wet: boat.value.wet },
        at.value,
        boats.units,
      ),
)
const atSaid = computed(() => {
  const mm = (v: number) => formatLength(Math.abs(Math.round(v)), boats.units)
  if (side.value) {
    const { xMm, zMm } = side.value.spot
    return `x ${mm(xMm)} \u00b7 ${mm(zMm)} ${zMm < 0 ? 'under' : 'over'} water`
  }
  const { xMm, yMm } = at.value
  const across = Math.round(yMm) === 0 ? 'centreline' : `${yMm > 0 ? 'stbd' : 'port'} ${mm(yMm)}`
  return `x ${mm(xMm)} \u00b7 ${across}`
})
const nearest = computed(() => {
  if (side.value) return null
  let found: { h: (typeof labelled.value)[number]; mm: number } | null = null
  for (const h of labelled.value) {
    const mm = Math.hypot(h.xMm - at.value.xMm, h.yMm - at.value.yMm)
    if (!found || mm < found.mm) found = { h, mm }
  }
  if (!found) return ''
  const dx = Math.round(at.value.xMm - found.h.xMm)
  const dy = Math.round(at.value.yMm - found.h.yMm)
  return `${formatLength(Math.abs(dx), boats.units)} ${dx >= 0 ? 'aft' : 'forward'}, ${formatLength(Math.abs(dy), boats.units)} to ${dy >= 0 ? 'starboard' : 'port'} of ${found.h.label}`
})
const ORDER = { short: 0, unproven: 1, tight: 2, holds: 3 }
/** What was replaced is no longer in the hull. */
const settleThroughHull = computed(() =>
  boat.value.throughHulls
    .filter((f) => f.verdict !== 'holds' && !boat.value.throughHulls.some((o) => o.replacesId === f.id))
    .slice()
    .sort((a, b) => ORDER[a.verdict] - ORDER[b.verdict]),
)
const settle = computed(() =>
  [...boat.value.fittings, ...boat.value.others]
    .filter((f) => f.verdict !== 'holds' || f.stale)
    .slice()
    .sort((a, b) => ORDER[a.verdict] - ORDER[b.verdict]),
)
const suspects = computed(() => boat.value.holes.filter((h) => h.state === 'suspect'))
const counted = computed(() =>
  LIFE_STATES.map((s) => ({ state: s, n: boat.value.holes.filter((h) => h.state === s).length })),
)

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
    <aside v-else class="side" tabindex="0" aria-label="Settle first, and signs">
      <div class="group">
        <h2>Settle first</h2>
        <span class="soft small"
          >{{ settle.length + settleThroughHull.length }} fitting{{
            settle.length + settleThroughHull.length === 1 ? '' : 's'
          }}</span
        >
      </div>
      <p v-if="!boat.fittings.length && !boat.throughHulls.length && !boat.others.length" class="soft">
        No fitting stands on this boat yet. Click the deck where one goes.
      </p>
      <p v-else-if="!settle.length && !settleThroughHull.length" class="soft">Every fitting holds.</p>
      <ul class="list">
        <li v-for="f in settle" :key="f.id">
          <RouterLink :to="`/bench/${f.id}`"
            ><VerdictSign :verdict="f.verdict" :size="16" /><span
              ><strong>{{ f.name }}</strong
              ><small
                >{{ f.stale ? 'stale, judged again: ' : ''
                }}{{ f.solverDue ? 'hand checks only so far: ' : '' }}{{ f.verdict
                }}{{ f.governing ? `: ${checkNamed(f.governing).toLowerCase()}` : '' }}</small
              ></span
            ></RouterLink
          >
        </li>
        <li v-for="f in settleThroughHull" :key="f.id">
          <RouterLink :to="`/through-hulls/${f.id}`"
            ><VerdictSign :verdict="f.verdict" :size="16" /><span
              ><strong>{{ f.name }}</strong
              ><small
                >through the hull, {{ f.verdict
                }}{{ f.governing ? `: ${checkNamed(f.governing).toLowerCase()}` : '' }}</small
              ></span
            ></RouterLink
          >
        </li>
        <li v-if="suspects.length">
          <RouterLink to="/register?state=suspect"
            ><LifeSign state="suspect" /><span
              ><strong>{{ suspects.length }} suspect holes</strong
              ><small
                >{{
                  suspects
                    .slice(0, 4)
                    .map((h) => h.label)
                    .join(', ')
                }}{{ suspects.length > 4 ? ' …' : '' }}</small
              ></span
            ></RouterLink
          >
        </li>
      </ul>
      <div class="group signs-head">
        <h2>Signs</h2>
        <span class="soft small">life of a hole</span>
      </div>
      <ul class="signs">
        <li v-for="c in counted" :key="c.state">
          <LifeSign :state="c.state" /> {{ lifeSaid(c.state) }}
          <span class="figure soft">{{ c.n || '' }}</span>
        </li>
      </ul>
      <p v-if="litHoles" class="soft small lit" role="status">
        {{ litHoles.size }} of {{ boat.holes.length }} holes lit{{
          litFittings?.size ? `, ${litFittings.size} fittings` : ''
        }}.
        <ElButton
          class="plain link"
          @click="
            () => {
              words = ''
              state = ''
            }
          "
        >
          Show all
        </ElButton>
      </p>
      <p class="files small no-print">
        Map as <a :href="`/api/boats/${boat.id}/map.pdf?units=${boats.units}`" download>PDF</a>,
        <a :href="`/api/boats/${boat.id}/map.svg?units=${boats.units}`" download>SVG</a>,
        <a :href="`/api/boats/${boat.id}/map.dxf?units=${boats.units}`" download>DXF</a>
      </p>
      <p v-if="boat.note" class="soft small note">{{ boat.note }}</p>
    </aside>
    <footer class="under" aria-live="off">
      <div>
        <span class="soft small">{{ pointer || side ? 'under the pointer' : 'at the cursor' }}</span><strong
          class="figure place-figure"
          >{{ atSaid }}</strong
        >
      </div>
      <p>
        <strong>{{ under.title }}.</strong> {{ under.words }}
      </p>
      <div class="from">
        <span class="soft small">from the nearest hole</span
        ><span class="figure">{{ nearest || 'no hole yet' }}</span>
      </div>
    </footer>
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
.link {
  color: var(--tide);
  text-decoration: underline;
  min-height: 32px;
}
.lit {
  padding: 8px 0;
}
.files {
  padding-top: 12px;
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
.list {
  list-style: none;
  margin: 0 0 14px;
  padding: 0;
}
.list a {
  display: flex;
  gap: 11px;
  align-items: flex-start;
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
  color: inherit;
  text-decoration: none;
  min-height: var(--touch);
}
.list a:hover strong {
  text-decoration: underline;
}
.list svg {
  margin-top: 3px;
}
small {
  display: block;
  color: var(--ink-soft);
  font-size: var(--text-small);
}
.signs {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 7px 8px;
  font-size: 0.875rem;
}
.signs li {
  display: flex;
  align-items: center;
  gap: 7px;
  white-space: nowrap;
}
.note {
  margin-top: 14px;
}
.under {
  grid-column: 1 / -1;
  border-top: 1px solid var(--ink);
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr) 260px;
  gap: 20px;
  padding: 10px 20px;
  align-items: start;
  overflow: hidden;
}
.under div {
  display: grid;
  gap: 2px;
}
.place-figure {
  font-size: 1rem;
}
.from {
  text-align: right;
}
@media (max-width: 1100px) {
  .boat-place {
    grid-template-columns: minmax(0, 1fr) 240px;
  }
  .signs {
    grid-template-columns: 1fr;
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
  .under {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 4px;
    padding: 8px 14px;
    border-bottom: 1px solid var(--line-strong);
  }
  .from {
    text-align: left;
  }
  .side {
    border-left: 0;
    overflow: visible;
    padding: 12px 14px;
  }
  .signs {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
