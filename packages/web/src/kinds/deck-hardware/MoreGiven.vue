<script setup lang="ts">
import { computed } from 'vue'
import {
  FAMILIES,
  FAMILY_TITLES,
  clipped,
  formatLength,
  metalPairs,
  roomAround,
  stockSaid,
} from '@north-tide/core'
import { useBench } from '../../state/bench'
import { useBoats } from '../../state/boats'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import RowTable from '../../pieces/RowTable.vue'

/** What is particular: how the plate is made, pads and uneven decks, metals, doublers, the grain. */
const bench = useBench()
const boats = useBoats()
const d = computed(() => bench.design!)
const off = computed(() => bench.readOnly)
const set = (path: string, value: unknown) => bench.change({ [path]: value })
const room = computed(() => roomAround(d.value, boats.picture?.parts ?? []))
const wouldClip = computed(() => (d.value.plate ? clipped(d.value.plate, room.value) : null))
const pairs = computed(() => metalPairs(d.value))
const isolated = computed(
  () => d.value.isolation.sleeve && d.value.isolation.washer && d.value.isolation.sealant,
)
const perBolt = (list: number[], i: number, v: number) => {
  const out = d.value.bolts.map((_, k) => list[k] ?? 0)
  out[i] = v
  return out.some((x) => x !== 0) ? out : []
}
const uneven = computed(() => d.value.padsMm.length > 0 || d.value.unevenMm.length > 0)
const sameEverywhere = (kind: 'padsMm' | 'unevenMm') => set(kind, [])
const familyOptions = FAMILIES.map((f) => ({ value: f, title: FAMILY_TITLES[f] }))
const grain = computed(() =>
  d.value.structure.kind === 'timber' ? (d.value.structure.grainDeg ?? null) : null,
)
function setGrain(v: number | null) {
  const s = { ...d.value.structure } as Record<string, unknown>
  if (v === null) delete s.grainDeg
  else s.grainDeg = v
  set('structure', s)
}
</script>

<template>
  <template v-if="d.plate">
    <div class="group gap"><h2>The plate as made</h2></div>
    <ChoiceField
      label="Sheets"
      :model-value="String(d.plate.sheets)"
      :options="[
        { value: '1', title: 'one' },
        { value: '2', title: 'two, bonded' },
      ]"
      :disabled="off"
      @update:model-value="set('plate.sheets', Number($event))"
    />
    <ChoiceField
      label="Goes on"
      :model-value="d.plate.bonded ? 'bonded' : 'loose'"
      :options="[
        { value: 'bonded', title: 'bonded to the deck' },
        { value: 'loose', title: 'loose' },
      ]"
      :disabled="off"
      @update:model-value="set('plate.bonded', $event === 'bonded')"
    />
    <DimensionField
      label="Deck crowned, radius"
      :model-value="d.plate.crownRadiusMm"
      :units="boats.units"
      above
      optional
      placeholder="flat"
      :disabled="off"
      @update:model-value="set('plate.crownRadiusMm', $event)"
    />
    <p v-if="bench.byHand?.plate" class="soft small">
      Bed: {{ bench.byHand.plate.bedMl.toFixed(0) }} ml with a fifth over.
    </p>
    <p v-if="d.plate.outline" class="soft small">
      Clipped to {{ d.plate.outline.length }} corners.
      <ElButton class="plain link" :disabled="off" @click="set('plate.outline', null)">Whole again</ElButton>
    </p>
    <p v-else-if="wouldClip" class="warn small">
      A beam or longitudinal cuts into this plate.
      <ElButton class="act" :disabled="off" @click="set('plate.outline', wouldClip)">Clip it there</ElButton>
    </p>
  </template>
  <template v-if="d.structure.kind === 'metal'">
    <div class="group gap"><h2>Doubler</h2></div>
    <ElCheckbox
      class="tick"
      :model-value="d.doubler !== null"
      :disabled="off"
      @change="set('doubler', d.doubler ? null : { lengthMm: 200, widthMm: 160, thicknessMm: 6, weldMm: 4 })"
      >welded all round</ElCheckbox
    >
    <template v-if="d.doubler">
      <DimensionField
        label="Doubler length"
        :model-value="d.doubler.lengthMm"
        :units="boats.units"
        above
        :disabled="off"
        @update:model-value="set('doubler.lengthMm', $event)"
      />
      <DimensionField
        label="Doubler width"
        :model-value="d.doubler.widthMm"
        :units="boats.units"
        above
        :disabled="off"
        @update:model-value="set('doubler.widthMm', $event)"
      />
      <DimensionField
        label="Doubler thickness"
        :model-value="d.doubler.thicknessMm"
        :units="boats.units"
        above
        :disabled="off"
        @update:model-value="set('doubler.thicknessMm', $event)"
      />
      <DimensionField
        label="Weld leg"
        :model-value="d.doubler.weldMm"
        :units="boats.units"
        above
        :disabled="off"
        @update:model-value="set('doubler.weldMm', $event)"
      />
    </template>
  </template>
  <template v-if="d.structure.kind === 'timber'">
    <div class="group gap"><h2>Grain</h2></div>
    <DimensionField
      label="Grain off fore-aft"
      kind="angle"
      :model-value="grain"
      :units="boats.units"
      :least="0"
      :most="180"
      optional
      placeholder="unknown"
      :disabled="off"
      @update:model-value="setGrain"
    />
    <p class="soft small">Across the grain it bears less; typical figures, marked as estimates.</p>
  </template>
  <div class="group gap">
    <h2>Metals</h2>
    <span class="soft small">{{
      pairs.length
        ? isolated
          ? 'kept apart'
          : `${pairs.length} pair${pairs.length > 1 ? 's' : ''}`
        : 'one metal'
    }}</span>
  </div>
  <ChoiceField
    label="It is"
    :model-value="d.wetness"
    :options="[
      { value: 'splash', title: 'in the splash' },
      { value: 'dry', title: 'dry' },
      { value: 'immersed', title: 'immersed' },
    ]"
    :disabled="off"
    @update:model-value="set('wetness', $event)"
  />
  <ElCheckbox
    v-for="[k, t] in [
      ['sleeve', 'sleeve in the hole'],
      ['washer', 'washer under head and nut'],
      ['sealant', 'sealant or paste between'],
    ] as const"
    :key="k"
    class="tick"
    :model-value="d.isolation[k]"
    :disabled="off"
    @change="set(`isolation.${k}`, $event as boolean)"
    >{{ t }}</ElCheckbox
  >
  <div class="group gap">
    <h2>Each bolt’s stack</h2>
    <span class="soft small">{{ uneven ? `${bench.byHand?.grips.length ?? 1} lengths` : 'all alike' }}</span>
  </div>
  <ElCollapse class="stack"
    ><ElCollapseItem title="Pads, wedges, an uneven deck">
      <RowTable
        label="Pads"
        :columns="[
          { key: 'bolt', title: 'Bolt' },
          { key: 'pad', title: 'Pad' },
          { key: 'deckThickerBy', title: 'Deck thicker by' },
        ]"
        :rows="[...d.bolts.keys()]"
        :known="(i) => i"
      >
        <template #bolt="{ row: i }">{{ i + 1 }}</template>
        <template #pad="{ row: i }"
          ><DimensionField
            :label="`Pad under bolt ${i + 1}`"
            :model-value="d.padsMm[i] ?? 0"
            :units="boats.units"
            :least="0"
            :disabled="off"
            @update:model-value="set('padsMm', perBolt(d.padsMm, i, $event ?? 0))"
        /></template>
        <template #deckThickerBy="{ row: i }"
          ><DimensionField
            :label="`Deck thicker at bolt ${i + 1}`"
            :model-value="d.unevenMm[i] ?? 0"
            :units="boats.units"
            :disabled="off"
            @update:model-value="set('unevenMm', perBolt(d.unevenMm, i, $event ?? 0))"
        /></template>
      </RowTable>
      <ElButton
        v-if="uneven"
        class="plain link small"
        :disabled="off"
        @click="
          () => {
            sameEverywhere('padsMm')
            sameEverywhere('unevenMm')
          }
        "
      >
        All alike
      </ElButton>
      <p v-for="g in bench.byHand?.grips ?? []" :key="g.bolts.join()" class="soft small">
        Bolt {{ g.bolts.map((b) => b + 1).join(', ') }}:
        {{
          g.grip
            ? `grip ${formatLength(g.grip.gripMm, boats.units)}, ${d.bolt.size} × ${stockSaid(g.grip)}`
            : 'no stock length'
        }}
      </p>
    </ElCollapseItem></ElCollapse
  >
  <div class="group gap"><h2>Family</h2></div>
  <ChoiceField
    label="It is a"
    :model-value="d.family"
    :options="familyOptions"
    :disabled="off"
    @update:model-value="set('family', $event)"
  />
  <DimensionField
    label="Pipe or shaft through"
    :model-value="d.pipeMm"
    :units="boats.units"
    above
    optional
    placeholder="none"
    :disabled="off"
    @update:model-value="set('pipeMm', $event)"
  />
</template>

<style scoped src="../../pieces/given.css"></style>
<style scoped>
.warn {
  color: var(--buoy);
  font-weight: 600;
  display: grid;
  gap: 4px;
}
.link {
  text-decoration: underline;
  color: var(--tide);
  min-height: 28px;
}
.stack :deep(label) {
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
}
.stack :deep(.unit) {
  display: none;
}
</style>
