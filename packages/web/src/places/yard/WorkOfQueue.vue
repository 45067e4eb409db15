<script setup lang="ts">
import { onMounted, ref } from 'vue'
import dayjs from 'dayjs'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import RowTable from '../../pieces/RowTable.vue'

/** What the yard's machine does by itself: backups with the last good one, and work that failed. */
interface Task {
  id: string
  kind: string
  state: 'waiting' | 'working' | 'done' | 'failed' | 'cancelled'
  done: number
  total: number
  said: string
  askedBy: string
  askedAt: string
  endedAt: string | null
  file: string | null
}
interface Backups {
  files: { name: string; day: string; bytes: number; at: string }[] | null
  last: { state: string; said: string; at: string } | null
}
const { said, busy, attempt } = useAttempt()
const tasks = ref<Task[] | null>(null)
const backups = ref<Backups | null>(null)
const load = () =>
  attempt(async () => {
    const [t, b] = await Promise.all([
      api<{ tasks: Task[] }>('GET', '/tasks'),
      api<Backups>('GET', '/backups'),
    ])
    tasks.value = t.tasks
    backups.value = b
  })
onMounted(load)
const act = (way: 'POST' | 'DELETE', path: string) =>
  attempt(async () => {
    await api(way, path, way === 'POST' ? {} : undefined)
    await load()
  })
const KIND: Record<string, string> = {
  passport: 'Passport',
  remind: 'Reminders',
  backup: 'Backup',
  yard: 'The yard as open files',
  thumbnails: 'Pictures made small',
}
const STATE = { waiting: 'waits', working: 'works', done: 'done', failed: 'failed', cancelled: 'stopped' }
const when = (t: string) => dayjs(t).format('D MMM YYYY, HH:mm')
const size = (n: number) => `${(n / 1e6).toFixed(1)} MB`
</script>

<template>
  <section aria-label="Backups and work">
    <h2>Backups</h2>
    <p v-if="said" class="bad" role="alert">{{ said }}</p>
    <ElSkeleton v-if="!tasks && !said" :rows="4" animated />
    <template v-if="backups">
      <p v-if="backups.files === null" class="bad">
        None is kept by itself: say where with BACKUP_DIR, and one is made every night.
      </p>
      <template v-else>
        <p v-if="backups.files.length">
          The last good one is of <strong>{{ when(backups.files[0]!.at) }}</strong>,
          {{ size(backups.files[0]!.bytes) }}; {{ backups.files.length }} kept, a week of days and two months
          of weeks.
        </p>
        <p v-else>None was made yet.</p>
        <p v-if="backups.last?.state === 'failed'" class="bad">
          The last try failed {{ when(backups.last.at) }}: {{ backups.last.said }}
        </p>
        <ElButton class="act" :disabled="busy" @click="act('POST', '/backups')">Back up now</ElButton>
      </template>
    </template>
    <template v-if="tasks">
      <h2>The yard as open files</h2>
      <p class="soft">
        Every boat with her register, map and pictures, stores, own values and people, as JSON, CSV and SVG in
        one ZIP. To look into without this program; a backup is what goes back.
      </p>
      <ElButton class="act" :disabled="busy" @click="act('POST', '/yard/tasks')">Pack the yard</ElButton>
      <h2>Work of the machine</h2>
      <RowTable
        label="Work of the machine"
        :columns="[
          { key: 'kind', title: 'What', by: (t) => t.kind },
          { key: 'state', title: 'State', by: (t) => t.state },
          { key: 'said', title: 'Says' },
          { key: 'askedBy', title: 'For', class: 'small' },
          { key: 'askedAt', title: 'Since', by: (t) => t.askedAt, class: 'small' },
          { key: 'act' },
        ]"
        :rows="tasks"
        :known="(t) => t.id"
        empty="Nothing was asked of it."
      >
        <template #kind="{ row: t }">{{ KIND[t.kind] ?? t.kind }}</template>
        <template #state="{ row: t }">{{ STATE[t.state] }}</template>
        <template #askedAt="{ row: t }">{{ when(t.askedAt) }}</template>
        <template #act="{ row: t }"
          ><a v-if="t.state === 'done' && t.file" class="act" :href="`/api/tasks/${t.id}/file`" download>{{
            t.file
          }}</a
          ><ElButton
            v-if="t.state === 'failed'"
            class="act small"
            :disabled="busy"
            @click="act('POST', `/tasks/${t.id}/again`)"
            >Try again</ElButton
          ><ElButton
            v-if="['failed', 'waiting', 'working'].includes(t.state)"
            class="act small"
            :disabled="busy"
            @click="act('DELETE', `/tasks/${t.id}`)"
            >{{ t.state === 'failed' ? 'Let it go' : 'Stop' }}</ElButton
          ></template
        >
      </RowTable>
      <ElButton class="act" :disabled="busy" @click="load">Look again</ElButton>
    </template>
  </section>
</template>

<style scoped>
h2 {
  font-size: 1.05rem;
}
h2:not(:first-child) {
  padding-top: 18px;
}
.act {
  margin-top: 8px;
}
.bad {
  color: var(--short);
}
</style>
