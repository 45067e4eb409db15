<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { formatLength } from '@north-tide/core'
import { useAttempt } from '../../../pieces/attempt'
import { useBoats } from '../../../state/boats'
import type { useChosenHoles } from './chosen-holes'

/** What is chosen to be closed, and the jobs that it becomes; who does not point chooses by this list. */
const props = defineProps<{ holes: ReturnType<typeof useChosenHoles> }>()
const boats = useBoats()
const router = useRouter()
const { said, busy, attempt } = useAttempt()
const { open, chosen, picked, jobs, toggle, stop } = props.holes
const go = () =>
  attempt(async () => {
    const id = await props.holes.close()
    await router.push(`/bench/${id}`)
  })
const counted = computed(() =>
  jobs.value.map((j) => `${j.holes.length} on ${j.title.toLowerCase()}`).join(', '),
)
</script>

<template>
  <div class="chosen">
    <h2>Holes to close</h2>
    <p class="soft small">
      Draw a box round them on the map, press one, or tick them here. Holes in which something stands are not
      among them.
    </p>
    <p role="status">
      <strong>{{ picked.length }}</strong> chosen<template v-if="jobs.length > 1"
        >: {{ counted }}, a job each</template
      >.
    </p>
    <p v-if="said" class="wrong" role="alert">{{ said }}</p>
    <p class="acts">
      <ElButton class="act main" :disabled="busy || !picked.length" @click="go">{{
        jobs.length > 1 ? `Close them as ${jobs.length} jobs` : 'Close them as one job'
      }}</ElButton>
      <ElButton class="act" :disabled="busy" @click="stop">Leave it</ElButton>
    </p>
    <p v-if="!open.length" class="soft">No open hole is on record.</p>
    <ul>
      <li v-for="h in open" :key="h.id">
        <ElCheckbox :model-value="chosen.has(h.id)" @change="toggle([h.id])"
          ><span class="figure">{{ h.label }}</span> {{ h.whatFor }},
          {{ formatLength(h.diameterMm, boats.units) }}</ElCheckbox
        >
      </li>
    </ul>
  </div>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
.wrong {
  color: var(--short);
}
</style>
