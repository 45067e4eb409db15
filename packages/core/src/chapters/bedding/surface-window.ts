import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { verdictSchema } from '../../base/schema/schema'
import { say, type Verdict, worstVerdict } from '../../base/verdict/check'

const input = z.strictObject({
  airC: z.number().min(-30).max(60),
  humidityPct: z.number().positive().max(100),
  surfaceC: z.number().optional(),
  minimumC: z.number().default(5),
  trend: z.enum(['rising', 'steady', 'falling']).default('steady'),
})
const output = z.object({
  dewPointC: z.number(),
  marginK: z.number().nullable(),
  neededC: z.number(),
  verdict: verdictSchema,
  codes: z.array(z.string()),
  because: z.string(),
})

/** Dew point, degrees C (chapter 4.4). */
export function dewPoint(airC: number, humidityPct: number): number {
  const gamma = Math.log(humidityPct / 100) + (17.62 * airC) / (243.12 + airC)
  return (243.12 * gamma) / (17.62 - gamma)
}

const LEAST_K = 3
const NEAR_K = 4
const FALLING_K = 6

export function surfaceWindowOf(v: z.output<typeof input>): z.infer<typeof output> {
  const dewPointC = dewPoint(v.airC, v.humidityPct)
  const neededC = Math.max(dewPointC + LEAST_K, v.minimumC)
  if (v.surfaceC === undefined)
    return {
      dewPointC,
      marginK: null,
      neededC,
      verdict: 'unproven',
      codes: [],
      because: `The surface is not measured; it has to be ${say(neededC)} \u00b0C or more.`,
    }
  const marginK = v.surfaceC - dewPointC
  const found: [code: string, verdict: Verdict, text: string][] = []
  if (marginK < LEAST_K)
    found.push(['dew-point', 'short', `only ${say(marginK)} K over the dew point, and 3 is the least`])
  else if (marginK < NEAR_K)
    found.push(['near-dew', 'tight', `${say(marginK)} K over the dew point, near the least of 3`])
  if (v.trend === 'falling')
    found.push([
      'falling',
      marginK < FALLING_K ? 'short' : 'tight',
      `the surface is cooling${marginK < FALLING_K ? ', which asks for 6 K in hand' : ''}`,
    ])
  if (v.surfaceC < v.minimumC)
    found.push(['too-cold', 'short', `the product asks for ${say(v.minimumC)} \u00b0C`])
  const verdict = worstVerdict(found.map(([, w]) => w))
  return {
    dewPointC,
    marginK,
    neededC,
    verdict,
    codes: found.map(([c]) => c).sort(),
    because: found.length
      ? `The surface is ${say(v.surfaceC)} \u00b0C: ${found.map(([, , t]) => t).join('; ')}.`
      : `The surface is ${say(v.surfaceC)} \u00b0C, ${say(marginK)} K over the dew point of ${say(dewPointC)} \u00b0C: fit to bond.`,
  }
}

export const surfaceWindow = defineCalculator({
  name: 'surface-window',
  title: 'Is the surface fit to bond',
  chapter: '4.4',
  words: ['dew point', 'surface temperature', 'condensation', 'can I bond today'],
  input,
  output,
  run: surfaceWindowOf,
})
