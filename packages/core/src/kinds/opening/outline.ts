import { offsetWalk, walkPolygon } from '../../base/geometry/offset'
import { boundsOf, type Point } from '../../base/geometry/outline'
import { cornersOnBoat } from '../../base/geometry/turn'
import { circlePath } from '../../drawing/full-size'
import { rounded, type Pt } from '../../drawing/shapes'
import type { CutOutline, OpeningDesign } from './design'

/** The cut-out moved outwards by so many millimetres (inwards where negative), as it is drawn. */
export function outlineAt(o: CutOutline, by: number): Pt[] {
  if (o.kind === 'circle') return circlePath(Math.max(1, o.diameterMm / 2 + by), 72).slice(0, -1)
  if (o.kind === 'rect')
    return rounded(
      Math.max(1, o.lengthMm / 2 + by),
      Math.max(1, o.widthMm / 2 + by),
      Math.max(0, o.cornerMm + by),
    )
  if (by <= 0) return o.points.map((p) => ({ x: p.xMm, y: p.yMm }))
  return offsetWalk(walkPolygon(o.points), by).runs.flatMap((r) => [
    { x: r.from.xMm, y: r.from.yMm },
    { x: r.from.xMm + r.dir.x * r.lengthMm, y: r.from.yMm + r.dir.y * r.lengthMm },
  ])
}
const bounds = (o: CutOutline) =>
  boundsOf(
    o.kind === 'rect'
      ? { lengthMm: o.lengthMm, widthMm: o.widthMm }
      : o.kind === 'circle'
        ? { diameterMm: o.diameterMm }
        : { outline: o.points },
  )
/** Length along its own x and width across, of the cut-out moved outwards by so many millimetres. */
export function sizeAt(o: CutOutline, by = 0): { lengthMm: number; widthMm: number } {
  const b = bounds(o)
  return { lengthMm: b.maxX - b.minX + 2 * by, widthMm: b.maxY - b.minY + 2 * by }
}
/** The cut-out's extent on the boat. */
export const cutOnBoat = (d: OpeningDesign) => {
  const s = sizeAt(d.outline)
  const b = { minX: -s.lengthMm / 2, maxX: s.lengthMm / 2, minY: -s.widthMm / 2, maxY: s.widthMm / 2 }
  const own = d.outline.kind === 'polygon' ? bounds(d.outline) : b
  const corners = cornersOnBoat(d.outline.kind === 'circle' ? { headingDeg: 0 } : d, own)
  return boundsOf({ outline: corners.map((p) => ({ xMm: p.xMm + d.place.xMm, yMm: p.yMm + d.place.yMm })) })
}
/** The flange's rectangle on the opening's own axes. */
export function flangeBounds(d: Pick<OpeningDesign, 'outline' | 'frame'>) {
  const b = bounds(d.outline)
  const f = d.frame.flangeMm
  return { minX: b.minX - f, maxX: b.maxX + f, minY: b.minY - f, maxY: b.maxY + f }
}
/** What the pane spans between its seats; a circle of a round opening, else a rectangle. */
export function clearSpan(
  d: OpeningDesign,
): { shape: 'circle'; diameterMm: number } | { shape: 'rect'; lengthMm: number; widthMm: number } {
  const by = d.pane?.seatMm ?? 0
  if (d.outline.kind === 'circle')
    return { shape: 'circle', diameterMm: Math.max(1, d.outline.diameterMm + 2 * by) }
  const s = sizeAt(d.outline, by)
  return { shape: 'rect', lengthMm: Math.max(1, s.lengthMm), widthMm: Math.max(1, s.widthMm) }
}
export const asPt = (p: Point): Pt => ({ x: p.xMm, y: p.yMm })
/** 520 by 520, or 150 across. */
export const sizeSaid = (o: CutOutline, mm: (v: number) => string): string => {
  if (o.kind === 'circle') return `${mm(o.diameterMm)} across`
  const s = sizeAt(o)
  return `${mm(s.lengthMm)} by ${mm(s.widthMm)}${o.kind === 'rect' ? `, corners ${mm(o.cornerMm)}` : ''}`
}

/** As many as the schema of an outline takes. */
const MOST_POINTS = 80
/** Twice the area of the triangle that a point makes with its neighbours. */
const worth = (ps: Point[], i: number) => {
  const [a, p, b] = [ps[(i + ps.length - 1) % ps.length]!, ps[i]!, ps[(i + 1) % ps.length]!]
  return Math.abs((p.xMm - a.xMm) * (b.yMm - a.yMm) - (b.xMm - a.xMm) * (p.yMm - a.yMm))
}
const GRAIN_MM2 = 1e-6
/**
 * A drawn outline as a cut-out: points that lie in a straight line are left out, and of a curve of many those
 * that change it least.
 */
export function drawnOutline(points: Point[]): Extract<CutOutline, { kind: 'polygon' }> {
  const ps = points.map((p) => ({ xMm: Math.round(p.xMm * 10) / 10, yMm: Math.round(p.yMm * 10) / 10 }))
  for (;;) {
    let least = 0
    for (let i = 1; i < ps.length; i++) if (worth(ps, i) < worth(ps, least)) least = i
    if (ps.length <= 3 || (ps.length <= MOST_POINTS && worth(ps, least) > GRAIN_MM2)) break
    ps.splice(least, 1)
  }
  return { kind: 'polygon', points: ps }
}
/** The same size as a rectangle, round, or by its corners: as a bench begins it. */
export function outlineAs(o: CutOutline, kind: CutOutline['kind']): CutOutline {
  const s = sizeAt(o)
  const [lengthMm, widthMm] = [Math.round(s.lengthMm), Math.round(s.widthMm)]
  if (kind === 'circle') return { kind, diameterMm: Math.min(lengthMm, widthMm) }
  if (kind === 'rect') {
    const cornerMm = Math.round(Math.max(25, 0.08 * Math.min(lengthMm, widthMm)))
    return { kind, lengthMm, widthMm, cornerMm: Math.min(cornerMm, Math.min(lengthMm, widthMm) / 2) }
  }
  const [x, y] = [lengthMm / 2, widthMm / 2]
  return {
    kind,
    points: [
      { xMm: -x, yMm: -y },
      { xMm: x, yMm: -y },
      { xMm: x, yMm: y },
      { xMm: -x, yMm: y },
    ],
  }
}
