<script setup lang="ts">
import { computed } from 'vue'
import { FAMILIES, FAMILY_TITLES, INCH_IDS, METRIC_IDS } from '@north-tide/core'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import ReadFile from '../../pieces/ReadFile.vue'
import type { HardwareForm } from './own-hardware'

/** One piece of the yard's own, drawn by its figures; `path` and `said` are what the server found wrong. */
const form = defineModel<HardwareForm>({ required: true })
defineProps<{
  units: 'metric' | 'inch'
  path: string
  said: string
  busy: boolean
  readable: (typed: string) => boolean
}>()
defineEmits<{ keep: []; leave: []; outline: [file: File] }>()
const sizes = computed(() => (form.value.units === 'inch' ? INCH_IDS : METRIC_IDS))
</script>

<template>
  <form aria-label="Own hardware" @submit.prevent="$emit('keep')">
    <slot />
    <div class="cols">
      <div>
        <label class="long" for="hw-id"
          >Number<ElInput id="hw-id" v-model="form.id" class="entry" maxlength="39" placeholder="SQ-12"
        /></label>
        <label class="long" for="hw-title"
          >What it is<ElInput id="hw-title" v-model="form.title" class="entry" maxlength="120"
        /></label>
        <ChoiceField
          v-model="form.family"
          label="Family"
          :options="FAMILIES.map((f) => ({ value: f, title: FAMILY_TITLES[f] }))"
        />
        <ChoiceField
          v-model="form.face as string"
          label="Of"
          :options="['stainless', 'aluminium', 'bronze'].map((f) => ({ value: f, title: f }))"
        />
        <ChoiceField
          v-model="form.head"
          label="Heads"
          :options="[
            { value: 'hex', title: 'hexagon' },
            { value: 'countersunk', title: 'countersunk' },
          ]"
        />
        <ChoiceField
          :model-value="form.units"
          label="Threads"
          :options="[
            { value: 'metric', title: 'metric' },
            { value: 'inch', title: 'inch' },
          ]"
          @update:model-value="
            ($event) => {
              form.units = $event
              form.sizes = [$event === 'inch' ? '1/4-20' : 'M8']
            }
          "
        />
        <fieldset class="sizes">
          <legend>Sizes that pass its holes</legend>
          <ElCheckboxGroup v-model="form.sizes" class="passing" aria-label="Sizes that pass its holes"
            ><ElCheckbox v-for="z in sizes" :key="z" :value="z">{{ z }}</ElCheckbox></ElCheckboxGroup
          >
        </fieldset>
      </div>
      <div>
        <ElCheckbox class="tick" v-model="form.round">round base</ElCheckbox>
        <DimensionField
          v-if="form.round"
          v-model="form.diameterMm"
          label="Diameter"
          :units="units"
          above
          :problem="path.startsWith('base.diameter') ? said : null"
        />
        <template v-else
          ><DimensionField
            v-model="form.lengthMm"
            label="Length, fore and aft"
            :units="units"
            above
            :problem="path === 'base.lengthMm' ? said : null" /><DimensionField
            v-model="form.widthMm"
            label="Width"
            :units="units"
            above
            :problem="path === 'base.widthMm' ? said : null"
        /></template>
        <DimensionField v-model="form.thicknessMm" label="Base height" :units="units" above />
        <DimensionField v-model="form.bodyHeightMm" label="Body above it" :units="units" :least="0" />
        <DimensionField
          v-model="form.ratedN"
          label="Rated load"
          kind="force"
          :units="units"
          above
          optional
          placeholder="none"
        />
        <DimensionField
          v-model="form.pipeMm"
          label="Pipe through"
          :units="units"
          above
          optional
          placeholder="none"
        />
        <ReadFile accept=".dxf" words="Outline from a DXF" @file="$emit('outline', $event)" />
      </div>
      <div>
        <h3>Holes, from the middle</h3>
        <p v-for="(h, i) in form.holes" :key="i" class="hole">
          {{ i + 1 }}
          <ElInput
            v-model="h.x"
            class="entry figure"
            :aria-label="`Hole ${i + 1}, x`"
            :class="{ bad: !readable(h.x) || path === `bolts.${i}` }"
          /><ElInput
            v-model="h.y"
            class="entry figure"
            :aria-label="`Hole ${i + 1}, y`"
            :class="{ bad: !readable(h.y) || path === `bolts.${i}` }"
          />
          <ElButton
            v-if="form.holes.length > 1"
            class="plain soft"
            :aria-label="`Take away hole ${i + 1}`"
            @click="form.holes.splice(i, 1)"
          >
            ×
          </ElButton>
        </p>
        <ElButton class="act" @click="form.holes.push({ x: '0', y: '0' })">Another hole</ElButton>
      </div>
    </div>
    <div class="acts">
      <ElButton
        class="act main"
        native-type="submit"
        :disabled="busy || !form.id.trim() || !form.title.trim() || !form.sizes.length"
      >
        Keep it</ElButton
      ><ElButton class="act" @click="$emit('leave')">Leave it</ElButton>
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
  background: var(--sheet);
  padding: 14px;
  border: 1px solid var(--line-strong);
}
.cols {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 10px 28px;
}
.cols > div {
  display: grid;
  gap: 6px;
  align-content: start;
}
.long {
  display: grid;
  gap: 2px;
}
.sizes {
  border: 0;
  padding: 0;
  margin: 0;
}
.passing {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
}
.sizes label,
.tick {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  min-height: 28px;
}
.hole {
  display: flex;
  gap: 8px;
  align-items: center;
}
.hole .entry {
  width: 84px;
  text-align: right;
}
.entry.bad {
  background: var(--short-ground);
  border-bottom-color: var(--short);
}
.acts {
  display: flex;
  gap: 10px;
}
@media (max-width: 767px) {
  .cols {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
