<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatLength, formatQuantity, formatUse, sayIn, type Point } from '@north-tide/core'
import { weakWhyNot } from '@north-tide/core/opening'
import FieldPicture from '../../pieces/FieldPicture.vue'
import FieldScale from '../../pieces/FieldScale.vue'
import PickOne from '../../pieces/PickOne.vue'
import VerdictSign from '../../pieces/VerdictSign.vue'
import { fieldAt, fieldChoices, fieldUnit, greatestOf, type FieldName } from '../../pieces/field-picture'
import { useBoats } from '../../state/boats'
import { useOpening } from '../../state/opening'

/** The deck between its members with the hole in it, beside the same deck without: the plate solver's. */
const bench = useOpening()
const boats = useBoats()
const show = ref<FieldName>('deflectionMm')
const probe = ref<Point | null>(null)
const solid = computed(() => bench.design?.structure.kind !== 'sandwich')
const choices = computed(() => fieldChoices.filter((c) => c.value !== 'shearMPa' || !solid.value))
const shown = computed<FieldName>(() =>
  choices.value.some((c) => c.value === show.value) ? show.value : 'deflectionMm',
)
/** The answer to the design as it stands now: a picture of another one would be believed. */
const answered = computed(() =>
  bench.slowAnswer && bench.slowAnswer.key === bench.slowAsked?.key ? bench.slowAnswer : null,
)
const got = computed(() => answered.value?.got ?? null)
const q = computed(() => got.value?.question ?? null)
const sides = computed(() => [got.value?.cut, got.value?.uncut].flatMap((s) => (s ? [s] : [])))
const most = computed(() => greatestOf(sides.value, shown.value))
const mm = (v: number) => formatLength(v, boats.units)
function outlinesOf(withHole: boolean) {
  const cut = q.value!.cut.cut!
  const at = q.value!.footAt
  const half = q.value!.cut.loads[0]!.lengthMm / 2
  const foot = [
    [-half, -half],
    [half, -half],
    [half, half],
    [-half, half],
  ].map(([x, y]) => ({ xMm: at.xMm + x!, yMm: at.yMm + y! }))
  return [
    ...(withHole && cut.ring ? [{ points: cut.ring.outline, look: 'dashed' as const }] : []),
    { points: cut.outline, look: withHole ? ('hole' as const) : ('dashed' as const) },
    { points: foot, look: 'solid' as const },
  ]
}
const probeSaid = computed(() => {
  const at = probe.value
  if (!at || !q.value) return 'Move over the picture for figures.'
  const { field } = q.value
  const figure = (v: number) => formatQuantity(Number(v.toPrecision(3)), fieldUnit(shown.value), boats.units)
  const say = (s: (typeof sides.value)[number]) => `${figure(fieldAt(s, shown.value, at))} ${s.title}`
  const [x, y] = [Math.round(at.xMm + field.minX), Math.round(at.yMm + field.minY)]
  const where = `${mm(Math.abs(x))} ${x < 0 ? 'forward' : 'aft'}, ${mm(Math.abs(y))} to ${y < 0 ? 'port' : 'starboard'}`
  return `${where} of its middle: ${sides.value.map(say).join(', ')}`
})
const whyNot = computed(() => weakWhyNot(bench.design!, bench.around))
const KEPT = /^cut-/
const checks = computed(() => (bench.judgement?.checks ?? []).filter((c) => KEPT.test(c.id)))
</script>

<template>
  <p v-if="whyNot" class="soft">{{ whyNot }}</p>
  <div v-else class="weakened">
    <div class="controls">
      <label for="weak-show"
        >Show <PickOne id="weak-show" v-model="show" label="What is shown" :options="choices"
      /></label>
      <ElProgress
        v-if="bench.slowProgress !== null"
        class="solving"
        :percentage="Math.round(bench.slowProgress * 100)"
        :show-text="false"
        aria-label="Solving"
      />
      <span v-else-if="answered" class="soft small" data-test="weak-time"
        >solved in {{ Math.round(answered.ms) }} ms</span
      >
      <p v-if="bench.slowFailed" class="said" role="alert">{{ bench.slowFailed }}</p>
    </div>
    <div v-if="sides.length" class="pictures">
      <FieldPicture
        v-for="(s, i) in sides"
        :key="s.title"
        :title="s.title"
        :fields="s"
        :show="shown"
        :most="most"
        :outlines="outlinesOf(i === 0)"
        :members="(i === 0 ? q!.cut.supports : q!.uncut.supports) ?? []"
        @probe="probe = $event"
      />
    </div>
    <aside v-if="got" tabindex="0" aria-label="What the solver says">
      <p class="figure small" aria-live="off">{{ probeSaid }}</p>
      <FieldScale v-if="sides.length" :most="most" :show="shown" />
      <ul class="checks">
        <li v-for="c in checks" :key="c.id">
          <VerdictSign :verdict="c.verdict" :size="16" />
          <span
            ><strong>{{ c.title }}</strong>
            <span v-if="c.utilisation !== null" class="figure">{{
              formatUse(c.utilisation)
            }}</span><br /><span class="small">{{ sayIn(c.because, boats.units) }}</span></span
          >
        </li>
      </ul>
      <p class="soft small">
        Between members {{ mm(Math.round(q!.cut.aMm)) }} by {{ mm(Math.round(q!.cut.bMm)) }}, edges held but
        free to turn; the small square is the foot. What closes the hole hands its water to the edge.<template
          v-if="q!.field.assumed.length"
        >
          Not known, a usual distance taken: {{ q!.field.assumed.join(', ') }}.</template
        >
        Checks are read a deck’s thickness off the edge; in the picture corners are as sharp as its elements
        are small.
      </p>
    </aside>
  </div>
</template>

<style scoped>
.weakened {
  display: grid;
  grid-template: auto minmax(0, 1fr) / minmax(0, 1fr) 340px;
  gap: 6px 20px;
  height: 100%;
}
.controls {
  grid-column: 1 / -1;
  display: flex;
  gap: 16px;
  align-items: center;
  flex-wrap: wrap;
}
.pictures {
  display: flex;
  gap: 16px;
  min-height: 0;
}
aside {
  overflow-y: auto;
  display: grid;
  gap: 8px;
  align-content: start;
}
.checks {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
}
.checks li {
  display: flex;
  gap: 8px;
}
.said {
  color: var(--short);
  font-weight: 600;
}
@media (max-width: 767px) {
  .weakened {
    grid-template: auto / minmax(0, 1fr);
    height: auto;
  }
  .pictures {
    flex-direction: column;
  }
  .pictures :deep(svg) {
    max-height: 52vh;
  }
}
</style>
