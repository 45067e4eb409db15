/** How a deck is read. */
export const KINDS = [
  { value: 'moisture', title: 'moisture' },
  { value: 'thickness', title: 'thickness' },
  { value: 'tap', title: 'tap test' },
  { value: 'core', title: 'core sample' },
] as const

/** What the layers of a zone are called, from outside in; of one that is unknown its thickness alone. */
export const layerNames = (kind: string | undefined): string[] =>
  kind === 'sandwich' ? ['outer skin', 'core', 'inner skin'] : ['thickness']
