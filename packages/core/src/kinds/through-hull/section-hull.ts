import type { MaterialTone } from '../../drawing/shapes'
import type { ThroughHullDesign } from './design'
import type { Wedge } from './judgement'
import { BODY_TONE, box, level, mean, type SectionPen } from './section-pen'

const HULL_TONE: Record<ThroughHullDesign['hull']['kind'], MaterialTone> = {
  solid: 'laminate',
  cored: 'laminate',
  aluminium: 'metal',
  steel: 'metal',
  timber: 'timber',
}
const PAD_TONE = {
  'glass-epoxy': 'epoxy-glass',
  g10: 'epoxy-glass',
  plywood: 'plywood',
  composite: 'plastic',
} as const
/** Where the skins of a cored bottom end, as parts of its thickness. */
const [OUTER_ENDS, INNER_BEGINS] = [0.3, 0.75]

function outsideBlock(p: SectionPen, w: Wedge, y: number): number {
  const r = p.wideOutside / 2
  const points = [
    { x: -r, y },
    { x: r, y },
    { x: r, y: y + w.thickMm },
    { x: -r, y: y + w.thinMm },
  ]
  p.area(points, 'epoxy-glass', 'wedge', 'wedge outside')
  p.label(r, y + w.thickMm * 0.5, `wedge ${p.mm(w.thinMm)} to ${p.mm(w.thickMm)}`, 'wedge.thinMm')
  return y + mean(w)
}
function insideBlock(p: SectionPen, w: Wedge, y: number): number {
  const r = p.wideInside / 2
  const points = [
    { x: -r, y: y + p.on(-r) },
    { x: r, y: y + p.on(r) },
    { x: r, y: y + mean(w) },
    { x: -r, y: y + mean(w) },
  ]
  p.area(points, 'epoxy-glass', 'wedge', 'wedge inside')
  p.label(-r, y + mean(w) * 0.6, `wedge ${p.mm(w.thickMm)} to ${p.mm(w.thinMm)}`, 'wedge.thinMm')
  return y + mean(w)
}

function hull(p: SectionPen): void {
  const { d, W, hullLow, thick } = p
  const parts: [number, number, MaterialTone, string][] =
    d.hull.kind === 'cored'
      ? [
          [0, OUTER_ENDS, 'laminate', 'outer skin'],
          [OUTER_ENDS, INNER_BEGINS, 'balsa', 'core'],
          [INNER_BEGINS, 1, 'laminate', 'inner skin'],
        ]
      : [[0, 1, HULL_TONE[d.hull.kind], 'hull']]
  const strip = (w: number, a: number, b: number) => [
    { x: -w, y: hullLow + a * thick + p.on(-w) },
    { x: w, y: hullLow + a * thick + p.on(w) },
    { x: w, y: hullLow + b * thick + p.on(w) },
    { x: -w, y: hullLow + b * thick + p.on(-w) },
  ]
  for (const [a, b, tone, label] of parts) p.area(strip(W, a, b), tone, 'hull.thicknessMm', label)
  if (d.hull.kind === 'cored' && d.hull.solidMm)
    p.area(strip(d.hull.solidMm / 2, OUTER_ENDS, INNER_BEGINS), 'filled-epoxy', 'hull.solidMm', 'made solid')
  const along = p.plumb && p.theta ? `, ${p.mm(thick)} along the bore` : ''
  p.label(
    W,
    hullLow + thick / 2 + p.on(W),
    `${d.hull.measured ? '' : '~'}hull ${p.mm(d.hull.thicknessMm)}${along}`,
    'hull.thicknessMm',
  )
}

function pad(p: SectionPen, pad: NonNullable<ThroughHullDesign['pad']>, y: number): number {
  const r = pad.diameterMm / 2
  const t = pad.thicknessMm
  p.area(box(-r, y, r, y + t), PAD_TONE[pad.material], 'pad.thicknessMm', 'pad')
  p.path(level(-r, r, y), 'outline')
  p.label(r, y + t / 2, `pad ${p.mm(t)}`, 'pad.thicknessMm')
  if (!p.turn)
    p.handles.push({
      path: 'pad.thicknessMm',
      label: 'top of the pad',
      at: { x: -r * 0.8, y: y + t },
      axis: 'y',
      value: t,
      per: 1,
      leastMm: 1,
    })
  return y + t
}

/** Bedding, block outside, hull, block inside, pad, collar and nut, from outside inwards. */
export function drawHull(p: SectionPen): void {
  const { d, j } = p
  const s = d.skin
  if (p.bed > 0) p.area(box(-s.flangeMm / 2, 0, s.flangeMm / 2, p.bed), 'bedding', 'beddingMm', 'bedding')
  p.hullLow = j.wedges.outside ? outsideBlock(p, j.wedges.outside, p.bed) : p.bed
  hull(p)
  let y = p.hullLow + p.thick
  if (j.wedges.inside) y = insideBlock(p, j.wedges.inside, y)
  if (d.pad) y = pad(p, d.pad, y)
  p.seat = y
  // The hole, with room for its collar of bedding.
  if (d.family !== 'welded-stub')
    p.area(box(-p.hole / 2, p.bed, p.hole / 2, y), 'bedding', 'boredMm', 'collar of bedding')
  if (s.collarMm > 0) {
    const r = s.flangeMm * 0.46
    p.area(box(-r, y, r, y + s.collarMm), 'plastic', 'skin', 'load collar')
    p.label(r, y + s.collarMm / 2, `load collar ${p.mm(s.collarMm)}`)
    y += s.collarMm
  }
  if (s.nutMm > 0) {
    p.area(box(-p.od * 0.82, y, p.od * 0.82, y + s.nutMm), BODY_TONE(s.material), 'skin', 'nut')
    y += s.nutMm
  }
  p.face = y
}
