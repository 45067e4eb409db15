import DxfParser from 'dxf-parser'
import { parseInput } from '@north-tide/core'
import { ApiError } from '../errors'
import { stationsOf } from './boats'
import { saveStations, stationsSchema } from './stations'
import { must, type Account } from './access'

interface Vertex {
  x: number
  y: number
}
interface Entity {
  type: string
  vertices?: Vertex[]
  shape?: boolean
  controlPoints?: Vertex[]
  fitPoints?: Vertex[]
}
/** $INSUNITS of a DXF: what one unit of the drawing is in mm. */
const UNIT_MM: Record<number, number> = { 1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1000 }

/** more than any deck edge needs; every point beyond only costs time */
const MOST_POINTS = 20_000
const MOST_SIZE = 1e8
/** Points of the longest line in a drawing, in mm; drawings without a unit are taken as mm. */
export function longestLine(dxf: string): { points: Vertex[]; unitMm: number; assumedUnit: boolean } {
  let parsed
  try {
    parsed = new DxfParser().parseSync(dxf)
  } catch {
    parsed = null
  }
  if (!parsed)
    throw new ApiError(
      400,
      'invalid-input',
      'This is no DXF that can be read; send it as text (ASCII), with the outline as a polyline',
      'file',
    )
  const lines = (parsed.entities as unknown as Entity[])
    .filter(
      (e) => e.type === 'LWPOLYLINE' || e.type === 'POLYLINE' || e.type === 'SPLINE' || e.type === 'LINE',
    )
    .map((e) => e.vertices ?? e.fitPoints ?? e.controlPoints ?? [])
  const length = (ps: Vertex[]) =>
    ps.reduce((s, p, i) => (i ? s + Math.hypot(p.x - ps[i - 1]!.x, p.y - ps[i - 1]!.y) : 0), 0)
  const best = lines.filter((l) => l.length >= 2).sort((a, b) => length(b) - length(a))[0]
  if (!best)
    throw new ApiError(
      400,
      'invalid-input',
      'No polyline was found in this DXF; the deck edge is read from the longest one',
      'file',
    )
  const unit = Number((parsed.header as Record<string, unknown> | undefined)?.$INSUNITS ?? 0)
  if (best.length > MOST_POINTS)
    throw new ApiError(
      400,
      'invalid-input',
      `Its longest line has ${best.length} points; up to ${MOST_POINTS} are read. Simplify it first`,
      'file',
    )
  if (
    !best.every(
      (p) =>
        Number.isFinite(p.x) &&
        Number.isFinite(p.y) &&
        Math.abs(p.x) < MOST_SIZE &&
        Math.abs(p.y) < MOST_SIZE,
    )
  )
    throw new ApiError(
      400,
      'invalid-input',
      'Its longest line runs off to where no boat is; check its coordinates',
      'file',
    )
  return { points: best, unitMm: UNIT_MM[unit] ?? 1, assumedUnit: !(unit in UNIT_MM) }
}

const least = (v: number[]) => v.reduce((a, b) => Math.min(a, b), Infinity)
const most = (v: number[]) => v.reduce((a, b) => Math.max(a, b), -Infinity)
const STATIONS = 16
/**
 * Half-breadths from the deck edge as drawn: bow at the least x, heights kept from the boat's present
 * stations by their part of the length.
 */
export async function outlineFromDxf(who: Account, boatId: string, dxf: string) {
  const { points, unitMm, assumedUnit } = longestLine(dxf)
  const ps = points.map((p) => ({ x: p.x * unitMm, y: p.y * unitMm }))
  const xs = ps.map((p) => p.x)
  const [x0, x1] = [least(xs), most(xs)]
  if (!(x1 - x0 > 500))
    throw new ApiError(
      400,
      'invalid-input',
      `The line is ${Math.round(x1 - x0)} mm long; a boat\u2019s deck edge is wanted${assumedUnit ? ' (the drawing names no unit; mm was taken)' : ''}`,
      'file',
    )
  const ys = ps.map((p) => p.y)
  // Drawn whole, its middle is the centreline; drawn as one half, the centreline is y 0.
  const whole = least(ys) < -1e-6 * (x1 - x0) || most(ys) - least(ys) > 0.6 * (x1 - x0)
  const middle = whole ? (least(ys) + most(ys)) / 2 : 0
  const halfAt = (x: number) => {
    let most = 0
    for (let i = 0; i < ps.length; i++) {
      const [a, b] = [ps[i]!, ps[(i + 1) % ps.length]!]
      if (i === ps.length - 1 && points.length < 3) continue
      if ((a.x - x) * (b.x - x) > 0) continue
      const y =
        Math.abs(b.x - a.x) < 1e-9
          ? Math.max(Math.abs(a.y - middle), Math.abs(b.y - middle))
          : Math.abs(a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x) - middle)
      most = Math.max(most, y)
    }
    return most
  }
  const before = await stationsOf(boatId)
  const old = (part: number, k: 'sheerMm' | 'keelMm') => {
    const x = before[0]!.xMm + part * (before.at(-1)!.xMm - before[0]!.xMm)
    const i = Math.max(
      1,
      before.findIndex((s) => s.xMm >= x - 1e-6),
    )
    const [a, b] = [before[i - 1]!, before[i]!]
    return a[k] + ((b[k] - a[k]) * (x - a.xMm)) / (b.xMm - a.xMm)
  }
  // Closer together at the bow, where the edge turns most.
  const parts = Array.from({ length: STATIONS }, (_, i) => (i / (STATIONS - 1)) ** 1.4)
  const stations = parts.map((f) => ({
    xMm: Math.round(f * (x1 - x0)),
    halfBreadthMm: Math.round(halfAt(x0 + Math.min(1 - 1e-9, Math.max(1e-9, f)) * (x1 - x0))),
    sheerMm: Math.round(old(f, 'sheerMm')),
    keelMm: Math.round(old(f, 'keelMm')),
  }))
  parseInput(stationsSchema, stations)
  return {
    stations: await saveStations(who, boatId, { stations }),
    assumedUnit,
    lengthMm: Math.round(x1 - x0),
  }
}

const MOST_LINE_POINTS = 400
/** The longest line of a drawing as a line on the boat, x aft of the stem and y to starboard, mm. */
export function lineFromDxf(who: Account, boatId: string, dxf: string) {
  must(who, 'work', boatId)
  const { points, unitMm, assumedUnit } = longestLine(dxf)
  // So many are kept as a line of the product has, evenly: the ends always are.
  const every = Math.max(1, (points.length - 1) / (MOST_LINE_POINTS - 1))
  const n = Math.min(points.length, MOST_LINE_POINTS)
  const round = (v: number) => Math.round(v * unitMm * 10) / 10
  const path = Array.from({ length: n }, (_, i) => points[Math.round(i * every)]!).map((p) => ({
    xMm: round(p.x),
    yMm: round(p.y),
  }))
  return { path, drawn: points.length, assumedUnit }
}
