<script setup lang="ts">
import { computed, defineAsyncComponent, onBeforeUnmount, ref, watch } from 'vue'
import dayjs from 'dayjs'
import type { MovedStep } from '@north-tide/core'
import RowTable from '../../pieces/RowTable.vue'
import { usePlan } from '../../state/plan'

/**
 * What happened since the plan was made, the other plan that follows from it, and what that moves by how
 * much and why. Nothing takes the plan's place by itself.
 */
defineProps<{ to: (f: { kind: string; fittingId: string }) => string }>()
const yard = usePlan()
const open = ref(false)
const causes = computed(() => yard.view?.causes ?? [])
const offer = computed(() => yard.view?.offer ?? null)
const stale = computed(() => (yard.view?.offerCauses.length ?? 0) > 0)
/** Something happened, and no other plan lies beside this one that knows of it: it is worked out at once. */
const AFTER_MS = 1500
let timer: ReturnType<typeof setTimeout> | undefined
watch(
  () => [causes.value.length, offer.value?.id, stale.value, yard.job?.id, yard.asking] as const,
  ([n]) => {
    clearTimeout(timer)
    if (!yard.view?.may.plan || yard.job || yard.asking || n === 0) return
    // Whoever only passes by does not have a yard planned for it.
    if (!offer.value || stale.value) timer = setTimeout(yard.again, AFTER_MS)
  },
  { immediate: true },
)
onBeforeUnmount(() => clearTimeout(timer))
const said = computed(() => {
  const shown = causes.value.slice(0, 3).map((c) => c.what)
  const more = causes.value.length - shown.length
  return `${shown.join('; ')}${more > 0 ? `; and ${more} more` : ''}`
})
const changes = computed(() => offer.value?.changes ?? null)
const days = (h: number | null) => {
  if (h === null) return ''
  if (Math.abs(h) < 0.02) return 'same hour'
  const n = Math.abs(h)
  const words = n < 24 ? `${n < 10 ? n.toFixed(1) : Math.round(n)} h` : `${Math.round(n / 24)} d`
  return `${words} ${h > 0 ? 'later' : 'sooner'}`
}
const at = (t: string | null) => (t ? dayjs(t).format('ddd D MMM, HH:mm') : '')
const finish = computed(() => {
  const f = changes.value?.finish
  if (!f) return ''
  if (f.hours === null) return f.to ? `all done by ${dayjs(f.to).format('D MMM')}` : ''
  return Math.abs(f.hours) < 1 ? 'all done on the same day' : `all done ${days(f.hours)}`
})
const who = (m: MovedStep) => (m.whoFrom.join() === m.whoTo.join() || !m.to ? '' : `by ${m.whoTo.join(', ')}`)
const HowFar = defineAsyncComponent(() => import('../../pieces/HowFar.vue'))
const progress = computed(() => (yard.job?.total ? Math.round((100 * yard.job.done) / yard.job.total) : 0))
</script>

<template>
  <section v-if="yard.job || yard.asking" class="news" aria-label="Planning">
    <span>Planning{{ yard.job?.said ? `: ${yard.job.said}` : '' }}</span>
    <HowFar :percentage="progress" class="bar" aria-label="How far it is" />
    <ElButton v-if="yard.job" class="act small" @click="yard.stop">Stop</ElButton>
  </section>
  <section v-else-if="yard.moved" class="news" role="status" aria-label="What moved">
    <span
      >Moved; {{ yard.moved.moved.length - 1 || 'nothing' }}
      {{ yard.moved.moved.length === 2 ? 'other step goes' : 'other steps go' }} with it.</span
    >
    <ElButton class="act small" @click="yard.undo">Undo</ElButton>
    <ElButton class="act small" @click="yard.moved = null">Good</ElButton>
  </section>
  <section v-else-if="offer && !yard.view!.kept" class="news" role="status" aria-label="A first plan">
    <span>This is offered and not kept yet.</span>
    <ElButton class="act main" @click="yard.takeOffer">Keep this plan</ElButton>
    <ElButton class="act" @click="yard.dropOffer">Leave it</ElButton>
  </section>
  <section v-else-if="offer && changes" class="news wide" role="status" aria-label="What would move">
    <div class="line">
      <span
        ><template v-if="causes.length"><strong>Since this plan:</strong> {{ said }}. </template
        ><strong>{{ changes.moved.length }}</strong> {{ changes.moved.length === 1 ? 'step' : 'steps' }} would
        move, {{ finish }}.</span
      >
      <ElButton class="act" :aria-expanded="open" @click="open = !open">{{
        open ? 'Close it' : 'What moves'
      }}</ElButton>
      <ElButton class="act main" @click="yard.takeOffer">Take the new plan</ElButton>
      <ElButton class="act" @click="yard.dropOffer">Keep this one</ElButton>
    </div>
    <div v-if="open" class="moves">
      <RowTable
        label="What moves"
        :columns="[
          { key: 'fitting', title: 'Work', by: (m) => m.fitting },
          { key: 'from', title: 'Was', by: (m) => m.from ?? '' },
          { key: 'to', title: 'Would be', by: (m) => m.to ?? '' },
          { key: 'hours', title: 'By', by: (m) => m.hours ?? 0 },
          { key: 'why', title: 'Why', class: 'small' },
        ]"
        :rows="changes.moved"
        :known="(m) => m.key"
        empty="Nothing moves."
      >
        <template #fitting="{ row: m }"
          ><RouterLink :to="to(m)">{{ m.fitting }}</RouterLink>
          <span class="small soft">{{ m.text.split(/[:.;]/)[0] }}</span></template
        >
        <template #from="{ row: m }">{{ at(m.from) || 'new' }}</template>
        <template #to="{ row: m }"
          >{{ at(m.to) || 'no day' }} <span class="small">{{ who(m) }}</span></template
        >
        <template #hours="{ row: m }">{{ days(m.hours) }}</template>
      </RowTable>
    </div>
  </section>
  <section v-else-if="causes.length" class="news" role="status" aria-label="Since this plan">
    <span><strong>Since this plan:</strong> {{ said }}.</span>
  </section>
</template>

<style scoped>
.news {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
  padding: 8px 20px;
  border-bottom: 1px solid var(--line);
  border-left: 4px solid var(--buoy);
  background: var(--sheet);
}
.news.wide {
  display: block;
}
.line {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
}
.line > span {
  flex: 1 1 320px;
}
.moves {
  max-height: 42vh;
  overflow: auto;
  padding-top: 8px;
}
.bar {
  flex: 0 1 260px;
}
</style>
