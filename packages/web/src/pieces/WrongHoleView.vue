<script setup lang="ts">
import { computed, reactive, ref, useTemplateRef } from 'vue'
import {
  CLOTHS,
  CalcError,
  bevelFor,
  formatLength,
  sayIn,
  schoolsFor,
  wrongHole,
  type FitsHole,
  type WayOut,
  type WrongHole,
} from '@north-tide/core'
import { api } from '../api'
import type { WorkBench } from '../state/acts'
import { useBoats } from '../state/boats'
import ChoiceField from './ChoiceField.vue'
import DimensionField from './DimensionField.vue'
import VerdictSign from './VerdictSign.vue'

/** A hole too big, in the wrong place, or to be closed: the ways out, and what the register writes. */
const props = defineProps<{
  bench: WorkBench & { open: (id: string) => Promise<void>; flush: () => Promise<void> }
  /** as it was bored; null while nobody has measured it */
  holeMm: number | null
  thicknessMm: number
  cored: boolean
  below: boolean
  fits: (holeMm: number) => FitsHole | null
}>()
/** what was done with the hole changes the design: kept as it is, or bored again */
const emit = defineEmits<{ kept: [mm: number]; refilled: [] }>()
const boats = useBoats()
const form = reactive({
  what: 'too-big' as 'too-big' | 'wrong-place' | 'old',
  holeMm: props.holeMm,
  gapMm: null as number | null,
  nextReachMm: 0,
  highlyLoaded: false,
  singleAccess: false,
  ratio: null as number | null,
  sides: '' as '' | 'one' | 'both',
  cloth: 'biaxial-400' as NonNullable<WrongHole['cloth']>,
  order: 'large-first' as NonNullable<WrongHole['order']>,
})
const place = computed(() => (props.below ? ('below' as const) : ('above' as const)))
const CLOTH_OPTIONS = Object.entries(CLOTHS).map(([value, c]) => ({
  value: value as keyof typeof CLOTHS,
  title: c.title,
}))
const schools = [...schoolsFor('Order of a patch'), ...schoolsFor('Bevel of a patch')]
const answer = computed(() => {
  if (form.holeMm === null) return { problem: 'Say how wide the hole is.' }
  try {
    return {
      got: wrongHole(
        {
          what: form.what,
          holeMm: form.holeMm,
          thicknessMm: props.thicknessMm,
          place: place.value,
          cloth: form.cloth,
          order: form.order,
          nextReachMm: form.nextReachMm,
          ...(form.ratio === null ? {} : { ratio: form.ratio }),
          ...(form.sides === '' ? {} : { sides: form.sides }),
          highlyLoaded: form.highlyLoaded,
          singleAccess: form.singleAccess,
          cored: props.cored,
          ...(form.gapMm === null ? {} : { gapToNextMm: form.gapMm }),
        },
        props.fits(form.holeMm),
      ),
    }
  } catch (error) {
    if (error instanceof CalcError) return { problem: error.message }
    throw error
  }
})
const holes = computed(() => props.bench.fitting!.holes)
const which = ref(holes.value[0]?.id ?? 0)
const hole = computed(() => holes.value.find((h) => h.id === which.value) ?? holes.value[0] ?? null)
const said = ref('')
const ask = useTemplateRef<HTMLFormElement>('ask')
const STATE = { use: 'drilled', larger: 'drilled', refill: 'drilled', close: 'closed' } as const
async function record(w: WayOut) {
  if (!hole.value) return
  said.value = ''
  const words = `${form.what === 'too-big' ? 'Hole too big' : form.what === 'wrong-place' ? 'Hole in the wrong place' : 'Old hole'}, ${formatLength(form.holeMm!, boats.units)}: ${w.record}`
  try {
    await api('POST', `/penetrations/${hole.value.id}/events`, {
      state: STATE[w.id],
      note: words,
      // Whatever its fitting is worth: nobody drills here, it is told what became of a hole.
      ...(w.id === 'close'
        ? { evidence: w.record }
        : { sizeMm: form.holeMm, gateReason: 'The hole is there already' }),
    })
    if (w.id === 'use') emit('kept', form.holeMm!)
    if (w.id === 'refill') emit('refilled')
    await props.bench.flush()
    await Promise.all([props.bench.open(props.bench.fitting!.id), boats.refresh()])
    said.value = `${hole.value?.label}: written, ${w.record}.`
  } catch (error) {
    said.value = error instanceof Error ? error.message : 'It was not written'
  }
}
</script>

<template>
  <div class="wrong">
    <form ref="ask" class="ask" aria-label="The hole as it is" @submit.prevent>
      <ChoiceField
        v-model="form.what"
        label="What is it"
        :options="
          [
            { value: 'too-big', title: 'too big' },
            { value: 'wrong-place', title: 'in the wrong place' },
            { value: 'old', title: 'old, to be closed' },
          ] as const
        "
      />
      <ChoiceField
        v-if="holes.length > 1"
        :model-value="String(which)"
        label="Which hole"
        :options="holes.map((h) => ({ value: String(h.id), title: h.label }))"
        @update:model-value="which = Number($event)"
      />
      <DimensionField v-model="form.holeMm" label="Hole as it is" :units="boats.units" above />
      <DimensionField
        v-model="form.gapMm"
        label="To the next hole’s edge"
        :units="boats.units"
        :least="0"
        optional
        placeholder="none"
      />
      <DimensionField
        v-if="form.gapMm !== null"
        v-model="form.nextReachMm"
        label="Its own bevel reaches"
        :units="boats.units"
        :least="0"
      />
      <DimensionField
        v-model="form.ratio"
        label="Bevel, to one"
        kind="number"
        :units="boats.units"
        :least="1"
        :most="100"
        optional
        :placeholder="`${bevelFor({ highlyLoaded: form.highlyLoaded, place })}`"
      />
      <ChoiceField v-model="form.cloth" label="Cloth" :options="CLOTH_OPTIONS" />
      <ChoiceField
        v-model="form.order"
        label="Laid"
        :options="
          [
            { value: 'large-first', title: 'largest first' },
            { value: 'small-first', title: 'smallest first' },
          ] as const
        "
      />
      <ChoiceField
        v-if="!form.singleAccess"
        v-model="form.sides"
        label="Ground from"
        :options="
          [
            { value: '', title: 'as its thickness asks' },
            { value: 'one', title: 'one side' },
            { value: 'both', title: 'both sides' },
          ] as const
        "
      />
      <ElCheckbox class="tick" v-model="form.highlyLoaded">highly loaded place</ElCheckbox>
      <ElCheckbox class="tick" v-model="form.singleAccess">only one side can be reached</ElCheckbox>
      <p v-if="said" class="said" role="status">{{ said }}</p>
      <p v-if="!hole" class="soft small">
        Its hole is not in the register yet; record it first, so that its history has a place.
      </p>
    </form>
    <p v-if="answer.problem" class="said" role="alert">{{ answer.problem }}</p>
    <template v-else-if="answer.got">
      <ol class="ways" aria-label="Ways out">
        <li v-for="w in answer.got.ways" :key="w.id" :data-way="w.id">
          <p>
            <VerdictSign :verdict="w.verdict" :size="16" /> <strong>{{ w.title }}</strong>{{
              w.id === answer.got.best ? ' · first choice' : ''
            }}<br /><span class="small">{{ sayIn(w.because, boats.units) }}</span>
          </p>
          <ul class="small">
            <li v-for="s in w.steps" :key="s">{{ sayIn(s, boats.units) }}</li>
          </ul>
          <ElButton v-if="hole && !bench.readOnly" class="act" @click="ask!.reportValidity() && record(w)">
            Write “{{ w.title.toLowerCase() }}” in {{ hole.label }}
          </ElButton>
        </li>
      </ol>
      <div>
        <h3>Bevel patch</h3>
        <table class="rows" aria-label="Plies">
          <thead>
            <tr>
              <th>Side</th>
              <th class="number">Ply</th>
              <th class="number">Disc</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="p in answer.got.closure.plies.slice(0, 60)" :key="`${p.side}${p.n}`">
              <td>{{ p.side }}</td>
              <td class="number">{{ p.n }}</td>
              <td class="number">{{ formatLength(Number(p.diameterMm.toFixed(0)), boats.units) }}</td>
            </tr>
          </tbody>
        </table>
        <p v-for="c in answer.got.closure.cautions" :key="c.id" class="small said">
          {{ sayIn(c.text, boats.units) }}
        </p>
        <p v-for="s in schools" :key="s.id" class="small soft">
          <strong>{{ s.choice }}.</strong> {{ s.reason }} Costs: {{ s.costs }} Not: {{ s.notWhen }}
        </p>
      </div>
    </template>
  </div>
</template>

<style scoped>
.wrong {
  display: grid;
  grid-template-columns: 270px minmax(0, 1fr) 230px;
  gap: 22px;
}
.ask {
  display: grid;
  gap: 5px;
  align-content: start;
}
.tick {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 34px;
}
.ways {
  margin: 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 12px;
  align-content: start;
}
.ways ul {
  margin: 2px 0 4px;
  padding-left: 18px;
}
.ways svg {
  vertical-align: -3px;
}
.said {
  color: var(--buoy);
  font-weight: 600;
}
@media (max-width: 767px) {
  .wrong {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
