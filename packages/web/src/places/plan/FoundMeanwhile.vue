<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import type { PlannedStep } from '@north-tide/core'
import { api } from '../../api'
import type { WorkStore } from '../../kinds/registry'
import { useAttempt } from '../../pieces/attempt'
import DimensionField from '../../pieces/DimensionField.vue'
import PickOne from '../../pieces/PickOne.vue'
import WaitsHere from '../../pieces/WaitsHere.vue'
import { useBoats } from '../../state/boats'

/**
 * One job opens three others: a hole, a wet place, a part that is not there, something that looks wrong.
 * Each becomes an item of its own, named after the step at which it was found.
 */
const props = defineProps<{ step: PlannedStep; work: WorkStore }>()
const emit = defineEmits<{ close: [] }>()
const boats = useBoats()
const { said, busy, attempt } = useAttempt()
const KINDS = [
  { value: 'hole', title: 'an old hole' },
  { value: 'closing', title: 'an old hole, to be closed' },
  { value: 'reading', title: 'a moisture reading' },
  { value: 'part', title: 'a part that is missing or wrong' },
  { value: 'suspect', title: 'something looks wrong with it' },
] as const
type Kind = (typeof KINDS)[number]['value']
const kind = ref<Kind>('hole')
const form = reactive({
  words: '',
  diameterMm: null as number | null,
  value: null as number | null,
  dry: null as number | null,
})
const done = ref('')
const from = computed(() => `found while at ${props.step.fitting}: ${props.step.text.split(/[:.;]/)[0]}`)
const place = () => props.work.usual.place
const note = () => [form.words.trim(), from.value].filter(Boolean).join('; ')
const ready = computed(() => {
  if (kind.value === 'hole' || kind.value === 'closing') return form.diameterMm !== null
  if (kind.value === 'reading') return form.value !== null && form.dry !== null
  return form.words.trim() !== ''
})
interface Hole {
  id: number
  label: string
}
async function hole(key: string): Promise<Hole> {
  return api<Hole>(
    'POST',
    `/boats/${props.step.boatId}/penetrations`,
    {
      foundKind: 'old fastener',
      diameterMm: form.diameterMm,
      xMm: Math.round(place().xMm),
      yMm: Math.round(place().yMm),
      note: note().slice(0, 1000),
    },
    key,
  )
}
const WAYS: Record<Kind, (key: string) => Promise<string>> = {
  hole: async (key) => `${(await hole(key)).label} is in the register; measure its place there.`,
  closing: async (key) => {
    const h = await hole(key)
    await api('POST', `/boats/${props.step.boatId}/fittings`, {
      catalogueId: 'CX-1',
      name: `Closing ${h.label}`,
      xMm: Math.round(place().xMm),
      yMm: Math.round(place().yMm),
      holeId: h.id,
    })
    return `${h.label} is in the register, and closing it is a job of its own.`
  },
  reading: async (key) => {
    const zone = boats.picture?.zones.find((z) => z.title === props.step.zone)?.code
    await api(
      'POST',
      `/boats/${props.step.boatId}/readings`,
      {
        kind: 'moisture',
        zone,
        xMm: Math.round(place().xMm),
        yMm: Math.round(place().yMm),
        value: form.value,
        dryReference: form.dry,
        note: note().slice(0, 300),
      },
      key,
    )
    return 'The reading is kept.'
  },
  part: async (key) => {
    await api(
      'POST',
      `/boats/${props.step.boatId}/holds`,
      {
        fittingId: props.step.fittingId,
        by: 'part',
        what: form.words.trim(),
        meanwhile: from.value.slice(0, 300),
      },
      key,
    )
    return 'It holds the work on this from now on; say on the plan when it comes.'
  },
  suspect: async () => {
    await props.work.act('POST', 'suspect', { why: note().slice(0, 300) })
    return 'Its holes are suspect now.'
  },
}
async function send() {
  done.value = ''
  let words = ''
  if (await attempt(async (key) => void (words = await WAYS[kind.value](key)))) {
    done.value = words
    Object.assign(form, { words: '', diameterMm: null, value: null, dry: null })
  }
}
</script>

<template>
  <form class="found" aria-label="Found while doing this" @submit.prevent="send">
    <label>What was found<PickOne v-model="kind" label="What was found" :options="KINDS" /></label>
    <DimensionField
      v-if="kind === 'hole' || kind === 'closing'"
      v-model="form.diameterMm"
      label="Across"
      :units="boats.units"
      above
      optional
    />
    <template v-if="kind === 'reading'">
      <DimensionField v-model="form.value" label="Meter shows" kind="number" :units="boats.units" optional />
      <DimensionField
        v-model="form.dry"
        label="Where it is dry"
        kind="number"
        :units="boats.units"
        optional
      />
    </template>
    <label
      >In words<ElInput
        v-model="form.words"
        class="entry"
        maxlength="200"
        :placeholder="kind === 'part' ? 'the valve has the other thread' : 'stain on the liner under it'"
    /></label>
    <p class="soft small">{{ from }}</p>
    <WaitsHere :path="`/boats/${step.boatId}/penetrations`" /><WaitsHere
      :path="`/boats/${step.boatId}/readings`"
    />
    <p v-if="said" class="bad" role="alert">{{ said }}</p>
    <p v-if="done" role="status">{{ done }}</p>
    <div class="acts">
      <ElButton class="act main" native-type="submit" :disabled="busy || !ready">Write it down</ElButton
      ><ElButton class="act" @click="emit('close')">{{ done ? 'Back to the step' : 'Leave it' }}</ElButton>
    </div>
  </form>
</template>

<style scoped>
.found {
  display: grid;
  gap: 8px;
  border: 1px solid var(--line-strong);
  padding: 10px;
}
.found label {
  display: grid;
  gap: 2px;
}
.acts {
  display: flex;
  gap: 8px;
}
.bad {
  color: var(--short);
}
</style>
