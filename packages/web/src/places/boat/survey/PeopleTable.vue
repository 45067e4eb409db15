<script setup lang="ts">
import { onMounted, ref } from 'vue'
import dayjs from 'dayjs'
import { ElDatePicker, ElOption, ElSelect, ElTable, ElTableColumn } from 'element-plus'
import 'element-plus/es/components/date-picker/style/css'
import 'element-plus/es/components/select/style/css'
import 'element-plus/es/components/table/style/css'
import { NAMED_ROLES, type Role } from '@north-tide/core'
import { api } from '../../../api'
import { useAttempt } from '../../../pieces/attempt'

interface Named {
  login: string
  name: string
  role: Role
  here: Role | null
  counts: Role | null
  until: string | null
}
const props = defineProps<{ boatId: string }>()
const people = ref<Named[]>([])
const { said, busy, attempt } = useAttempt()
const at = `/boats/${props.boatId}/people`
onMounted(() => attempt(async () => (people.value = await api<Named[]>('GET', at))))
/** A select shows an empty value as nothing chosen; that the account's role holds is a choice. */
const BY_ACCOUNT = 'by-account'
const give = (p: Named, role: Role | typeof BY_ACCOUNT) =>
  attempt(async () => {
    people.value = await api<Named[]>('PUT', `${at}/${p.login}`, { role: role === BY_ACCOUNT ? null : role })
  })
const until = (p: Named, day: string) =>
  attempt(async () => {
    people.value = await api<Named[]>('PUT', `${at}/${p.login}`, { role: p.here, until: day || null })
  })
const over = (p: Named) => p.here === null && p.until !== null
const asByAccount = (p: Named) => (p.here === null && p.counts === null ? 'not named' : 'as by account')
</script>

<template>
  <section class="people" aria-label="Who may do what on her">
    <h3>Who may do what on her</h3>
    <p class="soft small">
      The yard’s people have their role on every boat. An owner and a surveyor are named for theirs; a
      surveyor measures and says what is suspect.
    </p>
    <p v-if="said" class="said" role="alert">{{ said }}</p>
    <ElTable :data="people" size="small" empty-text="Nobody has an account yet">
      <ElTableColumn prop="name" label="Name" />
      <ElTableColumn prop="role" label="By account" width="110" />
      <ElTableColumn label="On this boat" width="190">
        <template #default="{ row }">
          <ElSelect
            :model-value="(row as Named).here ?? BY_ACCOUNT"
            size="small"
            :disabled="busy"
            :aria-label="`${(row as Named).name} on this boat`"
            @update:model-value="give(row as Named, $event)"
          >
            <ElOption :value="BY_ACCOUNT" :label="asByAccount(row as Named)" />
            <ElOption v-for="r in NAMED_ROLES" :key="r" :value="r" :label="r" />
          </ElSelect>
        </template>
      </ElTableColumn>
      <ElTableColumn label="Until the end of" width="170">
        <template #default="{ row }">
          <ElDatePicker
            v-if="(row as Named).here !== null"
            :model-value="(row as Named).until"
            value-format="YYYY-MM-DD"
            format="D MMM YYYY"
            size="small"
            placeholder="for good"
            :disabled="busy"
            :aria-label="`Last day of ${(row as Named).name} on this boat`"
            @update:model-value="until(row as Named, $event ?? '')"
          />
          <span v-else-if="over(row as Named)" class="soft small"
            >ended {{ dayjs((row as Named).until!).format('D MMM YYYY') }}</span
          >
        </template>
      </ElTableColumn>
    </ElTable>
  </section>
</template>

<style scoped>
.people {
  display: grid;
  gap: 6px;
  margin-top: 18px;
}
.said {
  color: var(--short);
  font-weight: 600;
}
</style>
