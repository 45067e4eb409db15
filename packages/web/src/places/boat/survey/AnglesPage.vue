<script setup lang="ts">
import { computed, ref } from 'vue'
import { useBoats } from '../../../state/boats'
import { useSession } from '../../../state/session'
import { useSurvey } from '../../../state/survey'
import type { InstrumentReading } from '@north-tide/core'
import ChoiceField from '../../../pieces/ChoiceField.vue'
import DimensionField from '../../../pieces/DimensionField.vue'
import TakeReading from '../../../pieces/TakeReading.vue'
import { keptForm } from '../../../pieces/kept-form'
import TypedAgain from '../../../pieces/TypedAgain.vue'
import { useAttempt } from '../../../pieces/attempt'
import RowTable from '../../../pieces/RowTable.vue'

const boats = useBoats()
const survey = useSurvey()
const session = useSession()
const { said, path, busy, attempt } = useAttempt()
const may = computed(() => session.may('measure', boats.picture?.id))
const ROLES = [
  { value: 'reference', title: 'across a surface built level' },
  { value: 'trim', title: 'along a surface built level' },
  { value: 'station', title: 'at a station' },
  { value: 'recheck', title: 'the reference once more' },
] as const
const { form, again, done, afresh } = keptForm(`angle:${boats.picture!.id}`, () => ({
  role: 'reference' as 'reference' | 'trim' | 'station' | 'recheck',
  station: 'Stanchion 1',
  side: 'starboard' as 'port' | 'starboard',
  axis: 'across' as 'across' | 'along',
  lean: 0 as number | null,
  degrees: null as number | null,
}))
const a = computed(() => survey.angles)
const answer = computed(() => a.value?.answer ?? null)
const of = (role: string) => a.value?.rows.filter((r) => r.role === role) ?? []
const asked = computed(() => ({
  boatId: boats.picture!.id,
  role: form.role,
  station: form.station,
  side: form.side,
  axis: form.axis,
  seed: (a.value?.rows.length ?? 0) + 1,
}))
const instrument = ref('')
const body = (degrees: number) => ({
  role: form.role,
  degrees,
  ...(instrument.value ? { instrument: instrument.value } : {}),
  ...(form.role === 'station'
    ? { station: form.station.trim(), side: form.side, axis: form.axis, leanDeg: form.lean ?? 0 }
    : {}),
})
async function keep(degrees: number | null) {
  if (degrees === null) return
  if (await attempt((key) => survey.addAngle(body(degrees), key))) {
    form.degrees = null
    done()
    instrument.value = ''
  }
}
async function take(r: InstrumentReading) {
  instrument.value = r.instrument
  await keep(r.value)
}
const deg = (n: number) => `${n.toFixed(2)}°`
const FLAG: Record<string, string> = {
  few: 'fewer than three readings',
  scatter: 'readings scatter over 0.3°',
  moved: 'the boat has moved since the last good reference: read again',
}
const readingsOf = (s: { id: string; side: string; axis: string }) =>
  of('station').filter((r) => r.station === s.id && r.side === s.side && r.axis === s.axis)
</script>

<template>
  <div class="split">
    <form v-if="may" class="new" aria-label="A level reading" @submit.prevent="keep(form.degrees)">
      <h2 class="title">Lay the level</h2>
      <TypedAgain :again="again" @afresh="afresh" />
      <ChoiceField v-model="form.role" label="On" :options="ROLES" />
      <template v-if="form.role === 'station'">
        <label class="long" for="angle-station"
          >Station<ElInput id="angle-station" v-model="form.station" class="entry" maxlength="60"
        /></label>
        <ChoiceField
          v-model="form.side"
          label="Side"
          :options="[
            { value: 'port', title: 'port' },
            { value: 'starboard', title: 'starboard' },
          ]"
        />
        <ChoiceField
          v-model="form.axis"
          label="Laid"
          :options="[
            { value: 'across', title: 'across, outboard down +' },
            { value: 'along', title: 'along, aft end down +' },
          ]"
        />
        <DimensionField v-model="form.lean" label="Wanted lean outboard" kind="angle" :units="boats.units" />
      </template>
      <p v-else class="soft small">
        {{ form.role === 'trim' ? 'Positive: aft end down.' : 'Positive: starboard down.' }} Three readings or
        more{{ form.role === 'recheck' ? '; it is noted after which station' : '' }}.
      </p>
      <DimensionField
        v-model="form.degrees"
        label="The level shows"
        kind="angle"
        :units="boats.units"
        optional
        :problem="path === 'degrees' ? said : null"
      />
      <p v-if="said && path !== 'degrees'" class="said" role="alert">{{ said }}</p>
      <ElButton class="act main" native-type="submit" :disabled="busy || form.degrees === null">
        Keep this reading
      </ElButton>
      <TakeReading kind="level" :asked="asked" :disabled="busy" @take="take" />
      <p class="soft small">“Take reading” keeps it at once, one press each.</p>
    </form>
    <div class="rest" tabindex="0" aria-label="Results">
      <section aria-label="The cradle">
        <h2 class="title">The cradle’s own lie, taken out of every angle</h2>
        <p v-if="a?.problem" class="said" role="alert">{{ a.problem.message }}</p>
        <p v-if="answer">
          <strong class="figure"
            >Heel {{ deg(Math.abs(answer.heelDeg)) }} to
            {{ answer.heelDeg >= 0 ? 'starboard' : 'port' }}</strong
          >, spread {{ deg(answer.spreadDeg)
          }}<template v-if="answer.trimDeg !== null"
            >;
            <strong class="figure"
              >trim {{ deg(Math.abs(answer.trimDeg)) }},
              {{ answer.trimDeg >= 0 ? 'bow up' : 'bow down' }}</strong
            ></template
          >.
          <span v-if="answer.flaggedReferences.length" class="said"
            >Reference {{ answer.flaggedReferences.map((i) => i + 1).join(', ') }} lies far off the others and
            is left out.</span
          >
        </p>
        <p v-for="(r, i) in answer?.rechecks ?? []" :key="i" :class="r.moved ? 'said' : 'soft small'">
          Read again after {{ r.afterCount }} stations: drift {{ deg(r.driftDeg)
          }}{{ r.moved ? ', over 0.2°: the boat has moved' : '' }}.
        </p>
        <ul class="raw small">
          <li v-for="r in [...of('reference'), ...of('trim'), ...of('recheck')]" :key="r.id">
            <span class="soft">{{ r.role }}</span> <span class="figure">{{ deg(r.degrees) }}</span>
            <ElButton
              v-if="may"
              class="plain soft"
              :aria-label="`Take away ${r.role} ${r.degrees}`"
              @click="attempt(() => survey.dropAngle(r.id))"
            >
              ×
            </ElButton>
          </li>
        </ul>
      </section>
      <section aria-label="Schedule">
        <div class="group">
          <h2 class="title">Schedule</h2>
          <span v-if="answer?.stations.length"
            ><a class="act" :href="`/api/boats/${boats.picture!.id}/angles.csv`" download>CSV</a>
            <a class="act" :href="`/api/boats/${boats.picture!.id}/angles.dxf`" download>DXF</a></span
          >
        </div>
        <RowTable
          v-if="answer?.stations.length"
          label="Stations"
          :columns="[
            { key: 'station', title: 'Station' },
            { key: 'side', title: 'Side' },
            { key: 'laid', title: 'Laid' },
            { key: 'readings', title: 'Readings', class: 'small' },
            { key: 'shows', title: 'Shows', number: true },
            { key: 'true', title: 'True', number: true },
            { key: 'bendTo', title: 'Bend to', number: true },
            { key: 'look', title: 'Look', class: 'small' },
          ]"
          :rows="answer.stations"
          :known="(s) => s.id + s.side + s.axis"
        >
          <template #station="{ row: s }">{{ s.id }}</template>
          <template #side="{ row: s }">{{ s.side }}</template>
          <template #laid="{ row: s }">{{ s.axis }}</template>
          <template #readings="{ row: s }"
            ><span v-for="r in readingsOf(s)" :key="r.id" class="figure one"
              >{{ r.degrees.toFixed(2)
              }}<ElButton
                v-if="may"
                class="plain soft"
                :aria-label="`Take away ${s.id} ${s.side} ${r.degrees}`"
                @click="attempt(() => survey.dropAngle(r.id))"
              >
                ×
              </ElButton></span
            ></template
          >
          <template #shows="{ row: s }">{{ deg(s.readingDeg) }}</template>
          <template #true="{ row: s }">{{ deg(s.trueDeg) }}</template>
          <template #bendTo="{ row: s }"
            ><strong>{{ deg(s.bracketDeg) }}</strong></template
          >
          <template #look="{ row: s }"
            ><span :class="{ said: s.flagged }">{{ s.flags.map((f) => FLAG[f]).join('; ') }}</span></template
          >
        </RowTable>
        <p v-else class="soft">
          No station has been read. Three references first, then each station three times.
        </p>
        <template v-if="answer?.pairs.length"
          ><h3>Port and starboard</h3>
          <p v-for="p in answer.pairs" :key="p.id + p.axis" class="small">
            {{ p.id }}, {{ p.axis }}: port {{ deg(p.portDeg) }}, starboard {{ deg(p.starboardDeg) }},
            difference {{ deg(p.differenceDeg) }}
          </p></template
        >
      </section>
    </div>
  </div>
</template>

<style scoped src="./split.css"></style>
<style scoped>
.raw {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  margin: 8px 0 0;
  padding: 0;
}
.one {
  margin-right: 10px;
  white-space: nowrap;
}
.plain {
  padding: 4px 5px;
}
</style>
