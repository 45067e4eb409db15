import type { Drawing, Pt, Shape } from './shapes'

/**
 * The same as it is seen from the other side: a deck is turned over its length, a side or a bulkhead over its
 * height. Nothing on it can be grabbed.
 */
export function turnedOver(g: Drawing, title: string, upright: boolean): Drawing {
  const not = (v: number) => (v === 0 ? 0 : -v)
  const over = (p: Pt): Pt => (upright ? { x: not(p.x), y: p.y } : { x: p.x, y: not(p.y) })
  const shapes = g.shapes.map((s): Shape =>
    'points' in s ? { ...s, points: s.points.map(over) } : { ...s, at: over(s.at) },
  )
  const { minX, maxX, minY, maxY } = g.bounds
  const bounds = upright ? { minX: -maxX, maxX: -minX, minY, maxY } : { minX, maxX, minY: -maxY, maxY: -minY }
  return { ...g, title, shapes, handles: [], bounds }
}
