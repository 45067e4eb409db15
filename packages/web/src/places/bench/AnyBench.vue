<script setup lang="ts">
import { computed, defineAsyncComponent, type Component } from 'vue'
import { useRoute } from 'vue-router'
import { kindOnScreen } from '../../kinds/registry'
import { useBoats } from '../../state/boats'

/** The bench: whichever kind the fitting is that lies on it. Without one it is the deck's. */
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
  <component :is="benchFor(kind)" />
</template>
