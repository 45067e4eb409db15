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

/**
 * Steps small enough that a level never jumps by more than a millimetre or two, large enough that a day
 * takes no time.
 */
export function floodAll(raw: FloodRun): FloodAnswer {
  const v = parseInput(runSchema, raw)
  const index = checkFloodPlan(v)
  const at = (name: string, path: string) => {
    const i = index.get(name)
    if (i === undefined)
      throw invalid(path, `"${name}" is no compartment; ${[...index.keys()].join(', ')} are`)
    return i
  }
  const area = v.compartments.map((c) => c.areaM2)
  const floor = v.compartments.map((c) => c.floorZMm / 1000)
  const holes = v.holes.map((h, i) => ({
    c: at(h.compartment, `holes.${i}.compartment`),
    k: h.cd * (Math.PI / 4) * (h.diameterMm / 1000) ** 2 * Math.sqrt(2 * G),
    z: h.zMm / 1000,
  }))
  const doors = v.doors.map((d, i) => ({
    a: at(d.a, `doors.${i}.a`),
    b: at(d.b, `doors.${i}.b`),
    k: 0.6 * d.areaCm2 * 1e-4 * Math.sqrt(2 * G),
    sill: d.sillZMm / 1000,
    open: d.open,
  }))
  const pumps = v.pumps.map((p, i) => ({
    c: at(p.compartment, `pumps.${i}.compartment`),
    q: v.pumpsOn ? (p.ratedLpm * p.derate) / LPM : 0,
    start: p.startZMm / 1000,
  }))
  const marks = v.marks.map((m, i) => ({
    c: at(m.compartment, `marks.${i}.compartment`),
    z: m.zMm / 1000,
    atMin: null as number | null,
  }))
  const level = floor.slice()
  const inflow = (h: (typeof holes)[number], z: number) => h.k * Math.sqrt(Math.max(0, -Math.max(h.z, z)))
  const total = v.hours * 3600
  const every = total / (POINTS - 1)
  const series: FloodAnswer['series'] = []
  const note = (t: number, q: number, out: number) =>
    series.push({ tMin: t / 60, levels: level.map((z) => z * 1000), inLpm: q * LPM, outLpm: out * LPM })
  for (const m of marks) if (level[m.c]! >= m.z) m.atMin = 0
  let t = 0
  let steps = 0
  let dt = STEP_S
  const dv = new Float64Array(level.length)
  const flows = () => {
    dv.fill(0)
    let [q, out] = [0, 0]
    for (const h of holes) {
      const f = inflow(h, level[h.c]!)
      dv[h.c] = dv[h.c]! + f
      q += f
    }
    for (const d of doors) {
      if (!d.open) continue
      const [za, zb] = [level[d.a]!, level[d.b]!]
      const [high, low] = za >= zb ? [d.a, d.b] : [d.b, d.a]
      const head = level[high]! - Math.max(level[low]!, d.sill)
      if (head <= 0) continue
      const even = ((level[high]! - level[low]!) * area[high]! * area[low]!) / (area[high]! + area[low]!)
      const f = Math.min(d.k * Math.sqrt(head), (CALM * even) / STEP_S)
      dv[high] = dv[high]! - f
      dv[low] = dv[low]! + f
    }
    for (const p of pumps) {
      if (level[p.c]! < p.start - 1e-9 || p.q === 0) continue
      // A pump that carries more than comes holds the level at its switch, cycling.
      const f =
        level[p.c]! <= p.start + 1e-6
          ? Math.min(p.q, Math.max(0, dv[p.c]!))
          : Math.min(p.q, Math.max(0, dv[p.c]!) + ((level[p.c]! - p.start) * area[p.c]!) / STEP_S)
      dv[p.c] = dv[p.c]! - f
      out += f
    }
    return [q, out] as const
  }
  let next = 0
  const before = level.slice()
  while (series.length < POINTS) {
    const [q, out] = flows()
    if (t >= next - 1e-9) {
      note(next, q, out)
      next = series.length * every
      if (series.length === POINTS) break
    }
    dt = Math.min(STEP_S, next - t)
    for (let i = 0; i < level.length; i++) {
      before[i] = level[i]!
      // The sea is the most that a compartment fills to.
      level[i] = Math.max(floor[i]!, Math.min(0, level[i]! + (dv[i]! * dt) / area[i]!))
    }
    for (const m of marks) {
      if (m.atMin !== null || level[m.c]! < m.z) continue
      const rise = level[m.c]! - before[m.c]!
      m.atMin = (t + (rise > 0 ? ((m.z - before[m.c]!) / rise) * dt : 0)) / 60
    }
    t += dt
    steps++
  }
  const deepest = holes.reduce((a, b) => (b.z < a.z ? b : a))
  const cd = v.holes[holes.indexOf(deepest)]!.cd
  const carried = (of: (compartment: number) => boolean) =>
    v.pumps.reduce((s, p) => s + (of(index.get(p.compartment)!) ? p.ratedLpm * p.derate : 0), 0)
  const pumpM3 = carried((c) => c === deepest.c) / LPM
  return {
    series,
    marks: v.marks.map((m, i) => ({ compartment: m.compartment, name: m.name, atMin: marks[i]!.atMin })),
    initialLpm: holes.reduce((s, h) => s + inflow(h, floor[h.c]!), 0) * LPM,
    pumpLpm: carried(() => true),
    holedPumpLpm: carried((c) => holes.some((h) => h.c === c)),
    chokeMm:
      deepest.z < 0 ? Math.sqrt(((4 / Math.PI) * pumpM3) / (cd * Math.sqrt(2 * G * -deepest.z))) * 1000 : 0,
    endZMm: level.map((z) => z * 1000),
    steps,
  }
}
