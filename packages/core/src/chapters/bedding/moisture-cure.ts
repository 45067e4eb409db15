import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { CalcError } from '../../base/errors'
import { SEALANT_IDS, sealant, type SealantId } from '../../base/materials/sealants'
import { positive } from '../../base/schema/schema'
import { say } from '../../base/verdict/check'

const input = z.strictObject({
  chemistry: z.enum(SEALANT_IDS),
  pathMm: positive(),
  tempC: z.number().min(-30).max(60),
  humidityPct: z.number().positive().max(100),
})
const output = z.object({
  verdict: z.enum(['holds', 'short']),
  codes: z.array(z.string()),
  absoluteHumidityGm3: z.number(),
  rateMmPerSqrtDay: z.number().nullable(),
  days: z.number().nullable(),
  skinHours: z.number().nullable(),
  because: z.string(),
})
/** Skin growth C at 23 degrees C and 50 % RH, mm/\u221aday. */
const RATE: Record<string, number> = { polyurethane: 3.0, hybrid: 3.5, polysulfide: 1.5, silicone: 4.0 }
const SKIN_MM = 0.5

/** Absolute humidity, g/m\u00b3 (chapter 4.3). */
export const absoluteHumidity = (tempC: number, humidityPct: number) =>
  (216.7 * ((humidityPct / 100) * 6.112 * Math.exp((17.62 * tempC) / (243.12 + tempC)))) / (273.15 + tempC)
const REFERENCE_AH = absoluteHumidity(23, 50)

/** Skin growth by moisture, mm/\u221aday, also below the lower limit; null for what cures otherwise. */
export function skinRate(id: SealantId, tempC: number, humidityPct: number): number | null {
  const s = sealant(id)
  const C = RATE[s.family]
  if (!s.moistureCure || C === undefined) return null
  return C * Math.sqrt(absoluteHumidity(tempC, humidityPct) / REFERENCE_AH) * 1.07 ** ((tempC - 23) / 2)
}
/** Hours until half a millimetre of skin has grown. */
export const skinHoursAt = (rate: number) => (SKIN_MM / rate) ** 2 * 24

export function moistureCureOf(v: z.output<typeof input>): z.infer<typeof output> {
  const s = sealant(v.chemistry)
  const C = RATE[s.family]
  if (!s.moistureCure || C === undefined)
    throw new CalcError(
      'not-moisture-cure',
      'chemistry',
      `${s.title} does not cure by moisture; it ${s.cures === 'does not cure' ? s.cures : `cures by ${s.cures}`}`,
    )
  const absoluteHumidityGm3 = absoluteHumidity(v.tempC, v.humidityPct)
  if (v.tempC < s.applyC[0])
    return {
      verdict: 'short',
      codes: ['too-cold'],
      absoluteHumidityGm3,
      rateMmPerSqrtDay: null,
      days: null,
      skinHours: null,
      because: `At ${say(v.tempC)} \u00b0C ${s.title} does not cure as it should; ${s.applyC[0]} \u00b0C is the least.`,
    }
  const rate = skinRate(v.chemistry, v.tempC, v.humidityPct)!
  const days = (v.pathMm / rate) ** 2
  return {
    verdict: 'holds',
    codes: [],
    absoluteHumidityGm3,
    rateMmPerSqrtDay: rate,
    days,
    skinHours: skinHoursAt(rate),
    because: `Moisture has ${say(v.pathMm)} mm to go in ${s.title} at ${say(v.tempC)} \u00b0C and ${say(v.humidityPct)} %: ${days < 1 ? `${say(days * 24)} hours` : `${say(days)} days`}${days > 60 ? '; until then it is soft in the middle' : ''}.`,
  }
}

export const moistureCure = defineCalculator({
  name: 'moisture-cure',
  title: 'How long a moisture cure takes',
  chapter: '4.3',
  words: ['cure time', 'how long to cure', 'skin over', 'humidity', 'days'],
  input,
  output,
  run: moistureCureOf,
})
