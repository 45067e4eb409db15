<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import { RISK_SAID, formatLength } from '@north-tide/core'
import { bendsFrom, bentAt, row } from '@north-tide/core/row'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import DimensionField from '../../pieces/DimensionField.vue'
import RowTable from '../../pieces/RowTable.vue'
import SealantRows from '../../pieces/SealantRows.vue'
import TrayTabs from '../../pieces/TrayTabs.vue'
import { useBoats } from '../../state/boats'
import type { Angles } from '../../types'
import { useRow } from '../../state/row'

/** A page of the tray is fetched when it is looked at: no bench is seen later for what nobody opened. */
const TemplatesView = defineAsyncComponent(() => import('../../pieces/TemplatesView.vue'))
const WorkView = defineAsyncComponent(() => import('../../pieces/WorkView.vue'))
const FindingsList = defineAsyncComponent(() => import('../../pieces/FindingsList.vue'))
const CrossedHoles = defineAsyncComponent(() => import('./CrossedHoles.vue'))
const MembersView = defineAsyncComponent(() => import('./MembersView.vue'))
/** The tray under a row: the schedule to set it out by, its members, work, templates, survey. */
const tab = defineModel<string>('tab', { required: true })
const bench = useRow()
const boats = useBoats()
const d = computed(() => bench.design!)
const j = computed(() => bench.judgement!)
const members = computed(() => d.value.memberId !== null)
const tabs = computed(() => [
  'Schedule',
  ...(members.value ? ['Members'] : []),
  ...(j.value.crossed.length ? ['Old holes'] : []),
  'Work',
  ...(members.value ? [] : ['Sealant']),
  'Templates',
  'Survey',
])
const shown = computed(() => (tabs.value.includes(tab.value) ? tab.value : tabs.value[0]!))
const mm = (v: number) => formatLength(Math.round(v), boats.units)
const bendAt = (i: number) => d.value.bends.find((b) => b.at === i + 1)
const rows = computed(() =>
  j.value.layout.positions.map((p, i) => ({ ...p, n: i + 1, bend: bendAt(i)?.deg ?? null })),
)
/** A base that stands plumb on a deck that leans is bent: stanchions and brackets. */
const bent = computed(() => d.value.family === 'stanchions' || d.value.family === 'brackets')
const { said, busy, attempt } = useAttempt()
const bendSaid = ref('')
async function takeAngles() {
  bendSaid.value = ''
  await attempt(async () => {
    const got = await api<Angles>('GET', `/boats/${bench.fitting!.boatId}/angles`)
    if (!got.answer) throw new Error(`${got.problem?.message ?? 'No angles were read yet'}.`)
    const { bends, said: words } = bendsFrom(d.value, rows.value.length, got.answer.stations)
    if (bends.length) bench.change({ bends })
    bendSaid.value = words
  })
}
const inside = computed(() => rows.value.some((p) => p.insideOffsetMm !== undefined))
</script>

<template>
  <TrayTabs
    :model-value="shown"
    :tabs="tabs"
    :ready="bench.judgement !== null"
    @update:model-value="tab = $event"
  >
    <div v-if="shown === 'Schedule'" class="schedule">
      <p v-if="bent && !bench.readOnly" class="bends">
        <ElButton class="act" :disabled="busy || !rows.length" @click="takeAngles"
          >Take the angles of the survey</ElButton
        >
        <span v-if="bendSaid || said" :class="{ wrong: said }" class="small" role="status">{{
          said || bendSaid
        }}</span>
      </p>
      <p>
        <a :href="`/api/fittings/${bench.fitting!.id}/schedule.csv`" download>Schedule as CSV</a>
      </p>
      <RowTable
        label="Where each stands, from the first end"
        :columns="[
          { key: 'n', title: 'Number', number: true },
          { key: 's', title: 'From the first end', number: true },
          { key: 'on', title: 'From the one before', number: true },
          { key: 'x', title: 'x, aft', number: true },
          { key: 'y', title: 'y, starboard', number: true },
          ...(inside ? [{ key: 'inside', title: 'Inside it is off by', number: true }] : []),
          ...(bent ? [{ key: 'bend', title: 'Bend to', number: true }] : []),
        ]"
        :rows="rows"
        empty="The row does not come out; the verdicts say what is in its way."
      >
        <template #s="{ row: p }">{{ mm(p.sMm) }}</template>
        <template #on="{ row: p }">{{ p.fromPreviousMm === null ? '' : mm(p.fromPreviousMm) }}</template>
        <template #x="{ row: p }">{{ mm(p.xMm) }}</template>
        <template #y="{ row: p }">{{ mm(p.yMm) }}</template>
        <template #inside="{ row: p }">{{ mm(p.insideOffsetMm ?? 0) }}</template>
        <template #bend="{ row: p }"
          ><DimensionField
            :label="`Bend of number ${p.n}`"
            bare
            kind="angle"
            unit="°"
            :units="boats.units"
            :least="0"
            :most="180"
            optional
            placeholder="none"
            :model-value="p.bend"
            :disabled="bench.readOnly"
            @update:model-value="bench.change({ bends: bentAt(d.bends, p.n, $event) })"
        /></template>
      </RowTable>
    </div>
    <MembersView v-else-if="shown === 'Members'" />
    <CrossedHoles v-else-if="shown === 'Old holes'" />
    <WorkView v-else-if="shown === 'Work'" :bench="bench" />
    <SealantRows
      v-else-if="shown === 'Sealant' && j.sealant"
      title="Under the whole of it"
      :choice="j.sealant"
      :chosen="d.bedding.sealant"
      :read-only="bench.readOnly"
      @take="bench.change({ 'bedding.sealant': $event })"
    />
    <TemplatesView
      v-else-if="shown === 'Templates'"
      :id="bench.fitting!.id"
      :names="row.templates(d, j)"
      :draw="(what: string) => row.template(d, j, what, boats.units, false)"
      :drill="row.drill(d, j)"
      :saved="bench.saving === 'saved'"
    />
    <FindingsList
      v-else
      :list="row.findings(d)"
      :ticked="d.findings"
      :existing="d.existing"
      :said="RISK_SAID"
      :read-only="bench.readOnly"
      @change="bench.change($event)"
    />
  </TrayTabs>
</template>

<style scoped>
/* On a phone it is wider than the page, and scrolls by itself. */
.schedule {
  overflow-x: auto;
}
.bends {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
}
.wrong {
  color: var(--short);
}
</style>
