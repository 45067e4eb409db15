import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { largerSizes } from '../../base/materials/fasteners'
import { checkSchema, verdictSchema } from '../../base/schema/schema'
import { governing, worstVerdict, written } from '../../base/verdict/check'
import { input } from './joint-input'
import { jointChecks, standing } from './joint-parts'
import { jointSnug } from './joint-snug'

const output = z.object({
  checks: z.array(checkSchema),
  verdict: verdictSchema,
  governing: z.string(),
  snug: z.object({ preloadN: z.number(), limitedBy: z.string().nullable() }),
})
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
    const g = standing(v)
    const checks = jointChecks(v, g).map(written)
    return {
      checks,
      verdict: worstVerdict(checks.map((c) => c.verdict)),
      governing: governing(checks)!.id,
      snug: jointSnug(g)(v),
    }
  },
})
