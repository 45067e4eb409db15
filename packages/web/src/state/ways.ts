import dayjs from 'dayjs'
import { computed, shallowRef } from 'vue'
import type { DateLanguage } from '@north-tide/core'
import type { Ways } from '../types'

/** Languages of dates; each is fetched when it is wanted. */
const LOCALES: Record<Exclude<DateLanguage, 'en'>, () => Promise<unknown>> = {
  da: () => import('dayjs/locale/da'),
  de: () => import('dayjs/locale/de'),
  es: () => import('dayjs/locale/es'),
  fi: () => import('dayjs/locale/fi'),
  fr: () => import('dayjs/locale/fr'),
  it: () => import('dayjs/locale/it'),
  nb: () => import('dayjs/locale/nb'),
  nl: () => import('dayjs/locale/nl'),
  pl: () => import('dayjs/locale/pl'),
  pt: () => import('dayjs/locale/pt'),
  sv: () => import('dayjs/locale/sv'),
}
/** How the yard writes; nothing before somebody is in. */
export const ways = shallowRef<Ways | null>(null)
const spoken = shallowRef<DateLanguage>('en')
/** The language that dates are in now: what reads it is drawn anew when it changes. */
export const datesIn = computed(() => spoken.value)
export async function writeAs(w: Ways): Promise<void> {
  ways.value = w
  await sayDatesIn(w.dates)
}
async function sayDatesIn(language: DateLanguage) {
  try {
    if (language !== 'en') await LOCALES[language]()
  } catch {
    // Without a line the names of months stay as they are.
    return
  }
  dayjs.locale(language)
  spoken.value = language
}
