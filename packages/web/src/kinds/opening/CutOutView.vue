<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import dayjs from 'dayjs'
import { formatLength } from '@north-tide/core'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import DimensionField from '../../pieces/DimensionField.vue'
import { keptForm } from '../../pieces/kept-form'
import PhotoStrip from '../../pieces/PhotoStrip.vue'
import WaitsHere from '../../pieces/WaitsHere.vue'
import { useBoats } from '../../state/boats'
import { useOpening } from '../../state/opening'
import { useSession } from '../../state/session'
import type { ReadingShown } from '../../types'

/** What came out of the boat: the record of her laminate, kept as a reading of the zone with its photo. */
const bench = useOpening()
const boats = useBoats()
const session = useSession()
const { said, busy, attempt } = useAttempt()
const d = computed(() => bench.design!)
const boatId = computed(() => bench.fitting!.boatId)
const may = computed(() => session.may('measure', boatId.value))
const zone = computed(() => (boats.picture?.zones ?? []).find((z) => z.code === d.value.place.zone) ?? null)
const mm = (v: number) => formatLength(v, boats.units)
const NOTE = computed(() => `Cut-out of ${d.value.name}`)
const { form, done } = keptForm<{ layers: (number | null)[] }>(`cut-out:${bench.fitting!.id}`, () => ({
  layers: (zone.value?.layers ?? []).map(() => null),
}))
const whole = computed(() => form.layers.every((t) => t !== null && t > 0) && form.layers.length > 0)
const sum = computed(() => form.layers.reduce<number>((s, t) => s + (t ?? 0), 0))

const sumSaid = computed(() => (whole.value ? `, ${mm(Math.round(sum.value * 100) / 100)} in all` : ''))

const readings = ref<ReadingShown[]>([])
const mine = computed(() =>
  readings.value.filter((r) => r.kind === 'thickness' && !r.withdrawnWhy && r.note.startsWith(NOTE.value)),
)
const first = computed(() => mine.value[0] ?? null)
const read = () =>
  attempt(async () => {
    readings.value = await api<ReadingShown[]>('GET', `/boats/${boatId.value}/readings`)
  })
onMounted(read)
const bare = (v: number) => mm(v).replace(/ (mm|in)$/, '')
const NAMES = ['Outer skin', 'Core', 'Inner skin']
const layerTitle = (i: number) => {
  const count = zone.value!.layers.length
  const name = count === 1 ? 'Thickness' : count === 3 ? NAMES[i]! : `Layer ${i + 1}`
  return zone.value!.layers[i]!.measured ? name : `${name}, an estimate until now`
}
async function keep() {
  const ok = await attempt(async (key) => {
    const got = await api<{ readings: ReadingShown[] }>(
      'POST',
      `/boats/${boatId.value}/readings`,
      {
        kind: 'thickness',
        zone: zone.value!.code,
        way: 'plug',
        xMm: d.value.place.xMm,
        yMm: d.value.place.yMm,
        note: NOTE.value,
        layers: form.layers.map((thicknessMm, layer) => ({ layer, thicknessMm })),
      },
      key,
    )
    readings.value = got.readings
    bench.change({ offcutMm: Math.round(sum.value * 100) / 100 })
    await boats.refresh()
  })
  if (ok) form.layers = form.layers.map(() => null)
  if (ok) done()
}
</script>

<template>
  <div class="cut-out">
    <form v-if="zone && zone.layers.length" aria-label="Measured at the cut-out" @submit.prevent="keep">
      <h3>Measured at the cut-out, with a caliper</h3>
      <p class="soft small">
        Three places of its edge, the middle of the three. Each layer goes into the survey of
        {{ zone.title.toLowerCase() }} as a reading of a cut-out plug.
      </p>
      <DimensionField
        v-for="(_, i) in form.layers"
        :key="i"
        :model-value="form.layers[i] ?? null"
        :label="layerTitle(i)"
        kind="length"
        unit=""
        above
        optional
        :units="boats.units"
        :placeholder="bare(zone.layers[i]!.thicknessMm)"
        :disabled="!may || busy"
        @update:model-value="form.layers[i] = $event"
      />
      <p v-if="said" class="wrong small" role="alert">{{ said }}</p>
      <WaitsHere :path="`/boats/${boatId}/readings`" :has="{ note: NOTE }" @fewer="read" />
      <ElButton v-if="may" class="act" :disabled="!whole || busy" native-type="submit"
        >Keep as a reading{{ sumSaid }}</ElButton
      >
    </form>
    <p v-else class="soft">
      It stands on no surface whose layers are known; the whole thickness goes into “What came out”, at the
      left.
    </p>
    <section v-if="first">
      <h3>On record</h3>
      <p v-for="r in mine" :key="r.id" class="small">
        {{ layerTitle(r.layer ?? 0) }}: {{ mm(r.value ?? 0) }} · {{ r.who }},
        {{ dayjs(r.takenAt).format('D MMM HH:mm') }}
      </p>
      <PhotoStrip subject="reading" :subject-id="first.id" />
    </section>
  </div>
</template>

<style scoped>
.cut-out {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 420px));
  gap: 10px 28px;
}
h3 {
  margin: 0 0 4px;
}
.wrong {
  color: var(--short);
}
</style>
