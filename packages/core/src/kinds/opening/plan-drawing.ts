import { formatLength, type Units } from '../../base/quantity/format'
import { niceLength, type Drawing, type Pt, type Shape } from '../../drawing/shapes'
import type { OpeningDesign } from './design'
import type { Clear, OpeningJudgement } from './judgement'
import { asPt, flangeBounds, outlineAt, sizeAt, sizeSaid } from './outline'
import { openingHandles } from './handles'
import { ledgeOf, solidPast } from './pocket'

const close = (ps: Pt[]): Pt[] => [...ps, ps[0]!]
const line = (points: Pt[], weight: 'outline' | 'hidden' | 'dimension', role: string): Shape => ({
  kind: 'path',
  points: close(points),
  weight,
  role,
})
/** Members near enough to be drawn. */
const shownNear = (d: OpeningDesign, j: OpeningJudgement, textMm: number): Clear[] =>
  d.headingDeg === 0
    ? [...j.clear, ...j.guarded].filter((c) => c.cut || c.freeMm < 3 * textMm + d.frame.flangeMm)
    : []
/** What stands beside it, drawn at its distance. */
function around(d: OpeningDesign, j: OpeningJudgement, textMm: number): Shape[] {
  const b = flangeBounds(d)
  const reach = 3.2 * textMm
  return shownNear(d, j, textMm).flatMap((c): Shape[] => {
    const [x, y] = [c.fromMiddleMm, c.fromMiddleMm]
    const across = c.side === 'forward' || c.side === 'aft'
    const ends = across
      ? [
          { x, y: b.minY - reach / 2 },
          { x, y: b.maxY + reach / 2 },
        ]
      : [
          { x: b.minX - reach / 2, y },
          { x: b.maxX + reach / 2, y },
        ]
    return [{ kind: 'path', points: ends, weight: 'hidden', role: 'member' }]
  })
}

/** Short enough to stand in it. */
function sizeWords(d: OpeningDesign, units: Units): string {
  const s = sizeAt(d.outline)
  const bare = (v: number) => formatLength(v, units).replace(/ (mm|in)$/, '')
  return d.outline.kind === 'circle'
    ? `\u00f8${bare(s.lengthMm)}`
    : `${bare(s.lengthMm)} \u00d7 ${bare(s.widthMm)}`
}

/** The pocket's wall and the solid under the skin. */
const solidLines = (d: OpeningDesign): Shape[] =>
  d.prism
    ? [
        line(outlineAt(d.outline, ledgeOf(d) + d.prism.sideMm), 'outline', 'prism.sideMm'),
        line(outlineAt(d.outline, solidPast(d)), 'hidden', 'prism.bandMm'),
      ]
    : []
const dashed = (d: OpeningDesign, j: OpeningJudgement) => {
  if (d.prism) return ' Dashed: the solid under the skin.'
  return j.edge.rakeMm > 0 ? ' Dashed: how far the core is raked.' : ''
}
/** The opening from outside, bow left: cut-out, flange, screws, rake, ring, and what stands near it. */
export function planDrawing(d: OpeningDesign, j: OpeningJudgement, units: Units): Drawing {
  const b = flangeBounds(d)
  const textMm = Math.max((b.maxX - b.minX) / 26, (b.maxY - b.minY) / 18)
  const mm = (v: number) => formatLength(v, units)
  const cut = outlineAt(d.outline, 0)
  const s = sizeAt(d.outline)
  const shapes: Shape[] = [
    { kind: 'area', points: outlineAt(d.outline, d.frame.flangeMm), tone: 'hardware', role: 'frame' },
    ...(d.pane
      ? [
          {
            kind: 'area' as const,
            points: outlineAt(d.outline, Math.max(d.pane.seatMm, -s.widthMm / 3)),
            tone: 'plastic' as const,
            role: 'pane',
            label: 'pane or lid',
          },
        ]
      : []),
    line(cut, 'outline', 'outline'),
    ...solidLines(d),
    ...(j.edge.rakeMm > 0 && !d.prism
      ? [line(outlineAt(d.outline, j.edge.rakeMm), 'hidden', 'core.rakeMm')]
      : []),
    ...(d.ring ? [line(outlineAt(d.outline, d.ring.widthMm), 'dimension', 'ring')] : []),
    ...around(d, j, textMm),
    ...(d.frame.hold === 'bond'
      ? []
      : j.edge.screws.map((p): Shape => ({
          kind: 'disc',
          at: asPt(p),
          r: d.frame.screwMm / 2,
          tone: 'bolt',
          role: 'frame.screwMm',
          label: 'screw',
        }))),
    {
      kind: 'text',
      at: { x: 0, y: -textMm * 0.35 },
      text: sizeWords(d, units),
      size: textMm,
      anchor: 'middle',
    },
  ]
  const pad = 3 * textMm + (d.prism ? d.prism.sideMm + d.prism.bandMm : 0)
  return {
    title: `From outside, ${d.headingDeg === 0 ? 'bow left' : 'along its own length'}.${dashed(d, j)}${d.ring ? ' Thin: the ring behind.' : ''}`,
    description: `${sizeSaid(d.outline, mm)}; flange ${mm(d.frame.flangeMm)}${d.frame.hold === 'bond' ? '' : `, ${j.edge.screwCount} screws, no further apart than ${mm(Math.round(j.edge.pitchMostMm))}`}.`,
    bounds: { minX: b.minX - pad, maxX: b.maxX + pad, minY: b.minY - pad, maxY: b.maxY + pad },
    shapes,
    legend: [],
    textMm,
    scaleBarMm: niceLength((b.maxX - b.minX) / 4, units),
    handles: openingHandles(d, j, shownNear(d, j, textMm)),
  }
}
