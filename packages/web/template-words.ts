/** The compiler's number for a node of plain text. */
const TEXT = 2

/** Any run of blanks is one space, as a browser would show it. */
function oneSpace(node: { type: number; content?: unknown }) {
  if (node.type === TEXT) node.content = String(node.content).replace(/\s+/g, ' ')
}

/**
 * How templates are compiled: a line break between two words on one line is a space, as in HTML. The
 * compiler's own way drops it between elements, and words run into one another.
 */
export const templateWords = {
  template: { compilerOptions: { whitespace: 'preserve' as const, nodeTransforms: [oneSpace] } },
}
