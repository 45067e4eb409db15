import type { DrillRow } from '../../drawing/drill'
import { circlePath, FullSize } from '../../drawing/full-size'
import type { Drawing } from '../../drawing/shapes'
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

type Wedge = NonNullable<ThroughHullJudgement['wedge']>
const TITLE_GAP = 3

/** The block from the side, along its fall: where the saw goes and where the bore stands. */
function drawTaper(s: FullSize, w: Wedge, hole: number, units: Units) {
  const half = w.saw.outlineMm[0]! / 2
  const tilt = Math.tan((w.tiltDeg * Math.PI) / 180)
  s.closed(
    [
      { x: -half, y: 0 },
      { x: half, y: 0 },
      { x: half, y: w.thickMm },
      { x: -half, y: w.thinMm },
    ],
    'CUT',
  )
  s.path(
    [-6, w.thickMm + 6].map((y) => ({ x: 0, y })),
    'MARK',
    'hidden',
  )
  for (const x of [-hole / 2, hole / 2])
    s.path(
      [0, (w.thinMm + w.thickMm) / 2 + x * tilt].map((y) => ({ x, y })),
      'DRILL',
      'hidden',
    )
  s.text({ x: half + 3, y: w.thickMm / 2 }, `thick ${formatLength(w.thickMm, units)}`)
  s.text({ x: -half, y: w.thinMm + 3 }, `thin ${formatLength(w.thinMm, units)}`)
  s.text({ x: 0, y: -9 }, `saw at ${say(w.saw.angleDeg)}\u00b0; bore square to the long face`, 'middle')
}
/**
 * A face of the block. Azimuths run from straight outboard towards aft. Seen from inside with the bow left,
 * outboard is up on the starboard side and down on the port side.
 */
function drawFace(s: FullSize, d: ThroughHullDesign, w: Wedge, hole: number, thick: number) {
  const r = w.saw.outlineMm[0]! / 2
  const side = d.place.yMm < 0 ? -1 : 1
  const at = (deg: number, q: number) => ({
    x: q * Math.sin((deg * Math.PI) / 180),
    y: side * q * Math.cos((deg * Math.PI) / 180),
  })
  s.path(circlePath(r), 'CUT')
  s.ring({ x: 0, y: 0 }, hole / 2)
  s.cross({ x: 0, y: 0 }, 6)
  s.path([at(thick, r), at(thick + 180, r)], 'MARK', 'hidden')
  s.text({ x: at(thick, r * 0.78).x, y: at(thick, r * 0.78).y + 2 }, 'THICK', 'middle')
  s.text({ x: at(thick + 180, r * 0.78).x, y: at(thick + 180, r * 0.78).y + 2 }, 'thin', 'middle')
  s.text({ x: 0, y: side > 0 ? r - 9 : -r + 6 }, 'outboard', 'middle')
  s.text({ x: r + 3, y: 0 }, 'aft')
  // Where the plumb bore meets the sloped face it is an ellipse.
  const [u, v] = [at(thick, 1), at(thick + 90, 1)]
  const ellipse = Array.from({ length: 49 }, (_, i) => {
    const a = (w.ellipseMm[1]! / 2) * Math.cos((i * Math.PI) / 24)
    const b = (w.ellipseMm[0]! / 2) * Math.sin((i * Math.PI) / 24)
    return { x: a * u.x + b * v.x, y: a * u.y + b * v.y }
  })
  s.path(ellipse, 'MARK', 'dimension')
}
/** The pad, or the flange where there is none, with its bolt circle. */
function drawPad(s: FullSize, d: ThroughHullDesign, hole: number) {
  const r = (d.pad?.diameterMm ?? (d.valve?.flangeMm ?? d.skin.flangeMm) + 20) / 2
  s.path(circlePath(r), d.pad ? 'CUT' : 'MARK')
  if (d.valve && d.valve.kind !== 'screwed') s.path(circlePath(d.valve.flangeMm / 2), 'MARK', 'hidden')
  s.ring({ x: 0, y: 0 }, hole / 2)
  s.cross({ x: 0, y: 0 }, 6)
  throughHullBolts(d).forEach((b, i) => {
    const p = { x: b.xMm, y: b.yMm }
    s.ring(p, boltHole(d) / 2)
    s.cross(p, 4)
    s.text({ x: p.x + 6, y: p.y + 5 }, String(i + 1))
  })
  s.text({ x: r + 3, y: 0 }, 'aft')
}
const seenFrom = (what: ThroughHullTemplate) =>
  what === 'taper'
    ? 'cut across, along the fall of the block'
    : `seen from inside, bow left${what === 'wedge-outside' ? '; turned over for the face that lies on the hull' : ''}`

/** At 1:1, each shape on its layer: the faces of the wedges, the taper, the pad with its bolt circle. */
export function throughHullTemplate(
  d: ThroughHullDesign,
  j: ThroughHullJudgement,
  what: ThroughHullTemplate,
  units: Units,
): Drawing {
  const s = new FullSize()
  const hole = j.stack?.holeMm ?? d.boredMm ?? d.skin.holeMm
  const { inside, outside } = j.wedges
  if (what === 'taper' && (inside ?? outside)) drawTaper(s, (inside ?? outside)!, hole, units)
  else if (what === 'wedge-outside' && outside) drawFace(s, d, outside, hole, outside.outsideThickAtDeg!)
  else if (what === 'wedge-inside' && inside) drawFace(s, d, inside, hole, inside.insideThickAtDeg!)
  else drawPad(s, d, hole)
  const drawn = s.extent()
  s.text({ x: drawn.minX, y: drawn.maxY + TITLE_GAP }, seenFrom(what))
  const title = THROUGH_HULL_TEMPLATE_TITLES[what]
  return s.finish({
    name: `${d.name}: ${title}`,
    title: `${d.name}, ${title} at full size`,
    description: 'At 1:1.',
    nameAtY: drawn.maxY + 8,
    drawn,
  })
}
export const throughHullDrill = (d: ThroughHullDesign, j: ThroughHullJudgement): DrillRow[] => [
  {
    bolt: 0,
    name: 'bore',
    xMm: 0,
    yMm: 0,
    pilotMm: 4,
    boreMm: null,
    finishMm: j.stack?.holeMm ?? d.skin.holeMm,
    order: 'pilot from inside, bore from outside to half, then from inside',
    from: 'both sides',
  },
  ...(d.plug?.choke && d.plug.chokeMm !== null
    ? [
        {
          bolt: 0,
          name: 'choke, in the block',
          xMm: 0,
          yMm: 0,
          pilotMm: 3,
          boreMm: null,
          finishMm: d.plug.chokeMm,
          order: 'on the bench, before the block is bonded; no larger',
          from: 'either face of the block',
        },
      ]
    : []),
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
