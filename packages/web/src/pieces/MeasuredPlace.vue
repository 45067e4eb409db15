<script setup lang="ts">
import { ref } from 'vue'
import { measureSaid, type Measure, type Units } from '@north-tide/core'
import type { BoatPicture } from '../types'
import MeasureField, { type Measured } from './MeasureField.vue'

/** Where a fitting stands by what a fitter measures, on deck or inside; what it went by is said. */
defineProps<{ boat: BoatPicture; units: Units; from: readonly Measure[]; readOnly: boolean }>()
const emit = defineEmits<{ place: [at: { xMm: number; yMm: number }, from: Measure[]] }>()
const typed = ref('')
const measured = ref<Measured | null>(null)
const tried = ref(false)
function put() {
  const m = measured.value
  tried.value = true
  if (!m || m.xMm === null || m.yMm === null) return
  emit('place', { xMm: Math.round(m.xMm * 10) / 10, yMm: Math.round(m.yMm * 10) / 10 }, m.measures)
  typed.value = ''
  tried.value = false
}
</script>

<template>
  <div class="measured">
    <p v-if="from.length" class="small">Measured: {{ from.map((m) => measureSaid(m, units)).join('; ') }}.</p>
    <template v-if="!readOnly">
      <MeasureField
        v-model:typed="typed"
        :boat="boat"
        :units="units"
        label="Put it by measures"
        :tried="tried"
        @measured="measured = $event"
      />
      <p
        v-if="tried && measured && (measured.xMm === null || measured.yMm === null)"
        class="wrong small"
        role="alert"
      >
        One measure along the boat and one across it say where it is.
      </p>
      <p class="soft small">
        Taken inside, add “hull {{ units === 'inch' ? '3/8' : '9' }}, flare 12”: the hull between is allowed
        for.
      </p>
      <ElButton class="act" :disabled="!typed.trim()" @click="put">Put it there</ElButton>
    </template>
  </div>
</template>

<style scoped>
.measured {
  display: grid;
  gap: 6px;
  margin-top: 8px;
}
.measured .act {
  justify-self: start;
}
.wrong {
  color: var(--short);
}
</style>
