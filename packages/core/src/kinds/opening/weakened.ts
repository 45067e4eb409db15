import { areaOf, boundsOf, type Point } from '../../base/geometry/outline'
import { toBoat } from '../../base/geometry/turn'
import { CORES } from '../../base/materials/cores'
import { TIMBERS } from '../../base/materials/laminates'
import { PLATES } from '../../base/materials/plates'
import { fieldRound, type Field } from '../../boat/field'
import { zoneOfPlace } from '../../boat/spot'
import { layupOf } from '../../chapters/plate/boat-layup'
import type { Cut, PatchProblem } from '../../chapters/plate/patch-solver'
import type { Around } from '../kind'
import type { OpeningDesign } from './design'
import { outlineAt, sizeAt } from './outline'

/** Counts up when the way of asking or reading changes, so that kept answers are asked for again. */
const WAY = 2
/** Elements a side, before lines are added at every edge. */
const MESH = 20
/** A person on one foot (chapter 6.3), as a square of the patch's area, beside the edge of the cut. */
const FOOT = { forceN: 1000, acrossMm: 100 }
const FOOT_SIDE_MM = 0.886 * FOOT.acrossMm
/**
 * Over the whole field: what is commonly asked of a small craft's deck at the least; ours, class rules win.
 * The green water that a pane is made for (chapter 6.3) strikes a spot, and no field of deck as a whole.
 */
const DECK_KPA = 5
const RING_E = {
  plywood: PLATES.plywood.eMPa,
  timber: TIMBERS.softwood.eMPa,
  'glass-sheet': PLATES['glass-epoxy'].eMPa,
} as const
const FLAT = ['deck', 'roof']
/** A hole of less than this part of its panel is an edge to close, and no weakness of the panel. */
const LITTLE = 0.1

/** What the plate solver is asked about the deck round a cut-out, with it and without. */
export interface WeakQuestion {
  key: string
  field: Field
  cut: PatchProblem
  uncut: PatchProblem
  footAt: Point
  /** members that the cut-out goes through: they count for nothing between their neighbours */
  cutThrough: string[]
}

/** An outline of the opening on the panel, whose corner is its origin. */
const onPanel = (d: OpeningDesign, field: Field, by: number): Point[] =>
  outlineAt(d.outline, by).map((p) => {
    const q = toBoat(d, { xMm: p.x, yMm: p.y })
    return { xMm: q.xMm - field.minX, yMm: q.yMm - field.minY }
  })
const extentOf = (d: OpeningDesign, by: number) =>
  boundsOf({ outline: outlineAt(d.outline, by).map((p) => toBoat(d, { xMm: p.x, yMm: p.y })) })

/** Where a square cut begins to turn its corner: a line of the mesh there, on each axis. */
function cornerLines(d: OpeningDesign, field: Field): Pick<Cut, 'linesX' | 'linesY'> {
  if (d.outline.kind !== 'rect' || d.headingDeg % 90 !== 0) return {}
  const b = extentOf(d, 0)
  const r = d.outline.cornerMm
  return {
    linesX: [b.minX + r, b.maxX - r].map((x) => x - field.minX),
    linesY: [b.minY + r, b.maxY - r].map((y) => y - field.minY),
  }
}
/** Beside the middle of the longer side, on whichever side has more room. */
function footOf(d: OpeningDesign, field: Field): Point {
  const b = extentOf(d, 0)
  const [cx, cy] = [(b.minX + b.maxX) / 2, (b.minY + b.maxY) / 2]
  const off = FOOT_SIDE_MM / 2 + 1
  const along = b.maxX - b.minX >= b.maxY - b.minY
  const [low, high] = along
    ? [b.minY - field.minY, field.maxY - b.maxY]
    : [b.minX - field.minX, field.maxX - b.maxX]
  const past = high >= low ? (along ? b.maxY : b.maxX) + off : (along ? b.minY : b.minX) - off
  const at = along ? { xMm: cx, yMm: past } : { xMm: past, yMm: cy }
  const half = FOOT_SIDE_MM / 2
  const onIt = (v: number, most: number) => Math.min(most - half, Math.max(half, v))
  return {
    xMm: onIt(at.xMm - field.minX, field.maxX - field.minX),
    yMm: onIt(at.yMm - field.minY, field.maxY - field.minY),
  }
}
const cutOf = (d: OpeningDesign, field: Field, pressureMPa: number): Cut => {
  const outline = onPanel(d, field, 0)
  return {
    outline,
    ...cornerLines(d, field),
    ...(d.ring
      ? {
          ring: {
            outline: onPanel(d, field, d.ring.widthMm),
            tMm: d.ring.thicknessMm,
            eMPa: RING_E[d.ring.material],
            nu: 0.3,
            bonded: true,
          },
        }
      : {}),
    // What closes it hands the sea on it to the edge.
    rim: {
      outline: onPanel(d, field, d.frame.flangeMm),
      forceN: pressureMPa * areaOf({ outline }),
    },
  }
}

/** Why the solver has nothing to say of the panel round it; null: it is asked. */
export function weakWhyNot(d: OpeningDesign, a: Pick<Around, 'zones' | 'parts'>): string | null {
  if (d.gland || d.prism)
    return 'A solid or a lining closes the panel again: nothing is weakened that the solver would be asked about.'
  const zone = zoneOfPlace(a.zones, d.place)
  if (!zone) return 'No known surface lies here, so nobody knows what frames it.'
  if (!FLAT.includes(zone.face))
    return 'The solver is asked on decks and roofs: what frames this face is not drawn.'
  const field = fieldOf(d, a)
  const across = Math.max(...Object.values(sizeAt(d.outline)))
  return across < LITTLE * Math.min(field.maxX - field.minX, field.maxY - field.minY)
    ? 'The hole is less than a tenth of the panel that it lies in: it weakens its own edge, and not the panel.'
    : null
}
const fieldOf = (d: OpeningDesign, a: Pick<Around, 'zones' | 'parts'>) =>
  fieldRound(
    d.place,
    extentOf(d, Math.max(d.frame.flangeMm, d.ring?.widthMm ?? 0)),
    zoneOfPlace(a.zones, d.place),
    a.parts,
  )
export function weakQuestion(d: OpeningDesign, a: Pick<Around, 'zones' | 'parts'>): WeakQuestion | null {
  if (weakWhyNot(d, a)) return null
  const field = fieldOf(d, a)
  const cutAt = extentOf(d, 0)
  const through = (m: Field['under'][number]) =>
    m.axis === 'x' ? m.atMm > cutAt.minX && m.atMm < cutAt.maxX : m.atMm > cutAt.minY && m.atMm < cutAt.maxY
  const [ox, oy] = [field.minX, field.minY]
  const supports = (those: Field['under']) =>
    those.map((m) => ({ axis: m.axis, atMm: m.atMm - (m.axis === 'x' ? ox : oy) }))
  const pressureMPa = DECK_KPA / 1000
  const footAt = footOf(d, field)
  const shared = {
    aMm: field.maxX - field.minX,
    bMm: field.maxY - field.minY,
    edges: { x0: 'simple', x1: 'simple', y0: 'simple', y1: 'simple' } as const,
    layup: layupOf(d.structure),
    loads: [{ ...footAt, lengthMm: FOOT_SIDE_MM, widthMm: FOOT_SIDE_MM, forceN: FOOT.forceN }],
    pressureMPa,
    nx: MESH,
    ny: MESH,
  }
  const cut = {
    ...shared,
    supports: supports(field.under.filter((m) => !through(m))),
    cut: cutOf(d, field, pressureMPa),
  }
  const uncut = { ...shared, supports: supports(field.under) }
  return {
    key: JSON.stringify([WAY, d.duty, d.structure, field.assumed, cut, uncut]),
    field,
    cut,
    uncut,
    footAt,
    cutThrough: field.under.filter(through).map((m) => m.title),
  }
}
export const coreShearMPa = (d: OpeningDesign): number | null =>
  d.structure.kind === 'sandwich'
    ? (d.structure.core.shearMPa ?? CORES[d.structure.core.material].shearMPa)
    : null
