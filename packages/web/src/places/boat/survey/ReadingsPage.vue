<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import dayjs from 'dayjs'
import {
  CORE_STATES,
  SCHOOLS,
  TAP_SOUNDS,
  THICKNESS_WAYS,
  excessOf,
  formatLength,
  wetAdvice,
  wetnessOf,
  type CoreId,
  type CoreState,
  type TapSound,
  type ThicknessWay,
} from '@north-tide/core'
import { useBoats } from '../../../state/boats'
import { useSession } from '../../../state/session'
import { useSurvey } from '../../../state/survey'
import type { ReadingShown } from '../../../types'
import type { InstrumentReading } from '@north-tide/core'
import ChoiceField from '../../../pieces/ChoiceField.vue'
import BoatSketch from '../BoatSketch.vue'
import DimensionField from '../../../pieces/DimensionField.vue'
import PhotoStrip from '../../../pieces/PhotoStrip.vue'
import TakeReading from '../../../pieces/TakeReading.vue'
import { useAttempt } from '../../../pieces/attempt'
import WaitsHere from '../../../pieces/WaitsHere.vue'
import PickOne from '../../../pieces/PickOne.vue'
import { keptForm } from '../../../pieces/kept-form'
import TypedAgain from '../../../pieces/TypedAgain.vue'
import RowTable from '../../../pieces/RowTable.vue'

const boats = useBoats()
const survey = useSurvey()
const session = useSession()
const { said, path, busy, attempt } = useAttempt()
const boat = computed(() => boats.picture!)
const may = computed(() => session.may('measure', boats.picture?.id))
const KINDS = [
  { value: 'moisture', title: 'moisture' },
  { value: 'thickness', title: 'thickness' },
  { value: 'tap', title: 'tap test' },
  { value: 'core', title: 'core sample' },
] as const
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
const names = computed(() =>
  zone.value?.kind === 'sandwich' ? ['outer skin', 'core', 'inner skin'] : ['thickness'],
)
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
const filter = ref<'all' | ReadingShown['kind']>('all')
const filters = computed(() => [
  { value: 'all' as const, title: `all ${survey.readings.length}` },
  ...KINDS.map((k) => ({
    value: k.value,
    title: `${k.title} (${survey.readings.filter((r) => r.kind === k.value).length})`,
  })),
])
const rows = computed(() =>
  survey.readings
    .filter((r) => filter.value === 'all' || r.kind === filter.value)
    .slice()
    .reverse(),
)
const titleOf = (code: string | null) => boat.value.zones.find((z) => z.code === code)?.title ?? 'no zone'
const saidOf = (r: ReadingShown) =>
  r.kind === 'moisture'
    ? `${r.value} of ${r.scaleMost}, dry ${r.dryReference}: ${wetnessOf(excessOf(r.value!, r.dryReference!, r.scaleMost!))}`
    : r.kind === 'thickness'
      ? `${(boat.value.zones.find((z) => z.code === r.zone)?.kind === 'sandwich' ? ['outer skin', 'core', 'inner skin'] : ['thickness'])[r.layer ?? 0]} ${formatLength(r.value!, boats.units)}, ${THICKNESS_WAYS[r.way as ThicknessWay]?.title ?? r.way}`
      : r.finding
const why = reactive<Record<number, string>>({})
const taking = ref<number | null>(null)
const photosOf = ref<number | null>(null)
async function withdraw(id: number) {
  if ((await attempt(() => survey.withdraw(id, why[id] ?? ''))) && taking.value === id) taking.value = null
  await survey.drawMaps()
}
/** What the readings of one zone come to, and what may be done about it. */
const verdicts = computed(() =>
  boat.value.zones.flatMap((z) => {
    const map = survey.maps[z.code]
    if (!map || z.kind !== 'sandwich') return []
    const of = (kind: string) =>
      survey.readings.filter((r) => r.zone === z.code && r.kind === kind && !r.withdrawnWhy)
    const worst = <T extends string>(rows: ReadingShown[], order: readonly T[]) =>
      rows.map((r) => r.finding as T).sort((a, b) => order.indexOf(b) - order.indexOf(a))[0] ?? null
    const sample = worst(of('core'), CORE_STATES)
    const tap = worst(of('tap'), TAP_SOUNDS)
    return [
      {
        zone: z,
        map,
        sample,
        tap,
        advice:
          map.wetMm2 > 0
            ? wetAdvice({ core: z.layers[1]!.material as CoreId, wetMm2: map.wetMm2, sample, tap })
            : [],
      },
    ]
  }),
)
const m2 = (mm2: number) =>
  boats.units === 'inch' ? `${(mm2 / 92903.04).toFixed(1)} sq ft` : `${(mm2 / 1e6).toFixed(2)} m²`
const school = (id: string) => SCHOOLS.find((s) => s.id === id)!
</script>

<template>
  <div class="split">
    <form v-if="may" class="new" aria-label="A new reading" @submit.prevent="send">
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
    <div class="rest" tabindex="0" aria-label="Results">
      <section aria-label="What it comes to">
        <h2 class="title">What it comes to</h2>
        <p v-if="!verdicts.length" class="soft">
          No cored zone has been read yet. Read a dry spot first for the reference, then a grid round every
          fitting and stain.
        </p>
        <article v-for="v in verdicts" :key="v.zone.code">
          <h3>
            {{ v.zone.title }}: {{ v.map.wetMm2 > 0 ? `${m2(v.map.wetMm2)} wet` : 'no wet core found'
            }}{{ v.map.dampMm2 > 0 ? `, ${m2(v.map.dampMm2)} damp` : '' }}
          </h3>
          <p class="soft small">
            Of {{ m2(v.map.areaMm2) }}; {{ m2(v.map.guessMm2) }} is further than
            {{ formatLength(Math.round(v.map.reachMm), boats.units) }} from a reading, so only a
            guess.<template v-if="v.map.typicalErrorPts !== null">
              Left out in turn, a reading is foretold by the others to within
              {{ v.map.typicalErrorPts.toFixed(1) }} points at the median.</template
            >
            Sample: {{ v.sample ?? 'none' }}; tap: {{ v.tap ?? 'none' }}.
          </p>
          <RowTable
            v-if="v.advice.length"
            label="What to do where a fitting stands"
            :columns="[
              { key: 'whatToDo', title: 'What to do where a fitting stands' },
              { key: 'act' },
              { key: 'whyHere', title: 'Why here' },
              { key: 'costs', title: 'Costs', class: 'soft' },
            ]"
            :rows="v.advice"
            :about="(a) => ({ class: a.stance })"
            :known="(a) => a.id"
          >
            <template #whatToDo="{ row: a }"
              ><strong>{{ school(a.id).choice }}</strong></template
            >
            <template #act="{ row: a }">{{ a.stance }}</template>
            <template #whyHere="{ row: a }">{{ a.because }}</template>
            <template #costs="{ row: a }">{{ school(a.id).costs }}</template>
          </RowTable>
        </article>
      </section>
      <section aria-label="Readings">
        <div class="group">
          <h2 class="title">Readings</h2>
          <PickOne v-model="filter" label="Which readings" :options="filters" />
        </div>
        <WaitsHere
          v-if="boats.picture"
          :path="`/boats/${boats.picture.id}/readings`"
          @fewer="survey.load().catch(() => undefined)"
        />
        <RowTable
          v-if="rows.length"
          label="Readings"
          :columns="[
            { key: 'zone', title: 'Zone', by: (r) => titleOf(r.zone) },
            { key: 'x', title: 'x', number: true, by: (r) => r.xMm },
            { key: 'y', title: 'y', number: true, by: (r) => r.yMm },
            { key: 'what', title: 'What' },
            { key: 'who', title: 'Who, when, with', class: 'small soft', by: (r) => String(r.takenAt) },
            { key: 'act', class: 'small' },
          ]"
          :rows="rows"
          :opened="(r) => taking === r.id || photosOf === r.id"
          :about="(r) => ({ class: { gone: r.withdrawnWhy } })"
          :known="(r) => r.id"
        >
          <template #zone="{ row: r }">{{ titleOf(r.zone) }}</template>
          <template #x="{ row: r }">{{ formatLength(Math.round(r.xMm), boats.units) }}</template>
          <template #y="{ row: r }">{{ formatLength(Math.round(r.yMm), boats.units) }}</template>
          <template #what="{ row: r }"
            >{{ saidOf(r) }}<span v-if="r.note" class="soft small"> · {{ r.note }}</span
            ><span v-if="r.withdrawnWhy" class="small">
              · withdrawn by {{ r.withdrawnBy }}: {{ r.withdrawnWhy }}</span
            ></template
          >
          <template #who="{ row: r }"
            >{{ r.who }}, {{ dayjs(r.takenAt).format('D MMM HH:mm')
            }}{{ r.instrument ? `, ${r.instrument}` : '' }}</template
          >
          <template #act="{ row: r }">
            <ElButton class="plain link" @click="photosOf = photosOf === r.id ? null : r.id">
              photos
            </ElButton>
            <ElButton
              v-if="may && !r.withdrawnWhy"
              class="plain link"
              @click="taking = taking === r.id ? null : r.id"
            >
              withdraw
            </ElButton>
          </template>
          <template #under="{ row: r }">
            <template v-if="taking === r.id">
              <label class="why">Why<ElInput v-model="why[r.id]" class="entry" maxlength="300" /></label>
              <ElButton class="act" :disabled="!why[r.id]?.trim()" @click="withdraw(r.id)">
                Withdraw this reading
              </ElButton>
            </template>
            <PhotoStrip v-if="photosOf === r.id" subject="reading" :subject-id="r.id" />
          </template>
        </RowTable>
        <p v-else class="soft">None yet.</p>
      </section>
    </div>
  </div>
</template>

<style scoped src="./split.css"></style>
<style scoped>
article {
  padding: 8px 0 12px;
  border-bottom: 1px solid var(--line);
}
:deep(tr.refused td) {
  color: var(--ink-soft);
}
:deep(tr.refused strong) {
  text-decoration: line-through;
}
:deep(tr.gone td) {
  color: var(--ink-soft);
  text-decoration: line-through;
}
.link {
  text-decoration: underline dotted;
  padding: 6px 3px;
}
.why {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}
.number {
  white-space: nowrap;
}
</style>
