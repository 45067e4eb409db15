<script setup lang="ts">
import { defineAsyncComponent, ref } from 'vue'
import { asksUnder, formatForce, zoneTitle, LINES, LINE_IDS } from '@north-tide/core'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import { useTurns } from '../../pieces/turns'
import DeckGiven from './DeckGiven.vue'
import LoadGiven from './LoadGiven.vue'
import { useGiven } from './given'

/** All that is given of a fitting on the deck, in the order in which one thinks of it. */
const { bench, boats, d, j, set, off, problemAt } = useGiven()
/** What is seen without scrolling comes first; the rest is a file of its own, asked for at once. */
const below = () => import('./GivenBelow.vue')
const GivenBelow = defineAsyncComponent(below)
/** Only what pushes down asks what stands under it. */
const UnderGiven = defineAsyncComponent(() => import('./UnderGiven.vue'))
void below().catch(() => undefined)
const turn = useTurns(1)
const whole = ref(false)
const lineOptions = LINE_IDS.map((l) => ({ value: l, title: l === 'chain' ? 'chain' : LINES[l].title }))
const DUTIES = [
  { value: 'sheltered', title: 'sheltered' },
  { value: 'coastal', title: 'coastal' },
  { value: 'ocean', title: 'ocean' },
]
</script>

<template>
  <section v-if="d" class="given" aria-label="Given" tabindex="0" :aria-busy="!whole">
    <div class="group">
      <h2>Place</h2>
      <span class="soft small">{{ zoneTitle(boats.picture?.zones ?? [], d.place.zone) }}</span>
    </div>
    <DimensionField
      label="x, aft"
      :model-value="d.place.xMm"
      :units="boats.units"
      :disabled="off"
      @update:model-value="$event !== null && bench.moveTo({ xMm: $event })"
    />
    <DimensionField
      label="y, starboard"
      :model-value="d.place.yMm"
      :units="boats.units"
      :disabled="off"
      @update:model-value="$event !== null && bench.moveTo({ yMm: $event })"
    />
    <DimensionField
      label="Turned"
      kind="angle"
      :model-value="d.headingDeg"
      :least="-180"
      :most="180"
      :units="boats.units"
      :disabled="off"
      :problem="problemAt('headingDeg')"
      @update:model-value="$event !== null && bench.moveTo({ headingDeg: $event })"
    />
    <p v-if="d.headingDeg !== 0" class="soft small">
      Its aft end is swung to {{ d.headingDeg > 0 ? 'starboard' : 'port' }}; a load that comes from the boat
      keeps its direction.
    </p>
    <p v-if="bench.moveSaid" class="soft small" role="status">{{ bench.moveSaid }}</p>
    <DimensionField
      label="Edge distance"
      :model-value="d.place.edgeMm"
      :units="boats.units"
      above
      optional
      placeholder="measure"
      :disabled="off"
      :problem="problemAt('edgeMm')"
      @update:model-value="set('place.edgeMm', $event)"
    />
    <ChoiceField
      label="Duty"
      :model-value="d.duty"
      :options="DUTIES"
      :disabled="off"
      @update:model-value="set('duty', $event)"
    />
    <label v-if="d.duty !== boats.picture?.duty" class="why small" for="duty-reason"
      >Why not the boat’s {{ boats.picture?.duty }}?<ElInput
        id="duty-reason"
        class="entry"
        maxlength="300"
        :model-value="d.dutyReason ?? ''"
        :disabled="off"
        @update:model-value="set('dutyReason', $event || null)"
    /></label>

    <DeckGiven />

    <LoadGiven :line-options="lineOptions" />
    <UnderGiven v-if="asksUnder(d)" />

    <GivenBelow v-if="turn > 0" @whole="whole = true" />
    <p v-if="j" class="soft small">Carries {{ formatForce(j.load.loadN, boats.units) }}.</p>
  </section>
</template>

<style scoped src="../../pieces/given.css"></style>
