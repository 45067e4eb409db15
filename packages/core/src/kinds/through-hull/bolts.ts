import { CalcError } from '../../base/errors'
import { gripStackOf } from '../../chapters/fastener/grip-stack'
import { SIZES, STOCK_LENGTHS_IN, STOCK_LENGTHS_MM } from '../../base/materials/fasteners'
import type { ThroughHullDesign } from './design'

/**
 * A seacock's flange, and a drain socket's, where the bolts go through; typical, measured on the fitting
 * before they are ordered.
 */
export const FLANGE_THICK_MM = { valve: 11, plug: 6 } as const
const INCH = 25.4
const WASHER = 'plain'

export interface BoltGroup {
  /** which bolts, counted from 1 as on the template */
  bolts: number[]
  gripMm: number
  /** what is needed; for a bolt into a pad, what may be needed at most before it bottoms */
  requiredMm: number
  /** null: nothing in stock reaches (or is short enough) */
  lengthMm: number | null
}

/** Bolts on their circle, the first straight aft. */
export function throughHullBolts(d: ThroughHullDesign): { xMm: number; yMm: number }[] {
  const c = d.valve?.boltCircleMm ?? (d.family === 'drain-plug' ? d.skin.flangeMm * 0.76 : null)
  if (c === null || d.hold.method === 'nut') return []
  return Array.from({ length: d.hold.bolts }, (_, i) => ({
    xMm: (c / 2) * Math.cos((2 * Math.PI * i) / d.hold.bolts),
    yMm: (c / 2) * Math.sin((2 * Math.PI * i) / d.hold.bolts),
  }))
}

/** A block as far as its bolts are concerned. */
interface Block {
  thinMm: number
  thickMm: number
  hullBoreMm: number
  saw: { outlineMm: number[] }
}
/** Where the hull rises fastest, as a unit vector in the fitting's frame (x aft, y to starboard). */
const rise = (d: ThroughHullDesign, azimuthDeg: number) => ({
  x: Math.sin((azimuthDeg * Math.PI) / 180),
  y: Math.cos((azimuthDeg * Math.PI) / 180) * (d.place.yMm < 0 ? -1 : 1),
})

/** Into inserts: the longest of the trade that does not reach their bottom. */
function insertGroup(d: ThroughHullDesign, count: number, flange: number): BoltGroup {
  const size = SIZES[d.hold.size]!
  const gripMm = flange + size.plainWasher.thicknessMm
  const pad = d.pad?.thicknessMm
  const room = gripMm + Math.min(d.hold.engagedMm ?? pad ?? 0, pad ?? Infinity)
  const stock = size.system === 'inch' ? STOCK_LENGTHS_IN.map((l) => l * INCH) : STOCK_LENGTHS_MM
  return {
    bolts: Array.from({ length: count }, (_, i) => i + 1),
    gripMm,
    requiredMm: room,
    lengthMm: stock.filter((l) => l <= room + 1e-6).at(-1) ?? null,
  }
}

interface Wedged {
  wedges: { outside: Block | null; inside: Block | null }
  tilt: { deg: number; azimuthDeg: number }
}
type Layer = { name: string; thicknessMm: number }
/** What one bolt goes through, under its washer. */
function layersAt(d: ThroughHullDesign, j: Wedged, p: { xMm: number; yMm: number }, flange: number): Layer[] {
  const { inside, outside } = j.wedges
  const up = rise(d, j.tilt.azimuthDeg)
  const slope = Math.tan((j.tilt.deg * Math.PI) / 180)
  const block = (w: Block, along: number) => Math.max(0, (w.thinMm + w.thickMm) / 2 + along * slope)
  const along = p.xMm * up.x + p.yMm * up.y
  // The block outside is as wide as the head: most bolts pass beside it.
  const through = outside && Math.hypot(p.xMm, p.yMm) < outside.saw.outlineMm[0]! / 2
  return [
    ...(through ? [{ name: 'wedge outside', thicknessMm: block(outside, along) }] : []),
    { name: 'hull', thicknessMm: (inside ?? outside)?.hullBoreMm ?? d.hull.thicknessMm },
    ...(inside ? [{ name: 'wedge inside', thicknessMm: block(inside, -along) }] : []),
    ...(d.pad ? [{ name: 'pad', thicknessMm: d.pad.thicknessMm }] : []),
    { name: 'flange', thicknessMm: flange },
  ]
}
/** The length in stock, or null where none is long enough. */
function stockFor(d: ThroughHullDesign, layers: Layer[]): number | null {
  try {
    return gripStackOf({
      size: d.hold.size,
      head: 'countersunk',
      washers: { head: 'none', nut: WASHER as 'plain' },
      nut: 'hex',
      layers,
      partThreaded: false,
      protrusionPitches: 2,
    }).lengthMm
  } catch (error) {
    if (!(error instanceof CalcError) || error.code !== 'no-stock-length') throw error
    return null
  }
}
const ALIKE_MM = 15

/**
 * How long the bolts are. On a wedge each has a length of its own: between flange and skin there is more
 * of the block on the side where the hull falls away.
 */
export function boltLengths(d: ThroughHullDesign, j: Wedged): BoltGroup[] {
  const places = throughHullBolts(d)
  if (!places.length) return []
  const flange = d.valve ? FLANGE_THICK_MM.valve : FLANGE_THICK_MM.plug
  if (d.hold.method === 'insert') return [insertGroup(d, places.length, flange)]
  const size = SIZES[d.hold.size]!
  const groups: BoltGroup[] = []
  places.forEach((p, i) => {
    const layers = layersAt(d, j, p, flange)
    const gripMm = layers.reduce((s, l) => s + l.thicknessMm, size.plainWasher.thicknessMm)
    const requiredMm = gripMm + size.hexNutMm + 2 * size.pitchMm
    const lengthMm = stockFor(d, layers)
    const same = groups.find((g) => g.lengthMm === lengthMm && Math.abs(g.requiredMm - requiredMm) < ALIKE_MM)
    if (same) {
      same.bolts.push(i + 1)
      same.requiredMm = Math.max(same.requiredMm, requiredMm)
      same.gripMm = Math.max(same.gripMm, gripMm)
    } else groups.push({ bolts: [i + 1], gripMm, requiredMm, lengthMm })
  })
  return groups
}
/** As one says it over the counter: 2 × M8 × 90, 1 × M8 × 110. */
export const boltsSaid = (d: ThroughHullDesign, groups: BoltGroup[], mm: (v: number) => string): string =>
  groups
    .map(
      (g) =>
        `${g.bolts.length} × ${d.hold.size} × ${g.lengthMm === null ? `${mm(Math.ceil(g.requiredMm))} of rod` : mm(g.lengthMm)}`,
    )
    .join(', ')
