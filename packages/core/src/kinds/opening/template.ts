import type { DrillRow } from '../../drawing/drill'
import { FullSize } from '../../drawing/full-size'
import type { Drawing, Pt } from '../../drawing/shapes'
import { formatLength, type Units } from '../../base/quantity/format'
import type { OpeningDesign } from './design'
import type { OpeningJudgement } from './judgement'
import { outlineAt, sizeAt, sizeSaid } from './outline'

export const OPENING_TEMPLATE_TITLES: Record<string, string> = {
  'cut-out': 'cut-out and screws',
  ring: 'ring',
}
export const templatesOf = (d: OpeningDesign): string[] => ['cut-out', ...(d.ring ? ['ring'] : [])]

/** Where the saw that makes a corner stands, one for each; none where there are no round corners. */
export function cornerSaws(d: OpeningDesign): Pt[] {
  if (d.outline.kind !== 'rect' || d.outline.cornerMm <= 0) return []
  const [x, y] = [d.outline.lengthMm / 2 - d.outline.cornerMm, d.outline.widthMm / 2 - d.outline.cornerMm]
  return [-1, 1].flatMap((i) => [-1, 1].map((k) => ({ x: i * x, y: k * y })))
}
const holeOf = (d: OpeningDesign) =>
  d.frame.hold === 'bolts' ? d.frame.screwMm + 0.5 : Math.round(d.frame.screwMm * 7) / 10

/** At full size: what is sawn, where the corner saws and the screws stand, how far the core is raked. */
export function openingTemplate(
  d: OpeningDesign,
  j: OpeningJudgement,
  what: string,
  units: Units,
  inside: boolean,
): Drawing {
  const s = new FullSize()
  const m = inside ? -1 : 1
  const at = (p: Pt): Pt => ({ x: p.x, y: m * p.y + 0 })
  const mm = (v: number) => formatLength(v, units)
  s.closed(outlineAt(d.outline, 0).map(at), 'CUT')
  if (what === 'ring' && d.ring) s.closed(outlineAt(d.outline, d.ring.widthMm).map(at), 'CUT')
  else {
    s.closed(outlineAt(d.outline, d.frame.flangeMm).map(at), 'MARK')
    if (j.edge.rakeMm > 0) s.closed(outlineAt(d.outline, j.edge.rakeMm).map(at), 'MARK', 'hidden')
    for (const c of cornerSaws(d)) {
      s.ring(at(c), (d.outline as { cornerMm: number }).cornerMm)
      s.cross(at(c), 6)
    }
    if (d.frame.hold !== 'bond')
      for (const p of j.edge.screws) {
        s.ring(at({ x: p.xMm, y: p.yMm }), holeOf(d) / 2)
        s.cross(at({ x: p.xMm, y: p.yMm }), 4)
      }
  }
  s.ring({ x: 0, y: 0 }, 1.5)
  s.cross({ x: 0, y: 0 }, 10)
  const drawn = s.extent()
  const seen = inside ? 'seen from inside, mirrored' : 'seen from outside'
  s.text({ x: drawn.minX, y: drawn.maxY + 3 }, `bow to the left; ${seen}`)
  const title = OPENING_TEMPLATE_TITLES[what] ?? what
  return s.finish({
    name: `${d.name}: ${title}, ${sizeSaid(d.outline, mm)}`,
    title: `${d.name}, ${title} at full size`,
    description: 'At 1:1.',
    nameAtY: drawn.maxY + 9,
    drawn,
  })
}

const ORDER = 'after the dry fit, through the frame'
/** Pilot, corner saws, screws: in the order in which they are drilled. */
export function openingDrill(d: OpeningDesign, j: OpeningJudgement): DrillRow[] {
  const row = (name: string, p: Pt, mm: number, order: string): DrillRow => ({
    bolt: 0,
    name,
    xMm: p.x,
    yMm: p.y,
    pilotMm: 3,
    boreMm: null,
    finishMm: mm,
    order,
    from: 'outside; back the inside against the break-through',
  })
  const across = d.outline.kind === 'circle' ? sizeAt(d.outline).lengthMm : 0
  const corner = d.outline.kind === 'rect' ? 2 * d.outline.cornerMm : 0
  return [
    row(
      'pilot',
      { x: 0, y: 0 },
      across || 3,
      across ? 'pilot, then the saw or router on it' : 'pilot, checked from both sides',
    ),
    ...cornerSaws(d).map((c, i) =>
      row(`corner ${i + 1}`, c, corner, 'corner saws first, then the saw between them'),
    ),
    ...(d.frame.hold === 'bond'
      ? []
      : j.edge.screws.map((p, i): DrillRow => ({
          ...row('', { x: p.xMm, y: p.yMm }, holeOf(d), ORDER),
          bolt: i + 1,
          name: `screw ${i + 1}`,
          pilotMm: 2,
        }))),
  ]
}
