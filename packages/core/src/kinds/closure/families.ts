/** What is closed for good, by what there is to close; and what is made in the shop to close or carry. */
export const CLOSURE_FAMILIES = ['hole', 'holes', 'torn', 'joint', 'block'] as const
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
  joint: {
    title: 'hull\u2013deck joint, sealed from inside',
    first: 'Where it leaks: a hose along it, section by section, before anything is ground.',
  },
  block: {
    title: 'pad, wedge or blank, made in house',
    first: 'Laid up, cast, or glued from sheet: which is done soonest with what is on the shelf?',
  },
  torn: { title: 'torn or oval hole', first: 'How long it is the long way: the bevel goes by that.' },
}
