import { roundAt } from '../../base/geometry/hull'
import type { DrillRow } from '../../drawing/drill'
import { FullSize } from '../../drawing/full-size'
import type { Drawing, Pt } from '../../drawing/shapes'
import { formatLength, type Units } from '../../base/quantity/format'
import type { ClosureDesign } from './design'
import type { ClosureJudgement } from './judgement'

export const CLOSURE_TEMPLATE_TITLES: Record<string, string> = { ground: 'ground', discs: 'discs of cloth' }
export const closureTemplates = (d: ClosureDesign): string[] =>
  d.way === 'fill' ? ['ground'] : ['ground', 'discs']

/** Every ply at full size: the same middle, so that the largest is cut first and the rest out of it. */
function discs(s: FullSize, j: ClosureJudgement): void {
  let left = 0
  for (const p of j.patches)
    for (const skin of p.skins) {
      const all = [
        ...new Set([
          ...skin.plies.map((x) => x.diameterMm),
          ...(skin.backingDiscMm ? [skin.backingDiscMm] : []),
        ]),
      ]
      const most = Math.max(...all) / 2
      const xs = p.corners.map((c) => c.xMm)
      const ys = p.corners.map((c) => c.yMm)
      const at: Pt = { x: left + most - Math.min(...xs), y: -Math.min(...ys) }
      for (const mm of all.sort((a, b) => b - a))
        s.closed(
          roundAt(
            p.corners.map((c) => ({ xMm: c.xMm + at.x, yMm: c.yMm + at.y })),
            mm / 2,
          ),
          'CUT',
        )
      s.cross({ x: left + most, y: 0 }, 6)
      left += 2 * most + (Math.max(...xs) - Math.min(...xs)) + 15
    }
}
/** At full size: holes, what is ground, and the pieces of cloth. */
export function closureTemplate(
  d: ClosureDesign,
  j: ClosureJudgement,
  what: string,
  units: Units,
  inside: boolean,
): Drawing {
  const s = new FullSize()
  const m = inside ? -1 : 1
  if (what === 'discs') discs(s, j)
  else {
    for (const p of j.patches)
      s.closed(
        roundAt(
          p.corners.map((c) => ({ xMm: c.xMm, yMm: m * c.yMm })),
          p.holeMm / 2 + p.reachMm,
        ),
        'MARK',
      )
    for (const h of d.holes) {
      s.ring({ x: h.dxMm, y: m * h.dyMm }, h.holeMm / 2)
      s.cross({ x: h.dxMm, y: m * h.dyMm }, h.holeMm / 2 + 6)
    }
  }
  const drawn = s.extent()
  s.text(
    { x: drawn.minX, y: drawn.maxY + 3 },
    what === 'discs'
      ? 'lay them by their middle'
      : `bow to the left; ${inside ? 'seen from inside, mirrored' : 'seen from outside'}`,
  )
  const title = CLOSURE_TEMPLATE_TITLES[what] ?? what
  return s.finish({
    name: `${d.name}: ${title}, ${formatLength(Math.round(j.patches[0]!.groundMm), units)} across`,
    title: `${d.name}, ${title} at full size`,
    description: 'At 1:1.',
    nameAtY: drawn.maxY + 9,
    drawn,
  })
}
/** A closure drills nothing. */
export const closureDrill = (): DrillRow[] => []
