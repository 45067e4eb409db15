<script setup lang="ts">
import { computed } from 'vue'
import dayjs from 'dayjs'
import { sayIn, type PlanDay } from '@north-tide/core'
import { useBoats } from '../../state/boats'

/** One day of a yard: who does what where, what has to lie in the bag, what cures meanwhile. */
const props = defineProps<{
  day: PlanDay
  to: (f: { kind: string; fittingId: string }) => string
  /** one of many: the bag and the cures in a line */
  short?: boolean
}>()
const boats = useBoats()
const clock = (t: string) => t.slice(11)
const hours = computed(() =>
  (props.day.steps.reduce((m, s) => m + dayjs(s.end).diff(s.start, 'minute') * s.who.length, 0) / 60).toFixed(
    1,
  ),
)
const until = (t: string) => dayjs(t).format(t.slice(0, 10) === props.day.day ? 'HH:mm' : 'ddd D MMM, HH:mm')
</script>

<template>
  <section class="day" :aria-label="dayjs(day.day).format('dddd D MMMM')">
    <h2>
      {{ dayjs(day.day).format('dddd D MMMM') }}
      <span class="soft small">{{ hours }} h of hands</span>
    </h2>
    <ol class="rows">
      <li v-for="s in day.steps" :key="s.fittingId + s.step" :class="{ critical: s.critical }">
        <span class="time figure">{{ clock(s.start) }}–{{ clock(s.end) }}</span>
        <span class="who small">{{ s.who.join(' and ') }}</span>
        <div class="what">
          <RouterLink :to="to(s)"
            ><strong>{{ s.fitting }}</strong></RouterLink
          >
          <span class="soft small"> {{ s.zone }}</span>
          <p>{{ sayIn(s.text, boats.units) }}</p>
          <p v-if="s.alone && !short" class="small">Alone: {{ s.alone }}</p>
          <p v-if="s.caution && !short" class="caution small">{{ s.caution }}</p>
        </div>
        <span class="flags small soft">
          <template v-if="s.needsSurface">a dry surface </template>
          <template v-if="s.cureEnd > s.end">cures until {{ until(s.cureEnd) }}</template>
        </span>
      </li>
    </ol>
    <div v-if="!short" class="beside">
      <div v-if="day.bag.length">
        <h3>In the bag</h3>
        <p>{{ day.bag.join(', ') }}</p>
      </div>
      <div v-if="day.cures.length">
        <h3>Cures meanwhile</h3>
        <ul>
          <li v-for="(c, i) in day.cures" :key="i">
            {{ c.fitting }}: {{ c.text.split(/[:.;]/)[0] }}
            <span class="soft">until {{ until(c.until) }}</span>
          </li>
        </ul>
      </div>
    </div>
  </section>
</template>

<style scoped>
.day {
  padding-bottom: 18px;
}
h2 {
  font-size: 1.05rem;
  border-bottom: 1px solid var(--line-strong);
  padding-bottom: 4px;
}
.rows {
  list-style: none;
  padding: 0;
}
.rows > li {
  display: grid;
  grid-template-columns: 118px 150px minmax(0, 1fr) 190px;
  gap: 4px 14px;
  padding: 8px 0 8px 10px;
  border-bottom: 1px solid var(--line);
  border-left: 3px solid transparent;
}
.rows > li.critical {
  border-left-color: var(--tide);
}
.caution {
  color: var(--tight);
  font-weight: 600;
}
.beside {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
  gap: 18px;
  padding-top: 12px;
}
.beside ul {
  padding-left: 18px;
}
@media (max-width: 767px) {
  .rows > li {
    grid-template-columns: auto minmax(0, 1fr);
  }
  .what,
  .flags {
    grid-column: 1 / -1;
  }
}
</style>
