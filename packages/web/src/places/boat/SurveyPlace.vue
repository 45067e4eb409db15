<script setup lang="ts">
import { computed, defineAsyncComponent, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useBoats } from '../../state/boats'
import { useSurvey } from '../../state/survey'
import BoatTabs from './BoatTabs.vue'

const boats = useBoats()
const survey = useSurvey()
const route = useRoute()
const router = useRouter()
const PAGES = {
  build: ['Build-up', defineAsyncComponent(() => import('./survey/BuildUp.vue'))],
  readings: ['Readings', defineAsyncComponent(() => import('./survey/ReadingsPage.vue'))],
  found: ['Found holes', defineAsyncComponent(() => import('./survey/FoundHoles.vue'))],
  angles: ['Angles', defineAsyncComponent(() => import('./survey/AnglesPage.vue'))],
  files: ['Files', defineAsyncComponent(() => import('./survey/FilesPage.vue'))],
  history: ['History', defineAsyncComponent(() => import('./survey/HistoryPage.vue'))],
  notes: ['Notes', defineAsyncComponent(() => import('./survey/NotesPage.vue'))],
} as const
const tab = computed(() =>
  String(route.params.tab) in PAGES ? (String(route.params.tab) as keyof typeof PAGES) : 'build',
)
watch(
  () => route.params.id,
  (id) => {
    if (typeof id === 'string' && id && id !== boats.picture?.id)
      boats.open(id).catch(() => router.replace(`/boat/${boats.picture?.id ?? ''}`))
  },
  { immediate: true },
)
watch(
  () => boats.picture?.id,
  (id) => {
    if (!id) return
    void survey.load().catch(() => undefined)
    void survey.drawMaps()
  },
  { immediate: true },
)
</script>

<template>
  <div class="survey">
    <header class="top">
      <h1>{{ PAGES[tab][0] }}</h1>
      <BoatTabs :here="tab" />
    </header>
    <component :is="PAGES[tab][1]" :key="boats.picture!.id" class="page" />
  </div>
</template>

<style scoped>
.survey {
  display: grid;
  grid-template: auto minmax(0, 1fr) / minmax(0, 1fr);
  height: 100%;
}
.top {
  display: flex;
  gap: 22px;
  align-items: center;
  padding: 4px 20px;
  border-bottom: 1px solid var(--line-strong);
  flex-wrap: wrap;
}
.page {
  min-height: 0;
  overflow: auto;
}
@media (max-width: 767px) {
  .survey {
    display: block;
    height: auto;
  }
  .top {
    padding: 4px 14px;
  }
  .page {
    overflow: visible;
  }
}
</style>
