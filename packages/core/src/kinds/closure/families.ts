/** Holes that are closed for good, by what there is to close. */
export const CLOSURE_FAMILIES = ['hole', 'holes', 'torn'] as const
export type ClosureFamily = (typeof CLOSURE_FAMILIES)[number]
interface Info {
  title: string
  /** what one looks at first */
  first: string
}
export const CLOSURE_FAMILY: Record<ClosureFamily, Info> = {
  hole: { title: 'one old hole', first: 'Is the core round it dry, and can both sides be reached?' },
  holes: {
    title: 'several old holes as one job',
    first: 'Which bevels meet, and so become one patch?',
  },
  torn: { title: 'torn or oval hole', first: 'How long it is the long way: the bevel goes by that.' },
}
