<script setup lang="ts">
import { computed, ref } from 'vue'
import { estimateSaid, rank, sayIn, type Check, type Remedy } from '@north-tide/core'
import { useBelow } from '../../stores/below'
import { useBoats } from '../../stores/boats'
import VerdictSign from '../../pieces/VerdictSign.vue'

/** Verdicts, the worst first, each with what would mend it. */
const below = useBelow()
const boats = useBoats()
const picked = ref<string | null>(null)
const j = computed(() => below.judgement)
const WORD = { holds: 'Holds', tight: 'Tight', short: 'Short', unproven: 'Unproven' } as const
const checks = computed(() => (j.value?.checks ?? []).slice().sort((a, b) => rank(a.verdict) - rank(b.verdict) || (b.utilisation ?? -1) - (a.utilisation ?? -1)))
const summary = computed(() => (j.value ? (['short', 'unproven', 'tight', 'holds'] as const).filter((v) => j.value!.counts[v]).map((v) => `${j.value!.counts[v]} ${v === 'holds' && j.value!.counts[v] !== 1 ? 'hold' : v}`).join(' · ') : ''))
const estimate = (c: Check) => (c.assumed.length ? `Leans on an estimate: ${c.assumed.slice(0, 3).map(estimateSaid).join(', ')}.` : '')
const apply = (r: Remedy) => below.change(r.change)
</script>

<template>
  <section class="verdicts" aria-label="Verdicts">
    <div class="group head"><h2>Verdicts</h2><span class="soft small" data-test="counts">{{ summary }}</span></div>
    <div v-if="below.problem" class="problem" role="alert"><strong>This cannot be judged as it stands.</strong> {{ sayIn(below.problem.message, boats.units) }}. The drawing shows the last that could.</div>
    <ol class="list" tabindex="0" aria-label="Checks">
      <li v-for="c in checks" :key="c.id" :class="[c.verdict, { picked: c.id === picked }]" :data-check="c.id" :data-verdict="c.verdict">
        <button class="plain check" :aria-expanded="picked === c.id" @click="picked = picked === c.id ? null : c.id">
          <VerdictSign :verdict="c.verdict" :size="16" />
          <span class="words"><strong>{{ WORD[c.verdict] }}: {{ c.title }}</strong><span class="because soft">{{ sayIn(c.because, boats.units) }}</span><span v-if="estimate(c) && c.verdict !== 'holds'" class="because soft dashed">{{ estimate(c) }}</span></span>
          <span class="figure used">{{ c.utilisation === null ? '' : c.utilisation.toFixed(2) }}</span>
        </button>
        <p v-if="picked === c.id" class="soft small working">{{ c.source[0]!.toUpperCase() + c.source.slice(1) }}{{ c.demand !== null && c.capacity !== null ? `: ${Number(c.demand.toPrecision(3))} of ${Number(c.capacity.toPrecision(3))} ${c.unit}${c.factor !== 1 ? ` with a factor of ${c.factor}` : ''}` : '' }}.<span v-for="w in c.working" :key="w.symbol"> {{ w.symbol }} = {{ w.expression }}{{ w.value === null ? '' : ` = ${Number(w.value.toPrecision(3))} ${w.unit}` }}.</span></p>
        <div v-if="c.remedies.length && !below.readOnly" class="remedies">
          <button v-for="r in c.remedies" :key="r.id" class="act remedy" @click="apply(r)">{{ sayIn(r.text, boats.units) }} → {{ r.utilisation === null ? r.verdict : r.utilisation.toFixed(2) }}<template v-if="r.but">, {{ r.but }}</template></button>
        </div>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.verdicts { display: flex; flex-direction: column; min-height: 0; }
.head { padding: 12px 16px 6px; margin: 0; }
.list { list-style: none; margin: 0; padding: 0; overflow-y: auto; min-height: 0; flex: 1; }
li { border-bottom: 1px solid var(--line); padding: 9px 16px 9px 14px; border-left: 3px solid transparent; }
li.short { background: var(--short-ground); }
li.picked { border-left-color: var(--tide); }
.check { display: grid; grid-template-columns: 18px minmax(0, 1fr) auto; gap: 10px; width: 100%; align-items: start; }
.check svg { margin-top: 3px; }
.words { display: grid; gap: 2px; }
.because { font-size: 13.5px; line-height: 1.38; }
.dashed { text-decoration: underline dashed var(--line-strong) 1px; text-underline-offset: 3px; }
.used { font-weight: 600; }
.working { padding: 4px 0 0 28px; }
.remedies { display: flex; flex-wrap: wrap; gap: 6px; padding: 8px 0 2px 28px; }
.remedy { font-size: 13px; white-space: normal; text-align: left; padding: 6px 10px; min-height: 36px; }
.problem { background: var(--short-ground); color: var(--short); padding: 10px 16px; }
</style>
