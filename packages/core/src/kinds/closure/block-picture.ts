import { formatLength, type Units } from '../../base/quantity/format'
import { CLOTHS } from '../../base/materials/cloths'
import { legendOf } from '../../drawing/section-pen'
import { niceLength, rect, type Drawing, type Handle, type Pt, type Shape } from '../../drawing/shapes'
import type { Block, ClosureDesign } from './design'
import type { ClosureJudgement } from './judgement'

const grip = (path: string, label: string, at: Pt, axis: 'x' | 'y', value: number, per: number): Handle => ({
  path,
  label,
  at,
  axis,
  value,
  per,
  leastMm: 1,
})
/** The blank from above: what is cut to, and what is trimmed off. */
export function blockPlan(b: Block, units: Units): Drawing {
  const [x, y] = [b.lengthMm / 2, b.widthMm / 2]
  const text = Math.max(x, y) / 10
  const mm = (v: number) => formatLength(Math.round(v * 10) / 10, units)
  const blank = rect(-x - b.trimMm, -y - b.trimMm, x + b.trimMm, y + b.trimMm)
  const shapes: Shape[] = [
    { kind: 'path', points: [...blank, blank[0]!], weight: 'hidden', role: 'block.trimMm' },
    { kind: 'area', points: rect(-x, -y, x, y), tone: 'epoxy-glass', role: 'block', label: 'block' },
    {
      kind: 'text',
      at: { x: -x, y: -y - b.trimMm - 2 * text },
      text: `${mm(b.lengthMm)} by ${mm(b.widthMm)}; blank ${mm(b.trimMm)} larger all round`,
      size: text,
      anchor: 'start',
    },
  ]
  return {
    title: 'the block from above, with the blank that it is cut from',
    description: `${mm(b.lengthMm)} by ${mm(b.widthMm)}.`,
    bounds: {
      minX: -x - b.trimMm - 2 * text,
      maxX: x + b.trimMm + 2 * text,
      minY: -y - b.trimMm - 4 * text,
      maxY: y + b.trimMm + 3 * text,
    },
    shapes,
    legend: legendOf(shapes),
    textMm: text,
    scaleBarMm: niceLength(b.lengthMm / 3, units),
    handles: [
      grip('block.lengthMm', 'long', { x, y: 0 }, 'x', b.lengthMm, 2),
      grip('block.widthMm', 'wide', { x: 0, y }, 'y', b.widthMm, 2),
    ],
  }
}
/** How high each layer of it ends: sheets, lifts of cloth, or lifts that are poured. */
function layersOf(d: ClosureDesign, b: Block, j: ClosureJudgement): number[] {
  const made = j.block?.made
  return b.way === 'sheets'
    ? (made?.sheets?.sheetsMm ?? []).reduce<number[]>((out, t) => [...out, (out.at(-1) ?? 0) + t + 0.3], [])
    : b.way === 'laid' && made
      ? Array.from(
          { length: made.laid.lifts - 1 },
          (_, i) => (i + 1) * made.laid.perLift * CLOTHS[d.cloth].plyMm,
        )
      : Array.from(
          { length: Math.max(0, (made?.cast.lifts ?? 1) - 1) },
          (_, i) => ((i + 1) * b.thickMm) / (made?.cast.lifts ?? 1),
        )
}
/** Along its length: plies, lifts or sheets inside its shape. */
export function blockCut(d: ClosureDesign, j: ClosureJudgement, units: Units): Drawing {
  const b = d.block!
  const thin = b.thinMm ?? b.thickMm
  const long = b.lengthMm
  const shape: Pt[] = [
    { x: 0, y: 0 },
    { x: long, y: 0 },
    { x: long, y: thin },
    { x: 0, y: b.thickMm },
  ]
  const text = long / 22
  const mm = (v: number) => formatLength(Math.round(v * 10) / 10, units)
  const lines = layersOf(d, b, j)
  const shapes: Shape[] = [
    {
      kind: 'area',
      points: shape,
      tone: b.way === 'cast' ? 'filled-epoxy' : 'epoxy-glass',
      role: 'block',
      label: 'block',
    },
    ...lines
      .filter((y) => y < b.thickMm)
      .map((y): Shape => {
        // A layer runs as far as the taper leaves room for it.
        const to = y <= thin ? long : (long * (b.thickMm - y)) / Math.max(1e-9, b.thickMm - thin)
        return {
          kind: 'path',
          points: [
            { x: 0, y },
            { x: to, y },
          ],
          weight: 'dimension',
        }
      }),
    { kind: 'text', at: { x: 0, y: b.thickMm + text }, text: mm(b.thickMm), size: text, anchor: 'start' },
    { kind: 'text', at: { x: long, y: thin + text }, text: mm(thin), size: text, anchor: 'end' },
  ]
  return {
    title: 'along its length, the thick end left',
    description: `${mm(b.thickMm)} to ${mm(thin)} over ${mm(long)}.`,
    bounds: { minX: -2 * text, maxX: long + 2 * text, minY: -3 * text, maxY: b.thickMm + 4 * text },
    shapes,
    legend: legendOf(shapes),
    textMm: text,
    scaleBarMm: niceLength(long / 4, units),
    handles: [
      grip('block.thickMm', 'thick', { x: 0, y: b.thickMm }, 'y', b.thickMm, 1),
      ...(b.thinMm === null
        ? []
        : [grip('block.thinMm', 'thin end', { x: long, y: thin }, 'y', b.thinMm, 1)]),
    ],
  }
}
