<script setup lang="ts">
import { computed, onMounted } from 'vue'
import {
  CORE_STATES,
  QUESTIONS,
  SEALANTS,
  SEALANT_IDS,
  TAP_SOUNDS,
  refusedHere,
  ruleBeside,
  sayIn,
  schoolNamed,
  takeWet,
  wetAdvice,
  zoneOfPlace,
} from '@north-tide/core'
import ChoiceField from '../../pieces/ChoiceField.vue'
import { useBench } from '../../state/bench'
import { useBoats } from '../../state/boats'
import { useSession } from '../../state/session'
import { useSurvey } from '../../state/survey'

/**
 * Where good fitters disagree, for this fitting: each school with its reason, what it changes, and whether
 * it is the yard's habit.
 */
const bench = useBench()
const boats = useBoats()
const session = useSession()
const d = computed(() => bench.design!)
const rule = computed(() => (bench.whole ? ruleBeside(d.value, bench.whole.judgement, boats.units) : null))
const mayHabit = computed(() => session.may('yard-values'))
const survey = useSurvey()
onMounted(() => {
  void survey.load().catch(() => undefined)
  void survey.drawMaps()
})
/** Where the core is wet under the fitting, what to do about it is a choice of its own. */
const wet = computed(() => {
  const s = d.value.structure
  if (s.kind !== 'sandwich' || (!bench.flags.some((f) => f.id === 'wet-core') && !d.value.schools.wet))
    return null
  const zone = zoneOfPlace(boats.picture?.zones ?? [], d.value.place)
  const of = (kind: string) =>
    survey.readings.filter((r) => r.zone === zone?.code && r.kind === kind && !r.withdrawnWhy)
  const worst = <T extends string>(kind: string, order: readonly T[]) =>
    of(kind)
      .map((r) => r.finding as T)
      .sort((a, b) => order.indexOf(b) - order.indexOf(a))[0] ?? null
  return wetAdvice({
    core: s.core.material,
    wetMm2: survey.maps[zone?.code ?? '']?.wetMm2 ?? 0,
    sample: worst('core', CORE_STATES),
    tap: worst('tap', TAP_SOUNDS),
  })
})
const builders = [
  { value: '', title: 'nobody has looked' },
  ...SEALANT_IDS.map((value) => ({ value, title: SEALANTS[value].title })),
]
/** What the builder used is found on a fitting of hers; where it was followed, the bedding follows. */
const builtIn = (id: string) => ({
  'schools.builder': id || null,
  ...(id && QUESTIONS.find((q) => q.id === 'bedding')!.of(d.value) === 'builder'
    ? { 'bedding.sealant': id }
    : {}),
})
const refusals = computed(
  () => bench.whole?.judgement.sealant.choices.filter((c) => c.verdict === 'refused') ?? [],
)
</script>

<template>
  <div class="schools">
    <section v-if="wet" aria-label="Wet core under a fitting">
      <h3>
        Wet core under a fitting <span class="soft small">changes the first steps, the core, the hours</span>
      </h3>
      <ul>
        <li
          v-for="a in wet"
          :key="a.id"
          :class="{ on: d.schools.wet === a.id, refused: a.stance === 'refused' }"
        >
          <ElRadio
            name="school-wet"
            :model-value="d.schools.wet"
            :value="a.id"
            :disabled="bench.readOnly || (a.stance === 'refused' && d.schools.wet !== a.id)"
            @change="bench.change(takeWet(a.id))"
          >
            <strong>{{ schoolNamed(a.id)?.choice }}</strong>
            <span class="soft small">{{ a.stance }} here</span></ElRadio
          >
          <p class="small">
            {{ a.because }}
            <span class="soft"
              >Costs: {{ schoolNamed(a.id)?.costs }} Not: {{ schoolNamed(a.id)?.notWhen }}</span
            >
          </p>
        </li>
      </ul>
    </section>
    <section v-for="q in QUESTIONS" :key="q.id" :aria-label="q.question">
      <h3>
        {{ q.question }} <span class="soft small">changes {{ q.changes }}</span>
      </h3>
      <ul>
        <li v-for="s in q.schools" :key="s" :class="{ on: q.of(d) === s, refused: refusedHere(s, d) }">
          <ElRadio
            :name="`school-${q.id}`"
            :model-value="q.of(d)"
            :value="s"
            :disabled="bench.readOnly || (refusedHere(s, d) !== null && q.of(d) !== s)"
            @change="bench.change(q.take(s, d))"
          >
            <strong>{{ schoolNamed(s)?.choice ?? s }}</strong></ElRadio
          >
          <p class="small">
            {{ refusedHere(s, d) ?? schoolNamed(s)?.reason }}
            <span v-if="!refusedHere(s, d)" class="soft"
              >Costs: {{ schoolNamed(s)?.costs }} Not: {{ schoolNamed(s)?.notWhen }}</span
            >
          </p>
          <ChoiceField
            v-if="s === 'builder'"
            class="builder"
            label="She is bedded in"
            :model-value="d.schools.builder ?? ''"
            :options="builders"
            :disabled="bench.readOnly"
            @update:model-value="bench.change(builtIn($event))"
          />
          <ElButton
            v-if="mayHabit"
            class="plain small habit"
            :aria-pressed="boats.habits[q.id] === s"
            @click="boats.setHabit(q.id, boats.habits[q.id] === s ? null : s)"
          >
            {{ boats.habits[q.id] === s ? 'the yard’s habit' : 'make it the yard’s habit' }}
          </ElButton>
        </li>
      </ul>
      <p v-if="q.id === 'plate' && rule" class="small beside">
        {{ rule.thickness }} {{ rule.reach }} {{ rule.why }}
      </p>
    </section>
    <section aria-label="Refused sealants">
      <h3>Sealants refused here</h3>
      <p v-for="c in refusals" :key="c.id" class="small">
        <strong>{{ SEALANTS[c.id].title }}.</strong>
        {{
          sayIn(
            c.reasons
              .filter((r) => r.effect === 'refuse')
              .map((r) => r.text)
              .join(' '),
            boats.units,
          )
        }}
      </p>
    </section>
  </div>
</template>

<style scoped>
.schools {
  columns: 2;
  column-gap: 30px;
}
section {
  break-inside: avoid;
  padding-bottom: 12px;
}
ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}
li {
  border-left: 3px solid var(--line);
  padding: 2px 0 4px 10px;
}
li.on {
  border-left-color: var(--tide);
  background: var(--tide-soft);
}
li.refused {
  color: var(--ink-soft);
}
label {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 30px;
}
input {
  accent-color: var(--tide);
}
.habit {
  text-decoration: underline dotted;
  color: var(--tide);
  min-height: 28px;
}
.habit[aria-pressed='true'] {
  text-decoration: none;
  font-weight: 700;
}
.beside {
  border-left: 3px solid var(--ink);
  padding-left: 10px;
  margin-top: 4px;
}
@media (max-width: 767px) {
  .schools {
    columns: 1;
  }
}
</style>
