<script setup lang="ts">
import { computed, ref } from 'vue'
import dayjs from 'dayjs'
import type { WatchedValve, WatchList } from '@north-tide/core'
import { api } from '../../api'
import { benchOf } from '../../kinds/registry'
import WaitsHere from '../../pieces/WaitsHere.vue'
import { useAttempt } from '../../pieces/attempt'

/** Leaving her: which valves are to be shut, which stay open, each put down by one press where it stands. */
const props = defineProps<{ boat: string; leaving: WatchList['leaving']; may: boolean }>()
const emit = defineEmits<{ changed: [] }>()
const { said, busy, attempt } = useAttempt()
const to = (v: WatchedValve) => (v.kind === null ? '/register' : benchOf({ kind: v.kind, id: v.id }))
const how = (v: WatchedValve) =>
  v.said
    ? `${v.said.state} ${dayjs(v.said.at).format('D MMM, HH:mm')}, ${v.said.sensor ? 'its switch (simulated)' : v.said.by}`
    : 'nobody has said: it counts as open'
const told = ref('')
const put = (v: WatchedValve, valve: 'open' | 'shut') =>
  attempt(async () => {
    await api('POST', `/fittings/${v.id}/log`, {
      kind: 'look',
      task: 'exercise',
      note: `left ${valve}`,
      valve,
    })
    told.value = `${v.name} is ${valve}.`
    emit('changed')
  })
const readSwitches = () =>
  attempt(async () => {
    await api('POST', `/boats/${props.boat}/valves/read`, {})
    told.value = 'Every switch was read. Simulated: look at the handle before you trust one.'
    emit('changed')
  })
const groups = computed(() => [
  {
    title: 'Shut before leaving her',
    valves: props.leaving.shut,
    none: 'No valve is on record that has to be shut.',
    put: 'shut' as const,
  },
  {
    title: 'Leave open: the cockpit drains through them',
    valves: props.leaving.leaveOpen,
    none: '',
    put: null,
  },
  { title: 'Shut', valves: props.leaving.isShut, none: '', put: 'open' as const },
])
</script>

<template>
  <p v-if="said" class="bad" role="alert">{{ said }}</p>
  <p v-else-if="told" role="status">{{ told }}</p>
  <template v-for="g in groups" :key="g.title">
    <h2 v-if="g.valves.length || g.none">{{ g.title }}</h2>
    <ul v-if="g.valves.length" class="valves" :aria-label="g.title">
      <li v-for="v in g.valves" :key="v.id">
        <div>
          <RouterLink :to="to(v)">{{ v.name }}</RouterLink>
          <span class="small soft">{{ v.zone }}; {{ how(v) }}</span>
        </div>
        <ElButton
          v-if="may && g.put && v.kind !== null"
          class="act"
          :disabled="busy"
          :aria-label="`${v.name} is ${g.put}`"
          @click="put(v, g.put)"
          >{{ g.put === 'shut' ? 'It is shut' : 'It is open' }}</ElButton
        >
        <WaitsHere :path="`/fittings/${v.id}/log`" :has="{ task: 'exercise' }" @fewer="emit('changed')" />
      </li>
    </ul>
    <p v-else-if="g.none" class="soft">{{ g.none }}</p>
  </template>
  <p v-if="may" class="switches">
    <ElButton class="act" :disabled="busy" @click="readSwitches">Read the switches (simulated)</ElButton>
  </p>
</template>

<style scoped>
.valves {
  list-style: none;
  padding: 0;
}
.valves li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 4px 16px;
  max-width: 760px;
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
}
.valves li div {
  display: grid;
}
.switches {
  padding-top: 12px;
}
</style>
