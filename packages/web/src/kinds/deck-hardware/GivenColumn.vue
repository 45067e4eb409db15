<script setup lang="ts">
import { computed } from 'vue'
import {
  CORES,
  CORE_IDS,
  CORE_SCHOOLS,
  FACES,
  GRADES,
  GRADE_IDS,
  LINES,
  LINE_IDS,
  PLATES,
  PLATE_IDS,
  HOLD_SAID,
  HOLD_WAYS,
  isBlind,
  SCHOOLS,
  SEALANTS,
  SEALANT_IDS,
  asksUnder,
  formatForce,
  formatLength,
  lengthText,
  sizesFor,
  type CoreId,
  type Design,
  type Measurable,
  zoneTitle,
  type HoldWay,
} from '@north-tide/core'
import { useBench } from '../../state/bench'
import { useBoats } from '../../state/boats'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import LoadGiven from './LoadGiven.vue'
import UnderGiven from './UnderGiven.vue'
import MoreGiven from './MoreGiven.vue'

const bench = useBench()
const boats = useBoats()
const d = computed(() => bench.design!)
const j = computed(() => bench.byHand)
const set = (path: string, value: unknown) => bench.change({ [path]: value })
const off = computed(() => bench.readOnly)
const problemAt = (...paths: string[]) =>
  bench.problem && paths.some((p) => bench.problem!.path === p || bench.problem!.path.startsWith(`${p}.`))
    ? bench.problem.message
    : null

const measured = (k: Measurable) => d.value.measured.includes(k)
const toggle = (k: Measurable) =>
  set('measured', measured(k) ? d.value.measured.filter((m) => m !== k) : [...d.value.measured, k])
const layers = computed(() => {
  const s = d.value.structure
  if (s.kind === 'sandwich')
    return [
      { label: 'Outer skin', path: 'structure.outerMm', key: 'outerMm' as const, value: s.outerMm },
      {
        label: 'Core',
        path: 'structure.core.thicknessMm',
        key: 'coreMm' as const,
        value: s.core.thicknessMm,
      },
      { label: 'Inner skin', path: 'structure.innerMm', key: 'innerMm' as const, value: s.innerMm },
    ]
  return [
    {
      label: s.kind === 'metal' ? 'Plating' : 'Thickness',
      path: 'structure.thicknessMm',
      key: 'thicknessMm' as const,
      value: s.thicknessMm,
    },
  ]
})
const guessed = computed(() => layers.value.some((l) => !measured(l.key)))
const coreOptions = CORE_IDS.map((id) => ({ value: id, title: CORES[id].title }))
const kindOptions = [
  { value: 'sandwich', title: 'Cored laminate' },
  { value: 'solid', title: 'Solid laminate' },
  { value: 'metal', title: 'Metal plating' },
  { value: 'timber', title: 'Timber' },
] as const
function setKind(kind: Design['structure']['kind']) {
  const t =
    d.value.structure.kind === 'sandwich'
      ? d.value.structure.outerMm + d.value.structure.innerMm
      : d.value.structure.thicknessMm
  const structure: Design['structure'] =
    kind === 'sandwich'
      ? {
          kind,
          skin: { laminate: 'mat' },
          outerMm: 4,
          innerMm: 3,
          core: { material: 'balsa-150', thicknessMm: 12 },
        }
      : kind === 'solid'
        ? { kind, skin: { laminate: 'woven' }, thicknessMm: t }
        : kind === 'metal'
          ? { kind, metal: 'aluminium-5083', thicknessMm: t }
          : { kind, timber: 'plywood', thicknessMm: t }
  bench.change({ structure, measured: [], 'core.school': kind === 'sandwich' ? 'bore-fill' : 'none' })
}
const sizeOptions = computed(() =>
  [...new Set([...sizesFor(d.value), d.value.bolt.size])].map((s) => ({ value: s, title: s })),
)
const gradeOptions = GRADE_IDS.map((g) => ({ value: g, title: GRADES[g].title }))
const plateOptions = [
  { value: 'none', title: 'None, washers only' },
  ...PLATE_IDS.map((p) => ({ value: p, title: PLATES[p].title })),
]
function setPlate(material: string) {
  if (material === 'none') return set('plate', null)
  if (d.value.plate) return set('plate.material', material)
  const xs = d.value.bolts.map((b) => Math.abs(b.xMm))
  const ys = d.value.bolts.map((b) => Math.abs(b.yMm))
  set('plate', {
    material,
    lengthMm: Math.ceil((2 * Math.max(...xs) + 80) / 5) * 5,
    widthMm: Math.ceil((2 * Math.max(...ys) + 80) / 5) * 5,
    thicknessMm: 10,
    bedGapMm: 1,
    outline: null,
    sheets: 1,
    bonded: true,
    crownRadiusMm: null,
  })
}
/** Nuts in the core and screws in a block end there: what stood behind them goes. */
const setHold = (way: HoldWay) =>
  bench.change({
    'hold.way': way,
    ...(way === 'nut-in-epoxy' || way === 'plastic' ? { plate: null } : {}),
    ...(way === 'plastic' && !d.value.hold.block
      ? { 'hold.block': { material: 'polycarbonate', thicknessMm: 20 } }
      : {}),
  })
const BLOCKS = [
  { value: 'polycarbonate', title: 'polycarbonate' },
  { value: 'cast-acrylic', title: 'cast acrylic' },
] as const
const HOLD_OPTIONS = (Object.keys(HOLD_WAYS) as HoldWay[]).map((value) => ({
  value,
  title: HOLD_WAYS[value],
}))
const schoolOptions = computed(() =>
  CORE_SCHOOLS.map((s) => ({
    value: s,
    title: SCHOOLS.find((x) => x.id === s)!.choice,
    disabled: d.value.structure.kind !== 'sandwich' && s !== 'none',
  })),
)
const school = computed(() => SCHOOLS.find((s) => s.id === d.value.core.school)!)
const sealantOptions = computed(() => [
  { value: '', title: 'Not chosen yet' },
  ...SEALANT_IDS.map((id) => ({ value: id, title: SEALANTS[id].title })),
])
const faceOptions = FACES.map((f) => ({ value: f, title: f }))
const HEADS = ['hex', 'pan', 'button', 'socket', 'countersunk'].map((v) => ({ value: v, title: v }))
const NUTS = [
  { value: 'hex', title: 'hexagon' },
  { value: 'locking', title: 'locking' },
  { value: 'double-hex', title: 'two, locked' },
]
const WASHERS = [
  { value: 'plain', title: 'plain' },
  { value: 'large', title: 'large' },
]
const lineOptions = LINE_IDS.map((l) => ({ value: l, title: l === 'chain' ? 'chain' : LINES[l].title }))
const DUTIES = [
  { value: 'sheltered', title: 'sheltered' },
  { value: 'coastal', title: 'coastal' },
  { value: 'ocean', title: 'ocean' },
]
const sealantFor = (v: string) => set('bedding.sealant', v === '' ? null : v)
</script>

<template>
  <section v-if="d" class="given" aria-label="Given" tabindex="0">
    <div class="group">
      <h2>Place</h2>
      <span class="soft small">{{ zoneTitle(boats.picture?.zones ?? [], d.place.zone) }}</span>
    </div>
    <DimensionField
      label="x, aft"
      :model-value="d.place.xMm"
      :units="boats.units"
      :disabled="off"
      @update:model-value="$event !== null && bench.moveTo({ xMm: $event })"
    />
    <DimensionField
      label="y, starboard"
      :model-value="d.place.yMm"
      :units="boats.units"
      :disabled="off"
      @update:model-value="$event !== null && bench.moveTo({ yMm: $event })"
    />
    <DimensionField
      label="Turned"
      kind="angle"
      :model-value="d.headingDeg"
      :least="-180"
      :most="180"
      :units="boats.units"
      :disabled="off"
      :problem="problemAt('headingDeg')"
      @update:model-value="$event !== null && bench.moveTo({ headingDeg: $event })"
    />
    <p v-if="d.headingDeg !== 0" class="soft small">
      Its aft end is swung to {{ d.headingDeg > 0 ? 'starboard' : 'port' }}; a load that comes from the boat
      keeps its direction.
    </p>
    <p v-if="bench.moveSaid" class="soft small" role="status">{{ bench.moveSaid }}</p>
    <DimensionField
      label="Edge distance"
      :model-value="d.place.edgeMm"
      :units="boats.units"
      above
      optional
      placeholder="measure"
      :disabled="off"
      :problem="problemAt('edgeMm')"
      @update:model-value="set('place.edgeMm', $event)"
    />
    <ChoiceField
      label="Duty"
      :model-value="d.duty"
      :options="DUTIES"
      :disabled="off"
      @update:model-value="set('duty', $event)"
    />
    <label v-if="d.duty !== boats.picture?.duty" class="why small" for="duty-reason"
      >Why not the boat’s {{ boats.picture?.duty }}?<ElInput
        id="duty-reason"
        class="entry"
        maxlength="300"
        :model-value="d.dutyReason ?? ''"
        :disabled="off"
        @update:model-value="set('dutyReason', $event || null)"
    /></label>

    <div class="group gap">
      <h2>Deck here</h2>
      <span class="soft small">tick what is measured</span>
    </div>
    <ChoiceField
      label="Made as"
      :model-value="d.structure.kind"
      :options="kindOptions"
      :disabled="off"
      @update:model-value="setKind($event)"
    />
    <ChoiceField
      v-if="d.structure.kind === 'sandwich'"
      label="Core"
      :model-value="d.structure.core.material"
      :options="coreOptions"
      :disabled="off"
      @update:model-value="set('structure.core.material', $event as CoreId)"
    />
    <div v-for="l in layers" :key="l.path" class="layer">
      <DimensionField
        :label="l.label"
        :model-value="l.value"
        :units="boats.units"
        above
        :estimated="!measured(l.key)"
        :disabled="off"
        @update:model-value="set(l.path, $event)"
      />
      <ElCheckbox
        class="measured small"
        :title="measured(l.key) ? 'Measured' : 'An estimate'"
        :model-value="measured(l.key)"
        :disabled="off"
        @change="toggle(l.key)"
        ><span class="hidden-words">{{ `${l.label} is measured` }}</span></ElCheckbox
      >
    </div>
    <p v-if="guessed" class="soft small">Dashed: estimated. A drilled plug would prove it.</p>

    <LoadGiven :line-options="lineOptions" />
    <UnderGiven v-if="asksUnder(d)" />

    <div class="group gap">
      <h2>Bolts</h2>
      <span class="soft small">{{ d.bolts.length }} in the pattern</span>
    </div>
    <ChoiceField
      label="Size"
      :model-value="d.bolt.size"
      :options="sizeOptions"
      :disabled="off"
      @update:model-value="set('bolt.size', $event)"
    />
    <ChoiceField
      label="Grade"
      :model-value="d.bolt.grade"
      :options="gradeOptions"
      :disabled="off"
      @update:model-value="set('bolt.grade', $event)"
    />
    <ChoiceField
      label="Head"
      :model-value="d.bolt.head"
      :options="HEADS"
      :disabled="off"
      @update:model-value="
        bench.change({
          'bolt.head': $event,
          'bolt.headWasher': $event === 'countersunk' ? 'none' : d.bolt.headWasher,
        })
      "
    />
    <ChoiceField
      v-if="!isBlind(d)"
      label="Nut"
      :model-value="d.bolt.nut"
      :options="NUTS"
      :disabled="off"
      @update:model-value="set('bolt.nut', $event)"
    />
    <ChoiceField
      v-if="!isBlind(d)"
      label="Washer at nut"
      :model-value="d.bolt.nutWasher"
      :options="WASHERS"
      :disabled="off"
      @update:model-value="set('bolt.nutWasher', $event)"
    />
    <DimensionField
      label="Torque"
      kind="number"
      unit="N·m"
      :model-value="d.bolt.torqueNm"
      :units="boats.units"
      above
      optional
      :placeholder="j ? j.preload.torqueNm.toFixed(1) : 'snug'"
      :disabled="off"
      @update:model-value="set('bolt.torqueNm', $event)"
    />
    <ElCheckbox
      class="tick"
      :model-value="d.bolt.partThreaded"
      :disabled="off"
      @change="set('bolt.partThreaded', $event as boolean)"
      >part-threaded bolts</ElCheckbox
    >
    <ElCheckbox
      class="tick"
      :model-value="d.bolt.paste"
      :disabled="off"
      @change="set('bolt.paste', $event as boolean)"
      >paste on the thread</ElCheckbox
    >

    <ChoiceField
      label="Held by"
      :model-value="d.hold.way"
      :options="HOLD_OPTIONS"
      :disabled="off"
      :hint="HOLD_SAID[d.hold.way]"
      @update:model-value="setHold($event)"
    />
    <p v-if="d.hold.way === 'through' && bench.flags.some((f) => f.id === 'no-reach')" class="small rule">
      Nobody reaches a nut here. Take threads in a plate, inserts, or nuts caught in epoxy: they are fixed
      from above.
    </p>
    <template v-if="d.hold.way === 'plastic' && d.hold.block">
      <ChoiceField
        label="Block of"
        :model-value="d.hold.block.material"
        :options="BLOCKS"
        :disabled="off"
        @update:model-value="set('hold.block.material', $event)"
      />
      <DimensionField
        label="Block thick"
        :model-value="d.hold.block.thicknessMm"
        :units="boats.units"
        above
        :disabled="off"
        @update:model-value="set('hold.block.thicknessMm', $event)"
      />
    </template>
    <DimensionField
      v-if="d.hold.way === 'tapped' || d.hold.way === 'plastic'"
      label="Thread engaged"
      :model-value="d.hold.engagedMm"
      :units="boats.units"
      above
      optional
      placeholder="all of it"
      :disabled="off"
      @update:model-value="set('hold.engagedMm', $event)"
    />
    <DimensionField
      v-if="d.hold.way === 'press-in' || d.hold.way === 'bonded'"
      label="Insert, outside"
      :model-value="d.hold.insertMm"
      :units="boats.units"
      above
      optional
      placeholder="1.5 bolts"
      :disabled="off"
      @update:model-value="set('hold.insertMm', $event)"
    />

    <div class="group gap"><h2>Backing plate</h2></div>
    <ChoiceField
      label="Material"
      :model-value="d.plate?.material ?? 'none'"
      :options="plateOptions"
      :disabled="off"
      @update:model-value="setPlate($event)"
    />
    <template v-if="d.plate">
      <DimensionField
        label="Length"
        :model-value="d.plate.lengthMm"
        :units="boats.units"
        above
        :disabled="off"
        :problem="problemAt('plate')"
        @update:model-value="set('plate.lengthMm', $event)"
      />
      <DimensionField
        label="Width"
        :model-value="d.plate.widthMm"
        :units="boats.units"
        above
        :disabled="off"
        @update:model-value="set('plate.widthMm', $event)"
      />
      <DimensionField
        label="Plate thickness"
        :model-value="d.plate.thicknessMm"
        :units="boats.units"
        above
        :disabled="off"
        @update:model-value="set('plate.thicknessMm', $event)"
      />
      <DimensionField
        label="Filler bed"
        :model-value="d.plate.bedGapMm"
        :units="boats.units"
        :least="0"
        :disabled="off"
        @update:model-value="set('plate.bedGapMm', $event)"
      />
      <p v-if="j?.plate" class="soft small rule">
        Rule of thumb: {{ formatLength(Math.round(j.plate.rule.thicknessMm), boats.units) }} thick,
        {{ formatLength(Math.round(j.plate.rule.reachMm), boats.units) }} past the bolts:
        {{ j.plate.rule.thicknessMet && j.plate.rule.reachMet ? 'met' : 'not met' }}. Calculated:
        {{ formatLength(Number(j.plate.requiredThicknessMm.toFixed(1)), boats.units) }}. The rule knows
        neither load nor strength.
      </p>
    </template>

    <div class="group gap">
      <h2>Keeping water out</h2>
      <span class="soft small">school</span>
    </div>
    <ChoiceField
      label="Core"
      :model-value="d.core.school"
      :options="schoolOptions"
      :disabled="off"
      :hint="school.reason"
      @update:model-value="set('core.school', $event)"
    />
    <DimensionField
      v-if="d.core.school === 'bore-fill'"
      label="Bore"
      :model-value="d.core.boreMm"
      :units="boats.units"
      above
      optional
      :placeholder="j?.core?.boreMm ? lengthText(j.core.boreMm, boats.units) : 'least'"
      :disabled="off"
      :problem="problemAt('boreMm')"
      @update:model-value="set('core.boreMm', $event)"
    />
    <DimensionField
      v-if="d.core.school === 'reef'"
      label="Hooked back"
      :model-value="d.core.undercutMm"
      :units="boats.units"
      above
      optional
      :placeholder="j?.core?.undercutMm ? lengthText(j.core.undercutMm, boats.units) : 'least'"
      :disabled="off"
      @update:model-value="set('core.undercutMm', $event)"
    />
    <DimensionField
      v-if="d.structure.kind === 'sandwich'"
      label="Chamfer"
      :model-value="d.core.chamferMm"
      :units="boats.units"
      above
      optional
      placeholder="flat"
      :disabled="off"
      @update:model-value="set('core.chamferMm', $event)"
    />
    <ElCheckbox
      v-if="d.structure.kind === 'sandwich'"
      class="tick"
      :model-value="d.core.torn"
      :disabled="off"
      @change="set('core.torn', $event as boolean)"
      >core torn or wicking</ElCheckbox
    >
    <ElCheckbox
      v-if="d.core.school === 'seal-wall'"
      class="tick"
      :model-value="d.core.lightLoad"
      :disabled="off"
      @change="set('core.lightLoad', $event as boolean)"
      >the load is light</ElCheckbox
    >
    <p class="soft small">
      {{ school.reason }} Costs: {{ school.costs.charAt(0).toLowerCase() + school.costs.slice(1) }} Not:
      {{ school.notWhen.charAt(0).toLowerCase() + school.notWhen.slice(1) }}
    </p>

    <div class="group gap">
      <h2>Bedding</h2>
      <span class="soft small">{{
        d.bedding.sealant === 'butyl' ? 'tape' : d.bedding.sealant ? 'tube' : ''
      }}</span>
    </div>
    <ChoiceField
      label="Sealant"
      :model-value="d.bedding.sealant ?? ''"
      :options="sealantOptions"
      :disabled="off"
      @update:model-value="sealantFor($event)"
    />
    <ChoiceField
      label="Fitting of"
      :model-value="d.bedding.baseFace"
      :options="faceOptions"
      :disabled="off"
      @update:model-value="set('bedding.baseFace', $event)"
    />
    <ChoiceField
      label="On"
      :model-value="d.bedding.deckFace"
      :options="faceOptions"
      :disabled="off"
      @update:model-value="set('bedding.deckFace', $event)"
    />
    <DimensionField
      label="Apart again in"
      kind="number"
      unit="years"
      :model-value="d.bedding.serviceAgainYears"
      :units="boats.units"
      above
      optional
      placeholder="never"
      :disabled="off"
      @update:model-value="set('bedding.serviceAgainYears', $event)"
    />
    <DimensionField
      label="Bead"
      :model-value="d.bedding.beadMm"
      :units="boats.units"
      above
      optional
      :placeholder="lengthText(d.bedding.sealant === 'butyl' ? 2 : 1.5, boats.units)"
      :disabled="off"
      @update:model-value="set('bedding.beadMm', $event)"
    />
    <DimensionField
      label="Surface"
      kind="temperature"
      :model-value="d.bedding.tempC"
      :units="boats.units"
      :least="-30"
      :most="60"
      :disabled="off"
      @update:model-value="set('bedding.tempC', $event)"
    />
    <DimensionField
      label="Humidity"
      kind="number"
      unit="%"
      :model-value="d.bedding.humidityPct"
      :units="boats.units"
      :least="0"
      :most="100"
      :disabled="off"
      @update:model-value="set('bedding.humidityPct', $event)"
    />
    <ChoiceField
      label="Tighten"
      :model-value="d.bedding.tightening"
      :options="[
        { value: 'once', title: 'once, full' },
        { value: 'two-step', title: 'in two steps' },
      ]"
      :disabled="off"
      @update:model-value="set('bedding.tightening', $event)"
    />
    <ElCheckbox
      v-for="[k, t] in [
        ['sunlight', 'in sunlight'],
        ['fuelOrSolvent', 'fuel or solvents near'],
        ['toBePainted', 'painted or bonded over'],
      ] as const"
      :key="k"
      class="tick"
      :model-value="d.bedding[k]"
      :disabled="off"
      @change="set(`bedding.${k}`, $event as boolean)"
      >{{ t }}</ElCheckbox
    >
    <MoreGiven />
    <p v-if="j" class="soft small">Carries {{ formatForce(j.load.loadN, boats.units) }}.</p>
  </section>
</template>

<style scoped>
.given {
  overflow-y: auto;
  padding: 12px 16px 30px 18px;
  scrollbar-gutter: stable;
}
.gap {
  margin-top: 18px;
}
.layer {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: start;
  gap: 4px;
}
.measured {
  display: flex;
  align-items: center;
  gap: 3px;
  min-height: 30px;
  color: var(--ink-soft);
}
.tick {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 32px;
  font-size: 0.875rem;
}
input[type='checkbox'] {
  accent-color: var(--tide);
  width: 16px;
  height: 16px;
  margin: 0;
}
.why {
  display: grid;
  gap: 2px;
  padding: 4px 0;
  color: var(--buoy);
  font-weight: 600;
}
.rule {
  padding-top: 4px;
}
</style>
