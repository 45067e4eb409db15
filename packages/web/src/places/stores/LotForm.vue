<script setup lang="ts">
import { computed } from 'vue'
import dayjs from 'dayjs'
import { SEALANTS } from '@north-tide/core'
import { api } from '../../api'
import type { Lot } from '../../types'
import PickOne from '../../pieces/PickOne.vue'
import { useAttempt } from '../../pieces/attempt'
import { keptForm } from '../../pieces/kept-form'
import TypedAgain from '../../pieces/TypedAgain.vue'

/** A lot that has come in: what it is, its code and its date. What was typed stays until it is kept. */
const emit = defineEmits<{ kept: [lots: Lot[]]; close: [] }>()
const blank = {
  code: '',
  title: '',
  chemistry: 'pu-medium',
  quantity: '',
  unit: 'tubes',
  expiresOn: '',
  openedOn: '',
  storedHot: false,
}
const { form, again, done, afresh } = keptForm('lot', () => ({ ...blank }))
const chemistries = [
  ...Object.entries(SEALANTS).map(([value, s]) => ({ value, title: s.title })),
  { value: 'epoxy', title: 'epoxy, resin and hardener' },
]
const UNITS = ['tubes', 'ml', 'kg', 'm', 'sheets'].map((u) => ({ value: u, title: u }))
const { said, path, busy, attempt } = useAttempt()
const at = (p: string) => (path.value === p ? said.value : undefined)
const ready = computed(() => form.code.trim() && form.title.trim() && form.expiresOn)
async function send() {
  const amount = form.quantity.trim().replace(',', '.')
  if (amount && !(Number(amount) >= 0)) {
    said.value = `“${form.quantity}” is no amount; a figure as 1.5 is accepted, or nothing`
    path.value = 'quantity'
    return
  }
  const body = {
    code: form.code,
    title: form.title,
    chemistry: form.chemistry,
    kind: form.chemistry === 'epoxy' ? 'epoxy' : 'sealant',
    quantity: amount === '' ? null : Number(amount),
    unit: form.unit,
    expiresOn: form.expiresOn,
    openedOn: form.openedOn || null,
    storedHot: form.storedHot,
  }
  await attempt(async (key) => {
    const lots = await api<Lot[]>('POST', '/lots', body, key)
    Object.assign(form, blank)
    done()
    emit('kept', lots)
  })
}
</script>

<template>
  <ElDialog :model-value="true" title="A lot that came in" width="520px" @close="emit('close')">
    <ElForm label-position="top" class="lot" @submit.prevent="send">
      <TypedAgain :again="again" @afresh="afresh" />
      <ElFormItem label="Code on the label" for="lot-code" :error="at('code')">
        <ElInput id="lot-code" v-model="form.code" maxlength="39" placeholder="as printed" />
      </ElFormItem>
      <ElFormItem label="What it is" for="lot-title" :error="at('title')">
        <ElInput id="lot-title" v-model="form.title" maxlength="120" placeholder="Polysulfide, 300 ml" />
      </ElFormItem>
      <ElFormItem label="Chemistry" for="lot-chemistry" :error="at('chemistry')">
        <PickOne id="lot-chemistry" v-model="form.chemistry" label="Chemistry" :options="chemistries" />
      </ElFormItem>
      <div class="pair">
        <ElFormItem label="How much" for="lot-quantity" :error="at('quantity')">
          <ElInput id="lot-quantity" v-model="form.quantity" inputmode="decimal" placeholder="not counted" />
        </ElFormItem>
        <ElFormItem label="of" for="lot-unit">
          <PickOne id="lot-unit" v-model="form.unit" label="of" :options="UNITS" />
        </ElFormItem>
      </div>
      <div class="pair">
        <ElFormItem label="Use by" for="lot-until" :error="at('expiresOn')">
          <ElDatePicker
            id="lot-until"
            v-model="form.expiresOn"
            value-format="YYYY-MM-DD"
            format="D MMM YYYY"
            placeholder="on the label"
          />
        </ElFormItem>
        <ElFormItem label="Opened on" for="lot-opened" :error="at('openedOn')">
          <ElDatePicker
            id="lot-opened"
            v-model="form.openedOn"
            value-format="YYYY-MM-DD"
            format="D MMM YYYY"
            placeholder="sealed"
            :disabled-date="(d: Date) => dayjs(d).isAfter(dayjs(), 'day')"
          />
        </ElFormItem>
      </div>
      <ElCheckbox v-model="form.storedHot">it was stored hot: a bead is tried before it is used</ElCheckbox>
      <p v-if="said && !path" class="said" role="alert">{{ said }}</p>
      <ElButton class="act main" native-type="submit" :disabled="!ready || busy"
        >Put it in the stores</ElButton
      >
    </ElForm>
  </ElDialog>
</template>

<style scoped>
.lot {
  display: grid;
  gap: 4px;
  justify-items: stretch;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px;
}
.said {
  color: var(--short);
}
@media (max-width: 767px) {
  .pair {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
