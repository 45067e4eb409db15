<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useUrlSearchParams } from '@vueuse/core'
import dayjs from 'dayjs'
import { lifeSaid, type Drawing, type LifeState } from '@north-tide/core'
import { api } from '../../../api'
import { benchOf } from '../../../kinds/registry'
import { useAttempt } from '../../../pieces/attempt'
import DrawingView from '../../../pieces/DrawingView.vue'
import RowTable from '../../../pieces/RowTable.vue'
import WhenField from '../../../pieces/WhenField.vue'
import { useBoats } from '../../../state/boats'

/** The boat on a day that has passed, what is another since an earlier one, and who did what between. */
interface Happened {
  at: string
  who: string
  of: 'hole' | 'fitting' | 'zone' | 'structure'
  id: string
  kind: string | null
  name: string
  what: string
}
interface Past {
  holes: { id: number; label: string; whatFor: string; was: LifeState | null; is: LifeState | null }[]
  fittings: { id: string; name: string; kind: string; was: number | null; is: number | null }[]
  surfaces: { id: string; of: string; name: string; was: number | null; is: number | null }[]
  surfacesAsOf: string | null
  counts: { state: LifeState; count: number }[]
  map: Drawing
}
const boats = useBoats()
const { said, attempt } = useAttempt()
const asked = useUrlSearchParams('history', { initialValue: { from: '', to: '' } })
const today = dayjs().format('YYYY-MM-DD')
const to = computed({ get: () => String(asked.to || today), set: (v) => (asked.to = v) })
const from = computed({
  get: () => String(asked.from || dayjs(to.value).subtract(30, 'day').format('YYYY-MM-DD')),
  set: (v) => (asked.from = v),
})
const past = ref<Past | null>(null)
const rows = ref<Happened[]>([])
const more = ref(false)
const load = () =>
  attempt(async () => {
    const q = `?from=${from.value}&to=${to.value}`
    const [p, h] = await Promise.all([
      api<Past>('GET', `/boats/${boats.picture!.id}/past${q}`),
      api<{ rows: Happened[]; more: boolean }>('GET', `/boats/${boats.picture!.id}/happened${q}`),
    ])
    past.value = p
    rows.value = h.rows
    more.value = h.more
  })
watch([from, to], load, { immediate: true })
const state = (s: LifeState | null) => (s === null ? 'not there' : lifeSaid(s))
const kept = (v: number | null) => (v === null ? 'not there' : `version ${v}`)
const link = (h: Happened) =>
  h.of === 'hole'
    ? `/register/${h.id}`
    : h.of === 'fitting' && h.kind
      ? benchOf({ kind: h.kind, id: h.id })
      : null
</script>

<template>
  <div class="history">
    <form class="days no-print" aria-label="Which days" @submit.prevent>
      <WhenField v-model="from" label="From" kind="date" any-day empty="a day" />
      <WhenField v-model="to" label="To the end of" kind="date" any-day empty="a day" />
    </form>
    <p v-if="said" class="bad" role="alert">{{ said }}</p>
    <ElSkeleton v-if="!past && !said" :rows="8" animated />
    <template v-if="past">
      <h2>On {{ dayjs(to).format('D MMM YYYY') }}</h2>
      <p class="small">
        {{ past.counts.map((c) => `${c.count} ${lifeSaid(c.state)}`).join(', ') || 'No hole was on record.' }}
      </p>
      <div class="map"><DrawingView :drawing="past.map" :units="boats.units" /></div>
      <p class="small soft">
        Holes, fittings, zones and members as they stood then.
        <template v-if="boats.picture?.imported"
          >What is on record before {{ dayjs(boats.picture.imported.at).format('D MMM YYYY') }} came with a
          file that {{ boats.picture.imported.by }} read here on that day.</template
        >
        <template v-if="past.surfacesAsOf"
          >Zones and members are kept since {{ dayjs(past.surfacesAsOf).format('D MMM YYYY') }}, and are drawn
          as on that day.</template
        >
      </p>
      <h2>Another since {{ dayjs(from).format('D MMM YYYY') }}</h2>
      <RowTable
        label="Holes that are another"
        :columns="[
          { key: 'label', title: 'Hole', by: (h) => h.label },
          { key: 'whatFor', title: 'What for' },
          { key: 'was', title: 'Was' },
          { key: 'is', title: 'Is' },
        ]"
        :rows="past.holes"
        :known="(h) => h.id"
        empty="No hole changed its state."
      >
        <template #label="{ row: h }"
          ><RouterLink class="figure" :to="`/register/${h.id}`">{{ h.label }}</RouterLink></template
        >
        <template #was="{ row: h }">{{ state(h.was) }}</template>
        <template #is="{ row: h }">{{ state(h.is) }}</template>
      </RowTable>
      <RowTable
        label="Fittings that are another"
        :columns="[
          { key: 'name', title: 'Fitting', by: (f) => f.name },
          { key: 'was', title: 'Was' },
          { key: 'is', title: 'Is' },
          { key: 'file' },
        ]"
        :rows="past.fittings"
        :known="(f) => f.id"
        empty="No fitting was changed."
      >
        <template #was="{ row: f }">{{ kept(f.was) }}</template>
        <template #is="{ row: f }">{{ kept(f.is) }}</template>
        <template #file="{ row: f }"
          ><a
            v-if="f.was !== null"
            class="act small"
            :href="`/api/boats/${boats.picture!.id}/past/${f.id}?on=${from}`"
            :download="`${f.name} ${from}.json`"
            >as it was</a
          ></template
        >
      </RowTable>
      <RowTable
        label="Zones and members that are another"
        :columns="[
          { key: 'name', title: 'Zone or member', by: (s) => s.name },
          { key: 'was', title: 'Was' },
          { key: 'is', title: 'Is' },
        ]"
        :rows="past.surfaces"
        :known="(s) => s.of + s.id"
        empty="No zone and no member was changed."
      >
        <template #was="{ row: s }">{{ kept(s.was) }}</template>
        <template #is="{ row: s }">{{ kept(s.is) }}</template>
      </RowTable>
      <h2>Who did what</h2>
      <RowTable
        label="Who did what"
        :columns="[
          { key: 'at', title: 'When', by: (h) => h.at },
          { key: 'who', title: 'Who', by: (h) => h.who },
          { key: 'name', title: 'Of', by: (h) => h.name },
          { key: 'what', title: 'What' },
        ]"
        :rows="rows"
        :known="(_, i) => i"
        empty="Nothing happened in those days."
      >
        <template #at="{ row: h }"
          ><span class="figure small">{{ dayjs(h.at).format('D MMM YYYY, HH:mm') }}</span></template
        >
        <template #name="{ row: h }"
          ><RouterLink v-if="link(h)" :to="link(h)!">{{ h.name }}</RouterLink
          ><template v-else>{{ h.name }}</template></template
        >
      </RowTable>
      <p v-if="more" class="small soft">More than is shown happened in those days: take fewer.</p>
    </template>
  </div>
</template>

<style scoped>
.history {
  overflow-y: auto;
  padding: 12px 20px 40px;
  display: grid;
  gap: 10px;
  align-content: start;
}
.days {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 24px;
}
.map {
  height: 300px;
}
h2 {
  font-size: 1.05rem;
}
.bad {
  color: var(--short);
}
</style>
