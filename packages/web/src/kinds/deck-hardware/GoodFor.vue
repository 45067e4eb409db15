<script setup lang="ts">
import { computed } from 'vue'
import {
  UNSEEN_TITLES,
  formatForce,
  goodForHere,
  goodForRose,
  goodForSaid,
  type Unseen,
} from '@north-tide/core'
import { useBench } from '../../state/bench'
import { useBoats } from '../../state/boats'
import DrawingView from '../../pieces/DrawingView.vue'

/** What one that is in the boat is good for, between the worst and the best that may lie out of sight. */
const bench = useBench()
const boats = useBoats()
const d = computed(() => bench.design!)
const may = computed(() =>
  (Object.keys(UNSEEN_TITLES) as Unseen[]).filter(
    (u) => u !== 'plug' || d.value.structure.kind === 'sandwich',
  ),
)
/** Words of the box: it is ticked once somebody has looked. */
const seen = computed({
  get: () => may.value.filter((u) => !d.value.unseen.includes(u)),
  set: (list: Unseen[]) => bench.change({ unseen: may.value.filter((u) => !list.includes(u)) }),
})
const found = computed(() => (bench.judgement ? goodForHere(d.value, bench.judgement) : null))
const rose = computed(() => (found.value ? goodForRose(found.value, boats.units) : null))
const least = (which: 'worst' | 'best') => {
  const l = found.value?.out.least[which]
  return l ? formatForce(l.loadN, boats.units) : 'not by any check here'
}
</script>

<template>
  <section class="good" aria-label="What it is good for">
    <div>
      <h3>What somebody has seen of it</h3>
      <ElCheckboxGroup v-model="seen" :disabled="bench.readOnly" class="seen">
        <ElCheckbox v-for="u in may" :key="u" :value="u" :label="UNSEEN_TITLES[u]" />
      </ElCheckboxGroup>
      <template v-if="found">
        <p>{{ goodForSaid(found, boats.units) }}</p>
        <dl class="small">
          <dt>
            {{ d.unseen.length ? 'At the worst' : 'Good for' }}<span class="line" aria-hidden="true"></span>
          </dt>
          <dd class="figure">{{ least('worst') }}</dd>
          <template v-if="d.unseen.length">
            <dt>At the best<span class="line dashed" aria-hidden="true"></span></dt>
            <dd class="figure">{{ least('best') }}</dd>
          </template>
          <dt>Asked for<span class="line load" aria-hidden="true"></span></dt>
          <dd class="figure">{{ formatForce(found.demandN, boats.units) }}</dd>
        </dl>
        <p class="soft small">
          A tenth in hand, factors in, no preload counted. It is what the sums allow, not a test: crevices,
          cracks and rot are looked for beside it.
        </p>
      </template>
    </div>
    <figure v-if="rose">
      <DrawingView :drawing="rose" :units="boats.units" />
      <figcaption class="soft small">{{ rose.title }}</figcaption>
    </figure>
  </section>
</template>

<style scoped>
.good {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
  gap: 22px;
  border-top: 1px solid var(--line);
  margin-top: 14px;
  padding-top: 10px;
}
.seen {
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
}
dl {
  display: grid;
  grid-template-columns: max-content max-content;
  gap: 2px 16px;
  margin: 6px 0;
}
dd {
  margin: 0;
}
dt {
  display: flex;
  align-items: center;
  gap: 8px;
}
.line {
  width: 28px;
  border-top: 2px solid var(--ink);
}
.line.dashed {
  border-top-style: dashed;
}
.line.load {
  border-top-color: var(--buoy);
}
figure {
  margin: 0;
  min-height: 260px;
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
}
@media (max-width: 767px) {
  .good {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
