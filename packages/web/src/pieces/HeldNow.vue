<script setup lang="ts">
import { computed } from 'vue'
import dayjs from 'dayjs'
import { TriangleAlert } from 'lucide-vue-next'
import { ElPopover } from 'element-plus'
import 'element-plus/es/components/popover/style/css'
import { benchOf } from '../kinds/registry'
import { useBoats } from '../state/boats'

/** On the strip while it lasts: what is not to be sailed on, and what is held for the time being. */
const boats = useBoats()
const held = computed(() =>
  (boats.picture?.others ?? []).flatMap((f) => [
    ...(f.alarm ? [{ f, alarm: true, said: f.alarm }] : []),
    ...(f.temporary
      ? [
          {
            f,
            alarm: f.temporary.until < dayjs().format('YYYY-MM-DD'),
            said: `${f.temporary.what}, until ${dayjs(f.temporary.until).format('D MMM YYYY')}; then ${f.temporary.then}`,
          },
        ]
      : []),
  ]),
)
const word = computed(() => {
  const moved = held.value.filter((h) => h.f.alarm === h.said).length
  const temporary = held.value.length - moved
  return [
    ...(moved ? [`${moved} not to sail on`] : []),
    ...(temporary ? [`${temporary} temporary`] : []),
  ].join(', ')
})
</script>

<template>
  <ElPopover v-if="held.length" trigger="click" :width="340" placement="bottom-end" :persistent="false">
    <template #reference>
      <ElButton :aria-label="word" class="plain held" :class="{ alarm: held.some((h) => h.alarm) }"
        ><TriangleAlert :size="15" aria-hidden="true" /><span class="word">{{ word }}</span
        ><span class="count" aria-hidden="true">{{ held.length }}</span></ElButton
      >
    </template>
    <ul class="list">
      <li v-for="(h, i) in held" :key="i">
        <RouterLink :to="benchOf(h.f)">{{ h.f.name }}</RouterLink><br /><span class="small">{{
          h.said
        }}</span>
      </li>
    </ul>
  </ElPopover>
</template>

<style scoped>
.held {
  white-space: nowrap;
}
.held .word,
.held .count {
  padding-left: 5px;
}
.held .count {
  display: none;
}
/* Between the phone and the desk the strip has room for the sign alone. */
@media (min-width: 768px) and (max-width: 1180px) {
  .held .word {
    display: none;
  }
  .held .count {
    display: inline;
  }
}
.held.alarm {
  color: var(--short);
  font-weight: 600;
}
.list {
  margin: 0;
  padding: 0;
  list-style: none;
}
.list li {
  padding: 6px 0;
}
</style>
