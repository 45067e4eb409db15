<script setup lang="ts">
import { computed } from 'vue'
import { RISK_SAID, formatLength } from '@north-tide/core'
import { row } from '@north-tide/core/row'
import FindingsList from '../../pieces/FindingsList.vue'
import RowTable from '../../pieces/RowTable.vue'
import SealantRows from '../../pieces/SealantRows.vue'
import TemplatesView from '../../pieces/TemplatesView.vue'
import TrayTabs from '../../pieces/TrayTabs.vue'
import WorkView from '../../pieces/WorkView.vue'
import { useBoats } from '../../state/boats'
import { useRow } from '../../state/row'
import MembersView from './MembersView.vue'

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
const inside = computed(() => rows.value.some((p) => p.insideOffsetMm !== undefined))
</script>

<template>
  <TrayTabs
    :model-value="shown"
    :tabs="tabs"
    :ready="bench.judgement !== null"
    @update:model-value="tab = $event"
  >
    <RowTable
      v-if="shown === 'Schedule'"
      label="Where each stands, from the first end"
      :columns="[
        { key: 'n', title: 'Number', number: true },
        { key: 's', title: 'From the first end', number: true },
        { key: 'on', title: 'From the one before', number: true },
        { key: 'x', title: 'x, aft', number: true },
        { key: 'y', title: 'y, starboard', number: true },
        ...(inside ? [{ key: 'inside', title: 'Inside it is off by', number: true }] : []),
        ...(d.bends.length ? [{ key: 'bend', title: 'Bend to', number: true }] : []),
      ]"
      :rows="rows"
      empty="The row does not come out; the verdicts say what is in its way."
    >
      <template #s="{ row: p }">{{ mm(p.sMm) }}</template>
      <template #on="{ row: p }">{{ p.fromPreviousMm === null ? '' : mm(p.fromPreviousMm) }}</template>
      <template #x="{ row: p }">{{ mm(p.xMm) }}</template>
      <template #y="{ row: p }">{{ mm(p.yMm) }}</template>
      <template #inside="{ row: p }">{{ mm(p.insideOffsetMm ?? 0) }}</template>
      <template #bend="{ row: p }">{{ p.bend === null ? 'not taken' : `${p.bend.toFixed(1)}°` }}</template>
    </RowTable>
    <MembersView v-else-if="shown === 'Members'" />
    <RowTable
      v-else-if="shown === 'Old holes'"
      label="Old holes that it comes near to"
      :columns="[
        { key: 'label', title: 'Hole' },
        { key: 'at', title: 'At number', number: true },
        { key: 'gap', title: 'Between them', number: true },
        { key: 'said', title: 'What to do' },
      ]"
      :rows="j.crossed"
    >
      <template #gap="{ row: c }">{{ formatLength(c.gapMm, boats.units) }}</template>
    </RowTable>
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
