import { niceLength, type Drawing, type MaterialTone } from '../../drawing/shapes'
import type { Units } from '../../base/quantity/format'
import { say } from '../../base/verdict/check'
import type { ThroughHullDesign } from './design'
import type { ThroughHullJudgement } from './judgement'
import { drawAngle, drawLabels } from './section-angle'
import { drawHose, drawSkinFitting, drawValve } from './section-body'
import { drawFamily } from './section-family'
import { drawHull } from './section-hull'
import { SectionPen } from './section-pen'

/**
 * The cut through the whole stack in the plane in which the hull rises fastest: outside below, inside
 * above, true angles and true scale.
 */
export function throughHullSection(d: ThroughHullDesign, j: ThroughHullJudgement, units: Units): Drawing {
  const p = new SectionPen(d, j, units)
  drawHull(p)
  drawSkinFitting(p)
  drawValve(p)
  drawHose(p)
  drawFamily(p)
  const ext = p.bounds()
  const textMm = Math.max((ext.maxY - ext.minY) / 26, (ext.maxX - ext.minX) / 38, 3)
  drawAngle(p, ext, textMm)
  drawLabels(p, ext, textMm)
  const long = (right: boolean) =>
    Math.max(0, ...p.labels.filter((l) => l.at.x >= 0 === right).map((l) => l.text.length)) * textMm * 0.62
  const tones = new Set(p.shapes.flatMap((q) => (q.kind === 'area' || q.kind === 'disc' ? [q.tone] : [])))
  return {
    title: `Cut where the hull rises fastest, ${say(Math.round(j.tilt.azimuthDeg))}\u00b0 from straight outboard; outside below \u00b7 true scale`,
    description: `${p.info.title} in a hull of ${p.mm(d.hull.thicknessMm)} mm at ${say(j.tilt.deg)} degrees${d.pad ? `, pad ${p.mm(d.pad.thicknessMm)} mm` : ''}.`,
    bounds: {
      minX: ext.minX - textMm * 3.4 - long(false),
      maxX: ext.maxX + textMm * 2 + long(true),
      minY: ext.minY - textMm * 2,
      maxY: Math.max(ext.maxY, p.top) + textMm,
    },
    shapes: p.shapes,
    legend: [...tones].filter((t): t is MaterialTone => t !== 'none' && t !== 'hardware'),
    textMm,
    scaleBarMm: niceLength((ext.maxX - ext.minX) / 4, units),
    handles: p.handles,
  }
}
