/** What the standing rig pulls on, by the way it is held in the hull. */
export const RIG_FAMILIES = ['through-deck', 'outside', 'bonded', 'stem'] as const
export type RigFamily = (typeof RIG_FAMILIES)[number]
interface Info {
  title: string
  /** it passes the deck through a slot */
  slot: boolean
  /** its bolts go through the hull's side, and are holes of it */
  throughHull: boolean
  first: string
}
export const RIG_FAMILY: Record<RigFamily, Info> = {
  'through-deck': {
    title: 'chainplate through the deck on a knee',
    slot: true,
    throughHull: false,
    first: 'What hides at deck level: the plate is drawn and looked at.',
  },
  outside: {
    title: 'chainplate outside, bolted through the topside',
    slot: false,
    throughHull: true,
    first: 'The bolts\u2019 bearing in the hull, and how far they stand from its edge.',
  },
  bonded: {
    title: 'chainplate bonded into a knee',
    slot: true,
    throughHull: false,
    first: 'Whether the bond has moved: then it carries nothing.',
  },
  stem: {
    title: 'stem or stern fitting',
    slot: false,
    throughHull: true,
    first: 'The pin, and the bolts behind it that nobody sees.',
  },
}
/** Years between looks at a drawn plate, by duty (chapter 9.4): crevices hide at deck level. */
export const DRAW_YEARS = { ocean: 10, coastal: 15, sheltered: 20 } as const
