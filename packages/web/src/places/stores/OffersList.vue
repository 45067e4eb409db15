<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import type { Offer } from '@north-tide/core'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import RowTable from '../../pieces/RowTable.vue'
import { useSession } from '../../state/session'
import { money } from './money'

/** Who sells what, in which packs, and how soon it comes. */
type Row = Offer & { version: number }
const session = useSession()
const { said, path, busy, attempt } = useAttempt()
const rows = ref<Row[] | null>(null)
const currency = ref('')
const sought = ref('')
const form = reactive({ maker: '', text: '', packs: '', leadDays: '' })
const load = () =>
  attempt(async () => {
    const [o, p] = await Promise.all([
      api<{ offers: Row[] }>('GET', '/offers'),
      api<{ currency: string }>('GET', '/yard/prices'),
    ])
    rows.value = o.offers
    currency.value = p.currency
  })
void load()
const MOST = 12
const found = computed(() => {
  const q = sought.value.trim().toLowerCase()
  return (rows.value ?? []).filter((o) => `${o.text} ${o.maker}`.toLowerCase().includes(q))
})
/** "1 at 0.62, 25 at 12.40" as packs; what cannot be read is said. */
function packsOf(words: string): { n: number; priceCents: number }[] | null {
  const parts = words
    .split(/[;\n]|,(?=\s*\d+\s*at)/)
    .map((w) => /^\s*(\d+)\s*at\s*(\d+(?:[.,]\d{1,2})?)\s*$/.exec(w))
  if (parts.some((p) => !p)) return null
  return parts.map((p) => ({
    n: Number(p![1]),
    priceCents: Math.round(Number(p![2]!.replace(',', '.')) * 100),
  }))
}
const packsSaid = (o: Offer) =>
  o.packs.map((p) => `${p.n} at ${money(p.priceCents, currency.value)}`).join(', ')
function take(o: Row) {
  Object.assign(form, {
    maker: o.maker,
    text: o.text,
    packs: o.packs.map((p) => `${p.n} at ${(p.priceCents / 100).toFixed(2)}`).join(', '),
    leadDays: o.leadDays === null ? '' : String(o.leadDays),
  })
}
async function keep() {
  const packs = packsOf(form.packs)
  if (!packs) {
    said.value = `“${form.packs}” cannot be read; as 1 at 0.62, 25 at 12.40 is accepted`
    path.value = 'packs'
    return
  }
  const lead = form.leadDays.trim()
  const there = rows.value?.find((o) => o.maker === form.maker.trim() && o.text === form.text.trim())
  const ok = await attempt(() =>
    api('PUT', '/offers', {
      maker: form.maker,
      ...(there?.item ? { kind: 'fastener', item: there.item } : { kind: 'part', text: form.text }),
      packs,
      leadDays: lead === '' ? null : Number(lead),
      version: there?.version ?? 0,
    }),
  )
  if (!ok) return
  Object.assign(form, { text: '', packs: '', leadDays: '' })
  await load()
}
async function drop(o: Row) {
  if (await attempt(() => api('DELETE', `/offers/${o.id}`))) await load()
}
const at = (p: string) => (path.value === p ? said.value : '')
</script>

<template>
  <section aria-label="Offers" class="offers">
    <h2>Who sells what</h2>
    <p v-if="said && !path" class="alarm" role="alert">{{ said }}</p>
    <ElInput
      v-model="sought"
      class="entry seek no-print"
      clearable
      placeholder="a word"
      aria-label="Offer sought"
    />
    <RowTable
      v-if="rows"
      label="Offers"
      :columns="[
        { key: 'text', title: 'What', by: (o) => o.text },
        { key: 'maker', title: 'Who', by: (o) => o.maker },
        { key: 'packs', title: 'Packs' },
        { key: 'leadDays', title: 'Days', number: true },
        { key: 'act' },
      ]"
      :rows="found.slice(0, MOST)"
      :known="(o) => o.id"
      empty="Nobody's offer is known of that."
    >
      <template #packs="{ row: o }"
        ><span class="figure small">{{ packsSaid(o) }}</span></template
      >
      <template #leadDays="{ row: o }">{{ o.leadDays ?? '' }}</template>
      <template #act="{ row: o }"
        ><template v-if="session.may('yard-parts')"
          ><ElButton class="plain small" :aria-label="`Change ${o.text} of ${o.maker}`" @click="take(o)"
            >change</ElButton
          ><ElButton
            class="plain small"
            :disabled="busy"
            :aria-label="`Drop ${o.text} of ${o.maker}`"
            @click="drop(o)"
            >drop</ElButton
          ></template
        ></template
      >
    </RowTable>
    <p v-if="found.length > MOST" class="soft small">
      {{ found.length - MOST }} more: type a word of what you seek.
    </p>
    <ElForm v-if="session.may('yard-parts')" label-position="top" class="new no-print" @submit.prevent="keep">
      <ElFormItem label="Who sells it" for="offer-maker" :error="at('maker')"
        ><ElInput id="offer-maker" v-model="form.maker" maxlength="80"
      /></ElFormItem>
      <ElFormItem label="What, as the parts list says it" for="offer-text" :error="at('text')"
        ><ElInput id="offer-text" v-model="form.text" maxlength="200"
      /></ElFormItem>
      <ElFormItem label="Packs and prices" for="offer-packs" :error="at('packs')"
        ><ElInput id="offer-packs" v-model="form.packs" placeholder="1 at 0.62, 25 at 12.40"
      /></ElFormItem>
      <ElFormItem label="Days until it comes" for="offer-days" :error="at('leadDays')"
        ><ElInput id="offer-days" v-model="form.leadDays" inputmode="numeric" placeholder="not said"
      /></ElFormItem>
      <ElButton
        class="act main"
        native-type="submit"
        :disabled="busy || !form.maker || !form.text || !form.packs"
        >Keep the offer</ElButton
      >
    </ElForm>
  </section>
</template>

<style scoped>
.offers {
  display: grid;
  gap: 8px;
  border-top: 1px solid var(--line);
  padding-top: 12px;
  min-width: 0;
  overflow-x: auto;
}
h2 {
  font-size: 1.05rem;
}
.seek {
  max-width: 340px;
}
.new {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 200px), 1fr));
  gap: 2px 14px;
  align-items: end;
}
.offers :deep(.plain + .plain) {
  margin-left: 12px;
}
.alarm {
  color: var(--short);
}
</style>
