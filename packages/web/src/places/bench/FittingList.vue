<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { checkNamed, rank, type Verdict } from '@north-tide/core'
import { benchOf, kindOnScreen } from '../../kinds/registry'
import { useBoats } from '../../state/boats'
import { usePhone } from '../../state/phone'
import VerdictSign from '../../pieces/VerdictSign.vue'
import type { PlanRow } from '../../types'

/** Every fitting of the boat, of whatever kind: sorted, filtered, opened by a press or by Enter. */
const boats = useBoats()
const router = useRouter()
const phone = usePhone()
const all = computed<PlanRow[]>(() => boats.everyFitting)
const SHOWN = ['all', 'short', 'unproven', 'tight', 'holds'] as const
const shown = ref<(typeof SHOWN)[number]>('all')
const words = ref('')
const options = computed(() =>
  SHOWN.map((v) => ({
    value: v,
    label: `${v} ${v === 'all' ? all.value.length : all.value.filter((f) => f.verdict === v).length}`,
  })),
)
const kindSaid = (f: PlanRow) => f.what ?? kindOnScreen(f.kind)?.title ?? f.kind.replaceAll('-', ' ')
const governed = (f: PlanRow) => (f.governing ? checkNamed(f.governing) : '')
const stands = (f: PlanRow) => (f.recorded ? 'in the register' : f.ordered ? 'ordered' : 'on the bench')
const rows = computed(() => {
  const asked = words.value.trim().toLowerCase()
  return all.value
    .filter((f) => shown.value === 'all' || f.verdict === shown.value)
    .filter((f) => `${f.name} ${kindSaid(f)} ${f.zone ?? ''} ${governed(f)}`.toLowerCase().includes(asked))
})
const byVerdict = (a: PlanRow, b: PlanRow) => rank(a.verdict as Verdict) - rank(b.verdict as Verdict)
const open = (f: PlanRow) => router.push(benchOf(f))
</script>

<template>
  <section class="all">
    <header>
      <h1 class="title">Fittings</h1>
      <ElSegmented v-model="shown" :options="options" aria-label="Verdict" class="no-print" />
      <ElInput
        v-model="words"
        class="search no-print"
        placeholder="name, kind, zone"
        aria-label="Search these"
        clearable
      />
    </header>
    <ElTable
      :data="rows"
      row-key="id"
      :key="String(phone)"
      :default-sort="{ prop: 'verdict', order: 'ascending' }"
      class="list"
      @row-click="open"
    >
      <ElTableColumn
        label="Verdict"
        prop="verdict"
        sortable
        :sort-method="byVerdict"
        :width="phone ? 116 : 130"
      >
        <template #default="{ row }">
          <span class="sign"><VerdictSign :verdict="row.verdict" :size="16" /> {{ row.verdict }}</span>
        </template>
      </ElTableColumn>
      <ElTableColumn label="Fitting" prop="name" sortable min-width="190">
        <template #default="{ row }">
          <RouterLink :to="benchOf(row)" @click.stop>{{ row.name }}</RouterLink>
          <span v-if="row.stale" class="soft small"> stale, judged again</span>
          <p v-if="phone" class="soft small">
            {{ row.zone ?? 'on no known surface'
            }}{{ governed(row) ? `: ${governed(row).toLowerCase()}` : '' }}
          </p>
        </template>
      </ElTableColumn>
      <ElTableColumn v-if="!phone" label="Kind" :sort-by="kindSaid" sortable min-width="140">
        <template #default="{ row }">{{ kindSaid(row) }}</template>
      </ElTableColumn>
      <ElTableColumn v-if="!phone" label="Where" prop="zone" sortable min-width="130">
        <template #default="{ row }">{{ row.zone ?? 'on no known surface' }}</template>
      </ElTableColumn>
      <ElTableColumn v-if="!phone" label="What governs" :sort-by="governed" sortable min-width="190">
        <template #default="{ row }"
          >{{ governed(row)
          }}<span v-if="row.solverDue" class="soft small"> hand checks only so far</span></template
        >
      </ElTableColumn>
      <ElTableColumn v-if="!phone" label="State" :sort-by="stands" sortable width="130">
        <template #default="{ row }">{{ stands(row) }}</template>
      </ElTableColumn>
      <template #empty>
        <p v-if="!all.length">
          Nothing is on this boat yet.
          <RouterLink to="/boat">Press on the plan where something goes.</RouterLink>
        </p>
        <p v-else>
          No fitting is like that.
          <ElButton
            class="act"
            @click="
              () => {
                shown = 'all'
                words = ''
              }
            "
            >Show all</ElButton
          >
        </p>
      </template>
    </ElTable>
  </section>
</template>

<style scoped>
.all {
  padding: 14px 20px 30px;
  display: grid;
  gap: 12px;
  align-content: start;
  overflow: auto;
  height: 100%;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 20px;
  align-items: center;
}
.search {
  width: 220px;
}
.sign {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}
.list :deep(tbody tr) {
  cursor: pointer;
}
.list :deep(.cell) {
  word-break: normal;
}
</style>
