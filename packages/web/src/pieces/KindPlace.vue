<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { sayIn, type Drawing } from '@north-tide/core'
import BenchFrame from './BenchFrame.vue'
import BenchVerdicts from './BenchVerdicts.vue'
import DrawingView from './DrawingView.vue'
import FittingFiles from './FittingFiles.vue'
import LegendRow from './LegendRow.vue'
import { useBenchActs } from './bench-acts'
import { intoField, useBenchKeys } from './bench-keys'
import { useBoats } from '../state/boats'

/**
 * The bench of a kind that has its picture by the contract alone: given at the left, one of its drawings in
 * the middle, verdicts right, the tray below.
 */
type Bench = InstanceType<typeof BenchFrame>['$props']['draft'] &
  InstanceType<typeof BenchVerdicts>['$props']['bench'] & {
    fitting: { id: string; recorded: boolean; holes: { id: number; label: string }[] } | null
    design: { name: string } | null
    drawings: { id: string; title: string; drawing: Drawing }[]
    stale: { changes: string[]; take: Record<string, unknown> } | null
    open: (id: string) => Promise<void>
    record: () => Promise<string[]>
  }
const props = defineProps<{
  bench: Bench
  kind: string
  /** as it is called in a sentence: an opening, a job of closing */
  word: string
  where: string
  recordWord: string
  /** the label of the field that a part of the drawing is given by */
  labels: Record<string, string>
  /** a value that was dragged, where more goes with it than the value itself */
  set?: (path: string, value: number) => void
  /** drawings besides the kind's own, of what the boat is round it */
  more?: { id: string; title: string; drawing: Drawing }[]
  /** the drawing that stands beside whichever is chosen, where there is room for two */
  beside?: string
  /** keys that are this kind's own */
  keys?: Record<string, () => unknown>
}>()
const boats = useBoats()
const route = useRoute()
const router = useRouter()
const { said, busy, tryIt, takeFile, recorded } = useBenchActs(
  props.kind,
  `the design file of ${props.word}`,
  (id) => `/bench/${id}`,
)
const view = ref('plan')
const part = ref<string | null>(null)
const all = computed(() => (boats.picture?.others ?? []).filter((f) => f.kind === props.kind))
watch(
  () => route.params.id,
  async (id) => {
    if (route.name !== 'bench' || typeof id !== 'string' || !id) return
    said.value = ''
    try {
      await props.bench.open(id)
    } catch (error) {
      said.value = error instanceof Error ? error.message : 'It cannot be opened'
    }
  },
  { immediate: true },
)
const open = computed(() =>
  props.bench.fitting && route.params.id === props.bench.fitting.id ? props.bench.design : null,
)
const drawings = computed(() => [...props.bench.drawings, ...(props.more ?? [])])
const shown = computed(() => drawings.value.find((x) => x.id === view.value) ?? drawings.value[0] ?? null)
/** Chosen itself it has the room alone. */
const second = computed(() =>
  shown.value && shown.value.id !== props.beside && props.bench.drawings.includes(shown.value)
    ? (props.bench.drawings.find((x) => x.id === props.beside) ?? null)
    : null,
)
const tones = computed(() => [
  ...new Set([...(shown.value?.drawing.legend ?? []), ...(second.value?.drawing.legend ?? [])]),
])
const dragged = (path: string, v: number) =>
  props.set ? props.set(path, v) : props.bench.change({ [path]: v })
function step(by: number) {
  const i = all.value.findIndex((f) => f.id === props.bench.fitting?.id)
  const next = all.value[(i + by + all.value.length) % all.value.length]
  if (next) void router.push(`/bench/${next.id}`)
}
useBenchKeys({ undo: props.bench.undo, redo: props.bench.redo, step, more: props.keys ?? {} })
function pick(role: string) {
  part.value = role
  intoField('.given', props.labels[role])
}
const record = () => tryIt(async () => recorded(await props.bench.record()))
defineExpose({ tryIt })
</script>

<template>
  <div v-if="!open" class="none">
    <p v-if="said" role="alert">{{ said }}</p>
    <p v-else class="soft">Fetching {{ word }} …</p>
  </div>
  <BenchFrame
    v-else
    :draft="bench"
    :name="open.name"
    :where="where"
    :said="said"
    :busy="busy"
    :recorded="bench.fitting!.recorded"
    :holes="bench.fitting!.holes"
    :record-word="recordWord"
    @record="record"
    @file="takeFile"
  >
    <template #acts>
      <slot name="acts" :try-it="tryIt" />
      <a class="act" :href="`/api/fittings/${bench.fitting!.id}/card.pdf?units=${boats.units}`" download
        >Card</a
      >
    </template>
    <template #files
      ><FittingFiles :id="bench.fitting!.id" :name="open.name" :drawings="bench.drawings"
    /></template>
    <template #given><slot name="given" /></template>
    <template #section>
      <slot name="warning" />
      <div v-if="bench.stale && !bench.readOnly" class="stale" role="status">
        <strong>It was measured since:</strong>
        {{ bench.stale.changes.map((c) => sayIn(c, boats.units)).join('; ') }}.
        <ElButton class="act" @click="bench.change(bench.stale.take)">Take it as measured</ElButton>
      </div>
      <template v-if="shown">
        <div class="views">
          <ElRadioGroup v-model="view" size="small" aria-label="Which drawing">
            <ElRadioButton v-for="x in drawings" :key="x.id" :value="x.id">{{ x.title }}</ElRadioButton>
          </ElRadioGroup>
          <p class="soft small caption">{{ sayIn(shown.drawing.title, boats.units) }}</p>
        </div>
        <div class="pictures" :class="{ two: second }">
          <DrawingView
            v-for="x in second ? [shown, second] : [shown]"
            :key="x.id"
            class="drawing"
            :class="{ second: x === second }"
            :drawing="x.drawing"
            :units="boats.units"
            scale-bar
            :picked="part"
            :editable="!bench.readOnly"
            @pick="pick"
            @drag="dragged"
            @type="(path: string) => pick(path)"
          />
        </div>
        <LegendRow :tones="tones" />
      </template>
    </template>
    <template #verdicts><BenchVerdicts :bench="bench" /></template>
    <template #tray><slot name="tray" /></template>
    <slot />
  </BenchFrame>
</template>

<style scoped>
.pictures {
  flex: 1;
  min-height: 90px;
  display: flex;
  gap: 14px;
}
.pictures .drawing {
  flex: 1;
  min-width: 0;
}
/* Two of them side by side want a desk. */
@media (max-width: 1099px) {
  .pictures .second {
    display: none;
  }
}
.none {
  padding: 28px;
}
.views {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  flex-wrap: wrap;
}
</style>
