import type { GlazingId } from '../../base/materials/glazing'
import type { OpeningDesign } from './design'
import type { OpeningJudgement } from './judgement'
import { sizeAt } from './outline'
import { openingSteps } from './steps'

/** kg/m3; typical. */
const PANE_DENSITY: Record<GlazingId, number> = {
  'cast-acrylic': 1190,
  polycarbonate: 1200,
  'toughened-glass': 2500,
  plywood: 600,
  'glass-laminate': 1700,
}
const RING_DENSITY = { plywood: 600, timber: 550, 'glass-sheet': 1900 } as const
/** kg a metre of rim, kg a latch, and kg of a screw or bolt for each square centimetre of its bore. */
const RIM_KG = { none: 0, light: 0.4, stiff: 0.9 } as const
const LATCH_KG = 0.15
const SCREW_KG = 0.04
const BOLT_KG = 0.12

const latchesOf = ({ lid }: OpeningDesign) => (lid ? lid.latches * (lid.back === 'latches' ? 2 : 1) : 0)
function paneKg({ pane, outline }: OpeningDesign): number {
  if (!pane) return 0
  const s = sizeAt(outline, pane.seatMm)
  return s.lengthMm * s.widthMm * pane.thicknessMm * 1e-9 * PANE_DENSITY[pane.material]
}
function ringKg({ ring, outline }: OpeningDesign): number {
  if (!ring) return 0
  const [out, cut] = [sizeAt(outline, ring.widthMm), sizeAt(outline)]
  const areaMm2 = out.lengthMm * out.widthMm - cut.lengthMm * cut.widthMm
  return areaMm2 * ring.thicknessMm * 1e-9 * RING_DENSITY[ring.material]
}
const fastenersKg = (d: OpeningDesign, j: OpeningJudgement) =>
  d.frame.hold === 'bond'
    ? 0
    : j.edge.screwCount * (d.frame.screwMm / 10) ** 2 * (d.frame.hold === 'bolts' ? BOLT_KG : SCREW_KG)
/** Pane or lid with its rim and latches, ring and fastenings, kg; estimates. */
export const massOf = (d: OpeningDesign, j: OpeningJudgement): number =>
  paneKg(d) +
  ringKg(d) +
  fastenersKg(d, j) +
  latchesOf(d) * LATCH_KG +
  (d.lid ? (RIM_KG[d.lid.rim] * j.edge.perimeterMm) / 1000 : 0)

/** Hours of one pair of hands: those of its steps, so that what is proposed is what is planned. */
export const hoursOf = (d: OpeningDesign, j: OpeningJudgement): number =>
  openingSteps(d, j, 'metric').reduce((sum, s) => sum + s.minutes, 0) / 60

export type CostClass = 'low' | 'middle' | 'high'
/** Relative prices of a kilogram or a piece; typical, only to rank by. */
const PRICE = { pane: 14, ring: 9, latch: 6, bolt: 1.2, screw: 0.3, rim: 12 } as const
const CLASS = [60, 130] as const
export function costOf(d: OpeningDesign, j: OpeningJudgement): CostClass {
  const each = d.frame.hold === 'bolts' ? PRICE.bolt : PRICE.screw
  const rim = d.lid ? (RIM_KG[d.lid.rim] * j.edge.perimeterMm) / 1000 : 0
  const index =
    paneKg(d) * PRICE.pane +
    ringKg(d) * PRICE.ring +
    latchesOf(d) * PRICE.latch +
    rim * PRICE.rim +
    (d.frame.hold === 'bond' ? 0 : j.edge.screwCount * each)
  if (index <= CLASS[0]) return 'low'
  return index <= CLASS[1] ? 'middle' : 'high'
}
