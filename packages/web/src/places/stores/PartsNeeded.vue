<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { BUYING_SAID, partSaid, type PartsLine } from '@north-tide/core'
import { api } from '../../api'
import { benchOf } from '../../kinds/registry'
import { useBoats } from '../../state/boats'
import { useSession } from '../../state/session'
import RowTable from '../../pieces/RowTable.vue'

/** What the open work on the boat wants, summed over its fittings: to buy, ordered, bought; and tools. */
interface Listed {
  boat: string
  lines: PartsLine[]
  tools: { tool: string; fittings: number; owned: number | null }[]
  left: { id: string; name: string; why: string }[]
}
const boats = useBoats()
const session = useSession()
const list = ref<Listed | null>(null)
const said = ref('')
const all = ref(false)
async function load() {
  const boat = boats.picture?.id
  if (!boat) return
  said.value = ''
  list.value = null
  try {
    list.value = await api<Listed>('GET', `/boats/${boat}/parts`)
  } catch (error) {
    if (!session.ended(error)) said.value = error instanceof Error ? error.message : 'It cannot be read'
  }
}
watch(() => boats.picture?.id, load, { immediate: true })
const bought = computed(() => list.value?.lines.filter((l) => l.state === 'bought').length ?? 0)
const rows = computed(() =>
  (list.value?.lines ?? [])
    .filter((l) => all.value || l.state !== 'bought')
    .map((l, i) => ({ ...l, ...partSaid(l.part, boats.units), i })),
)
const NAMED = 3
</script>

<template>
  <section class="needed" aria-label="Parts for the boat">
    <header>
      <h2>Parts for {{ boats.picture?.name }}</h2>
      <p class="soft small">
        All that her open work wants, summed over the fittings with what is spare. What is bought for one
        fitting lies in its bag, and is not there for another.
      </p>
      <a v-if="boats.picture" class="act no-print" :href="`/api/boats/${boats.picture.id}/parts.csv`" download
        >Parts as CSV</a
      >
    </header>
    <p v-if="said" class="alarm" role="alert">
      {{ said }} <ElButton class="act" @click="load">Try again</ElButton>
    </p>
    <ElSkeleton v-else-if="!list" :rows="6" animated />
    <template v-else>
      <RowTable
        label="Parts wanted"
        :columns="[
          { key: 'what', title: 'What', by: (r) => r.what },
          { key: 'size', title: 'Size', number: true },
          { key: 'count', title: 'How many', number: true },
          { key: 'state', title: 'State', by: (r) => r.state },
          { key: 'for', title: 'For' },
        ]"
        :rows="rows"
        :known="(r) => String(r.i)"
        empty="Nothing is wanted: no work is open."
      >
        <template #what="{ row: r }"
          >{{ r.what }}<span v-if="r.note" class="soft small"> · {{ r.note }}</span></template
        >
        <template #state="{ row: r }"
          ><strong v-if="r.state === 'to-buy' || r.state === 'late'" :class="{ near: r.state === 'late' }">{{
            BUYING_SAID[r.state as PartsLine['state']]
          }}</strong
          ><template v-else>{{ BUYING_SAID[r.state as PartsLine['state']] }}</template
          ><span v-if="r.uncertain.length" class="small near"> · may change, it is short</span></template
        >
        <template #for="{ row: r }">
          <template v-for="(f, i) in r.for.slice(0, NAMED)" :key="f.id"
            >{{ i ? ', ' : '' }}<RouterLink :to="benchOf(f)">{{ f.name }}</RouterLink></template
          ><span v-if="r.for.length > NAMED" class="soft"> and {{ r.for.length - NAMED }} more</span>
        </template>
      </RowTable>
      <ElCheckbox v-if="bought" v-model="all" class="no-print">those bought too ({{ bought }})</ElCheckbox>
      <p v-for="l in list.left" :key="l.id" class="near small">
        Left out: <RouterLink :to="`/bench/${l.id}`">{{ l.name }}</RouterLink>, {{ l.why }}.
      </p>
      <h3>In reach, for all of it</h3>
      <p class="small tools">
        <span v-for="t in list.tools" :key="t.tool"
          >{{ t.tool
          }}<span class="soft">
            {{ t.fittings }}×{{ t.owned === null ? '' : `, ${t.owned} owned` }}</span
          ></span
        >
      </p>
    </template>
  </section>
</template>

<style scoped>
.needed {
  padding-bottom: 26px;
}
header {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 16px;
  padding-bottom: 8px;
}
header p {
  flex: 1 1 320px;
}
.alarm {
  color: var(--short);
  font-weight: 600;
}
.near {
  color: var(--tight);
  font-weight: 600;
}
.needed :deep(td a) {
  display: inline-block;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
}
</style>
