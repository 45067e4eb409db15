<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../../api'
import { useBoats } from '../../state/boats'

/** A hole that nothing stands in becomes a job of closing: its bevel, cloth and steps on the bench. */
const props = defineProps<{ hole: { id: number } }>()
const boats = useBoats()
const router = useRouter()
const said = ref('')
async function begin() {
  said.value = ''
  try {
    const made = await api<{ id: string }>('POST', `/boats/${boats.picture!.id}/fittings`, {
      catalogueId: 'CX-1',
      holeId: props.hole.id,
    })
    await boats.refresh()
    await router.push(`/bench/${made.id}`)
  } catch (error) {
    said.value = error instanceof Error ? error.message : 'It was not begun'
  }
}
</script>

<template>
  <div class="close">
    <ElButton class="act" @click="begin">Work out how to close it</ElButton>
    <p v-if="said" class="said" role="alert">{{ said }}</p>
  </div>
</template>

<style scoped>
.close {
  padding-bottom: 14px;
}
.said {
  color: var(--short);
}
</style>
