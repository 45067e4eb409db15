<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useUrlSearchParams } from '@vueuse/core'
import dayjs from 'dayjs'
import type { BoatPlan } from '@north-tide/core'
import { api } from '../../api'
import { benchOf } from '../../kinds/registry'
import { useBoats } from '../../state/boats'
import PickOne from '../../pieces/PickOne.vue'
import WhenField from '../../pieces/WhenField.vue'
import DayOfPlan from './DayOfPlan.vue'
import HeldList from './HeldList.vue'

/** The weeks of a yard from the work that is open on a boat: today, the days to come, what is held. */
interface Answered extends BoatPlan {
  from: string
  hands: string[]
  jobs: { id: string; kind: string; name: string; steps: number }[]
}
const boats = useBoats()
const asked = useUrlSearchParams('history', {
  initialValue: { from: dayjs().format('YYYY-MM-DD'), hands: '2', saturday: 'no', view: 'today', only: '' },
})
const plan = ref<Answered | null>(null)
const said = ref('')
const busy = ref(false)
const query = computed(() => {
  const q = new URLSearchParams({
    from: String(asked.from),
    hands: String(asked.hands),
    saturday: String(asked.saturday),
  })
  if (asked.only) q.set('fittings', String(asked.only))
  return q.toString()
})
let latest = 0
async function make() {
  const boat = boats.picture?.id
  if (!boat) return
  const mine = ++latest
  busy.value = true
  said.value = ''
  try {
    const got = await api<Answered>('GET', `/boats/${boat}/plan?${query.value}`)
    if (mine === latest) plan.value = got
  } catch (error) {
    if (mine === latest) said.value = error instanceof Error ? error.message : 'It was not made'
  } finally {
    if (mine === latest) busy.value = false
  }
}
watch(() => [boats.picture?.id, query.value], make, { immediate: true })
const VIEWS = [
  { value: 'today', label: 'Next day' },
  { value: 'days', label: 'All days' },
  { value: 'held', label: 'Held' },
  { value: 'which', label: 'Which work' },
]
const view = computed({
  get: () => String(asked.view),
  set: (v: string) => (asked.view = v),
})
const next = computed(() => plan.value?.days[0] ?? null)
const hours = computed(() => ((plan.value?.minutes ?? 0) / 60).toFixed(1))
const finish = computed(() =>
  plan.value?.finish ? dayjs(plan.value.finish).format('ddd D MMM YYYY, HH:mm') : null,
)
const only = computed(() => new Set(String(asked.only).split(',').filter(Boolean)))
function take(id: string, on: boolean) {
  const all = plan.value!.jobs.map((j) => j.id)
  const now = new Set(only.value.size ? only.value : all)
  if (on) now.add(id)
  else now.delete(id)
  asked.only = now.size === known.value.length ? '' : [...now].join(',')
}
/** All the work there is, also while only some of it is planned. */
const known = ref<Answered['jobs']>([])
watch(plan, (p) => {
  if (p && !asked.only) known.value = p.jobs
  else if (p && !known.value.length) void all()
})
async function all() {
  const q = new URLSearchParams(query.value)
  q.delete('fittings')
  known.value = (await api<Answered>('GET', `/boats/${boats.picture!.id}/plan?${q}`)).jobs
}
const to = (f: { kind: string; fittingId: string }) => benchOf({ kind: f.kind, id: f.fittingId })
const href = (kind: string) => `/api/boats/${boats.picture!.id}/plan.${kind}?${query.value}`
</script>

<template>
  <div class="plan">
    <header class="top">
      <h1>Plan</h1>
      <ElSegmented v-model="view" :options="VIEWS" aria-label="What is shown" />
      <WhenField
        label="From"
        kind="date"
        any-day
        :model-value="String(asked.from)"
        @update:model-value="$event && (asked.from = $event)"
      />
      <PickOne
        label="Hands"
        :model-value="String(asked.hands)"
        :options="
          [1, 2, 3, 4].map((n) => ({
            value: String(n),
            title: n === 1 ? 'one alone' : `${n} pairs of hands`,
          }))
        "
        @update:model-value="asked.hands = $event ?? '2'"
      />
      <ElCheckbox
        :model-value="asked.saturday === 'yes'"
        @update:model-value="asked.saturday = $event ? 'yes' : 'no'"
        >Saturdays</ElCheckbox
      >
      <span class="gap" />
      <template v-if="plan">
        <a class="act" :href="href('ics')" download>Calendar</a>
        <a class="act" :href="href('csv')" download>Table</a>
      </template>
    </header>
    <p v-if="said" class="said" role="alert">
      {{ said }} <ElButton class="act" @click="make">Try again</ElButton>
    </p>
    <ElSkeleton v-if="busy && !plan" :rows="8" animated class="body" />
    <div v-else-if="plan" class="body" :aria-busy="busy">
      <p class="sum">
        <template v-if="finish"
          ><strong>{{ hours }} h</strong> of work on {{ plan.jobs.length }}
          {{ plan.jobs.length === 1 ? 'fitting' : 'fittings' }}; all done, and cured, by
          <strong>{{ finish }}</strong>.</template
        ><template v-else>Nothing can be dated yet.</template>
        <template v-if="plan.held.length">
          {{ plan.held.length }} {{ plan.held.length === 1 ? 'is' : 'are' }} held.</template
        >
      </p>
      <template v-if="view === 'today'">
        <DayOfPlan v-if="next" :day="next" :to="to" />
        <ElEmpty v-else description="No work is open that can be dated: look at what is held." />
      </template>
      <template v-else-if="view === 'days'">
        <DayOfPlan v-for="d in plan.days" :key="d.day" :day="d" :to="to" short />
        <ElEmpty v-if="!plan.days.length" description="No work is open that can be dated." />
      </template>
      <HeldList v-else-if="view === 'held'" :held="plan.held" :to="to" />
      <ul v-else class="which" aria-label="Which work is planned">
        <li v-for="j in known" :key="j.id">
          <ElCheckbox
            :model-value="only.size === 0 || only.has(j.id)"
            @update:model-value="take(j.id, $event as boolean)"
            >{{ j.name }}
            <span class="soft small"
              >{{ j.steps }} {{ j.steps === 1 ? 'step' : 'steps' }} left</span
            ></ElCheckbox
          >
        </li>
      </ul>
    </div>
  </div>
</template>

<style scoped>
.plan {
  display: grid;
  grid-template-rows: auto auto minmax(0, 1fr);
  height: 100%;
}
.top {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
  padding: 9px 20px;
  border-bottom: 1px solid var(--line-strong);
}
.top h1 {
  font-size: 1.25rem;
}
.top :deep(.when) {
  grid-template-columns: auto 150px;
  align-items: center;
  gap: 8px;
}
.gap {
  flex: 1;
}
.said {
  color: var(--short);
  padding: 10px 20px;
}
.body {
  overflow-y: auto;
  padding: 12px 20px 40px;
  grid-row: 3;
}
.sum {
  margin-bottom: 12px;
}
.which {
  list-style: none;
  padding: 0;
  columns: 2;
}
@media (max-width: 767px) {
  .plan {
    display: block;
    height: auto;
  }
  .top {
    padding: 10px 14px;
  }
  .body {
    padding: 10px 14px 40px;
  }
  .which {
    columns: 1;
  }
}
</style>
