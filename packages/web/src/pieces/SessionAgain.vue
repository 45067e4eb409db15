<script setup lang="ts">
import { ref, watch } from 'vue'
import { useSession } from '../state/session'

/** The session ended while somebody was at work. What he typed stays behind this, and goes on from here. */
const session = useSession()
const password = ref('')
const said = ref('')
const busy = ref(false)
watch(
  () => session.lost,
  () => {
    password.value = ''
    said.value = ''
  },
)
async function again(how: () => Promise<void>) {
  const was = session.account?.id
  busy.value = true
  said.value = ''
  try {
    await how()
    // Another's drafts and boats are not this one's.
    if (session.account?.id !== was) location.reload()
  } catch (error) {
    said.value = error instanceof Error ? error.message : 'The server does not answer'
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <ElDialog
    :model-value="session.lost"
    title="You were signed out"
    width="420px"
    :show-close="false"
    :close-on-click-modal="false"
    :close-on-press-escape="false"
  >
    <p>
      The session of {{ session.account?.name }} has ended. What you typed is still here; sign in and go on.
    </p>
    <form class="again" @submit.prevent="again(() => session.signIn(session.account!.login, password))">
      <label for="again-password">Password of {{ session.account?.login }}</label>
      <ElInput
        id="again-password"
        v-model="password"
        type="password"
        autocomplete="current-password"
        autofocus
        required
      />
      <p v-if="said" class="said" role="alert">{{ said }}</p>
      <div class="acts">
        <ElButton class="act main" native-type="submit" :disabled="busy || !password">Go on</ElButton>
        <ElButton v-if="session.demo" class="act" :disabled="busy" @click="again(() => session.enterDemo())"
          >Go on in the demo yard</ElButton
        >
        <ElButton class="plain" @click="session.leave()">Somebody else</ElButton>
      </div>
    </form>
  </ElDialog>
</template>

<style scoped>
.again {
  display: grid;
  gap: 8px;
  margin-top: 12px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.said {
  color: var(--short);
}
</style>
