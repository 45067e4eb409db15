import { useMediaQuery } from '@vueuse/core'

/** The phone in the bilge: under this width there is one column, and lists show what fits. */
export const usePhone = () => useMediaQuery('(max-width: 767px)')
/** Between the phone and the desk: a table has room for its chief columns. */
export const useNarrow = () => useMediaQuery('(max-width: 1180px)')
