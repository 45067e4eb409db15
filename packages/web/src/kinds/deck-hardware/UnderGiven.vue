<script setup lang="ts">
import { computed } from 'vue'
import { SUPPORTS, SUPPORT_IDS, type Design, type SupportId } from '@north-tide/core'
import { useBench } from '../../state/bench'
import { useBoats } from '../../state/boats'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import { UNDER_FIELDS, UNDER_START, underValue, withUnder, type UnderKind } from './under-fields'

/** What carries the push: looked for under the deck and named, or the verdict stays unproven. */
const bench = useBench()
const boats = useBoats()
const under = computed(() => bench.design!.under)
const off = computed(() => bench.readOnly)
const put = (next: Design['under']) => bench.change({ under: next })
const KINDS: { value: UnderKind | 'unsaid'; title: string }[] = [
  { value: 'unsaid', title: 'not looked yet' },
  { value: 'nothing', title: 'nothing, the deck alone' },
  { value: 'beam', title: 'a beam' },
  { value: 'bulkhead', title: 'a bulkhead' },
  { value: 'post', title: 'a post to the hull' },
]
const MATERIALS = SUPPORT_IDS.map((value) => ({ value, title: SUPPORTS[value].title }))
const ENDS = [
  { value: 'pinned', title: 'both loose' },
  { value: 'fixed-pinned', title: 'one built in' },
  { value: 'fixed', title: 'both built in' },
  { value: 'free', title: 'head free' },
] as const
const material = computed(() => (under.value && 'material' in under.value ? under.value.material : null))
const setKind = (kind: UnderKind | 'unsaid') => put(kind === 'unsaid' ? null : UNDER_START[kind])
const setMaterial = (id: SupportId) => put({ ...under.value, material: id } as Design['under'])
const setEnds = (ends: (typeof ENDS)[number]['value']) => put({ ...under.value, ends } as Design['under'])
</script>

<template>
  <div class="group gap">
    <h2>Under it</h2>
    <span class="soft small">what takes the push</span>
  </div>
  <ChoiceField
    label="There stands"
    :model-value="under?.kind ?? 'unsaid'"
    :options="KINDS"
    :disabled="off"
    @update:model-value="setKind($event)"
  />
  <template v-if="material">
    <ChoiceField
      label="Of"
      :model-value="material"
      :options="MATERIALS"
      :disabled="off"
      @update:model-value="setMaterial($event)"
    />
    <DimensionField
      v-for="f in UNDER_FIELDS[under!.kind]"
      :key="f.path"
      :label="f.label"
      :model-value="underValue(under!, f.path)"
      :units="boats.units"
      :optional="f.optional"
      above
      :disabled="off"
      @update:model-value="put(withUnder(under!, f.path, $event))"
    />
    <ChoiceField
      v-if="under?.kind === 'post'"
      label="Its ends"
      :model-value="under.ends"
      :options="ENDS"
      :disabled="off"
      @update:model-value="setEnds($event)"
    />
  </template>
</template>

<style scoped>
.gap {
  margin-top: 18px;
}
</style>
