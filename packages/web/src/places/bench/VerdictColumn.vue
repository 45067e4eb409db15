<script setup lang="ts">
import { computed } from 'vue'
import { FAMILY, estimateSaid, rank, sayIn, type Check, type Remedy } from '@north-tide/core'
import { useBench } from '../../stores/bench'
import { useBoats } from '../../stores/boats'
import VerdictSign from '../../pieces/VerdictSign.vue'

const props = defineProps<{ picked: string | null }>()
const emit = defineEmits<{ pick: [id: string]; work: [id: string] }>()
const bench = useBench()
const boats = useBoats()
const j = computed(() => bench.whole?.judgement)
const WORD = { holds: 'Holds', tight: 'Tight', short: 'Short', unproven: 'Unproven' } as const
/** Among checks of one verdict, what this family fails at first comes first. */
const first = (id: string) => (bench.design && FAMILY[bench.design.family].looks.some((l) => id.startsWith(l)) ? 1 : 0)
const checks = computed(() => (j.value?.checks ?? []).slice().sort((a, b) => rank(a.verdict) - rank(b.verdict) || first(b.id) - first(a.id) || (b.utilisation ?? -1) - (a.utilisation ?? -1)))
const summary = computed(() => (j.value ? (['short', 'unproven', 'tight', 'holds'] as const).filter((v) => j.value!.counts[v]).map((v) => `${j.value!.counts[v]} ${v === 'holds' && j.value!.counts[v] !== 1 ? 'hold' : v}`).join(' · ') : ''))
const apply = (r: Remedy) => bench.change(r.change)
const estimate = (c: Check) => (c.assumed.length ? `Leans on an estimate: ${c.assumed.slice(0, 3).map(estimateSaid).join(', ')}${c.assumed.length > 3 ? ` and ${c.assumed.length - 3} more` : ''}.` : '')
</script>

<template>
  <section class="verdicts" aria-label="Verdicts">
    <div class="group head"><h2>Verdicts</h2><span class="soft small" data-test="counts">{{ summary }}</span></div>
    <div v-if="bench.problem" class="problem" role="alert"><strong>This cannot be judged as it stands.</strong> {{ sayIn(bench.problem.message, boats.units) }}. The drawing shows the last that could.</div>
    <p v-if="j?.caseSaid" class="case-said small">{{ sayIn(j.caseSaid, boats.units) }}</p>
    <p v-if="j && !bench.solved" class="soft small asking" role="status" data-test="solver-asked">{{ bench.solver.failed ? `The plate solver could not be asked: ${bench.solver.failed}.` : bench.solver.progress !== null ? 'The plate solver is looking at it; until then these are the hand checks alone.' : bench.problem ? '' : 'Not asked of the plate solver yet: these are the hand checks alone.' }}</p>
    <p v-else-if="bench.solved?.said.warning" class="small asking">{{ bench.solved.said.warning[0]!.toUpperCase() + bench.solved.said.warning.slice(1) }}</p>
    <ol class="list" tabindex="0" aria-label="Checks">
      <li v-for="c in checks" :key="c.id" :class="[c.verdict, { picked: c.id === props.picked }]" :data-check="c.id" :data-verdict="c.verdict">
        <button class="plain check" @click="emit('pick', c.id)" @focus="emit('pick', c.id)" @keydown.w.prevent="emit('work', c.id)">
          <VerdictSign :verdict="c.verdict" :size="16" />
          <span class="words"><strong>{{ WORD[c.verdict] }}: {{ c.title }}</strong><span class="because soft">{{ sayIn(c.because, boats.units) }}</span><span v-if="estimate(c) && c.verdict !== 'holds'" class="because soft dashed">{{ estimate(c) }}</span></span>
          <span class="figure used">{{ c.utilisation === null ? '' : c.utilisation.toFixed(2) }}</span>
        </button>
        <div v-if="c.remedies.length && !bench.readOnly" class="remedies">
          <button v-for="r in c.remedies" :key="r.id" class="act remedy" @click="apply(r)">{{ sayIn(r.text, boats.units) }} → {{ r.utilisation === null ? r.verdict : r.utilisation.toFixed(2) }}<template v-if="r.but">, {{ r.but }}</template></button>
        </div>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.asking { padding: 4px 16px 6px; margin: 0; }
.case-said { padding: 6px 16px; border-bottom: 1px solid var(--line); font-weight: 600; }
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
.remedies { display: flex; flex-wrap: wrap; gap: 6px; padding: 8px 0 2px 28px; }
.remedy { font-size: 13px; white-space: normal; text-align: left; padding: 6px 10px; min-height: 36px; }
.problem { background: var(--short-ground); color: var(--short); padding: 10px 16px; }
</style>
