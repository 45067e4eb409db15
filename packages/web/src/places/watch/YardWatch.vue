<script setup lang="ts">
import { onMounted, ref } from 'vue'
import dayjs from 'dayjs'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import RowTable from '../../pieces/RowTable.vue'
import { useBoats } from '../../state/boats'

/** All boats of the yard: what is due of each, and which are gone to on one day. */
interface Yard {
  boats: { id: string; name: string; due: number; overdue: number; ashore: number; next: string | null }[]
  visits: { date: string; boats: { id: string; name: string; looks: number }[] }[]
}
const emit = defineEmits<{ boat: [] }>()
const boats = useBoats()
const { said, attempt } = useAttempt()
const yard = ref<Yard | null>(null)
onMounted(() => attempt(async () => void (yard.value = await api<Yard>('GET', '/watch'))))
const go = (id: string) =>
  attempt(async () => {
    await boats.open(id)
    emit('boat')
  })
const day = (d: string | null) => (d ? dayjs(d).format('ddd D MMM YYYY') : 'none within 90 days')
const looks = (n: number) => `${n} ${n === 1 ? 'look' : 'looks'}`
</script>

<template>
  <p v-if="said" class="bad" role="alert">{{ said }}</p>
  <ElSkeleton v-if="!yard && !said" :rows="6" animated />
  <template v-else-if="yard">
    <RowTable
      label="Looks at all boats"
      :columns="[
        { key: 'name', title: 'Boat', by: (b) => b.name },
        { key: 'due', title: 'Due within 90 days', by: (b) => b.due, class: 'figure' },
        { key: 'overdue', title: 'To settle or overdue', by: (b) => b.overdue, class: 'figure' },
        { key: 'ashore', title: 'Keep her ashore', by: (b) => b.ashore, class: 'figure' },
        { key: 'next', title: 'Next visit', by: (b) => b.next ?? '9' },
      ]"
      :rows="yard.boats"
      :known="(b) => b.id"
    >
      <template #name="{ row: b }"
        ><ElButton class="plain" @click="go(b.id)">{{ b.name }}</ElButton></template
      >
      <template #next="{ row: b }">{{ day(b.next) }}</template>
    </RowTable>
    <h2>Days on which somebody goes</h2>
    <ul aria-label="Days on which somebody goes">
      <li v-for="v in yard.visits" :key="v.date">
        <strong>{{ day(v.date) }}</strong>:
        {{ v.boats.map((b) => `${b.name}, ${looks(b.looks)}`).join('; ') }}
      </li>
    </ul>
  </template>
</template>

<style scoped>
h2 {
  font-size: 1.05rem;
  padding-top: 16px;
}
</style>
