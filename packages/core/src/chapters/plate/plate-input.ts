import { z } from 'zod'
import { outlineSchema } from '../../base/geometry/outline'
import { SIZES, SIZE_IDS } from '../../base/materials/fasteners'
import { PLATE_IDS } from '../../base/materials/plates'
import { structureSchema } from '../../base/materials/structure'
import { dutySchema, factorsSchema, nonNegative, positive } from '../../base/schema/schema'
import { plugSchema } from '../deck/footprint'

export const input = z
  .strictObject({
    duty: dutySchema.default('coastal'),
    factors: factorsSchema.optional(),
    plate: outlineSchema({
      material: z.enum(PLATE_IDS),
      thicknessMm: positive(),
      strengthMPa: positive().optional(),
      eMPa: positive().optional(),
    }),
    bolts: z.array(z.strictObject({ xMm: z.number(), yMm: z.number(), tensionN: nonNegative() })).min(1),
    bolt: z.strictObject({
      size: z.enum(SIZE_IDS),
      preloadN: nonNegative().default(0),
      holeMm: positive().optional(),
    }),
    washer: z.enum(['plain', 'large']).default('plain'),
    washerDiameterMm: positive().optional(),
    structural: z.boolean().default(true),
    belowWaterline: z.boolean().default(false),
    bedGapMm: nonNegative().default(0),
    structure: structureSchema.optional(),
    plug: plugSchema.optional(),
  })
  .superRefine((v, ctx) => {
    const d = SIZES[v.bolt.size]!.diameterMm
    if (v.bolt.holeMm !== undefined && v.bolt.holeMm < d)
      ctx.addIssue({
        code: 'custom',
        path: ['bolt', 'holeMm'],
        message: `${v.bolt.holeMm} was given; the hole is at least as wide as its ${d} mm bolt`,
      })
  })
export type PlateInput = z.output<typeof input>
