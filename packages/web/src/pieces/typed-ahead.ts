import { watch, type Ref } from 'vue'

/**
 * What is typed after a key that leads to a field, while the field's program is still on its way: it is the
 * field's, and no key of the page.
 */
export function typedAhead(field: Ref<{ focus: (words?: string) => void } | undefined>) {
  let waits: string | null = null
  watch(
    field,
    (f) => {
      if (!f || waits === null) return
      const words = waits
      waits = null
      f.focus(words)
    },
    { flush: 'post' },
  )
  return {
    begin() {
      if (field.value) field.value.focus()
      else waits = ''
    },
    /** Takes a key that is meant for the field; false where none is waited for. */
    takes(e: KeyboardEvent): boolean {
      if (waits === null || e.ctrlKey || e.metaKey || e.altKey) return false
      if (e.key === 'Escape') waits = null
      else if (e.key === 'Backspace') waits = waits.slice(0, -1)
      else if (e.key.length === 1) waits += e.key
      else return false
      e.preventDefault()
      return true
    },
  }
}
