import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { CalcError } from '../../base/errors'
import { areaOf, outlineSchema, type Outline } from '../../base/geometry/outline'
import { BONDING_PLATE_IDS } from '../../base/materials/plates'
import { GRADE_IDS, SIZES, SIZE_IDS, largerSizes } from '../../base/materials/fasteners'
import { loadedThickness, strengthsOf, structureSchema } from '../../base/materials/structure'
import {
  checkSchema,
  dutySchema,
  jointFactorsSchema,
  nonNegative,
  positive,
  verdictSchema,
} from '../../base/schema/schema'
import {
  draft,
  governing,
  say,
  step,
  unproven,
  worstVerdict,
  written,
  type Draft,
  type Verdict,
} from '../../base/verdict/check'
import { factorsFor } from '../../base/verdict/factors'
import { boltCapacities, boltCheck } from '../fastener/fastener'
import { boltStiffness } from './base-contact'
import type { Base } from './base-press'
import { BOND_MPA, bearingChecks } from './bearing'
import { baseChecks, footprintChecks, footprintCrush, plugSchema, refusePlugWithoutCore } from './footprint'
import { boltsPress, snugOf } from './snug'

const bondedSchema = z.strictObject({
  material: z.enum(BONDING_PLATE_IDS),
  thicknessMm: positive(),
  bondMPa: positive().default(BOND_MPA),
})
export const fieldSchema = z.strictObject({
  centreMPa: z.number(),
  alongMPaPerMm: z.number(),
  acrossMPaPerMm: z.number(),
})
const input = z
  .strictObject({
    duty: dutySchema.default('coastal'),
    factors: jointFactorsSchema.optional(),
    structure: structureSchema,
    bolt: z.strictObject({
      size: z.enum(SIZE_IDS),
      grade: z.enum(GRADE_IDS),
      threadsInShear: z.boolean().default(true),
      preloadN: nonNegative().default(0),
      holeMm: positive().optional(),
      gripMm: positive().optional(),
    }),
    bolts: z
      .array(
        z.strictObject({ xMm: z.number(), yMm: z.number(), tensionN: nonNegative(), shearN: nonNegative() }),
      )
      .min(1),
    edgeMm: positive().optional(),
    plate: outlineSchema({ bonded: bondedSchema.optional() }).optional(),
    washer: z.enum(['plain', 'large']).default('large'),
    washerDiameterMm: positive().optional(),
    plug: plugSchema.optional(),
    /** a hole beside the bolts, through base and plate, that nothing presses on: a deck pipe, a shaft */
    openMm2: nonNegative().optional(),
    base: outlineSchema({
      pushN: nonNegative().optional(),
      toePressureMPa: nonNegative().optional(),
      field: fieldSchema.optional(),
    }).optional(),
  })
  .superRefine((v, ctx) => {
    if (v.base?.field && (v.base.pushN !== undefined || v.base.toePressureMPa !== undefined))
      ctx.addIssue({
        code: 'custom',
        path: ['base', 'pushN'],
        message: 'A push or a toe pressure is given beside a field; the field has both in it',
      })
    if (v.plate?.bonded && v.structure.kind === 'metal')
      ctx.addIssue({
        code: 'custom',
        path: ['plate', 'bonded'],
        message: 'A plate is not bonded to metal to share its bearing; weld a doubler',
      })
    const d = SIZES[v.bolt.size]!.diameterMm
    if (v.bolt.holeMm !== undefined && v.bolt.holeMm < d)
      ctx.addIssue({
        code: 'custom',
        path: ['bolt', 'holeMm'],
        message: `${v.bolt.holeMm} was given; the hole is at least as wide as its ${d} mm bolt`,
      })
  })
const output = z.object({
  checks: z.array(checkSchema),
  verdict: verdictSchema,
  governing: z.string(),
  snug: z.object({ preloadN: z.number(), limitedBy: z.string().nullable() }),
})
export type JointInput = z.output<typeof input>

const TOUCHING = 1e-9

/** Limits of its own: short under the least, tight under the wished, else holds. */
const byLimits = (have: number, least: number, wished: number): Verdict =>
  have < least - TOUCHING ? 'short' : have < wished - TOUCHING ? 'tight' : 'holds'

const indexOfGreatest = (values: number[]) => values.reduce((best, v, i) => (v > values[best]! ? i : best), 0)

/** What every check below asks of the input, worked out once. */
function given(v: JointInput) {
  refusePlugWithoutCore(v.structure, v.plug)
  const size = SIZES[v.bolt.size]!
  const d = size.diameterMm
  const holeMm = v.bolt.holeMm ?? size.clearanceMm
  if (v.edgeMm !== undefined && v.edgeMm <= holeMm / 2)
    throw new CalcError(
      'edge-in-hole',
      'edgeMm',
      `The edge lies ${say(v.edgeMm)} mm from the centre of a ${say(holeMm)} mm hole; more than half the hole is needed`,
    )
  const s = strengthsOf(v.structure)
  const factors = factorsFor(v.duty, v.factors)
  const sheared = indexOfGreatest(v.bolts.map((b) => b.shearN))
  return {
    d,
    holeMm,
    metal: v.structure.kind === 'metal',
    s,
    factors,
    skinFactor: factors[s.factor],
    t: loadedThickness(v.structure),
    spacingMm: spacingOf(v.bolts),
    sheared,
    shearN: v.bolts[sheared]!.shearN,
    washerMm: v.washerDiameterMm ?? (v.washer === 'large' ? size.largeWasher : size.plainWasher).diameterMm,
    kb: v.bolt.gripMm === undefined ? null : boltStiffness(v.bolt.size, v.bolt.grade, v.bolt.gripMm),
  }
}
type Joint = ReturnType<typeof given>

/** Least distance between two bolts; Infinity for one. */
function spacingOf(bolts: JointInput['bolts']): number {
  let spacing = Infinity
  for (let j = 1; j < bolts.length; j++)
    for (let i = 0; i < j; i++) {
      const gap = Math.hypot(bolts[j]!.xMm - bolts[i]!.xMm, bolts[j]!.yMm - bolts[i]!.yMm)
      if (gap <= TOUCHING)
        throw new CalcError(
          'bolts-coincide',
          `bolts.${j}`,
          `Bolt ${j + 1} stands where bolt ${i + 1} stands; give each its own place`,
        )
      spacing = Math.min(spacing, gap)
    }
  return spacing
}

function worstBolt(v: JointInput, g: Joint): Draft {
  const caps = boltCapacities(v.bolt.size, v.bolt.grade, v.bolt.threadsInShear)
  const worst = indexOfGreatest(
    v.bolts.map((b) => Math.hypot(b.tensionN / caps.tensionN, b.shearN / caps.shearN)),
  )
  return boltCheck({
    size: v.bolt.size,
    grade: v.bolt.grade,
    ...v.bolts[worst]!,
    threadsInShear: v.bolt.threadsInShear,
    factor: g.factors.metal,
    boltIndex: worst,
    many: v.bolts.length,
  })
}

/** The plate with what it is bonded by, and its area less the holes. */
function bondedOf(v: JointInput, g: Joint) {
  if (!v.plate?.bonded) return undefined
  const areaMm2 = areaOf(v.plate) - (v.bolts.length * Math.PI * g.holeMm ** 2) / 4 - (v.openMm2 ?? 0)
  return areaMm2 > 0 ? { ...v.plate.bonded, areaMm2 } : undefined
}

const EDGE = { id: 'edge-distance', title: 'Edge distance', unit: 'mm', source: 'chapter 3.4' }
const SHEAR_OUT = { id: 'shear-out', title: 'Shear-out to the edge', unit: 'MPa', source: 'chapter 3.4' }

function edgeChecks(edgeMm: number | undefined, g: Joint): Draft[] {
  const { d, t, s, shearN: V } = g
  const limits = { capacity: s.inPlaneShearMPa, factor: g.skinFactor }
  if (edgeMm === undefined) {
    const because = 'The distance to the nearest free edge is not measured.'
    return [unproven({ ...EDGE, because }), unproven({ ...SHEAR_OUT, ...limits, because })]
  }
  const [least, wished] = g.metal ? [1.5, 2] : [2.5, 3]
  const run = 2 * (edgeMm - d / 2) * t
  const demand = V / run
  return [
    draft({
      ...EDGE,
      demand: least * d,
      capacity: edgeMm,
      verdict: byLimits(edgeMm, least * d, wished * d),
      because: () =>
        `The hole stands ${say(edgeMm)} mm from the edge, ${say(edgeMm / d)} diameters; ${least} is the least and ${wished} is wished for.`,
      working: () => [
        step('e', 'hole centre to nearest free edge', '', edgeMm, 'mm'),
        step('least', `${least}\u00b7d`, '', least * d, 'mm'),
      ],
    }),
    draft({
      ...SHEAR_OUT,
      ...limits,
      demand,
      because: () =>
        `${say(V)} N shear ${say(run)} mm\u00b2 out to the edge: ${say(demand)} MPa, against ${say(s.inPlaneShearMPa)} MPa with a factor of ${g.skinFactor}.`,
      working: () => [
        step('A', 'two planes to the edge', '2\u00b7(e \u2212 d/2)\u00b7t', run, 'mm\u00b2'),
        step('\u03c4', 'shear-out', 'V/A', demand, 'MPa'),
      ],
      assumed: s.assumed.filter((a) => a === 'inPlaneShearMPa'),
    }),
  ]
}

function spacingCheck(g: Joint): Draft[] {
  if (g.spacingMm === Infinity) return []
  const [least, wished] = g.metal ? [2.5, 3] : [3, 4]
  return [
    draft({
      id: 'spacing',
      title: 'Bolt spacing',
      unit: 'mm',
      source: 'chapter 3.4',
      demand: least * g.d,
      capacity: g.spacingMm,
      verdict: byLimits(g.spacingMm, least * g.d, wished * g.d),
      because: () =>
        `The nearest two bolts stand ${say(g.spacingMm)} mm apart, ${say(g.spacingMm / g.d)} diameters; ${least} is the least and ${wished} is wished for.`,
      working: () => [
        step('s', 'least centre to centre', '', g.spacingMm, 'mm'),
        step('least', `${least}\u00b7d`, '', least * g.d, 'mm'),
      ],
    }),
  ]
}

/** What presses on the core by the preload: under plate or washers, and under the base. */
function pressing(v: JointInput, g: Joint, preloadN: number, of = footprintChecks) {
  const inside = of({
    structure: v.structure,
    plug: v.plug,
    plate: v.plate,
    washerMm: g.washerMm,
    holeMm: g.holeMm,
    openMm2: v.openMm2,
    factors: g.factors,
    bolts: v.bolts.map((b) => ({ tensionN: b.tensionN, preloadN })),
  })
  const outside = baseChecks({
    structure: v.structure,
    plug: v.plug,
    base: v.base && baseOf(v.base),
    holeMm: g.holeMm,
    openMm2: v.openMm2,
    n: v.bolts.length,
    preloadN,
    kb: g.kb,
    factors: g.factors,
  })
  return { inside, outside }
}
/** Only one of the two ways to say what presses reaches the checks. */
function baseOf(b: NonNullable<JointInput['base']>): Base {
  const { field, pushN, toePressureMPa, ...outline } = b
  return field
    ? { ...(outline as Outline), field }
    : { ...(outline as Outline), pushN: pushN ?? 0, toePressureMPa: toePressureMPa ?? 0 }
}

/** The largest preload that neither plate, washers, base nor the bolt itself object to (chapter 3.4). */
export function jointSnug(v: JointInput, g = given(v)) {
  const cap = 0.4 * boltCapacities(v.bolt.size, v.bolt.grade, true).tensionN
  const { inside, outside } = pressing(v, g, cap, footprintCrush)
  // Washers stand alone: the one that is pulled most is pressed most at any preload.
  const all = v.bolts.map((b) => b.tensionN)
  const tensions = v.plate ? all : [Math.max(...all)]
  const clamped = tensions.reduce((s, t) => s + Math.max(t, cap), 0)
  const crush = (checks: Draft[]) => checks.filter((c) => c.id.startsWith('crush-') && c.utilisation !== null)
  const press = outside.press
  const found = snugOf(
    [
      ...crush(inside).map((c) => ({
        id: c.id,
        perNewton: c.utilisation! / clamped,
        ...boltsPress(tensions),
      })),
      ...(press
        ? crush(outside.checks).map((c) => ({
            id: c.id,
            perNewton: c.utilisation! / press.at(cap),
            restN: press.at(0),
            preloadFor: press.preloadFor,
          }))
        : []),
    ],
    cap,
  )
  return { ...found, preloadN: found.preloadN ?? cap }
}

/** All checks at the bolts, in the chapter's order. */
export function jointChecks(v: JointInput, g = given(v)): Draft[] {
  const { inside, outside } = pressing(v, g, v.bolt.preloadN)
  return [
    worstBolt(v, g),
    ...bearingChecks({
      structure: v.structure,
      plug: v.plug,
      bonded: bondedOf(v, g),
      d: g.d,
      holeMm: g.holeMm,
      shearN: g.shearN,
      sumShearN: v.bolts.reduce((s, b) => s + b.shearN, 0),
      boltIndex: g.sheared,
      factors: g.factors,
    }),
    ...edgeChecks(v.edgeMm, g),
    ...spacingCheck(g),
    ...inside,
    ...outside.checks,
  ]
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
    const g = given(v)
    const checks = jointChecks(v, g).map(written)
    return {
      checks,
      verdict: worstVerdict(checks.map((c) => c.verdict)),
      governing: governing(checks)!.id,
      snug: jointSnug(v, g),
    }
  },
})
