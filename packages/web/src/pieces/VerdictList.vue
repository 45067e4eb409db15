<script setup lang="ts">
import { computed } from 'vue'
import {
  estimateSaid,
  rank,
  sayIn,
  type Check,
  type Remedy,
  type Units,
  type Verdict,
  formatUse,
} from '@north-tide/core'
import VerdictSign from './VerdictSign.vue'

/** Verdicts, the worst first, each with what would mend it. */
const props = defineProps<{
  judged: { checks: Check[]; counts: Record<Verdict, number> } | null | undefined
  problem: { message: string } | null
  units: Units
  readOnly: boolean
  picked: string | null
  /** among checks of one verdict, what comes first */ first?: (id: string) => number
}>()
const emit = defineEmits<{
  pick: [id: string]
  focus: [id: string]
  work: [id: string]
  apply: [r: Remedy]
}>()
const WORD = { holds: 'Holds', tight: 'Tight', short: 'Short', unproven: 'Unproven' } as const
const ESTIMATES_SAID = 3
const first = (id: string) => props.first?.(id) ?? 0
const checks = computed(() =>
  (props.judged?.checks ?? [])
    .slice()
    .sort(
      (a, b) =>
        rank(a.verdict) - rank(b.verdict) ||
        first(b.id) - first(a.id) ||
        (b.utilisation ?? -1) - (a.utilisation ?? -1),
    ),
)
const summary = computed(() =>
  props.judged
    ? (['short', 'unproven', 'tight', 'holds'] as const)
        .filter((v) => props.judged!.counts[v])
        .map(
          (v) => `${props.judged!.counts[v]} ${v === 'holds' && props.judged!.counts[v] !== 1 ? 'hold' : v}`,
        )
        .join(' · ')
    : '',
)
const estimate = (c: Check) =>
  c.assumed.length
    ? `Leans on an estimate: ${c.assumed.slice(0, ESTIMATES_SAID).map(estimateSaid).join(', ')}${c.assumed.length > ESTIMATES_SAID ? ` and ${c.assumed.length - ESTIMATES_SAID} more` : ''}.`
    : ''
/**
 * All that a row shows, as one word: of thirty checks a key changes a few, and only those are drawn anew. The
 * row that is open shows what its place puts into it, and is always drawn.
 */
const shown = (c: Check, use: string) =>
  [c.verdict, c.title, sayIn(c.because, props.units), use, estimate(c), props.readOnly, props.units]
    .concat(c.remedies.map((r) => [r.id, r.text, r.utilisation, r.verdict, r.but].join('\u241f')))
    .join('\u241e')
</script>

<template>
  <section class="verdict-list" aria-label="Verdicts">
    <div class="group head">
      <h2>Verdicts</h2>
      <span class="soft small" data-test="counts">{{ summary }}</span>
    </div>
    <div v-if="problem" class="problem" role="alert">
      <strong>This cannot be judged as it stands.</strong> {{ sayIn(problem.message, units) }}. The drawing
      shows the last that could.
    </div>
    <slot name="above" />
    <ol class="list" tabindex="0" aria-label="Checks">
      <li
        v-for="c in checks"
        :key="c.id"
        v-memo="[shown(c, formatUse(c.utilisation)), picked === c.id ? {} : null]"
        :class="[c.verdict, { picked: c.id === picked }]"
        :data-check="c.id"
        :data-verdict="c.verdict"
      >
        <ElButton
          class="plain check"
          :aria-expanded="$slots.more ? picked === c.id : undefined"
          @click="emit('pick', c.id)"
          @focus="emit('focus', c.id)"
          @keydown.w.prevent="emit('work', c.id)"
        >
          <VerdictSign :verdict="c.verdict" :size="16" />
          <span class="words"
            ><strong>{{ WORD[c.verdict] }}: {{ c.title }}</strong
            ><span class="because soft">{{ sayIn(c.because, units) }}</span
            ><span v-if="estimate(c) && c.verdict !== 'holds'" class="because soft dashed">{{
              estimate(c)
            }}</span></span
          >
          <span class="figure used">{{ formatUse(c.utilisation) }}</span>
        </ElButton>
        <slot v-if="picked === c.id" name="more" :check="c" />
        <div v-if="c.remedies.length && !readOnly" class="remedies">
          <ElButton v-for="r in c.remedies" :key="r.id" class="act remedy" @click="emit('apply', r)">
            {{ sayIn(r.text, units) }} → {{ r.utilisation === null ? r.verdict : formatUse(r.utilisation)
            }}<template v-if="r.but">, {{ r.but }}</template>
          </ElButton>
        </div>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.verdict-list {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.head {
  padding: 12px 16px 6px;
  margin: 0;
}
.list {
  list-style: none;
  margin: 0;
  padding: 0;
  overflow-y: auto;
  min-height: 0;
  flex: 1;
}
li {
  border-bottom: 1px solid var(--line);
  padding: 9px 16px 9px 14px;
  border-left: 3px solid transparent;
}
li.short {
  background: var(--short-ground);
}
li.picked {
  border-left-color: var(--tide);
}
.check {
  display: grid;
  grid-template-columns: 18px minmax(0, 1fr) auto;
  gap: 10px;
  width: 100%;
  align-items: start;
}
.check svg {
  margin-top: 3px;
}
.words {
  display: grid;
  gap: 2px;
}
.because {
  font-size: 0.8438rem;
  line-height: 1.38;
}
.dashed {
  text-decoration: underline dashed var(--line-strong) 1px;
  text-underline-offset: 3px;
}
.used {
  font-weight: 600;
}
.remedies {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  padding: 8px 0 2px 28px;
}
.remedy {
  font-size: 0.8125rem;
  white-space: normal;
  text-align: left;
  padding: 6px 10px;
  min-height: 36px;
}
.problem {
  background: var(--short-ground);
  color: var(--short);
  padding: 10px 16px;
}
</style>
