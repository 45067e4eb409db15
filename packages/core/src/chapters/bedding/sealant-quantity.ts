import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { CalcError } from '../../base/errors'
import { nonNegative, positive } from '../../base/schema/schema'

const input = z
  .strictObject({
    kind: z.enum(['tube', 'tape']),
    contactAreaMm2: nonNegative(),
    perimeterMm: nonNegative(),
    beadMm: positive().optional(),
    filletMm: nonNegative().optional(),
    holes: z.number().int().min(0).default(0),
    holeDiameterMm: positive().optional(),
    boltDiameterMm: positive().optional(),
    sealedDepthMm: positive().optional(),
    chamferMl: nonNegative().default(0),
    tapeWidthMm: positive().default(20),
    wasteFraction: z.number().min(0).max(2).default(0.3),
  })
  .superRefine((v, ctx) => {
    if (v.holes > 0)
      for (const key of ['holeDiameterMm', 'boltDiameterMm', 'sealedDepthMm'] as const)
        if (v[key] === undefined)
          ctx.addIssue({
            code: 'custom',
            path: [key],
            message: `${key} is missing; with holes to seal a size above 0 is needed`,
          })
  })
const output = z.object({
  volumeMl: z.number(),
  parts: z.object({ bedMl: z.number(), filletMl: z.number(), collarMl: z.number(), chamferMl: z.number() }),
  tubes300: z.number(),
  tubes100: z.number(),
  tapeM: z.number(),
})
export type SealantQuantity = z.infer<typeof output>

/**
 * Volume of bed, fillet, collar and chamfer (chapter 4.2); tubes as if bought in one size, tape in metres.
 */
export function sealantQuantityOf(v: z.output<typeof input>): SealantQuantity {
  const tube = v.kind === 'tube'
  const [hole, bolt] = [v.holeDiameterMm ?? 0, v.boltDiameterMm ?? 0]
  if (v.holes > 0 && bolt > hole)
    throw new CalcError(
      'bolt-larger-than-hole',
      'boltDiameterMm',
      `A ${bolt} mm bolt does not pass a ${hole} mm hole`,
    )
  const fillet = v.filletMm ?? (tube ? 3 : 0)
  const parts = {
    bedMl: (v.contactAreaMm2 * (v.beadMm ?? (tube ? 1.5 : 2))) / 1000,
    filletMl: (fillet * fillet * (1 - Math.PI / 4) * v.perimeterMm) / 1000,
    collarMl:
      v.holes > 0 ? (v.holes * (Math.PI / 4) * (hole * hole - bolt * bolt) * v.sealedDepthMm!) / 1000 : 0,
    chamferMl: v.holes * v.chamferMl,
  }
  const volumeMl = (parts.bedMl + parts.filletMl + parts.collarMl + parts.chamferMl) * (1 + v.wasteFraction)
  const tubes = (ml: number) => (tube ? Math.ceil(volumeMl / ml - 1e-9) : 0)
  return {
    volumeMl,
    parts,
    tubes300: tubes(300),
    tubes100: tubes(100),
    tapeM: tube
      ? 0
      : ((v.contactAreaMm2 / v.tapeWidthMm + v.holes * Math.PI * bolt) * (1 + v.wasteFraction)) / 1000,
  }
}

export const sealantQuantity = defineCalculator({
  name: 'sealant-quantity',
  title: 'How much sealant',
  chapter: '4.2',
  words: ['how many tubes', 'quantity', 'tape', 'bead', 'volume'],
  input,
  output,
  run: sealantQuantityOf,
})
