import type { Drawing } from '../../drawing/shapes'
import { say } from '../../base/verdict/check'
import type { SectionPen } from './section-pen'

type Bounds = Drawing['bounds']
const DEG = 180 / Math.PI
/** Along the hull, where the deadrise is taken hold of. */
const GRAB = 0.94

function plumbLine(p: SectionPen, ext: Bounds, textMm: number): void {
  const { W, hullLow, thick } = p
  const x = ext.maxX - textMm * 1.5
  // A flat drawing has the hull's end up here: the plumb line then stands over it.
  const end = p.R({ x: W, y: hullLow + thick + p.on(W) }).y
  const foot = Math.max(ext.maxY - textMm * 6, end + textMm * 2.4)
  // Its word stands over all that is labelled, so that no leader runs through it.
  p.top = Math.max(p.top, foot + textMm * 6.4)
  p.shapes.push(
    {
      kind: 'path',
      points: [
        { x, y: foot },
        { x, y: foot + textMm * 5.4 },
      ],
      weight: 'hidden',
    },
    { kind: 'text', at: { x, y: foot + textMm * 5.8 }, text: 'plumb', size: textMm * 0.9, anchor: 'middle' },
  )
}
function angleFigure(p: SectionPen, textMm: number): void {
  const { W, hullLow, d, j } = p
  const e = p.R({ x: W, y: hullLow + p.on(W) })
  const y = e.y - (p.plumb ? p.on(W) - p.on(W - 46) : 46 * Math.tan(p.theta))
  p.shapes.push(
    {
      kind: 'path',
      points: [
        { x: e.x - 46, y },
        { x: e.x + 2, y },
      ],
      weight: 'dimension',
    },
    {
      kind: 'text',
      // Under its line: above it is the hull's own end.
      at: { x: e.x + 2, y: y - textMm * 1.25 },
      text: `${d.hull.angleMeasured ? '' : '~'}${say(j.tilt.deg)}\u00b0`,
      size: textMm,
      anchor: 'end',
      weight: 'strong',
    },
  )
}
/** The hull's end is dragged up or down: so many degrees of deadrise a millimetre. */
function deadriseHandle(p: SectionPen): void {
  const { W, theta, hullLow, thick, d } = p
  const handle = (value: number, per: number) =>
    p.handles.push({
      path: 'hull.deadriseDeg',
      label: 'deadrise',
      at:
        theta > 0
          ? p.R({ x: W * GRAB, y: hullLow + thick + p.on(W * GRAB) })
          : p.R({ x: W * GRAB, y: hullLow + thick }),
      axis: 'y',
      value,
      per,
      leastMm: 0,
    })
  if (!(theta > 0)) {
    if (d.hull.slopeDeg === 0) handle(0, DEG / (W * GRAB))
    return
  }
  if (d.hull.slopeDeg !== 0 && d.hull.deadriseDeg < 1) return
  // How far the grabbed end climbs for a radian: its own swing, and the block outside that grows under it.
  const rise = p.plumb
    ? (W * GRAB + p.wideOutside / 2 + d.hull.thicknessMm * Math.sin(theta)) / Math.cos(theta) ** 2
    : W * GRAB * Math.cos(theta) - (hullLow + thick) * Math.sin(theta)
  // The cut shows the tilt; with a slope along her the deadrise has to turn further for the same tilt
  // (5.5: tan² of the tilt is the sum of both).
  const a = (d.hull.deadriseDeg * Math.PI) / 180
  const further =
    d.hull.slopeDeg === 0 ? 1 : (Math.tan(theta) / Math.tan(a)) * (Math.cos(a) / Math.cos(theta)) ** 2
  handle(d.hull.deadriseDeg, (DEG * further) / rise)
}

/** The way things are: plumb, and the hull's angle, by which it can be dragged. */
export function drawAngle(p: SectionPen, ext: Bounds, textMm: number): void {
  if (p.theta > 0) {
    plumbLine(p, ext, textMm)
    angleFigure(p, textMm)
  }
  deadriseHandle(p)
}

/** Labels stand in a column each side and never on each other. */
export function drawLabels(p: SectionPen, ext: Bounds, textMm: number): void {
  for (const right of [false, true]) {
    const mine = p.labels.filter((l) => l.at.x >= 0 === right).sort((a, b) => b.at.y - a.at.y)
    const x = right ? ext.maxX + textMm * 1.2 : ext.minX - textMm * 2.6
    let last = Infinity
    for (const l of mine) {
      const y = Math.min(l.at.y, last - textMm * 1.45)
      last = y
      p.shapes.push(
        {
          kind: 'path',
          points: [l.at, { x: x + (right ? -0.4 : 0.4) * textMm, y: y + textMm * 0.32 }],
          weight: 'dimension',
        },
        {
          kind: 'text',
          at: { x, y },
          text: l.text,
          size: textMm,
          anchor: right ? 'start' : 'end',
          ...(l.role ? { role: l.role } : {}),
        },
      )
    }
  }
}
