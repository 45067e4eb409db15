<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import dayjs from 'dayjs'
import { THICKNESS_WAYS, excessOf, formatLength, wetnessOf, type ThicknessWay } from '@north-tide/core'
import { useBoats } from '../../../state/boats'
import { useSurvey } from '../../../state/survey'
import type { ReadingShown } from '../../../types'
import PhotoStrip from '../../../pieces/PhotoStrip.vue'
import PickOne from '../../../pieces/PickOne.vue'
import RowTable from '../../../pieces/RowTable.vue'
import WaitsHere from '../../../pieces/WaitsHere.vue'
import { useAttempt } from '../../../pieces/attempt'
import { KINDS, layerNames } from './reading-kinds'

/** Every reading that was taken; one that was wrong is withdrawn with its reason, and stays to be read. */
defineProps<{ may: boolean }>()
const boats = useBoats()
const survey = useSurvey()
const { said, attempt } = useAttempt()
const boat = computed(() => boats.picture!)
const filter = ref<'all' | ReadingShown['kind']>('all')
const filters = computed(() => [
  { value: 'all' as const, title: `all ${survey.readings.length}` },
  ...KINDS.map((k) => ({
    value: k.value,
    title: `${k.title} (${survey.readings.filter((r) => r.kind === k.value).length})`,
  })),
])
const rows = computed(() =>
  survey.readings
    .filter((r) => filter.value === 'all' || r.kind === filter.value)
    .slice()
    .reverse(),
)
const titleOf = (code: string | null) => boat.value.zones.find((z) => z.code === code)?.title ?? 'no zone'
function saidOf(r: ReadingShown): string {
  if (r.kind === 'moisture') {
    const wet = wetnessOf(excessOf(r.value!, r.dryReference!, r.scaleMost!))
    return `${r.value} of ${r.scaleMost}, dry ${r.dryReference}: ${wet}`
  }
  if (r.kind !== 'thickness') return r.finding
  const layer = layerNames(boat.value.zones.find((z) => z.code === r.zone)?.kind)[r.layer ?? 0]
  const by = THICKNESS_WAYS[r.way as ThicknessWay]?.title ?? r.way
  return `${layer} ${formatLength(r.value!, boats.units)}, ${by}`
}
const why = reactive<Record<number, string>>({})
const taking = ref<number | null>(null)
const photosOf = ref<number | null>(null)
async function withdraw(id: number) {
  if ((await attempt(() => survey.withdraw(id, why[id] ?? ''))) && taking.value === id) taking.value = null
  await survey.drawMaps()
}
</script>

<template>
  <section aria-label="Readings">
    <div class="group">
      <h2 class="title">Readings</h2>
      <PickOne v-model="filter" label="Which readings" :options="filters" />
    </div>
    <WaitsHere
      v-if="boats.picture"
      :path="`/boats/${boats.picture.id}/readings`"
      @fewer="survey.load().catch(() => undefined)"
    />
    <RowTable
      v-if="rows.length"
      label="Readings"
      :columns="[
        { key: 'zone', title: 'Zone', by: (r) => titleOf(r.zone) },
        { key: 'x', title: 'x', number: true, by: (r) => r.xMm },
        { key: 'y', title: 'y', number: true, by: (r) => r.yMm },
        { key: 'what', title: 'What' },
        { key: 'who', title: 'Who, when, with', class: 'small soft', by: (r) => String(r.takenAt) },
        { key: 'act', class: 'small' },
      ]"
      :rows="rows"
      :opened="(r) => taking === r.id || photosOf === r.id"
      :about="(r) => ({ class: { gone: r.withdrawnWhy } })"
      :known="(r) => r.id"
    >
      <template #zone="{ row: r }">{{ titleOf(r.zone) }}</template>
      <template #x="{ row: r }">{{ formatLength(Math.round(r.xMm), boats.units) }}</template>
      <template #y="{ row: r }">{{ formatLength(Math.round(r.yMm), boats.units) }}</template>
      <template #what="{ row: r }"
        >{{ saidOf(r) }}<span v-if="r.note" class="soft small"> · {{ r.note }}</span
        ><span v-if="r.withdrawnWhy" class="small">
          · withdrawn by {{ r.withdrawnBy }}: {{ r.withdrawnWhy }}</span
        ></template
      >
      <template #who="{ row: r }"
        >{{ r.who }}, {{ dayjs(r.takenAt).format('D MMM HH:mm')
        }}{{ r.instrument ? `, ${r.instrument}` : '' }}</template
      >
      <template #act="{ row: r }">
        <ElButton class="plain link" @click="photosOf = photosOf === r.id ? null : r.id"> photos </ElButton>
        <ElButton
          v-if="may && !r.withdrawnWhy"
          class="plain link"
          @click="taking = taking === r.id ? null : r.id"
        >
          withdraw
        </ElButton>
      </template>
      <template #under="{ row: r }">
        <template v-if="taking === r.id">
          <label class="why">Why<ElInput v-model="why[r.id]" class="entry" maxlength="300" /></label>
          <ElButton class="act" :disabled="!why[r.id]?.trim()" @click="withdraw(r.id)">
            Withdraw this reading
          </ElButton>
        </template>
        <PhotoStrip v-if="photosOf === r.id" subject="reading" :subject-id="r.id" />
      </template>
    </RowTable>
    <p v-else class="soft">None yet.</p>
    <p v-if="said" class="said" role="alert">{{ said }}</p>
  </section>
</template>

<style scoped src="./split.css"></style>
<style scoped>
:deep(tr.gone td) {
  color: var(--ink-soft);
  text-decoration: line-through;
}
.link {
  text-decoration: underline dotted;
  padding: 6px 3px;
}
.why {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}
.number {
  white-space: nowrap;
}
</style>
