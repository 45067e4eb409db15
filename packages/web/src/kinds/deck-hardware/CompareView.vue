<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import {
  CalcError,
  formatMass,
  judgeSeen,
  massOf,
  withSolver,
  underDeckOf,
  formatLength,
  hoursOf,
  type Design,
  type Whole,
  formatUse,
} from '@north-tide/core'
import { differences } from '../../pieces/differences'
import { api } from '../../api'
import { useBench } from '../../state/bench'
import { useBoats } from '../../state/boats'
import { solverBehind } from '../../state/solver'
import type { OpenFitting } from '../../types'
import DimensionField from '../../pieces/DimensionField.vue'
import DrawingView from '../../pieces/DrawingView.vue'
import VerdictSign from '../../pieces/VerdictSign.vue'
import PickOne from '../../pieces/PickOne.vue'
import RowTable from '../../pieces/RowTable.vue'

/**
 * This design beside another: as it was opened, before the last change, or another fitting; and copies of
 * it elsewhere.
 */
const bench = useBench()
const boats = useBoats()
const router = useRouter()
const against = ref('opened')
const other = shallowRef<Design | null>(null)
const said = ref('')
watch(
  () => [against.value, bench.fitting?.id, bench.past.length] as const,
  async ([what]) => {
    said.value = ''
    if (what === 'opened') other.value = bench.fitting?.design ?? null
    else if (what === 'before') other.value = bench.past.at(-1) ?? bench.design
    else
      other.value = await api<OpenFitting>('GET', `/fittings/${what}`)
        .then((f) => f.design)
        .catch((e: Error) => ((said.value = e.message), null))
  },
  { immediate: true },
)
const judged = (d: Design | null): Whole | null => {
  if (!d) return null
  try {
    return judgeSeen(d, boats.units, boats.yard, false, boats.picture ?? undefined)
  } catch (error) {
    if (error instanceof CalcError) return null
    throw error
  }
}
const left = computed(() => bench.whole)
const rightByHand = computed(() => judged(other.value))
/** The plate solver is asked about what stands beside it as about this one: no side is judged with less. */
const solver = solverBehind(
  computed(() =>
    other.value && rightByHand.value ? { design: other.value, judgement: rightByHand.value.judgement } : null,
  ),
)
const rightSolved = computed(() => (solver.answer.value?.design === other.value ? solver.answer.value : null))
const right = computed<Whole | null>(
  () =>
    rightByHand.value &&
    (rightSolved.value
      ? { ...rightByHand.value, judgement: withSolver(rightByHand.value.judgement, rightSolved.value.said) }
      : rightByHand.value),
)
const NOT_YET = ' (the plate solver has not answered yet)'
const ids = computed(() => [
  ...new Set(
    [...(left.value?.judgement.checks ?? []), ...(right.value?.judgement.checks ?? [])].map((c) => c.id),
  ),
])
const of = (w: Whole | null, id: string) => w?.judgement.checks.find((c) => c.id === id) ?? null
const differs = computed(() =>
  other.value && bench.design
    ? differences(bench.design, other.value, boats.units).filter((d) => !d.path.startsWith('bought'))
    : [],
)
const x = ref<number | null>(bench.design?.place.xMm ?? null)
const y = ref<number | null>(bench.design?.place.yMm ?? null)
async function copy(how: Parameters<typeof bench.copyIt>[0]) {
  said.value = ''
  try {
    await router.push(`/bench/${await bench.copyIt(how)}`)
  } catch (error) {
    said.value = error instanceof Error ? error.message : 'It was not copied'
  }
}
const standards = computed(() => [
  { value: 'opened', title: 'as it was opened' },
  { value: 'before', title: 'before the last change' },
  ...(boats.picture?.fittings ?? [])
    .filter((f) => f.id !== bench.fitting?.id)
    .map((f) => ({ value: f.id, title: f.name })),
])
</script>

<template>
  <div class="compare">
    <div class="controls">
      <label for="compare-with"
        >Beside this <PickOne id="compare-with" v-model="against" label="Beside this" :options="standards"
      /></label>
      <template v-if="!bench.readOnly"
        ><span class="soft">Copy it</span
        ><ElButton class="act" :disabled="bench.design?.place.yMm === 0" @click="copy({ mirror: true })">
          to the other side, mirrored
        </ElButton>
        <DimensionField v-model="x" label="or to x" :units="boats.units" />
        <DimensionField v-model="y" label="y" :units="boats.units" />
        <ElButton class="act" :disabled="x === null || y === null" @click="copy({ xMm: x, yMm: y })">
          Copy there
        </ElButton></template
      >
      <p v-if="said" class="said" role="alert">{{ said }}</p>
    </div>
    <div v-if="left && right && other && bench.design" class="both" tabindex="0" aria-label="Side by side">
      <figure>
        <DrawingView :drawing="left.section" :units="boats.units" />
        <figcaption class="small">
          this: {{ left.judgement.verdict }}{{ bench.solved ? '' : NOT_YET }},
          {{ formatMass(massOf(bench.design, left.judgement), boats.units) }},
          {{ formatLength(Math.round(underDeckOf(bench.design, left.judgement)), boats.units) }} under the
          deck, {{ hoursOf(bench.design, left.judgement).toFixed(1) }} h
        </figcaption>
      </figure>
      <figure>
        <DrawingView :drawing="right.section" :units="boats.units" />
        <figcaption class="small">
          beside it: {{ right.judgement.verdict }}{{ rightSolved ? '' : NOT_YET }},
          {{ formatMass(massOf(other, right.judgement), boats.units) }},
          {{ formatLength(Math.round(underDeckOf(other, right.judgement)), boats.units) }} under the deck,
          {{ hoursOf(other, right.judgement).toFixed(1) }} h
        </figcaption>
      </figure>
      <RowTable
        label="Checks side by side"
        :columns="[
          { key: 'check', title: 'Check' },
          { key: 'left', title: 'This' },
          { key: 'right', title: 'Beside it' },
        ]"
        :rows="ids"
        :known="(id) => id"
      >
        <template #check="{ row: id }">{{ (of(left, id) ?? of(right, id))!.title }}</template>
        <template v-for="(w, side) in { left, right }" :key="side" #[side]="{ row: id }"
          ><template v-if="of(w, id)"
            ><VerdictSign :verdict="of(w, id)!.verdict" :size="14" /> {{ of(w, id)!.verdict }}
            <span class="figure">{{ formatUse(of(w, id)!.utilisation) }}</span></template
          ></template
        >
      </RowTable>
      <RowTable
        label="What differs"
        :columns="[
          { key: 'whatDiffers', title: 'What differs' },
          { key: 'this', title: 'This', class: 'figure' },
          { key: 'besideIt', title: 'Beside it', class: 'figure' },
        ]"
        :rows="differs"
        :known="(f) => f.path"
        empty="Nothing: they are the same."
      >
        <template #whatDiffers="{ row: f }">{{ f.what }}</template>
        <template #this="{ row: f }">{{ f.mine }}</template>
        <template #besideIt="{ row: f }">{{ f.theirs }}</template>
      </RowTable>
    </div>
  </div>
</template>

<style scoped>
.compare {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  gap: 8px;
  height: 100%;
}
.controls {
  display: flex;
  gap: 8px 14px;
  align-items: center;
  flex-wrap: wrap;
}
.both {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 20px;
  overflow-y: auto;
  align-content: start;
}
figure {
  margin: 0;
  height: 200px;
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
}
.said {
  color: var(--short);
  font-weight: 600;
}
@media (max-width: 767px) {
  .both {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
