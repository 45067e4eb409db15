import type { Handle } from '../../drawing/shapes'
import type { OpeningDesign } from './design'
import type { Clear, OpeningJudgement } from './judgement'
import { flangeBounds, sizeAt } from './outline'

/** Far from any boat: a place may be dragged over the middle. */
const ANYWHERE_MM = -1e7

/** The cut-out by its own sides. */
function sizes(d: OpeningDesign): Handle[] {
  if (d.outline.kind === 'polygon') return []
  const s = sizeAt(d.outline)
  if (d.outline.kind === 'circle')
    return [
      {
        path: 'outline.diameterMm',
        label: 'cut-out across',
        at: { x: s.lengthMm / 2, y: 0 },
        axis: 'x',
        value: d.outline.diameterMm,
        per: 2,
        leastMm: 20,
      },
    ]
  const r = d.outline.cornerMm
  return [
    {
      path: 'outline.lengthMm',
      label: 'cut-out, length',
      at: { x: s.lengthMm / 2, y: 0 },
      axis: 'x',
      value: d.outline.lengthMm,
      per: 2,
      leastMm: 20,
    },
    {
      path: 'outline.widthMm',
      label: 'cut-out, width',
      at: { x: 0, y: s.widthMm / 2 },
      axis: 'y',
      value: d.outline.widthMm,
      per: 2,
      leastMm: 20,
    },
    {
      path: 'outline.cornerMm',
      label: 'rounding of its corners',
      at: { x: s.lengthMm / 2 - r, y: s.widthMm / 2 },
      axis: 'x',
      value: r,
      per: -1,
      leastMm: 0,
    },
  ]
}
/** How far flange, screws, rake and ring go out from it. */
function rims(d: OpeningDesign, j: OpeningJudgement): Handle[] {
  if (d.outline.kind === 'polygon' || d.prism) return []
  const { lengthMm, widthMm } = sizeAt(d.outline)
  const f = d.frame
  const out: Handle[] = [
    {
      path: 'frame.flangeMm',
      label: 'flange, wide',
      at: { x: 0, y: -widthMm / 2 - f.flangeMm },
      axis: 'y',
      value: f.flangeMm,
      per: -1,
      leastMm: Math.ceil(f.insetMm) + 1,
    },
  ]
  if (f.hold !== 'bond')
    out.push({
      path: 'frame.insetMm',
      label: 'screws, from the flange\u2019s edge',
      at: { x: lengthMm / 6, y: widthMm / 2 + f.flangeMm - f.insetMm },
      axis: 'y',
      value: f.insetMm,
      per: -1,
      leastMm: 2,
    })
  if (j.edge.rakeMm > 0)
    out.push({
      path: 'core.rakeMm',
      label: 'core, raked back',
      at: { x: -lengthMm / 6, y: widthMm / 2 + j.edge.rakeMm },
      axis: 'y',
      value: j.edge.rakeMm,
      per: 1,
      leastMm: 1,
    })
  if (d.ring)
    out.push({
      path: 'ring.widthMm',
      label: 'ring, wide',
      at: { x: -lengthMm / 2 - d.ring.widthMm, y: 0 },
      axis: 'x',
      value: d.ring.widthMm,
      per: -1,
      leastMm: 5,
    })
  return out
}
/** What stands near or is cut: dragged away, the opening moves as far to the other side. */
function members(d: OpeningDesign, shown: Clear[]): Handle[] {
  const b = flangeBounds(d)
  return shown.map((c): Handle => {
    const along = c.side === 'forward' || c.side === 'aft'
    const at = c.fromMiddleMm
    return {
      path: along ? 'place.xMm' : 'place.yMm',
      label: c.cut ? `${c.title}, under the cut` : `room to the ${c.title}, ${c.side}`,
      at: along ? { x: at, y: b.minY * 0.6 } : { x: b.maxX * 0.6, y: at },
      axis: along ? 'x' : 'y',
      value: along ? d.place.xMm : d.place.yMm,
      per: -1,
      leastMm: ANYWHERE_MM,
    }
  })
}
/** Every edge of the opening that can be grabbed on its picture from outside. */
export const openingHandles = (d: OpeningDesign, j: OpeningJudgement, shown: Clear[]): Handle[] => [
  ...sizes(d),
  ...rims(d, j),
  ...members(d, shown),
]
