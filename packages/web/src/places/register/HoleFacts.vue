<script setup lang="ts">
import { computed } from 'vue'
import {
  CORES,
  SCHOOLS,
  SEALANTS,
  formatLength,
  sayIn,
  wayOf,
  type CoreId,
  type SealantId,
} from '@north-tide/core'
import { useBoats } from '../../state/boats'
import type { BoatPicture, HoleRecord } from '../../types'

/** What a hole is: where, through what, how large, what stands in it. */
const props = defineProps<{
  hole: BoatPicture['holes'][number] | HoleRecord
  /** what only its record knows, once that is read */
  record: HoleRecord | null
}>()
const boats = useBoats()
const treatment = computed(
  () =>
    SCHOOLS.find((s) => s.id === props.hole.coreSchool)?.choice ??
    CORES[props.hole.coreSchool as CoreId]?.title ??
    props.hole.coreSchool,
)
</script>

<template>
  <dl>
    <dt>Where</dt>
    <dd>
      {{ hole.zone }}, x {{ formatLength(hole.xMm, boats.units) }}, y
      {{ formatLength(hole.yMm, boats.units) }}, z {{ formatLength(hole.zMm, boats.units) }}
    </dd>
    <template v-if="hole.measuredFrom"
      ><dt>Measured</dt>
      <dd>{{ sayIn(hole.measuredFrom, boats.units) }}</dd></template
    >
    <dt>Through</dt>
    <dd>{{ hole.through }}</dd>
    <dt>Size</dt>
    <dd>
      {{ formatLength(hole.diameterMm, boats.units)
      }}{{ hole.acrossMm ? ` by ${formatLength(hole.acrossMm, boats.units)}` : ''
      }}{{ hole.directionDeg === null ? '' : `, ${wayOf(hole.directionDeg)}`
      }}{{ hole.foundKind ? `, found: ${hole.foundKind}` : ''
      }}<span v-if="record?.sizes.length" class="soft">
        · drilled {{ record.sizes.map((s) => formatLength(s.sizeMm, boats.units)).join(', then ') }}</span
      >
    </dd>
    <template v-if="hole.fastener"
      ><dt>Fastener</dt>
      <dd>{{ hole.fastener }}</dd></template
    >
    <template v-if="hole.plate"
      ><dt>Plate</dt>
      <dd>{{ hole.plate }}</dd></template
    >
    <dt>Core</dt>
    <dd>{{ treatment }}</dd>
    <template v-if="hole.sealant"
      ><dt>Bedding</dt>
      <dd>
        {{ SEALANTS[hole.sealant as SealantId]?.title ?? hole.sealant
        }}<span v-if="record?.cure && record.cure.rimDays !== null" class="soft">
          · rim {{ record.cure.rimDays.toFixed(1) }} days, middle of the base
          {{ record.cure.middleDays?.toFixed(0) ?? '?' }}</span
        >
      </dd></template
    >
  </dl>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 86px 1fr;
  gap: 4px 10px;
  margin: 0 0 16px;
}
dt {
  color: var(--ink-soft);
}
dd {
  margin: 0;
}
</style>
