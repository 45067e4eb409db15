<script setup lang="ts">
import { computed } from 'vue'
import { lengthText } from '@north-tide/core'
import {
  BODY_MATERIALS,
  BODY_TITLES,
  asMeasured,
  skinsWith,
  tailsWith,
  valvesWith,
  type PartKind,
} from '@north-tide/core/through-hull'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import { useHullGiven } from './given'

/** The fitting itself: what stands in the hull, the valve on it, the hose behind. */
const { throughHull, boats, d, u, off, info, set } = useHullGiven()
const own = (kind: PartKind, change: Record<string, unknown>) =>
  throughHull.change(asMeasured(d.value, kind, change))
const skins = computed(() => skinsWith(boats.goods))
const valves = computed(() => valvesWith(boats.goods))
const tails = computed(() => tailsWith(boats.goods))
/** What was measured by hand has no number to be picked by. */
const OWN = '?'
const named = (part: { id: string | null } | null) => (part ? (part.id ?? OWN) : '')
const pickFrom =
  <T extends { id: string | null }>(list: T[], path: string) =>
  (id: string) =>
    id !== OWN && set(path, id === '' ? null : list.find((x) => x.id === id))
const options = (
  list: { id: string | null; title: string }[],
  now: { id: string | null; title: string } | null,
  none: string | null,
) => [
  ...(none === null ? [] : [{ value: '', title: none }]),
  ...(now && !list.some((x) => x.id === now.id) ? [{ value: named(now), title: now.title }] : []),
  ...list.map((x) => ({ value: x.id!, title: x.title })),
]
</script>

<template>
  <div class="group gap">
    <h2>Fitting</h2>
    <span class="soft small">{{ BODY_TITLES[d.skin.material] }}</span>
  </div>
  <ChoiceField
    v-if="d.skin.thread && d.family !== 'welded-stub'"
    label="Skin fitting"
    :model-value="named(d.skin)"
    :options="options(skins, d.skin, null)"
    :disabled="off"
    @update:model-value="
      $event !== OWN &&
      set('skin', {
        ...skins.find((s) => s.id === $event)!,
        nutMm: d.skin.nutMm,
        windowMm: d.skin.windowMm,
      })
    "
  />
  <ChoiceField
    label="Material"
    :model-value="d.skin.material"
    :options="BODY_MATERIALS.map((v) => ({ value: v, title: BODY_TITLES[v] }))"
    :disabled="off"
    @update:model-value="own('skin', { material: $event })"
  />
  <template v-if="info.stack">
    <DimensionField
      label="Tail, from under the head"
      :model-value="d.skin.tailMm"
      :units="u"
      above
      :disabled="off"
      @update:model-value="own('skin', { tailMm: $event })"
    />
    <DimensionField
      label="Tail diameter"
      :model-value="d.skin.tailOdMm"
      :units="u"
      above
      optional
      placeholder="unknown"
      :disabled="off"
      @update:model-value="own('skin', { tailOdMm: $event })"
    />
  </template>
  <DimensionField
    label="Bored to"
    :model-value="d.boredMm"
    :units="u"
    above
    optional
    :placeholder="lengthText(d.skin.holeMm, u)"
    :disabled="off"
    @update:model-value="set('boredMm', $event)"
  />
  <DimensionField
    label="Bead"
    :model-value="d.beddingMm"
    :units="u"
    :least="0"
    :disabled="off"
    @update:model-value="set('beddingMm', $event)"
  />
  <template v-if="info.valve">
    <ChoiceField
      label="Valve"
      :model-value="named(d.valve)"
      :options="options(valves, d.valve, null)"
      :disabled="off"
      @update:model-value="pickFrom(valves, 'valve')($event)"
    />
    <ChoiceField
      label="Handle"
      :model-value="d.valve?.handle ?? 'lever'"
      :options="
        [
          { value: 'lever', title: 'lever' },
          { value: 'tee', title: 'tee' },
        ] as const
      "
      :disabled="off || !d.valve"
      @update:model-value="own('valve', { handle: $event })"
    />
  </template>
  <template v-if="info.hose">
    <ChoiceField
      label="Hose tail"
      :model-value="named(d.tail)"
      :options="options(tails, d.tail, 'none yet')"
      :disabled="off"
      @update:model-value="pickFrom(tails, 'tail')($event)"
    />
    <template v-if="d.hose">
      <DimensionField
        label="Hose bore"
        :model-value="d.hose.boreMm"
        :units="u"
        above
        :disabled="off"
        @update:model-value="set('hose.boreMm', $event)"
      />
      <DimensionField
        label="Clips"
        kind="number"
        unit="of 316"
        :model-value="d.hose.clips"
        :units="u"
        :least="0"
        :most="4"
        :disabled="off"
        @update:model-value="set('hose.clips', Math.round($event ?? 0))"
      />
      <ElCheckbox
        class="tick"
        :model-value="d.hose.belowRated"
        :disabled="off"
        @change="set('hose.belowRated', $event as boolean)"
        >hose rated for below water</ElCheckbox
      >
    </template>
    <ElButton
      v-else-if="!off"
      class="act"
      @click="set('hose', { boreMm: d.tail?.barbMm ?? 25, clips: 2, bandMm: 13, belowRated: true })"
    >
      Give it a hose
    </ElButton>
  </template>
</template>

<style scoped src="../../pieces/given.css"></style>
