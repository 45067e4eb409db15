<script setup lang="ts" generic="R extends { id: number }">
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useElementSize, useScroll } from '@vueuse/core'
import { usePhone } from '../state/phone'
import { useSortedRows } from './sorted-rows'

/**
 * A list that may be thousands of rows long: only what is in view is drawn. Sorted by a press on a head,
 * walked by the arrow keys from one row's link to the next, and on paper as long as it is.
 */
export interface LongColumn<T> {
  key: string
  title: string
  width: number
  /** takes what is left of the width */
  wide?: boolean
  /** figures stand to the right */
  figure?: boolean
  /** what a cell says; without it the cell is the slot, which costs more to draw anew with every key */
  says?: (row: T) => string
  /** said small below it */
  below?: ((row: T) => string) | undefined
  /** by what it is sorted; without it the column is not */
  by?: ((row: T) => string | number) | undefined
}
const props = defineProps<{
  label: string
  rows: R[]
  columns: LongColumn<R>[]
  on?: number | null
  /** a row that heads those after it */
  head?: (row: R) => boolean
}>()
const emit = defineEmits<{ open: [row: R] }>()
defineSlots<{ cell: (p: { row: R; column: string }) => unknown }>()

/** All rows are of one height, two lines, on a phone three: nothing is measured or moves as one types. */
const ROW_PX = { desk: 50, phone: 72 }
const phone = usePhone()
/** Rows drawn beyond either edge, so that a quick scroll shows no gap. */
const BEYOND = 2
const rowPx = computed(() => (phone.value ? ROW_PX.phone : ROW_PX.desk))
const { shown, turn, order, arrow } = useSortedRows(
  () => props.rows,
  () => props.columns,
)
const host = ref<HTMLElement>()
const { y } = useScroll(host)
const { height } = useElementSize(host)
/** What is in view, and a little beyond either edge. */
const inView = computed(() => Math.ceil(height.value / rowPx.value))
const first = computed(() => {
  const last = Math.max(0, shown.value.length - inView.value)
  return Math.min(last, Math.floor(y.value / rowPx.value))
})
const from = computed(() => Math.max(0, first.value - BEYOND))
const drawn = computed(() => shown.value.slice(from.value, first.value + inView.value + BEYOND))
/** As many as are ever drawn at once: a row keeps its place on the page as the list goes by. */
const most = computed(() => inView.value + 2 * BEYOND)
/** Columns grow with the letters. */
const rem = (px: number) => `${px / 16}rem`
/** One for the whole table: a style at each cell would be set anew at each with every key. */
const tracks = computed(() =>
  props.columns.map((c) => (c.wide ? `minmax(${rem(c.width)}, 1fr)` : rem(c.width))).join(' '),
)
const classes = computed(() => props.columns.map((c) => ({ number: c.figure, wide: c.wide })))
const widest = computed(() => props.columns.reduce((sum, c) => sum + c.width, 0))

/** What is open is in view, wherever it stands in the list. */
async function intoView() {
  await nextTick()
  const at = shown.value.findIndex((r) => r.id === props.on)
  const box = host.value
  if (at < 0 || !box) return
  const [top, seen] = [at * rowPx.value, box.clientHeight - rowPx.value]
  if (top < box.scrollTop) box.scrollTop = top
  else if (top > box.scrollTop + seen) box.scrollTop = top - seen
}
watch(() => props.on, intoView)
/** From one row's link to the next, and the page follows. */
function walk(e: KeyboardEvent) {
  if (e.key !== 'ArrowDown' && e.key !== 'ArrowUp') return
  const links = [...(host.value?.querySelectorAll<HTMLElement>('[role=cell] a') ?? [])]
  const at = links.indexOf(document.activeElement as HTMLElement)
  const next = links[at + (e.key === 'ArrowDown' ? 1 : -1)]
  if (at < 0 || !next) return
  e.preventDefault()
  next.focus()
}
/** Paper has no window to scroll: every row goes on it. */
const onPaper = ref(false)
const printing = () => (onPaper.value = true)
const printed = () => (onPaper.value = false)
onMounted(() => {
  window.addEventListener('beforeprint', printing)
  window.addEventListener('afterprint', printed)
  void intoView()
})
onBeforeUnmount(() => {
  window.removeEventListener('beforeprint', printing)
  window.removeEventListener('afterprint', printed)
})
</script>

<template>
  <table v-if="onPaper" class="rows" :aria-label="label">
    <thead>
      <tr>
        <th v-for="c in columns" :key="c.key" :class="{ number: c.figure }">{{ c.title }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="r in shown" :key="r.id">
        <td v-for="c in columns" :key="c.key" :class="{ number: c.figure }">
          <template v-if="c.says">{{ c.says(r) }} {{ c.below?.(r) }}</template>
          <slot v-else name="cell" :row="r" :column="c.key" />
        </td>
      </tr>
    </tbody>
  </table>
  <div v-else class="long" @keydown="walk">
    <div
      role="table"
      class="table"
      :aria-label="label"
      :aria-rowcount="shown.length + 1"
      :style="{ minWidth: rem(widest), '--row': `${rowPx}px`, '--tracks': tracks }"
    >
      <div role="row" class="row heads">
        <span
          v-for="(c, i) in columns"
          :key="c.key"
          role="columnheader"
          :class="classes[i]"
          :aria-sort="order(c.key)"
        >
          <ElButton v-if="c.by" class="plain head" @click="turn(c.key)"
            >{{ c.title }}<span aria-hidden="true">{{ arrow(c.key) }}</span></ElButton
          ><template v-else>{{ c.title }}</template>
        </span>
      </div>
      <div ref="host" role="rowgroup" class="rows-in-view">
        <div role="presentation" :style="{ height: `${shown.length * rowPx}px` }">
          <div role="presentation" :style="{ height: `${from * rowPx}px` }"></div>
          <div
            v-for="(r, at) in drawn"
            :key="(from + at) % most"
            role="row"
            class="row"
            :class="{ on: r.id === on, over: head?.(r) }"
            :aria-rowindex="from + at + 2"
            @click="emit('open', r)"
          >
            <div v-for="(c, i) in columns" :key="c.key" role="cell" :class="classes[i]">
              <template v-if="c.says"
                ><div class="held">{{ c.says(r) }}</div>
                <div v-if="c.below" class="held soft small">{{ c.below(r) }}</div></template
              >
              <slot v-else name="cell" :row="r" :column="c.key" />
            </div>
          </div>
        </div>
      </div>
    </div>
  </div>
</template>

<style scoped>
.long {
  height: 100%;
  min-height: 240px;
  overflow-x: auto;
  /* Room for the ring round a row's link. */
  margin-left: -6px;
}
.table {
  display: flex;
  flex-direction: column;
  height: 100%;
}
.rows-in-view {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
  scrollbar-gutter: stable;
  scroll-padding-bottom: 20px;
}
/* Rows are of one size whatever stands in them: a key draws anew only what it changes. */
.row {
  display: grid;
  grid-template-columns: var(--tracks);
  align-items: center;
  height: var(--row);
  contain: strict;
  padding-left: 6px;
  border-bottom: 1px solid var(--line);
  line-height: 1.25;
  cursor: pointer;
}
.row > * {
  padding-right: 10px;
  min-width: 0;
}
.row:hover {
  background: var(--sheet);
}
.row.on {
  background: var(--tide-soft);
}
.row.over {
  font-weight: 600;
}
.row.heads {
  flex: none;
  contain: none;
  height: auto;
  min-height: 36px;
  overflow: hidden;
  scrollbar-gutter: stable;
  border-bottom-color: var(--line-strong);
  color: var(--ink-soft);
  font-size: var(--text-small);
  font-weight: 600;
  cursor: default;
}
.head {
  font-weight: 600;
}
.number {
  text-align: right;
}
.row:not(.heads) > .number {
  font-family: var(--figures);
}
/* What a hole is for may be long: two lines of it. */
.wide .held:first-child {
  display: -webkit-box;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
  overflow: hidden;
}
@media (max-width: 767px) {
  .long {
    height: calc(100dvh - 270px);
  }
}
</style>
