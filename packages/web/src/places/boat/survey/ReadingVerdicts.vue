<script setup lang="ts">
import { computed } from 'vue'
import { CORE_STATES, SCHOOLS, TAP_SOUNDS, formatLength, wetAdvice, type CoreId } from '@north-tide/core'
import { useBoats } from '../../../state/boats'
import { useSurvey } from '../../../state/survey'
import type { ReadingShown } from '../../../types'
import RowTable from '../../../pieces/RowTable.vue'

/** What the readings of each cored zone come to: how much is wet, and what may be done about it. */
const boats = useBoats()
const survey = useSurvey()
const boat = computed(() => boats.picture!)
/** What the readings of one zone come to, and what may be done about it. */
const verdicts = computed(() =>
  boat.value.zones.flatMap((z) => {
    const map = survey.maps[z.code]
    if (!map || z.kind !== 'sandwich') return []
    const of = (kind: string) =>
      survey.readings.filter((r) => r.zone === z.code && r.kind === kind && !r.withdrawnWhy)
    const worst = <T extends string>(rows: ReadingShown[], order: readonly T[]) =>
      rows.map((r) => r.finding as T).sort((a, b) => order.indexOf(b) - order.indexOf(a))[0] ?? null
    const sample = worst(of('core'), CORE_STATES)
    const tap = worst(of('tap'), TAP_SOUNDS)
    return [
      {
        zone: z,
        map,
        sample,
        tap,
        advice:
          map.wetMm2 > 0
            ? wetAdvice({ core: z.layers[1]!.material as CoreId, wetMm2: map.wetMm2, sample, tap })
            : [],
      },
    ]
  }),
)
const m2 = (mm2: number) =>
  boats.units === 'inch' ? `${(mm2 / 92903.04).toFixed(1)} sq ft` : `${(mm2 / 1e6).toFixed(2)} m²`
const school = (id: string) => SCHOOLS.find((s) => s.id === id)!
</script>

<template>
  <section aria-label="What it comes to">
    <h2 class="title">What it comes to</h2>
    <p v-if="!verdicts.length" class="soft">
      No cored zone has been read yet. Read a dry spot first for the reference, then a grid round every
      fitting and stain.
    </p>
    <article v-for="v in verdicts" :key="v.zone.code">
      <h3>
        {{ v.zone.title }}: {{ v.map.wetMm2 > 0 ? `${m2(v.map.wetMm2)} wet` : 'no wet core found'
        }}{{ v.map.dampMm2 > 0 ? `, ${m2(v.map.dampMm2)} damp` : '' }}
      </h3>
      <p class="soft small">
        Of {{ m2(v.map.areaMm2) }}; {{ m2(v.map.guessMm2) }} is further than
        {{ formatLength(Math.round(v.map.reachMm), boats.units) }} from a reading, so only a guess.<template
          v-if="v.map.typicalErrorPts !== null"
        >
          Left out in turn, a reading is foretold by the others to within
          {{ v.map.typicalErrorPts.toFixed(1) }} points at the median.</template
        >
        Sample: {{ v.sample ?? 'none' }}; tap: {{ v.tap ?? 'none' }}.
      </p>
      <RowTable
        v-if="v.advice.length"
        label="What to do where a fitting stands"
        :columns="[
          { key: 'whatToDo', title: 'What to do where a fitting stands' },
          { key: 'act' },
          { key: 'whyHere', title: 'Why here' },
          { key: 'costs', title: 'Costs', class: 'soft' },
        ]"
        :rows="v.advice"
        :about="(a) => ({ class: a.stance })"
        :known="(a) => a.id"
      >
        <template #whatToDo="{ row: a }"
          ><strong>{{ school(a.id).choice }}</strong></template
        >
        <template #act="{ row: a }">{{ a.stance }}</template>
        <template #whyHere="{ row: a }">{{ a.because }}</template>
        <template #costs="{ row: a }">{{ school(a.id).costs }}</template>
      </RowTable>
    </article>
  </section>
</template>

<style scoped src="./split.css"></style>
<style scoped>
article {
  padding: 8px 0 12px;
  border-bottom: 1px solid var(--line);
}
:deep(tr.refused td) {
  color: var(--ink-soft);
}
:deep(tr.refused strong) {
  text-decoration: line-through;
}
</style>
