<script setup lang="ts">
import { computed, ref } from 'vue'
import {
  GRADES,
  SEALANTS,
  SIZES,
  formatVolume,
  lengthText,
  type SealantId,
  zoneTitle,
} from '@north-tide/core'
import {
  THROUGH_HULL_FAMILY,
  BODY_MATERIALS,
  BODY_TITLES,
  METHOD_TITLE,
  THREAD_WAYS,
  THREAD_WAY_TITLES,
  USES,
  USE_TITLES,
  asMeasured,
  padOf,
  skinsWith,
  tailsWith,
  valvesWith,
  type PartKind,
} from '@north-tide/core/through-hull'
import { useThroughHull } from '../../state/through-hull'
import { useBoats } from '../../state/boats'
import type { InstrumentReading } from '@north-tide/core'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import HeldText from '../../pieces/HeldText.vue'
import TakeReading from '../../pieces/TakeReading.vue'

/** What is decided and measured of one fitting through the hull, in the order in which it is asked. */
const throughHull = useThroughHull()
const boats = useBoats()
const d = computed(() => throughHull.design!)
const j = computed(() => throughHull.judgement)
const u = computed(() => boats.units)
const off = computed(() => throughHull.readOnly)
const info = computed(() => THROUGH_HULL_FAMILY[d.value.family])
const set = (path: string, v: unknown) => throughHull.change({ [path]: v })
const own = (kind: PartKind, change: Record<string, unknown>) =>
  throughHull.change(asMeasured(d.value, kind, change))
const skins = computed(() => skinsWith(boats.goods))
const valves = computed(() => valvesWith(boats.goods))
const tails = computed(() => tailsWith(boats.goods))
/** What was measured by hand has no number to be picked by. */
const OWN = '?'
const named = (part: { id: string | null } | null) => (part ? (part.id ?? OWN) : '')
const pickFrom =
  <T extends { id: string | null }>(list: T[], path: string) =>
  (id: string) =>
    id !== OWN && set(path, id === '' ? null : list.find((x) => x.id === id))
const options = (
  list: { id: string | null; title: string }[],
  now: { id: string | null; title: string } | null,
  none: string | null,
) => [
  ...(none === null ? [] : [{ value: '', title: none }]),
  ...(now && !list.some((x) => x.id === now.id) ? [{ value: named(now), title: now.title }] : []),
  ...list.map((x) => ({ value: x.id!, title: x.title })),
]
const METHODS = (['through', 'insert', 'nut'] as const).map((value) => ({
  value,
  title: METHOD_TITLE[value],
}))
const sealantOptions = [
  { value: '', title: 'not chosen' },
  ...Object.entries(SEALANTS).map(([value, s]) => ({ value, title: s.title })),
]
const PADS = [
  { value: 'none', title: 'none' },
  { value: 'g10', title: 'epoxy-glass sheet' },
  { value: 'glass-epoxy', title: 'laid-up epoxy-glass' },
  { value: 'composite', title: 'moulded composite' },
  { value: 'plywood', title: 'plywood' },
] as const
const setPad = (v: (typeof PADS)[number]['value']) => set('pad', v === 'none' ? null : padOf(d.value, v))
const takeAir = (r: InstrumentReading) =>
  throughHull.change({
    'bedding.airC': r.airC ?? null,
    'bedding.surfaceC': r.surfaceC ?? null,
    ...(r.humidityPct === undefined ? {} : { 'bedding.humidityPct': r.humidityPct }),
    ...(r.surfaceC === undefined ? {} : { 'bedding.tempC': r.surfaceC }),
    'bedding.takenAt': new Date().toISOString(),
  })
const user = ref('')
function addUser() {
  if (!user.value.trim()) return
  set('chest.users', [...(d.value.chest?.users ?? []), { name: user.value.trim(), flowLpm: 30 }])
  user.value = ''
}
const padMl = computed(() => j.value?.sealants.reduce((s, q) => s + (q.quantity?.volumeMl ?? 0), 0) ?? 0)
</script>

<template>
  <section class="given" aria-label="Given" tabindex="0">
    <div class="group">
      <h2>Place</h2>
      <span class="soft small">{{ zoneTitle(boats.picture?.zones ?? [], d.place.zone) }}</span>
    </div>
    <DimensionField
      label="x, aft"
      :model-value="d.place.xMm"
      :units="u"
      :disabled="off"
      @update:model-value="set('place.xMm', $event)"
    />
    <DimensionField
      label="y, starboard"
      :model-value="d.place.yMm"
      :units="u"
      :disabled="off"
      @update:model-value="set('place.yMm', $event)"
    />
    <DimensionField
      label="z, above water"
      :model-value="d.place.zMm"
      :units="u"
      :disabled="off"
      @update:model-value="set('place.zMm', $event)"
    />
    <ChoiceField
      label="For"
      :model-value="d.use"
      :options="USES.map((v) => ({ value: v, title: USE_TITLES[v] }))"
      :disabled="off"
      @update:model-value="set('use', $event)"
    />
    <ChoiceField
      label="Duty"
      :model-value="d.duty"
      :options="(['sheltered', 'coastal', 'ocean'] as const).map((v) => ({ value: v, title: v }))"
      :disabled="off"
      @update:model-value="set('duty', $event)"
    />
    <label v-if="d.duty !== boats.picture?.duty" class="why small" for="below-duty-reason"
      >Why not the boat’s {{ boats.picture?.duty }}?<HeldText
        id="below-duty-reason"
        class="entry"
        maxlength="300"
        :model-value="d.dutyReason ?? ''"
        :readonly="off"
        @update:model-value="set('dutyReason', $event.trim() || null)"
    /></label>
    <DimensionField
      v-if="info.hose"
      label="Flow"
      kind="number"
      unit="l/min"
      :model-value="d.flowLpm"
      :units="u"
      above
      optional
      placeholder="not asked"
      :disabled="off"
      @update:model-value="set('flowLpm', $event)"
    />

    <div class="group gap">
      <h2>Hull here</h2>
      <span class="soft small">tick what is measured</span>
    </div>
    <ChoiceField
      label="Made as"
      :model-value="d.hull.kind"
      :options="
        [
          { value: 'solid', title: 'solid laminate' },
          { value: 'cored', title: 'cored laminate' },
          { value: 'aluminium', title: 'aluminium' },
          { value: 'steel', title: 'steel' },
          { value: 'timber', title: 'timber' },
        ] as const
      "
      :disabled="off"
      @update:model-value="set('hull.kind', $event)"
    />
    <div class="layer">
      <DimensionField
        label="Thickness"
        :model-value="d.hull.thicknessMm"
        :units="u"
        above
        :estimated="!d.hull.measured"
        :disabled="off"
        @update:model-value="set('hull.thicknessMm', $event)"
      /><ElCheckbox
        class="measured"
        :model-value="d.hull.measured"
        :disabled="off"
        @change="set('hull.measured', $event as boolean)"
        ><span class="hidden-words">Hull thickness measured</span></ElCheckbox
      >
    </div>
    <div class="layer">
      <DimensionField
        label="Deadrise"
        kind="angle"
        :model-value="d.hull.deadriseDeg"
        :units="u"
        :least="0"
        :most="79"
        :estimated="!d.hull.angleMeasured"
        :disabled="off"
        @update:model-value="set('hull.deadriseDeg', $event)"
      /><ElCheckbox
        class="measured"
        :model-value="d.hull.angleMeasured"
        :disabled="off"
        @change="set('hull.angleMeasured', $event as boolean)"
        ><span class="hidden-words">Deadrise measured</span></ElCheckbox
      >
    </div>
    <DimensionField
      label="Slope aft"
      kind="angle"
      :model-value="d.hull.slopeDeg"
      :units="u"
      :least="-79"
      :most="79"
      :disabled="off"
      @update:model-value="set('hull.slopeDeg', $event)"
    />
    <DimensionField
      v-if="d.hull.kind === 'cored'"
      label="Solid across"
      :model-value="d.hull.solidMm"
      :units="u"
      above
      optional
      placeholder="not yet"
      :disabled="off"
      @update:model-value="set('hull.solidMm', $event)"
    />

    <div class="group gap">
      <h2>Fitting</h2>
      <span class="soft small">{{ BODY_TITLES[d.skin.material] }}</span>
    </div>
    <ChoiceField
      v-if="d.skin.thread && d.family !== 'welded-stub'"
      label="Skin fitting"
      :model-value="named(d.skin)"
      :options="options(skins, d.skin, null)"
      :disabled="off"
      @update:model-value="
        $event !== OWN &&
        set('skin', {
          ...skins.find((s) => s.id === $event)!,
          nutMm: d.skin.nutMm,
          windowMm: d.skin.windowMm,
        })
      "
    />
    <ChoiceField
      label="Material"
      :model-value="d.skin.material"
      :options="BODY_MATERIALS.map((v) => ({ value: v, title: BODY_TITLES[v] }))"
      :disabled="off"
      @update:model-value="own('skin', { material: $event })"
    />
    <template v-if="info.stack">
      <DimensionField
        label="Tail, from under the head"
        :model-value="d.skin.tailMm"
        :units="u"
        above
        :disabled="off"
        @update:model-value="own('skin', { tailMm: $event })"
      />
      <DimensionField
        label="Tail diameter"
        :model-value="d.skin.tailOdMm"
        :units="u"
        above
        optional
        placeholder="unknown"
        :disabled="off"
        @update:model-value="own('skin', { tailOdMm: $event })"
      />
    </template>
    <DimensionField
      label="Bored to"
      :model-value="d.boredMm"
      :units="u"
      above
      optional
      :placeholder="lengthText(d.skin.holeMm, u)"
      :disabled="off"
      @update:model-value="set('boredMm', $event)"
    />
    <DimensionField
      label="Bead"
      :model-value="d.beddingMm"
      :units="u"
      :least="0"
      :disabled="off"
      @update:model-value="set('beddingMm', $event)"
    />
    <template v-if="info.valve">
      <ChoiceField
        label="Valve"
        :model-value="named(d.valve)"
        :options="options(valves, d.valve, null)"
        :disabled="off"
        @update:model-value="pickFrom(valves, 'valve')($event)"
      />
      <ChoiceField
        label="Handle"
        :model-value="d.valve?.handle ?? 'lever'"
        :options="
          [
            { value: 'lever', title: 'lever' },
            { value: 'tee', title: 'tee' },
          ] as const
        "
        :disabled="off || !d.valve"
        @update:model-value="own('valve', { handle: $event })"
      />
    </template>
    <template v-if="info.hose">
      <ChoiceField
        label="Hose tail"
        :model-value="named(d.tail)"
        :options="options(tails, d.tail, 'none yet')"
        :disabled="off"
        @update:model-value="pickFrom(tails, 'tail')($event)"
      />
      <template v-if="d.hose">
        <DimensionField
          label="Hose bore"
          :model-value="d.hose.boreMm"
          :units="u"
          above
          :disabled="off"
          @update:model-value="set('hose.boreMm', $event)"
        />
        <DimensionField
          label="Clips"
          kind="number"
          unit="of 316"
          :model-value="d.hose.clips"
          :units="u"
          :least="0"
          :most="4"
          :disabled="off"
          @update:model-value="set('hose.clips', Math.round($event ?? 0))"
        />
        <ElCheckbox
          class="tick"
          :model-value="d.hose.belowRated"
          :disabled="off"
          @change="set('hose.belowRated', $event as boolean)"
          >hose rated for below water</ElCheckbox
        >
      </template>
      <ElButton
        v-else-if="!off"
        class="act"
        @click="set('hose', { boreMm: d.tail?.barbMm ?? 25, clips: 2, bandMm: 13, belowRated: true })"
      >
        Give it a hose
      </ElButton>
    </template>
    <template v-if="d.plug"
      ><ElCheckbox
        v-for="[k, t] in [
          ['throughBolted', 'through-bolted'],
          ['block', 'backing block behind'],
          ['grounds', 'she may ground here'],
          ['flush', 'flush outside'],
          ['choke', 'choke hole in the block'],
        ] as const"
        :key="k"
        class="tick"
        :model-value="d.plug[k]"
        :disabled="off"
        @change="set(`plug.${k}`, $event as boolean)"
        >{{ t }}</ElCheckbox
      >
      <template v-if="d.plug.choke">
        <DimensionField
          label="Choke hole"
          :model-value="d.plug.chokeMm"
          :units="boats.units"
          above
          optional
          placeholder="as flooding says"
          :disabled="off"
          @update:model-value="set('plug.chokeMm', $event)"
        />
        <DimensionField
          label="Pumps there carry"
          kind="number"
          unit="L/min"
          :model-value="d.plug.pumpsLpm"
          :units="boats.units"
          optional
          :least="0"
          :disabled="off"
          @update:model-value="set('plug.pumpsLpm', $event)"
        /> </template
    ></template>
    <template v-if="d.stud"
      ><ElCheckbox
        v-for="[k, t] in [
          ['wired', 'wired to what it protects'],
          ['clearOfBilge', 'clear of standing bilge water'],
          ['spannerRoom', 'room for a spanner'],
        ] as const"
        :key="k"
        class="tick"
        :model-value="d.stud[k]"
        :disabled="off"
        @change="set(`stud.${k}`, $event as boolean)"
        >{{ t }}</ElCheckbox
      ></template
    >
    <template v-if="d.transducer"
      ><ChoiceField
        label="Arrow"
        :model-value="d.transducer.arrow"
        :options="
          [
            { value: 'keel', title: 'to the keel' },
            { value: 'forward', title: 'forward' },
          ] as const
        "
        :disabled="off"
        @update:model-value="set('transducer.arrow', $event)"
      />
      <p class="soft small">
        Made for {{ d.transducer.tiltsDeg.join('°, ') }}°;
        {{
          j?.tiltElement
            ? `${j.tiltElement.tiltDeg}° fits best, ${j.tiltElement.residualDeg.toFixed(1)}° left, ${Math.abs(j.tiltElement.offsetM).toFixed(2)} m off at ${d.transducer.waterDepthM} m`
            : ''
        }}.
      </p></template
    >
    <template v-if="d.chest"
      ><DimensionField
        label="Strainer, open"
        kind="number"
        unit="mm²"
        :model-value="d.chest.openMm2"
        :units="u"
        above
        :disabled="off"
        @update:model-value="set('chest.openMm2', $event)"
      /><DimensionField
        v-for="(q, i) in d.chest.users"
        :key="q.name"
        :label="`For the ${q.name}`"
        kind="number"
        unit="l/min"
        :model-value="q.flowLpm"
        :units="u"
        above
        :disabled="off"
        @update:model-value="
          set(
            'chest.users',
            d.chest!.users.map((x, k) => (k === i && $event !== null ? { ...x, flowLpm: $event } : x)),
          )
        "
      />
      <form v-if="!off" class="another" @submit.prevent="addUser">
        <label class="hidden-words" for="chest-user">Another user of the chest</label
        ><ElInput
          id="chest-user"
          v-model="user"
          class="entry"
          maxlength="60"
          placeholder="another user"
        /><ElButton
          class="act"
          :disabled="!user.trim() || d.chest.users.some((x) => x.name === user.trim())"
          native-type="submit"
        >
          Add
        </ElButton>
      </form></template
    >
    <template v-if="d.drain"
      ><DimensionField
        label="Cockpit, m²"
        kind="number"
        unit="m²"
        :model-value="d.drain.areaM2"
        :units="u"
        above
        :disabled="off"
        @update:model-value="set('drain.areaM2', $event)"
      /><DimensionField
        label="Filled to"
        :model-value="d.drain.waterMm"
        :units="u"
        above
        :disabled="off"
        @update:model-value="set('drain.waterMm', $event)"
      /><DimensionField
        label="Fall"
        :model-value="d.drain.fallMm"
        :units="u"
        :least="0"
        :disabled="off"
        @update:model-value="set('drain.fallMm', $event)"
      /><DimensionField
        label="Drains"
        kind="number"
        :model-value="d.drain.drains"
        :units="u"
        :least="1"
        :most="20"
        :disabled="off"
        @update:model-value="set('drain.drains', Math.max(1, Math.round($event ?? 1)))"
      />
      <p v-if="j?.drain" class="soft small">
        Empty in {{ Math.round(j.drain.timeS) }} s{{
          j.drain.oneBlockedS === null ? '' : `, ${Math.round(j.drain.oneBlockedS)} s with one blocked`
        }}.
      </p></template
    >

    <template v-if="d.family !== 'anode-stud'">
      <div class="group gap"><h2>Under it</h2></div>
      <ChoiceField
        label="Wedges"
        :model-value="d.wedge.blocks"
        :options="
          [
            { value: 'none', title: 'none, square to the hull' },
            { value: 'both', title: 'one each side, plumb' },
            { value: 'inside', title: 'inside only' },
            { value: 'outside', title: 'outside only' },
          ] as const
        "
        :disabled="off"
        @update:model-value="set('wedge.blocks', $event)"
      />
      <DimensionField
        v-if="d.wedge.blocks !== 'none'"
        label="Thin side"
        :model-value="d.wedge.thinMm"
        :units="u"
        above
        :disabled="off"
        @update:model-value="set('wedge.thinMm', $event)"
      />
      <ChoiceField
        label="Pad"
        :model-value="d.pad?.material ?? 'none'"
        :options="PADS"
        :disabled="off"
        @update:model-value="setPad($event)"
      />
      <template v-if="d.pad"
        ><DimensionField
          label="Pad thickness"
          :model-value="d.pad.thicknessMm"
          :units="u"
          above
          :disabled="off"
          @update:model-value="set('pad.thicknessMm', $event)" /><DimensionField
          label="Pad diameter"
          :model-value="d.pad.diameterMm"
          :units="u"
          above
          :disabled="off"
          @update:model-value="set('pad.diameterMm', $event)"
      /></template>
      <template v-if="d.valve || d.plug">
        <ChoiceField
          label="Held by"
          :model-value="d.hold.method"
          :options="METHODS"
          :disabled="off"
          @update:model-value="set('hold.method', $event)"
        />
        <template v-if="d.hold.method !== 'nut'"
          ><ChoiceField
            label="Bolt"
            :model-value="d.hold.size"
            :options="Object.keys(SIZES).map((v) => ({ value: v, title: v }))"
            :disabled="off"
            @update:model-value="set('hold.size', $event)" /><ChoiceField
            label="Grade"
            :model-value="d.hold.grade"
            :options="Object.entries(GRADES).map(([value, g]) => ({ value, title: g.title }))"
            :disabled="off"
            @update:model-value="set('hold.grade', $event)" /><DimensionField
            label="Bolts"
            kind="number"
            :model-value="d.hold.bolts"
            :units="u"
            :least="3"
            :most="12"
            :disabled="off"
            @update:model-value="set('hold.bolts', Math.round($event ?? 3))"
        /></template>
      </template>
    </template>

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
      v-if="throughHull.judgement?.threads.length"
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
  </section>
</template>

<style scoped>
.given {
  overflow-y: auto;
  padding: 12px 16px 30px 18px;
  scrollbar-gutter: stable;
}

.another {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 6px;
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
  min-height: 30px;
}
/* Said where the duty was turned away from the boat's own. */
.why {
  display: grid;
  gap: 2px;
  padding: 4px 0;
  color: var(--buoy);
  font-weight: 600;
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
.given :deep(select) {
  max-width: 150px;
}
</style>
