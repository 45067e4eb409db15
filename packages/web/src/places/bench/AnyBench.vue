<script setup lang="ts">
import { computed, defineAsyncComponent, type Component } from 'vue'
import { useRoute } from 'vue-router'
import { kindOnScreen } from '../../kinds/registry'
import { useBoats } from '../../state/boats'
import FittingList from './FittingList.vue'

/** The bench: whichever kind the fitting is that lies on it; without one all that there are. */
const boats = useBoats()
const route = useRoute()
const loaded = new Map<string, Component>()
function benchFor(kind: string): Component {
  const known = kindOnScreen(kind) ?? kindOnScreen('deck-hardware')!
  const there = loaded.get(known.id) ?? defineAsyncComponent(known.bench)
  loaded.set(known.id, there)
  return there
}
const kind = computed(
  () => boats.picture?.others.find((f) => f.id === route.params.id)?.kind ?? 'deck-hardware',
)
</script>

<template>
  <FittingList v-if="!route.params.id" />
  <component :is="benchFor(kind)" v-else />
</template>
