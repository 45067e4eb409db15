<script setup lang="ts">
import { onMounted, ref } from 'vue'
import dayjs from 'dayjs'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import RowTable from '../../pieces/RowTable.vue'

/** How the product goes: its database, what waits in its queues and how long, what took long. */
interface Operations {
  since: string
  database: { version: string; bytes: number; connections: number; migration: string }
  queues: { name: string; waiting: number; working: number; failed: number; oldestS: number | null }[]
  slow: { kind: 'statement' | 'request'; what: string; ms: number; at: string; id: string | null }[]
}
const { said, busy, attempt } = useAttempt()
const now = ref<Operations | null>(null)
const load = () => attempt(async () => (now.value = await api<Operations>('GET', '/operations')))
onMounted(load)
const QUEUE: Record<string, string> = {
  rejudge: 'Judging anew',
  solve: 'Plates by the solver',
  plan: 'Plans',
  task: 'Passports, reminders, backups',
}
const span = (s: number | null) =>
  s === null
    ? ''
    : s < 90
      ? `${Math.round(s)} s`
      : s < 5400
        ? `${Math.round(s / 60)} min`
        : `${Math.round(s / 3600)} h`
/** A queue that nobody works on for so long wants a look. */
const LATE_S = 120
</script>

<template>
  <section aria-label="How it goes">
    <h2>How it goes</h2>
    <p v-if="said" class="bad" role="alert">{{ said }}</p>
    <ElSkeleton v-if="!now && !said" :rows="4" animated />
    <template v-if="now">
      <ElDescriptions :column="2" size="small" class="facts">
        <ElDescriptionsItem label="This server runs since">{{
          dayjs(now.since).format('D MMM YYYY, HH:mm')
        }}</ElDescriptionsItem>
        <ElDescriptionsItem label="PostgreSQL">{{ now.database.version }}</ElDescriptionsItem>
        <ElDescriptionsItem label="The database holds"
          >{{ (now.database.bytes / 1e6).toFixed(1) }} MB</ElDescriptionsItem
        >
        <ElDescriptionsItem label="Connections">{{ now.database.connections }}</ElDescriptionsItem>
        <ElDescriptionsItem label="Brought up to">{{ now.database.migration }}</ElDescriptionsItem>
      </ElDescriptions>
      <RowTable
        label="Queues"
        :columns="[
          { key: 'name', title: 'Queue' },
          { key: 'waiting', title: 'Waiting', class: 'number' },
          { key: 'oldestS', title: 'The oldest for', class: 'number' },
          { key: 'working', title: 'Working', class: 'number' },
          { key: 'failed', title: 'Given up, last day', class: 'number' },
        ]"
        :rows="now.queues"
        :known="(q) => q.name"
        empty="There is no queue."
      >
        <template #name="{ row: q }">{{ QUEUE[q.name] ?? q.name }}</template>
        <template #oldestS="{ row: q }"
          ><span :class="{ bad: (q.oldestS ?? 0) > LATE_S }">{{ span(q.oldestS) }}</span></template
        >
      </RowTable>
      <h2>What took long</h2>
      <p class="soft small">
        Of this server since it runs: statements of a quarter of a second, requests of a second and more.
      </p>
      <RowTable
        label="What took long"
        :columns="[
          { key: 'at', title: 'When', class: 'small' },
          { key: 'ms', title: 'Took', class: 'number' },
          { key: 'kind', title: 'Is', class: 'small' },
          { key: 'what', title: 'What', class: 'small' },
          { key: 'id', title: 'In the log as', class: 'small' },
        ]"
        :rows="now.slow"
        :known="(s) => s.at + s.what"
        empty="Nothing took long."
      >
        <template #at="{ row: s }">{{ dayjs(s.at).format('D MMM, HH:mm:ss') }}</template>
        <template #ms="{ row: s }">{{ (s.ms / 1000).toFixed(1) }} s</template>
        <template #what="{ row: s }"
          ><span class="figure shape">{{ s.what }}</span></template
        >
        <template #id="{ row: s }">{{ s.id ?? '' }}</template>
      </RowTable>
      <ElButton class="act" :disabled="busy" @click="load">Look again</ElButton>
    </template>
  </section>
</template>

<style scoped>
h2 {
  font-size: 1.05rem;
  padding-top: 12px;
}
.facts {
  padding: 8px 0;
}
.shape {
  overflow-wrap: anywhere;
}
.bad {
  color: var(--short);
}
</style>
