<script setup lang="ts">
import { computed } from 'vue'
import dayjs from 'dayjs'
import type { WatchRow } from '@north-tide/core'
import ReadFile from '../../pieces/ReadFile.vue'
import LookWaits from './LookWaits.vue'

/** Round the boat with a phone: what is due, place by place, each settled by one press. */
const props = defineProps<{
  rows: WatchRow[]
  to: (r: WatchRow) => string
  may: (r: WatchRow) => boolean
  busy: string
}>()
const emit = defineEmits<{
  done: [row: WatchRow]
  photo: [row: WatchRow, file: File]
  wrong: [row: WatchRow]
  fewer: []
}>()
/** Places in the order in which they first come due; what must not be used stands first anyway. */
const places = computed(() => {
  const by = new Map<string, WatchRow[]>()
  for (const r of props.rows) by.set(r.zone, [...(by.get(r.zone) ?? []), r])
  return [...by]
})
const when = (r: WatchRow) => {
  if (!r.known) return 'never on record'
  if (r.overdueDays > 0) return `${r.overdueDays} ${r.overdueDays === 1 ? 'day' : 'days'} late`
  return dayjs(r.due).format('D MMM YYYY')
}
</script>

<template>
  <div class="round">
    <section v-for="[place, rows] in places" :key="place">
      <h2>{{ place }}</h2>
      <ul :aria-label="`Looks: ${place}`">
        <li v-for="r in rows" :key="r.id + r.task" :class="{ stop: r.severity === 'stop' }">
          <p>
            <strong>{{ r.title }}</strong>
            <span class="small" :class="{ late: r.overdueDays > 0 }"> {{ when(r) }}</span>
          </p>
          <RouterLink :to="to(r)" class="name">{{ r.name }}</RouterLink>
          <p class="small soft">{{ r.why }}</p>
          <LookWaits :row="r" @fewer="emit('fewer')" />
          <div v-if="may(r)" class="acts">
            <ElButton
              class="act main"
              :disabled="busy === r.id + r.task"
              :aria-label="`${r.title} at ${r.name}: done`"
              @click="emit('done', r)"
              >Done, in order</ElButton
            ><ReadFile
              v-if="!r.step"
              accept="image/jpeg,image/png,image/webp"
              words="Done, with a photo"
              :disabled="busy === r.id + r.task"
              @file="emit('photo', r, $event)"
            /><ElButton
              class="act"
              :disabled="busy === r.id + r.task"
              :aria-label="`${r.title} at ${r.name}: not in order`"
              @click="emit('wrong', r)"
              >Not in order</ElButton
            >
          </div>
        </li>
      </ul>
    </section>
    <ElEmpty v-if="!rows.length" description="Nothing is due within 90 days." />
  </div>
</template>

<style scoped>
h2 {
  font-size: 1.05rem;
  padding-top: 12px;
  border-bottom: 1px solid var(--line-strong);
}
ul {
  list-style: none;
  padding: 0;
}
li {
  padding: 10px 0 12px;
  border-bottom: 1px solid var(--line);
}
li.stop {
  border-left: 4px solid var(--short);
  padding-left: 10px;
}
.name {
  display: flex;
  align-items: center;
  min-height: 44px;
}
.late {
  color: var(--short);
  font-weight: 600;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding-top: 6px;
}
</style>
