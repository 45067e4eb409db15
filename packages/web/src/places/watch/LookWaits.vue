<script setup lang="ts">
import type { WatchRow } from '@north-tide/core'
import WaitsHere from '../../pieces/WaitsHere.vue'
import { sentTo } from './look-sent'

/** What was written of a look without a line: that it was done, or that it was not in order. */
defineProps<{ row: WatchRow }>()
const emit = defineEmits<{ fewer: [] }>()
</script>

<template>
  <WaitsHere v-bind="sentTo(row)" @fewer="emit('fewer')" /><WaitsHere
    :path="`/fittings/${row.id}/suspect`"
    :has="{ task: row.task }"
    @fewer="emit('fewer')"
  />
</template>
