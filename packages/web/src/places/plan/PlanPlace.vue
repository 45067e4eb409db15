<script setup lang="ts">
import { computed, defineAsyncComponent, onMounted, ref, watch } from 'vue'
import { useUrlSearchParams } from '@vueuse/core'
import dayjs from 'dayjs'
import { onlySteps, type PlannedStep } from '@north-tide/core'
import { benchOf } from '../../kinds/registry'
import { useBoats } from '../../state/boats'
import { usePlan } from '../../state/plan'
import { useSession } from '../../state/session'
import PickOne from '../../pieces/PickOne.vue'
import DayOfPlan from './DayOfPlan.vue'
import PlanNews from './PlanNews.vue'

/** The weeks of a yard: today, this week, the way to the launch, what is held, the weather, who works. */
const WeekOfPlan = defineAsyncComponent(() => import('./WeekOfPlan.vue'))
const LaunchWay = defineAsyncComponent(() => import('./LaunchWay.vue'))
const HeldList = defineAsyncComponent(() => import('./HeldList.vue'))
const WeatherDays = defineAsyncComponent(() => import('./WeatherDays.vue'))
const FittersList = defineAsyncComponent(() => import('./FittersList.vue'))
const AskPlan = defineAsyncComponent(() => import('./AskPlan.vue'))
const CarryPlan = defineAsyncComponent(() => import('./CarryPlan.vue'))
const StepDrawer = defineAsyncComponent(() => import('./StepDrawer.vue'))
const boats = useBoats()
const session = useSession()
const yard = usePlan()
const asked = useUrlSearchParams('history', { initialValue: { view: 'today', of: 'all', day: '' } })
onMounted(yard.load)
const VIEWS = [
  { value: 'today', label: 'Today' },
  { value: 'week', label: 'Week' },
  { value: 'launch', label: 'To launch' },
  { value: 'held', label: 'Held' },
  { value: 'weather', label: 'Weather' },
  { value: 'people', label: 'People' },
]
const shownViews = computed(() => VIEWS.filter((v) => v.value !== 'people' || session.may('stores')))
const view = computed({ get: () => String(asked.view ?? 'today'), set: (v: string) => (asked.view = v) })
const plan = computed(() => yard.plan?.plan ?? null)
const ofBoats = computed(() => [
  { value: 'all', title: 'every boat' },
  ...[...new Map((plan.value?.days ?? []).flatMap((d) => d.steps).map((s) => [s.boatId, s.boat]))].map(
    ([value, title]) => ({ value, title }),
  ),
])
const only = computed(() => (ofBoats.value.some((b) => b.value === asked.of) ? String(asked.of) : 'all'))
/** The days with the work of the boat that is looked at; its cures too. */
const days = computed(() =>
  plan.value
    ? onlySteps(
        plan.value,
        () => true,
        (id) => only.value === 'all' || id === only.value,
      ).days
    : [],
)
const today = dayjs().format('YYYY-MM-DD')
const at = computed(() => {
  const i = days.value.findIndex((d) => d.day >= (String(asked.day ?? '') || today))
  return i < 0 ? days.value.length - 1 : i
})
const day = computed(() => days.value[at.value] ?? null)
const go = (by: number) => (asked.day = days.value[at.value + by]?.day ?? '')
const to = (f: { kind: string; fittingId: string }) => benchOf({ kind: f.kind, id: f.fittingId })
const opened = ref<PlannedStep | null>(null)
const asking = ref(false)
const carrying = ref(false)
/** What was ticked, or written down, changes what is due: the plan says so as soon as it is looked at. */
watch(opened, (now, was) => was && !now && void yard.load())
const finish = computed(() => (plan.value?.finish ? dayjs(plan.value.finish).format('ddd D MMM YYYY') : null))
const hours = computed(() => Math.round((plan.value?.minutes ?? 0) / 60))
</script>

<template>
  <div class="plan">
    <header class="top">
      <h1>Plan</h1>
      <ElSegmented v-model="view" :options="shownViews" aria-label="What is shown" class="views" />
      <PickOne
        v-if="ofBoats.length > 2"
        class="of"
        label="Of which boat"
        :model-value="only"
        :options="ofBoats"
        @update:model-value="asked.of = $event"
      />
      <span class="gap" />
      <ElButton v-if="yard.plan" class="act" @click="carrying = true">Carry it</ElButton>
      <ElButton v-if="yard.view?.may.plan" class="act main" @click="asking = true">Plan anew</ElButton>
    </header>
    <div v-if="yard.said" class="said" role="alert">
      {{ yard.said }} <ElButton class="act small" @click="yard.load">Look again</ElButton>
    </div>
    <PlanNews v-if="yard.view" :to="to" />
    <ElSkeleton v-if="!yard.view && !yard.said" :rows="8" animated class="body" />
    <div v-else-if="plan" class="body">
      <p class="sum">
        <template v-if="finish"
          ><strong>{{ hours }} h</strong> of work; all done, and cured, by
          <strong>{{ finish }}</strong>.</template
        ><template v-else>Nothing can be dated yet.</template>
        <template v-if="plan.notPlanned">
          {{ plan.notPlanned }} steps have no day: see what is held.</template
        >
        <template v-if="yard.plan?.ask.guessed">
          Nobody’s hours were set: eight to five on weekdays is taken.</template
        >
      </p>
      <template v-if="view === 'today'">
        <nav v-if="day" class="days" aria-label="Day by day">
          <ElButton class="act small" :disabled="at <= 0" @click="go(-1)">Day before</ElButton>
          <ElButton class="act small" :disabled="at >= days.length - 1" @click="go(1)">Next day</ElButton>
        </nav>
        <DayOfPlan
          v-if="day"
          :day="day"
          :to="to"
          :held="plan.held"
          :bad="yard.plan!.ask.badDays.includes(day.day)"
          :boats="ofBoats.length > 2"
          @open="opened = $event"
        />
        <ElEmpty v-else description="No work is open that can be dated: look at what is held." />
      </template>
      <WeekOfPlan v-else-if="view === 'week'" :days="days" :to="to" @open="opened = $event" />
      <LaunchWay v-else-if="view === 'launch'" :to="to" />
      <HeldList v-else-if="view === 'held'" :held="plan.held" :to="to" />
      <WeatherDays v-else-if="view === 'weather'" />
      <FittersList v-else-if="view === 'people'" />
    </div>
    <ElEmpty v-else-if="yard.view && !yard.job" class="body" description="No plan is kept yet.">
      <ElButton v-if="yard.view.may.plan" class="act main" @click="yard.ask({})"
        >Plan all that is open</ElButton
      >
    </ElEmpty>
    <AskPlan v-if="asking" :boats="boats.list" @close="asking = false" />
    <CarryPlan v-if="carrying && day" :day="day.day" :of="only" @close="carrying = false" />
    <StepDrawer v-if="opened" :step="opened" :to="to" @close="opened = null" />
  </div>
</template>

<style scoped>
.plan {
  display: flex;
  flex-direction: column;
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
.of {
  width: 170px;
}
.gap {
  flex: 1;
}
.said {
  color: var(--short);
  padding: 10px 20px;
}
.body {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
  padding: 12px 20px 40px;
}
.sum {
  margin-bottom: 10px;
}
.days {
  display: flex;
  gap: 8px;
  padding-bottom: 8px;
}
@media (max-width: 767px) {
  .plan {
    display: block;
    height: auto;
  }
  .top {
    padding: 10px 14px;
  }
  .views {
    max-width: 100%;
    overflow-x: auto;
  }
  .body {
    padding: 10px 14px 40px;
  }
}
</style>
