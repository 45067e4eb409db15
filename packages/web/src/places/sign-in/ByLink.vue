<script setup lang="ts">
import { onMounted, ref } from 'vue'
import dayjs from 'dayjs'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import { useBoats } from '../../state/boats'
import { useSession } from '../../state/session'

/** Somebody comes by a link to one boat: he sees what it opens, until when, and reads. */
const route = useRoute()
const router = useRouter()
const session = useSession()
const boats = useBoats()
const { said, busy, attempt } = useAttempt()
const secret = String(route.params.secret)
const opens = ref<{ boat: string; forWhom: string; until: string | null } | null>(null)
onMounted(() =>
  attempt(async () => (opens.value = await api('GET', `/session/link/${encodeURIComponent(secret)}`))),
)
const open = () =>
  attempt(async () => {
    boats.lastId = await session.byLink(secret)
    // What another account had open is not his.
    boats.picture = null
    await router.replace('/register')
  })
</script>

<template>
  <main class="gate">
    <section>
      <h1>North Tide</h1>
      <template v-if="opens">
        <p>
          The record of <strong>{{ opens.boat }}</strong>, for {{ opens.forWhom }} to read<template
            v-if="opens.until"
            >, until {{ dayjs(opens.until).format('D MMM YYYY') }}</template
          >.
        </p>
        <p v-if="session.account" class="soft">
          {{ session.account.name }} is signed in here, and is signed out by opening it.
        </p>
        <ElButton class="act main" :disabled="busy" @click="open">Open her record</ElButton>
      </template>
      <ElSkeleton v-else-if="!said" :rows="2" animated />
      <template v-if="said">
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
  justify-items: start;
}
.said {
  color: var(--short);
  font-weight: 600;
}
</style>
