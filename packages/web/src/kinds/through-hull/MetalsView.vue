<script setup lang="ts">
import { computed } from 'vue'
import dayjs from 'dayjs'
import { POTENTIALS, anodeLife, anodeLogSaid, calculate, sayIn, schoolsFor } from '@north-tide/core'
import { useThroughHull } from '../../state/through-hull'
import { useBoats } from '../../state/boats'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import VerdictSign from '../../pieces/VerdictSign.vue'
import MeterLog from './MeterLog.vue'
import RowTable from '../../pieces/RowTable.vue'

/** Every pair of metals in the stack, the school of bonding, the anode and its log. */
const throughHull = useThroughHull()
const boats = useBoats()
const d = computed(() => throughHull.design!)
const j = computed(() => throughHull.judgement!)
const set = (path: string, v: unknown) => throughHull.change({ [path]: v })
/** By the day that they were read on, not by the day that they were written down. */
const readings = (kind: string) =>
  throughHull
    .fitting!.log.filter((l) => l.kind === kind && l.value !== null)
    .sort((a, b) => a.at.localeCompare(b.at))
const bonds = computed(() => readings('bond').reverse())
const weighed = computed(() => readings('anode'))
const projected = computed(() => {
  const log = weighed.value.map((l) => ({ date: l.at.slice(0, 10), percentLeft: l.value! }))
  if (!log.length) return null
  return anodeLogSaid(log, calculate(anodeLife, { readings: log }), dayjs().format('YYYY-MM-DD'))
})
const FINISHES = [
  { value: 'bare-bronze', title: 'bare bronze' },
  { value: 'bare-stainless', title: 'bare stainless' },
  { value: 'painted', title: 'painted' },
  { value: 'aluminium-drive', title: 'aluminium drive' },
  { value: 'bare-steel', title: 'bare steel' },
] as const
const schools = schoolsFor('Underwater metals')
const bodies = schoolsFor('Through-hull material')
const setAnode = (v: string) =>
  set(
    'metals.anode',
    v === ''
      ? null
      : {
          alloy: v,
          wettedM2: d.value.metals.anode?.wettedM2 ?? 0.1,
          finish: d.value.metals.anode?.finish ?? 'bare-bronze',
          years: 1,
          pieceKg: d.value.metals.anode?.pieceKg ?? 0.5,
        },
  )
</script>

<template>
  <div class="metals">
    <div>
      <RowTable
        label="Metals of the stack"
        :columns="[
          { key: 'sign' },
          { key: 'between', title: 'Between' },
          { key: 'metals', title: 'Metals', class: 'small' },
          { key: 'where', title: 'Where' },
          { key: 'eV', title: 'ΔE, V', number: true },
          { key: 'loses', title: 'Loses' },
        ]"
        :rows="j.metals"
        :about="(m) => ({ 'data-verdict': m.verdict, title: sayIn(m.because, boats.units) })"
        :known="(m) => m.between"
      >
        <template #sign="{ row: m }"><VerdictSign :verdict="m.verdict" :size="16" /></template>
        <template #between="{ row: m }">{{ m.between }}</template>
        <template #metals="{ row: m }">{{ POTENTIALS[m.a]!.title }}, {{ POTENTIALS[m.b]!.title }}</template>
        <template #where="{ row: m }">{{ m.place }}</template>
        <template #eV="{ row: m }">{{ m.deltaV.toFixed(2) }}</template>
        <template #loses="{ row: m }">{{ m.loser ? POTENTIALS[m.loser]!.title : '' }}</template>
      </RowTable>
      <p v-if="!j.metals.length" class="soft">One metal, or none: no pair stands in this stack.</p>
      <ElCheckbox
        class="tick"
        :model-value="d.metals.isolated"
        :disabled="throughHull.readOnly"
        @change="set('metals.isolated', $event as boolean)"
        >sleeve, washer and sealant keep them apart, all three</ElCheckbox
      >
      <p
        v-for="c in j.checks.filter((q) => q.id === 'one-metal' || q.id === 'hull-metal')"
        :key="c.id"
        class="small"
      >
        <strong>{{ c.title }}.</strong> {{ sayIn(c.because, boats.units) }}
      </p>
      <h3>Schools</h3>
      <div v-for="s in bodies" :key="s.id" class="small soft">
        <strong>{{ s.choice }}.</strong> {{ s.reason }} Costs: {{ s.costs }} Not: {{ s.notWhen }}
      </div>
      <div v-for="s in schools" :key="s.id" class="small soft">
        <strong>{{ s.choice }}.</strong> {{ s.reason }} Costs: {{ s.costs }}
      </div>
    </div>
    <div class="col">
      <ChoiceField
        label="School"
        :model-value="d.metals.school"
        :options="
          [
            { value: 'bond-all', title: 'bond all to an anode' },
            { value: 'isolate-each', title: 'isolate each' },
          ] as const
        "
        :disabled="throughHull.readOnly"
        @update:model-value="set('metals.school', $event)"
      />
      <ChoiceField
        label="Water"
        :model-value="d.metals.water"
        :options="
          [
            { value: 'salt', title: 'salt' },
            { value: 'brackish', title: 'brackish' },
            { value: 'fresh', title: 'fresh' },
          ] as const
        "
        :disabled="throughHull.readOnly"
        @update:model-value="set('metals.water', $event)"
      />
      <h3>Bond path, by meter</h3>
      <p class="soft small">Anode to fitting, 0.1 Ω or less; wire of 4 mm² or more, tinned.</p>
      <MeterLog kind="bond" label="Read" unit="Ω" />
      <ul class="small figure">
        <li v-for="(l, i) in bonds.slice(0, 5)" :key="i">
          {{ dayjs(l.at).format('D MMM YYYY') }} {{ l.value }} Ω
          <span class="soft">{{ l.who }} {{ l.note }}</span>
        </li>
      </ul>
    </div>
    <div class="col">
      <ChoiceField
        label="Anode"
        :model-value="d.metals.anode?.alloy ?? ''"
        :options="[
          { value: '', title: 'none here' },
          { value: 'zinc', title: 'zinc' },
          { value: 'aluminium', title: 'aluminium' },
          { value: 'magnesium', title: 'magnesium' },
        ]"
        :disabled="throughHull.readOnly"
        @update:model-value="setAnode($event)"
      />
      <template v-if="d.metals.anode">
        <DimensionField
          label="Wetted metal"
          kind="number"
          unit="m²"
          :model-value="d.metals.anode.wettedM2"
          :units="boats.units"
          above
          :disabled="throughHull.readOnly"
          @update:model-value="set('metals.anode.wettedM2', $event)"
        />
        <ChoiceField
          label="It is"
          :model-value="d.metals.anode.finish"
          :options="FINISHES"
          :disabled="throughHull.readOnly"
          @update:model-value="set('metals.anode.finish', $event)"
        />
        <DimensionField
          label="One anode"
          kind="number"
          unit="kg"
          :model-value="d.metals.anode.pieceKg"
          :units="boats.units"
          above
          :disabled="throughHull.readOnly"
          @update:model-value="set('metals.anode.pieceKg', $event)"
        />
        <DimensionField
          label="To last"
          kind="number"
          unit="years"
          :model-value="d.metals.anode.years"
          :units="boats.units"
          above
          :disabled="throughHull.readOnly"
          @update:model-value="set('metals.anode.years', $event)"
        />
        <p v-if="j.anode" class="small">
          {{ sayIn(j.anode.because, boats.units) }} {{ j.anode.pieces }} of {{ d.metals.anode.pieceKg }} kg.
        </p>
        <h3>Depletion log</h3>
        <MeterLog kind="anode" label="Left" unit="%" :most="100" />
        <ul class="small figure">
          <li v-for="(l, i) in weighed.slice().reverse().slice(0, 6)" :key="i">
            {{ dayjs(l.at).format('D MMM YYYY') }} {{ l.value }} %
            <span class="soft">{{ l.who }} {{ l.note }}</span>
          </li>
        </ul>
        <p v-if="projected" class="small" :class="{ due: projected.due }" data-test="projected">
          {{ projected.text }}
        </p>
      </template>
    </div>
  </div>
</template>

<style scoped>
.metals {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) 250px 270px;
  gap: 22px;
}
.col {
  display: grid;
  gap: 5px;
  align-content: start;
}
.tick {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 34px;
}
.volts {
  white-space: nowrap;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
@media (max-width: 1180px) {
  .metals {
    grid-template-columns: minmax(0, 1fr) 250px;
  }
}
.due {
  color: var(--short);
  font-weight: 600;
}
@media (max-width: 767px) {
  .metals {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
