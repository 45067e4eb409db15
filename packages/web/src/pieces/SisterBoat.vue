<script setup lang="ts">
import { computed, ref } from 'vue'
import { api } from '../api'
import { useAttempt } from './attempt'
import { useBoats } from '../state/boats'
import { useSession } from '../state/session'
import PickOne from './PickOne.vue'

/** The same work on a sister boat, at the same place of her: judged on what was measured there. */
const props = defineProps<{ id: string; name: string }>()
const boats = useBoats()
const session = useSession()
const { said, busy, attempt } = useAttempt()
const open = ref(false)
const boat = ref('')
const others = computed(() =>
  boats.list
    .filter((b) => b.id !== boats.picture?.id && !b.archived && session.may('work', b.id))
    .map((b) => ({ value: b.id, title: b.name })),
)
const done = ref('')
const begin = () => {
  boat.value ||= others.value[0]!.value
  open.value = true
}
const copy = () =>
  attempt(async () => {
    await api('POST', `/fittings/${props.id}/copy`, { boat: boat.value })
    done.value = `${props.name} stands on ${others.value.find((o) => o.value === boat.value)!.title} too, with no hole made yet.`
    open.value = false
  })
</script>

<template>
  <template v-if="others.length">
    <ElButton class="plain" @click="begin">Copy to a sister boat</ElButton>
    <span v-if="done" class="small" role="status">{{ done }}</span>
    <ElDialog v-model="open" title="Copy to a sister boat" width="min(440px, 94vw)" append-to-body>
      <form aria-label="Copy to a sister boat" @submit.prevent="copy">
        <label class="boat">Boat <PickOne v-model="boat" label="Sister boat" :options="others" /></label>
        <p class="soft small">
          It goes to the same place aft of the stem and from the centreline. Its build-up is what was measured
          on that boat; holes, ticks and readings stay here.
        </p>
        <p v-if="said" class="bad" role="alert">{{ said }}</p>
        <div>
          <ElButton class="act main" native-type="submit" :disabled="busy || !boat">Copy it</ElButton>
          <ElButton class="act" @click="open = false">Leave it</ElButton>
        </div>
      </form>
    </ElDialog>
  </template>
</template>

<style scoped>
form {
  display: grid;
  gap: 10px;
  justify-items: start;
}
.boat {
  display: flex;
  align-items: center;
  gap: 12px;
}
.bad {
  color: var(--short);
}
</style>
