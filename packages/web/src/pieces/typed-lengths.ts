import { watch } from 'vue'
import { lengthText, parseLength, type Units } from '@north-tide/core'

/**
 * Lengths in plain fields of a table, to port and down with a minus. What a field shows is rounded: one
 * that nobody touched keeps its own figure, and when the yard's units turn, what was typed turns with
 * them.
 */
export function typedLengths(units: () => Units, rows: () => Record<string, string>[], keys: string[]) {
  let shown = new Map<string, number>()
  function text(mm: number): string {
    const t = mm < 0 ? `-${lengthText(-mm, units())}` : lengthText(mm, units())
    if (!shown.has(t)) shown.set(t, mm)
    return t
  }
  function readIn(t: string, from: Units): number | null {
    const own = shown.get(t)
    if (own !== undefined) return own
    const bare = t.trim()
    const r = parseLength(bare.replace(/^[-\u2212]/, ''), from)
    return r.ok ? (/^[-\u2212]/.test(bare) ? -r.value : r.value) : null
  }
  watch(
    units,
    (_now, before) => {
      const lengths = rows().map((row) => keys.map((k) => readIn(row[k]!, before)))
      shown = new Map()
      rows().forEach((row, i) =>
        keys.forEach((k, j) => {
          const mm = lengths[i]![j]!
          // What cannot be read stays as typed.
          if (mm !== null) row[k] = text(mm)
        }),
      )
    },
    { flush: 'sync' },
  )
  return { text, read: (t: string) => readIn(t, units()) }
}
