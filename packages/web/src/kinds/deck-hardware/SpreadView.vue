<script setup lang="ts">
import { computed, onUnmounted, ref, shallowRef, watch } from 'vue'
import {
  boundsOf,
  formatLength,
  formatQuantity,
  judge,
  cornersOnBoat,
  planOfPlate,
  sayIn,
  type Point,
  type Room,
  formatUse,
} from '@north-tide/core'
import { useBench } from '../../state/bench'
import { useBoats } from '../../state/boats'
import type { Solved } from '../../state/solver'
import VerdictSign from '../../pieces/VerdictSign.vue'
import FieldPicture from '../../pieces/FieldPicture.vue'
import FieldScale from '../../pieces/FieldScale.vue'
import { fieldAt, fieldChoices, fieldUnit, greatestOf, type FieldName } from '../../pieces/field-picture'
import PickOne from '../../pieces/PickOne.vue'

/**
 * How the governing pull spreads in the fitting's own field of deck: the plate solver's picture, with the
 * hand formulas beside it.
 */
const bench = useBench()
const boats = useBoats()
const show = ref<FieldName>('deflectionMm')
const against = ref<'none' | 'bare' | 'before'>('none')
const progress = computed(() => bench.solver.progress)
const failed = computed(() => bench.solver.failed)
const main = computed<Solved | null>(() => bench.solver.answer)
const other = shallowRef<Solved | null>(null)
const probe = ref<Point | null>(null)
const unit = computed(() => fieldUnit(show.value))
let gone = false
watch([main, against], async () => {
  const now = main.value
  const before = bench.past.at(-1)
  const old = against.value === 'bare' ? now?.design : against.value === 'before' ? before : undefined
  other.value = null
  if (!now || !old) return
  const got = await bench.solver.solve(
    old,
    judge(old, false, boats.yard),
    against.value !== 'bare',
    against.value === 'bare' ? 'without the plate' : 'before the last change',
  )
  if (!gone && main.value === now) other.value = got
})
onUnmounted(() => (gone = true))

const both = computed(() => [main.value, other.value].filter((s): s is Solved => s !== null))
const most = computed(() =>
  greatestOf(
    both.value.map((x) => x.patch.fields!),
    show.value,
  ),
)
const said = computed(() => main.value?.said ?? null)
/** Base and plate as they stand on the panel, and the members under it. */
function standing(x: Solved) {
  const d = x.design
  const onPanel = (b: Room) =>
    cornersOnBoat(d, b).map((p) => ({ xMm: p.xMm - x.field.minX, yMm: p.yMm - x.field.minY }))
  const bare = x.title === 'without the plate'
  const base = 'diameterMm' in d.base ? { diameterMm: d.base.diameterMm } : d.base
  return {
    outlines: [
      ...(d.plate && !bare
        ? [{ points: onPanel(boundsOf(planOfPlate(d.plate))), look: 'dashed' as const }]
        : []),
      { points: onPanel(boundsOf(base)), look: 'solid' as const },
    ],
    members: x.field.under.map((m) => ({
      axis: m.axis,
      atMm: m.atMm - (m.axis === 'x' ? x.field.minX : x.field.minY),
    })),
  }
}
const probeSaid = computed(() => {
  if (!probe.value || !main.value) return ''
  const where = `${formatLength(Math.round(probe.value.xMm + main.value.field.minX), boats.units)} aft, ${formatLength(Math.round(probe.value.yMm + main.value.field.minY), boats.units)} to starboard of its middle`
  return `${where}: ${both.value.map((s) => `${formatQuantity(Number(fieldAt(s.patch.fields!, show.value, probe.value!).toPrecision(3)), unit.value, boats.units)}${both.value.length > 1 ? ` (${s.title})` : ''}`).join(', ')}`
})
const besides = computed(() => [
  { value: 'none' as const, title: 'nothing' },
  { value: 'bare' as const, title: 'without the plate', disabled: !bench.design?.plate },
  { value: 'before' as const, title: 'before the last change', disabled: !bench.past.length },
])
</script>

<template>
  <div class="spread">
    <div class="controls">
      <label for="spread-show"
        >Show <PickOne id="spread-show" v-model="show" label="What is shown" :options="fieldChoices"
      /></label>
      <label for="spread-against"
        >beside it <PickOne id="spread-against" v-model="against" label="beside it" :options="besides"
      /></label>
      <template v-if="progress !== null"
        ><ElProgress
          class="solving"
          :percentage="Math.round(progress * 100)"
          :show-text="false"
          aria-label="Solving"
        /><ElButton class="act" @click="bench.solver.stop()"> Stop </ElButton></template
      >
      <span v-else-if="main" class="soft small" data-test="spread-time"
        >solved in {{ Math.round(main.ms) }} ms, {{ main.patch.mesh.nx }} ×
        {{ main.patch.mesh.ny }} elements</span
      >
      <p v-if="failed" class="said" role="alert">{{ failed }}</p>
    </div>
    <div class="pictures">
      <FieldPicture
        v-for="x in both"
        :key="x.title"
        :title="x.title"
        :fields="x.patch.fields!"
        :show="show"
        :most="most"
        v-bind="standing(x)"
        @probe="probe = $event"
      />
    </div>
    <aside v-if="said && main" tabindex="0" aria-label="What the solver says">
      <p class="figure small" aria-live="off">{{ probeSaid || 'Move over the picture for figures.' }}</p>
      <FieldScale :most="most" :show="show" />
      <p v-if="said.warning" class="said small" role="status">
        {{ said.warning[0]!.toUpperCase() + said.warning.slice(1) }}
      </p>
      <ul class="checks">
        <li v-for="c in said.checks" :key="c.id">
          <VerdictSign :verdict="c.verdict" :size="16" />
          <span
            ><strong>{{ c.title }}</strong>
            <span class="figure">{{ formatUse(c.utilisation) }}</span><br /><span class="small">{{
              sayIn(c.because, boats.units)
            }}</span></span
          >
        </li>
      </ul>
      <p v-for="b in said.beside" :key="b.title" class="small">
        <strong
          >{{ b.title }}: solver {{ b.solver.toFixed(2) }}, hand formula {{ b.hand.toFixed(2) }}.</strong
        >
        {{ b.believe ?? 'They agree within a quarter.' }}
      </p>
      <p class="soft small">
        Between stiffeners {{ formatLength(Math.round(main.field.maxX - main.field.minX), boats.units) }} by
        {{ formatLength(Math.round(main.field.maxY - main.field.minY), boats.units) }}, edges held but free to
        turn.<template v-if="main.field.under.length">
          Held where it is bonded to {{ main.field.under.map((m) => m.title).join(', ') }}; taken as stiff and
          bonded, which is to be looked at.</template
        ><template v-if="main.field.assumed.length">
          Not known, a usual distance taken: {{ main.field.assumed.join(', ') }}.</template
        >
        Checks are read a deck’s thickness off the edges of base and plate, as at a weld’s toe; the picture
        shows the peak at the edge too. {{ main.patch.notes.join(' ') }}
      </p>
    </aside>
  </div>
</template>

<style scoped>
.spread {
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
progress {
  accent-color: var(--tide);
}
@media (max-width: 767px) {
  .spread {
    grid-template: none / minmax(0, 1fr);
    height: auto;
  }
  .pictures {
    flex-direction: column;
  }
  .pictures > * {
    flex: none;
    height: 340px;
  }
}
</style>
