import { roundAt } from '../../base/geometry/hull'
import type { DrillRow } from '../../drawing/drill'
import { FullSize } from '../../drawing/full-size'
import { rect, type Drawing, type Pt } from '../../drawing/shapes'
import { formatLength, type Units } from '../../base/quantity/format'
import type { ClosureDesign } from './design'
import type { ClosureJudgement } from './judgement'

export const CLOSURE_TEMPLATE_TITLES: Record<string, string> = {
  ground: 'ground',
  discs: 'discs of cloth',
  stick: 'fillet stick',
  block: 'outline',
  side: 'side, with its taper',
}
export const closureTemplates = (d: ClosureDesign): string[] =>
  d.joint ? ['stick'] : d.block ? ['block', 'side'] : d.way === 'fill' ? ['ground'] : ['ground', 'discs']

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
const STICK_MM = { wide: 30, long: 120 }
/** What is cut in the shop: the stick that draws the fillet, or the block flat on and from its side. */
function shopTemplate(d: ClosureDesign, what: string, units: Units, s: FullSize): Drawing {
  const b = d.block
  if (d.joint) {
    const r = d.joint.filletMm
    const half = Math.max(STICK_MM.wide / 2, r)
    const tip = Array.from({ length: 25 }, (_, i) => {
      const a = (i / 24) * Math.PI
      return { x: r * Math.cos(a), y: -r * Math.sin(a) }
    })
    s.closed(
      [
        ...tip,
        { x: -half, y: r },
        { x: -half, y: STICK_MM.long },
        { x: half, y: STICK_MM.long },
        { x: half, y: r },
      ],
      'CUT',
    )
  } else if (b && what === 'side') {
    const thin = b.thinMm ?? b.thickMm
    s.closed(
      [
        { x: 0, y: 0 },
        { x: b.lengthMm, y: 0 },
        { x: b.lengthMm, y: thin },
        { x: 0, y: b.thickMm },
      ],
      'CUT',
    )
  } else if (b) {
    const [x, y, t] = [b.lengthMm / 2, b.widthMm / 2, b.trimMm]
    s.closed(rect(-x, -y, x, y), 'CUT')
    if (t > 0) s.closed(rect(-x - t, -y - t, x + t, y + t), 'MARK', 'hidden')
    s.cross({ x: 0, y: 0 }, 8)
  }
  const drawn = s.extent()
  const title = CLOSURE_TEMPLATE_TITLES[what] ?? what
  const size = d.joint
    ? `round of ${formatLength(d.joint.filletMm, units)}`
    : `${formatLength(b!.lengthMm, units)} by ${formatLength(b!.widthMm, units)}`
  return s.finish({
    name: `${d.name}: ${title}, ${size}`,
    title: `${d.name}, ${title} at full size`,
    description: 'At 1:1.',
    nameAtY: drawn.maxY + 6,
    drawn,
  })
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
  if (d.joint || d.block) return shopTemplate(d, what, units, s)
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
