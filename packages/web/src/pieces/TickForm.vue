<script setup lang="ts">
import { computed, defineAsyncComponent, onMounted, reactive, ref, watch } from 'vue'
import { useLocalStorage } from '@vueuse/core'
import dayjs from 'dayjs'
import {
  deadriseFrom,
  formatTorque,
  lastReading,
  lifeSaid,
  sayIn,
  stepGates,
  type LotFacts,
  type Step,
  type StepAsk,
} from '@north-tide/core'
import { ApiRefusal } from '../api'
import type { WorkBench } from '../state/acts'
import { useBoats } from '../state/boats'
import { useSession } from '../state/session'
import type { Lot } from '../types'
import type { InstrumentReading } from '@north-tide/core'
import DimensionField from './DimensionField.vue'
import LotChoice from './LotChoice.vue'
import PhotoStrip from './PhotoStrip.vue'
import TakeReading from './TakeReading.vue'

/** The calendar is fetched with the first form that is opened. */
const WhenField = defineAsyncComponent(() => import('./WhenField.vue'))
/**
 * What is said when a step is ticked: it goes into the hole’s life too, so that nobody writes it a second
 * time.
 */
const props = defineProps<{
  bench: WorkBench
  step: Step
  gates?: { id: string; text: string }[]
  /** holes that follow what was ticked before; empty: it is ticked for the first time */
  only?: string[]
}>()
const emit = defineEmits<{ done: []; leave: [] }>()
const boats = useBoats()
const session = useSession()
const usual = props.bench.usual
const asks = (what: StepAsk) => props.step.asks.includes(what)
const dew = computed(() => asks('dew'))
const start = () => ({
  note: '',
  proof: '',
  reason: '',
  at: '',
  lotId: '',
  ohm: null as number | null,
  hullMm: null as number | null,
  shownDeg: null as number | null,
  stopsDeg: null as number | null,
  looked: [] as string[],
  torqueNm: null as number | null,
  runDownNm: null as number | null,
  minutes: null as number | null,
  /** labels of the holes that are kept apart */
  apart: [] as string[],
  sizeMm: asks('size') ? usual.sizeMm : null,
  tempC: usual.tempC,
  airC: usual.airC,
  humidityPct: usual.humidityPct,
})
/** What is typed survives a reload, until it is ticked. */
const draft = useLocalStorage(`north-tide:tick:${props.bench.fitting!.id}:${props.step.id}`, start(), {
  mergeDefaults: true,
})
const form = reactive({ ...draft.value })
watch(form, (f) => (draft.value = { ...f }))
const root = ref<HTMLFormElement>()
onMounted(() => {
  root.value?.scrollIntoView({ block: 'nearest' })
  root.value?.querySelector<HTMLElement>('input, select')?.focus({ preventScroll: true })
})
const lot = ref<LotFacts | null>(null)
const said = ref('')
const refusedBy = ref<{ id: string; text: string }[]>(props.gates ?? [])
const busy = ref(false)
const mayPass = computed(() => session.may('pass-gate', boats.picture?.id))
const kind = computed(() =>
  props.step.lot === 'epoxy' || props.step.lot === 'epoxy-filled' ? ('epoxy' as const) : ('sealant' as const),
)
/**
 * The work's own gates are seen as one types; what the register asks for besides, it says when it is
 * asked.
 */
const gates = computed(() => {
  if (props.only?.length) return refusedBy.value
  const mine = stepGates(props.bench.steps, props.step.id, props.bench.work.ticks, {
    at: form.at ? dayjs(form.at).valueOf() : Date.now(),
    lot: lot.value,
    tempC: asks('air') ? form.tempC : null,
    airC: form.airC,
    humidityPct: asks('air') ? form.humidityPct : null,
    ohm: form.ohm ?? lastBond.value,
    hullMm: form.hullMm,
    shownDeg: form.shownDeg,
    heelDeg: heel.value,
    stopsDeg: form.stopsDeg,
    torqueNm: form.torqueNm,
    runDownNm: form.runDownNm,
    looked: form.looked,
  })
  return [...mine, ...refusedBy.value.filter((g) => !mine.some((m) => m.id === g.id))]
})
watch(
  () => [
    form.ohm,
    form.sizeMm,
    form.lotId,
    form.tempC,
    form.airC,
    form.humidityPct,
    form.proof,
    form.at,
    form.hullMm,
    form.shownDeg,
    form.stopsDeg,
    form.looked.length,
    form.torqueNm,
    form.runDownNm,
    form.apart.length,
  ],
  () => (refusedBy.value = []),
)
/** The cradle's own lie, from the boat's level readings; never typed a second time. */
const heel = computed(() => props.bench.fitting!.heelDeg)
const deadrise = computed(() =>
  form.shownDeg === null ? null : deadriseFrom(form.shownDeg, heel.value ?? 0, usual.place.yMm),
)
const spot = computed(() => ({
  boatId: boats.picture!.id,
  xMm: Math.round(usual.place.xMm),
  yMm: Math.round(usual.place.yMm),
  side: usual.place.yMm >= 0 ? 'starboard' : 'port',
}))
function withInstrument(r: InstrumentReading) {
  if (!form.note.includes(r.instrument)) form.note = [form.note, r.instrument].filter(Boolean).join('; ')
}
function takeHull(r: InstrumentReading) {
  form.hullMm = r.value
  withInstrument(r)
}
function takeLevel(r: InstrumentReading) {
  form.shownDeg = r.value
  withInstrument(r)
}
const lastBond = computed(() => lastReading(props.bench.log, 'bond')?.value ?? null)
/** The holes that it is about, where not all of the fitting's are. */
const all = computed(() => props.bench.fitting?.holes.map((h) => h.label) ?? [])
const concerned = computed(() => (props.only?.length ? props.only : all.value))
const named = computed(() =>
  props.only?.length || form.apart.length ? concerned.value.filter((l) => !form.apart.includes(l)) : [],
)
const keepApart = (l: string, on: boolean) =>
  (form.apart = on ? form.apart.filter((x) => x !== l) : [...form.apart, l])
const look = (l: string, on: boolean) =>
  (form.looked = on ? [...form.looked, l] : form.looked.filter((x) => x !== l))
const takeLot = (l: Lot | null) => (lot.value = l)
function takeAir(r: InstrumentReading) {
  form.tempC = r.surfaceC ?? null
  form.airC = r.airC ?? null
  form.humidityPct = r.humidityPct ?? null
  withInstrument(r)
}
async function send(wet = false) {
  busy.value = true
  said.value = ''
  try {
    await props.bench.act('POST', 'tick', {
      step: props.step.id,
      note: form.note.trim(),
      reason: gates.value.length ? form.reason.trim() : '',
      wet,
      ...(form.at ? { at: dayjs(form.at).toISOString() } : {}),
      ...(asks('size') ? { sizeMm: form.sizeMm } : {}),
      ...(asks('lot') && form.lotId ? { lotId: Number(form.lotId) } : {}),
      ...(asks('air') ? { tempC: form.tempC, airC: form.airC, humidityPct: form.humidityPct } : {}),
      ...(asks('ohm') && form.ohm !== null ? { ohm: form.ohm } : {}),
      ...(asks('hull') && form.hullMm !== null ? { hullMm: form.hullMm } : {}),
      ...(asks('angle') && form.shownDeg !== null ? { shownDeg: form.shownDeg } : {}),
      ...(asks('stops') && form.stopsDeg !== null ? { stopsDeg: form.stopsDeg } : {}),
      ...(asks('torque') && form.torqueNm !== null ? { torqueNm: form.torqueNm } : {}),
      ...(asks('run-down') && form.runDownNm !== null ? { runDownNm: form.runDownNm } : {}),
      ...(named.value.length ? { holes: named.value } : {}),
      ...(asks('looks') ? { looked: form.looked.filter((l) => props.step.looks.includes(l)) } : {}),
      ...(asks('proof') ? { proof: form.proof.trim() } : {}),
      ...(form.minutes ? { minutes: Math.round(form.minutes) } : {}),
    })
    draft.value = null as never
    emit('done')
  } catch (error) {
    if (error instanceof ApiRefusal && error.refusal.code === 'gate') {
      refusedBy.value = error.refusal.gates ?? []
      said.value = ''
    } else if (!session.ended(error))
      said.value = error instanceof Error ? error.message : 'It was not ticked'
  } finally {
    busy.value = false
  }
}
const written = computed(() => [
  ...new Set(Object.values(props.step.records).flatMap((states) => (states ?? []).map(lifeSaid))),
])
const blocked = computed(
  () =>
    busy.value ||
    (gates.value.length > 0 && (!mayPass.value || !form.reason.trim())) ||
    (asks('seen') && !form.note.trim()) ||
    (form.apart.length > 0 && (!form.note.trim() || !named.value.length)),
)
</script>

<template>
  <form ref="root" class="ticking" :aria-label="`Ticking ${step.id}`" @submit.prevent="send()">
    <p v-if="written.length" class="soft small">Goes into the register as {{ written.join(', then ') }}.</p>
    <fieldset v-if="written.length && concerned.length > 1" class="holes">
      <legend class="small">Done at all of them? Untick the odd one out, and say why below.</legend>
      <ElCheckbox
        v-for="l in concerned"
        :key="l"
        class="tick"
        :model-value="!form.apart.includes(l)"
        @change="keepApart(l, $event as boolean)"
        ><span class="figure">{{ l }}</span></ElCheckbox
      >
    </fieldset>
    <fieldset v-if="step.looks.length" class="looks">
      <legend class="hidden-words">Seen to</legend>
      <ElCheckbox
        v-for="l in step.looks"
        :key="l"
        class="tick"
        :model-value="form.looked.includes(l)"
        @change="look(l, $event as boolean)"
        ><span>{{ l }}</span></ElCheckbox
      >
    </fieldset>
    <div class="fields">
      <DimensionField
        v-if="asks('size')"
        v-model="form.sizeMm"
        :label="step.sizeOf === 'bolt' ? 'Drilled to' : 'Bored to'"
        :units="boats.units"
        above
        optional
        :estimated="form.sizeMm === usual.sizeMm && usual.sizeIsCatalogues"
      />
      <DimensionField
        v-if="asks('hull')"
        v-model="form.hullMm"
        label="Hull, through the pilot"
        :units="boats.units"
        above
        optional
        placeholder="measure"
      />
      <DimensionField
        v-if="asks('angle')"
        v-model="form.shownDeg"
        label="The level shows, outboard up"
        kind="angle"
        :units="boats.units"
        :least="-20"
        :most="79"
        optional
        placeholder="measure"
      />
      <DimensionField
        v-if="asks('stops')"
        v-model="form.stopsDeg"
        label="Handle stops at"
        kind="angle"
        :units="boats.units"
        :least="-360"
        :most="720"
        optional
        placeholder="read"
      />
      <DimensionField
        v-if="asks('ohm')"
        v-model="form.ohm"
        label="By meter"
        kind="number"
        unit="Ω"
        :units="boats.units"
        :least="0"
        optional
        :placeholder="lastBond === null ? 'measure' : String(lastBond)"
      />
      <DimensionField
        v-if="asks('torque')"
        v-model="form.torqueNm"
        :label="
          step.torqueNm === null
            ? 'Tightened to'
            : `Tightened to, of ${formatTorque(step.torqueNm, boats.units)}`
        "
        kind="number"
        unit="N·m"
        :units="boats.units"
        :least="0"
        optional
        placeholder="wrench"
      />
      <DimensionField
        v-if="asks('run-down')"
        v-model="form.runDownNm"
        label="The nut runs down with"
        kind="number"
        unit="N·m"
        :units="boats.units"
        :least="0"
        optional
        placeholder="wrench"
      />
      <LotChoice
        v-if="asks('lot')"
        v-model="form.lotId"
        :kind="kind"
        :chemistry="step.lot"
        class="lot"
        @lot="takeLot"
      />
      <template v-if="asks('air')">
        <DimensionField
          v-model="form.tempC"
          label="Surface temperature"
          kind="temperature"
          :units="boats.units"
          :least="-30"
          :most="60"
          optional
          placeholder="measure"
        />
        <DimensionField
          v-if="dew"
          v-model="form.airC"
          label="Air temperature"
          kind="temperature"
          :units="boats.units"
          :least="-30"
          :most="60"
          optional
          placeholder="measure"
        />
        <DimensionField
          v-model="form.humidityPct"
          label="Humidity"
          kind="number"
          unit="%"
          :units="boats.units"
          :least="0"
          :most="100"
          optional
          placeholder="measure"
        />
      </template>
      <label v-if="asks('proof')" class="long"
        >How it was proved<ElInput
          v-model="form.proof"
          class="entry"
          maxlength="2000"
          :placeholder="
            step.id === 'dye'
              ? 'dye from inside, 20 min; no mark outside'
              : 'hose 10 min, low to high; chalk inside dry'
          "
      /></label>
      <label class="long"
        >{{ asks('seen') ? 'What was seen' : 'Note'
        }}<ElInput
          v-model="form.note"
          class="entry"
          maxlength="300"
          :placeholder="asks('seen') ? 'dry all round' : ''"
      /></label>
      <DimensionField
        v-if="step.minutes > 0"
        v-model="form.minutes"
        label="It took"
        kind="number"
        unit="min"
        :units="boats.units"
        :least="1"
        :most="2880"
        optional
        :placeholder="String(step.minutes)"
      />
      <WhenField v-model="form.at" class="long when" label="When, if not now" />
    </div>
    <template v-if="asks('hull')"
      ><TakeReading kind="ultrasonic" :asked="{ ...spot, aboutMm: usual.hullMm ?? 0 }" @take="takeHull"
    /></template>
    <template v-if="asks('angle')">
      <TakeReading
        kind="level"
        :asked="{ ...spot, role: 'hull', aboutDeg: usual.deadriseDeg ?? 0 }"
        @take="takeLevel"
      />
      <p v-if="deadrise !== null" class="small" data-test="deadrise">
        <template v-if="heel !== null"
          >The cradle heels her <strong class="figure">{{ Math.abs(heel).toFixed(2) }}°</strong> to
          {{ heel >= 0 ? 'starboard' : 'port' }}; without it the deadrise is</template
        ><template v-else>With the cradle taken as level the deadrise is</template>
        <strong class="figure">{{ deadrise.toFixed(1) }}°</strong>.
      </p>
    </template>
    <p v-if="asks('stops')" class="soft small">0 aft, 90 to starboard, counter-clockwise seen from inside.</p>
    <template v-if="asks('photo')"
      ><PhotoStrip
        v-if="bench.fitting!.holes.length"
        subject="hole"
        :subject-id="bench.fitting!.holes[0]!.id"
      />
      <p v-else class="soft small">
        Its hole is not in the register yet, so a photo has no place to go.
      </p></template
    >
    <TakeReading v-if="asks('air')" kind="hygrometer" @take="takeAir" />
    <div v-if="gates.length" class="gates" role="alert">
      <p><strong>Before this stands:</strong></p>
      <ul>
        <li v-for="g in gates" :key="g.id">{{ sayIn(g.text.replace(/^Before this: /, ''), boats.units) }}</li>
      </ul>
      <label v-if="mayPass" class="long"
        >Why it is passed over; it stays on the record<ElInput
          v-model="form.reason"
          class="entry"
          maxlength="300"
      /></label>
      <p v-else>An apprentice ticks in order; a fitter passes a gate.</p>
    </div>
    <p v-if="said" class="bad" role="alert">{{ said }}</p>
    <div class="acts">
      <ElButton class="act main" :disabled="blocked" native-type="submit">
        {{
          asks('seen') ? 'Dry: tick it' : gates.length ? 'Pass it and tick' : 'Tick it'
        }}</ElButton><ElButton
        v-if="asks('seen')"
        class="act wet"
        :disabled="busy || !form.note.trim()"
        @click="send(true)"
      >
        It is wet: suspect</ElButton
      ><ElButton class="act" @click="emit('leave')">Leave it</ElButton>
    </div>
  </form>
</template>

<style scoped>
.ticking {
  display: grid;
  gap: 7px;
  padding: 8px 0 6px;
  max-width: 560px;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
  gap: 4px 18px;
}
.fields .lot,
.fields :deep(.row) {
  grid-column: 1 / -1;
}
.long {
  display: grid;
  gap: 2px;
}
.long .entry {
  width: 100%;
  text-align: left;
  font-family: var(--words);
}
.holes {
  border: 0;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0 16px;
}
.holes legend {
  color: var(--ink-soft);
}
.looks {
  border: 0;
  margin: 0;
  padding: 0;
}
.tick {
  display: flex;
  gap: 10px;
  align-items: flex-start;
  min-height: 34px;
  padding: 5px 0;
}
.tick input {
  width: 20px;
  height: 20px;
  margin: 0;
  flex: none;
  accent-color: var(--tide);
}
.gates {
  background: var(--short-ground);
  color: var(--short);
  padding: 8px 12px;
}
.gates ul {
  margin: 3px 0 6px;
  padding-left: 18px;
}
.gates .long {
  color: var(--ink);
}
.bad {
  color: var(--short);
  font-weight: 600;
}
.wet {
  border-color: var(--short);
  color: var(--short);
}
.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
</style>
