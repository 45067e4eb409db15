import { z } from 'zod'
import { upFrom, withNumbers } from '../../base/attempts'
import { defineCalculator } from '../../base/calculator/calculator'
import { checkSchema, dutySchema, positive, verdictSchema } from '../../base/schema/schema'
import { check, say, step, unproven } from '../../base/verdict/check'
import { factorsFor } from '../../base/verdict/factors'

/** Ultimate shear of the bond, MPa (chapter 8.1); typical. */
export const BONDS = { primary: 17, 'secondary-epoxy': 12, 'secondary-polyester': 6, unabraded: 1 } as const
const input = z.strictObject({
  loadN: positive(),
  lengthMm: positive(),
  widthMm: positive(),
  kind: z.enum(['lap', 'tape']).default('lap'),
  sides: z.union([z.literal(1), z.literal(2)]).default(1),
  e1t1NPerMm: positive(),
  e2t2NPerMm: positive(),
  gMPa: positive(),
  glueMm: positive(),
  bond: z.enum(['primary', 'secondary-epoxy', 'secondary-polyester', 'unabraded']).optional(),
  strengthMPa: positive().optional(),
  duty: dutySchema.default('coastal'),
})
const output = z.object({
  meanMPa: z.number(),
  peakMPa: z.number(),
  omegaPerMm: z.number(),
  omegaL: z.number(),
  efficiency: z.number(),
  usefulLengthMm: z.number(),
  overlong: z.boolean(),
  peelFactor: z.number(),
  utilisation: z.number().nullable(),
  verdict: verdictSchema,
  because: z.string(),
  checks: z.array(checkSchema),
})

export const bondLap = defineCalculator({
  name: 'bond-lap',
  title: 'A bonded lap or tabbing',
  chapter: '8.1',
  words: ['tabbing', 'knee', 'bond', 'lap', 'glue', 'shear lag', 'peel'],
  input,
  output,
  tries: (v) => [
    ...withNumbers(v, 'lengthMm', upFrom(v.lengthMm), (n) => `a lap of ${n} mm`),
    ...withNumbers(v, 'widthMm', upFrom(v.widthMm), (n) => `${n} mm wide`),
    ...withNumbers(v, 'glueMm', upFrom(v.glueMm), (n) => `a glue line of ${n} mm`),
  ],
  run: (v) => {
    const two = v.sides === 2
    const p = two ? v.loadN / 2 : v.loadN
    const k1 = two ? v.e1t1NPerMm / 2 : v.e1t1NPerMm
    const k2 = v.e2t2NPerMm
    const omega = Math.sqrt((v.gMPa / v.glueMm) * (1 / k1 + 1 / k2))
    const meanMPa = p / (v.widthMm * v.lengthMm)
    const x = (omega * v.lengthMm) / 2
    const psi = Math.abs((k1 - k2) / (k1 + k2))
    const rise = x < 1e-6 ? 1 : x / Math.tanh(x) + x * psi * Math.tanh(x)
    const peakMPa = meanMPa * rise
    const peelFactor = v.kind === 'tape' ? 0.7 : two ? 1 : 0.5
    const strength = v.strengthMPa ?? (v.bond ? BONDS[v.bond] : null)
    const peel =
      peelFactor < 1 ? ` Such a lap can peel, which takes its strength down to ${peelFactor} of itself.` : ''
    const omegaL = omega * v.lengthMm
    const shape = {
      id: 'bond-shear',
      title: 'Shear in the bond',
      unit: 'MPa',
      source: 'chapter 8.1, Volkersen',
      factor: factorsFor(v.duty).bond,
      working: [
        step('\u03c9', 'shear-lag length', '\u221a((G/ta)(1/k1 + 1/k2))', omega, '1/mm'),
        step('\u03c4', 'mean shear', 'p/(b\u00b7\u2113)', meanMPa, 'MPa'),
        step(
          '\u03c4max',
          'peak shear',
          '\u03c4\u00b7(\u03c9\u2113/2)\u00b7[coth + |\u03c8|\u00b7tanh]',
          peakMPa,
          'MPa',
        ),
      ],
    }
    const because =
      strength === null
        ? `The bond is not named, so ${say(peakMPa)} MPa of peak shear has nothing to stand against.${peel}`
        : `The shear peaks at ${say(peakMPa)} MPa, mean ${say(meanMPa)}; the bond takes ${say(strength)} MPa and the factor is ${shape.factor}.${peel}${omegaL > 5 ? ` Past ${say(5 / omega)} mm more lap gains nothing at the ends.` : ''}`
    const c =
      strength === null
        ? unproven({ ...shape, because })
        : check({
            ...shape,
            because,
            demand: peakMPa,
            capacity: strength * peelFactor,
            assumed: v.strengthMPa === undefined ? ['strengthMPa'] : [],
          })
    return {
      meanMPa,
      peakMPa,
      omegaPerMm: omega,
      omegaL,
      efficiency: 1 / rise,
      usefulLengthMm: 5 / omega,
      overlong: omegaL > 5,
      peelFactor,
      utilisation: c.utilisation,
      verdict: c.verdict,
      because,
      checks: [strength === null ? { ...c, demand: peakMPa } : c],
    }
  },
})
