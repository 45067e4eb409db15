import { z } from 'zod'

/** Field kinds that the chapters share. Names carry the unit, so a schema only says the range. */
export const positive = () => z.number().positive()
export const nonNegative = () => z.number().nonnegative()
export const dutySchema = z.enum(['sheltered', 'coastal', 'ocean'])
const factor = z.number().min(1).optional()
export const factorsSchema = z.strictObject({ metal: factor, laminate: factor, core: factor })
/** Where something is bonded as well. */
export const jointFactorsSchema = factorsSchema.extend({ bond: factor })
export const pointSchema = z.strictObject({ xMm: z.number(), yMm: z.number() })
export const vectorSchema = z.strictObject({ x: z.number(), y: z.number(), z: z.number() })

export const workingSchema = z.array(
  z.object({
    symbol: z.string(),
    meaning: z.string(),
    expression: z.string(),
    value: z.number().nullable(),
    unit: z.string(),
  }),
)
export const verdictSchema = z.enum(['holds', 'tight', 'short', 'unproven'])
export const remedySchema = z.object({
  id: z.string(),
  text: z.string(),
  /** which input changes, and to what */
  change: z.record(z.string(), z.unknown()),
  utilisation: z.number().nullable(),
  verdict: verdictSchema,
  /** what else it would bring, where that is not good */
  but: z.string().optional(),
})
export const checkSchema = z.object({
  id: z.string(),
  title: z.string(),
  demand: z.number().nullable(),
  capacity: z.number().nullable(),
  factor: z.number(),
  unit: z.string(),
  utilisation: z.number().nullable(),
  verdict: verdictSchema,
  because: z.string(),
  working: workingSchema,
  assumed: z.array(z.string()),
  source: z.string(),
  remedies: z.array(remedySchema),
  boltIndex: z.number().int().optional(),
})
