<script setup lang="ts">
import { computed, defineAsyncComponent, reactive, ref, watch } from 'vue'
import { useLocalStorage } from '@vueuse/core'
import dayjs from 'dayjs'
import { LIFE_STATES, lifeSaid, type LifeState } from '@north-tide/core'
import { ApiRefusal, api } from '../../api'
import { benchOf } from '../../kinds/registry'
import { useBoats } from '../../state/boats'
import { useSession } from '../../state/session'
import { useSurvey } from '../../state/survey'
import type { HoleRecord } from '../../types'
import type { InstrumentReading } from '@north-tide/core'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import LifeSign from '../../pieces/LifeSign.vue'
import LotChoice from '../../pieces/LotChoice.vue'
import PhotoStrip from '../../pieces/PhotoStrip.vue'
import TrendsAt from '../../pieces/TrendsAt.vue'
import TakeReading from '../../pieces/TakeReading.vue'
import WaitsHere from '../../pieces/WaitsHere.vue'
import WithdrawForm from '../../pieces/WithdrawForm.vue'
import WhenField from '../../pieces/WhenField.vue'
import HoleFacts from './HoleFacts.vue'
import HoleLife from './HoleLife.vue'

const CloseHole = defineAsyncComponent(() => import('./CloseHole.vue'))
const SurveyHole = defineAsyncComponent(() => import('./SurveyHole.vue'))

const props = defineProps<{ id: number }>()
const emit = defineEmits<{ close: []; changed: [] }>()
const boats = useBoats()
const session = useSession()
const survey = useSurvey()
const hole = ref<HoleRecord | null>(null)
const said = ref('')
const gates = ref<{ id: string; text: string }[]>([])
const busy = ref(false)
const blank = {
  state: '' as LifeState | '',
  note: '',
  evidence: '',
  closedBy: '',
  sizeMm: null as number | null,
  tempC: null as number | null,
  humidityPct: null as number | null,
  lotId: '',
  reason: '',
  at: '',
  corrects: null as number | null,
}
/** What is typed survives a reload, until it is recorded. */
const draft = useLocalStorage(`north-tide:event:${props.id}`, { ...blank }, { mergeDefaults: true })
const form = reactive(draft.value)
watch(form, (f) => (draft.value = { ...f }))

/** What the list knows of it already is shown at once; its life and what may be written follow. */
const seen = computed(() => hole.value ?? boats.picture?.holes.find((h) => h.id === props.id) ?? null)
async function load() {
  try {
    hole.value = await api<HoleRecord>('GET', `/penetrations/${props.id}`)
    if (form.corrects === null && (!form.state || !hole.value.next.includes(form.state)))
      form.state = hole.value.next[0] ?? ''
    if (form.sizeMm === null) form.sizeMm = hole.value.diameterMm
  } catch (error) {
    said.value = error instanceof Error ? error.message : 'It cannot be read'
  }
}
watch(() => props.id, load, { immediate: true })
watch(
  () => form.state,
  () => {
    gates.value = []
    said.value = ''
  },
)

/** What a gate asked for was given: the gate is looked at again, and is not to be passed with a reason. */
watch(
  () => [form.sizeMm, form.tempC, form.humidityPct, form.lotId, form.evidence, form.note, form.at],
  () => (gates.value = []),
)
async function withdraw(why: string) {
  await api('POST', `/penetrations/${props.id}/withdraw`, { why })
  await load()
  emit('changed')
}
/** Its fitting, where there are photos of that. */
const ofFitting = computed(() => {
  const id = hole.value?.fittingId
  return id && survey.photos.some((p) => p.subject === 'fitting' && p.subjectId === id) ? id : null
})
const mayRecord = computed(() => session.may('work', boats.picture?.id))
const mayPass = computed(() => session.may('pass-gate', boats.picture?.id))
const open = computed(() => {
  const next = form.corrects === null ? (hole.value?.next ?? []) : [...LIFE_STATES]
  if (mayRecord.value) return next
  return session.may('measure', boats.picture?.id) ? next.filter((s) => s === 'suspect') : []
})
const options = computed(() =>
  open.value.map((s) => ({
    value: s,
    title: lifeSaid(s),
  })),
)
const wrong = computed(() => hole.value?.events.find((e) => e.seq === form.corrects) ?? null)
/** What was written stays; the right one is written after it and names it. */
function correct(e: HoleRecord['events'][number]) {
  Object.assign(form, {
    ...blank,
    corrects: e.seq,
    state: e.state,
    sizeMm: e.sizeMm ?? hole.value!.diameterMm,
    tempC: e.tempC,
    humidityPct: e.humidityPct,
    evidence: e.evidence,
  })
}
/** Work in which an old hole may have been closed: of any fitting but its own. */
const closers = computed(() => [
  { value: '', title: 'by itself' },
  ...(boats.picture?.fittings ?? [])
    .filter((f) => f.id !== hole.value?.fittingId)
    .map((f) => ({ value: f.id, title: f.name })),
])
const wantsLot = computed(() => form.state === 'core-sealed' || form.state === 'bedded')
function takeAir(r: InstrumentReading) {
  form.tempC = r.surfaceC ?? null
  form.humidityPct = r.humidityPct ?? null
  const said = `${r.instrument}, ${dayjs(r.at).format('HH:mm')}`
  if (!form.note.includes(r.instrument)) form.note = form.note ? `${form.note}; ${said}` : said
}
async function send() {
  if (!form.state) return
  busy.value = true
  said.value = ''
  try {
    hole.value = await api<HoleRecord>('POST', `/penetrations/${props.id}/events`, {
      state: form.state,
      note: form.note,
      evidence: form.evidence,
      ...(form.state === 'drilled' && form.sizeMm !== null ? { sizeMm: form.sizeMm } : {}),
      ...(wantsLot.value && form.tempC !== null ? { tempC: form.tempC } : {}),
      ...(form.state === 'bedded' && form.humidityPct !== null ? { humidityPct: form.humidityPct } : {}),
      ...(wantsLot.value && form.lotId ? { lotId: Number(form.lotId) } : {}),
      ...(form.corrects === null ? {} : { corrects: form.corrects }),
      ...(form.at ? { at: dayjs(form.at).toISOString() } : {}),
      ...(form.state === 'closed' && form.closedBy ? { closedBy: form.closedBy } : {}),
      ...(gates.value.length && form.reason.trim() ? { gateReason: form.reason.trim() } : {}),
    })
    gates.value = []
    Object.assign(form, { ...blank, state: hole.value.next[0] ?? '', sizeMm: hole.value.diameterMm })
    emit('changed')
  } catch (error) {
    if (error instanceof ApiRefusal && error.refusal.code === 'gate') gates.value = error.refusal.gates ?? []
    else if (!session.ended(error))
      said.value = error instanceof Error ? error.message : 'It was not recorded'
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <section aria-label="Hole" tabindex="0">
    <header>
      <h2 class="title">{{ seen?.label ?? '…' }}</h2>
      <ElButton class="act" @click="emit('close')">Close</ElButton>
    </header>
    <p v-if="said" class="alarm" role="alert">{{ said }}</p>
    <template v-if="seen">
      <p class="lead">
        <LifeSign :state="seen.state" /> <strong>{{ lifeSaid(seen.state) }}</strong> · {{ seen.whatFor }}
        <RouterLink v-if="seen.fittingId" :to="benchOf({ kind: seen.fittingKind!, id: seen.fittingId })"
          >on the bench</RouterLink
        >
      </p>
      <HoleFacts :hole="seen" :record="hole" />
    </template>
    <template v-if="hole">
      <p v-for="c in hole.closedIn" :key="c.id" class="soft small">
        Closed in the work on <RouterLink :to="benchOf(c)">{{ c.name }}</RouterLink>.
      </p>
      <p v-if="hole.withdrawnWhy" class="alarm">
        Withdrawn by {{ hole.withdrawnBy }}: {{ hole.withdrawnWhy }}. It stays on record and counts no more.
      </p>
      <WithdrawForm v-else-if="mayRecord && hole.found && !hole.fittingId" what="hole" :send="withdraw" />
      <h3>Photos</h3>
      <PhotoStrip subject="hole" :subject-id="hole.id" />
      <template v-if="ofFitting">
        <h3>Photos of its fitting</h3>
        <PhotoStrip subject="fitting" :subject-id="ofFitting" />
      </template>
      <TrendsAt
        v-if="boats.picture"
        :key="hole.id"
        :boat="boats.picture.id"
        :at="[`hole ${hole.id}`, ...(hole.fittingId ? [hole.fittingId] : [])]"
        :read="null"
      />
      <HoleLife :hole="hole" :correctable="mayRecord" @correct="correct" />

      <WaitsHere :path="`/penetrations/${hole.id}/events`" @fewer="load().then(() => emit('changed'))" />
      <SurveyHole
        v-if="mayRecord && hole.found && !hole.fittingId && hole.zMm < 400 && hole.diameterMm >= 10"
        :hole="hole"
      />
      <CloseHole
        v-if="mayRecord && !hole.fittingId && !hole.withdrawnWhy && hole.state !== 'closed'"
        :hole="hole"
      />
      <form v-if="options.length && !hole.withdrawnWhy" @submit.prevent="send">
        <h3>
          {{
            wrong
              ? `In place of “${lifeSaid(wrong.state)}” of ${dayjs(wrong.at).format('D MMM HH:mm')}`
              : 'What happened next'
          }}
        </h3>
        <p v-if="wrong" class="soft small">
          What was written stays on record; this is added, and counts instead.
          <ElButton
            class="plain fix"
            @click="Object.assign(form, { ...blank, state: hole.next[0] ?? '', sizeMm: hole.diameterMm })"
          >
            Leave it as it was
          </ElButton>
        </p>
        <ChoiceField v-model="form.state as string" label="State" :options="options" />
        <DimensionField
          v-if="form.state === 'drilled'"
          v-model="form.sizeMm"
          label="Drilled to"
          :units="boats.units"
          above
          optional
        />
        <LotChoice
          v-if="wantsLot"
          v-model="form.lotId"
          :kind="form.state === 'core-sealed' || hole.sealant === 'epoxy-filled' ? 'epoxy' : 'sealant'"
          :chemistry="hole.sealant"
        />
        <DimensionField
          v-if="wantsLot"
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
          v-if="form.state === 'bedded'"
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
        <TakeReading v-if="wantsLot" kind="hygrometer" @take="takeAir" />
        <label v-if="form.state === 'proved' || form.state === 'closed'" class="long" for="event-evidence"
          >{{ form.state === 'proved' ? 'How it was proved' : 'How it was closed'
          }}<ElInput
            id="event-evidence"
            v-model="form.evidence"
            class="entry"
            maxlength="2000"
            :placeholder="
              form.state === 'proved' ? 'hose 10 min, low to high; inside dry' : 'bevel, cloth, plies, lot'
            "
        /></label>
        <ChoiceField
          v-if="form.state === 'closed'"
          v-model="form.closedBy"
          label="Closed in the work on"
          :options="closers"
        />
        <label class="long" for="event-note"
          >{{ wrong ? 'What was wrong with it' : 'Note'
          }}<ElInput id="event-note" v-model="form.note" class="entry" maxlength="2000"
        /></label>
        <WhenField v-model="form.at" class="long" label="When, if not now" />
        <div v-if="gates.length" class="gates" role="alert">
          <p>
            <strong>A gate stands before “{{ lifeSaid(form.state) }}”.</strong>
          </p>
          <ul>
            <li v-for="g in gates" :key="g.id">{{ g.text }}</li>
          </ul>
          <template v-if="mayPass"
            ><label class="long" for="gate-reason"
              >Reason to pass it all the same; it stays on the record<ElInput
                id="gate-reason"
                v-model="form.reason"
                class="entry"
                maxlength="500" /></label
          ></template>
          <p v-else>An apprentice records, but a fitter passes the gate.</p>
        </div>
        <ElButton
          class="act main"
          native-type="submit"
          :disabled="
            busy ||
            (wrong !== null && !form.note.trim()) ||
            (gates.length > 0 && (!mayPass || !form.reason.trim()))
          "
        >
          {{
            gates.length
              ? 'Pass the gate and record'
              : wrong
                ? `Correct to ${lifeSaid(form.state)}`
                : `Record as ${lifeSaid(form.state)}`
          }}
        </ElButton>
      </form>
    </template>
    <p v-else-if="!said" class="soft small" role="status">Its life is being read …</p>
  </section>
</template>

<style scoped>
h3 {
  margin-top: 14px;
}
section {
  padding: 12px 20px 26px;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.title {
  font: 700 1.375rem var(--figures);
}
.lead {
  display: flex;
  gap: 7px;
  align-items: center;
  flex-wrap: wrap;
  padding: 4px 0 10px;
}
.fix {
  color: var(--tide);
  text-decoration: underline;
  align-self: start;
}
form {
  display: grid;
  gap: 7px;
  border-top: 2px solid var(--ink);
  padding-top: 12px;
}
form .act {
  justify-self: start;
  margin-top: 6px;
}
.long {
  display: grid;
  gap: 2px;
}
.gates {
  background: var(--short-ground);
  padding: 10px 14px;
  color: var(--short);
}
.gates ul {
  margin: 4px 0 8px;
  padding-left: 20px;
}
.gates .long {
  color: var(--ink);
}
.alarm {
  color: var(--short);
  font-weight: 600;
}
</style>
