<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import dayjs from 'dayjs'
import {
  HELD_BY,
  HELD_BY_SAID,
  HELD_FROM,
  HELD_FROM_SAID,
  sayIn,
  sentence,
  type HeldBy,
  type HeldFrom,
  type HeldWork,
} from '@north-tide/core'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import PickOne from '../../pieces/PickOne.vue'
import RowTable from '../../pieces/RowTable.vue'
import WhenField from '../../pieces/WhenField.vue'
import { useBoats } from '../../state/boats'
import { usePlan, type HeldNow } from '../../state/plan'
import { useSession } from '../../state/session'

/** What cannot be worked on, by what holds it, since when, until when, and what that costs. */
const props = defineProps<{
  held: HeldWork[]
  to: (f: { kind: string; fittingId: string }) => string
}>()
const yard = usePlan()
const boats = useBoats()
const session = useSession()
const { said, path, busy, attempt } = useAttempt()
const writing = ref(false)
const form = reactive({
  of: 'boat',
  by: 'part' as HeldBy,
  what: '',
  from: 'start' as HeldFrom,
  until: '',
  meanwhile: '',
})
const mayWork = computed(() => session.may('work', boats.picture?.id))
const targets = computed(() => [
  { value: 'boat', title: `all of ${boats.picture?.name ?? 'the boat'}` },
  ...(boats.picture?.zones ?? []).map((z) => ({ value: `zone ${z.code}`, title: z.title })),
  ...boats.everyFitting.map((f) => ({ value: `fitting ${f.id}`, title: f.name })),
])
const bys = HELD_BY.filter((b) => b !== 'cure').map((value) => ({ value, title: HELD_BY_SAID[value] }))
const froms = HELD_FROM.map((value) => ({ value, title: HELD_FROM_SAID[value] }))
async function add() {
  const [what, id] = form.of.split(' ')
  const ok = await attempt((key) =>
    api(
      'POST',
      `/boats/${boats.picture!.id}/holds`,
      {
        fittingId: what === 'fitting' ? id : null,
        zones: what === 'zone' ? [id] : null,
        by: form.by,
        what: form.what.trim(),
        from: form.from,
        until: form.until || null,
        meanwhile: form.meanwhile.trim(),
      },
      key,
    ),
  )
  if (!ok) return
  Object.assign(form, { what: '', until: '', meanwhile: '' })
  writing.value = false
  await yard.load()
}
async function change(h: HeldNow, to: object) {
  if (await attempt(() => api('PUT', `/holds/${h.id}`, { version: h.version, ...to }))) await yard.load()
}
const byId = computed(() => new Map((yard.view?.holds ?? []).map((h) => [h.id, h])))
const own = (h: HeldWork) => (h.holdId === null ? null : (byId.value.get(h.holdId) ?? null))
/** What is written down and holds nothing that is open, and what ended lately. */
const idle = computed(() => {
  const used = new Set(props.held.map((h) => h.holdId))
  return (yard.view?.holds ?? []).filter((h) => !used.has(h.id))
})
const day = (d: string) => dayjs(d).format('D MMM YYYY')
const since = (h: HeldWork) => {
  if (!h.since) return ''
  const n = dayjs().startOf('day').diff(h.since, 'day')
  return n <= 0 ? 'today' : `${n} ${n === 1 ? 'day' : 'days'}`
}
/** What else can be done meanwhile in the same place. */
const beside = (h: HeldWork) => {
  const names = (yard.plan?.plan.days ?? [])
    .flatMap((d) => d.steps)
    .filter((s) => s.boatId === h.boatId && s.zone === h.zone && s.fittingId !== h.fittingId)
    .filter((s) => !h.until || s.start < h.until)
    .map((s) => s.fitting)
  return [...new Set(names)].slice(0, 3).join(', ')
}
</script>

<template>
  <section class="held" aria-label="Held">
    <p v-if="said" class="bad" role="alert">{{ said }}</p>
    <RowTable
      label="What is held"
      :columns="[
        { key: 'fitting', title: 'Work', by: (h) => h.fitting },
        { key: 'by', title: 'Held by', by: (h) => h.by },
        { key: 'since', title: 'For', by: (h) => h.since ?? '' },
        { key: 'until', title: 'Until', by: (h) => h.until ?? '9999' },
        { key: 'cost', title: 'Costs', number: true, by: (h) => h.costHours ?? 1e9 },
        { key: 'else', title: 'Meanwhile', class: 'small' },
        { key: 'act' },
      ]"
      :rows="held"
      :known="(h, i) => `${h.fittingId} ${h.step} ${i}`"
      empty="Nothing is held."
    >
      <template #fitting="{ row: h }"
        ><RouterLink :to="to(h)">{{ h.fitting }}</RouterLink
        ><span v-if="h.others.length" class="small"> and {{ h.others.length }} more</span>
        <span class="small soft">{{ sayIn(h.text, boats.units).split(/[:.;]/)[0] }}</span></template
      >
      <template #by="{ row: h }"
        ><span class="small soft">{{ sentence(HELD_BY_SAID[h.by]) }}:</span> {{ h.why }}</template
      >
      <template #since="{ row: h }">{{ since(h) }}</template>
      <template #until="{ row: h }">{{ h.until ? day(h.until) : 'it is decided' }}</template>
      <template #cost="{ row: h }">{{
        h.costHours === null ? '' : h.costHours > 0 ? `${(h.costHours / 24).toFixed(1)} d` : 'nothing'
      }}</template>
      <template #else="{ row: h }"
        ><span v-if="own(h)?.meanwhile">{{ own(h)!.meanwhile }}. </span
        ><span v-if="beside(h)" class="soft">Beside it: {{ beside(h) }}</span></template
      >
      <template #act="{ row: h }"
        ><ElButton
          v-if="own(h) && mayWork"
          class="act small"
          :disabled="busy"
          :aria-label="`Over: ${h.why}`"
          @click="change(own(h)!, { ended: true })"
          >{{ h.by === 'part' ? 'It came' : 'It is over' }}</ElButton
        ></template
      >
    </RowTable>
    <template v-if="idle.length">
      <h2>Written down, and holding nothing now</h2>
      <ul class="idle">
        <li v-for="h in idle" :key="h.id">
          {{ h.what
          }}<span class="soft small">
            since {{ day(h.since)
            }}{{
              h.endedAt ? `, over ${day(h.endedAt)}, ${h.endedBy}` : h.until ? `, until ${day(h.until)}` : ''
            }}</span
          >
          <ElButton
            v-if="h.endedAt && mayWork"
            class="act small"
            :aria-label="`Not over: ${h.what}`"
            @click="change(h, { ended: false })"
            >It is not over</ElButton
          >
        </li>
      </ul>
    </template>
    <template v-if="mayWork">
      <ElButton v-if="!writing" class="act" @click="writing = true">Something holds work up</ElButton>
      <form v-else class="new" aria-label="Something holds work up" @submit.prevent="add">
        <label>What it holds<PickOne v-model="form.of" label="What it holds" :options="targets" /></label>
        <label>By<PickOne v-model="form.by" label="By" :options="bys" /></label>
        <label
          >In words<ElInput
            v-model="form.what"
            class="entry"
            :class="{ bad: path === 'what' }"
            maxlength="200"
            placeholder="the valve is nine days late"
        /></label>
        <label>From<PickOne v-model="form.from" label="From" :options="froms" /></label>
        <WhenField v-model="form.until" label="Until" kind="date" any-day empty="nobody knows" />
        <label
          >Meanwhile<ElInput
            v-model="form.meanwhile"
            class="entry"
            maxlength="300"
            placeholder="plugged; not to be launched with it"
        /></label>
        <div class="acts">
          <ElButton class="act main" native-type="submit" :disabled="busy || !form.what.trim()"
            >Write it down</ElButton
          ><ElButton class="act" @click="writing = false">Leave it</ElButton>
        </div>
      </form>
    </template>
  </section>
</template>

<style scoped>
.held {
  display: grid;
  gap: 12px;
  justify-items: start;
}
.held > :deep(table) {
  width: 100%;
}
h2 {
  font-size: 1rem;
}
.idle {
  list-style: none;
  padding: 0;
}
.idle li {
  padding: 4px 0;
}
.new {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 220px), 1fr));
  gap: 8px 14px;
  align-items: end;
  width: 100%;
}
.new label {
  display: grid;
  gap: 2px;
}
.acts {
  display: flex;
  gap: 8px;
}
.bad {
  color: var(--short);
}
</style>
