<script setup lang="ts">
import { onMounted, ref } from 'vue'
import dayjs from 'dayjs'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'

/** Letters that the product writes: a stand-in for mail, and its record where a mail server is set. */
interface Letter {
  id: number
  subject: string
  body: string
  madeAt: string
  readAt: string | null
  sentAt: string | null
  failed: string | null
}
interface Box {
  mails: Letter[]
  address: string
  smtp: boolean
}
const { said, path, busy, attempt } = useAttempt()
const box = ref<Box | null>(null)
const address = ref('')
const open = ref<number | null>(null)
const load = () =>
  attempt(async () => {
    box.value = await api<Box>('GET', '/post')
    address.value = box.value.address
  })
onMounted(load)
const show = (m: Letter) =>
  attempt(async () => {
    open.value = open.value === m.id ? null : m.id
    if (open.value && !m.readAt) Object.assign(m, await api<Letter>('POST', `/post/${m.id}/read`, {}))
  })
const keep = () =>
  attempt(
    async () => void (box.value = await api<Box>('PUT', '/post/address', { address: address.value.trim() })),
  )
const when = (t: string) => dayjs(t).format('D MMM YYYY, HH:mm')
</script>

<template>
  <section aria-label="Post box">
    <h2>
      Post box <span v-if="box && !box.smtp" class="small soft">simulated: nothing leaves this machine</span>
    </h2>
    <p v-if="said && path !== 'address'" class="bad" role="alert">{{ said }}</p>
    <ElSkeleton v-if="!box && !said" :rows="3" animated />
    <template v-else-if="box">
      <form v-if="box.smtp" aria-label="Where letters go" @submit.prevent="keep">
        <label
          >They go to<ElInput
            v-model="address"
            class="entry"
            type="email"
            maxlength="200"
            autocomplete="email"
        /></label>
        <p v-if="path === 'address'" class="bad" role="alert">{{ said }}</p>
        <ElButton class="act" native-type="submit" :disabled="busy">Keep it</ElButton>
      </form>
      <ElEmpty
        v-if="!box.mails.length"
        :image-size="60"
        description="No letter yet. One comes a week, while anything is due."
      />
      <ul v-else aria-label="Letters">
        <li v-for="m in box.mails" :key="m.id">
          <ElButton class="plain" :aria-expanded="open === m.id" @click="show(m)"
            ><strong v-if="!m.readAt">{{ m.subject }}</strong
            ><template v-else>{{ m.subject }}</template></ElButton
          >
          <span class="small soft">
            {{ when(m.madeAt) }}{{ m.sentAt ? ', sent' : m.failed ? `, not sent: ${m.failed}` : '' }}</span
          >
          <p v-if="open === m.id" class="letter">{{ m.body }}</p>
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
h2 {
  font-size: 1.05rem;
}
ul {
  list-style: none;
  padding: 0;
  max-width: 760px;
}
li {
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
}
.letter {
  white-space: pre-line;
  padding: 6px 0;
}
form {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: end;
}
label {
  display: grid;
  gap: 2px;
}
.bad {
  color: var(--short);
}
</style>
