<script setup lang="ts">
import { computed } from 'vue'
import { QUESTIONS, SEALANTS, refusedHere, ruleBeside, sayIn, schoolNamed } from '@north-tide/core'
import { useBench } from '../../stores/bench'
import { useBoats } from '../../stores/boats'
import { useSession } from '../../stores/session'

/** Where good fitters disagree, for this fitting: each school with its reason, what it changes, and whether it is the yard's habit. */
const bench = useBench()
const boats = useBoats()
const session = useSession()
const d = computed(() => bench.design!)
const rule = computed(() => (bench.whole ? ruleBeside(d.value, bench.whole.judgement, boats.units) : null))
const mayHabit = computed(() => session.account?.role === 'fitter' || session.account?.role === 'manager')
const refusals = computed(() => bench.whole?.judgement.sealant.choices.filter((c) => c.verdict === 'refused') ?? [])
</script>

<template>
  <div class="schools">
    <section v-for="q in QUESTIONS" :key="q.id" :aria-label="q.question">
      <h3>{{ q.question }} <span class="soft small">changes {{ q.changes }}</span></h3>
      <ul>
        <li v-for="s in q.schools" :key="s" :class="{ on: q.of(d) === s, refused: refusedHere(s, d) }">
          <label><input type="radio" :name="`school-${q.id}`" :checked="q.of(d) === s" :disabled="bench.readOnly || (refusedHere(s, d) !== null && q.of(d) !== s)" @change="bench.change(q.take(s, d))" /> <strong>{{ schoolNamed(s)?.choice ?? s }}</strong></label>
          <p class="small">{{ refusedHere(s, d) ?? schoolNamed(s)?.reason }} <span v-if="!refusedHere(s, d)" class="soft">Costs: {{ schoolNamed(s)?.costs }} Not: {{ schoolNamed(s)?.notWhen }}</span></p>
          <button v-if="mayHabit" class="plain small habit" :aria-pressed="boats.habits[q.id] === s" @click="boats.setHabit(q.id, boats.habits[q.id] === s ? null : s)">{{ boats.habits[q.id] === s ? 'the yard’s habit' : 'make it the yard’s habit' }}</button>
        </li>
      </ul>
      <p v-if="q.id === 'plate' && rule" class="small beside">{{ rule.thickness }} {{ rule.reach }} {{ rule.why }}</p>
    </section>
    <section aria-label="Refused sealants"><h3>Sealants refused here</h3><p v-for="c in refusals" :key="c.id" class="small"><strong>{{ SEALANTS[c.id].title }}.</strong> {{ sayIn(c.reasons.filter((r) => r.effect === 'refuse').map((r) => r.text).join(' '), boats.units) }}</p></section>
  </div>
</template>

<style scoped>
.schools { columns: 2; column-gap: 30px; }
section { break-inside: avoid; padding-bottom: 12px; }
ul { list-style: none; margin: 4px 0 0; padding: 0; }
li { border-left: 3px solid var(--line); padding: 2px 0 4px 10px; }
li.on { border-left-color: var(--tide); background: var(--tide-soft); }
li.refused { color: var(--ink-soft); }
label { display: flex; gap: 8px; align-items: center; min-height: 30px; }
input { accent-color: var(--tide); }
.habit { text-decoration: underline dotted; color: var(--tide); min-height: 28px; }
.habit[aria-pressed='true'] { text-decoration: none; font-weight: 700; }
.beside { border-left: 3px solid var(--ink); padding-left: 10px; margin-top: 4px; }
</style>
