import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { CalcError } from '../../base/errors'
import { outlineSchema } from '../../base/geometry/outline'
import { GRADE_IDS, SIZES, SIZE_IDS, largerSizes } from '../../base/materials/fasteners'
import { loadedThickness, strengthsOf, structureSchema } from '../../base/materials/structure'
import {
  checkSchema,
  dutySchema,
  factorsSchema,
  nonNegative,
  positive,
  verdictSchema,
} from '../../base/schema/schema'
import {
  check,
  governing,
  say,
  step,
  unproven,
  worstVerdict,
  type Check,
  type Verdict,
} from '../../base/verdict/check'
import { factorsFor } from '../../base/verdict/factors'
import { boltCapacities, boltCheck } from '../fastener/fastener'
import { baseChecks, footprintChecks, plugSchema, refusePlugWithoutCore } from './footprint'

const input = z
  .strictObject({
    duty: dutySchema.default('coastal'),
    factors: factorsSchema.optional(),
    structure: structureSchema,
    bolt: z.strictObject({
      size: z.enum(SIZE_IDS),
      grade: z.enum(GRADE_IDS),
      threadsInShear: z.boolean().default(true),
      preloadN: nonNegative().default(0),
      holeMm: positive().optional(),
    }),
    bolts: z
      .array(
        z.strictObject({ xMm: z.number(), yMm: z.number(), tensionN: nonNegative(), shearN: nonNegative() }),
      )
      .min(1),
    edgeMm: positive().optional(),
    plate: outlineSchema({}).optional(),
    washer: z.enum(['plain', 'large']).default('large'),
    washerDiameterMm: positive().optional(),
    plug: plugSchema.optional(),
    base: outlineSchema({
      pushN: nonNegative().default(0),
      toePressureMPa: nonNegative().default(0),
    }).optional(),
  })
  .superRefine((v, ctx) => {
    const d = SIZES[v.bolt.size]!.diameterMm
    if (v.bolt.holeMm !== undefined && v.bolt.holeMm < d)
      ctx.addIssue({
        code: 'custom',
        path: ['bolt', 'holeMm'],
        message: `${v.bolt.holeMm} was given; the hole is at least as wide as its ${d} mm bolt`,
      })
  })
const output = z.object({ checks: z.array(checkSchema), verdict: verdictSchema, governing: z.string() })
export type JointInput = z.output<typeof input>

const TOUCHING = 1e-9

/** Limits of its own: short under the least, tight under the wished, else holds. */
const byLimits = (have: number, least: number, wished: number): Verdict =>
  have < least - TOUCHING ? 'short' : have < wished - TOUCHING ? 'tight' : 'holds'

const indexOfGreatest = (values: number[]) => values.reduce((best, v, i) => (v > values[best]! ? i : best), 0)

export function jointChecks(v: JointInput): Check[] {
  refusePlugWithoutCore(v.structure, v.plug)
  const size = SIZES[v.bolt.size]!
  const d = size.diameterMm
  const holeMm = v.bolt.holeMm ?? size.clearanceMm
  const metal = v.structure.kind === 'metal'
  const s = strengthsOf(v.structure)
  const factors = factorsFor(v.duty, v.factors)
  const skinFactor = factors[s.factor]
  const t = loadedThickness(v.structure)
  const n = v.bolts.length
  if (v.edgeMm !== undefined && v.edgeMm <= holeMm / 2)
    throw new CalcError(
      'edge-in-hole',
      'edgeMm',
      `The edge lies ${say(v.edgeMm)} mm from the centre of a ${say(holeMm)} mm hole; more than half the hole is needed`,
    )

  let spacing = Infinity
  for (let j = 1; j < n; j++)
    for (let i = 0; i < j; i++) {
      const gap = Math.hypot(v.bolts[j]!.xMm - v.bolts[i]!.xMm, v.bolts[j]!.yMm - v.bolts[i]!.yMm)
      if (gap <= TOUCHING)
        throw new CalcError(
          'bolts-coincide',
          `bolts.${j}`,
          `Bolt ${j + 1} stands where bolt ${i + 1} stands; give each its own place`,
        )
      spacing = Math.min(spacing, gap)
    }

  const caps = boltCapacities(v.bolt.size, v.bolt.grade, v.bolt.threadsInShear)
  const worst = indexOfGreatest(
    v.bolts.map((b) => Math.hypot(b.tensionN / caps.tensionN, b.shearN / caps.shearN)),
  )
  const sheared = indexOfGreatest(v.bolts.map((b) => b.shearN))
  const V = v.bolts[sheared]!.shearN
  const checks: Check[] = [
    boltCheck({
      size: v.bolt.size,
      grade: v.bolt.grade,
      ...v.bolts[worst]!,
      threadsInShear: v.bolt.threadsInShear,
      factor: factors.metal,
      boltIndex: worst,
      many: n,
    }),
  ]

  const bearing = V / (d * t)
  checks.push(
    check({
      id: 'bearing',
      title: metal ? 'Bearing on the plating' : 'Bearing on the skins',
      unit: 'MPa',
      source: 'chapter 3.4',
      demand: bearing,
      capacity: s.bearingMPa,
      factor: skinFactor,
      because: `${say(V)} N press sideways on ${say(d)} \u00d7 ${say(t)} mm: ${say(bearing)} MPa, against ${say(s.bearingMPa)} MPa with a factor of ${skinFactor}.`,
      working: [
        step('V', 'greatest shear of a bolt', '', V, 'N'),
        step('t', v.structure.kind === 'sandwich' ? 'skins together' : 'thickness', '', t, 'mm'),
        step('\u03c3', 'bearing', 'V/(d\u00b7t)', bearing, 'MPa'),
      ],
      assumed: s.assumed.filter((a) => a === 'bearingMPa'),
      boltIndex: sheared,
    }),
  )

  const [leastE, wishedE] = metal ? [1.5, 2] : [2.5, 3]
  if (v.edgeMm === undefined) {
    const why = 'The distance to the nearest free edge is not measured.'
    checks.push(
      unproven({
        id: 'edge-distance',
        title: 'Edge distance',
        unit: 'mm',
        source: 'chapter 3.4',
        because: why,
      }),
    )
    checks.push(
      unproven({
        id: 'shear-out',
        title: 'Shear-out to the edge',
        unit: 'MPa',
        source: 'chapter 3.4',
        because: why,
        capacity: s.inPlaneShearMPa,
        factor: skinFactor,
      }),
    )
  } else {
    checks.push(
      check({
        id: 'edge-distance',
        title: 'Edge distance',
        unit: 'mm',
        source: 'chapter 3.4',
        demand: leastE * d,
        capacity: v.edgeMm,
        verdict: byLimits(v.edgeMm, leastE * d, wishedE * d),
        because: `The hole stands ${say(v.edgeMm)} mm from the edge, ${say(v.edgeMm / d)} diameters; ${leastE} is the least and ${wishedE} is wished for.`,
        working: [
          step('e', 'hole centre to nearest free edge', '', v.edgeMm, 'mm'),
          step('least', `${leastE}\u00b7d`, '', leastE * d, 'mm'),
        ],
      }),
    )
    const run = 2 * (v.edgeMm - d / 2) * t
    const demand = V / run
    checks.push(
      check({
        id: 'shear-out',
        title: 'Shear-out to the edge',
        unit: 'MPa',
        source: 'chapter 3.4',
        demand,
        capacity: s.inPlaneShearMPa,
        factor: skinFactor,
        because: `${say(V)} N shear ${say(run)} mm\u00b2 out to the edge: ${say(demand)} MPa, against ${say(s.inPlaneShearMPa)} MPa with a factor of ${skinFactor}.`,
        working: [
          step('A', 'two planes to the edge', '2\u00b7(e \u2212 d/2)\u00b7t', run, 'mm\u00b2'),
          step('\u03c4', 'shear-out', 'V/A', demand, 'MPa'),
        ],
        assumed: s.assumed.filter((a) => a === 'inPlaneShearMPa'),
      }),
    )
  }
  if (n > 1) {
    const [least, wished] = metal ? [2.5, 3] : [3, 4]
    checks.push(
      check({
        id: 'spacing',
        title: 'Bolt spacing',
        unit: 'mm',
        source: 'chapter 3.4',
        demand: least * d,
        capacity: spacing,
        verdict: byLimits(spacing, least * d, wished * d),
        because: `The nearest two bolts stand ${say(spacing)} mm apart, ${say(spacing / d)} diameters; ${least} is the least and ${wished} is wished for.`,
        working: [
          step('s', 'least centre to centre', '', spacing, 'mm'),
          step('least', `${least}\u00b7d`, '', least * d, 'mm'),
        ],
      }),
    )
  }
  const washerMm =
    v.washerDiameterMm ?? (v.washer === 'large' ? size.largeWasher : size.plainWasher).diameterMm
  checks.push(
    ...footprintChecks({
      structure: v.structure,
      plug: v.plug,
      plate: v.plate,
      washerMm,
      holeMm,
      factors,
      bolts: v.bolts.map((b) => ({ tensionN: b.tensionN, preloadN: v.bolt.preloadN })),
    }),
    ...baseChecks({
      structure: v.structure,
      plug: v.plug,
      holeMm,
      n,
      preloadN: v.bolt.preloadN,
      factors,
      base: v.base
        ? { outline: v.base, pushN: v.base.pushN, toePressureMPa: v.base.toePressureMPa }
        : undefined,
    }),
  )
  return checks
}

export const jointCheck = defineCalculator({
  name: 'joint-check',
  title: 'The joint at the bolts',
  chapter: '3.4',
  words: ['bearing', 'shear-out', 'edge distance', 'spacing', 'punching', 'crush', 'pull-out'],
  input,
  output,
  tries: (v) => [
    ...largerSizes(v.bolt.size).map((size) => ({
      id: `size-${size}`,
      text: `${size} bolts`,
      change: { 'bolt.size': size },
      input: { ...v, bolt: { ...v.bolt, size, holeMm: undefined } },
    })),
    ...(v.plate && 'lengthMm' in v.plate
      ? [20, 40, 80, 120].map((g) => {
          const plate = {
            lengthMm: (v.plate as { lengthMm: number }).lengthMm + g,
            widthMm: (v.plate as { widthMm: number }).widthMm + g,
          }
          return {
            id: `plate-${g}`,
            text: `a plate of ${plate.lengthMm} \u00d7 ${plate.widthMm} mm`,
            change: { plate },
            input: { ...v, plate },
          }
        })
      : []),
    ...(!v.plate && v.washer === 'plain'
      ? [
          {
            id: 'washer-large',
            text: 'large washers',
            change: { washer: 'large' },
            input: { ...v, washer: 'large' as const },
          },
        ]
      : []),
  ],
  run: (v) => {
    const checks = jointChecks(v)
    return { checks, verdict: worstVerdict(checks.map((c) => c.verdict)), governing: governing(checks)!.id }
  },
})
