<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useUrlSearchParams } from '@vueuse/core'
import dayjs from 'dayjs'
import { DRIPS_SAID, type Drip } from '@north-tide/core'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import { useBoats } from '../../state/boats'
import { useSession } from '../../state/session'
import LeakForm from './LeakForm.vue'
import LeakTrace from './LeakTrace.vue'

/** Drips that were seen in the boat: those that are looked for, and what the others were. */
interface Leak {
  id: number
  whereSeen: string
  drip: Drip
  state: 'open' | 'found' | 'elsewhere' | 'left'
  cause: string
  madeAt: string
}
const STATE = { open: 'looked for', found: 'found', elsewhere: 'not on record', left: 'given up' }
const boats = useBoats()
const session = useSession()
const { said, attempt } = useAttempt()
const asked = useUrlSearchParams('history', { initialValue: { leak: '' } })
const leaks = ref<Leak[] | null>(null)
const adding = ref(false)
const load = () =>
  attempt(async () => {
    if (boats.picture)
      leaks.value = (await api<{ leaks: Leak[] }>('GET', `/boats/${boats.picture.id}/leaks`)).leaks
  })
watch(() => boats.picture?.id, load, { immediate: true })
const may = computed(() => session.may('work', boats.picture?.id))
const chosen = computed(() => Number(asked.leak) || null)
async function kept(id: number) {
  adding.value = false
  await load()
  asked.leak = String(id)
}
</script>

<template>
  <section aria-label="Leaks" class="leaks">
    <p v-if="said" class="bad" role="alert">{{ said }}</p>
    <LeakTrace v-if="chosen" :id="chosen" @back="((asked.leak = ''), load())" />
    <template v-else>
      <ElButton v-if="may && !adding" class="act main" @click="adding = true">It drips somewhere</ElButton>
      <LeakForm v-if="adding" @kept="kept" @close="adding = false" />
      <ul v-if="leaks?.length" class="list">
        <li v-for="l in leaks" :key="l.id">
          <ElButton class="plain name" @click="asked.leak = String(l.id)">{{ l.whereSeen }}</ElButton>
          <span class="small"
            >{{ DRIPS_SAID[l.drip.when] }}, seen {{ dayjs(l.madeAt).format('D MMM YYYY') }}:
            <strong :class="l.state">{{ STATE[l.state] }}</strong>{{ l.cause ? `, ${l.cause}` : '' }}</span
          >
        </li>
      </ul>
      <ElEmpty
        v-else-if="leaks && !adding"
        :image-size="60"
        description="No drip is on record. It seldom comes in where it shows: put down where and when."
      />
    </template>
  </section>
</template>

<style scoped>
.leaks {
  display: grid;
  gap: 12px;
  justify-items: start;
}
.list {
  list-style: none;
  padding: 0;
  width: 100%;
}
.list li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: baseline;
  border-bottom: 1px solid var(--line);
  padding: 6px 0;
}
.name {
  font-weight: 600;
}
.open {
  color: var(--tight);
}
.bad {
  color: var(--short);
}
</style>
