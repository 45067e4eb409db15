import type { DrillRow } from '../../drawing/drill'
import { FullSize } from '../../drawing/full-size'
import type { Drawing, Pt } from '../../drawing/shapes'
import { formatLength, type Units } from '../../base/quantity/format'
import type { OpeningDesign } from './design'
import type { OpeningJudgement } from './judgement'
import { outlineAt, sizeAt, sizeSaid } from './outline'
import { solidPast } from './pocket'

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
  // A deck is turned over its length, a bulkhead over its height.
  const at = (p: Pt): Pt => (d.gland ? { x: m * p.x + 0, y: p.y } : { x: p.x, y: m * p.y + 0 })
  const mm = (v: number) => formatLength(v, units)
  if (d.gland) return glandTemplate(s, d, j, { at, inside, mm })
  s.closed(outlineAt(d.outline, 0).map(at), 'CUT')
  if (d.prism && what === 'cut-out') s.closed(outlineAt(d.outline, solidPast(d)).map(at), 'CUT')
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

/** Where each gland is bored, from the datum in the middle. */
function glandTemplate(
  s: FullSize,
  d: OpeningDesign,
  j: OpeningJudgement,
  { at, inside, mm }: { at: (p: Pt) => Pt; inside: boolean; mm: (v: number) => string },
): Drawing {
  for (const [i, g] of (j.glanded?.glands ?? []).entries()) {
    const own = d.gland!.glands[i]!
    const p = at({ x: own.yMm, y: own.zMm })
    s.ring(p, (g.boreMm ?? g.holeMm) / 2)
    s.ring(p, g.holeMm / 2)
    s.cross(p, 8)
  }
  s.cross({ x: 0, y: 0 }, 10)
  const drawn = s.extent()
  s.text(
    { x: drawn.minX, y: drawn.maxY + 3 },
    `up is up; ${inside ? 'from the other side, mirrored' : 'from aft'}`,
  )
  const first = j.glanded?.glands[0]
  return s.finish({
    name: `${d.name}: ${first ? `bore ${mm(first.boreMm ?? first.holeMm)}` : ''}`,
    title: `${d.name}, glands at full size`,
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
  if (d.gland)
    return (j.glanded?.glands ?? []).map((g, i) => {
      const { yMm, zMm } = d.gland!.glands[i]!
      const bored = g.boreMm === null ? 'bore' : 'bore, line, drill again'
      return {
        ...row(`gland ${i + 1}`, { x: yMm, y: zMm }, g.holeMm, bored),
        boreMm: g.boreMm,
        from: 'both sides',
      }
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
