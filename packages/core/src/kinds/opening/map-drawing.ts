import { cornersOnBoat } from '../../base/geometry/turn'
import { formatLength, type Units } from '../../base/quantity/format'
import type { BoatPart } from '../../boat/spot'
import { circlePath } from '../../drawing/full-size'
import { niceLength, type Drawing, type Handle, type Pt, type Shape } from '../../drawing/shapes'
import type { OpeningDesign } from './design'
import type { OpeningJudgement } from './judgement'
import { flangeBounds, outlineAt } from './outline'
import { sweptBy } from './surroundings'

/** What of the boat is drawn round an opening; lengths mm, on the boat. */
export interface OnBoat {
  parts: BoatPart[]
  fittings: { id: string; name: string; outline: { xMm: number; yMm: number }[] }[]
  holes: { label: string; xMm: number; yMm: number; diameterMm: number }[]
}
/** As much of the boat as one walks round a hatch. */
const ROUND_MM = 900
const STRIPED = ['beam', 'bulkhead', 'knee', 'longitudinal', 'cable']
const DEG = 180 / Math.PI

const closed = (ps: Pt[]): Pt[] => [...ps, ps[0]!]
const dashed = (points: Pt[], role: string): Shape => ({ kind: 'path', points, weight: 'hidden', role })
type Box = Drawing['bounds']
const touches = (b: Box, x0: number, x1: number, y0: number, y1: number) =>
  x1 >= b.minX && x0 <= b.maxX && y1 >= b.minY && y0 <= b.maxY

/** One that is drawn from -1 to 1 stands for a member across the whole breadth. */
function partShapes(p: BoatPart, b: Box, textMm: number): Shape[] {
  const whole = Math.abs(p.y1Mm - p.y0Mm) <= 2 && Math.abs(p.x1Mm - p.x0Mm) <= 2
  const [y0, y1] = whole ? [b.minY, b.maxY] : [p.y0Mm, p.y1Mm]
  const half = STRIPED.includes(p.kind) ? (p.widthMm ?? 0) / 2 : 0
  const [lowX, highX] = [Math.min(p.x0Mm, p.x1Mm) - half, Math.max(p.x0Mm, p.x1Mm) + half]
  const [lowY, highY] = [Math.min(y0, y1), Math.max(y0, y1)]
  if (!touches(b, lowX, highX, lowY, highY)) return []
  const clip = (v: number, lo: number, hi: number) => Math.min(hi, Math.max(lo, v))
  const x = (v: number) => clip(v, b.minX, b.maxX)
  const y = (v: number) => clip(v, b.minY, b.maxY)
  const at = { x: x(lowX) + textMm * 0.3, y: y(lowY) + textMm * 0.4 }
  const slant = STRIPED.includes(p.kind) && p.x0Mm !== p.x1Mm && p.y0Mm !== p.y1Mm
  const line = slant
    ? [
        { x: p.x0Mm, y: p.y0Mm },
        { x: p.x1Mm, y: p.y1Mm },
      ]
    : closed([
        { x: x(lowX), y: y(lowY) },
        { x: x(highX), y: y(lowY) },
        { x: x(highX), y: y(highY) },
        { x: x(lowX), y: y(highY) },
      ])
  return [
    dashed(line, 'member'),
    { kind: 'text', at, text: p.title.toLowerCase(), size: textMm, anchor: 'start', role: 'TEXT' },
  ]
}
const fittingShapes = (f: OnBoat['fittings'][number], b: Box): Shape[] =>
  f.outline.some((p) => touches(b, p.xMm, p.xMm, p.yMm, p.yMm))
    ? [
        {
          kind: 'area',
          points: f.outline.map((p) => ({ x: p.xMm, y: p.yMm })),
          tone: 'none',
          role: 'fitting',
          label: f.name,
        },
      ]
    : []
const holeShapes = (h: OnBoat['holes'][number], b: Box, textMm: number): Shape[] =>
  touches(b, h.xMm, h.xMm, h.yMm, h.yMm)
    ? [
        { kind: 'ring', at: { x: h.xMm, y: h.yMm }, r: Math.max(6, h.diameterMm / 2), weight: 'dimension' },
        {
          kind: 'text',
          at: { x: h.xMm + textMm * 0.6, y: h.yMm + textMm * 0.4 },
          text: h.label,
          size: textMm * 0.8,
          anchor: 'start',
        },
      ]
    : []
function itself(d: OpeningDesign): Shape[] {
  const put = (ps: Pt[]) =>
    cornersOf(
      d,
      ps.map((p) => ({ xMm: p.x, yMm: p.y })),
    )
  const swept = sweptBy(d)
  return [
    ...(swept
      ? [
          dashed(
            closed([
              { x: swept.minX, y: swept.minY },
              { x: swept.maxX, y: swept.minY },
              { x: swept.maxX, y: swept.maxY },
              { x: swept.minX, y: swept.maxY },
            ]),
            'lid.hingeSide',
          ),
        ]
      : []),
    { kind: 'area', points: put(outlineAt(d.outline, d.frame.flangeMm)), tone: 'hardware', role: 'frame' },
    { kind: 'path', points: closed(put(outlineAt(d.outline, 0))), weight: 'outline', role: 'outline' },
  ]
}
function cornersOf(d: OpeningDesign, ps: { xMm: number; yMm: number }[]): Pt[] {
  const [sin, cos] = [Math.sin(d.headingDeg / DEG), Math.cos(d.headingDeg / DEG)]
  return ps.map((p) => ({
    x: d.place.xMm + p.xMm * cos - p.yMm * sin,
    y: d.place.yMm + p.xMm * sin + p.yMm * cos,
  }))
}
const FAR_MM = -1e7
/** Its middle is moved aft and across, and its far end turns it. */
function grips(d: OpeningDesign): Handle[] {
  const reach = flangeBounds(d).maxX + 60
  const [sin, cos] = [Math.sin(d.headingDeg / DEG), Math.cos(d.headingDeg / DEG)]
  const { xMm: x, yMm: y } = d.place
  const grip = reach / 3
  const alongY = Math.abs(cos) >= Math.abs(sin)
  return [
    {
      path: 'place.xMm',
      label: 'place, aft',
      at: { x, y: y - grip },
      axis: 'x',
      value: x,
      per: 1,
      leastMm: FAR_MM,
    },
    {
      path: 'place.yMm',
      label: 'place, to starboard',
      at: { x, y: y + grip },
      axis: 'y',
      value: y,
      per: 1,
      leastMm: FAR_MM,
    },
    {
      path: 'headingDeg',
      label: 'turned',
      degrees: true,
      at: { x: x + reach * cos, y: y + reach * sin },
      axis: alongY ? 'y' : 'x',
      value: d.headingDeg,
      per: DEG / (reach * (alongY ? cos : -sin)),
      leastMm: -180,
    },
  ]
}
/** 38 mm aft clears the beam; the nearest three, as the verdict says them. */
const room = (j: OpeningJudgement, units: Units): string => {
  const said = j.clear
    .slice(0, 3)
    .map((c) =>
      c.cut
        ? `through the ${c.title}`
        : `${formatLength(Math.round(c.freeMm), units)} ${c.side} clears the ${c.title}`,
    )
  return said.length ? said.join('; ') : 'nothing that stiffens the panel is drawn near it'
}
/**
 * An opening of a deck or a roof on the boat round it, bow left, starboard up: members, wiring, linings,
 * other fittings and holes, where its lid comes down; it is moved and turned there.
 */
export function openingOnBoat(d: OpeningDesign, j: OpeningJudgement, around: OnBoat, units: Units): Drawing {
  const own = flangeBounds(d)
  const corners = cornersOnBoat(d, own).map((p) => ({ x: p.xMm + d.place.xMm, y: p.yMm + d.place.yMm }))
  const [xs, ys] = [corners.map((p) => p.x), corners.map((p) => p.y)]
  const bounds: Box = {
    minX: Math.min(...xs) - ROUND_MM,
    maxX: Math.max(...xs) + ROUND_MM,
    minY: Math.min(...ys) - ROUND_MM / 2,
    maxY: Math.max(...ys) + ROUND_MM / 2,
  }
  const textMm = (bounds.maxX - bounds.minX) / 36
  const shapes: Shape[] = [
    ...around.parts.filter((p) => p.kind !== 'wet').flatMap((p) => partShapes(p, bounds, textMm)),
    ...around.fittings.flatMap((f) => fittingShapes(f, bounds)),
    ...around.holes.flatMap((h) => holeShapes(h, bounds, textMm)),
    ...itself(d),
    // The datum hole, from which both sides are laid out.
    {
      kind: 'path',
      points: circlePath(6, 24).map((p) => ({ x: p.x + d.place.xMm, y: p.y + d.place.yMm })),
      weight: 'outline',
      role: 'datum',
    },
  ]
  const said = room(j, units)
  return {
    title: `Bow left, starboard up: ${said}.`,
    description: `${d.name} on the boat: ${said}. ${around.fittings.length} other fittings and ${around.holes.length} holes are on record.`,
    bounds,
    shapes,
    legend: [],
    textMm,
    scaleBarMm: niceLength((bounds.maxX - bounds.minX) / 5, units),
    handles: grips(d),
  }
}
