<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import dayjs from 'dayjs'
import {
  PROOF_KINDS,
  PROOF_RESULTS,
  PROOF_SAID,
  RESULT_SAID,
  sentence,
  type ProofKind,
  type ProofResult,
  type ProofThing,
} from '@north-tide/core'
import { api } from '../../api'
import { benchOf } from '../../kinds/registry'
import { useAttempt } from '../../pieces/attempt'
import DimensionField from '../../pieces/DimensionField.vue'
import PhotoStrip from '../../pieces/PhotoStrip.vue'
import PickOne from '../../pieces/PickOne.vue'
import StepClock from '../../pieces/StepClock.vue'
import { useBoats } from '../../state/boats'
import { useSession } from '../../state/session'

/** Proofs as a guided run: which is next, how long, where one looks, what came of it, what it rules out. */
interface Run {
  id: number
  kind: ProofKind
  things: ProofThing[]
  pressurePa: number | null
  loadN: number | null
  who: string
  at: string
  endedAt: string | null
  said: string
  version: number
}
const boats = useBoats()
const session = useSession()
const { said, path, busy, attempt } = useAttempt()
const runs = ref<Run[]>([])
const form = reactive({
  kind: 'hose' as ProofKind,
  fittings: [] as string[],
  pressurePa: 500 as number | null,
  loadN: null as number | null,
})
const boat = computed(() => boats.picture?.id ?? '')
const may = computed(() => session.may('work', boat.value))
const load = () =>
  attempt(async () => {
    runs.value = boat.value ? (await api<{ proofs: Run[] }>('GET', `/boats/${boat.value}/proofs`)).proofs : []
  })
watch(boat, load, { immediate: true })
const open = computed(() => runs.value.find((r) => !r.endedAt) ?? null)
const next = computed(() => open.value?.things.find((t) => t.result === null) ?? null)
/** The hose is on since then; its clock runs on the screen alone. */
const since = ref<string | null>(null)
const note = ref('')
watch(
  () => next.value?.id,
  () => {
    since.value = null
    note.value = ''
  },
)
const put = (r: Run) => (runs.value = runs.value.map((x) => (x.id === r.id ? r : x)))
const begin = () =>
  attempt(async () => {
    await api('POST', `/boats/${boat.value}/proofs`, {
      kind: form.kind,
      fittings: form.fittings,
      ...(form.kind === 'soap' ? { pressurePa: form.pressurePa } : {}),
      ...(form.kind === 'pull' ? { loadN: form.loadN } : {}),
    })
    form.fittings = []
    await load()
  })
const tell = (result: ProofResult) =>
  attempt(async () => {
    const r = open.value!
    const body = {
      what: 'result',
      version: r.version,
      thing: next.value!.id,
      result,
      note: note.value.trim(),
    }
    put(await api<Run>('PUT', `/proofs/${r.id}`, body))
    await boats.refresh()
  })
const end = () =>
  attempt(async () => {
    const r = open.value!
    put(await api<Run>('PUT', `/proofs/${r.id}`, { what: 'end', version: r.version }))
  })
const KINDS = PROOF_KINDS.map((value) => ({ value, title: PROOF_SAID[value] }))
const at = (p: string) => (path.value === p ? said.value : null)
const when = (t: string) => dayjs(t).format('D MMM YYYY, HH:mm')
</script>

<template>
  <section aria-label="Proof runs" class="runs">
    <h2>One after the other</h2>
    <p v-if="said && !path" class="bad" role="alert">{{ said }}</p>
    <article v-if="open" class="open" :aria-label="PROOF_SAID[open.kind]">
      <h3>{{ PROOF_SAID[open.kind] }}, begun {{ when(open.at) }} by {{ open.who }}</h3>
      <p v-if="open.kind === 'pull'" class="caution">
        Nobody in line with it or under it. What holds a life is proved by whoever is licensed to; local codes
        win.
      </p>
      <p v-if="open.said" role="status">{{ open.said }}</p>
      <template v-if="next">
        <p>
          <strong>Next: </strong
          ><RouterLink :to="benchOf({ kind: next.kind, id: next.id })">{{ next.name }}</RouterLink
          >, {{ next.zone }}, for {{ next.minutes }} minutes.
        </p>
        <p>Look {{ next.look }}.</p>
        <template v-if="may">
          <p v-if="!since">
            <ElButton class="act" @click="since = new Date().toISOString()">It begins now</ElButton>
          </p>
          <StepClock
            v-else
            :clock="{ minutes: next.minutes, what: 'it was long enough' }"
            :from="since"
            :until="null"
          />
          <label
            >What was seen<ElInput
              v-model="note"
              class="entry"
              maxlength="300"
              placeholder="a drop at the after bolt after 3 minutes"
          /></label>
          <PhotoStrip subject="fitting" :subject-id="next.id" />
          <div class="acts">
            <ElButton
              v-for="(r, i) in PROOF_RESULTS[open.kind]"
              :key="r"
              class="act"
              :class="{ main: i === 0 }"
              :disabled="busy"
              @click="tell(r)"
              >{{ sentence(RESULT_SAID[r]) }}</ElButton
            >
            <ElButton class="act" :disabled="busy" @click="end">End the run here</ElButton>
          </div>
        </template>
      </template>
    </article>
    <form v-else-if="may" class="begin" aria-label="A run of proofs" @submit.prevent="begin">
      <label>How<PickOne v-model="form.kind" label="How" :options="KINDS" /></label>
      <label
        >What<ElSelect
          v-model="form.fittings"
          multiple
          filterable
          collapse-tags
          collapse-tags-tooltip
          class="pick"
          aria-label="What is proved"
          placeholder="fittings, in any order"
        >
          <ElOption v-for="f in boats.everyFitting" :key="f.id" :value="f.id" :label="f.name" /> </ElSelect
      ></label>
      <DimensionField
        v-if="form.kind === 'soap'"
        v-model="form.pressurePa"
        label="Over the air outside"
        kind="number"
        unit="Pa"
        :units="boats.units"
        :most="2000"
        above
        :problem="at('pressurePa')"
      />
      <DimensionField
        v-if="form.kind === 'pull'"
        v-model="form.loadN"
        label="Pulled with"
        kind="force"
        :units="boats.units"
        above
        :problem="at('loadN')"
      />
      <ElButton class="act main" native-type="submit" :disabled="busy || !form.fittings.length"
        >Begin the run</ElButton
      >
    </form>
    <ul v-if="runs.some((r) => r.endedAt)" class="past" aria-label="Runs that are over">
      <li v-for="r in runs.filter((x) => x.endedAt)" :key="r.id">
        <strong>{{ PROOF_SAID[r.kind] }}</strong>
        <span class="small soft">{{ when(r.at) }}, {{ r.who }}</span>
        <p>{{ r.said }}</p>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.runs {
  display: grid;
  gap: 8px;
  max-width: 760px;
}
.open,
.begin {
  display: grid;
  gap: 8px;
  padding: 10px 12px;
  border: 1px solid var(--line-strong);
}
label {
  display: grid;
  gap: 2px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.past {
  list-style: none;
  padding: 0;
}
.past li {
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
.caution {
  color: var(--buoy);
  font-weight: 600;
}
.bad {
  color: var(--short);
}
</style>
