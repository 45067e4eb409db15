<script setup lang="ts">
import { computed, defineAsyncComponent, reactive, ref } from 'vue'
import { useUrlSearchParams } from '@vueuse/core'
import { useRouter } from 'vue-router'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import { useSession } from '../../state/session'

/** The yard: one's own account, and for the manager everybody's. */
const PeopleList = defineAsyncComponent(() => import('./PeopleList.vue'))
const PostBox = defineAsyncComponent(() => import('./PostBox.vue'))
const WorkOfQueue = defineAsyncComponent(() => import('./WorkOfQueue.vue'))
const BoatsAway = defineAsyncComponent(() => import('./BoatsAway.vue'))
const OperationsView = defineAsyncComponent(() => import('./OperationsView.vue'))
const SettingsView = defineAsyncComponent(() => import('./SettingsView.vue'))
const AboutView = defineAsyncComponent(() => import('./AboutView.vue'))
const session = useSession()
const views = computed(() => [
  { value: 'people', label: session.may('people') ? 'You and the others' : 'You' },
  ...(session.may('stores') ? [{ value: 'settings', label: 'Settings' }] : []),
  ...(session.may('remove-boat') ? [{ value: 'boats', label: 'Boats' }] : []),
  ...(session.may('people') ? [{ value: 'machine', label: 'Machine' }] : []),
  { value: 'about', label: 'About' },
])
const asked = useUrlSearchParams('history', { initialValue: { view: '' } })
const view = computed({
  get: () => (views.value.some((v) => v.value === asked.view) ? String(asked.view) : 'people'),
  set: (v) => (asked.view = v === 'people' ? '' : v),
})
const router = useRouter()
const { said, path, busy, attempt } = useAttempt()
const form = reactive({ old: '', password: '', again: '' })
const done = ref('')
async function change() {
  done.value = ''
  const ok = await attempt(() => api('PUT', '/session/password', { old: form.old, password: form.password }))
  if (!ok) return
  Object.assign(form, { old: '', password: '', again: '' })
  done.value = 'It is changed; everywhere else you are signed out.'
}
async function outEverywhere() {
  if (!(await attempt(() => api('DELETE', '/sessions')))) return
  session.leave()
  await router.push({ name: 'sign-in' })
}
</script>

<template>
  <div class="yard">
    <header class="top">
      <h1>Yard</h1>
      <ElSegmented v-model="view" :options="views" aria-label="What is shown" />
      <span class="soft">{{ session.account?.name }}, {{ session.account?.role }}</span>
    </header>
    <div class="body">
      <section v-if="view === 'people'" aria-label="Your account">
        <h2>Your account</h2>
        <form aria-label="Another password" @submit.prevent="change">
          <label for="pw-old">Password now</label>
          <ElInput
            id="pw-old"
            v-model="form.old"
            class="entry"
            :class="{ bad: path === 'old' }"
            type="password"
            autocomplete="current-password"
          />
          <label for="pw-new">The new one</label>
          <ElInput
            id="pw-new"
            v-model="form.password"
            class="entry"
            :class="{ bad: path === 'password' }"
            type="password"
            autocomplete="new-password"
          />
          <label for="pw-again">The same again</label>
          <ElInput
            id="pw-again"
            v-model="form.again"
            class="entry"
            type="password"
            autocomplete="new-password"
          />
          <p v-if="form.again && form.again !== form.password" class="said" role="alert">
            It is not the same.
          </p>
          <p v-if="said" class="said" role="alert">{{ said }}</p>
          <p v-if="done" role="status">{{ done }}</p>
          <div class="acts">
            <ElButton
              class="act main"
              native-type="submit"
              :disabled="busy || !form.old || !form.password || form.again !== form.password"
              >Change the password</ElButton
            ><ElButton class="act" :disabled="busy" @click="outEverywhere">Sign out everywhere</ElButton>
          </div>
        </form>
      </section>
      <template v-if="view === 'people'"><PeopleList v-if="session.may('people')" /><PostBox /></template>
      <template v-else-if="view === 'machine'"><WorkOfQueue /><OperationsView /></template>
      <SettingsView v-else-if="view === 'settings'" />
      <BoatsAway v-else-if="view === 'boats'" />
      <AboutView v-else />
    </div>
  </div>
</template>

<style scoped>
.top {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  padding: 9px 20px;
  min-height: 58px;
  border-bottom: 1px solid var(--line-strong);
}
.top h1 {
  font-size: 1.25rem;
}
.body {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 24px;
  padding: 12px 20px 40px;
}
h2 {
  font-size: 1.05rem;
}
form {
  display: grid;
  gap: 4px;
  max-width: 420px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding-top: 8px;
}
.said {
  color: var(--short);
}
</style>
