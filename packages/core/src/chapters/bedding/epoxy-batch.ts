import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { CalcError } from '../../base/errors'
import { nonNegative, positive, verdictSchema } from '../../base/schema/schema'
import { say, verdictOf, type Verdict } from '../../base/verdict/check'

/** What each mix does at 25 °C, and the coldest at which it still cures (chapter 4.5). */
export const HARDENERS = {
  fast: { potMin: 12, sandH: 8, lowestC: 5 },
  medium: { potMin: 20, sandH: 12, lowestC: 10 },
  slow: { potMin: 40, sandH: 18, lowestC: 15 },
  'extra-slow': { potMin: 70, sandH: 30, lowestC: 20 },
} as const
export type Hardener = keyof typeof HARDENERS
export const HARDENER_IDS = Object.keys(HARDENERS) as [Hardener, ...Hardener[]]
/** Filler mass per 100 g of mixed epoxy. */
export const FILLER = { 'wet-out': 0, syrup: 3, mayonnaise: 6, 'peanut-butter': 10 } as const
export const MOST_POT_ML = 150
const MOST_STROKES = 20

const input = z.strictObject({
  neededMl: positive(),
  wasteFraction: z.number().min(0).max(2).default(0.15),
  ratio: z.number().min(1).max(10),
  tempC: z.number().min(-20).max(60),
  workingMinutes: positive(),
  use: z.enum(['wet-out', 'syrup', 'mayonnaise', 'peanut-butter']),
  hardener: z.enum(HARDENER_IDS).optional(),
  onePot: z.boolean().default(false),
  pumps: z.strictObject({ resinStrokeMl: positive(), hardenerStrokeMl: positive() }).optional(),
  resinGPerMl: positive().default(1.15),
  hardenerGPerMl: positive().default(0.98),
})
const maybe = nonNegative().nullable()
const output = z.object({
  wantedMl: z.number(),
  mixedMl: z.number(),
  resinMl: z.number(),
  hardenerMl: z.number(),
  resinG: z.number(),
  hardenerG: z.number(),
  strokes: z.object({ resin: z.number(), hardener: z.number() }).nullable(),
  fillerG: z.number(),
  batches: z.number(),
  potMl: z.number(),
  hardener: z.enum(HARDENER_IDS).nullable(),
  potLifeMin: maybe,
  gelMin: maybe,
  sandH: maybe,
  fullDays: maybe,
  utilisation: maybe,
  verdict: verdictSchema,
  codes: z.array(z.string()),
  because: z.string(),
})
type Input = z.output<typeof input>

/** The smallest whole pair of strokes within 2 % of the ratio. */
export function pumpPair(v: Pick<Input, 'pumps' | 'ratio'>): { a: number; b: number } {
  const { resinStrokeMl, hardenerStrokeMl } = v.pumps!
  let best: { a: number; b: number } | null = null
  for (let sum = 2; sum <= 2 * MOST_STROKES && !best; sum++)
    for (let a = Math.max(1, sum - MOST_STROKES); a <= Math.min(MOST_STROKES, sum - 1); a++) {
      const got = (a * resinStrokeMl) / ((sum - a) * hardenerStrokeMl)
      const off = Math.abs(got / v.ratio - 1)
      if (off > 0.02 + 1e-12) continue
      if (!best || off < Math.abs((best.a * resinStrokeMl) / (best.b * hardenerStrokeMl) / v.ratio - 1))
        best = { a, b: sum - a }
    }
  if (!best)
    throw new CalcError(
      'pumps-off-ratio',
      'pumps',
      `No whole number of strokes up to ${MOST_STROKES} of these pumps comes within 2 % of ${v.ratio}:1`,
    )
  return best
}

/** Hours at one temperature until it can be sanded. */
export const sandHoursAt = (h: Hardener, tempC: number) => HARDENERS[h].sandH * 2 ** ((25 - tempC) / 10)
export const potLifeAt = (h: Hardener, tempC: number) => HARDENERS[h].potMin * 2 ** ((25 - tempC) / 10)

export function epoxyBatchOf(v: Input): z.infer<typeof output> {
  const wantedMl = v.neededMl * (1 + v.wasteFraction)
  let resinMl = (wantedMl * v.ratio) / (v.ratio + 1)
  let hardenerMl = wantedMl / (v.ratio + 1)
  let strokes: { resin: number; hardener: number } | null = null
  if (v.pumps) {
    const { a, b } = pumpPair(v)
    const once = a * v.pumps.resinStrokeMl + b * v.pumps.hardenerStrokeMl
    const k = Math.max(1, Math.ceil(wantedMl / once - 1e-9))
    strokes = { resin: k * a, hardener: k * b }
    resinMl = strokes.resin * v.pumps.resinStrokeMl
    hardenerMl = strokes.hardener * v.pumps.hardenerStrokeMl
  }
  const mixedMl = resinMl + hardenerMl
  const resinG = resinMl * v.resinGPerMl
  const hardenerG = hardenerMl * v.hardenerGPerMl
  const batches = v.onePot ? 1 : Math.max(1, Math.ceil(mixedMl / MOST_POT_ML - 1e-9))
  const potMl = mixedMl / batches
  // A pot this size heats itself; what is spread out is thin by the time it gels and keeps the table's time.
  const hot = potMl > MOST_POT_ML + 1e-9 ? 0.6 : 1
  const inPot = (h: Hardener) => potLifeAt(h, v.tempC) * hot
  const warm = HARDENER_IDS.filter((h) => v.tempC >= HARDENERS[h].lowestC)
  const hardener = v.hardener ?? warm.find((h) => inPot(h) >= v.workingMinutes) ?? warm.at(-1) ?? null
  const mix = {
    wantedMl,
    mixedMl,
    resinMl,
    hardenerMl,
    resinG,
    hardenerG,
    strokes,
    fillerG: ((resinG + hardenerG) * FILLER[v.use]) / 100,
    batches,
    potMl,
    hardener,
  }
  if (!hardener)
    return {
      ...mix,
      potLifeMin: null,
      gelMin: null,
      sandH: null,
      fullDays: null,
      utilisation: null,
      verdict: 'short',
      codes: ['too-cold'],
      because: `At ${say(v.tempC)} \u00b0C no hardener cures; 5 \u00b0C is the least.`,
    }
  const potLifeMin = inPot(hardener)
  const codes: string[] = []
  if (v.workingMinutes > potLifeMin) codes.push('pot-life')
  if (v.tempC < HARDENERS[hardener].lowestC) codes.push('too-cold')
  const utilisation = v.workingMinutes / potLifeMin
  const verdict: Verdict = codes.length ? 'short' : verdictOf(utilisation)
  return {
    ...mix,
    potLifeMin,
    gelMin: 3 * potLifeAt(hardener, v.tempC),
    sandH: sandHoursAt(hardener, v.tempC),
    fullDays: Math.max(2, 7 * 2 ** ((25 - v.tempC) / 15)),
    utilisation,
    verdict,
    codes,
    because: codes.includes('too-cold')
      ? `${hardener} hardener cures from ${HARDENERS[hardener].lowestC} \u00b0C; it is ${say(v.tempC)} \u00b0C.`
      : `A pot of ${say(potMl)} ml with ${hardener} hardener is workable ${say(potLifeMin)} minutes at ${say(v.tempC)} \u00b0C; ${say(v.workingMinutes)} are needed.`,
  }
}

export const epoxyBatch = defineCalculator({
  name: 'epoxy-batch',
  title: 'Mixing epoxy',
  chapter: '4.5',
  words: ['epoxy', 'hardener', 'pot life', 'strokes', 'pumps', 'mix', 'filler'],
  input,
  output,
  run: epoxyBatchOf,
})
