<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import { useBoats } from '../../state/boats'
import { useSurvey } from '../../state/survey'

/** The Boat place's own pages, and how far the judging anew is. */
defineProps<{ here: string }>()
const HowFar = defineAsyncComponent(() => import('../../pieces/HowFar.vue'))
const boats = useBoats()
const survey = useSurvey()
const TABS = [
  ['map', 'Map'],
  ['build', 'Build-up'],
  ['readings', 'Readings'],
  ['found', 'Found holes'],
  ['angles', 'Angles'],
  ['files', 'Files'],
  ['history', 'History'],
  ['notes', 'Notes'],
] as const
</script>

<template>
  <nav class="tabs no-print" aria-label="Boat">
    <RouterLink
      v-for="[id, title] in TABS"
      :key="id"
      :to="`/boat/${boats.picture?.id}${id === 'map' ? '' : `/${id}`}`"
      :class="{ here: here === id }"
      :aria-current="here === id ? 'page' : undefined"
      >{{ title }}</RouterLink
    >
    <span v-if="survey.job && !survey.job.finished" class="job small" role="status"
      ><HowFar
        class="solving"
        :percentage="Math.round((100 * survey.job.done) / (survey.job.total || 1))"
        aria-label="Judged"
      />
      judging again: {{ survey.job.done }} of {{ survey.job.total }}</span
    >
    <span v-else-if="survey.job" class="job small soft" role="status"
      >{{ survey.job.why }}: {{ survey.job.total }} judged again, {{ survey.job.turned }} turned<template
        v-if="survey.job.solverLeft"
        >; the plate solver still looks at {{ survey.job.solverLeft }}, judged by hand checks until
        then</template
      ></span
    >
  </nav>
</template>

<style scoped>
.tabs {
  display: flex;
  gap: 4px 16px;
  align-items: center;
  flex-wrap: wrap;
}
.tabs a {
  color: var(--ink-soft);
  text-decoration: none;
  font-weight: 600;
  min-height: var(--touch);
  display: inline-flex;
  align-items: center;
  border-bottom: 3px solid transparent;
}
.tabs a.here {
  color: var(--ink);
  border-bottom-color: var(--tide);
}
.job {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-left: 8px;
}
progress {
  accent-color: var(--tide);
  width: 90px;
}
@media (max-width: 767px) {
  .tabs {
    flex: 1 1 100%;
    order: 3;
    flex-wrap: nowrap;
    overflow-x: auto;
    white-space: nowrap;
  }
}
</style>
