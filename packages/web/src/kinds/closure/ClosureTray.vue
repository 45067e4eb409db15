<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { RISK_SAID, formatLength, formatVolume } from '@north-tide/core'
import { closure } from '@north-tide/core/closure'
import RowTable from '../../pieces/RowTable.vue'
import TrayTabs from '../../pieces/TrayTabs.vue'
import { useBoats } from '../../state/boats'
import { useClosure } from '../../state/closure'

/** A page of the tray is fetched when it is looked at: no bench is seen later for what nobody opened. */
const TemplatesView = defineAsyncComponent(() => import('../../pieces/TemplatesView.vue'))
const WorkView = defineAsyncComponent(() => import('../../pieces/WorkView.vue'))
const FindingsList = defineAsyncComponent(() => import('../../pieces/FindingsList.vue'))
const HolesDecided = defineAsyncComponent(() => import('./HolesDecided.vue'))
/** The tray under a job of closing: work, pieces of cloth, templates, what is wrong with an old one. */
const tab = defineModel<string>('tab', { required: true })
const bench = useClosure()
const boats = useBoats()
const d = computed(() => bench.design!)
const j = computed(() => bench.judgement!)
const tabs = computed(() => [
  'Work',
  ...(d.value.block ? ['Side by side'] : d.value.joint ? [] : ['Decide']),
  ...(d.value.way === 'fill' || d.value.joint || d.value.block ? [] : ['Cloth']),
  'Templates',
  'Survey',
])
const shown = computed(() => (tabs.value.includes(tab.value) ? tab.value : tabs.value[0]!))
const mm = (v: number) => formatLength(Math.round(v), boats.units)
/** Patches that are cut alike, each with how many there are of it. */
const alike = computed(() => {
  const by = new Map<string, { patch: (typeof j.value.patches)[number]; count: number }>()
  for (const patch of j.value.patches) {
    const key = JSON.stringify(
      patch.holes.length > 1 ? [patch.atX, patch.atY] : patch.skins.map((s) => [s.id, s.holeMm, s.groundMm]),
    )
    const had = by.get(key)
    by.set(key, { patch, count: (had?.count ?? 0) + 1 })
  }
  return [...by.values()]
})
const hours = (h: number | null) => (h === null ? 'cannot be' : `${h.toFixed(1)}\u00a0h`)
/** What each pot lays up, by the numbers of its holes. */
const pots = computed(() =>
  (j.value.batches ?? []).map((b, i) => ({
    n: b.pots > 1 ? `${i + 1}, in ${b.pots}` : `${i + 1}`,
    holes: b.patches
      .flatMap((p) => j.value.patches[p]!.holes.map((h) => d.value.holes[h]!.label ?? `hole ${h + 1}`))
      .join(', '),
    ml: b.ml,
    minutes: b.minutes,
  })),
)
/** Every piece, in the order of laying, patch by patch. */
const pieces = computed(() =>
  alike.value.flatMap(({ patch, count }) => {
    const holes = patch.holes.map((i) => d.value.holes[i]!.label ?? `hole ${i + 1}`)
    const of = {
      patch: count > 1 ? `${count} alike` : holes.slice(0, 3).join(', ') + (holes.length > 3 ? ' …' : ''),
      holes: patch.holes.length,
      count,
    }
    return patch.skins.flatMap((s) => [
      ...(s.backingDiscMm === null
        ? []
        : [{ ...of, skin: s.title, side: 'behind', n: 'backing', mm: s.backingDiscMm }]),
      ...s.plies.map((x) => ({ ...of, skin: s.title, side: x.side, n: String(x.n), mm: x.diameterMm })),
    ])
  }),
)
</script>

<template>
  <TrayTabs
    :model-value="shown"
    :tabs="tabs"
    :ready="bench.judgement !== null"
    @update:model-value="tab = $event"
  >
    <WorkView v-if="shown === 'Work'" :bench="bench" />
    <HolesDecided v-else-if="shown === 'Decide'" />
    <RowTable
      v-else-if="shown === 'Side by side' && j.block"
      label="Ways of making it, side by side"
      :columns="[
        { key: 'title', title: 'Way' },
        { key: 'work', title: 'Work', number: true, by: (r) => r.workHours ?? Infinity },
        { key: 'whole', title: 'Until it is off', number: true, by: (r) => r.elapsedHours ?? Infinity },
        { key: 'because', title: 'What it goes by' },
        { key: 'act' },
      ]"
      :rows="j.block.ways"
    >
      <template #work="{ row: w }">{{ hours(w.workHours) }}</template>
      <template #whole="{ row: w }">{{ hours(w.elapsedHours) }}</template>
      <template #act="{ row: w }"
        ><span v-if="w.way === d.block!.way" class="soft small">as given</span
        ><ElButton
          v-else-if="!bench.readOnly && w.workHours !== null"
          class="act small"
          @click="bench.change({ 'block.way': w.way })"
          >Take it</ElButton
        ></template
      >
    </RowTable>
    <div v-else-if="shown === 'Cloth'">
      <p>
        <strong>{{ Math.round(j.clothG) }} g</strong> of cloth,
        <strong>{{ Math.round(j.resinG) }} g</strong> of resin in {{ j.pot?.batches ?? 1 }} pot{{
          (j.pot?.batches ?? 1) > 1 ? 's' : ''
        }}<template v-if="j.pot?.potLifeMin"
          >, {{ Math.round(j.pot.potLifeMin) }} min each with {{ j.pot.hardener }} hardener</template
        >.
      </p>
      <RowTable
        v-if="(j.batches?.length ?? 0) > 1"
        label="Pots, those that reach farthest first"
        :columns="[
          { key: 'n', title: 'Pot' },
          { key: 'holes', title: 'Lays up' },
          { key: 'ml', title: 'Needs', number: true },
          { key: 'minutes', title: 'Work', number: true },
        ]"
        :rows="pots"
      >
        <template #ml="{ row: b }">{{ formatVolume(b.ml, boats.units) }}</template>
        <template #minutes="{ row: b }">{{ Math.round(b.minutes) }} min</template>
      </RowTable>
      <RowTable
        label="Pieces of cloth, in the order of laying"
        :columns="[
          { key: 'patch', title: 'Patch' },
          { key: 'skin', title: 'Skin' },
          { key: 'side', title: 'From' },
          { key: 'n', title: 'Ply', number: true },
          { key: 'count', title: 'To cut', number: true },
          { key: 'mm', title: 'Across', number: true, by: (r) => r.mm },
        ]"
        :rows="pieces"
      >
        <template #mm="{ row: r }"
          >{{ mm(r.mm) }}<span v-if="r.holes > 1" class="soft"> round {{ r.holes }} holes</span></template
        >
      </RowTable>
    </div>
    <TemplatesView
      v-else-if="shown === 'Templates'"
      :id="bench.fitting!.id"
      :names="closure.templates(d, j)"
      :draw="(what: string) => closure.template(d, j, what, boats.units, false)"
      :drill="closure.drill(d, j)"
      :saved="bench.saving === 'saved'"
    />
    <FindingsList
      v-else
      :list="closure.findings(d)"
      :ticked="d.findings"
      :existing="d.existing"
      :said="RISK_SAID"
      :read-only="bench.readOnly"
      @change="bench.change($event)"
    />
  </TrayTabs>
</template>
