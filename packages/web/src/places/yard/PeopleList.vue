<script setup lang="ts">
import { onMounted, reactive, ref } from 'vue'
import dayjs from 'dayjs'
import { NAMED_ROLES, type Role } from '@north-tide/core'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import PickOne from '../../pieces/PickOne.vue'
import RowTable from '../../pieces/RowTable.vue'
import { useBoats } from '../../state/boats'
import { useSession } from '../../state/session'

/** Everybody in the yard: let in by a link, what he is, seen last, gone. */
interface Person {
  id: number
  login: string
  name: string
  role: Role
  boats: { boatId: string; role: Role; until: string | null }[]
  lastSeen: string | null
  invitedUntil: string | null
  left: string | null
}
const boats = useBoats()
const session = useSession()
const { said, path, busy, attempt } = useAttempt()
const people = ref<Person[] | null>(null)
const link = ref<{ name: string; url: string } | null>(null)
const form = reactive({ name: '', login: '', role: 'fitter' as Role })
const roles = NAMED_ROLES.map((value) => ({ value, title: value }))
onMounted(() =>
  attempt(async () => void (people.value = (await api<{ people: Person[] }>('GET', '/people')).people)),
)
const show = (name: string, got: { path: string; people: Person[] }) => {
  people.value = got.people
  link.value = { name, url: `${location.origin}${got.path}` }
}
async function invite() {
  const ok = await attempt(async () =>
    show(form.name.trim(), await api('POST', '/people', { ...form, name: form.name.trim() })),
  )
  if (ok) Object.assign(form, { name: '', login: '' })
}
const reset = (p: Person) => attempt(async () => show(p.name, await api('POST', `/people/${p.id}/link`)))
const settle = (p: Person, to: object) =>
  attempt(
    async () => void (people.value = (await api<{ people: Person[] }>('PUT', `/people/${p.id}`, to)).people),
  )
const boat = (id: string) => boats.list.find((b) => b.id === id)?.name ?? id
const day = (t: string) => dayjs(t).format('D MMM YYYY')
const onBoats = (p: Person) =>
  p.boats.map((b) => `${b.role} of ${boat(b.boatId)}${b.until ? ` until ${day(b.until)}` : ''}`).join(', ')
const state = (p: Person) => {
  if (p.left) return `left on ${day(p.left)}`
  if (p.invitedUntil) return `link good until ${day(p.invitedUntil)}`
  return p.lastSeen ? dayjs(p.lastSeen).format('D MMM YYYY, HH:mm') : 'never'
}
</script>

<template>
  <section aria-label="People">
    <h2>People</h2>
    <p v-if="said" class="said" role="alert">{{ said }}</p>
    <ElSkeleton v-if="!people && !said" :rows="4" animated />
    <div v-if="people" class="wide">
      <RowTable
        label="People of the yard"
        :columns="[
          { key: 'name', title: 'Name', by: (p) => p.name },
          { key: 'login', title: 'Login', by: (p) => p.login },
          { key: 'role', title: 'Is' },
          { key: 'boats', title: 'On single boats', class: 'small' },
          { key: 'seen', title: 'Seen last', by: (p) => p.lastSeen ?? '' },
          { key: 'act' },
        ]"
        :rows="people"
        :known="(p) => p.id"
      >
        <template #login="{ row: p }"
          ><span class="figure">{{ p.login }}</span></template
        >
        <template #role="{ row: p }"
          ><PickOne
            v-if="!p.left"
            :model-value="p.role"
            :label="`What ${p.name} is`"
            :options="roles"
            :disabled="busy"
            @update:model-value="settle(p, { role: $event })"
          /><template v-else>{{ p.role }}</template></template
        >
        <template #boats="{ row: p }">{{ onBoats(p) }}</template>
        <template #seen="{ row: p }">{{ state(p) }}</template>
        <template #act="{ row: p }"
          ><span class="acts"
            ><ElButton
              v-if="!p.left"
              class="act small"
              :disabled="busy"
              :aria-label="`Link for ${p.name}`"
              @click="reset(p)"
              >A link</ElButton
            ><ElButton
              v-if="p.id !== session.account?.id"
              class="act small"
              :disabled="busy"
              :aria-label="p.left ? `${p.name} is back` : `${p.name} works here no longer`"
              @click="settle(p, { left: !p.left })"
              >{{ p.left ? 'Is back' : 'Has left' }}</ElButton
            ></span
          ></template
        >
      </RowTable>
    </div>
    <p v-if="link" class="link" role="status">
      <span>For {{ link.name }}, shown once and good for seven days:</span>
      <ElInput :model-value="link.url" readonly aria-label="The link" class="entry" />
    </p>
    <form class="new" aria-label="Somebody new" @submit.prevent="invite">
      <label
        >Name<ElInput v-model="form.name" class="entry" :class="{ bad: path === 'name' }" maxlength="80"
      /></label>
      <label
        >Login<ElInput v-model="form.login" class="entry" :class="{ bad: path === 'login' }" maxlength="40"
      /></label>
      <label>Is<PickOne v-model="form.role" label="What the new one is" :options="roles" /></label>
      <ElButton
        class="act main"
        native-type="submit"
        :disabled="busy || !form.name.trim() || !form.login.trim()"
        >Let in</ElButton
      >
    </form>
    <p class="soft small">
      Owners and surveyors are named for single boats, on the boat’s own page of files.
    </p>
  </section>
</template>

<style scoped>
h2 {
  font-size: 1.05rem;
}
.wide {
  overflow-x: auto;
}
.said {
  color: var(--short);
}
.link {
  display: grid;
  gap: 4px;
  padding: 8px 0;
  max-width: 620px;
}
.new {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 180px), 1fr));
  gap: 8px 14px;
  align-items: end;
  padding-top: 12px;
  max-width: 820px;
}
.new label {
  display: grid;
  gap: 2px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
