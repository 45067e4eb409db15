<script setup lang="ts">
import { computed } from 'vue'
import {
  estimateSaid,
  formatQuantity,
  sayIn,
  type Check,
  type Units,
  type Verdict,
  formatUse,
} from '@north-tide/core'
import VerdictSign from '../../../pieces/VerdictSign.vue'
import { CODE_WORDS, choiceWords, fieldWords } from './words'
import RowTable from '../../../pieces/RowTable.vue'

/**
 * The answer of any calculator in words: verdicts and reasons first, then figures, then tables and
 * working.
 */
const props = defineProps<{ answer: Record<string, unknown>; units: Units }>()
const checks = computed(() => (props.answer.checks as Check[] | undefined) ?? [])
const verdict = computed(() => props.answer.verdict as Verdict | undefined)
const codes = computed(() => (Array.isArray(props.answer.codes) ? (props.answer.codes as string[]) : []))
const HIDDEN = ['codes', 'checks', 'verdict', 'because', 'working', 'series', 'fields', 'governing']
const scalar = (v: unknown) => v === null || typeof v !== 'object'
const flat = (v: unknown): [string, unknown][] =>
  Object.entries(v as object).filter(([k]) => !HIDDEN.includes(k))
/** An estimate by what a fitter calls it; a field by its own words. */
function assumedSaid(name: string): string {
  for (const known of [name, `load: ${name}`]) {
    const said = estimateSaid(known)
    if (said !== known) return said
  }
  return /^[a-z]+([A-Z]|\.)/.test(name) ? fieldWords(name.split('.').at(-1)!).label : name
}
function shown(key: string, v: unknown): string {
  if (v === null) return 'none'
  if (key === 'assumed' && Array.isArray(v)) return v.map((x) => assumedSaid(String(x))).join(', ') || 'none'
  if (typeof v === 'boolean') return v ? 'yes' : 'no'
  if (typeof v === 'number') {
    const { unit, kind } = fieldWords(key)
    return formatQuantity(
      v,
      kind === 'angle' ? 'deg' : kind === 'temperature' ? '\u00b0C' : unit,
      props.units,
    )
  }
  if (Array.isArray(v) && v.length && v.every((x) => x !== null && typeof x === 'object' && 'text' in x))
    return v.map((x) => (x as { text: string }).text).join(' ')
  if (Array.isArray(v))
    return v.every(scalar) ? v.map((x) => shown(key, x)).join(', ') || 'none' : `${v.length}`
  if (typeof v === 'object')
    return flat(v)
      .map(([k, x]) => `${fieldWords(k).label} ${shown(k, x)}`)
      .join(', ')
  return choiceWords(v)
}
const figures = computed(() =>
  flat(props.answer).filter(
    ([, v]) =>
      scalar(v) ||
      (Array.isArray(v) && v.every(scalar)) ||
      (v !== null && typeof v === 'object' && !Array.isArray(v)),
  ),
)
const tables = computed(() =>
  flat(props.answer)
    .filter(
      (e): e is [string, Record<string, unknown>[]] =>
        Array.isArray(e[1]) && e[1].length > 0 && !scalar(e[1][0]) && !Array.isArray(e[1][0]),
    )
    .map(([k, rows]) => ({ name: k, heads: Object.keys(rows[0]!), rows })),
)
const working = computed(
  () =>
    (props.answer.working as
      | { symbol: string; meaning: string; expression: string; value: number | null; unit: string }[]
      | undefined) ?? [],
)
const WORD = { holds: 'Holds', tight: 'Tight', short: 'Short', unproven: 'Unproven' } as const
const MOST_ROWS = 60
</script>

<template>
  <div class="answer">
    <p v-if="verdict" class="verdict" data-test="sum-verdict">
      <VerdictSign :verdict="verdict" :size="19" /> <strong>{{ WORD[verdict] }}</strong>
      <span v-if="answer.because">{{ sayIn(String(answer.because), units) }}</span>
    </p>
    <p v-else-if="answer.because">{{ sayIn(String(answer.because), units) }}</p>
    <ul v-if="codes.length" class="codes">
      <li v-for="c in codes" :key="c">
        <strong>{{ choiceWords(c) }}</strong>: {{ CODE_WORDS[c] ?? 'see the reason above' }}.
      </li>
    </ul>
    <ul v-if="checks.length" class="checks">
      <li v-for="c in checks" :key="c.id">
        <VerdictSign :verdict="c.verdict" :size="16" /><span
          ><strong>{{ WORD[c.verdict] }}: {{ c.title }}</strong>
          <span class="soft"
            >{{ sayIn(c.because, units)
            }}<template v-if="c.assumed.length">
              Leans on an estimate: {{ c.assumed.map(estimateSaid).join(', ') }}.</template
            ></span
          ><span v-if="c.remedies.length">
            Would help:
            {{
              c.remedies
                .map(
                  (r) =>
                    `${sayIn(r.text, units)} → ${r.utilisation === null ? r.verdict : formatUse(r.utilisation)}`,
                )
                .join('; ')
            }}.</span
          ></span
        ><span class="figure">{{ formatUse(c.utilisation) }}</span>
      </li>
    </ul>
    <RowTable
      class="figures"
      label="Figures"
      :columns="[{ key: 'what' }, { key: 'value', class: 'figure' }]"
      :rows="figures"
      :known="([k]) => k"
    >
      <template #what="{ row: [k] }">{{ fieldWords(k).label }}</template>
      <template #value="{ row: [k, v] }"
        ><span :data-test="`sum-${k}`">{{ shown(k, v) }}</span></template
      >
    </RowTable>
    <div v-for="t in tables" :key="t.name" class="wide">
      <h3>{{ fieldWords(t.name).label }}</h3>
      <RowTable
        :label="fieldWords(t.name).label"
        :columns="t.heads.map((h) => ({ key: h, title: fieldWords(h).label }))"
        :rows="t.rows.slice(0, MOST_ROWS)"
        ><template #cell="{ row: r, column: h }"
          ><span :class="{ figure: typeof r[h] === 'number' }">{{ shown(h, r[h] ?? null) }}</span></template
        ></RowTable
      >
      <p v-if="t.rows.length > MOST_ROWS" class="soft small">
        {{ t.rows.length - MOST_ROWS }} more rows are in the copied JSON.
      </p>
    </div>
    <ElCollapse v-if="working.length" :model-value="['working']"
      ><ElCollapseItem name="working" title="Working">
        <RowTable
          label="Working"
          :columns="[
            { key: 'sign', class: 'figure' },
            { key: 'meaning' },
            { key: 'expression', class: 'figure soft' },
            { key: 'value', class: 'figure' },
          ]"
          :rows="working"
        >
          <template #sign="{ row: s }">{{ s.symbol }}</template>
          <template #value="{ row: s }">{{
            s.value === null ? '' : formatQuantity(s.value, s.unit, units)
          }}</template>
        </RowTable>
      </ElCollapseItem></ElCollapse
    >
  </div>
</template>

<style scoped>
.answer {
  display: grid;
  gap: 12px;
  align-content: start;
  min-width: 0;
}
.verdict {
  display: flex;
  gap: 8px;
  align-items: flex-start;
  font-size: 1rem;
}
.checks {
  list-style: none;
  margin: 0;
  padding: 0;
}
.codes {
  margin: 0;
  padding-left: 20px;
}
.checks li {
  display: grid;
  grid-template-columns: 18px 1fr auto;
  gap: 9px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
.figures {
  max-width: 620px;
}
.wide {
  overflow-x: auto;
}
</style>
