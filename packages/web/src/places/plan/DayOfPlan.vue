<script setup lang="ts">
import { computed } from 'vue'
import dayjs from 'dayjs'
import { formatVolume, sayIn, type HeldWork, type PlanDay, type PlannedStep } from '@north-tide/core'
import { useBoats } from '../../state/boats'
import { fixedSaid, sharesSaid } from './fixed-said'

/** One day of a yard: who does what where, what has to lie in the bag, what cures meanwhile, what waits. */
const props = defineProps<{
  day: PlanDay
  to: (f: { kind: string; fittingId: string }) => string
  held: HeldWork[]
  /** its surface is too cold or too wet to bond on */
  bad: boolean
  /** more than one boat is shown: each says which */
  boats: boolean
}>()
const emit = defineEmits<{ open: [step: PlannedStep] }>()
const shown = useBoats()
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
/** What of the fittings of today, or of the same places, is held: what else can be done there meanwhile. */
const waits = computed(() => {
  const here = new Set(props.day.steps.map((s) => s.fittingId))
  const zones = new Set(props.day.steps.map((s) => `${s.boatId} ${s.zone}`))
  return props.held.filter(
    (h) =>
      h.by !== 'cure' &&
      (here.has(h.fittingId) ||
        h.others.some((o) => here.has(o.fittingId)) ||
        zones.has(`${h.boatId} ${h.zone}`)),
  )
})
const bonds = computed(() => props.day.steps.filter((s) => s.needsSurface).length)
</script>

<template>
  <section class="day" :aria-label="dayjs(day.day).format('dddd D MMMM')">
    <h2>
      {{ dayjs(day.day).format('dddd D MMMM') }}
      <span class="soft small">{{ hours }} h of hands</span>
      <span v-if="bad" class="small cold">too cold or too wet to bond in the open</span>
      <span v-else-if="bonds" class="soft small">{{ bonds }} on a dry surface</span>
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
              <span class="soft small">{{ boats ? `${b.steps[0]!.boat}, ` : '' }}{{ b.steps[0]!.zone }}</span>
            </div>
            <ul>
              <li v-for="s in b.steps" :key="s.step" class="step">
                <div>
                  {{ sayIn(s.text, shown.units) }}
                  <span v-if="s.fixed" class="small fixed">{{ sharesSaid(s) || fixedSaid(s) }}</span>
                  <span v-if="s.who.length > 1" class="together small"
                    >with {{ s.who.filter((w) => w !== h.name).join(', ') }}</span
                  >
                  <span v-if="s.alone" class="small">Alone: {{ s.alone }}</span>
                  <span v-if="s.needsSurface" class="soft small">on a dry surface; </span>
                  <span v-if="s.cureEnd > s.end" class="soft small">cures until {{ until(s.cureEnd) }}</span>
                  <span v-if="s.caution" class="caution small">{{ s.caution }}</span>
                </div>
                <ElButton
                  class="act small"
                  :aria-label="`Open ${s.text.split(/[:.;]/)[0]}, ${s.fitting}`"
                  @click="emit('open', s)"
                  >Do</ElButton
                >
              </li>
            </ul>
          </li>
        </ol>
      </section>
    </div>
    <div class="beside">
      <div v-if="day.bag.length">
        <h3>In the bag</h3>
        <p>{{ day.bag.join(', ') }}</p>
      </div>
      <div v-if="day.pots?.length">
        <h3>Pots</h3>
        <ul>
          <li v-for="(p, i) in day.pots" :key="i">
            <span class="figure">{{ clock(p.at) }}</span>
            {{ p.times > 1 ? `${p.times} pots of ` : '' }}{{ formatVolume(p.ml, shown.units) }},
            {{ p.hardener }} hardener, {{ p.lifeMin }} min to work it:
            <strong v-if="p.for.length > 1">one pot for </strong
            >{{ p.for.map((f) => `${f.fitting} ${formatVolume(f.ml, shown.units)}`).join(', ') }}
          </li>
        </ul>
      </div>
      <div v-if="day.tubes?.length">
        <h3>Tubes</h3>
        <ul>
          <li v-for="(t, i) in day.tubes" :key="i">
            {{ t.lot ?? 'to be bought' }}: {{ t.chemistry }},
            <strong v-if="t.for.length > 1">one tube for </strong
            >{{ t.for.map((f) => `${f.fitting} ${formatVolume(f.ml, shown.units)}`).join(', ') }}
          </li>
        </ul>
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
      <div v-if="waits.length">
        <h3>Waits, here and beside</h3>
        <ul>
          <li v-for="(w, i) in waits" :key="i">
            {{ w.fitting }}{{ w.others.length ? ` and ${w.others.length} more` : '' }}: {{ w.why }}
            <span v-if="w.until" class="soft">until {{ dayjs(w.until).format('D MMM') }}</span>
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
.step {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 2px 10px;
  align-items: start;
}
.fixed {
  color: var(--tide);
  font-weight: 700;
}
.cold {
  color: var(--buoy);
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
