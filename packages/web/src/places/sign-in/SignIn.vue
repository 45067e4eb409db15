<script setup lang="ts">
import { defineAsyncComponent, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '../../state/session'

/** Fetched once in the life of a yard. */
const FirstManager = defineAsyncComponent(() => import('./FirstManager.vue'))
const session = useSession()
const router = useRouter()
const route = useRoute()
const login = ref('')
const password = ref('')
const said = ref('')
const busy = ref(false)

async function enter(how: () => Promise<void>) {
  busy.value = true
  said.value = ''
  try {
    await how()
    const to =
      typeof route.query.to === 'string' && route.query.to.startsWith('/') && !route.query.to.startsWith('//')
        ? route.query.to
        : '/boat'
    await router.push(to)
  } catch (error) {
    said.value = error instanceof Error ? error.message : 'The server does not answer'
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <main class="gate">
    <section>
      <h1>North Tide</h1>
      <p class="soft">
        Every hole in the boat: what it carries, what it goes through, what keeps the water out, and its
        record.
      </p>
      <ElButton
        v-if="session.demo && !session.first"
        class="act main"
        :disabled="busy"
        @click="enter(() => session.enterDemo())"
      >
        Enter the demo yard as fitter
      </ElButton>
      <FirstManager v-if="session.first" @made="enter(async () => undefined)" />
      <form v-else @submit.prevent="enter(() => session.signIn(login, password))">
        <label for="login">Login</label>
        <ElInput id="login" v-model="login" class="entry" autocomplete="username" required />
        <label for="password">Password</label>
        <ElInput
          id="password"
          v-model="password"
          class="entry"
          type="password"
          autocomplete="current-password"
          required
        />
        <p v-if="said" class="said" role="alert">{{ said }}</p>
        <ElButton class="act" native-type="submit" :disabled="busy">Sign in</ElButton>
      </form>
      <p class="soft small">
        A fitter’s working aid. Local codes, class and flag rules and the insurer’s terms come first, and a
        licensed surveyor, naval architect or shipwright decides where they require it.
      </p>
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
  width: min(430px, 100%);
  display: grid;
  gap: 18px;
  border-left: 4px solid var(--tide);
  padding-left: 26px;
}
form {
  display: grid;
  gap: 6px;
}
form .act {
  margin-top: 10px;
  justify-self: start;
}
label {
  font-weight: 600;
}
.entry {
  min-height: var(--touch);
  font-size: 1rem;
}
.said {
  color: var(--short);
  font-weight: 600;
}
h1 {
  font-size: 1.875rem;
}
</style>
