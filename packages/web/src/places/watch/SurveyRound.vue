<script setup lang="ts">
import { ref, watch } from 'vue'
import { lifeSaid, MM_PER_IN, type Campaign, type SurveyStop } from '@north-tide/core'
import { api } from '../../api'
import { benchOf } from '../../kinds/registry'
import LifeSign from '../../pieces/LifeSign.vue'
import { useAttempt } from '../../pieces/attempt'
import { useBoats } from '../../state/boats'

/** The whole boat looked at in one go: the way that saves crawling, a photo first, judged later. */
const boats = useBoats()
const { said, attempt } = useAttempt()
const round = ref<Campaign | null>(null)
watch(
  () => boats.picture?.id,
  (id) =>
    attempt(async () => {
      round.value = id ? await api<Campaign>('GET', `/boats/${id}/campaign`) : null
    }),
  { immediate: true },
)
const to = (s: SurveyStop) =>
  s.kind === null ? `/register/${s.id.replace('hole ', '')}` : benchOf({ kind: s.kind, id: s.id })
const LAUNCH = { no: 'not to be launched', wait: 'can wait', yes: 'safe to launch' } as const
const LEVEL = { below: 'below the waterline', topsides: 'topsides', deck: 'on deck' } as const
const way = (mm: number) =>
  boats.units === 'inch' ? `${Math.round(mm / (12 * MM_PER_IN))} ft` : `${Math.round(mm / 1000)} m`
const hours = (h: number) => (h > 0 ? `, ${h < 10 ? h.toFixed(1) : Math.round(h)} h of work` : '')
</script>

<template>
  <section aria-label="Survey" class="survey">
    <p v-if="said" class="bad" role="alert">{{ said }}</p>
    <ElSkeleton v-if="!round && !said" :rows="8" animated />
    <template v-else-if="round">
      <ul class="sums" aria-label="What may be launched">
        <li v-for="l in ['no', 'wait', 'yes'] as const" :key="l" :class="l">
          <strong class="figure">{{ round.counts[l] }}</strong> {{ LAUNCH[l] }}{{ hours(round.hours[l]) }}
        </li>
      </ul>
      <p class="soft">
        Below first, room by room: {{ way(round.wayMm) }} to go, {{ way(round.byNumberMm) }} by their numbers.
        {{ round.withoutPhoto ? `${round.withoutPhoto} have no photo yet: take it first, judge later.` : '' }}
      </p>
      <section v-for="r in round.rooms" :key="r.zone + r.level">
        <h2>
          {{ r.zone }} <span class="small soft">{{ LEVEL[r.level] }}</span>
        </h2>
        <ol :aria-label="`Survey: ${r.zone}`">
          <li v-for="t in r.things" :key="t.id" :class="t.launch">
            <LifeSign :state="t.state" />
            <div>
              <RouterLink :to="to(t)">{{ t.name }}</RouterLink>
              <span class="small soft">
                {{ lifeSaid(t.state) }}{{ t.photos ? '' : '; no photo' }}{{ hours(t.hours) }}</span
              >
              <p v-if="t.why" class="small why">{{ LAUNCH[t.launch] }}: {{ t.why }}</p>
            </div>
          </li>
        </ol>
      </section>
      <ElEmpty v-if="!round.rooms.length" :image-size="60" description="No hole of her is on record yet." />
    </template>
  </section>
</template>

<style scoped>
.sums {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 24px;
  list-style: none;
  padding: 0;
}
.no strong,
.no .why {
  color: var(--short);
}
.wait strong,
.wait .why {
  color: var(--buoy);
}
h2 {
  font-size: 1.05rem;
  padding-top: 10px;
  border-bottom: 1px solid var(--line-strong);
}
ol {
  list-style: none;
  padding: 0;
}
ol li {
  display: grid;
  grid-template-columns: 26px 1fr;
  gap: 8px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
.bad {
  color: var(--short);
}
</style>
