import { z } from 'zod'
import { downFrom, withNumbers } from '../../base/attempts'
import { defineCalculator } from '../../base/calculator/calculator'
import { CLOTHS } from '../../base/materials/cloths'
import { invalid } from '../../base/errors'
import { checkSchema, nonNegative, positive } from '../../base/schema/schema'
import { check, say, unproven } from '../../base/verdict/check'

const input = z
  .strictObject({
    holeMm: positive(),
    thicknessMm: positive(),
    ratio: z.number().min(1).default(12),
    sides: z.enum(['one', 'both']).default('one'),
    cloth: z.enum(['mat-450', 'biaxial-400', 'biaxial-600', 'woven-200']).default('biaxial-400'),
    order: z.enum(['small-first', 'large-first']).default('large-first'),
    gapToNextMm: nonNegative().optional(),
    nextReachMm: nonNegative().default(0),
    place: z.enum(['above', 'below']).default('above'),
    highlyLoaded: z.boolean().default(false),
    singleAccess: z.boolean().default(false),
  })
  .superRefine((v, ctx) => {
    if (v.singleAccess && v.sides === 'both')
      ctx.addIssue({
        code: 'custom',
        path: ['sides'],
        message: 'Both sides cannot be ground where only one can be reached; "one" is accepted',
      })
  })
const output = z.object({
  groundMm: z.number(),
  reachMm: z.number(),
  plyMm: z.number(),
  pliesPerSide: z.number(),
  plies: z.array(z.object({ side: z.enum(['outside', 'inside']), n: z.number(), diameterMm: z.number() })),
  backingDiscMm: z.number().nullable(),
  clothG: z.number(),
  resinG: z.number(),
  fits: z.boolean().nullable(),
  checks: z.array(checkSchema),
  cautions: z.array(z.object({ id: z.string(), text: z.string() })),
})
const MOST_PLIES = 10_000
const RESIN_WASTE = 1.25

export const holeClosure = defineCalculator({
  name: 'hole-closure',
  title: 'Closing an old hole',
  chapter: '8.3',
  words: ['fill a hole', 'bevel', 'patch', 'plies', 'scarf', 'cloth'],
  input,
  output,
  tries: (v) => [
    ...(v.sides === 'one' && !v.singleAccess
      ? [
          {
            id: 'sides-both',
            text: 'ground from both sides',
            change: { sides: 'both' },
            input: { ...v, sides: 'both' as const },
          },
        ]
      : []),
    ...withNumbers(
      v,
      'ratio',
      downFrom(v.ratio).filter((n) => n >= (v.highlyLoaded ? 20 : v.place === 'below' ? 12 : 8)),
      (n) => `a bevel of ${n}:1`,
    ),
  ],
  run: (v) => {
    const cloth = CLOTHS[v.cloth]
    const h = v.sides === 'one' ? v.thicknessMm : v.thicknessMm / 2
    const reachMm = v.ratio * h
    const groundMm = v.holeMm + 2 * reachMm
    const N = Math.max(1, Math.floor(h / cloth.plyMm + 0.5 + 1e-9))
    if (N > MOST_PLIES)
      throw invalid(
        'thicknessMm',
        `${say(v.thicknessMm)} mm would take ${N} plies; up to ${MOST_PLIES} are laid out`,
      )
    const discs = Array.from({ length: N }, (_, i) => v.holeMm + ((groundMm - v.holeMm) * (i + 1)) / N)
    if (v.order === 'large-first') discs.reverse()
    const plies = (v.sides === 'one' ? (['outside'] as const) : (['outside', 'inside'] as const)).flatMap(
      (side) => discs.map((diameterMm, i) => ({ side, n: i + 1, diameterMm })),
    )
    const backingDiscMm = v.singleAccess ? v.holeMm + 50 : null
    const areaM2 = [...plies.map((p) => p.diameterMm), ...(backingDiscMm ? [backingDiscMm] : [])].reduce(
      (s, d) => s + (Math.PI / 4) * (d / 1000) ** 2,
      0,
    )
    const clothG = areaM2 * cloth.gM2
    const asked = reachMm + v.nextReachMm
    const gap = v.gapToNextMm
    const fits = gap === undefined ? null : asked <= gap + 1e-9
    const shape = { id: 'gap', title: 'Room to the next hole', unit: 'mm', source: 'chapter 8.3' }
    const gapCheck =
      gap === undefined
        ? unproven({ ...shape, because: 'The gap to the next hole is not given.' })
        : check({
            ...shape,
            demand: asked,
            capacity: gap,
            because: `The bevels reach ${say(asked)} mm; ${say(gap)} mm lie between the holes${fits ? '' : ': treat both as one patch'}.`,
          })
    const least = v.highlyLoaded ? 20 : v.place === 'below' ? 12 : 8
    const cautions: { id: string; text: string }[] = []
    if (v.ratio < least - 1e-9)
      cautions.push({
        id: 'steep-bevel',
        text: `A bevel of ${say(v.ratio)}:1 is steep here; ${least}:1 is the least asked.`,
      })
    if (v.singleAccess)
      cautions.push({ id: 'backing-disc', text: 'Reached from one side: bond a backing disc in first.' })
    if (v.holeMm > 150 || v.highlyLoaded)
      cautions.push({ id: 'surveyor', text: 'A surveyor or shipwright should see this.' })
    if (fits === false && v.nextReachMm > 0)
      cautions.push({ id: 'one-patch', text: 'The two bevels meet: lay them as one patch.' })
    if (v.place === 'below')
      cautions.push({
        id: 'barrier-coats',
        text: 'Fair it, then barrier coats of epoxy, at least 0.25 mm in three coats or more, then antifouling.',
      })
    return {
      groundMm,
      reachMm,
      plyMm: cloth.plyMm,
      pliesPerSide: N,
      plies,
      backingDiscMm,
      clothG,
      resinG: ((clothG * (1 - cloth.fibre)) / cloth.fibre) * RESIN_WASTE,
      fits,
      checks: [gapCheck],
      cautions,
    }
  },
})
