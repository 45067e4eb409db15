import { reactive, ref, watch, type Ref } from 'vue'
import { useSession } from '../state/session'

type Plain = Record<string, unknown>
const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)
function read(at: string): Plain | null {
  try {
    return JSON.parse(localStorage.getItem(at) ?? 'null') as Plain | null
  } catch {
    return null
  }
}

/**
 * A form whose typing stays on this machine until it was kept by the server or thrown away: a reload, a
 * closed page and a lost session lose nothing. Each account has its own; `name` says which form of which
 * thing.
 */
export function keptForm<T extends object>(
  name: string,
  first: () => T,
): { form: T; again: Ref<boolean>; done: () => void; afresh: () => void } {
  const session = useSession()
  const at = `north-tide:form:${session.account?.id ?? ''}:${name}`
  const left = read(at)
  const begun = first()
  const known = Object.fromEntries(Object.entries(left ?? {}).filter(([k]) => k in begun))
  const form = reactive({ ...begun, ...known }) as T
  /** what stands here was typed before, and is said to be */
  const again = ref(left !== null && !same(form, begun))
  /** A form that sets something of itself by the boat is not one that somebody typed in. */
  let untouched = left === null ? JSON.stringify(form) : ''
  watch(
    form,
    (f) => {
      const now = JSON.stringify(f)
      if (now === untouched || same(f, first())) localStorage.removeItem(at)
      else localStorage.setItem(at, now)
    },
    { deep: true, flush: 'sync' },
  )
  function done() {
    localStorage.removeItem(at)
    again.value = false
    untouched = JSON.stringify(form)
  }
  function afresh() {
    Object.assign(form, first())
    done()
  }
  return { form, again, done, afresh }
}
