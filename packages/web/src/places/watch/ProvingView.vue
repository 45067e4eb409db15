<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import dayjs from 'dayjs'
import type { Verdict } from '@north-tide/core'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import DimensionField from '../../pieces/DimensionField.vue'
import { keptForm } from '../../pieces/kept-form'
import RowTable from '../../pieces/RowTable.vue'
import TypedAgain from '../../pieces/TypedAgain.vue'
import VerdictSign from '../../pieces/VerdictSign.vue'
import { useBoats } from '../../state/boats'
import { useSession } from '../../state/session'
import ProofRuns from './ProofRuns.vue'

/**
 * A cockpit or a locker flooded on shut valves, or a bilge that is watched: level after level, and what that
 * can tell. The other school puts soap on and a slight pressure inside.
 */
interface Rate {
  verdict: Verdict
  because: string
  leakLph: number
  lowLph: number
  highLph: number
  minutesNeeded: number | null
  codes: string[]
}
interface Kept {
  id: number
  what: string
  answer: Rate
  note: string
  who: string
  at: string
}
const boats = useBoats()
const session = useSession()
const { said, path, busy, attempt } = useAttempt()
const kept = ref<Kept[] | null>(null)
const blank = {
  what: '',
  way: 'loses' as 'loses' | 'gains',
  areaM2: null as number | null,
  seeLph: 0.5 as number | null,
  readings: [
    { minute: 0 as number | null, levelMm: null as number | null },
    { minute: null as number | null, levelMm: null as number | null },
  ],
  note: '',
}
const { form, again, done, afresh } = keptForm('flood', () => structuredClone(blank))
const load = () =>
  attempt(async () => {
    if (boats.picture)
      kept.value = (await api<{ floods: Kept[] }>('GET', `/boats/${boats.picture.id}/floods`)).floods
  })
watch(() => boats.picture?.id, load, { immediate: true })
const may = computed(() => session.may('work', boats.picture?.id))
const read = computed(() => form.readings.filter((r) => r.minute !== null && r.levelMm !== null))
async function keep() {
  await attempt(async (key) => {
    await api(
      'POST',
      `/boats/${boats.picture!.id}/floods`,
      {
        what: form.what,
        ask: { way: form.way, areaM2: form.areaM2, seeLph: form.seeLph, readings: read.value },
        note: form.note,
      },
      key,
    )
    Object.assign(form, structuredClone(blank))
    done()
    kept.value = (await api<{ floods: Kept[] }>('GET', `/boats/${boats.picture!.id}/floods`)).floods
  })
}
const at = (p: string) => (path.value === p ? said.value : null)
const CODES: Record<string, string> = {
  'cover-it': 'cover it: what dries up is as much as what it would have to show',
  few: 'two readings only',
  'short-test': 'watched too short to see as little',
  'wrong-way': 'it went the wrong way: rain, or a pump that ran',
}
</script>

<template>
  <section aria-label="Proving" class="proving">
    <p class="soft small">
      Valves shut, a mark at the water, and the level read again and again. A test says what it cannot see
      less than; a hose goes low to high, one fitting at a time, on the step of its own work.
    </p>
    <p v-if="said && !path" class="bad" role="alert">{{ said }}</p>
    <ProofRuns />
    <h2>Flooded, or watched</h2>
    <ElForm v-if="may" label-position="top" class="form" aria-label="A flood test" @submit.prevent="keep">
      <TypedAgain :again="again" @afresh="afresh" />
      <ElFormItem label="What was flooded, or watched" for="flood-what" :error="at('what') ?? ''"
        ><ElInput id="flood-what" v-model="form.what" maxlength="200" placeholder="cockpit, drains shut"
      /></ElFormItem>
      <ElFormItem label="Water">
        <ElRadioGroup v-model="form.way" aria-label="Water">
          <ElRadioButton value="loses">is lost: flooded</ElRadioButton>
          <ElRadioButton value="gains">comes in: a bilge</ElRadioButton>
        </ElRadioGroup>
      </ElFormItem>
      <DimensionField
        v-model="form.areaM2"
        label="Its face"
        kind="number"
        unit="m²"
        :units="boats.units"
        above
        :problem="at('ask.areaM2')"
      />
      <DimensionField
        v-model="form.seeLph"
        label="To be seen, litres an hour"
        kind="number"
        unit="L/h"
        :units="boats.units"
        above
        :problem="at('ask.seeLph')"
      />
      <fieldset class="readings">
        <legend>Readings</legend>
        <div v-for="(r, i) in form.readings" :key="i" class="reading">
          <DimensionField
            v-model="r.minute"
            :label="`Minute ${i + 1}`"
            kind="number"
            unit="min"
            :units="boats.units"
            :problem="at(`ask.readings.${i}.minute`)"
          />
          <DimensionField
            v-model="r.levelMm"
            :label="`Level ${i + 1}`"
            :units="boats.units"
            :problem="at(`ask.readings.${i}.levelMm`)"
          />
        </div>
        <ElButton class="act small" @click="form.readings.push({ minute: null, levelMm: null })"
          >One more</ElButton
        >
      </fieldset>
      <ElFormItem label="Note" for="flood-note"
        ><ElInput id="flood-note" v-model="form.note" maxlength="300"
      /></ElFormItem>
      <ElButton
        class="act main"
        native-type="submit"
        :disabled="busy || !form.what.trim() || !form.areaM2 || read.length < 2"
        >Put it down</ElButton
      >
    </ElForm>
    <RowTable
      v-if="kept"
      label="Floods"
      :columns="[
        { key: 'at', title: 'When', by: (k) => k.at },
        { key: 'what', title: 'What' },
        { key: 'rate', title: 'Litres an hour', number: true },
        { key: 'verdict', title: 'Says' },
      ]"
      :rows="kept"
      :known="(k) => k.id"
      empty="Nothing was flooded yet."
    >
      <template #at="{ row: k }"
        >{{ dayjs(k.at).format('D MMM YYYY') }} <span class="small soft">{{ k.who }}</span></template
      >
      <template #rate="{ row: k }"
        >{{ k.answer.lowLph.toFixed(1) }} to {{ k.answer.highLph.toFixed(1) }}</template
      >
      <template #verdict="{ row: k }"
        ><span class="says"
          ><VerdictSign :verdict="k.answer.verdict" :size="12" /><span
            >{{ k.answer.because }} {{ k.answer.codes.map((c) => CODES[c] ?? c).join('; ') }}
            <span v-if="k.note" class="soft">{{ k.note }}</span></span
          ></span
        ></template
      >
    </RowTable>
  </section>
</template>

<style scoped>
.proving {
  display: grid;
  gap: 12px;
  max-width: 900px;
}
.form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 260px), 1fr));
  gap: 6px 20px;
  align-items: end;
}
.readings {
  grid-column: 1 / -1;
  border: 1px solid var(--line);
  padding: 8px 12px;
  display: grid;
  gap: 4px;
  justify-items: start;
}
.reading {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
}
.says {
  display: flex;
  gap: 8px;
  align-items: baseline;
}
.bad {
  color: var(--short);
}
</style>
