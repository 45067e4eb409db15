import { boundsOf, type Point } from '../../base/geometry/outline'
import { SIZES } from '../../base/materials/fasteners'
import type { Design } from './design'
import type { Judgement } from './judgement'
import { formatLength, type Units } from '../../base/quantity/format'
import type { DrillRow } from '../../drawing/drill'
import { circlePath, FullSize } from '../../drawing/full-size'
import { planOfBase } from './plans'
import { fromBoat } from '../../base/geometry/turn'
import { rect, rounded, type Drawing, type Pt } from '../../drawing/shapes'

export type TemplateKind = 'pattern' | 'plate'
const PILOT_MM = 3
const UNDER_HOLE_MM = 4.5
const ARROW_MM = 34

/** Each hole in the order in which it is drilled (chapter 10.3). */
export function drillSchedule(d: Design, j: Judgement): DrillRow[] {
  const finish = SIZES[d.bolt.size]!.clearanceMm
  const bore = d.core.school === 'bore-fill' ? (j.core?.boreMm ?? null) : null
  return d.bolts.map((b, i) => ({
    bolt: i + 1,
    xMm: b.xMm,
    yMm: b.yMm,
    pilotMm: PILOT_MM,
    boreMm: bore,
    finishMm: finish,
    order: bore
      ? 'pilot, bore over from outside to the inner skin, fill, redrill'
      : d.core.school === 'reef'
        ? 'pilot, drill, hook the core back, fill, redrill'
        : d.core.school === 'insert'
          ? 'after the insert: pilot, drill'
          : 'pilot, drill',
    from: 'outside; back the inside with scrap or tape against the break-through',
  }))
}

/** The plate's own outline, with the line that its bevel ends at. */
function drawPlate(s: FullSize, d: Design, j: Judgement, plate: Pt[]) {
  s.closed(plate, 'CUT')
  const bevel = j.plate?.bevelMm ?? 0
  if (!(bevel > 0) || !d.plate || d.plate.outline) return
  const [hx, hy] = [d.plate.lengthMm / 2 - bevel, d.plate.widthMm / 2 - bevel]
  const inner = rounded(hx, hy, Math.max(1, (j.plate?.cornerRadiusMm ?? 0) - bevel))
  s.closed(inner, 'MARK', 'hidden')
}
/** Where the base stands, and what is cut out for an insert under it. */
function drawBase(s: FullSize, d: Design) {
  const base = boundsOf(planOfBase(d.base))
  if ('diameterMm' in d.base) s.path(circlePath(d.base.diameterMm / 2), 'MARK')
  else s.closed(rect(base.minX, base.minY, base.maxX, base.maxY), 'MARK')
  if (d.core.school !== 'insert') return
  const i = d.core.insert ?? { lengthMm: base.maxX - base.minX + 40, widthMm: base.maxY - base.minY + 40 }
  s.closed(rounded(i.lengthMm / 2, i.widthMm / 2, 10), 'CUT')
}
function drawHoles(s: FullSize, rows: DrillRow[], at: (p: Point) => Pt, bored: boolean, units: Units) {
  for (const r of rows) {
    const p = at(r)
    s.ring(p, r.finishMm / 2)
    s.ring(p, r.pilotMm / 2)
    s.cross(p, Math.max(r.finishMm, 8))
    if (bored && r.boreMm) s.ring(p, r.boreMm / 2)
    const bore = bored && r.boreMm ? `\u00f8${formatLength(r.boreMm, units)}, ` : ''
    s.text(
      { x: p.x, y: p.y - Math.max(r.boreMm ?? 0, r.finishMm) / 2 - UNDER_HOLE_MM },
      `${r.bolt}: \u00f8${r.pilotMm}, ${bore}\u00f8${formatLength(r.finishMm, units)}`,
      'middle',
    )
  }
}
/** An arrow to the bow, by which a casting that stands askew is laid on; answers how high it reaches. */
function bowArrow(s: FullSize, d: Design, at: { minX: number; maxY: number }, inside: boolean): number {
  const to = fromBoat(d, { xMm: -1, yMm: 0 })
  const [ux, uy] = [to.xMm, (inside ? -1 : 1) * to.yMm]
  const tip = {
    x: at.minX + ARROW_MM / 2 + (ARROW_MM / 2) * ux,
    y: at.maxY + 12 + (ARROW_MM / 2) * (uy + Math.abs(uy)),
  }
  const back = (along: number, off: number) => ({
    x: tip.x - along * ux - off * uy,
    y: tip.y - along * uy + off * ux,
  })
  s.path([back(ARROW_MM, 0), tip, back(6, 3)], 'MARK')
  s.path([tip, back(6, -3)], 'MARK')
  const turned = d.headingDeg === 0 ? '' : ', as the fitting stands'
  s.text(
    { x: at.minX + ARROW_MM + 4, y: at.maxY + 12 - 1.2 },
    inside ? `bow${turned}; seen from inside, mirrored` : `bow${turned}; seen from outside`,
  )
  return at.maxY + 12 + ARROW_MM * Math.abs(uy)
}
function plateOutline(d: Design, j: Judgement, at: (p: Point) => Pt): Pt[] | null {
  if (!d.plate) return null
  return d.plate.outline
    ? d.plate.outline.map(at)
    : rounded(d.plate.lengthMm / 2, d.plate.widthMm / 2, j.plate?.cornerRadiusMm ?? 0)
}

/**
 * Full size, mm: what to cut, what to drill, what to mark. `inside` is mirrored, as it is seen from below.
 */
export function templateOf(
  d: Design,
  j: Judgement,
  what: TemplateKind,
  units: Units,
  inside = false,
): Drawing {
  const m = inside ? -1 : 1
  const at = (p: Point): Pt => ({ x: p.xMm, y: m * p.yMm + 0 })
  const s = new FullSize()
  const plate = what === 'plate' ? plateOutline(d, j, at) : null
  if (plate) drawPlate(s, d, j, plate)
  else drawBase(s, d)
  drawHoles(s, drillSchedule(d, j), at, what === 'pattern', units)
  if (d.pipeMm) s.ring({ x: 0, y: 0 }, d.pipeMm / 2, 'CUT')
  const drawn = s.extent()
  const top = bowArrow(s, d, drawn, inside)
  const thick = d.plate ? formatLength(d.plate.thicknessMm, units) : ''
  return s.finish({
    name: `${d.name}: ${what === 'plate' ? `backing plate ${thick}` : 'drilling pattern'}`,
    title: `${d.name}, ${what} at full size`,
    description: `${d.bolts.length} holes at 1:1.`,
    nameAtY: top + 8,
    drawn,
  })
}

/** How many plates one stock sheet gives, kerf and margin taken off, whichever way they lie. */
export function nestCount(
  plate: { lengthMm: number; widthMm: number },
  sheet: { lengthMm: number; widthMm: number },
  kerfMm = 5,
  marginMm = 5,
): number {
  const along = (room: number, size: number) =>
    Math.max(0, Math.floor((room - 2 * marginMm + kerfMm) / (size + kerfMm)))
  const way = (l: number, w: number) => along(sheet.lengthMm, l) * along(sheet.widthMm, w)
  return Math.max(way(plate.lengthMm, plate.widthMm), way(plate.widthMm, plate.lengthMm))
}
export const STOCK_SHEETS = [
  { title: '600 \u00d7 300', lengthMm: 600, widthMm: 300 },
  { title: '1000 \u00d7 500', lengthMm: 1000, widthMm: 500 },
  { title: '2440 \u00d7 1220', lengthMm: 2440, widthMm: 1220 },
]
