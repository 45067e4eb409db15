<script setup lang="ts">
import { computed, defineAsyncComponent, watch, watchEffect } from 'vue'
import { useLocalStorage } from '@vueuse/core'
import { useRoute, useRouter } from 'vue-router'
import { OUTSIDE } from './router'
import { useSession } from './state/session'

/** Outside there is the sign-in alone; all that is inside is fetched when somebody has come in. */
const Frame = defineAsyncComponent(() => import('./Frame.vue'))
const session = useSession()
const route = useRoute()
const router = useRouter()
const dim = useLocalStorage('north-tide:dim', false)
watchEffect(() => document.documentElement.setAttribute('data-theme', dim.value ? 'dim' : 'day'))
const inside = computed(() => session.account !== null && !OUTSIDE.includes(String(route.name)))
watch(
  () => session.account?.id,
  (id) => {
    if (!id && session.asked && !OUTSIDE.includes(String(route.name))) void router.push({ name: 'sign-in' })
  },
)
</script>

<template>
  <Frame v-if="inside" />
  <RouterView v-else />
</template>
