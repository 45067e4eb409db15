import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { SEALANTS, SEALANT_IDS } from '../../base/materials/sealants'
import { checkSchema, dutySchema, nonNegative, positive, verdictSchema } from '../../base/schema/schema'
import { rank, unproven, worstVerdict, type Check, type Verdict } from '../../base/verdict/check'
import { factorsFor } from '../../base/verdict/factors'
import { GRAVITY } from '../load/design-load'
import { BONDS } from '../repair/bond-lap'
import { against, up } from './limits'

/** What a seaway adds to the weight that hangs. */
const SEAWAY = { sheltered: 1.5, coastal: 2, ocean: 3 } as const
/** Shear of the thread a screw cuts, MPa. */
const INTO = { laminate: 30, plywood: 8, softwood: 5, 'glass-sheet': 60 } as const
type Into = keyof typeof INTO
/** Minutes in which it can still be moved; one that never sets in use has no limit. */
const WORKING_MIN: Partial<Record<string, number | null>> = {
  'pu-permanent': 45,
  'pu-medium': 40,
  polysulfide: 60,
  hybrid: 25,
  'hybrid-strong': 20,
  'silicone-neutral': 12,
  'epoxy-filled': 25,
  methacrylate: 6,
  butyl: null,
}
const SURFACES = Object.keys(BONDS) as [keyof typeof BONDS, ...(keyof typeof BONDS)[]]

const input = z
  .strictObject({
    lengthMm: positive(),
    widthMm: positive(),
    depthMm: positive(),
    massKg: positive(),
    contents: z.discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('water'), fill: positive().max(1).default(1) }),
      z.strictObject({ kind: z.literal('gear'), massKg: nonNegative() }),
    ]),
    flangeMm: positive(),
    bond: z
      .strictObject({
        strengthMPa: positive().optional(),
        adhesive: z.enum(SEALANT_IDS).optional(),
        surface: z.enum(SURFACES).optional(),
      })
      .superRefine((b, ctx) => {
        if (b.strengthMPa !== undefined) return
        for (const k of ['adhesive', 'surface'] as const)
          if (b[k] === undefined)
            ctx.addIssue({
              code: 'custom',
              path: [k],
              message: `${k} is missing; the adhesive and what it is on are needed, or the bond\u2019s strength`,
            })
      })
      .optional(),
    screws: z
      .strictObject({
        count: z.number().int().positive(),
        diameterMm: positive(),
        biteMm: positive(),
        insetMm: positive().optional(),
        pullOutN: positive().optional(),
        into: z.enum(Object.keys(INTO) as [Into, ...Into[]]).optional(),
      })
      .superRefine((s, ctx) => {
        if (s.pullOutN === undefined && s.into === undefined)
          ctx.addIssue({
            code: 'custom',
            path: ['into'],
            message: 'into is missing; what the screws bite into, or their pull-out, is needed',
          })
      })
      .optional(),
    workingMinutes: positive().optional(),
    liftMinutes: nonNegative().default(5),
    minutesPerScrew: nonNegative().default(1),
    duty: dutySchema.default('coastal'),
  })
  .superRefine((v, ctx) => {
    if (!v.bond && !v.screws)
      ctx.addIssue({
        code: 'custom',
        path: ['bond'],
        message: 'It hangs on nothing: a bond, screws, or both are needed',
      })
    if (v.screws?.insetMm !== undefined && v.screws.insetMm >= v.flangeMm)
      ctx.addIssue({
        code: 'custom',
        path: ['screws', 'insetMm'],
        message: `${v.screws.insetMm} was given; the screws stand within the flange of ${v.flangeMm} mm`,
      })
  })
const maybe = z.number().nullable()
const output = z.object({
  volumeL: z.number(),
  hungKg: z.number(),
  loadN: z.number(),
  bondAreaMm2: z.number(),
  bondMPa: maybe,
  peakMPa: maybe,
  screwN: maybe,
  pullOutN: maybe,
  screwsNeeded: maybe,
  pitchMm: maybe,
  pitchNeededMm: maybe,
  neededMinutes: z.number(),
  workingMinutes: maybe,
  timeLeftMin: maybe,
  alone: z.object({ bond: z.boolean(), screws: z.boolean() }),
  checks: z.array(checkSchema),
  verdict: verdictSchema,
  cautions: z.array(z.string()),
})
type Input = z.output<typeof input>
const SOURCE = 'chapter 15.3'
const PITCH_MM = 150
/** One-sided and peeling: half of what the bond bears in shear. */
const ONE_SIDED = 0.5

function bondOf(v: Input, loadN: number, areaMm2: number) {
  if (!v.bond) return null
  const strength = v.bond.strengthMPa ?? Math.min(SEALANTS[v.bond.adhesive!].bondMPa, BONDS[v.bond.surface!])
  const peakMPa = (4 * loadN) / areaMm2
  const check = against({
    id: 'bond',
    title: 'Bond at the flange\u2019s inner edge',
    unit: 'MPa',
    source: SOURCE,
    demand: peakMPa,
    capacity: ONE_SIDED * strength,
    factor: factorsFor(v.duty).bond,
  })
  return { strength, peakMPa, check }
}
function screwsOf(v: Input, loadN: number) {
  const s = v.screws
  if (!s) return null
  const inset = s.insetMm ?? v.flangeMm / 2
  const pry = v.flangeMm / (v.flangeMm - inset)
  const pullOutN = s.pullOutN ?? Math.PI * s.diameterMm * s.biteMm * INTO[s.into!]
  const factor = factorsFor(v.duty).laminate
  const line = 2 * (v.lengthMm + v.widthMm) + 8 * inset
  const needed = Math.max(up((loadN * pry * factor) / pullOutN), up(line / PITCH_MM))
  const screwN = (loadN / s.count) * pry
  const pitchMm = line / s.count
  const shape = { source: SOURCE }
  return {
    figures: { screwN, pullOutN, screwsNeeded: needed, pitchMm, pitchNeededMm: line / needed },
    check: against({
      id: 'screws',
      title: 'Screws pulled out',
      unit: 'N',
      ...shape,
      demand: screwN,
      capacity: pullOutN,
      factor,
    }),
    pitch: against({
      id: 'pitch',
      title: 'Pitch of the screws',
      unit: 'mm',
      ...shape,
      demand: pitchMm,
      capacity: PITCH_MM,
    }),
  }
}

const NO_BOND = { bondMPa: null, peakMPa: null }
const NO_SCREWS = { screwN: null, pullOutN: null, screwsNeeded: null, pitchMm: null, pitchNeededMm: null }
const timeFigures = (t: { workingMinutes: number | null; neededMinutes: number }) => ({
  neededMinutes: t.neededMinutes,
  workingMinutes: t.workingMinutes,
  timeLeftMin: t.workingMinutes === null ? null : t.workingMinutes - t.neededMinutes,
})

function timeOf(v: Input): { workingMinutes: number | null; check: Check[]; neededMinutes: number } {
  const neededMinutes = v.liftMinutes + (v.screws?.count ?? 0) * v.minutesPerScrew
  const own = v.bond?.adhesive === undefined ? undefined : WORKING_MIN[v.bond.adhesive]
  const workingMinutes = v.workingMinutes ?? own ?? null
  const shape = { id: 'time', title: 'In place before it skins', unit: 'min', source: SOURCE }
  if (!v.bond || (own === null && v.workingMinutes === undefined))
    return { workingMinutes, check: [], neededMinutes }
  const check =
    workingMinutes === null
      ? unproven({ ...shape, because: 'How long the adhesive can be worked is not known.' })
      : against({ ...shape, demand: neededMinutes, capacity: workingMinutes })
  return { workingMinutes, check: [check], neededMinutes }
}

/** Either way of holding may carry it alone; where only one does there is nothing behind it. */
function holding(bond: Check | null, screws: Check | null): Verdict {
  const good = [bond, screws].filter((c): c is Check => c !== null && c.verdict !== 'short')
  if (good.length === 0) return 'short'
  if (good.length === 1) return 'tight'
  return rank(good[0]!.verdict) < rank(good[1]!.verdict) ? good[0]!.verdict : good[1]!.verdict
}

export const binHang = defineCalculator({
  name: 'bin-hang',
  title: 'A bin hung on its flange',
  chapter: '15.3',
  words: ['bin', 'locker', 'flange', 'hang', 'bond', 'screws'],
  input,
  output,
  run: (v) => {
    const volumeL = (v.lengthMm * v.widthMm * v.depthMm) / 1e6
    const contentsKg =
      v.contents.kind === 'gear' ? v.contents.massKg : (volumeL / 1000) * v.contents.fill * 1025
    const hungKg = v.massKg + contentsKg
    const loadN = hungKg * GRAVITY * SEAWAY[v.duty]
    const bondAreaMm2 = 2 * v.flangeMm * (v.lengthMm + v.widthMm) + 4 * v.flangeMm ** 2
    const bond = bondOf(v, loadN, bondAreaMm2)
    const screws = screwsOf(v, loadN)
    const time = timeOf(v)
    const rest = [...(screws ? [screws.pitch] : []), ...time.check]
    const found = { bond: bond?.check ?? null, screws: screws?.check ?? null }
    const alone = (c: Check | null) => c !== null && c.verdict !== 'short'
    return {
      volumeL,
      hungKg,
      loadN,
      bondAreaMm2,
      ...(bond ? { bondMPa: bond.strength, peakMPa: bond.peakMPa } : NO_BOND),
      ...(screws ? screws.figures : NO_SCREWS),
      ...timeFigures(time),
      alone: { bond: alone(found.bond), screws: alone(found.screws) },
      checks: [found.bond, found.screws, ...rest].filter((c): c is Check => c !== null),
      verdict: worstVerdict([holding(found.bond, found.screws), ...rest.map((c) => c.verdict)]),
      cautions: [...(screws ? ['drilling'] : []), ...(bond ? ['resins'] : []), 'working-alone'],
    }
  },
})
