<script setup lang="ts" generic="R">
import { computed } from 'vue'
import { useSortedRows } from './sorted-rows'

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
const headed = computed(() => props.columns.some((c) => c.title))
const numbered = computed(() => props.rows.map((row, index) => ({ row, index })))
const { shown, turn, order, arrow } = useSortedRows(
  () => numbered.value,
  () => props.columns.map((c) => ({ key: c.key, by: c.by && (({ row }: { row: R }) => c.by!(row)) })),
)
const plain = (row: R, key: string) => (row as Record<string, unknown>)[key] ?? ''
const classes = (c: RowColumn<R>) => [c.class, { number: c.number }]
</script>

<template>
  <table class="rows" :aria-label="label">
    <thead v-if="headed">
      <tr>
        <template v-for="c in columns" :key="c.key">
          <th v-if="c.title" :class="{ number: c.number }" :aria-sort="order(c.key)">
            <ElButton v-if="c.by" class="plain head" @click="turn(c.key)"
              >{{ c.title }}<span aria-hidden="true">{{ arrow(c.key) }}</span></ElButton
            ><template v-else>{{ c.title }}</template>
          </th>
          <td v-else></td>
        </template>
      </tr>
    </thead>
    <tbody>
      <template v-for="{ row, index } in shown" :key="known ? known(row, index) : index">
        <tr v-bind="about?.(row, index)">
          <td v-for="c in columns" :key="c.key" :class="classes(c)" :data-head="c.title">
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
