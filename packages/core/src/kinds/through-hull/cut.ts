import { CHECK_BAR_MM, type DrillRow } from '../../drawing/drill'
import type { Drawing, Pt, Shape } from '../../drawing/shapes'
import { SIZES } from '../../base/materials/fasteners'
import { formatLength, type Units } from '../../base/quantity/format'
import { say } from '../../base/verdict/check'
import { throughHullBolts } from './bolts'
import type { ThroughHullDesign } from './design'
import type { ThroughHullJudgement } from './judgement'

export const THROUGH_HULL_TEMPLATES = ['wedge-outside', 'wedge-inside', 'taper', 'pad'] as const
export type ThroughHullTemplate = (typeof THROUGH_HULL_TEMPLATES)[number]
export const THROUGH_HULL_TEMPLATE_TITLES: Record<ThroughHullTemplate, string> = {
  'wedge-outside': 'wedge block, outside face',
  'wedge-inside': 'wedge block, inside face',
  taper: 'taper, from the side',
  pad: 'pad and bolt circle',
}
const TEXT = 3.5
const ring = (r: number): Pt[] =>
  Array.from({ length: 97 }, (_, i) => ({
    x: r * Math.cos((i * Math.PI) / 48),
    y: r * Math.sin((i * Math.PI) / 48),
  }))

/** Which templates this design has. */
export const throughHullTemplates = (d: ThroughHullDesign, j: ThroughHullJudgement): ThroughHullTemplate[] =>
  THROUGH_HULL_TEMPLATES.filter((t) =>
    t === 'pad'
      ? d.pad !== null || d.hold.method === 'through'
      : t === 'taper'
        ? j.wedge !== null
        : t === 'wedge-outside'
          ? j.wedges.outside !== null
          : j.wedges.inside !== null,
  )

/** An insert's own hole where the bolts stand in the pad, else the bolt's clearance. */
const boltHole = (d: ThroughHullDesign) =>
  d.hold.method === 'insert' && d.hold.insertMm !== null ? d.hold.insertMm : SIZES[d.hold.size]!.clearanceMm

/** At 1:1, each shape on its layer: the faces of the wedges, the taper, the pad with its bolt circle. */
export function throughHullTemplate(
  d: ThroughHullDesign,
  j: ThroughHullJudgement,
  what: ThroughHullTemplate,
  units: Units,
): Drawing {
  const shapes: Shape[] = []
  const text = (at: Pt, words: string, anchor: 'start' | 'middle' | 'end' = 'start', size = TEXT) =>
    shapes.push({ kind: 'text', at, text: words, size, anchor, role: 'TEXT' })
  const line = (points: Pt[], role: string, weight: 'outline' | 'dimension' | 'hidden' = 'outline') =>
    shapes.push({ kind: 'path', points, weight, role })
  const cross = (p: Pt, r: number) => {
    line(
      [
        { x: p.x - r, y: p.y },
        { x: p.x + r, y: p.y },
      ],
      'MARK',
      'dimension',
    )
    line(
      [
        { x: p.x, y: p.y - r },
        { x: p.x, y: p.y + r },
      ],
      'MARK',
      'dimension',
    )
  }
  const hole = j.stack?.holeMm ?? d.boredMm ?? d.skin.holeMm
  const w =
    what === 'wedge-outside'
      ? j.wedges.outside
      : what === 'wedge-inside'
        ? j.wedges.inside
        : (j.wedges.inside ?? j.wedges.outside)
  if (what === 'taper' && w) {
    const D = w.saw.outlineMm[0]!
    line(
      [
        { x: -D / 2, y: 0 },
        { x: D / 2, y: 0 },
        { x: D / 2, y: w.thickMm },
        { x: -D / 2, y: w.thinMm },
        { x: -D / 2, y: 0 },
      ],
      'CUT',
    )
    line(
      [
        { x: 0, y: -6 },
        { x: 0, y: w.thickMm + 6 },
      ],
      'MARK',
      'hidden',
    )
    for (const k of [-1, 1])
      line(
        [
          { x: (k * hole) / 2, y: 0 },
          {
            x: (k * hole) / 2,
            y: (w.thinMm + w.thickMm) / 2 + ((k * hole) / 2) * Math.tan((w.tiltDeg * Math.PI) / 180),
          },
        ],
        'DRILL',
        'hidden',
      )
    text({ x: D / 2 + 3, y: w.thickMm / 2 }, `thick ${formatLength(w.thickMm, units)}`)
    text({ x: -D / 2, y: w.thinMm + 3 }, `thin ${formatLength(w.thinMm, units)}`)
    text({ x: 0, y: -9 }, `saw at ${say(w.saw.angleDeg)}\u00b0; bore square to the long face`, 'middle')
  } else if ((what === 'wedge-outside' || what === 'wedge-inside') && w) {
    const r = w.saw.outlineMm[0]! / 2
    line(ring(r), 'CUT')
    shapes.push({ kind: 'ring', at: { x: 0, y: 0 }, r: hole / 2, weight: 'outline', role: 'DRILL' })
    cross({ x: 0, y: 0 }, 6)
    const thick = what === 'wedge-outside' ? w.outsideThickAtDeg! : w.insideThickAtDeg!
    // Azimuths run from straight outboard towards aft. Seen from inside with the bow left, outboard is up
    // on the starboard side and down on the port side.
    const side = d.place.yMm < 0 ? -1 : 1
    const at = (deg: number, q: number) => ({
      x: q * Math.sin((deg * Math.PI) / 180),
      y: side * q * Math.cos((deg * Math.PI) / 180),
    })
    line([at(thick, r), at(thick + 180, r)], 'MARK', 'hidden')
    text({ x: at(thick, r * 0.78).x, y: at(thick, r * 0.78).y + 2 }, 'THICK', 'middle')
    text({ x: at(thick + 180, r * 0.78).x, y: at(thick + 180, r * 0.78).y + 2 }, 'thin', 'middle')
    text({ x: 0, y: side > 0 ? r - 9 : -r + 6 }, 'outboard', 'middle')
    text({ x: r + 3, y: 0 }, 'aft')
    // Where the plumb bore meets the sloped face it is an ellipse.
    line(
      Array.from({ length: 49 }, (_, i) => {
        const [a, b] = [
          (w.ellipseMm[1]! / 2) * Math.cos((i * Math.PI) / 24),
          (w.ellipseMm[0]! / 2) * Math.sin((i * Math.PI) / 24),
        ]
        const [u, v] = [at(thick, 1), at(thick + 90, 1)]
        return { x: a * u.x + b * v.x, y: a * u.y + b * v.y }
      }),
      'MARK',
      'dimension',
    )
  } else {
    const r = (d.pad?.diameterMm ?? (d.valve?.flangeMm ?? d.skin.flangeMm) + 20) / 2
    line(ring(r), d.pad ? 'CUT' : 'MARK')
    if (d.valve && d.valve.kind !== 'screwed') line(ring(d.valve.flangeMm / 2), 'MARK', 'hidden')
    shapes.push({ kind: 'ring', at: { x: 0, y: 0 }, r: hole / 2, weight: 'outline', role: 'DRILL' })
    cross({ x: 0, y: 0 }, 6)
    throughHullBolts(d).forEach((b, i) => {
      const p = { x: b.xMm, y: b.yMm }
      shapes.push({ kind: 'ring', at: p, r: boltHole(d) / 2, weight: 'outline', role: 'DRILL' })
      cross(p, 4)
      text({ x: p.x + 6, y: p.y + 5 }, String(i + 1))
    })
    text({ x: r + 3, y: 0 }, 'aft')
  }
  const pts = shapes.flatMap((s) =>
    s.kind === 'path'
      ? s.points
      : s.kind === 'ring'
        ? [
            { x: s.at.x - s.r, y: s.at.y - s.r },
            { x: s.at.x + s.r, y: s.at.y + s.r },
          ]
        : [],
  )
  const b = {
    minX: Math.min(...pts.map((p) => p.x)),
    maxX: Math.max(...pts.map((p) => p.x)),
    minY: Math.min(...pts.map((p) => p.y)),
    maxY: Math.max(...pts.map((p) => p.y)),
  }
  text({ x: b.minX, y: b.maxY + 8 }, `${d.name}: ${THROUGH_HULL_TEMPLATE_TITLES[what]}`, 'start', TEXT * 1.25)
  text(
    { x: b.minX, y: b.maxY + 3 },
    what === 'taper'
      ? 'cut across, along the fall of the block'
      : `seen from inside, bow left${what === 'wedge-outside' ? '; turned over for the face that lies on the hull' : ''}`,
    'start',
  )
  const y = b.minY - 16
  line(
    [
      { x: b.minX, y },
      { x: b.minX + CHECK_BAR_MM, y },
    ],
    'MARK',
  )
  for (const x of [0, 50, 100])
    line(
      [
        { x: b.minX + x, y: y - 2.5 },
        { x: b.minX + x, y: y + 2.5 },
      ],
      'MARK',
    )
  text({ x: b.minX + CHECK_BAR_MM + 4, y: y - 1.2 }, '100 mm: lay a rule on it before use')
  return {
    title: `${d.name}, ${THROUGH_HULL_TEMPLATE_TITLES[what]} at full size`,
    description: 'At 1:1.',
    shapes,
    legend: [],
    textMm: TEXT,
    scaleBarMm: CHECK_BAR_MM,
    bounds: {
      minX: b.minX - 8,
      maxX: Math.max(b.maxX + 30, b.minX + CHECK_BAR_MM + 75),
      minY: y - 8,
      maxY: b.maxY + 16,
    },
  }
}
export const throughHullDrill = (d: ThroughHullDesign, j: ThroughHullJudgement): DrillRow[] => [
  {
    bolt: 0,
    xMm: 0,
    yMm: 0,
    pilotMm: 4,
    boreMm: null,
    finishMm: j.stack?.holeMm ?? d.skin.holeMm,
    order: 'pilot from inside, bore from outside to half, then from inside',
    from: 'both sides',
  },
  ...throughHullBolts(d).map((b, i): DrillRow => ({
    bolt: i + 1,
    xMm: b.xMm,
    yMm: b.yMm,
    pilotMm: 3,
    boreMm: null,
    finishMm: boltHole(d),
    order:
      d.hold.method === 'through'
        ? 'through pad and hull, countersunk outside'
        : 'into the pad only, with a stop on the drill',
    from: 'inside',
  })),
]
