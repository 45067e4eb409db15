<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import dayjs from 'dayjs'
import { SEALANTS, type SealantId } from '@north-tide/core'
import { api } from '../../api'
import type { Lot } from '../../types'
import OwnHardware from './OwnHardware.vue'

const lots = ref<Lot[] | null>(null)
const said = ref('')
async function load() {
  said.value = ''
  try {
    lots.value = await api<Lot[]>('GET', '/lots')
  } catch (error) {
    said.value = error instanceof Error ? error.message : 'The stores cannot be read'
  }
}
onMounted(load)
const testing = ref<number | null>(null)
const note = ref('')
async function tested(id: number) {
  try {
    lots.value = await api<Lot[]>('POST', `/lots/${id}/test`, { note: note.value })
    testing.value = null
    note.value = ''
    said.value = ''
  } catch (error) {
    said.value = error instanceof Error ? error.message : 'The test was not recorded'
  }
}
const doubtful = (l: Lot) => (days(l) < 0 || l.storedHot) && !l.testedOn
const days = (l: Lot) => dayjs(l.expiresOn).diff(dayjs().startOf('day'), 'day')
const word = (l: Lot) =>
  days(l) < 0 ? `past its date by ${-days(l)} days` : days(l) < 30 ? `${days(l)} days left` : 'in date'
const sorted = computed(() => (lots.value ?? []).slice().sort((a, b) => days(a) - days(b)))
const care = (l: Lot) => (l.chemistry in SEALANTS ? SEALANTS[l.chemistry as SealantId].keepAway : '')
</script>

<template>
  <div class="stores">
    <header>
      <h1>Stores</h1>
      <p class="soft">
        Lots of sealant and epoxy, with their dates. A lot used is written into every hole it sealed, so that
        a bad one is found again.
      </p>
    </header>
    <p v-if="said" class="alarm" role="alert">
      {{ said }} <ElButton class="act" @click="load">Try again</ElButton>
    </p>
    <table v-if="sorted.length" class="rows">
      <thead>
        <tr>
          <th>Lot</th>
          <th>What</th>
          <th>On hand</th>
          <th>Opened</th>
          <th>Use by</th>
          <th>State</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="l in sorted" :key="l.id">
          <td class="figure">{{ l.code }}</td>
          <td>
            {{ l.title
            }}<span v-if="care(l)" class="soft small"> · keep away before cure: {{ care(l) }}</span>
          </td>
          <td class="figure">{{ l.quantity === null ? l.unit : `${l.quantity} ${l.unit}` }}</td>
          <td class="figure">{{ l.openedOn ? dayjs(l.openedOn).format('D MMM YYYY') : 'sealed' }}</td>
          <td class="figure">{{ dayjs(l.expiresOn).format('D MMM YYYY') }}</td>
          <td :class="{ alarm: days(l) < 0 || l.storedHot, near: days(l) >= 0 && days(l) < 30 }">
            {{ word(l) }}{{ l.storedHot ? ', stored hot' : ''
            }}{{ (days(l) < 0 || l.storedHot) && !l.testedOn ? ': test a bead or a cup first' : ''
            }}<span v-if="l.testedOn" class="soft">
              · tested {{ dayjs(l.testedOn).format('D MMM YYYY') }}: {{ l.testNote }}</span
            >
            <ElButton v-if="doubtful(l) && testing !== l.id" class="act" @click="testing = l.id">
              Record a test
            </ElButton>
            <form v-if="testing === l.id" @submit.prevent="tested(l.id)">
              <label :for="`test-${l.id}`">What the bead or cup did</label>
              <input :id="`test-${l.id}`" v-model="note" class="entry" maxlength="300" />
              <ElButton class="act main" native-type="submit" :disabled="!note.trim()">Record</ElButton>
            </form>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else-if="!said" class="soft">{{ lots ? 'No lot is in the stores yet.' : 'Looking …' }}</p>
    <OwnHardware />
  </div>
</template>

<style scoped>
.stores {
  padding: 16px 24px;
  max-width: 1100px;
}
header {
  padding-bottom: 14px;
}
.alarm {
  color: var(--short);
  font-weight: 600;
}
.near {
  color: var(--tight);
  font-weight: 600;
}
</style>
