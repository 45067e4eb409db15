<script setup lang="ts">
import { computed } from 'vue'
import { formatLength, layupSaid, sayIn, zoneTitle, type Units } from '@north-tide/core'
import { USES, USE_TITLES } from '@north-tide/core/through-hull'
import ChoiceField from '../../../pieces/ChoiceField.vue'
import DimensionField from '../../../pieces/DimensionField.vue'
import MeasureField from '../../../pieces/MeasureField.vue'
import type { BoatPicture } from '../../../types'
import BoatSketch from '../BoatSketch.vue'
import type { Placing } from './placing'

/** Where it goes, what lies there, and what it is called. */
const props = defineProps<{ boat: BoatPicture; units: Units; placing: Placing }>()
const { x, y, z, measured, named, hull, zone, follow } = props.placing
const { through, setIn, deadrise, use, usualUse, edge, flags, entry, name } = props.placing
/** What it is called where nobody says otherwise. */
const usualName = computed(() => {
  const title = entry.value?.title.split(',')[0]
  if (!title) return 'as you call it'
  return zone.value && !through.value ? `${title}, ${zone.value.title.toLowerCase()}` : title
})
</script>

<template>
  <div class="where">
    <MeasureField :boat="boat" :units="units" @measured="follow" />
    <DimensionField
      :model-value="x"
      label="x, aft of the stem"
      :units="units"
      :disabled="measured !== null"
      @update:model-value="x = $event ?? x"
    />
    <DimensionField
      :model-value="y"
      label="y, to starboard"
      :units="units"
      :disabled="measured !== null"
      @update:model-value="y = $event ?? y"
    />
    <DimensionField
      v-if="named || through || setIn"
      :model-value="z"
      label="z, above the waterline"
      :units="units"
      @update:model-value="z = $event ?? z"
    />
    <template v-if="through">
      <DimensionField
        v-model="deadrise"
        label="Deadrise, measured"
        kind="angle"
        :units="units"
        :least="0"
        :most="79"
        optional
        :placeholder="String(hull.hull.deadriseDeg)"
      />
      <ChoiceField
        v-model="use"
        label="For"
        :options="[
          { value: '', title: usualUse ? USE_TITLES[usualUse] : 'as usual' },
          ...USES.map((u) => ({ value: u, title: USE_TITLES[u] })),
        ]"
      />
      <p>
        <strong>{{ hull.zone === null ? 'No known hull here' : zoneTitle(boat.zones, hull.zone) }}.</strong>
        <span class="soft"
          >{{ hull.hull.kind }}, {{ hull.hull.measured ? '' : '~'
          }}{{ formatLength(hull.hull.thicknessMm, units)
          }}{{ z < 0 ? `, ${formatLength(-z, units)} under water at rest` : ', above the water' }}</span
        >
      </p>
    </template>
    <p v-if="!through">
      <strong>{{ zone?.title ?? 'Off the deck' }}.</strong>
      <span class="soft">{{
        zone ? layupSaid(zone, units) : 'No known surface lies here; the layup would be a guess.'
      }}</span>
    </p>
    <p v-if="edge !== null && !through" class="soft small">
      {{ formatLength(edge, units) }} from a bolt to the zone’s edge, on the plan.
    </p>
    <ul v-if="flags.length && !through" class="flags">
      <li v-for="f in flags" :key="f.id">{{ sayIn(f.text, units) }}</li>
    </ul>
    <BoatSketch
      v-if="!through && x !== null && y !== null"
      :boat="boat"
      :units="units"
      :spot="{ xMm: x, yMm: y }"
      label="Where it goes"
    />
    <label class="named" for="fitting-name"
      >Name<ElInput id="fitting-name" v-model="name" class="entry" maxlength="120" :placeholder="usualName"
    /></label>
  </div>
</template>

<style scoped>
.where {
  display: grid;
  gap: 8px;
  align-content: start;
  min-width: 0;
}
.flags {
  margin: 0;
  padding: 8px 10px 8px 24px;
  background: var(--short-ground);
  color: var(--short);
  font-size: 0.875rem;
}
.named {
  display: grid;
  gap: 2px;
  font-weight: 600;
}
</style>
