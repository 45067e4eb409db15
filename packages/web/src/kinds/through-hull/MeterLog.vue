<script setup lang="ts">
import { reactive, ref } from 'vue'
import dayjs from 'dayjs'
import { useThroughHull } from '../../state/through-hull'
import { useBoats } from '../../state/boats'
import DimensionField from '../../pieces/DimensionField.vue'
import WhenField from '../../pieces/WhenField.vue'

/** A figure read now, or on an earlier day, into the fitting’s log. */
const props = defineProps<{ kind: 'bond' | 'anode'; label: string; unit: string; most?: number }>()
const throughHull = useThroughHull()
const boats = useBoats()
const blank = { value: null as number | null, note: '', at: '' }
const form = reactive({ ...blank })
const said = ref('')
const busy = ref(false)
async function take() {
  if (form.value === null) return
  said.value = ''
  busy.value = true
  try {
    await throughHull.act('POST', 'log', {
      kind: props.kind,
      value: form.value,
      note: form.note.trim(),
      ...(form.at ? { at: dayjs(form.at).hour(12).toISOString() } : {}),
    })
    Object.assign(form, blank)
  } catch (error) {
    said.value = error instanceof Error ? error.message : 'It was not taken'
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <form v-if="!throughHull.readOnly" class="log" @submit.prevent="take">
    <DimensionField
      v-model="form.value"
      :label="label"
      kind="number"
      :unit="unit"
      :units="boats.units"
      :least="0"
      :most="most"
      optional
    />
    <label class="small">Word with it<ElInput v-model="form.note" class="entry" maxlength="300" /></label>
    <WhenField v-model="form.at" class="small" label="Day, if not today" kind="date" />
    <ElButton class="act" :disabled="form.value === null || busy" native-type="submit">Take reading</ElButton>
    <p v-if="said" class="said small" role="alert">{{ said }}</p>
  </form>
</template>

<style scoped>
.log {
  display: grid;
  gap: 5px;
}
label {
  display: grid;
  gap: 1px;
}
label .entry {
  width: 100%;
  text-align: left;
  font-family: var(--words);
}
.act {
  justify-self: start;
}
.said {
  color: var(--short);
  font-weight: 600;
}
</style>
