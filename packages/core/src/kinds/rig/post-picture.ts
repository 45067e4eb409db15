import { formatForce, formatLength, type Units } from '../../base/quantity/format'
import { legendOf, penOf } from '../../drawing/section-pen'
import { niceLength, type Drawing } from '../../drawing/shapes'
import { fullThickness } from '../../base/materials/structure'
import type { SetIn } from './design'

/** The post from the side: the mast's load on the deck, the tube under it, its foot on the hull. */
export function postSide(d: SetIn, units: Units): Drawing | null {
  const c = d.set.column
  if (!c) return null
  const p = penOf()
  const mm = (v: number) => formatLength(Math.round(v * 10) / 10, units)
  const deck = 30
  const hull = Math.max(20, fullThickness(d.structure))
  const foot = Math.sqrt(c.footMm2) / 2
  const half = Math.max(foot, c.outsideMm) * 2.2
  const text = c.lengthMm / 24
  p.area(-half, -hull - 12, half, -12, 'laminate', 'structure', 'hull or floor')
  p.area(-foot, -12, foot, 0, 'hardware', 'set.column.footMm2', 'foot')
  const r = c.outsideMm / 2
  const bore = Math.max(0, r - c.wallMm)
  p.area(-r, 0, -bore, c.lengthMm, 'metal', 'set.column', 'tube')
  p.area(bore, 0, r, c.lengthMm, 'metal', 'set.column', 'tube')
  p.area(-half, c.lengthMm, half, c.lengthMm + deck, 'laminate', 'structure', 'deck under the mast')
  const up = c.lengthMm + deck
  p.shapes.push({
    kind: 'path',
    points: [
      { x: 0, y: up + 6 * text },
      { x: 0, y: up },
    ],
    weight: 'load',
    role: 'loadN',
  })
  const said: [number, string][] = [
    [up + 4 * text, d.set.loadN === null ? 'its load is not said' : formatForce(d.set.loadN, units)],
    [c.lengthMm / 2, `${mm(c.outsideMm)} by ${mm(c.wallMm)}, ${mm(c.lengthMm)} long`],
    [-hull, `foot ${mm(2 * foot)} square, or as much`],
  ]
  for (const [y, words] of said) p.words(half + text, y, words, text)
  return {
    title: 'the post from the side',
    description: said.map(([, w]) => w).join('; '),
    bounds: { minX: -half - text, maxX: half + 16 * text, minY: -hull - 2 * text, maxY: up + 8 * text },
    shapes: p.shapes,
    legend: legendOf(p.shapes),
    textMm: text,
    scaleBarMm: niceLength(c.lengthMm / 4, units),
    handles: [
      {
        path: 'set.column.outsideMm',
        label: 'tube, outside',
        at: { x: r, y: c.lengthMm / 2 },
        axis: 'x',
        value: c.outsideMm,
        per: 2,
        leastMm: 2 * c.wallMm,
      },
    ],
  }
}
