<script setup lang="ts">
import { computed, ref } from 'vue'
import dayjs from 'dayjs'
import { gateBefore, logSaid, sayIn, sentence, stepTakes, tickSaid, type Step } from '@north-tide/core'
import { ApiRefusal } from '../api'
import type { WorkBench } from '../state/acts'
import { useBoats } from '../state/boats'
import PartsTable from './PartsTable.vue'
import PhotoStrip from './PhotoStrip.vue'
import StepClock from './StepClock.vue'
import TickForm from './TickForm.vue'
import TrendsAt from './TrendsAt.vue'
import WaitsHere from './WaitsHere.vue'
import { useWaiting } from '../state/waiting'

/** The steps in the trade's order with their gates, what to buy, the cautions, and what happened. */
const props = defineProps<{ bench: WorkBench }>()
const boats = useBoats()
const waiting = useWaiting()
const tickPath = computed(() => `/fittings/${props.bench.fitting?.id}/tick`)
/** It was ticked without a line, and is not asked for again. */
const ticked = (id: string) => waiting.of(tickPath.value, { step: id }).some((e) => e.state === 'waiting')
const ticks = computed(() => props.bench.work.ticks)
const steps = computed(() => props.bench.steps)
const next = computed(() => steps.value.find((s) => s.gate && !ticks.value[s.id])?.id ?? null)
const asking = ref<{ id: string; gates: { id: string; text: string }[] } | null>(null)
const back = ref<{ id: string; reason: string } | null>(null)
const said = ref('')
const busy = ref('')
/** A clock runs until the next step is ticked, which is what it was for. */
const endOfClock = (i: number) => ticks.value[steps.value[i + 1]?.id ?? '']?.at ?? null
const lastTicked = computed(() => steps.value.findLast((s) => ticks.value[s.id])?.id ?? null)
/** What was said as the step was ticked, since it was last taken back. */
function tickLines(id: string) {
  if (!ticks.value[id]) return []
  const mine = props.bench.log.filter((l) => l.kind === 'tick' && l.step === id)
  return mine.slice(mine.findLastIndex((l) => l.undoes) + 1)
}
/** Holes that were kept apart as the step was ticked, and have not followed. */
const apart = computed(() => {
  const all = props.bench.fitting?.holes.map((h) => h.label) ?? []
  const out = new Map<string, string[]>()
  for (const s of steps.value) {
    const lines = tickLines(s.id)
    if (!lines.length || lines.some((l) => !l.data?.holes)) continue
    const done = lines.flatMap((l) => l.data!.holes!)
    const left = all.filter((l) => !done.includes(l))
    if (left.length) out.set(s.id, left)
  }
  return out
})
/** Where nothing is asked and nothing stands before it, one press does; else the form says what is wanted. */
async function begin(s: Step) {
  said.value = ''
  back.value = null
  if (s.asks.length || gateBefore(steps.value, s.id, ticks.value))
    return void (asking.value = { id: s.id, gates: [] })
  busy.value = s.id
  try {
    await props.bench.act('POST', 'tick', { step: s.id })
    asking.value = null
  } catch (error) {
    if (error instanceof ApiRefusal && error.refusal.code === 'gate')
      asking.value = { id: s.id, gates: error.refusal.gates ?? [] }
    else said.value = error instanceof Error ? error.message : 'It was not ticked'
  } finally {
    busy.value = ''
  }
}
async function takeBack() {
  if (!back.value?.reason.trim()) return
  said.value = ''
  try {
    await props.bench.act('POST', `tick/${back.value.id}/back`, { reason: back.value.reason.trim() })
    back.value = null
  } catch (error) {
    said.value = error instanceof Error ? error.message : 'It was not taken back'
  }
}
</script>

<template>
  <div class="work">
    <ol class="steps" aria-label="Steps">
      <li
        v-for="(s, i) in steps"
        :key="s.id"
        :class="{ done: ticks[s.id], next: s.id === next }"
        :data-step="s.id"
      >
        <span class="n figure">{{ i + 1 }}</span>
        <div>
          <p>
            {{ sayIn(s.text, boats.units) }} <span v-if="s.hands === 2" class="two small">two people</span>
          </p>
          <p v-if="stepTakes(s)" class="soft small">{{ sentence(stepTakes(s)) }}.</p>
          <p v-if="s.alone" class="soft small">Alone: {{ s.alone }}</p>
          <p v-if="s.caution" class="caution small">{{ s.caution }}</p>
          <p v-for="(l, k) in tickLines(s.id)" :key="k" class="soft small">
            {{ dayjs(l.at).format('D MMM HH:mm') }}, {{ l.who
            }}{{ tickSaid(l, boats.units) ? `: ${sayIn(tickSaid(l, boats.units), boats.units)}` : '' }}
          </p>
          <StepClock
            v-if="s.clock && ticks[s.id]"
            :clock="s.clock"
            :from="ticks[s.id]!.at"
            :until="endOfClock(i)"
          />
          <p v-if="apart.has(s.id)" class="caution small">
            Kept apart: {{ apart.get(s.id)!.join(', ') }}.
            <ElButton v-if="!bench.readOnly" class="act" @click="asking = { id: s.id, gates: [] }">
              It follows
            </ElButton>
          </p>
          <WaitsHere :path="tickPath" :has="{ step: s.id }" />
          <TickForm
            v-if="asking?.id === s.id"
            :step="s"
            :gates="asking.gates"
            :bench="bench"
            :only="apart.get(s.id) ?? []"
            @done="asking = null"
            @leave="asking = null"
          />
          <form v-if="back?.id === s.id" class="asking" @submit.prevent="takeBack">
            <label :for="`back-${s.id}`"
              >Why it is taken back<ElInput
                :id="`back-${s.id}`"
                v-model="back.reason"
                class="entry"
                maxlength="300" /></label
            ><ElButton class="act main" :disabled="!back.reason.trim()" native-type="submit"
              >Take it back</ElButton
            ><ElButton class="act" @click="back = null">Leave it</ElButton>
          </form>
        </div>
        <ElButton
          v-if="s.gate && !ticks[s.id] && !bench.readOnly && asking?.id !== s.id && !ticked(s.id)"
          class="act"
          :disabled="busy === s.id"
          :class="{ main: s.id === next }"
          :aria-label="`Tick: ${s.text}`"
          @click="begin(s)"
        >
          Tick
        </ElButton>
        <span v-else-if="ticks[s.id]" class="ok"
          ><span aria-label="done" role="img">✓</span
          ><ElButton
            v-if="s.id === lastTicked && !bench.readOnly && back?.id !== s.id"
            class="plain back small"
            @click="back = { id: s.id, reason: '' }"
          >
            take back
          </ElButton></span
        >
      </li>
    </ol>
    <aside>
      <p v-if="said" class="caution" role="alert">{{ said }}</p>
      <TrendsAt
        v-if="bench.fitting && boats.picture"
        :boat="boats.picture.id"
        :at="[bench.fitting.id, ...bench.fitting.holes.map((h) => `hole ${h.id}`)]"
        :read="bench.readOnly ? null : (body) => bench.act('POST', 'log', body)"
      />
      <template v-if="bench.fitting">
        <h3>Photos</h3>
        <PhotoStrip subject="fitting" :subject-id="bench.fitting.id" />
      </template>
      <h3>Parts</h3>
      <PartsTable :parts="bench.parts" />
      <h3>Cautions</h3>
      <p v-for="c in bench.cautions" :key="c.id" class="small">{{ c.text }}</p>
      <template v-if="bench.log.length">
        <h3>What happened</h3>
        <ul class="log small">
          <li v-for="(l, i) in [...bench.log].reverse()" :key="i">
            <span class="soft">{{ dayjs(l.at).format('D MMM HH:mm') }}, {{ l.who }}</span>
            {{ logSaid(l, boats.units) }}
          </li>
        </ul>
      </template>
    </aside>
  </div>
</template>

<style scoped>
.work {
  display: grid;
  grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr);
  gap: 24px;
}
.steps {
  list-style: none;
  margin: 0;
  padding: 0;
}
.steps > li {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr) auto;
  gap: 8px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
  align-items: start;
}
.steps > li.next {
  border-left: 4px solid var(--tide);
  padding-left: 6px;
}
.done .n,
.done p:first-child {
  color: var(--ink-soft);
}
.two {
  border: 1px solid var(--line-strong);
  padding: 0 5px;
  white-space: nowrap;
}
.caution {
  color: var(--buoy);
  font-weight: 600;
}
.asking {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: end;
  padding-top: 5px;
}
.asking label {
  display: grid;
  gap: 2px;
}
.asking .entry {
  width: 220px;
}
.ok {
  color: var(--holds);
  font-weight: 700;
  padding: 4px 12px;
  display: grid;
  justify-items: end;
  gap: 2px;
}
.back {
  color: var(--tide);
  text-decoration: underline;
  font-weight: 400;
}
h3 {
  margin: 8px 0 2px;
}
.log {
  list-style: none;
  margin: 0;
  padding: 0;
}
@media (max-width: 767px) {
  .work {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
