<script setup lang="ts">
import { ref, useId } from 'vue'
import { useSession } from '../state/session'

/** Takes a record out of use with a reason; it is kept, and says why it no longer counts. */
const props = defineProps<{
  what: string
  send: (why: string) => Promise<void>
}>()
const session = useSession()
const id = useId()
const open = ref(false)
const why = ref('')
const said = ref('')
const busy = ref(false)
async function go() {
  said.value = ''
  busy.value = true
  try {
    await props.send(why.value.trim())
    open.value = false
    why.value = ''
  } catch (error) {
    if (!session.ended(error)) said.value = error instanceof Error ? error.message : 'It was not withdrawn'
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <ElButton v-if="!open" class="plain soft small" @click="open = true"> withdraw this {{ what }} … </ElButton>
  <form
    v-else
    class="withdraw"
    :aria-label="`Withdraw this ${what}`"
    @submit.prevent="go"
    @keydown.enter.stop
    @keydown.esc.stop="open = false"
  >
    <label :for="id" class="small">Why is it withdrawn? It stays on record with this.</label>
    <ElInput :id="id" v-model="why" class="entry" maxlength="300" placeholder="kept twice, wrong boat …" />
    <p v-if="said" class="said small" role="alert">{{ said }}</p>
    <span>
      <ElButton native-type="submit" class="act" :disabled="busy || !why.trim()">Withdraw</ElButton>
      <ElButton class="plain soft small" @click="open = false">leave it</ElButton>
    </span>
  </form>
</template>

<style scoped>
.withdraw {
  display: grid;
  gap: 4px;
  max-width: 320px;
}
.withdraw > span {
  display: flex;
  gap: 12px;
  align-items: center;
}
.said {
  color: var(--short);
  font-weight: 600;
}
</style>
