<script setup lang="ts">
import { computed } from 'vue'
import { GRADES, GRADE_IDS, isBlind, sizesFor } from '@north-tide/core'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import { useGiven } from './given'

/** The bolts and how tight. */
const { bench, boats, d, j, set, off } = useGiven()
const sizeOptions = computed(() =>
  [...new Set([...sizesFor(d.value), d.value.bolt.size])].map((s) => ({ value: s, title: s })),
)
const gradeOptions = GRADE_IDS.map((g) => ({ value: g, title: GRADES[g].title }))
const HEADS = ['hex', 'pan', 'button', 'socket', 'countersunk'].map((v) => ({ value: v, title: v }))
const NUTS = [
  { value: 'hex', title: 'hexagon' },
  { value: 'locking', title: 'locking' },
  { value: 'double-hex', title: 'two, locked' },
]
const WASHERS = [
  { value: 'plain', title: 'plain' },
  { value: 'large', title: 'large' },
]
</script>

<template>
  <div class="group gap">
    <h2>Bolts</h2>
    <span class="soft small">{{ d.bolts.length }} in the pattern</span>
  </div>
  <ChoiceField
    label="Size"
    :model-value="d.bolt.size"
    :options="sizeOptions"
    :disabled="off"
    @update:model-value="set('bolt.size', $event)"
  />
  <ChoiceField
    label="Grade"
    :model-value="d.bolt.grade"
    :options="gradeOptions"
    :disabled="off"
    @update:model-value="set('bolt.grade', $event)"
  />
  <ChoiceField
    label="Head"
    :model-value="d.bolt.head"
    :options="HEADS"
    :disabled="off"
    @update:model-value="
      bench.change({
        'bolt.head': $event,
        'bolt.headWasher': $event === 'countersunk' ? 'none' : d.bolt.headWasher,
      })
    "
  />
  <ChoiceField
    v-if="!isBlind(d)"
    label="Nut"
    :model-value="d.bolt.nut"
    :options="NUTS"
    :disabled="off"
    @update:model-value="set('bolt.nut', $event)"
  />
  <ChoiceField
    v-if="!isBlind(d)"
    label="Washer at nut"
    :model-value="d.bolt.nutWasher"
    :options="WASHERS"
    :disabled="off"
    @update:model-value="set('bolt.nutWasher', $event)"
  />
  <DimensionField
    label="Torque"
    kind="number"
    unit="N·m"
    :model-value="d.bolt.torqueNm"
    :units="boats.units"
    above
    optional
    :placeholder="j ? j.preload.torqueNm.toFixed(1) : 'snug'"
    :disabled="off"
    @update:model-value="set('bolt.torqueNm', $event)"
  />
  <ElCheckbox
    class="tick"
    :model-value="d.bolt.partThreaded"
    :disabled="off"
    @change="set('bolt.partThreaded', $event as boolean)"
    >part-threaded bolts</ElCheckbox
  >
  <ElCheckbox
    class="tick"
    :model-value="d.bolt.paste"
    :disabled="off"
    @change="set('bolt.paste', $event as boolean)"
    >paste on the thread</ElCheckbox
  >
</template>

<style scoped src="../../pieces/given.css"></style>
