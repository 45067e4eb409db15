/** The big holes of a boat, by what closes them. */
export const OPENING_FAMILIES = [
  'deck-hatch',
  'portlight-fixed',
  'portlight-opening',
  'flush-lid',
  'ledge-lid',
  'inspection-port',
  'cover',
  'companionway-board',
  'watertight-door',
  'ventilator',
  'prism',
  'bin',
  'gland',
] as const
export type OpeningFamily = (typeof OPENING_FAMILIES)[number]
interface Info {
  title: string
  /** the greatest gap between screws goes by it (chapter 6.2) */
  frame: 'hatch' | 'glazing'
  /** what closes it can be opened: latches, gasket, upside down */
  opens: boolean
  /** what it has to keep out, unless somebody says otherwise */
  keeps: 'watertight' | 'weathertight' | 'neither'
  underfoot: boolean
  first: string
}
export const OPENING_FAMILY: Record<OpeningFamily, Info> = {
  'deck-hatch': {
    title: 'deck hatch',
    frame: 'hatch',
    opens: true,
    keeps: 'weathertight',
    underfoot: true,
    first: 'The pane under green water and a foot, and the edge of the deck that is left.',
  },
  'portlight-fixed': {
    title: 'fixed portlight',
    frame: 'glazing',
    opens: false,
    keeps: 'watertight',
    underfoot: false,
    first: 'The pane for its place, its growth on the bead, and what crazes it.',
  },
  'portlight-opening': {
    title: 'opening portlight',
    frame: 'glazing',
    opens: true,
    keeps: 'weathertight',
    underfoot: false,
    first: 'Pane, latches and gasket.',
  },
  'flush-lid': {
    title: 'flush lid',
    frame: 'hatch',
    opens: true,
    keeps: 'weathertight',
    underfoot: true,
    first: 'A ring under thin laminate, and a lid that stays shut upside down.',
  },
  'ledge-lid': {
    title: 'lift-out lid under a ledge',
    frame: 'hatch',
    opens: true,
    keeps: 'weathertight',
    underfoot: true,
    first: 'Secure upside down; its turn-buttons and its gasket.',
  },
  'inspection-port': {
    title: 'inspection port, threaded',
    frame: 'hatch',
    opens: false,
    keeps: 'watertight',
    underfoot: false,
    first: 'Fewest holes, and tight by its thread.',
  },
  cover: {
    title: 'loose cover over a hatchway',
    frame: 'hatch',
    opens: true,
    keeps: 'weathertight',
    underfoot: true,
    first: 'Stops against sliding, buttons against lifting, no edge to trip over.',
  },
  'companionway-board': {
    title: 'companionway board',
    frame: 'hatch',
    opens: true,
    keeps: 'weathertight',
    underfoot: false,
    first: 'A sill over the cockpit\u2019s water, and boards that stay in upside down.',
  },
  'watertight-door': {
    title: 'watertight door or panel',
    frame: 'hatch',
    opens: true,
    keeps: 'watertight',
    underfoot: false,
    first: 'Dogs all round on one gasket, its sill, and that nobody leaves it open at sea.',
  },
  ventilator: {
    title: 'ventilator',
    frame: 'hatch',
    opens: false,
    keeps: 'weathertight',
    underfoot: false,
    first: 'A round hole with its core closed, and a plug for heavy weather.',
  },
  prism: {
    title: 'prism or light, flush',
    frame: 'glazing',
    opens: false,
    keeps: 'watertight',
    underfoot: true,
    first: 'A solid let into the core, and a glass that neither trips nor ponds.',
  },
  bin: {
    title: 'bin under a cut-out',
    frame: 'hatch',
    opens: false,
    keeps: 'neither',
    underfoot: false,
    first: 'What hangs it in a seaway, and how long its bond can still be moved.',
  },
  gland: {
    title: 'cable gland through a bulkhead',
    frame: 'glazing',
    opens: false,
    keeps: 'watertight',
    underfoot: false,
    first: 'Above where it floods to, its hole lined, and room for a wrench.',
  },
}
/** Into the boat from the cockpit or the deck, by a way that water finds: a sill is asked of it. */
export const SILLED: readonly OpeningFamily[] = ['companionway-board', 'watertight-door']
/** The least sill over what floods first, mm: commonly asked, and ours where practice differs. */
export const SILL_MM = { sheltered: 50, coastal: 100, ocean: 150 } as const
export const KEEPS = { watertight: 'watertight', weathertight: 'weathertight', neither: 'neither' } as const
/** Where green water comes from, by the place (chapter 6.3). */
export const SEA_PLACES = {
  foredeck: 'foredeck',
  'side-deck': 'side deck',
  coachroof: 'roof',
  cockpit: 'cockpit',
  topside: 'topside, below the deck',
  above: 'above all that',
} as const
export type SeaPlace = keyof typeof SEA_PLACES
