import type { DesignLoadInput } from '../../chapters/load/design-load'

type Basis = DesignLoadInput['basis']
export interface FamilyInfo {
  title: string
  /** bases that are asked first; every other stays possible */
  bases: Basis[]
  /** checks that this family fails at first */
  looks: string[]
  /** what is particular to it, in a line */
  particular: string
}

export const FAMILIES = [
  'cleat',
  'bitt',
  'fairlead',
  'bow-roller',
  'windlass',
  'stanchion',
  'handrail',
  'pad-eye',
  'tether-point',
  'lifting-point',
  'block',
  'track',
  'winch',
  'cam-cleat',
  'ladder-step',
  'mast-step',
  'towing-post',
  'foot-plate',
  'bracket',
  'doubler',
] as const
export type Family = (typeof FAMILIES)[number]

const LEVER = ['bolt', 'crush-base', 'punching']
export const FAMILY: Record<Family, FamilyInfo> = {
  cleat: {
    title: 'mooring cleat',
    bases: ['line', 'wind-on-boat', 'rated'],
    looks: ['bolt', 'punching', 'plate-overhang'],
    particular: 'Judge it over the arc from which its line may come; the horn lifts the line above the base.',
  },
  bitt: {
    title: 'towing or mooring bitt',
    bases: ['line', 'drogue-leg', 'wind-on-boat', 'rated'],
    looks: LEVER,
    particular: 'A tall post is a lever: the base tips, lifts on one side and bears on the other.',
  },
  fairlead: {
    title: 'fairlead',
    bases: ['turned-line', 'line', 'rated'],
    looks: ['bearing', 'bolt'],
    particular:
      'It carries what the line does when it turns, along the bisector, not the line\u2019s own pull.',
  },
  'bow-roller': {
    title: 'bow roller',
    bases: ['line', 'rated', 'drogue-leg'],
    looks: LEVER,
    particular: 'The pull comes down and sideways when the boat sheers; its arm overhangs the bolts.',
  },
  windlass: {
    title: 'windlass',
    bases: ['rated', 'line'],
    looks: ['bolt', 'punching', 'crush-base'],
    particular:
      'A snubber takes the surge; the windlass its rated pull. The deck pipe is one more hole; pads level it on a cambered deck, each of its own height.',
  },
  stanchion: {
    title: 'stanchion base',
    bases: ['person', 'rated'],
    looks: LEVER,
    particular: 'A guard line at the rail\u2019s height is a long lever on a small base.',
  },
  handrail: {
    title: 'handrail',
    bases: ['person', 'rated'],
    looks: ['bolt', 'punching'],
    particular: 'Each foot carries a whole person: two may hang on one rail.',
  },
  'pad-eye': {
    title: 'pad-eye',
    bases: ['rated', 'line', 'turned-line'],
    looks: ['bolt', 'punching', 'bearing'],
    particular: 'Small and pulled hard: the plate behind does the work.',
  },
  'tether-point': {
    title: 'tether point',
    bases: ['person', 'rated'],
    looks: ['bolt', 'punching'],
    particular: 'A fall on a tether comes from any way; it is swept all round.',
  },
  'lifting-point': {
    title: 'lifting point',
    bases: ['lifting', 'rated'],
    looks: ['bolt', 'bearing', 'doubler-weld'],
    particular:
      'A rigid hull hangs on two of its four slings. Codes for lifting come first; a competent person proves it.',
  },
  block: {
    title: 'turning block',
    bases: ['turned-line', 'sheet', 'rated'],
    looks: ['bearing', 'bolt'],
    particular: 'Up to twice the line\u2019s tension when it turns right back.',
  },
  track: {
    title: 'track and car',
    bases: ['sheet', 'turned-line', 'rated'],
    looks: ['bolt', 'punching', 'spacing'],
    particular: 'The car puts its load on the two or three bolts beside it: judge those, not the whole row.',
  },
  winch: {
    title: 'winch base',
    bases: ['sheet', 'rated', 'line'],
    looks: LEVER,
    particular: 'The sheet leaves the drum well above the base.',
  },
  'cam-cleat': {
    title: 'cam cleat',
    bases: ['sheet', 'turned-line', 'rated'],
    looks: ['bearing', 'bolt'],
    particular: 'Two bolts in a line: a pull across them tips it.',
  },
  'ladder-step': {
    title: 'ladder or step',
    bases: ['person', 'rated'],
    looks: ['bolt', 'bearing'],
    particular: 'A person steps on its outer edge, and jumps.',
  },
  'mast-step': {
    title: 'mast step',
    bases: ['mast-step', 'rated'],
    looks: ['crush-base', 'spacing'],
    particular:
      'It pushes: what lies under it, down to the keel, is the question; the bolts only keep it there.',
  },
  'towing-post': {
    title: 'towing post',
    bases: ['line', 'drogue-leg', 'rated'],
    looks: [...LEVER, 'doubler-weld'],
    particular: 'The whole boat\u2019s pull at the height of the tow.',
  },
  'foot-plate': {
    title: 'gallows or derrick foot',
    bases: ['rated', 'lifting', 'line'],
    looks: LEVER,
    particular: 'One leg of a frame: push one way, pull the other, and some sideways.',
  },
  bracket: {
    title: 'bracket or pad',
    bases: ['rated', 'person', 'line'],
    looks: ['bolt', 'bearing'],
    particular: 'In a row, each takes its own share only while the row is stiff.',
  },
  doubler: {
    title: 'doubler',
    bases: ['rated', 'lifting', 'line'],
    looks: ['doubler-weld', 'bearing'],
    particular: 'On a metal deck: spreads the load into the plating, corners rounded, welded all round.',
  },
}
export const FAMILY_TITLES = Object.fromEntries(FAMILIES.map((f) => [f, FAMILY[f].title])) as Record<
  Family,
  string
>
