/** Things that stand in a row along an edge or a line. */
export const ROW_FAMILIES = ['stanchions', 'brackets', 'handrail', 'track', 'strake'] as const
export type RowFamily = (typeof ROW_FAMILIES)[number]
interface Info {
  title: string
  /** each is a fitting of its own, with its own card; the others are bolts through one long thing */
  members: boolean
  first: string
}
export const ROW_FAMILY: Record<RowFamily, Info> = {
  stanchions: {
    title: 'stanchion bases',
    members: true,
    first: 'Gates and the wires\u2019 ends first, the others shared out between them.',
  },
  brackets: { title: 'brackets', members: true, first: 'The knees and bulkheads that they have to miss.' },
  handrail: {
    title: 'handrail feet',
    members: true,
    first: 'Where a hand reaches for it, not where it looks even.',
  },
  track: {
    title: 'track bolts',
    members: false,
    first: 'The track\u2019s own holes: its pitch is not ours to choose.',
  },
  strake: {
    title: 'rubbing strake or strip',
    members: false,
    first: 'Whether it lies to the hull by itself, and what is under it already.',
  },
}
