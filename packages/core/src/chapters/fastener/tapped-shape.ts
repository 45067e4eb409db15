import { z } from 'zod'
import { CORES, type CoreId } from '../../base/materials/cores'
import { GRADE_IDS, SIZE_IDS } from '../../base/materials/fasteners'
import {
  checkSchema,
  dutySchema,
  nonNegative,
  positive,
  verdictSchema,
  workingSchema,
} from '../../base/schema/schema'
import { HOST_IDS } from './thread-hosts'

/** What is said of a thread in something, and what is answered (18.5). */
const factor = z.number().min(1).optional()
const common = {
  size: z.enum(SIZE_IDS),
  grade: z.enum(GRADE_IDS),
  tensionN: nonNegative().default(0),
  shearN: nonNegative().default(0),
  duty: dutySchema.default('coastal'),
  factors: z
    .strictObject({ metal: factor, laminate: factor, core: factor, bond: factor, glazing: factor })
    .optional(),
  threadsInShear: z.boolean().default(true),
  paste: z.boolean().default(false),
  edgeMm: positive().optional(),
  torqueNm: positive().optional(),
}
const hosted = {
  ...common,
  plate: z.strictObject({
    material: z.enum(HOST_IDS),
    thicknessMm: positive(),
    shearMPa: positive().optional(),
  }),
  lasting: z.boolean().default(false),
}
const insert = {
  ...hosted,
  insertMm: positive(),
  lengthMm: positive().optional(),
  pullMPa: positive().optional(),
}
const CORE_IDS = Object.keys(CORES) as [CoreId, ...CoreId[]]
export const input = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('tapped'),
    ...hosted,
    engagedMm: positive().optional(),
    tapMm: positive().optional(),
  }),
  z.strictObject({ kind: z.literal('press-in'), ...insert }),
  z.strictObject({ kind: z.literal('bonded'), ...insert }),
  z.strictObject({
    kind: z.literal('nut-in-epoxy'),
    ...common,
    nutMm: positive().optional(),
    coverMm: positive(),
    plugMm: positive(),
    plugLengthMm: positive(),
    wall: z.enum([...CORE_IDS, 'laminate']),
  }),
])
export type Input = z.output<typeof input>
export type Of<K extends Input['kind']> = Extract<Input, { kind: K }>
export const output = z.object({
  checks: z.array(checkSchema),
  verdict: verdictSchema,
  governing: z.string().nullable(),
  holdsN: z.number(),
  turns: z.number().nullable(),
  neededMm: z.number().nullable(),
  fullMm: z.number().nullable(),
  preloadN: z.number(),
  torqueNm: z.number(),
  cautions: z.array(z.enum(['creeps', 'no-threadlocker', 'cracks', 'galling'])),
  assumed: z.array(z.string()),
  working: workingSchema,
})
