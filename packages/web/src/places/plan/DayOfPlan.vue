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
/** Each pair of hands goes from one piece of work to the next; what two do together stands with both. */
const hands = computed(() =>
  [...new Set(props.day.steps.flatMap((s) => s.who))].sort().map((name) => {
    const blocks: { key: string; steps: PlanDay['steps'] }[] = []
    for (const s of props.day.steps.filter((x) => x.who.includes(name))) {
      const last = blocks.at(-1)
      if (last && last.steps[0]!.fittingId === s.fittingId) last.steps.push(s)
      else blocks.push({ key: s.fittingId + s.step, steps: [s] })
    }
    return { name, blocks }
  }),
)
</script>

<template>
  <section class="day" :aria-label="dayjs(day.day).format('dddd D MMMM')">
    <h2>
      {{ dayjs(day.day).format('dddd D MMMM') }}
      <span class="soft small">{{ hours }} h of hands</span>
    </h2>
    <div class="hands">
      <section v-for="h in hands" :key="h.name" :aria-label="h.name">
        <h3>{{ h.name }}</h3>
        <ol>
          <li v-for="b in h.blocks" :key="b.key" :class="{ critical: b.steps.some((s) => s.critical) }">
            <div class="head">
              <span class="time figure">{{ clock(b.steps[0]!.start) }}–{{ clock(b.steps.at(-1)!.end) }}</span>
              <RouterLink :to="to(b.steps[0]!)"
                ><strong>{{ b.steps[0]!.fitting }}</strong></RouterLink
              >
              <span class="soft small">{{ b.steps[0]!.zone }}</span>
            </div>
            <ul>
              <li v-for="s in b.steps" :key="s.step">
                {{ sayIn(s.text, boats.units) }}
                <span v-if="s.who.length > 1" class="together small"
                  >with {{ s.who.filter((w) => w !== h.name).join(', ') }}</span
                >
                <span v-if="s.alone && !short" class="small">Alone: {{ s.alone }}</span>
                <span v-if="s.needsSurface" class="soft small">on a dry surface; </span>
                <span v-if="s.cureEnd > s.end" class="soft small">cures until {{ until(s.cureEnd) }}</span>
                <span v-if="s.caution && !short" class="caution small">{{ s.caution }}</span>
              </li>
            </ul>
          </li>
        </ol>
      </section>
    </div>
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
.hands {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 380px), 1fr));
  gap: 4px 28px;
}
h3 {
  font-size: 0.95rem;
  padding-top: 10px;
}
.hands ol,
.hands ul {
  list-style: none;
  padding: 0;
}
.hands ol > li {
  padding: 8px 0 8px 10px;
  border-bottom: 1px solid var(--line);
  border-left: 3px solid transparent;
}
.hands ol > li.critical {
  border-left-color: var(--tide);
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  align-items: baseline;
}
.hands ul > li {
  padding: 3px 0;
}
.together {
  border: 1px solid var(--ink-soft);
  padding: 0 5px;
}
.caution {
  display: block;
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
</style>
