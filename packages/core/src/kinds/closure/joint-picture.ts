import { formatLength, type Units } from '../../base/quantity/format'
import { CLOTHS } from '../../base/materials/cloths'
import { niceLength, type Drawing, type Handle, type Pt, type Shape } from '../../drawing/shapes'
import { legendOf } from '../../drawing/section-pen'
import type { ClosureDesign, Joint } from './design'
import type { ClosureJudgement } from './judgement'

const rad = (deg: number) => (deg * Math.PI) / 180
/** A strip along a face from the corner: so far out, so thick, lying on what is under it. */
function strip(dir: Pt, off: Pt, from: number, to: number, low: number, high: number): Pt[] {
  const at = (s: number, t: number): Pt => ({ x: dir.x * s + off.x * t, y: dir.y * s + off.y * t })
  return [at(from, low), at(to, low), at(to, high), at(from, high)]
}
const area = (
  points: Pt[],
  tone: 'laminate' | 'filled-epoxy' | 'epoxy-glass',
  role: string,
  label: string,
): Shape => ({
  kind: 'area',
  points,
  tone,
  role,
  label,
})
const DECK_MM = 8
/** Deck, hull at its angle below it, and what fills and covers the corner between them. */
function cornerShapes(d: ClosureDesign, joint: Joint, reach: number) {
  const hull = { x: Math.cos(rad(joint.angleDeg)), y: -Math.sin(rad(joint.angleDeg)) }
  const inHull = { x: Math.sin(rad(joint.angleDeg)), y: Math.cos(rad(joint.angleDeg)) }
  const deck = { x: 1, y: 0 }
  const out = { x: -inHull.x, y: -inHull.y }
  const tangent = joint.angleDeg === 180 ? 0 : joint.filletMm / Math.tan(rad(joint.angleDeg) / 2)
  const corner = [
    { x: 0, y: 0 },
    { x: tangent, y: 0 },
    { x: hull.x * tangent, y: hull.y * tangent },
  ]
  // A ply is thinner than a line: it is drawn as thick as it takes to be told apart.
  const t = Math.max(CLOTHS[d.cloth].plyMm, reach / 45)
  const faces: [Pt, Pt][] = [
    [deck, { x: 0, y: -1 }],
    [hull, inHull],
  ]
  const shapes: Shape[] = [
    area(strip(deck, { x: 0, y: 1 }, -DECK_MM, reach, 0, DECK_MM), 'laminate', 'structure', 'deck'),
    area(strip(hull, out, joint.gapMm, reach, 0, DECK_MM), 'laminate', 'structure', 'hull'),
    ...(tangent > 0 ? [area(corner, 'filled-epoxy', 'joint.filletMm', 'fillet')] : []),
    ...joint.tapesMm.flatMap((b, i) =>
      faces.map(([along, off]) =>
        area(
          strip(along, off, tangent * 0.8, b / 2, i * t, (i + 1) * t),
          'epoxy-glass',
          'joint.tapesMm',
          `tape ${i + 1}`,
        ),
      ),
    ),
  ]
  return { shapes, hull, tangent }
}
/** The corner from inside: deck over, hull down at its angle; gap and fillet filled, tapes stepping out. */
export function jointCut(d: ClosureDesign, j: ClosureJudgement, units: Units): Drawing {
  const joint = d.joint!
  const reach = Math.max(...joint.tapesMm) / 2 + 30
  const { shapes, hull, tangent } = cornerShapes(d, joint, reach)
  const text = reach / 13
  const mm = (v: number) => formatLength(v, units)
  const said = [
    `gap ${mm(joint.gapMm)}, ${mm(joint.depthMm)} deep`,
    `fillet ${mm(joint.filletMm)}`,
    ...joint.tapesMm.map((b, i) => `tape ${i + 1}: ${mm(b)} wide`),
    ...(j.joint ? [`ground ${mm(Math.round(j.joint.grindWidthMm))} wide`] : []),
  ]
  const low = -reach * 0.3
  said.forEach((words, i) => {
    const at = { x: reach * 0.35, y: low - i * 1.7 * text }
    shapes.push({ kind: 'text', at, text: words, size: text, anchor: 'start' })
  })
  return {
    title: 'the joint from inside, in section; plies drawn thicker than they are',
    description: said.join('; '),
    bounds: {
      minX: Math.min(-DECK_MM, hull.x * reach) - 2 * text,
      maxX: reach + 6 * text,
      minY: Math.min(hull.y * reach, low - said.length * 1.7 * text) - text,
      maxY: DECK_MM + 3 * text,
    },
    shapes,
    legend: legendOf(shapes),
    textMm: text,
    scaleBarMm: niceLength(reach / 2, units),
    handles: [grip('joint.filletMm', 'fillet', { x: tangent, y: 0 }, joint.filletMm)],
  }
}
const grip = (path: string, label: string, at: Pt, value: number): Handle => ({
  path,
  label,
  at,
  axis: 'x',
  value,
  per: 1,
  leastMm: 3,
})
/** The run from above, with its length along the edge. */
export function jointPlan(joint: Joint, lengthMm: number, units: Units): Drawing {
  const points = joint.path.map((p) => ({ x: p.xMm, y: p.yMm }))
  const [xs, ys] = [points.map((p) => p.x), points.map((p) => p.y)]
  const [minX, maxX] = [Math.min(...xs), Math.max(...xs)]
  const [minY, maxY] = [Math.min(...ys), Math.max(...ys)]
  const text = Math.max(60, (maxX - minX) / 26)
  const said = `${formatLength(Math.round(lengthMm), units)} along the joint`
  return {
    title: 'the run from above, bow left, starboard up',
    description: said,
    bounds: { minX: minX - 2 * text, maxX: maxX + 2 * text, minY: minY - 5 * text, maxY: maxY + 4 * text },
    shapes: [
      { kind: 'path', points, weight: 'load', role: 'joint.path' },
      ...[points[0]!, points.at(-1)!].map((at): Shape => ({
        kind: 'ring',
        at,
        r: text / 3,
        weight: 'outline',
      })),
      { kind: 'text', at: { x: minX, y: maxY + 1.5 * text }, text: said, size: text, anchor: 'start' },
    ],
    legend: [],
    textMm: text,
    scaleBarMm: niceLength((maxX - minX) / 4 || 100, units),
    handles: [],
  }
}
