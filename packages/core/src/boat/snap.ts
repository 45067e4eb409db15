import type { Point } from '../base/geometry/outline'
import { halfBreadthOf } from './where'

/**
 * Where a corner that is dragged comes to rest: on a corner that is there, on the edge of the deck, in line
 * with its own neighbours, or on a round figure. Lengths mm.
 */
export interface Snapped extends Point {
  /** what took it, in words; null where only the figure was rounded */
  to: string | null
}
export interface SnapTo {
  /** corners, ends and holes that are there, with what they are called */
  marks: readonly (Point & { name: string })[]
  /** of the outline in plan; left out where the picture is no plan */
  stations?: readonly { xMm: number; halfBreadthMm: number }[]
  /** corners of the same figure: one lines up with them, aft or across */
  beside: readonly Point[]
  /** how near counts as meant */
  withinMm: number
  /** to what figures are rounded */
  roundMm: number
}

const rounded = (v: number, step: number) => Math.round(v / step) * step

function onMark(p: Point, s: SnapTo): Snapped | null {
  let best: Snapped | null = null
  let far = s.withinMm
  for (const m of s.marks) {
    const d = Math.hypot(m.xMm - p.xMm, m.yMm - p.yMm)
    if (d <= far) {
      far = d
      best = { xMm: m.xMm, yMm: m.yMm, to: m.name }
    }
  }
  return best
}
function onEdge(p: Point, s: SnapTo): Snapped | null {
  if (!s.stations?.length) return null
  const xMm = rounded(p.xMm, s.roundMm)
  const half = halfBreadthOf([...s.stations]).halfBreadthAt(xMm)
  if (half <= 0 || Math.abs(Math.abs(p.yMm) - half) > s.withinMm) return null
  return { xMm, yMm: Math.sign(p.yMm) * half, to: 'the edge of the deck' }
}
export function snap(p: Point, s: SnapTo): Snapped {
  const taken = onMark(p, s) ?? onEdge(p, s)
  if (taken) return taken
  const near = (k: 'xMm' | 'yMm') => s.beside.find((b) => Math.abs(b[k] - p[k]) <= s.withinMm)?.[k]
  const [x, y] = [near('xMm'), near('yMm')]
  // The middle line is where most of a boat begins.
  const middle = y === undefined && Math.abs(p.yMm) <= s.withinMm
  return {
    xMm: x ?? rounded(p.xMm, s.roundMm),
    yMm: middle ? 0 : (y ?? rounded(p.yMm, s.roundMm)),
    to: middle ? 'the middle line' : x !== undefined || y !== undefined ? 'in line with a corner' : null,
  }
}
