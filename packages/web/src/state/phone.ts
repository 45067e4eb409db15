import { useMediaQuery } from '@vueuse/core'

/** The phone in the bilge: under this width there is one column, and lists show what fits. */
export const usePhone = () => useMediaQuery('(max-width: 767px)')
