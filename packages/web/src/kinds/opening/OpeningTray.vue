<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { RISK_SAID } from '@north-tide/core'
import { opening } from '@north-tide/core/opening'
import SealantRows from '../../pieces/SealantRows.vue'
import TrayTabs from '../../pieces/TrayTabs.vue'
import { useBoats } from '../../state/boats'
import { useOpening } from '../../state/opening'

/** A page of the tray is fetched when it is looked at: no bench is seen later for what nobody opened. */
const TemplatesView = defineAsyncComponent(() => import('../../pieces/TemplatesView.vue'))
const WorkView = defineAsyncComponent(() => import('../../pieces/WorkView.vue'))
const FindingsList = defineAsyncComponent(() => import('../../pieces/FindingsList.vue'))
const CutOutView = defineAsyncComponent(() => import('./CutOutView.vue'))
const WeakenedView = defineAsyncComponent(() => import('./WeakenedView.vue'))
/** The tray under an opening: work, what seals it, templates, what is wrong with one that is there. */
const tab = defineModel<string>('tab', { required: true })
const bench = useOpening()
const boats = useBoats()
const d = computed(() => bench.design!)
/** A gland seals on its own ring. */
const tabs = computed(() => [
  'Work',
  ...(d.value.gland ? [] : ['Sealant', 'Deck round it']),
  'Templates',
  ...(d.value.gland ? [] : ['What came out']),
  'Survey',
])
const shown = computed(() => (tabs.value.includes(tab.value) ? tab.value : tabs.value[0]!))
const j = computed(() => bench.judgement!)
</script>

<template>
  <TrayTabs
    :model-value="shown"
    :tabs="tabs"
    :ready="bench.judgement !== null"
    @update:model-value="tab = $event"
  >
    <WorkView v-if="shown === 'Work'" :bench="bench" />
    <div v-else-if="shown === 'Sealant'" class="seals">
      <SealantRows
        :title="d.prism ? 'Glass in its pocket' : d.bin ? 'Flange under the deck' : 'Frame on the boat'"
        :choice="j.sealant"
        :chosen="d.bedding.sealant"
        :read-only="bench.readOnly"
        @take="bench.change({ 'bedding.sealant': $event })"
      />
      <SealantRows
        v-if="j.paneSealant"
        title="Pane on its bead"
        :choice="j.paneSealant"
        :chosen="d.pane!.sealant"
        :read-only="bench.readOnly"
        @take="bench.change({ 'pane.sealant': $event })"
      />
    </div>
    <WeakenedView v-else-if="shown === 'Deck round it'" />
    <CutOutView v-else-if="shown === 'What came out'" />
    <TemplatesView
      v-else-if="shown === 'Templates'"
      :id="bench.fitting!.id"
      :names="opening.templates(d, j)"
      :draw="(what: string) => opening.template(d, j, what, boats.units, false)"
      :drill="opening.drill(d, j)"
      :saved="bench.saving === 'saved'"
    />
    <FindingsList
      v-else
      :list="opening.findings(d)"
      :ticked="d.findings"
      :existing="d.existing"
      :said="RISK_SAID"
      :read-only="bench.readOnly"
      @change="bench.change($event)"
    />
  </TrayTabs>
</template>

<style scoped>
.seals {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(320px, 1fr));
  gap: 22px;
}
</style>
