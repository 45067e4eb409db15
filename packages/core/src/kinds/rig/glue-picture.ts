import { formatLength, type Units } from '../../base/quantity/format'
import { legendOf, penOf } from '../../drawing/section-pen'
import { niceLength, rect, type Drawing, type Handle } from '../../drawing/shapes'
import { fullThickness } from '../../base/materials/structure'
import type { SetIn } from './design'

type Glue = NonNullable<SetIn['set']['glue']>
const grip = (
  path: string,
  label: string,
  at: Handle['at'],
  axis: Handle['axis'],
  value: number,
  per: number,
): Handle => ({ path, label, at, axis, value, per, leastMm: 1 })
/** The plate from below, with the bead that is squeezed out all round it. */
export function glueFace(g: Glue, units: Units): Drawing {
  const [x, y] = [g.lengthMm / 2, g.widthMm / 2]
  const text = Math.max(x, y) / 9
  const mm = (v: number) => formatLength(Math.round(v * 10) / 10, units)
  const p = penOf()
  const bead = text / 2
  p.shapes.push({
    kind: 'area',
    points: rect(-x - bead, -y - bead, x + bead, y + bead),
    tone: 'bedding',
    role: 'set.glue.lineMm',
    label: 'squeezed out all round',
  })
  p.shapes.push({
    kind: 'area',
    points: rect(-x, -y, x, y),
    tone: 'epoxy-glass',
    role: 'set.glue',
    label: 'plate',
  })
  p.words(-x, -y - 2.2 * text, `${mm(g.lengthMm)} by ${mm(g.widthMm)}, ${mm(g.thicknessMm)} thick`, text)
  return {
    title: 'the plate from inside; an unbroken bead comes out all round',
    description: `Plate of ${mm(g.lengthMm)} by ${mm(g.widthMm)}.`,
    bounds: { minX: -x - 2 * text, maxX: x + 2 * text, minY: -y - 3.5 * text, maxY: y + 2 * text },
    shapes: p.shapes,
    legend: legendOf(p.shapes),
    textMm: text,
    scaleBarMm: niceLength(g.lengthMm / 3, units),
    handles: [
      grip('set.glue.lengthMm', 'plate, long', { x, y: 0 }, 'x', g.lengthMm, 2),
      grip('set.glue.widthMm', 'plate, wide', { x: 0, y }, 'y', g.widthMm, 2),
    ],
  }
}
/** Deck, adhesive and plate in section; the adhesive is drawn thicker than it is, and says how thick. */
export function glueCut(d: SetIn, g: Glue, units: Units): Drawing {
  const p = penOf()
  const all = Math.max(4, fullThickness(d.structure))
  const x = Math.min(g.lengthMm / 2, 60)
  const line = Math.max(2, g.lineMm)
  const text = (all + g.thicknessMm + 20) / 12
  const mm = (v: number) => formatLength(Math.round(v * 10) / 10, units)
  p.area(-x - 25, 0, x + 25, all, 'laminate', 'structure', 'what it is bonded to')
  p.area(-x - 4, -line, x + 4, 0, 'bedding', 'set.glue.lineMm', 'adhesive')
  p.area(-x, -line - g.thicknessMm, x, -line, 'epoxy-glass', 'set.glue', 'plate')
  const said: [number, string][] = [
    [all / 2, `${mm(all)} here`],
    [-line, `adhesive ${mm(g.lineMm)}`],
    [-line - g.thicknessMm, `plate ${mm(g.thicknessMm)}`],
  ]
  for (const [y, words] of said) p.words(x + 30, y, words, text)
  return {
    title: 'across it, the plate below',
    description: said.map(([, w]) => w).join('; '),
    bounds: {
      minX: -x - 25 - text,
      maxX: x + 30 + 12 * text,
      minY: -line - g.thicknessMm - 2 * text,
      maxY: all + 2 * text,
    },
    shapes: p.shapes,
    legend: legendOf(p.shapes),
    textMm: text,
    scaleBarMm: niceLength(x, units),
    handles: [],
  }
}
