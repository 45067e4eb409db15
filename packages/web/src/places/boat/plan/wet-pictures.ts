import { computed, ref, watch, type ComputedRef, type Ref } from 'vue'
import { useLocalStorage } from '@vueuse/core'
import type { BoatPicture } from '../../../types'
import { useSurvey } from '../../../state/survey'
import { wetPicture } from '../wet-picture'
import type { PlanSheet } from './sheet'

/** A wet map of a zone as it lies on the sheet: on the plan, or on her side. */
export interface WetOnPlan {
  code: string
  side: boolean
  href: string
  x: number
  y: number
  w: number
  h: number
}

/** The wet maps of the zones in the inks of the theme; of a bulkhead, which the plan does not show, none. */
export function useWetPictures(
  boat: () => BoatPicture,
  shown: () => boolean,
  host: Ref<HTMLElement | undefined>,
  { X, Y, Z, scale }: PlanSheet,
): ComputedRef<WetOnPlan[]> {
  const survey = useSurvey()
  const dim = useLocalStorage('north-tide:dim', false)
  /** Counts the themes that were put on, after their colours stand. */
  const theme = ref(0)
  watch(dim, () => requestAnimationFrame(() => theme.value++))
  return computed(() => {
    if (!shown() || !host.value || theme.value < 0) return []
    const css = getComputedStyle(host.value)
    const inks = {
      water: css.getPropertyValue('--water').trim(),
      line: css.getPropertyValue('--water-ink').trim(),
      guess: css.getPropertyValue('--ink-soft').trim(),
    }
    return Object.entries(survey.maps).flatMap(([code, m]) => {
      const face = boat().zones.find((z) => z.code === code)?.face
      if (!face || face === 'bulkhead') return []
      const side = face === 'topsides' || face === 'bottom'
      const top = m.minY + m.ny * m.cellMm
      return {
        code,
        side,
        href: wetPicture(m, inks),
        x: X(m.minX),
        y: side ? Z(top) : Y(top),
        w: m.nx * m.cellMm * scale.value,
        h: m.ny * m.cellMm * scale.value,
      }
    })
  })
}
