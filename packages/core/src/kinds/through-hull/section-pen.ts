import type { Drawing, Handle, MaterialTone, Pt, Shape, Weight } from '../../drawing/shapes'
import { formatLength, type Units } from '../../base/quantity/format'
import { THROUGH_HULL_FAMILY, type BodyMaterial } from './families'
import type { ThroughHullDesign } from './design'
import type { ThroughHullJudgement, Wedge } from './judgement'
import { plumb } from './seat'

export const BODY_TONE = (m: BodyMaterial): MaterialTone =>
  m === 'composite' || m === 'plastic' ? 'plastic' : 'metal'
export const box = (x0: number, y0: number, x1: number, y1: number): Pt[] => [
  { x: x0, y: y0 },
  { x: x1, y: y0 },
  { x: x1, y: y1 },
  { x: x0, y: y1 },
]
const wide = (w: Wedge | null) => (w ? w.saw.outlineMm[0]! : 0)
export const mean = (w: Wedge | null) => (w ? (w.thinMm + w.thickMm) / 2 : 0)
/** Beside the widest part, so much of the hull is drawn. */
const BESIDE_MM = 38

interface Label {
  at: Pt
  text: string
  role?: string
}
/** A line at one height, and an upright one. */
export const level = (x0: number, x1: number, y: number): Pt[] => [
  { x: x0, y },
  { x: x1, y },
]
export const upright = (x: number, y0: number, y1: number): Pt[] => [
  { x, y: y0 },
  { x, y: y1 },
]

/**
 * What draws the cut: outside below, inside above, in millimetres of the fitting's own axis. A fitting
 * square to its hull is drawn square, and everything is then turned with it.
 */
export class SectionPen {
  readonly shapes: Shape[] = []
  readonly handles: Handle[] = []
  readonly labels: Label[] = []
  readonly info
  readonly theta: number
  readonly plumb: boolean
  readonly turn: number
  /** half the widest part, and half of what is drawn of the hull */
  readonly half: number
  readonly W: number
  /** of the hull along the bore */
  readonly thick: number
  readonly od: number
  readonly hole: number
  readonly bed: number
  /** the lowest edge of the head */
  readonly bottom: number
  readonly wideOutside: number
  readonly wideInside: number
  /** heights come to: under the hull, the seat on pad and block, the nut's face, the top of all */
  hullLow = 0
  seat = 0
  face = 0
  top = 0

  constructor(
    readonly d: ThroughHullDesign,
    readonly j: ThroughHullJudgement,
    readonly units: Units,
  ) {
    const s = d.skin
    this.info = THROUGH_HULL_FAMILY[d.family]
    this.theta = (j.tilt.deg * Math.PI) / 180
    this.plumb = plumb(d)
    this.turn = this.plumb ? 0 : this.theta
    this.od = s.tailOdMm ?? s.holeMm - 2
    this.hole = j.stack?.holeMm ?? d.boredMm ?? s.holeMm
    this.wideOutside = wide(j.wedges.outside)
    this.wideInside = wide(j.wedges.inside)
    const widest = [
      s.flangeMm,
      d.pad?.diameterMm ?? 0,
      this.wideInside,
      this.wideOutside,
      d.valve?.flangeMm ?? 0,
    ]
    this.half = Math.max(...widest) / 2
    this.W = this.half + BESIDE_MM
    this.thick = this.plumb ? d.hull.thicknessMm / Math.cos(this.theta) : d.hull.thicknessMm
    this.bed = d.family === 'welded-stub' ? 0 : d.beddingMm
    this.bottom = -Math.max(2, s.proudMm)
  }
  /** How much higher the hull stands so far out; a plumb fitting only, for the other is turned. */
  on(x: number) {
    return x * (this.plumb ? Math.tan(this.theta) : 0)
  }
  R(p: Pt): Pt {
    const [cos, sin] = [Math.cos(this.turn), Math.sin(this.turn)]
    return { x: p.x * cos - p.y * sin, y: p.x * sin + p.y * cos }
  }
  area(points: Pt[], tone: MaterialTone, role: string, label: string) {
    this.shapes.push({ kind: 'area', points: points.map((p) => this.R(p)), tone, role, label })
  }
  path(points: Pt[], weight: Weight, role?: string) {
    const turned = points.map((p) => this.R(p))
    this.shapes.push({ kind: 'path', points: turned, weight, ...(role ? { role } : {}) })
  }
  label(x: number, y: number, text: string, role?: string) {
    this.labels.push({ at: this.R({ x, y }), text, ...(role ? { role } : {}) })
  }
  mm(v: number) {
    return this.units === 'inch' ? formatLength(v, this.units) : String(Number(v.toFixed(1)))
  }
  bounds(): Drawing['bounds'] {
    const points = this.shapes.flatMap((q) =>
      q.kind === 'area' || q.kind === 'path' ? q.points : 'at' in q ? [q.at] : [],
    )
    const [xs, ys] = [points.map((p) => p.x), points.map((p) => p.y)]
    return { minX: Math.min(...xs), maxX: Math.max(...xs), minY: Math.min(...ys), maxY: Math.max(...ys) }
  }
}
