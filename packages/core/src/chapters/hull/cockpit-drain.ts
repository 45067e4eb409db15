import { z } from 'zod'
import { above, withNumbers } from '../../base/attempts'
import { defineCalculator } from '../../base/calculator/calculator'
import { checkSchema, nonNegative, positive, verdictSchema } from '../../base/schema/schema'
import { check, say } from '../../base/verdict/check'

export const G = 9.80665
const input = z.strictObject({
  areaM2: positive(),
  waterMm: positive(),
  fallMm: nonNegative().default(0),
  drains: z.number().int().min(1),
  drainMm: positive(),
  cd: positive().max(1).default(0.6),
  limitS: positive().default(300),
})
const output = z.object({
  volumeL: z.number(),
  initialLpm: z.number(),
  timeS: z.number(),
  oneBlockedS: z.number().nullable(),
  requiredMm: z.number(),
  utilisation: z.number().nullable(),
  verdict: verdictSchema,
  checks: z.array(checkSchema),
})

export const cockpitDrain = defineCalculator({
  name: 'cockpit-drain',
  title: 'How fast a cockpit drains',
  chapter: '5.8',
  words: ['cockpit', 'scupper', 'drain', 'self-draining', 'how long'],
  input,
  output,
  tries: (v) => [
    ...withNumbers(v, 'drainMm', above([25, 32, 38, 50, 60, 75, 100], v.drainMm), (n) => `drains of ${n} mm`),
    ...withNumbers(v, 'drains', [v.drains + 1, v.drains + 2, 2 * v.drains + 2], (n) => `${n} drains`),
  ],
  run: (v) => {
    const [h0, h1] = [(v.waterMm + v.fallMm) / 1000, v.fallMm / 1000]
    const each = (Math.PI / 4) * (v.drainMm / 1000) ** 2
    const time = (n: number) =>
      ((2 * v.areaM2) / (v.cd * n * each * Math.sqrt(2 * G))) * (Math.sqrt(h0) - Math.sqrt(h1))
    const timeS = time(v.drains)
    const drain = check({
      id: 'drain-time',
      title: 'Time to drain',
      unit: 's',
      source: 'chapter 5.8',
      demand: timeS,
      capacity: v.limitS,
      because: `Full to ${say(v.waterMm)} mm it is empty in ${say(timeS)} s; ${say(v.limitS)} s is the limit.`,
      assumed: ['cd'],
    })
    return {
      volumeL: v.areaM2 * v.waterMm,
      initialLpm: v.cd * v.drains * each * Math.sqrt(2 * G * h0) * 60000,
      timeS,
      oneBlockedS: v.drains === 1 ? null : time(v.drains - 1),
      requiredMm: v.drainMm * Math.sqrt(timeS / v.limitS),
      utilisation: drain.utilisation,
      verdict: drain.verdict,
      checks: [drain],
    }
  },
})
