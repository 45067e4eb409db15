<script setup lang="ts">
import { formatTorque, type Step } from '@north-tide/core'
import type { Usual } from '../state/acts'
import { useBoats } from '../state/boats'
import type { Lot } from '../types'
import DimensionField from './DimensionField.vue'
import LotChoice from './LotChoice.vue'
import type { Ticking } from './ticking'
import WhenField from './WhenField.vue'

/** The figures and words that a step asks for when it is ticked. */
const props = defineProps<{ step: Step; tick: Ticking; usual: Usual }>()
const boats = useBoats()
const { asks, form, lastBond, lot } = props.tick
const kind = props.step.lot === 'epoxy' || props.step.lot === 'epoxy-filled' ? 'epoxy' : 'sealant'
const takeLot = (l: Lot | null) => (lot.value = l)
</script>

<template>
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
        v-if="asks('dew')"
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
</template>

<style scoped src="./tick.css"></style>
