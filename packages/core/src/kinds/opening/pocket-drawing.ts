import { formatLength, type Units } from '../../base/quantity/format'
import { fullThickness } from '../../base/materials/structure'
import { niceLength, type Drawing } from '../../drawing/shapes'
import { coreOf, type OpeningDesign } from './design'
import { TONE_OF_CORE } from './edge-drawing'
import type { Pocket } from './judgement'
import { ledgeOf, solidPast } from './pocket'
import { legendOf, penOf, type Pen } from '../../drawing/section-pen'

const SHOWN_MM = 40
const DECK_MM = 24

/** Skins and core outside the solid, and the inner skin that goes on under it. */
function deck(p: Pen, d: OpeningDesign, from: number, far: number): void {
  const s = d.structure
  if (s.kind !== 'sandwich') return
  const deep = -s.outerMm - s.core.thicknessMm
  p.area(from, -s.outerMm, far, 0, 'laminate', 'structure', 'outer skin')
  p.area(from, deep, far, -s.outerMm, TONE_OF_CORE[coreOf(d).core] ?? 'foam', 'core', 'core')
  p.area(0, deep - s.innerMm, far, deep, 'laminate', 'structure', 'inner skin')
}
/** Sheets of the solid with a glue line under each, the fill on top and round it. */
function solid(p: Pen, d: OpeningDesign, pocket: Pocket): void {
  const glue = d.prism!.glueMm
  const out = solidPast(d)
  const inner = ledgeOf(d) + d.prism!.sideMm
  const deep = -pocket.pocketMm - pocket.base.totalMm
  p.area(out, deep, out + d.prism!.edgeGapMm, 0, 'filled-epoxy', 'prism.edgeGapMm', 'gap, filled')
  p.area(0, deep, out, -pocket.pocketMm, 'filled-epoxy', 'prism.glueMm', 'glue')
  p.area(inner, -pocket.pocketMm, out, 0, 'filled-epoxy', 'prism.glueMm', 'fill')
  let y = deep
  for (const t of pocket.base.sheetsMm) {
    p.area(0, y + glue, out, y + glue + t, 'epoxy-glass', 'solid', 'sheet under the glass')
    y += glue + t
  }
  y = -pocket.pocketMm
  for (const t of pocket.ring.sheetsMm) {
    p.area(inner, y + glue, out, y + glue + t, 'epoxy-glass', 'solid', 'sheet round the glass')
    y += glue + t
  }
}
/** The glass on its bed, its flange on the ledge, its body down through the opening. */
function glass(p: Pen, d: OpeningDesign, pocket: Pocket): number {
  const ledge = ledgeOf(d)
  const low = -pocket.pocketMm + d.bedding.beadMm
  const top = pocket.proudMm
  p.area(0, -pocket.pocketMm, ledge, low, 'bedding', 'bedding.beadMm', 'bed')
  p.area(ledge, -pocket.pocketMm, ledge + d.prism!.sideMm, Math.min(0, top), 'bedding', 'bedding', 'bead')
  p.area(-SHOWN_MM, low, ledge, top, 'plastic', 'pane.thicknessMm', 'glass flange')
  const body = top - Math.max(d.pane?.thicknessMm ?? 0, d.frame.thicknessMm)
  if (body < low) p.area(-SHOWN_MM, body, -1.5, low, 'plastic', 'pane.thicknessMm', 'glass')
  return body
}

/** The cut through a prism set flush, to scale: glass, bed, the solid's sheets, skins and core. */
export function pocketCutDrawing(d: OpeningDesign, pocket: Pocket, units: Units): Drawing {
  const p = penOf()
  const mm = (v: number) => formatLength(Math.round(v * 10) / 10, units)
  const all = fullThickness(d.structure)
  const far = solidPast(d) + d.prism!.edgeGapMm + DECK_MM
  deck(p, d, solidPast(d) + d.prism!.edgeGapMm, far)
  solid(p, d, pocket)
  const body = glass(p, d, pocket)
  const textMm = Math.max(2.6, (far + SHOWN_MM) / 30)
  const x = far + textMm * 0.6
  const under = Math.max(all, -body)
  const s = d.structure
  if (s.kind === 'sandwich') {
    p.words(x, -s.outerMm / 2, `outer ${mm(s.outerMm)}`, textMm)
    p.words(x, -s.outerMm - s.core.thicknessMm / 2, `core ${mm(s.core.thicknessMm)}`, textMm)
    p.words(x, -all + s.innerMm / 2 - textMm * 0.5, `inner ${mm(s.innerMm)}`, textMm)
  }
  p.words(-SHOWN_MM + textMm * 0.6, -under - textMm, `pocket ${mm(pocket.pocketMm)} deep`, textMm)
  const stand = pocket.rim === 'flush' ? 'flush' : `${mm(Math.abs(pocket.proudMm))} ${pocket.rim}`
  p.words(ledgeOf(d), Math.max(0, pocket.proudMm) + textMm, stand, textMm)
  return {
    title: 'Cut through the edge, outside up',
    description: `The edge of ${d.name}: a pocket ${mm(pocket.pocketMm)} deep, the glass ${stand}.`,
    bounds: { minX: -SHOWN_MM - 4, maxX: x + textMm * 8, minY: -under - textMm * 2.6, maxY: textMm * 2.6 },
    shapes: p.shapes,
    legend: legendOf(p.shapes),
    textMm,
    scaleBarMm: niceLength((far + SHOWN_MM) / 4, units),
  }
}
