<script setup lang="ts">
import { computed } from 'vue'
import dayjs from 'dayjs'
import { rowsOfPlan, sayIn, SPREAD, type HeldWork } from '@north-tide/core'
import { useBoats } from '../../state/boats'
import { usePlan } from '../../state/plan'

/** The way to the launch: the day, how sure it is, what work decides it, and what each late thing costs. */
const props = defineProps<{ to: (f: { kind: string; fittingId: string }) => string }>()
const yard = usePlan()
const boats = useBoats()
const plan = computed(() => yard.plan!.plan)
const launch = computed(() => yard.plan!.week?.launch ?? null)
const wanted = computed(() => yard.plan!.launch)
const date = (d: string) => dayjs(d).format('ddd D MMM YYYY')
/** Runs of steps of one fitting on the way, with the cure at their end. */
interface Leg {
  key: string
  fitting: string
  kind: string
  fittingId: string
  where: string
  from: string
  until: string
  first: string
  steps: number
  waits: string
}
const legs = computed(() => {
  const rows = rowsOfPlan(plan.value)
  const out: Leg[] = []
  let held: HeldWork | undefined
  for (const key of plan.value.chain) {
    const s = rows.get(key)
    if (!s) {
      held = plan.value.held.find((h) => key === `hold ${h.holdId}`)
      continue
    }
    const last = out.at(-1)
    if (last && last.fittingId === s.fittingId && !held) {
      last.until = s.cureEnd
      last.steps++
    } else
      out.push({
        key,
        fitting: s.fitting,
        kind: s.kind,
        fittingId: s.fittingId,
        where: `${s.boat}, ${s.zone}`,
        from: s.start,
        until: s.cureEnd,
        first: s.text,
        steps: 1,
        waits: held ? held.why : '',
      })
    held = undefined
  }
  return out
})
const costly = computed(() =>
  plan.value.held.filter((h) => (h.costHours ?? 0) > 0.5).sort((a, b) => b.costHours! - a.costHours!),
)
const costs = (h: number) => (h < 24 ? `${Math.round(h)} h` : `${(h / 24).toFixed(1)} days`)
const at = (t: string) => dayjs(t).format('ddd D MMM, HH:mm')
const chance = computed(() =>
  launch.value?.probability == null ? '' : `${Math.round(100 * launch.value.probability)} in 100`,
)
const open = computed(() => plan.value.held.filter((h) => h.until === null))
const of = (h: HeldWork) => props.to(h)
</script>

<template>
  <section class="way" aria-label="To the launch">
    <ElDescriptions :column="1" class="day" :title="launch ? 'The launch' : 'No way leads to a launch yet'">
      <template v-if="launch">
        <ElDescriptionsItem label="At even odds">{{ date(launch.p50) }}</ElDescriptionsItem>
        <ElDescriptionsItem label="Nine times in ten by">{{ date(launch.p90) }}</ElDescriptionsItem>
      </template>
      <ElDescriptionsItem v-for="w in wanted" :key="w.boat" :label="`${w.boat} is wanted`">{{
        date(w.on)
      }}</ElDescriptionsItem>
      <ElDescriptionsItem v-if="chance" label="In time for the last of them">{{ chance }}</ElDescriptionsItem>
    </ElDescriptions>
    <p class="soft small">
      Each step is taken to last from {{ SPREAD.least }} to {{ SPREAD.most }} of its minutes and a cure up to
      {{ SPREAD.cureMost }} of its hours: estimates, until the yard’s own log knows better.
    </p>
    <p v-if="open.length" class="warn">
      {{ open.length }} {{ open.length === 1 ? 'thing has' : 'things have' }} no end yet, and what waits for
      {{ open.length === 1 ? 'it' : 'them' }} is not in this day: {{ open[0]!.fitting }}, {{ open[0]!.why
      }}<template v-if="open.length > 1">; and others, see what is held</template>.
    </p>
    <div class="two">
      <div>
        <h2>What decides the day</h2>
        <ol class="legs" aria-label="What decides the day">
          <li v-for="l in legs" :key="l.key">
            <span class="when figure small">{{ at(l.from) }}</span>
            <div>
              <RouterLink :to="to(l)"
                ><strong>{{ l.fitting }}</strong></RouterLink
              >
              <span class="soft small">{{ l.where }}</span>
              <p v-if="l.waits" class="small warn">waited for: {{ l.waits }}</p>
              <p class="small">
                {{ sayIn(l.first, boats.units).split(/[:.;]/)[0]
                }}{{ l.steps > 1 ? `, and ${l.steps - 1} more` : '' }}; over at {{ at(l.until) }}
              </p>
            </div>
          </li>
          <li v-if="plan.finish" class="end">
            <span class="when figure small">{{ at(plan.finish) }}</span>
            <strong>all done, and cured</strong>
          </li>
        </ol>
      </div>
      <div>
        <h2>What each late thing costs</h2>
        <ul v-if="costly.length" class="costs" aria-label="What each late thing costs">
          <li v-for="(h, i) in costly" :key="i">
            <strong>{{ costs(h.costHours!) }}</strong> {{ h.why }}
            <RouterLink :to="of(h)" class="small"
              >{{ h.fitting }}{{ h.others.length ? ` and ${h.others.length} more` : '' }}</RouterLink
            >
          </li>
        </ul>
        <p v-else>Nothing that is late moves the day: other work decides it.</p>
      </div>
    </div>
  </section>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 340px), 1fr));
  gap: 8px 32px;
  padding-top: 12px;
}
h2 {
  font-size: 1.05rem;
  border-bottom: 1px solid var(--line-strong);
  padding-bottom: 4px;
}
.legs,
.costs {
  list-style: none;
  padding: 0;
}
.legs li {
  display: grid;
  grid-template-columns: 132px minmax(0, 1fr);
  gap: 10px;
  padding: 8px 0 8px 10px;
  border-left: 3px solid var(--tide);
}
.legs li.end {
  border-left-style: double;
}
.costs li {
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
.warn {
  color: var(--buoy);
}
@media (max-width: 767px) {
  .legs li {
    grid-template-columns: 1fr;
  }
}
</style>
