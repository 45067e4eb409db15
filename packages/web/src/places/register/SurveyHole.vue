<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { THROUGH_HULL_CATALOGUE } from '@north-tide/core/through-hull'
import { api } from '../../api'
import { useBoats } from '../../state/boats'
import type { HoleRecord, SavedThroughHull } from '../../types'
import PickOne from '../../pieces/PickOne.vue'

/**
 * A hole that was found with something in it: what stands there is looked at on the bench, and keeps this
 * number.
 */
const props = defineProps<{ hole: HoleRecord }>()
const boats = useBoats()
const router = useRouter()
const entry = ref('MV-B114')
const said = ref('')
async function begin() {
  said.value = ''
  try {
    const made = await api<SavedThroughHull>('POST', `/boats/${boats.picture!.id}/fittings`, {
      catalogueId: entry.value,
      holeId: props.hole.id,
    })
    await boats.refresh()
    await router.push(`/through-hulls/${made.id}`)
  } catch (error) {
    said.value = error instanceof Error ? error.message : 'It was not begun'
  }
}
</script>

<template>
  <form class="survey" @submit.prevent="begin">
    <h3>What stands in it</h3>
    <label for="stands-in"
      >Nearest to<PickOne
        id="stands-in"
        v-model="entry"
        label="Nearest to"
        :options="THROUGH_HULL_CATALOGUE.map((e) => ({ value: e.id, title: e.title }))"
    /></label>
    <ElButton class="act" native-type="submit">Survey it on the bench</ElButton>
    <p v-if="said" class="said" role="alert">{{ said }}</p>
  </form>
</template>

<style scoped>
.survey {
  display: grid;
  gap: 8px;
  justify-items: start;
  padding-bottom: 16px;
}
label {
  display: grid;
  gap: 2px;
  font-weight: 600;
}
select {
  max-width: 320px;
}
.said {
  color: var(--short);
}
</style>
