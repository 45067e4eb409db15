import { formatForce, formatLength, type Units } from '../../base/quantity/format'
import { SIZES } from '../../base/materials/fasteners'
import type { Design } from './design'
import type { Judgement } from './judgement'
import { niceLength, rect, type Drawing, type Handle, type Pt, type Shape } from '../../drawing/shapes'

const circle = (r: number): Pt[] =>
  Array.from({ length: 48 }, (_, i) => ({
    x: r * Math.cos((i * Math.PI) / 24),
    y: r * Math.sin((i * Math.PI) / 24),
  }))

/** Corners rounded to r, as the plate is made. */
export function rounded(hx: number, hy: number, r: number): Pt[] {
  const q = Math.min(r, hx, hy)
  const corner = (cx: number, cy: number, from: number) =>
    Array.from({ length: 9 }, (_, i) => ({
      x: cx + q * Math.cos(((from + i * 11.25) * Math.PI) / 180),
      y: cy + q * Math.sin(((from + i * 11.25) * Math.PI) / 180),
    }))
  return [
    ...corner(hx - q, hy - q, 0),
    ...corner(-hx + q, hy - q, 90),
    ...corner(-hx + q, -hy + q, 180),
    ...corner(hx - q, -hy + q, 270),
  ]
}

/**
 * The bolts seen from above, bow to the left, starboard up; a ring as large as the bolt's share of its
 * strength.
 */
export function drawPattern(d: Design, j: Judgement, units: Units): Drawing {
  const shapes: Shape[] = []
  const half =
    'diameterMm' in d.base
      ? { x: d.base.diameterMm / 2, y: d.base.diameterMm / 2 }
      : { x: d.base.lengthMm / 2, y: d.base.widthMm / 2 }
  const ext = {
    x: Math.max(half.x, (d.plate?.lengthMm ?? 0) / 2),
    y: Math.max(half.y, (d.plate?.widthMm ?? 0) / 2),
  }
  const textMm = Math.max(ext.x / 8, ext.y / 5.5)
  if (d.plate)
    shapes.push({
      kind: 'path',
      points: close(
        d.plate.outline
          ? d.plate.outline.map((p) => ({ x: p.xMm, y: p.yMm }))
          : rounded(d.plate.lengthMm / 2, d.plate.widthMm / 2, j.plate?.cornerRadiusMm ?? 0),
      ),
      weight: 'hidden',
      role: 'plate',
    })
  if (d.doubler)
    shapes.push({
      kind: 'path',
      points: close(rounded(d.doubler.lengthMm / 2, d.doubler.widthMm / 2, 20)),
      weight: 'dimension',
      role: 'doubler',
    })
  shapes.push({
    kind: 'area',
    points: 'diameterMm' in d.base ? circle(half.x) : rect(-half.x, -half.y, half.x, half.y),
    tone: 'hardware',
    role: 'base',
    label: 'base',
  })
  const heel = j.worst.contact?.heelLine
  if (heel) {
    // The pressed side of the heel line is where the toe stands.
    const [p, q] = heel
    const toe = j.worst.contact!.toeAt
    const ps = pressedOutline(
      'diameterMm' in d.base ? circle(half.x) : rect(-half.x, -half.y, half.x, half.y),
      p,
      q,
      toe,
    )
    if (ps.length > 2)
      shapes.push({
        kind: 'area',
        points: ps,
        tone: 'bedding',
        role: 'pressed',
        label: `pressed: ${Math.round(j.worst.contact!.contactFraction * 100)} % of the base`,
      })
    shapes.push({
      kind: 'path',
      points: [
        { x: p.xMm, y: p.yMm },
        { x: q.xMm, y: q.yMm },
      ],
      weight: 'load',
      role: 'heel line',
    })
  }
  const r = SIZES[d.bolt.size]!.diameterMm / 2
  if (d.pipeMm)
    shapes.push({ kind: 'ring', at: { x: 0, y: 0 }, r: d.pipeMm / 2, weight: 'outline', role: 'pipeMm' })
  d.bolts.forEach((b, i) => {
    const share = j.worst.bolts[i]!
    const at = { x: b.xMm, y: b.yMm }
    shapes.push({
      kind: 'disc',
      at,
      r,
      tone: 'bolt',
      role: 'bolt.size',
      label: `bolt ${i + 1}: ${formatForce(share.tensionN, units)} pull, ${formatForce(share.shearN, units)} shear`,
    })
    shapes.push({
      kind: 'ring',
      at,
      r: r + textMm * (0.25 + Math.min(1.2, share.utilisation)),
      weight: 'load',
    })
    shapes.push({
      kind: 'text',
      at: { x: at.x + (at.x < 0 ? -1 : 1) * (r + textMm * 1.9), y: at.y - textMm * 0.35 },
      text: String(i + 1),
      size: textMm,
      anchor: 'middle',
      weight: 'strong',
    })
  })
  const load = loadFrom(j, ext, textMm)
  shapes.push(...load.shapes)
  const pad = textMm * 2.6
  return {
    title: `From above, bow left, starboard up. Ring: share of the bolt\u2019s strength.${heel ? ' Dark: pressed on the deck, past the heel line.' : ''}`,
    description: `${d.bolts.length} bolts; base ${formatLength(2 * half.x, units)} by ${formatLength(2 * half.y, units)}.`,
    bounds: {
      minX: Math.min(-ext.x, load.at.x) - pad,
      maxX: Math.max(ext.x, load.at.x) + pad,
      minY: Math.min(-ext.y, load.at.y) - pad,
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
