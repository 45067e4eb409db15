<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { THROUGH_HULL_FAMILY, tailInHole } from '@north-tide/core/through-hull'
import { useThroughHull } from '../../state/through-hull'
import PlacingView from './PlacingView.vue'

const tab = defineModel<string>('tab', { required: true })
const throughHull = useThroughHull()
const VIEWS = {
  Parts: defineAsyncComponent(() => import('./PartsView.vue')),
  Chain: defineAsyncComponent(() => import('./ChainView.vue')),
  Dial: defineAsyncComponent(() => import('./DialView.vue')),
  Kick: defineAsyncComponent(() => import('./KickView.vue')),
  'If it lets go': defineAsyncComponent(() => import('./FloodView.vue')),
  Metals: defineAsyncComponent(() => import('./MetalsView.vue')),
  Bedding: defineAsyncComponent(() => import('./BedView.vue')),
  Work: defineAsyncComponent(() => import('../../pieces/WorkView.vue')),
  Templates: defineAsyncComponent(() => import('./CutView.vue')),
  Survey: defineAsyncComponent(() => import('./SurveyView.vue')),
  'Wrong hole': defineAsyncComponent(() => import('../../pieces/WrongHoleView.vue')),
}
const tabs = computed(() => {
  const d = throughHull.design!
  const info = THROUGH_HULL_FAMILY[d.family]
  return [
    'Place',
    'Parts',
    'Chain',
    ...(info.valve ? ['Dial', ...(d.family === 'welded-stub' ? [] : ['Kick'])] : []),
    'If it lets go',
    'Metals',
    'Bedding',
    'Work',
    'Templates',
    'Survey',
    'Wrong hole',
  ]
})
/** What the pages that both benches share are given. */
const given = computed(() => {
  const d = throughHull.design!
  if (shown.value === 'Work') return { bench: throughHull }
  if (shown.value !== 'Wrong hole') return {}
  return {
    bench: throughHull,
    holeMm: d.boredMm,
    thicknessMm: d.hull.thicknessMm,
    cored: d.hull.kind === 'cored',
    below: d.place.zMm < 0,
    fits: (mm: number) => tailInHole(d, mm),
  }
})
const shown = computed(() => (tabs.value.includes(tab.value) ? tab.value : 'Place'))
</script>

<template>
  <section class="tray" aria-label="Tray">
    <div class="tabs" role="tablist" aria-label="Tray">
      <button
        v-for="t in tabs"
        :id="`tab-${t}`"
        :key="t"
        class="plain tab"
        role="tab"
        :aria-selected="shown === t"
        aria-controls="tray-page"
        @click="tab = t"
      >
        {{ t }}
      </button>
    </div>
    <div
      v-if="throughHull.judgement"
      id="tray-page"
      class="page"
      role="tabpanel"
      :aria-labelledby="`tab-${shown}`"
      tabindex="0"
    >
      <PlacingView v-if="shown === 'Place'" />
      <component
        :is="VIEWS[shown as keyof typeof VIEWS]"
        v-else
        :key="shown"
        v-bind="given"
        @kept="throughHull.change({ boredMm: $event })"
        @refilled="throughHull.change({ boredMm: null })"
      />
    </div>
  </section>
</template>

<style scoped>
.tray {
  display: grid;
  grid-template-columns: 118px minmax(0, 1fr);
  border-top: 1px solid var(--ink);
  height: 320px;
}
.tabs {
  display: flex;
  flex-direction: column;
  border-right: 1px solid var(--line-strong);
  overflow-y: auto;
}
.tab {
  min-height: 26px;
  padding: 0 14px;
  text-align: left;
  font-weight: 600;
  color: var(--ink-soft);
  border-left: 4px solid transparent;
  flex: 1 0 auto;
}
.tab[aria-selected='true'] {
  background: var(--sheet);
  color: var(--ink);
  border-left-color: var(--tide);
  font-weight: 700;
}
.page {
  overflow: auto;
  padding: 10px 18px;
  min-height: 0;
}
@media (max-width: 767px) {
  .tray,
  .tray.tall {
    grid-template: auto auto / minmax(0, 1fr);
    height: auto;
  }
  .tabs {
    flex-direction: row;
    border-right: 0;
    border-bottom: 1px solid var(--line-strong);
    overflow-x: auto;
    padding: 0 6px;
  }
  .tab {
    min-height: var(--touch);
    flex: none;
    border-left: 0;
    border-bottom: 3px solid transparent;
    padding: 0 10px;
  }
  .tab[aria-selected='true'] {
    border-bottom-color: var(--tide);
  }
  .page {
    padding: 10px 14px;
  }
}
</style>
