<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import dayjs from 'dayjs'
import { api } from '../api'
import type { Lot } from '../types'
import ChoiceField from './ChoiceField.vue'

/** The lot that went in, by its code: epoxies, or sealants with the wanted chemistry first. */
const props = defineProps<{ kind: 'epoxy' | 'sealant'; chemistry?: string | null }>()
const chosen = defineModel<string>({ required: true })
const emit = defineEmits<{ lot: [lot: Lot | null] }>()
const lots = ref<Lot[]>([])
const failed = ref('')
onMounted(async () => {
  try {
    lots.value = await api<Lot[]>('GET', '/lots')
    emit('lot', lots.value.find((l) => String(l.id) === chosen.value) ?? null)
  } catch (error) {
    failed.value = error instanceof Error ? error.message : 'The lots cannot be read'
  }
})
const today = dayjs().format('YYYY-MM-DD')
const options = computed(() => [
  { value: '', title: 'no lot named' },
  ...lots.value
    .filter((l) => l.kind === props.kind && !l.recalledOn)
    .sort((a, b) => Number(b.chemistry === props.chemistry) - Number(a.chemistry === props.chemistry))
    .map((l) => ({
      value: String(l.id),
      title: `${l.code} ${l.title}, until ${dayjs(l.expiresOn).format('D MMM YYYY')}${l.expiresOn < today ? ' (past)' : ''}`,
    })),
])
function take(value: string) {
  chosen.value = value
  emit('lot', lots.value.find((l) => String(l.id) === value) ?? null)
}
</script>

<template>
  <div>
    <ChoiceField :model-value="chosen" label="Lot" :options="options" @update:model-value="take" />
    <p v-if="failed" class="small" role="alert">{{ failed }}</p>
  </div>
</template>
