<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { RISK_SAID, formatUse } from '@north-tide/core'
import { rig } from '@north-tide/core/rig'
import RowTable from '../../pieces/RowTable.vue'
import SealantRows from '../../pieces/SealantRows.vue'
import TrayTabs from '../../pieces/TrayTabs.vue'
import VerdictSign from '../../pieces/VerdictSign.vue'
import { useBoats } from '../../state/boats'
import { useRig } from '../../state/rig'

/** A page of the tray is fetched when it is looked at: no bench is seen later for what nobody opened. */
const TemplatesView = defineAsyncComponent(() => import('../../pieces/TemplatesView.vue'))
const WorkView = defineAsyncComponent(() => import('../../pieces/WorkView.vue'))
const FindingsList = defineAsyncComponent(() => import('../../pieces/FindingsList.vue'))
const SightsView = defineAsyncComponent(() => import('./SightsView.vue'))
/** The tray under a chainplate: work, the ways of holding it side by side, sealant, templates, survey. */
const tab = defineModel<string>('tab', { required: true })
const bench = useRig()
const boats = useBoats()
const d = computed(() => bench.design!)
const j = computed(() => bench.judgement!)
const tabs = computed(() => [
  'Work',
  ...(d.value.set ? (d.value.set.jig ? ['Sighted'] : []) : ['Ways']),
  ...(d.value.slot ? ['Sealant'] : []),
  'Templates',
  'Survey',
])
const shown = computed(() => (tabs.value.includes(tab.value) ? tab.value : tabs.value[0]!))
</script>

<template>
  <TrayTabs
    :model-value="shown"
    :tabs="tabs"
    :ready="bench.judgement !== null"
    @update:model-value="tab = $event"
  >
    <WorkView v-if="shown === 'Work'" :bench="bench" />
    <SightsView v-else-if="shown === 'Sighted'" />
    <div v-else-if="shown === 'Ways'">
      <p v-if="j.moved.length" class="small">
        It has moved: what its bond carries now is taken as nothing in every way below.
      </p>
      <RowTable
        label="Ways of holding it, side by side"
        :columns="[
          { key: 'sign' },
          { key: 'title', title: 'Way' },
          { key: 'used', title: 'Used', number: true },
          { key: 'because', title: 'What it goes by' },
        ]"
        :rows="j.ways"
      >
        <template #sign="{ row: w }"><VerdictSign :verdict="w.verdict" /></template>
        <template #used="{ row: w }">{{ formatUse(w.utilisation) }}</template>
      </RowTable>
    </div>
    <SealantRows
      v-else-if="shown === 'Sealant' && j.sealant"
      title="Cover on the deck"
      :choice="j.sealant"
      :chosen="d.slot!.sealant"
      :read-only="bench.readOnly"
      @take="bench.change({ 'slot.sealant': $event })"
    />
    <TemplatesView
      v-else-if="shown === 'Templates'"
      :id="bench.fitting!.id"
      :names="rig.templates(d, j)"
      :draw="(what: string) => rig.template(d, j, what, boats.units, false)"
      :drill="rig.drill(d, j)"
      :saved="bench.saving === 'saved'"
    />
    <FindingsList
      v-else
      :list="rig.findings(d)"
      :ticked="d.findings"
      :existing="d.existing"
      :said="RISK_SAID"
      :read-only="bench.readOnly"
      @change="bench.change($event)"
    />
  </TrayTabs>
</template>
