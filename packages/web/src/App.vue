<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref, watch, watchEffect } from 'vue'
import { useEventListener, useIntervalFn, useLocalStorage } from '@vueuse/core'
import { useRoute, useRouter } from 'vue-router'
import { Anchor, BookOpen, Box, CircleDot, Droplet, Ellipsis, Hash } from 'lucide-vue-next'
import { ElDropdown, ElDropdownItem, ElDropdownMenu } from 'element-plus'
import 'element-plus/es/components/dropdown/style/css'
import 'element-plus/es/components/dropdown-menu/style/css'
import 'element-plus/es/components/dropdown-item/style/css'
import { PLACES } from './router'
import { useBoats } from './state/boats'
import { flushAll } from './state/drafted'
import { useSession } from './state/session'
import FindAnything from './pieces/FindAnything.vue'
import KeyHelp from './pieces/KeyHelp.vue'
import { formatTemperature } from '@north-tide/core'

const ICONS = {
  boat: Anchor,
  bench: Hash,
  'through-hulls': Droplet,
  stores: Box,
  register: CircleDot,
  reference: BookOpen,
}
const session = useSession()
const boats = useBoats()
const route = useRoute()
const router = useRouter()
const dim = useLocalStorage('north-tide:dim', false)
const help = ref(false)
const find = ref<InstanceType<typeof FindAnything>>()
const trouble = ref('')

watchEffect(() => document.documentElement.setAttribute('data-theme', dim.value ? 'dim' : 'day'))

async function begin() {
  if (!session.account) return
  try {
    await Promise.all([boats.loadList(), boats.askToday(), boats.loadYard()])
    if (!boats.picture) {
      const wanted =
        typeof route.params.id === 'string' && (route.name === 'boat' || route.name === 'survey')
          ? route.params.id
          : boats.lastId
      const first = boats.list.find((b) => b.id === wanted) ?? boats.list[0]
      if (first) await boats.open(first.id)
    }
    trouble.value = ''
  } catch (error) {
    if (!session.ended(error))
      trouble.value = error instanceof Error ? error.message : 'The server does not answer'
  }
}
onMounted(begin)
watch(
  () => session.account?.id,
  (id) => {
    if (id) void begin()
    else {
      boats.picture = null
      if (session.asked && route.name !== 'sign-in') void router.push({ name: 'sign-in' })
    }
  },
)
useIntervalFn(() => session.account && void boats.askToday().catch(() => undefined), 60_000)

async function switchBoat(event: Event) {
  const id = (event.target as HTMLSelectElement).value
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
const inside = computed(() => session.account !== null && route.name !== 'sign-in')

const typing = (e: KeyboardEvent) =>
  (e.target as HTMLElement).closest('input, textarea, select, [contenteditable]') !== null
useEventListener('keydown', (e: KeyboardEvent) => {
  if (!inside.value) return
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
    find.value?.focus()
  } else if (e.key === 'u') boats.toggleUnits()
  else if (e.key === '?') help.value = true
})
useEventListener('beforeunload', () => void flushAll())
onUnmounted(() => void flushAll())

async function signOut() {
  await flushAll()
  await session.signOut()
  boats.picture = null
  await router.push({ name: 'sign-in' })
}
function more(command: string) {
  if (command === 'dim') dim.value = !dim.value
  else if (command === 'keys') help.value = true
  else void signOut()
}
const roleTitle = computed(() => session.account?.role ?? '')
</script>

<template>
  <RouterView v-if="!inside" />
  <div v-else class="frame">
    <header class="strip">
      <div class="name">North Tide</div>
      <div class="boat">
        <select class="boat-choice" aria-label="Boat" :value="boats.picture?.id" @change="switchBoat">
          <option v-for="b in boats.list" :key="b.id" :value="b.id">{{ b.name }}</option>
        </select>
        <span v-if="boats.picture" class="soft small">{{ boats.picture.duty }} duty · </span>
        <button
          v-if="boats.picture"
          class="plain soft small units"
          :title="`Units (u)`"
          @click="boats.toggleUnits()"
        >
          {{ boats.units }}
        </button>
      </div>
      <FindAnything ref="find" />
      <div v-if="boats.today" class="today" aria-label="Today">
        <span class="soft small">surface</span>
        <span class="figure">{{ formatTemperature(boats.today.surfaceC, boats.units) }}</span>
        <span class="soft small wide">over dew point</span>
        <span class="figure wide">{{ boats.today.marginK.toFixed(1) }} K</span>
        <strong :class="['line', boats.today.verdict]">{{ boats.today.line }}</strong>
        <span class="soft small">simulated</span>
      </div>
    </header>
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
        }"
        :title="p.key ? `Alt+${p.key}` : 'the bench for what goes through the hull'"
      >
        <component :is="ICONS[p.name]" :size="16" aria-hidden="true" /> {{ p.title }}
      </RouterLink>
      <span class="gap" />
      <button class="plain foot" @click="dim = !dim">{{ dim ? 'Daylight' : 'Dim' }}</button>
      <button class="plain foot" @click="help = true">Keys <kbd>?</kbd></button>
      <button class="plain foot" @click="signOut">
        Sign out <span class="soft small">{{ roleTitle }}</span>
      </button>
      <div class="more">
        <ElDropdown trigger="click" placement="top-end" @command="more">
          <button class="plain more-word" aria-label="More">
            <Ellipsis :size="16" aria-hidden="true" /> More
          </button>
          <template #dropdown>
            <ElDropdownMenu>
              <ElDropdownItem command="dim">{{ dim ? 'Daylight' : 'Dim' }}</ElDropdownItem>
              <ElDropdownItem command="keys">Keys</ElDropdownItem>
              <ElDropdownItem command="out">Sign out, {{ roleTitle }}</ElDropdownItem>
            </ElDropdownMenu>
          </template>
        </ElDropdown>
      </div>
    </nav>
    <main class="place">
      <p v-if="trouble" class="trouble" role="alert">
        {{ trouble }} <button class="act" @click="begin">Try again</button>
      </p>
      <RouterView v-else-if="boats.picture" />
      <p v-else class="waiting soft">Fetching the boat …</p>
    </main>
    <KeyHelp v-model="help" />
  </div>
</template>

<style scoped>
.frame {
  display: grid;
  grid-template: 44px 1fr / 134px 1fr;
  height: 100vh;
}
.strip {
  grid-column: 1 / -1;
  display: flex;
  align-items: center;
  gap: 14px;
  border-bottom: 1px solid var(--ink);
  padding-right: 18px;
  min-width: 0;
}
.name {
  background: var(--head);
  color: var(--on-head);
  align-self: stretch;
  width: 134px;
  flex: none;
  display: grid;
  place-items: center;
  font-weight: 700;
}
.boat {
  display: flex;
  align-items: baseline;
  gap: 4px;
  min-width: 0;
  flex: 1 1 auto;
  white-space: nowrap;
  overflow: hidden;
  padding: 4px;
}
.boat-choice {
  border: 0;
  background: transparent;
  color: var(--ink);
  font: 700 17px/1.2 var(--words);
  max-width: 230px;
  text-overflow: ellipsis;
  cursor: pointer;
  padding: 4px 2px;
}
.boat-choice option {
  background: var(--sheet);
  color: var(--ink);
  font-size: 15px;
}
.units {
  text-decoration: underline dotted;
  padding: 6px 2px;
}
.today {
  display: flex;
  align-items: baseline;
  gap: 7px;
  border-left: 1px solid var(--line-strong);
  padding-left: 14px;
  white-space: nowrap;
  flex: none;
}
.today .figure {
  font-weight: 600;
}
.line {
  color: var(--holds);
}
.line.short {
  color: var(--buoy);
}
.line.tight {
  color: var(--tide);
}
.rail {
  border-right: 1px solid var(--line-strong);
  display: flex;
  flex-direction: column;
  padding: 10px 0 8px;
  overflow-y: auto;
}
.rail a,
.foot {
  display: flex;
  align-items: center;
  gap: 9px;
  min-height: 42px;
  padding: 0 4px 0 14px;
  color: var(--ink-soft);
  text-decoration: none;
  border-left: 4px solid transparent;
  font-weight: 600;
}
.rail a.here {
  background: var(--sheet);
  color: var(--ink);
  border-left-color: var(--tide);
  font-weight: 700;
}
.rail svg {
  flex: none;
}
.rail a.sub {
  padding-left: 14px;
  gap: 6px;
  font-size: 13.5px;
  white-space: nowrap;
  min-height: 38px;
}
.gap {
  flex: 1;
}
.foot {
  min-height: var(--touch);
  font-weight: 400;
  font-size: var(--text-small);
  width: 100%;
  color: var(--ink);
}
.foot kbd {
  font-family: var(--figures);
  border: 1px solid var(--line-strong);
  padding: 0 4px;
  border-radius: 2px;
}
.place {
  overflow: auto;
  min-width: 0;
  min-height: 0;
}
.waiting,
.trouble {
  padding: 26px;
}
.trouble {
  color: var(--short);
  font-weight: 600;
}
@media (max-width: 1180px) {
  .wide {
    display: none;
  }
  .frame :deep(.find) {
    width: 150px;
  }
  .boat-choice {
    max-width: 150px;
  }
}
.more {
  display: none;
}
/* The phone in the bilge: the rail is a bar at the foot, the day one line under the boat. */
@media (max-width: 767px) {
  .frame {
    grid-template: auto minmax(0, 1fr) auto / minmax(0, 1fr);
    height: 100dvh;
  }
  .strip {
    flex-wrap: wrap;
    gap: 0 8px;
    padding: 4px 10px;
  }
  .name,
  .today .soft,
  .boat > .soft {
    display: none;
  }
  .boat {
    flex: 1 1 150px;
    overflow: visible;
  }
  .boat-choice {
    min-height: var(--touch);
    max-width: 170px;
  }
  .units {
    min-height: var(--touch);
  }
  .frame :deep(.find) {
    flex: 0 1 150px;
    width: auto;
  }
  .today {
    flex: 1 0 100%;
    border: 0;
    padding: 0 2px 2px;
    gap: 6px;
    font-size: var(--text-small);
    white-space: normal;
  }
  .rail {
    grid-row: 3;
    flex-direction: row;
    border-right: 0;
    border-top: 1px solid var(--ink);
    padding: 0;
    overflow: visible;
    background: var(--paper);
  }
  .rail a,
  .rail a.sub,
  .rail .more {
    flex: 1 1 0;
    min-width: 0;
    display: flex;
    flex-direction: column;
    justify-content: center;
    gap: 2px;
    padding: 4px 0;
    min-height: 54px;
    font-size: 10.5px;
    line-height: 1.05;
    letter-spacing: -0.01em;
    text-align: center;
    white-space: normal;
    border-left: 0;
    border-top: 3px solid transparent;
  }
  .rail a.here {
    border-top-color: var(--tide);
  }
  .rail .gap,
  .rail .foot {
    display: none;
  }
  .rail .more :deep(.el-dropdown) {
    color: var(--ink-soft);
    font: 600 11px/1.05 var(--words);
  }
  .more-word {
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: center;
    gap: 2px;
    min-height: 48px;
  }
}
</style>
