import { ref } from 'vue'
import { ApiRefusal } from '../../../api'
import { useSession } from '../../../state/session'

/** Runs something that the server may refuse, and keeps what it said and of which field. */
export function useAttempt() {
  const session = useSession()
  const said = ref('')
  const path = ref('')
  const busy = ref(false)
  async function attempt(what: () => Promise<unknown>): Promise<boolean> {
    said.value = path.value = ''
    busy.value = true
    try {
      await what()
      return true
    } catch (error) {
      if (!session.ended(error)) said.value = error instanceof Error ? error.message : 'It was not kept'
      if (error instanceof ApiRefusal) path.value = error.refusal.path ?? ''
      return false
    } finally {
      busy.value = false
    }
  }
  return { said, path, busy, attempt }
}
