<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { formatLength } from '@north-tide/core'
import { api } from '../../../api'
import { useBoats } from '../../../state/boats'
import { useSession } from '../../../state/session'
import type { Hole } from '../../../types'
import DimensionField from '../../../pieces/DimensionField.vue'
import BoatSketch from '../BoatSketch.vue'
import LifeSign from '../../../pieces/LifeSign.vue'
import MeasureField, { type Measured } from '../../../pieces/MeasureField.vue'
import WithdrawForm from '../../../pieces/WithdrawForm.vue'
import { useAttempt } from '../../../pieces/attempt'
import { keptForm } from '../../../pieces/kept-form'
import TypedAgain from '../../../pieces/TypedAgain.vue'
import WaitsHere from '../../../pieces/WaitsHere.vue'
import PickOne from '../../../pieces/PickOne.vue'
import RowTable from '../../../pieces/RowTable.vue'

/**
 * Old holes in a row, by keyboard: Enter keeps one and goes on to the next, with what they have in common
 * left standing.
 */
const boats = useBoats()
const session = useSession()
const { said, path, busy, attempt } = useAttempt()
const boat = computed(() => boats.picture!)
const may = computed(() => session.may('measure', boats.picture?.id))
const FOUND_KINDS = [
  'old fastener',
  'filled hole',
  'cut-off rivet',
  'oval hole',
  'open hole',
  'mystery bolt',
] as const
const { form, again, done, afresh } = keptForm(`found:${boat.value.id}`, () => ({
  foundKind: 'old fastener' as (typeof FOUND_KINDS)[number],
  whatFor: '',
  size: (boats.units === 'inch' ? 6.35 : 6.5) as number | null,
  across: null as number | null,
  direction: null as number | null,
  x: null as number | null,
  y: null as number | null,
  /** the surface that it is in; empty: the one that the plan shows there */
  zone: '',
  z: null as number | null,
  state: 'suspect' as 'suspect' | 'closed',
  note: '',
  /** where it is, as it was measured */
  asMeasured: '',
}))
const measured = ref<Measured | null>(null)
const measure = ref<InstanceType<typeof MeasureField>>()
const here = ref<HTMLFormElement>()
const made = ref<Hole[]>([])
const near = (h: Hole) =>
  boat.value.holes.filter((o) => o.id !== h.id && Math.hypot(o.xMm - h.xMm, o.yMm - h.yMm) < 50)
/** what is typed as measured and was not understood is no place, whatever stands in x and y */
const unread = ref(false)
const tried = ref(false)
const ready = computed(
  () =>
    form.size !== null &&
    !unread.value &&
    (measured.value
      ? measured.value.xMm !== null && measured.value.yMm !== null
      : form.x !== null && form.y !== null),
)
/** A side, a bottom or a bulkhead: the plan does not show it, and how high it is has to be said. */
const upright = computed(() => {
  const q = boat.value.zones.find((x) => x.code === form.zone)
  return q && !['deck', 'roof'].includes(q.face) ? q : null
})
/** Where it would be kept, as far as it is understood. */
const spot = computed(() => {
  const xMm = measured.value ? measured.value.xMm : form.x
  const yMm = measured.value ? measured.value.yMm : form.y
  return unread.value || xMm === null || yMm === null ? null : { xMm, yMm }
})
const spotSaid = computed(() => {
  if (!spot.value) return 'What is typed is shown here before it is kept'
  const { xMm, yMm } = spot.value
  const length = (mm: number) => formatLength(Math.round(mm), boats.units)
  const said = `x ${length(xMm)}, ${length(Math.abs(yMm))} ${yMm < 0 ? 'to port' : 'to starboard'}`
  const close = boat.value.holes
    .map((h) => ({ h, mm: Math.hypot(h.xMm - xMm, h.yMm - yMm) }))
    .sort((a, b) => a.mm - b.mm)[0]
  return close && close.mm < 300 ? `${said}; ${close.h.label} ${length(close.mm)} away` : said
})
/** The form as the next hole wants it. */
function goOn() {
  form.note = ''
  form.x = form.y = null
  tried.value = false
  measured.value = null
  measure.value?.clear()
  done()
}
async function send() {
  tried.value = true
  if (!ready.value || busy.value) return
  const where = measured.value
    ? { measures: measured.value.measures, believe: measured.value.believe }
    : { xMm: form.x, yMm: form.y }
  const body = {
    foundKind: form.foundKind,
    whatFor: form.whatFor,
    diameterMm: form.size,
    ...(form.foundKind === 'oval hole'
      ? { acrossMm: form.across, directionDeg: form.across === null ? null : form.direction }
      : {}),
    state: form.state,
    note: form.note,
    ...where,
    ...(form.zone ? { zone: form.zone } : {}),
    ...(upright.value && form.z !== null ? { zMm: form.z } : {}),
  }
  const kept = await attempt(async (key) => {
    const h = await api<Hole>('POST', `/boats/${boat.value.id}/penetrations`, body, key)
    await boats.refresh()
    made.value = [h, ...made.value]
  })
  // One that waits on this device is kept too: left standing here, the next Enter would enter it again.
  if (kept) goOn()
  await nextTick()
  here.value?.querySelector<HTMLInputElement>('.measure input')?.focus()
}
async function withdraw(id: number, why: string) {
  await api('POST', `/penetrations/${id}/withdraw`, { why })
  made.value = made.value.filter((h) => h.id !== id)
  await boats.refresh()
}
</script>

<template>
  <div class="found">
    <form
      v-if="may"
      ref="here"
      aria-label="A found hole"
      @submit.prevent="send"
      @keydown.enter.prevent="send"
    >
      <p class="soft small">
        Enter keeps the hole and goes on to the next; kind, size and what it was for stay as they are.
      </p>
      <TypedAgain :again="again" @afresh="afresh" />
      <div class="line">
        <MeasureField
          ref="measure"
          v-model:typed="form.asMeasured"
          class="wide"
          :boat="boat"
          :units="boats.units"
          label="Where"
          :tried="tried"
          @measured="measured = $event"
          @unread="unread = $event"
        />
        <DimensionField
          v-model="form.x"
          label="or x, aft"
          :units="boats.units"
          optional
          :disabled="measured !== null || unread"
          :problem="path === 'xMm' ? said : null"
        />
        <DimensionField
          v-model="form.y"
          label="y, to starboard"
          :units="boats.units"
          optional
          :disabled="measured !== null || unread"
          :problem="path === 'yMm' ? said : null"
        />
        <label class="long" for="found-zone"
          >Surface<PickOne
            id="found-zone"
            v-model="form.zone"
            label="Surface"
            :options="[
              { value: '', title: 'by the plan' },
              ...boat.zones.map((q) => ({ value: q.code, title: q.title })),
            ]"
        /></label>
        <DimensionField
          v-if="upright"
          v-model="form.z"
          label="z, over the waterline"
          :units="boats.units"
          optional
          :usual="upright.zMm"
          :problem="path === 'zMm' ? said : null"
        />
      </div>
      <div class="line">
        <label class="long" for="found-kind"
          >Found<PickOne
            id="found-kind"
            v-model="form.foundKind"
            label="Found"
            :options="FOUND_KINDS.map((k) => ({ value: k, title: k }))"
        /></label>
        <DimensionField
          v-model="form.size"
          label="Size"
          :units="boats.units"
          above
          :problem="path === 'diameterMm' ? said : null"
        />
        <DimensionField
          v-if="form.foundKind === 'oval hole'"
          v-model="form.across"
          label="The long way"
          :units="boats.units"
          above
          optional
        />
        <DimensionField
          v-if="form.foundKind === 'oval hole'"
          v-model="form.direction"
          label="It lies"
          kind="angle"
          :units="boats.units"
          above
          optional
          hint="0 fore and aft, positive turning to starboard"
          :problem="path === 'directionDeg' ? said : null"
        />
        <label class="long" for="found-for"
          >Was for<ElInput
            id="found-for"
            v-model="form.whatFor"
            class="entry"
            maxlength="120"
            placeholder="old rail"
        /></label>
        <label class="long" for="found-state"
          >State<PickOne
            id="found-state"
            v-model="form.state"
            label="State"
            :options="[
              { value: 'suspect', title: 'suspect' },
              { value: 'closed', title: 'closed already' },
            ]"
        /></label>
        <label class="long grow" for="found-note"
          >Note<ElInput
            id="found-note"
            v-model="form.note"
            class="entry"
            maxlength="1000"
            placeholder="rust weep, soft filler …"
        /></label>
        <ElButton class="act main" native-type="submit" :disabled="busy || !ready">Keep and next</ElButton>
      </div>
      <BoatSketch
        :boat="boat"
        :units="boats.units"
        :spot="spot"
        :spot-size-mm="form.size ?? 0"
        :spot-said="spotSaid"
        label="The hole, on the boat"
      />
      <p v-if="tried && !ready && !said" class="said" role="alert">
        {{
          unread
            ? 'Nothing was kept: where it is could not be read.'
            : form.size === null
              ? 'Nothing was kept: give its size.'
              : 'Nothing was kept: say where it is, as measured or by x and y.'
        }}
      </p>
      <p v-if="said && !path" class="said" role="alert">{{ said }}</p>
      <p v-else-if="said && !['xMm', 'yMm', 'zMm', 'diameterMm'].includes(path)" class="said" role="alert">
        {{ said }}
      </p>
    </form>
    <WaitsHere :path="`/boats/${boat.id}/penetrations`" @fewer="boats.refresh()" />
    <p v-if="!made.length" class="soft">
      Nothing entered in this sitting. {{ boat.holes.filter((h) => h.found).length }} found holes are on
      record for {{ boat.name }}: see the <RouterLink to="/register">register</RouterLink>.
    </p>
    <RowTable
      v-else
      label="Entered in this sitting"
      :columns="[
        { key: 'no', title: 'No.', class: 'figure' },
        { key: 'found', title: 'Found' },
        { key: 'wasFor', title: 'Was for' },
        { key: 'size', title: 'Size', number: true },
        { key: 'x', title: 'x', number: true },
        { key: 'y', title: 'y', number: true },
        { key: 'zone', title: 'Zone' },
        { key: 'near', title: 'Near', class: 'small' },
        { key: 'byMistake', title: 'By mistake?' },
      ]"
      :rows="made"
      :known="(h) => h.id"
    >
      <template #no="{ row: h }"
        ><LifeSign :state="h.state" />
        <RouterLink :to="`/register/${h.id}`">{{ h.label }}</RouterLink></template
      >
      <template #found="{ row: h }">{{ h.foundKind }}</template>
      <template #wasFor="{ row: h }">{{ h.whatFor }}</template>
      <template #size="{ row: h }"
        >{{ formatLength(h.diameterMm, boats.units)
        }}{{ h.acrossMm ? ` × ${formatLength(h.acrossMm, boats.units)}` : '' }}</template
      >
      <template #x="{ row: h }">{{ formatLength(Math.round(h.xMm), boats.units) }}</template>
      <template #y="{ row: h }">{{ formatLength(Math.round(h.yMm), boats.units) }}</template>
      <template #zone="{ row: h }">{{ h.zone }}</template>
      <template #near="{ row: h }">{{
        near(h).length
          ? `${near(h)
              .map((o) => o.label)
              .join(', ')} within 50 mm: one patch`
          : ''
      }}</template>
      <template #byMistake="{ row: h }"
        ><WithdrawForm what="hole" :send="(why) => withdraw(h.id, why)"
      /></template>
    </RowTable>
  </div>
</template>

<style scoped>
.found {
  padding: 14px 20px 30px;
  display: grid;
  gap: 16px;
  align-content: start;
}
form {
  display: grid;
  gap: 10px;
  border-bottom: 2px solid var(--ink);
  padding-bottom: 14px;
}
.line {
  display: flex;
  gap: 10px 22px;
  flex-wrap: wrap;
  align-items: end;
}
.wide {
  flex: 1 1 380px;
}
.long {
  display: grid;
  gap: 2px;
}
.grow {
  flex: 1;
}
.said {
  color: var(--short);
  font-weight: 600;
}
.rows svg {
  vertical-align: -4px;
}
/* Two beside one another, and a note over the whole of it. */
@media (max-width: 767px) {
  .line {
    display: grid;
    grid-template-columns: repeat(2, minmax(0, 1fr));
    gap: 10px 16px;
  }
  .line > :is(.wide, .grow, .act) {
    grid-column: 1 / -1;
  }
}
</style>
