<script setup lang="ts">
import { computed, defineAsyncComponent, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useDebounceFn } from '@vueuse/core'
import { LIFE_STATES, lifeSaid, type LifeState } from '@north-tide/core'
import { api } from '../../api'
import { useBoats } from '../../state/boats'
import { usePhone } from '../../state/phone'
import { useWaiting } from '../../state/waiting'
import { useSession } from '../../state/session'
import LongTable from '../../pieces/LongTable.vue'
import LifeSign from '../../pieces/LifeSign.vue'
import HolePanel from './HolePanel.vue'
import { useColumns } from './columns'
import { GROUPED, isGroup, useGroups, type GroupBy } from './groups'
import ManyHoles from './ManyHoles.vue'
import PickOne from '../../pieces/PickOne.vue'
import SavedViews from '../../pieces/SavedViews.vue'

const boats = useBoats()
const { holesWaiting, holesRefused } = useWaiting()
const session = useSession()
const phone = usePhone()
const [route, router] = [useRoute(), useRouter()]
const said = (key: string) => String(route.query[key] ?? '')
const words = ref(said('find'))
const known = (s: string) => ((LIFE_STATES as readonly string[]).includes(s) ? (s as LifeState) : 'all')
const state = ref<LifeState | 'all'>(known(said('state')))
const zone = ref(said('zone'))
watch(
  () => route.query.state,
  (s) => s !== undefined && (state.value = known(String(s))),
)
const PassportPanel = defineAsyncComponent(() => import('./PassportPanel.vue'))
const passport = ref(false)
/** The map beside the table: what is listed is lit on it, and a hole pressed there opens here. */
const PlanView = defineAsyncComponent(() => import('../boat/PlanView.vue'))
const MAP_LAYERS = { Structure: true, Fittings: true, Holes: true }
const map = ref(said('map') !== '')
const lit = computed(() =>
  open.value !== null
    ? new Set([open.value])
    : rows.value.length === boat.value.holes.length
      ? null
      : new Set(rows.value.map((h) => h.id)),
)
const pointer = reactive({ xMm: 0, yMm: 0 })
const boat = computed(() => boats.picture!)
const states = computed(() => [
  { value: 'all' as const, title: 'every state' },
  ...LIFE_STATES.map((s) => ({
    value: s,
    title: `${lifeSaid(s)} (${boat.value.holes.filter((h) => h.state === s).length})`,
  })),
])
const zones = computed(() => [
  { value: '', title: 'every zone' },
  ...[...new Set(boat.value.holes.map((h) => h.zone))].sort().map((value) => ({ value, title: value })),
])
const open = computed(() => Number(route.params.hole) || null)
/** What each hole is found by: made once for a boat, and not with every key. */
const found = computed(() =>
  boat.value.holes.map((h) =>
    `${h.label} ${h.whatFor} ${h.zone} ${lifeSaid(h.state)} ${h.fastener} ${h.who}`.toLowerCase(),
  ),
)
const rows = computed(() => {
  const asked = words.value.toLowerCase().split(/\s+/).filter(Boolean)
  // Read once, and not for each of thousands of holes: every reading of a ref is written down.
  const [kept, z, by] = [state.value, zone.value, found.value]
  return boat.value.holes.filter(
    (h, i) =>
      (kept === 'all' || h.state === kept) && (!z || h.zone === z) && asked.every((w) => by[i]!.includes(w)),
  )
})
type Row = (typeof boat.value.holes)[number]
const to = (id: number | null) => ({
  path: id === null ? '/register' : `/register/${id}`,
  query: route.query,
})
/** What is asked for, as it stands in every row's address: worked out once, and not by a link in each row. */
const asked = computed(() => router.resolve({ query: route.query }).href.replace(/^[^?]*/, ''))
const openHole = (row: Row) => (isHead(row) ? undefined : router.push(to(row.id)))
const group = ref<GroupBy>(isGroup(said('group')) ? (said('group') as GroupBy) : '')
const { listed, heads, isHead } = useGroups(rows, group)
const columns = useColumns({
  narrow: computed(() => Boolean(open.value || map.value || phone.value)),
  many: computed(() => many.value),
  grouped: computed(() => group.value !== ''),
  head: (h) => (isHead(h) ? heads.get(h.id) : undefined),
})
/** The address keeps what is shown: a view is kept by its link, and shown to somebody by it. */
const settle = useDebounceFn((query: Record<string, string>) => router.replace({ query }), 250)
watch([words, state, zone, () => group.value, map], ([find, s, z, g, m]) => {
  const query = {
    ...(m ? { map: '1' } : {}),
    ...(find ? { find } : {}),
    ...(s === 'all' ? {} : { state: s }),
    ...(z ? { zone: z } : {}),
    ...(g ? { group: g } : {}),
  }
  // Not with every key: each change of the address draws every row in view anew.
  void settle(query)
})
/** A view that was kept is taken: what stands in its address is looked for. */
function taken(q: Record<string, string>) {
  words.value = q.find ?? ''
  state.value = known(q.state ?? '')
  zone.value = q.zone ?? ''
  group.value = isGroup(q.group ?? '') ? ((q.group ?? '') as GroupBy) : ''
  map.value = Boolean(q.map)
}
/** Many at once: chosen by their boxes, or all that are shown. */
const many = ref(false)
const chosen = ref(new Set<number>())
const choose = (id: number, on: boolean) => {
  const next = new Set(chosen.value)
  if (on) next.add(id)
  else next.delete(id)
  chosen.value = next
}
const chooseAll = (on: boolean) => (chosen.value = new Set(on ? rows.value.map((h) => h.id) : []))
const survey = ref<string | null>(null)
const since = computed(() => `/boat/${boat.value.id}/history?from=${survey.value}`)
watch(
  () => boat.value.id,
  async (id) => {
    survey.value =
      (await api<{ day: string | null }>('GET', `/boats/${id}/last-survey`).catch(() => null))?.day ?? null
  },
  { immediate: true },
)
</script>

<template>
  <div class="register" :class="{ split: open || map }">
    <header class="top">
      <h1>Register</h1>
      <label class="hidden-words" for="register-find">Find in the register</label>
      <ElInput
        id="register-find"
        v-model="words"
        class="entry find"
        type="search"
        placeholder="number, fitting, zone, who …"
      />
      <label class="hidden-words" for="register-state">State</label>
      <PickOne id="register-state" v-model="state" :options="states" />
      <label class="hidden-words" for="register-zone">Zone</label>
      <PickOne id="register-zone" v-model="zone" :options="zones" />
      <label class="hidden-words" for="register-group">Group</label>
      <PickOne id="register-group" v-model="group" :options="GROUPED" />
      <span class="soft count" role="status">{{ rows.length }} of {{ boat.holes.length }} holes</span>
      <SavedViews place="register" @taken="taken" />
      <ElButton class="act" :aria-pressed="map" @click="map = !map">Map</ElButton>
      <ElButton v-if="session.may('measure', boat.id)" class="act" :aria-pressed="many" @click="many = !many"
        >Many at once</ElButton
      >
      <template v-if="!phone">
        <RouterLink v-if="survey" class="act" :to="since">Since the last survey</RouterLink>
        <ElButton class="act" @click="passport = true">Passport</ElButton>
      </template>
      <ElPopover trigger="click" placement="bottom-end" :width="220" :persistent="false">
        <template #reference
          ><ElButton class="act">{{ phone ? 'More' : 'Take along' }}</ElButton></template
        >
        <nav class="along" :aria-label="phone ? 'More of the register' : 'Take along'">
          <template v-if="phone">
            <RouterLink v-if="survey" :to="since">Since the last survey</RouterLink>
            <ElButton class="plain" @click="passport = true">Passport</ElButton>
          </template>
          <a :href="`/api/boats/${boat.id}/labels.pdf`" download>Labels to stick, PDF</a>
          <a :href="`/api/boats/${boat.id}/register.csv`" download>Register, CSV</a>
          <a :href="`/api/boats/${boat.id}/register.json`" download>Register, JSON</a>
        </nav>
      </ElPopover>
    </header>
    <ManyHoles
      v-if="many"
      class="many"
      :boat="boat.id"
      :ids="[...chosen]"
      :shown="rows.length"
      @all="chooseAll"
      @done="boats.refresh()"
      @close="many = false"
    />
    <PassportPanel v-if="passport" @close="passport = false" />
    <div class="list" :class="{ behind: open }" tabindex="0" aria-label="Holes">
      <LongTable
        v-if="rows.length"
        label="Holes on record"
        :rows="listed"
        :columns="columns"
        :on="open"
        :head="isHead"
        @open="openHole($event)"
      >
        <template #cell="{ row: h, column }">
          <template v-if="isHead(h)"
            ><template v-if="column === 'state'">{{ heads.get(h.id)?.count }}</template></template
          >
          <ElCheckbox
            v-else-if="column === 'pick'"
            :model-value="chosen.has(h.id)"
            :aria-label="`Choose ${h.label}`"
            @click.stop
            @update:model-value="choose(h.id, $event === true)"
          />
          <a
            v-else-if="column === 'label'"
            class="figure"
            :href="`/register/${h.id}${asked}`"
            @click.exact.stop.prevent="openHole(h)"
            >{{ h.label }}</a
          >
          <span v-else class="state">
            <LifeSign :state="h.state" /> {{ lifeSaid(h.state)
            }}<span v-if="holesRefused.has(h.id)" class="passed small"> a step was refused</span
            ><span v-else-if="holesWaiting.has(h.id)" class="passed small"> a step waits here</span
            ><span
              v-else-if="h.gatesPassed"
              class="passed small"
              :title="`${h.gatesPassed} gate passed with a reason`"
            >
              gate passed</span
            ></span
          >
        </template>
      </LongTable>
      <p v-if="!boat.holes.length" class="empty soft">
        Every hole of {{ boat.name }} gets a record here, found or made. None is recorded yet:
        <RouterLink to="/bench">record a fitting on the bench</RouterLink>.
      </p>
      <p v-else-if="!rows.length" class="empty soft">
        No hole is called that.
        <ElButton class="act" @click="taken({})">Show every hole</ElButton>
      </p>
    </div>
    <div v-if="open || map" class="panel" :class="{ both: open && map }">
      <PlanView
        v-if="map"
        class="map"
        :boat="boat"
        :units="boats.units"
        :layers="MAP_LAYERS"
        :cursor="pointer"
        :lit="lit"
        :lit-fittings="null"
        @hole="router.push(to($event))"
        @fitting="router.push(`/bench/${$event}`)"
        @through-hull="router.push(`/through-hulls/${$event}`)"
      />
      <HolePanel
        v-if="open"
        :key="open"
        :id="open"
        class="hole"
        @close="router.push(to(null))"
        @changed="boats.refresh()"
      />
    </div>
  </div>
</template>

<style scoped>
.register {
  display: grid;
  grid-template: auto auto minmax(0, 1fr) / minmax(0, 1fr);
  height: 100%;
}
.register.split {
  grid-template-columns: minmax(0, 1fr) 560px;
}
.many {
  grid-column: 1 / -1;
}
.list,
.panel {
  grid-row: 3;
  min-height: 0;
}
.top {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 14px;
  padding: 8px 20px;
  border-bottom: 1px solid var(--line-strong);
}
.find {
  width: 240px;
  min-height: 36px;
}
.count {
  flex: 1;
  white-space: nowrap;
}
.list {
  overflow: auto;
  padding: 0 20px 20px;
}
.state {
  white-space: nowrap;
}
.state svg {
  vertical-align: -4px;
  margin-right: 4px;
}
/* Under the word of its state: beside it there is no room. */
.passed {
  display: block;
  padding-left: 22px;
  color: var(--buoy);
  font-weight: 600;
}
.empty {
  padding: 30px 0;
}
.panel {
  border-left: 1px solid var(--ink);
  display: grid;
  grid-template-rows: minmax(0, 1fr);
  background: var(--sheet);
}
.panel.both {
  grid-template-rows: minmax(0, 2fr) minmax(0, 3fr);
}
.along {
  display: grid;
  gap: 12px;
}
.hole {
  overflow-y: auto;
  min-height: 0;
}
.both .hole {
  border-top: 1px solid var(--line-strong);
}
@media (max-width: 1100px) {
  .register.split {
    grid-template-columns: minmax(0, 1fr) 470px;
  }
}
@media (max-width: 767px) {
  .register,
  .register.split {
    display: block;
    height: auto;
  }
  .top {
    flex-wrap: wrap;
    gap: 6px 10px;
    padding: 8px 14px;
  }
  .find {
    flex: 1 1 150px;
    min-width: 0;
    min-height: var(--touch);
  }
  .list {
    padding: 0 14px 20px;
  }
  .split .list.behind {
    display: none;
  }
  .panel,
  .panel.both {
    display: block;
    border-left: 0;
  }
  .map {
    height: 44vh;
  }
}
</style>
