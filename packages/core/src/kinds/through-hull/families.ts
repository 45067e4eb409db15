/** What goes through a hull near or below the waterline, and what is particular to each (chapter 5). */
export const THROUGH_HULL_FAMILIES = [
  'seacock',
  'screwed-valve',
  'sea-chest',
  'scupper',
  'above-water',
  'drain-plug',
  'transducer',
  'anode-stud',
  'welded-stub',
] as const
export type ThroughHullFamily = (typeof THROUGH_HULL_FAMILIES)[number]

export interface ThroughHullFamilyInfo {
  title: string
  /** a tail that goes through and a nut or flange inside */
  stack: boolean
  /** it can be shut, so a handle swings and the train can be kicked */
  valve: boolean
  hose: boolean
  /** what this kind is first looked at for */
  first: string
}
export const THROUGH_HULL_FAMILY: Record<ThroughHullFamily, ThroughHullFamilyInfo> = {
  seacock: {
    title: 'flanged seacock',
    stack: true,
    valve: true,
    hose: true,
    first: 'Flange and pad carry the kick; the handle must swing free.',
  },
  'screwed-valve': {
    title: 'skin fitting with screwed valve',
    stack: true,
    valve: true,
    hose: true,
    first: 'The thread pair, and the tail\u2019s bending under a bare nut.',
  },
  'sea-chest': {
    title: 'sea chest with strainer',
    stack: true,
    valve: true,
    hose: true,
    first: 'One large hole for several users: what floods if it lets go.',
  },
  scupper: {
    title: 'scupper or cockpit drain',
    stack: true,
    valve: false,
    hose: true,
    first: 'How fast it drains, and whether it is ever under water heeled.',
  },
  'above-water': {
    title: 'above-water outlet',
    stack: true,
    valve: false,
    hose: true,
    first: 'Whether it stays above the water heeled and loaded.',
  },
  'drain-plug': {
    title: 'drain plug',
    stack: false,
    valve: false,
    hose: false,
    first: 'Through-bolted to a backing block, flush, with a choke hole behind.',
  },
  transducer: {
    title: 'transducer',
    stack: true,
    valve: false,
    hose: false,
    first: 'Beam plumb within 3\u00b0, clear water ahead, arrow the right way.',
  },
  'anode-stud': {
    title: 'anode stud',
    stack: true,
    valve: false,
    hose: false,
    first: 'Near what it protects, wired to it, proven by a meter.',
  },
  'welded-stub': {
    title: 'welded stub on a metal hull',
    stack: false,
    valve: true,
    hose: true,
    first: 'One metal with the hull; no copper alloy on aluminium.',
  },
}

export const USES = [
  'engine-intake',
  'lab-intake',
  'deck-wash',
  'galley',
  'bilge',
  'toilet-intake',
  'toilet-discharge',
  'sink-drain',
  'cockpit-drain',
  'exhaust',
  'instrument',
  'drain',
  'protection',
  'other',
] as const
export type Use = (typeof USES)[number]
export const USE_TITLES: Record<Use, string> = {
  'engine-intake': 'engine intake',
  'lab-intake': 'lab intake',
  'deck-wash': 'deck wash',
  galley: 'galley intake',
  bilge: 'bilge discharge',
  'toilet-intake': 'toilet intake',
  'toilet-discharge': 'toilet discharge',
  'sink-drain': 'sink or lab drain',
  'cockpit-drain': 'cockpit drain',
  exhaust: 'exhaust',
  instrument: 'instrument',
  drain: 'drain ashore',
  protection: 'protection',
  other: 'other',
}
export const INTAKES: Use[] = ['engine-intake', 'lab-intake', 'deck-wash', 'galley', 'toilet-intake']
export const DISCHARGES: Use[] = ['bilge', 'toilet-discharge', 'sink-drain', 'cockpit-drain', 'exhaust']

/** Schools of 5.2 by the material of what stands in the water. */
export const BODY_MATERIALS = [
  'bronze',
  'composite',
  'stainless',
  'brass',
  'plastic',
  'aluminium',
  'steel',
] as const
export type BodyMaterial = (typeof BODY_MATERIALS)[number]
export const BODY_TITLES: Record<BodyMaterial, string> = {
  bronze: 'DZR or gun-metal bronze',
  composite: 'reinforced nylon composite',
  stainless: '316 stainless',
  brass: 'yellow brass',
  plastic: 'plain plastic',
  aluminium: 'aluminium 5083, the hull\u2019s own',
  steel: 'steel, the hull\u2019s own',
}
/** Its id among the pairs of 7.1; null for what does not take part. */
export const BODY_METAL: Record<BodyMaterial, string | null> = {
  bronze: 'dzr',
  composite: null,
  stainless: 'ss-316',
  brass: 'brass',
  plastic: null,
  aluminium: 'al-5083',
  steel: 'mild-steel',
}
/** Its id among the faces that a sealant meets. */
export const BODY_FACE: Record<BodyMaterial, string> = {
  bronze: 'bronze',
  composite: 'nylon',
  stainless: 'stainless',
  brass: 'bronze',
  plastic: 'pvc',
  aluminium: 'aluminium',
  steel: 'steel',
}
