<script setup lang="ts">
import { computed, ref } from 'vue'
import dayjs from 'dayjs'
import { sayIn } from '@north-tide/core'
import { WATCH_STEPS, belowCautions, belowParts, belowSteps, gateBefore, type BelowStep } from '@north-tide/core/below'
import { ApiRefusal } from '../../api'
import { useBelow } from '../../stores/below'
import { useBoats } from '../../stores/boats'

/** The steps in the trade's order with their gates, the watch after launch, and what to buy. */
const below = useBelow()
const boats = useBoats()
const d = computed(() => below.design!)
const j = computed(() => below.judgement!)
const steps = computed(() => belowSteps(d.value, j.value, boats.units))
const parts = computed(() => belowParts(d.value, j.value, boats.units))
const cautions = computed(() => belowCautions(d.value))
const next = computed(() => steps.value.find((s) => s.gate && !d.value.ticks[s.id])?.id ?? null)
const asking = ref<{ step: BelowStep; text: string } | null>(null)
const note = ref('')
const reason = ref('')
const said = ref('')
const watch = (id: string) => (WATCH_STEPS as readonly string[]).includes(id)
function begin(s: BelowStep) {
  said.value = ''
  const open = gateBefore(steps.value, s.id, d.value.ticks)
  if (!open && !watch(s.id)) return void send(s)
  note.value = reason.value = ''
  asking.value = { step: s, text: open ? `Before this stands: ${open.text}` : '' }
}
async function send(s: BelowStep) {
  try {
    await below.act('POST', 'tick', { step: s.id, note: note.value.trim(), reason: reason.value.trim() })
    asking.value = null
  } catch (error) {
    said.value = error instanceof ApiRefusal ? error.refusal.message : error instanceof Error ? error.message : 'It was not ticked'
  }
}
</script>

<template>
  <div class="work">
    <ol class="steps" aria-label="Steps">
      <li v-for="(s, i) in steps" :key="s.id" :class="{ done: d.ticks[s.id], next: s.id === next }" :data-step="s.id">
        <span class="n figure">{{ i + 1 }}</span>
        <div><p>{{ sayIn(s.text, boats.units) }} <span v-if="s.hands === 2" class="two small">two people</span></p><p v-if="s.alone" class="soft small">Alone: {{ s.alone }}</p><p v-if="s.caution" class="caution small">{{ s.caution }}</p><p v-if="d.ticks[s.id]" class="soft small">{{ dayjs(d.ticks[s.id]!.at).format('D MMM HH:mm') }}, {{ d.ticks[s.id]!.by }}{{ d.ticks[s.id]!.note ? `: ${d.ticks[s.id]!.note}` : '' }}</p>
          <form v-if="asking?.step.id === s.id" class="asking" @submit.prevent="send(s)"><p v-if="asking.text" class="caution small">{{ sayIn(asking.text, boats.units) }}</p><label v-if="asking.text" :for="`why-${s.id}`">Why it is passed over<input :id="`why-${s.id}`" v-model="reason" class="entry" maxlength="300" /></label><label v-if="watch(s.id)" :for="`saw-${s.id}`">What was seen<input :id="`saw-${s.id}`" v-model="note" class="entry" maxlength="300" placeholder="dry all round" /></label><button class="act main" :disabled="(asking.text !== '' && !reason.trim()) || (watch(s.id) && !note.trim())">Tick it</button><button type="button" class="act" @click="asking = null">Leave it</button></form>
        </div>
        <button v-if="s.gate && !d.ticks[s.id] && !below.readOnly && asking?.step.id !== s.id" class="act" :class="{ main: s.id === next }" :aria-label="`Tick: ${s.text}`" @click="begin(s)">Tick</button>
        <span v-else-if="d.ticks[s.id]" class="ok" aria-label="done">✓</span>
      </li>
    </ol>
    <aside>
      <p v-if="said" class="caution" role="alert">{{ said }}</p>
      <h3>Parts</h3>
      <table class="rows small" aria-label="Parts"><tbody><tr v-for="(p, i) in parts" :key="i"><td>{{ p.what }}<span v-if="p.note" class="soft"> · {{ p.note }}</span></td><td class="number">{{ p.size }}</td><td class="number">{{ p.count }}</td></tr></tbody></table>
      <h3>Cautions</h3>
      <p v-for="c in cautions" :key="c.id" class="small">{{ c.text }}</p>
    </aside>
  </div>
</template>

<style scoped>
.work { display: grid; grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr); gap: 24px; }
.steps { list-style: none; margin: 0; padding: 0; }
.steps > li { display: grid; grid-template-columns: 26px minmax(0, 1fr) auto; gap: 8px; padding: 6px 0; border-bottom: 1px solid var(--line); align-items: start; }
.steps > li.next { border-left: 4px solid var(--tide); padding-left: 6px; }
.done .n, .done p:first-child { color: var(--ink-soft); }
.two { border: 1px solid var(--line-strong); padding: 0 5px; white-space: nowrap; }
.caution { color: var(--buoy); font-weight: 600; }
.asking { display: flex; flex-wrap: wrap; gap: 8px; align-items: end; padding-top: 5px; }
.asking .caution { flex-basis: 100%; }
.asking label { display: grid; gap: 2px; }
.asking .entry { width: 220px; }
.ok { color: var(--holds); font-weight: 700; padding: 4px 12px; }
h3 { margin: 8px 0 2px; }
aside td:first-child { min-width: 150px; }
aside td.number { white-space: normal; max-width: 130px; }
</style>
