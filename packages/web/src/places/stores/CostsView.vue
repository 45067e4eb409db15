<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import type { FittingCost } from '@north-tide/core'
import { api } from '../../api'
import { benchOf } from '../../kinds/registry'
import { useAttempt } from '../../pieces/attempt'
import RowTable from '../../pieces/RowTable.vue'
import { useBoats } from '../../state/boats'
import { useSession } from '../../state/session'
import { money } from './money'

/** What the open work costs by the yard's own prices, with how much of each sum is an estimate. */
interface Costs {
  boat: string
  currency: string
  hourCents: number | null
  fittings: FittingCost[]
  totalCents: number
  estimated: boolean
}
const boats = useBoats()
const session = useSession()
const { said, path, busy, attempt } = useAttempt()
const costs = ref<Costs | null>(null)
const prices = reactive({ currency: '', hour: '', ownersSee: false, version: 0 })
const done = ref('')
const load = () =>
  attempt(async () => {
    if (!boats.picture) return
    costs.value = await api<Costs>('GET', `/boats/${boats.picture.id}/costs`)
    if (!session.may('prices')) return
    const p = await api<{ currency: string; hourCents: number | null; ownersSee: boolean; version: number }>(
      'GET',
      '/yard/prices',
    )
    Object.assign(prices, p, { hour: p.hourCents === null ? '' : String(p.hourCents / 100) })
  })
watch(() => boats.picture?.id, load, { immediate: true })
async function keep() {
  done.value = ''
  const hour = prices.hour.trim().replace(',', '.')
  if (hour && !(Number(hour) >= 0)) {
    said.value = `“${prices.hour}” is no price; a figure as 58.50 is accepted, or nothing`
    path.value = 'hourCents'
    return
  }
  const ok = await attempt(() =>
    api('PUT', '/yard/prices', {
      version: prices.version,
      currency: prices.currency,
      hourCents: hour === '' ? null : Math.round(Number(hour) * 100),
      ownersSee: prices.ownersSee,
    }),
  )
  if (!ok) return
  done.value = 'Kept.'
  await load()
}
const hours = (min: number) => (min / 60).toFixed(1)
const priced = computed(() => costs.value?.hourCents !== null)
const at = (p: string) => (path.value === p ? said.value : '')
</script>

<template>
  <section class="costs" aria-label="Costs">
    <h2>What {{ boats.picture?.name }}’s open work costs</h2>
    <p class="soft small">
      By the prices of the offers and of an hour; a part at the least price that anybody asks for one. What is
      planned, or has no price, makes a sum an estimate.
    </p>
    <p v-if="said && !path" class="alarm" role="alert">
      {{ said }} <ElButton class="act" @click="load">Try again</ElButton>
    </p>
    <ElSkeleton v-if="!costs && !said" :rows="6" animated />
    <template v-if="costs">
      <RowTable
        label="Costs"
        :columns="[
          { key: 'name', title: 'Work', by: (f) => f.name },
          { key: 'parts', title: 'Parts', number: true, by: (f) => f.partsCents },
          { key: 'hours', title: 'Hours', number: true, by: (f) => f.minutes },
          { key: 'labour', title: 'Labour', number: true, by: (f) => f.labourCents ?? 0 },
          { key: 'total', title: 'Together', number: true, by: (f) => f.totalCents },
          { key: 'note', title: '', class: 'small' },
        ]"
        :rows="costs.fittings"
        :known="(f) => f.fittingId"
        empty="No work is open."
      >
        <template #name="{ row: f }"
          ><RouterLink :to="benchOf({ kind: f.kind, id: f.fittingId })">{{ f.name }}</RouterLink></template
        >
        <template #parts="{ row: f }">{{
          f.partsCents || !f.unpriced.length ? money(f.partsCents, costs!.currency) : ''
        }}</template>
        <template #hours="{ row: f }">{{ hours(f.minutes) }}</template>
        <template #labour="{ row: f }">{{
          f.labourCents === null ? 'no price' : money(f.labourCents, costs!.currency)
        }}</template>
        <template #total="{ row: f }"
          ><strong
            >{{ f.estimated ? 'about ' : '' }}{{ money(f.totalCents, costs!.currency) }}</strong
          ></template
        >
        <template #note="{ row: f }"
          ><span v-if="f.takenMinutes" class="soft">{{ hours(f.takenMinutes) }} h taken. </span
          ><span v-if="f.unpriced.length" class="near" :title="f.unpriced.join('; ')"
            >{{ f.unpriced.length }} {{ f.unpriced.length === 1 ? 'part has' : 'parts have' }} no price</span
          ></template
        >
      </RowTable>
      <p class="sum">
        {{ costs.estimated ? 'About' : '' }}
        <strong class="figure">{{ money(costs.totalCents, costs.currency) }}</strong><span
          v-if="!priced"
          class="soft"
        >
          without hours: an hour has no price</span
        >
      </p>
    </template>
    <ElForm v-if="session.may('prices')" label-position="top" class="prices no-print" @submit.prevent="keep">
      <h3>Prices of the yard</h3>
      <ElFormItem label="Money is written with" for="price-sign" :error="at('currency')">
        <ElInput id="price-sign" v-model="prices.currency" maxlength="5" />
      </ElFormItem>
      <ElFormItem label="An hour of one pair of hands" for="price-hour" :error="at('hourCents')">
        <ElInput id="price-hour" v-model="prices.hour" inputmode="decimal" placeholder="not priced" />
      </ElFormItem>
      <ElCheckbox v-model="prices.ownersSee">an owner sees what his boat costs</ElCheckbox>
      <ElButton class="act main" native-type="submit" :disabled="busy || !prices.currency.trim()"
        >Keep</ElButton
      >
      <p v-if="done" role="status">{{ done }}</p>
    </ElForm>
  </section>
</template>

<style scoped>
.costs {
  display: grid;
  gap: 10px;
  min-width: 0;
  overflow-x: auto;
}
h2 {
  font-size: 1.05rem;
}
h3 {
  font-size: 0.95rem;
}
.sum {
  text-align: right;
}
.prices {
  display: grid;
  gap: 4px;
  max-width: 360px;
  border-top: 1px solid var(--line);
  padding-top: 10px;
}
.alarm {
  color: var(--short);
  font-weight: 600;
}
.near {
  color: var(--tight);
}
</style>
