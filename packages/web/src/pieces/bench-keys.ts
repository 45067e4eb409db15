import { useEventListener } from '@vueuse/core'
import { useRouter } from 'vue-router'

interface Keys {
  undo: () => void
  redo: () => void
  /** to the next fitting of the boat, or the one before */
  step: (by: number) => void
  more?: Record<string, () => void>
}

/**
 * The keys of a bench: z and Shift+z, brackets for the neighbours, n for a new one. While somebody types,
 * letters are letters.
 */
export function useBenchKeys(keys: Keys) {
  const router = useRouter()
  useEventListener('keydown', (e: KeyboardEvent) => {
    const target = e.target as HTMLElement
    if (target.closest('.el-dialog')) return
    const inField = target.closest('input:not([type=checkbox]):not([type=radio]), textarea, select') !== null
    if (inField) return
    if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'z') {
      e.preventDefault()
      return e.shiftKey ? keys.redo() : keys.undo()
    }
    if (e.ctrlKey || e.metaKey || e.altKey) return
    const act = {
      z: keys.undo,
      Z: keys.redo,
      '[': () => keys.step(-1),
      ']': () => keys.step(1),
      n: () => void router.push('/boat'),
      ...keys.more,
    }[e.key]
    if (!act) return
    act()
    e.preventDefault()
  })
}

/** Puts the cursor into the field that a part of the drawing stands for. */
export function intoField(scope: string, label: string | undefined) {
  if (!label) return
  const found = [...document.querySelectorAll<HTMLElement>(`${scope} label`)].find(
    (l) => l.textContent === label,
  )
  const input = found && document.getElementById(found.getAttribute('for') ?? '')
  input?.scrollIntoView({ block: 'center' })
  input?.focus()
  ;(input as HTMLInputElement | undefined)?.select?.()
}
