import { computed, ref } from 'vue'

/** What a table of rows needs to sort by: of a RowTable and a LongTable alike. */
export interface SortedBy<T> {
  key: string
  /** by what it is sorted when its head is pressed; without it the column is not */
  by?: ((row: T) => string | number) | undefined
}
/** A table's rows as its heads were pressed: each with its place in the list as it came. */
export function useSortedRows<T>(rows: () => readonly T[], columns: () => readonly SortedBy<T>[]) {
  const sorted = ref<{ key: string; way: 1 | -1 } | null>(null)
  const shown = computed(() => {
    const by = columns().find((c) => c.key === sorted.value?.key)?.by
    if (!by) return rows()
    const way = sorted.value!.way
    return [...rows()].sort((a, b) => {
      const [p, q] = [by(a), by(b)]
      const order =
        typeof p === 'number' && typeof q === 'number' ? p - q : String(p).localeCompare(String(q))
      return way * order
    })
  })
  const turn = (key: string) =>
    (sorted.value = { key, way: sorted.value?.key === key && sorted.value.way === 1 ? -1 : 1 })
  const order = (key: string) =>
    !columns().find((c) => c.key === key)?.by
      ? undefined
      : sorted.value?.key !== key
        ? ('none' as const)
        : sorted.value.way === 1
          ? ('ascending' as const)
          : ('descending' as const)
  /** The arrow beside a head that was pressed. */
  const arrow = (key: string) => (sorted.value?.key !== key ? '' : sorted.value.way === 1 ? ' ↑' : ' ↓')
  return { shown, turn, order, arrow }
}
