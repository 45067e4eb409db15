import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { CalcError } from '../../base/errors'
import { checkSchema, nonNegative, pointSchema, positive, verdictSchema } from '../../base/schema/schema'
import { unproven, type Check } from '../../base/verdict/check'
import { HARDENER_IDS } from '../bedding/epoxy-batch'
import { LIFT_MM, against, potsFor, up, verdictOfAll } from './limits'

const input = z
  .strictObject({
    readings: z
      .array(z.strictObject({ atMm: positive(), dxMm: z.number(), dyMm: z.number() }))
      .min(1)
      .max(2),
    readingMm: positive().default(0.5),
    beforeArcSec: positive().optional(),
    jig: z.strictObject({
      screws: z.array(pointSchema).length(3),
      pitchMm: positive(),
      turnStep: nonNegative().default(0.125),
      leverMm: z.number().default(0),
    }),
    shaft: z
      .strictObject({
        diameterMm: positive(),
        spanMm: positive(),
        bearingMm: positive().optional(),
        clearanceMm: positive().optional(),
        eMPa: positive().default(193_000),
        bendMPa: positive().default(10),
      })
      .optional(),
    pour: z
      .strictObject({
        areaMm2: positive(),
        depthMm: positive(),
        hardener: z.enum(HARDENER_IDS).default('slow'),
        waste: nonNegative().default(0.15),
      })
      .optional(),
  })
  .superRefine((v, ctx) => {
    const [a, b] = v.readings
    if (b && Math.abs(a!.atMm - b.atMm) <= 1e-9)
      ctx.addIssue({
        code: 'custom',
        path: ['readings', 1, 'atMm'],
        message: `Both readings were taken at ${b.atMm} mm; the second wants another distance`,
      })
  })
const axes = z.object({ x: z.number(), y: z.number(), total: z.number() })
const maybe = z.number().nullable()
const output = z.object({
  tiltArcSec: axes,
  lateralMm: axes.nullable(),
  turns: z.array(z.number()),
  turnsRounded: z.array(z.number()),
  sideShiftMm: z.object({ x: z.number(), y: z.number() }).nullable(),
  uncertainty: z.object({ tiltArcSec: z.number(), lateralMm: maybe }),
  predictedArcSec: z.number(),
  improvement: maybe,
  sinceBefore: maybe,
  limits: z.object({ tiltArcSec: z.number(), offsetMm: z.number() }).nullable(),
  pour: z
    .object({ volumeMl: z.number(), lifts: z.number(), potsPerLift: z.number(), pots: z.number() })
    .nullable(),
  checks: z.array(checkSchema),
  verdict: verdictSchema.nullable(),
  cautions: z.array(z.string()),
})
type Input = z.output<typeof input>
interface Pair {
  x: number
  y: number
}
const SOURCE = 'chapter 15.8'
/** Arc-seconds of a small slope. */
const ARC = 206_265
const withTotal = (p: Pair) => ({ ...p, total: Math.hypot(p.x, p.y) })

/** Slope of the axis, and how far it passes from the bore; the latter only from two distances. */
function sighted(v: Input): { slope: Pair; lateral: Pair | null; us: number; ua: number | null } {
  const [a, b] = v.readings
  const u = v.readingMm
  if (!b)
    return { slope: { x: a!.dxMm / a!.atMm, y: a!.dyMm / a!.atMm }, lateral: null, us: u / a!.atMm, ua: null }
  const apart = b.atMm - a!.atMm
  const slope = { x: (b.dxMm - a!.dxMm) / apart, y: (b.dyMm - a!.dyMm) / apart }
  return {
    slope,
    lateral: { x: a!.dxMm - slope.x * a!.atMm, y: a!.dyMm - slope.y * a!.atMm },
    us: (Math.SQRT2 * u) / Math.abs(apart),
    ua: (u * Math.hypot(a!.atMm, b.atMm)) / Math.abs(apart),
  }
}

/** Half away from zero, to the step that a screw is turned by. */
const rounded = (turns: number, stepTurns: number) =>
  stepTurns === 0
    ? turns
    : Math.sign(turns) * Math.floor(Math.abs(turns) / stepTurns + 0.5 + 1e-9) * stepTurns

/** Slopes of the plane through three screws moved by so much. */
function planeOf(screws: { xMm: number; yMm: number }[], z: number[]): Pair {
  const [p, q, r] = screws as [Pt, Pt, Pt]
  const [ux, uy, uz] = [q.xMm - p.xMm, q.yMm - p.yMm, z[1]! - z[0]!]
  const [vx, vy, vz] = [r.xMm - p.xMm, r.yMm - p.yMm, z[2]! - z[0]!]
  const twice = ux * vy - uy * vx
  return { x: (uz * vy - uy * vz) / twice, y: (ux * vz - uz * vx) / twice }
}
type Pt = { xMm: number; yMm: number }
function refuseInLine(screws: Pt[]) {
  const [p, q, r] = screws as [Pt, Pt, Pt]
  const twice = Math.abs((q.xMm - p.xMm) * (r.yMm - p.yMm) - (q.yMm - p.yMm) * (r.xMm - p.xMm))
  const side = (a: Pt, b: Pt) => Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm)
  const longest = Math.max(side(p, q), side(q, r), side(r, p))
  if (twice <= 1e-6 * longest ** 2)
    throw new CalcError(
      'screws-in-line',
      'jig.screws',
      'The three screws stand in one line; they cannot tilt it both ways',
    )
}

function limitsOf(s: NonNullable<Input['shaft']>) {
  const clearance = s.clearanceMm ?? 0.1 + 0.002 * s.diameterMm
  return {
    tiltArcSec: (ARC * clearance) / (s.bearingMm ?? 4 * s.diameterMm),
    offsetMm: (s.bendMPa * s.spanMm ** 2) / (1.5 * s.eMPa * s.diameterMm),
  }
}
function shaftChecks(
  limits: ReturnType<typeof limitsOf> | null,
  got: { tilt: number; offset: number | null; after: number },
): Check[] {
  if (!limits) return []
  const tilt = (id: string, title: string, demand: number) =>
    against({ id, title, unit: 'arc-seconds', source: SOURCE, demand, capacity: limits.tiltArcSec })
  const shape = { id: 'offset', title: 'Bore beside the shaft', unit: 'mm', source: SOURCE }
  return [
    tilt('tilt', 'Tilt as it stands', got.tilt),
    got.offset === null
      ? unproven({ ...shape, because: 'One distance tells the tilt only; take a second reading.' })
      : against({ ...shape, demand: got.offset, capacity: limits.offsetMm }),
    tilt('tilt-after', 'Tilt after the screws are turned', got.after),
  ]
}
function pourOf(p: NonNullable<Input['pour']>) {
  const volumeMl = (p.areaMm2 * p.depthMm * (1 + p.waste)) / 1000
  const lifts = up(p.depthMm / LIFT_MM[p.hardener].cast)
  const potsPerLift = potsFor(volumeMl / lifts)
  return { volumeMl, lifts, potsPerLift, pots: lifts * potsPerLift }
}

export const alignment = defineCalculator({
  name: 'alignment',
  title: 'A strut, step or post on a three-point jig',
  chapter: '15.8',
  words: ['strut', 'bearing', 'shaft', 'align', 'jig', 'arc-seconds', 'pour'],
  input,
  output,
  run: (v) => {
    refuseInLine(v.jig.screws)
    const { slope, lateral, us, ua } = sighted(v)
    const turns = v.jig.screws.map((s) => (slope.x * s.xMm + slope.y * s.yMm) / v.jig.pitchMm)
    const turnsRounded = turns.map((t) => rounded(t, v.jig.turnStep))
    const made = planeOf(
      v.jig.screws,
      turnsRounded.map((t) => t * v.jig.pitchMm),
    )
    const left = { x: slope.x - made.x, y: slope.y - made.y }
    const predictedArcSec = ARC * Math.sqrt(left.x ** 2 + left.y ** 2 + 2 * us ** 2)
    const tiltArcSec = withTotal({ x: ARC * slope.x, y: ARC * slope.y })
    const lateralMm = lateral && withTotal(lateral)
    const limits = v.shaft ? limitsOf(v.shaft) : null
    const checks = shaftChecks(limits, {
      tilt: tiltArcSec.total,
      offset: lateralMm?.total ?? null,
      after: predictedArcSec,
    })
    const lever = v.jig.leverMm
    return {
      tiltArcSec,
      lateralMm,
      turns,
      turnsRounded,
      sideShiftMm: lateral && {
        x: -(lateral.x - slope.x * lever),
        y: -(lateral.y - slope.y * lever),
      },
      uncertainty: { tiltArcSec: ARC * us, lateralMm: ua },
      predictedArcSec,
      improvement: predictedArcSec > 0 ? tiltArcSec.total / predictedArcSec : null,
      sinceBefore:
        v.beforeArcSec === undefined || tiltArcSec.total === 0 ? null : v.beforeArcSec / tiltArcSec.total,
      limits,
      pour: v.pour ? pourOf(v.pour) : null,
      checks,
      verdict: verdictOfAll(checks),
      cautions: [
        ...(v.pour ? ['dust'] : []),
        ...(v.shaft ? ['hole-ashore'] : []),
        ...(v.pour ? ['resins'] : []),
      ],
    }
  },
})
