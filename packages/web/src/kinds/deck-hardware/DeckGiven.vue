<script setup lang="ts">
import { computed } from 'vue'
import { CORES, CORE_IDS, type CoreId, type Design, type Measurable } from '@north-tide/core'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import { useGiven } from './given'

/** The deck where it stands, layer by layer, and what of it was measured. */
const { bench, boats, d, set, off } = useGiven()
const measured = (k: Measurable) => d.value.measured.includes(k)
const toggle = (k: Measurable) =>
  set('measured', measured(k) ? d.value.measured.filter((m) => m !== k) : [...d.value.measured, k])
const layers = computed(() => {
  const s = d.value.structure
  if (s.kind === 'sandwich')
    return [
      { label: 'Outer skin', path: 'structure.outerMm', key: 'outerMm' as const, value: s.outerMm },
      {
        label: 'Core',
        path: 'structure.core.thicknessMm',
        key: 'coreMm' as const,
        value: s.core.thicknessMm,
      },
      { label: 'Inner skin', path: 'structure.innerMm', key: 'innerMm' as const, value: s.innerMm },
    ]
  return [
    {
      label: s.kind === 'metal' ? 'Plating' : 'Thickness',
      path: 'structure.thicknessMm',
      key: 'thicknessMm' as const,
      value: s.thicknessMm,
    },
  ]
})
const guessed = computed(() => layers.value.some((l) => !measured(l.key)))
const coreOptions = CORE_IDS.map((id) => ({ value: id, title: CORES[id].title }))
const kindOptions = [
  { value: 'sandwich', title: 'Cored laminate' },
  { value: 'solid', title: 'Solid laminate' },
  { value: 'metal', title: 'Metal plating' },
  { value: 'timber', title: 'Timber' },
] as const
function setKind(kind: Design['structure']['kind']) {
  const t =
    d.value.structure.kind === 'sandwich'
      ? d.value.structure.outerMm + d.value.structure.innerMm
      : d.value.structure.thicknessMm
  const structure: Design['structure'] =
    kind === 'sandwich'
      ? {
          kind,
          skin: { laminate: 'mat' },
          outerMm: 4,
          innerMm: 3,
          core: { material: 'balsa-150', thicknessMm: 12 },
        }
      : kind === 'solid'
        ? { kind, skin: { laminate: 'woven' }, thicknessMm: t }
        : kind === 'metal'
          ? { kind, metal: 'aluminium-5083', thicknessMm: t }
          : { kind, timber: 'plywood', thicknessMm: t }
  bench.change({ structure, measured: [], 'core.school': kind === 'sandwich' ? 'bore-fill' : 'none' })
}
</script>

<template>
  <div class="group gap">
    <h2>Deck here</h2>
    <span class="soft small">tick what is measured</span>
  </div>
  <ChoiceField
    label="Made as"
    :model-value="d.structure.kind"
    :options="kindOptions"
    :disabled="off"
    @update:model-value="setKind($event)"
  />
  <ChoiceField
    v-if="d.structure.kind === 'sandwich'"
    label="Core"
    :model-value="d.structure.core.material"
    :options="coreOptions"
    :disabled="off"
    @update:model-value="set('structure.core.material', $event as CoreId)"
  />
  <div v-for="l in layers" :key="l.path" class="layer">
    <DimensionField
      :label="l.label"
      :model-value="l.value"
      :units="boats.units"
      above
      :estimated="!measured(l.key)"
      :disabled="off"
      @update:model-value="set(l.path, $event)"
    />
    <ElCheckbox
      class="measured small"
      :title="measured(l.key) ? 'Measured' : 'An estimate'"
      :model-value="measured(l.key)"
      :disabled="off"
      @change="toggle(l.key)"
      ><span class="hidden-words">{{ `${l.label} is measured` }}</span></ElCheckbox
    >
  </div>
  <p v-if="guessed" class="soft small">Dashed: estimated. A drilled plug would prove it.</p>
</template>

<style scoped src="../../pieces/given.css"></style>
