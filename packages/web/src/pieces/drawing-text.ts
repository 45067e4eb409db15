import type { Drawing, Shape } from '@north-tide/core'

/** No label is smaller on the screen than that, whatever the drawing's scale. */
export const LEAST_PX = 12
/** Past that a label would hide what it names: the drawing is too small to be lettered at all. */
const MOST_GROWTH = 4
/** Width of a letter over its height, in the figures' face. */
const LETTER = 0.68

/** What a letter takes over and under its line: lines that all but touch may stand under one another. */
const [HIGH, DEEP] = [0.62, 0.14]

type Text = Extract<Shape, { kind: 'text' }>
interface Box {
  x0: number
  x1: number
  y0: number
  y1: number
}
function boxOf(t: Text, grown: number): Box {
  const size = t.size * grown
  const long = LETTER * size * t.text.length
  const from = t.anchor === 'middle' ? -long / 2 : t.anchor === 'end' ? -long : 0
  const { x, y } = t.at
  // A turned label reads upwards from where it stands.
  return t.turned
    ? { x0: x - size * HIGH, x1: x + size * DEEP, y0: y + from, y1: y + from + long }
    : { x0: x + from, x1: x + from + long, y0: y - size * DEEP, y1: y + size * HIGH }
}
const meet = (a: Box, b: Box) => a.x0 < b.x1 && b.x0 < a.x1 && a.y0 < b.y1 && b.y0 < a.y1

export interface Lettering {
  /** how much larger than set out the labels are drawn */
  grown: number
  /** shapes by number whose label would lie on another: left out, and read by pointing at the part */
  hidden: Set<number>
  bounds: Drawing['bounds']
}
/**
 * Labels of a drawing as they are lettered at the size it has on the screen: never under 12 px, none over
 * another (figures before names), and all within the picture.
 */
export function lettering(d: Drawing, widthPx: number, heightPx: number): Lettering {
  const scaleOf = ({ bounds: b }: { bounds: Drawing['bounds'] }) =>
    Math.min(widthPx / (b.maxX - b.minX), heightPx / (b.maxY - b.minY))
  const first = letteredAt(d, scaleOf(d))
  // Labels that stand out make the picture smaller, and are lettered for what it then is.
  return first.grown === 1 ? first : letteredAt(d, scaleOf(first))
}
function letteredAt(d: Drawing, scale: number): Lettering {
  const b = d.bounds
  if (!(scale > 0)) return { grown: 1, hidden: new Set(), bounds: b }
  const grown = Math.min(MOST_GROWTH, Math.max(1, LEAST_PX / (d.textMm * scale)))
  if (grown === 1) return { grown, hidden: new Set(), bounds: b }
  const texts = d.shapes.flatMap((s, i) => (s.kind === 'text' ? [{ i, s, box: boxOf(s, grown) }] : []))
  const rank = (t: Text) => (t.load ? 0 : t.weight === 'strong' ? 1 : 2)
  const kept: Box[] = []
  const hidden = new Set<number>()
  for (const { i, box } of [...texts].sort((p, q) => rank(p.s) - rank(q.s)))
    if (kept.some((k) => meet(k, box))) hidden.add(i)
    else kept.push(box)
  return {
    grown,
    hidden,
    bounds: {
      minX: Math.min(b.minX, ...kept.map((k) => k.x0)),
      maxX: Math.max(b.maxX, ...kept.map((k) => k.x1)),
      minY: Math.min(b.minY, ...kept.map((k) => k.y0)),
      maxY: Math.max(b.maxY, ...kept.map((k) => k.y1)),
    },
  }
}
