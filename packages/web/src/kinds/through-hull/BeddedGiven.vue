<script setup lang="ts">
import { computed } from 'vue'
import { SEALANTS, formatVolume, type SealantId, type InstrumentReading } from '@north-tide/core'
import { THREAD_WAYS, THREAD_WAY_TITLES } from '@north-tide/core/through-hull'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import TakeReading from '../../pieces/TakeReading.vue'
import { useHullGiven } from './given'

/** What it is bedded in, and the day on which. */
const { throughHull, d, j, u, off, set } = useHullGiven()
const sealantOptions = [
  { value: '', title: 'not chosen' },
  ...Object.entries(SEALANTS).map(([value, s]) => ({ value, title: s.title })),
]
const takeAir = (r: InstrumentReading) =>
  throughHull.change({
    'bedding.airC': r.airC ?? null,
    'bedding.surfaceC': r.surfaceC ?? null,
    ...(r.humidityPct === undefined ? {} : { 'bedding.humidityPct': r.humidityPct }),
    ...(r.surfaceC === undefined ? {} : { 'bedding.tempC': r.surfaceC }),
    'bedding.takenAt': new Date().toISOString(),
  })
const padMl = computed(() => j.value?.sealants.reduce((s, q) => s + (q.quantity?.volumeMl ?? 0), 0) ?? 0)
</script>

<template>
  <div class="group gap">
    <h2>Bedding</h2>
    <span class="soft small">{{ formatVolume(padMl, u) }} in all</span>
  </div>
  <ChoiceField
    v-if="d.family !== 'welded-stub'"
    label="In the hull"
    :model-value="d.bedding.flange ?? ''"
    :options="sealantOptions"
    :disabled="off"
    @update:model-value="set('bedding.flange', ($event || null) as SealantId | null)"
  />
  <ChoiceField
    v-if="d.pad"
    label="Pad’s bond"
    :model-value="d.bedding.pad ?? ''"
    :options="sealantOptions"
    :disabled="off"
    @update:model-value="set('bedding.pad', ($event || null) as SealantId | null)"
  />
  <ChoiceField
    v-if="d.valve && d.valve.kind !== 'screwed'"
    label="Under the flange"
    :model-value="d.bedding.tail ?? ''"
    :options="sealantOptions"
    :disabled="off"
    @update:model-value="set('bedding.tail', ($event || null) as SealantId | null)"
  />
  <ChoiceField
    v-if="j?.threads.length"
    label="On the threads"
    :model-value="d.bedding.thread"
    :options="THREAD_WAYS.map((value) => ({ value, title: THREAD_WAY_TITLES[value] }))"
    :disabled="off"
    @update:model-value="set('bedding.thread', $event)"
  />
  <DimensionField
    label="Apart again in"
    kind="number"
    unit="years"
    :model-value="d.bedding.serviceAgainYears"
    :units="u"
    above
    optional
    placeholder="never"
    :disabled="off"
    @update:model-value="set('bedding.serviceAgainYears', $event)"
  />
  <DimensionField
    label="Air"
    kind="temperature"
    :model-value="d.bedding.airC"
    :units="u"
    optional
    placeholder="not read"
    :disabled="off"
    @update:model-value="set('bedding.airC', $event)"
  />
  <DimensionField
    label="Surface"
    kind="temperature"
    :model-value="d.bedding.surfaceC"
    :units="u"
    optional
    placeholder="not read"
    :disabled="off"
    @update:model-value="
      throughHull.change({
        'bedding.surfaceC': $event,
        ...($event === null ? {} : { 'bedding.tempC': $event }),
      })
    "
  />
  <DimensionField
    label="Humidity"
    kind="number"
    unit="%"
    :model-value="d.bedding.humidityPct"
    :units="u"
    :least="0"
    :most="100"
    :disabled="off"
    @update:model-value="set('bedding.humidityPct', $event)"
  />
  <TakeReading v-if="!off" kind="hygrometer" @take="takeAir" />
  <ChoiceField
    label="Hardener"
    :model-value="d.bedding.hardener ?? ''"
    :options="[
      {
        value: '',
        title: (j?.pots.set ?? j?.pots.bond)?.hardener
          ? `by the day: ${(j.pots.set ?? j.pots.bond)!.hardener}`
          : 'by the day',
      },
      { value: 'fast', title: 'fast' },
      { value: 'medium', title: 'medium' },
      { value: 'slow', title: 'slow' },
      { value: 'extra-slow', title: 'extra slow' },
    ]"
    :disabled="off"
    @update:model-value="set('bedding.hardener', $event || null)"
  />
</template>

<style scoped src="../../pieces/given.css"></style>
