<script setup lang="ts">
import { computed, ref } from 'vue'
import dayjs from 'dayjs'
import { sayIn } from '@north-tide/core'
import { THROUGH_HULL_FAMILY, lengthsOf, orderBlocked, orderList } from '@north-tide/core/through-hull'
import { ApiRefusal } from '../../api'
import { useThroughHull } from '../../state/through-hull'
import { useBoats } from '../../state/boats'
import { useSession } from '../../state/session'
import VerdictSign from '../../pieces/VerdictSign.vue'

/** Every joint from the skin fitting to the hose, checked before anything is ordered. */
const throughHull = useThroughHull()
const boats = useBoats()
const session = useSession()
const joints = computed(() => throughHull.judgement!.joints)
const bad = computed(() => orderBlocked(throughHull.judgement!))
const lengths = computed(() => lengthsOf(throughHull.judgement!.checks))
const reason = ref('')
const said = ref('')
const busy = ref(false)
const orders = computed(() => throughHull.log.filter((l) => l.kind === 'order'))
async function send(method: 'POST' | 'DELETE', body?: unknown) {
  busy.value = true
  said.value = ''
  try {
    await throughHull.act(method, 'order', body)
    reason.value = ''
  } catch (error) {
    said.value =
      error instanceof ApiRefusal
        ? error.refusal.message
        : error instanceof Error
          ? error.message
          : 'It was not marked'
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="chain">
    <div>
      <table class="rows" aria-label="Chain">
        <thead>
          <tr>
            <th></th>
            <th>Joint</th>
            <th>From</th>
            <th>To</th>
            <th class="number">Turns</th>
            <th>Seals on</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="j in joints" :key="j.id" :data-joint="j.id" :data-verdict="j.verdict">
            <td><VerdictSign :verdict="j.verdict" :size="16" /></td>
            <td>
              <strong>{{ j.title }}</strong><br /><span class="small">{{
                sayIn(j.because, boats.units)
              }}</span>
            </td>
            <td class="small">{{ j.from }}</td>
            <td class="small">{{ j.to }}</td>
            <td class="number">{{ j.turns === null ? '' : j.turns.toFixed(1) }}</td>
            <td>{{ j.seal ?? '' }}</td>
          </tr>
        </tbody>
      </table>
      <ul v-if="lengths.length" class="lengths" aria-label="Lengths">
        <li v-for="c in lengths" :key="c.id" :data-length="c.id" :data-verdict="c.verdict">
          <VerdictSign :verdict="c.verdict" :size="16" />
          <span
            ><strong>{{ c.title }}</strong>
            <span class="small">{{ sayIn(c.because, boats.units) }}</span></span
          >
        </li>
      </ul>
      <p v-if="!joints.length" class="soft">
        {{
          THROUGH_HULL_FAMILY[throughHull.design!.family].hose
            ? 'Nothing is screwed together here yet: choose a valve and a tail at the left.'
            : 'Nothing is screwed on to this one; its lengths are looked at before it is ordered.'
        }}
      </p>
    </div>
    <aside>
      <h3>Order</h3>
      <p class="small">{{ orderList(throughHull.design!) }}</p>
      <template v-if="throughHull.work.order"
        ><p>
          <strong>Ordered</strong> on {{ dayjs(throughHull.work.order.at).format('D MMM YYYY') }} by
          {{ throughHull.work.order.by }}.<template v-if="throughHull.work.order.reason">
            Though something was short, because: {{ throughHull.work.order.reason }}.</template
          >
        </p>
        <p
          v-if="throughHull.work.order.what !== orderList(throughHull.design!)"
          class="said small"
          role="status"
        >
          The design has changed since: ordered was {{ throughHull.work.order.what }}.
        </p>
        <button v-if="!throughHull.readOnly" class="act" :disabled="busy" @click="send('DELETE')">
          Take the order back
        </button></template
      >
      <template v-else-if="!throughHull.readOnly">
        <p v-if="bad.length" class="said small" role="status">
          {{ bad.length }} of these {{ bad.length > 1 ? 'are' : 'is' }} short: it is not ordered without a
          reason{{ !session.may('pass-gate', boats.picture?.id) ? ', and a fitter gives it' : '' }}.
        </p>
        <label v-if="bad.length" for="order-reason"
          >Reason, stays on record<input
            id="order-reason"
            v-model="reason"
            class="entry wide"
            maxlength="500"
        /></label>
        <button
          class="act main"
          :disabled="busy || (bad.length > 0 && !reason.trim())"
          @click="send('POST', { reason })"
        >
          Mark as ordered
        </button>
      </template>
      <p v-if="said" class="said" role="alert">{{ said }}</p>
      <ul v-if="orders.length" class="small soft">
        <li v-for="(l, i) in orders" :key="i">
          {{ dayjs(l.at).format('D MMM HH:mm') }}, {{ l.who }}: {{ l.undoes ? 'taken back: ' : ''
          }}{{ l.note }}
        </li>
      </ul>
    </aside>
  </div>
</template>

<style scoped>
.chain {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 290px;
  gap: 22px;
}
.chain td {
  vertical-align: top;
}
aside {
  display: grid;
  gap: 8px;
  align-content: start;
}
label {
  display: grid;
  gap: 2px;
  font-weight: 600;
}
.wide {
  width: 100%;
}
.said {
  color: var(--buoy);
  font-weight: 600;
}
ul {
  margin: 0;
  padding-left: 16px;
}
.lengths {
  list-style: none;
  padding: 8px 0 0;
  display: grid;
  gap: 5px;
}
.lengths li {
  display: flex;
  gap: 8px;
}
@media (max-width: 1180px) {
  .chain {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
