/** What the standing rig pulls on, by the way it is held in the hull; and what is set or tabbed in there. */
export const RIG_FAMILIES = [
  'through-deck',
  'outside',
  'bonded',
  'stem',
  'strap',
  'strut',
  'post',
  'compression',
  'knee',
  'glued-plate',
] as const
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
  strap: {
    title: 'strap along the topside, for a drogue leg',
    slot: false,
    throughHull: true,
    first: 'That it lies along the leg\u2019s pull, and what its bolts bear on.',
  },
  strut: {
    title: 'shaft strut, set in filled epoxy',
    slot: false,
    throughHull: false,
    first: 'Its line to the shaft: sighted before anything is poured.',
  },
  post: {
    title: 'post under a mast step, down to the hull',
    slot: false,
    throughHull: false,
    first: 'Where its foot stands, and that it stands plumb under the step.',
  },
  compression: {
    title: 'compression post under a mast on deck',
    slot: false,
    throughHull: false,
    first: 'That it is straight, and what its foot presses on.',
  },
  knee: {
    title: 'knee or bulkhead, tabbed in',
    slot: false,
    throughHull: false,
    first: 'The old bond: ground off, or lifting by hand.',
  },
  'glued-plate': {
    title: 'backing plate, bonded with a fast adhesive',
    slot: false,
    throughHull: false,
    first: 'Minutes: a dry run by the clock before any is squeezed out.',
  },
}
/** They pull on no wire: set in filled epoxy, or tabbed to the hull. */
export const SET_FAMILIES: readonly RigFamily[] = ['strut', 'post', 'compression', 'knee', 'glued-plate']
/** Years between looks at a drawn plate, by duty (chapter 9.4): crevices hide at deck level. */
export const DRAW_YEARS = { ocean: 10, coastal: 15, sheltered: 20 } as const
