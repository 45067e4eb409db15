import { z } from 'zod'
import { outlineSchema } from '../../base/geometry/outline'
import { GRADE_IDS, SIZES, SIZE_IDS } from '../../base/materials/fasteners'
import { BONDING_PLATE_IDS } from '../../base/materials/plates'
import { structureSchema } from '../../base/materials/structure'
import { dutySchema, jointFactorsSchema, nonNegative, positive } from '../../base/schema/schema'
import { BOND_MPA } from './bearing'
import { plugSchema } from './footprint'

const bondedSchema = z.strictObject({
  material: z.enum(BONDING_PLATE_IDS),
  thicknessMm: positive(),
  bondMPa: positive().default(BOND_MPA),
})
const fieldSchema = z.strictObject({
  centreMPa: z.number(),
  alongMPaPerMm: z.number(),
  acrossMPaPerMm: z.number(),
})
export const input = z
  .strictObject({
    duty: dutySchema.default('coastal'),
    factors: jointFactorsSchema.optional(),
    structure: structureSchema,
    bolt: z.strictObject({
      size: z.enum(SIZE_IDS),
      grade: z.enum(GRADE_IDS),
      threadsInShear: z.boolean().default(true),
      preloadN: nonNegative().default(0),
      holeMm: positive().optional(),
      gripMm: positive().optional(),
    }),
    bolts: z
      .array(
        z.strictObject({ xMm: z.number(), yMm: z.number(), tensionN: nonNegative(), shearN: nonNegative() }),
      )
      .min(1),
    edgeMm: positive().optional(),
    plate: outlineSchema({ bonded: bondedSchema.optional() }).optional(),
    washer: z.enum(['plain', 'large']).default('large'),
    washerDiameterMm: positive().optional(),
    plug: plugSchema.optional(),
    /** a hole beside the bolts, through base and plate, that nothing presses on: a deck pipe, a shaft */
    openMm2: nonNegative().optional(),
    base: outlineSchema({
      pushN: nonNegative().optional(),
      toePressureMPa: nonNegative().optional(),
      field: fieldSchema.optional(),
    }).optional(),
  })
  .superRefine((v, ctx) => {
    if (v.base?.field && (v.base.pushN !== undefined || v.base.toePressureMPa !== undefined))
      ctx.addIssue({
        code: 'custom',
        path: ['base', 'pushN'],
        message: 'A push or a toe pressure is given beside a field; the field has both in it',
      })
    if (v.plate?.bonded && v.structure.kind === 'metal')
      ctx.addIssue({
        code: 'custom',
        path: ['plate', 'bonded'],
        message: 'A plate is not bonded to metal to share its bearing; weld a doubler',
      })
    const d = SIZES[v.bolt.size]!.diameterMm
    if (v.bolt.holeMm !== undefined && v.bolt.holeMm < d)
      ctx.addIssue({
        code: 'custom',
        path: ['bolt', 'holeMm'],
        message: `${v.bolt.holeMm} was given; the hole is at least as wide as its ${d} mm bolt`,
      })
  })
export type JointInput = z.output<typeof input>
