import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { CHAIN_GRADES, LINES, LINE_IDS } from '../../base/materials/lines'
import { positive, workingSchema } from '../../base/schema/schema'
import { step, type Working } from '../../base/verdict/check'

const gradeSchema = z.union([z.literal(30), z.literal(40), z.literal(70)])
const GRADES_SAID = CHAIN_GRADES.join(', ')

/** The fields by which a line is described, for any input that may take its breaking strength from a size. */
export const lineFields = {
  line: z.enum(LINE_IDS),
  diameterMm: positive(),
  grade: z.number().optional(),
  newtonPerMm2: positive().optional(),
}

type LineIn = {
  line: (typeof LINE_IDS)[number]
  diameterMm: number
  grade?: number | undefined
  newtonPerMm2?: number | undefined
}

/** Says at `grade` when a chain has none, or a rope has one. */
export function checkGrade(
  v: { line?: LineIn['line'] | undefined; grade?: number | undefined },
  ctx: { addIssue: (i: { code: 'custom'; path: string[]; message: string }) => void },
) {
  if (v.line === 'chain' && !gradeSchema.safeParse(v.grade).success)
    ctx.addIssue({
      code: 'custom',
      path: ['grade'],
      message: `${v.grade === undefined ? 'A chain has no strength without its grade' : `${v.grade} is no chain grade`}; ${GRADES_SAID} are accepted`,
    })
  if (v.line !== 'chain' && v.grade !== undefined)
    ctx.addIssue({
      code: 'custom',
      path: ['grade'],
      message: `A grade belongs to chain; ${v.line ?? 'a breaking strength'} has none`,
    })
}

/** Breaking strength (MBL) in N from size; an estimate until the maker's figure replaces it. */
export function breakingOf(v: LineIn): { breakingN: number; working: Working } {
  const d = v.diameterMm
  if (v.line === 'chain') {
    const breakingN = 2 * (Math.PI / 4) * d * d * 10 * v.grade!
    return {
      breakingN,
      working: [
        step(
          'MBL',
          `breaking strength of ${d} mm grade ${v.grade} chain`,
          '2 \u00b7 (\u03c0/4)\u00b7d\u00b2 \u00b7 10\u00b7grade',
          breakingN,
          'N',
        ),
      ],
    }
  }
  const row = LINES[v.line]
  const k = v.newtonPerMm2 ?? row.newtonPerMm2
  const breakingN = k * d * d
  return {
    breakingN,
    working: [
      step('MBL', `breaking strength of ${d} mm ${row.title}`, `${k} \u00b7 d\u00b2`, breakingN, 'N'),
    ],
  }
}

export const lineStrength = defineCalculator({
  name: 'line-strength',
  title: 'Breaking strength of a line, wire or chain',
  chapter: '1.1',
  words: ['rope', 'warp', 'mooring line', 'wire', 'chain', 'MBL', 'breaking strength'],
  input: z.strictObject(lineFields).superRefine(checkGrade),
  output: z.object({ breakingN: z.number(), assumed: z.array(z.string()), working: workingSchema }),
  run: (input) => ({
    ...breakingOf(input),
    assumed: input.newtonPerMm2 === undefined || input.line === 'chain' ? ['breakingN'] : [],
  }),
})
