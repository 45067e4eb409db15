import { distanceToSegment, insidePolygon, type Point } from '../geometry/outline'
import { CORES, type CoreId } from '../materials/cores'
import type { Structure } from '../materials/structure'
import type { Measurable } from '../fitting/design'
import type { Spot } from '../fitting/start'
import type { Duty } from '../verdict/factors'
import { formatLength, type Units } from '../quantity/format'

export interface ZoneLayer {
  material: string
  thicknessMm: number
  measured: boolean
  measuredBy: string
}
export interface BoatZone {
  code: string
  title: string
  face: string
  kind: 'sandwich' | 'solid' | 'metal' | 'timber'
  zMm: number
  outline: Point[]
  stacking: number
  reach: string
  state: string
  layers: ZoneLayer[]
}
export interface BoatPart {
  kind: string
  title: string
  x0Mm: number
  y0Mm: number
  x1Mm: number
  y1Mm: number
}
export interface BoatHole {
  label: string
  xMm: number
  yMm: number
}

/** A zone's layup as the structure that the checks know, with the thicknesses that were measured. */
export function structureOf(zone: BoatZone): { structure: Structure; measured: Measurable[] } {
  const [a, b, c] = zone.layers
  const thick = (l?: ZoneLayer) => l?.thicknessMm ?? 1
  if (zone.kind === 'sandwich') {
    const measured = (['outerMm', 'coreMm', 'innerMm'] as const).filter((_, i) => zone.layers[i]?.measured)
    return { structure: { kind: 'sandwich', skin: { laminate: a?.material === 'woven' ? 'woven' : 'mat' }, outerMm: thick(a), innerMm: thick(c), core: { material: (b?.material ?? 'balsa-150') as CoreId, thicknessMm: thick(b) } }, measured: [...measured] }
  }
  const measured: Measurable[] = a?.measured ? ['thicknessMm'] : []
  if (zone.kind === 'metal') return { structure: { kind: 'metal', metal: a?.material === 'mild-steel' ? 'mild-steel' : 'aluminium-5083', thicknessMm: thick(a) }, measured }
  if (zone.kind === 'timber') return { structure: { kind: 'timber', timber: a?.material === 'softwood' ? 'softwood' : 'plywood', thicknessMm: thick(a) }, measured }
  return { structure: { kind: 'solid', skin: { laminate: a?.material === 'mat' ? 'mat' : 'woven' }, thicknessMm: thick(a) }, measured }
}

const fromAbove = (z: BoatZone) => z.face === 'deck' || z.face === 'roof'

/** The topmost surface under a point of the plan, or null off the boat. */
export function zoneAt(zones: BoatZone[], p: Point): BoatZone | null {
  return zones.filter((z) => fromAbove(z) && insidePolygon(z.outline, p)).sort((a, b) => b.stacking - a.stacking)[0] ?? null
}

/** From the nearest of the bolts to the nearest edge of the zone, mm; the plan's figure, until it is measured on the boat. */
export function edgeDistance(zone: BoatZone, at: Point, bolts: Point[]): number {
  const spots = bolts.length ? bolts.map((b) => ({ xMm: at.xMm + b.xMm, yMm: at.yMm + b.yMm })) : [at]
  return Math.min(...spots.map((p) => Math.min(...zone.outline.map((a, i) => distanceToSegment(p, a, zone.outline[(i + 1) % zone.outline.length]!)))))
}

export function spotFor(zone: BoatZone | null, at: Point, bolts: Point[], duty: Duty): Spot {
  const s = zone ? structureOf(zone) : { structure: { kind: 'solid', skin: { laminate: 'woven' }, thicknessMm: 6 } satisfies Structure, measured: [] }
  const edge = zone ? Math.round(edgeDistance(zone, at, bolts)) : 0
  return { zone: zone?.title ?? null, xMm: Math.round(at.xMm), yMm: Math.round(at.yMm), zMm: zone?.zMm ?? 0, edgeMm: edge > 0 ? edge : null, belowWaterline: zone?.face === 'bottom', ...s, duty }
}

const MATERIAL: Record<string, string> = { mat: 'laminate', woven: 'woven/mat', 'aluminium-5083': 'aluminium 5083', 'mild-steel': 'mild steel', plywood: 'plywood', softwood: 'softwood' }
export function layupSaid(zone: BoatZone, units: Units): string {
  return zone.layers.map((l) => `${l.measured ? '' : '~'}${formatLength(l.thicknessMm, units)} ${MATERIAL[l.material] ?? CORES[l.material as CoreId]?.title ?? l.material}`).join(', ')
}

/** What lies under a point, in words: what it is made of, what is near below, and the nearest hole. */
export function underPointer(zones: BoatZone[], parts: BoatPart[], holes: BoatHole[], p: Point, units: Units): { title: string; words: string } {
  const zone = zoneAt(zones, p)
  if (!zone) return { title: 'Off the deck', words: 'Nothing of the boat lies under the pointer.' }
  const said = [`${layupSaid(zone, units)}.`]
  const wet = parts.find((s) => s.kind === 'wet' && insideEllipse(s, p))
  if (wet) said.push(`${wet.title}.`)
  const beam = parts.filter((s) => s.kind === 'beam' || s.kind === 'bulkhead').map((s) => ({ s, dx: s.x0Mm - p.xMm })).sort((a, b) => Math.abs(a.dx) - Math.abs(b.dx))[0]
  if (beam && Math.abs(beam.dx) < 400) said.push(`${beam.s.kind === 'beam' ? 'Beam' : beam.s.title} ${formatLength(Math.abs(Math.round(beam.dx)), units)} ${beam.dx >= 0 ? 'aft' : 'forward'}.`)
  const longitudinal = parts.filter((s) => s.kind === 'longitudinal').map((s) => Math.abs(s.y0Mm - p.yMm)).sort((a, b) => a - b)[0]
  if (longitudinal !== undefined && longitudinal < 150) said.push(`Longitudinal ${formatLength(Math.round(longitudinal), units)} off.`)
  for (const s of parts) if ((s.kind === 'tank' || s.kind === 'headliner') && p.xMm > Math.min(s.x0Mm, s.x1Mm) && p.xMm < Math.max(s.x0Mm, s.x1Mm) && p.yMm > Math.min(s.y0Mm, s.y1Mm) && p.yMm < Math.max(s.y0Mm, s.y1Mm)) said.push(`${s.title} below.`)
  if (zone.reach) said.push(`Reach from inside: ${zone.reach}.`)
  const near = holes.map((h) => ({ h, mm: Math.hypot(h.xMm - p.xMm, h.yMm - p.yMm) })).sort((a, b) => a.mm - b.mm)[0]
  if (near && near.mm < 400) said.push(`${near.h.label} ${formatLength(Math.round(near.mm), units)} away.`)
  return { title: wet ? `${zone.title}, wet` : zone.title, words: said.join(' ') }
}

export function insideEllipse(s: BoatPart, p: Point): boolean {
  const [cx, cy] = [(s.x0Mm + s.x1Mm) / 2, (s.y0Mm + s.y1Mm) / 2]
  const [rx, ry] = [Math.abs(s.x1Mm - s.x0Mm) / 2 || 1, Math.abs(s.y1Mm - s.y0Mm) / 2 || 1]
  return ((p.xMm - cx) / rx) ** 2 + ((p.yMm - cy) / ry) ** 2 <= 1
}

/** Things that a fitter settles before drilling here: said, never forbidden. */
export function flagsAt(zones: BoatZone[], parts: BoatPart[], holes: BoatHole[], at: Point, bolts: Point[]): { id: string; text: string }[] {
  const out: { id: string; text: string }[] = []
  const spots = bolts.map((b) => ({ xMm: at.xMm + b.xMm, yMm: at.yMm + b.yMm }))
  if (!zoneAt(zones, at)) out.push({ id: 'off-deck', text: 'This place is on no known surface: its layup is a guess.' })
  if (parts.some((s) => s.kind === 'wet' && [at, ...spots].some((p) => insideEllipse(s, p)))) out.push({ id: 'wet-core', text: 'The core is wet here: dry it out, recore, or set an insert before anything is bolted on.' })
  const beam = parts.find((s) => s.kind === 'beam' && spots.some((p) => Math.abs(p.xMm - s.x0Mm) < 40))
  if (beam) out.push({ id: 'beam', text: `A bolt comes within 40 mm of the beam at x ${Math.round(beam.x0Mm)}: shift it, or clip the plate to the beam.` })
  const near = holes.filter((h) => spots.some((p) => Math.hypot(h.xMm - p.xMm, h.yMm - p.yMm) < 50 && Math.hypot(h.xMm - p.xMm, h.yMm - p.yMm) > 0.5))
  if (near.length) out.push({ id: 'neighbour', text: `${near.map((h) => h.label).slice(0, 4).join(', ')} within 50 mm of a bolt: close it first, or move.` })
  if (parts.some((s) => s.kind === 'tank' && spots.some((p) => p.xMm > s.x0Mm && p.xMm < s.x1Mm && p.yMm > Math.min(s.y0Mm, s.y1Mm) && p.yMm < Math.max(s.y0Mm, s.y1Mm)))) out.push({ id: 'tank', text: 'A tank lies below: stop the drill, and know how far down it is.' })
  return out
}
