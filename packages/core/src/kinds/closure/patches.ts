import { answerOf } from '../../base/calculator/calculator'
import { hullOf } from '../../base/geometry/hull'
import { fullThickness } from '../../base/materials/structure'
import { CLOTHS } from '../../base/materials/cloths'
import { holeClosure } from '../../chapters/repair/hole-closure'
import { bevelFor } from '../wrong-hole'
import type { ClosureDesign, OldHole } from './design'

type Out = ReturnType<typeof holeClosure.run>
/** A skin of the panel as it is laid up again: its plies from the hole to the ground edge. */
export interface SkinPatch {
  id: 'whole' | 'outer' | 'inner'
  title: string
  thicknessMm: number
  /** what the bevel begins at: the hole, or the wider cut through which the inner skin was reached */
  holeMm: number
  groundMm: number
  reachMm: number
  plyMm: number
  pliesPerSide: number
  backingDiscMm: number | null
  plies: Out['plies']
  clothG: number
  resinG: number
}
/** Holes whose bevels do not meet those of any other, laid up in one. */
export interface Patch {
  /** numbers of the holes in the design */
  holes: number[]
  /** middle of the holes, from the job's place */
  atX: number
  atY: number
  /** the largest of its holes */
  holeMm: number
  /** corners round the middles of its holes; one point for one hole */
  corners: { xMm: number; yMm: number }[]
  /** across the ground, the long way */
  groundMm: number
  reachMm: number
  skins: SkinPatch[]
  /** solid between the skins, or the whole hole where it is only filled */
  plugMl: number
  cautions: { id: string; text: string }[]
}

export const ratioOf = (d: ClosureDesign): number =>
  d.ratio ?? bevelFor({ highlyLoaded: d.highlyLoaded, place: d.place.belowWaterline ? 'below' : 'above' })

const closing = (d: ClosureDesign, holeMm: number, thicknessMm: number, single: boolean) =>
  answerOf(holeClosure, {
    holeMm,
    thicknessMm,
    ratio: ratioOf(d),
    sides: single || d.access !== 'both' ? 'one' : d.sides,
    cloth: d.cloth,
    order: d.order,
    place: d.place.belowWaterline ? 'below' : 'above',
    highlyLoaded: d.highlyLoaded,
    singleAccess: d.access !== 'both',
  })
/** How far a bevel reaches from the edge of the largest hole, whatever its size: by thickness and ratio. */
export function reachOf(d: ClosureDesign): number {
  const s = d.structure
  if (d.way === 'fill') return 0
  if (s.kind !== 'sandwich') {
    const both = d.access === 'both' && d.sides === 'both'
    return ratioOf(d) * (both ? s.thicknessMm / 2 : s.thicknessMm)
  }
  const outer = ratioOf(d) * s.outerMm
  // Reached from one side alone, the inner skin is bevelled through a wider cut in the outer one.
  return d.access === 'both' ? Math.max(outer, ratioOf(d) * s.innerMm) : outer + ratioOf(d) * s.innerMm
}

const gapOf = (a: OldHole, b: OldHole) =>
  Math.hypot(a.dxMm - b.dxMm, a.dyMm - b.dyMm) - (a.holeMm + b.holeMm) / 2
/** Holes whose bevels meet are one patch. */
function groups(d: ClosureDesign): number[][] {
  const reach = reachOf(d)
  const of = d.holes.map((_, i) => i)
  const root = (i: number): number => (of[i] === i ? i : root(of[i]!))
  for (let i = 0; i < d.holes.length; i++)
    for (let k = i + 1; k < d.holes.length; k++)
      if (gapOf(d.holes[i]!, d.holes[k]!) < 2 * reach - 1e-9) of[root(k)] = root(i)
  const by = new Map<number, number[]>()
  d.holes.forEach((_, i) => by.set(root(i), [...(by.get(root(i)) ?? []), i]))
  return [...by.values()]
}

/** Area inside a line that runs round the corners at a distance: of one corner, a circle. */
export function areaRound(corners: { xMm: number; yMm: number }[], r: number): number {
  const n = corners.length
  let area = 0
  let round = 0
  for (let i = 0; i < n; i++) {
    const [a, b] = [corners[i]!, corners[(i + 1) % n]!]
    area += (a.xMm * b.yMm - b.xMm * a.yMm) / 2
    round += Math.hypot(b.xMm - a.xMm, b.yMm - a.yMm)
  }
  return Math.abs(area) + round * r + Math.PI * r * r
}

function skin(
  d: ClosureDesign,
  own: Pick<SkinPatch, 'id' | 'title' | 'thicknessMm' | 'holeMm'>,
  corners: Patch['corners'],
  /** laid from the side that is reached, where only one is */
  behind: boolean,
): { skin: SkinPatch; cautions: Out['cautions'] } {
  const out = closing(d, own.holeMm, own.thicknessMm, own.id !== 'whole')
  const backing = behind ? out.backingDiscMm : null
  const discs = [...out.plies.map((p) => p.diameterMm), ...(backing === null ? [] : [backing])]
  const clothG = discs.reduce((sum, mm) => sum + (areaRound(corners, mm / 2) / 1e6) * CLOTHS[d.cloth].gM2, 0)
  return {
    skin: {
      ...own,
      groundMm: out.groundMm,
      reachMm: out.reachMm,
      plyMm: out.plyMm,
      pliesPerSide: out.pliesPerSide,
      backingDiscMm: backing,
      plies: out.plies,
      clothG,
      resinG: out.clothG > 0 ? (clothG * out.resinG) / out.clothG : 0,
    },
    cautions: out.cautions,
  }
}

const spread = (corners: Patch['corners']) =>
  Math.max(0, ...corners.flatMap((a) => corners.map((b) => Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm))))

function layers(d: ClosureDesign, holeMm: number, corners: Patch['corners']) {
  const s = d.structure
  if (d.way === 'fill') return { skins: [], cautions: [], solidMm: fullThickness(s), wideMm: holeMm }
  if (s.kind !== 'sandwich') {
    const one = skin(d, { id: 'whole', title: 'laminate', thicknessMm: s.thicknessMm, holeMm }, corners, true)
    return { skins: [one.skin], cautions: one.cautions, solidMm: 0, wideMm: holeMm }
  }
  // Reached from one side alone, the far skin is laid through a wider cut in the near one.
  const nearIsOuter = d.access !== 'inside'
  const far = {
    ...(nearIsOuter
      ? { id: 'inner' as const, title: 'inner skin', thicknessMm: s.innerMm }
      : { id: 'outer' as const, title: 'outer skin', thicknessMm: s.outerMm }),
    holeMm,
  }
  const back = skin(d, far, corners, true)
  const wideMm = d.access === 'both' ? holeMm : back.skin.groundMm
  const near = {
    ...(nearIsOuter
      ? { id: 'outer' as const, title: 'outer skin', thicknessMm: s.outerMm }
      : { id: 'inner' as const, title: 'inner skin', thicknessMm: s.innerMm }),
    holeMm: wideMm,
  }
  const front = skin(d, near, corners, false)
  return {
    skins: [front.skin, back.skin],
    cautions: [...front.cautions, ...back.cautions],
    solidMm: s.core.thicknessMm,
    wideMm,
  }
}

/** The patches of a job, the one with most holes first. */
export function patchesOf(d: ClosureDesign): Patch[] {
  const made = groups(d).map((holes): Patch => {
    const mine = holes.map((i) => d.holes[i]!)
    const holeMm = Math.max(...mine.map((h) => h.holeMm))
    const corners = hullOf(mine.map((h) => ({ xMm: h.dxMm, yMm: h.dyMm })))
    const { skins, cautions, solidMm, wideMm } = layers(d, holeMm, corners)
    const reachMm = reachOf(d)
    // A filler goes into each hole by itself; a core plug lies under the whole of the patch.
    const ml =
      d.way === 'fill'
        ? mine.reduce((v, h) => v + (Math.PI / 4) * h.holeMm ** 2 * solidMm, 0)
        : areaRound(corners, wideMm / 2) * solidMm
    return {
      holes,
      atX: corners.reduce((v, p) => v + p.xMm, 0) / corners.length,
      atY: corners.reduce((v, p) => v + p.yMm, 0) / corners.length,
      holeMm,
      corners,
      groundMm: spread(corners) + holeMm + 2 * reachMm,
      reachMm,
      skins,
      plugMl: ml / 1000,
      cautions: cautions.filter((c, i) => cautions.findIndex((x) => x.id === c.id) === i),
    }
  })
  return made.sort((a, b) => b.holes.length - a.holes.length || b.groundMm - a.groundMm)
}
