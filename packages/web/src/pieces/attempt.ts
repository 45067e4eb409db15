import { onScopeDispose, ref } from 'vue'
import { ElMessage } from 'element-plus'
import { ApiRefusal, Offline, Waits } from '../api'
import { useSession } from '../state/session'

const AGAIN_MS = 3000

/**
 * Runs something that the server may refuse, and keeps what it said and of which field. What gets no answer
 * is sent again by itself for as long as the page is open, under one key, so that it is done once.
 */
export function useAttempt() {
  const session = useSession()
  const said = ref('')
  const path = ref('')
  const busy = ref(false)
  let open = true
  let wake: (() => void) | null = null
  onScopeDispose(() => {
    open = false
    wake?.()
  })
  const pause = () =>
    new Promise<void>((next) => {
      wake = next
      setTimeout(next, AGAIN_MS)
    })
  async function once(what: (key: string) => Promise<unknown>, key: string): Promise<'yes' | 'no' | 'again'> {
    try {
      await what(key)
      return 'yes'
    } catch (error) {
      // Kept on this device: as far as its writer is asked it is done.
      if (error instanceof Waits) {
        ElMessage({ message: error.message, grouping: true, duration: 6000 })
        return 'yes'
      }
      if (!session.ended(error)) said.value = error instanceof Error ? error.message : 'It was not kept'
      if (error instanceof ApiRefusal) path.value = error.refusal.path ?? ''
      // Signed out by the clock: it goes on when he has said again who he is.
      return error instanceof Offline || session.ended(error) ? 'again' : 'no'
    }
  }
  async function attempt(what: (key: string) => Promise<unknown>): Promise<boolean> {
    said.value = path.value = ''
    busy.value = true
    const key = crypto.randomUUID()
    // Without a key nothing may be sent twice: the first may have arrived.
    const mayAgain = what.length > 0
    let got = await once(what, key)
    while (got === 'again' && mayAgain && open) {
      said.value = 'The server does not answer; it is sent again by itself. What you typed is kept.'
      await pause()
      if (open) got = await once(what, key)
    }
    if (got === 'yes') said.value = path.value = ''
    busy.value = false
    return got === 'yes'
  }
  return { said, path, busy, attempt }
}
