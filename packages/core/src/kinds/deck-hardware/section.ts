import { GRADES } from '../../base/materials/fasteners'
import { formatLength, type Units } from '../../base/quantity/format'
import { niceLength, type Drawing } from '../../drawing/shapes'
import type { Design } from './design'
import type { Judgement } from './judgement'
import { drawBolts } from './section-bolts'
import { drawBase, drawCore, drawDeck, drawPlate } from './section-deck'
import { drawBelow, drawGrip, drawLoad, drawThicknesses } from './section-figures'
import { SectionPen } from './section-pen'

/**
 * The cut through the joint, to scale (the screen's middle). Thin layers stay thin unless it is asked that
 * they be drawn thicker, and then the title says so.
 */
export function drawSection(d: Design, j: Judgement, units: Units, exaggerate = false): Drawing {
  const p = new SectionPen(d, j, units, exaggerate)
  const { textMm, numbers } = p
  drawBase(p)
  drawDeck(p)
  drawCore(p)
  drawPlate(p)
  drawBolts(p)
  const lineX = -p.deckHalf - textMm * 1.2
  const namesTo = drawThicknesses(p, lineX)
  const gx = p.deckHalf + textMm * 1.2
  drawGrip(p, gx)
  const dy = drawBelow(p)
  const { at, end, way } = drawLoad(p)
  const tones = new Set(p.shapes.flatMap((x) => (x.kind === 'area' ? [x.tone] : [])))
  const top = Math.max(at.y + textMm, p.baseTop + d.base.bodyHeightMm + textMm, end.y + textMm * 2)
  const layers = j.gripLayers.map((l) => `${l.name} ${formatLength(l.thicknessMm, units)}`).join(', ')
  return {
    title: `Cut ${d.headingDeg === 0 ? 'fore and aft' : 'along the casting'} through bolt${numbers.length > 1 ? 's' : ''} ${numbers.join(', ')} \u00b7 ${exaggerate ? 'thin layers drawn thicker' : 'true scale'}`,
    description: `Section through ${d.name}: ${layers}; ${d.bolts.length} ${d.bolt.size} ${GRADES[d.bolt.grade].title} bolts.`,
    bounds: {
      minX: lineX - textMm * (namesTo + 0.6),
      maxX: Math.max(gx + textMm * 2.6, way === 1 ? end.x + textMm * 5.5 : 0),
      minY: dy + textMm,
      maxY: top + textMm * 0.8,
    },
    shapes: p.shapes,
    legend: [...tones].filter((t) => t !== 'hardware' && t !== 'none'),
    textMm,
    scaleBarMm: niceLength(p.width / 4, units),
    handles: p.handles,
  }
}
