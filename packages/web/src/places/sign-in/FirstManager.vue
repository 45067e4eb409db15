<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { ApiRefusal } from '../../api'
import { useSession } from '../../state/session'

/** Nobody is in this yard yet: whoever sits at its machine makes its manager, once. */
const emit = defineEmits<{ made: [] }>()
const session = useSession()
const form = reactive({ name: '', login: '', password: '', again: '' })
const wrong = ref<{ path: string; message: string } | null>(null)
const busy = ref(false)
const differs = computed(() => form.again !== '' && form.again !== form.password)
const ready = computed(
  () => form.name.trim() && form.login.trim() && form.password && form.again === form.password,
)
const at = (path: string) => (wrong.value?.path === path ? wrong.value.message : '')
async function make() {
  if (!ready.value || busy.value) return
  busy.value = true
  wrong.value = null
  try {
    const { name, login, password } = form
    await session.makeFirst({ name, login, password })
    emit('made')
  } catch (error) {
    wrong.value =
      error instanceof ApiRefusal
        ? { path: error.refusal.path ?? '', message: error.refusal.message }
        : { path: '', message: error instanceof Error ? error.message : 'The server does not answer' }
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <form aria-label="The first manager" @submit.prevent="make">
    <h2>A yard with nobody in it yet</h2>
    <p class="soft">Make its manager here, once. He lets the others in, and says who sees which boat.</p>
    <label for="first-name">Name</label>
    <ElInput id="first-name" v-model="form.name" class="entry" maxlength="80" autocomplete="name" />
    <p v-if="at('name')" class="said" role="alert">{{ at('name') }}</p>
    <label for="first-login">Login</label>
    <ElInput id="first-login" v-model="form.login" class="entry" maxlength="40" autocomplete="username" />
    <p v-if="at('login')" class="said" role="alert">{{ at('login') }}</p>
    <label for="first-password">Password</label>
    <ElInput
      id="first-password"
      v-model="form.password"
      class="entry"
      type="password"
      autocomplete="new-password"
    />
    <p v-if="at('password')" class="said" role="alert">{{ at('password') }}</p>
    <label for="first-again">The same again</label>
    <ElInput
      id="first-again"
      v-model="form.again"
      class="entry"
      type="password"
      autocomplete="new-password"
    />
    <p v-if="differs" class="said" role="alert">It is not the same.</p>
    <p v-if="wrong && !['name', 'login', 'password'].includes(wrong.path)" class="said" role="alert">
      {{ wrong.message }}
    </p>
    <ElButton class="act main" native-type="submit" :disabled="busy || !ready">Make the manager</ElButton>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 6px;
}
h2 {
  font-size: 1.05rem;
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
form .act {
  margin-top: 10px;
  justify-self: start;
}
</style>
