import type { BoatPart } from '../../boat/spot'
import { walked, type Pt3 } from '../path'

export interface Keepout {
  name: string
  fromMm: number
  toMm: number
  marginMm: number
  /** from the map, and not written down by hand */
  byMap: boolean
  /** nobody measured how wide it is: a usual width was taken */
  guessed: boolean
}
const KEPT_OFF = ['bulkhead', 'knee', 'beam', 'tank'] as const
/** What a part is taken to be thick where nobody measured it: a bulkhead of ply with its tabbing. */
export const THICK_MM = 30
const WALK_MM = 5
const across = (p: BoatPart) => Math.abs(p.y1Mm - p.y0Mm) <= 2 && Math.abs(p.y0Mm) <= 1
/**
 * Whether a point of the line lies over a part of the boat, as its plan shows it; broader by half a step, so
 * that a thin frame does not fall between two samples.
 */
function over(p: BoatPart, at: Pt3): boolean {
  const half = (p.widthMm ?? THICK_MM) / 2 + WALK_MM / 2
  const inX = at.xMm >= Math.min(p.x0Mm, p.x1Mm) - half && at.xMm <= Math.max(p.x0Mm, p.x1Mm) + half
  if (across(p)) return inX
  return inX && at.yMm >= Math.min(p.y0Mm, p.y1Mm) - half && at.yMm <= Math.max(p.y0Mm, p.y1Mm) + half
}
/** Bulkheads, knees, beams and tanks that cross the line, each as the stretch of it that they take. */
export function mapKeepouts(path: Pt3[], parts: BoatPart[], marginMm: number): Keepout[] {
  const points = walked(path, WALK_MM)
  return parts
    .filter((p) => (KEPT_OFF as readonly string[]).includes(p.kind))
    .flatMap((p) => {
      const on = points.filter((at) => over(p, at))
      if (!on.length) return []
      return [
        {
          name: p.title,
          // Between two samples it may begin anywhere: a step more at each end, never less.
          fromMm: Math.floor(on[0]!.sMm - WALK_MM),
          toMm: Math.ceil(on.at(-1)!.sMm + WALK_MM),
          marginMm,
          byMap: true,
          guessed: p.widthMm == null,
        },
      ]
    })
}
