<script setup lang="ts">
import { computed, ref } from 'vue'
import { PART_KINDS, type BoatPart, type PartKind } from '@north-tide/core'
import { api } from '../../../api'
import { useBoats } from '../../../state/boats'
import { useSurvey } from '../../../state/survey'
import type { BoatPicture, RejudgeJob } from '../../../types'
import BoatSketch from '../BoatSketch.vue'
import ChoiceField from '../../../pieces/ChoiceField.vue'
import DimensionField from '../../../pieces/DimensionField.vue'
import { keptForm } from '../../../pieces/kept-form'
import TypedAgain from '../../../pieces/TypedAgain.vue'
import { useAttempt } from '../../../pieces/attempt'

const props = defineProps<{ boat: BoatPicture; part: BoatPart | null; may: boolean }>()
const emit = defineEmits<{ gone: [] }>()
const boats = useBoats()
const survey = useSurvey()
const { said, busy, attempt } = useAttempt()
const kept = ref(false)
const p = props.part
const TITLES: Record<PartKind, string> = {
  beam: 'deck beam',
  longitudinal: 'longitudinal',
  bulkhead: 'Bulkhead',
  knee: 'Knee',
  tank: 'Tank',
  cable: 'Cable',
  liner: 'Liner',
  headliner: 'Headliner',
  wet: 'Wet patch seen',
  sling: 'Lifting sling',
  bunk: 'Trailer bunk',
}
const { form, again, done, afresh } = keptForm(
  `part:${props.boat.id}:${p?.id ?? 'new'}:${props.part?.version ?? 0}`,
  () => ({
    kind: p?.kind ?? ('beam' as PartKind),
    title: p?.title ?? 'deck beam',
    x0Mm: (p?.x0Mm ?? 1000) as number | null,
    y0Mm: (p?.y0Mm ?? -1) as number | null,
    x1Mm: (p?.x1Mm ?? 1000) as number | null,
    y1Mm: (p?.y1Mm ?? 1) as number | null,
    belowMm: (p?.belowMm ?? null) as number | null,
    depthMm: (p?.depthMm ?? null) as number | null,
    widthMm: (p?.widthMm ?? null) as number | null,
  }),
)
const setKind = (k: PartKind) => {
  if (form.title === TITLES[form.kind]) form.title = TITLES[k]
  form.kind = k
}
/** Both ends, where all four figures are there; one right across the boat has none to drag. */
const ends = computed(() => {
  const { x0Mm, y0Mm, x1Mm, y1Mm } = form
  if (x0Mm === null || y0Mm === null || x1Mm === null || y1Mm === null) return []
  if (y0Mm === -1 && y1Mm === 1) return []
  return [
    { xMm: x0Mm, yMm: y0Mm },
    { xMm: x1Mm, yMm: y1Mm },
  ]
})
const moveEnd = (i: number, p: { xMm: number; yMm: number }) =>
  Object.assign(form, i === 0 ? { x0Mm: p.xMm, y0Mm: p.yMm } : { x1Mm: p.xMm, y1Mm: p.yMm })
async function send() {
  kept.value = await attempt(async (key) => {
    const a = await api<{ job: RejudgeJob }>(
      p ? 'PUT' : 'POST',
      `/boats/${props.boat.id}/structure${p ? `/${p.id}` : ''}`,
      { ...form, ...(p ? { version: props.part!.version } : {}) },
      key,
    )
    done()
    await survey.follow(a.job)
  })
}
const remove = () =>
  attempt(async () => {
    const a = await api<{ job: RejudgeJob }>('DELETE', `/boats/${props.boat.id}/structure/${p!.id}`)
    await survey.follow(a.job)
    emit('gone')
  })
</script>

<template>
  <form
    class="part-form"
    :aria-label="part ? part.title : 'A new part of the structure'"
    @submit.prevent="send"
  >
    <h2 class="title">{{ part?.title ?? 'A new part of the structure' }}</h2>
    <TypedAgain :again="again" @afresh="afresh" />
    <ChoiceField
      :model-value="form.kind"
      label="Kind"
      :options="PART_KINDS.map((k) => ({ value: k, title: k === 'wet' ? 'wet patch, seen' : k }))"
      :disabled="!may"
      @update:model-value="setKind($event)"
    />
    <label class="long" for="part-title"
      >Name<ElInput id="part-title" v-model="form.title" class="entry" maxlength="80" :readonly="!may"
    /></label>
    <DimensionField v-model="form.x0Mm" label="From x, aft" :units="boats.units" :disabled="!may" />
    <DimensionField v-model="form.y0Mm" label="From y, to starboard" :units="boats.units" :disabled="!may" />
    <DimensionField v-model="form.x1Mm" label="To x" :units="boats.units" :disabled="!may" />
    <DimensionField v-model="form.y1Mm" label="To y" :units="boats.units" :disabled="!may" />
    <BoatSketch
      v-if="ends.length"
      :boat="boat"
      :units="boats.units"
      :corners="ends"
      :edit="may"
      :self="part ? String(part.id) : ''"
      :label="may ? 'Drag an end to where it lies' : 'Where it lies'"
      @move="moveEnd"
    />
    <p v-if="form.kind === 'beam'" class="soft small">From y −1 to 1 stands for the whole breadth.</p>
    <DimensionField
      v-model="form.belowMm"
      label="How far below the deck"
      :units="boats.units"
      :least="0"
      optional
      placeholder="unknown"
      :disabled="!may"
    />
    <DimensionField
      v-model="form.depthMm"
      label="Its own depth"
      :units="boats.units"
      above
      optional
      placeholder="unknown"
      :disabled="!may"
    />
    <DimensionField
      v-model="form.widthMm"
      label="Its own width"
      :units="boats.units"
      above
      optional
      placeholder="unknown"
      :disabled="!may"
    />
    <p v-if="said" class="said" role="alert">{{ said }}</p>
    <p v-if="kept" class="soft" role="status">Kept.</p>
    <div v-if="may" class="acts">
      <ElButton
        class="act main"
        native-type="submit"
        :disabled="busy || !form.title.trim() || [form.x0Mm, form.y0Mm, form.x1Mm, form.y1Mm].includes(null)"
      >
        {{ part ? 'Keep this part' : 'Add this part' }}</ElButton><ElButton
        v-if="part"
        class="act"
        :disabled="busy"
        @click="remove"
      >
        Take it away
      </ElButton>
    </div>
  </form>
</template>

<style scoped>
.part-form {
  display: grid;
  gap: 8px;
  max-width: 420px;
}
.title {
  font-size: 1.125rem;
}
.long {
  display: grid;
  gap: 2px;
}
.acts {
  display: flex;
  gap: 10px;
}
.said {
  color: var(--short);
  font-weight: 600;
}
</style>
