<script setup lang="ts" generic="R">
import { computed, ref } from 'vue'

/**
 * A small table of rows that are all shown: what a drawing's figures are, what stands in a form. Long lists
 * are a LongTable. A cell is the slot of its column's key; without one it is what the row has under that key.
 */
export interface RowColumn<T> {
  key: string
  /** nothing for a column whose cells speak for themselves */
  title?: string
  /** figures: in the figures' letters, to the right */
  number?: boolean
  class?: string
  /** by what it is sorted when its head is pressed; without it the column is not */
  by?: (row: T) => string | number
}
const props = defineProps<{
  /** what the table is, for those who do not see it */
  label: string
  columns: RowColumn<R>[]
  rows: readonly R[]
  /** class and data of a row */
  about?: (row: R, index: number) => Record<string, unknown>
  /** by what a row is known when the list changes; its place otherwise */
  known?: (row: R, index: number) => string | number
  /** whether what is under a row is shown */
  opened?: (row: R) => boolean
  /** said where there are no rows */
  empty?: string
}>()
defineSlots<
  Record<string, (p: { row: R; index: number; column: string }) => unknown> & {
    /** across the whole table, under its row */
    under?: (p: { row: R; index: number; column: string }) => unknown
  }
>()
const sorted = ref<{ key: string; way: 1 | -1 } | null>(null)
const headed = computed(() => props.columns.some((c) => c.title))
const shown = computed(() => {
  const numbered = props.rows.map((row, index) => ({ row, index }))
  const by = props.columns.find((c) => c.key === sorted.value?.key)?.by
  if (!by) return numbered
  const way = sorted.value!.way
  return numbered.sort((a, b) => {
    const [p, q] = [by(a.row), by(b.row)]
    return way * (typeof p === 'number' && typeof q === 'number' ? p - q : String(p).localeCompare(String(q)))
  })
})
const turn = (key: string) =>
  (sorted.value = { key, way: sorted.value?.key === key && sorted.value.way === 1 ? -1 : 1 })
const order = (c: RowColumn<R>) =>
  !c.by
    ? undefined
    : sorted.value?.key !== c.key
      ? 'none'
      : sorted.value.way === 1
        ? 'ascending'
        : 'descending'
const plain = (row: R, key: string) => (row as Record<string, unknown>)[key] ?? ''
const classes = (c: RowColumn<R>) => [c.class, { number: c.number }]
</script>

<template>
  <table class="rows" :aria-label="label">
    <thead v-if="headed">
      <tr>
        <template v-for="c in columns" :key="c.key">
          <th v-if="c.title" :class="{ number: c.number }" :aria-sort="order(c)">
            <ElButton v-if="c.by" class="plain head" @click="turn(c.key)"
              >{{ c.title
              }}<span v-if="sorted?.key === c.key" aria-hidden="true">{{
                sorted.way === 1 ? ' ↑' : ' ↓'
              }}</span></ElButton
            ><template v-else>{{ c.title }}</template>
          </th>
          <td v-else></td>
        </template>
      </tr>
    </thead>
    <tbody>
      <template v-for="{ row, index } in shown" :key="known ? known(row, index) : index">
        <tr v-bind="about?.(row, index)">
          <td v-for="c in columns" :key="c.key" :class="classes(c)">
            <slot :name="c.key" :row="row" :index="index" :column="c.key"
              ><slot name="cell" :row="row" :index="index" :column="c.key">{{
                plain(row, c.key)
              }}</slot></slot
            >
          </td>
        </tr>
        <tr v-if="opened?.(row)">
          <td :colspan="columns.length"><slot name="under" :row="row" :index="index" column="" /></td>
        </tr>
      </template>
      <tr v-if="!rows.length && empty">
        <td :colspan="columns.length" class="soft">{{ empty }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.head {
  font-weight: 600;
}
</style>
