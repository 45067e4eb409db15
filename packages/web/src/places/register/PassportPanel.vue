<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useIntervalFn } from '@vueuse/core'
import dayjs from 'dayjs'
import { factSaid, lifeSaid, type LifeState, type PassportAnswer } from '@north-tide/core'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import { readJson } from '../../pieces/files'
import ReadFile from '../../pieces/ReadFile.vue'
import { useBoats } from '../../state/boats'
import { useSession } from '../../state/session'
import BoatLinks from './BoatLinks.vue'

/** The boat's passport: how much is known of her holes, what would raise it, and the file to hand on. */
const emit = defineEmits<{ close: [] }>()
const boats = useBoats()
const session = useSession()
const { said, busy, attempt } = useAttempt()
const facts = ref<PassportAnswer | null>(null)
const checked = ref('')
const at = computed(() => `/api/boats/${boats.picture!.id}/passport`)
onMounted(() =>
  attempt(async () => {
    const got = await api<{ facts: PassportAnswer }>('GET', `/boats/${boats.picture!.id}/passport`)
    facts.value = got.facts
  }),
)
interface Packing {
  id: string
  state: 'waiting' | 'working' | 'done' | 'failed' | 'cancelled'
  done: number
  total: number
  said: string
  file: string | null
}
/** Packed by the machine while the page may be left; asked how far it is. */
const task = ref<Packing | null>(null)
const over = computed(() => task.value !== null && ['done', 'failed', 'cancelled'].includes(task.value.state))
const packIt = () =>
  attempt(async () => {
    task.value = await api<Packing>('POST', `/boats/${boats.picture!.id}/passport/tasks`, {})
  })
const stopIt = () =>
  attempt(async () => void (task.value = await api<Packing>('DELETE', `/tasks/${task.value!.id}`)))
const LOOK_MS = 400
useIntervalFn(async () => {
  if (task.value && !over.value)
    task.value = await api<Packing>('GET', `/tasks/${task.value.id}`).catch(() => task.value)
}, LOOK_MS)
const holeOf = (label: string) => boats.picture!.holes.find((h) => h.label === label)
async function check(file: File) {
  checked.value = ''
  await attempt(async () => {
    const raw = await readJson(file, 'a passport')
    const r = await api<{ whole: boolean; here: { who: string; at: string } | null }>(
      'POST',
      '/passports/check',
      raw,
    )
    checked.value = !r.whole
      ? 'Its seal does not hold: it was changed since it was made.'
      : r.here
        ? `It is as it was made here by ${r.here.who} on ${dayjs(r.here.at).format('D MMM YYYY')}.`
        : 'It is as it was made, in another yard.'
  })
}
</script>

<template>
  <ElDrawer
    :model-value="true"
    :title="`Passport of ${boats.picture?.name}`"
    size="min(560px, 100vw)"
    @close="emit('close')"
  >
    <p v-if="said" class="bad" role="alert">{{ said }}</p>
    <ElSkeleton v-if="!facts && !said" :rows="8" animated />
    <template v-if="facts">
      <p class="score">
        <strong class="figure">{{ facts.score === null ? '–' : Math.round(facts.score) }}</strong> of 100 that
        a surveyor asks of {{ facts.rows }} holes is known.
      </p>
      <p class="small">
        {{
          facts.byState
            .filter((b) => b.count)
            .map((b) => `${b.count} ${lifeSaid(b.state as LifeState)}`)
            .join(', ')
        }}. {{ facts.below.length }} below the waterline.
      </p>
      <p class="acts">
        <a class="act main" :href="`${at}.pdf`" download>On paper</a>
        <ElButton class="act" :disabled="task !== null && !over" @click="packIt"
          >All of it, with pictures</ElButton
        >
        <a class="act" :href="`${at}.json`" download>The file</a>
        <ReadFile accept=".json,application/json" words="Look at a passport" :disabled="busy" @file="check" />
      </p>
      <p v-if="task && !over" role="status" class="packing">
        <ElProgress
          :percentage="Math.round((100 * task.done) / task.total)"
          :show-text="false"
          aria-label="Packed"
        />
        {{ task.said || 'waits for its turn' }} <ElButton class="plain" @click="stopIt">Stop</ElButton>
      </p>
      <p v-else-if="task?.state === 'done'" role="status">
        <a class="act" :href="`/api/tasks/${task.id}/file`" download>{{ task.file }}</a>
      </p>
      <p v-else-if="task" class="bad" role="alert">It was not made: {{ task.said }}</p>
      <p v-if="checked" role="status">{{ checked }}</p>
      <BoatLinks v-if="session.may('give-roles', boats.picture!.id)" :boat-id="boats.picture!.id" />
      <h3>What would raise it most</h3>
      <ol>
        <li v-for="r in facts.raise" :key="r.id + r.fact">
          <RouterLink v-if="holeOf(r.id)" :to="`/register/${holeOf(r.id)!.id}`" @click="emit('close')">{{
            r.id
          }}</RouterLink><template v-else>{{ r.id }}</template
          >: {{ factSaid(r.fact) }} {{ r.now === 'missing' ? 'is not known' : 'is an estimate' }}
          <span class="soft small figure">{{ r.points.toFixed(1) }}</span>
        </li>
      </ol>
      <template v-if="facts.suspects.length">
        <h3>Suspect</h3>
        <p>{{ facts.suspects.map((s) => `${s.id}, ${s.zone}`).join('; ') }}</p>
      </template>
      <template v-if="facts.gates.length">
        <h3>Gates passed over</h3>
        <ul>
          <li v-for="(g, i) in facts.gates" :key="i">
            {{ g.id }}, {{ g.gate.replaceAll('-', ' ') }}: {{ g.reason }}
          </li>
        </ul>
      </template>
      <p class="soft small">
        The file carries the whole boat with its history; another yard reads it under Files, and it is refused
        where anything of it was changed on the way.
      </p>
    </template>
  </ElDrawer>
</template>

<style scoped>
.score strong {
  font-size: 2rem;
}
h3 {
  font-size: 0.95rem;
  padding-top: 8px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.bad {
  color: var(--short);
}
</style>
