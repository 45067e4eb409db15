<script setup lang="ts">
import { ref, watch } from 'vue'
import dayjs from 'dayjs'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import RowTable from '../../pieces/RowTable.vue'
import WhenField from '../../pieces/WhenField.vue'
import { useSession } from '../../state/session'
import { money } from './money'

/** What is ordered, late, arrived or taken back; what of the shelf went into which bag. */
const props = defineProps<{ turn: number }>()
const emit = defineEmits<{ changed: [] }>()
interface Order {
  id: number
  maker: string
  kind: 'order' | 'shelf' | 'back'
  state: 'ordered' | 'late' | 'arrived' | 'taken-back'
  lines: { text: string; pieces: number }[]
  taken: { text: string; count: number }[]
  fittings: { id: string; name: string }[]
  expected: string | null
  orderedAt: string
  orderedBy: string
  arrivedAt: string | null
  costCents: number
  version: number
}
const SAID = { ordered: 'on its way', late: 'late', arrived: 'arrived', 'taken-back': 'taken back' }
const session = useSession()
const { said, busy, attempt } = useAttempt()
const orders = ref<Order[] | null>(null)
const currency = ref('')
const dating = ref<number | null>(null)
const date = ref('')
const load = () =>
  attempt(async () => {
    const [o, p] = await Promise.all([
      api<{ orders: Order[] }>('GET', '/orders'),
      api<{ currency: string }>('GET', '/yard/prices'),
    ])
    orders.value = o.orders
    currency.value = p.currency
  })
watch(() => props.turn, load, { immediate: true })
async function change(o: Order, what: object) {
  if (!(await attempt((key) => api('PUT', `/orders/${o.id}`, { version: o.version, ...what }, key)))) return
  dating.value = null
  await load()
  emit('changed')
}
const KINDS = { order: '', shelf: 'From the shelf', back: 'Put back on the shelf' }
const what = (o: Order) => (o.kind === 'order' ? o.maker || 'Over the counter' : KINDS[o.kind])
const list = (o: Order) =>
  [
    ...o.lines.map((l) => `${l.pieces} ${l.text}`),
    ...o.taken.map((t) => `${Math.abs(t.count)} ${t.text}`),
  ].join('; ')
const day = (d: string) => dayjs(d).format('D MMM YYYY')
const open = (o: Order) => o.kind === 'order' && (o.state === 'ordered' || o.state === 'late')
</script>

<template>
  <section aria-label="Orders">
    <h2>Orders</h2>
    <p v-if="said" class="alarm" role="alert">{{ said }}</p>
    <RowTable
      v-if="orders"
      label="Orders"
      :columns="[
        { key: 'id', title: 'No.', number: true, by: (o) => o.id },
        { key: 'maker', title: 'Of', by: (o) => o.maker },
        { key: 'state', title: 'State', by: (o) => o.state },
        { key: 'lines', title: 'What', class: 'small' },
        { key: 'cost', title: 'Price', number: true, by: (o) => o.costCents },
        { key: 'act' },
      ]"
      :rows="orders"
      :known="(o) => o.id"
      empty="Nothing was ordered yet."
    >
      <template #maker="{ row: o }"
        ><strong>{{ what(o) }}</strong
        ><span class="small soft"> {{ day(o.orderedAt) }}, {{ o.orderedBy }}</span></template
      >
      <template #state="{ row: o }"
        ><span :class="{ alarm: o.state === 'late' }">{{ o.kind === 'order' ? SAID[o.state] : '' }}</span
        ><span v-if="open(o) && o.expected" class="small soft"> {{ day(o.expected) }}</span></template
      >
      <template #lines="{ row: o }"
        >{{ list(o) }}<span class="soft"> for {{ o.fittings.map((f) => f.name).join(', ') }}</span></template
      >
      <template #cost="{ row: o }">{{ o.costCents ? money(o.costCents, currency) : '' }}</template>
      <template #act="{ row: o }"
        ><span class="acts no-print">
          <template v-if="o.kind === 'order'">
            <a
              class="act small"
              :href="`/api/orders/${o.id}.pdf`"
              download
              :aria-label="`Order ${o.id} as PDF`"
              >PDF</a
            >
            <a
              class="act small"
              :href="`/api/orders/${o.id}.csv`"
              download
              :aria-label="`Order ${o.id} as CSV`"
              >CSV</a
            >
          </template>
          <template v-if="open(o) && session.may('stores')">
            <ElButton
              class="act main small"
              :disabled="busy"
              :aria-label="`Order ${o.id} came`"
              @click="change(o, { what: 'arrived' })"
              >It came</ElButton
            >
            <ElButton
              v-if="dating !== o.id"
              class="plain small"
              :aria-label="`Order ${o.id} comes another day`"
              @click="((dating = o.id), (date = o.expected ?? ''))"
              >another day</ElButton
            >
            <form v-else class="day" @submit.prevent="change(o, { what: 'date', expected: date })">
              <WhenField v-model="date" label="Comes on" kind="date" any-day empty="a day" />
              <ElButton class="act small" native-type="submit" :disabled="!date || busy">Keep</ElButton>
            </form>
            <ElPopconfirm
              title="Take the order back? What it was for is to be bought again."
              confirm-button-text="Take it back"
              cancel-button-text="Leave it"
              @confirm="change(o, { what: 'take-back' })"
            >
              <template #reference
                ><ElButton class="plain small" :aria-label="`Take order ${o.id} back`"
                  >take back</ElButton
                ></template
              >
            </ElPopconfirm>
          </template>
        </span></template
      >
    </RowTable>
  </section>
</template>

<style scoped>
section {
  min-width: 0;
  overflow-x: auto;
}
h2 {
  font-size: 1.05rem;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.day {
  display: flex;
  gap: 6px;
  align-items: end;
}
.alarm {
  color: var(--short);
  font-weight: 600;
}
</style>
