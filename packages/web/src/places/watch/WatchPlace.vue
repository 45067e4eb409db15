<script setup lang="ts">
import { computed, defineAsyncComponent, nextTick, ref, watch } from 'vue'
import { useUrlSearchParams } from '@vueuse/core'
import dayjs from 'dayjs'
import type { WatchList, WatchRow } from '@north-tide/core'
import { api, Waits } from '../../api'
import { benchOf } from '../../kinds/registry'
import { useBoats } from '../../state/boats'
import { useSession } from '../../state/session'
import ReadFile from '../../pieces/ReadFile.vue'
import { sendPhoto } from '../../pieces/photo-send'
import RowTable from '../../pieces/RowTable.vue'
import { useWaiting } from '../../state/waiting'
import { usePhone } from '../../state/phone'
import CompanionwaySheet from './CompanionwaySheet.vue'
import LaunchDay, { type Launched } from './LaunchDay.vue'
import LeavingView from './LeavingView.vue'
import LookWaits from './LookWaits.vue'
import { sentTo } from './look-sent'
import WatchRound from './WatchRound.vue'

/** What has to be looked at in a boat: what is due, visits, what to shut on leaving, what holds her. */
const LeaksView = defineAsyncComponent(() => import('./LeaksView.vue'))
const ProvingView = defineAsyncComponent(() => import('./ProvingView.vue'))
const SurveyRound = defineAsyncComponent(() => import('./SurveyRound.vue'))
const YardWatch = defineAsyncComponent(() => import('./YardWatch.vue'))
const TrendsView = defineAsyncComponent(() => import('./TrendsView.vue'))
const boats = useBoats()
const session = useSession()
const phone = usePhone()
interface BoatWatch extends WatchList {
  today: string
  launches: Launched[]
}
const list = ref<BoatWatch | null>(null)
const said = ref('')
const busy = ref('')
const waits = useWaiting()
/** That it waits is true until it has gone out, or was refused: then its row says what became of it. */
let saidToWait = ''
function failed(error: unknown, otherwise: string) {
  said.value = error instanceof Error ? error.message : otherwise
  saidToWait = error instanceof Waits ? said.value : ''
}
watch(
  () => waits.mine.value.some((e) => e.state === 'waiting'),
  (some) => {
    if (!some && saidToWait && said.value === saidToWait) said.value = ''
  },
)
/** Looked at without a line: it waits on this device, also after the page was closed. */
const waiting = (r: WatchRow) => waits.of(sentTo(r).path, sentTo(r).has).length > 0
const asked = useUrlSearchParams('history', { initialValue: { view: '' } })
const view = computed({
  get: () => (VIEWS.some((v) => v.value === asked.view) ? String(asked.view) : 'due'),
  set: (v) => (asked.view = v === 'due' ? '' : v),
})
const VIEWS = [
  { value: 'due', label: 'Due' },
  { value: 'visits', label: 'Visits' },
  { value: 'leaving', label: 'On leaving' },
  { value: 'launch', label: 'Before launch' },
  { value: 'survey', label: 'Survey' },
  { value: 'leaks', label: 'Leaks' },
  { value: 'proving', label: 'Proving' },
  { value: 'trends', label: 'Trends' },
  { value: 'yard', label: 'All boats' },
]
async function load() {
  const boat = boats.picture?.id
  if (!boat) return
  said.value = ''
  try {
    list.value = await api<BoatWatch>('GET', `/boats/${boat}/watch`)
  } catch (error) {
    said.value = error instanceof Error ? error.message : 'It cannot be read'
  }
}
watch(() => boats.picture?.id, load, { immediate: true })
const may = computed(() => session.may('work', boats.picture?.id))
/** What a look can be written of: it stands in a fitting, and is no work of its own. */
const canLook = (r: WatchRow) =>
  may.value &&
  !waiting(r) &&
  r.kind !== null &&
  !['suspect', 'rebed', 'hose-renew', 'look-too'].includes(r.task)
async function looked(r: WatchRow) {
  busy.value = r.id + r.task
  try {
    // Work left to be done afloat is ticked as what it is.
    if (r.step) await api('POST', `/fittings/${r.id}/tick`, { step: r.step })
    else
      await api('POST', `/fittings/${r.id}/log`, {
        kind: 'look',
        task: r.task,
        note: `${r.title}: done, and in order`,
      })
    await load()
    said.value = `${r.name}: ${r.title.toLowerCase()} is on record.`
  } catch (error) {
    failed(error, 'It was not recorded')
  } finally {
    busy.value = ''
  }
}
/** Done, with what it looked like: the picture is kept first, so that nothing says it is there and is not. */
async function lookedWith(r: WatchRow, file: File) {
  busy.value = r.id + r.task
  try {
    const caption = `${r.title}, ${day(list.value!.today)}`
    const of = { subject: 'fitting' as const, subjectId: r.id, caption }
    await sendPhoto(boats.picture!.id, of, file)
  } catch (error) {
    failed(error, 'The photo was not kept')
    busy.value = ''
    return
  }
  await looked(r)
}
/** A look that found it not in order: said in words, and its holes turn suspect. */
const wrong = ref<WatchRow | null>(null)
const seen = ref('')
/** why it was not taken, beside what was typed */
const refused = ref('')
async function notInOrder(r: WatchRow) {
  wrong.value = r
  seen.value = ''
  refused.value = ''
  await nextTick()
  // Pressed far down a list: the words are asked for where one sees them.
  document.getElementById('not-in-order')?.focus()
}
async function writeDown() {
  const r = wrong.value
  if (!r || !seen.value.trim()) return
  busy.value = r.id + r.task
  refused.value = ''
  try {
    await api('POST', `/fittings/${r.id}/suspect`, { why: seen.value.trim(), task: r.task })
    wrong.value = null
    await Promise.all([load(), boats.refresh()])
    said.value = `${r.name} is suspect now: ${seen.value.trim()}.`
  } catch (error) {
    // What waits is written: the form would write it a second time.
    if (error instanceof Waits) wrong.value = null
    if (wrong.value) refused.value = error instanceof Error ? error.message : 'It was not recorded'
    else failed(error, 'It cannot be read')
  } finally {
    busy.value = ''
  }
}
const to = (r: WatchRow) =>
  r.kind === null ? `/register/${r.id.replace('hole ', '')}` : benchOf({ kind: r.kind, id: r.id })
const day = (d: string) => dayjs(d).format('D MMM YYYY')
const overdue = computed(
  () => list.value?.rows.filter((r) => r.overdueDays > 0 || r.severity === 'stop').length ?? 0,
)
const SEVERITY = { stop: 'do not use it', must: 'must', should: 'should' }
</script>

<template>
  <div class="watch">
    <header class="top">
      <h1>Watch</h1>
      <ElSegmented v-model="view" :options="VIEWS" aria-label="What is shown" />
      <span v-if="list" class="soft"
        >{{ list.rows.length }} looks within 90 days, {{ overdue }} to settle or overdue</span
      >
    </header>
    <p v-if="said" class="said" :class="{ alone: !list }" role="status">{{ said }}</p>
    <form v-if="wrong" class="wrong" aria-label="Not in order" @submit.prevent="writeDown">
      <label for="not-in-order">{{ wrong.name }}, {{ wrong.title.toLowerCase() }}: what was seen</label>
      <ElInput
        id="not-in-order"
        v-model="seen"
        class="entry"
        maxlength="300"
        placeholder="weeps at the after bolt"
      />
      <ElButton class="act main" native-type="submit" :disabled="!seen.trim() || busy !== ''"
        >It is suspect</ElButton
      ><ElButton class="act" @click="wrong = null">Leave it</ElButton>
      <p v-if="refused" class="refused" role="alert">{{ refused }}</p>
    </form>
    <ElSkeleton v-if="!list && !said" :rows="8" animated class="body" />
    <div v-else-if="list" class="body">
      <LeaksView v-if="view === 'leaks'" />
      <ProvingView v-else-if="view === 'proving'" />
      <TrendsView v-else-if="view === 'trends'" />
      <SurveyRound v-else-if="view === 'survey'" />
      <YardWatch v-else-if="view === 'yard'" @boat="view = 'due'" />
      <WatchRound
        v-else-if="view === 'due' && phone"
        :rows="list.rows"
        :to="to"
        :may="canLook"
        :busy="busy"
        @done="looked"
        @photo="lookedWith"
        @wrong="notInOrder"
        @fewer="load"
      />
      <RowTable
        v-else-if="view === 'due'"
        label="Looks that are due"
        :columns="[
          { key: 'due', title: 'Due', by: (r) => r.due },
          { key: 'title', title: 'Look', by: (r) => r.title },
          { key: 'name', title: 'At', by: (r) => r.name },
          { key: 'zone', title: 'Where', by: (r) => r.zone, class: 'small' },
          { key: 'severity', title: 'How much', class: 'small' },
          { key: 'why', title: 'Why', class: 'small soft' },
          { key: 'act' },
        ]"
        :rows="list.rows"
        :about="(r) => ({ class: { late: r.overdueDays > 0, stop: r.severity === 'stop' } })"
        :known="(r) => r.id + r.task"
        empty="Nothing is due within 90 days."
      >
        <template #due="{ row: r }"
          ><strong v-if="!r.known">now</strong><template v-else>{{ day(r.due) }}</template>
          <span v-if="r.overdueDays > 0" class="small late-by"
            >{{ r.overdueDays }} {{ r.overdueDays === 1 ? 'day' : 'days' }} late</span
          ><span v-else-if="!r.known" class="small soft">never on record</span></template
        >
        <template #name="{ row: r }"
          ><RouterLink :to="to(r)">{{ r.name }}</RouterLink></template
        >
        <template #severity="{ row: r }">{{ SEVERITY[r.severity] }}</template>
        <template #act="{ row: r }"
          ><LookWaits :row="r" @fewer="load" /><span class="acts"
            ><ElButton
              v-if="canLook(r)"
              class="act small"
              :disabled="busy === r.id + r.task"
              :aria-label="`${r.title} at ${r.name}: done`"
              @click="looked(r)"
              >Done</ElButton
            ><ReadFile
              v-if="canLook(r) && !r.step"
              accept="image/jpeg,image/png,image/webp"
              words="Photo"
              :said="`${r.title} at ${r.name}: done, with a photo`"
              :disabled="busy === r.id + r.task"
              @file="lookedWith(r, $event)"
            /><ElButton
              v-if="canLook(r)"
              class="act small"
              :disabled="busy === r.id + r.task"
              :aria-label="`${r.title} at ${r.name}: not in order`"
              @click="notInOrder(r)"
              >Not in order</ElButton
            ></span
          ></template
        >
      </RowTable>
      <template v-else-if="view === 'visits'">
        <section v-for="v in list.visits" :key="v.date">
          <h2>{{ day(v.date) }}</h2>
          <ul>
            <li v-for="(t, i) in v.tasks" :key="i">{{ t.title }}: {{ t.name }}</li>
          </ul>
        </section>
        <ElEmpty v-if="!list.visits.length" description="Nobody has to go within 90 days." />
      </template>
      <template v-else-if="view === 'leaving'">
        <CompanionwaySheet />
        <LeavingView :boat="boats.picture!.id" :leaving="list.leaving" :may="may" @changed="load" />
      </template>
      <template v-else>
        <LaunchDay
          :boat="boats.picture!.id"
          :ashore="list.notLaunchable"
          :launches="list.launches"
          :may="may"
          @afloat="load"
        />
      </template>
    </div>
  </div>
</template>

<style scoped>
.watch {
  display: grid;
  grid-template-rows: auto auto minmax(0, 1fr) auto;
  height: 100%;
}
.top {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
  padding: 9px 20px;
  min-height: 58px;
  border-bottom: 1px solid var(--line-strong);
}
.top h1 {
  font-size: 1.25rem;
}
/* Said below the list: above it, what one is about to press would move away. */
.said {
  grid-row: 4;
  padding: 8px 20px;
  border-top: 2px solid var(--tide);
  background: var(--sheet);
}
/* Where there is no list, it is said in its place. */
.said.alone {
  grid-row: 3;
  align-self: start;
  border-top: 0;
  background: none;
}
.refused {
  flex-basis: 100%;
  color: var(--short);
}
.wrong {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 12px;
  padding: 8px 20px;
  border-left: 4px solid var(--short);
}
.wrong {
  position: sticky;
  top: 0;
  z-index: 3;
  background: var(--paper);
}
.wrong .entry {
  width: min(420px, 100%);
}
.body {
  grid-row: 3;
  overflow-y: auto;
  padding: 12px 20px 40px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.late-by {
  color: var(--short);
  font-weight: 600;
}
.body :deep(tr.stop td) {
  background: color-mix(in srgb, var(--short) 9%, transparent);
}
h2 {
  font-size: 1.05rem;
  padding-top: 10px;
}
@media (max-width: 767px) {
  .watch {
    display: flex;
    flex-direction: column;
    min-height: 100%;
    height: auto;
  }
  .top,
  .body {
    padding-inline: 14px;
  }
  .said {
    position: sticky;
    bottom: 0;
    z-index: 3;
    order: 1;
    margin-top: auto;
    padding: 10px 14px;
  }
  .said.alone {
    margin-top: 0;
  }
}
</style>
