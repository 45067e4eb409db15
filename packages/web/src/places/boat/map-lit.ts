import { computed, ref } from 'vue'
import { lifeSaid } from '@north-tide/core'
import type { BoatPicture } from '../../types'

/** Words and a state light up what they mean on the map; all else goes faint. Null where nothing is asked. */
export function useLit(boat: () => BoatPicture) {
  const words = ref('')
  const state = ref('')
  const asked = computed(() => words.value.toLowerCase().split(/\s+/).filter(Boolean))
  const meant = (...said: string[]) => {
    const text = said.join(' ').toLowerCase()
    return asked.value.every((w) => text.includes(w))
  }
  const litHoles = computed(() => {
    if (!asked.value.length && !state.value) return null
    const lit = boat().holes.filter(
      (h) =>
        (!state.value || h.state === state.value) &&
        meant(h.label, h.whatFor, h.zone, lifeSaid(h.state), h.fastener, h.foundKind ?? ''),
    )
    return new Set(lit.map((h) => h.id))
  })
  const litFittings = computed(() => {
    // A state is a hole's: no fitting is in it.
    if (!asked.value.length) return state.value ? new Set<string>() : null
    const lit = boat().fittings.filter((f) =>
      meant(f.name, f.family, f.verdict, f.zone ?? '', f.stale ? 'stale' : ''),
    )
    return new Set(lit.map((f) => f.id))
  })
  function all() {
    words.value = ''
    state.value = ''
  }
  return { words, state, litHoles, litFittings, all }
}
