<script setup lang="ts" generic="R extends { id: number }">
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import type { Column, RowEventHandlerParams, SortBy, TableV2Instance } from 'element-plus'
import { TableV2SortOrder } from 'element-plus'
import { usePhone } from '../state/phone'

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
  /** by what it is sorted; without it the column is not */
  by?: ((row: T) => string | number) | undefined
}
const props = defineProps<{ label: string; rows: R[]; columns: LongColumn<R>[]; on?: number | null }>()
const emit = defineEmits<{ open: [row: R] }>()
defineSlots<{ cell: (p: { row: R; column: string }) => unknown }>()

/** All rows are of one height, two lines, on a phone three: nothing is measured or moves as one types. */
const ROW_PX = { desk: 50, phone: 72 }
const phone = usePhone()
const sorted = ref<SortBy | null>(null)
const shown = computed(() => {
  const s = sorted.value
  const by = s && props.columns.find((c) => c.key === s.key)?.by
  if (!by) return props.rows
  const way = s.order === TableV2SortOrder.ASC ? 1 : -1
  return [...props.rows].sort((a, b) => {
    const [p, q] = [by(a), by(b)]
    return way * (typeof p === 'number' && typeof q === 'number' ? p - q : String(p).localeCompare(String(q)))
  })
})
const drawn = computed<Column[]>(() =>
  props.columns.map((c) => ({
    key: c.key,
    dataKey: c.key,
    title: c.title,
    width: c.width,
    minWidth: c.wide ? c.width : undefined,
    flexGrow: c.wide ? 1 : 0,
    flexShrink: c.wide ? 1 : 0,
    align: c.figure ? ('right' as never) : undefined,
    sortable: c.by !== undefined,
  })),
)
const turn = (s: SortBy) => (sorted.value = s)
const rowOn = ({ rowData }: { rowData: R }) => (rowData.id === props.on ? 'on' : '')
const events = { onClick: (e: RowEventHandlerParams) => emit('open', e.rowData as R) }

const table = ref<TableV2Instance>()
const host = ref<HTMLElement>()
/** What is open is in view, wherever it stands in the list. */
async function intoView() {
  await nextTick()
  const at = shown.value.findIndex((r) => r.id === props.on)
  if (at >= 0) table.value?.scrollToRow(at, 'auto')
}
watch(() => props.on, intoView)
/** From one row's link to the next, and the page follows. */
function walk(e: KeyboardEvent) {
  if (e.key !== 'ArrowDown' && e.key !== 'ArrowUp') return
  const links = [...(host.value?.querySelectorAll<HTMLElement>('[role=row] a') ?? [])]
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
const titled = computed(() => new Map(props.columns.map((c) => [c.key, c])))
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
          <slot name="cell" :row="r" :column="c.key" />
        </td>
      </tr>
    </tbody>
  </table>
  <div v-else ref="host" class="long" @keydown="walk">
    <ElAutoResizer v-slot="{ height, width }">
      <ElTableV2
        ref="table"
        :columns="drawn"
        :data="shown"
        :width="width"
        :height="height"
        :row-height="phone ? ROW_PX.phone : ROW_PX.desk"
        row-key="id"
        :row-class="rowOn"
        :row-event-handlers="events"
        :sort-by="sorted ?? undefined"
        :aria-label="label"
        @column-sort="turn"
      >
        <template #cell="{ column, rowData }">
          <span class="held" :class="{ figure: titled.get(column.key)?.figure }"
            ><slot name="cell" :row="rowData as R" :column="String(column.key)"
          /></span>
        </template>
      </ElTableV2>
    </ElAutoResizer>
  </div>
</template>

<style scoped>
.long {
  height: 100%;
  min-height: 240px;
}
.held {
  display: -webkit-box;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
  overflow: hidden;
  line-height: 1.25;
}
@media (max-width: 767px) {
  .held {
    -webkit-line-clamp: 3;
  }
  .long {
    height: calc(100dvh - 270px);
  }
}
.long :deep(.on) {
  background: var(--tide-soft);
}
.long :deep([role='row'] > *) {
  cursor: pointer;
}
</style>
