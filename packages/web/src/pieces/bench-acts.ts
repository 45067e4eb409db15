import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../api'
import { useBoats } from '../state/boats'
import { readJson } from './files'

/** What a bench says of an act, while it runs and after it; a mistake is said, never thrown. */
export function useBenchActs(kind: string, file: string, to: (id: string) => string) {
  const boats = useBoats()
  const router = useRouter()
  const said = ref('')
  const busy = ref(false)
  async function tryIt(run: () => Promise<string>) {
    busy.value = true
    said.value = ''
    try {
      said.value = await run()
    } catch (error) {
      said.value = error instanceof Error ? error.message : 'It was not done'
    } finally {
      busy.value = false
    }
  }
  /** A design that somebody kept in a file becomes a fitting of this boat. */
  const takeFile = (chosen: File) =>
    tryIt(async () => {
      const made = await api<{ id: string; name: string }>(
        'POST',
        `/boats/${boats.picture!.id}/fittings/import?kind=${kind}`,
        await readJson(chosen, file),
      )
      await boats.refresh()
      await router.push(to(made.id))
      return `${made.name} was read from the file.`
    })
  /** Its holes in the register, in words. */
  const recorded = (holes: string[]) =>
    `${holes[0]}${holes.length > 1 ? ` to ${holes.at(-1)} are` : ' is'} in the register.`
  return { said, busy, tryIt, takeFile, recorded }
}
