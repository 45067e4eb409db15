import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { invalid } from '../../base/errors'
import { checkSchema, nonNegative, positive, verdictSchema } from '../../base/schema/schema'
import { unproven, type Check } from '../../base/verdict/check'
import { GRAVITY } from '../load/design-load'
import { against, verdictOfAll } from './limits'

const stations = z
  .array(z.strictObject({ xMm: z.number(), areaMm2: nonNegative(), widthMm: nonNegative().optional() }))
  .min(2)
  .superRefine((s, ctx) => {
    const i = s.findIndex((p, k) => k > 0 && p.xMm <= s[k - 1]!.xMm)
    if (i > 0)
      ctx.addIssue({
        code: 'custom',
        path: [i, 'xMm'],
        message: `${s[i]!.xMm} stands after ${s[i - 1]!.xMm}; give the stations from forward aft`,
      })
  })
const input = z.strictObject({
  shape: z.discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('box'),
      lengthMm: positive(),
      widthMm: positive(),
      heightMm: positive(),
      xMm: z.number(),
    }),
    z.strictObject({
      kind: z.literal('sections'),
      stations,
      rule: z.enum(['trapezium', 'simpson']).default('trapezium'),
    }),
  ]),
  permeability: positive().max(1).default(0.95),
  densityKgM3: positive().default(1025),
  headMm: positive().optional(),
  boat: z
    .strictObject({
      lengthMm: positive(),
      beamMm: positive(),
      displacementKg: positive(),
      waterplane: z.number().min(0.5).max(1).default(0.68),
      startXMm: z.number().default(0),
      gmMm: positive().optional(),
      freeboardMm: positive().optional(),
    })
    .optional(),
  pumpLpm: positive().optional(),
  derate: positive().max(1).default(0.5),
})
const maybe = z.number().nullable()
const output = z.object({
  volumeL: z.number(),
  waterKg: z.number(),
  centroidXMm: z.number(),
  pressureKPa: maybe,
  freeSurfaceMm: maybe,
  momentKgMPerCm: maybe,
  sinkageMm: maybe,
  trimMm: maybe,
  bowMm: maybe,
  sternMm: maybe,
  pumpMinutes: maybe,
  checks: z.array(checkSchema),
  verdict: verdictSchema.nullable(),
  cautions: z.array(z.string()),
})
type Input = z.output<typeof input>
type Station = z.output<typeof stations>[number]
const SOURCE = 'chapter 15.4'

/** Area under ordinates: straight between them, or parabolas over pairs of even spaces. */
function integral(x: number[], y: number[], rule: 'trapezium' | 'simpson'): number {
  if (rule === 'trapezium')
    return x.slice(1).reduce((s, xi, i) => s + ((y[i]! + y[i + 1]!) / 2) * (xi - x[i]!), 0)
  const h = (x.at(-1)! - x[0]!) / (x.length - 1)
  return (h / 3) * y.reduce((s, v, i) => s + v * (i === 0 || i === y.length - 1 ? 1 : i % 2 === 1 ? 4 : 2), 0)
}
function refuseSimpson(x: number[]) {
  if (x.length < 3 || x.length % 2 === 0)
    throw invalid(
      'shape.stations',
      `${x.length} stations were given; Simpson\u2019s rule wants an odd number, three or more`,
    )
  const h = (x.at(-1)! - x[0]!) / (x.length - 1)
  if (x.some((xi, i) => Math.abs(xi - x[0]! - i * h) > 1e-6))
    throw invalid(
      'shape.stations',
      'Simpson\u2019s rule wants stations evenly spaced; the trapezium rule does not',
    )
}

/**
 * Volume, mm³, its centre and the second moment of the free surface, mm⁴; null where widths are not known.
 */
function bodyOf(v: Input) {
  const s = v.shape
  if (s.kind === 'box')
    return {
      volumeMm3: s.lengthMm * s.widthMm * s.heightMm,
      centroidXMm: s.xMm + s.lengthMm / 2,
      surfaceMm4: (s.lengthMm * s.widthMm ** 3) / 12,
      headMm: v.headMm ?? s.heightMm,
    }
  const x = s.stations.map((p) => p.xMm)
  if (s.rule === 'simpson') refuseSimpson(x)
  const of = (f: (p: Station) => number) => integral(x, s.stations.map(f), s.rule)
  const volumeMm3 = of((p) => p.areaMm2)
  if (!(volumeMm3 > 0)) throw invalid('shape.stations', 'These sections enclose nothing; give their areas')
  return {
    volumeMm3,
    centroidXMm: of((p) => p.xMm * p.areaMm2) / volumeMm3,
    surfaceMm4: s.stations.every((p) => p.widthMm !== undefined) ? of((p) => p.widthMm! ** 3 / 12) : null,
    headMm: v.headMm ?? null,
  }
}
type Body = ReturnType<typeof bodyOf>

/** How she floats with the water in her, about mid-length. */
function afloat(v: Input, body: Body, waterKg: number) {
  if (!v.boat) return null
  const { waterplane: Cw, displacementKg } = v.boat
  const [L, B] = [v.boat.lengthMm / 1000, v.boat.beamMm / 1000]
  const secondM4 = (B * L ** 3 * Cw) / (12 * (3 - 2 * Cw))
  const momentKgMPerCm = (v.densityKgM3 * secondM4) / (100 * L)
  const leverM = (v.boat.startXMm + v.boat.lengthMm / 2 - body.centroidXMm) / 1000
  const trimMm = ((waterKg * leverM) / momentKgMPerCm) * 10
  const sinkageMm = (waterKg / (v.densityKgM3 * Cw * B * L)) * 1000
  return {
    freeSurfaceMm:
      body.surfaceMm4 === null
        ? null
        : ((v.densityKgM3 * body.surfaceMm4 * v.permeability) / 1e12 / displacementKg) * 1000,
    momentKgMPerCm,
    sinkageMm,
    trimMm,
    bowMm: sinkageMm + trimMm / 2,
    sternMm: sinkageMm - trimMm / 2,
  }
}
function checksOf(v: Input, her: ReturnType<typeof afloat>): Check[] {
  const out: Check[] = []
  if (!her || !v.boat) return out
  const { freeboardMm, gmMm } = v.boat
  if (freeboardMm !== undefined)
    out.push(
      against({
        id: 'freeboard',
        title: 'Bow above the water',
        unit: 'mm',
        source: SOURCE,
        demand: Math.max(0, her.bowMm),
        capacity: freeboardMm,
      }),
    )
  if (gmMm !== undefined) {
    const shape = { id: 'free-surface', title: 'Stability lost to loose water', unit: 'mm', source: SOURCE }
    out.push(
      her.freeSurfaceMm === null
        ? unproven({ ...shape, because: 'The widths of the water are not given at every section.' })
        : against({ ...shape, demand: her.freeSurfaceMm, capacity: gmMm }),
    )
  }
  return out
}
const NOT_AFLOAT = {
  freeSurfaceMm: null,
  momentKgMPerCm: null,
  sinkageMm: null,
  trimMm: null,
  bowMm: null,
  sternMm: null,
}

export const compartment = defineCalculator({
  name: 'compartment',
  title: 'What a watertight bulkhead keeps out',
  chapter: '15.4',
  words: ['flooded', 'compartment', 'trim', 'sinkage', 'free surface', 'bulkhead'],
  input,
  output,
  run: (v) => {
    const body = bodyOf(v)
    const waterKg = (body.volumeMm3 / 1e9) * v.permeability * v.densityKgM3
    const her = afloat(v, body, waterKg)
    const checks = checksOf(v, her)
    return {
      volumeL: body.volumeMm3 / 1e6,
      waterKg,
      centroidXMm: body.centroidXMm,
      pressureKPa: body.headMm === null ? null : (v.densityKgM3 * GRAVITY * body.headMm) / 1e6,
      ...(her ?? NOT_AFLOAT),
      pumpMinutes:
        v.pumpLpm === undefined ? null : ((body.volumeMm3 / 1e6) * v.permeability) / (v.pumpLpm * v.derate),
      checks,
      verdict: verdictOfAll(checks),
      cautions: ['under-the-waterline'],
    }
  },
})
