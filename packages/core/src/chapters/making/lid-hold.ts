import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { GLAZING } from '../../base/materials/glazing'
import { checkSchema, dutySchema, nonNegative, positive, verdictSchema } from '../../base/schema/schema'
import { unproven, type Check } from '../../base/verdict/check'
import { factorsFor } from '../../base/verdict/factors'
import { GRAVITY } from '../load/design-load'
import { against, verdictOfAll } from './limits'

const GASKETS = {
  'strip-soft': { k: 0.15, compressMm: 3, leastMm: 1 },
  'strip-firm': { k: 0.5, compressMm: 2, leastMm: 0.6 },
  hollow: { k: 0.1, compressMm: 4, leastMm: 1.5 },
} as const
const LATCH_N = { 'turn-button': 600, toggle: 800, 'barrel-bolt': 900, cam: 1500 } as const
const ids = <T extends object>(o: T) => Object.keys(o) as [keyof T & string, ...(keyof T & string)[]]

const latches = z
  .strictObject({
    count: z.number().int().positive().optional(),
    atMm: z.array(nonNegative()).min(1).optional(),
    strengthN: positive().optional(),
    kind: z.enum(ids(LATCH_N)).optional(),
  })
  .superRefine((v, ctx) => {
    if ((v.count === undefined) === (v.atMm === undefined))
      ctx.addIssue({
        code: 'custom',
        path: ['count'],
        message: 'Give how many latches there are, spread evenly, or where they stand: one of the two',
      })
  })
const gasket = z
  .strictObject({
    kind: z.enum(ids(GASKETS)),
    stiffnessNPerMm2: positive().optional(),
    compressMm: positive().optional(),
    leastMm: positive().optional(),
  })
  .superRefine((v, ctx) => {
    const row = GASKETS[v.kind]
    if ((v.compressMm ?? row.compressMm) <= (v.leastMm ?? row.leastMm))
      ctx.addIssue({
        code: 'custom',
        path: ['compressMm'],
        message: `A seal pressed by ${v.compressMm ?? row.compressMm} mm never keeps more than the least of ${v.leastMm ?? row.leastMm} mm`,
      })
  })
const input = z
  .strictObject({
    lengthMm: positive(),
    widthMm: positive(),
    massKg: positive(),
    contentsKg: nonNegative().default(0),
    back: z.enum(['hinge', 'ledge', 'latches']).default('hinge'),
    latches,
    gasket: gasket.optional(),
    lid: z
      .strictObject({
        eMPa: positive().optional(),
        material: z.enum(ids(GLAZING)).optional(),
        thicknessMm: positive(),
        stripMm: positive().optional(),
        frameEiNmm2: nonNegative().default(0),
      })
      .superRefine((v, ctx) => {
        if (v.eMPa === undefined && v.material === undefined)
          ctx.addIssue({
            code: 'custom',
            path: ['material'],
            message: 'material is missing; what the lid is of, or its stiffness, is needed',
          })
      })
      .optional(),
    liftKPa: nonNegative().optional(),
    windKn: nonNegative().optional(),
    inverted: z.boolean().default(true),
    stops: z.strictObject({ clearanceMm: nonNegative(), overlapMm: positive() }).optional(),
    stepMm: nonNegative().optional(),
    duty: dutySchema.default('coastal'),
  })
  .superRefine((v, ctx) => {
    const at = v.latches.atMm ?? []
    const i = at.findIndex((x, k) => x > v.lengthMm || (k > 0 && x <= at[k - 1]!))
    if (i >= 0)
      ctx.addIssue({
        code: 'custom',
        path: ['latches', 'atMm', i],
        message: `${at[i]} was given; latches stand along the edge of ${v.lengthMm} mm, one after the other`,
      })
  })
const maybe = z.number().nullable()
const output = z.object({
  netLiftN: maybe,
  shutN: z.number(),
  liftN: maybe,
  invertedN: maybe,
  latchCount: z.number(),
  latchN: z.number(),
  latchInvertedN: maybe,
  backN: z.number(),
  spanMm: z.number(),
  lostMm: maybe,
  leftMm: maybe,
  spanMostMm: maybe,
  weathertight: z.boolean().nullable(),
  trip: z.boolean().nullable(),
  checks: z.array(checkSchema),
  verdict: verdictSchema,
})
type Input = z.output<typeof input>
const SOURCE = 'chapter 15.1'
const KNOT_MS = 0.514444

/** Suction on the lid, N/mm² (MPa); null where neither pressure nor wind is told. */
function liftMPa(v: Input): number | null {
  if (v.liftKPa !== undefined) return v.liftKPa / 1000
  return v.windKn === undefined ? null : (0.5 * 1.225 * 1.2 * (v.windKn * KNOT_MS) ** 2) / 1e6
}
const placesOf = (v: Input) =>
  v.latches.atMm ??
  Array.from({ length: v.latches.count! }, (_, i) => ((i + 0.5) * v.lengthMm) / v.latches.count!)

/** The part of the whole upward force that the hardest-worked latch of the front edge takes. */
function greatestShare(v: Input, at: number[]): number {
  const P = 2 * (v.lengthMm + v.widthMm)
  const n = at.length
  const shares = at.map((x, i) => {
    const from = i === 0 ? 0 : (at[i - 1]! + x) / 2
    const to = i === n - 1 ? v.lengthMm : (x + at[i + 1]!) / 2
    const ends = (i === 0 ? v.widthMm / 2 : 0) + (i === n - 1 ? v.widthMm / 2 : 0)
    return (to - from + ends) / P
  })
  return Math.max(...shares)
}

/** What of the compression is lost in the middle of a span, as a part of it: a beam on the seal. */
const lostPart = (beta: number) =>
  1 - (2 * Math.cosh(beta) * Math.cos(beta)) / (Math.cosh(2 * beta) + Math.cos(2 * beta))

function sealing(v: Input, spanMm: number, netN: number) {
  if (!v.gasket || !v.lid) return null
  const row = GASKETS[v.gasket.kind]
  const k = v.gasket.stiffnessNPerMm2 ?? row.k
  const c = v.gasket.compressMm ?? row.compressMm
  const leastMm = v.gasket.leastMm ?? row.leastMm
  const E = v.lid.eMPa ?? GLAZING[v.lid.material!].eMPa
  const strip = v.lid.stripMm ?? Math.min(100, v.widthMm / 2)
  const EI = (E * strip * v.lid.thicknessMm ** 3) / 12 + v.lid.frameEiNmm2
  const lambda = (k / (4 * EI)) ** 0.25
  const all = c + netN / (2 * (v.lengthMm + v.widthMm) * k)
  const lostMm = all * lostPart((lambda * spanMm) / 2)
  // Up to a quarter wave more and more is lost; the least span that leaves only so much lies before it.
  let [low, high] = [0, Math.PI / 2]
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2
    if (all * lostPart(middle) < c - leastMm) low = middle
    else high = middle
  }
  return { lostMm, leftMm: c - lostMm, spanMostMm: (2 * low) / lambda, leastMm }
}

function sealCheck(v: Input, seal: ReturnType<typeof sealing>): Check[] {
  if (!v.gasket) return []
  const shape = { id: 'gasket', title: 'Seal pressed between the latches', unit: 'mm', source: SOURCE }
  if (!seal) return [unproven({ ...shape, because: 'How stiff the lid is, is not given.' })]
  return [against({ ...shape, demand: seal.leastMm, capacity: seal.leftMm })]
}
function latchChecks(v: Input, latchN: number, invertedN: number | null): Check[] {
  const strength = v.latches.strengthN ?? (v.latches.kind ? LATCH_N[v.latches.kind] : null)
  const factor = factorsFor(v.duty).metal
  const of = (id: string, title: string, demand: number): Check =>
    strength === null
      ? unproven({
          id,
          title,
          unit: 'N',
          source: SOURCE,
          because: 'Neither the kind of latch nor its strength is given.',
        })
      : against({ id, title, unit: 'N', source: SOURCE, demand, capacity: strength, factor })
  return [
    of('latch', 'Latch, shut or lifted', latchN),
    ...(invertedN === null ? [] : [of('inverted', 'Latch, upside down', invertedN)]),
  ]
}
function edgeChecks(v: Input): Check[] {
  return [
    ...(v.stops
      ? [
          against({
            id: 'slide',
            title: 'Laps when it is slid over',
            unit: 'mm',
            source: SOURCE,
            demand: v.stops.clearanceMm + 5,
            capacity: v.stops.overlapMm,
          }),
        ]
      : []),
    ...(v.stepMm !== undefined
      ? [
          {
            ...against({
              id: 'trip',
              title: 'Edge to trip over',
              unit: 'mm',
              source: SOURCE,
              demand: v.stepMm,
              capacity: 10,
            }),
            verdict: v.stepMm <= 10 + 1e-9 ? ('holds' as const) : ('tight' as const),
          },
        ]
      : []),
  ]
}

const UNSEALED = { lostMm: null, leftMm: null, spanMostMm: null, weathertight: null }

export const lidHold = defineCalculator({
  name: 'lid-hold',
  title: 'Does the lid stay shut and tight',
  chapter: '15.1',
  words: ['lid', 'hatch', 'locker', 'latch', 'gasket', 'seal', 'inverted'],
  input,
  output,
  run: (v) => {
    const at = placesOf(v)
    const P = 2 * (v.lengthMm + v.widthMm)
    const g = v.gasket
    const row = g && GASKETS[g.kind]
    const G = g ? (g.stiffnessNPerMm2 ?? row!.k) * (g.compressMm ?? row!.compressMm) * P : 0
    const p = liftMPa(v)
    const netLiftN = p === null ? null : p * v.lengthMm * v.widthMm - v.massKg * GRAVITY
    const netN = Math.max(0, netLiftN ?? 0)
    const liftN = netLiftN === null ? null : G + netN
    const invertedN = v.inverted ? G + (v.massKg + v.contentsKg) * GRAVITY : null
    const share = greatestShare(v, at)
    const latchN = share * Math.max(G, liftN ?? 0)
    const latchInvertedN = invertedN === null ? null : share * invertedN
    const gaps = at.slice(1).map((x, i) => x - at[i]!)
    const spanMm = Math.max(...gaps, 2 * at[0]!, 2 * (v.lengthMm - at.at(-1)!), v.widthMm)
    const seal = sealing(v, spanMm, netN)
    const tight = sealCheck(v, seal)
    const checks = [...latchChecks(v, latchN, latchInvertedN), ...tight, ...edgeChecks(v)]
    return {
      netLiftN,
      shutN: G,
      liftN,
      invertedN,
      latchCount: at.length * (v.back === 'latches' ? 2 : 1),
      latchN,
      latchInvertedN,
      backN: Math.max(G, liftN ?? 0, invertedN ?? 0) / 2,
      spanMm,
      ...(seal
        ? {
            lostMm: seal.lostMm,
            leftMm: seal.leftMm,
            spanMostMm: seal.spanMostMm,
            weathertight: tight[0]!.verdict !== 'short',
          }
        : UNSEALED),
      trip: v.stepMm === undefined ? null : v.stepMm > 10 + 1e-9,
      checks,
      verdict: verdictOfAll(checks)!,
    }
  },
})
