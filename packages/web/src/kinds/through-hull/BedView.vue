<script setup lang="ts">
import { computed } from 'vue'
import dayjs from 'dayjs'
import { SEALANTS, formatLength, formatTemperature, formatVolume, sayIn, schoolsFor } from '@north-tide/core'
import { POT_TITLES, THREAD_WAYS, THREAD_WAY_TITLES, threadVerdict } from '@north-tide/core/through-hull'
import { useThroughHull } from '../../state/through-hull'
import { useBoats } from '../../state/boats'
import VerdictSign from '../../pieces/VerdictSign.vue'

/**
 * What each joint is bedded or bonded with, how much, when it has cured, and whether today is a day for
 * it.
 */
const throughHull = useThroughHull()
const boats = useBoats()
const j = computed(() => throughHull.judgement!)
const d = computed(() => throughHull.design!)
const FIT = { fits: 'holds', 'fits-with-care': 'tight', refused: 'short' } as const
const schools = computed(() =>
  schoolsFor(
    d.value.skin.material === 'composite'
      ? 'Composite fitting in the hull'
      : 'Bronze or stainless in the hull',
  ),
)
/** Dew comes and goes within the hour. */
const old = computed(
  () => d.value.bedding.takenAt !== '' && dayjs().diff(d.value.bedding.takenAt, 'minute') > 60,
)
const dew = computed(() => j.value.checks.find((c) => c.id === 'dew-point')!)
</script>

<template>
  <div class="bed">
    <div v-for="s in j.sealants" :key="s.place" class="joint" :data-joint="s.place">
      <h3>{{ s.title }}</h3>
      <p class="small">
        Bead {{ formatLength(s.beadMm, boats.units)
        }}{{ s.quantity ? `, ${formatVolume(s.quantity.volumeMl, boats.units)}` : ''
        }}{{
          s.rimDays === null
            ? ''
            : `; rim and collar cured in ${s.rimDays.toFixed(1)} days at ${formatTemperature(d.bedding.tempC, boats.units)}${s.middleDays !== null && s.middleDays > s.rimDays * 1.5 ? `, soft at the hole for ${s.middleDays > 90 ? `${Math.round(s.middleDays / 30)} months` : `${Math.round(s.middleDays)} days`}` : ''}`
        }}
      </p>
      <ul>
        <li v-for="c in s.choice.choices" :key="c.id" :class="{ on: c.id === s.chosen }">
          <ElButton
            class="plain"
            :disabled="throughHull.readOnly"
            :aria-pressed="c.id === s.chosen"
            @click="throughHull.change({ [`bedding.${s.place}`]: c.id })"
          >
            <VerdictSign :verdict="FIT[c.verdict]" :size="14" />
            <span
              >{{ SEALANTS[c.id].title }}
              <span class="soft small">{{
                c.reasons
                  .filter((r) => r.effect !== 'note')
                  .map((r) => sayIn(r.text, boats.units))
                  .join(' ') || (c.id === s.choice.best ? 'ranks first here' : '')
              }}</span></span
            >
          </ElButton>
        </li>
      </ul>
    </div>
    <div v-if="j.threads.length" class="joint" data-joint="thread">
      <h3>On the threads</h3>
      <p class="small">
        {{
          j.threads
            .map(
              (t) =>
                `${t.title}: ${t.seal === 'face' ? 'parallel, seals on its face' : 'taper, seals on its thread'}`,
            )
            .join('; ')
        }}. Tape for all of it:
        {{ formatLength(Math.round(j.threads.reduce((s, t) => s + t.tapeMm, 0)), boats.units) }}, eight
        layers.
      </p>
      <ul>
        <li v-for="w in THREAD_WAYS" :key="w" :class="{ on: w === d.bedding.thread }">
          <ElButton
            class="plain"
            :disabled="throughHull.readOnly"
            :aria-pressed="w === d.bedding.thread"
            @click="throughHull.change({ 'bedding.thread': w })"
          >
            <VerdictSign :verdict="threadVerdict(j.threads, w)!.verdict" :size="14" />
            <span
              >{{ THREAD_WAY_TITLES[w] }}
              <span class="soft small">{{ threadVerdict(j.threads, w)!.because }}</span></span
            >
          </ElButton>
        </li>
      </ul>
    </div>
    <div class="day">
      <h3>Today</h3>
      <p :data-verdict="dew.verdict">
        <VerdictSign :verdict="dew.verdict" :size="16" /> {{ sayIn(dew.because, boats.units) }}
      </p>
      <p v-if="d.bedding.takenAt" :class="old ? 'again' : 'soft small'">
        Read {{ dayjs(d.bedding.takenAt).format('D MMM, HH:mm')
        }}{{ old ? ': that was another hour. Read again before the bead goes on.' : '.' }}
      </p>
      <template v-for="k in ['bond', 'set'] as const" :key="k">
        <template v-if="j.pots[k]">
          <h3>{{ POT_TITLES[k] }}</h3>
          <p class="small">
            {{ formatVolume(j.pots[k]!.ml, boats.units) }} in {{ j.pots[k]!.batches }} pot{{
              j.pots[k]!.batches > 1 ? 's' : ''
            }}, {{ j.pots[k]!.fillerG.toFixed(0) }} g of filler. {{ sayIn(j.pots[k]!.because, boats.units) }}
          </p>
          <p v-if="j.pots[k]!.gelMin !== null" :data-test="k === 'set' ? 'gel' : undefined">
            <template v-if="k === 'set'"
              ><strong>The valve goes on after {{ Math.round(j.pots[k]!.gelMin!) }} min</strong>, when it has
              gelled; sanded</template
            ><template v-else
              >Gelled after {{ Math.round(j.pots[k]!.gelMin!) }} min, sanded and bedded on</template
            >
            after {{ j.pots[k]!.sandH?.toFixed(0) }} h.
          </p>
        </template>
      </template>
      <h3>Schools</h3>
      <p v-for="s in schools" :key="s.id" class="small">
        <strong>{{ s.choice }}.</strong> {{ s.reason }}
        <span class="soft">Costs: {{ s.costs }} Not: {{ s.notWhen }}</span>
      </p>
      <p class="soft small">The inside is sealed too under the waterline.</p>
    </div>
  </div>
</template>

<style scoped>
.bed {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(250px, 1fr));
  gap: 22px;
}
ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
}
li button {
  display: flex;
  gap: 8px;
  text-align: left;
  width: 100%;
  padding: 5px 6px;
  min-height: 34px;
  align-items: flex-start;
}
li svg {
  margin-top: 3px;
  flex: none;
}
li.on {
  background: var(--tide-soft);
  font-weight: 600;
}
.day {
  order: -1;
}
.again {
  color: var(--buoy);
  font-weight: 600;
}
.day p {
  padding-bottom: 4px;
}
.day svg {
  vertical-align: -3px;
}
</style>
