<script setup lang="ts">
import { computed, ref } from 'vue'
import dayjs from 'dayjs'
import { ApiRefusal } from '../api'
import { useBoats } from '../state/boats'
import { useSession } from '../state/session'
import type { WorkBench } from '../state/acts'

/** What is ordered for a fitting, by whom and when; what is short is not ordered without a reason. */
const props = defineProps<{ bench: WorkBench; list: string; short: number }>()
const boats = useBoats()
const session = useSession()
const reason = ref('')
const said = ref('')
const busy = ref(false)
const order = computed(() => props.bench.work.order)
const lines = computed(() => props.bench.log.filter((l) => l.kind === 'order'))
const mayPass = computed(() => session.may('pass-gate', boats.picture?.id))
const inWords = (error: unknown) =>
  error instanceof ApiRefusal
    ? error.refusal.message
    : error instanceof Error
      ? error.message
      : 'It was not marked'
async function send(method: 'POST' | 'DELETE', body?: unknown) {
  busy.value = true
  said.value = ''
  try {
    await props.bench.act(method, 'order', body)
    reason.value = ''
  } catch (error) {
    said.value = inWords(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <aside class="order">
    <h3>Order</h3>
    <p class="small">{{ list }}</p>
    <template v-if="order">
      <p>
        <strong>Ordered</strong> on {{ dayjs(order.at).format('D MMM YYYY') }} by {{ order.by }}.<template
          v-if="order.reason"
        >
          Though something was short, because: {{ order.reason }}.</template
        >
      </p>
      <p v-if="order.what !== list" class="said small" role="status">
        The design has changed since: ordered was {{ order.what }}.
      </p>
      <ElButton v-if="!bench.readOnly" class="act" :disabled="busy" @click="send('DELETE')">
        Take the order back
      </ElButton>
    </template>
    <template v-else-if="!bench.readOnly">
      <p v-if="short" class="said small" role="status">
        {{ short }} of these {{ short > 1 ? 'are' : 'is' }} short: it is not ordered without a reason{{
          mayPass ? '' : ', and a fitter gives it'
        }}.
      </p>
      <label v-if="short" for="order-reason"
        >Reason, stays on record<ElInput
          id="order-reason"
          v-model="reason"
          class="entry wide"
          maxlength="500"
      /></label>
      <ElButton
        class="act main"
        :disabled="busy || (short > 0 && !reason.trim())"
        @click="send('POST', { reason })"
      >
        Mark as ordered
      </ElButton>
    </template>
    <p v-if="said" class="said" role="alert">{{ said }}</p>
    <ul v-if="lines.length" class="small soft">
      <li v-for="(l, i) in lines" :key="i">
        {{ dayjs(l.at).format('D MMM HH:mm') }}, {{ l.who }}: {{ l.undoes ? 'taken back: ' : '' }}{{ l.note }}
      </li>
    </ul>
  </aside>
</template>

<style scoped>
.order {
  display: grid;
  gap: 8px;
  align-content: start;
}
.order .act {
  justify-self: start;
}
.wide {
  width: 100%;
}
.said {
  color: var(--short);
  font-weight: 600;
}
ul {
  margin: 0;
  padding-left: 18px;
}
</style>
