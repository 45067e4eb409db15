<script setup lang="ts">
import { ref, watch } from 'vue'
import { ElDatePicker } from 'element-plus'
import 'element-plus/es/components/date-picker/style/css'
import { HULL_KINDS, type Duty, type HullKind, type Rig, type Units } from '@north-tide/core'
import { api } from '../../../api'
import { useBoats } from '../../../state/boats'
import { useSession } from '../../../state/session'
import { ways } from '../../../state/ways'
import type { BoatPicture, BoatSummary } from '../../../types'
import ChoiceField from '../../../pieces/ChoiceField.vue'
import DimensionField from '../../../pieces/DimensionField.vue'
import PeopleTable from './PeopleTable.vue'
import PhotoStrip from '../../../pieces/PhotoStrip.vue'
import { keptForm } from '../../../pieces/kept-form'
import TypedAgain from '../../../pieces/TypedAgain.vue'
import { useAttempt } from '../../../pieces/attempt'

const props = defineProps<{ boat?: BoatPicture; may: boolean }>()
const emit = defineEmits<{ saved: []; made: [id: string] }>()
const boats = useBoats()
const session = useSession()
const { said, path, busy, attempt } = useAttempt()
const kept = ref(false)
const first = () => ({
  name: props.boat?.name ?? '',
  kind: props.boat?.kind ?? '',
  lengthMm: (props.boat?.lengthMm ?? null) as number | null,
  beamMm: (props.boat?.beamMm ?? null) as number | null,
  displacementKg: (props.boat?.displacementKg ?? null) as number | null,
  duty: props.boat?.duty ?? ('coastal' as Duty),
  units: props.boat?.units ?? ways.value?.units ?? ('metric' as Units),
  hullKind: props.boat?.hullKind ?? ('laminate' as HullKind),
  hullMaterial: props.boat?.hullMaterial ?? '',
  note: props.boat?.note ?? '',
  launchOn: props.boat?.launchOn ?? null,
  rig: props.boat?.rig ?? null,
})
const { form, again, done, afresh } = keptForm(
  `boat:${props.boat?.id ?? 'new'}:${props.boat?.version ?? 0}`,
  first,
)
watch(form, () => (kept.value = false))
const DUTIES: { value: Duty; title: string }[] = [
  { value: 'sheltered', title: 'sheltered' },
  { value: 'coastal', title: 'coastal' },
  { value: 'ocean', title: 'ocean' },
]
const RIG_TITLES: { value: Rig | ''; title: string }[] = [
  { value: '', title: 'not said' },
  { value: 'sloop', title: 'one mast' },
  { value: 'two-mast', title: 'two masts, the main' },
  { value: 'mizzen', title: 'two masts, the mizzen' },
  { value: 'multihull', title: 'one mast on two or three hulls' },
  { value: 'steadying', title: 'a steadying sail' },
]
const units = () => (props.boat ? boats.units : form.units)
async function send() {
  const ok = await attempt(async (key) => {
    if (props.boat) {
      await api<BoatSummary>('PUT', `/boats/${props.boat.id}`, { ...form, version: props.boat.version })
      done()
      emit('saved')
    } else {
      const made = await api<BoatSummary>('POST', '/boats', { ...form }, key)
      done()
      emit('made', made.id)
    }
  })
  kept.value = ok
}
</script>

<template>
  <form class="boat-form" :aria-label="boat ? 'The boat' : 'A new boat'" @submit.prevent="send">
    <h2 class="title">{{ boat ? boat.name : 'A new boat' }}</h2>
    <TypedAgain :again="again" @afresh="afresh" />
    <label class="long" for="boat-name"
      >Name<ElInput
        id="boat-name"
        v-model="form.name"
        class="entry"
        maxlength="120"
        :readonly="!may"
        required
    /></label>
    <label class="long" for="boat-kind"
      >What she is<ElInput
        id="boat-kind"
        v-model="form.kind"
        class="entry"
        maxlength="200"
        :readonly="!may"
        placeholder="open day-sailing boat of a youth club"
    /></label>
    <ChoiceField
      v-model="form.units"
      label="Units"
      :options="[
        { value: 'metric', title: 'metric' },
        { value: 'inch', title: 'inch' },
      ]"
      :disabled="!may"
    />
    <DimensionField
      v-model="form.lengthMm"
      label="Length"
      :units="units()"
      above
      :disabled="!may"
      :problem="path === 'lengthMm' ? said : null"
    />
    <DimensionField
      v-model="form.beamMm"
      label="Beam"
      :units="units()"
      above
      :disabled="!may"
      :problem="path === 'beamMm' ? said : null"
    />
    <DimensionField
      v-model="form.displacementKg"
      label="Displacement"
      kind="number"
      unit="kg"
      :units="units()"
      above
      :disabled="!may"
      :problem="path === 'displacementKg' ? said : null"
    />
    <ChoiceField v-model="form.duty" label="Duty" :options="DUTIES" :disabled="!may" />
    <ChoiceField
      v-model="form.hullKind"
      label="Hull"
      :options="HULL_KINDS.map((k) => ({ value: k, title: k }))"
      :disabled="!may"
    />
    <label class="long" for="boat-hull"
      >Hull in words<ElInput
        id="boat-hull"
        v-model="form.hullMaterial"
        class="entry"
        maxlength="200"
        :readonly="!may"
    /></label>
    <ChoiceField
      :model-value="form.rig ?? ''"
      label="Rig"
      :options="RIG_TITLES"
      hint="A mast step's first load is guessed by it"
      :disabled="!may"
      @update:model-value="form.rig = $event || null"
    />
    <div class="row">
      <label for="boat-launch">Launch wanted on</label>
      <ElDatePicker
        id="boat-launch"
        v-model="form.launchOn"
        type="date"
        value-format="YYYY-MM-DD"
        format="ddd D MMM YYYY"
        placeholder="not known yet"
        :disabled="!may"
      />
    </div>
    <label class="long" for="boat-note"
      >Note<ElInput id="boat-note" v-model="form.note" class="entry" maxlength="2000" :readonly="!may"
    /></label>
    <p v-if="said" class="said" role="alert">{{ said }}</p>
    <p v-if="kept" class="soft" role="status">Kept.</p>
    <ElButton
      v-if="may"
      class="act main"
      native-type="submit"
      :disabled="
        busy ||
        !form.name.trim() ||
        form.lengthMm === null ||
        form.beamMm === null ||
        form.displacementKg === null
      "
    >
      {{ boat ? 'Keep these' : 'Begin this boat' }}
    </ElButton>
    <PhotoStrip v-if="boat" subject="boat" :subject-id="boat.id" />
    <PeopleTable v-if="boat && session.may('give-roles', boat.id)" :boat-id="boat.id" />
  </form>
</template>

<style scoped>
.boat-form {
  display: grid;
  gap: 8px;
  max-width: 460px;
}
.title {
  font-size: 1.125rem;
}
.long {
  display: grid;
  gap: 2px;
}
.row {
  display: grid;
  grid-template-columns: minmax(74px, auto) minmax(0, 1fr);
  align-items: center;
  gap: 8px;
}
.act {
  justify-self: start;
}
.said {
  color: var(--short);
  font-weight: 600;
}
</style>
