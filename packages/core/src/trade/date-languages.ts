/** Languages that the names of days and months can be written in, each by its own name. */
export const DATE_LANGUAGE_NAMES = {
  en: 'English',
  da: 'dansk',
  de: 'Deutsch',
  es: 'español',
  fi: 'suomi',
  fr: 'français',
  it: 'italiano',
  nb: 'norsk bokmål',
  nl: 'Nederlands',
  pl: 'polski',
  pt: 'português',
  sv: 'svenska',
} as const
export type DateLanguage = keyof typeof DATE_LANGUAGE_NAMES
export const DATE_LANGUAGES = Object.keys(DATE_LANGUAGE_NAMES) as [DateLanguage, ...DateLanguage[]]
