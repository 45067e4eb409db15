<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import dayjs from 'dayjs'
import { sayIn, type OrderDraft } from '@north-tide/core'
import { api } from '../../api'
import { benchOf } from '../../kinds/registry'
import { useAttempt } from '../../pieces/attempt'
import RowTable from '../../pieces/RowTable.vue'
import WhenField from '../../pieces/WhenField.vue'
import { useBoats } from '../../state/boats'
import { useSession } from '../../state/session'
import OrdersMade from './OrdersMade.vue'
import WhatFits from './WhatFits.vue'
import { money } from './money'

/**
 * The order for the open work: looked through as a whole, what is here taken from the shelf, a line a thing
 * and a list a maker; a fitting that is short asks for a reason.
 */
interface Asked {
  draft: OrderDraft
  seen: string
  currency: string
  left: { id: string; name: string; why: string }[]
}
const boats = useBoats()
const session = useSession()
const { said, path, busy, attempt } = useAttempt()
const asked = ref<Asked | null>(null)
/** everything there is to order for, from the first look */
const all = ref<OrderDraft['fittings']>([])
const chosen = ref<string[]>([])
const without = ref<string[]>([])
const expected = reactive<Record<string, string>>({})
const reasons = reactive<Record<string, string>>({})
const done = ref('')
const made = ref(0)
const body = () => ({
  boats: [boats.picture!.id],
  ...(chosen.value.length ? { fittings: chosen.value } : {}),
  without: without.value,
})
async function look() {
  if (!boats.picture) return
  await attempt(async () => {
    const a = await api<Asked>('POST', '/orders/check', body())
    asked.value = a
    if (!chosen.value.length) all.value = a.draft.fittings
    for (const l of a.draft.lines)
      expected[l.maker] ??= dayjs()
        .add(l.leadDays ?? 7, 'day')
        .format('YYYY-MM-DD')
  })
}
watch(
  () => boats.picture?.id,
  () => {
    chosen.value = []
    without.value = []
    void look()
  },
  { immediate: true },
)
watch([chosen, without], look)
const makers = computed(() => {
  const by = new Map<string, OrderDraft['lines']>()
  for (const l of asked.value?.draft.lines ?? []) by.set(l.maker, [...(by.get(l.maker) ?? []), l])
  return [...by]
})
const nameOf = computed(() => new Map((asked.value?.draft.fittings ?? []).map((f) => [f.fittingId, f.name])))
const forWhom = (of: { fittingId: string }[]) => {
  const names = of.map((f) => nameOf.value.get(f.fittingId) ?? '')
  return names.length > 2 ? `${names.slice(0, 2).join(', ')} and ${names.length - 2} more` : names.join(', ')
}
const short = computed(() => (asked.value?.draft.fittings ?? []).filter((f) => f.stops.length))
const leaveShort = () =>
  (chosen.value = asked.value!.draft.fittings.filter((f) => !f.stops.length).map((f) => f.fittingId))
const unsaid = computed(() => short.value.filter((f) => !reasons[f.fittingId]?.trim()))
const fromShelf = computed(() => {
  const by = new Map<string, number>()
  for (const t of asked.value?.draft.taken ?? []) by.set(t.text, (by.get(t.text) ?? 0) + t.count)
  return [...by].map(([text, n]) => `${n} ${text}`)
})
const sum = (lines: OrderDraft['lines']) => lines.reduce((s, l) => s + (l.costCents ?? 0), 0)
async function place() {
  done.value = ''
  const dates = Object.fromEntries(makers.value.map(([m]) => [m, expected[m]]))
  const ok = await attempt((key) =>
    api(
      'POST',
      '/orders',
      {
        ...body(),
        seen: asked.value!.seen,
        expected: dates,
        reasons: Object.fromEntries(
          short.value.map((f) => [f.fittingId, reasons[f.fittingId]?.trim() ?? '']),
        ),
      },
      key,
    ),
  )
  if (!ok) return
  done.value = `Ordered for ${asked.value!.draft.fittings.length} ${asked.value!.draft.fittings.length === 1 ? 'fitting' : 'fittings'}.`
  made.value++
  chosen.value = []
  without.value = []
  await look()
}
</script>

<template>
  <section class="whole" aria-label="Order">
    <h2>Order for {{ boats.picture?.name }}</h2>
    <p class="soft small">
      All that her open work wants and nobody ordered yet, looked through once more as a whole. What stands on
      the shelf goes first, a bolt one length longer where it may; the rest is bought in the packs that cost
      least.
    </p>
    <p v-if="said && !path.startsWith('reasons')" class="alarm" role="alert">
      {{ said }} <ElButton class="act" @click="look">Look again</ElButton>
    </p>
    <p v-if="done" role="status">{{ done }}</p>
    <ElSkeleton v-if="!asked && !said" :rows="6" animated />
    <ElEmpty
      v-else-if="asked && !asked.draft.fittings.length"
      :image-size="60"
      description="Nothing is to be ordered: all of it is ordered or here."
    />
    <template v-else-if="asked">
      <label class="only"
        >Only for
        <ElSelect
          v-model="chosen"
          multiple
          filterable
          collapse-tags
          collapse-tags-tooltip
          :max-collapse-tags="2"
          placeholder="all of it"
          aria-label="Only for these fittings"
        >
          <ElOption v-for="f in all" :key="f.fittingId" :value="f.fittingId" :label="f.name" />
        </ElSelect>
      </label>
      <ElAlert
        v-for="w in asked.draft.warnings"
        :key="w"
        :title="w"
        type="warning"
        show-icon
        :closable="false"
      />
      <template v-if="short.length">
        <h3>Short: each wants a reason that stays on record</h3>
        <p class="no-print">
          <ElButton v-if="short.length < asked.draft.fittings.length" class="act" @click="leaveShort"
            >Leave the {{ short.length }} short ones out</ElButton
          >
        </p>
        <ul class="short">
          <li v-for="f in short" :key="f.fittingId">
            <RouterLink :to="benchOf({ kind: f.kind, id: f.fittingId })">{{ f.name }}</RouterLink>
            <ul class="small">
              <li v-for="s in f.stops" :key="s.title + s.because">
                <strong>{{ s.title }}.</strong> {{ sayIn(s.because, boats.units) }}
              </li>
            </ul>
            <ElFormItem
              :for="`why-${f.fittingId}`"
              :label="`Why ${f.name} is ordered all the same`"
              label-position="top"
              :error="path === `reasons.${f.fittingId}` ? said : ''"
            >
              <ElInput
                :id="`why-${f.fittingId}`"
                v-model="reasons[f.fittingId]"
                maxlength="500"
                placeholder="or leave it out above, and mend it first"
              />
            </ElFormItem>
          </li>
        </ul>
      </template>
      <template v-if="fromShelf.length">
        <h3>Taken from the shelf</h3>
        <p class="small">{{ fromShelf.join('; ') }}</p>
      </template>
      <p v-if="asked.draft.setAside.length" class="small">
        Not counted on:
        <template v-for="(s, i) in asked.draft.setAside" :key="s.text"
          >{{ i ? '; ' : '' }}{{ s.count }} {{ s.text }}, {{ s.why }}</template
        >.
      </p>
      <article v-for="[maker, lines] in makers" :key="maker" class="maker">
        <header>
          <h3>{{ maker || 'Over the counter: nobody’s offer is known' }}</h3>
          <WhenField
            v-model="expected[maker]!"
            label="Comes on"
            kind="date"
            any-day
            empty="a guess will do"
          />
        </header>
        <p v-if="path === `expected.${maker}`" class="alarm" role="alert">{{ said }}</p>
        <RowTable
          :label="`Lines ${maker ? `of ${maker}` : 'bought over the counter'}`"
          :columns="[
            { key: 'text', title: 'What', by: (l) => l.text },
            { key: 'pieces', title: 'Pieces', number: true },
            { key: 'packs', title: 'Packs' },
            { key: 'cost', title: 'Price', number: true },
            { key: 'for', title: 'For', class: 'small' },
            { key: 'act' },
          ]"
          :rows="lines"
          :known="(l) => l.text"
        >
          <template #packs="{ row: l }"
            ><span class="figure packs">{{ l.packs.map((p) => `${p.packs} × ${p.n}`).join(' + ') }}</span
            ><span v-if="l.leftover" class="soft small over"> {{ l.leftover }} over</span></template
          >
          <template #cost="{ row: l }">{{
            l.costCents === null ? '' : money(l.costCents, asked!.currency)
          }}</template>
          <template #for="{ row: l }">{{ forWhom(l.for) }}</template>
          <template #act="{ row: l }"
            ><ElButton
              class="plain small"
              :aria-label="`Leave out ${l.text}`"
              @click="without = [...without, l.text]"
              >leave out</ElButton
            ></template
          >
        </RowTable>
        <p v-if="sum(lines)" class="sum figure">{{ money(sum(lines), asked.currency) }}</p>
      </article>
      <p v-if="without.length" class="small">
        Left out: {{ without.join('; ') }}.
        <ElButton class="plain" @click="without = []">take them in again</ElButton>
      </p>
      <p class="small soft">
        No count is known of: {{ asked.draft.byEye.join('; ') }}. See that they are here.
      </p>
      <p v-for="l in asked.left" :key="l.id" class="alarm small">Left out: {{ l.name }}, {{ l.why }}.</p>
      <div class="foot no-print">
        <ElButton
          v-if="session.may('stores')"
          class="act main"
          :disabled="busy || unsaid.length > 0"
          @click="place"
          >Place the order for {{ asked.draft.fittings.length }}</ElButton
        >
        <strong class="figure">{{ money(asked.draft.totalCents, asked.currency) }}</strong>
        <span v-if="asked.draft.unpriced" class="soft small"
          >and {{ asked.draft.unpriced }} lines without a known price</span
        >
        <span v-if="unsaid.length" class="small alarm"
          >{{ unsaid.length }} {{ unsaid.length === 1 ? 'reason is' : 'reasons are' }} missing</span
        >
      </div>
    </template>
    <WhatFits :turn="made" @put="look" />
    <OrdersMade :turn="made" @changed="look" />
  </section>
</template>

<style scoped>
.whole {
  display: grid;
  gap: 12px;
  min-width: 0;
}
h2 {
  font-size: 1.05rem;
}
h3 {
  font-size: 0.95rem;
}
.only {
  display: grid;
  gap: 2px;
  max-width: 420px;
}
.short {
  display: grid;
  gap: 10px;
  padding-left: 0;
  list-style: none;
}
.short > li {
  border-left: 3px solid var(--short);
  padding-left: 12px;
}
.maker {
  border-top: 1px solid var(--line);
  padding-top: 10px;
  min-width: 0;
  overflow-x: auto;
}
.maker header {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: end;
  gap: 8px 20px;
}
.packs {
  white-space: nowrap;
}
.over {
  margin-left: 8px;
}
.sum {
  text-align: right;
  font-weight: 600;
}
.foot {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 16px;
  position: sticky;
  bottom: 0;
  background: var(--paper);
  padding: 8px 0;
  border-top: 1px solid var(--line);
}
.alarm {
  color: var(--short);
  font-weight: 600;
}
</style>
