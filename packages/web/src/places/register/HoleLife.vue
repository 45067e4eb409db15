<script setup lang="ts">
import dayjs from 'dayjs'
import { formatLength, formatTemperature, lifeSaid, logSaid } from '@north-tide/core'
import LifeSign from '../../pieces/LifeSign.vue'
import { useBoats } from '../../state/boats'
import type { HoleRecord } from '../../types'

/** What happened to a hole, as it was written; what was wrong is struck through, and may be corrected. */
const props = defineProps<{ hole: HoleRecord; correctable: boolean }>()
const emit = defineEmits<{ correct: [event: HoleRecord['events'][number]] }>()
const boats = useBoats()
const corrected = (seq: number) => props.hole.events.find((e) => e.corrects === seq) ?? null
</script>

<template>
  <h3>Life</h3>
  <ol class="events">
    <li v-for="e in hole.events" :key="e.seq" :class="{ gone: corrected(e.seq) }">
      <LifeSign :state="e.state" />
      <div>
        <p>
          <strong>{{ lifeSaid(e.state) }}</strong><span v-if="e.corrects" class="small">
            corrects {{ lifeSaid(hole.events.find((o) => o.seq === e.corrects)?.state ?? '') }} of
            {{ dayjs(hole.events.find((o) => o.seq === e.corrects)?.at).format('D MMM HH:mm') }}</span
          >
          <span class="soft small">{{ dayjs(e.at).format('D MMM YYYY HH:mm') }} · {{ e.who }}</span>
        </p>
        <p v-if="e.note || e.evidence" class="small">
          {{ [e.note, e.evidence].filter(Boolean).join(' · ') }}
        </p>
        <p v-if="e.sizeMm || e.lot || e.tempC !== null" class="soft small figure">
          {{
            [
              e.sizeMm ? formatLength(e.sizeMm, boats.units) : '',
              e.lot ? `lot ${e.lot}` : '',
              e.tempC !== null ? formatTemperature(e.tempC, boats.units) : '',
              e.humidityPct !== null ? `${e.humidityPct} %` : '',
            ]
              .filter(Boolean)
              .join(' · ')
          }}
        </p>
        <p v-if="e.gatesPassed.length" class="passed small">
          Gate passed ({{ e.gatesPassed.join(', ') }}): {{ e.gateReason }}
        </p>
      </div>
      <span v-if="corrected(e.seq)" class="soft small">corrected</span>
      <ElButton
        v-else-if="correctable && e.seq > 1"
        class="plain fix small"
        :aria-label="`Correct ${lifeSaid(e.state)} of ${dayjs(e.at).format('D MMM HH:mm')}`"
        @click="emit('correct', e)"
      >
        correct
      </ElButton>
    </li>
  </ol>
  <template v-if="hole.log.length">
    <h3>Ticks, readings and orders</h3>
    <ul class="log small">
      <li v-for="(l, i) in hole.log" :key="i">
        <span class="soft figure">{{ dayjs(l.at).format('D MMM YYYY HH:mm') }}</span>
        {{ logSaid(l, boats.units) }} <span class="soft">{{ l.who }}</span>
      </li>
    </ul>
  </template>
</template>

<style scoped>
h3 {
  margin-top: 14px;
}
.events {
  list-style: none;
  margin: 6px 0 18px;
  padding: 0;
}
.events li {
  display: flex;
  gap: 10px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
.events svg {
  margin-top: 2px;
}
.log {
  list-style: none;
  margin: 4px 0 18px;
  padding: 0;
  display: grid;
  gap: 4px;
}
.events li > div {
  flex: 1;
}
.gone strong {
  text-decoration: line-through;
}
.fix {
  color: var(--tide);
  text-decoration: underline;
  align-self: start;
}
.passed {
  color: var(--buoy);
  font-weight: 600;
}
</style>
