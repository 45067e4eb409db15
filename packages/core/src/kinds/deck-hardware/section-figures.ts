import { formatForce } from '../../base/quantity/format'
import { cosd, sind } from '../../base/geometry/outline'
import type { Pt } from '../../drawing/shapes'
import { isBlind } from './hold'
import { underShape } from './under-drawing'
import type { SectionPen } from './section-pen'

/**
 * Thickness at the left: numbers stand clear of each other, leaders never cross because both run in the
 * same order. Gives how far the names reach, in heights of text.
 */
export function drawThicknesses(p: SectionPen, lineX: number): number {
  const { textMm } = p
  const ordered = p.labelled.slice().sort((a, c) => c.y - a.y)
  let namesTo = 4
  let last = Infinity
  const tops = ordered.map((o) => (last = Math.min(o.y, last - textMm * 1.25)))
  const lift = ordered.length
    ? Math.max(0, tops.reduce((a, t, i) => a + (ordered[i]!.y - t), 0) / ordered.length)
    : 0
  ordered.forEach((o, i) => {
    const y = tops[i]! + lift
    p.path(
      [
        { x: o.fromX, y: o.y },
        { x: lineX, y: o.y },
        { x: lineX - textMm, y },
      ],
      'dimension',
    )
    const figure = `${o.layer.estimated ? '~' : ''}${p.mm(o.layer.thicknessMm)}`
    const at = (k: number) => ({ x: lineX - textMm * k, y: y - textMm * 0.35 })
    p.text(at(1.3), figure, 'end', { role: o.layer.role, strong: true })
    p.text(at(1.9 + 0.62 * figure.length), o.layer.name, 'end')
    namesTo = Math.max(namesTo, 1.9 + 0.62 * (figure.length + o.layer.name.length))
  })
  return namesTo
}

/** Grip at the right. */
export function drawGrip(p: SectionPen, gx: number): void {
  const { d, deckHalf, textMm } = p
  const top = d.bolt.head === 'countersunk' ? p.baseTop : p.baseTop + (p.headWasher?.thicknessMm ?? 0)
  const blind = isBlind(d) && p.j.grip !== null
  const low = blind ? top - p.j.grip!.gripMm : p.under - p.nutWasher.thicknessMm
  p.line(deckHalf * 0.98, top, gx + textMm * 0.5, top)
  p.line(deckHalf * 0.98, low, gx + textMm * 0.5, low)
  p.line(gx, top, gx, low)
  const grip = p.exaggerate ? (p.j.grip?.gripMm ?? top - low) : top - low
  p.text({ x: gx + textMm * 1.5, y: (top + low) / 2 }, `grip ${p.mm(grip)}`, 'middle', { turned: true })
}

/** What stands under it, then spacing of the bolts and length of the plate; gives the lowest line. */
export function drawBelow(p: SectionPen): number {
  const { d, xs, textMm, under, tip } = p
  const stands = underShape(d.under, under, textMm * 7)
  const title = stands ? { x: 0, y: stands.lowMm - textMm * 2.2 } : null
  if (stands) {
    p.area(stands.points, stands.tone, 'under', stands.title)
    p.text(title!, stands.title, 'middle', { role: 'under' })
  }
  let dy = Math.min(tip, under, title ? title.y : under) - textMm * 2
  const across = (x0: number, x1: number, from: number, role: string) => {
    const words = p.mm(x1 - x0)
    p.line(x0, from, x0, dy - textMm * 0.4)
    p.line(x1, from, x1, dy - textMm * 0.4)
    const mid = (x0 + x1) / 2
    const room = words.length * textMm * 0.34 + textMm * 0.3
    p.line(x0, dy, Math.max(x0, mid - room), dy)
    p.line(Math.min(x1, mid + room), dy, x1, dy)
    p.text({ x: mid, y: dy - textMm * 0.35 }, words, 'middle', { role })
    dy -= textMm * 1.9
  }
  const sorted = xs.slice().sort((a, c) => a - c)
  if (sorted.length > 1) across(sorted[0]!, sorted.at(-1)!, tip - textMm * 0.8, 'bolts')
  if (d.plate) across(-p.plateHalf, p.plateHalf, under - textMm * 0.3, 'plate.lengthMm')
  return dy
}

function arrowHead(p: SectionPen, at: Pt, end: Pt): Pt[] {
  const L = Math.hypot(end.x - at.x, end.y - at.y) || 1
  const u = { x: (end.x - at.x) / L, y: (end.y - at.y) / L }
  const barb = (side: number) => ({
    x: end.x - u.x * p.textMm * 1.1 - u.y * side * p.textMm * 0.45,
    y: end.y - u.y * p.textMm * 1.1 + u.x * side * p.textMm * 0.45,
  })
  return [barb(1), end, barb(-1)]
}
/** Across the cut a load has no way of its own in it. */
const ACROSS = 0.02

/** Nothing of a fitting is farther from its base than that. */
const FAR_MM = 5000
/** The load, where it acts, in the plane of the cut. */
export function drawLoad(p: SectionPen): { at: Pt; end: Pt; way: number | null } {
  const { d, j, baseTop, textMm } = p
  const dir = j.worst.direction
  const bodyTop = baseTop + d.base.bodyHeightMm
  const flat = Math.hypot(dir.alongN, dir.acrossN)
  const way = Math.abs(dir.alongN) <= ACROSS * flat ? null : Math.sign(dir.alongN)
  const at = { x: j.load.pointMm.x, y: baseTop + Math.min(j.load.heightMm, d.base.bodyHeightMm * 1.15) }
  const reach = p.width * 0.26
  // What mostly presses comes down on the fitting: its arrow ends where it acts.
  const steep = flat < 0.2 * Math.abs(dir.outN)
  const presses = steep && dir.outN < 0
  const end = presses
    ? { x: at.x, y: bodyTop }
    : way === null
      ? { x: at.x, y: at.y + reach * 0.6 * Math.max(0.25, sind(dir.elevationDeg)) }
      : { x: at.x + way * reach * cosd(dir.elevationDeg), y: at.y + reach * sind(dir.elevationDeg) }
  if (presses) at.y = end.y + reach * 0.6
  p.handles.push(
    {
      path: 'load.point.x',
      label: 'where the load acts, aft',
      at: { x: at.x - textMm * 0.5, y: at.y },
      axis: 'x',
      value: j.load.pointMm.x,
      per: 1,
      leastMm: -FAR_MM,
    },
    {
      path: 'load.point.z',
      label: 'where the load acts, up',
      at: { x: at.x, y: at.y + textMm * 0.5 },
      axis: 'y',
      value: j.load.heightMm,
      per: 1,
      leastMm: -FAR_MM,
    },
  )
  p.path([at, end], 'load')
  p.path(arrowHead(p, at, end), 'load')
  // Clear of the fitting's own outline.
  p.text(
    { x: end.x + (way ?? 0) * textMm * 0.5, y: Math.max(at.y, end.y, bodyTop) + textMm * 0.7 },
    `${formatForce(j.load.loadN, p.units)}${presses ? ', down' : way === null && !steep ? ', across the cut' : ''}`,
    way === null ? 'middle' : way > 0 ? 'start' : 'end',
    { load: true, strong: true },
  )
  return { at, end, way }
}
