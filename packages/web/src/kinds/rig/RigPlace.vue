<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { formatForce, formatLength, zoneTitle } from '@north-tide/core'
import { RIG_FAMILY, rig } from '@north-tide/core/rig'
import KindPlace from '../../pieces/KindPlace.vue'
import { useBoats } from '../../state/boats'
import { useRig } from '../../state/rig'
import RigGiven from './RigGiven.vue'
import RigTray from './RigTray.vue'

/** One chainplate: the wire and what it pulls on left, plate and deck in the middle, verdicts right. */
const bench = useRig()
const boats = useBoats()
const router = useRouter()
const tab = ref('Work')
const where = computed(() => {
  const d = bench.design
  if (!d) return ''
  const on = `${RIG_FAMILY[d.family].title} · ${zoneTitle(boats.picture?.zones ?? [], d.place.zone)}, x ${formatLength(d.place.xMm, boats.units)}`
  return d.wire && !d.drogue ? `${on} · wire of ${formatForce(d.wire.breakingN, boats.units)}` : on
})
const alsoLook = computed(() =>
  bench.design ? (rig.looksToo?.(bench.design, bench.fitting?.others ?? []) ?? []) : [],
)
const LABELS: Record<string, string> = {
  plate: 'Wide',
  'plate.widthMm': 'Wide',
  'plate.holeMm': 'Hole',
  'plate.endMm': 'Past the hole',
  pin: 'Pin',
  bolts: 'Bolt',
  bond: 'Bond, long',
  hull: 'Knee or topside',
  'wire.misalignDeg': 'Out of the plate',
  'wire.inPlaneDeg': 'In the plate',
  'slot.sealant': 'Cover bedded in',
  recess: 'Pocket, long',
  tabs: 'Out on the hull',
  'tabs.filletMm': 'Fillet',
  shaft: 'Shaft',
  'set.column': 'Outside',
  'set.column.footMm2': 'Foot',
  'set.glue': 'Plate, long',
  'set.glue.lineMm': 'Adhesive, thick',
}
const mirror = async () => {
  const id = await bench.copyIt({ mirror: true })
  await router.push(`/bench/${id}`)
  return 'Its twin on the other side lies here now, to be looked at by itself.'
}
</script>

<template>
  <KindPlace
    :bench="bench"
    kind="rig"
    word="what stands here"
    :where="where"
    :record-word="bench.design?.set ? 'Record it' : 'Record its holes'"
    :labels="LABELS"
  >
    <template #acts="{ tryIt }">
      <ElButton
        v-if="!bench.readOnly && bench.design!.place.yMm !== 0"
        class="act"
        title="The same on the other side"
        @click="tryIt(mirror)"
        >Twin</ElButton
      >
    </template>
    <template #warning>
      <p v-if="bench.judgement?.moved.length && !bench.design!.provedAfter" class="moved" role="alert">
        <strong>Do not sail on it:</strong> {{ bench.judgement.moved.join('; ') }}. Slack the shroud, support
        the mast, and look at its twin and its neighbours of the same make.
        <template v-if="alsoLook.length">
          Look too:
          <template v-for="(o, i) in alsoLook" :key="o.id"
            >{{ i ? ', ' : ''
            }}<RouterLink :to="`/bench/${o.id}`" :title="o.why">{{ o.name }}</RouterLink></template
          >.
        </template>
      </p>
    </template>
    <template #given><RigGiven /></template>
    <template #tray><RigTray v-model:tab="tab" /></template>
  </KindPlace>
</template>

<style scoped>
.moved {
  margin: 0 0 8px;
  padding: 8px 12px;
  border-left: 4px solid var(--short);
  background: color-mix(in srgb, var(--short) 9%, var(--paper));
}
</style>
