import { answerOf } from '../../base/calculator/calculator'
import { wedgeBlock } from '../../chapters/hull/wedge-block'
import { say, type Check } from '../../base/verdict/check'
import type { ThroughHullDesign } from './design'
import type { Obstacle } from './obstacles'
import { plain } from './plain'

/** Half of a hose over its bore, on its barb. */
const HOSE_MM = 10
const HAND_MM = 15

/** How far off the nearest thing is on the side to which it leans, in a path that wide; null for nothing. */
export function clearanceTo(
  obstacles: Pick<Obstacle, 'x1Mm' | 'y1Mm' | 'x2Mm' | 'y2Mm'>[],
  towards: { x: number; y: number },
  halfMm: number,
): number | null {
  const found = obstacles.flatMap((o) => {
    const along = (x: number, y: number) => x * towards.x + y * towards.y
    const aside = (x: number, y: number) => y * towards.x - x * towards.y
    const [a, b] = [
      { s: along(o.x1Mm, o.y1Mm), t: aside(o.x1Mm, o.y1Mm) },
      { s: along(o.x2Mm, o.y2Mm), t: aside(o.x2Mm, o.y2Mm) },
    ]
    if (Math.max(a.t, b.t) < -halfMm || Math.min(a.t, b.t) > halfMm) return []
    const at = (t: number) =>
      a.t === b.t ? Math.min(a.s, b.s) : a.s + ((t - a.t) / (b.t - a.t)) * (b.s - a.s)
    const held = (t: number) => Math.max(-halfMm, Math.min(halfMm, t))
    const nearest = Math.min(at(held(a.t)), at(held(b.t)))
    return nearest > 0 ? [nearest] : []
  })
  return found.length ? Math.min(...found) : null
}

/**
 * One that stands square to a sloped hull leans with it (5.5): whether its inboard end comes too near what
 * was measured beside it. Null where it stands plumb, or nothing was measured on that side.
 */
export function leanCheck(
  d: ThroughHullDesign,
  tilt: { deg: number; azimuthDeg: number },
  obstacles: Obstacle[],
): Check | null {
  const v = d.valve
  if (!v || d.wedge.blocks !== 'none' || !(tilt.deg > 0)) return null
  const reachMm = d.skin.boreMm / 2 + HOSE_MM
  // Away from where the hull rises, which is measured from abeam towards aft.
  const az = (tilt.azimuthDeg * Math.PI) / 180
  const towards = { x: -Math.sin(az), y: -Math.cos(az) * (d.place.yMm < 0 ? -1 : 1) }
  const clearanceMm = clearanceTo(
    obstacles.filter((o) => !o.map),
    towards,
    reachMm + HAND_MM,
  )
  if (clearanceMm === null) return null
  const { lean } = answerOf(wedgeBlock, {
    deadriseDeg: d.hull.deadriseDeg,
    slopeDeg: d.hull.slopeDeg,
    baseMm: d.skin.flangeMm,
    thinMm: d.wedge.thinMm,
    holeMm: d.boredMm ?? d.skin.holeMm,
    hullMm: d.hull.thicknessMm,
    marginMm: d.wedge.marginMm,
    blocks: 'inside',
    lean: { heightMm: (d.pad?.thicknessMm ?? 0) + v.heightMm, reachMm, clearanceMm },
  })
  return plain(
    'lean',
    'Room where it leans',
    lean!.wanted ? 'tight' : 'holds',
    lean!.wanted
      ? `Square to the hull its end leans ${say(lean!.leanMm)} mm towards what stands ${say(clearanceMm)} mm off on that side: with its hose no hand passes between. Wedges would make it plumb.`
      : `Square to the hull its end leans ${say(lean!.leanMm)} mm; what stands on that side is ${say(clearanceMm)} mm off, and a hand passes.`,
    'chapter 5.5',
  )
}
