<script setup lang="ts">
import { zoneTitle } from '@north-tide/core'
import { USES, USE_TITLES } from '@north-tide/core/through-hull'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import HeldText from '../../pieces/HeldText.vue'
import { useTurns } from '../../pieces/turns'
import BeddedGiven from './BeddedGiven.vue'
import FamilyGiven from './FamilyGiven.vue'
import HullGiven from './HullGiven.vue'
import PartsGiven from './PartsGiven.vue'
import UnderItGiven from './UnderItGiven.vue'
import { useHullGiven } from './given'

/** What is decided and measured of one fitting through the hull, in the order in which it is asked. */
const { boats, d, u, off, info, set } = useHullGiven()
/** What is seen without scrolling comes first. */
const LAST = 3
const turn = useTurns(LAST)
</script>

<template>
  <section class="given" aria-label="Given" tabindex="0" :aria-busy="turn < LAST">
    <div class="group">
      <h2>Place</h2>
      <span class="soft small">{{ zoneTitle(boats.picture?.zones ?? [], d.place.zone) }}</span>
    </div>
    <DimensionField
      label="x, aft"
      :model-value="d.place.xMm"
      :units="u"
      :disabled="off"
      @update:model-value="set('place.xMm', $event)"
    />
    <DimensionField
      label="y, starboard"
      :model-value="d.place.yMm"
      :units="u"
      :disabled="off"
      @update:model-value="set('place.yMm', $event)"
    />
    <DimensionField
      label="z, above water"
      :model-value="d.place.zMm"
      :units="u"
      :disabled="off"
      @update:model-value="set('place.zMm', $event)"
    />
    <ChoiceField
      label="For"
      :model-value="d.use"
      :options="USES.map((v) => ({ value: v, title: USE_TITLES[v] }))"
      :disabled="off"
      @update:model-value="set('use', $event)"
    />
    <ChoiceField
      label="Duty"
      :model-value="d.duty"
      :options="(['sheltered', 'coastal', 'ocean'] as const).map((v) => ({ value: v, title: v }))"
      :disabled="off"
      @update:model-value="set('duty', $event)"
    />
    <label v-if="d.duty !== boats.picture?.duty" class="why small" for="below-duty-reason"
      >Why not the boat’s {{ boats.picture?.duty }}?<HeldText
        id="below-duty-reason"
        class="entry"
        maxlength="300"
        :model-value="d.dutyReason ?? ''"
        :readonly="off"
        @update:model-value="set('dutyReason', $event.trim() || null)"
    /></label>
    <DimensionField
      v-if="info.hose"
      label="Flow"
      kind="number"
      unit="l/min"
      :model-value="d.flowLpm"
      :units="u"
      above
      optional
      placeholder="not asked"
      :disabled="off"
      @update:model-value="set('flowLpm', $event)"
    />

    <HullGiven />
    <PartsGiven v-if="turn > 0" />
    <template v-if="turn > 1">
      <FamilyGiven />
      <UnderItGiven />
    </template>
    <BeddedGiven v-if="turn > 2" />
  </section>
</template>

<style scoped src="../../pieces/given.css"></style>
