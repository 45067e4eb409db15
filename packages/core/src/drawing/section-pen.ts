import { rect, type MaterialTone, type Shape } from './shapes'

/** Draws a section from rectangles of material. */
export interface Pen {
  shapes: Shape[]
  area: (
    x0: number,
    y0: number,
    x1: number,
    y1: number,
    tone: MaterialTone,
    role: string,
    label: string,
  ) => void
  /** words that begin at a point, their middle at its height */
  words: (x: number, y: number, text: string, size: number) => void
}
export const penOf = (): Pen => {
  const shapes: Shape[] = []
  return {
    shapes,
    area: (x0, y0, x1, y1, tone, role, label) =>
      shapes.push({ kind: 'area', points: rect(x0, y0, x1, y1), tone, role, label }),
    words: (x, y, text, size) =>
      shapes.push({ kind: 'text', at: { x, y: y - size * 0.35 }, text, size, anchor: 'start' }),
  }
}
/** What the patterns of a section are explained by. */
export const legendOf = (shapes: Shape[]): MaterialTone[] =>
  [...new Set(shapes.flatMap((q) => (q.kind === 'area' ? [q.tone] : [])))].filter(
    (t) => t !== 'hardware' && t !== 'none',
  )
