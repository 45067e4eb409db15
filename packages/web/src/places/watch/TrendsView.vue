<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import dayjs from 'dayjs'
import type { Followed } from '@north-tide/core'
import { api } from '../../api'
import { benchOf } from '../../kinds/registry'
import { useAttempt } from '../../pieces/attempt'
import VerdictSign from '../../pieces/VerdictSign.vue'
import { useBoats } from '../../state/boats'
import TrendChart from '../../pieces/TrendChart.vue'

/** What is read again and again: each series with its line, its limit and the day it would reach it. */
const boats = useBoats()
const { said, attempt } = useAttempt()
const series = ref<Followed[] | null>(null)
const once = ref(0)
const chosen = ref('')
const load = () =>
  attempt(async () => {
    if (!boats.picture) return
    const all = (await api<{ series: Followed[] }>('GET', `/boats/${boats.picture.id}/trends`)).series
    // What was read once goes nowhere yet.
    series.value = all.filter((s) => s.points.length > 1)
    once.value = all.length - series.value.length
    chosen.value = series.value[0]?.id ?? ''
  })
watch(() => boats.picture?.id, load, { immediate: true })
const one = computed(() => series.value?.find((s) => s.id === chosen.value) ?? null)
const today = dayjs().format('YYYY-MM-DD')
const day = (d: string) => dayjs(d).format('D MMM YYYY')
const figure = (s: Followed, v: number) => `${v.toFixed(s.digits)} ${s.unit}`
const to = (s: Followed) =>
  s.at.kind === null ? `/register/${s.at.id.replace('hole ', '')}` : benchOf({ kind: s.at.kind, id: s.at.id })
</script>

<template>
  <section aria-label="Trends" class="trends">
    <p v-if="said" class="bad" role="alert">
      {{ said }} <ElButton class="act" @click="load">Try again</ElButton>
    </p>
    <ElSkeleton v-if="!series && !said" :rows="6" animated />
    <ElEmpty
      v-else-if="series && !series.length"
      :image-size="60"
      description="Nothing was read twice yet: bond paths, anodes, moisture, chainplates over their marks."
    />
    <template v-else-if="series">
      <ul class="list" aria-label="Series">
        <li v-for="s in series" :key="s.id">
          <button type="button" :aria-pressed="s.id === chosen" @click="chosen = s.id">
            <VerdictSign :verdict="s.verdict" :size="12" />
            <span
              ><strong>{{ s.at.name }}</strong
              ><span class="small soft">{{ s.title }}{{ s.spot ? `, ${s.spot}` : '' }}</span></span
            >
            <span class="figure">{{ figure(s, s.points.at(-1)!.value) }}</span>
          </button>
        </li>
        <li v-if="once" class="small soft">{{ once }} more were read once only.</li>
      </ul>
      <article v-if="one" class="one" :aria-label="`${one.title}: ${one.at.name}`">
        <h2>
          <RouterLink :to="to(one)">{{ one.at.name }}</RouterLink>: {{ one.title.toLowerCase() }}
        </h2>
        <p v-if="one.suspect" class="bad">{{ one.todo }}</p>
        <p v-else-if="one.todo">{{ one.todo }}</p>
        <p v-for="f in one.flags" :key="f">{{ f }}</p>
        <p v-if="one.reaches">
          By its line it {{ one.reaches <= one.points.at(-1)!.date ? 'passed' : 'reaches' }}
          {{ figure(one, one.limit!) }} on <strong>{{ day(one.reaches) }}</strong><template
            v-if="one.earliest"
            >; as early as {{ day(one.earliest) }}</template
          ><template v-if="one.latest">, as late as {{ day(one.latest) }}</template
          >.
        </p>
        <p>
          {{ one.nextLook < today ? 'The next look was due on' : 'Next look by' }} {{ day(one.nextLook) }}.
        </p>
        <TrendChart :series="one" />
        <table class="figures" :aria-label="`Looks at ${one.at.name}`">
          <thead>
            <tr>
              <th scope="col">Look</th>
              <th scope="col" class="figure">{{ one.unit }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(p, i) in one.points" :key="i">
              <td>{{ day(p.date) }}</td>
              <td class="figure">{{ p.value.toFixed(one.digits) }}</td>
            </tr>
          </tbody>
        </table>
      </article>
    </template>
  </section>
</template>

<style scoped>
.trends {
  display: grid;
  grid-template-columns: minmax(260px, 2fr) minmax(0, 3fr);
  gap: 24px;
  align-items: start;
}
.list {
  list-style: none;
  padding: 0;
}
.list button {
  all: unset;
  box-sizing: border-box;
  width: 100%;
  min-height: 44px;
  display: grid;
  grid-template-columns: 18px 1fr auto;
  gap: 10px;
  align-items: center;
  padding: 6px 8px;
  border-bottom: 1px solid var(--line);
  cursor: pointer;
}
.list button:focus-visible {
  outline: 2px solid var(--tide);
}
.list button[aria-pressed='true'] {
  background: var(--tide-soft);
}
.list span span {
  display: block;
}
h2 {
  font-size: 1.05rem;
}
.figures {
  border-collapse: collapse;
}
.figures th,
.figures td {
  padding: 3px 18px 3px 0;
  border-bottom: 1px solid var(--line);
  text-align: left;
}
.figures .figure {
  text-align: right;
}
.bad {
  color: var(--short);
  font-weight: 600;
}
@media (max-width: 900px) {
  .trends {
    grid-template-columns: 1fr;
  }
}
</style>
