<script setup lang="ts">
import { computed, defineAsyncComponent, ref, watch, watchEffect, type Component } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../../api'
import { kindOnScreen } from '../../kinds/registry'
import { useBoats } from '../../state/boats'

/** The bench: whichever kind the fitting is that lies on it; without one all that there are. */
/** A table, which no bench needs. */
const FittingList = defineAsyncComponent(() => import('./FittingList.vue'))
const boats = useBoats()
const route = useRoute()
const router = useRouter()
const loaded = new Map<string, Component>()
function benchFor(kind: string): Component {
  const known = kindOnScreen(kind) ?? kindOnScreen('deck-hardware')!
  const there = loaded.get(known.id) ?? defineAsyncComponent(known.bench)
  loaded.set(known.id, there)
  return there
}
const id = computed(() => (typeof route.params.id === 'string' ? route.params.id : ''))
/** What the open boat says of it; of a fitting of another boat nothing. */
const here = computed(() => {
  const { fittings = [], throughHulls = [], others = [] } = boats.picture ?? {}
  return [...fittings, ...throughHulls, ...others].find((f) => f.id === id.value)?.kind ?? null
})
/** Asked of the server where a link leads to another boat: a bench of the wrong kind cannot read it. */
const asked = ref<{ id: string; kind: string } | null>(null)
const said = ref('')
watch(
  [id, here],
  async ([now, known]) => {
    said.value = ''
    if (!now || known || asked.value?.id === now) return
    try {
      const { kind } = await api<{ kind: string }>('GET', `/fittings/${encodeURIComponent(now)}`)
      if (id.value === now) asked.value = { id: now, kind }
    } catch (error) {
      if (id.value === now) said.value = error instanceof Error ? error.message : 'It cannot be opened'
    }
  },
  { immediate: true },
)
const kind = computed(() => here.value ?? (asked.value?.id === id.value ? asked.value.kind : null))
/** A kind with a place of its own is opened there, whatever link led here. */
watchEffect(() => {
  const to = kind.value && kindOnScreen(kind.value)?.to(id.value)
  if (to && route.name === 'bench' && to !== route.path) void router.replace(to)
})
</script>

<template>
  <FittingList v-if="!id" />
  <component :is="benchFor(kind)" v-else-if="kind" />
  <p v-else-if="said" class="none" role="alert">{{ said }}</p>
  <p v-else class="none soft">Fetching it …</p>
</template>

<style scoped>
.none {
  padding: 24px;
}
</style>
