import { formatLength, type Units } from '../../base/quantity/format'
import { legendOf, penOf } from '../../drawing/section-pen'
import { niceLength, type Drawing, type Handle, type Pt, type Shape } from '../../drawing/shapes'
import { fullThickness } from '../../base/materials/structure'
import type { SetIn } from './design'
import type { Aligned, RigJudgement } from './judgement'

const ARC = 206_265
/** A tilt of a few arc-seconds is not seen: it is drawn so many times as large, and says so. */
const DRAWN_LARGER = 60
const TALL_MM = { strut: 260, post: 420, compression: 420, knee: 260 } as const

const tallOf = (d: SetIn) => TALL_MM[d.family as keyof typeof TALL_MM] ?? 260
const grip = (path: string, label: string, at: Pt, axis: 'x' | 'y', value: number, per: number): Handle => ({
  path,
  label,
  at,
  axis,
  value,
  per,
  leastMm: 1,
})
/** Sizes that the section is laid out by. */
function laidOut(d: SetIn) {
  const { recess, tabs } = d.set
  const hull = Math.max(6, fullThickness(d.structure))
  const wide = recess ? recess.takenMm2 / recess.lengthMm : Math.max(12, hull)
  const room = recess?.widthMm ?? wide
  const tall = tallOf(d)
  return {
    hull,
    wide,
    room,
    tall,
    deep: recess?.depthMm ?? 0,
    half: room / 2 + (tabs?.widthMm ?? 60) + 40,
    text: (tall + hull) / 20,
  }
}
type Laid = ReturnType<typeof laidOut>
type Tabs = NonNullable<SetIn['set']['tabs']>
/** Fillet and cloth of one side: m is 1 to the right, -1 to the left. */
function tabShapes(tabs: Tabs, { wide, tall }: Laid, m: 1 | -1): Shape[] {
  const t = Math.max(2, tabs.plies * tabs.plyMm)
  const [a, b] = [(m * wide) / 2, m * (wide / 2 + tabs.widthMm)]
  const f = tabs.filletMm
  const up = Math.min(tall, tabs.widthMm)
  const points = (...ps: [number, number][]): Pt[] => ps.map(([x, y]) => ({ x, y }))
  return [
    {
      kind: 'area',
      points: points([a, 0], [a + m * f, 0], [a, f]),
      tone: 'filled-epoxy',
      role: 'tabs.filletMm',
      label: 'fillet',
    },
    {
      kind: 'area',
      points: points(
        [b, 0],
        [b, t / 3],
        [a + m * f, t],
        [a + m * t, f],
        [a + m * (t / 3), up],
        [a, up],
        [a, f],
        [a + m * f, 0],
      ),
      tone: 'epoxy-glass',
      role: 'tabs',
      label: 'tabs',
    },
  ]
}
function footGrips({ set: { recess, tabs } }: SetIn, { room, wide, deep }: Laid): Handle[] {
  const pocket = recess
    ? [
        grip('set.recess.widthMm', 'pocket, wide', { x: room / 2, y: -deep / 2 }, 'x', recess.widthMm, 2),
        grip('set.recess.depthMm', 'pocket, deep', { x: 0, y: -deep }, 'y', deep, -1),
      ]
    : []
  if (!tabs) return pocket
  const far = { x: wide / 2 + tabs.widthMm, y: 2 }
  return [
    ...pocket,
    grip('set.tabs.widthMm', 'tabs, out on the hull', far, 'x', tabs.widthMm, 1),
    grip('set.tabs.filletMm', 'fillet', { x: wide / 2, y: tabs.filletMm }, 'y', tabs.filletMm, 1),
  ]
}
/** Foot, pocket, tabs and hull in section, the hull below. */
function footCut(d: SetIn, units: Units): Drawing {
  const p = penOf()
  const { recess, tabs, shaft } = d.set
  const laid = laidOut(d)
  const { hull, wide, room, tall, deep, half, text } = laid
  const mm = (v: number) => formatLength(v, units)
  p.area(-half, -hull - deep, half, -deep, 'laminate', 'structure', 'hull')
  if (recess) {
    p.area(-half, -deep, -room / 2, 0, 'laminate', 'structure', 'hull')
    p.area(room / 2, -deep, half, 0, 'laminate', 'structure', 'hull')
    p.area(-room / 2, -deep, room / 2, 0, 'filled-epoxy', 'recess', 'filled epoxy')
  }
  p.area(-wide / 2, -deep, wide / 2, tall, 'hardware', 'set', 'foot')
  const shapes: Shape[] = p.shapes
  if (tabs) shapes.push(...tabShapes(tabs, laid, 1), ...(tabs.sides === 2 ? tabShapes(tabs, laid, -1) : []))
  if (shaft) {
    const at = { x: 0, y: tall - shaft.diameterMm }
    shapes.push({ kind: 'ring', at, r: shaft.diameterMm / 2, weight: 'outline', role: 'shaft' })
  }
  p.words(half + text * 0.5, -deep - hull / 2, `hull ${mm(hull)}`, text)
  if (recess) p.words(half + text * 0.5, text * 0.6, `pocket ${mm(deep)} deep`, text)
  const stands = recess ? `in a pocket ${mm(deep)} deep` : 'in no pocket'
  const tabbed = tabs ? `, ${tabs.plies} plies of tabs on a fillet of ${mm(tabs.filletMm)}` : ''
  return {
    title: 'Across its foot, hull below.',
    description: `Foot ${stands}${tabbed}.`,
    bounds: { minX: -half - text, maxX: half + 12 * text, minY: -hull - deep - text, maxY: tall + 2 * text },
    shapes,
    legend: legendOf(shapes),
    textMm: text,
    scaleBarMm: niceLength(half, units),
    handles: footGrips(d, laid),
  }
}
const over = (p: Pt): Pt => ({ x: p.x, y: -p.y })
function turnedUp(s: Shape): Shape {
  if (s.kind === 'area' || s.kind === 'path') return { ...s, points: s.points.map(over) }
  return s.kind === 'text' ? { ...s, at: { x: s.at.x, y: -s.at.y - s.size * 0.7 } } : { ...s, at: over(s.at) }
}
/** Foot, pocket, tabs and hull in section: a strut hangs under its hull, the others stand on it. */
export function setCut(d: SetIn, units: Units): Drawing {
  const up = footCut(d, units)
  if (d.family !== 'strut') return up
  const { minX, maxX, minY, maxY } = up.bounds
  return {
    ...up,
    title: 'Across its foot, hull above.',
    bounds: { minX, maxX, minY: -maxY, maxY: -minY + 2 * up.textMm },
    shapes: up.shapes.map(turnedUp),
    handles: up.handles!.map((h) => ({ ...h, at: over(h.at), per: h.axis === 'y' ? -h.per : h.per })),
  }
}
const turned = (t: number) => (t === 0 ? 'stays' : `${Math.abs(t)} ${t > 0 ? 'towards' : 'away'}`)
const dashed = (points: Pt[]): Shape => ({ kind: 'path', points, weight: 'hidden' })
/** Where its axis points, no further than the screws stand. */
function axisOf(now: Aligned | null, reach: number): Shape[] {
  if (!now) return []
  const by = (reach * DRAWN_LARGER) / ARC
  const axis = { x: now.tiltArcSec.x * by, y: now.tiltArcSec.y * by }
  const k = Math.min(1, reach / Math.max(1e-9, Math.hypot(axis.x, axis.y)))
  const points = [
    { x: 0, y: 0 },
    { x: k * axis.x, y: k * axis.y },
  ]
  return [{ kind: 'path', points, weight: 'load', role: 'axis' }]
}
const screwShapes = (at: Pt, i: number, turns: number | null, text: number): Shape[] => [
  { kind: 'disc', at, r: text * 0.5, tone: 'bolt', role: `screw ${i + 1}`, label: `screw ${i + 1}` },
  {
    kind: 'text',
    at: { x: at.x + text * 0.9, y: at.y - text * 0.35 },
    text: turns === null ? `${i + 1}` : `${i + 1}: ${turned(turns)}`,
    size: text,
    anchor: 'start',
  },
]
/** The jig from the target: three screws with what each is turned, and where the axis points. */
export function jigFace(d: SetIn, j: RigJudgement, units: Units): Drawing {
  const jig = d.set.jig!
  const now = j.set?.now ?? null
  const reach = Math.max(...jig.screws.map((s) => Math.hypot(s.xMm, s.yMm)))
  const text = reach / 9
  const bore = (d.set.shaft?.diameterMm ?? reach / 2) / 2
  const [far, pad] = [bore * 1.3, reach * 0.5 + 4 * text]
  const shapes: Shape[] = [
    { kind: 'ring', at: { x: 0, y: 0 }, r: bore, weight: 'outline', role: 'shaft' },
    dashed([
      { x: -far, y: 0 },
      { x: far, y: 0 },
    ]),
    dashed([
      { x: 0, y: -far },
      { x: 0, y: far },
    ]),
    ...jig.screws.flatMap((s, i) =>
      screwShapes({ x: s.xMm, y: s.yMm }, i, now ? now.turnsRounded[i]! : null, text),
    ),
    ...axisOf(now, reach),
  ]
  return {
    title: now
      ? `The jig, seen from the target; its axis points as the arrow, ${DRAWN_LARGER} times as far.`
      : 'The jig, seen from the target. Nobody has sighted along it yet.',
    description: now
      ? `Turns of the three screws: ${now.turnsRounded.map(turned).join(', ')}; tilt ${Math.round(now.tiltArcSec.total)} arc-seconds.`
      : 'Three screws round the bore.',
    bounds: {
      minX: -reach - pad,
      maxX: reach + pad + 3 * text,
      minY: -reach - pad / 2,
      maxY: reach + pad / 2,
    },
    shapes,
    legend: [],
    textMm: text,
    scaleBarMm: niceLength(reach, units),
    handles: [],
  }
}
