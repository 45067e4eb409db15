import { formatForce, formatLength, type Units } from '../../base/quantity/format'
import { SIZES } from '../../base/materials/fasteners'
import type { Design } from './design'
import type { Judgement } from './judgement'
import { fromBoat } from '../../base/geometry/turn'
import {
  niceLength,
  rect,
  rounded,
  type Drawing,
  type Handle,
  type Pt,
  type Shape,
} from '../../drawing/shapes'

const circle = (r: number): Pt[] =>
  Array.from({ length: 48 }, (_, i) => ({
    x: r * Math.cos((i * Math.PI) / 24),
    y: r * Math.sin((i * Math.PI) / 24),
  }))

const halfOf = (b: Design['base']) =>
  'diameterMm' in b ? { x: b.diameterMm / 2, y: b.diameterMm / 2 } : { x: b.lengthMm / 2, y: b.widthMm / 2 }
const outlineOf = (b: Design['base']): Pt[] => {
  const half = halfOf(b)
  return 'diameterMm' in b ? circle(half.x) : rect(-half.x, -half.y, half.x, half.y)
}

function plateShapes(d: Design, j: Judgement): Shape[] {
  const plate = d.plate?.outline
    ? d.plate.outline.map((p) => ({ x: p.xMm, y: p.yMm }))
    : d.plate && rounded(d.plate.lengthMm / 2, d.plate.widthMm / 2, j.plate?.cornerRadiusMm ?? 0)
  const doubler = d.doubler && rounded(d.doubler.lengthMm / 2, d.doubler.widthMm / 2, 20)
  return [
    ...(plate
      ? [{ kind: 'path' as const, points: close(plate), weight: 'hidden' as const, role: 'plate' }]
      : []),
    ...(doubler
      ? [{ kind: 'path' as const, points: close(doubler), weight: 'dimension' as const, role: 'doubler' }]
      : []),
  ]
}
/** The base, and past the heel line what of it presses. */
function baseShapes(d: Design, j: Judgement): Shape[] {
  const outline = outlineOf(d.base)
  const base: Shape = { kind: 'area', points: outline, tone: 'hardware', role: 'base', label: 'base' }
  const heel = j.worst.contact?.heelLine
  if (!heel) return [base]
  // The pressed side of the heel line is where the toe stands.
  const [p, q] = heel
  const pressed = pressedOutline(outline, p, q, j.worst.contact!.toeAt)
  const label = `pressed: ${Math.round(j.worst.contact!.contactFraction * 100)} % of the base`
  const line = [p, q].map((x) => ({ x: x.xMm, y: x.yMm }))
  return [
    base,
    ...(pressed.length > 2
      ? [{ kind: 'area' as const, points: pressed, tone: 'bedding' as const, role: 'pressed', label }]
      : []),
    { kind: 'path', points: line, weight: 'load', role: 'heel line' },
  ]
}
/** Each bolt with its number, and a ring as large as its share. */
function boltShapes(d: Design, j: Judgement, units: Units, textMm: number): Shape[] {
  const r = SIZES[d.bolt.size]!.diameterMm / 2
  return d.bolts.flatMap((b, i): Shape[] => {
    const share = j.worst.bolts[i]!
    const at = { x: b.xMm, y: b.yMm }
    const label = `bolt ${i + 1}: ${formatForce(share.tensionN, units)} pull, ${formatForce(share.shearN, units)} shear`
    return [
      { kind: 'disc', at, r, tone: 'bolt', role: 'bolt.size', label },
      { kind: 'ring', at, r: r + textMm * (0.25 + Math.min(1.2, share.utilisation)), weight: 'load' },
      {
        kind: 'text',
        at: { x: at.x + (at.x < 0 ? -1 : 1) * (r + textMm * 1.9), y: at.y - textMm * 0.35 },
        text: String(i + 1),
        size: textMm,
        anchor: 'middle',
        weight: 'strong',
      },
    ]
  })
}
/** Of a casting that stands askew: where the bow lies, past its corner. */
function bowShapes(d: Design, ext: Pt, textMm: number): Shape[] {
  if (d.headingDeg === 0) return []
  const to = fromBoat(d, { xMm: -1, yMm: 0 })
  const u = { x: to.xMm, y: to.yMm }
  const from = { x: -ext.x + textMm * 1.5, y: -ext.y - textMm * 0.6 }
  const point = (along: number, off: number) => ({
    x: from.x + textMm * (along * u.x - off * u.y),
    y: from.y + textMm * (along * u.y + off * u.x),
  })
  const path = (points: Pt[]): Shape => ({ kind: 'path', points, weight: 'outline', role: 'headingDeg' })
  const name = point(2.2, 0)
  return [
    path([point(-1.4, 0), point(1.4, 0)]),
    path([point(0.6, 0.4), point(1.4, 0), point(0.6, -0.4)]),
    {
      kind: 'text',
      at: { x: name.x, y: name.y - textMm * 0.35 },
      text: 'bow',
      size: textMm,
      anchor: 'middle',
    },
  ]
}

/**
 * The bolts seen from above, bow to the left, starboard up; a ring as large as the bolt's share of its
 * strength. A casting that stands askew lies straight, and the bow is shown by an arrow.
 */
export function drawPattern(d: Design, j: Judgement, units: Units): Drawing {
  const half = halfOf(d.base)
  const ext = {
    x: Math.max(half.x, (d.plate?.lengthMm ?? 0) / 2),
    y: Math.max(half.y, (d.plate?.widthMm ?? 0) / 2),
  }
  const textMm = Math.max(ext.x / 8, ext.y / 5.5)
  const load = loadFrom(j, ext, textMm)
  const pipe: Shape[] = d.pipeMm
    ? [{ kind: 'ring', at: { x: 0, y: 0 }, r: d.pipeMm / 2, weight: 'outline', role: 'pipeMm' }]
    : []
  const shapes = [
    ...plateShapes(d, j),
    ...baseShapes(d, j),
    ...pipe,
    ...boltShapes(d, j, units, textMm),
    ...load.shapes,
    ...bowShapes(d, ext, textMm),
  ]
  const pad = textMm * 2.6
  const seen =
    d.headingDeg === 0 ? 'bow left, starboard up' : 'along the casting; the arrow points to the bow'
  const pressed = j.worst.contact?.heelLine ? ' Dark: pressed on the deck, past the heel line.' : ''
  return {
    title: `From above, ${seen}. Ring: share of the bolt\u2019s strength.${pressed}`,
    description: `${d.bolts.length} bolts; base ${formatLength(2 * half.x, units)} by ${formatLength(2 * half.y, units)}.`,
    bounds: {
      minX: Math.min(-ext.x, load.at.x) - pad,
      maxX: Math.max(ext.x, load.at.x) + pad,
      minY: Math.min(-ext.y, load.at.y) - pad - (d.headingDeg === 0 ? 0 : textMm),
      maxY: Math.max(ext.y, load.at.y) + pad,
    },
    shapes,
    legend: [],
    textMm,
    scaleBarMm: niceLength(ext.x / 2, units),
    handles: load.handles,
  }
}
const FAR_MM = 5000
/** The load seen from above, from where it acts, with a foot that can be dragged. */
function loadFrom(j: Judgement, ext: { x: number; y: number }, textMm: number) {
  const { x, y } = j.load.pointMm
  const at = { x, y }
  const { alongN, acrossN } = j.worst.direction
  const flat = Math.hypot(alongN, acrossN)
  const reach = 0.6 * Math.min(ext.x, ext.y) + textMm
  const shapes: Shape[] = [{ kind: 'ring', at, r: textMm * 0.4, weight: 'load', role: 'load' }]
  if (flat > 1e-9) {
    const [ux, uy] = [alongN / flat, acrossN / flat]
    const end = { x: x + ux * reach, y: y + uy * reach }
    const barb = (s: number) => ({
      x: end.x - textMm * (0.9 * ux + s * 0.4 * uy),
      y: end.y - textMm * (0.9 * uy - s * 0.4 * ux),
    })
    shapes.push(
      { kind: 'path', points: [at, end], weight: 'load', role: 'load' },
      { kind: 'path', points: [barb(1), end, barb(-1)], weight: 'load', role: 'load' },
    )
  }
  const handle = (axis: 'x' | 'y', label: string, value: number): Handle => ({
    path: `load.point.${axis}`,
    label: `where the load acts, ${label}`,
    at: axis === 'x' ? { x: x - textMm * 0.5, y } : { x, y: y + textMm * 0.5 },
    axis,
    value,
    per: 1,
    leastMm: -FAR_MM,
  })
  return { at, shapes, handles: [handle('x', 'aft', x), handle('y', 'to starboard', y)] }
}
/** The part of an outline on the toe's side of the heel line. */
function pressedOutline(
  outline: Pt[],
  p: { xMm: number; yMm: number },
  q: { xMm: number; yMm: number },
  toe: { xMm: number; yMm: number } | null,
): Pt[] {
  if (!toe) return []
  const side = (x: number, y: number) => (q.xMm - p.xMm) * (y - p.yMm) - (q.yMm - p.yMm) * (x - p.xMm)
  const sign = Math.sign(side(toe.xMm, toe.yMm)) || 1
  const out: Pt[] = []
  outline.forEach((a, i) => {
    const b = outline[(i + 1) % outline.length]!
    const [da, db] = [sign * side(a.x, a.y), sign * side(b.x, b.y)]
    if (da >= 0) out.push(a)
    if (da >= 0 !== db >= 0)
      out.push({ x: a.x + (da / (da - db)) * (b.x - a.x), y: a.y + (da / (da - db)) * (b.y - a.y) })
  })
  return out
}
const close = (ps: Pt[]) => [...ps, ps[0]!]
