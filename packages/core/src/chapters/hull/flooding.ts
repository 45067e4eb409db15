import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { nonNegative, positive } from '../../base/schema/schema'
import { G } from './cockpit-drain'

const input = z
  .strictObject({
    holeMm: positive(),
    depthMm: positive(),
    cd: positive().max(1).default(0.6),
    areaM2: positive().optional(),
    floorMm: z.number().optional(),
    curve: z
      .array(z.strictObject({ levelMm: z.number(), volumeM3: nonNegative() }))
      .min(2)
      .optional(),
    pumps: z
      .array(
        z.strictObject({ ratedLpm: positive(), derate: positive().max(1).default(0.5), startMm: z.number() }),
      )
      .default([]),
    marks: z.array(z.strictObject({ name: z.string(), levelMm: z.number() })).default([]),
    hours: positive().max(72).default(6),
  })
  .superRefine((v, ctx) => {
    const refuse = (path: string, message: string) => ctx.addIssue({ code: 'custom', path: [path], message })
    if (v.areaM2 === undefined && !v.curve)
      return refuse('areaM2', 'areaM2 is missing; give the area that floods, or a curve of level and volume')
    if (v.areaM2 !== undefined && v.curve)
      return refuse('curve', 'An area and a curve are both given; one of them is read')
    if (v.curve && v.floorMm !== undefined)
      return refuse('floorMm', 'A floor belongs to an area; the curve has its own first level')
    if (
      v.curve &&
      (v.curve[0]!.volumeM3 !== 0 ||
        v.curve.some(
          (p, i) =>
            i > 0 && (p.levelMm <= v.curve![i - 1]!.levelMm || p.volumeM3 <= v.curve![i - 1]!.volumeM3),
        ))
    )
      return refuse('curve', 'The curve starts at volume 0 and rises in both')
    if ((v.curve ? v.curve[0]!.levelMm : (v.floorMm ?? 0)) >= v.depthMm)
      refuse(
        'depthMm',
        'The water would start at or above the waterline; a deeper hole, or a lower floor, is accepted',
      )
  })
const output = z.object({
  initialLpm: z.number(),
  pumpLpm: z.number(),
  chokeMm: z.number(),
  plugMm: z.array(z.number()).length(2),
  equilibriumMm: z.number().nullable(),
  series: z.array(z.object({ tMin: z.number(), levelMm: z.number(), inLpm: z.number(), outLpm: z.number() })),
  marks: z.array(z.object({ name: z.string(), atMin: z.number().nullable() })),
})
type Input = z.output<typeof input>

/** One stretch of the rise: constant area and pumps, from one level to the next, entered at `t0` seconds. */
interface Stretch {
  from: number
  to: number
  t0: number
  /** seconds from `from` to a level in the stretch; Infinity where it is never reached */
  after: (level: number) => number
  area: number
  pumps: number
}

const LPM = 60_000
const POINTS = 61

/**
 * The rise of the water in closed form, stretch by stretch: with head h the inflow is K\u221ah, and over
 * the hole's own height
 * A\u00b7dL/dt = K\u221a(depth \u2212 L) \u2212 q integrates to (2A/K)[\u221ah + (q/K)\u00b7ln|K\u221ah
 * \u2212 q|] between two heads. No step size, no drift.
 */
function rise(v: Input) {
  const hole = (Math.PI / 4) * (v.holeMm / 1000) ** 2
  const K = v.cd * hole * Math.sqrt(2 * G)
  const depth = v.depthMm / 1000
  const inflow = (L: number) => K * Math.sqrt(Math.max(0, depth - Math.max(0, L)))
  const curve = (
    v.curve ?? [
      { levelMm: v.floorMm ?? 0, volumeM3: 0 },
      { levelMm: (v.floorMm ?? 0) + 1000, volumeM3: v.areaM2! },
    ]
  ).map((p) => ({ L: p.levelMm / 1000, V: p.volumeM3 }))
  const areaOver = (L: number) => {
    let i = 1
    while (i < curve.length - 1 && curve[i]!.L <= L) i++
    return (curve[i]!.V - curve[i - 1]!.V) / (curve[i]!.L - curve[i - 1]!.L)
  }
  const start = curve[0]!.L
  const pumps = v.pumps.map((p) => ({ q: (p.ratedLpm * p.derate) / LPM, at: p.startMm / 1000 }))
  const running = (L: number) => pumps.filter((p) => p.at <= L).reduce((s, p) => s + p.q, 0)
  const breaks = [...new Set([start, 0, depth, ...curve.map((p) => p.L), ...pumps.map((p) => p.at)])]
    .filter((L) => L >= start && L <= depth)
    .sort((a, b) => a - b)
  const stretches: Stretch[] = []
  let t0 = 0
  for (let i = 0; i < breaks.length; i++) {
    const from = breaks[i]!
    const q = running(from)
    // At the waterline itself nothing comes in any more; a pump that starts no lower has held nothing.
    if (i === breaks.length - 1)
      return { stretches, rest: from, cycling: false, equilibrium: null, inflow, start, depth, K }
    // Pumps that carry the inflow where they start hold the level there, cycling.
    if (q > 0 && q >= inflow(from))
      return { stretches, rest: from, cycling: true, equilibrium: from, inflow, start, depth, K }
    const to = breaks[i + 1]!
    const area = areaOver(from)
    const meets = q > inflow(to) ? depth - (q / K) ** 2 : null
    const top = meets ?? to
    const base = t0
    const after = (L: number): number => {
      if (to <= 0) return (area * (L - from)) / (inflow(from) - q)
      const [u0, u1] = [Math.sqrt(Math.max(0, depth - from)), Math.sqrt(Math.max(0, depth - L))]
      if (q === 0) return ((2 * area) / K) * (u0 - u1)
      const ratio = (K * u0 - q) / (K * u1 - q)
      return ratio > 0 && Number.isFinite(ratio)
        ? ((2 * area) / K) * (u0 - u1 + (q / K) * Math.log(ratio))
        : Infinity
    }
    stretches.push({ from, to: top, t0: base, after, area, pumps: q })
    if (meets !== null)
      return { stretches, rest: meets, cycling: false, equilibrium: meets, inflow, start, depth, K }
    t0 += after(to)
  }
  throw new Error('unreachable: the waterline is always a break')
}

export const flooding = defineCalculator({
  name: 'flooding',
  title: 'If it lets go',
  chapter: '5.7',
  words: ['flooding', 'sinking', 'bilge pump', 'hose off', 'hole', 'how long', 'choke'],
  input,
  output,
  run: (v) => {
    const r = rise(v)
    const limit = v.hours * 3600
    const levelAt = (t: number): number => {
      const s = [...r.stretches].reverse().find((x) => x.t0 <= t)
      if (!s) return r.rest
      if (s === r.stretches.at(-1) && s.t0 + s.after(s.to) <= t) return r.rest
      let [lo, hi] = [s.from, s.to]
      for (let i = 0; i < 100 && hi - lo > 1e-12; i++) {
        const mid = (lo + hi) / 2
        if (s.t0 + s.after(mid) <= t) lo = mid
        else hi = mid
      }
      return (lo + hi) / 2
    }
    const reached = (L: number): number | null => {
      if (L <= r.start) return 0
      const s = r.stretches.find((x) => L > x.from && L <= x.to)
      if (!s) return null
      const t = s.t0 + s.after(L)
      return t <= limit ? t / 60 : null
    }
    const pumpM3 = v.pumps.reduce((s, p) => s + (p.ratedLpm * p.derate) / LPM, 0)
    const series = Array.from({ length: POINTS }, (_, i) => {
      const t = (limit * i) / (POINTS - 1)
      const L = levelAt(t)
      const inLpm = r.inflow(L) * LPM
      const held = (r.cycling || r.rest === r.depth) && Math.abs(L - r.rest) < 1e-12
      const on = v.pumps
        .filter((p) => p.startMm / 1000 <= L + 1e-12)
        .reduce((s, p) => s + p.ratedLpm * p.derate, 0)
      return { tMin: t / 60, levelMm: L * 1000, inLpm, outLpm: held ? inLpm : on }
    })
    return {
      initialLpm: r.inflow(r.start) * LPM,
      pumpLpm: pumpM3 * LPM,
      chokeMm: Math.sqrt(((4 / Math.PI) * pumpM3) / (v.cd * Math.sqrt(2 * G * r.depth))) * 1000,
      plugMm: [0.6 * v.holeMm, 1.2 * v.holeMm],
      equilibriumMm: r.equilibrium === null ? null : r.equilibrium * 1000,
      series,
      marks: v.marks.map((m) => ({ name: m.name, atMin: reached(m.levelMm / 1000) })),
    }
  },
})
