import { z } from 'zod'
import { parseInput } from '../../base/calculator/calculator'
import { invalid } from '../../base/errors'
import { positive } from '../../base/schema/schema'
import { checkFloodPlan, floodPlanSchema } from './flood-plan'

/**
 * Several holes and compartments of one boat (chapter 5.7): heights in mm over the waterline, the boat's
 * own sinking left out.
 */
const id = z.string().trim().min(1).max(60)
const runSchema = floodPlanSchema.extend({
  holes: z
    .array(
      z.strictObject({
        compartment: id,
        name: z.string().max(120).default(''),
        diameterMm: positive(),
        zMm: z.number(),
        cd: positive().max(1).default(0.6),
      }),
    )
    .min(1)
    .max(40),
  pumpsOn: z.boolean().default(true),
  hours: positive().max(72).default(6),
})
export type FloodRun = z.input<typeof runSchema>
export interface FloodAnswer {
  series: { tMin: number; levels: number[]; inLpm: number; outLpm: number }[]
  marks: { compartment: string; name: string; atMin: number | null }[]
  initialLpm: number
  /** what all pumps of the boat carry, and those where a hole is: a pump behind a shut bulkhead is no help */
  pumpLpm: number
  holedPumpLpm: number
  /** the largest hole at the deepest one's depth that the pumps of its compartment hold for ever */
  chokeMm: number
  /** level of each compartment at the end, mm over the waterline */
  endZMm: number[]
  steps: number
}
const G = 9.80665
const LPM = 60000
const POINTS = 61
const STEP_S = 2
/**
 * Share of the way to even levels that water through a door may go in one step: more, and it would slosh
 * past.
 */
const CALM = 0.4

interface Hole {
  c: number
  k: number
  z: number
  cd: number
}
interface Boat {
  area: number[]
  floor: number[]
  holes: Hole[]
  doors: { a: number; b: number; k: number; sill: number; open: boolean }[]
  pumps: { c: number; q: number; start: number }[]
  marks: { c: number; z: number; atMin: number | null }[]
}
type Run = z.output<typeof runSchema>

/** In metres and seconds, compartments by number. */
function boatOf(v: Run, index: Map<string, number>): Boat {
  const at = (name: string, path: string) => {
    const i = index.get(name)
    if (i === undefined)
      throw invalid(path, `"${name}" is no compartment; ${[...index.keys()].join(', ')} are`)
    return i
  }
  return {
    area: v.compartments.map((c) => c.areaM2),
    floor: v.compartments.map((c) => c.floorZMm / 1000),
    holes: v.holes.map((h, i) => ({
      c: at(h.compartment, `holes.${i}.compartment`),
      k: h.cd * (Math.PI / 4) * (h.diameterMm / 1000) ** 2 * Math.sqrt(2 * G),
      z: h.zMm / 1000,
      cd: h.cd,
    })),
    doors: v.doors.map((d, i) => ({
      a: at(d.a, `doors.${i}.a`),
      b: at(d.b, `doors.${i}.b`),
      k: 0.6 * d.areaCm2 * 1e-4 * Math.sqrt(2 * G),
      sill: d.sillZMm / 1000,
      open: d.open,
    })),
    pumps: v.pumps.map((p, i) => ({
      c: at(p.compartment, `pumps.${i}.compartment`),
      q: v.pumpsOn ? (p.ratedLpm * p.derate) / LPM : 0,
      start: p.startZMm / 1000,
    })),
    marks: v.marks.map((m, i) => ({
      c: at(m.compartment, `marks.${i}.compartment`),
      z: m.zMm / 1000,
      atMin: null,
    })),
  }
}
const inflow = (h: Hole, z: number) => h.k * Math.sqrt(Math.max(0, -Math.max(h.z, z)))

/** What runs through the doors, higher to lower. */
function throughDoors({ doors, area }: Boat, level: number[], dv: Float64Array): void {
  for (const d of doors) {
    if (!d.open) continue
    const [high, low] = level[d.a]! >= level[d.b]! ? [d.a, d.b] : [d.b, d.a]
    const head = level[high]! - Math.max(level[low]!, d.sill)
    if (head <= 0) continue
    const even = ((level[high]! - level[low]!) * area[high]! * area[low]!) / (area[high]! + area[low]!)
    const f = Math.min(d.k * Math.sqrt(head), (CALM * even) / STEP_S)
    dv[high] = dv[high]! - f
    dv[low] = dv[low]! + f
  }
}
/** What the pumps throw out; one that carries more than comes holds the level at its switch, cycling. */
function pumpedOut({ pumps, area }: Boat, level: number[], dv: Float64Array): number {
  let out = 0
  for (const p of pumps) {
    const z = level[p.c]!
    if (z < p.start - 1e-9 || p.q === 0) continue
    const comes = Math.max(0, dv[p.c]!)
    const above = z <= p.start + 1e-6 ? 0 : ((z - p.start) * area[p.c]!) / STEP_S
    const f = Math.min(p.q, comes + above)
    dv[p.c] = dv[p.c]! - f
    out += f
  }
  return out
}
/** Change of volume of each compartment, m³/s, with what comes in and goes out in all. */
function flows(boat: Boat, level: number[], dv: Float64Array): { q: number; out: number } {
  dv.fill(0)
  let q = 0
  for (const h of boat.holes) {
    const f = inflow(h, level[h.c]!)
    dv[h.c] = dv[h.c]! + f
    q += f
  }
  throughDoors(boat, level, dv)
  return { q, out: pumpedOut(boat, level, dv) }
}
/** When the water passed each mark in the step from `before` to `level`, s. */
function markPassed(boat: Boat, before: number[], level: number[], t: number, dt: number): void {
  for (const m of boat.marks) {
    if (m.atMin !== null || level[m.c]! < m.z) continue
    const rise = level[m.c]! - before[m.c]!
    m.atMin = (t + (rise > 0 ? ((m.z - before[m.c]!) / rise) * dt : 0)) / 60
  }
}

function fill(boat: Boat, hours: number) {
  const level = boat.floor.slice()
  const before = level.slice()
  const dv = new Float64Array(level.length)
  const every = (hours * 3600) / (POINTS - 1)
  const series: FloodAnswer['series'] = []
  for (const m of boat.marks) if (level[m.c]! >= m.z) m.atMin = 0
  let [t, next, steps] = [0, 0, 0]
  while (series.length < POINTS) {
    const { q, out } = flows(boat, level, dv)
    if (t >= next - 1e-9) {
      series.push({
        tMin: next / 60,
        levels: level.map((z) => z * 1000),
        inLpm: q * LPM,
        outLpm: out * LPM,
      })
      next = series.length * every
      if (series.length === POINTS) break
    }
    const dt = Math.min(STEP_S, next - t)
    for (let i = 0; i < level.length; i++) {
      before[i] = level[i]!
      // The sea is the most that a compartment fills to.
      level[i] = Math.max(boat.floor[i]!, Math.min(0, level[i]! + (dv[i]! * dt) / boat.area[i]!))
    }
    markPassed(boat, before, level, t, dt)
    t += dt
    steps++
  }
  return { series, level, steps }
}

/**
 * Steps small enough that a level never jumps by more than a millimetre or two, large enough that a day
 * takes no time.
 */
export function floodAll(raw: FloodRun): FloodAnswer {
  const v = parseInput(runSchema, raw)
  const index = checkFloodPlan(v)
  const boat = boatOf(v, index)
  const { holes } = boat
  const { series, level, steps } = fill(boat, v.hours)
  const deepest = holes.reduce((a, b) => (b.z < a.z ? b : a))
  const carried = (of: (compartment: number) => boolean) =>
    v.pumps.reduce((s, p) => s + (of(index.get(p.compartment)!) ? p.ratedLpm * p.derate : 0), 0)
  const pumpM3 = carried((c) => c === deepest.c) / LPM
  return {
    series,
    marks: v.marks.map((m, i) => ({
      compartment: m.compartment,
      name: m.name,
      atMin: boat.marks[i]!.atMin,
    })),
    initialLpm: holes.reduce((s, h) => s + inflow(h, boat.floor[h.c]!), 0) * LPM,
    pumpLpm: carried(() => true),
    holedPumpLpm: carried((c) => holes.some((h) => h.c === c)),
    chokeMm:
      deepest.z < 0
        ? Math.sqrt(((4 / Math.PI) * pumpM3) / (deepest.cd * Math.sqrt(2 * G * -deepest.z))) * 1000
        : 0,
    endZMm: level.map((z) => z * 1000),
    steps,
  }
}
