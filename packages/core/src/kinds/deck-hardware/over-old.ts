import { oldHoles } from '../../chapters/layout/old-holes'
import { answerOf } from '../../base/calculator/calculator'
import { boundsOf, type Point } from '../../base/geometry/outline'
import { SIZES } from '../../base/materials/fasteners'
import { fullThickness } from '../../base/materials/structure'
import { formatLength, formatVolume, type Units } from '../../base/quantity/format'
import type { HoleRow } from '../../boat/record'
import type { Drawing, Shape } from '../../drawing/shapes'
import type { Design } from './design'
import type { Judgement } from './judgement'
import { drawPattern } from './pattern'
import { planOfBase } from './plans'
import { fromBoat, toBoat } from '../../base/geometry/turn'

type OldRow = Pick<
  HoleRow,
  'label' | 'xMm' | 'yMm' | 'diameterMm' | 'acrossMm' | 'directionDeg' | 'state' | 'zoneCode' | 'withdrawnWhy'
>
/** Past the base by this much a hole still has a say: its web, and what is bored. */
const ROUND_MM = 60
const MOST = 60

/** A hole as the casting sees it, from its middle. */
const fromPlace = (d: Design, h: OldRow): Point =>
  fromBoat(d, { xMm: h.xMm - d.place.xMm, yMm: h.yMm - d.place.yMm })
const near = (p: Point, b: ReturnType<typeof boundsOf>) =>
  p.xMm > b.minX - ROUND_MM &&
  p.xMm < b.maxX + ROUND_MM &&
  p.yMm > b.minY - ROUND_MM &&
  p.yMm < b.maxY + ROUND_MM

/** Holes of what stood here before: on the same surface, under the base or close round it. */
export function oldHolesNear<H extends OldRow>(d: Design, holes: H[]): H[] {
  const b = boundsOf(planOfBase(d.base))
  return holes
    .filter((h) => h.withdrawnWhy === null && h.zoneCode === d.place.zone && near(fromPlace(d, h), b))
    .slice(0, MOST)
}
const slotOf = (d: Design, h: OldRow) => {
  const here = { ...fromPlace(d, h), filled: h.state === 'closed' }
  const long = Math.max(h.diameterMm, h.acrossMm ?? h.diameterMm)
  const wide = Math.min(h.diameterMm, h.acrossMm ?? h.diameterMm)
  return long > wide
    ? { ...here, lengthMm: long, widthMm: wide, angleDeg: (h.directionDeg ?? 0) - d.headingDeg }
    : { ...here, diameterMm: long }
}
/** What is bored round each bolt; left out where nothing is. */
const plugMm = (d: Design, j: Judgement): number | undefined => {
  if (j.core?.boreMm) return j.core.boreMm
  return j.core?.undercutMm ? SIZES[d.bolt.size]!.clearanceMm + 2 * j.core.undercutMm : undefined
}

export interface OverOld<H extends OldRow = OldRow> {
  holes: H[]
  out: ReturnType<typeof oldHoles.run>
}
/** The pattern over the holes that are there (18.6); null where there are none. */
export function overOld<H extends OldRow>(d: Design, j: Judgement, all: H[]): OverOld<H> | null {
  const holes = oldHolesNear(d, all)
  if (!holes.length) return null
  const size = SIZES[d.bolt.size]!
  const out = answerOf(oldHoles, {
    pattern: d.bolts,
    holeMm: size.clearanceMm,
    boltMm: size.diameterMm,
    plugMm: plugMm(d, j),
    metal: d.structure.kind === 'metal',
    base: planOfBase(d.base),
    depthMm: fullThickness(d.structure),
    old: holes.map((h) => slotOf(d, h)),
    // The casting does not turn for an old hole: its line or its edge says how it stands.
    turnDeg: 0,
  })
  return { holes, out }
}

/** Where the least move that clears them all would put it, on the boat; null where there is none to make. */
export function moveOver(d: Design, o: OverOld): Point | null {
  const s = o.out.allClear ? null : o.out.suggestion
  if (!s) return null
  const by = toBoat(d, s)
  return { xMm: d.place.xMm + by.xMm, yMm: d.place.yMm + by.yMm }
}

const STATUS = {
  'breaks-in': 'a new hole breaks into it',
  'cuts-plug': 'the bore would cut into it, and the epoxy run out through it',
  web: 'too little is left between it and a new hole',
  clear: 'clear',
  swallowed: 'goes with the bore',
} as const
const CLOSE = { none: 'nothing to close', first: 'close it first', later: 'close it after' } as const

export interface OldHoleSaid {
  label: string
  status: string
  wrong: boolean
  close: string
  fill: string
  over: string
}
/** Each old hole as a fitter reads it. */
export const oldHolesSaid = (o: OverOld, units: Units): OldHoleSaid[] =>
  o.out.old.map((r, i) => ({
    label: o.holes[i]!.label,
    status: STATUS[r.status],
    wrong: r.status !== 'clear' && r.status !== 'swallowed',
    close: CLOSE[r.close],
    fill: r.fillMl === null || r.close === 'none' ? '' : formatVolume(r.fillMl, units),
    over: r.boreMm === null ? '' : `or bore over it with ${formatLength(r.boreMm, units)}`,
  }))
/** What to do about them, in one go. */
export function overOldSaid(o: OverOld, units: Units): string {
  const { out } = o
  const named = (list: number[]) => list.map((i) => o.holes[i]!.label).join(', ')
  if (out.allClear && !out.closeFirst.length) return 'The pattern is clear of every hole that is there.'
  const first = out.closeFirst.length ? `Close ${named(out.closeFirst)} first, and let it cure. ` : ''
  const guide = out.guide.length
    ? `Drill ${out.guide.map((b) => b + 1).join(', ')} through a guide clamped on: beside a filled hole the drill walks into the softer side. `
    : ''
  const s = out.suggestion
  const move = out.allClear
    ? ''
    : s
      ? `${formatLength(s.moveMm, units)} is the least move that clears them all.`
      : out.whenFilled
        ? `No move within 30 mm clears them as they are; once they are filled ${out.whenFilled.moveMm === 0 ? 'it may stay where it is' : `a move of ${formatLength(out.whenFilled.moveMm, units)} does`}.`
        : 'No move within 30 mm clears them, filled or not: another place, or another pattern.'
  return `${first}${guide}${move}`.trim()
}

/** The pattern with what was there before drawn in: those in the way heavy, the filled ones dashed. */
export function overOldDrawing(d: Design, j: Judgement, o: OverOld, units: Units): Drawing {
  const whole = drawPattern(d, j, units)
  // What the load does stands in the pattern itself; here it would only hide the holes.
  const bare = (x: Shape) =>
    !('weight' in x && x.weight === 'load') && !('role' in x && (x.role === 'pressed' || x.role === 'load'))
  const drawing = { ...whole, shapes: whole.shapes.filter(bare) }
  const b = { ...drawing.bounds }
  const shapes: Shape[] = o.holes.flatMap((h, i): Shape[] => {
    const seen = fromPlace(d, h)
    const at = { x: seen.xMm, y: seen.yMm }
    const r = Math.max(h.diameterMm, h.acrossMm ?? 0) / 2
    const wrong = !['clear', 'swallowed'].includes(o.out.old[i]!.status)
    b.minX = Math.min(b.minX, at.x - r - drawing.textMm)
    b.maxX = Math.max(b.maxX, at.x + r + 4 * drawing.textMm)
    b.minY = Math.min(b.minY, at.y - r - drawing.textMm)
    b.maxY = Math.max(b.maxY, at.y + r + drawing.textMm)
    return [
      {
        kind: 'ring',
        at,
        r,
        weight: wrong ? 'load' : h.state === 'closed' ? 'hidden' : 'outline',
        role: 'old',
      },
      {
        kind: 'text',
        at: { x: at.x + r + drawing.textMm * 0.3, y: at.y - drawing.textMm * 0.3 },
        text: h.label,
        size: drawing.textMm,
        anchor: 'start',
      },
    ]
  })
  return {
    ...drawing,
    title: 'Pattern over the holes that are there',
    description: overOldSaid(o, units),
    bounds: b,
    shapes: [...drawing.shapes, ...shapes],
    handles: [],
  }
}
