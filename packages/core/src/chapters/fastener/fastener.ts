import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { GRADES, GRADE_IDS, SIZES, SIZE_IDS, largerSizes, type GradeId } from '../../base/materials/fasteners'
import {
  checkSchema,
  dutySchema,
  factorsSchema,
  nonNegative,
  positive,
  verdictSchema,
  workingSchema,
} from '../../base/schema/schema'
import { draft, say, step, worstVerdict, written, type Draft } from '../../base/verdict/check'
import { factorsFor } from '../../base/verdict/factors'
import { NUTS, isLocking, isolationOf, tighteningOf } from './tightening'

const input = z
  .strictObject({
    size: z.enum(SIZE_IDS),
    grade: z.enum(GRADE_IDS),
    tensionN: nonNegative().default(0),
    shearN: nonNegative().default(0),
    duty: dutySchema.default('coastal'),
    factors: factorsSchema.optional(),
    threadsInShear: z.boolean().default(true),
    paste: z.boolean().default(false),
    deckLimitN: nonNegative().optional(),
    nut: z.enum(NUTS).default('hex'),
    /** measured: what a locking nut takes to run down */
    prevailingNm: nonNegative().optional(),
    /** what the wrench was or will be set to */
    torqueNm: positive().optional(),
    isolate: z
      .strictObject({
        by: z.enum(['sleeve', 'paste']),
        head: z.enum(['hex', 'pan', 'button', 'socket', 'countersunk']),
        baseHoleMm: positive().optional(),
        wallMm: positive().default(1),
      })
      .optional(),
  })
  .superRefine((v, ctx) => {
    const refuse = (path: string[], message: string) => ctx.addIssue({ code: 'custom', path, message })
    if (v.prevailingNm !== undefined && !isLocking(v.nut))
      refuse(
        ['prevailingNm'],
        `A ${v.nut} nut runs down freely; a run-down is read of a locking or all-metal nut`,
      )
    const d = SIZES[v.size]!.diameterMm
    if (v.isolate?.baseHoleMm !== undefined && v.isolate.baseHoleMm < d)
      refuse(
        ['isolate', 'baseHoleMm'],
        `${v.isolate.baseHoleMm} was given; the bolt is ${say(d)} mm thick, and a hole of at least that is accepted`,
      )
  })
const output = z.object({
  stressAreaMm2: z.number(),
  shankAreaMm2: z.number(),
  tensionCapacityN: z.number(),
  shearCapacityN: z.number(),
  factor: z.number(),
  utilisation: z.number().nullable(),
  verdict: verdictSchema,
  preloadN: z.number(),
  preloadTorqueNm: z.number(),
  prevailingNm: z.number(),
  torqueNm: z.number(),
  preloadMostN: z.number(),
  mostTorqueNm: z.number(),
  galling: z.boolean(),
  cautions: z.array(z.string()),
  assumed: z.array(z.string()),
  isolation: z
    .object({
      by: z.enum(['sleeve', 'paste']),
      sleeveMm: z.array(z.number()).length(2).nullable(),
      holeMm: z.number().nullable(),
      drill: z.boolean(),
      washerMm: z.number().nullable(),
    })
    .nullable(),
  checks: z.array(checkSchema),
  working: workingSchema,
})

/** Capacities of one bolt in N before the factor: As·Rp in tension, 0.577·Rp·A in shear (chapter 2.3). */
export function boltCapacities(sizeId: string, grade: GradeId, threadsInShear: boolean) {
  const size = SIZES[sizeId]!
  const Rp = GRADES[grade].proofMPa
  const shankAreaMm2 = (Math.PI / 4) * size.diameterMm ** 2
  return {
    size,
    Rp,
    shankAreaMm2,
    stressAreaMm2: size.stressAreaMm2,
    tensionN: size.stressAreaMm2 * Rp,
    shearN: 0.577 * Rp * (threadsInShear ? size.stressAreaMm2 : shankAreaMm2),
  }
}

export const galls = (grade: GradeId) => GRADES[grade].stainless

/** The one check `bolt`: (T/Tcap)\u00b2 + (V/Vcap)\u00b2 against 1. */
export function boltCheck(p: {
  size: string
  grade: GradeId
  tensionN: number
  shearN: number
  threadsInShear: boolean
  factor: number
  boltIndex?: number
  many?: number
}): Draft {
  const c = boltCapacities(p.size, p.grade, p.threadsInShear)
  const demand = Math.hypot(p.tensionN / c.tensionN, p.shearN / c.shearN)
  const which =
    p.boltIndex === undefined || (p.many ?? 1) < 2
      ? `The ${p.size} ${p.grade}`
      : `The worst bolt, number ${p.boltIndex + 1},`
  return draft({
    id: 'bolt',
    title: 'Bolt in tension and shear',
    unit: '',
    source: 'chapter 2.3, usual elliptic interaction',
    demand,
    capacity: 1,
    factor: p.factor,
    because: () =>
      `${which} carries ${say(p.tensionN)} N of pull and ${say(p.shearN)} N of shear; it yields at ${say(c.tensionN)} N and ${say(c.shearN)} N, and the factor is ${p.factor}.`,
    working: () => [
      step(
        'As',
        'stress area',
        c.size.system === 'metric'
          ? '(\u03c0/4)(d \u2212 0.9382p)\u00b2'
          : '(\u03c0/4)(D \u2212 0.9743/n)\u00b2',
        c.stressAreaMm2,
        'mm\u00b2',
      ),
      step('Rp', `yield or proof of ${p.grade}`, '', c.Rp, 'MPa'),
      step('Tcap', 'tension capacity', 'As\u00b7Rp', c.tensionN, 'N'),
      step(
        'Vcap',
        'shear capacity',
        p.threadsInShear ? '0.577\u00b7Rp\u00b7As' : '0.577\u00b7Rp\u00b7A',
        c.shearN,
        'N',
      ),
      step('T', 'pull', '', p.tensionN, 'N'),
      step('V', 'shear', '', p.shearN, 'N'),
      step('U', 'together', '\u221a((T/Tcap)\u00b2 + (V/Vcap)\u00b2)', demand, ''),
    ],
    ...(p.boltIndex === undefined ? {} : { boltIndex: p.boltIndex }),
  })
}

export const fastener = defineCalculator({
  name: 'fastener',
  title: 'Strength and tightening of one bolt',
  chapter: '2.3',
  words: ['bolt', 'torque', 'preload', 'shear', 'tension', 'galling', 'how tight'],
  input,
  output,
  tries: (v) => [
    ...(v.torqueNm === undefined
      ? []
      : [v].flatMap(({ torqueNm: _torque, ...rest }) => {
          const torqueNm =
            Math.floor(
              10 *
                tighteningOf({
                  ...rest,
                  prevailingNm: v.prevailingNm ?? null,
                  torqueNm: null,
                  deckLimitN: v.deckLimitN ?? null,
                }).mostTorqueNm,
            ) / 10
          return torqueNm > 0
            ? [
                {
                  id: 'torque',
                  text: `Tighten to ${torqueNm} N·m`,
                  change: { torqueNm },
                  input: { ...v, torqueNm },
                },
              ]
            : []
        })),
    ...largerSizes(v.size).map((size) => ({
      id: `size-${size}`,
      text: `${size} instead`,
      change: { size },
      input: { ...v, size },
    })),
    ...(v.grade === 'A4-80'
      ? []
      : [
          {
            id: 'grade-A4-80',
            text: `${GRADES['A4-80'].title} instead`,
            change: { grade: 'A4-80' },
            input: { ...v, grade: 'A4-80' as const },
          },
        ]),
  ],
  run: (v) => {
    const factor = factorsFor(v.duty, v.factors).metal
    const c = boltCapacities(v.size, v.grade, v.threadsInShear)
    const bolt = written(boltCheck({ ...v, factor }))
    const isolation = v.isolate ? isolationOf(v.size, v.isolate) : null
    const { checks, working, ...tight } = tighteningOf({
      size: v.size,
      grade: v.grade,
      paste: v.paste || isolation?.by === 'paste',
      nut: v.nut,
      prevailingNm: v.prevailingNm ?? null,
      torqueNm: v.torqueNm ?? null,
      deckLimitN: v.deckLimitN ?? null,
    })
    const all = [bolt, ...checks]
    return {
      stressAreaMm2: c.stressAreaMm2,
      shankAreaMm2: c.shankAreaMm2,
      tensionCapacityN: c.tensionN,
      shearCapacityN: c.shearN,
      factor,
      utilisation: bolt.utilisation,
      verdict: worstVerdict(all.map((k) => k.verdict)),
      ...tight,
      isolation,
      galling: galls(v.grade),
      checks: all,
      working: [...bolt.working, ...working],
    }
  },
})
