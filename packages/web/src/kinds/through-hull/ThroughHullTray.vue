<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { THROUGH_HULL_FAMILY, tailInHole } from '@north-tide/core/through-hull'
import { useThroughHull } from '../../state/through-hull'
import TrayTabs from '../../pieces/TrayTabs.vue'
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
  <TrayTabs
    :model-value="shown"
    :tabs="tabs"
    :ready="throughHull.judgement !== null"
    @update:model-value="tab = $event"
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
  </TrayTabs>
</template>
