<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import dayjs from 'dayjs'
import {
  CORE_STATES,
  TAP_SOUNDS,
  THICKNESS_WAYS,
  formatLength,
  type CoreState,
  type InstrumentReading,
  type TapSound,
  type ThicknessWay,
} from '@north-tide/core'
import { useBoats } from '../../../state/boats'
import { useSurvey } from '../../../state/survey'
import type { ReadingShown } from '../../../types'
import ChoiceField from '../../../pieces/ChoiceField.vue'
import DimensionField from '../../../pieces/DimensionField.vue'
import TakeReading from '../../../pieces/TakeReading.vue'
import TypedAgain from '../../../pieces/TypedAgain.vue'
import { useAttempt } from '../../../pieces/attempt'
import { keptForm } from '../../../pieces/kept-form'
import BoatSketch from '../BoatSketch.vue'
import { KINDS, layerNames } from './reading-kinds'

/** A new reading: where it is taken, by what, and what it says. */
const boats = useBoats()
const survey = useSurvey()
const { said, path, busy, attempt } = useAttempt()
const boat = computed(() => boats.picture!)
const middle = (zone: { outline: readonly { xMm: number; yMm: number }[] } | undefined) => {
  const o = zone?.outline ?? [{ xMm: 1000, yMm: 0 }]
  return {
    x: Math.round(o.reduce((s, p) => s + p.xMm, 0) / o.length) as number | null,
    y: Math.round(o.reduce((s, p) => s + p.yMm, 0) / o.length) as number | null,
  }
}
const { form, again, done, afresh } = keptForm(`reading:${boat.value.id}`, () => ({
  kind: 'moisture' as ReadingShown['kind'],
  zone: boat.value.zones[0]?.code ?? '',
  ...middle(boat.value.zones[0]),
  value: null as number | null,
  dry: 14 as number | null,
  scale: 100 as number | null,
  way: 'probe' as ThicknessWay,
  layers: [null, null, null] as (number | null)[],
  tap: 'sound' as TapSound,
  core: 'dry' as CoreState,
  note: '',
  instrument: '',
  takenAt: '',
}))
const zone = computed(() => boat.value.zones.find((z) => z.code === form.zone))
watch(
  () => form.zone,
  () => zone.value && Object.assign(form, middle(zone.value)),
)
const names = computed(() => layerNames(zone.value?.kind))
const seen = computed(() => (form.way === 'ultrasonic' ? names.value.slice(0, 1) : names.value))
const asked = computed(() => ({
  boatId: boat.value.id,
  xMm: form.x ?? 0,
  yMm: form.y ?? 0,
  aboutMm: zone.value?.layers[0]?.thicknessMm ?? 5,
}))
function take(r: InstrumentReading) {
  form.instrument = r.instrument
  form.takenAt = r.at
  if (form.kind === 'moisture') form.value = r.value
  else form.layers[0] = r.value
}
const ready = computed(
  () =>
    form.x !== null &&
    form.y !== null &&
    form.zone &&
    (form.kind === 'moisture'
      ? form.value !== null && form.dry !== null && form.scale !== null
      : form.kind === 'thickness'
        ? form.layers.slice(0, seen.value.length).some((v) => v !== null)
        : true),
)
const last = ref('')
async function send() {
  const common = {
    kind: form.kind,
    zone: form.zone,
    xMm: form.x,
    yMm: form.y,
    note: form.note,
    ...(form.instrument ? { instrument: form.instrument } : {}),
    ...(form.takenAt ? { takenAt: form.takenAt } : {}),
  }
  const body =
    form.kind === 'moisture'
      ? { ...common, value: form.value, dryReference: form.dry, scaleMost: form.scale }
      : form.kind === 'thickness'
        ? {
            ...common,
            way: form.way,
            layers: form.layers
              .slice(0, seen.value.length)
              .flatMap((v, layer) => (v === null ? [] : [{ layer, thicknessMm: v }])),
          }
        : { ...common, finding: form.kind === 'tap' ? form.tap : form.core }
  if (await attempt((key) => survey.add(body, key))) {
    last.value = `Kept at x ${formatLength(form.x!, boats.units)}, y ${formatLength(form.y!, boats.units)}.`
    Object.assign(form, { value: null, layers: [null, null, null], note: '', instrument: '', takenAt: '' })
    done()
    await survey.drawMaps()
  }
}
</script>

<template>
  <form class="new" aria-label="A new reading" @submit.prevent="send">
    <h2 class="title">A new reading</h2>
    <TypedAgain :again="again" @afresh="afresh" />
    <ChoiceField v-model="form.kind" label="What" :options="KINDS" />
    <ChoiceField
      v-model="form.zone"
      label="Zone"
      :options="boat.zones.map((z) => ({ value: z.code, title: z.title }))"
    />
    <DimensionField
      v-model="form.x"
      :label="zone?.face === 'bulkhead' ? 'y, to starboard' : 'x, aft of the stem'"
      :units="boats.units"
    />
    <DimensionField
      v-model="form.y"
      :label="
        zone && ['bulkhead', 'topsides', 'bottom'].includes(zone.face)
          ? 'z, above the waterline'
          : 'y, to starboard'
      "
      :units="boats.units"
    />
    <template v-if="form.kind === 'moisture'">
      <DimensionField
        v-model="form.value"
        label="Reading"
        kind="number"
        :units="boats.units"
        :least="0"
        optional
        :problem="path === 'value' ? said : null"
      />
      <DimensionField
        v-model="form.dry"
        label="Dry reference of this deck"
        kind="number"
        :units="boats.units"
        :least="0"
        :problem="path === 'dryReference' ? said : null"
      />
      <DimensionField
        v-model="form.scale"
        label="The meter’s scale ends at"
        kind="number"
        :units="boats.units"
        above
      />
      <TakeReading kind="moisture" :asked="asked" @take="take" />
    </template>
    <template v-else-if="form.kind === 'thickness'">
      <ChoiceField
        v-model="form.way"
        label="By"
        :options="
          (Object.keys(THICKNESS_WAYS) as ThicknessWay[]).map((w) => ({
            value: w,
            title: THICKNESS_WAYS[w].title,
          }))
        "
      />
      <p class="soft small">{{ THICKNESS_WAYS[form.way].note }}</p>
      <DimensionField
        v-for="(n, i) in seen"
        :key="n"
        v-model="form.layers[i]!"
        :label="n"
        :units="boats.units"
        above
        optional
        :problem="path.startsWith(`layers.${i}`) ? said : null"
      />
      <TakeReading v-if="form.way === 'ultrasonic'" kind="ultrasonic" :asked="asked" @take="take" />
    </template>
    <ChoiceField
      v-else-if="form.kind === 'tap'"
      v-model="form.tap"
      label="It sounds"
      :options="TAP_SOUNDS.map((t) => ({ value: t, title: t }))"
    />
    <ChoiceField
      v-else
      v-model="form.core"
      label="The core is"
      :options="CORE_STATES.map((t) => ({ value: t, title: t }))"
    />
    <p v-if="form.instrument" class="soft small">
      taken with {{ form.instrument }}, {{ dayjs(form.takenAt).format('HH:mm:ss') }}
    </p>
    <BoatSketch
      v-if="zone && form.x !== null && form.y !== null"
      :boat="boat"
      :units="boats.units"
      :view="
        zone.face === 'bulkhead'
          ? 'section'
          : zone.face === 'topsides' || zone.face === 'bottom'
            ? 'side'
            : 'plan'
      "
      :corners="zone.outline"
      :spot="{ xMm: form.x, yMm: form.y }"
      :label="`Where it is read, on ${zone.title.toLowerCase()}`"
    />
    <label class="long" for="reading-note"
      >Note<ElInput id="reading-note" v-model="form.note" class="entry" maxlength="1000"
    /></label>
    <p v-if="said" class="said" role="alert">{{ said }}</p>
    <p v-else-if="last" class="soft small" role="status">{{ last }}</p>
    <ElButton class="act main" native-type="submit" :disabled="busy || !ready">Keep this reading</ElButton>
  </form>
</template>

<style scoped src="./split.css"></style>
