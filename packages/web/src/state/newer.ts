import { ref } from 'vue'
import { registerSW } from 'virtual:pwa-register'

/** A newer version of the product is here; it is taken when its user says so, never from under his typing. */
export const newer = ref(false)
let take: ((reload?: boolean) => Promise<void>) | null = null
export function keepPages() {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return
  take = registerSW({ onNeedRefresh: () => (newer.value = true) })
}
export const takeNewer = () => take?.(true)
