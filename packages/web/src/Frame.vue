<script setup lang="ts">
import dayjs from 'dayjs'
import { computed, defineAsyncComponent, onMounted, onUnmounted, ref, watch } from 'vue'
import { useEventListener, useIntervalFn, useLocalStorage } from '@vueuse/core'
import { useRoute, useRouter } from 'vue-router'
import { Anchor, BookOpen, Box, CalendarDays, CircleDot, Droplet, Eye, Hash } from 'lucide-vue-next'
import { askEarly } from './api'
import { ASIDE, PLACES, SOON } from './router'
import { fetchAhead, loadPlaces } from './state/ahead'
import { typedAhead } from './pieces/typed-ahead'
import { boatPath, wantedBoat } from './state/early'
import { useBoats } from './state/boats'
import { flushAll } from './state/drafted'
import { useSession } from './state/session'
import type FindField from './pieces/FindAnything.vue'
import { formatTemperature } from '@north-tide/core'
import HeldNow from './pieces/HeldNow.vue'
import LineBar from './pieces/LineBar.vue'
import PickOne from './pieces/PickOne.vue'
import { useTurns } from './pieces/turns'
import { usePhone } from './state/phone'

const ICONS = {
  boat: Anchor,
  bench: Hash,
  'through-hulls': Droplet,
  plan: CalendarDays,
  stores: Box,
  register: CircleDot,
  watch: Eye,
  reference: BookOpen,
}
const PhoneMore = defineAsyncComponent(() => import('./pieces/PhoneMore.vue'))
const FindAnything = defineAsyncComponent(() => import('./pieces/FindAnything.vue'))
const KeyHelp = defineAsyncComponent(() => import('./pieces/KeyHelp.vue'))
const SessionAgain = defineAsyncComponent(() => import('./pieces/SessionAgain.vue'))
const session = useSession()
const boats = useBoats()
const route = useRoute()
const router = useRouter()
const dim = useLocalStorage('north-tide:dim', false)
const help = ref(false)
const find = ref<InstanceType<typeof FindField>>()
const phone = usePhone()
/** The place itself comes before what stands about it. */
const turn = useTurns(2)
const trouble = ref('')

async function begin() {
  if (!session.account) return
  try {
    const wanted = wantedBoat(route)
    if (!boats.picture && wanted) askEarly(boatPath(wanted))
    await Promise.all([boats.loadList(), boats.askToday(), boats.loadYard()])
    if (!boats.picture) {
      const first = boats.list.find((b) => b.id === wanted) ?? boats.list[0]
      if (first) await boats.open(first.id)
    }
    trouble.value = ''
    void loadPlaces(router.getRoutes(), SOON)
  } catch (error) {
    if (!session.ended(error))
      trouble.value = error instanceof Error ? error.message : 'The server does not answer'
  }
}
onMounted(begin)
watch(
  () => session.account?.id,
  (id) => id && void begin(),
)
// On a phone in the bilge there may be no line: what will be wanted there is fetched while there is one.
watch(
  () => boats.picture?.id,
  () => boats.picture && void fetchAhead(boats.picture),
)
useIntervalFn(() => session.account && void boats.askToday().catch(() => undefined), 60_000)

async function switchBoat(id: string) {
  await flushAll()
  await boats.open(id)
  if (route.name === 'bench') {
    const fitting = boats.lastFitting[id]
    await router.push(boats.picture?.fittings.some((f) => f.id === fitting) ? `/bench/${fitting}` : '/bench')
  } else if (route.name === 'through-hulls') await router.push('/through-hulls')
  else if (route.name === 'register') await router.push('/register')
  else if (route.name === 'boat') await router.push(`/boat/${id}`)
  else if (route.name === 'survey') await router.push(`/boat/${id}/${String(route.params.tab)}`)
}
const to = (name: string) => {
  if (name === 'boat') return `/boat/${boats.picture?.id ?? ''}`
  if (name === 'bench') return `/bench/${(boats.picture && boats.lastFitting[boats.picture.id]) ?? ''}`
  return `/${name}`
}

const typing = (e: KeyboardEvent) =>
  (e.target as HTMLElement).closest('input, textarea, select, [contenteditable]') !== null
const finding = typedAhead(find)
useEventListener('keydown', (e: KeyboardEvent) => {
  if (!typing(e) && finding.takes(e)) return
  if (e.altKey && !e.ctrlKey && /^Digit[1-7]$/.test(e.code)) {
    const place = PLACES.find((p) => p.key !== '' && p.key === e.code.at(-1))
    if (place) {
      e.preventDefault()
      void router.push(to(place.name))
    }
    return
  }
  if (typing(e) || e.ctrlKey || e.metaKey || e.altKey) return
  if (e.key === '/') {
    e.preventDefault()
    finding.begin()
  } else if (e.key === 'n' && route.name !== 'boat' && session.may('work', boats.picture?.id))
    void router.push({ path: to('boat'), query: { new: '1' } })
  else if (e.key === 'u') boats.toggleUnits()
  else if (e.key === '?') help.value = true
})
useEventListener('beforeunload', () => void flushAll())
onUnmounted(() => {
  void flushAll()
  boats.picture = null
})

async function signOut() {
  await flushAll()
  await session.signOut()
  boats.picture = null
  await router.push({ name: 'sign-in' })
}
function more(command: string) {
  if (command.startsWith('/')) void router.push(command)
  else if (command === 'dim') dim.value = !dim.value
  else if (command === 'keys') help.value = true
  else void signOut()
}
const roleTitle = computed(() => session.account?.role ?? '')
/** On paper a page says of what day it is. */
const printedOn = dayjs().format('D MMM YYYY')
</script>

<template>
  <div class="frame">
    <header class="strip">
      <div class="name">North Tide</div>
      <div class="boat">
        <PickOne
          v-if="turn > 0"
          class="boat-choice"
          label="Boat"
          :model-value="boats.picture?.id"
          :options="
            boats.list.map((b) => ({ value: b.id, title: b.archived ? `${b.name} (put away)` : b.name }))
          "
          @update:model-value="switchBoat"
        />
        <span v-if="boats.picture" class="soft small">{{ boats.picture.duty }} duty · </span>
        <ElButton
          v-if="boats.picture"
          class="plain soft small units"
          :title="`Units (u)`"
          @click="boats.toggleUnits()"
        >
          {{ boats.units }}
        </ElButton>
      </div>
      <FindAnything v-if="turn > 1" ref="find" /><span v-else class="find-room" />
      <HeldNow v-if="boats.picture && turn > 1" />
      <div v-if="boats.today" class="today" aria-label="Today">
        <span class="soft small">surface</span>
        <span class="figure">{{ formatTemperature(boats.today.surfaceC, boats.units) }}</span>
        <span class="soft small wide">over dew point</span>
        <span class="figure wide">{{ boats.today.marginK.toFixed(1) }} K</span>
        <strong :class="['line', boats.today.verdict]">{{ boats.today.line }}</strong>
        <span class="soft small">simulated</span>
      </div>
    </header>
    <LineBar @sent="boats.refresh()" />
    <nav class="rail" aria-label="Places">
      <RouterLink
        v-for="p in PLACES"
        :key="p.name"
        :to="to(p.name)"
        :class="{
          here:
            route.name === p.name ||
            (p.name === 'reference' && route.name === 'sums') ||
            (p.name === 'boat' && route.name === 'survey'),
          sub: p.name === 'through-hulls',
          aside: ASIDE.includes(p.name),
        }"
        :title="p.key ? `Alt+${p.key}` : 'the bench for what goes through the hull'"
      >
        <component :is="ICONS[p.name]" :size="16" aria-hidden="true" /> {{ p.title }}
      </RouterLink>
      <span class="gap" />
      <ElButton class="plain foot" @click="dim = !dim">{{ dim ? 'Daylight' : 'Dim' }}</ElButton>
      <ElButton class="plain foot" @click="help = true">Keys <kbd>?</kbd></ElButton>
      <RouterLink class="foot yard" to="/yard">Yard</RouterLink>
      <ElButton class="plain foot" @click="signOut">
        Sign out <span class="soft small">{{ roleTitle }}</span>
      </ElButton>
      <PhoneMore v-if="phone" class="more" :role="roleTitle" :dim="dim" :to="to" @chosen="more" />
    </nav>
    <main class="place">
      <div class="print-head" aria-hidden="true">
        <span>{{ boats.picture?.name ?? 'North Tide' }}</span>
        <span>North Tide, {{ printedOn }}</span>
      </div>
      <p v-if="trouble" class="trouble" role="alert">
        {{ trouble }} <ElButton class="act" @click="begin">Try again</ElButton>
      </p>
      <RouterView v-else-if="boats.picture || route.name === 'yard'" />
      <p v-else class="waiting soft">Fetching the boat …</p>
    </main>
    <KeyHelp v-if="help" v-model="help" />
    <SessionAgain v-if="session.lost" />
  </div>
</template>

<style scoped src="./style/frame.css"></style>
