<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import { zoneTitle, type Point } from '@north-tide/core'
import { drawnOutline } from '@north-tide/core/opening'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import MeasuredPlace from '../../pieces/MeasuredPlace.vue'
import GivenGroups from '../../pieces/GivenGroups.vue'
import { useBoats } from '../../state/boats'
import { useOpening } from '../../state/opening'
import { openingGroups } from './opening-fields'
import { useOpeningMove } from './opening-move'

const ReadFile = defineAsyncComponent(() => import('../../pieces/ReadFile.vue'))
/** What is given of an opening. */
const bench = useOpening()
const boats = useBoats()
const d = computed(() => bench.design!)
const { said, attempt } = useAttempt()
const drawnSaid = ref('')
/** The longest line of a drawing is what is cut, about its middle. */
async function takeOutline(file: File) {
  drawnSaid.value = ''
  await attempt(async () => {
    const got = await api<{ outline: Point[]; assumedUnit: boolean }>(
      'POST',
      '/hardware/outline.dxf',
      await file.text(),
    )
    const outline = drawnOutline(got.outline)
    bench.change({ outline })
    drawnSaid.value = `${outline.points.length} points of ${got.outline.length} taken; undo takes the outline back.${got.assumedUnit ? ' The drawing names no unit; mm was taken.' : ''}`
  })
}
const { moveSaid, set, put } = useOpeningMove()
</script>

<template>
  <GivenGroups
    :bench="bench"
    :groups="openingGroups(d)"
    :zone="zoneTitle(boats.picture?.zones ?? [], d.place.zone)"
    :said="moveSaid"
    @set="set"
  >
    <template #place
      ><MeasuredPlace
        v-if="boats.picture && (d.place.measuredFrom.length || !bench.readOnly)"
        :boat="boats.picture"
        :units="boats.units"
        :from="d.place.measuredFrom"
        :read-only="bench.readOnly"
        @place="put"
    /></template>
    <div v-if="!d.gland && !d.prism && !bench.readOnly" class="drawn">
      <ReadFile accept=".dxf" words="Outline from a DXF" @file="takeOutline" />
      <p v-if="drawnSaid || said" class="small" :class="{ wrong: said }" role="status">
        {{ said || drawnSaid }}
      </p>
    </div>
  </GivenGroups>
</template>

<style scoped>
.drawn {
  margin-top: 18px;
}
.wrong {
  color: var(--short);
}
</style>
