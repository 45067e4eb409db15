import { formatLength, type Units } from '../../base/quantity/format'
import { fullThickness } from '../../base/materials/structure'
import { niceLength, type Drawing, type MaterialTone } from '../../drawing/shapes'
import { coreOf, type OpeningDesign } from './design'
import type { OpeningJudgement } from './judgement'
import { legendOf, penOf, type Pen } from '../../drawing/section-pen'

export const TONE_OF_CORE: Record<string, MaterialTone> = {
  'balsa-150': 'balsa',
  plywood: 'plywood',
  'insert-250': 'insert',
  'epoxy-plug': 'filled-epoxy',
}
const RING: Record<string, MaterialTone> = {
  plywood: 'plywood',
  timber: 'timber',
  'glass-sheet': 'epoxy-glass',
}
const skinTone = (d: OpeningDesign): MaterialTone =>
  d.structure.kind === 'metal' ? 'metal' : d.structure.kind === 'timber' ? 'timber' : 'laminate'
/** Skins, the raked core and its fill; x runs from the cut edge into the deck, y 0 is the outer face. */
function deck(p: Pen, d: OpeningDesign, rake: number, far: number): number {
  const s = d.structure
  const all = fullThickness(s)
  if (s.kind !== 'sandwich') {
    p.area(0, -all, far, 0, skinTone(d), 'structure', 'deck')
    return all
  }
  const core = -s.outerMm - s.core.thicknessMm
  p.area(0, -s.outerMm, far, 0, 'laminate', 'structure', 'outer skin')
  if (rake > 0 && d.core.filled) p.area(0, core, rake, -s.outerMm, 'filled-epoxy', 'core.rakeMm', 'fill')
  p.area(
    d.core.filled ? rake : 0,
    core,
    far,
    -s.outerMm,
    TONE_OF_CORE[coreOf(d).core] ?? 'foam',
    'core',
    'core',
  )
  p.area(0, -all, far, core, 'laminate', 'structure', 'inner skin')
  return all
}
function fastener(p: Pen, d: OpeningDesign, j: OpeningJudgement, all: number): void {
  if (d.frame.hold === 'bond') return
  const x = d.frame.flangeMm - d.frame.insetMm
  const r = d.frame.screwMm / 2
  const top = d.bedding.beadMm + d.frame.thicknessMm
  const ring = d.ring?.thicknessMm ?? 0
  const s = d.structure
  const bite =
    s.kind === 'sandwich' && !d.ring
      ? s.outerMm + (d.core.filled && x <= j.edge.rakeMm - r ? s.core.thicknessMm : 0)
      : all + ring
  const end = d.frame.hold === 'bolts' ? all + ring + 6 : bite
  p.area(x - r, -end, x + r, top, 'bolt', 'frame.screwMm', d.frame.hold === 'bolts' ? 'bolt' : 'screw')
  p.area(x - 2 * r, top, x + 2 * r, top + r, 'bolt', 'frame.screwMm', 'head')
  if (d.frame.hold === 'bolts') p.area(x - 2 * r, -end, x + 2 * r, -end + 4, 'bolt', 'frame.hold', 'nut')
}

const LIP_MM = 4
const GASKET_MM = 3
const SHOWN_MM = 40
/** The frame's leg with its lip, and the pane on it; or the pane on its bead over the flange. */
function pane(p: Pen, d: OpeningDesign, all: number): number {
  const top = d.bedding.beadMm + d.frame.thicknessMm
  const own = d.pane
  if (own && own.beadMm !== null) {
    const f = d.frame.flangeMm
    p.area(-2, top, f, top + own.beadMm, 'bedding', 'pane.beadMm', 'bead')
    const low = top + own.beadMm
    p.area(-SHOWN_MM, low, f, low + own.thicknessMm, 'plastic', 'pane.thicknessMm', 'pane')
    return low + own.thicknessMm
  }
  p.area(-5, -Math.min(all, 22), 0, top, 'hardware', 'frame', 'frame')
  if (!own) return top
  const lip = -5 - Math.max(6, -own.seatMm)
  p.area(lip, top - LIP_MM, -5, top, 'hardware', 'frame', 'lip')
  p.area(lip, top, -6, top + GASKET_MM, 'bedding', 'lid', 'gasket')
  const low = top + GASKET_MM
  p.area(-SHOWN_MM, low, -6, low + own.thicknessMm, 'plastic', 'pane.thicknessMm', 'pane or lid')
  return low + own.thicknessMm
}

/** The flange on its bed, and what it carries. */
function onDeck(p: Pen, d: OpeningDesign, all: number): number {
  const f = d.frame.flangeMm
  const bead = d.bedding.beadMm
  p.area(0, 0, f, bead, 'bedding', 'bedding.sealant', 'bedding')
  p.area(0, bead, f, bead + d.frame.thicknessMm, 'hardware', 'frame', 'flange of the frame')
  return pane(p, d, all)
}
const BIN_WALL_MM = 4
const BIN_SHOWN_MM = 60
/** A bin under the deck: its flange bonded and screwed to the inner face, its wall cut short. */
function hung(p: Pen, d: OpeningDesign, all: number): number {
  const f = d.frame.flangeMm
  const low = -all - d.bedding.beadMm
  const under = low - d.frame.thicknessMm
  p.area(0, low, f, -all, 'bedding', 'bedding.sealant', 'bond')
  p.area(-BIN_WALL_MM, under, f, low, 'laminate', 'bin', 'flange of the bin')
  p.area(-BIN_WALL_MM, under - BIN_SHOWN_MM, 0, low, 'laminate', 'bin', 'wall of the bin')
  if (d.frame.hold === 'bond') return 0
  const x = f - d.frame.insetMm
  const r = d.frame.screwMm / 2
  const s = d.structure
  const bite = s.kind === 'sandwich' ? s.innerMm : all
  p.area(x - r, under, x + r, -all + bite, 'bolt', 'frame.screwMm', 'screw')
  p.area(x - 2 * r, under - r, x + 2 * r, under, 'bolt', 'frame.screwMm', 'head')
  return 0
}

/** The thickness of each layer, beside it. */
function label(
  p: Pen,
  d: OpeningDesign,
  all: number,
  { x, textMm, mm }: { x: number; textMm: number; mm: (v: number) => string },
): void {
  const s = d.structure
  const words: [number, string][] =
    s.kind === 'sandwich'
      ? [
          [-s.outerMm / 2, `outer ${mm(s.outerMm)}`],
          [-s.outerMm - s.core.thicknessMm / 2, `core ${mm(s.core.thicknessMm)}`],
          [-all + s.innerMm / 2 - textMm * 0.5, `inner ${mm(s.innerMm)}`],
        ]
      : [[-all / 2, mm(all)]]
  if (d.ring) words.push([-all - d.ring.thicknessMm / 2 - textMm * 0.4, `ring ${mm(d.ring.thicknessMm)}`])
  for (const [y, text] of words) p.words(x, y, text, textMm)
}

/** The cut through the edge, to scale: frame, bedding, skins, raked and filled core, ring, screw, pane. */
export function edgeDrawing(d: OpeningDesign, j: OpeningJudgement, units: Units): Drawing {
  const p = penOf()
  const mm = (v: number) => formatLength(v, units)
  const f = d.frame.flangeMm
  const far = Math.max(f, j.edge.rakeMm, d.ring?.widthMm ?? 0) + 18
  const all = deck(p, d, j.edge.rakeMm, far)
  const ring = d.ring
  if (ring) p.area(0, -all - ring.thicknessMm, ring.widthMm, -all, RING[ring.material]!, 'ring', 'ring')
  const bead = d.bedding.beadMm
  const top = d.bin ? hung(p, d, all) : onDeck(p, d, all)
  if (!d.bin) fastener(p, d, j, all)
  const textMm = Math.max(3, (far + 46) / 26)
  const below = d.bin ? bead + d.frame.thicknessMm + BIN_SHOWN_MM : 0
  const under = all + below + (ring?.thicknessMm ?? 0) + (d.frame.hold === 'bolts' ? 8 : 0)
  const x = far + textMm * 0.6
  label(p, d, all, { x, textMm, mm })
  return {
    title: 'Cut through the edge, outside up',
    description: `The edge of ${d.name}: flange ${mm(f)} on ${mm(bead)} of bedding${j.edge.rakeMm > 0 ? `, core raked ${mm(j.edge.rakeMm)}` : ''}${ring ? `, ring ${mm(ring.widthMm)} by ${mm(ring.thicknessMm)}` : ''}.`,
    bounds: {
      minX: -46,
      maxX: x + textMm * 8,
      minY: -under - textMm * 1.6,
      maxY: top + textMm * 2.6,
    },
    shapes: p.shapes,
    legend: legendOf(p.shapes),
    textMm,
    scaleBarMm: niceLength((far + 46) / 4, units),
    handles:
      d.structure.kind === 'sandwich' && d.core.filled
        ? [
            {
              path: 'core.rakeMm',
              label: 'core raked back',
              at: { x: j.edge.rakeMm, y: -d.structure.outerMm - d.structure.core.thicknessMm / 2 },
              axis: 'x',
              value: j.edge.rakeMm,
              per: 1,
              leastMm: 1,
            },
          ]
        : [],
  }
}
