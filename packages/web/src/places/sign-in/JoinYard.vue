<script setup lang="ts">
import { computed, onMounted, reactive, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../../api'
import { useSession } from '../../state/session'

/** Somebody comes by the link that the manager gave him: he sets his password here, once, and is in. */
const route = useRoute()
const router = useRouter()
const session = useSession()
const who = ref<{ name: string; login: string } | null>(null)
const said = ref('')
const busy = ref(false)
const form = reactive({ password: '', again: '' })
const secret = String(route.params.secret)
const differs = computed(() => form.again !== '' && form.again !== form.password)
const ready = computed(() => form.password !== '' && form.again === form.password)
const wrong = (error: unknown) =>
  (said.value = error instanceof Error ? error.message : 'The server does not answer')
onMounted(async () => {
  try {
    who.value = await api('GET', `/session/join/${encodeURIComponent(secret)}`)
  } catch (error) {
    wrong(error)
  }
})
async function join() {
  busy.value = true
  said.value = ''
  try {
    await session.join(secret, form.password)
    await router.push('/boat')
  } catch (error) {
    wrong(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <main class="gate">
    <section>
      <h1>North Tide</h1>
      <form v-if="who" aria-label="Coming in" @submit.prevent="join">
        <p>
          {{ who.name }}, your login is <strong class="figure">{{ who.login }}</strong>. Choose a password; a
          short sentence is best.
        </p>
        <label for="join-password">Password</label>
        <ElInput
          id="join-password"
          v-model="form.password"
          class="entry"
          type="password"
          autocomplete="new-password"
        />
        <label for="join-again">The same again</label>
        <ElInput
          id="join-again"
          v-model="form.again"
          class="entry"
          type="password"
          autocomplete="new-password"
        />
        <p v-if="differs" class="said" role="alert">It is not the same.</p>
        <p v-if="said" class="said" role="alert">{{ said }}</p>
        <ElButton class="act main" native-type="submit" :disabled="busy || !ready">Come in</ElButton>
      </form>
      <template v-else-if="said">
        <p class="said" role="alert">{{ said }}</p>
        <p><RouterLink to="/sign-in">Sign in</RouterLink></p>
      </template>
    </section>
  </main>
</template>

<style scoped>
.gate {
  min-height: 100%;
  display: grid;
  place-items: center;
  padding: 24px;
}
section {
  width: min(420px, 100%);
  display: grid;
  gap: 12px;
}
form {
  display: grid;
  gap: 6px;
}
label {
  font-weight: 600;
}
.said {
  color: var(--short);
  font-weight: 600;
}
</style>
