<script setup lang="ts">
import { computed, ref } from 'vue'
import dayjs from 'dayjs'
import { sayIn } from '@north-tide/core'
import {
  throughHullCautions,
  throughHullParts,
  throughHullSteps,
  gateBefore,
  type ThroughHullStep,
} from '@north-tide/core/through-hull'
import { ApiRefusal } from '../../api'
import { useThroughHull } from '../../state/through-hull'
import { useBoats } from '../../state/boats'
import TickForm from './TickForm.vue'

/** The steps in the trade's order with their gates, the watch after launch, and what to buy. */
const throughHull = useThroughHull()
const boats = useBoats()
const d = computed(() => throughHull.design!)
const j = computed(() => throughHull.judgement!)
const steps = computed(() => throughHullSteps(d.value, j.value, boats.units))
const parts = computed(() => throughHullParts(d.value, j.value, boats.units))
const cautions = computed(() => throughHullCautions(d.value))
const next = computed(() => steps.value.find((s) => s.gate && !d.value.ticks[s.id])?.id ?? null)
const asking = ref<{ id: string; gates: { id: string; text: string }[] } | null>(null)
const back = ref<{ id: string; reason: string } | null>(null)
const said = ref('')
const busy = ref('')
const lastTicked = computed(() => steps.value.findLast((s) => d.value.ticks[s.id])?.id ?? null)
/** Where nothing is asked and nothing stands before it, one press does; else the form says what is wanted. */
async function begin(s: ThroughHullStep) {
  said.value = ''
  back.value = null
  if (s.asks.length || gateBefore(steps.value, s.id, d.value.ticks))
    return void (asking.value = { id: s.id, gates: [] })
  busy.value = s.id
  try {
    await throughHull.act('POST', 'tick', { step: s.id })
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
    await throughHull.act('POST', `tick/${back.value.id}/back`, { reason: back.value.reason.trim() })
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
        :class="{ done: d.ticks[s.id], next: s.id === next }"
        :data-step="s.id"
      >
        <span class="n figure">{{ i + 1 }}</span>
        <div>
          <p>
            {{ sayIn(s.text, boats.units) }} <span v-if="s.hands === 2" class="two small">two people</span>
          </p>
          <p v-if="s.alone" class="soft small">Alone: {{ s.alone }}</p>
          <p v-if="s.caution" class="caution small">{{ s.caution }}</p>
          <p v-if="d.ticks[s.id]" class="soft small">
            {{ dayjs(d.ticks[s.id]!.at).format('D MMM HH:mm') }}, {{ d.ticks[s.id]!.by
            }}{{ d.ticks[s.id]!.note ? `: ${d.ticks[s.id]!.note}` : '' }}
          </p>
          <TickForm
            v-if="asking?.id === s.id"
            :step="s"
            :gates="asking.gates"
            @done="asking = null"
            @leave="asking = null"
          />
          <form v-if="back?.id === s.id" class="asking" @submit.prevent="takeBack">
            <label :for="`back-${s.id}`"
              >Why it is taken back<input
                :id="`back-${s.id}`"
                v-model="back.reason"
                class="entry"
                maxlength="300" /></label
            ><button class="act main" :disabled="!back.reason.trim()">Take it back</button
            ><button type="button" class="act" @click="back = null">Leave it</button>
          </form>
        </div>
        <button
          v-if="s.gate && !d.ticks[s.id] && !throughHull.readOnly && asking?.id !== s.id"
          class="act"
          :disabled="busy === s.id"
          :class="{ main: s.id === next }"
          :aria-label="`Tick: ${s.text}`"
          @click="begin(s)"
        >
          Tick
        </button>
        <span v-else-if="d.ticks[s.id]" class="ok"
          ><span aria-label="done" role="img">✓</span
          ><button
            v-if="s.id === lastTicked && !throughHull.readOnly && back?.id !== s.id"
            class="plain back small"
            @click="back = { id: s.id, reason: '' }"
          >
            take back
          </button></span
        >
      </li>
    </ol>
    <aside>
      <p v-if="said" class="caution" role="alert">{{ said }}</p>
      <h3>Parts</h3>
      <table class="rows small" aria-label="Parts">
        <tbody>
          <tr v-for="(p, i) in parts" :key="i">
            <td>
              {{ p.what }}<span v-if="p.note" class="soft"> · {{ p.note }}</span>
            </td>
            <td class="number">{{ p.size }}</td>
            <td class="number">{{ p.count }}</td>
          </tr>
        </tbody>
      </table>
      <h3>Cautions</h3>
      <p v-for="c in cautions" :key="c.id" class="small">{{ c.text }}</p>
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
aside td:first-child {
  min-width: 120px;
}
aside td.number {
  white-space: normal;
  max-width: 190px;
}
aside td:last-child {
  max-width: 76px;
}
</style>
