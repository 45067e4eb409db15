<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import dayjs from 'dayjs'
import { lifeSaid, type LifeState } from '@north-tide/core'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import RowTable from '../../pieces/RowTable.vue'
import { benchOf } from '../../kinds/registry'
import { useSession } from '../../state/session'
import type { Lot } from '../../types'

/** Every hole of every boat that a lot, or a model of a part, went into; and taking it back. */
const props = defineProps<{ lot: Lot | null }>()
const emit = defineEmits<{ close: []; kept: [] }>()
interface Went {
  id: number
  label: string
  boatId: string
  boat: string
  what: string
  fittingId: string | null
  kind: string | null
  state: string
  at: string | null
}
const session = useSession()
const { said, busy, attempt } = useAttempt()
const found = ref<{ what: string; holes: Went[] } | null>(null)
const model = ref('')
const why = ref('')
const done = ref('')
const which = computed(() => (props.lot ? { lot: props.lot.id } : { model: model.value.trim() }))
const query = () =>
  new URLSearchParams(Object.entries(which.value).map(([k, v]) => [k, String(v)])).toString()
const look = () =>
  attempt(
    async () => void (found.value = await api<{ what: string; holes: Went[] }>('GET', `/recall?${query()}`)),
  )
onMounted(() => props.lot && look())
async function recall() {
  const ok = await attempt(async () => {
    const got = await api<{ what: string; turned: number; holes: Went[] }>('POST', '/recall', {
      ...which.value,
      why: why.value.trim(),
    })
    found.value = got
    done.value = `Recalled; ${got.turned} ${got.turned === 1 ? 'hole is' : 'holes are'} suspect now.`
  })
  if (ok) emit('kept')
}
const boats = computed(() => new Set((found.value?.holes ?? []).map((h) => h.boat)).size)
const title = computed(() => (props.lot ? `Where lot ${props.lot.code} went` : 'Where a part went'))
</script>

<template>
  <ElDialog
    :model-value="true"
    :title="title"
    width="min(860px, 96vw)"
    @update:model-value="!$event && emit('close')"
  >
    <form v-if="!lot" class="ask" aria-label="Which part" @submit.prevent="look">
      <label
        >Number of the part<ElInput v-model="model" class="entry" maxlength="60" placeholder="MV-S32"
      /></label>
      <ElButton class="act" native-type="submit" :disabled="model.trim().length < 2">Look</ElButton>
    </form>
    <p v-if="said" class="bad" role="alert">{{ said }}</p>
    <template v-if="found">
      <p>
        <strong>{{ found.holes.length }}</strong> {{ found.holes.length === 1 ? 'hole' : 'holes'
        }}{{ boats > 1 ? ` in ${boats} boats` : '' }}.
      </p>
      <div class="list">
        <RowTable
          label="Holes that it went into"
          :columns="[
            { key: 'label', title: 'Hole', by: (h) => h.boat + h.label },
            { key: 'boat', title: 'Boat', by: (h) => h.boat },
            { key: 'what', title: 'What for', by: (h) => h.what },
            { key: 'state', title: 'State' },
            { key: 'at', title: 'Went in', by: (h) => h.at ?? '' },
          ]"
          :rows="found.holes"
          :known="(h) => h.id"
          empty="It went into no hole that is on record."
        >
          <template #label="{ row: h }"
            ><span class="figure">{{ h.label }}</span></template
          >
          <template #what="{ row: h }"
            ><RouterLink v-if="h.fittingId && h.kind" :to="benchOf({ kind: h.kind, id: h.fittingId })">{{
              h.what
            }}</RouterLink
            ><template v-else>{{ h.what }}</template></template
          >
          <template #state="{ row: h }">{{ lifeSaid(h.state as LifeState) }}</template>
          <template #at="{ row: h }">{{
            h.at ? dayjs(h.at).format('D MMM YYYY') : 'by the design'
          }}</template>
        </RowTable>
      </div>
      <p v-if="done" role="status">{{ done }}</p>
      <form
        v-if="session.may('vouch-lot') && !done && !lot?.recalledOn"
        class="ask"
        aria-label="Taking it back"
        @submit.prevent="recall"
      >
        <label
          >Why it is taken back<ElInput
            v-model="why"
            class="entry"
            maxlength="200"
            placeholder="the maker’s notice of 3 May"
        /></label>
        <ElButton class="act main" native-type="submit" :disabled="busy || !why.trim()"
          >Take it back: {{ found.holes.length }} suspect</ElButton
        >
      </form>
    </template>
  </ElDialog>
</template>

<style scoped>
.ask {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: end;
  padding-top: 10px;
}
.ask label {
  display: grid;
  gap: 2px;
  flex: 1 1 220px;
}
.list {
  max-height: 46vh;
  overflow: auto;
}
.bad {
  color: var(--short);
}
</style>
